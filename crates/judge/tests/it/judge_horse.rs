//! The whole horse: needs, states, who should look first, what sends a level
//! down, the trainer's word, exceptional rides. The rules are common practice of
//! the trade, no source; the figures are product defaults.

use cavesson_base::Side;
use cavesson_judge::judge::{
    Caution, Outcome, State, Verdict, judge_horse, level, outcome as turned_out,
};
use cavesson_reps::horse::{CareKind, RideMark};
use cavesson_reps::rep::turn::{Position, Shoulders, Weight};
use cavesson_reps::rep::{Carry, Change, Count, Measure, Steps, carry, change};
use cavesson_told::horse::{Horse, index_of, ladder, turn};
use cavesson_told::{BRACED, SOFT, day};

const DAYS: [i64; 6] = [0, 1, 2, 3, 4, 5];

#[test]
fn a_new_horse_has_open_what_needs_nothing_and_closed_the_rest() {
    let horse = Horse::new();
    assert_eq!(
        horse.said("start.touch/stand", 0),
        (Verdict::Stay, State::Open)
    );
    assert_eq!(
        horse.said("start.bend-ground/stand", 0),
        (Verdict::Stay, State::Open)
    );
    let flex = horse.at("bend.flex/stand", 0);
    assert_eq!(flex.state, State::Closed);
    assert_eq!(flex.missing, [index_of("start.bend-ground/stand")]);
}

#[test]
fn a_filled_gate_does_not_advance_while_a_need_is_not_held() {
    let horse = Horse::new().soft_gives("bend.flex/stand", DAYS);
    assert_eq!(horse.said("bend.flex/stand", 5).0, Verdict::Stay);
    let sure = horse.standing_on("bend.flex/stand");
    assert_eq!(
        sure.said("bend.flex/stand", 5),
        (Verdict::Advance, State::Held)
    );
    assert_eq!(
        sure.said("bend.forward-circle/walk", 5).1,
        State::Open,
        "it opens what waits"
    );
}

#[test]
fn a_need_that_went_rusty_holds_back_until_it_is_freshened_up() {
    // Held by its own gate, shown last on day 5, then nothing built on it either.
    let horse = Horse::new()
        .soft_gives("start.bend-ground/stand", [0, 1, 2, 3, 4, 5])
        .soft_gives("bend.flex/stand", [80, 81, 82, 83, 84]);
    // What is built on a level keeps it fresh: who flexes mounted has kept the ground work.
    assert_eq!(horse.said("start.bend-ground/stand", 84).1, State::Held);
    assert_eq!(horse.said("bend.flex/stand", 84).0, Verdict::Advance);
    assert_eq!(
        horse.said("start.bend-ground/stand", 79),
        (Verdict::Refresh, State::Rusty)
    );
    let stale = Horse::new()
        .soft_gives("start.bend-ground/stand", DAYS)
        .ride("bend.flex/stand", 80, &vec![Measure::Give(BRACED); 4]);
    assert_eq!(
        stale.at("bend.flex/stand", 80).stale,
        [index_of("start.bend-ground/stand")]
    );
}

#[test]
fn the_level_below_must_have_been_soft_on_its_last_day() {
    let soft_step = Measure::Steps(Steps {
        asked: 2,
        clean: 2,
        crossed: None,
        hurried: false,
    });
    let stuck = Measure::Steps(Steps {
        asked: 2,
        clean: 0,
        crossed: None,
        hurried: false,
    });
    let mut horse = Horse::new().standing_on("bend.hip/stand");
    for after in DAYS {
        horse = horse.ride("bend.hip/stand", after, &vec![soft_step.clone(); 12]);
    }
    for after in 6..12 {
        horse = horse.ride("bend.hip/walk", after, &vec![soft_step.clone(); 12]);
    }
    assert_eq!(
        horse.said("bend.hip/walk", 11),
        (Verdict::Advance, State::Held)
    );
    let horse = horse.ride(
        "bend.hip/stand",
        12,
        &[soft_step, stuck.clone(), stuck.clone(), stuck],
    );
    let standing = horse.at("bend.hip/walk", 12);
    assert_eq!(standing.verdict, Verdict::Stay);
    let judged = level::of_standings(
        ladder(),
        &horse.file(),
        &judge_horse(ladder(), &horse.file(), day(12)),
        index_of("bend.hip/walk"),
        day(12),
    );
    assert!(
        judged.reasons[0]
            .text
            .starts_with("Left: the level below was 50% soft"),
        "{:?}",
        judged.reasons[0]
    );
}

#[test]
fn what_adds_up_is_held_when_the_number_is_reached() {
    let mut horse = Horse::new().standing_on("start.mount/stand");
    for after in 0..12 {
        horse = horse.ride(
            "start.mount/stand",
            after,
            &[Measure::Count(Count { count: 8 })],
        );
    }
    let judged = level::judge_level(
        ladder(),
        &horse.file(),
        index_of("start.mount/stand"),
        day(11),
    );
    assert_eq!(judged.verdict, Verdict::Stay);
    assert_eq!(judged.takes, "4 more.");
    let takes = judged.what_it_takes;
    assert_eq!(takes.if_all_soft.unwrap().both_reps, 4, "96 of 100");
    let horse = horse.ride(
        "start.mount/stand",
        12,
        &[Measure::Count(Count { count: 4 })],
    );
    assert_eq!(
        horse.said("start.mount/stand", 12),
        (Verdict::Advance, State::Held)
    );
}

#[test]
fn a_safety_gate_forgives_nothing_in_the_last_twenty() {
    let days = 0..9;
    let horse = Horse::new()
        .standing_on("start.brake/stand")
        .soft_gives("start.brake/stand", days);
    assert_eq!(
        horse.said("start.brake/stand", 8),
        (Verdict::Advance, State::Held)
    );
    let missed = horse.ride(
        "start.brake/stand",
        9,
        &[SOFT, SOFT, SOFT, SOFT, SOFT, BRACED].map(Measure::Give),
    );
    assert_eq!(missed.said("start.brake/stand", 9).0, Verdict::Stay);
}

#[test]
fn open_flags_and_overdue_checks_come_before_everything() {
    let horse = || {
        Horse::new()
            .standing_on("bend.flex/stand")
            .soft_gives("bend.flex/stand", DAYS)
    };
    for kind in [CareKind::Pain, CareKind::Unlevel, CareKind::RigMisfit] {
        let flagged = horse().cared(kind, 4, None);
        assert_eq!(
            flagged.said("bend.flex/stand", 5).0,
            Verdict::CheckFirst,
            "{kind:?}"
        );
        assert_ne!(
            flagged.said("bend.flex/stand", 3).0,
            Verdict::CheckFirst,
            "not noted yet"
        );
        let cleared = horse().cared(kind, 4, Some(5));
        assert_eq!(
            cleared.said("bend.flex/stand", 5).0,
            Verdict::Advance,
            "{kind:?} cleared"
        );
    }
    let overdue = horse().cared(CareKind::Teeth, -366, None);
    assert_eq!(overdue.said("bend.flex/stand", 5).0, Verdict::CheckFirst);
    let fresh = overdue.cared(CareKind::Teeth, -30, None);
    assert_eq!(fresh.said("bend.flex/stand", 5).0, Verdict::Advance);
    // Not work in the mouth: teeth do not hold it back.
    let ground = Horse::new()
        .soft_gives("start.bend-ground/stand", 0..9)
        .cared(CareKind::Teeth, -400, None);
    assert_eq!(
        ground.said("start.bend-ground/stand", 8).0,
        Verdict::Advance
    );
}

#[test]
fn trouble_on_two_rides_in_a_row_is_looked_at_first() {
    let horse = || {
        Horse::new()
            .standing_on("bend.flex/stand")
            .soft_gives("bend.flex/stand", DAYS)
    };
    let once = horse().marked(5, RideMark::Trouble);
    assert_eq!(once.said("bend.flex/stand", 5).0, Verdict::Advance);
    let twice = horse()
        .marked(4, RideMark::Trouble)
        .marked(5, RideMark::Trouble);
    let standing = twice.at("bend.flex/stand", 5);
    assert_eq!(standing.verdict, Verdict::CheckFirst);
    assert_eq!(standing.cautions, [Caution::Trouble { day: day(5) }]);
}

#[test]
fn an_ease_back_names_the_highest_held_level_under_it() {
    let braced = vec![Measure::Give(BRACED); 8];
    let horse = Horse::new()
        .standing_on("frame.poll/jog")
        .ride("frame.poll/jog", 3, &braced);
    let standing = horse.at("frame.poll/jog", 3);
    assert_eq!(
        (standing.verdict, standing.state),
        (Verdict::EaseBack, State::Eased)
    );
    assert_eq!(standing.ease_to, Some(index_of("frame.poll/walk")));
}

#[test]
fn a_horse_that_anticipates_is_asked_no_changes_for_three_rides() {
    let good = Measure::Change(Change {
        ends: change::Ends::Together,
        late_strides: None,
        waited: true,
        sped_up: false,
    });
    let early = Measure::Change(Change {
        ends: change::Ends::Together,
        late_strides: None,
        waited: false,
        sped_up: false,
    });
    let mut horse = Horse::new().standing_on("lead.change/left_to_right").ride(
        "lead.change/left_to_right",
        0,
        &[good.clone(), early, good],
    );
    let standing = horse.at("lead.change/left_to_right", 0);
    assert_eq!(standing.verdict, Verdict::EaseBack);
    for after in 1..=3 {
        assert_eq!(
            horse.said("lead.change/left_to_right", after).0,
            Verdict::EaseBack,
            "{after}"
        );
        horse = horse.soft_gives("bend.flex/stand", [after]);
    }
    assert_eq!(horse.said("lead.change/left_to_right", 4).0, Verdict::Stay);
}

#[test]
fn two_leaks_in_three_turns_leave_the_cattle() {
    let good = turn(Position::Even, Shoulders::SweptAcross, Weight::Behind);
    let leaks = turn(Position::Even, Shoulders::Leaked, Weight::Behind);
    let base = || Horse::new().standing_on("cow.turn/slow");
    let once = base().ride(
        "cow.turn/slow",
        0,
        &[good.clone(), leaks.clone(), good.clone(), good.clone()],
    );
    assert_ne!(once.said("cow.turn/slow", 0).0, Verdict::EaseBack);
    let twice = base().ride(
        "cow.turn/slow",
        0,
        &[good.clone(), good, leaks.clone(), leaks],
    );
    let judged = level::judge_level(ladder(), &twice.file(), index_of("cow.turn/slow"), day(0));
    assert_eq!(judged.verdict, Verdict::EaseBack);
    assert_eq!(
        judged.reasons[0].text,
        "Shoulder leaks toward the cow: 2 of the last 3. Leave the cattle: dry work, then a slower cow."
    );
}

#[test]
fn the_trainer_has_the_last_word_both_ways() {
    let braced = Horse::new()
        .standing_on("bend.flex/stand")
        .soft_gives("bend.flex/stand", [0]);
    assert_eq!(braced.said("bend.forward-circle/walk", 1).1, State::Closed);
    let let_go = braced.overruled("bend.flex/stand", 1, Verdict::Advance);
    assert_eq!(let_go.said("bend.flex/stand", 1).1, State::Overruled);
    assert_eq!(let_go.said("bend.forward-circle/walk", 1).1, State::Open);
    assert_eq!(
        let_go.said("bend.forward-circle/walk", 0).1,
        State::Closed,
        "not before its day"
    );

    let held = Horse::new()
        .standing_on("bend.flex/stand")
        .soft_gives("bend.flex/stand", DAYS);
    assert_eq!(held.said("bend.forward-circle/walk", 6).1, State::Open);
    let kept = held.overruled("bend.flex/stand", 6, Verdict::Stay);
    assert_eq!(
        kept.said("bend.flex/stand", 6),
        (Verdict::Advance, State::Overruled)
    );
    assert_eq!(kept.said("bend.forward-circle/walk", 6).1, State::Closed);
}

#[test]
fn a_decision_turns_out_as_the_later_days_go() {
    let horse = Horse::new()
        .standing_on("bend.flex/stand")
        .soft_gives("bend.flex/stand", DAYS);
    let outcome = |horse: &Horse, after: i64, on: i64| {
        let history = horse.at("bend.flex/stand", after).history;
        turned_out::outcome(day(5), &history.days, &history.changes, day(on))
    };
    assert_eq!(outcome(&horse, 5, 6), Outcome::TooEarly);
    let held = horse.soft_gives("bend.flex/stand", [7, 9, 11]);
    assert_eq!(outcome(&held, 11, 11), Outcome::Held);
    let back = held.ride("bend.flex/stand", 13, &vec![Measure::Give(BRACED); 8]);
    assert_eq!(outcome(&back, 13, 13), Outcome::WentBack);
    assert_eq!(outcome(&back, 12, 12), Outcome::Held);
}

/// "Held" is promised after three later days, however long ago the decision was.
#[test]
fn a_decision_held_after_three_later_days_and_not_before() {
    let horse = Horse::new()
        .standing_on("bend.flex/stand")
        .soft_gives("bend.flex/stand", DAYS);
    for (later, expected) in [
        (&[7][..], Outcome::TooEarly),
        (&[7, 9], Outcome::TooEarly),
        (&[7, 9, 11], Outcome::Held),
        // The third day lies beyond the thirty.
        (&[7, 9, 40], Outcome::TooEarly),
    ] {
        let asked = horse
            .clone()
            .soft_gives("bend.flex/stand", later.iter().copied());
        let history = asked.at("bend.flex/stand", 60).history;
        assert_eq!(
            turned_out::outcome(day(5), &history.days, &history.changes, day(60)),
            expected,
            "{later:?}"
        );
    }
}

#[test]
fn an_exceptional_ride_stays_in_the_record_and_the_other_verdict_is_shown() {
    let horse = Horse::new()
        .standing_on("bend.flex/stand")
        .soft_gives("bend.flex/stand", DAYS)
        .ride("bend.flex/stand", 6, &vec![Measure::Give(BRACED); 8]);
    assert_eq!(horse.at("bend.flex/stand", 6).without_exceptional, None);
    let windy = horse.marked(6, RideMark::Wind);
    let standing = windy.at("bend.flex/stand", 6);
    assert_eq!(standing.verdict, Verdict::EaseBack);
    assert_eq!(standing.without_exceptional, Some(Verdict::Advance));
}

#[test]
fn carrying_is_judged_without_sides_and_without_times() {
    let carried = |soft: bool| {
        Measure::Carry(Carry {
            unit: carry::CarryUnit::Seconds,
            asked: 30.0,
            carried: if soft { 30.0 } else { 10.0 },
            leaves: 0,
            help: None,
        })
    };
    let mut horse = Horse::new().standing_on("frame.straight/walk");
    for after in DAYS {
        horse = horse.ride("frame.straight/walk", after, &vec![carried(true); 6]);
    }
    let judged = level::judge_level(
        ladder(),
        &horse.file(),
        index_of("frame.straight/walk"),
        day(5),
    );
    assert_eq!(judged.verdict, Verdict::Advance);
    assert_eq!(judged.gate.sides.len(), 1);
    assert_eq!(judged.gate.sides[0].side, Side::Both);
    assert_eq!(judged.gate.evenness, None);
    assert!(judged.gate.sides[0].median_s.is_none());
    assert!(judged.trends.time.is_none());
}
