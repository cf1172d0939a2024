//! When a curb strap takes hold, how much slack it has, which hole to buckle.
//!
//! # Formula
//! From the curb ring to the chin groove it is sqrt(P^2 + J^2 + 2 P J sin t) at the rotation
//! t: so long is the strap's half where it takes hold at t. The other way round,
//! sin t = (h^2 - P^2 - J^2) / (2 P J). One hole makes the strap longer or shorter by the
//! spacing of its holes, and its half by half of that.
//!
//! # Source
//! Plane geometry, derived here. That it is to take hold between about 30 and 45 degrees, with
//! two fingers flat under it, and that a finger is 3/4 in: common practice, no source.

use serde::{Deserialize, Serialize};

use super::curb::Curb;
use crate::bounds::{FieldError, HALF_STRAP_IN, HOLE_SPACING_IN, HOLES_LEFT, ROTATION_DEG};

/// It takes hold between these, in degrees.
pub const TAKES_HOLD_DEG: (f64, f64) = (30.0, 45.0);
/// A finger, in inches.
pub const FINGER_IN: f64 = 0.75;

/// A strap as it is buckled.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Strap {
    /// From curb ring to the middle of the chin groove, in inches, as it is buckled now.
    #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 12))]
    pub half_length_in: f64,
    /// From hole to hole, in inches.
    #[cfg_attr(feature = "schema", schema(minimum = 0.125, maximum = 2))]
    pub hole_spacing_in: f64,
    /// Holes left to take it up.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub holes_shorter: u8,
    /// Holes left to let it out.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub holes_longer: u8,
}

/// How a strap fits.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StrapFit {
    /// The rotation at which it takes hold, in degrees; below 0 it is tight at rest.
    pub takes_hold_deg: f64,
    /// Slack of the half at rest, in inches; below 0 there is none.
    pub slack_in: f64,
    /// The same in fingers flat under it.
    pub slack_fingers: f64,
    /// It takes hold at once: no signal before the pressure.
    pub at_once: bool,
    /// It takes hold late: the corner of the lip may be pinched before.
    pub too_late: bool,
    /// The hole for the rotation that is wanted.
    pub change: HoleChange,
}

/// Which hole to buckle.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HoleChange {
    /// The half length that is wanted, in inches.
    pub half_strap_in: f64,
    /// Holes longer, or, below 0, shorter; as far as there are holes.
    pub holes: i8,
    /// Where it takes hold then, in degrees.
    pub takes_hold_deg: f64,
    /// There are holes enough.
    pub reached: bool,
}

/// The half length of a strap that takes hold at a rotation.
pub fn half_strap_in(purchase_in: f64, jaw_in: f64, rotation_deg: f64) -> f64 {
    let sin = rotation_deg.to_radians().sin();
    (purchase_in * purchase_in + jaw_in * jaw_in + 2.0 * purchase_in * jaw_in * sin).sqrt()
}

/// The rotation at which a half length takes hold; none where none does.
pub fn takes_hold_deg(purchase_in: f64, jaw_in: f64, half_length_in: f64) -> Option<f64> {
    let sin = (half_length_in * half_length_in - purchase_in * purchase_in - jaw_in * jaw_in)
        / (2.0 * purchase_in * jaw_in);
    (-1.0..=1.0).contains(&sin).then(|| sin.asin().to_degrees())
}

impl Strap {
    /// Checks every measure, and that the strap can be on this bit and this jaw.
    ///
    /// # Errors
    /// The first that cannot be, with what is allowed.
    pub fn check(&self, at: &str, curb: &Curb) -> Result<(), FieldError> {
        HALF_STRAP_IN.check(&format!("{at}/half_length_in"), self.half_length_in)?;
        HOLE_SPACING_IN.check(&format!("{at}/hole_spacing_in"), self.hole_spacing_in)?;
        HOLES_LEFT.check(
            &format!("{at}/holes_shorter"),
            f64::from(self.holes_shorter),
        )?;
        HOLES_LEFT.check(&format!("{at}/holes_longer"), f64::from(self.holes_longer))?;
        let shortest = (curb.purchase_in - curb.jaw_in).abs();
        let longest = curb.purchase_in + curb.jaw_in;
        if !(shortest..=longest).contains(&self.half_length_in) {
            return Err(FieldError::new(
                format!("{at}/half_length_in"),
                format!(
                    "with this purchase and jaw a strap's half is {shortest:.2} to {longest:.2} \
                     in, found {}",
                    self.half_length_in
                ),
            ));
        }
        Ok(())
    }

    /// How it fits, and the hole for the rotation that is wanted.
    pub fn fit(&self, curb: &Curb, wanted_deg: f64) -> StrapFit {
        let (purchase, jaw) = (curb.purchase_in, curb.jaw_in);
        let holds = |half: f64| takes_hold_deg(purchase, jaw, half);
        let now = holds(self.half_length_in).unwrap_or(90.0);
        let slack_in = self.half_length_in - half_strap_in(purchase, jaw, 0.0);
        let wanted = half_strap_in(purchase, jaw, wanted_deg);
        let a_hole = self.hole_spacing_in / 2.0;
        let holes = ((wanted - self.half_length_in) / a_hole).round();
        let there = holes.clamp(-f64::from(self.holes_shorter), f64::from(self.holes_longer));
        let then = self.half_length_in + there * a_hole;
        StrapFit {
            takes_hold_deg: now,
            slack_in,
            slack_fingers: slack_in / FINGER_IN,
            at_once: now < TAKES_HOLD_DEG.0,
            too_late: now > TAKES_HOLD_DEG.1,
            change: HoleChange {
                half_strap_in: wanted,
                holes: there as i8,
                takes_hold_deg: holds(then).unwrap_or(if then > wanted { 90.0 } else { -90.0 }),
                reached: (there - holes).abs() < 0.5,
            },
        }
    }
}

/// Checks the rotation that is wanted.
///
/// # Errors
/// Out of bounds.
pub fn check_wanted(field: &str, wanted_deg: f64) -> Result<f64, FieldError> {
    ROTATION_DEG.check(field, wanted_deg)
}
