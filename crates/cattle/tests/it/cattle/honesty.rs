//! Honesty: the closed form of a geometric sum, and scipy's beta distribution.

use cavesson_cattle::cattle::honesty::{Freshness, KEEP, honesty};
use proptest::prelude::*;

/// After n goings-through in a row their weight is (1 - k^n) / (1 - k).
#[test]
fn a_cow_that_always_goes_through_falls_by_a_geometric_sum() {
    for n in 0..60_i32 {
        let found = honesty(&vec![false; n as usize]).unwrap();
        let weight = (1.0 - KEEP.powi(n)) / (1.0 - KEEP);
        assert!((found.share - 4.0 / (5.0 + weight)).abs() < 1e-12, "{n}");
    }
}

/// An honest cow rises likewise, towards (4 + 10) / (5 + 10).
#[test]
fn a_cow_that_always_stops_stays_fresh() {
    for n in 0..60_i32 {
        let found = honesty(&vec![true; n as usize]).unwrap();
        let weight = (1.0 - KEEP.powi(n)) / (1.0 - KEEP);
        assert!((found.share - (4.0 + weight) / (5.0 + weight)).abs() < 1e-12);
        assert_eq!(found.freshness, Freshness::Fresh);
    }
}

/// 4 / (5 + w) is below one half when w is above 3: 1 + 0.9 + 0.81 = 2.71, with 0.729 it is 3.439.
#[test]
fn a_fresh_cow_is_done_after_four_in_a_row() {
    assert_eq!(honesty(&[]).unwrap().until_done, 4);
    assert_eq!(
        honesty(&[false; 3]).unwrap().freshness,
        Freshness::GoingStale
    );
    let done = honesty(&[false; 4]).unwrap();
    assert_eq!((done.freshness, done.until_done), (Freshness::Done, 0));
}

#[test]
fn shares_and_ranges_are_those_of_scipy() {
    for case in super::golden()["honesty"].as_array().unwrap() {
        let stopped: Vec<bool> = serde_json::from_value(case["stopped"].clone()).unwrap();
        let found = honesty(&stopped).unwrap();
        for (name, found) in [
            ("share", found.share),
            ("low", found.low),
            ("high", found.high),
        ] {
            let expected = case[name].as_f64().unwrap();
            assert!(
                (found - expected).abs() < 1e-6,
                "{name} of {stopped:?}: {found} {expected}"
            );
        }
    }
}

proptest! {
    /// What it did last counts most, and one more honest stop never makes it less honest.
    #[test]
    fn later_counts_more(before in prop::collection::vec(any::<bool>(), 0..40)) {
        let share = |more: &[bool]| {
            let all: Vec<bool> = before.iter().chain(more).copied().collect();
            honesty(&all).unwrap()
        };
        prop_assert!(share(&[false, true]).share > share(&[true, false]).share);
        prop_assert!(share(&[true]).share > share(&[]).share || share(&[]).share > 0.999);
        let now = share(&[]);
        prop_assert!(now.low <= now.share && now.share <= now.high);
        let through = vec![false; now.until_done as usize];
        prop_assert_eq!(share(&through).freshness, Freshness::Done);
    }
}
