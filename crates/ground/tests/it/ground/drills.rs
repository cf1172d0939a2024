//! The drills, to scale.

use std::collections::HashSet;

use cavesson_base::Side;
use cavesson_base::id::Level;
use cavesson_ground::ground::drill::{Drill, DrillKind};
use cavesson_ground::ground::drill_book::book;
use cavesson_ground::ground::point::Point;
use cavesson_ground::ground::way::Leg;
use cavesson_reps::ladder::LadderFile;
use cavesson_reps::program::Program;

fn drill(kind: DrillKind, first: Side) -> Drill {
    Drill {
        kind,
        size_ft: kind.about().size_ft[0],
        first,
    }
}

#[test]
fn every_drill_stands_in_the_book_once_with_skills_and_faults_of_the_ladder() {
    let ladder = Program::default().ladder(LadderFile::shipped()).unwrap();
    let skills: HashSet<String> = ladder
        .levels
        .iter()
        .map(|level| level.level.skill.0.clone())
        .collect();
    let faults: HashSet<String> = ladder
        .faults
        .iter()
        .map(|fault| fault.id.0.clone())
        .collect();
    for kind in DrillKind::ALL {
        let written: Vec<_> = book().iter().filter(|about| about.kind == *kind).collect();
        assert_eq!(written.len(), 1, "{kind:?}");
        let about = written[0];
        for ask in &about.asks {
            assert!(skills.contains(&ask.skill.0), "{kind:?} asks {}", ask.skill);
            assert!(ask.left + ask.right > 0);
        }
        for fault in &about.watch {
            assert!(faults.contains(&fault.0), "{kind:?} watches {fault}");
        }
        let [usual, least, most] = about.size_ft;
        assert!(least <= usual && usual <= most);
    }
}

#[test]
fn to_the_other_side_a_drill_is_its_mirror() {
    for kind in DrillKind::ALL {
        let (left, _, _) = drill(*kind, Side::Left).way().laid();
        let (right, _, _) = drill(*kind, Side::Right).way().laid();
        assert_eq!(left.len(), right.len(), "{kind:?}");
        for (one, other) in left.iter().zip(&right) {
            assert!((one.length_ft - other.length_ft).abs() < 1e-9, "{kind:?}");
            for (a, b) in one.points.iter().zip(&other.points) {
                assert!(
                    (a.x + b.x).abs() < 1e-6 && (a.y - b.y).abs() < 1e-6,
                    "{kind:?}"
                );
            }
        }
    }
}

#[test]
fn every_leg_begins_where_the_one_before_ended() {
    for kind in DrillKind::ALL {
        let (legs, end, _) = drill(*kind, Side::Left).way().laid();
        let mut at = Point::default();
        for leg in &legs {
            assert!(leg.points[0].to(at) < 1e-9, "{kind:?}: {leg:?}");
            at = *leg.points.last().unwrap();
            let line: f64 = leg.points.windows(2).map(|pair| pair[0].to(pair[1])).sum();
            assert!(
                line <= leg.length_ft + 1e-9 && line >= leg.length_ft * 0.99,
                "{kind:?}"
            );
        }
        assert!(at.to(end) < 1e-9);
    }
}

/// By hand: circles are 2 pi r, the D is two sides, a half circle and its back.
#[test]
fn lengths_are_those_of_circles_and_straights() {
    let long = |kind| -> f64 {
        let (legs, _, _) = drill(kind, Side::Left).way().laid();
        legs.iter().map(|leg| leg.length_ft).sum()
    };
    let pi = std::f64::consts::PI;
    let cases = [
        (DrillKind::FigureEight, 2.0 * 2.0 * pi * 25.0),
        (DrillKind::BigSmall, 2.0 * 2.0 * pi * 40.0 + 2.0 * pi * 20.0),
        (DrillKind::Serpentine, 4.0 * pi * 18.0),
        (DrillKind::FenceRollbacks, 160.0),
        (DrillKind::HipLine, 120.0),
        (DrillKind::StopSquare, 4.0 * (46.0 + 6.0)),
        (DrillKind::DShape, 2.0 * 30.0 + pi * 30.0 + pi * 6.0 + 48.0),
    ];
    for (kind, expected) in cases {
        assert!(
            (long(kind) - expected).abs() < 1e-9,
            "{kind:?} {}",
            long(kind)
        );
    }
}

#[test]
fn what_closes_comes_back_to_where_it_began() {
    for kind in [
        DrillKind::DShape,
        DrillKind::BigSmall,
        DrillKind::FigureEight,
        DrillKind::FenceRollbacks,
        DrillKind::StopSquare,
    ] {
        let (_, end, heading) = drill(kind, Side::Left).way().laid();
        assert!(end.length() < 1e-6, "{kind:?} ends at {end:?}");
        let off = (heading - 90.0).abs();
        assert!(off < 1e-6, "{kind:?} ends looking at {heading}");
    }
}

/// Round each barrel a full circle at the pocket of 6 ft, with the barrel inside it.
#[test]
fn three_circles_go_round_each_barrel_with_the_barrel_inside() {
    for first in Side::EACH {
        let drill = drill(DrillKind::ThreeCircles, first);
        let (legs, _, _) = drill.way().laid();
        let circles: Vec<_> = legs
            .iter()
            .filter(|leg| matches!(leg.leg, Leg::Circle { degrees, .. } if degrees >= 360.0))
            .collect();
        assert_eq!(circles.len(), 3);
        for (circle, barrel) in circles.iter().zip(drill.barrels()) {
            for point in &circle.points {
                assert!(
                    (point.to(barrel) - 6.0).abs() < 1e-6,
                    "{point:?} {barrel:?}"
                );
            }
        }
        let sides: Vec<Side> = circles
            .iter()
            .map(|leg| match leg.leg {
                Leg::Circle { side, .. } => side,
                _ => Side::Both,
            })
            .collect();
        assert_eq!(sides, [first, first.other(), first.other()]);
    }
}

#[test]
fn a_level_has_the_drill_that_is_made_for_it() {
    let of = |skill: &str| DrillKind::for_level(&Level::new(skill, "walk"));
    assert_eq!(of("barrel.drill"), Some(DrillKind::ThreeCircles));
    assert_eq!(of("barrel.drill-roll"), Some(DrillKind::ThreeRollbacks));
    assert_eq!(of("bend.counter-arc"), Some(DrillKind::CounterArc));
    assert_eq!(of("bend.forward-circle"), Some(DrillKind::BigSmall));
    assert_eq!(of("frame.back"), Some(DrillKind::ThreeRollbacks));
    assert_eq!(of("cow.turn"), None);
}

/// What is asked is what is ridden: circles, rollbacks and stops counted from the way itself.
#[test]
fn asks_of_a_round_are_those_of_its_legs() {
    let counted = |kind: DrillKind, side: Side, of: fn(&Leg) -> Option<Side>| {
        let (legs, _, _) = drill(kind, Side::Left).way().laid();
        legs.iter().filter(|leg| of(&leg.leg) == Some(side)).count() as u32
    };
    let circle = |leg: &Leg| match leg {
        Leg::Circle { side, degrees, .. } if *degrees >= 360.0 => Some(*side),
        _ => None,
    };
    let rollback = |leg: &Leg| match leg {
        Leg::Rollback { side } => Some(*side),
        _ => None,
    };
    let counter = |leg: &Leg| match leg {
        Leg::CounterArc { side, .. } => Some(*side),
        _ => None,
    };
    let asked = |kind: DrillKind, skill: &str| {
        let ask = kind
            .about()
            .asks
            .iter()
            .find(|ask| ask.skill.0 == skill)
            .unwrap();
        (ask.left, ask.right)
    };
    type Of = fn(&Leg) -> Option<Side>;
    let cases: [(DrillKind, &str, Of); 7] = [
        (DrillKind::ThreeCircles, "barrel.drill", circle),
        (DrillKind::ThreeRollbacks, "barrel.drill-roll", rollback),
        (DrillKind::ThreeRollbacks, "bend.counter-arc", counter),
        (DrillKind::BigSmall, "bend.forward-circle", circle),
        (DrillKind::FigureEight, "bend.follow-nose", circle),
        (DrillKind::FenceRollbacks, "turn.rollback-wall", rollback),
        (DrillKind::CounterArc, "bend.forward-circle", circle),
    ];
    for (kind, skill, of) in cases {
        let found = (
            counted(kind, Side::Left, of),
            counted(kind, Side::Right, of),
        );
        assert_eq!(asked(kind, skill), found, "{kind:?} {skill}");
    }
}
