//! A run of the barrel pattern.

use serde::{Deserialize, Serialize};

use super::SoftRule;
use crate::bounds::{FieldError, POCKET_FT, RUN_S, STRIDES};

/// One barrel of a run. A pocket is the distance from barrel to horse.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RunBarrel {
    /// Planned pocket going in, at the back and coming out, in feet.
    pub planned_ft: [f64; 3],
    /// Pocket found going in, at the back and coming out, in feet.
    pub pocket_ft: [f64; 3],
    /// Strides of rate before it.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub rate_strides: u32,
    /// On the right lead.
    pub right_lead: bool,
    /// Held its shape round it.
    pub shape_held: bool,
    /// Tipped it.
    pub tipped: bool,
    /// Did not finish the turn, stepped off.
    #[serde(default)]
    pub stepped_off: bool,
}

/// One run.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Run {
    /// Seconds, when it was timed.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub time_s: Option<f64>,
    /// First, second and third barrel.
    pub barrels: [RunBarrel; 3],
}

impl RunBarrel {
    fn is_soft(&self, rule: &SoftRule) -> bool {
        let near =
            |(planned, found): (&f64, &f64)| (planned - found).abs() <= rule.pocket_ft + 1e-9;
        self.planned_ft.iter().zip(&self.pocket_ft).all(near)
            && self.shape_held
            && self.right_lead
            && !self.tipped
    }
}

impl Run {
    /// At every barrel: pockets near the plan, shape held, right lead.
    pub fn is_soft(&self, rule: &SoftRule) -> bool {
        self.barrels.iter().all(|barrel| barrel.is_soft(rule))
    }

    /// The faults that it tells of.
    pub fn faults(&self, rule: &SoftRule) -> Vec<&'static str> {
        let tight =
            |barrel: &RunBarrel| barrel.planned_ft[1] - barrel.pocket_ft[1] > rule.pocket_ft;
        let told = [
            (self.barrels.iter().any(tight), "falls_in"),
            (self.barrels.iter().any(|b| b.stepped_off), "steps_off"),
        ];
        told.into_iter()
            .filter_map(|(told, fault)| told.then_some(fault))
            .collect()
    }

    /// Checks every number.
    ///
    /// # Errors
    /// The first number out of bounds.
    pub fn check(&self) -> Result<(), FieldError> {
        if let Some(time_s) = self.time_s {
            RUN_S.check("/time_s", time_s)?;
        }
        for (index, barrel) in self.barrels.iter().enumerate() {
            let at = format!("/barrels/{index}");
            for (name, feet) in [
                ("planned_ft", barrel.planned_ft),
                ("pocket_ft", barrel.pocket_ft),
            ] {
                for (place, feet) in feet.into_iter().enumerate() {
                    POCKET_FT.check(&format!("{at}/{name}/{place}"), feet)?;
                }
            }
            STRIDES.check(
                &format!("{at}/rate_strides"),
                f64::from(barrel.rate_strides),
            )?;
        }
        Ok(())
    }
}
