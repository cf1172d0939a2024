//! The numbers of a gate: what a level needs before the next one opens.

use serde::{Deserialize, Serialize};
use serde_json::Value;

use crate::bounds::{
    CONFIDENCE, EASE_SHARE, FIRST_ASKS, FieldError, HORIZON_S, ICC, LEAST_COUNT, LEAST_DAYS,
    LEAST_REPS, RUSTY_DAYS, SHARE, TIME_RATIO, WINDOW_DAYS, WINDOW_RIDES,
};
use crate::rep::SoftRule;

/// A gate. A rail that asks for nothing is not drawn: a least of 0, or no most.
///
/// Source: every number here is a product default, chosen by us and editable;
/// common practice of the trade has no published figures. The window and the
/// way `low_share` is found were chosen on the bench (docs/judge.md).
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(default, deny_unknown_fields)]
pub struct Gate {
    /// When an answer counts as soft.
    pub soft: SoftRule,
    /// How many of the last rides that asked it are looked at; more, where they hold fewer
    /// asks a side than are needed.
    pub window_rides: u32,
    /// How many days back a ride may lie, the day of judging included.
    pub window_days: u32,
    /// Asks needed on each side.
    pub least_reps: u32,
    /// Days needed on each side.
    pub least_days: u32,
    /// For what adds up: the number needed.
    pub least_count: u32,
    /// Soft share needed on each side.
    pub soft_share: f64,
    /// What the readiness must surely be above, on each side.
    pub low_share: f64,
    /// One-sided confidence of that "surely".
    pub confidence: f64,
    /// Soft first asks needed on each side ...
    pub first_ask_soft: u32,
    /// ... out of this many of the last days.
    pub first_ask_days: u32,
    /// The last asks on each side of which not one may have failed.
    pub no_miss_reps: u32,
    /// The most the soft shares of the sides may differ; null for no such rail.
    pub most_difference: Option<f64>,
    /// The most the slower side's restricted mean time may be of the quicker's; null
    /// for no such rail.
    pub most_time_ratio: Option<f64>,
    /// Whether the level below must have been soft on the last day it was asked.
    pub level_below: bool,
    /// Seconds up to which the restricted mean time is taken.
    pub horizon_s: f64,
    /// How alike the reps of one day are taken to be while few days are known.
    pub prior_icc: f64,
    /// Asks a ride must have before it can send the level down.
    pub ease_reps: u32,
    /// The soft share below which it does.
    pub ease_share: f64,
    /// How many such rides in a row it takes.
    pub ease_rides: u32,
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
            window_rides: 6,
            window_days: 21,
            least_reps: 12,
            least_days: 3,
            least_count: 0,
            soft_share: 0.80,
            low_share: 0.70,
            confidence: 0.92,
            first_ask_soft: 2,
            first_ask_days: 3,
            no_miss_reps: 0,
            most_difference: Some(0.15),
            most_time_ratio: Some(1.5),
            level_below: true,
            horizon_s: 6.0,
            prior_icc: 0.05,
            ease_reps: 6,
            ease_share: 0.5,
            ease_rides: 1,
            rusty_days: 21,
            rusty_days_firm: 60,
            firm_on_days: 6,
        }
    }
}

/// Days a level that asks for many has to be shown on before it is held again.
const DAYS_ANEW: u32 = 3;
/// A measure that needs so many asks a side is one with many.
const MANY_ASKS: u32 = 12;

impl Gate {
    /// The gate of a level that was lost: the whole of it anew, on at least three days where
    /// it is a measure with many asks.
    pub fn anew(&self) -> Gate {
        let least_days = if self.least_reps >= MANY_ASKS {
            self.least_days.max(DAYS_ANEW)
        } else {
            self.least_days
        };
        Gate {
            least_days,
            ..*self
        }
    }

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
            ("/least_count", LEAST_COUNT, f64::from(self.least_count)),
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
            ("/no_miss_reps", LEAST_REPS, f64::from(self.no_miss_reps)),
            ("/horizon_s", HORIZON_S, self.horizon_s),
            ("/prior_icc", ICC, self.prior_icc),
            ("/ease_reps", LEAST_REPS, f64::from(self.ease_reps)),
            ("/ease_share", EASE_SHARE, self.ease_share),
            ("/ease_rides", FIRST_ASKS, f64::from(self.ease_rides)),
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
        if let Some(most) = self.most_difference {
            SHARE.check("/most_difference", most)?;
        }
        if let Some(most) = self.most_time_ratio {
            TIME_RATIO.check("/most_time_ratio", most)?;
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

/// Lays `over` on `under`: fields of objects one by one, all else as a whole.
pub fn merge(under: &mut Value, over: &Value) {
    match (under, over) {
        (Value::Object(under), Value::Object(over)) => {
            for (field, value) in over {
                merge(under.entry(field).or_insert(Value::Null), value);
            }
        }
        (under, over) => *under = over.clone(),
    }
}

/// Reads a gate strictly and checks its numbers.
///
/// # Errors
/// The first field that does not fit, below the gate.
pub fn read(gate: Value) -> Result<Gate, FieldError> {
    let gate: Gate = crate::json::read(gate)?;
    gate.check()?;
    Ok(gate)
}
