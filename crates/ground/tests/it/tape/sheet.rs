//! What may be kept of a tape, and what is said of the rest.

use cavesson_ground::ground::point::at;
use cavesson_ground::tape::{KnownPoint, Mark, TapeSheet, Tie, TrackPoint};

use super::{mark, run, spot, tape};

/// Makes one thing of a sheet wrong.
type Change = fn(&mut TapeSheet);

fn refused(change: impl FnOnce(&mut TapeSheet)) -> String {
    let mut sheet = tape(run());
    assert_eq!(sheet.check(), Ok(()));
    change(&mut sheet);
    let why = sheet.check().unwrap_err();
    format!("{}: {}", why.field, why.detail)
}

#[test]
fn each_field_that_does_not_fit_is_named() {
    let cases: [(&str, Change); 12] = [
        ("/name: ", |sheet| sheet.name.clear()),
        ("/films: ", |sheet| sheet.films.clear()),
        ("/films/0/length_s: ", |sheet| sheet.films[0].length_s = 0.0),
        ("/films/0/frame_s: ", |sheet| {
            sheet.films[0].frame_s = f64::NAN
        }),
        ("/films/0/width_px: ", |sheet| sheet.films[0].width_px = 3.0),
        ("/tie: ", |sheet| {
            sheet.tie = Some(Tie {
                first_s: 1.0,
                second_s: 1.0,
            });
        }),
        ("/marks/0/film: must be 0 to 0, found 1", |sheet| {
            sheet.marks[0].film = 1
        }),
        ("/marks/0/at_s: must lie in the film", |sheet| {
            sheet.marks[0].at_s = 61.0
        }),
        ("/marks/11/mark: is marked twice", |sheet| {
            sheet.marks.push(spot(3.0, 1, 2))
        }),
        ("/marks/11/mark/barrel: must be 1 to 3, found 4", |sheet| {
            sheet.marks.push(spot(3.0, 4, 2));
        }),
        ("/known/0/seen/0: ", |sheet| {
            let (seen, ground) = (at(f64::INFINITY, 0.0), at(0.0, 0.0));
            sheet.known.push(KnownPoint {
                film: 0,
                name: "post".to_owned(),
                seen,
                ground,
            });
        }),
        ("/track/0/at_s: ", |sheet| {
            sheet.track.push(TrackPoint {
                film: 0,
                at_s: -1.0,
                seen: at(0.0, 0.0),
            });
        }),
    ];
    for (expected, change) in cases {
        let said = refused(change);
        assert!(said.starts_with(expected), "{said} for {expected}");
    }
}

#[test]
fn beats_and_turns_may_be_marked_as_often_as_they_come() {
    let mut sheet = tape(run());
    for at_s in [1.0, 2.0, 3.0] {
        sheet.marks.push(mark(at_s, Mark::HoofBeat));
        sheet.marks.push(mark(at_s, Mark::TurnIn));
    }
    assert_eq!(sheet.check(), Ok(()));
}

#[test]
fn a_sheet_comes_back_as_it_was_written() {
    let mut sheet = tape(run());
    sheet.track.push(TrackPoint {
        film: 0,
        at_s: 1.0,
        seen: at(3.0, 4.0),
    });
    let text = serde_json::to_string(&sheet).unwrap();
    assert!(
        text.contains(r#""mark":{"kind":"spot","barrel":1,"spot":1}"#),
        "{text}"
    );
    assert_eq!(serde_json::from_str::<TapeSheet>(&text).unwrap(), sheet);
    assert!(
        serde_json::from_str::<TapeSheet>(&text.replace("\"tie\"", "\"tied\"")).is_err(),
        "a field that is not known"
    );
}
