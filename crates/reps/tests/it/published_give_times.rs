//! Times to give against a published survival analysis.

use cavesson_reps::evidence::give_time::{curve, log_rank, median_s, restricted_mean_s};
use cavesson_reps::rep::TimeToGive;

/// Weeks of remission, Freireich et al., Blood 21 (1963) 699-716, as printed in
/// Kalbfleisch and Prentice, The Statistical Analysis of Failure Time Data, and
/// Collett, Modelling Survival Data in Medical Research. A minus marks a
/// censored time. Quoted from memory.
const TREATED: [i32; 21] = [
    6, 6, 6, -6, 7, -9, 10, -10, -11, 13, 16, -17, -19, -20, 22, 23, -25, -32, -32, -34, -35,
];
const PLACEBO: [i32; 21] = [
    1, 1, 2, 2, 3, 4, 4, 5, 5, 8, 8, 8, 8, 11, 11, 12, 12, 15, 17, 22, 23,
];

fn times(weeks: &[i32]) -> Vec<TimeToGive> {
    weeks
        .iter()
        .map(|week| TimeToGive {
            seconds: f64::from(week.abs()),
            gave: *week > 0,
        })
        .collect()
}

#[test]
fn medians_equal_freireich() {
    assert_eq!(median_s(&times(&TREATED)), Some(23.0));
    assert_eq!(median_s(&times(&PLACEBO)), Some(8.0));
}

/// The published log-rank chi-square is 16.79 on one degree of freedom.
#[test]
fn log_rank_equals_freireich() {
    let test = log_rank(&times(&TREATED), &times(&PLACEBO)).unwrap();
    assert!((test.chi2 - 16.793).abs() < 5e-4, "{test:?}");
    assert!((test.p - 4.17e-5).abs() < 1e-7, "{test:?}");
}

/// The curve of the treated group as textbooks print it: 0.857, 0.807, 0.753,
/// 0.690, 0.627, 0.538, 0.448.
#[test]
fn curve_equals_the_textbooks() {
    let still: Vec<f64> = curve(&times(&TREATED))
        .iter()
        .map(|step| (step.still * 1e3).round() / 1e3)
        .collect();
    assert_eq!(still, [0.857, 0.807, 0.753, 0.690, 0.627, 0.538, 0.448]);
}

/// The placebo group has no censoring, so its restricted mean up to the last
/// time is the plain mean, 182 / 21 weeks.
#[test]
fn restricted_mean_without_censoring_is_the_mean() {
    let mean = restricted_mean_s(&times(&PLACEBO), 23.0).unwrap();
    assert!((mean - 182.0 / 21.0).abs() < 1e-12);
}

/// Golden values by Python's lifelines 0.30.3:
/// `restricted_mean_survival_time(KaplanMeierFitter().fit(T, E), t=30)` on the
/// treated group; and on ten asks a side of our own, `median_survival_time_`,
/// the same restricted mean with t=6.0, and `logrank_test(L, R, LE, RE)`.
#[test]
fn figures_equal_lifelines() {
    let treated = restricted_mean_s(&times(&TREATED), 30.0).unwrap();
    assert!((treated - 21.04649859943977).abs() < 1e-9);
    let asks = |seconds: [f64; 10], gave: [u8; 10]| {
        seconds
            .iter()
            .zip(gave)
            .map(|(s, g)| TimeToGive {
                seconds: *s,
                gave: g == 1,
            })
            .collect::<Vec<_>>()
    };
    let left = asks(
        [1.2, 0.8, 2.4, 6.0, 1.1, 3.3, 5.0, 0.9, 1.7, 2.2],
        [1, 1, 1, 0, 1, 1, 0, 1, 1, 1],
    );
    let right = asks(
        [2.2, 4.8, 2.4, 6.0, 3.1, 3.3, 5.0, 1.9, 1.7, 5.5],
        [1, 0, 1, 0, 1, 1, 0, 1, 1, 0],
    );
    assert_eq!((median_s(&left), median_s(&right)), (Some(1.7), Some(3.1)));
    assert!((restricted_mean_s(&left, 6.0).unwrap() - 2.56).abs() < 1e-9);
    assert!((restricted_mean_s(&right, 6.0).unwrap() - 3.86).abs() < 1e-9);
    let test = log_rank(&left, &right).unwrap();
    assert!((test.chi2 - 1.9699490285049568).abs() < 1e-9);
    assert!((test.p - 0.16045327240507307).abs() < 1e-9);
}

#[test]
fn an_unanswered_ask_is_neither_dropped_nor_a_give() {
    let gave = |seconds| TimeToGive {
        seconds,
        gave: true,
    };
    let waited = |seconds| TimeToGive {
        seconds,
        gave: false,
    };
    let asks = [gave(1.0), gave(1.0), waited(5.0), waited(5.0)];
    assert_eq!(restricted_mean_s(&asks, 6.0), Some(0.5 * 1.0 + 0.5 * 6.0));
    assert_eq!(median_s(&asks), Some(1.0));
    assert_eq!(median_s(&asks[1..]), None);
}

#[test]
fn nothing_to_compare_is_no_test() {
    let waited = [TimeToGive {
        seconds: 5.0,
        gave: false,
    }];
    assert!(log_rank(&waited, &waited).is_none());
    assert!(log_rank(&[], &waited).is_none());
    assert_eq!(restricted_mean_s(&[], 6.0), None);
}
