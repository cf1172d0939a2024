//! What is known of the horses, kept in memory by version, and judged.
//!
//! The database is the record. A horse's row carries the version of what is
//! known of it; here stands what was read until some version, and only what came
//! after it is read again, in a transaction that sees one state. A verdict is made
//! from exactly the version that the request's own transaction sees, so it is never
//! stale; and what is kept here equals what a fresh server would read.

mod carried;
pub mod horse_ladder;
pub mod keep;
mod programs_before;
mod read;
mod retell;
pub mod riders;

use std::collections::{HashMap, HashSet};
use std::sync::{Arc, Mutex, PoisonError};

use cavesson_core::card::{Card, Day};
use cavesson_core::evidence::rider::RiderOffset;
use cavesson_core::evidence::riders_from::{RidersFrom, in_use};
use cavesson_core::horse::{CareNote, Sex};
use cavesson_core::judge::horse::judge_horse_after;
use cavesson_core::judge::judged_before::JudgedBefore;
use cavesson_core::judge::{
    BrakeChain, BrakeLimit, DropAnswer, HorseFile, KeptIntake, Overrule, Placing, RideFacts,
    Standing,
};
use cavesson_core::ladder::{Ladder, Level};
use cavesson_core::rep::Rep;
use cavesson_core::road::gathered;
use cavesson_store::known::{self, BlockFault, KnownVersion};
use cavesson_store::{BarnTransaction, rider_offset};
use jiff::civil::Date;
use moka::sync::Cache;
use uuid::Uuid;

use crate::problem::{Answer, Problem};
use crate::work::Line;
pub use horse_ladder::{HorseLadder, Ladders};

/// Reps kept in memory over all horses; about 250 bytes each.
const MOST_REPS: u64 = 2_000_000;

/// Cards kept of each judged horse.
const MOST_CARDS: usize = 4;

/// A horse of a barn. Ids are made on devices: nothing says that another barn's
/// device did not make the same.
type HorseOfBarn = (Uuid, Uuid);

/// Barns whose riders are kept in memory.
const MOST_BARNS: u64 = 1000;

/// How a barn's riders differ.
#[derive(Debug, Default, PartialEq)]
pub struct RidersOfBarn {
    /// The comparisons that asks are read by, the earliest first.
    pub in_use: Vec<RidersFrom>,
    /// The last comparison.
    pub latest: Vec<RiderOffset>,
}

/// What has been read of the horses so far.
#[derive(Clone)]
pub struct KnownHorses {
    horses: Cache<HorseOfBarn, Arc<Known>>,
    judged: Cache<HorseOfBarn, Arc<Judged>>,
    /// By barn and the day of the last comparison.
    riders: Cache<(Uuid, Date), Arc<RidersOfBarn>>,
    /// The ladders of the programs.
    pub ladders: Ladders,
    judging: Line,
}

/// What is known of one horse.
pub struct Known {
    version: i64,
    /// Mare, gelding or stallion.
    pub sex: Option<Sex>,
    /// Its reps that were not taken back, level by level. Shared with the version
    /// before where nothing was added.
    pub reps: HashMap<Level, Arc<Vec<Rep>>>,
    count: usize,
    /// Reps that this version of the program cannot read.
    unreadable_reps: HashSet<Uuid>,
    /// Notes and overrules that it cannot read.
    unreadable_rows: usize,
    /// Its rides, oldest first.
    pub rides: Vec<RideFacts>,
    /// Faults seen in parts of its rides.
    pub faults: Vec<BlockFault>,
    /// Notes of care.
    pub care: Vec<CareNote>,
    /// Decisions of the trainer that stand, oldest first.
    pub overrules: Vec<Overrule>,
    /// What its intake showed, when it had one.
    pub intake: Option<KeptIntake>,
    /// Where it was placed by hand.
    pub placings: Vec<Placing>,
    /// Who looked at a side that went bad at once, and what came of it.
    pub answers: Vec<DropAnswer>,
}

/// What was read of a horse, to be judged.
pub struct ReadHorse {
    barn_id: Uuid,
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
        file.carried = carried::carried(known, on_ladder, riders, before);
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

impl KnownHorses {
    /// Nothing yet; horses are judged in that line of work.
    pub fn new(judging: Line) -> KnownHorses {
        let weight = |count: usize| count.try_into().unwrap_or(u32::MAX);
        KnownHorses {
            horses: Cache::builder()
                .weigher(move |_: &HorseOfBarn, known: &Arc<Known>| weight(known.count))
                .max_capacity(MOST_REPS)
                .build(),
            judged: Cache::builder()
                .weigher(move |_: &HorseOfBarn, judged: &Arc<Judged>| weight(judged.known.count))
                .max_capacity(MOST_REPS)
                .build(),
            riders: Cache::new(MOST_BARNS),
            ladders: Ladders::default(),
            judging,
        }
    }

    /// What is known of horses, in the order of `horse_ids`, to be judged on `on`; one
    /// that is not in the barn is left out. `barn` is to see one state.
    pub async fn read(
        &self,
        barn: &mut BarnTransaction,
        horse_ids: &[Uuid],
        on: Date,
    ) -> Answer<Vec<ReadHorse>> {
        let versions: HashMap<Uuid, KnownVersion> = known::versions(barn, horse_ids)
            .await?
            .into_iter()
            .map(|version| (version.horse_id, version))
            .collect();
        let mut ladders = self.ladders.in_use(barn, versions.values(), on).await?;
        let riders = self.riders(barn, on).await?;
        let mut found = Vec::with_capacity(horse_ids.len());
        for version in horse_ids.iter().filter_map(|id| versions.get(id)) {
            found.push(ReadHorse {
                barn_id: barn.barn_id(),
                horse_id: version.horse_id,
                known: self.known(barn, version).await?,
                on_ladder: ladders
                    .remove(&version.horse_id)
                    .unwrap_or_else(|| self.ladders.standard()),
                riders: riders.clone(),
                judged_until: version.judged_until,
            });
        }
        Ok(found)
    }

    /// How the barn's riders differ, as far as that was known on a day.
    async fn riders(&self, barn: &mut BarnTransaction, on: Date) -> Answer<Arc<RidersOfBarn>> {
        let Some(last) = rider_offset::last_compared(barn, on).await? else {
            return Ok(Arc::default());
        };
        let key = (barn.barn_id(), last);
        if let Some(riders) = self.riders.get(&key) {
            return Ok(riders);
        }
        let comparisons = rider_offset::until(barn, last).await?;
        let riders = Arc::new(RidersOfBarn {
            latest: comparisons
                .last()
                .map(|last| last.riders.clone())
                .unwrap_or_default(),
            in_use: in_use(comparisons),
        });
        self.riders.insert(key, riders.clone());
        Ok(riders)
    }

    /// Judges horses that were read. No connection is held meanwhile.
    pub async fn judge(&self, read: Vec<ReadHorse>, on: Date) -> Answer<Vec<Arc<Judged>>> {
        let mut all = Vec::with_capacity(read.len());
        for horse in read {
            all.push(self.judge_one(horse, on).await?);
        }
        Ok(all)
    }

    /// Horses judged on `on`, in the order of `horse_ids`. The transaction ends when
    /// all is read.
    pub async fn judged(
        &self,
        mut barn: BarnTransaction,
        horse_ids: &[Uuid],
        on: Date,
    ) -> Answer<Vec<Arc<Judged>>> {
        let read = self.read(&mut barn, horse_ids, on).await?;
        drop(barn);
        self.judge(read, on).await
    }

    /// One horse judged on `on`. The transaction ends when all is read.
    pub async fn judged_horse(
        &self,
        barn: BarnTransaction,
        horse_id: Uuid,
        on: Date,
    ) -> Answer<Arc<Judged>> {
        self.judged(barn, &[horse_id], on)
            .await?
            .pop()
            .ok_or_else(|| Problem::not_found("no such horse in this barn"))
    }

    async fn judge_one(&self, read: ReadHorse, on: Date) -> Answer<Arc<Judged>> {
        let key = (read.barn_id, read.horse_id);
        let before = self.judged.get(&key);
        let same = before.as_ref().filter(|judged| {
            judged.known.version == read.known.version
                && judged.on == on
                && judged.on_ladder.is_same(&read.on_ladder)
                && judged.riders == read.riders
        });
        if let Some(judged) = same {
            return Ok(judged.clone());
        }
        let judge = move || Arc::new(read.judge_after(on, before.as_deref()));
        let judged = self.judging.run(judge).await?;
        let newer = |old: &Arc<Judged>| old.known.version > judged.known.version;
        self.judged.entry(key).and_upsert_with(|old| {
            let old = old.map(moka::Entry::into_value);
            old.filter(newer).unwrap_or_else(|| judged.clone())
        });
        Ok(judged)
    }

    /// What is known of a horse in this version: what was read before, and what
    /// came after it.
    async fn known(
        &self,
        barn: &mut BarnTransaction,
        version: &KnownVersion,
    ) -> Answer<Arc<Known>> {
        let key = (barn.barn_id(), version.horse_id);
        let before = self.horses.get(&key);
        if let Some(known) = before
            .as_ref()
            .filter(|known| known.version == version.version)
        {
            return Ok(known.clone());
        }
        // A version from before what is in memory: another request read on while
        // this one's transaction still sees the past. It reads all again.
        let before = before.filter(|known| {
            known.version < version.version && known.version >= version.forgotten_until
        });
        let known = Arc::new(read::known_of(barn, version, before.as_deref()).await?);
        self.horses.entry(key).and_upsert_with(|old| {
            let old = old.map(moka::Entry::into_value);
            old.filter(|old| old.version > known.version)
                .unwrap_or_else(|| known.clone())
        });
        Ok(known)
    }
}

impl Known {
    /// The version of what is known.
    pub fn version(&self) -> i64 {
        self.version
    }

    /// How much of it this version of the program cannot read. It is kept, and not
    /// judged.
    pub fn unreadable(&self) -> usize {
        self.unreadable_reps.len() + self.unreadable_rows
    }

    /// The first day that something is known of.
    pub fn first_day(&self) -> Option<Date> {
        let rides = self.rides.iter().map(|ride| ride.day);
        let overrules = self.overrules.iter().map(|overrule| overrule.day);
        let placings = self.placings.iter().map(|placing| placing.day);
        let intake = self.intake.iter().map(|intake| intake.day);
        rides.chain(overrules).chain(placings).chain(intake).min()
    }

    /// Whether the same was known of the days before one, beside what is not dated.
    fn is_same_before(&self, other: &Known, day: Date) -> bool {
        let same_reps = |level: &Level| {
            let of = |known: &Known| known.reps.get(level).cloned().unwrap_or_default();
            let (own, others) = (of(self), of(other));
            let early = |reps: &[Rep]| -> Vec<Rep> {
                let early = reps.iter().filter(|rep| rep.day < day);
                early.cloned().collect()
            };
            Arc::ptr_eq(&own, &others) || early(&own) == early(&others)
        };
        let early = |known: &Known| -> Vec<RideFacts> {
            let early = known.rides.iter().filter(|ride| ride.day < day);
            early.cloned().collect()
        };
        self.sex == other.sex
            && self.care == other.care
            && self.overrules == other.overrules
            && self.intake == other.intake
            && self.placings == other.placings
            && self.answers == other.answers
            && self.faults == other.faults
            && early(self) == early(other)
            && self.reps.keys().chain(other.reps.keys()).all(same_reps)
    }

    /// The same laid along a ladder.
    pub fn file(&self, ladder: &Ladder) -> HorseFile {
        let mut file = HorseFile::of_reps(
            ladder,
            self.reps.values().flat_map(|of_level| of_level.iter()),
        );
        for chip in &self.faults {
            let index = ladder.position(&chip.level);
            if let Some((index, fault)) = index.zip(ladder.fault(&chip.fault)) {
                file.add_fault(index, chip.ride_id, fault);
            }
        }
        file.sex = self.sex;
        file.rides = self.rides.clone();
        file.care = self.care.clone();
        file.overrules = self.overrules.clone();
        file.intake = self.intake.clone();
        file.placings = self.placings.clone();
        file.answers = self.answers.clone();
        file
    }
}
