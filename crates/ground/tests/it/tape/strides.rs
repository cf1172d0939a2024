//! Strides by hand: beats at even distances, counted between marks.

use cavesson_ground::tape::strides::strides;
use cavesson_ground::tape::{Mark, TapeMark};
use proptest::prelude::*;

use super::{mark, run, tape};

/// A beat every half second from 2 s to 20 s.
fn beats() -> Vec<TapeMark> {
    (4..=40)
        .map(|beat| mark(f64::from(beat) / 2.0, Mark::HoofBeat))
        .collect()
}

fn near(found: Option<f64>, expected: f64) -> bool {
    found.is_some_and(|found| (found - expected).abs() < 1e-9)
}

#[test]
fn strides_of_the_parts_are_their_time_over_the_stride() {
    let mut marks = run();
    marks.extend(beats());
    let found = strides(&tape(marks));
    assert_eq!(found.beats, 37);
    assert!(near(found.stride_s, 0.5));
    for (part, expected) in [8.0, 6.0, 9.0, 11.5].into_iter().enumerate() {
        assert!(near(found.of_part[part], expected), "{:?}", found.of_part);
    }
    assert!(near(found.round_barrel[0], 2.5));
}

#[test]
fn nothing_is_counted_across_a_gap_or_outside_of_the_beats() {
    let mut marks = run();
    // Nobody marked from 7 to 10 s.
    marks.extend(
        beats()
            .into_iter()
            .filter(|one| !(7.0..10.0).contains(&one.at_s)),
    );
    let found = strides(&tape(marks));
    assert!(near(found.of_part[0], 8.0));
    assert_eq!(found.of_part[1], None, "into the gap");
    assert_eq!(found.of_part[2], None, "out of the gap");
    assert!(near(found.of_part[3], 11.5));
    let mut few = run();
    few.extend(beats().into_iter().take(2));
    assert_eq!(
        strides(&tape(few)).stride_s,
        None,
        "two beats say nothing of a rhythm"
    );
    assert_eq!(strides(&tape(run())).of_part, [None; 4]);
}

proptest! {
    /// Parts that meet add up: strides are counted once.
    #[test]
    fn parts_add_up_to_the_whole(offset in 0.0..0.5_f64, stride in 0.3..0.8_f64) {
        let mut marks = run();
        marks.extend((0..70).map(|beat| {
            mark(1.5 + offset + stride * f64::from(beat), Mark::HoofBeat)
        }).filter(|one| one.at_s < 59.0));
        let found = strides(&tape(marks));
        let sum: f64 = found.of_part.iter().map(|part| part.unwrap()).sum();
        prop_assert!((sum - 17.25 / stride).abs() < 1e-6, "{sum}");
    }
}
