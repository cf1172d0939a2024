//! Soft-share bounds against published figures.

use cavesson_reps::evidence::SoftCount;
use cavesson_reps::evidence::share::{icc, quantile, share_of_days, wilson};
use rstest::rstest;

/// Newcombe RG. Two-sided confidence intervals for the single proportion:
/// comparison of seven methods. Statistics in Medicine 17 (1998) 857-872,
/// Table I, method 3 (Wilson's score interval without continuity correction),
/// 95 %. The printed digits are quoted from memory; the formula is Wilson 1927.
#[rstest]
#[case(81, 263, 0.2553, 0.3662)]
#[case(15, 148, 0.0624, 0.1605)]
#[case(0, 20, 0.0000, 0.1611)]
#[case(1, 29, 0.0061, 0.1718)]
fn wilson_bounds_equal_newcombe_table_1(
    #[case] soft: u32,
    #[case] asked: u32,
    #[case] low: f64,
    #[case] high: f64,
) {
    let bounds = wilson(
        f64::from(soft) / f64::from(asked),
        f64::from(asked),
        quantile(0.95, true),
    );
    let printed = |bound: f64| (bound * 1e4).round() / 1e4;
    assert_eq!((printed(bounds.low), printed(bounds.high)), (low, high));
}

/// Standard normal quantiles as every handbook's table prints them, such as the
/// NIST/SEMATECH e-Handbook of Statistical Methods, section 1.3.6.7.1.
#[rstest]
#[case(0.95, true, 1.95996)]
#[case(0.90, false, 1.28155)]
#[case(0.99, true, 2.57583)]
fn quantiles_equal_the_normal_table(#[case] confidence: f64, #[case] two: bool, #[case] z: f64) {
    assert!((quantile(confidence, two) - z).abs() < 5e-6);
}

/// Worked by hand from the analysis-of-variance formulas of Donner and Klar
/// (2000): two days, 4 of 4 and 0 of 4. Between mean square 2, within 0, so the
/// estimate is 1; drawn to a prior of 0 that counts as ten days: 2 / 12.
#[test]
fn days_that_are_all_or_nothing_are_fully_alike() {
    let days = [
        SoftCount { soft: 4, asked: 4 },
        SoftCount { soft: 0, asked: 4 },
    ];
    assert!((icc(&days, 0.0) - 2.0 / 12.0).abs() < 1e-12);
}

/// Golden value by Python's statsmodels 0.15.0:
/// `statsmodels.stats.proportion.proportion_confint(17, 20, alpha=0.2, method='wilson')`
/// gives (0.7215521343756915, 0.9253269802467733): its lower end is the one-sided 90 % bound.
#[test]
fn one_sided_bound_equals_the_two_sided_at_twice_the_tail() {
    let bounds = wilson(0.85, 20.0, quantile(0.90, false));
    let two_sided = wilson(0.85, 20.0, quantile(0.80, true));
    assert!((bounds.low - two_sided.low).abs() < 1e-12);
    assert!((bounds.low - GOLDEN_LOW).abs() < 1e-9 && (bounds.high - GOLDEN_HIGH).abs() < 1e-9);
}

const GOLDEN_LOW: f64 = 0.7215521343756915;
const GOLDEN_HIGH: f64 = 0.9253269802467733;

#[test]
fn alike_days_widen_the_bounds() {
    let days = [(6, 6), (2, 6), (6, 6), (1, 6)].map(|(soft, asked)| SoftCount { soft, asked });
    let z = quantile(0.90, false);
    let clustered = share_of_days(&days, 0.05, z).unwrap();
    let plain = wilson(15.0 / 24.0, 24.0, z);
    assert!(clustered.icc > 0.05);
    assert!(clustered.effective_asked < 24.0);
    assert!(clustered.interval.low < plain.low && clustered.interval.high > plain.high);
}

#[test]
fn nothing_asked_is_no_share() {
    assert!(share_of_days(&[], 0.05, 1.28).is_none());
}
