//! The ride card, case by case. Its rules are common practice of the trade, no source.

use cavesson_base::{Gait, Side};
use cavesson_judge::card::{Block, Card, Day, Part, PlannedBlock, card};
use cavesson_reps::horse::{CareKind, CareNote, HorseTrait};
use cavesson_reps::ladder::{Ladder, LadderLevel, Level};
use cavesson_told::carded::{card_of, judged, made, names, of, parts};
use cavesson_told::holding::HorseWith;

fn level_of(block: &Block) -> &'static LadderLevel {
    Ladder::shipped().at(&block.levels[0].level).unwrap()
}

#[test]
fn a_made_horse_has_a_whole_card_in_order() {
    let card = card_of(&made(), &Day::default());
    let mut order = parts(&card);
    order.dedup();
    assert_eq!(
        order,
        [
            Part::CheckOver,
            Part::Brake,
            // The brake was placed by hand: a first ask confirms it.
            Part::Cold,
            Part::Loosen,
            Part::Review,
            Part::Work,
            Part::Breather,
            Part::Use,
            Part::Finish,
            Part::WalkOut
        ]
    );
    assert_eq!(card.fastest, Gait::Gallop);
    assert!(card.minutes <= 45);
}

#[test]
fn a_horse_that_is_not_ridden_is_worked_in_hand() {
    let card = card_of(
        &HorseWith::holding_skills(&["start.touch"]),
        &Day::default(),
    );
    assert!(!parts(&card).contains(&Part::Brake));
    assert_eq!(names(&card, Part::Work), ["start.bend-ground/stand"]);
    assert_eq!(card.most_minutes, 30);
    for block in &card.blocks {
        assert!(
            block.levels.is_empty() || level_of(block).ground,
            "{block:?}"
        );
    }
}

#[test]
fn first_rides_are_never_alone() {
    let ready = HorseWith::holding_skills(&[
        "start.touch",
        "start.bend-ground",
        "start.side-lead",
        "start.mount",
    ]);
    let alone = card_of(&ready, &Day::default());
    assert!(!parts(&alone).contains(&Part::Brake));
    assert!(
        alone.limits.iter().any(|text| text.contains("never alone")),
        "{:?}",
        alone.limits
    );
    let helped = Day {
        helper: true,
        ..Day::default()
    };
    let card = card_of(&ready, &helped);
    assert!(parts(&card).contains(&Part::Brake));
    assert_eq!(names(&card, Part::Work), ["start.brake/stand"]);
    assert!(card.blocks.iter().all(|block| block.who.contains("helper")));
}

#[test]
fn nothing_is_faster_than_the_brake_held() {
    let mut horse = made();
    horse.held.retain(|level| level.skill.0 != "start.brake");
    horse
        .held
        .extend(["stand", "walk"].map(|rung| Level::new("start.brake", rung)));
    let card = card_of(&horse, &Day::default());
    assert_eq!(card.fastest, Gait::Walk);
    assert_eq!(names(&card, Part::Work), ["start.brake/jog"]);
    assert!(
        card.limits.iter().any(|text| text.contains("at the walk")),
        "{:?}",
        card.limits
    );
}

#[test]
fn what_the_trainer_puts_on_the_card_is_on_it() {
    let planned = Day {
        planned: vec![PlannedBlock {
            level: Level::new("bend.ribs", "walk"),
            side: Some(Side::Right),
            text: "Roll, don't jab.".into(),
        }],
        ..Day::default()
    };
    let card = card_of(&made(), &planned);
    let block = card
        .blocks
        .iter()
        .find(|block| block.part == Part::Work)
        .unwrap();
    assert_eq!(block.levels[0].level, Level::new("bend.ribs", "walk"));
    assert_eq!(block.why, "You put it on the card, more on the right.");
    assert!(
        block.exercise.starts_with("Roll, don't jab. "),
        "{}",
        block.exercise
    );
    let [good, stiff] = block.asks[..] else {
        panic!("{:?}", block.asks)
    };
    assert_eq!((good.side, stiff.side), (Side::Left, Side::Right));
    assert!(2 * stiff.asks >= 3 * good.asks, "{good:?} {stiff:?}");
}

#[test]
fn of_two_new_things_one_waits_and_says_so() {
    let [ribs, poll] = [
        Level::new("bend.ribs", "walk"),
        Level::new("frame.topline", "walk"),
    ];
    let planned = |level: &Level| PlannedBlock {
        level: level.clone(),
        side: None,
        text: String::new(),
    };
    let day = Day {
        planned: vec![planned(&ribs), planned(&poll)],
        ..Day::default()
    };
    let card = card_of(&made(), &day);
    let left_out: Vec<&str> = card.left_out.iter().map(|left| left.why.as_str()).collect();
    assert!(
        left_out[0].starts_with("One new or limiting thing a ride"),
        "{left_out:?}"
    );
}

#[test]
fn what_a_rider_drops_is_not_on_the_card_and_something_else_is() {
    let before = card_of(&made(), &Day::default());
    let dropped = before
        .blocks
        .iter()
        .find(|block| block.part == Part::Work)
        .unwrap();
    let day = Day {
        without: vec![dropped.levels[0].level.clone()],
        ..Day::default()
    };
    let after = card_of(&made(), &day);
    let work = after
        .blocks
        .iter()
        .find(|block| block.part == Part::Work)
        .unwrap();
    assert_ne!(work.levels, dropped.levels);
    assert_eq!(
        work.levels,
        dropped.instead[..1],
        "the first that stood in its place"
    );
}

#[test]
fn age_heat_and_lay_off_shorten_the_card() {
    let with = |age_years, temperature_f| Day {
        minutes: 60,
        age_years: Some(age_years),
        temperature_f: Some(temperature_f),
        humidity_pct: Some(60.0),
        ..Day::default()
    };
    let most = |day: &Day| card_of(&made(), day).most_minutes;
    assert_eq!(most(&with(2, 60.0)), 30);
    assert_eq!(most(&with(3, 60.0)), 45);
    assert_eq!(most(&with(4, 60.0)), 60);
    let late = Day {
        traits: vec![HorseTrait::LateDeveloper],
        ..with(3, 60.0)
    };
    assert_eq!(most(&late), 30, "a late developer counts as a year younger");
    assert_eq!(
        most(&with(8, 95.0)),
        20,
        "95 F and 60 % are 155: short and slow"
    );
    let hot = card_of(&made(), &with(8, 95.0));
    assert!(
        hot.blocks
            .iter()
            .flat_map(|block| &block.levels)
            .all(|named| { Ladder::shipped().at(&named.level).unwrap().gait < Gait::Lope })
    );
    let too_hot = card_of(&made(), &with(8, 125.0));
    assert_eq!(
        (too_hot.minutes, too_hot.blocks.len()),
        (0, 1),
        "{too_hot:?}"
    );
    let mut rested = made();
    rested.last_ridden = Some(20);
    let low = card_of(&rested, &with(8, 60.0));
    assert_eq!(low.most_minutes, 30);
    assert!(
        low.limits[0].contains("Back from 20 days off"),
        "{:?}",
        low.limits
    );
}

/// Pain first: a vet, not the card, answers that (trade of the barn, common practice).
#[test]
fn nobody_rides_a_horse_in_pain_until_somebody_has_looked() {
    let made = made();
    let mut judged = judged(&made);
    judged.file.care.push(CareNote {
        care_id: uuid::Uuid::from_u128(1),
        kind: CareKind::Pain,
        day: made.on,
        cleared_on: None,
        text: String::new(),
        again_days: None,
    });
    let card = card(of(&judged, &made), &Day::default());
    assert_eq!(parts(&card), [Part::CheckOver]);
    assert_eq!((card.minutes, card.most_minutes), (0, 0));
    assert_eq!(
        card.limits,
        ["Get the horse looked at before anybody rides."]
    );
}

#[test]
fn a_day_far_above_the_horses_own_says_so() {
    let mut day = Day {
        quiet_min: vec![4.0, 5.0, 6.0, 5.0],
        quiet_today_min: Some(9.0),
        ..Day::default()
    };
    assert!(!day.is_far_from_quiet());
    day.quiet_today_min = Some(18.0);
    let card = card_of(&made(), &day);
    assert!(
        card.cautions[0].starts_with("Took 18 min to be quiet; 5 is usual."),
        "{:?}",
        card.cautions
    );
    day.quiet_min.truncate(3);
    assert!(!day.is_far_from_quiet(), "three days are not a habit");
}

#[test]
fn a_horse_that_looks_about_gets_short_blocks_with_something_between() {
    let day = Day {
        traits: vec![HorseTrait::LooksAbout],
        minutes: 60,
        ..Day::default()
    };
    let card = card_of(&made(), &day);
    let asked = card
        .blocks
        .iter()
        .filter(|block| [Part::Work, Part::Review].contains(&block.part));
    assert!(
        asked.clone().all(|block| block.minutes <= 4),
        "{:?}",
        parts(&card)
    );
    let works: Vec<usize> = (0..card.blocks.len())
        .filter(|at| card.blocks[*at].part == Part::Work)
        .collect();
    assert!(
        works.len() > 1 && works.windows(2).all(|pair| pair[1] > pair[0] + 1),
        "{:?}",
        parts(&card)
    );
}

#[test]
fn every_trait_says_what_it_changes() {
    let plain = card_of(
        &made(),
        &Day {
            minutes: 60,
            ..Day::default()
        },
    );
    for horse_trait in HorseTrait::ALL {
        assert!(horse_trait.effect().ends_with('.') && !horse_trait.name().is_empty());
        assert_eq!(
            serde_json::to_value(horse_trait).unwrap(),
            horse_trait.word()
        );
    }
    let hot = card_of(
        &made(),
        &Day {
            minutes: 60,
            traits: vec![HorseTrait::Hot],
            ..Day::default()
        },
    );
    let minutes = |card: &Card, part: Part| -> u32 {
        card.blocks
            .iter()
            .filter(|block| block.part == part)
            .map(|block| block.minutes)
            .sum()
    };
    assert_eq!(
        minutes(&hot, Part::Loosen),
        minutes(&plain, Part::Loosen) + 3
    );
    assert_eq!(
        minutes(&hot, Part::WalkOut),
        minutes(&plain, Part::WalkOut) + 2
    );
}
