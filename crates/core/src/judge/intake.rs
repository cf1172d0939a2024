//! Levels shown at intake: they count as held until first asks of the coming weeks say
//! otherwise.
//!
//! # Method
//! The chance that the intake left each level with is carried on by Bayes' rule with the
//! first ask of each later day and side, by the slips and lucky answers of
//! [`crate::evidence::first_answer`]. Confirmed once every side was soft on a first ask
//! and the chance is [`CONFIRMED_FROM`] or more; it no longer counts below
//! [`COUNTS_FROM`]. Both figures are product defaults.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::Side;
use crate::bounds::{CHANCE, FieldError, OF_A_CARD};
use crate::evidence::Ask;
use crate::evidence::first_answer::{LUCK_BEGUN, SLIP};
use crate::ladder::check::find_level;
use crate::ladder::{Ladder, Level};

/// The chance from which on a level is confirmed.
pub const CONFIRMED_FROM: f64 = 0.95;
/// The chance below which it no longer counts.
pub const COUNTS_FROM: f64 = 0.5;
/// No intake is surer of a level than this: a first ask is wanted of each.
const SUREST: f64 = 0.93;

/// A level shown at intake.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct ShownAtIntake {
    /// The level.
    pub level: Level,
    /// The chance that it is held, as the intake left it.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1))]
    pub chance: f64,
}

/// What an intake showed of a horse.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct KeptIntake {
    /// The day of its last ride.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// Levels it showed.
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub shown: Vec<ShownAtIntake>,
    /// Levels missing under what the horse does, the one that most waits for first.
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub holes: Vec<Level>,
}

/// What first asks since have said of a level that was shown at intake.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Confirmation {
    /// Not yet enough.
    Waiting,
    /// It is held.
    Confirmed,
    /// It is not: worked on like any other.
    Doubted,
}

impl KeptIntake {
    /// What is said of a level by `on`; none where it was not shown.
    pub fn of(
        &self,
        level: &Level,
        asks: &[Ask],
        sides: &[Side],
        on: Date,
    ) -> Option<Confirmation> {
        if self.day > on {
            return None;
        }
        let shown = self.shown.iter().find(|shown| shown.level == *level)?;
        Some(confirmation(shown.chance, self.day, asks, sides, on))
    }

    /// Checks that its levels are known and its chances are chances.
    ///
    /// # Errors
    /// The first field that does not fit.
    pub fn check(&self) -> Result<(), FieldError> {
        OF_A_CARD.check_count("/shown", self.shown.len())?;
        OF_A_CARD.check_count("/holes", self.holes.len())?;
        let ladder = Ladder::every_level();
        for (index, shown) in self.shown.iter().enumerate() {
            let at = format!("/shown/{index}");
            CHANCE.check(&format!("{at}/chance"), shown.chance)?;
            find_level(&shown.level, ladder)
                .map_err(|error| error.under(&format!("{at}/level")))?;
        }
        for (index, level) in self.holes.iter().enumerate() {
            find_level(level, ladder).map_err(|error| error.under(&format!("/holes/{index}")))?;
        }
        Ok(())
    }
}

/// What the first asks after `day` say of a level that was so likely held.
fn confirmation(chance: f64, day: Date, asks: &[Ask], sides: &[Side], on: Date) -> Confirmation {
    let chance = chance.min(SUREST);
    let mut log_odds = (chance / (1.0 - chance)).ln();
    let mut soft = vec![false; sides.len()];
    let later = asks.iter().filter(|ask| ask.day > day && ask.day <= on);
    let mut seen: Vec<(Date, Side)> = Vec::new();
    for ask in later {
        if seen.contains(&(ask.day, ask.side)) {
            continue;
        }
        seen.push((ask.day, ask.side));
        log_odds += if ask.soft {
            ((1.0 - SLIP) / LUCK_BEGUN).ln()
        } else {
            (SLIP / (1.0 - LUCK_BEGUN)).ln()
        };
        if let Some(side) = sides.iter().position(|side| *side == ask.side) {
            soft[side] |= ask.soft;
        }
    }
    let chance = 1.0 / (1.0 + (-log_odds).exp());
    if chance < COUNTS_FROM {
        Confirmation::Doubted
    } else if chance >= CONFIRMED_FROM && soft.iter().all(|soft| *soft) {
        Confirmation::Confirmed
    } else {
        Confirmation::Waiting
    }
}
