//! A number that adds up: mounts, trips, rides.

use serde::{Deserialize, Serialize};

use crate::bounds::{COUNTED, FieldError};

/// So many at once.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Count {
    /// How many.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 1000))]
    pub count: u32,
}

impl Count {
    /// Checks the number.
    ///
    /// # Errors
    /// None, or too many.
    pub fn check(&self) -> Result<(), FieldError> {
        COUNTED.check_count("/count", self.count as usize)?;
        Ok(())
    }
}
