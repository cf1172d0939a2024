//! Where a horse was placed by hand, by somebody who knows it.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, OF_A_CARD};
use crate::ladder::check::find_level;
use crate::ladder::{Ladder, Level};

/// How likely a level is held that a trainer placed a horse on by hand: between what an
/// intake shows and what it is sure of. Product default.
pub const PLACED_CHANCE: f64 = 0.85;

/// Where a horse was placed by hand, by somebody who knows it: these levels count as held
/// until first asks confirm or contradict them.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = HorsePlacing))]
#[serde(deny_unknown_fields)]
pub struct Placing {
    /// The day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// The levels, those that others stand on left out or not.
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub levels: Vec<Level>,
}

impl Placing {
    /// Checks that its levels are known.
    ///
    /// # Errors
    /// The first level that is not.
    pub fn check(&self) -> Result<(), FieldError> {
        OF_A_CARD.check_count("/levels", self.levels.len())?;
        let ladder = Ladder::every_level();
        for (index, level) in self.levels.iter().enumerate() {
            find_level(level, ladder).map_err(|error| error.under(&format!("/levels/{index}")))?;
        }
        Ok(())
    }
}
