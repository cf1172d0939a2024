//! Every kind of rep: when it is soft, which faults it tells of, what is refused.
//! When an answer is soft is common practice of the trade put into figures, no
//! source.

use cavesson_base::Gait;
use cavesson_reps::ladder::MeasureKind;
use cavesson_reps::rep::{Measure, SoftRule};
use rstest::rstest;
use serde_json::{Value, json};

fn read(measure: Value) -> Result<Measure, (String, String)> {
    let measure: Measure = cavesson_base::json::read(measure).map_err(|e| (e.field, e.detail))?;
    measure.check().map_err(|e| (e.field, e.detail))?;
    Ok(measure)
}

fn with(base: Value, changes: &[(&str, Value)]) -> Value {
    let mut measure = base;
    for (pointer, value) in changes {
        let (at, key) = pointer.rsplit_once('/').unwrap();
        match measure.pointer_mut(at).unwrap() {
            Value::Array(list) => list[key.parse::<usize>().unwrap()] = value.clone(),
            object => object[key] = value.clone(),
        }
    }
    measure
}

/// A soft rep of each kind.
fn soft(kind: &str) -> Value {
    match kind {
        "give" => json!({"kind": "give", "hand": "two_fingers", "time_s": 2.0, "answer": "gave"}),
        "steps" => json!({"kind": "steps", "asked": 3, "clean": 3}),
        "circle" => json!({"kind": "circle", "circles": 2, "soft_circles": 2, "nose_ups": 0}),
        "stop" => {
            json!({"kind": "stop", "cue": "seat", "strides": 1, "off_bridle_s": 2.0, "head": "quiet"})
        }
        "roll" => {
            json!({"kind": "roll", "against": "fence", "weight_behind": true, "fell_forward": false, "exit": "soft"})
        }
        "depart" => {
            json!({"kind": "depart", "waited": true, "head_still": true, "straight": false, "right_lead": true, "strides_before": 1})
        }
        "change" => {
            json!({"kind": "change", "ends": "hind_first", "waited": true, "sped_up": false})
        }
        "carry" => {
            json!({"kind": "carry", "unit": "seconds", "asked": 30, "carried": 30, "leaves": 1})
        }
        "obstacle" => {
            json!({"kind": "obstacle", "tries": 2, "feet_on": 4, "crossed": true, "relaxed": true})
        }
        "turn" => {
            json!({"kind": "turn", "tempo": "slow", "position": "long", "shoulders": "swept_across", "weight": "behind", "waited": true, "result": "turned"})
        }
        "run" => {
            let barrel = json!({"planned_ft": [5, 4, 3], "pocket_ft": [6, 4, 2], "rate_strides": 2, "right_lead": true, "shape_held": true, "tipped": false});
            json!({"kind": "run", "time_s": 19.4, "barrels": [barrel, barrel, barrel]})
        }
        "calm" => json!({"kind": "calm", "minutes": 5, "relaxed": true, "signs": ["licks"]}),
        "count" => json!({"kind": "count", "count": 5}),
        other => panic!("{other}"),
    }
}

#[test]
fn every_kind_has_a_soft_rep_and_tells_of_no_fault_then() {
    for kind in MeasureKind::ALL {
        let measure = read(soft(kind.word())).unwrap();
        assert_eq!(measure.kind(), *kind);
        assert!(
            measure.is_soft(&SoftRule::default(), Gait::Walk),
            "{kind:?}"
        );
        assert!(measure.faults(&SoftRule::default()).is_empty(), "{kind:?}");
        let again: Value = serde_json::to_value(&measure).unwrap();
        assert_eq!(read(again).unwrap(), measure);
    }
}

#[rstest]
#[case("give", &[("/hand", json!("closed_hand"))], &[])]
#[case("give", &[("/time_s", json!(2.1))], &[])]
#[case("give", &[("/bumps", json!(4))], &[])]
#[case("give", &[("/answer", json!("evaded_up"))], &["head_up"])]
#[case("give", &[("/answer", json!("evaded_behind"))], &["behind_vertical"])]
#[case("steps", &[("/clean", json!(2))], &[])]
#[case("circle", &[("/nose_ups", json!(1))], &[])]
#[case("circle", &[("/broke_gait", json!(true))], &[])]
#[case("circle", &[("/soft_circles", json!(0)), ("/fell_in", json!(true))], &["falls_in"])]
#[case("stop", &[("/strides", json!(2))], &[])]
#[case("stop", &[("/off_bridle_s", json!(2.5))], &["leans_on_bridle"])]
#[case("stop", &[("/off_bridle_s", json!(null))], &["leans_on_bridle"])]
#[case("stop", &[("/head", json!("up"))], &["head_up"])]
#[case("stop", &[("/crept", json!(true))], &["creeps"])]
#[case("roll", &[("/fell_forward", json!(true))], &["falls_forward"])]
#[case("roll", &[("/exit", json!("stiff"))], &["stiff_exit"])]
#[case("roll", &[("/weight_behind", json!(false))], &[])]
#[case("depart", &[("/waited", json!(false))], &["anticipates"])]
#[case("depart", &[("/right_lead", json!(false))], &[])]
#[case("depart", &[("/head_still", json!(false))], &[])]
#[case("change", &[("/ends", json!("hind_late")), ("/late_strides", json!(2))], &["hind_late"])]
#[case("change", &[("/sped_up", json!(true))], &[])]
#[case("change", &[("/waited", json!(false))], &["anticipates"])]
#[case("carry", &[("/carried", json!(29))], &[])]
#[case("carry", &[("/leaves", json!(2))], &[])]
#[case("obstacle", &[("/tries", json!(3))], &[])]
#[case("obstacle", &[("/relaxed", json!(false))], &[])]
#[case("obstacle", &[("/crossed", json!(false)), ("/ran_out", json!("left"))], &["off_obstacle"])]
#[case("turn", &[("/position", json!("past"))], &["runs_past"])]
#[case("turn", &[("/position", json!("short"))], &["hangs_short"])]
#[case("turn", &[("/shoulders", json!("leaked")), ("/weight", json!("head_tossed"))], &["shoulder_leaks", "head_tossed"])]
#[case("turn", &[("/result", json!("lost")), ("/waited", json!(false))], &["panics_left"])]
#[case("run", &[("/barrels/1/pocket_ft/1", json!(2.5))], &["falls_in"])]
#[case("run", &[("/barrels/2/shape_held", json!(false)), ("/barrels/2/stepped_off", json!(true))], &["steps_off"])]
#[case("run", &[("/barrels/0/tipped", json!(true))], &[])]
#[case("run", &[("/barrels/0/right_lead", json!(false))], &[])]
#[case("calm", &[("/relaxed", json!(false))], &[])]
#[case("calm", &[("/trouble", json!(["pinned_ears"]))], &[])]
#[case("calm", &[("/drawn_to", json!(["the gate"]))], &["drawn_to_gate"])]
fn one_thing_wrong_and_it_is_not_soft(
    #[case] kind: &str,
    #[case] changes: &[(&str, Value)],
    #[case] faults: &[&str],
) {
    let measure = read(with(soft(kind), changes)).unwrap();
    assert!(!measure.is_soft(&SoftRule::default(), Gait::Walk));
    assert_eq!(measure.faults(&SoftRule::default()), faults);
}

#[rstest]
#[case("give", &[("/time_s", json!(3.0))])]
#[case("stop", &[("/strides", json!(3))])]
fn at_the_lope_a_little_more_is_still_soft(#[case] kind: &str, #[case] changes: &[(&str, Value)]) {
    let measure = read(with(soft(kind), changes)).unwrap();
    assert!(measure.is_soft(&SoftRule::default(), Gait::Lope));
    assert!(!measure.is_soft(&SoftRule::default(), Gait::Jog));
}

#[rstest]
#[case("give", "/time_s", json!(-1), "/time_s", "must be 0 to 120 s, found -1")]
#[case("give", "/bumps", json!(101), "/bumps", "must be 0 to 100 bumps, found 101")]
#[case("give", "/feet", json!("flew"), "/feet", "unknown variant `flew`")]
#[case("steps", "/asked", json!(0), "/asked", "must be 1 to 60 steps, found 0")]
#[case("steps", "/clean", json!(4), "/clean", "must be at most asked (3), found 4")]
#[case("circle", "/soft_circles", json!(3), "/soft_circles", "must be at most circles (2), found 3")]
#[case("circle", "/nose_ups", json!(201), "/nose_ups", "must be 0 to 200, found 201")]
#[case("stop", "/strides", json!(61), "/strides", "must be 0 to 60 strides, found 61")]
#[case("stop", "/drift", json!("both"), "/drift", "must be left or right, found both")]
#[case("stop", "/steps_back", json!(0), "/steps_back", "must be 1 to 60 steps, found 0")]
#[case("roll", "/exit", json!("fast"), "/exit", "expected `soft` or `stiff`")]
#[case("depart", "/strides_before", json!(99), "/strides_before", "found 99")]
#[case("change", "/late_strides", json!(1), "/late_strides", "only goes with ends \"hind_late\"")]
#[case("carry", "/asked", json!(0), "/asked", "must be 1 to 3600, found 0")]
#[case("carry", "/carried", json!(-3), "/carried", "must be 0 to 3600, found -3")]
#[case("obstacle", "/feet_on", json!(5), "/feet_on", "must be 0 to 4 feet, found 5")]
#[case("obstacle", "/tries", json!(0), "/tries", "must be 1 to 60 tries, found 0")]
#[case("turn", "/tempo", json!("mad"), "/tempo", "unknown variant `mad`")]
#[case("run", "/time_s", json!(1), "/time_s", "must be 5 to 1800 s, found 1")]
#[case("run", "/barrels/2/pocket_ft/0", json!(-1), "/barrels/2/pocket_ft/0", "must be 0 to 60 ft, found -1")]
#[case("calm", "/minutes", json!(601), "/minutes", "must be 0 to 600 min, found 601")]
#[case("calm", "/drawn_to", json!([" "]), "/drawn_to/0", "must be 1 to 40 letters, found 0")]
#[case("count", "/count", json!(0), "/count", "must be 1 to 1000, found 0")]
#[case("count", "/counts", json!(1), "", "unknown field `counts`")]
fn what_does_not_fit_is_named(
    #[case] kind: &str,
    #[case] at: &str,
    #[case] value: Value,
    #[case] field: &str,
    #[case] says: &str,
) {
    let (found, said) = read(with(soft(kind), &[(at, value)])).unwrap_err();
    assert!(said.contains(says), "{found}: {said}");
    // A tagged value is read as a whole: serde names no field inside it, but the words do.
    assert!(found == field || found.is_empty(), "{found}: {said}");
}

/// 7.1 less 6.6 is more than half a foot by a hair of the machine's arithmetic: what
/// counts as near the plan must not count as falling in as well.
#[test]
fn a_pocket_within_tolerance_is_soft_and_not_a_fault() {
    let rule = SoftRule {
        pocket_ft: 0.5,
        ..SoftRule::default()
    };
    for tenths in 0..400_u32 {
        let planned = f64::from(tenths) / 10.0 + 0.5;
        let found = f64::from(tenths) / 10.0;
        let barrel = json!({"planned_ft": [planned, planned, planned], "pocket_ft": [found, found, found],
            "rate_strides": 2, "right_lead": true, "shape_held": true, "tipped": false});
        let run = read(json!({"kind": "run", "time_s": 19.4, "barrels": [barrel, barrel, barrel]}))
            .unwrap();
        assert!(run.is_soft(&rule, Gait::Lope), "{planned} {found}");
        assert_eq!(run.faults(&rule), Vec::<&str>::new(), "{planned} {found}");
    }
}
