//! The drills: what each is for, how it lies, what is asked in it, what to watch.
//!
//! # Source
//! Common practice of the trade, no source; the figures are product defaults. Each lies in its
//! own frame, the horse starting at the origin and looking up the plan.

use std::f64::consts::{FRAC_PI_2, TAU};

use super::point::{Point, at};
use super::way::{Leg, Way};
use crate::Side;
use crate::id::Level;
use crate::word_enum::word_enum;

word_enum! {
    /// Which drill.
    DrillKind {
        /// Three barrels close together, a circle round each.
        ThreeCircles = "three_circles",
        /// The same with rollbacks into the barrel and counter-bends between.
        ThreeRollbacks = "three_rollbacks",
        /// The shape of a D.
        DShape = "d_shape",
        /// Big and small circles.
        BigSmall = "big_small",
        /// Figure eight.
        FigureEight = "figure_eight",
        /// Serpentine.
        Serpentine = "serpentine",
        /// Off a circle into a counter-arc and back.
        CounterArc = "counter_arc",
        /// A straight line with the hip over.
        HipLine = "hip_line",
        /// Rollbacks into the fence.
        FenceRollbacks = "fence_rollbacks",
        /// A square with a stop, a back-up and a quarter turn at each corner.
        StopSquare = "stop_square",
    }
}

/// A drill of that size, beginning to that side.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Drill {
    /// Which.
    pub kind: DrillKind,
    /// Its size in feet.
    pub size_ft: f64,
    /// The first turn goes this way.
    pub first: Side,
}

impl DrillKind {
    /// The drill that serves a level best; none for most levels.
    pub fn for_level(level: &Level) -> Option<DrillKind> {
        let asks = |drill: &DrillKind| drill.about().asks[0].skill == level.skill;
        let also = |drill: &DrillKind| {
            drill
                .about()
                .asks
                .iter()
                .any(|ask| ask.skill == level.skill)
        };
        let all = || DrillKind::ALL.iter();
        all()
            .find(|drill| asks(drill))
            .or_else(|| all().find(|drill| also(drill)))
            .copied()
    }
}

impl Drill {
    /// Its barrels; none for most.
    pub fn barrels(&self) -> Vec<Point> {
        match self.kind {
            DrillKind::ThreeCircles | DrillKind::ThreeRollbacks => {
                let size = self.size_ft;
                let side = if self.first == Side::Left { -1.0 } else { 1.0 };
                let own = [
                    at(side * size / 2.0, size * 0.5),
                    at(-side * size / 2.0, size * 0.5),
                    at(0.0, size * (0.5 + 3.0_f64.sqrt() / 2.0)),
                ];
                own.to_vec()
            }
            _ => Vec::new(),
        }
    }

    /// The way of one round.
    pub fn way(&self) -> Way {
        let (one, other) = (self.first, self.first.other());
        let r = self.size_ft;
        let circle = |side, radius_ft, degrees| Leg::Circle {
            side,
            radius_ft,
            degrees,
        };
        let straight = |feet| Leg::Straight { feet };
        let corner = CORNER_FT.min(r / 2.0);
        let legs = match self.kind {
            DrillKind::ThreeCircles => return self.circles(),
            DrillKind::ThreeRollbacks => return self.rollbacks(),
            DrillKind::DShape => vec![
                straight(r),
                circle(one, r, 180.0),
                straight(r),
                circle(one, corner, 90.0),
                straight(2.0 * r - 2.0 * corner),
                circle(one, corner, 90.0),
            ],
            DrillKind::BigSmall => vec![
                circle(one, r, 360.0),
                circle(one, r / 2.0, 360.0),
                circle(one, r, 360.0),
            ],
            DrillKind::FigureEight => vec![circle(one, r, 360.0), circle(other, r, 360.0)],
            DrillKind::Serpentine => vec![
                circle(one, r, 180.0),
                circle(other, r, 180.0),
                circle(one, r, 180.0),
                circle(other, r, 180.0),
            ],
            DrillKind::CounterArc => vec![
                circle(one, r, 360.0),
                Leg::CounterArc {
                    side: other,
                    radius_ft: r * 1.5,
                    degrees: 90.0,
                },
                circle(one, r, 360.0),
            ],
            DrillKind::HipLine => vec![
                straight(r / 4.0),
                Leg::HipOver {
                    feet: r / 4.0,
                    side: one,
                },
                straight(r / 6.0),
                Leg::HipOver {
                    feet: r / 4.0,
                    side: other,
                },
                straight(r - r / 4.0 * 3.0 - r / 6.0),
            ],
            DrillKind::FenceRollbacks => vec![
                straight(r),
                Leg::Stop,
                Leg::Rollback { side: one },
                straight(r),
                Leg::Stop,
                Leg::Rollback { side: other },
            ],
            DrillKind::StopSquare => (0..4)
                .flat_map(|_| {
                    [
                        straight(r + BACK_FT),
                        Leg::Stop,
                        Leg::Back { feet: BACK_FT },
                        Leg::Quarter { side: one },
                    ]
                })
                .collect(),
        };
        Way {
            start: Point::default(),
            heading_deg: 90.0,
            legs,
        }
    }

    /// A full circle round each barrel, and on round it until the next one lies straight ahead.
    fn circles(&self) -> Way {
        let barrels = self.barrels();
        let sides = self.sides();
        let mut headings = vec![heading(
            Point::default(),
            0.0,
            barrels[0],
            sign(sides[0]) * POCKET_FT,
        )];
        for index in 0..2 {
            let (from, to) = (sign(sides[index]), sign(sides[index + 1]));
            headings.push(heading(
                barrels[index],
                from * POCKET_FT,
                barrels[index + 1],
                to * POCKET_FT,
            ));
        }
        let mut legs = Vec::new();
        let mut at_now = Point::default();
        for (index, barrel) in barrels.iter().enumerate() {
            let (sign, heading) = (sign(sides[index]), headings[index]);
            let touches = *barrel - Point::unit(heading + sign * FRAC_PI_2) * POCKET_FT;
            legs.push(Leg::Straight {
                feet: at_now.to(touches),
            });
            let further = headings
                .get(index + 1)
                .map_or(0.0, |next| (sign * (next - heading)).rem_euclid(TAU));
            legs.push(Leg::Circle {
                side: sides[index],
                radius_ft: POCKET_FT,
                degrees: 360.0 + further.to_degrees(),
            });
            at_now = *barrel - Point::unit(heading + sign * (further + FRAC_PI_2)) * POCKET_FT;
        }
        Way {
            start: Point::default(),
            heading_deg: headings[0].to_degrees(),
            legs,
        }
    }

    fn sides(&self) -> [Side; 3] {
        [self.first, self.first.other(), self.first.other()]
    }

    /// Past each barrel, a rollback into it, and a counter-bend round the outside to the next.
    fn rollbacks(&self) -> Way {
        let (mut at_now, mut looking) = (Point::default(), FRAC_PI_2);
        let mut legs = Vec::new();
        for (barrel, side) in self.barrels().iter().zip(self.sides()) {
            // Turn on a small circle until the straight touches the pocket of the barrel.
            let (turn, feet) = onto(at_now, looking, *barrel, sign(side) * POCKET_FT);
            legs.extend(turn);
            legs.extend([
                Leg::Straight {
                    feet: feet + PAST_FT,
                },
                Leg::Stop,
                Leg::Rollback { side },
                Leg::Straight { feet: PAST_FT },
                Leg::CounterArc {
                    side: side.other(),
                    radius_ft: POCKET_FT * 2.0,
                    degrees: 120.0,
                },
            ]);
            let (end, degrees) = end_of(&legs, Point::default(), 90.0);
            (at_now, looking) = (end, degrees.to_radians());
        }
        legs.extend([Leg::Stop, Leg::Back { feet: BACK_FT }]);
        Way {
            start: Point::default(),
            heading_deg: 90.0,
            legs,
        }
    }
}

fn sign(side: Side) -> f64 {
    if side == Side::Left { 1.0 } else { -1.0 }
}

/// The heading of a straight from a circle to a circle; a radius is above 0 with its middle on
/// the left.
fn heading(from: Point, from_radius: f64, to: Point, to_radius: f64) -> f64 {
    let way = to - from;
    way.angle() - ((to_radius - from_radius) / way.length()).asin()
}

/// The small circle at the corners of a D.
const CORNER_FT: f64 = 6.0;
/// How far one backs in a drill.
const BACK_FT: f64 = 6.0;
/// The pocket round a barrel of a drill.
const POCKET_FT: f64 = 6.0;
/// How far past the barrel one stops.
const PAST_FT: f64 = 8.0;
/// The circle on which one turns towards the next barrel.
const TOWARDS_FT: f64 = 8.0;

fn end_of(legs: &[Leg], start: Point, heading_deg: f64) -> (Point, f64) {
    let way = Way {
        start,
        heading_deg,
        legs: legs.to_vec(),
    };
    let (_, end, heading) = way.laid();
    (end, heading)
}

/// Off the spot on a circle, then straight until beside the barrel: the turn, and the feet of the
/// straight. `pocket` is above 0 with the barrel on the left. Of both ways to
/// turn, the shorter.
fn onto(from: Point, heading: f64, barrel: Point, pocket: f64) -> (Option<Leg>, f64) {
    let way = |side: Side| {
        let sign = if side == Side::Left { 1.0 } else { -1.0 };
        let middle = from + Point::unit(heading + sign * FRAC_PI_2) * TOWARDS_FT;
        // A tangent from a circle turned to `side` to the pocket's circle.
        let (far, offset) = ((barrel - middle).length(), pocket - sign * TOWARDS_FT);
        if offset.abs() >= far {
            return None;
        }
        let next = (barrel - middle).angle() - (offset / far).asin();
        let round = (sign * (next - heading)).rem_euclid(TAU);
        let feet = (far * far - offset * offset).sqrt();
        Some((side, round, feet))
    };
    let best = [way(Side::Left), way(Side::Right)]
        .into_iter()
        .flatten()
        .min_by(|a, b| (a.1 * TOWARDS_FT + a.2).total_cmp(&(b.1 * TOWARDS_FT + b.2)));
    match best {
        Some((side, round, feet)) => {
            let turn = Leg::Circle {
                side,
                radius_ft: TOWARDS_FT,
                degrees: round.to_degrees(),
            };
            (Some(turn), feet)
        }
        // The barrel stands inside both circles: straight on.
        None => (None, 0.0),
    }
}
