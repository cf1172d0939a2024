//! The numbers of a gate: what a level needs before the next one opens.

use serde::{Deserialize, Serialize};

use crate::bounds::{
    CONFIDENCE, FIRST_ASKS, FieldError, HORIZON_S, ICC, LEAST_DAYS, LEAST_REPS, RUSTY_DAYS, SHARE,
    TIME_RATIO, WINDOW_DAYS, WINDOW_RIDES,
};
use crate::rep::SoftRule;

/// A gate for reps that measure a give.
///
/// Source: every number here is a product default, chosen by us and editable;
/// common practice of the trade has no published figures.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(default, deny_unknown_fields)]
pub struct Gate {
    /// When an answer counts as soft.
    pub soft: SoftRule,
    /// How many of the last rides that asked it are looked at.
    pub window_rides: u32,
    /// How many days back a ride may lie, the day of judging included.
    pub window_days: u32,
    /// Asks needed on each side.
    pub least_reps: u32,
    /// Days needed on each side.
    pub least_days: u32,
    /// Soft share needed on each side.
    pub soft_share: f64,
    /// What the soft share must surely be above, on each side.
    pub low_share: f64,
    /// One-sided confidence of that "surely".
    pub confidence: f64,
    /// Soft first asks needed on each side ...
    pub first_ask_soft: u32,
    /// ... out of this many of the last days.
    pub first_ask_days: u32,
    /// The most the soft shares of the sides may differ.
    pub most_difference: f64,
    /// The most the slower side's restricted mean time may be of the quicker's.
    pub most_time_ratio: f64,
    /// Seconds up to which the restricted mean time is taken.
    pub horizon_s: f64,
    /// How alike the reps of one day are taken to be while few days are known.
    pub prior_icc: f64,
    /// Days without a soft showing after which a held level is rusty.
    pub rusty_days: u32,
    /// The same, once it was confirmed on [`Gate::firm_on_days`] days.
    pub rusty_days_firm: u32,
    /// Days on which the gate has to have passed to count as firm.
    pub firm_on_days: u32,
}

impl Default for Gate {
    fn default() -> Gate {
        Gate {
            soft: SoftRule::default(),
            window_rides: 10,
            window_days: 21,
            least_reps: 12,
            least_days: 3,
            soft_share: 0.80,
            low_share: 0.70,
            confidence: 0.90,
            first_ask_soft: 2,
            first_ask_days: 3,
            most_difference: 0.15,
            most_time_ratio: 1.5,
            horizon_s: 6.0,
            prior_icc: 0.05,
            rusty_days: 21,
            rusty_days_firm: 60,
            firm_on_days: 6,
        }
    }
}

impl Gate {
    /// Checks every number.
    ///
    /// # Errors
    /// The first number out of bounds, by name.
    pub fn check(&self) -> Result<(), FieldError> {
        self.soft.check().map_err(|error| error.under("/soft"))?;
        for (field, bound, value) in [
            ("/window_rides", WINDOW_RIDES, f64::from(self.window_rides)),
            ("/window_days", WINDOW_DAYS, f64::from(self.window_days)),
            ("/least_reps", LEAST_REPS, f64::from(self.least_reps)),
            ("/least_days", LEAST_DAYS, f64::from(self.least_days)),
            ("/soft_share", SHARE, self.soft_share),
            ("/low_share", SHARE, self.low_share),
            ("/confidence", CONFIDENCE, self.confidence),
            (
                "/first_ask_soft",
                FIRST_ASKS,
                f64::from(self.first_ask_soft),
            ),
            (
                "/first_ask_days",
                FIRST_ASKS,
                f64::from(self.first_ask_days),
            ),
            ("/most_difference", SHARE, self.most_difference),
            ("/most_time_ratio", TIME_RATIO, self.most_time_ratio),
            ("/horizon_s", HORIZON_S, self.horizon_s),
            ("/prior_icc", ICC, self.prior_icc),
            ("/rusty_days", RUSTY_DAYS, f64::from(self.rusty_days)),
            (
                "/rusty_days_firm",
                RUSTY_DAYS,
                f64::from(self.rusty_days_firm),
            ),
            ("/firm_on_days", LEAST_DAYS, f64::from(self.firm_on_days)),
        ] {
            bound.check(field, value)?;
        }
        if self.first_ask_soft > self.first_ask_days {
            return Err(FieldError::new(
                "/first_ask_soft",
                format!(
                    "must be at most first_ask_days ({}), found {}",
                    self.first_ask_days, self.first_ask_soft
                ),
            ));
        }
        Ok(())
    }
}
