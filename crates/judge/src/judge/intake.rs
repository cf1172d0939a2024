//! Levels shown at intake: they count as held until first asks of the coming weeks say
//! otherwise.
//!
//! # Method
//! The chance that the intake left each level with is carried on by Bayes' rule with the
//! first ask of each later day and side, by the slips and lucky answers of
//! [`crate::evidence::first_answer`] ([`super::held::hold`]). Confirmed once every side was
//! soft on a first ask and the chance is [`super::held::CONFIRMED_FROM`] or more; it
//! no longer counts below [`super::held::COUNTS_FROM`]. Both figures are product
//! defaults.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::bounds::{CHANCE, FieldError, OF_A_CARD};
use crate::ladder::check::find_level;
use crate::ladder::{Ladder, Level};

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

impl KeptIntake {
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
