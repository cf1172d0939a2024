//! Files: GPX (Topografix GPX 1.1 schema), a gauge's trace as CSV (RFC 4180). Whatever is in them,
//! nothing panics.

use cavesson_files::exchange::{gauge, gpx};
use proptest::prelude::*;

const HEAD: &str = r#"<?xml version="1.0" encoding="UTF-8"?>
<gpx version="1.1" creator="a watch" xmlns="http://www.topografix.com/GPX/1/1">"#;

fn point(latitude: f64, longitude: f64, time: &str) -> String {
    format!(
        r#"<trkpt lat="{latitude}" lon="{longitude}"><ele>1600.5</ele><time>{time}</time></trkpt>"#
    )
}

#[test]
fn points_of_all_segments_with_seconds_from_the_first() {
    let text = format!(
        "{HEAD}<metadata><time>2026-05-04T12:00:00Z</time></metadata><wpt lat=\"1\" lon=\"2\"></wpt>\
         <trk><name>Ride</name><trkseg>{}{}</trkseg><trkseg>{}</trkseg></trk></gpx>",
        point(39.7, -104.9, "2026-05-04T13:00:00Z"),
        point(39.7001, -104.9, "2026-05-04T13:00:01.500Z"),
        point(39.7002, -104.9, "2026-05-04T07:01:00-06:00"),
    );
    let read = gpx::read("/gpx", &text).unwrap();
    assert_eq!(read.began_at.to_string(), "2026-05-04T13:00:00Z");
    let seconds: Vec<f64> = read.points.iter().map(|point| point.at_s).collect();
    assert_eq!(
        seconds,
        [0.0, 1.5, 60.0],
        "a zone of its own is the same moment"
    );
    assert_eq!(read.points[1].latitude, 39.7001);
    assert_eq!(read.points[1].longitude, -104.9);
}

#[test]
fn what_is_no_track_says_so() {
    let said = |text: &str| gpx::read("/gpx", text).unwrap_err().detail;
    assert!(said("").contains("cannot be read as GPX"));
    assert!(said("t,left,right").contains("cannot be read as GPX"));
    assert!(said(&format!("{HEAD}</gpx>")).contains("holds no track"));
    let untimed =
        format!("{HEAD}<trk><trkseg><trkpt lat=\"1\" lon=\"2\"></trkpt></trkseg></trk></gpx>");
    assert_eq!(said(&untimed), "point 1 of the track has no time");
    let cut_off = format!(
        "{HEAD}<trk><trkseg>{}",
        point(1.0, 2.0, "2026-05-04T13:00:00Z")
    );
    assert!(said(&cut_off).contains("cannot be read as GPX"));
}

#[test]
fn a_trace_with_and_without_a_head_and_as_other_lands_write_it() {
    let rows = [(0.0, 3.1, 2.9), (0.02, 3.2, 2.8)];
    for text in [
        "0,3.1,2.9\n0.02,3.2,2.8",
        "t,left,right\r\n0,3.1,2.9\r\n0.02,3.2,2.8\r\n",
        "\u{FEFF}right;left;time\n2,9;3,1;0\n2,8;3,2;0,02",
        "\"t_s\"\t\"left_n\"\t\"right_n\"\n0\t3.1\t2.9\n\n0.02\t3.2\t2.8",
    ] {
        let read = gauge::read("/csv", text).unwrap();
        let found: Vec<_> = read
            .iter()
            .map(|one| (one.at_s, one.left_n, one.right_n))
            .collect();
        assert_eq!(found, rows, "{text}");
    }
}

#[test]
fn a_cell_that_is_no_number_is_named_by_its_line() {
    let said = |text: &str| gauge::read("/csv", text).unwrap_err().detail;
    assert_eq!(
        said("t,left,right\n0,1,2\n1,x,2"),
        "line 3: the left rein must be a number, found \"x\""
    );
    assert_eq!(
        said("0,1,2\n1,2"),
        "line 2: the right rein must be a number, found \"\""
    );
    assert_eq!(said("t,left\n0,1"), "line 1: no column is called right");
    assert_eq!(gauge::read("/csv", "").unwrap(), []);
}

proptest! {
    #[test]
    fn no_text_panics(text in "\\PC{0,400}", cut in 0..400_usize) {
        let _ = gpx::read("/gpx", &text);
        let _ = gauge::read("/csv", &text);
        let whole = format!("{HEAD}<trk><trkseg>{}</trkseg></trk></gpx>", point(1.0, 2.0, &text));
        let part: String = whole.chars().take(cut).collect();
        let _ = gpx::read("/gpx", &part);
        let _ = gpx::read("/gpx", &whole);
    }
}
