//! The way round one barrel.
//!
//! # Formula
//! In polar coordinates about the barrel the distance r goes from the pocket going in over the
//! one at the back to the one coming out. Between two spots it is the quintic with the slopes
//! m at its ends and no second derivative there. Slope 0 where the straights join, so the horse
//! goes straight into the turn; at the back the harmonic mean of the two secants, or 0 where
//! they differ in sign. A quintic so given never overshoots while the two slopes together are
//! at most 2.5 times the secant (its derivative's Bernstein coefficients are then none below
//! 0), and the harmonic mean is at most twice the smaller one. Length: Gauss-Legendre of
//! sqrt(r^2 + r'^2). Curvature: (r^2 + 2 r'^2 - r r'') / (r^2 + r'^2)^1.5.
//!
//! # Source
//! Monotone slopes: Fritsch and Butland, SIAM J. Sci. Stat. Comput. 5 (1984), formula from
//! memory. The rest is derived here. Curvature has no jump within a turn; where straight and
//! turn join it goes from 0 to 1 over the pocket.

use std::f64::consts::{FRAC_PI_2, TAU};

use super::point::Point;

/// One turn: where it begins and ends is where the straights touch.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Turn {
    /// The middle of the barrel.
    pub barrel: Point,
    /// Pocket going in, at the back and coming out, in feet from the middle of the barrel.
    pub pocket: [f64; 3],
    /// 1 with the barrel on the left, -1 with it on the right.
    pub sign: f64,
    /// Where it begins: the angle about the barrel, in radians.
    pub from: f64,
    /// How far it goes round, in radians, above 0.
    pub round: f64,
}

/// r and its first two derivatives by the angle gone round.
struct Radius {
    r: f64,
    first: f64,
    second: f64,
}

/// Nodes and weights of the ten-point Gauss-Legendre rule on -1 to 1, the half above 0.
/// Abramowitz and Stegun, table 25.4.
const GAUSS: [(f64, f64); 5] = [
    (0.148_874_338_981_631_2, 0.295_524_224_714_752_9),
    (0.433_395_394_129_247_2, 0.269_266_719_309_996_3),
    (0.679_409_568_299_024_4, 0.219_086_362_515_982),
    (0.865_063_366_688_984_5, 0.149_451_349_150_580_6),
    (0.973_906_528_517_171_7, 0.066_671_344_308_688_1),
];
/// Pieces of each half of a turn that are summed up on their own.
const PIECES: usize = 4;

impl Turn {
    /// A turn between two headings (radians).
    pub fn between(barrel: Point, pocket: [f64; 3], sign: f64, going: f64, leaving: f64) -> Turn {
        Turn {
            barrel,
            pocket,
            sign,
            from: going - sign * FRAC_PI_2,
            round: (sign * (leaving - going)).rem_euclid(TAU),
        }
    }

    /// The same in degrees.
    pub fn round_deg(&self) -> f64 {
        self.round.to_degrees()
    }

    fn half(&self) -> f64 {
        self.round / 2.0
    }

    fn radius(&self, gone: f64) -> Radius {
        let [going, back, out] = self.pocket;
        let wide = self.half();
        let (first, second) = ((back - going) / wide, (out - back) / wide);
        let middle = if first * second > 0.0 {
            2.0 * first * second / (first + second)
        } else {
            0.0
        };
        let (start, end, at_start, at_end, t) = if gone <= wide {
            (going, back, 0.0, middle, gone / wide)
        } else {
            (back, out, middle, 0.0, (gone - wide) / wide)
        };
        quintic(start, end, at_start * wide, at_end * wide, t, wide)
    }

    /// Where the horse is after it went round by this angle (radians).
    pub fn at(&self, gone: f64) -> Point {
        let r = self.radius(gone).r;
        self.barrel + Point::unit(self.from + self.sign * gone) * r
    }

    /// Spots 1, 2 and 3: going in, at the back, coming out.
    pub fn spots(&self) -> [Point; 3] {
        [0.0, self.half(), self.round].map(|gone| self.at(gone))
    }

    /// How sharply it bends there, in 1 over feet; below 0 away from the barrel.
    pub fn curvature(&self, gone: f64) -> f64 {
        let Radius { r, first, second } = self.radius(gone);
        (r * r + 2.0 * first * first - r * second) / (r * r + first * first).powf(1.5)
    }

    /// The smallest circle it bends in, as a radius in feet.
    pub fn least_radius_ft(&self) -> f64 {
        let steps = 240;
        let sharpest = (0..=steps)
            .map(|step| self.curvature(self.round * f64::from(step) / f64::from(steps)))
            .fold(0.0, f64::max);
        1.0 / sharpest
    }

    /// Its length in feet.
    pub fn length_ft(&self) -> f64 {
        self.length_to(self.round)
    }

    /// Its length up to this angle.
    pub fn length_to(&self, gone: f64) -> f64 {
        let wide = self.half();
        let first = summed(0.0, gone.min(wide), |at| self.speed(at));
        first + summed(wide, gone.max(wide), |at| self.speed(at))
    }

    fn speed(&self, gone: f64) -> f64 {
        let Radius { r, first, .. } = self.radius(gone);
        r.hypot(first)
    }

    /// Points along it, evenly by angle, both ends among them.
    pub fn points(&self, pieces: usize) -> impl Iterator<Item = Point> + '_ {
        (0..=pieces).map(move |piece| self.at(self.round * piece as f64 / pieces as f64))
    }
}

fn summed(from: f64, to: f64, of: impl Fn(f64) -> f64) -> f64 {
    let piece = (to - from) / PIECES as f64;
    (0..PIECES)
        .map(|index| {
            let middle = from + piece * (index as f64 + 0.5);
            let half = piece / 2.0;
            GAUSS
                .iter()
                .map(|(node, weight)| {
                    weight * (of(middle - half * node) + of(middle + half * node)) * half
                })
                .sum::<f64>()
        })
        .sum()
}

/// From `start` to `end` with these slopes by `t`, no second derivative at the ends.
fn quintic(start: f64, end: f64, at_start: f64, at_end: f64, t: f64, wide: f64) -> Radius {
    let rise = end - start;
    // r = start + at_start t + c3 t^3 + c4 t^4 + c5 t^5
    let c3 = 10.0 * rise - 6.0 * at_start - 4.0 * at_end;
    let c4 = -15.0 * rise + 8.0 * at_start + 7.0 * at_end;
    let c5 = 6.0 * rise - 3.0 * at_start - 3.0 * at_end;
    let (t2, t3) = (t * t, t * t * t);
    Radius {
        r: start + at_start * t + c3 * t3 + c4 * t3 * t + c5 * t3 * t2,
        first: (at_start + 3.0 * c3 * t2 + 4.0 * c4 * t3 + 5.0 * c5 * t3 * t) / wide,
        second: (6.0 * c3 * t + 12.0 * c4 * t2 + 20.0 * c5 * t3) / (wide * wide),
    }
}
