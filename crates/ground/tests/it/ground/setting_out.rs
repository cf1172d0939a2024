//! The sheet for one person with a tape.

use cavesson_base::Side;
use cavesson_base::footing::Footing;
use cavesson_ground::ground::cloverleaf::Laid;
use cavesson_ground::ground::lay::FenceKind;
use cavesson_ground::ground::point::{Point, at};
use cavesson_ground::ground::setting_out::{Sheet, TAPE_OFF_FT, sheet};
use cavesson_ground::ground::{Cloverleaf, GroundLay, Placing, Post};
use proptest::prelude::*;

fn post(name: &str, x: f64, y: f64) -> Post {
    Post {
        name: name.to_owned(),
        at: at(x, y),
    }
}

fn of(placing: Placing, posts: &[Post], tape_ft: f64) -> Sheet {
    let course = Laid {
        measures: Cloverleaf::STANDARD,
        first: Side::Right,
        placing: &placing,
        moved: [Point::default(); 3],
    };
    sheet(&course.barrels(), posts, tape_ft)
}

/// Where two arcs cross, worked out anew: the point is one of the two.
fn crossings(a: Point, a_ft: f64, b: Point, b_ft: f64) -> [Point; 2] {
    let way = b - a;
    let apart = way.length();
    let along = (a_ft * a_ft - b_ft * b_ft + apart * apart) / (2.0 * apart);
    let out = (a_ft * a_ft - along * along).max(0.0).sqrt();
    let (unit, square) = (way * (1.0 / apart), at(-way.y, way.x) * (1.0 / apart));
    [1.0, -1.0].map(|side| a + unit * along + square * (side * out))
}

#[test]
fn along_and_out_from_the_center_line_are_the_measures_of_the_course() {
    let placing = Placing {
        origin: at(70.0, 45.0),
        rotation_deg: 30.0,
    };
    let sheet = of(placing, &[], 200.0);
    let expected = [(0.0, 0.0), (60.0, 45.0), (60.0, -45.0), (154.868, 0.0)];
    for (point, (along, out)) in sheet.points.iter().zip(expected) {
        assert!((point.along_ft - along).abs() < 1e-3, "{}", point.name);
        assert!((point.out_ft - out).abs() < 1e-3, "{}", point.name);
        assert!(point.by_arcs.is_none());
    }
    assert_eq!(sheet.says.len(), 4);
    let lengths: Vec<f64> = sheet.checks.iter().map(|check| check.feet).collect();
    for (found, expected) in lengths
        .iter()
        .zip([90.0, 105.0, 105.0, 75.0, 75.0, 154.868])
    {
        assert!((found - expected).abs() < 1e-3);
    }
}

#[test]
fn without_two_posts_the_corners_of_the_fence_are_measured_from() {
    let mut lay = GroundLay {
        outline: vec![
            at(0.0, 0.0),
            at(130.0, 0.0),
            at(130.0, 240.0),
            at(0.0, 240.0),
        ],
        fence: FenceKind::Pipe,
        footing: Footing::Good,
        gate: None,
        posts: vec![post("gate post", 60.0, 0.0)],
        keep_off: Vec::new(),
        on_earth: None,
    };
    let names = |lay: &GroundLay| -> Vec<String> {
        lay.marks().into_iter().map(|mark| mark.name).collect()
    };
    assert_eq!(
        names(&lay),
        ["gate post", "corner 1", "corner 2", "corner 3", "corner 4"]
    );
    lay.posts.push(post("water post", 0.0, 120.0));
    assert_eq!(names(&lay), ["gate post", "water post"]);
}

#[test]
fn a_tape_too_short_or_posts_in_a_line_with_it_are_no_use() {
    let placing = Placing {
        origin: at(0.0, 0.0),
        rotation_deg: 0.0,
    };
    let posts = [post("A", -60.0, 0.0), post("B", 60.0, 0.0)];
    let sheet = of(placing, &posts, 100.0);
    assert!(
        sheet.points[1].by_arcs.is_none(),
        "B is near, A out of reach"
    );
    assert!(
        sheet.points[3].by_arcs.is_none(),
        "barrel 3 is out of reach"
    );
    assert!(sheet.points[0].by_arcs.is_none(), "the line of both posts");
    let long = of(placing, &posts, 200.0);
    assert!(long.points[3].by_arcs.is_some());
    assert!(long.points[0].by_arcs.is_none());
}

proptest! {
    /// Two people who never saw the plan would put the barrel where it belongs.
    #[test]
    fn the_arcs_cross_at_the_barrel_and_a_tape_off_by_an_inch_keeps_the_promise(
        (x, y, turn) in (0.0..40.0_f64, 20.0..60.0_f64, 0.0..360.0_f64),
        off in proptest::array::uniform2(-1.0..1.0_f64),
    ) {
        let placing = Placing { origin: at(x, y), rotation_deg: turn };
        let posts = [
            post("A", -170.0, -170.0),
            post("B", 200.0, -170.0),
            post("C", 190.0, 200.0),
            post("D", -170.0, 190.0),
        ];
        let sheet = of(placing, &posts, 400.0);
        let found: Vec<_> = sheet.points.iter().filter(|point| point.by_arcs.is_some()).collect();
        prop_assert!(found.len() >= 3, "a tape of 400 ft reaches nearly everywhere");
        for point in found {
            let arcs = point.by_arcs.as_ref().unwrap();
            let [one, other] = &arcs.from;
            let set = crossings(one.at, one.feet, other.at, other.feet);
            let exact = set.into_iter().map(|set| set.to(point.at)).fold(f64::INFINITY, f64::min);
            prop_assert!(exact < 1e-9, "{}", point.name);
            let read = [one.feet + off[0] * TAPE_OFF_FT, other.feet + off[1] * TAPE_OFF_FT];
            let set = crossings(one.at, read[0], other.at, read[1]);
            let near = set.into_iter().map(|set| set.to(point.at)).fold(f64::INFINITY, f64::min);
            prop_assert!(near <= arcs.off_ft * 1.02, "{near} off, {} said", arcs.off_ft);
            prop_assert!((25.0..=90.0).contains(&arcs.cross_deg));
        }
    }
}
