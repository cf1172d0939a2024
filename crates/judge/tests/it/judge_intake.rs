//! Levels shown at intake: they count as held, first asks confirm or doubt them. The
//! figures are product defaults; the chances follow Bayes' rule, worked by hand below.

use cavesson_judge::card::{Block, Day, Horse as HorseOfCard, Part, card};
use cavesson_judge::judge::{State, Verdict, holes, judge_horse};
use cavesson_reps::horse::CareKind;
use cavesson_reps::rep::{Give, Measure};
use cavesson_told::horse::{Horse, index_of, ladder};
use cavesson_told::{BRACED, SOFT, day};

const FLEX: &str = "bend.flex/stand";

fn gives(answers: &[Give]) -> Vec<Measure> {
    answers.iter().copied().map(Measure::Give).collect()
}

fn shown() -> Horse {
    Horse::new().shown_at_intake(
        0,
        &[("start.bend-ground/stand", 0.97), (FLEX, 0.9)],
        &["bend.hip/stand"],
    )
}

#[test]
fn what_an_intake_showed_counts_as_held_from_its_day_on() {
    let horse = shown();
    assert_eq!(horse.said(FLEX, -1).1, State::Closed);
    assert_eq!(horse.said(FLEX, 0).1, State::ShownAtIntake);
    assert!(horse.at(FLEX, 0).counts_as_held());
    assert_eq!(
        horse.said("bend.forward-circle/walk", 0).1,
        State::Open,
        "it opens what waits"
    );
    assert_eq!(horse.said("bend.ribs/walk", 0).1, State::Closed);
}

/// Odds 9 to 1, times 0.84 / 0.30 for each side: 70 to 1.
#[test]
fn a_soft_first_ask_on_each_side_confirms_it() {
    let one_side = shown().ride(FLEX, 3, &gives(&[SOFT]));
    assert_eq!(one_side.said(FLEX, 3).1, State::ShownAtIntake);
    let both = shown().ride(FLEX, 3, &gives(&[SOFT, SOFT]));
    assert_eq!(both.said(FLEX, 3).1, State::Held);
    assert_eq!(
        both.said(FLEX, 2).1,
        State::ShownAtIntake,
        "not before the day"
    );
}

#[test]
fn asks_of_the_intake_itself_and_later_asks_of_a_day_confirm_nothing() {
    let same_day = shown().ride(FLEX, 0, &gives(&[SOFT, SOFT]));
    assert_eq!(same_day.said(FLEX, 0).1, State::ShownAtIntake);
    // First asks braced, then soft ones: the first of each side is what tells.
    let late = shown().ride(FLEX, 3, &gives(&[BRACED, BRACED, SOFT, SOFT, SOFT, SOFT]));
    assert_ne!(late.said(FLEX, 3).1, State::Held);
}

/// Odds 9 to 1, times 0.16 / 0.70 for each: 2.06, then 0.47 to 1.
#[test]
fn two_first_asks_that_are_not_soft_take_it_back() {
    let once = shown().ride(FLEX, 3, &gives(&[BRACED]));
    assert!(once.at(FLEX, 3).counts_as_held());
    let twice = shown().ride(FLEX, 3, &gives(&[BRACED, BRACED]));
    assert!(!twice.at(FLEX, 3).counts_as_held());
    assert_eq!(twice.said("bend.forward-circle/walk", 3).1, State::Closed);
}

#[test]
fn it_goes_rusty_when_nobody_asks() {
    let gate = &ladder().levels[index_of(FLEX)].gate;
    let days = i64::from(gate.rusty_days);
    assert_eq!(shown().said(FLEX, days).1, State::ShownAtIntake);
    assert_eq!(
        shown().said(FLEX, days + 1),
        (Verdict::Refresh, State::Rusty)
    );
}

#[test]
fn the_trainers_word_comes_before_it_and_its_own_gate_after() {
    let not = shown().overruled(FLEX, 1, Verdict::Stay);
    assert!(!not.at(FLEX, 1).counts_as_held());
    let passed = shown().soft_gives(FLEX, 1..=6);
    assert_eq!(passed.said(FLEX, 6), (Verdict::Advance, State::Held));
}

#[test]
fn pain_still_comes_first() {
    let sore = shown()
        .ride(FLEX, 1, &gives(&[SOFT]))
        .cared(CareKind::Unlevel, 2, None);
    assert_eq!(sore.said(FLEX, 2).0, Verdict::CheckFirst);
}

/// What was shown is asked cold; the hole is the work.
#[test]
fn the_next_card_confirms_what_was_shown_and_works_on_the_hole() {
    let shown: Vec<(&str, f64)> = [
        "start.touch/stand",
        "start.bend-ground/stand",
        "start.side-lead/stand",
        "start.side-lead/walk",
        "start.mount/stand",
        "start.brake/stand",
        "start.brake/walk",
        "start.brake/jog",
        "start.forward/walk",
        "start.forward/jog",
        FLEX,
        "bend.forward-circle/walk",
    ]
    .map(|path| (path, 0.95))
    .to_vec();
    let horse = Horse::new().shown_at_intake(0, &shown, &["bend.hip/stand"]);
    let file = horse.file();
    let on = day(1);
    let standings = judge_horse(ladder(), &file, on);
    let holes = holes(ladder(), &file, &standings, on);
    let of = HorseOfCard {
        ladder: ladder(),
        file: &file,
        standings: &standings,
        holes: &holes,
        on,
    };
    let card = card(of, &Day::default());
    let has_hip = |block: &&Block| {
        block
            .levels
            .iter()
            .any(|named| named.level.to_string() == "bend.hip/stand")
    };
    let work = card.blocks.iter().find(has_hip).unwrap();
    assert_eq!(work.part, Part::Work);
    assert_eq!(work.why, "Missing under what the horse showed at intake.");
    let cold = card.blocks.iter().find(|block| block.part == Part::Cold);
    assert!(!cold.unwrap().levels.is_empty());
    let said = "Shown at intake: a first ask confirms it.";
    let text = serde_json::to_string(&card).unwrap();
    assert!(text.contains(said), "{text}");
}
