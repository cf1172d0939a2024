//! Slip alarm and trend against published worked examples and tables.

use cavesson_reps::evidence::slip::{cusum, ewma};
use cavesson_reps::evidence::trend::{Direction, trend};
use rstest::rstest;

/// NIST/SEMATECH e-Handbook of Statistical Methods, section 6.3.2.4, EWMA
/// control charts: target 50, s 2.0539, lambda 0.3, three standard deviations;
/// the printed averages and limits, from memory.
#[test]
fn ewma_equals_the_nist_example() {
    let values = [
        52.0, 47.0, 53.0, 49.3, 50.1, 47.0, 51.0, 50.1, 51.2, 50.5, 49.6, 47.6, 49.9, 51.3, 47.8,
        51.2, 52.6, 52.4, 53.6, 52.1,
    ];
    let printed = [
        50.60, 49.52, 50.56, 50.18, 50.16, 49.21, 49.75, 49.85, 50.26, 50.33, 50.11, 49.36, 49.52,
        50.05, 49.38, 49.92, 50.73, 51.23, 51.94, 51.99,
    ];
    let chart = ewma(&values, 50.0, 2.0539, 0.3, 3.0);
    for (found, printed) in chart.z.iter().zip(printed) {
        assert!((found - printed).abs() < 0.0051, "{found} {printed}");
    }
    assert!((chart.upper - 52.5884).abs() < 1e-4, "{}", chart.upper);
    assert!((chart.lower - 47.4115).abs() < 1e-4, "{}", chart.lower);
    assert_eq!(chart.alarm_at, None);
}

/// NIST/SEMATECH e-Handbook, section 6.3.2.3, CUSUM control charts: target 325,
/// k 0.3175, h 4.1959; the printed sums, from memory. The first alarm is at the
/// fourteenth group.
#[test]
fn cusum_equals_the_nist_example() {
    let values = [
        324.925, 324.675, 324.725, 324.350, 325.350, 325.225, 324.125, 324.525, 325.225, 324.600,
        324.625, 325.150, 328.325, 327.250, 327.825, 328.500, 326.675, 327.775, 326.875, 328.350,
    ];
    let high = [
        0.0, 0.0, 0.0, 0.0, 0.03, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 3.01, 4.94, 7.45, 10.63,
        11.99, 14.44, 16.00, 19.04,
    ];
    let low = [
        0.0, 0.01, 0.0, 0.33, 0.0, 0.0, 0.56, 0.72, 0.17, 0.25, 0.31, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0,
        0.0, 0.0, 0.0,
    ];
    let sums = cusum(&values, 325.0, 0.3175, 4.1959);
    for index in 0..20 {
        assert!(
            (sums.high[index] - high[index]).abs() < 0.0076,
            "{index} {:?}",
            sums.high
        );
        assert!(
            (sums.low[index] - low[index]).abs() < 0.0076,
            "{index} {:?}",
            sums.low
        );
    }
    assert_eq!(sums.alarm_at, Some(13));
}

/// An order of n values with a given S: rising, with the first values swapped down.
fn order_with_s(n: usize, s: i64) -> Vec<f64> {
    let mut inversions = ((n * (n - 1) / 2) as i64 - s) / 2;
    let mut left: Vec<usize> = (0..n).collect();
    let mut order = Vec::new();
    while !left.is_empty() {
        let take = usize::try_from(inversions.min(left.len() as i64 - 1)).unwrap();
        inversions -= take as i64;
        order.push(left.remove(take) as f64);
    }
    order
}

/// Upper-tail probabilities of Kendall's S as his small-sample table prints them
/// (Kendall, Rank Correlation Methods, Appendix Table 1; also Gilbert,
/// Statistical Methods for Environmental Pollution Monitoring, Table A18); from
/// memory. The two-sided p is twice the tail.
#[rstest]
#[case(4, 4, 0.167)]
#[case(4, 6, 0.042)]
#[case(5, 6, 0.117)]
#[case(5, 8, 0.042)]
#[case(5, 10, 0.0083)]
#[case(8, 12, 0.089)]
#[case(8, 14, 0.054)]
#[case(8, 18, 0.016)]
#[case(9, 18, 0.038)]
#[case(9, 20, 0.022)]
#[case(10, 21, 0.036)]
#[case(10, 23, 0.023)]
fn mann_kendall_equals_kendalls_table(#[case] n: usize, #[case] s: i64, #[case] tail: f64) {
    let days: Vec<f64> = (0..n).map(|day| day as f64).collect();
    let found = trend(&days, &order_with_s(n, s));
    let pairs = (n * (n - 1) / 2) as f64;
    assert!((found.tau.unwrap() - s as f64 / pairs).abs() < 1e-12);
    let half = found.p.unwrap() / 2.0;
    let digits = if tail < 0.01 { 5e-5 } else { 5e-4 };
    assert!((half - tail).abs() <= digits + 1e-9, "{half} {tail}");
}

/// Golden values by Python's scipy 1.17.1: `scipy.stats.theilslopes(y, x)`,
/// `scipy.stats.kendalltau(x, y, method='exact')` on x = [1, 2, 4, 7, 8, 11, 12],
/// y = [0.4, 0.35, 0.5, 0.62, 0.58, 0.71, 0.8].
#[test]
fn slope_tau_and_p_equal_scipy() {
    let days = [1.0, 2.0, 4.0, 7.0, 8.0, 11.0, 12.0];
    let found = trend(&days, &[0.4, 0.35, 0.5, 0.62, 0.58, 0.71, 0.8]);
    assert!((found.slope_per_day.unwrap() - SLOPE).abs() < 1e-12);
    assert!((found.tau.unwrap() - TAU).abs() < 1e-12);
    assert!((found.p.unwrap() - P).abs() < 1e-12);
    assert_eq!(found.direction, Direction::Improving);
}

const SLOPE: f64 = 0.03666666666666666;
const TAU: f64 = 0.8095238095238096;
const P: f64 = 0.010714285714285714;

#[rstest]
#[case::three_days(&[0.2, 0.5, 0.9], Direction::TooFewDays)]
#[case::four_rising(&[0.2, 0.5, 0.7, 0.9], Direction::Improving)]
#[case::four_falling(&[0.9, 0.7, 0.5, 0.2], Direction::Slipping)]
#[case::up_and_down(&[0.5, 0.7, 0.4, 0.6, 0.5], Direction::Level)]
#[case::all_the_same(&[0.5, 0.5, 0.5, 0.5, 0.5], Direction::Level)]
#[case::nothing(&[], Direction::TooFewDays)]
fn what_the_days_say(#[case] values: &[f64], #[case] direction: Direction) {
    let days: Vec<f64> = (0..values.len()).map(|day| day as f64).collect();
    assert_eq!(trend(&days, values).direction, direction);
}
