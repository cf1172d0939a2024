//! The rig on a ride: the headgear, as a simple list. A change in mid-ride marks the
//! reps after it.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::bounds::{FieldError, RIDE_MS, WORD_LETTERS};
pub use crate::rig::RigKind;
use crate::text::check_text;

/// The rig from a moment of a ride on.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RigFrom {
    /// Milliseconds from the ride's start; 0 for the rig it began in.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 172_800_000))]
    pub after_ms: u32,
    /// What kind of headgear.
    pub kind: RigKind,
    /// The piece of the barn's tack, where one was named.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub gear_id: Option<Uuid>,
    /// What the barn calls it, where it has a name.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 40))]
    pub name: String,
}

impl RigFrom {
    pub(super) fn check(&self) -> Result<(), FieldError> {
        RIDE_MS.check("/after_ms", f64::from(self.after_ms))?;
        if self.name.is_empty() {
            return Ok(());
        }
        check_text(WORD_LETTERS, "/name", &self.name)
    }
}

/// The rig an ask was made in; none while nobody said.
pub fn rig_at(rigs: &[RigFrom], after_ms: u32) -> Option<&RigFrom> {
    rigs.iter()
        .filter(|rig| rig.after_ms <= after_ms)
        .max_by_key(|rig| rig.after_ms)
}
