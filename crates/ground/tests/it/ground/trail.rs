//! Trail courses: published sizes, the way round, tomorrow's course.

use std::f64::consts::TAU;

use cavesson_base::Gait;
use cavesson_ground::ground::link::{Pose, shortest};
use cavesson_ground::ground::point::{Point, at};
use cavesson_ground::ground::trail::{self, Obstacle, Placed};
use cavesson_ground::ground::trail_check::{feet_inches, links, rows};
use cavesson_ground::ground::trail_pick::{Stands, tomorrow};
use cavesson_ground::ground::way::Way;
use proptest::prelude::*;
use rstest::rstest;

fn poles(gait: Gait, spacing_ft: f64, height_in: f64) -> Obstacle {
    Obstacle::Poles {
        gait,
        poles: 4,
        spacing_ft,
        height_in,
    }
}

fn placed(obstacle: Obstacle, x: f64, y: f64, heading_deg: f64) -> Placed {
    Placed {
        obstacle,
        at: at(x, y),
        heading_deg,
    }
}

/// AQHA rule book, trail, from memory: the edge of every published size is allowed, an inch
/// beyond is not.
#[rstest]
#[case(poles(Gait::Walk, 15.0 / 12.0, 0.0), true)]
#[case(poles(Gait::Walk, 14.0 / 12.0, 0.0), false)]
#[case(poles(Gait::Walk, 24.0 / 12.0, 0.0), true)]
#[case(poles(Gait::Walk, 25.0 / 12.0, 0.0), false)]
#[case(poles(Gait::Jog, 3.0, 0.0), true)]
#[case(poles(Gait::Jog, 35.0 / 12.0, 0.0), false)]
#[case(poles(Gait::Trot, 3.5, 0.0), true)]
#[case(poles(Gait::Trot, 43.0 / 12.0, 0.0), false)]
#[case(poles(Gait::Lope, 6.0, 0.0), true)]
#[case(poles(Gait::Lope, 71.0 / 12.0, 0.0), false)]
#[case(poles(Gait::Lope, 7.0, 0.0), true)]
#[case(poles(Gait::Lope, 85.0 / 12.0, 0.0), false)]
#[case(poles(Gait::Walk, 1.5, 12.0), true)]
#[case(poles(Gait::Walk, 1.5, 13.0), false)]
#[case(poles(Gait::Jog, 3.0, 8.0), true)]
#[case(poles(Gait::Jog, 3.0, 9.0), false)]
#[case(poles(Gait::Lope, 6.5, 9.0), false)]
#[case(Obstacle::BackThrough { width_in: 28.0, length_ft: 12.0, height_in: 0.0 }, true)]
#[case(Obstacle::BackThrough { width_in: 27.0, length_ft: 12.0, height_in: 0.0 }, false)]
#[case(Obstacle::BackThrough { width_in: 29.0, length_ft: 12.0, height_in: 6.0 }, false)]
#[case(Obstacle::BackThrough { width_in: 30.0, length_ft: 12.0, height_in: 6.0 }, true)]
#[case(Obstacle::Bridge { width_in: 36.0, length_ft: 6.0, height_in: 6.0 }, true)]
#[case(Obstacle::Bridge { width_in: 35.0, length_ft: 6.0, height_in: 6.0 }, false)]
#[case(Obstacle::Bridge { width_in: 36.0, length_ft: 5.9, height_in: 6.0 }, false)]
#[case(Obstacle::Serpentine { gait: Gait::Jog, poles: 5, spacing_ft: 6.0 }, true)]
#[case(Obstacle::Serpentine { gait: Gait::Jog, poles: 5, spacing_ft: 5.9 }, false)]
fn sizes_are_held_against_the_rule_book(#[case] obstacle: Obstacle, #[case] ok: bool) {
    let rows = rows(&[placed(obstacle, 0.0, 0.0, 0.0)]);
    assert!(!rows.is_empty());
    assert_eq!(rows.iter().all(|row| row.ok), ok, "{rows:?}");
    assert!(rows.iter().all(|row| !row.source.is_empty()));
}

#[test]
fn lengths_are_said_in_feet_and_inches() {
    assert_eq!(feet_inches(3.5), "3 ft 6 in");
    assert_eq!(feet_inches(6.0), "6 ft");
    assert_eq!(feet_inches(15.0 / 12.0), "1 ft 3 in");
    assert_eq!(feet_inches(0.5), "6 in");
}

#[test]
fn harder_is_narrower_higher_quicker_and_water() {
    let bridge = |width_in, height_in| Obstacle::Bridge {
        width_in,
        length_ft: 8.0,
        height_in,
    };
    let water = Obstacle::Water {
        width_in: 96.0,
        length_ft: 8.0,
    };
    let step = Obstacle::Step { height_in: 8.0 };
    assert!(bridge(36.0, 4.0).difficulty() > bridge(60.0, 4.0).difficulty());
    assert!(bridge(48.0, 12.0).difficulty() > bridge(48.0, 4.0).difficulty());
    assert!(step.difficulty() > bridge(60.0, 4.0).difficulty());
    assert!(water.difficulty() > step.difficulty());
    assert!(poles(Gait::Lope, 6.5, 0.0).difficulty() > poles(Gait::Walk, 1.5, 0.0).difficulty());
    assert_eq!(bridge(60.0, 6.0).level().skill.0, "trail.bridge-low");
    assert_eq!(bridge(36.0, 6.0).level().skill.0, "trail.bridge");
}

/// Straight ahead it is a straight; a half turn two radii away is half a circle: both by hand.
#[test]
fn the_shortest_way_is_what_one_would_ride() {
    let from = Pose {
        at: Point::default(),
        heading: 0.0,
    };
    let ahead = Pose {
        at: at(40.0, 0.0),
        heading: 0.0,
    };
    assert!((shortest(from, ahead, 10.0).1 - 40.0).abs() < 1e-9);
    let beside = Pose {
        at: at(0.0, 20.0),
        heading: std::f64::consts::PI,
    };
    let (legs, length) = shortest(from, beside, 10.0);
    assert!(
        (length - std::f64::consts::PI * 10.0).abs() < 1e-9,
        "{legs:?}"
    );
}

proptest! {
    /// It gets there, looking where it should, and is never shorter than the crow flies.
    #[test]
    fn the_shortest_way_gets_there(
        (x, y, heading, goal) in (-80.0..80.0_f64, -80.0..80.0_f64, 0.0..TAU, 0.0..TAU),
        radius in 4.0..20.0_f64,
    ) {
        let from = Pose { at: Point::default(), heading };
        let to = Pose { at: at(x, y), heading: goal };
        let (legs, length) = shortest(from, to, radius);
        let way = Way { start: from.at, heading_deg: heading.to_degrees(), legs };
        let (laid, end, looking) = way.laid();
        prop_assert!(end.to(to.at) < 1e-6, "{end:?} not {:?}", to.at);
        let off = (looking - goal.to_degrees()).rem_euclid(360.0);
        prop_assert!(!(1e-5..=360.0 - 1e-5).contains(&off), "{off}");
        prop_assert!(length >= from.at.to(to.at) - 1e-9);
        let summed: f64 = laid.iter().map(|leg| leg.length_ft).sum();
        prop_assert!((summed - length).abs() < 1e-9);
        // And the way back, everything turned about, is as long.
        let turned = |pose: Pose| Pose { heading: pose.heading + std::f64::consts::PI, ..pose };
        prop_assert!((shortest(turned(to), turned(from), radius).1 - length).abs() < 1e-6);
    }
}

#[test]
fn between_obstacles_it_counts_strides_of_the_gait() {
    let course = [
        placed(poles(Gait::Walk, 1.5, 0.0), 0.0, 0.0, 90.0),
        placed(poles(Gait::Lope, 6.0, 0.0), 0.0, 60.0, 90.0),
    ];
    let links = links(&course, None);
    // From the last walk-over at 2.25 ft to the first lope-over at 51 ft: 48.75 ft.
    assert!(
        (links[0].length_ft - 48.75).abs() < 1e-9,
        "{}",
        links[0].length_ft
    );
    assert!((links[0].strides - 48.75 / 12.0).abs() < 1e-9);
}

/// A straight way of 40 ft with a rut of one foot across the middle of it.
#[test]
fn a_way_through_a_rut_or_the_fence_is_a_row_of_its_own() {
    use cavesson_base::footing::Footing;
    use cavesson_ground::ground::lay::{FenceKind, KeepOff, KeepOffKind};
    use cavesson_ground::ground::trail_check::in_place;
    let gate = Obstacle::Gate { width_in: 60.0 };
    let course = [placed(gate, 0.0, 0.0, 0.0), placed(gate, 40.0, 0.0, 0.0)];
    let mut lay = cavesson_ground::ground::GroundLay {
        outline: vec![
            at(-20.0, -20.0),
            at(60.0, -20.0),
            at(60.0, 20.0),
            at(-20.0, 20.0),
        ],
        fence: FenceKind::Pipe,
        footing: Footing::Good,
        gate: None,
        posts: Vec::new(),
        keep_off: Vec::new(),
        on_earth: None,
    };
    let links = links(&course, None);
    assert!(in_place(&course, &links, &lay).is_empty());
    lay.keep_off.push(KeepOff {
        kind: KeepOffKind::Ruts,
        outline: vec![at(19.0, -5.0), at(21.5, -5.0), at(21.5, 5.0), at(19.0, 5.0)],
    });
    let rows = in_place(&course, &links, &lay);
    assert_eq!((rows.len(), rows[0].obstacle, rows[0].ok), (1, 1, false));
    assert!(rows[0].rule.contains("keep off"));
    lay.outline[1] = at(30.0, -20.0);
    lay.outline[2] = at(30.0, 20.0);
    assert!(
        in_place(&course, &links, &lay)
            .iter()
            .any(|row| row.found.contains("fence"))
    );
}

#[test]
fn tomorrow_rides_what_is_held_and_the_easiest_new_thing() {
    let bridge = |width_in| Obstacle::Bridge {
        width_in,
        length_ft: 8.0,
        height_in: 6.0,
    };
    let course = [
        placed(poles(Gait::Walk, 1.5, 0.0), 0.0, 0.0, 90.0),
        placed(bridge(36.0), 20.0, 0.0, 90.0),
        placed(bridge(60.0), 40.0, 0.0, 90.0),
        placed(Obstacle::Gate { width_in: 60.0 }, 60.0, 0.0, 90.0),
        placed(
            Obstacle::Water {
                width_in: 96.0,
                length_ft: 8.0,
            },
            80.0,
            0.0,
            90.0,
        ),
    ];
    let picked = tomorrow(&course, |level| match level.skill.0.as_str() {
        "trail.poles" => Stands::Held,
        "trail.bridge-low" | "trail.gate" => Stands::Open,
        _ => Stands::Closed,
    });
    let order: Vec<usize> = picked.ride.iter().map(|ride| ride.obstacle).collect();
    assert_eq!(order, [0, 2, 0]);
    assert_eq!(picked.ride.iter().filter(|ride| ride.is_new).count(), 1);
    let out: Vec<usize> = picked.left_out.iter().map(|out| out.obstacle).collect();
    assert_eq!(out, [1, 3, 4]);
    assert!(picked.left_out[1].why.contains("harder"));
    assert!(picked.left_out[2].why.contains("Not open"));
}

#[test]
fn nothing_held_and_nothing_open_is_an_empty_course_with_reasons() {
    let course = [placed(Obstacle::Step { height_in: 8.0 }, 0.0, 0.0, 0.0)];
    let picked = tomorrow(&course, |_| Stands::Closed);
    assert!(picked.ride.is_empty() && picked.left_out.len() == 1);
}

#[test]
fn sizes_that_cannot_be_are_refused_by_name() {
    let wide = placed(Obstacle::Gate { width_in: 2000.0 }, 0.0, 0.0, 0.0);
    assert_eq!(
        trail::check("/course", &[wide]).unwrap_err().field,
        "/course/0/obstacle/width_in"
    );
    let fast = placed(poles(Gait::Gallop, 6.0, 0.0), 0.0, 0.0, 0.0);
    assert_eq!(
        trail::check("/course", &[fast]).unwrap_err().field,
        "/course/0/obstacle/gait"
    );
    assert!(trail::check("/course", &[]).is_err());
}
