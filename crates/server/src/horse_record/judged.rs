//! A horse, judged on one date.

use std::collections::HashMap;
use std::sync::{Arc, Mutex, PoisonError};

use cavesson_core::card::{Card, Day, Horse as JudgedHorse};
use cavesson_core::judge::horse::judge_horse_after;
use cavesson_core::judge::judged_before::JudgedBefore;
use cavesson_core::judge::{BrakeChain, BrakeLimit, FoundHole, HorseFile, Standing};
use cavesson_core::ladder::Ladder;
use cavesson_core::road::gathered;
use jiff::civil::Date;
use uuid::Uuid;

use super::carried::{self, CarriedBefore};
use super::horse_ladder::HorseLadder;
use super::known::Known;
use super::rider_offsets::RidersOfBarn;

/// Cards kept of each judged horse.
const MOST_CARDS: usize = 4;

/// What was read of a horse, to be judged.
pub struct ReadHorse {
    pub(super) barn_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// What is known of it.
    pub known: Arc<Known>,
    /// Its ladder.
    pub on_ladder: HorseLadder,
    /// How the barn's riders differ, as far as that was known.
    pub riders: Arc<RidersOfBarn>,
    /// The last day up to which what was said of it has been kept.
    pub judged_until: Option<Date>,
}

/// A horse, judged on one date.
pub struct Judged {
    /// The horse.
    pub horse_id: Uuid,
    /// What is known of it.
    pub known: Arc<Known>,
    /// Its ladder.
    pub on_ladder: HorseLadder,
    /// How the barn's riders differ, as far as that was known.
    pub riders: Arc<RidersOfBarn>,
    /// The same, laid along the ladder.
    pub file: HorseFile,
    /// The date.
    pub on: Date,
    /// Every level.
    pub standings: Vec<Standing>,
    /// The cards that were built of it lately, with the days they are for: Today asks for
    /// the same ones again and again.
    cards: Mutex<Vec<(Day, Arc<Card>)>>,
    /// Rides that levels may still take, as far as they were asked for.
    rides_left: Mutex<HashMap<usize, Vec<Option<u32>>>>,
}

impl ReadHorse {
    /// The same horse, judged.
    pub fn judge(&self, on: Date) -> Judged {
        Judged::of(
            self.horse_id,
            &self.known,
            &self.on_ladder,
            &self.riders,
            on,
            None,
        )
    }

    /// The same, taking over what of an earlier judgement still holds.
    pub fn judge_after(&self, on: Date, before: Option<&Judged>) -> Judged {
        Judged::of(
            self.horse_id,
            &self.known,
            &self.on_ladder,
            &self.riders,
            on,
            before,
        )
    }
}

impl Judged {
    fn of(
        horse_id: Uuid,
        known: &Arc<Known>,
        on_ladder: &HorseLadder,
        riders: &Arc<RidersOfBarn>,
        on: Date,
        before: Option<&Judged>,
    ) -> Judged {
        let mut file = carried::laid_along(&on_ladder.ladder, known, riders);
        file.carried = carried::carried(known, on_ladder, riders, before.map(Judged::carried));
        let before = before.map(|before| JudgedBefore {
            ladder: &before.on_ladder.ladder,
            file: &before.file,
            standings: &before.standings,
            on: before.on,
        });
        let standings = judge_horse_after(&on_ladder.ladder, &file, on, before);
        Judged {
            horse_id,
            known: known.clone(),
            on_ladder: on_ladder.clone(),
            riders: riders.clone(),
            file,
            on,
            standings,
            cards: Mutex::default(),
            rides_left: Mutex::default(),
        }
    }

    /// What it carried over, and what that rests on.
    fn carried(&self) -> CarriedBefore<'_> {
        CarriedBefore {
            known: &self.known,
            on_ladder: &self.on_ladder,
            riders: &self.riders,
            carried: self.file.carried.as_ref(),
        }
    }

    /// The same as its card sees it.
    pub fn for_card<'a>(&'a self, holes: &'a [FoundHole]) -> JudgedHorse<'a> {
        JudgedHorse {
            ladder: self.ladder(),
            file: &self.file,
            standings: &self.standings,
            holes,
            on: self.on,
        }
    }

    /// The card of a day, built once; `build` makes it.
    pub fn card(&self, day: &Day, build: impl FnOnce() -> Card) -> Arc<Card> {
        let known = |cards: &Vec<(Day, Arc<Card>)>| {
            let found = cards.iter().find(|(of, _)| of == day);
            found.map(|(_, card)| card.clone())
        };
        let cards = || self.cards.lock().unwrap_or_else(PoisonError::into_inner);
        if let Some(card) = known(&cards()) {
            return card;
        }
        // Not while it is locked: building takes milliseconds.
        let built = Arc::new(build());
        let mut kept = cards();
        if kept.len() >= MOST_CARDS {
            kept.remove(0);
        }
        kept.push((day.clone(), built.clone()));
        built
    }

    /// The rides a level may still take by the judge's forecast, drawn once.
    pub fn rides_left(&self, index: usize) -> Vec<Option<u32>> {
        let kept = || {
            let kept = self.rides_left.lock();
            kept.unwrap_or_else(PoisonError::into_inner)
        };
        if let Some(rides) = kept().get(&index) {
            return rides.clone();
        }
        // Not while it is locked: drawing takes milliseconds.
        let rides =
            gathered::rides_left(self.ladder(), &self.file, &self.standings, index, self.on);
        kept().insert(index, rides.clone());
        rides
    }

    /// The same horse on the same day, on another ladder.
    pub fn on_another_ladder(&self, on_ladder: &HorseLadder) -> Judged {
        Judged::of(
            self.horse_id,
            &self.known,
            on_ladder,
            &self.riders,
            self.on,
            Some(self),
        )
    }

    /// Why it does nothing fast for now: its brake. None where that is held at the lope.
    pub fn no_fast_work(&self) -> Option<String> {
        let brake = BrakeChain::of(self.ladder(), &self.standings);
        brake.no_fast_work(self.ladder(), &self.standings, self.file.sex)
    }

    /// What its brake keeps it from, where that was lost.
    pub fn brake_lost(&self) -> Option<BrakeLimit> {
        BrakeLimit::of_lost(self.ladder(), &self.standings)
    }

    /// Its ladder.
    pub fn ladder(&self) -> &Ladder {
        &self.on_ladder.ladder
    }

    /// The version of what is known of the horse.
    pub fn version(&self) -> i64 {
        self.known.version
    }
}
