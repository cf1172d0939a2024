//! Areas, insides and distances, against the geo crate.

use cavesson_ground::ground::outline;
use cavesson_ground::ground::point::{Point, at};
use geo::{Area, Contains, Coord, Distance, Euclidean, LineString, Polygon};
use proptest::prelude::*;

fn polygon(ring: &[Point]) -> Polygon {
    let coords = ring.iter().map(|point| Coord {
        x: point.x,
        y: point.y,
    });
    Polygon::new(coords.collect(), Vec::new())
}

/// Corners round a middle, each at its own distance: a ring that never crosses itself.
fn ring() -> impl Strategy<Value = Vec<Point>> {
    proptest::collection::vec(5.0..200.0_f64, 4..20).prop_map(|far| {
        let step = std::f64::consts::TAU / far.len() as f64;
        far.iter()
            .enumerate()
            .map(|(index, far)| Point::unit(index as f64 * step) * *far + at(20.0, -30.0))
            .collect()
    })
}

proptest! {
    #[test]
    fn area_inside_and_distance_are_those_of_a_geometry_library(
        ring in ring(),
        (x, y) in (-250.0..250.0_f64, -250.0..250.0_f64),
    ) {
        let theirs = polygon(&ring);
        prop_assert!((outline::area_sq_ft(&ring) - theirs.unsigned_area()).abs() < 1e-6);
        let (point, their_point) = (at(x, y), geo::Point::new(x, y));
        prop_assert_eq!(outline::contains(&ring, point), theirs.contains(&their_point));
        let fence: LineString = theirs.exterior().clone();
        let far = Euclidean.distance(&their_point, &fence);
        prop_assert!((outline::to_ring(&ring, point) - far).abs() < 1e-9);
    }
}

#[test]
fn an_outline_that_is_none_is_refused_where_it_goes_wrong() {
    let cases = [
        (vec![at(0.0, 0.0), at(10.0, 0.0)], "/outline"),
        (
            vec![at(0.0, 0.0), at(10.0, 0.0), at(10.0, 0.0), at(0.0, 10.0)],
            "/outline/1",
        ),
        (
            vec![at(0.0, 0.0), at(10.0, 10.0), at(10.0, 0.0), at(0.0, 10.0)],
            "/outline/2",
        ),
        (
            vec![at(0.0, 0.0), at(9000.0, 0.0), at(0.0, 10.0)],
            "/outline/1/0",
        ),
        (
            vec![at(0.0, 0.0), at(f64::NAN, 0.0), at(0.0, 10.0)],
            "/outline/1/0",
        ),
    ];
    for (ring, field) in cases {
        let error = outline::check("/outline", &ring).unwrap_err();
        assert_eq!(error.field, field, "{}", error.detail);
    }
    let square = [at(0.0, 0.0), at(10.0, 0.0), at(10.0, 10.0), at(0.0, 10.0)];
    assert!(outline::check("/outline", &square).is_ok());
}
