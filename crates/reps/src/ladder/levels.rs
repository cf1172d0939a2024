//! The ladder of one program: its levels, in an order in which needs come first.

use std::collections::HashMap;

use super::{AtHand, Fault, FaultSet, Gate, ObstacleKind, Role, Skill, Track, Zone, need};
use crate::id::{FaultId, Level, SkillId};
use crate::rep::{MeasureKind, Rep, SoftRule};
use crate::side::Sides;
use crate::{Gait, Side};

/// The ladder one program makes of the file: every level in an order in which
/// what it needs comes before it.
#[derive(Debug, Clone, PartialEq)]
pub struct Ladder {
    /// The version of the file.
    pub version: u32,
    /// The tracks, in the order of the work.
    pub tracks: Vec<Track>,
    /// Every level, needs first.
    pub levels: Vec<LadderLevel>,
    /// The faults, in the order of the file.
    pub faults: Vec<Fault>,
    /// Asked away from the cattle before a horse goes back to them, in order.
    pub dry_work: Vec<Level>,
    pub(super) index: HashMap<Level, usize>,
}

/// One level with its gate and needs, as one program has them.
#[derive(Debug, Clone, PartialEq)]
pub struct LadderLevel {
    /// Skill and rung.
    pub level: Level,
    /// Where its track stands in [`Ladder::tracks`].
    pub track: usize,
    /// What the skill is called, with the rung: "Stops off the seat, at the jog".
    pub name: String,
    /// What its reps record.
    pub measure: MeasureKind,
    /// Whether left and right are asked each on its own.
    pub sides: Sides,
    /// A safety level: a gate that forgives little, and lost sooner.
    pub safety: bool,
    /// What its skill is in the work.
    pub roles: Vec<Role>,
    /// The obstacle it is asked on.
    pub obstacle: Option<ObstacleKind>,
    /// Work in the mouth.
    pub mouth: bool,
    /// Asked from the ground, nobody riding.
    pub ground: bool,
    /// What has to be at hand for it.
    pub with: Option<AtHand>,
    /// The part of the horse it speaks of.
    pub zone: Option<Zone>,
    /// The gait it is asked at.
    pub gait: Gait,
    /// The gate.
    pub gate: Gate,
    /// The rung below, when there is one that it needs.
    pub below: Option<usize>,
    /// What must be held first; of each need one of the alternatives. The rung
    /// below is not repeated here.
    pub needs: Vec<Vec<usize>>,
    /// The levels that wait for this one.
    pub opens: Vec<usize>,
}

impl LadderLevel {
    /// The sides it is judged on.
    pub fn asked_sides(&self) -> &'static [Side] {
        self.sides.asked()
    }

    /// Whether its skill is that in the work.
    pub fn is(&self, role: Role) -> bool {
        self.roles.contains(&role)
    }

    /// Fast work: the lope and faster from the saddle, and what takes a horse's strength at
    /// any gait. One notion for card, day and week.
    pub fn is_fast(&self) -> bool {
        (self.gait >= Gait::Lope && !self.ground) || self.is(Role::Fast)
    }
}

impl Ladder {
    /// Where a level stands in [`Ladder::levels`].
    pub fn position(&self, level: &Level) -> Option<usize> {
        self.index.get(level).copied()
    }

    /// A level, when this ladder has it.
    pub fn at(&self, level: &Level) -> Option<&LadderLevel> {
        self.position(level).map(|position| &self.levels[position])
    }

    /// The skill of that id.
    pub fn skill(&self, id: &SkillId) -> Option<&Skill> {
        self.skills().find(|skill| skill.id == *id)
    }

    /// All skills, in the order of the work.
    pub fn skills(&self) -> impl Iterator<Item = &Skill> {
        self.tracks.iter().flat_map(|track| &track.skills)
    }

    /// That there is no such skill, and which there are: those of its track, or
    /// the tracks.
    pub fn no_skill(&self, id: &SkillId) -> String {
        let named = id.0.split('.').next().unwrap_or_default();
        let track = self.tracks.iter().find(|track| track.id == named);
        let (has, known): (String, Vec<&str>) = match track {
            Some(track) => (
                format!("{} has", track.id),
                track
                    .skills
                    .iter()
                    .map(|skill| skill.id.0.as_str())
                    .collect(),
            ),
            None => (
                "its tracks are".to_owned(),
                self.tracks.iter().map(|track| track.id.as_str()).collect(),
            ),
        };
        format!(
            "no skill \"{id}\" on this ladder; {has} {}",
            known.join(", ")
        )
    }

    /// Everything a level stands on, itself left out: the rung below and what it
    /// needs, and what those need; of alternatives the first.
    pub fn under(&self, index: usize) -> Vec<usize> {
        let mut found = vec![false; self.levels.len()];
        let mut next = vec![index];
        while let Some(at) = next.pop() {
            let level = &self.levels[at];
            let firsts = level.needs.iter().filter_map(|need| need.first());
            for need in level.below.iter().chain(firsts) {
                if !found[*need] {
                    found[*need] = true;
                    next.push(*need);
                }
            }
        }
        (0..index).filter(|at| found[*at]).collect()
    }

    /// Gives a level another gate.
    pub fn set_gate(&mut self, level: &Level, gate: Gate) {
        if let Some(index) = self.position(level) {
            self.levels[index].gate = gate;
        }
    }

    /// Where a fault stands in [`Ladder::faults`].
    pub fn fault(&self, id: &FaultId) -> Option<usize> {
        self.fault_named(&id.0)
    }

    /// The faults of a rep: those that were seen, and those its measure tells of.
    pub fn faults_of(&self, rep: &Rep, rule: &SoftRule) -> FaultSet {
        let mut set = FaultSet::default();
        let told = rep.measure.faults(rule);
        for id in told
            .into_iter()
            .chain(rep.faults.iter().map(|id| id.0.as_str()))
        {
            if let Some(index) = self.fault_named(id) {
                set.add(index);
            }
        }
        set
    }

    fn fault_named(&self, id: &str) -> Option<usize> {
        self.faults.iter().position(|fault| fault.id.0 == id)
    }

    /// The levels of the skill in that role, lowest first.
    pub fn levels_in(&self, role: Role) -> impl Iterator<Item = usize> + '_ {
        let levels = self.levels.iter().enumerate();
        levels
            .filter(move |(_, level)| level.is(role))
            .map(|(index, _)| index)
    }

    /// The lowest level of the first skill in that role.
    pub fn first_in(&self, role: Role) -> Option<usize> {
        self.levels_in(role).next()
    }

    /// The highest level of the first skill in that role.
    pub fn last_in(&self, role: Role) -> Option<usize> {
        let skill = &self.levels[self.first_in(role)?].level.skill;
        let of_skill = self
            .levels_in(role)
            .filter(|index| self.levels[*index].level.skill == *skill);
        of_skill.last()
    }

    /// What is asked on an obstacle at a gait: the fastest level that is not faster, else the
    /// lowest.
    pub fn asked_on(&self, obstacle: ObstacleKind, gait: Gait) -> Option<usize> {
        let asked = || {
            let levels = self.levels.iter().enumerate();
            levels.filter(move |(_, level)| level.obstacle == Some(obstacle))
        };
        let fits = asked().rfind(|(_, level)| level.gait <= gait);
        fits.or(asked().next()).map(|(index, _)| index)
    }

    /// What a horse is taken out for that is down for nothing: the lightest ask.
    pub fn lightest_ask(&self) -> Option<usize> {
        self.first_in(Role::LightestAsk)
    }

    /// A ladder of one level that needs nothing: how it is judged alone.
    pub fn of_one(&self, index: usize) -> Ladder {
        let level = LadderLevel {
            below: None,
            needs: Vec::new(),
            opens: Vec::new(),
            ..self.levels[index].clone()
        };
        Ladder {
            index: HashMap::from([(level.level.clone(), 0)]),
            levels: vec![level],
            ..self.clone()
        }
    }

    /// The levels of a skill, lowest first.
    pub fn rungs_of<'a>(&'a self, skill: &'a SkillId) -> impl Iterator<Item = usize> + 'a {
        self.skill(skill).into_iter().flat_map(|skill| {
            skill.rungs.iter().filter_map(|rung| {
                self.position(&Level {
                    skill: skill.id.clone(),
                    rung: rung.id.clone(),
                })
            })
        })
    }
}

impl Ladder {
    /// The level a hole names, seen from the level at `seen_at`: `same` is the
    /// rung of that gait, or the highest below it; `below` one rung slower. None
    /// when the program does not have the skill.
    pub fn hole(&self, hole: &str, seen_at: usize) -> Option<usize> {
        let at = &self.levels[seen_at];
        let (skill, which) = need::split(hole);
        let own = skill == "own";
        let skill = if own {
            at.level.skill.clone()
        } else {
            SkillId(skill.to_owned())
        };
        let rungs: Vec<usize> = self.rungs_of(&skill).collect();
        let slower = |or_same: bool| {
            rungs
                .iter()
                .rev()
                .find(|rung| {
                    let gait = self.levels[**rung].gait;
                    gait < at.gait || (or_same && gait == at.gait)
                })
                .or(rungs.first())
                .copied()
        };
        match which {
            need::Rungs::Below if own => at.below,
            need::Rungs::Below => slower(false),
            need::Rungs::Same => rungs
                .iter()
                .find(|rung| self.levels[**rung].level.rung == at.level.rung)
                .copied()
                .or_else(|| slower(true)),
            need::Rungs::Only => rungs.first().copied(),
            need::Rungs::Named(name) => rungs
                .iter()
                .find(|rung| self.levels[**rung].level.rung.0 == name)
                .copied(),
        }
    }
}
