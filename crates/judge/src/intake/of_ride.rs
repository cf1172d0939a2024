//! What a ride says of the intake it belongs to.

use serde::{Deserialize, Serialize};

use super::story::Story;
use crate::bounds::{FieldError, OF_A_CARD};
use crate::ladder::check::find_level;
use crate::ladder::{Ladder, Level};

/// That a ride is part of an intake, and what its reps do not say.
#[derive(Debug, Clone, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct IntakeOfRide {
    /// What is said of the horse, and what the day has.
    #[serde(default)]
    pub story: Story,
    /// Levels the rider passed over.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub passed_over: Vec<Level>,
    /// A sign of pain ended it.
    #[serde(default)]
    pub hurting: bool,
}

impl IntakeOfRide {
    /// Checks every number and level.
    ///
    /// # Errors
    /// The first field that does not fit.
    pub fn check(&self, ladder: &Ladder) -> Result<(), FieldError> {
        self.story
            .check(ladder)
            .map_err(|error| error.under("/story"))?;
        OF_A_CARD.check_count("/passed_over", self.passed_over.len())?;
        for (index, level) in self.passed_over.iter().enumerate() {
            find_level(level, ladder)
                .map_err(|error| error.under(&format!("/passed_over/{index}")))?;
        }
        Ok(())
    }
}
