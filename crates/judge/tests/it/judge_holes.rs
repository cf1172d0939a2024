//! Holes: the missing piece under the faults. Which fault points where is common
//! practice of the trade, no source.

use cavesson_base::Side;
use cavesson_judge::judge::{holes, judge_horse};
use cavesson_reps::ladder::{FaultId, Level};
use cavesson_reps::rep::turn::{Position, Shoulders, Weight};
use cavesson_reps::rep::{Measure, Steps};
use cavesson_told::day;
use cavesson_told::horse::{Horse, ladder, turn};

#[test]
fn three_faults_that_share_a_cause_point_to_the_back_up() {
    let dry = Measure::Steps(Steps {
        asked: 2,
        clean: 0,
        crossed: None,
        hurried: false,
    });
    let tossed = turn(Position::Even, Shoulders::SweptAcross, Weight::HeadTossed);
    let good = turn(Position::Even, Shoulders::SweptAcross, Weight::Behind);
    let roll = |forward: bool| {
        Measure::Roll(cavesson_reps::rep::Roll {
            against: cavesson_reps::rep::roll::Against::Fence,
            weight_behind: !forward,
            fell_forward: forward,
            exit: cavesson_reps::rep::roll::Exit::Soft,
            full_turn: false,
        })
    };
    let mut horse = Horse::new()
        .standing_on("cow.turn/slow")
        .ride(
            "cow.turn/slow",
            0,
            &[good.clone(), tossed.clone(), good.clone(), good, tossed],
        )
        .ride(
            "turn.rollback-wall/walk",
            1,
            &[roll(true), roll(false), roll(true), roll(false)],
        )
        .ride(
            "frame.back/stand",
            2,
            &[dry.clone(), dry.clone(), dry.clone(), dry],
        );
    for rep in horse
        .reps
        .iter_mut()
        .filter(|rep| rep.skill.0 == "frame.back")
    {
        rep.faults.push(FaultId("sticky_back".into()));
    }
    let file = horse.file();
    let standings = judge_horse(ladder(), &file, day(3));
    let found = holes(ladder(), &file, &standings, day(3));
    assert_eq!(
        found[0].level,
        Level::new("frame.back", "stand"),
        "{found:#?}"
    );
    let faults: Vec<&str> = found[0]
        .evidence
        .iter()
        .map(|e| e.fault.0.as_str())
        .collect();
    assert_eq!(faults.len(), 3, "{faults:?}");
    assert!(found[0].rule_out.contains(&"sore back".to_owned()));
    assert!(
        found[0]
            .remedies
            .iter()
            .any(|remedy| remedy.text.contains("Single steps"))
    );
    let sticky = found[0]
        .evidence
        .iter()
        .find(|e| e.fault.0 == "sticky_back")
        .unwrap();
    assert_eq!((sticky.times, sticky.chances), (4, 4));
    assert!(
        found
            .windows(2)
            .all(|pair| pair[0].score >= pair[1].score * 0.95)
    );
}

#[test]
fn no_fault_no_hole_and_old_faults_are_forgotten() {
    let tossed = turn(Position::Even, Shoulders::SweptAcross, Weight::HeadTossed);
    let horse = Horse::new()
        .standing_on("cow.turn/slow")
        .ride("cow.turn/slow", 0, &[tossed]);
    let found = |after| {
        let file = horse.file();
        let standings = judge_horse(ladder(), &file, day(after));
        holes(ladder(), &file, &standings, day(after))
    };
    assert!(!found(1).is_empty());
    assert!(found(29).is_empty());
    assert_eq!(
        found(1)[0].evidence[0].side,
        Some(Side::Left),
        "it came on one side only"
    );
}

#[test]
fn a_fault_is_counted_against_every_ask_of_the_level_it_came_in() {
    use cavesson_reps::rep::{Answer, Give, HandWeight};
    // A nose that goes out shows in two-rein work; seen in the flexing it counts there.
    let out = Measure::Give(Give::new(HandWeight::Fingertip, 1.0, Answer::EvadedOut));
    let soft = Measure::Give(Give::new(HandWeight::Fingertip, 1.0, Answer::Gave));
    let horse = Horse::new().ride(
        "bend.flex/stand",
        0,
        &[out, soft.clone(), soft.clone(), soft],
    );
    let file = horse.file();
    let standings = judge_horse(ladder(), &file, day(1));
    let found = holes(ladder(), &file, &standings, day(1));
    let nose_out = &found[0].evidence[0];
    assert_eq!(nose_out.fault.0, "nose_out");
    assert_eq!((nose_out.times, nose_out.chances), (1, 4));
}

#[test]
fn every_fault_of_the_ladder_points_to_levels_that_are_there() {
    for fault in &ladder().faults {
        for hole in &fault.holes {
            let seen_at = (0..ladder().levels.len()).filter(|index| {
                let level = &ladder().levels[*index];
                fault.shows_in(
                    &ladder().tracks[level.track].id,
                    &level.level.skill,
                    level.measure,
                    level.sides,
                )
            });
            let mut any = false;
            for index in seen_at {
                // The lowest rung of a skill has none below it.
                any |= ladder().hole(&hole.0, index).is_some();
            }
            assert!(any, "{}: {}", fault.id, hole.0);
        }
    }
}
