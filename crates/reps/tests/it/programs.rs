//! Programs: schools and changed gates on the ladder.

use cavesson_base::school::QUESTIONS;
use cavesson_reps::ladder::{Gate, Ladder, LadderFile, Level};
use cavesson_reps::program::Program;
use rstest::rstest;
use serde_json::{Value, json};

fn ladder_of(program: Value) -> Result<Ladder, (String, String)> {
    let program: Program = cavesson_base::json::read(program).map_err(|e| (e.field, e.detail))?;
    program
        .ladder(LadderFile::shipped())
        .map_err(|e| (e.field, e.detail))
}

fn has(ladder: &Ladder, skill: &str) -> bool {
    ladder.skills().any(|known| known.id.0 == skill)
}

#[test]
fn every_choice_of_every_school_makes_a_ladder_and_changes_something() {
    let plain = ladder_of(json!({})).unwrap();
    for question in QUESTIONS {
        for choice in question.choices.iter().skip(1) {
            let other = ladder_of(json!({"schools": {question.id: choice.id}})).unwrap();
            assert_ne!(
                plain, other,
                "{}: {} changes nothing",
                question.id, choice.id
            );
        }
        let same = ladder_of(json!({"schools": {question.id: question.choices[0].id}})).unwrap();
        assert_eq!(
            plain, same,
            "the first choice of {} is the default",
            question.id
        );
    }
}

#[test]
fn the_bridle_path_decides_which_bridle_skills_there_are() {
    let hackamore = ladder_of(json!({"schools": {"bridle": "hackamore"}})).unwrap();
    assert!(has(&hackamore, "bridle.two-rein") && !has(&hackamore, "bridle.snaffle"));
    let restore = ladder_of(json!({"schools": {"bridle": "restore"}})).unwrap();
    assert!(has(&restore, "bridle.restore") && !has(&restore, "bridle.two-rein"));
}

#[test]
fn a_changed_gate_changes_its_levels_and_no_other() {
    let ladder = ladder_of(json!({"gates": [
        {"skill": "frame.poll", "gate": {"soft_share": 0.9}},
        {"skill": "frame.poll", "rung": "lope", "gate": {"soft": {"lope_s": 4.0}}},
    ]}))
    .unwrap();
    let gate = |rung: &str| ladder.at(&Level::new("frame.poll", rung)).unwrap().gate;
    assert_eq!(
        gate("walk"),
        Gate {
            soft_share: 0.9,
            ..Gate::default()
        }
    );
    assert_eq!(
        (gate("lope").soft_share, gate("lope").soft.lope_s),
        (0.9, 4.0)
    );
    assert_eq!(gate("lope").soft.jog_trot_s, 2.5);
    let others = Ladder::shipped().levels.iter().zip(&ladder.levels);
    assert!(
        others
            .filter(|(a, b)| a != b)
            .all(|(a, _)| a.level.skill.0 == "frame.poll")
    );
}

#[test]
fn letting_the_horse_find_it_takes_two_bad_rides() {
    let ladder = ladder_of(json!({"schools": {"mistakes": "find_it"}})).unwrap();
    assert!(ladder.levels.iter().all(|level| level.gate.ease_rides == 2));
}

#[rstest]
#[case(json!({"gates": [{"skill": "frame.pole", "gate": {}}]}), "/gates/0/skill", "no skill \"frame.pole\"")]
#[case(json!({"gates": [{"skill": "frame.poll", "rung": "run", "gate": {}}]}), "/gates/0/rung", "frame.poll has stand, walk, jog, lope, found run")]
#[case(json!({"gates": [{"skill": "frame.poll", "gate": {"soft_share": 2}}]}), "/gates/0/gate/soft_share", "share must be 0 to 1, found 2")]
#[case(json!({"gates": [{"skill": "frame.poll", "gate": {"softness": 2}}]}), "/gates/0/gate/softness", "unknown field `softness`")]
#[case(json!({"gates": [{"skill": "frame.poll", "gate": {"soft": {"most_hand": "fist"}}}]}), "/gates/0/gate/soft/most_hand", "unknown variant `fist`")]
#[case(json!({"schools": {"bridle": "rope"}}), "/schools", "no choice \"rope\" on \"bridle\"; the choices are snaffle, hackamore, restore")]
#[case(json!({"schools": {"moon": "full"}}), "/schools", "the questions are rein_ask")]
#[case(json!({"gate": []}), "/gate", "unknown field `gate`")]
fn what_does_not_fit_is_named(#[case] program: Value, #[case] field: &str, #[case] says: &str) {
    let (at, said) = ladder_of(program).unwrap_err();
    assert_eq!(at, field, "{said}");
    assert!(said.contains(says), "{said}");
}

/// A rail that a gate does not have is absent, not too large to fail.
#[test]
fn a_program_takes_a_rail_away_and_puts_it_back() {
    let flex = Level::new("bend.flex", "stand");
    let without =
        json!({"skill": "bend.flex", "gate": {"most_time_ratio": null, "most_difference": null}});
    let gate = |gates: Value| {
        ladder_of(json!({ "gates": gates }))
            .unwrap()
            .at(&flex)
            .unwrap()
            .gate
    };
    let taken = gate(json!([without]));
    assert_eq!((taken.most_time_ratio, taken.most_difference), (None, None));
    let back = gate(json!([without, {"skill": "bend.flex", "gate": {"most_time_ratio": 2.5}}]));
    assert_eq!(
        (back.most_time_ratio, back.most_difference),
        (Some(2.5), None)
    );
    // The numbers around it stay.
    assert_eq!(back.least_reps, Gate::default().least_reps);
}

#[rstest]
#[case("most_time_ratio", json!(0.5), "1 to 20")]
#[case("most_difference", json!(1.5), "0 to 1")]
#[case("most_difference", json!("much"), "invalid type")]
fn a_rail_that_is_there_has_a_number_in_its_bounds(
    #[case] rail: &str,
    #[case] value: Value,
    #[case] allowed: &str,
) {
    let gates = json!([{"skill": "bend.flex", "gate": {rail: value}}]);
    let (field, says) = ladder_of(json!({ "gates": gates })).unwrap_err();
    assert_eq!(field, format!("/gates/0/gate/{rail}"));
    assert!(says.contains(allowed), "{says}");
}
