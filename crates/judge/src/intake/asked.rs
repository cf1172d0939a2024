//! What was asked at intake, and what came of it.

use std::collections::HashMap;

use serde::{Deserialize, Serialize};

use crate::Side;
use crate::bounds::{FieldError, INTAKE_RIDES, REPS_AT_ONCE};
use crate::evidence::SoftCount;
use crate::evidence::first_answer::{LUCK_BEGUN, LUCK_UNTAUGHT, SLIP};
use crate::ladder::check::{check_side, find_level};
use crate::ladder::{Ladder, Level};

/// One ask at intake, in the order of asking.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct IntakeAsk {
    /// The level.
    pub level: Level,
    /// The side; any for a level that was passed over.
    pub side: Side,
    /// Whether it was soft; null when the rider passed it over, which tells nothing.
    #[serde(default)]
    pub soft: Option<bool>,
    /// Which ride of the intake, the first is 0. What was asked on another ride tells as
    /// much, but nothing is taken as shown today.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub ride: u32,
}

/// The second ask of a side on the same ride tells less than the first, a fourth nothing:
/// they share the day. Product default.
const WEIGHTS: [f64; 3] = [1.0, 0.7, 0.5];

/// What the answers of a level tell, as log likelihood ratios against a level that could
/// not have been taught yet.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Evidence {
    /// For being held.
    pub held: f64,
    /// For not being held although what it needs is.
    pub open: f64,
}

impl Evidence {
    fn add(&mut self, soft: bool, weight: f64) {
        let chance = |soft_chance: f64| if soft { soft_chance } else { 1.0 - soft_chance };
        let untaught = chance(LUCK_UNTAUGHT);
        self.held += weight * (chance(1.0 - SLIP) / untaught).ln();
        self.open += weight * (chance(LUCK_BEGUN) / untaught).ln();
    }
}

/// What was asked, laid along a ladder.
#[derive(Debug, Clone, PartialEq)]
pub struct Asked {
    /// For each level what its answers tell.
    pub evidence: Vec<Evidence>,
    /// For each level and side, left or both at once first: the answers of this ride, in
    /// order.
    pub answers: Vec<[Vec<bool>; 2]>,
    /// For each level the answers of all rides, and how many were soft.
    pub all: Vec<SoftCount>,
    /// Levels the rider passed over on this ride.
    pub passed_over: Vec<bool>,
    /// The level asked last on this ride.
    pub last: Option<usize>,
}

impl Asked {
    /// Lays asks along a ladder, those of `ride` being today's; those of levels it does not
    /// have are left out.
    pub fn of(ladder: &Ladder, asks: &[IntakeAsk], ride: u32) -> Asked {
        let levels = ladder.levels.len();
        let mut asked = Asked {
            evidence: vec![Evidence::default(); levels],
            answers: vec![[Vec::new(), Vec::new()]; levels],
            all: vec![SoftCount::default(); levels],
            passed_over: vec![false; levels],
            last: None,
        };
        let mut times: HashMap<(usize, Side, u32), usize> = HashMap::new();
        for ask in asks {
            let Some(index) = ladder.position(&ask.level) else {
                continue;
            };
            let Some(soft) = ask.soft else {
                asked.passed_over[index] |= ask.ride == ride;
                continue;
            };
            let before = times.entry((index, ask.side, ask.ride)).or_default();
            let weight = WEIGHTS.get(*before).copied().unwrap_or_default();
            *before += 1;
            asked.evidence[index].add(soft, weight);
            asked.all[index].count(soft);
            if ask.ride == ride {
                asked.answers[index][usize::from(ask.side == Side::Right)].push(soft);
                asked.last = Some(index);
            }
        }
        asked
    }

    /// How often a side was answered.
    pub fn times(&self, index: usize, side: Side) -> usize {
        self.answers[index][usize::from(side == Side::Right)].len()
    }

    /// Whether the last answer of every side was soft.
    pub fn is_shown(&self, ladder: &Ladder, index: usize) -> bool {
        let sides = ladder.levels[index].asked_sides().iter();
        sides.copied().all(|side| {
            let answers = &self.answers[index][usize::from(side == Side::Right)];
            answers.last().copied().unwrap_or_default()
        })
    }
}

/// Checks asks against the ladder that has every level.
///
/// # Errors
/// Too many, a level that no ladder has, a side the level is not asked on.
pub fn check_asks(field: &str, asks: &[IntakeAsk]) -> Result<(), FieldError> {
    REPS_AT_ONCE.check_count(field, asks.len())?;
    for (index, ask) in asks.iter().enumerate() {
        let at = format!("{field}/{index}");
        let level = find_level(&ask.level, Ladder::every_level())
            .map_err(|error| error.under(&format!("{at}/level")))?;
        if ask.soft.is_some() {
            check_side(ask.side, level).map_err(|error| error.under(&at))?;
        }
        INTAKE_RIDES.check(&format!("{at}/ride"), f64::from(ask.ride))?;
    }
    Ok(())
}
