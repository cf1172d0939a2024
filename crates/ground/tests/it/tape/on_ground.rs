//! The way on the plan against a pinhole camera that stands where the test puts it: what it sees
//! of known ground points is worked out by similar triangles, independent of the homography.

use cavesson_ground::ground::Point;
use cavesson_ground::ground::point::at;
use cavesson_ground::tape::on_ground::on_ground;
use cavesson_ground::tape::{KnownPoint, TapeSheet, TrackPoint};

use super::{run, tape};

/// Eleven feet up in the middle of the short side, 40 ft behind it, looking down the arena,
/// tilted so that the middle of the picture meets the ground 100 ft away.
fn seen(ground: Point) -> Point {
    let (height, back, focal) = (11.0, 40.0, 900.0);
    let tilt = f64::atan2(height, 100.0);
    let (forward, aside) = (ground.y + back, ground.x - 65.0);
    let depth = forward * tilt.cos() + height * tilt.sin();
    let down = height * tilt.cos() - forward * tilt.sin();
    at(640.0 + focal * aside / depth, 360.0 + focal * down / depth)
}

const BARRELS: [Point; 3] = [at(110.0, 105.0), at(20.0, 105.0), at(65.0, 199.9)];

fn known(name: &str, ground: Point) -> KnownPoint {
    KnownPoint {
        film: 0,
        name: name.to_owned(),
        seen: seen(ground),
        ground,
    }
}

/// A horse on a circle of 6 ft round barrel 1, a quarter of a turn a second from 5 s on.
fn horse(at_s: f64) -> Point {
    let turn = (at_s - 5.0) * std::f64::consts::FRAC_PI_2;
    BARRELS[0] + at(turn.cos(), turn.sin()) * 6.0
}

fn filmed() -> TapeSheet {
    let mut sheet = tape(run());
    sheet.known = vec![
        known("barrel 1", BARRELS[0]),
        known("barrel 2", BARRELS[1]),
        known("barrel 3", BARRELS[2]),
        known("gate post", at(58.0, 0.0)),
    ];
    sheet.track = (0..=30)
        .map(|step| 5.0 + f64::from(step) / 10.0)
        .map(|at_s| TrackPoint {
            film: 0,
            at_s,
            seen: seen(horse(at_s)),
        })
        .collect();
    sheet
}

#[test]
fn four_known_points_give_the_way_exactly() {
    let found = on_ground(&filmed(), Some(BARRELS)).unwrap().unwrap();
    assert_eq!(found.way.len(), 31);
    for point in &found.way {
        assert!(point.ground.to(horse(point.at_s)) < 1e-6, "{point:?}");
    }
    assert_eq!(
        found.films[0].rms_ft, None,
        "four points say nothing of how good they are"
    );
    // Thirty chords of a tenth of a quarter turn: 2 r sin(pi / 40) each.
    let chord = 12.0 * (std::f64::consts::PI / 40.0).sin();
    assert!((found.length_ft - 30.0 * chord).abs() < 1e-5);
}

#[test]
fn pockets_are_measured_where_the_horse_was_at_the_spot() {
    let found = on_ground(&filmed(), Some(BARRELS)).unwrap().unwrap();
    // The spots of barrel 1 lie at 5.5, 6.0 and 6.75 s; the last between two points, whose
    // chord comes within 6 cos(pi / 40) of the barrel.
    assert!((found.pockets_ft[0][0].unwrap() - 6.0).abs() < 1e-6);
    assert!((found.pockets_ft[0][1].unwrap() - 6.0).abs() < 1e-6);
    let between = 6.0 * (std::f64::consts::PI / 40.0).cos();
    assert!((found.pockets_ft[0][2].unwrap() - between).abs() < 1e-6);
    assert_eq!(
        found.pockets_ft[1], [None; 3],
        "the horse was not followed there"
    );
    let no_barrels = on_ground(&filmed(), None).unwrap().unwrap();
    assert_eq!(no_barrels.pockets_ft, [[None; 3]; 3]);
}

#[test]
fn a_point_that_was_marked_beside_its_place_shows_in_the_residual() {
    let mut sheet = filmed();
    for (name, ground) in [("post", at(0.0, 60.0)), ("other post", at(130.0, 60.0))] {
        sheet.known.push(known(name, ground));
    }
    let good = on_ground(&sheet, None).unwrap().unwrap();
    assert!(good.films[0].rms_ft.unwrap() < 1e-6);
    sheet.known[4].seen = sheet.known[4].seen + at(12.0, 0.0);
    let off = on_ground(&sheet, None).unwrap().unwrap();
    assert!(off.films[0].rms_ft.unwrap() > 0.3, "{:?}", off.films[0]);
}

#[test]
fn without_four_points_there_is_no_plan_and_points_on_a_line_are_refused() {
    let mut sheet = filmed();
    sheet.known.truncate(3);
    assert_eq!(on_ground(&sheet, Some(BARRELS)), Ok(None));
    sheet.known = [0.0, 30.0, 60.0, 90.0]
        .map(|y| known("post", at(65.0, y)))
        .to_vec();
    let why = on_ground(&sheet, None).unwrap_err();
    assert_eq!(why.field, "/known/0");
}

#[test]
fn a_horse_that_was_lost_for_long_has_no_pocket_there() {
    let mut sheet = filmed();
    sheet
        .track
        .retain(|point| !(5.55..6.65).contains(&point.at_s));
    let found = on_ground(&sheet, Some(BARRELS)).unwrap().unwrap();
    assert_eq!(found.pockets_ft[0][1], None);
}
