//! From the file and the schools of a program to the ladder a horse stands on: which skills it
//! has, what each level needs, in an order in which needs come first.

use std::collections::HashMap;

use super::error::LadderError;
use super::file::{LadderFile, SkillInFile};
use super::need;
use super::{Ladder, LadderLevel, Skill, Track};
use crate::id::{Level, RungId};
use crate::school::Schools;

/// A need before it is resolved: the words of the file, and the level that has it.
struct UnresolvedNeed<'a> {
    at: usize,
    need: &'a str,
}

impl LadderFile {
    /// Every level of the file, whatever the school: what a rep may be asked at.
    /// Its gates and needs are those of the default program.
    pub fn all_levels(&self) -> Ladder {
        resolve_skills(self, &Schools::default(), |_| true)
            .expect("with every skill there, no need is missing; a test holds it")
    }
}

/// The ladder of the file with these schools, before a program changes its gates.
///
/// # Errors
/// A need that no level meets with these schools, or levels that need each other.
pub fn resolve(file: &LadderFile, schools: &Schools) -> Result<Ladder, LadderError> {
    resolve_skills(file, schools, |skill| in_program(skill, schools))
}

fn resolve_skills(
    file: &LadderFile,
    schools: &Schools,
    in_program: impl Fn(&SkillInFile) -> bool,
) -> Result<Ladder, LadderError> {
    let mut tracks = Vec::new();
    let mut levels: Vec<LadderLevel> = Vec::new();
    let mut unresolved: Vec<UnresolvedNeed<'_>> = Vec::new();
    for (track_place, track) in file.tracks.iter().enumerate() {
        let mut skills = Vec::new();
        for skill in track.skills.iter().filter(|skill| in_program(skill)) {
            skills.push(skill_of(file, skill, schools)?);
            for (index, rung) in skill.levels.iter().enumerate() {
                let at = levels.len();
                let below = (index > 0 && !skill.apart).then(|| at - 1);
                let mut level = level_of(file, skill, rung, track_place, below)?;
                if schools.chose("mistakes", "find_it") {
                    level.gate.ease_rides = level.gate.ease_rides.max(2);
                }
                levels.push(level);
                unresolved
                    .extend(needs_of(skill, rung, schools).map(|need| UnresolvedNeed { at, need }));
            }
        }
        tracks.push(Track {
            id: track.id.clone(),
            name: track.name.clone(),
            caution: track.caution.clone(),
            skills,
        });
    }
    let index: HashMap<Level, usize> = levels
        .iter()
        .enumerate()
        .map(|(index, known)| (known.level.clone(), index))
        .collect();
    for need in unresolved {
        let found = resolve_need(file, schools, &levels[need.at].level, need.need, &index)?;
        levels[need.at].needs.push(found);
    }
    let order = needs_first(&levels)?;
    Ok(Ladder {
        version: file.version,
        tracks,
        faults: file.faults.clone(),
        dry_work: dry_work(file)?,
        ..reorder(levels, &order)
    })
}

fn dry_work(file: &LadderFile) -> Result<Vec<Level>, LadderError> {
    let is_there = |level: &Level| {
        let mut skills = file.tracks.iter().flat_map(|track| &track.skills);
        skills.any(|skill| skill.id == level.skill && skill.levels.contains(&level.rung))
    };
    let read = |path: &String| {
        let level = Level::from_path(path).filter(is_there);
        level.ok_or_else(|| LadderError::UnknownDryWork(path.clone()))
    };
    file.dry_work.iter().map(read).collect()
}

/// Whether a program of these schools has the skill.
fn in_program(skill: &SkillInFile, schools: &Schools) -> bool {
    let chosen = |c: &super::file::SchoolChoice| schools.chose(&c.question, &c.choice);
    skill.only_for.as_ref().is_none_or(chosen) && !skill.unless.as_ref().is_some_and(chosen)
}

fn skill_of(
    file: &LadderFile,
    skill: &SkillInFile,
    schools: &Schools,
) -> Result<Skill, LadderError> {
    let notes = skill
        .note_for
        .iter()
        .filter(|note| schools.chose(&note.question, &note.choice));
    Ok(Skill {
        id: skill.id.clone(),
        name: skill.name.clone(),
        ask: skill.ask.clone(),
        measure: skill
            .measure
            .ok_or_else(|| LadderError::NoMeasure(skill.id.clone()))?,
        sides: skill.sides,
        mouth: skill.mouth,
        ground: skill.ground,
        with: skill.with,
        apart: skill.apart,
        caution: skill.caution.clone(),
        notes: notes.map(|note| note.text.clone()).collect(),
        rungs: skill.levels.iter().map(|rung| file.rung(rung)).collect(),
    })
}

fn level_of(
    file: &LadderFile,
    skill: &SkillInFile,
    rung: &RungId,
    track: usize,
    below: Option<usize>,
) -> Result<LadderLevel, LadderError> {
    let known = file.rung(rung);
    let name = if skill.levels.len() == 1 {
        skill.name.clone()
    } else {
        format!("{}, {}", skill.name, known.name)
    };
    Ok(LadderLevel {
        level: Level {
            skill: skill.id.clone(),
            rung: rung.clone(),
        },
        track,
        name,
        measure: skill
            .measure
            .ok_or_else(|| LadderError::NoMeasure(skill.id.clone()))?,
        sides: skill.sides,
        safety: skill.safety,
        roles: skill.roles.clone(),
        obstacle: skill.obstacle,
        mouth: skill.mouth,
        ground: skill.ground,
        with: skill.with,
        zone: skill.zone,
        gait: known.gait,
        gate: file.gate_of(skill, rung)?,
        below,
        needs: Vec::new(),
        opens: Vec::new(),
    })
}

/// The needs of a rung as they are written. Needs of the skill as a whole stand at every
/// rung of their own: "same" means another level each time.
fn needs_of<'a>(
    skill: &'a SkillInFile,
    rung: &RungId,
    schools: &'a Schools,
) -> impl Iterator<Item = &'a str> {
    let here = skill.needs_at.get(&rung.0).into_iter().flatten();
    let for_school = skill
        .needs_for
        .iter()
        .filter(|need| schools.chose(&need.question, &need.choice))
        .flat_map(|need| &need.needs);
    skill
        .needs
        .iter()
        .chain(here)
        .chain(for_school)
        .map(String::as_str)
}

/// The alternatives of a need; those that a school leaves out fall away.
fn resolve_need(
    file: &LadderFile,
    schools: &Schools,
    at: &Level,
    need: &str,
    index: &HashMap<Level, usize>,
) -> Result<Vec<usize>, LadderError> {
    let rungs_of = |skill: &str| file.skill(skill).map(|skill| skill.levels.clone());
    let mut found = Vec::new();
    for alternative in need.split(" or ") {
        let level = need::strict(alternative, &at.rung, rungs_of).map_err(|text| {
            LadderError::UnknownNeed {
                at: at.clone(),
                need: alternative.to_owned(),
                text,
            }
        })?;
        found.extend(index.get(&level).copied());
    }
    if found.is_empty() {
        return Err(LadderError::Unreachable {
            level: at.clone(),
            need: need.to_owned(),
            school: schools.in_words(),
        });
    }
    Ok(found)
}

/// An order in which every level stands after all it may need; the order of the
/// file where that is free.
fn needs_first(levels: &[LadderLevel]) -> Result<Vec<usize>, LadderError> {
    let mut mark = vec![Mark::New; levels.len()];
    let mut order = Vec::with_capacity(levels.len());
    let mut path = Vec::new();
    for index in 0..levels.len() {
        visit(index, levels, &mut mark, &mut path, &mut order)?;
    }
    Ok(order)
}

#[derive(Clone, Copy, PartialEq)]
enum Mark {
    New,
    OnPath,
    Done,
}

fn visit(
    index: usize,
    levels: &[LadderLevel],
    mark: &mut [Mark],
    path: &mut Vec<usize>,
    order: &mut Vec<usize>,
) -> Result<(), LadderError> {
    match mark[index] {
        Mark::Done => return Ok(()),
        Mark::OnPath => {
            let start = path.iter().position(|on| *on == index).unwrap_or(0);
            let circle = path[start..].iter().chain([&index]);
            return Err(LadderError::Circle(
                circle.map(|on| levels[*on].level.clone()).collect(),
            ));
        }
        Mark::New => {}
    }
    mark[index] = Mark::OnPath;
    path.push(index);
    let level = &levels[index];
    for need in level.below.iter().chain(level.needs.iter().flatten()) {
        visit(*need, levels, mark, path, order)?;
    }
    path.pop();
    mark[index] = Mark::Done;
    order.push(index);
    Ok(())
}

fn reorder(levels: Vec<LadderLevel>, order: &[usize]) -> Ladder {
    let mut now_at = vec![0; order.len()];
    for (now, before) in order.iter().enumerate() {
        now_at[*before] = now;
    }
    let mut sorted: Vec<LadderLevel> = order
        .iter()
        .map(|before| {
            let mut level = levels[*before].clone();
            level.below = level.below.map(|below| now_at[below]);
            for need in level.needs.iter_mut().flatten() {
                *need = now_at[*need];
            }
            level
        })
        .collect();
    for index in 0..sorted.len() {
        let wanted: Vec<usize> = sorted[index]
            .below
            .iter()
            .chain(sorted[index].needs.iter().flatten())
            .copied()
            .collect();
        for need in wanted {
            sorted[need].opens.push(index);
        }
    }
    let index = sorted
        .iter()
        .enumerate()
        .map(|(index, level)| (level.level.clone(), index))
        .collect();
    Ladder {
        version: 0,
        tracks: Vec::new(),
        faults: Vec::new(),
        dry_work: Vec::new(),
        levels: sorted,
        index,
    }
}
