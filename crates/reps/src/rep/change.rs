//! The lead change.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::SoftRule;
use super::recorded::{Asked, Recorded};
use crate::Gait;
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

impl Recorded for Change {
    const ASKS_A_MINUTE: f64 = 0.3;

    const TELLS: &'static [&'static str] = &["hind_late", "anticipates"];

    /// Hind end first or together, waited, did not speed up.
    fn is_soft(&self, _rule: &SoftRule, _gait: Gait) -> bool {
        matches!(self.ends, Ends::HindFirst | Ends::Together) && self.waited && !self.sped_up
    }

    fn soft_means(_rule: &SoftRule, _gait: Gait) -> String {
        "Hind end first or together, waits, no speeding up.".into()
    }

    /// The faults that it tells of.
    fn faults(&self, _rule: &SoftRule) -> Vec<&'static str> {
        let hind_late = !matches!(self.ends, Ends::HindFirst | Ends::Together);
        match (hind_late, self.waited) {
            (true, false) => vec!["hind_late", "anticipates"],
            (true, true) => vec!["hind_late"],
            (false, false) => vec!["anticipates"],
            (false, true) => vec![],
        }
    }

    /// Checks the strides.
    fn check(&self) -> Result<(), FieldError> {
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

    fn draw(at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Change {
        let soft = at.soft;
        let late = !soft && rng.random_bool(0.7);
        Change {
            ends: if late { Ends::HindLate } else { Ends::Together },
            late_strides: late.then(|| rng.random_range(1..4)),
            waited: soft || late,
            sped_up: !soft && !late,
        }
    }
}
