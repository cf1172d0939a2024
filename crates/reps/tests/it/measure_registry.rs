//! Every measure, by the registry: what its file says of itself holds together.

use cavesson_base::Gait;
use cavesson_reps::ladder::{Ladder, LadderLevel};
use cavesson_reps::rep::{Asked, Measure, MeasureKind, SoftRule};
use proptest::prelude::*;
use rand_chacha::ChaCha8Rng;
use rand_chacha::rand_core::SeedableRng;

const GAITS: [Gait; 6] = [
    Gait::Stand,
    Gait::Walk,
    Gait::Jog,
    Gait::Trot,
    Gait::Lope,
    Gait::Gallop,
];

fn drawn(kind: MeasureKind, gait: Gait, chance: f64, soft: bool, seed: u64) -> Measure {
    let asked = Asked {
        rule: &SoftRule::default(),
        gait,
        chance,
        soft,
    };
    kind.draw(&asked, &mut ChaCha8Rng::seed_from_u64(seed))
}

proptest! {
    #[test]
    fn a_simulated_answer_is_what_it_was_drawn_to_be(
        kind in prop::sample::select(MeasureKind::ALL.to_vec()),
        gait in prop::sample::select(GAITS.to_vec()),
        chance in 0.0..1.0f64,
        soft: bool,
        seed: u64,
    ) {
        let measure = drawn(kind, gait, chance, soft, seed);
        prop_assert_eq!(measure.kind(), kind);
        prop_assert!(measure.check().is_ok(), "{measure:?}: {:?}", measure.check());
        // What only adds up is never missed.
        let expected = soft || kind == MeasureKind::Count;
        prop_assert_eq!(measure.is_soft(&SoftRule::default(), gait), expected, "{:?}", measure);
    }

    #[test]
    fn a_measure_tells_of_no_fault_that_it_does_not_list(
        kind in prop::sample::select(MeasureKind::ALL.to_vec()),
        soft: bool,
        seed: u64,
    ) {
        let measure = drawn(kind, Gait::Lope, 0.5, soft, seed);
        for fault in measure.faults(&SoftRule::default()) {
            prop_assert!(kind.tells().contains(&fault), "{measure:?} tells of {fault}");
        }
    }

    #[test]
    fn a_measure_is_read_back_as_it_was_written(
        kind in prop::sample::select(MeasureKind::ALL.to_vec()),
        soft: bool,
        seed: u64,
    ) {
        let measure = drawn(kind, Gait::Walk, 0.5, soft, seed);
        let written = serde_json::to_value(&measure).unwrap();
        prop_assert_eq!(&written["kind"], kind.word());
        let read: Measure = serde_json::from_value(written).unwrap();
        prop_assert_eq!(read, measure);
    }

    #[test]
    fn only_what_is_timed_has_a_time_and_only_a_count_counts_more_than_one(
        kind in prop::sample::select(MeasureKind::ALL.to_vec()),
        soft: bool,
        seed: u64,
    ) {
        let measure = drawn(kind, Gait::Walk, 0.5, soft, seed);
        prop_assert_eq!(measure.time().is_some(), kind.timed());
        if kind != MeasureKind::Count {
            prop_assert_eq!(measure.count(), 1);
        }
    }
}

#[test]
fn a_word_names_one_measure() {
    for kind in MeasureKind::ALL {
        let read: MeasureKind = serde_json::from_value(kind.word().into()).unwrap();
        assert_eq!(read, *kind);
    }
}

/// Every fault that a measure lists can come of it; a list that only grows tells
/// nothing.
#[test]
fn every_fault_that_a_measure_lists_can_come_of_some_record() {
    let told = |kind: MeasureKind, fault: &str| {
        let drawn = (0..4_000).map(|seed| drawn(kind, Gait::Lope, 0.5, false, seed));
        let others = records_beyond_the_simulated(kind);
        drawn
            .chain(others)
            .any(|measure| measure.faults(&SoftRule::default()).contains(&fault))
    };
    for kind in MeasureKind::ALL {
        for fault in kind.tells() {
            assert!(told(*kind, fault), "{kind:?} never tells of {fault}");
        }
    }
}

/// What no simulated horse does, and a real one may.
fn records_beyond_the_simulated(kind: MeasureKind) -> Vec<Measure> {
    let texts: &[&str] = match kind {
        MeasureKind::Give => {
            &[r#"{"kind": "give", "hand": "fingertip", "time_s": 2, "answer": "evaded_behind"}"#]
        }
        MeasureKind::Stop => &[
            r#"{"kind": "stop", "cue": "seat", "strides": 1, "off_bridle_s": 1, "head": "up"}"#,
            r#"{"kind": "stop", "cue": "seat", "strides": 1, "off_bridle_s": 1, "head": "out"}"#,
        ],
        MeasureKind::Change => {
            &[r#"{"kind": "change", "ends": "together", "waited": false, "sped_up": false}"#]
        }
        MeasureKind::Turn => &[
            r#"{"kind": "turn", "tempo": "slow", "position": "short", "shoulders": "swept_across",
                "weight": "behind", "waited": false, "result": "turned"}"#,
        ],
        MeasureKind::Run => &[r#"{"kind": "run", "barrels": [
                {"planned_ft": [5, 4, 3], "pocket_ft": [5, 4, 3], "rate_strides": 2, "right_lead": true,
                 "shape_held": true, "tipped": false, "stepped_off": true},
                {"planned_ft": [5, 4, 3], "pocket_ft": [5, 4, 3], "rate_strides": 2, "right_lead": true,
                 "shape_held": true, "tipped": false},
                {"planned_ft": [5, 4, 3], "pocket_ft": [5, 4, 3], "rate_strides": 2, "right_lead": true,
                 "shape_held": true, "tipped": false}]}"#],
        MeasureKind::Calm => {
            &[r#"{"kind": "calm", "minutes": 3, "relaxed": true, "drawn_to": ["gate"]}"#]
        }
        _ => &[],
    };
    texts
        .iter()
        .map(|text| serde_json::from_str(text).unwrap())
        .collect()
}

/// A rail that a level cannot fill would keep it closed for good.
#[test]
fn no_level_has_a_rail_that_its_measure_or_sides_cannot_fill() {
    let timed = |level: &&LadderLevel| level.gate.most_time_ratio.is_some();
    for level in Ladder::shipped().levels.iter().filter(timed) {
        assert!(level.measure.timed(), "{}", level.level);
    }
}
