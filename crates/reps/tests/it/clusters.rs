//! Asks of one day are alike: intervals that count asks as if each were its own call chance
//! "very likely real" far too often. Checked by horses that are the same in season and out of
//! it, left and right, whose days swing as the bench's strong days do.

use cavesson_reps::evidence::SoftCount;
use cavesson_reps::evidence::share::{difference, difference_of_days, quantile};
use cavesson_reps::horse::season;
use jiff::civil::{Date, date};
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, Normal};
use rstest::rstest;

/// Days of a horse at 0.8 whose days swing with `sd` on the logit scale.
fn days(count: usize, asks: u32, sd: f64, rng: &mut ChaCha8Rng) -> Vec<SoftCount> {
    let swing = Normal::new(0.0, sd).unwrap();
    let day = |rng: &mut ChaCha8Rng| {
        let chance = 1.0 / (1.0 + (-(1.386 + swing.sample(rng))).exp());
        let soft = (0..asks).filter(|_| rng.random_bool(chance)).count() as u32;
        SoftCount { soft, asked: asks }
    };
    (0..count).map(|_| day(rng)).collect()
}

/// Of 1,000 mares that answer alike in season and out of it, those told to differ.
fn told_apart(sd: f64, by_days: bool) -> f64 {
    let mut rng = ChaCha8Rng::seed_from_u64(41);
    let mares = 1_000;
    let apart = (0..mares)
        .filter(|_| {
            let inside = days(15, 20, sd, &mut rng);
            let outside = days(60, 20, sd, &mut rng);
            let found = if by_days {
                let found = season::compare(&inside, &outside).unwrap();
                (found.low, found.high)
            } else {
                let (inside, outside) = (SoftCount::sum(&inside), SoftCount::sum(&outside));
                let found = difference(inside, outside, quantile(0.95, true)).unwrap();
                (found.low, found.high)
            };
            found.0 > 0.0 || found.1 < 0.0
        })
        .count();
    apart as f64 / f64::from(mares)
}

#[test]
fn days_that_swing_make_no_season() {
    // What is told 95 % sure is wrong in 5 of 100; every ask for itself, in 40 and more.
    assert!(told_apart(1.0, false) > 0.3);
    for sd in [0.0, 0.5, 1.0] {
        let wrong = told_apart(sd, true);
        assert!(wrong <= 0.09, "sd {sd}: {wrong}");
    }
}

#[test]
fn a_true_difference_is_still_told() {
    let mut rng = ChaCha8Rng::seed_from_u64(42);
    let inside: Vec<SoftCount> = (0..12)
        .map(|_| SoftCount {
            soft: rng.random_range(8..=12),
            asked: 20,
        })
        .collect();
    let outside = days(60, 20, 0.5, &mut rng);
    let found = season::compare(&inside, &outside).unwrap();
    assert!(found.high < -0.1, "{found:?}");
    assert_eq!(found.in_season, SoftCount::sum(&inside));
}

/// One ask a day: nothing is alike within a day, and the two intervals are one.
#[test]
fn with_one_ask_a_day_days_are_asks() {
    let mut rng = ChaCha8Rng::seed_from_u64(43);
    let (one, other) = (days(30, 1, 0.0, &mut rng), days(40, 1, 0.0, &mut rng));
    let z = quantile(0.95, true);
    let by_days = difference_of_days(&one, &other, 0.05, z).unwrap();
    let by_asks = difference(SoftCount::sum(&one), SoftCount::sum(&other), z).unwrap();
    assert!(
        (by_days.low - by_asks.low).abs() < 1e-9,
        "{by_days:?} {by_asks:?}"
    );
    assert!((by_days.high - by_asks.high).abs() < 1e-9);
}

/// Both the horse page and what comes again read one reckoning of the season's next days.
#[rstest]
#[case(&[date(2026, 4, 3)], 21, date(2026, 4, 10), date(2026, 4, 24))]
#[case(&[date(2026, 4, 3), date(2026, 4, 5), date(2026, 4, 7)], 21, date(2026, 4, 10), date(2026, 4, 24))]
#[case(&[date(2026, 4, 3)], 18, date(2026, 5, 1), date(2026, 5, 9))]
#[case(&[date(2026, 4, 3)], 21, date(2026, 4, 24), date(2026, 4, 24))]
fn the_next_season_is_counted_from_the_last_that_was_seen(
    #[case] seen: &[Date],
    #[case] cycle: i64,
    #[case] on: Date,
    #[case] comes: Date,
) {
    assert_eq!(season::next(seen, cycle, on), Some(comes));
    assert_eq!(season::next(&[], cycle, on), None);
    let page = season::expected(seen, cycle, on);
    assert!(page.iter().any(|days| days.from == comes), "{page:?}");
}
