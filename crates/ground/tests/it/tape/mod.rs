//! Films as marks: splits and strides against values worked out by hand, the way on the plan
//! against a camera whose place is known.

mod on_ground;
mod sheet;
mod strides;
mod times;

use cavesson_ground::tape::{Film, Mark, TapeMark, TapeSheet};

fn film() -> Film {
    Film {
        name: "from the rail.webm".to_owned(),
        length_s: 60.0,
        frame_s: 1.0 / 30.0,
        width_px: 1280.0,
        height_px: 720.0,
    }
}

fn mark(at_s: f64, mark: Mark) -> TapeMark {
    TapeMark {
        film: 0,
        at_s,
        mark,
    }
}

fn spot(at_s: f64, barrel: u8, spot: u8) -> TapeMark {
    mark(at_s, Mark::Spot { barrel, spot })
}

fn tape(marks: Vec<TapeMark>) -> TapeSheet {
    TapeSheet {
        name: "Tuesday, second run".to_owned(),
        day: "2026-05-05".parse().unwrap(),
        films: vec![film()],
        tie: None,
        marks,
        known: Vec::new(),
        track: Vec::new(),
        course_id: None,
        ride_id: None,
    }
}

/// A run: in at 2 s; backs at 6, 9 and 13.5 s; home at 19.25 s.
fn run() -> Vec<TapeMark> {
    vec![
        mark(2.0, Mark::LineIn),
        spot(5.5, 1, 1),
        spot(6.0, 1, 2),
        spot(6.75, 1, 3),
        spot(8.5, 2, 1),
        spot(9.0, 2, 2),
        spot(9.5, 2, 3),
        spot(13.0, 3, 1),
        spot(13.5, 3, 2),
        spot(14.0, 3, 3),
        mark(19.25, Mark::LineHome),
    ]
}
