//! Circles ridden, and which way the horse turns.
//!
//! # Formula
//! The heading from point to point turns by an angle between -180 and 180 degrees. A stretch turns
//! one way while its turning, averaged over some seconds, stays on that side; a stretch that turns
//! by a whole round or more is so many circles, each round fitted by the nearest circle (see
//! [`super::circle_fit`]). Roundness is the root mean square distance from it by its radius.
//!
//! # Source
//! Least squares as there. What counts as turning (3 degrees a second), as a round (nine tenths of
//! 360 degrees) and as a circle (8 to 150 ft, no further off than a quarter of its radius): product
//! defaults.

use serde::Serialize;

use super::circle_fit::fit;
use super::pace::{GAP_S, Moment};
use crate::ground::Point;
use crate::ground::point::at;
use crate::{Gait, Side};

/// A circle that was ridden.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CircleRidden {
    /// Which way round.
    pub side: Side,
    /// Seconds from the first point.
    pub begins_s: f64,
    /// When it is closed.
    pub ends_s: f64,
    /// Its middle, in feet east and north of the first point.
    pub center: Point,
    /// Its radius, in feet.
    pub radius_ft: f64,
    /// How far off it the track is, root mean square, by its radius: 0 is round.
    pub roundness: f64,
    /// The gait it was mostly ridden in.
    pub gait: Gait,
}

/// Seconds over which the turning is averaged.
const TURNING_S: f64 = 4.0;
/// Slower turning than this is straight.
const STRAIGHT: f64 = 3.0 * std::f64::consts::PI / 180.0;
/// So much of a round closes a circle.
const ROUND: f64 = 0.9 * std::f64::consts::TAU;
/// The smallest and the largest circle.
const RADIUS_FT: (f64, f64) = (8.0, 150.0);
/// Further off it is none.
const MOST_OFF: f64 = 0.25;

/// How the heading turns from each moment to the next, in radians; left is above 0. 0 where it
/// stands, or nothing is known.
fn turns(moments: &[Moment]) -> Vec<f64> {
    let heading = |index: usize| {
        let way = moments[index + 1].ground - moments[index].ground;
        (way.x.hypot(way.y) > 0.05).then(|| way.y.atan2(way.x))
    };
    let mut found = vec![0.0; moments.len()];
    let mut before: Option<f64> = None;
    for index in 0..moments.len().saturating_sub(1) {
        if moments[index + 1].at_s - moments[index].at_s > GAP_S {
            before = None;
            continue;
        }
        let Some(now) = heading(index) else { continue };
        if let Some(last) = before {
            let mut turn = now - last;
            if turn > std::f64::consts::PI {
                turn -= std::f64::consts::TAU;
            } else if turn < -std::f64::consts::PI {
                turn += std::f64::consts::TAU;
            }
            found[index] = turn;
        }
        before = Some(now);
    }
    found
}

/// The side to which the horse turns at each moment, by its turning over some seconds; none where
/// it goes straight or stands.
fn sides(moments: &[Moment], turns: &[f64]) -> Vec<Option<Side>> {
    let (mut first, mut last, mut sum) = (0, 0, 0.0);
    (0..moments.len())
        .map(|index| {
            let at_s = moments[index].at_s;
            while last < moments.len() && moments[last].at_s <= at_s + TURNING_S / 2.0 {
                sum += turns[last];
                last += 1;
            }
            while moments[first].at_s < at_s - TURNING_S / 2.0 {
                sum -= turns[first];
                first += 1;
            }
            let seconds = (moments[last - 1].at_s - moments[first].at_s).max(1.0);
            let rate = sum / seconds;
            if moments[index].gait == Gait::Stand || rate.abs() < STRAIGHT {
                None
            } else if rate > 0.0 {
                Some(Side::Left)
            } else {
                Some(Side::Right)
            }
        })
        .collect()
}

/// Minutes turning each way, and straight on.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WaysRound {
    /// Minutes turning left.
    pub left_min: f64,
    /// Minutes turning right.
    pub right_min: f64,
    /// Minutes straight on.
    pub straight_min: f64,
}

/// Which way the horse turns, and the circles it went.
pub fn circles(moments: &[Moment]) -> (WaysRound, Vec<CircleRidden>) {
    let turns = turns(moments);
    let sides = sides(moments, &turns);
    let mut ways = WaysRound {
        left_min: 0.0,
        right_min: 0.0,
        straight_min: 0.0,
    };
    for (two, side) in moments.windows(2).zip(&sides) {
        let seconds = two[1].at_s - two[0].at_s;
        if seconds > GAP_S || two[0].gait == Gait::Stand {
            continue;
        }
        let minutes = seconds / 60.0;
        match side {
            Some(Side::Left) => ways.left_min += minutes,
            Some(_) => ways.right_min += minutes,
            None => ways.straight_min += minutes,
        }
    }
    let mut found = Vec::new();
    let mut from = 0;
    while from < moments.len() {
        let Some(side) = sides[from] else {
            from += 1;
            continue;
        };
        let end = (from..moments.len())
            .find(|index| sides[*index] != Some(side))
            .unwrap_or(moments.len());
        rounds(&moments[from..end], &turns[from..end], side, &mut found);
        from = end;
    }
    (ways, found)
}

/// The whole rounds of a stretch that turns one way.
fn rounds(moments: &[Moment], turns: &[f64], side: Side, found: &mut Vec<CircleRidden>) {
    let sign = if side == Side::Left { 1.0 } else { -1.0 };
    let (mut from, mut turned) = (0, 0.0);
    for index in 0..moments.len() {
        turned += sign * turns[index];
        if turned < ROUND {
            continue;
        }
        let own = &moments[from..=index];
        found.extend(circle(own, side));
        // What is over belongs to the next round.
        (from, turned) = (index, 0.0);
    }
}

/// To a hundredth: a track knows no more, and every machine says the same.
fn rounded(value: f64) -> f64 {
    (value * 100.0).round() / 100.0
}

fn circle(moments: &[Moment], side: Side) -> Option<CircleRidden> {
    let points: Vec<Point> = moments.iter().map(|moment| moment.ground).collect();
    let fitted = fit(&points)?;
    let roundness = fitted.off_ft / fitted.radius_ft;
    let is_one = (RADIUS_FT.0..=RADIUS_FT.1).contains(&fitted.radius_ft) && roundness <= MOST_OFF;
    let mostly = Gait::ALL
        .into_iter()
        .max_by_key(|gait| moments.iter().filter(|moment| moment.gait == *gait).count());
    is_one.then_some(CircleRidden {
        side,
        begins_s: moments[0].at_s,
        ends_s: moments[moments.len() - 1].at_s,
        center: at(rounded(fitted.center.x), rounded(fitted.center.y)),
        radius_ft: rounded(fitted.radius_ft),
        roundness: rounded(roundness),
        gait: mostly?,
    })
}
