//! A place to ride: what it is, and how many horses it holds at once.

use serde::{Deserialize, Serialize};

use super::kinds::kinds;
use crate::bounds::{FieldError, HORSES_AT_ONCE, NAME_LETTERS, together};
use crate::text::check_text;

kinds! {
    /// What kind of place.
    PlaceKind {
        /// An arena.
        Arena = "arena",
        /// A round pen.
        RoundPen = "round_pen",
        /// A pen for cattle work.
        CattlePen = "cattle_pen",
        /// Outside the fence.
        Outside = "outside",
    }
}

/// What is written down of a place.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct PlaceSheet {
    /// What people call it.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub name: String,
    /// What it is.
    pub kind: PlaceKind,
    /// Horses that can be ridden there at once.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 40))]
    pub horses_at_once: u8,
}

impl PlaceSheet {
    /// Checks the name and the number.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed.
    pub fn check(&self) -> Result<(), Vec<FieldError>> {
        together([
            check_text(NAME_LETTERS, "/name", &self.name),
            HORSES_AT_ONCE
                .check("/horses_at_once", f64::from(self.horses_at_once))
                .map(|_| ()),
        ])
    }
}
