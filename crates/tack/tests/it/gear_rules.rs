//! Rules of the show ring row by row, and rides in the two-rein on days made by hand. The
//! limits are AQHA and NRHA style, from memory (each row says so); the two-rein is common
//! practice, no source.

use cavesson_calc::calc::{show_rules, two_rein};
use cavesson_tack::gear::show_rules::Legal;
use cavesson_tack::gear::two_rein::StartReason;
use serde_json::{Value, json};

fn legal(piece: Value, class: Value, rule: &str) -> (Legal, String) {
    let input = json!({"piece": piece, "class": class});
    let found = show_rules::calculate(serde_json::from_value(input).unwrap()).unwrap();
    let row = found.rules.iter().find(|row| row.rule == rule).unwrap();
    assert!(
        row.source.contains("from memory, check the current book"),
        "{row:?}"
    );
    (row.legal, row.why.clone())
}

/// At the limit it is legal, beyond it is not, and what was not measured cannot be told.
#[test]
fn each_measure_at_its_limit_and_beyond() {
    for (kind, field, rule, inside, outside) in [
        ("curb", "shank_overall_in", "shank", 8.5, 8.6),
        ("curb", "port_in", "port", 3.5, 3.6),
        ("curb", "strap_width_in", "strap_width", 0.5, 0.4),
        ("snaffle", "mouthpiece_in", "mouthpiece", 0.3125, 0.3),
        ("snaffle", "ring_in", "ring", 2.0, 1.9),
        ("snaffle", "ring_in", "ring", 4.0, 4.1),
        ("bosal", "bosal_in", "bosal", 0.75, 0.8),
    ] {
        let with = |value: Value| {
            let mut piece = json!({"kind": kind});
            piece[field] = value;
            legal(piece, json!({}), rule)
        };
        assert_eq!(with(json!(inside)).0, Legal::Yes, "{rule}");
        let (no, why) = with(json!(outside));
        assert_eq!(no, Legal::No, "{rule}");
        assert!(why.contains(&outside.to_string()), "{why}");
        let (unknown, why) = with(Value::Null);
        assert_eq!(unknown, Legal::CannotTell, "{rule}");
        assert!(why.ends_with("is not known."), "{why}");
    }
}

#[test]
fn age_hands_and_reins() {
    let age = |kind: &str, class: Value| legal(json!({"kind": kind}), class, "age").0;
    assert_eq!(
        age("snaffle", json!({"age_years": 5, "hands": "two"})),
        Legal::Yes
    );
    assert_eq!(
        age("bosal", json!({"age_years": 6, "hands": "two"})),
        Legal::No
    );
    assert_eq!(
        age("curb", json!({"age_years": 9, "hands": "one"})),
        Legal::Yes
    );
    assert_eq!(age("curb", json!({"hands": "two"})), Legal::No);
    assert_eq!(age("snaffle", json!({"hands": "two"})), Legal::CannotTell);
    assert_eq!(age("snaffle", json!({"age_years": 4})), Legal::CannotTell);
    let reins = |class: Value| legal(json!({"kind": "curb"}), class, "reins").0;
    assert_eq!(
        reins(json!({"reins": "romal", "fingers_between": 0})),
        Legal::Yes
    );
    assert_eq!(
        reins(json!({"reins": "romal", "fingers_between": 1})),
        Legal::No
    );
    assert_eq!(
        reins(json!({"reins": "split", "fingers_between": 1})),
        Legal::Yes
    );
    assert_eq!(
        reins(json!({"reins": "split", "fingers_between": 2})),
        Legal::No
    );
    assert_eq!(reins(json!({"reins": "split"})), Legal::CannotTell);
    assert_eq!(reins(json!({})), Legal::CannotTell);
    let flat = |flat: Value| {
        legal(
            json!({"kind": "curb", "strap_flat": flat}),
            json!({}),
            "strap_flat",
        )
        .0
    };
    assert_eq!(flat(json!(true)), Legal::Yes);
    assert_eq!(flat(json!(false)), Legal::No);
    assert_eq!(flat(Value::Null), Legal::CannotTell);
}

#[test]
fn a_piece_is_held_against_the_rules_of_its_kind_alone() {
    let rules = |kind: &str| {
        let input = json!({"piece": {"kind": kind}});
        let found = show_rules::calculate(serde_json::from_value(input).unwrap()).unwrap();
        found
            .rules
            .into_iter()
            .map(|row| row.rule)
            .collect::<Vec<String>>()
    };
    assert_eq!(rules("snaffle"), ["mouthpiece", "ring", "age"]);
    assert_eq!(rules("bosal"), ["bosal", "age"]);
    assert_eq!(
        rules("curb"),
        ["shank", "port", "strap_width", "strap_flat", "age", "reins"]
    );
    let bad = json!({"piece": {"kind": "curb", "port_in": -1.0}});
    let error = show_rules::calculate(serde_json::from_value(bad).unwrap()).unwrap_err();
    assert_eq!(error.field, "/piece/port_in");
}

fn read(rides: Value, start: f64) -> two_rein::Output {
    let input = json!({"rides": rides, "start_bosal_pct": start});
    two_rein::calculate(serde_json::from_value(input).unwrap()).unwrap()
}

fn ride(events: Value) -> Value {
    json!({"segments": [{"start_min": 0, "bosal_pct": 90}], "events": events, "end_min": 40})
}

/// By hand: 10 min at 90, 20 at 50, 10 at 20: (900 + 1000 + 200) / 40 = 52.5.
#[test]
fn the_share_is_weighted_by_time() {
    let one = json!([{
        "segments": [
            {"start_min": 0, "bosal_pct": 90},
            {"start_min": 10, "bosal_pct": 50},
            {"start_min": 30, "bosal_pct": 20},
        ],
        "events": [], "end_min": 40,
    }]);
    assert_eq!(read(one, 90.0).rides[0].mean_bosal_pct, 52.5);
    let none = json!([{"segments": [{"start_min": 0, "bosal_pct": 70}], "end_min": 0}]);
    assert_eq!(read(none, 70.0).rides[0].mean_bosal_pct, 70.0);
}

/// Asked at 5, taken back at 12, asked again at 20 and held to the end.
#[test]
fn an_ask_holds_until_it_is_taken_back() {
    let found = read(
        json!([ride(json!([
            {"at_min": 5, "ask": "for_bridle"},
            {"at_min": 12, "ask": "back"},
            {"at_min": 20, "ask": "for_bridle"},
        ]))]),
        90.0,
    );
    let said = &found.rides[0];
    let asks: Vec<(f64, bool)> = said
        .asks
        .iter()
        .map(|ask| (ask.held_min, ask.sustained))
        .collect();
    assert_eq!(asks, [(7.0, false), (20.0, true)]);
    assert_eq!(said.asks_back, 1);
}

#[test]
fn the_next_start_goes_ten_points_when_asks_were_sustained_on_three_of_four_days() {
    let asks = || ride(json!([{"at_min": 5, "ask": "for_bridle"}]));
    let quiet = || ride(json!([]));
    let crossed = || {
        ride(json!([
            {"at_min": 5, "ask": "for_bridle"}, {"at_min": 9, "ask": "back"},
            {"at_min": 15, "ask": "back"},
        ]))
    };
    let next = |rides: Vec<Value>, start: f64| {
        let found = read(json!(rides), start);
        (found.next_start_bosal_pct, found.because)
    };
    assert_eq!(
        next(vec![asks(), asks()], 90.0),
        (90.0, StartReason::SameAgain)
    );
    assert_eq!(
        next(vec![asks(), quiet(), asks(), asks()], 90.0),
        (80.0, StartReason::Sustained)
    );
    // Of the last four only.
    assert_eq!(
        next(vec![asks(), quiet(), quiet(), asks(), asks()], 90.0),
        (90.0, StartReason::SameAgain)
    );
    // It asked back more often than it asked: back at once, whatever was before.
    assert_eq!(
        next(vec![asks(), asks(), asks(), crossed()], 80.0),
        (90.0, StartReason::AsksBack)
    );
    assert_eq!(next(vec![crossed()], 95.0), (100.0, StartReason::AsksBack));
    assert_eq!(
        next(vec![asks(), asks(), asks()], 5.0),
        (0.0, StartReason::Sustained)
    );
}

#[test]
fn a_ride_that_does_not_run_forward_is_refused_with_its_field() {
    let field = |ride: Value| {
        let input = json!({"rides": [ride], "start_bosal_pct": 90});
        two_rein::calculate(serde_json::from_value(input).unwrap())
            .unwrap_err()
            .field
    };
    let late = json!({"segments": [{"start_min": 3, "bosal_pct": 90}], "end_min": 40});
    assert_eq!(field(late), "/rides/0/segments");
    let none = json!({"segments": [], "end_min": 40});
    assert_eq!(field(none), "/rides/0/segments");
    let back = json!({
        "segments": [
            {"start_min": 0, "bosal_pct": 90}, {"start_min": 20, "bosal_pct": 80},
            {"start_min": 10, "bosal_pct": 70},
        ],
        "end_min": 40,
    });
    assert_eq!(field(back), "/rides/0/segments/2/start_min");
    let over = ride(json!([{"at_min": 50, "ask": "back"}]));
    assert_eq!(field(over), "/rides/0/events/0/at_min");
    let much = json!({"segments": [{"start_min": 0, "bosal_pct": 120}], "end_min": 40});
    assert_eq!(field(much), "/rides/0/segments/0/bosal_pct");
}

/// A year from 90/10 through half and half to 10/90, and no further.
#[test]
fn the_plan_goes_from_bosal_to_bridle_in_a_year() {
    use cavesson_tack::gear::two_rein::planned_pct;
    for (days, pct) in [
        (0.0, 90.0),
        (182.5, 50.0),
        (365.0, 10.0),
        (-3.0, 90.0),
        (800.0, 10.0),
    ] {
        assert!((planned_pct(days) - pct).abs() < 1e-9, "{days}");
    }
}

/// Only rides since the starting share was last changed count for its next change.
#[test]
fn what_a_change_was_made_for_does_not_count_again() {
    use cavesson_tack::gear::two_rein::{AskHeld, TwoReinSaid, next_after, start_says};
    let day = |sustained: bool, asks_back| TwoReinSaid {
        mean_bosal_pct: 60.0,
        asks: vec![AskHeld {
            at_min: 5.0,
            held_min: 20.0,
            sustained,
        }],
        asks_back,
    };
    let days = |all: &[(f64, bool)]| -> Vec<(f64, TwoReinSaid)> {
        all.iter()
            .map(|(start, sustained)| (*start, day(*sustained, 0)))
            .collect()
    };
    assert_eq!(next_after(&[]), None);
    let three = days(&[(80.0, true), (80.0, true), (80.0, true)]);
    assert_eq!(next_after(&three), Some((70.0, StartReason::Sustained)));
    let moved_since = days(&[(80.0, true), (80.0, true), (70.0, true)]);
    assert_eq!(
        next_after(&moved_since),
        Some((70.0, StartReason::SameAgain))
    );
    let mut back = three;
    back.push((80.0, day(false, 2)));
    assert_eq!(next_after(&back), Some((90.0, StartReason::AsksBack)));
    assert!(start_says(90.0, StartReason::AsksBack).contains("90% bosal, 10% bridle"));
}

#[test]
fn a_bosal_goes_down_a_size_when_the_horse_asks_and_not_only_once() {
    use cavesson_judge::ride::HorseAsked;
    use cavesson_judge::ride::shares::two_rein_ride;
    use cavesson_tack::gear::two_rein::{SizeAdvice, bosal_size, size_says};
    let asked = |minute: u32, ask: &str, undone| HorseAsked {
        ask_id: uuid::Uuid::from_u128(1),
        after_ms: minute * 60_000,
        ask: serde_json::from_value(json!(ask)).unwrap(),
        undone,
    };
    let day = |asks: &[HorseAsked]| two_rein_ride(&[], asks, 40 * 60_000, true).unwrap().said();
    let asks_on = || day(&[asked(10, "for_bridle", false)]);
    let taken_back = || day(&[asked(10, "for_bridle", false), asked(12, "back", false)]);
    let mistaken = || day(&[asked(10, "for_bridle", true)]);
    assert_eq!(
        bosal_size(&[asks_on()]),
        SizeAdvice::Same,
        "once is not enough"
    );
    assert_eq!(
        bosal_size(&[asks_on(), taken_back(), asks_on(), asks_on()]),
        SizeAdvice::Smaller
    );
    assert_eq!(
        bosal_size(&[mistaken(), mistaken(), mistaken(), mistaken()]),
        SizeAdvice::Same
    );
    assert_eq!(
        bosal_size(&[asks_on(), day(&[asked(3, "back", false)])]),
        SizeAdvice::Larger
    );
    assert!(size_says(SizeAdvice::Smaller).contains("not only once"));
}

/// As it is recorded: out of order, said late, an ask after the ride was finished.
#[test]
fn a_recorded_ride_always_runs_forward() {
    use cavesson_judge::ride::shares::two_rein_ride;
    use cavesson_judge::ride::{HorseAsked, ShareSaid};
    let share = |minute: u32, bosal_pct| ShareSaid {
        after_ms: minute * 60_000,
        bosal_pct,
    };
    let late = HorseAsked {
        ask_id: uuid::Uuid::from_u128(1),
        after_ms: 31 * 60_000,
        ask: serde_json::from_value(json!("for_bridle")).unwrap(),
        undone: false,
    };
    let read = two_rein_ride(
        &[share(20, 40.0), share(2, 80.0)],
        &[late],
        30 * 60_000,
        false,
    )
    .unwrap();
    assert_eq!(read.check(""), Ok(()));
    assert_eq!(
        (read.segments[0].start_min, read.segments[0].bosal_pct),
        (0.0, 80.0)
    );
    assert_eq!(read.end_min, 31.0);
    assert!(
        two_rein_ride(&[], &[late], 1, false).is_none(),
        "no share was said"
    );
}
