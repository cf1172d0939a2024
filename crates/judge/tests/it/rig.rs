//! The rig an ask was made in.

use cavesson_judge::ride::rig::{RigFrom, rig_at};
use cavesson_judge::ride::{Mood, RideEnd, RigKind};

#[test]
fn a_change_in_mid_ride_marks_the_asks_after_it() {
    let from = |after_ms, kind| RigFrom {
        after_ms,
        kind,
        gear_id: None,
        name: String::new(),
    };
    let rigs = [from(600_000, RigKind::Bosal), from(0, RigKind::Snaffle)];
    let kind_at = |after_ms| rig_at(&rigs, after_ms).map(|rig| rig.kind);
    assert_eq!(kind_at(599_999), Some(RigKind::Snaffle));
    assert_eq!(kind_at(600_000), Some(RigKind::Bosal));
    assert_eq!(rig_at(&rigs[..1], 10), None, "nobody said what it began in");
}

#[test]
fn every_word_is_read_as_it_is_written() {
    for kind in RigKind::ALL {
        assert_eq!(RigKind::from_word(kind.word()), Some(kind));
    }
    for mood in Mood::ALL {
        assert_eq!(Mood::from_word(mood.word()), Some(*mood));
        assert_eq!(serde_json::to_value(mood).unwrap(), mood.word());
    }
    for end in RideEnd::ALL {
        assert_eq!(RideEnd::from_word(end.word()), Some(*end));
    }
    assert_eq!(RideEnd::from_word("never heard"), None);
}
