//! Timing eyes: lines, runs, and what goes wrong at a line.

use cavesson_files::device::line::BadLine;
use cavesson_files::device::timer::{EyeEvent, EyeFault, EyeLine, EyeSaid, Eyes};
use proptest::prelude::*;

fn line(number: u32, event: EyeEvent, at_ms: u64) -> EyeLine {
    EyeLine {
        number,
        event,
        at_ms,
    }
}

/// The sum by hand: the bytes of "17 start 4512318" add up to 951, that is 183 and three times
/// 256: b7.
#[test]
fn a_line_is_written_with_its_sum() {
    let text = "17 start 4512318";
    let by_hand = text.bytes().map(u32::from).sum::<u32>() % 256;
    let written = line(17, EyeEvent::Start, 4_512_318).written();
    assert_eq!(written, format!("{text} {by_hand:02x}"));
    assert_eq!(
        EyeLine::read(&written).unwrap(),
        line(17, EyeEvent::Start, 4_512_318)
    );
}

#[test]
fn a_broken_line_says_what_is_wrong_with_it() {
    assert_eq!(EyeLine::read(""), Err(BadLine::Words));
    assert_eq!(EyeLine::read("1 start 00"), Err(BadLine::Words));
    assert!(matches!(
        EyeLine::read("1 start 500 00"),
        Err(BadLine::Sum { .. })
    ));
    let good = line(1, EyeEvent::Finish, 9).written();
    let broken = good.replace('9', "8");
    assert!(matches!(EyeLine::read(&broken), Err(BadLine::Sum { .. })));
    let other = "1 sneeze 500";
    let sum = other.bytes().fold(0_u8, u8::wrapping_add);
    let error = EyeLine::read(&format!("{other} {sum:02x}")).unwrap_err();
    assert_eq!(error.to_string(), "\"sneeze\" is no event");
}

fn said(lines: &[(u32, EyeEvent, u64)]) -> Vec<EyeSaid> {
    let mut eyes = Eyes::default();
    let taken = lines
        .iter()
        .map(|(number, event, at_ms)| eyes.take(line(*number, *event, *at_ms)));
    taken.collect()
}

#[test]
fn a_start_and_a_finish_are_a_run_to_the_thousandth() {
    let said = said(&[
        (1, EyeEvent::Ready, 0),
        (2, EyeEvent::Start, 1_000),
        (3, EyeEvent::Finish, 18_234),
    ]);
    assert_eq!(said[0], EyeSaid::Nothing);
    assert_eq!(said[1], EyeSaid::UnderWay);
    let EyeSaid::Timed(run) = &said[2] else {
        panic!("{said:?}")
    };
    assert_eq!(run.time_s, 17.234);
    assert!(run.faults.is_empty());
}

#[test]
fn a_double_trigger_is_left_out_and_said() {
    let said = said(&[
        (1, EyeEvent::Start, 1_000),
        (2, EyeEvent::Start, 1_040),
        (3, EyeEvent::Finish, 18_000),
        (4, EyeEvent::Finish, 18_050),
    ]);
    assert_eq!(said[1], EyeSaid::Fault(EyeFault::DoubleTrigger));
    let EyeSaid::Timed(run) = &said[2] else {
        panic!("{said:?}")
    };
    assert_eq!(
        (run.time_s, &run.faults[..]),
        (17.0, &[EyeFault::DoubleTrigger][..])
    );
    assert_eq!(said[3], EyeSaid::Fault(EyeFault::DoubleTrigger));
}

#[test]
fn faults_at_the_line_never_make_a_time() {
    assert_eq!(
        said(&[(1, EyeEvent::Finish, 5_000)]),
        [EyeSaid::Fault(EyeFault::NoStart)]
    );
    let again = said(&[
        (1, EyeEvent::Start, 0),
        (2, EyeEvent::Start, 40_000),
        (3, EyeEvent::Finish, 58_000),
    ]);
    assert_eq!(again[1], EyeSaid::Fault(EyeFault::StartedAgain));
    assert!(matches!(&again[2], EyeSaid::Timed(run) if run.time_s == 18.0));
    let soon = said(&[
        (1, EyeEvent::Start, 0),
        (2, EyeEvent::Finish, 3_000),
        (3, EyeEvent::Finish, 17_500),
    ]);
    assert_eq!(soon[1], EyeSaid::Fault(EyeFault::TooSoon));
    let EyeSaid::Timed(run) = &soon[2] else {
        panic!("{soon:?}")
    };
    assert_eq!(
        (run.time_s, &run.faults[..]),
        (17.5, &[EyeFault::TooSoon][..])
    );
    let late = said(&[(1, EyeEvent::Start, 0), (2, EyeEvent::Finish, 2_000_000)]);
    assert_eq!(late[1], EyeSaid::Fault(EyeFault::TooLate));
}

#[test]
fn lines_that_are_missing_are_said_with_the_run() {
    let said = said(&[(1, EyeEvent::Start, 0), (5, EyeEvent::Finish, 18_000)]);
    let EyeSaid::Timed(run) = &said[1] else {
        panic!("{said:?}")
    };
    assert_eq!(run.faults, [EyeFault::LinesMissing]);
}

proptest! {
    #[test]
    fn whatever_comes_down_the_line_nothing_panics(
        text in ".{0,60}",
        lines in proptest::collection::vec((any::<u32>(), 0..3_usize, any::<u64>()), 0..40),
    ) {
        let _ = EyeLine::read(&text);
        let events = [EyeEvent::Start, EyeEvent::Finish, EyeEvent::Ready];
        let mut eyes = Eyes::default();
        for (number, event, at_ms) in lines {
            let line = line(number, events[event], at_ms);
            prop_assert_eq!(EyeLine::read(&line.written()).unwrap(), line);
            if let EyeSaid::Timed(run) = eyes.take(line) {
                prop_assert!((5.0..=1800.0).contains(&run.time_s));
            }
        }
    }
}
