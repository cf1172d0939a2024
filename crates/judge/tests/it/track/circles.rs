//! The nearest circle: the example of Gander, Golub and Strebel, Least-Squares Fitting of Circles
//! and Ellipses, BIT 34 (1994), its numbers from memory; circles with noise whose truth is known.

use cavesson_base::Side;
use cavesson_ground::ground::Point;
use cavesson_ground::ground::point::at;
use cavesson_judge::track::circle_fit::{algebraic, fit};
use cavesson_judge::track::point::{TrackPoint, degree_ft};
use cavesson_judge::track::ride::ride;
use proptest::prelude::*;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, Normal};

fn near(found: f64, expected: f64, off: f64) {
    assert!((found - expected).abs() < off, "{found} {expected}");
}

#[test]
fn the_published_example_comes_out() {
    let points: Vec<Point> = [(1., 7.), (2., 6.), (5., 8.), (7., 7.), (9., 5.), (3., 7.)]
        .map(|(x, y)| at(x, y))
        .to_vec();
    let fitted = fit(&points).unwrap();
    near(fitted.center.x, 4.7398, 5e-4);
    near(fitted.center.y, 2.9835, 5e-4);
    near(fitted.radius_ft, 4.7142, 5e-4);
    // No other circle is nearer than where it started from.
    let (center, radius) = algebraic(&points).unwrap();
    let squares = |center: Point, radius: f64| -> f64 {
        points
            .iter()
            .map(|point| (point.to(center) - radius).powi(2))
            .sum()
    };
    assert!(squares(fitted.center, fitted.radius_ft) < squares(center, radius));
}

#[test]
fn points_on_a_line_have_no_circle() {
    let line: Vec<Point> = (0..9)
        .map(|n| at(f64::from(n), 2.0 * f64::from(n)))
        .collect();
    assert_eq!(fit(&line), None);
    assert_eq!(fit(&line[..2]), None);
    assert_eq!(fit(&[at(3.0, 3.0); 5]), None);
}

proptest! {
    /// On a circle it finds that circle, whatever part of it there is from a third on.
    #[test]
    fn a_true_circle_is_found(
        x in -500.0..500.0_f64, y in -500.0..500.0_f64, radius in 5.0..200.0_f64,
        from in 0.0..6.0_f64, part in 2.2..6.3_f64,
    ) {
        let points: Vec<Point> = (0..40)
            .map(|n| at(x, y) + Point::unit(from + part * f64::from(n) / 39.0) * radius)
            .collect();
        let fitted = fit(&points).unwrap();
        prop_assert!(fitted.center.to(at(x, y)) < 1e-6 * radius, "{fitted:?}");
        prop_assert!((fitted.radius_ft - radius).abs() < 1e-6 * radius);
        prop_assert!(fitted.off_ft < 1e-6 * radius);
    }
}

/// Where points east and north of a place in Colorado are on the map.
pub fn on_map(ground: &[(f64, Point)]) -> Vec<TrackPoint> {
    let (north, east) = degree_ft(39.7);
    ground
        .iter()
        .map(|(at_s, point)| TrackPoint {
            at_s: *at_s,
            latitude: 39.7 + point.y / north,
            longitude: -104.9 + point.x / east,
        })
        .collect()
}

/// Circles one after another: the side, the radius, how often.
const RIDDEN: [(Side, f64, u32); 4] = [
    (Side::Left, 33.0, 3),
    (Side::Right, 33.0, 2),
    (Side::Right, 60.0, 2),
    (Side::Left, 60.0, 1),
];

fn ridden(speed_ft_s: f64, noise_ft: f64, seed: u64) -> Vec<TrackPoint> {
    let mut random = ChaCha8Rng::seed_from_u64(seed);
    let noise = Normal::new(0.0, noise_ft).unwrap();
    let (mut ground, mut at_s, mut here) = (Vec::new(), 0.0, at(0.0, 0.0));
    let mut go = |to: Point, ground: &mut Vec<(f64, Point)>| {
        at_s += 1.0;
        let off = at(noise.sample(&mut random), noise.sample(&mut random));
        ground.push((at_s, to + off));
    };
    for (side, radius, times) in RIDDEN {
        // Straight to the next one, then round it from its south.
        for _ in 0..20 {
            here = here + at(speed_ft_s, 0.0);
            go(here, &mut ground);
        }
        let sign = if side == Side::Left { 1.0 } else { -1.0 };
        let center = here + at(0.0, sign * radius);
        let steps = (f64::from(times) * std::f64::consts::TAU * radius / speed_ft_s) as u32;
        for step in 0..=steps {
            let angle =
                -sign * std::f64::consts::FRAC_PI_2 + sign * f64::from(step) * speed_ft_s / radius;
            here = center + Point::unit(angle) * radius;
            go(here, &mut ground);
        }
    }
    for _ in 0..20 {
        here = here + at(speed_ft_s, 0.0);
        go(here, &mut ground);
    }
    assert!(random.random_range(0..2) < 2);
    on_map(&ground)
}

#[test]
fn circles_are_found_with_their_side_number_and_radius() {
    for (speed, noise, seed) in [(9.0, 0.0, 1), (9.0, 0.7, 2), (9.0, 0.7, 3), (17.0, 0.7, 4)] {
        let found = ride(&ridden(speed, noise, seed)).unwrap();
        for (side, radius, times) in RIDDEN {
            let own = found.circles.iter().filter(|circle| {
                circle.side == side && (circle.radius_ft - radius).abs() < 0.12 * radius
            });
            assert_eq!(
                own.count() as u32,
                times,
                "{side:?} {radius} at {speed}: {:#?}",
                found.circles
            );
        }
        let all: u32 = RIDDEN.iter().map(|(.., times)| times).sum();
        assert_eq!(found.circles.len() as u32, all, "{:#?}", found.circles);
        assert!(found.circles.iter().all(|circle| circle.roundness < 0.12));
        // By the lengths of the circles.
        let length = |side: Side| -> f64 {
            let own = RIDDEN.iter().filter(|(of, ..)| *of == side);
            own.map(|(_, radius, times)| radius * f64::from(*times))
                .sum::<f64>()
        };
        let share = found.ways.left_min / (found.ways.left_min + found.ways.right_min);
        near(
            share,
            length(Side::Left) / (length(Side::Left) + length(Side::Right)),
            0.05,
        );
    }
}

#[test]
fn a_straight_ride_has_no_circle() {
    let ground: Vec<(f64, Point)> = (0..600)
        .map(|n| (f64::from(n), at(6.0 * f64::from(n), 0.0)))
        .collect();
    let found = ride(&on_map(&ground)).unwrap();
    assert_eq!(found.circles, []);
    near(found.ways.straight_min, 599.0 / 60.0, 0.1);
    near(found.miles, 6.0 * 599.0 / 5_280.0, 0.01);
}
