//! The joint of a snaffle and its squeeze, for hands wide or close, low or high.
//!
//! # Formula
//! Both arms, m long, hang together at the joint; the rings are b apart where they lie at the
//! lips, b/2 < m. Each ring is pulled with T along the unit vector to its hand,
//! (x, y, z) = ((w - b)/2, D, h) / norm: x out to the side, y back along the reins' line, z
//! up; w the hands' distance, h their height above the rings, D how far behind. An arm that is
//! held at its ends alone pulls along itself with S, at the angle phi to the back. At the
//! ring: back T y = S cos phi; to the side the lip and the jaw push out with
//! N = S sin phi - T x = T (y tan phi - x), never below 0. So the rings lie at the lips, with
//! sin phi = b / (2 m), while N is above 0; pulled wider, the joint opens until
//! tan phi = x / y, and nothing squeezes. The tongue holds 2 T y at the joint, the corners of
//! the lips 2 T z.
//!
//! # Source
//! Statics, derived here; common practice agrees that hands wide and low open the joint. The
//! flesh gives and the ring slides in a real mouth: compare figures, do not believe them to
//! the ounce.

use serde::{Deserialize, Serialize};

use crate::bounds::{
    FieldError, HANDS_APART_IN, HANDS_BEHIND_IN, HANDS_HIGH_IN, MOUTH_IN, PULL_LBF,
};

/// A jointed snaffle in a mouth.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Snaffle {
    /// From ring to ring with the mouthpiece straight, in inches.
    #[cfg_attr(feature = "schema", schema(minimum = 3, maximum = 8))]
    pub mouthpiece_in: f64,
    /// From lip to lip, in inches; less than the mouthpiece.
    #[cfg_attr(feature = "schema", schema(minimum = 3, maximum = 8))]
    pub mouth_in: f64,
}

/// Where the hands are, and how they pull.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Hands {
    /// Pull on each rein, in pounds of force.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 100))]
    pub pull_lbf: f64,
    /// Apart, in inches.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub apart_in: f64,
    /// Above the rings, in inches; below 0 is lower than they are.
    #[cfg_attr(feature = "schema", schema(minimum = -30, maximum = 30))]
    pub high_in: f64,
    /// Behind the rings, in inches.
    #[cfg_attr(feature = "schema", schema(minimum = 6, maximum = 60))]
    pub behind_in: f64,
}

/// What a snaffle does for these hands.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SnaffleForces {
    /// The angle between the arms, in degrees; 180 is straight.
    pub joint_deg: f64,
    /// Squeeze on the jaw from each side.
    pub squeeze_lbf: f64,
    /// What the tongue holds at the joint.
    pub tongue_lbf: f64,
    /// What lifts the corners of the lips, both together; below 0 it draws them down.
    pub lift_lbf: f64,
    /// Pull along each arm.
    pub arm_lbf: f64,
}

impl Snaffle {
    /// Checks every measure of snaffle and hands.
    ///
    /// # Errors
    /// The first that cannot be, with what is allowed.
    pub fn check(&self, at: &str, hands: &Hands) -> Result<(), FieldError> {
        MOUTH_IN.check(&format!("{at}/mouthpiece_in"), self.mouthpiece_in)?;
        MOUTH_IN.check(&format!("{at}/mouth_in"), self.mouth_in)?;
        if self.mouth_in >= self.mouthpiece_in {
            return Err(FieldError::new(
                format!("{at}/mouth_in"),
                format!(
                    "must be less than the mouthpiece of {} in, found {}",
                    self.mouthpiece_in, self.mouth_in
                ),
            ));
        }
        PULL_LBF.check("/hands/pull_lbf", hands.pull_lbf)?;
        HANDS_APART_IN.check("/hands/apart_in", hands.apart_in)?;
        HANDS_HIGH_IN.check("/hands/high_in", hands.high_in)?;
        HANDS_BEHIND_IN.check("/hands/behind_in", hands.behind_in)?;
        Ok(())
    }

    /// The unit vector from a ring to its hand: out, back, up.
    pub fn pull(&self, hands: &Hands) -> [f64; 3] {
        let to_hand = [
            (hands.apart_in - self.mouth_in) / 2.0,
            hands.behind_in,
            hands.high_in,
        ];
        let size = to_hand.iter().map(|part| part * part).sum::<f64>().sqrt();
        to_hand.map(|part| part / size)
    }

    /// What it does for these hands.
    pub fn forces(&self, hands: &Hands) -> SnaffleForces {
        let [out, back, up] = self.pull(hands).map(|part| part * hands.pull_lbf);
        let [unit_out, unit_back, _] = self.pull(hands);
        let at_lips = (self.mouth_in / self.mouthpiece_in).asin();
        let phi = at_lips.max((unit_out / unit_back).atan());
        SnaffleForces {
            joint_deg: 2.0 * phi.to_degrees(),
            squeeze_lbf: (back * phi.tan() - out).max(0.0),
            tongue_lbf: 2.0 * back,
            lift_lbf: 2.0 * up,
            arm_lbf: back / phi.cos(),
        }
    }
}
