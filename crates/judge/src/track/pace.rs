//! How fast along a track, and so in which gait.
//!
//! # Formula
//! The speed at a point is the way between the points half a window before and after it, along the
//! points smoothed over that window, by the time between them. A gait begins when the speed has
//! been above its beginning, and ends when it has been below its end, for a dwell: between the two
//! it stays, so that a speed at a border does not flicker.
//!
//! # Source
//! Speeds of the gaits: common practice, no source (a flat walk about 4, a jog about 6, a working
//! trot about 8, a lope about 12 miles an hour). Window, borders and dwell: product defaults.

use serde::Serialize;

use super::point::OnGround;
use crate::Gait;
use crate::ground::Point;
use crate::ground::point::at;

/// Seconds over which points are smoothed.
pub const WINDOW_S: f64 = 3.0;
/// Longer than this between two points nothing is known.
pub const GAP_S: f64 = 12.0;
/// A gait lasts at least so long.
pub const DWELL_S: f64 = 3.0;

/// Miles an hour in feet a second.
const MPH: f64 = 5_280.0 / 3_600.0;

/// Where a gait ends going down and where the next begins going up, in miles an hour.
const BORDERS: [(Gait, Gait, f64, f64); 5] = [
    (Gait::Stand, Gait::Walk, 0.8, 1.4),
    (Gait::Walk, Gait::Jog, 4.3, 4.9),
    (Gait::Jog, Gait::Trot, 6.6, 7.2),
    (Gait::Trot, Gait::Lope, 8.8, 9.6),
    (Gait::Lope, Gait::Gallop, 17.0, 18.5),
];

/// A moment of a track.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Moment {
    /// Seconds from the first point.
    pub at_s: f64,
    /// Feet east and north of the first point, smoothed.
    pub ground: Point,
    /// Feet a second.
    pub speed_ft_s: f64,
    /// The gait.
    pub gait: Gait,
}

/// The moments of a track, one for each point.
pub fn moments(points: &[OnGround]) -> Vec<Moment> {
    let smooth = smoothed(points);
    let mut found: Vec<Moment> = points
        .iter()
        .enumerate()
        .map(|(index, point)| Moment {
            at_s: point.at_s,
            ground: smooth[index],
            speed_ft_s: speed(points, &smooth, index),
            gait: Gait::Stand,
        })
        .collect();
    gaits(&mut found);
    found
}

/// The points within half a window of one, by their indices.
fn around(points: &[OnGround], index: usize) -> (usize, usize) {
    let at_s = points[index].at_s;
    let (mut first, mut last) = (index, index);
    while first > 0 && at_s - points[first - 1].at_s <= WINDOW_S / 2.0 {
        first -= 1;
    }
    while last + 1 < points.len() && points[last + 1].at_s - at_s <= WINDOW_S / 2.0 {
        last += 1;
    }
    (first, last)
}

/// The mean of the points around each, as many before as after, so that nothing is pulled along.
fn smoothed(points: &[OnGround]) -> Vec<Point> {
    (0..points.len())
        .map(|index| {
            let (first, last) = around(points, index);
            let reach = (index - first).min(last - index);
            let own = &points[index - reach..=index + reach];
            let sum = own
                .iter()
                .fold(at(0.0, 0.0), |sum, point| sum + point.ground);
            sum * (1.0 / own.len() as f64)
        })
        .collect()
}

fn speed(points: &[OnGround], smooth: &[Point], index: usize) -> f64 {
    let (mut first, mut last) = around(points, index);
    // At one point a second or fewer the neighbors are further off than the window.
    if first == index && index > 0 && points[index].at_s - points[index - 1].at_s <= GAP_S {
        first -= 1;
    }
    if last == index
        && index + 1 < points.len()
        && points[index + 1].at_s - points[index].at_s <= GAP_S
    {
        last += 1;
    }
    let seconds = points[last].at_s - points[first].at_s;
    if seconds <= 0.0 {
        return 0.0;
    }
    let way: f64 = smooth[first..=last]
        .windows(2)
        .map(|two| two[0].to(two[1]))
        .sum();
    way / seconds
}

/// The gait that a speed leads to from another.
fn next(gait: Gait, speed_ft_s: f64) -> Gait {
    let mph = speed_ft_s / MPH;
    let mut now = gait;
    for (below, above, down, up) in BORDERS {
        if now == below && mph > up {
            now = above;
        } else if now == above && mph < down {
            return next(below, speed_ft_s);
        }
    }
    now
}

fn gaits(moments: &mut [Moment]) {
    let mut gait = Gait::Stand;
    // Another gait that began, and where.
    let mut other: Option<(Gait, usize)> = None;
    for index in 0..moments.len() {
        let to = next(gait, moments[index].speed_ft_s);
        if to == gait {
            other = None;
        } else {
            let began = match other {
                Some((same, began)) if same == to => began,
                _ => index,
            };
            other = Some((to, began));
            if moments[index].at_s - moments[began].at_s >= DWELL_S {
                for moment in &mut moments[began..index] {
                    moment.gait = to;
                }
                (gait, other) = (to, None);
            }
        }
        moments[index].gait = gait;
    }
}

/// Minutes in a gait.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MinutesOfGait {
    /// The gait.
    pub gait: Gait,
    /// Minutes in it.
    pub minutes: f64,
}

/// Minutes by gait, those with none left out; what lies in a gap is no time of the ride.
pub fn minutes(moments: &[Moment]) -> Vec<MinutesOfGait> {
    Gait::ALL
        .into_iter()
        .map(|gait| {
            let seconds: f64 = moments
                .windows(2)
                .filter(|two| two[0].gait == gait)
                .map(|two| two[1].at_s - two[0].at_s)
                .filter(|seconds| *seconds <= GAP_S)
                .sum();
            MinutesOfGait {
                gait,
                minutes: seconds / 60.0,
            }
        })
        .filter(|of| of.minutes > 0.0)
        .collect()
}
