//! The readiness filter, the learning test and the season's comparison against
//! general-purpose libraries: scipy 1.17.1 and statsmodels 0.15.0. The script
//! that printed the figures is `golden/readiness.py`; it solves the filter the
//! long way, in five unknowns.

use cavesson_base::Side;
use cavesson_reps::evidence::learning::upward;
use cavesson_reps::evidence::readiness::{DayEvidence, Readiness};
use cavesson_reps::evidence::{Ask, SoftCount, asks_in_order};
use cavesson_reps::horse::season;
use cavesson_reps::ladder::Ladder;
use jiff::civil::date;

fn asks(after: i64, sides: [(usize, usize); 2]) -> Vec<Ask> {
    let reps = cavesson_told::ride_of(after, sides[0], sides[1]);
    asks_in_order(&reps, cavesson_told::flex(), Ladder::shipped())
}

/// First ask soft or not, then so many soft of so many, on the left and right.
fn shown(sides: [(bool, usize, usize); 2]) -> DayEvidence {
    let mut shown = DayEvidence::default();
    for (side, (first, soft, asked)) in Side::EACH.into_iter().zip(sides) {
        shown.add(side, first, 0.0);
        (0..asked).for_each(|index| shown.add(side, index < soft, 0.0));
    }
    shown
}

fn close(found: f64, golden: f64, within: f64) {
    assert!((found - golden).abs() < within, "{found} {golden}");
}

/// $ python crates/reps/tests/golden/readiness.py
/// The mode is sought until a step is under 1e-4, so the figures agree to that.
#[test]
fn the_filter_equals_its_model_solved_the_long_way() {
    let mut readiness = Readiness::default();
    for (day, sides) in [
        (1, [(true, 2, 4), (false, 1, 3)]),
        (2, [(true, 4, 4), (true, 3, 4)]),
        (6, [(false, 4, 5), (true, 5, 5)]),
        (7, [(true, 4, 4), (true, 4, 5)]),
    ] {
        readiness.day(date(2026, 3, day), &shown(sides));
    }
    close(readiness.sure_above(Side::Left, 0.7), 0.702_084_3, 2e-4);
    close(readiness.sure_above(Side::Right, 0.7), 0.616_866_3, 2e-4);
    close(readiness.now(Side::Left), 0.763_307_0, 2e-4);
    close(readiness.now(Side::Right), 0.735_636_1, 2e-4);
    close(readiness.speed().0, 0.049_447_6, 2e-4);
}

#[test]
fn the_lower_bound_is_where_the_sureness_is_the_confidence() {
    let mut readiness = Readiness::default();
    readiness.day(date(2026, 3, 1), &shown([(true, 5, 6), (true, 2, 6)]));
    for side in Side::EACH {
        let low = readiness.low(side, 0.9);
        close(readiness.sure_above(side, low), 0.9, 1e-9);
    }
    assert!(readiness.low(Side::Left, 0.9) > readiness.low(Side::Right, 0.9));
}

#[test]
fn idle_days_make_the_filter_less_sure_and_change_nothing_else() {
    let after = |idle: i8| {
        let mut readiness = Readiness::default();
        for day in 1..=8 {
            readiness.day(date(2026, 3, day), &shown([(true, 6, 6), (true, 6, 6)]));
        }
        readiness.day(date(2026, 4, idle), &shown([(true, 1, 1), (true, 1, 1)]));
        readiness.sure_above(Side::Left, 0.8)
    };
    assert!(after(28) < after(8) && after(8) < after(1));
}

/// $ python crates/reps/tests/golden/readiness.py
#[test]
fn learning_equals_the_penalised_regression() {
    let rides = [
        [(1, 4), (0, 4)],
        [(2, 4), (1, 4)],
        [(2, 5), (2, 4)],
        [(4, 5), (2, 4)],
        [(4, 4), (3, 5)],
    ];
    let all: Vec<Ask> = (0..5)
        .flat_map(|ride| asks(ride as i64, rides[ride]))
        .collect();
    close(upward(&all, &Side::EACH), 0.954_644_4, 1e-6);
    close(upward(&[], &Side::EACH), 0.5, 1e-12);
}

/// Newcombe's interval for a difference of shares, 14 of 40 against 60 of 100: with one ask a
/// day there is nothing alike within a day.
/// $ python crates/reps/tests/golden/readiness.py
#[test]
fn in_season_against_out_of_season_is_newcombes_interval() {
    let days = |soft: usize, asked: usize| -> Vec<SoftCount> {
        let day = |at: usize| SoftCount {
            soft: u32::from(at < soft),
            asked: 1,
        };
        (0..asked).map(day).collect()
    };
    let share = season::compare(&days(14, 40), &days(60, 100)).unwrap();
    close(share.difference, -0.25, 1e-12);
    close(share.low, -0.407_353_6, 1e-7);
    close(share.high, -0.066_669_0, 1e-7);
    assert_eq!(season::compare(&[], &days(3, 4)), None);
}

/// A cycle of about 21 days, five to seven of them in season, spring to autumn:
/// veterinary handbooks, from memory.
#[test]
fn the_next_seasons_are_counted_on_from_the_last_that_was_seen() {
    let seen = [date(2026, 4, 12), date(2026, 4, 10), date(2026, 3, 20)];
    let expected = season::expected(&seen, season::CYCLE_DAYS, date(2026, 4, 20));
    let days: Vec<_> = expected
        .iter()
        .map(|season| (season.from, season.to))
        .collect();
    assert_eq!(
        days,
        [
            (date(2026, 5, 1), date(2026, 5, 6)),
            (date(2026, 5, 22), date(2026, 5, 27)),
        ]
    );
    assert!(season::expected(&[], season::CYCLE_DAYS, date(2026, 4, 20)).is_empty());
    assert!(
        season::expected(&[date(2026, 10, 25)], season::CYCLE_DAYS, date(2026, 11, 2)).is_empty(),
        "winter"
    );
}
