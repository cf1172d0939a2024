//! The lay of a place as GeoJSON.

use cavesson_base::footing::Footing;
use cavesson_files::exchange::geojson::{read, written};
use cavesson_ground::ground::lay::{FenceKind, Gate, KeepOff, KeepOffKind, OnEarth};
use cavesson_ground::ground::point::{Point, at};
use cavesson_ground::ground::{GroundLay, Post};
use serde_json::{Value, json};

fn lay(on_earth: Option<OnEarth>) -> GroundLay {
    GroundLay {
        outline: vec![
            at(0.0, 0.0),
            at(130.0, 0.0),
            at(130.0, 240.0),
            at(0.0, 240.0),
        ],
        fence: FenceKind::Boards,
        footing: Footing::Rutted,
        gate: Some(Gate {
            at: at(65.0, 0.0),
            width_ft: 14.0,
        }),
        posts: vec![Post {
            name: "gate post".to_owned(),
            at: at(58.0, 0.0),
        }],
        keep_off: vec![KeepOff {
            kind: KeepOffKind::Jumps,
            outline: vec![at(20.0, 20.0), at(40.0, 20.0), at(30.0, 44.0)],
        }],
        on_earth,
    }
}

fn close(one: &[Point], other: &[Point]) {
    assert_eq!(one.len(), other.len());
    for (a, b) in one.iter().zip(other) {
        assert!(a.to(*b) < 1e-6, "{a:?} {b:?}");
    }
}

#[test]
fn in_meters_of_its_own_frame_it_comes_back_whole() {
    let before = lay(None);
    let text = written(&before);
    let value: Value = serde_json::from_str(&text).unwrap();
    assert_eq!(value["frame"], "local_m");
    // 130 ft are 39.624 m exactly.
    assert_eq!(
        value["features"][0]["geometry"]["coordinates"][0][1],
        json!([39.624, 0.0])
    );
    let after = read(&text).unwrap();
    close(&after.outline, &before.outline);
    close(&after.keep_off[0].outline, &before.keep_off[0].outline);
    assert_eq!(after.keep_off[0].kind, KeepOffKind::Jumps);
    assert_eq!(
        (after.fence, after.footing),
        (FenceKind::Boards, Footing::Rutted)
    );
    assert!((after.gate.unwrap().width_ft - 14.0).abs() < 1e-9);
    assert_eq!(after.posts[0].name, "gate post");
}

#[test]
fn on_the_earth_it_is_in_degrees_and_as_large_as_before() {
    let earth = OnEarth {
        longitude_deg: -105.3,
        latitude_deg: 40.2,
    };
    let text = written(&lay(Some(earth)));
    let value: Value = serde_json::from_str(&text).unwrap();
    assert!(value.get("frame").is_none());
    let first = &value["features"][0]["geometry"]["coordinates"][0][0];
    assert_eq!(first, &json!([-105.3, 40.2]));
    let after = read(&text).unwrap();
    close(&after.outline, &lay(None).outline);
}

/// RFC 7946, 3.1.6: a ring is closed, the outer one counterclockwise.
#[test]
fn rings_are_closed_and_run_counterclockwise() {
    let mut clockwise = lay(None);
    clockwise.outline.reverse();
    let value: Value = serde_json::from_str(&written(&clockwise)).unwrap();
    let ring = value["features"][0]["geometry"]["coordinates"][0]
        .as_array()
        .unwrap();
    assert_eq!(ring.first(), ring.last());
    let number = |index: usize, axis: usize| ring[index][axis].as_f64().unwrap();
    let twice: f64 = (1..ring.len())
        .map(|i| number(i - 1, 0) * number(i, 1) - number(i, 0) * number(i - 1, 1))
        .sum();
    assert!(twice > 0.0);
}

/// An eighth of a minute of latitude, by the mean radius: 231.65 m or 760.0 ft (1 degree is
/// 111.195 km, any handbook of navigation).
#[test]
fn degrees_are_turned_into_feet_as_handbooks_say() {
    let side = 0.125 / 60.0;
    let square = json!({"type": "Polygon", "coordinates": [[
        [0.0, 0.0], [side, 0.0], [side, side], [0.0, side], [0.0, 0.0]]]});
    let read = read(&square.to_string()).unwrap();
    let feet = read.outline[0].to(read.outline[1]);
    assert!((feet - 760.0).abs() < 0.2, "{feet}");
}

#[test]
fn what_is_no_place_is_refused_with_what_is_missing() {
    let cases = [
        ("{", "no GeoJSON"),
        (
            r#"{"type":"FeatureCollection","features":[]}"#,
            "no polygon",
        ),
        (
            r#"{"type":"Polygon","coordinates":[[[500000,4400000],[500100,4400000],[500000,4400100],[500000,4400000]]]}"#,
            "degrees",
        ),
        (
            r#"{"type":"LineString","coordinates":[[0,0],[1,1]]}"#,
            "no polygon",
        ),
        (
            r#"{"type":"Polygon","coordinates":[[[0,0],[0.001,0.001],[0.001,0],[0,0.001],[0,0]]]}"#,
            "cross",
        ),
        (r#"{"type":"Polygon","coordinates":[]}"#, "no polygon"),
        (
            r#"{"type":"Polygon","coordinates":[[[0,0],[0,0.5],[0.5,0]]]}"#,
            "-3000 to 3000",
        ),
    ];
    for (text, says) in cases {
        let error = read(text).unwrap_err();
        assert!(error.detail.contains(says), "{text}: {}", error.detail);
    }
}
