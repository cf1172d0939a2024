//! The lope depart.

use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, STRIDES};

/// One depart; the lead asked is the level's.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Depart {
    /// Waited in position for the ask.
    pub waited: bool,
    /// The head stayed still.
    pub head_still: bool,
    /// Stayed straight.
    pub straight: bool,
    /// Took the asked lead.
    pub right_lead: bool,
    /// Strides of walk or jog before it loped.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub strides_before: u32,
}

impl Depart {
    /// Waited, on the right lead, head still.
    pub fn is_soft(&self) -> bool {
        self.waited && self.right_lead && self.head_still
    }

    /// The fault that it tells of.
    pub fn faults(&self) -> &'static [&'static str] {
        if self.waited { &[] } else { &["anticipates"] }
    }

    /// Checks the strides.
    ///
    /// # Errors
    /// Too many strides.
    pub fn check(&self) -> Result<(), FieldError> {
        STRIDES.check("/strides_before", f64::from(self.strides_before))?;
        Ok(())
    }
}
