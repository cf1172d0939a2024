//! The lead change.

use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, STRIDES};

/// Which end changed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Ends {
    /// The hind end first.
    HindFirst,
    /// Both together.
    Together,
    /// The hind end late.
    HindLate,
    /// The front only.
    FrontOnly,
    /// No change.
    Missed,
}

/// One lead change; from which lead to which is the level's.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Change {
    /// Which end changed.
    pub ends: Ends,
    /// Strides the hind end was late, when it was.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub late_strides: Option<u32>,
    /// Waited for the ask.
    pub waited: bool,
    /// Sped up.
    pub sped_up: bool,
}

impl Change {
    /// Hind end first or together, waited, did not speed up.
    pub fn is_soft(&self) -> bool {
        matches!(self.ends, Ends::HindFirst | Ends::Together) && self.waited && !self.sped_up
    }

    /// The faults that it tells of.
    pub fn faults(&self) -> &'static [&'static str] {
        let hind_late = !matches!(self.ends, Ends::HindFirst | Ends::Together);
        match (hind_late, self.waited) {
            (true, false) => &["hind_late", "anticipates"],
            (true, true) => &["hind_late"],
            (false, false) => &["anticipates"],
            (false, true) => &[],
        }
    }

    /// Checks the strides.
    ///
    /// # Errors
    /// Too many strides, or strides late on a change that was not.
    pub fn check(&self) -> Result<(), FieldError> {
        let Some(late) = self.late_strides else {
            return Ok(());
        };
        STRIDES.check("/late_strides", f64::from(late))?;
        if self.ends != Ends::HindLate {
            return Err(FieldError::new(
                "/late_strides",
                "only goes with ends \"hind_late\"; leave it out",
            ));
        }
        Ok(())
    }
}
