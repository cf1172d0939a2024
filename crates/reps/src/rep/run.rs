//! A run of the barrel pattern.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::SoftRule;
use super::recorded::{Asked, Recorded, tenths};
use crate::Gait;
use crate::bounds::{FieldError, PATH_FT, POCKET_FT, RUN_S, SPLIT_S, STRIDES};
use crate::footing::Footing;

/// One barrel of a run. A pocket is the distance from the middle of the barrel to the horse's
/// track.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RunBarrel {
    /// Planned pocket going in, at the back and coming out, in feet.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub planned_ft: [f64; 3],
    /// Pocket found going in, at the back and coming out, in feet.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
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
    /// Seconds to barrel 1, from there to 2, to 3, and home; empty when nobody took them.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    #[cfg_attr(feature = "schema", schema(max_items = 4))]
    pub splits_s: Vec<f64>,
    /// The course it was run on, when it is one of the barn's.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub course_id: Option<Uuid>,
    /// How long the way round that course was then, in feet.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 100, maximum = 3000))]
    pub path_ft: Option<f64>,
    /// The time of the timing eyes that it was given.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub timed_id: Option<Uuid>,
    /// What the ground was like; left out when nobody said.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub footing: Option<Footing>,
    /// The pattern was broken: there is no time.
    #[serde(default, skip_serializing_if = "is_false")]
    pub broken: bool,
    /// Only its time and which barrels fell were written down: nothing else that is said of its
    /// barrels was seen, and it is not judged.
    #[serde(default, skip_serializing_if = "is_false")]
    pub timed_only: bool,
    /// First, second and third barrel.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub barrels: [RunBarrel; 3],
}

#[allow(clippy::trivially_copy_pass_by_ref)] // serde hands a reference
fn is_false(value: &bool) -> bool {
    !value
}

/// Checks the splits of a run.
///
/// # Errors
/// When there are neither none nor four, or one cannot be.
pub fn check_splits(field: &str, splits_s: &[f64]) -> Result<(), FieldError> {
    if !matches!(splits_s.len(), 0 | 4) {
        return Err(FieldError::new(
            field,
            "must be empty, or four: to barrels 1, 2, 3 and home",
        ));
    }
    for (index, split) in splits_s.iter().enumerate() {
        SPLIT_S.check(&format!("{field}/{index}"), *split)?;
    }
    Ok(())
}

impl Run {
    /// A run of which only its time and the barrels that fell are known.
    pub fn timed_only(time_s: Option<f64>, fell: [bool; 3]) -> Run {
        Run {
            time_s,
            splits_s: Vec::new(),
            course_id: None,
            path_ft: None,
            timed_id: None,
            footing: None,
            broken: false,
            timed_only: true,
            barrels: fell.map(|tipped| RunBarrel {
                planned_ft: [0.0; 3],
                pocket_ft: [0.0; 3],
                rate_strides: 0,
                right_lead: false,
                shape_held: false,
                tipped,
                stepped_off: false,
            }),
        }
    }

    /// Barrels that were knocked over.
    pub fn knocked(&self) -> u8 {
        self.barrels
            .iter()
            .map(|barrel| u8::from(barrel.tipped))
            .sum()
    }
}

/// Feet that are no difference: 7.1 less 6.6 is not exactly half a foot.
const NO_FEET: f64 = 1e-9;

impl RunBarrel {
    fn is_soft(&self, rule: &SoftRule) -> bool {
        let near =
            |(planned, found): (&f64, &f64)| (planned - found).abs() <= rule.pocket_ft + NO_FEET;
        self.planned_ft.iter().zip(&self.pocket_ft).all(near)
            && self.shape_held
            && self.right_lead
            && !self.tipped
    }
}

impl Recorded for Run {
    const ASKS_A_MINUTE: f64 = 0.2;

    const TELLS: &'static [&'static str] = &["falls_in", "steps_off"];

    /// At every barrel: pockets near the plan, shape held, right lead.
    fn is_soft(&self, rule: &SoftRule, _gait: Gait) -> bool {
        !self.broken && !self.timed_only && self.barrels.iter().all(|barrel| barrel.is_soft(rule))
    }

    fn soft_means(rule: &SoftRule, _gait: Gait) -> String {
        format!(
            "At every barrel: pockets within {} ft of the plan, shape held, right lead, none tipped; the pattern kept.",
            rule.pocket_ft
        )
    }

    /// The faults that it tells of.
    fn faults(&self, rule: &SoftRule) -> Vec<&'static str> {
        if self.timed_only {
            return Vec::new();
        }
        let tight = |barrel: &RunBarrel| {
            barrel.planned_ft[1] - barrel.pocket_ft[1] > rule.pocket_ft + NO_FEET
        };
        let signs = [
            (self.barrels.iter().any(tight), "falls_in"),
            (self.barrels.iter().any(|b| b.stepped_off), "steps_off"),
        ];
        signs
            .into_iter()
            .filter_map(|(signs, fault)| signs.then_some(fault))
            .collect()
    }

    /// Checks every number.
    fn check(&self) -> Result<(), FieldError> {
        if let Some(time_s) = self.time_s {
            RUN_S.check("/time_s", time_s)?;
        }
        check_splits("/splits_s", &self.splits_s)?;
        if let Some(path_ft) = self.path_ft {
            PATH_FT.check("/path_ft", path_ft)?;
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

    fn draw(at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Run {
        let soft = at.soft;
        let planned_ft = [5.0, 4.0, 3.0];
        let off = if soft {
            0.0
        } else {
            rng.random_range(1.5..3.0)
        };
        let barrel = |off: f64| RunBarrel {
            planned_ft,
            pocket_ft: planned_ft.map(|feet: f64| tenths(feet - off)),
            rate_strides: 2,
            right_lead: true,
            shape_held: true,
            tipped: false,
            stepped_off: false,
        };
        Run {
            time_s: None,
            splits_s: Vec::new(),
            course_id: None,
            path_ft: None,
            timed_id: None,
            footing: None,
            broken: false,
            timed_only: false,
            barrels: [barrel(0.0), barrel(off), barrel(0.0)],
        }
    }
}
