//! A number that adds up: mounts, trips, rides.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::SoftRule;
use super::recorded::{Asked, Recorded};
use crate::Gait;
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

impl Recorded for Count {
    const ASKS_A_MINUTE: f64 = 3.0;

    fn is_soft(&self, _rule: &SoftRule, _gait: Gait) -> bool {
        true
    }

    fn soft_means(_rule: &SoftRule, _gait: Gait) -> String {
        "Each one counts.".into()
    }

    /// Checks the number.
    fn check(&self) -> Result<(), FieldError> {
        COUNTED.check_count("/count", self.count as usize)?;
        Ok(())
    }

    fn count(&self) -> u32 {
        self.count
    }

    fn draw(_at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Count {
        Count {
            count: rng.random_range(3..9),
        }
    }
}
