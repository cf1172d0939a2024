//! The share of trips on which nothing is asked. Common practice, no source.

use cavesson_barn::week::Trips;
use proptest::prelude::*;

#[test]
fn the_share_is_said_with_what_would_do() {
    let text = |trips, quiet, wanted| Trips { trips, quiet }.text(wanted);
    assert_eq!(text(0, 0, 25), "");
    assert_eq!(text(4, 1, 25), "1 of 4 trips asked nothing; you want 25%.");
    assert_eq!(
        text(3, 0, 25),
        "0 of 3 trips asked nothing; you want 25%. 1 quiet outing would do."
    );
    assert_eq!(
        text(8, 0, 50),
        "0 of 8 trips asked nothing; you want 50%. 8 quiet outings would do."
    );
}

proptest! {
    /// With what it wants the share is reached, with one less it is not.
    #[test]
    fn what_is_wanting_is_enough_and_no_more(trips in 1u32..200, quiet in 0u32..200, wanted in 0u8..100) {
        let quiet = quiet.min(trips);
        let more = Trips { trips, quiet }.wanting(wanted);
        let reaches = |more: u32| 100 * (quiet + more) >= u32::from(wanted) * (trips + more);
        prop_assert!(reaches(more));
        prop_assert!(more == 0 || !reaches(more - 1));
    }
}
