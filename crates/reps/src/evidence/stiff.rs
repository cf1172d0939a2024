//! Which side is the stiff one, and how sure that is: one estimate for card, board, horse
//! page and report.
//!
//! # Formula
//! Cochran's and Mantel and Haenszel's test over strata of one level on one day, on which
//! both sides were asked: a day's and a level's own difficulty fall out. The shares are those
//! of the strata, weighted by left times right over all asks of each.
//!
//! # Source
//! Cochran, Biometrics 10 (1954) 417-451; Mantel and Haenszel, Journal of the National
//! Cancer Institute 22 (1959) 719-748; both from memory. From which sureness on a side is
//! named is a product default.

use super::algebra::tail;
use super::soft_count::SoftCount;
use crate::Side;

/// How sure it has to be that the sides differ, two-sided.
pub const NAMED_FROM: f64 = 0.95;

/// Left against right.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct SidesApart {
    /// The side that is less often soft.
    pub stiff: Side,
    /// Its soft share, on the same levels and days as the other's.
    pub share: f64,
    /// The other's.
    pub other_share: f64,
    /// How sure it is that the sides differ, 0 to 1, two-sided.
    pub sure: f64,
}

impl SidesApart {
    /// Whether the stiff side is named: very likely real.
    pub fn is_named(&self) -> bool {
        self.sure >= NAMED_FROM
    }
}

/// The sides apart, over strata of left and right; none where no stratum says anything.
pub fn sides_apart(strata: impl IntoIterator<Item = (SoftCount, SoftCount)>) -> Option<SidesApart> {
    let (mut excess, mut variance) = (0.0, 0.0);
    let (mut weights, mut left_share, mut right_share) = (0.0, 0.0, 0.0);
    for (left, right) in strata {
        let (Some(of_left), Some(of_right)) = (left.share(), right.share()) else {
            continue;
        };
        let (l, r) = (f64::from(left.asked), f64::from(right.asked));
        let (all, soft) = (l + r, f64::from(left.soft + right.soft));
        excess += f64::from(left.soft) - l * soft / all;
        variance += l * r * soft * (all - soft) / (all * all * (all - 1.0));
        let weight = l * r / all;
        weights += weight;
        left_share += weight * of_left;
        right_share += weight * of_right;
    }
    if weights == 0.0 || variance <= 0.0 {
        return None;
    }
    let z = excess / variance.sqrt();
    let (left_share, right_share) = (left_share / weights, right_share / weights);
    let (stiff, share, other_share) = if left_share < right_share {
        (Side::Left, left_share, right_share)
    } else {
        (Side::Right, right_share, left_share)
    };
    Some(SidesApart {
        stiff,
        share,
        other_share,
        sure: 1.0 - 2.0 * tail(z.abs()),
    })
}
