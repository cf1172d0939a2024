//! Gaits by speed. The speeds are common practice, no source; what is checked is that a known
//! speed gives its minutes, and that one at a border does not flicker.

use cavesson_base::Gait;
use cavesson_ground::ground::Point;
use cavesson_ground::ground::point::at;
use cavesson_judge::track::pace::minutes;
use cavesson_judge::track::pace::moments;
use cavesson_judge::track::point::{OnGround, TrackPoint, degree_ft, on_ground};

const MPH: f64 = 5_280.0 / 3_600.0;

/// Straight on at these speeds, each for so many seconds.
fn straight(parts: &[(f64, u32)]) -> Vec<OnGround> {
    let (mut x, mut at_s) = (0.0, 0.0);
    let mut points = vec![OnGround {
        at_s,
        ground: at(0.0, 0.0),
    }];
    for (mph, seconds) in parts {
        for _ in 0..*seconds {
            x += mph * MPH;
            at_s += 1.0;
            points.push(OnGround {
                at_s,
                ground: at(x, 0.0),
            });
        }
    }
    points
}

fn of(parts: &[(f64, u32)]) -> Vec<(Gait, f64)> {
    let found = minutes(&moments(&straight(parts)));
    found.iter().map(|of| (of.gait, of.minutes)).collect()
}

#[test]
fn each_speed_is_its_gait_for_its_minutes() {
    let found = of(&[
        (0.0, 60),
        (3.9, 120),
        (5.8, 120),
        (8.0, 60),
        (12.0, 90),
        (21.0, 30),
    ]);
    let expected = [
        (Gait::Stand, 1.0),
        (Gait::Walk, 2.0),
        (Gait::Jog, 2.0),
        (Gait::Trot, 1.0),
        (Gait::Lope, 1.5),
        (Gait::Gallop, 0.5),
    ];
    assert_eq!(found.len(), expected.len(), "{found:?}");
    for ((gait, minutes), (expected_gait, expected_min)) in found.iter().zip(expected) {
        assert_eq!(*gait, expected_gait);
        assert!((minutes - expected_min).abs() < 0.06, "{gait:?} {minutes}");
    }
}

#[test]
fn a_speed_at_a_border_does_not_flicker() {
    let parts: Vec<(f64, u32)> = (0..60)
        .map(|n| (if n % 2 == 0 { 4.5 } else { 4.75 }, 2))
        .collect();
    let mut walk = vec![(3.5, 20)];
    walk.extend(&parts);
    let gaits: Vec<Gait> = of(&walk).iter().map(|(gait, _)| *gait).collect();
    assert_eq!(
        gaits,
        [Gait::Stand, Gait::Walk][usize::from(gaits.len() == 1)..],
        "it stays a walk"
    );
    let mut jog = vec![(5.8, 20)];
    jog.extend(&parts);
    let found = of(&jog);
    assert!(
        found
            .iter()
            .all(|(gait, minutes)| *gait == Gait::Jog || *minutes < 0.1),
        "{found:?}"
    );
}

#[test]
fn a_gap_is_no_time_of_the_ride() {
    let mut points = straight(&[(4.0, 60)]);
    let last = points[points.len() - 1];
    for n in 0..60 {
        points.push(OnGround {
            at_s: last.at_s + 300.0 + f64::from(n),
            ground: last.ground
                + Point {
                    x: f64::from(n) * 4.0 * MPH,
                    y: 0.0,
                },
        });
    }
    let all: f64 = minutes(&moments(&points)).iter().map(|of| of.minutes).sum();
    assert!((all - 119.0 / 60.0).abs() < 0.02, "{all}");
}

/// Haversine on a sphere of the Earth's mean radius, 6371.0088 km (IUGG): within half a percent.
#[test]
fn feet_are_those_of_the_map() {
    for latitude in [0.0, 31.5, 39.7, 52.0, 64.0_f64] {
        let (north, east) = degree_ft(latitude);
        let sphere = 6_371_008.8 * std::f64::consts::PI / 180.0 / 0.3048;
        assert!((north / sphere - 1.0).abs() < 0.006, "{latitude}");
        let parallel = sphere * latitude.to_radians().cos();
        assert!((east / parallel - 1.0).abs() < 0.006, "{latitude}");
    }
}

#[test]
fn what_is_on_no_map_is_named() {
    let point = |at_s, latitude, longitude| TrackPoint {
        at_s,
        latitude,
        longitude,
    };
    let wrong = |points: &[TrackPoint]| on_ground(points).unwrap_err().field;
    assert_eq!(wrong(&[point(0.0, 91.0, 0.0)]), "/points/0/latitude");
    assert_eq!(wrong(&[point(0.0, f64::NAN, 0.0)]), "/points/0/latitude");
    assert_eq!(wrong(&[point(0.0, 9.0, 181.0)]), "/points/0/longitude");
    assert_eq!(
        wrong(&[point(5.0, 9.0, 1.0), point(4.0, 9.0, 1.0)]),
        "/points/1/at_s"
    );
    // Over the date line it is a step, not the way round the world.
    let over = on_ground(&[point(0.0, 0.0, 179.9999), point(1.0, 0.0, -179.9999)]).unwrap();
    assert!((over[1].ground.x - 0.0002 * degree_ft(0.0).1).abs() < 0.01);
    assert_eq!(on_ground(&[]).unwrap(), []);
}
