//! The card of a horse under test.
#![allow(dead_code)]

use cavesson_judge::card::{Card, Day, Horse, Part, card};
use cavesson_judge::judge::{FoundHole, HorseFile, Standing, holes, judge_horse};
use cavesson_reps::ladder::Ladder;

use super::holding::HorseWith;

pub struct Judged {
    pub file: HorseFile,
    pub standings: Vec<Standing>,
    pub holes: Vec<FoundHole>,
}

pub fn judged(horse: &HorseWith) -> Judged {
    let ladder = Ladder::shipped();
    let file = horse.file();
    let standings = judge_horse(ladder, &file, horse.on);
    let holes = holes(ladder, &file, &standings, horse.on);
    Judged {
        file,
        standings,
        holes,
    }
}

pub fn of<'a>(judged: &'a Judged, horse: &HorseWith) -> Horse<'a> {
    Horse {
        ladder: Ladder::shipped(),
        file: &judged.file,
        standings: &judged.standings,
        holes: &judged.holes,
        on: horse.on,
    }
}

pub fn card_of(horse: &HorseWith, day: &Day) -> Card {
    card(of(&judged(horse), horse), day)
}

pub fn parts(card: &Card) -> Vec<Part> {
    card.blocks.iter().map(|block| block.part).collect()
}

pub fn names(card: &Card, part: Part) -> Vec<String> {
    card.blocks
        .iter()
        .filter(|block| block.part == part)
        .flat_map(|block| &block.levels)
        .map(|named| named.level.to_string())
        .collect()
}

/// A horse that is ridden at the lope: everything of these skills is held.
pub fn made() -> HorseWith {
    HorseWith::holding_skills(&[
        "start.touch",
        "start.bend-ground",
        "start.poll-ground",
        "start.quarters-ground",
        "start.side-lead",
        "start.mount",
        "start.brake",
        "start.forward",
        "start.follow-hand",
        "bend.flex",
        "bend.forward-circle",
        "bend.hip",
        "frame.poll",
        "frame.back",
    ])
}
