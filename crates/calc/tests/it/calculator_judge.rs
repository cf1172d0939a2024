//! The calculator `judge` takes what is known of a horse beside its reps: what the
//! page takes along is judged by it.

use cavesson_calc::calc::find;
use cavesson_told::{day, soft_days};
use rstest::rstest;
use serde_json::{Value, json};

fn judge(input: Value) -> Result<Value, (String, String)> {
    (find("judge").unwrap().run)(input).map_err(|error| (error.field, error.detail))
}

/// Four soft days of flexing, as the API sends them.
fn soft_reps() -> Value {
    serde_json::to_value(soft_days([0, 1, 3, 4])).unwrap()
}

fn flex(output: &Value) -> &Value {
    let verdicts = output["verdicts"].as_array().unwrap();
    let flex = |found: &&Value| found["level"]["skill"] == "bend.flex";
    &verdicts.iter().find(flex).unwrap()["judgement"]
}

const OVERRULE: &str = "00000000-0000-0000-0000-0000000000aa";

fn overrule(skill: &str, rung: &str) -> Value {
    json!({"overrule_id": OVERRULE, "level": {"skill": skill, "rung": rung}, "day": day(4),
        "judge_said": "advance", "counts_as": "stay", "reason": "Look at him once more."})
}

#[test]
fn a_fault_seen_in_a_ride_counts_for_its_level() {
    let reps = soft_reps();
    let ride = reps.as_array().unwrap().last().unwrap()["ride_id"].clone();
    let seen = json!({"ride_id": ride, "level": {"skill": "bend.flex", "rung": "stand"}, "fault": "head_up"});
    let plain = judge(json!({"reps": reps, "date": day(4)})).unwrap();
    let faulty =
        judge(json!({"reps": reps, "date": day(4), "context": {"faults": [seen]}})).unwrap();
    assert_eq!(plain["holes"], json!([]));
    assert_eq!(faulty["holes"][0]["evidence"][0]["fault"], "head_up");
}

#[test]
fn care_and_decisions_count_as_they_do_on_the_server() {
    let reps = soft_reps();
    let note = json!({"care_id": OVERRULE, "kind": "pain", "day": day(4)});
    let hurt = judge(json!({"reps": reps, "date": day(4), "context": {"care": [note]}})).unwrap();
    assert_eq!(flex(&hurt)["verdict"], "check_first");
    let decided = json!({"overrules": [overrule("bend.flex", "stand")]});
    let held_back = judge(json!({"reps": reps, "date": day(4), "context": decided})).unwrap();
    let plain = judge(json!({"reps": reps, "date": day(4)})).unwrap();
    assert_ne!(flex(&held_back)["state"], flex(&plain)["state"]);
}

/// A horse that was on another school's program keeps its reps.
#[test]
fn reps_of_a_level_that_this_program_does_not_have_are_left_out() {
    let bosal = cavesson_reps::ladder::Ladder::every_level();
    let plain = cavesson_reps::ladder::Ladder::shipped();
    let other = bosal
        .levels
        .iter()
        .find(|level| plain.at(&level.level).is_none() && level.measure.word() == "give")
        .unwrap();
    let mut reps = soft_reps();
    for rep in reps.as_array_mut().unwrap() {
        rep["skill"] = json!(other.level.skill);
        rep["rung"] = json!(other.level.rung);
        if other.asked_sides().len() == 1 {
            rep["side"] = json!("both");
        }
    }
    let output = judge(json!({"reps": reps, "date": day(4)})).unwrap();
    assert_eq!(output["verdicts"], json!([]));
}

#[rstest]
#[case(json!({"faults": [{"ride_id": OVERRULE, "level": {"skill": "bend.flex", "rung": "stand"}, "fault": "bites"}]}),
    "/context/faults/0/fault", "no fault \"bites\"")]
#[case(json!({"overrules": [overrule("bend.fly", "stand")]}), "/context/overrules/0/level/skill", "no skill")]
#[case(json!({"overrules": [overrule("bend.flex", "lope")]}), "/context/overrules/0/level/rung", "is asked at")]
#[case(json!({"weather": []}), "/context/weather", "unknown field")]
fn what_does_not_fit_is_named(#[case] context: Value, #[case] field: &str, #[case] says: &str) {
    let error = judge(json!({"reps": [], "date": day(4), "context": context})).unwrap_err();
    assert_eq!(error.0, field);
    assert!(error.1.contains(says), "{}", error.1);
}

#[test]
fn another_ladder_than_the_shipped_one_is_refused() {
    let (field, says) = judge(json!({"reps": [], "date": day(4), "ladder": "mine"})).unwrap_err();
    assert_eq!(field, "/ladder");
    assert!(says.contains("must be \"default\""), "{says}");
}
