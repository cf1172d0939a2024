//! Steps: so many asked, so many clean.

use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, STEPS};

/// Where the stepping foot crossed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Crossed {
    /// In front of the other.
    InFront,
    /// Behind the other.
    Behind,
}

/// Steps asked at once.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Steps {
    /// Steps asked.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 60))]
    pub asked: u32,
    /// Steps that were clean.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub clean: u32,
    /// Where the foot crossed, where it was seen.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub crossed: Option<Crossed>,
    /// Whether it hurried.
    #[serde(default)]
    pub hurried: bool,
}

impl Steps {
    /// All asked steps were clean.
    pub fn is_soft(&self) -> bool {
        self.clean == self.asked
    }

    /// Checks both numbers.
    ///
    /// # Errors
    /// No step asked, too many, or more clean than asked.
    pub fn check(&self) -> Result<(), FieldError> {
        STEPS.check_count("/asked", self.asked as usize)?;
        super::at_most("/clean", self.clean, "asked", self.asked)
    }
}
