//! The largest course that fits, against trying every place of a grid.

use cavesson_base::Side;
use cavesson_ground::ground::point::{Point, at};
use cavesson_ground::ground::room::{Area, Free};
use cavesson_ground::ground::wanted::{LARGER_FT, Place, TOLERANCE_FT, Wanted};
use cavesson_ground::ground::{Clearances, Cloverleaf, Placing, outline};

use super::USUAL;

fn rectangle(width: f64, length: f64) -> Vec<Point> {
    vec![
        at(0.0, 0.0),
        at(width, 0.0),
        at(width, length),
        at(0.0, length),
    ]
}

fn wanted<'a>(ring: &'a [Point], keep_off: &'a [Vec<Point>]) -> Wanted<'a> {
    Wanted {
        free: Free {
            outline: ring,
            keep_off: keep_off.iter().map(|ring| Area::of(ring)).collect(),
        },
        course: Cloverleaf::STANDARD,
        first: Side::Right,
        pockets: USUAL,
        clearances: Clearances::default(),
        step_ft: None,
        may_turn: true,
        may_mirror: true,
    }
}

/// 90 + 2 x 18 ft wide, 45 + 60 + 94.87 + 36 ft long: the room of the rule books, to the inch.
#[test]
fn the_full_course_fits_the_arena_the_rule_books_ask_for() {
    let ring = rectangle(126.0, 235.87);
    let found = wanted(&ring, &[]).largest();
    let place = found.place.unwrap();
    assert_eq!(place.scale, 1.0);
    assert!(found.proof.proven);
    assert_eq!(place.placing.rotation_deg.rem_euclid(180.0), 0.0);
}

/// By hand: upright in an arena w by l, the course is as large as the narrower of
/// (w - 36) / 90 and (l - 81) / 154.868.
#[test]
fn not_turned_it_is_as_large_as_width_and_length_allow() {
    for (width, length) in [
        (110.0, 236.0),
        (126.0, 200.0),
        (90.0, 230.0),
        (140.0, 170.0),
    ] {
        let ring = rectangle(width, length);
        let upright = Wanted {
            may_turn: false,
            ..wanted(&ring, &[])
        };
        let found = upright.largest();
        let by_hand = ((width - 36.0) / 90.0_f64)
            .min((length - 81.0) / 154.868_329_805)
            .min(1.0);
        let scale = found.place.unwrap().scale;
        assert!(
            (scale - by_hand).abs() * 90.0 < 0.1,
            "{width} by {length}: {scale}, by hand {by_hand}"
        );
        assert!(found.proof.proven, "{width} by {length}");
    }
}

/// A foot larger, tried at every foot of the arena, every third of a turn step: none fits.
fn none_larger_on_a_grid(wanted: &Wanted<'_>, scale: f64) {
    let (low, high) = outline::bounds(wanted.free.outline);
    let scale = scale + LARGER_FT / wanted.course.between_1_2_ft;
    assert!(scale <= 1.0);
    let turns = if wanted.may_turn { 120 } else { 1 };
    for turn in 0..turns {
        let rotation_deg = f64::from(turn) * 3.0;
        let mut y = low.y;
        while y <= high.y {
            let mut x = low.x;
            while x <= high.x {
                let placing = Placing {
                    origin: at(x, y),
                    rotation_deg,
                };
                let barrels = wanted.barrels(&Place {
                    scale,
                    placing,
                    first: Side::Right,
                });
                // Barrels first, by themselves: most places fall out there.
                let standing = barrels.barrels.iter().all(|barrel| {
                    outline::inside_by(wanted.free.outline, *barrel)
                        >= wanted.clearances.side_ft - TOLERANCE_FT
                });
                if standing {
                    for first in wanted.firsts() {
                        let room = wanted.room(&Place {
                            scale,
                            placing,
                            first,
                        });
                        let spare = room.unwrap().spare_ft;
                        assert!(
                            spare < -TOLERANCE_FT,
                            "fits at {x} {y} turned {rotation_deg}: {spare}"
                        );
                    }
                }
                x += 2.0;
            }
            y += 2.0;
        }
    }
}

#[test]
fn no_course_a_foot_larger_fits_a_small_arena_on_a_grid() {
    let ring = rectangle(110.0, 200.0);
    let wanted = wanted(&ring, &[]);
    let found = wanted.largest();
    let place = found.place.unwrap();
    assert!(found.proof.proven && wanted.room(&place).unwrap().spare_ft >= -TOLERANCE_FT);
    none_larger_on_a_grid(&wanted, place.scale);
}

#[test]
fn around_ruts_it_keeps_off_and_no_course_a_foot_larger_fits_on_a_grid() {
    let ring = vec![
        at(0.0, 0.0),
        at(130.0, 10.0),
        at(140.0, 150.0),
        at(90.0, 225.0),
        at(10.0, 210.0),
    ];
    let rut = |x: f64, y: f64| {
        vec![
            at(x, y),
            at(x + 9.0, y + 2.0),
            at(x + 8.0, y + 12.0),
            at(x - 1.0, y + 9.0),
        ]
    };
    let ruts = [rut(20.0, 95.0), rut(98.0, 90.0), rut(62.0, 170.0)];
    let wanted = wanted(&ring, &ruts);
    let found = wanted.largest();
    let place = found.place.unwrap();
    let room = wanted.room(&place).unwrap();
    assert!(found.proof.proven, "{:?}", found.proof);
    assert!(room.spare_ft >= -TOLERANCE_FT && room.keep_off_ft.unwrap() >= 2.9);
    assert!(place.scale < 1.0);
    none_larger_on_a_grid(&wanted, place.scale);
}

#[test]
fn it_shrinks_in_even_steps_when_asked_to() {
    let ring = rectangle(110.0, 200.0);
    let steps = Wanted {
        step_ft: Some(5.0),
        ..wanted(&ring, &[])
    };
    let found = steps.largest();
    let scale = found.place.unwrap().scale;
    assert!((scale * 90.0 - 80.0).abs() < 1e-9, "{scale}");
    assert!(found.proof.proven);
    none_larger_on_a_grid(&steps, scale + 4.0 / 90.0);
}

#[test]
fn where_nothing_fits_it_says_so_and_has_shown_it() {
    let ring = rectangle(60.0, 60.0);
    let found = wanted(&ring, &[]).largest();
    assert!(found.place.is_none() && found.proof.proven);
}

/// Every figure of the room by hand: a course in the middle of a plain rectangle.
#[test]
fn the_room_of_a_course_is_what_a_tape_would_say() {
    let ring = rectangle(200.0, 300.0);
    let pond = [vec![
        at(90.0, 130.0),
        at(110.0, 130.0),
        at(110.0, 140.0),
        at(90.0, 140.0),
    ]];
    let wanted = wanted(&ring, &pond);
    let place = Place {
        scale: 1.0,
        placing: Placing {
            origin: at(100.0, 50.0),
            rotation_deg: 0.0,
        },
        first: Side::Right,
    };
    let room = wanted.room(&place).unwrap();
    let near = |found: f64, expected: f64| assert!((found - expected).abs() < 1e-6, "{found}");
    near(room.barrels_ft[0], 55.0);
    near(room.barrels_ft[1], 55.0);
    near(room.barrels_ft[2], 300.0 - 204.868_329_805);
    near(room.behind_ft, 300.0 - 204.868_329_805);
    near(room.end_ft, 50.0);
    // The way home runs through the pond.
    assert_eq!(room.keep_off_near, [0]);
    assert!(room.keep_off_ft.unwrap() < 0.0);
    assert!(
        room.says.iter().any(|says| says.contains("keep off")),
        "{:?}",
        room.says
    );
}

#[test]
fn beyond_the_fence_there_is_less_than_no_room() {
    let ring = rectangle(100.0, 100.0);
    let wanted = wanted(&ring, &[]);
    let place = Place {
        scale: 1.0,
        placing: Placing::default(),
        first: Side::Left,
    };
    let room = wanted.room(&place).unwrap();
    assert!(room.barrels_ft[2] < 0.0 && room.behind_ft < 0.0 && room.track_ft < 0.0);
    assert!(
        room.says
            .iter()
            .any(|says| says.contains("beyond the fence"))
    );
}
