//! What each level that fits is worth on today's card, and as what: closeness of a
//! gate, holes, what the plan and the trainer want, what would go rusty.

use super::cold::cold;
use super::day::Day;
use super::fit::Fits;
use super::horse::Horse;
use super::limits::Limits;
use crate::Side;
use crate::horse::HorseTrait;
use crate::judge::{BrakeChain, Standing, State, Verdict};
use crate::ladder::{AtHand, LadderLevel};
use crate::rep::MeasureKind;

/// What a block is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub enum Role {
    /// Something known, asked again.
    Review,
    /// The one new or limiting thing.
    Work,
    /// What the work is for: a pattern, a cow, an obstacle, a line.
    Use,
    /// Something easy to finish on.
    Finish,
}

/// Why a level is worth it.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Why {
    /// The trainer put it on the card: which of the planned blocks.
    Planned(usize),
    /// The week's plan names it.
    Aim,
    /// The brake limits every gait above.
    Brake,
    /// It is the hole under a fault: which of the holes.
    Hole(usize),
    /// A level above it was sent down.
    EasedFrom(usize),
    /// Only days or first asks are missing.
    Confirm,
    /// So many days of soft asks from the gate.
    Near(u32),
    /// It is worked on.
    Working,
    /// What it needs has just been held.
    JustOpened,
    /// Open, never asked.
    Open,
    /// Shown at intake, and not confirmed by a first ask yet.
    ShownAtIntake,
    /// Missing under what the horse showed at intake.
    IntakeHole,
    /// Held, and answers speak against it.
    Watched(Side),
    /// It was lost, and is worked again.
    Lost,
    /// What it rests on is back, or it is on its way back up: tested cold.
    Retest,
    /// Held, and not shown for so many days.
    Rusty(u32),
    /// Held, and going rusty soon.
    Due(u32),
    /// Held and easy.
    Held,
}

/// A level in a role.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Candidate {
    /// The level's index on the ladder.
    pub index: usize,
    /// The role.
    pub role: Role,
    /// What it is worth.
    pub worth: f64,
    /// Its minutes.
    pub minutes: u32,
    /// Why.
    pub why: Why,
}

/// Everything that could be on the card.
#[derive(Debug, Clone, Default)]
pub struct Worth {
    /// Reviews, best first; all of the same minutes.
    pub reviews: Vec<Candidate>,
    /// The one new or limiting thing, best first.
    pub works: Vec<Candidate>,
    /// What uses it, best first.
    pub uses: Vec<Candidate>,
    /// Something easy, best first.
    pub finishes: Vec<Candidate>,
    /// Levels the trainer or the plan wants.
    pub wanted: Vec<usize>,
    /// First asks before anything else: levels under judgement, nearest first.
    pub cold: Vec<usize>,
    /// What a use is worth more after the work: by the index of both.
    pairs: Vec<(usize, usize, f64)>,
    /// Which skill each level belongs to, so that none is asked twice.
    pub(super) skills: Vec<usize>,
    /// What has to be set up for a level.
    pub(super) with: Vec<Option<AtHand>>,
}

/// Minutes of a review. Product default.
pub const REVIEW_MIN: u32 = 4;
/// Minutes of the work, with what that makes of its worth. Product default.
pub const WORK_MIN: [(u32, f64); 4] = [(10, 1.0), (8, 0.95), (6, 0.85), (5, 0.75)];
/// Minutes of a use. Product default.
pub const USE_MIN: u32 = 8;
/// Minutes of the finish. Product default.
pub const FINISH_MIN: u32 = 3;
/// What the trainer wants comes before all else.
const WANTED: f64 = 100.0;
/// What the week's plan names. Product default.
const AIM: f64 = 6.0;
/// What a use gains when it stands on the work. Product default.
const STANDS_ON: f64 = 3.0;
/// What a use gains when it is of the same track as the work. Product default.
const SAME_TRACK: f64 = 1.0;
/// What fetching cattle or barrels takes off. Product default.
const SET_UP: f64 = 1.0;
/// Which part of its days to rusty a held level has to have stood before it is due.
const DUE: f64 = 0.7;

/// Weighs every level that fits.
pub fn worth(horse: Horse<'_>, day: &Day, limits: &Limits, fits: &Fits) -> Worth {
    let mut worth = Worth {
        wanted: wanted(horse, day, fits),
        cold: cold(horse, limits, fits),
        skills: skills(horse),
        with: horse.ladder.levels.iter().map(|level| level.with).collect(),
        ..Worth::default()
    };
    for index in &fits.fit {
        let at = At::of(horse, day, limits, *index);
        worth.works.extend(at.work(fits));
        worth.reviews.extend(at.review(limits));
        worth.uses.extend(at.usage());
        worth.finishes.extend(at.finish(limits));
    }
    for group in [
        &mut worth.works,
        &mut worth.reviews,
        &mut worth.uses,
        &mut worth.finishes,
    ] {
        // Among equals the lower level, then the longer block.
        group.sort_by(|a, b| {
            b.worth
                .total_cmp(&a.worth)
                .then(a.index.cmp(&b.index))
                .then(b.minutes.cmp(&a.minutes))
        });
    }
    worth.pairs = pairs(horse, &worth);
    worth
}

impl Worth {
    /// What a use gains after that work.
    pub fn pair(&self, work: usize, used: usize) -> f64 {
        let found = self
            .pairs
            .binary_search_by_key(&(work, used), |pair| (pair.0, pair.1));
        found.map_or(0.0, |at| self.pairs[at].2)
    }
}

fn pairs(horse: Horse<'_>, worth: &Worth) -> Vec<(usize, usize, f64)> {
    let mut works: Vec<usize> = worth.works.iter().map(|work| work.index).collect();
    works.sort_unstable();
    works.dedup();
    let mut pairs = Vec::new();
    for used in &worth.uses {
        let under = horse.ladder.under(used.index);
        for work in &works {
            let stands_on = if under.binary_search(work).is_ok() {
                STANDS_ON
            } else {
                0.0
            };
            let levels = &horse.ladder.levels;
            let same = if levels[*work].track == levels[used.index].track {
                SAME_TRACK
            } else {
                0.0
            };
            if stands_on + same > 0.0 {
                pairs.push((*work, used.index, stands_on + same));
            }
        }
    }
    pairs.sort_by_key(|pair| (pair.0, pair.1));
    pairs
}

/// A level with everything its worth is made of.
struct At<'a> {
    horse: Horse<'a>,
    day: &'a Day,
    index: usize,
    level: &'a LadderLevel,
    standing: &'a Standing,
    planned: Option<usize>,
    brake: BrakeChain,
}

impl<'a> At<'a> {
    fn of(horse: Horse<'a>, day: &'a Day, limits: &Limits, index: usize) -> At<'a> {
        let level = &horse.ladder.levels[index];
        At {
            horse,
            day,
            index,
            level,
            standing: &horse.standings[index],
            planned: day
                .planned
                .iter()
                .position(|block| block.level == level.level),
            brake: limits.brake,
        }
    }

    fn is_new(&self) -> bool {
        self.standing.last_asked.is_none() && !self.standing.counts_as_held()
    }

    /// 1 at the gate, towards 0 far from it.
    fn closeness(&self) -> f64 {
        match self.standing.nearest {
            None => 0.5,
            Some(nearest) => nearest
                .days
                .map_or(0.05, |days| 1.0 / (1.0 + f64::from(days) / 3.0)),
        }
    }

    /// The days it has stood, as a part of the days after which it is rusty.
    fn stood(&self) -> f64 {
        let kept = &self.standing.retention;
        let days = kept.idle_days.unwrap_or_default();
        f64::from(days) / f64::from(kept.rusty_after_days.max(1))
    }

    fn ready(&self) -> f64 {
        self.level
            .asked_sides()
            .iter()
            .map(|side| self.standing.history.readiness.now(*side))
            .fold(1.0, f64::min)
    }

    fn candidate(&self, role: Role, worth: f64, minutes: u32, why: Why) -> Candidate {
        Candidate {
            index: self.index,
            role,
            worth,
            minutes,
            why,
        }
    }

    /// What the trainer's own word adds, and the reason it then has.
    fn wanted(&self, worth: f64, why: Why) -> (f64, Why) {
        match self.planned {
            Some(planned) => (worth + WANTED, Why::Planned(planned)),
            None if self.day.aim.as_ref() == Some(&self.level.level) => (worth + AIM, Why::Aim),
            None => (worth, why),
        }
    }

    fn work(&self, fits: &Fits) -> Vec<Candidate> {
        let Some((worth, why)) = self.work_worth(fits) else {
            return Vec::new();
        };
        WORK_MIN
            .into_iter()
            .map(|(minutes, part)| self.candidate(Role::Work, worth * part, minutes, why))
            .collect()
    }

    fn work_worth(&self, fits: &Fits) -> Option<(f64, Why)> {
        let mut reasons: Vec<(f64, Why)> = Vec::new();
        let hole = self
            .horse
            .holes
            .iter()
            .position(|hole| hole.level == self.level.level);
        reasons.extend(hole.map(|rank| (9.0 - 2.0 * rank.min(4) as f64, Why::Hole(rank))));
        let eased =
            self.horse.standings.iter().find(|above| {
                above.verdict == Verdict::EaseBack && above.ease_to == Some(self.index)
            });
        reasons.extend(eased.map(|above| (9.0, Why::EasedFrom(above.index))));
        let at_intake = self.horse.file.intake.as_ref();
        let rank = at_intake.and_then(|intake| {
            intake
                .holes
                .iter()
                .position(|hole| *hole == self.level.level)
        });
        if !self.standing.counts_as_held() {
            reasons.extend(rank.map(|rank| (9.0 - 2.0 * rank.min(4) as f64, Why::IntakeHole)));
        }
        if self.brake.next == Some(self.index) {
            reasons.push((12.0, Why::Brake));
        }
        reasons.extend(self.under_way());
        reasons.sort_by(|a, b| b.0.total_cmp(&a.0));
        if reasons.is_empty() && self.planned.is_none() && !self.is_aim() {
            return None;
        }
        // Further reasons add a third of what they would be worth alone.
        let rest: f64 = reasons.iter().skip(1).map(|(worth, _)| worth / 3.0).sum();
        let (first, why) = reasons.first().copied().unwrap_or((2.0, Why::Held));
        let waiting = self
            .level
            .opens
            .iter()
            .filter(|above| !fits.has(**above))
            .count();
        let opens = (waiting as f64 / 2.0).min(3.0);
        Some(self.wanted(first + rest + opens, why))
    }

    fn is_aim(&self) -> bool {
        self.day.aim.as_ref() == Some(&self.level.level)
    }

    fn under_way(&self) -> Option<(f64, Why)> {
        match (self.standing.verdict, self.standing.state) {
            (Verdict::EaseBack, _) => None,
            (Verdict::Confirm, _) => Some((10.0, Why::Confirm)),
            (_, State::Lost) => Some((8.0 + 2.0 * self.closeness(), Why::Lost)),
            (_, State::Working | State::Confirming) => Some((
                4.0 + 6.0 * self.closeness(),
                self.standing
                    .nearest
                    .and_then(|nearest| nearest.days)
                    .map_or(Why::Working, Why::Near),
            )),
            (_, State::Open) if self.has_just_opened() => Some((7.0, Why::JustOpened)),
            (_, State::Open) => Some((3.0, Why::Open)),
            _ => None,
        }
    }

    /// Something it needs is held by its own gate.
    fn has_just_opened(&self) -> bool {
        let mut needs = self
            .level
            .below
            .iter()
            .chain(self.level.needs.iter().flatten());
        needs.any(|need| self.horse.standings[*need].retention.passed_days > 0)
    }

    fn review(&self, limits: &Limits) -> Option<Candidate> {
        if self.is_new() || self.level.with.is_some() || self.standing.verdict == Verdict::EaseBack
        {
            return None;
        }
        // Held work in hand of a horse that is ridden needs no review.
        let in_hand = self.level.ground && !limits.in_hand;
        if in_hand && self.standing.counts_as_held() && self.planned.is_none() && !self.is_aim() {
            return None;
        }
        let kept = &self.standing.retention;
        let idle = kept.idle_days.unwrap_or_default();
        let watched = self.standing.watched(self.level).map(Why::Watched);
        let (worth, why) = match (self.standing.verdict, self.standing.state) {
            (_, State::InDoubt) => (8.0, watched.unwrap_or(Why::Held)),
            (_, State::Retest | State::Eased) => (6.0, Why::Retest),
            (_, State::Lost) => (5.0 + 3.0 * self.closeness(), Why::Lost),
            // Asked a little every ride, before what is only under way.
            (_, State::Held | State::Rusty | State::Overruled) if watched.is_some() => {
                (7.0, watched.unwrap_or(Why::Held))
            }
            (Verdict::Confirm, _) => (6.0, Why::Confirm),
            (_, State::Working | State::Confirming) => (
                2.0 + 3.0 * self.closeness(),
                self.standing
                    .nearest
                    .and_then(|nearest| nearest.days)
                    .map_or(Why::Working, Why::Near),
            ),
            (_, State::ShownAtIntake | State::Placed) => (4.0 + self.stood(), Why::ShownAtIntake),
            _ if kept.is_rusty() => (5.0, Why::Rusty(idle)),
            _ if self.stood() >= DUE => (3.0 * self.stood(), Why::Due(idle)),
            _ => (0.3 + self.stood(), Why::Held),
        };
        let (worth, why) = self.wanted(worth + self.by_traits(), why);
        Some(self.candidate(Role::Review, worth.max(0.0), REVIEW_MIN, why))
    }

    /// What the horse's traits make more or less worth asking again.
    fn by_traits(&self) -> f64 {
        let skill = self.level.level.skill.0.as_str();
        let is = |horse_trait: HorseTrait| self.day.is(horse_trait);
        let mut more = 0.0;
        let mut add = |so: bool, points: f64| {
            if so {
                more += points;
            }
        };
        add(is(HorseTrait::Squirms) && skill == "frame.straight", 2.0);
        add(is(HorseTrait::PopsUpBehind) && skill == "frame.back", 2.0);
        add(is(HorseTrait::OverBridles) && skill == "frame.poll", -2.0);
        add(
            is(HorseTrait::OverBridles) && (skill == "frame.loose" || skill == "start.forward"),
            2.0,
        );
        add(is(HorseTrait::Lazy) && skill == "start.forward", 2.0);
        add(is(HorseTrait::SensitiveToLeg) && skill == "lead.setup", 4.0);
        add(
            is(HorseTrait::PushesOnTheHand) && (skill == "bend.flex" || skill == "stop.one-rein"),
            2.0,
        );
        more
    }

    fn usage(&self) -> Option<Candidate> {
        let is_use = self.level.with.is_some()
            || matches!(
                self.level.measure,
                MeasureKind::Roll
                    | MeasureKind::Turn
                    | MeasureKind::Run
                    | MeasureKind::Obstacle
                    | MeasureKind::Carry
                    | MeasureKind::Depart
            );
        if !is_use || self.is_new() || self.standing.verdict == Verdict::EaseBack {
            return None;
        }
        let (worth, why) = match self.standing.state {
            State::Working | State::Confirming => (3.0 + 3.0 * self.closeness(), Why::Working),
            State::Lost => (3.0 + 3.0 * self.closeness(), Why::Lost),
            State::ShownAtIntake | State::Placed => (4.0, Why::ShownAtIntake),
            State::Rusty => (
                5.0,
                Why::Rusty(self.standing.retention.idle_days.unwrap_or_default()),
            ),
            _ => (3.0 + self.stood(), Why::Held),
        };
        let set_up = if self.level.with.is_some() {
            SET_UP
        } else {
            0.0
        };
        let (worth, why) = self.wanted(worth - set_up, why);
        Some(self.candidate(Role::Use, worth, USE_MIN, why))
    }

    fn finish(&self, limits: &Limits) -> Option<Candidate> {
        let slow = self.level.gait <= crate::Gait::Jog;
        let held = self.standing.counts_as_held();
        let rusty = self.standing.retention.is_rusty();
        let counted = matches!(self.level.measure, MeasureKind::Count | MeasureKind::Run);
        if !slow
            || !held
            || counted
            || self.level.with.is_some()
            || self.level.ground != limits.in_hand
        {
            return None;
        }
        let standing_still = if self.level.gait <= crate::Gait::Walk {
            0.5
        } else {
            0.0
        };
        // Rusty is better than nothing to end on.
        let surely = if rusty { 0.5 } else { 1.0 };
        let worth = (2.0 * self.ready() + standing_still) * surely;
        Some(self.candidate(Role::Finish, worth, FINISH_MIN, Why::Held))
    }
}

/// What the trainer put on the card, and what the week's plan names, as far as it fits.
fn wanted(horse: Horse<'_>, day: &Day, fits: &Fits) -> Vec<usize> {
    let named = day.planned.iter().map(|block| &block.level).chain(&day.aim);
    let mut wanted: Vec<usize> = Vec::new();
    for index in named.filter_map(|level| horse.ladder.position(level)) {
        if fits.has(index) && !wanted.contains(&index) {
            wanted.push(index);
        }
    }
    wanted
}

/// A number for the skill of each level.
fn skills(horse: Horse<'_>) -> Vec<usize> {
    let ids: Vec<_> = horse.ladder.skills().map(|skill| &skill.id).collect();
    horse
        .ladder
        .levels
        .iter()
        .map(|level| {
            ids.iter()
                .position(|id| **id == level.level.skill)
                .unwrap_or(ids.len())
        })
        .collect()
}
