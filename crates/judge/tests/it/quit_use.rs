//! What came of quitting on a good one, told from the record. Common practice, no source.

use cavesson_judge::ride::quit_use::quit_use;
use cavesson_reps::evidence::SoftCount;
use cavesson_reps::evidence::share::{difference, quantile};
use cavesson_reps::rep::{Give, Measure};
use cavesson_told::horse::Horse;
use cavesson_told::{BRACED, SOFT, day};

const FLEX: &str = "bend.flex/stand";

fn gives(answers: &[Give]) -> Vec<Measure> {
    answers.iter().copied().map(Measure::Give).collect()
}

#[test]
fn a_level_that_was_left_on_the_signal_is_told_from_one_that_went_on() {
    let horse = Horse::new()
        // The first good try of something new, and left there.
        .ride(FLEX, 0, &gives(&[BRACED, SOFT]))
        // Soft on both sides; three in a row, and on to a braced one.
        .ride(FLEX, 1, &gives(&[SOFT, SOFT, SOFT, BRACED]))
        // Braced on the first two; no good place.
        .ride(FLEX, 2, &gives(&[BRACED, BRACED, SOFT]))
        // Three in a row, both sides among them, and left there.
        .ride(FLEX, 3, &gives(&[BRACED, SOFT, SOFT, SOFT]));
    let found = quit_use(&horse.file(), day(0), day(3));
    assert_eq!(
        (found.taken, found.went_on),
        (1, 1),
        "the last ride has no next yet"
    );
    assert_eq!(found.after_taken, SoftCount { soft: 2, asked: 2 });
    assert_eq!(found.after_went_on, SoftCount { soft: 0, asked: 2 });
    let later = horse.ride(FLEX, 4, &gives(&[SOFT, BRACED]));
    let found = quit_use(&later.file(), day(0), day(4));
    assert_eq!(
        (found.taken, found.after_taken),
        (2, SoftCount { soft: 3, asked: 4 })
    );
    assert_eq!(
        quit_use(&later.file(), day(0), day(1)).taken,
        1,
        "nothing after the day counts"
    );
}

/// First asks of one day are alike: six levels of one ride say hardly more than one.
#[test]
fn many_levels_on_one_day_do_not_make_it_sure() {
    const LEVELS: [&str; 6] = [
        FLEX,
        "bend.ribs/walk",
        "frame.poll/walk",
        "frame.poll/jog",
        "start.brake/stand",
        "start.brake/walk",
    ];
    let mut horse = Horse::new();
    for level in LEVELS {
        // Quit on the first good try, and soft the next time; gone past it, and not.
        horse = horse
            .ride(level, 0, &gives(&[BRACED, SOFT]))
            .ride(level, 1, &gives(&[SOFT, SOFT, SOFT, BRACED]))
            .ride(level, 2, &gives(&[BRACED, BRACED]));
    }
    let found = quit_use(&horse.file(), day(0), day(2));
    assert!(found.after_taken.asked >= 6, "{found:?}");
    let by_days = found.difference.unwrap();
    let z = quantile(0.95, true);
    let by_asks = difference(found.after_taken, found.after_went_on, z).unwrap();
    assert!((by_days.difference - by_asks.difference).abs() < 1e-12);
    assert!(by_days.low < by_asks.low - 0.1, "{by_days:?} {by_asks:?}");
}

#[test]
fn tiring_is_no_good_place() {
    let tired = [
        SOFT, BRACED, SOFT, BRACED, SOFT, BRACED, BRACED, BRACED, BRACED, BRACED,
    ];
    let horse = Horse::new()
        .ride(FLEX, 0, &gives(&[BRACED, BRACED]))
        .ride(FLEX, 1, &gives(&tired))
        .ride(FLEX, 2, &gives(&[SOFT, SOFT]));
    assert_eq!(quit_use(&horse.file(), day(0), day(2)).taken, 0);
}
