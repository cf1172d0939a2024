//! The way round a barrel course.

use cavesson_base::Side;
use cavesson_ground::ground::path::Pockets;
use cavesson_ground::ground::point::{Point, at};
use cavesson_ground::ground::{Barrels, Cloverleaf, Path, Placing};
use proptest::prelude::*;

use super::{USUAL, round, standard};

/// The figure the rule books' distances give: sqrt(105^2 - 45^2).
#[test]
fn barrel_three_stands_94_87_ft_above_the_other_two() {
    let course = standard(Side::Right);
    let above = course.barrels[2].y - course.barrels[0].y;
    assert!((above - 94.868_329_805_051_38).abs() < 1e-9, "{above}");
    for other in 0..2 {
        let apart = course.barrels[other].to(course.barrels[2]);
        assert!((apart - 105.0).abs() < 1e-9);
    }
    assert!((course.barrels[0].to(course.barrels[1]) - 90.0).abs() < 1e-12);
}

/// The belt, written down anew, with one radius r all through.
///
/// Barrels A (right), B (left), C (top), score line O. From a point to a circle at the distance
/// D the tangent is sqrt(D^2 - r^2) long and leaves the line of centres by asin(r / D). Between
/// circles turned opposite ways it is sqrt(D^2 - 4 r^2) and crosses the line of centres at
/// asin(2 r / D); between circles turned the same way it is D, along the line of centres.
///
/// Directions: O to A is atan2(60, 45) = a. Turned right, A stays on the horse's right: it comes
/// in to the left of the line of centres. The headings are
///   h1 = a + asin(r / OA)             into A,
///   h2 = pi - asin(2 r / 90)          from A to B (turned right first, left then),
///   h3 = atan2(94.87, 45)             from B to C (both turned left: along the centres),
///   h4 = asin(r / OC) - pi / 2        from C home (turned left, so it starts on C's left),
/// the turns are (h1 - h2) mod 2 pi about A, (h3 - h2) mod 2 pi about B, (h4 - h3) mod 2 pi
/// about C, and the length is the four straights and r times the three turns.
fn belt_ft(r: f64) -> (f64, [f64; 3]) {
    let tau = std::f64::consts::TAU;
    let pi = std::f64::consts::PI;
    let height = (105.0_f64 * 105.0 - 45.0 * 45.0).sqrt();
    let (oa, oc) = (60.0_f64.hypot(45.0), 60.0 + height);
    let h1 = 60.0_f64.atan2(45.0) + (r / oa).asin();
    let h2 = pi - (2.0 * r / 90.0).asin();
    let h3 = height.atan2(45.0);
    let h4 = (r / oc).asin() - pi / 2.0;
    let turns = [
        (h1 - h2).rem_euclid(tau),
        (h3 - h2).rem_euclid(tau),
        (h4 - h3).rem_euclid(tau),
    ];
    let straights = (oa * oa - r * r).sqrt()
        + (90.0 * 90.0 - 4.0 * r * r).sqrt()
        + 105.0
        + (oc * oc - r * r).sqrt();
    (straights + r * turns.iter().sum::<f64>(), turns)
}

#[test]
fn with_one_radius_the_path_is_the_belt_to_a_millionth_of_a_foot() {
    for r in [1.0, 3.0, 4.0, 6.5, 12.0, 20.0] {
        let path = round(&standard(Side::Right), &[[r; 3]; 3]);
        let (length, turns) = belt_ft(r);
        assert!((path.length_ft() - length).abs() < 1e-6, "radius {r}");
        for (turn, expected) in path.turns.iter().zip(turns) {
            assert!((turn.round - expected).abs() < 1e-9, "radius {r}");
        }
        assert!((path.least_radius_ft() - r).abs() < 1e-9, "radius {r}");
    }
}

/// The same path cut into a line of very many points: an independent sum.
#[test]
fn with_pockets_that_change_the_length_is_that_of_a_fine_line() {
    for pockets in [USUAL, [[8.0, 3.0, 2.0], [5.0, 9.0, 4.0], [3.0, 4.0, 6.0]]] {
        let path = round(&standard(Side::Right), &pockets);
        let points = path.points(60_000);
        let fine: f64 = points.windows(2).map(|pair| pair[0].to(pair[1])).sum();
        assert!((path.length_ft() - fine).abs() < 1e-6);
    }
}

#[test]
fn left_first_is_the_mirror_of_right_first() {
    let pockets = [[5.0, 4.0, 3.0], [6.0, 5.0, 3.5], [5.5, 4.0, 2.5]];
    let right = round(&standard(Side::Right), &pockets);
    let left = round(&standard(Side::Left), &pockets);
    assert!((right.length_ft() - left.length_ft()).abs() < 1e-9);
    for (one, other) in right.points(40).iter().zip(left.points(40)) {
        assert!((one.x + other.x).abs() < 1e-9 && (one.y - other.y).abs() < 1e-9);
    }
}

#[test]
fn everything_twice_as_large_is_twice_as_long_and_turns_the_same() {
    let small = round(&standard(Side::Right), &USUAL);
    let large = round(
        &Cloverleaf::STANDARD.scaled(2.0).barrels(Side::Right),
        &USUAL.map(|pocket| pocket.map(|feet| feet * 2.0)),
    );
    assert!((large.length_ft() - 2.0 * small.length_ft()).abs() < 1e-9);
    for (one, other) in small.turns.iter().zip(&large.turns) {
        assert!((one.round - other.round).abs() < 1e-12);
    }
}

#[test]
fn placed_elsewhere_and_turned_it_stays_the_same_course() {
    let placing = Placing {
        origin: at(312.0, -45.5),
        rotation_deg: 117.0,
    };
    let there = standard(Side::Right);
    let moved = Barrels {
        start: placing.place(there.start),
        barrels: there.barrels.map(|barrel| placing.place(barrel)),
        ..there
    };
    let (one, other) = (round(&there, &USUAL), round(&moved, &USUAL));
    assert!((one.length_ft() - other.length_ft()).abs() < 1e-9);
    for (point, placed) in one.points(9).iter().zip(other.points(9)) {
        assert!(placing.place(*point).to(placed) < 1e-9);
    }
}

#[test]
fn straights_and_turns_join_without_a_corner() {
    let path = round(&standard(Side::Right), &USUAL);
    for (index, turn) in path.turns.iter().enumerate() {
        let [from, into] = path.straights[index];
        let [out, to] = path.straights[index + 1];
        assert!(into.to(turn.at(0.0)) < 1e-9 && out.to(turn.at(turn.round)) < 1e-9);
        let little = 1e-6;
        let going = turn.at(little) - turn.at(0.0);
        let leaving = turn.at(turn.round) - turn.at(turn.round - little);
        assert!(
            unit(into - from).to(unit(going)) < 1e-4,
            "into barrel {index}"
        );
        assert!(
            unit(to - out).to(unit(leaving)) < 1e-4,
            "out of barrel {index}"
        );
    }
}

fn unit(point: Point) -> Point {
    point * (1.0 / point.length())
}

/// Promised in `ground::turn`: within a turn curvature has no jump, at the back neither.
#[test]
fn curvature_has_no_jump_within_a_turn() {
    let pockets: Pockets = [[8.0, 5.0, 3.0], [4.0, 6.0, 3.0], [5.0, 5.0, 2.0]];
    let path = round(&standard(Side::Right), &pockets);
    for turn in &path.turns {
        let most = |steps: i32| {
            let at = |step: i32| turn.curvature(turn.round * f64::from(step) / f64::from(steps));
            let changes = (1..=steps).map(|step| (at(step) - at(step - 1)).abs());
            changes.fold(0.0, f64::max)
        };
        // A jump would stay as large however finely one looks.
        assert!(most(8000) < 0.51 * most(4000));
        assert!((turn.curvature(0.0) - 1.0 / turn.pocket[0]).abs() < 1e-9);
        assert!((turn.curvature(turn.round) - 1.0 / turn.pocket[2]).abs() < 1e-9);
    }
}

/// Curvature from three points of the line itself: the circle through them.
#[test]
fn curvature_is_that_of_the_circle_through_three_points_of_it() {
    let path = round(&standard(Side::Right), &USUAL);
    for turn in &path.turns {
        for part in [0.1, 0.3, 0.6, 0.8] {
            let (gone, little) = (turn.round * part, 1e-4);
            let [a, b, c] = [gone - little, gone, gone + little].map(|gone| turn.at(gone));
            let area = (b - a).cross(c - a).abs() / 2.0;
            let through = 4.0 * area / (a.to(b) * b.to(c) * c.to(a));
            assert!((turn.curvature(gone) - through).abs() < 1e-5);
        }
    }
}

#[test]
fn pockets_that_leave_no_straight_are_refused_by_name() {
    let near = Cloverleaf {
        between_1_2_ft: 20.0,
        between_1_3_ft: 20.0,
        score_line_ft: 20.0,
    };
    let error = Path::round(&near.barrels(Side::Right), &[[18.0; 3]; 3]).unwrap_err();
    assert_eq!(error.field, "/pockets/1");
    assert!(error.detail.contains("smaller"), "{}", error.detail);
}

proptest! {
    /// Between two spots the distance from the barrel stays between theirs.
    #[test]
    fn the_way_round_never_overshoots_a_pocket(
        pockets in proptest::array::uniform3(proptest::array::uniform3(1.0..12.0_f64)),
        left in any::<bool>(),
    ) {
        let first = if left { Side::Left } else { Side::Right };
        let path = round(&standard(first), &pockets);
        for turn in &path.turns {
            let [going, back, out] = turn.pocket;
            for step in 0..=200 {
                let gone = turn.round * f64::from(step) / 200.0;
                let far = turn.at(gone).to(turn.barrel);
                let (one, other) = if step <= 100 { (going, back) } else { (back, out) };
                prop_assert!(far >= one.min(other) - 1e-9 && far <= one.max(other) + 1e-9);
            }
        }
        let points = path.points(400);
        let line: f64 = points.windows(2).map(|pair| pair[0].to(pair[1])).sum();
        prop_assert!(line <= path.length_ft() + 1e-9);
        prop_assert!(path.length_ft() - line < 0.05);
    }
}
