//! When an answer counts as soft: one rule for all measures, decided here and
//! never by a screen.

use serde::{Deserialize, Serialize};

use super::hand::HandWeight;
use crate::Gait;
use crate::bounds::{BUMPS, FieldError, LEAVES, NOSE_UPS, POCKET_FT, STRIDES, TIME_S, TRIES};

/// When an answer counts as soft. Each measure reads its own numbers.
///
/// Source: product default, chosen by us; that lightness is judged by hand, time
/// and evasion is common practice of the trade, no source.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(default, deny_unknown_fields)]
pub struct SoftRule {
    /// Give: the most hand a soft answer may have taken.
    pub most_hand: HandWeight,
    /// Give: the longest soft time standing and at the walk, in seconds.
    pub stand_walk_s: f64,
    /// Give: the longest soft time at the jog and trot, in seconds.
    pub jog_trot_s: f64,
    /// Give: the longest soft time at the lope and gallop, in seconds.
    pub lope_s: f64,
    /// Give: the most bumps, where the rein asks by bumps.
    pub most_bumps: u32,
    /// Circle: the most nose-ups.
    pub most_nose_ups: u32,
    /// Stop: strides in which the feet quit, from the walk, jog and trot.
    pub most_strides: f64,
    /// Stop: the same from the lope and gallop.
    pub most_strides_lope: f64,
    /// Stop: seconds until it is off the bridle.
    pub off_bridle_s: f64,
    /// Carry: the most times it left the frame.
    pub most_leaves: u32,
    /// Obstacle: on which try at the latest it is crossed.
    pub most_tries: u32,
    /// Run: feet by which a pocket may miss its plan.
    pub pocket_ft: f64,
}

impl Default for SoftRule {
    fn default() -> SoftRule {
        SoftRule {
            most_hand: HandWeight::TwoFingers,
            stand_walk_s: 2.0,
            jog_trot_s: 2.5,
            lope_s: 3.0,
            most_bumps: 3,
            most_nose_ups: 0,
            most_strides: 1.0,
            most_strides_lope: 3.0,
            off_bridle_s: 2.0,
            most_leaves: 1,
            most_tries: 2,
            pocket_ft: 1.0,
        }
    }
}

impl SoftRule {
    /// The longest time a soft give may take at `gait`, in seconds.
    pub fn most_s(&self, gait: Gait) -> f64 {
        match gait {
            Gait::Stand | Gait::Walk => self.stand_walk_s,
            Gait::Jog | Gait::Trot => self.jog_trot_s,
            Gait::Lope | Gait::Gallop => self.lope_s,
        }
    }

    /// The strides in which the feet quit at `gait`.
    pub fn strides_at(&self, gait: Gait) -> f64 {
        match gait {
            Gait::Lope | Gait::Gallop => self.most_strides_lope,
            _ => self.most_strides,
        }
    }

    /// Checks every number.
    ///
    /// # Errors
    /// The first number out of bounds, by name.
    pub fn check(&self) -> Result<(), FieldError> {
        for (field, bound, value) in [
            ("/stand_walk_s", TIME_S, self.stand_walk_s),
            ("/jog_trot_s", TIME_S, self.jog_trot_s),
            ("/lope_s", TIME_S, self.lope_s),
            ("/most_bumps", BUMPS, f64::from(self.most_bumps)),
            ("/most_nose_ups", NOSE_UPS, f64::from(self.most_nose_ups)),
            ("/most_strides", STRIDES, self.most_strides),
            ("/most_strides_lope", STRIDES, self.most_strides_lope),
            ("/off_bridle_s", TIME_S, self.off_bridle_s),
            ("/most_leaves", LEAVES, f64::from(self.most_leaves)),
            ("/most_tries", TRIES, f64::from(self.most_tries)),
            ("/pocket_ft", POCKET_FT, self.pocket_ft),
        ] {
            bound.check(field, value)?;
        }
        Ok(())
    }
}
