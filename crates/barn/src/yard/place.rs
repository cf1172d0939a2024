//! A place to ride: what it is, and how many horses it holds at once.

use jiff::civil::Time;
use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, HORSES_AT_ONCE, NAME_LETTERS, together};
use crate::text::check_text;
use crate::word_enum::word_enum;

word_enum! {
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
    /// When it opens; left out with `closes`: it is always open.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, example = "06:00:00"))]
    pub opens: Option<Time>,
    /// When it closes.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, example = "21:00:00"))]
    pub closes: Option<Time>,
}

impl PlaceSheet {
    /// Checks the name, the number and the hours.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed.
    pub fn check(&self) -> Result<(), Vec<FieldError>> {
        together([
            check_text(NAME_LETTERS, "/name", &self.name),
            HORSES_AT_ONCE
                .check("/horses_at_once", f64::from(self.horses_at_once))
                .map(|_| ()),
            self.check_hours(),
        ])
    }

    fn check_hours(&self) -> Result<(), FieldError> {
        match (self.opens, self.closes) {
            (None, None) => Ok(()),
            (Some(opens), Some(closes)) if opens < closes => Ok(()),
            (Some(_), Some(_)) => Err(FieldError::new("/closes", "must be later than it opens")),
            (Some(_), None) => Err(FieldError::new(
                "/closes",
                "must be there when it opens at a time",
            )),
            (None, Some(_)) => Err(FieldError::new(
                "/opens",
                "must be there when it closes at a time",
            )),
        }
    }
}
