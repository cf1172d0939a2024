//! What a device sends: rides with their blocks, and reps, all with ids of its own
//! making. A batch may be sent again, in part or whole, in any order; the same id
//! is the same thing.

use std::collections::HashSet;

use jiff::Timestamp;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::close_out::{Exertion, Mood, RideEnd};
use super::rig::RigFrom;
use super::shares::{HorseAsked, ShareSaid};
use super::work::WorkSaid;
use crate::Side;
use crate::bounds::{
    BLOCKS, CHANGES, FieldError, NAME_LETTERS, NOTE_LETTERS, QUIET_S, REPS_AT_ONCE, RIDE_MS,
    RIDES_AT_ONCE, SEGMENTS, SEQUENCE, SET_FORWARD_S, SPOTS, TWO_REIN_EVENTS, WORKS_OF_RIDE, once,
};
use crate::horse::RideMark;
use crate::intake::of_ride::IntakeOfRide;
use crate::ladder::check::{check_answer, check_fault, find_level};
use crate::ladder::{FaultId, Ladder, Level, RungId, SkillId};
use crate::rep::Measure;
use crate::text::{check_optional_text, check_text};

/// The form of a batch. It rises when an older application's batches can no longer
/// be read; a device that sends an older one is told to update.
pub const FORM: u32 = 2;

/// Rides and reps from one device.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Batch {
    /// Whose they are: the person who was signed in when they were recorded.
    pub person_id: Uuid,
    /// The device's own time as it sends. A clock that is off is put right by it.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = DateTime))]
    pub sent_at: Timestamp,
    /// Rides begun, finished or spoken of.
    #[serde(default)]
    pub rides: Vec<NewRide>,
    /// Reps asked, taken back or brought back.
    #[serde(default)]
    pub reps: Vec<NewRep>,
}

/// A ride as the device knows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct NewRide {
    /// Made on the device (UUIDv7).
    pub ride_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// When it began, as the device's clock stood then. Never changes.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = DateTime))]
    pub started_at: Timestamp,
    /// By how many seconds the device's clock was set forward since, as far as the
    /// device saw it; below zero for back.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = -4e9, maximum = 4e9))]
    pub set_forward_s: f64,
    /// Milliseconds from the start to the finish; null while it goes on.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 172_800_000))]
    pub finished_after_ms: Option<u32>,
    /// How often it was opened again after a finish. The highest is the latest word.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1000))]
    pub opened_again: u32,
    /// Its parts, as far as this device knows them.
    #[serde(default)]
    pub blocks: Vec<NewBlock>,
    /// What made it unlike the others; left out by a device that does not say.
    #[serde(default)]
    pub marks: Option<Vec<RideMark>>,
    /// All faults seen in parts of the ride, beside those on its reps; what is named
    /// takes the place of what was. Left out by a device that does not say.
    #[serde(default)]
    pub faults: Option<Vec<BlockFault>>,
    /// Seconds the horse was led and moved about until it was quiet, before mounting;
    /// left out while nobody took it.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 36_000))]
    pub quiet_after_s: Option<f64>,
    /// The headgear, and what it was changed for on the way; added to what other devices
    /// said of the ride. Left out by a device that does not say.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub rigs: Option<Vec<RigFrom>>,
    /// In the two-rein: the share along the ride; added to what other devices said. Left out
    /// by a device that does not say.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 200))]
    pub shares: Option<Vec<ShareSaid>>,
    /// What the horse asked for in the two-rein or the bosal; added likewise.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 100))]
    pub horse_asked: Option<Vec<HorseAsked>>,
    /// The works on cattle or the flag; added to what other devices said, an end that was said
    /// stays. Left out by a device that does not say.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 60))]
    pub works: Option<Vec<WorkSaid>>,
    /// That it was logged from a film, and who rides in it; left out for a ride that was
    /// recorded from the saddle or beside it.
    #[serde(default)]
    pub from_tape: Option<FromTape>,
    /// That it is part of an intake; left out for any other ride.
    #[serde(default)]
    pub intake: Option<IntakeOfRide>,
    /// Who else was there, on rides that nobody does alone; left out while nobody said.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub present: Option<String>,
    /// How it ended; left out while nobody said.
    #[serde(default)]
    pub ended: Option<RideEnd>,
    /// The horse's mood; left out while nobody said.
    #[serde(default)]
    pub mood: Option<Mood>,
    /// How hard it was on the horse; left out while nobody said.
    #[serde(default)]
    pub exertion: Option<Exertion>,
    /// One line for next time.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 600))]
    pub note: Option<String>,
}

/// Where a ride comes from that was logged at the desk.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct FromTape {
    /// Who rides in the film; whoever logs it need not.
    pub rider_id: Uuid,
}

/// A part of a ride with one aim: one level, asked for a while.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct NewBlock {
    /// Made on the device (UUIDv7).
    pub block_id: Uuid,
    /// Its place in the order of the ride.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 200))]
    pub position: u32,
    /// The skill.
    pub skill: SkillId,
    /// The rung.
    pub rung: RungId,
}

/// A fault seen in the asks of one level of a ride.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct BlockFault {
    /// The skill.
    pub skill: SkillId,
    /// The rung.
    pub rung: RungId,
    /// The fault.
    pub fault: FaultId,
}

/// A rep as the device knows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct NewRep {
    /// Made on the device when the ask began (UUIDv7).
    pub rep_id: Uuid,
    /// Its ride, of this batch or sent before.
    pub ride_id: Uuid,
    /// Its block, of this batch or sent before; of the same level as the rep.
    pub block_id: Uuid,
    /// What was asked.
    pub skill: SkillId,
    /// The rung it was asked at, such as `walk`.
    pub rung: RungId,
    /// The side that was asked; `both` where sides are not asked apart.
    pub side: Side,
    /// Its place among the asks that its device recorded in the ride.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 100_000))]
    pub sequence: u32,
    /// Milliseconds from the ride's start to the ask, by a clock that only runs
    /// forward. This orders the asks of a ride.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 172_800_000))]
    pub asked_after_ms: u32,
    /// When the ask began, as the device's clock stood then. Kept as it was said;
    /// a clock that was wrong or was set reorders nothing.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = DateTime))]
    pub asked_at: Timestamp,
    /// What was measured.
    pub measure: Measure,
    /// Faults that were seen.
    #[serde(default)]
    pub faults: Vec<FaultId>,
    /// Taken back by the rider: kept, never judged.
    #[serde(default)]
    pub undone: bool,
    /// How often it was taken back or brought back. The highest is the latest word;
    /// of two alike, taken back.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1000))]
    pub changes: u32,
}

impl Batch {
    /// Checks everything that can be checked without the barn's own data.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed there.
    pub fn check(&self, ladder: &Ladder) -> Result<(), Vec<FieldError>> {
        let mut errors = Vec::new();
        let mut note = |result: Result<(), FieldError>| errors.extend(result.err());
        note(count(RIDES_AT_ONCE, "/rides", self.rides.len()));
        note(count(REPS_AT_ONCE, "/reps", self.reps.len()));
        let mut seen = HashSet::new();
        for (index, ride) in self.rides.iter().enumerate() {
            let at = format!("/rides/{index}");
            note(once(&mut seen, ride.ride_id, &format!("{at}/ride_id")));
            note(ride.check(ladder).map_err(|error| error.under(&at)));
        }
        seen.clear();
        for (index, rep) in self.reps.iter().enumerate() {
            let at = format!("/reps/{index}");
            note(once(&mut seen, rep.rep_id, &format!("{at}/rep_id")));
            note(rep.check(ladder).map_err(|error| error.under(&at)));
        }
        if errors.is_empty() {
            Ok(())
        } else {
            Err(errors)
        }
    }
}

impl NewRide {
    fn check(&self, ladder: &Ladder) -> Result<(), FieldError> {
        SET_FORWARD_S.check("/set_forward_s", self.set_forward_s)?;
        CHANGES.check("/opened_again", f64::from(self.opened_again))?;
        if let Some(seconds) = self.quiet_after_s {
            QUIET_S.check("/quiet_after_s", seconds)?;
        }
        if let Some(ms) = self.finished_after_ms {
            RIDE_MS.check("/finished_after_ms", f64::from(ms))?;
        }
        if let Some(intake) = &self.intake {
            intake
                .check(ladder)
                .map_err(|error| error.under("/intake"))?;
        }
        self.check_blocks(ladder)?;
        self.check_chips(ladder)
    }

    fn check_blocks(&self, ladder: &Ladder) -> Result<(), FieldError> {
        count(BLOCKS, "/blocks", self.blocks.len())?;
        let mut seen = HashSet::new();
        for (index, block) in self.blocks.iter().enumerate() {
            let at = format!("/blocks/{index}");
            once(&mut seen, block.block_id, &format!("{at}/block_id"))?;
            BLOCKS.check(&format!("{at}/position"), f64::from(block.position))?;
            find_level(&block.level(), ladder).map_err(|error| error.under(&at))?;
        }
        Ok(())
    }

    fn check_chips(&self, ladder: &Ladder) -> Result<(), FieldError> {
        count(SPOTS, "/marks", self.marks.as_ref().map_or(0, Vec::len))?;
        let faults = self.faults.as_deref().unwrap_or_default();
        count(SPOTS, "/faults", faults.len())?;
        let rigs = self.rigs.as_deref().unwrap_or_default();
        count(SPOTS, "/rigs", rigs.len())?;
        let mut began = HashSet::new();
        for (index, rig) in rigs.iter().enumerate() {
            let at = format!("/rigs/{index}");
            rig.check().map_err(|error| error.under(&at))?;
            if !began.insert(rig.after_ms) {
                return Err(FieldError::new(
                    format!("{at}/after_ms"),
                    "two rigs begin at the same moment; name the one that was ridden",
                ));
            }
        }
        self.check_shares()?;
        self.check_works()?;
        if let Some(text) = &self.present {
            check_text(NAME_LETTERS, "/present", text)?;
        }
        if let Some(text) = &self.note {
            check_optional_text(NOTE_LETTERS, "/note", text)?;
        }
        for (index, chip) in faults.iter().enumerate() {
            let at = format!("/faults/{index}");
            let level = Level {
                skill: chip.skill.clone(),
                rung: chip.rung.clone(),
            };
            find_level(&level, ladder).map_err(|error| error.under(&at))?;
            check_fault(&chip.fault, ladder)
                .map_err(|error| error.under(&format!("{at}/fault")))?;
        }
        Ok(())
    }
}

impl NewRide {
    fn check_works(&self) -> Result<(), FieldError> {
        let works = self.works.as_deref().unwrap_or_default();
        count(WORKS_OF_RIDE, "/works", works.len())?;
        let mut seen = HashSet::new();
        for (index, work) in works.iter().enumerate() {
            let at = format!("/works/{index}");
            work.check().map_err(|error| error.under(&at))?;
            once(&mut seen, work.work_id, &format!("{at}/work_id"))?;
        }
        Ok(())
    }

    fn check_shares(&self) -> Result<(), FieldError> {
        let shares = self.shares.as_deref().unwrap_or_default();
        if !shares.is_empty() {
            count(SEGMENTS, "/shares", shares.len())?;
        }
        let mut began = HashSet::new();
        for (index, share) in shares.iter().enumerate() {
            let at = format!("/shares/{index}");
            share.check().map_err(|error| error.under(&at))?;
            if !began.insert(share.after_ms) {
                return Err(FieldError::new(
                    format!("{at}/after_ms"),
                    "two shares begin at the same moment; name the one that stood",
                ));
            }
        }
        let asked = self.horse_asked.as_deref().unwrap_or_default();
        count(TWO_REIN_EVENTS, "/horse_asked", asked.len())?;
        let mut seen = HashSet::new();
        for (index, one) in asked.iter().enumerate() {
            let at = format!("/horse_asked/{index}");
            one.check().map_err(|error| error.under(&at))?;
            once(&mut seen, one.ask_id, &format!("{at}/ask_id"))?;
        }
        Ok(())
    }
}

impl NewBlock {
    /// The level it is for.
    pub fn level(&self) -> Level {
        Level {
            skill: self.skill.clone(),
            rung: self.rung.clone(),
        }
    }
}

impl NewRep {
    /// The level it was asked at.
    pub fn level(&self) -> Level {
        Level {
            skill: self.skill.clone(),
            rung: self.rung.clone(),
        }
    }

    fn check(&self, ladder: &Ladder) -> Result<(), FieldError> {
        SEQUENCE.check("/sequence", f64::from(self.sequence))?;
        RIDE_MS.check("/asked_after_ms", f64::from(self.asked_after_ms))?;
        CHANGES.check("/changes", f64::from(self.changes))?;
        check_answer(
            &self.level(),
            self.side,
            &self.measure,
            &self.faults,
            ladder,
        )
    }
}

fn count(bound: crate::bounds::Bound, field: &str, found: usize) -> Result<(), FieldError> {
    bound.check_count(field, found).map(|_| ())
}
