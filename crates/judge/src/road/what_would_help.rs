//! What would help, and by how much: the same futures once more with one thing changed.

use serde::{Deserialize, Serialize};

use super::answer::Road;
use super::asked::RoadAsked;
use super::needed::road_levels;
use super::told::{Drawn, MONTH_DAYS};
use super::words;
use crate::day::days_between;
use crate::ladder::{Ladder, Level};

/// Rides a week at the most: a horse has a day off.
pub const MOST_A_WEEK: f64 = 6.0;
/// Futures of each change.
const FUTURES: u32 = 600;
/// Levels that are tried first, of the deciding chain.
const FIRSTS: usize = 3;
/// A change that brings less is not named.
const LEAST_GAIN: f64 = 0.02;

/// What could be changed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum RoadHelpKind {
    /// One more ride a week.
    RideMore,
    /// A level is worked on before all others.
    WorkFirst,
    /// A level of the goal is dropped.
    Drop,
    /// The date is a month later.
    MonthLater,
}

/// Something that would help.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RoadHelp {
    /// What.
    pub kind: RoadHelpKind,
    /// The level it is about.
    pub level: Option<Level>,
    /// The chance of the first goal with it.
    pub chance: f64,
    /// By how much that is more.
    pub gain: f64,
    /// The same in a sentence.
    pub text: String,
}

/// What must not be asked of the horse, whatever would help.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub struct Held {
    /// It is young, or develops late: pushing is named as such.
    pub pushed: bool,
}

/// What would help the first goal most, the most first.
pub fn helps(ladder: &Ladder, asked: &RoadAsked, told: &Road, held: Held) -> Vec<RoadHelp> {
    let base = with(asked, |_| {});
    let goal = &asked.goals[0];
    let by = days_between(asked.today, goal.day);
    let now = chance(ladder, &base, by);
    let mut found = Vec::new();
    let mut add = |kind: RoadHelpKind, level: Option<&Level>, chance: f64, text: String| {
        if chance - now >= LEAST_GAIN {
            found.push(RoadHelp {
                kind,
                level: level.cloned(),
                chance,
                gain: chance - now,
                text,
            });
        }
    };
    if asked.rides_a_week + 1.0 <= MOST_A_WEEK {
        let more = with(asked, |one| one.rides_a_week += 1.0);
        let chance = chance(ladder, &more, by);
        add(
            RoadHelpKind::RideMore,
            None,
            chance,
            words::ride_more(chance, held.pushed),
        );
    }
    for one in told.chain.iter().take(FIRSTS) {
        let first = with(asked, |road| road.first = Some(one.level.clone()));
        let chance = chance(ladder, &first, by);
        let text = words::work_first(&one.name, chance);
        add(RoadHelpKind::WorkFirst, Some(&one.level), chance, text);
    }
    if goal.levels.len() > 1 {
        let hardest = told.goals[0]
            .levels
            .iter()
            .filter(|level| !level.held)
            .min_by(|a, b| a.chance.total_cmp(&b.chance));
        if let Some(hardest) = hardest {
            let without = with(asked, |road| {
                road.goals[0].levels.retain(|level| *level != hardest.level);
            });
            let chance = chance(ladder, &without, by);
            let text = words::drop(&hardest.name, chance);
            add(RoadHelpKind::Drop, Some(&hardest.level), chance, text);
        }
    }
    let later = chance(ladder, &base, by + MONTH_DAYS);
    add(
        RoadHelpKind::MonthLater,
        None,
        later,
        words::month_later(later),
    );
    found.sort_by(|a, b| b.gain.total_cmp(&a.gain));
    found
}

/// The same road with fewer futures and a change.
pub fn with(asked: &RoadAsked, change: impl FnOnce(&mut RoadAsked)) -> RoadAsked {
    let mut one = asked.clone();
    one.futures = one.futures.min(FUTURES);
    change(&mut one);
    one
}

/// The chance of the first goal by a day, counted from today.
pub fn chance(ladder: &Ladder, asked: &RoadAsked, by: i64) -> f64 {
    let levels = road_levels(ladder, asked);
    Drawn::of(asked, &levels).chance(0, by)
}
