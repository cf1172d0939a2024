//! A work: one cow, or the flag, for a while.
//!
//! # Source
//! End a work on a good turn, take another cow for one that is lost, let one that only runs run:
//! common practice, no source.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::bounds::{FieldError, RIDE_MS};
use crate::rep::HowEnded;

/// The end of a work.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct WorkEnd {
    /// Milliseconds from the ride's start.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 172_800_000))]
    pub after_ms: u32,
    /// How.
    pub how: HowEnded,
}

/// A work of a ride as a device says it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct WorkSaid {
    /// Made on the device (UUIDv7).
    pub work_id: Uuid,
    /// The cow; null for the flag.
    #[serde(default)]
    pub cow_id: Option<Uuid>,
    /// Milliseconds from the ride's start.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 172_800_000))]
    pub after_ms: u32,
    /// Its end; null while it goes on.
    #[serde(default)]
    pub ended: Option<WorkEnd>,
}

impl WorkSaid {
    /// Checks its times.
    ///
    /// # Errors
    /// A moment that no ride has; an end before the beginning.
    pub fn check(&self) -> Result<(), FieldError> {
        RIDE_MS.check("/after_ms", f64::from(self.after_ms))?;
        let Some(end) = self.ended else {
            return Ok(());
        };
        RIDE_MS.check("/ended/after_ms", f64::from(end.after_ms))?;
        if end.after_ms < self.after_ms {
            return Err(FieldError::new(
                "/ended/after_ms",
                format!("must be {} (its beginning) or later", self.after_ms),
            ));
        }
        Ok(())
    }

    /// Minutes it took, while it is known when it ended.
    pub fn minutes(&self) -> Option<f64> {
        let end = self.ended?;
        Some(f64::from(end.after_ms.saturating_sub(self.after_ms)) / 60_000.0)
    }
}
