//! The calculators: results, and the documented error for bad input.

use cavesson_calc::calc::{ALL, find};
use rstest::rstest;
use serde_json::{Value, json};

fn run(name: &str, input: Value) -> Result<Value, (String, String)> {
    (find(name).unwrap().run)(input).map_err(|error| (error.field, error.detail))
}

/// Newcombe 1998, Table I, method 3 (from memory): 81 of 263.
#[test]
fn share_gives_the_published_interval() {
    let output = run("share", json!({"soft": 81, "asked": 263})).unwrap();
    assert_eq!(format!("{:.4}", output["low"].as_f64().unwrap()), "0.2553");
    assert_eq!(format!("{:.4}", output["high"].as_f64().unwrap()), "0.3662");
    assert!(output.get("icc").is_none());
}

#[test]
fn share_with_days_tells_how_alike_they_are() {
    let input = json!({"soft": 9, "asked": 12, "confidence": 0.9, "sides": 1,
        "days": [[4, 4], [4, 4], [1, 4]], "prior_icc": 0.05});
    let output = run("share", input).unwrap();
    assert!(output["icc"].as_f64().unwrap() > 0.05);
    assert!(output["effective_asked"].as_f64().unwrap() < 12.0);
}

#[test]
fn give_times_leaves_an_unreached_median_null() {
    let input = json!({"left": [[1.0, true], [4.0, false], [4.0, false]], "right": [[1.0, true]], "horizon_s": 6});
    let output = run("give-times", input).unwrap();
    assert_eq!(output["left"]["median_s"], Value::Null);
    assert_eq!(output["left"]["gave"], 1);
    assert_eq!(output["right"]["median_s"], 1.0);
    assert!(output["log_rank"]["p"].as_f64().is_some());
}

#[test]
fn gate_takes_reps_as_the_api_sends_them() {
    let reps = serde_json::to_value(cavesson_told::soft_days([0, 1, 3, 4])).unwrap();
    let output = run(
        "gate",
        json!({"reps": reps, "gate": {}, "date": cavesson_told::day(4)}),
    )
    .unwrap();
    assert_eq!(output["passes"], true);
    assert_eq!(output["verdict"], "advance");
    assert_eq!(output["items"].as_array().unwrap().len(), 12);
    assert_eq!(output["what_it_takes"]["if_all_soft"]["days"], 0);
}

/// The table of the give gate (`what_soft_means` in judge_give_gate.rs) has the rule;
/// here is what it answers. Common practice, no source.
#[test]
fn soft_tells_at_once_what_a_rider_wants_to_know() {
    let give = |time_s: f64, answer: &str| json!({"measure": {"kind": "give", "hand": "fingertip", "time_s": time_s, "answer": answer}, "gait": "jog"});
    let soft = |input: Value| run("soft", input).unwrap();
    assert_eq!(soft(give(2.5, "gave")), json!({"soft": true, "faults": []}));
    assert_eq!(soft(give(2.6, "gave"))["soft"], false);
    assert_eq!(
        soft(give(1.0, "evaded_up")),
        json!({"soft": false, "faults": ["head_up"]})
    );
    let mut slow = give(2.6, "gave");
    slow["rule"] = json!({"jog_trot_s": 3.0});
    assert_eq!(soft(slow)["soft"], true);
    let (field, says) = run("soft", give(300.0, "gave")).unwrap_err();
    assert_eq!(field, "/measure/time_s");
    assert!(says.contains("0 to 120"), "{says}");
}

/// The printed limits of the NIST/SEMATECH e-Handbook, 6.3.2.4 (from memory).
#[test]
fn charts_and_trend_answer_with_the_documented_fields() {
    let chart = run(
        "ewma",
        json!({"value": [52, 47, 53], "target": 50, "sd": 2.0539, "lambda": 0.3, "width": 3}),
    )
    .unwrap();
    assert_eq!(
        format!("{:.4}", chart["upper"].as_f64().unwrap()),
        "52.5884"
    );
    assert_eq!(chart["alarm_at"], Value::Null);
    let sums = run(
        "cusum",
        json!({"value": [0, 2, 2], "target": 0, "k": 0.5, "h": 2}),
    )
    .unwrap();
    assert_eq!(
        sums,
        json!({"high": [0.0, 1.5, 3.0], "low": [0.0, 0.0, 0.0], "alarm_at": 2})
    );
    let trend = run(
        "trend",
        json!({"day": [3, 1, 2, 4], "value": [0.3, 0.1, 0.2, 0.4]}),
    )
    .unwrap();
    assert_eq!(
        (&trend["direction"], &trend["tau"]),
        (&json!("improving"), &json!(1.0))
    );
    let even = run("evenness", json!({"left": 3, "right": 1})).unwrap();
    assert_eq!(
        even,
        json!({"symmetry_index_pct": 100.0, "difference": 2.0})
    );
}

#[rstest]
#[case("trend", json!({"day": [1, 2], "value": [1]}), "/value", "one figure for each day (2), found 1")]
#[case("trend", json!({"day": [1, 2, 1], "value": [1, 2, 3]}), "/day/2", "day 1 is there twice")]
#[case("trend", json!({"day": vec![0; 2001], "value": []}), "/day", "figures at once must be 0 to 2000, found 2001")]
#[case("ewma", json!({"value": [1], "target": 0, "sd": -1, "lambda": 0.3, "width": 3}), "/sd", "must be 0 to 1000000000, found -1")]
#[case("ewma", json!({"value": [1], "target": 0, "sd": 1, "lambda": 0, "width": 3}), "/lambda", "must be 0.01 to 1, found 0")]
#[case("cusum", json!({"value": [1, 2e9], "target": 0, "k": 1, "h": 1}), "/value/1", "found 2000000000")]
#[case("evenness", json!({"left": -3, "right": 1}), "/left", "figure must be 0 to 1000000000, found -3")]
#[case("share", json!({"soft": 5, "asked": 4}), "/soft", "must be 0 to asked (4), found 5")]
#[case("share", json!({"soft": 0, "asked": 0}), "/asked", "asks must be 1 to 1000000000, found 0")]
#[case("share", json!({"soft": 1, "asked": 4, "confidence": 1.0}), "/confidence", "confidence must be 0.5 to 0.9999, found 1")]
#[case("share", json!({"soft": 1, "asked": 4, "sides": 3}), "/sides", "must be 1 or 2, found 3")]
#[case("share", json!({"soft": 1, "asked": 4, "prior_icc": 0.1}), "/prior_icc", "only goes with days; give days or leave it out")]
#[case("share", json!({"soft": 1, "asked": 4, "days": [[1, 2], [0, 1]]}), "/days", "must add up to 1 of 4, found 1 of 3")]
#[case("share", json!({"soft": 1, "asked": 4, "days": [[3, 2], [0, 2]]}), "/days/0/0", "must be 0 to the asks of that day (2), found 3")]
#[case("share", json!({"soft": -1, "asked": 4}), "/soft", "invalid value: integer `-1`, expected u32")]
#[case("share", json!({"soft": 1, "asked": 4, "sdies": 1}), "/sdies", "unknown field `sdies`")]
#[case("share", json!([1, 2]), "", "invalid")]
#[case("give-times", json!({"left": [[-1, true]], "right": [], "horizon_s": 6}), "/left/0/0", "time must be 0 to 1000000 s, found -1")]
#[case("give-times", json!({"left": [], "right": [], "horizon_s": 0}), "/horizon_s", "horizon must be 0.1 to 1000000 s, found 0")]
#[case("give-times", json!({"left": [], "right": []}), "", "missing field `horizon_s`")]
#[case("judge", json!({"reps": [], "date": "soon"}), "/date", "failed to parse")]
#[case("judge", json!({"reps": [], "date": "2026-03-02", "ladder": "mine"}), "/ladder", "must be \"default\", found \"mine\"")]
#[case("judge", json!({"reps": [], "date": "2026-03-02", "program": {"schools": {"bridle": "rope"}}}), "/program/schools", "the choices are snaffle, hackamore, restore")]
#[case("judge", json!({"reps": [], "date": "2026-03-02", "program": {"gates": [{"skill": "bend.flax", "gate": {}}]}}), "/program/gates/0/skill", "bend has bend.flex")]
#[case("judge", json!({"reps": [], "date": "2026-03-02", "context": {"care": [{"care_id": "00000000-0000-0000-0000-000000000001", "kind": "cough", "day": "2026-03-01"}]}}), "/context/care/0/kind", "unknown variant `cough`")]
#[case("judge", json!({"reps": [], "date": "2026-03-02", "context": {"overrules": [{"overrule_id": "00000000-0000-0000-0000-000000000001", "level": {"skill": "bend.flex", "rung": "stand"}, "day": "2026-03-01", "judge_said": "stay", "counts_as": "advance", "reason": " "}]}}), "/context/overrules/0/reason", "letters must be 1 to 600 letters, found 0")]
#[case("judge", json!({"reps": [], "date": "2026-03-02", "context": {"overrules": [{"overrule_id": "00000000-0000-0000-0000-000000000001", "level": {"skill": "bend.flex", "rung": "lope"}, "day": "2026-03-01", "judge_said": "stay", "counts_as": "advance", "reason": "seen it"}]}}), "/context/overrules/0/level/rung", "bend.flex is asked at stand, found lope")]
#[case("simulate-horse", json!({"rides": {"count": 1, "first_day": "2026-03-02", "asks": []}}), "", "missing field `seed`")]
#[case("simulate-horse", json!({"rides": {"count": 201, "first_day": "2026-03-02", "asks": []}, "seed": 1}), "/rides/count", "must be 0 to 200 rides, found 201")]
#[case("simulate-horse", json!({"rides": {"count": 1, "gap_days": 0, "first_day": "2026-03-02", "asks": []}, "seed": 1}), "/rides/gap_days", "must be 1 to 60 days, found 0")]
#[case("simulate-horse", json!({"rides": {"count": 1, "first_day": "2026-03-02", "asks": [{"skill": "bend.ribs", "rung": "run", "left": 3}]}, "seed": 1}), "/rides/asks/0/rung", "bend.ribs is asked at walk, jog, lope, found run")]
#[case("simulate-horse", json!({"rides": {"count": 1, "first_day": "2026-03-02", "asks": [{"skill": "bend.ribs", "rung": "walk", "left": 61}]}, "seed": 1}), "/rides/asks/0/left", "must be 0 to 60, found 61")]
#[case("simulate-horse", json!({"traits": {"rate": -1}, "rides": {"count": 1, "first_day": "2026-03-02", "asks": []}, "seed": 1}), "/traits/rate", "must be 0 to 10, found -1")]
#[case("simulate-horse", json!({"traits": {"weaker_side": "both"}, "rides": {"count": 1, "first_day": "2026-03-02", "asks": []}, "seed": 1}), "/traits/weaker_side", "must be left or right, found both")]
#[case("gate", json!({"reps": [], "date": "soon"}), "/date", "failed to parse")]
#[case("gate", json!({"reps": [], "gate": {"low_share": 2}, "date": "2026-03-02"}), "/gate/low_share", "share must be 0 to 1, found 2")]
fn bad_input_names_the_field_and_what_is_allowed(
    #[case] name: &str,
    #[case] input: Value,
    #[case] field: &str,
    #[case] says: &str,
) {
    let (found_field, found_says) = run(name, input).unwrap_err();
    assert_eq!(found_field, field, "{found_says}");
    assert!(found_says.contains(says), "{found_says}");
}

#[test]
fn gate_refuses_reps_of_two_levels_and_times_below_zero() {
    let mut reps = serde_json::to_value(cavesson_told::soft_days([0])).unwrap();
    reps[3]["skill"] = json!("bend.hip");
    reps[3]["measure"] = json!({"kind": "steps", "asked": 1, "clean": 1});
    let (field, _) = run("gate", json!({"reps": reps, "date": "2026-03-02"})).unwrap_err();
    assert_eq!(field, "/reps/3/skill");
    reps[3] = reps[2].clone();
    reps[4]["measure"]["time_s"] = json!(-0.1);
    let (field, says) = run("gate", json!({"reps": reps, "date": "2026-03-02"})).unwrap_err();
    assert_eq!(field, "/reps/4/measure/time_s");
    assert_eq!(
        says,
        "time to give or time waited must be 0 to 120 s, found -0.1"
    );
}

#[test]
fn a_simulated_horse_is_judged_by_the_next_calculator() {
    let asks = json!([{"skill": "start.bend-ground", "rung": "stand", "left": 6, "right": 6},
                      {"skill": "bend.flex", "rung": "stand", "left": 5, "right": 5},
                      {"skill": "frame.poll", "rung": "stand", "left": 6}]);
    let ridden = run(
        "simulate-horse",
        json!({"traits": {"plateau": 5.0, "rate": 0.3, "weaker_by": 0.1, "day_sd": 0.1}, "seed": 4,
               "rides": {"count": 24, "first_day": "2026-03-02", "asks": asks}}),
    )
    .unwrap();
    assert_eq!(ridden["truth"].as_array().unwrap().len(), 72);
    assert_eq!(ridden["reps"].as_array().unwrap().len(), 24 * 28);
    let judged = run(
        "judge",
        json!({"reps": ridden["reps"], "date": "2026-03-25"}),
    )
    .unwrap();
    let verdicts = judged["verdicts"].as_array().unwrap();
    let said: Vec<(&str, &str)> = verdicts
        .iter()
        .map(|v| {
            (
                v["level"]["skill"].as_str().unwrap(),
                v["judgement"]["state"].as_str().unwrap(),
            )
        })
        .collect();
    assert_eq!(
        said,
        [
            ("start.bend-ground", "held"),
            ("bend.flex", "held"),
            ("frame.poll", "closed")
        ]
    );
    // The frame's gate passes, but the hip at the stand, which it needs, was never asked.
    let poll = &verdicts[2]["judgement"];
    assert_eq!(poll["gate"]["passes"], true);
    assert_eq!(poll["verdict"], "stay");
    assert_eq!(
        poll["missing"][0],
        json!({"skill": "bend.hip", "rung": "stand"})
    );
    assert_eq!(
        judged["others"].as_array().unwrap().len() + 3,
        cavesson_reps::ladder::Ladder::shipped().levels.len()
    );
}

#[test]
fn every_calculator_states_the_schemas_of_its_input_and_output() {
    for calculator in ALL {
        let schemas = (calculator.schema)();
        for schema in [schemas.input, schemas.output] {
            assert_eq!(schema["type"], "object", "{}", calculator.name);
            assert!(
                schema["properties"]
                    .as_object()
                    .is_some_and(|p| !p.is_empty())
            );
            let text = schema.to_string();
            assert!(
                !text.contains("#/components/"),
                "{}: {text}",
                calculator.name
            );
        }
    }
}
