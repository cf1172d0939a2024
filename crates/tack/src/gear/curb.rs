//! A curb bit at rest under a pull.
//!
//! # Formula
//! The cheek is a lever about the mouthpiece M = (0, 0), turned by t. The curb ring stands at
//! A = P (-sin t, cos t), the rein ring at B = L (sin t, -cos t), the chin groove at
//! G = (J, 0), where P is the purchase, L the shank, J the depth of the jaw. The rein pulls
//! at B with T at the angle a to the shank, along
//! u = cos a (-sin t, cos t) + sin a (cos t, sin t); its moment about M is T L sin a. The
//! strap pulls at A towards G with C; with d = |G - A| = sqrt(P^2 + J^2 + 2 P J sin t) its
//! moment is -C P J cos t / d. At rest both cancel:
//!
//! C = T L sin a / (P e), with the effective arm e = J cos t / d,
//!
//! and the mouth holds what is left of the forces: T u + C (G - A) / d. Where rein and strap
//! both pull square to the cheek, e = 1 and sin a = 1: C = T L / P, and the mouth
//! T (1 + L / P).
//!
//! Were the strap loose, the headstall alone would hold the cheek: it pulls up at A, so it
//! would need T L sin a / (P sin t).
//!
//! # Source
//! Plane statics, derived here. Friction, the weight of the bit and the give of the flesh are
//! left out.

use serde::{Deserialize, Serialize};

use super::plane::Vector;
use crate::bounds::{
    FieldError, JAW_IN, PULL_ANGLE_DEG, PULL_LBF, PURCHASE_IN, ROTATION_DEG, SHANK_IN,
};

/// A curb bit, a jaw and a pull.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Curb {
    /// Mouthpiece to curb ring, in inches.
    #[cfg_attr(feature = "schema", schema(minimum = 0.25, maximum = 6))]
    pub purchase_in: f64,
    /// Mouthpiece to rein ring, in inches.
    #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 12))]
    pub shank_in: f64,
    /// Mouthpiece to the chin groove, in inches.
    #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 6))]
    pub jaw_in: f64,
    /// Pull on this cheek's rein, in pounds of force.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 100))]
    pub pull_lbf: f64,
    /// Angle between rein and shank, in degrees; 90 is square.
    #[cfg_attr(feature = "schema", schema(minimum = 5, maximum = 175))]
    pub pull_angle_deg: f64,
    /// How far the bit is turned, in degrees; 0 hangs along the cheekpiece.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 80))]
    pub rotation_deg: f64,
}

/// What holds the bit at rest.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CurbForces {
    /// Shank by purchase.
    pub leverage: f64,
    /// The strap's pull at this cheek.
    pub curb_lbf: f64,
    /// What the mouth holds of this cheek.
    pub mouth_lbf: f64,
    /// The same with its direction.
    pub mouth: Vector,
    /// The strap's pull with its direction.
    pub curb: Vector,
    /// The rein's pull with its direction.
    pub rein: Vector,
    /// What the headstall would have to hold alone, were the strap loose; null where the bit
    /// is not turned.
    pub poll_with_loose_strap_lbf: Option<f64>,
    /// Where the curb ring is, from the mouthpiece, in inches.
    pub curb_ring: Vector,
    /// Where the rein ring is, likewise.
    pub rein_ring: Vector,
}

impl Curb {
    /// Checks every measure.
    ///
    /// # Errors
    /// The first that cannot be, with what is allowed.
    pub fn check(&self, at: &str) -> Result<(), FieldError> {
        PURCHASE_IN.check(&format!("{at}/purchase_in"), self.purchase_in)?;
        SHANK_IN.check(&format!("{at}/shank_in"), self.shank_in)?;
        JAW_IN.check(&format!("{at}/jaw_in"), self.jaw_in)?;
        PULL_LBF.check(&format!("{at}/pull_lbf"), self.pull_lbf)?;
        PULL_ANGLE_DEG.check(&format!("{at}/pull_angle_deg"), self.pull_angle_deg)?;
        ROTATION_DEG.check(&format!("{at}/rotation_deg"), self.rotation_deg)?;
        Ok(())
    }

    /// The curb ring, from the mouthpiece.
    pub fn curb_ring(&self) -> Vector {
        self.along(-self.purchase_in)
    }

    /// The rein ring, from the mouthpiece.
    pub fn rein_ring(&self) -> Vector {
        self.along(self.shank_in)
    }

    /// The chin groove, from the mouthpiece.
    pub fn chin_groove(&self) -> Vector {
        Vector {
            back: self.jaw_in,
            up: 0.0,
        }
    }

    /// So far down the turned shank.
    fn along(&self, length: f64) -> Vector {
        let (sin, cos) = self.rotation_deg.to_radians().sin_cos();
        Vector {
            back: sin,
            up: -cos,
        }
        .times(length)
    }

    /// The rein's pull.
    pub fn rein(&self) -> Vector {
        let (sin, cos) = self.rotation_deg.to_radians().sin_cos();
        let (across, along) = self.pull_angle_deg.to_radians().sin_cos();
        Vector {
            back: along * -sin + across * cos,
            up: along * cos + across * sin,
        }
        .times(self.pull_lbf)
    }

    /// What holds the bit at rest, the strap taken up.
    pub fn forces(&self) -> CurbForces {
        let (rein_ring, curb_ring) = (self.rein_ring(), self.curb_ring());
        let rein = self.rein();
        let strap = self.chin_groove().minus(curb_ring);
        let along_strap = strap.times(1.0 / strap.size());
        let turning = rein_ring.moment_of(rein);
        let curb_lbf = turning / -curb_ring.moment_of(along_strap);
        let curb = along_strap.times(curb_lbf);
        let mouth = rein.plus(curb);
        let arm_of_headstall = -curb_ring.back;
        CurbForces {
            leverage: self.shank_in / self.purchase_in,
            curb_lbf,
            mouth_lbf: mouth.size(),
            mouth,
            curb,
            rein,
            poll_with_loose_strap_lbf: (arm_of_headstall > 1e-9)
                .then(|| turning / arm_of_headstall),
            curb_ring,
            rein_ring,
        }
    }
}
