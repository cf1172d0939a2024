//! What a device sends: rides and reps with ids of its own making. A batch may
//! be sent again, in part or whole, in any order; the same id is the same thing.

use std::collections::HashSet;

use jiff::{SignedDuration, Timestamp};
use serde::Deserialize;
use uuid::Uuid;

use crate::Side;
use crate::bounds::{CLOCK_AHEAD_S, FieldError, REPS_AT_ONCE, RIDES_AT_ONCE};
use crate::bounds::{NOTE_LETTERS, SPOTS};
use crate::horse::RideMark;
use crate::ladder::{FaultId, Ladder, Level, RungId, SkillId};
use crate::rep::check::{check_answer, check_fault, find_level};
use crate::rep::{Measure, Rep};

/// Nothing was recorded before the product was.
const EARLIEST: &str = "2020-01-01T00:00:00Z";

/// Rides and reps from one device.
#[derive(Debug, Clone, Default, PartialEq, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Batch {
    /// Rides begun or finished.
    #[serde(default)]
    pub rides: Vec<NewRide>,
    /// Reps asked or taken back.
    #[serde(default)]
    pub reps: Vec<NewRep>,
}

/// A ride as the device knows it.
#[derive(Debug, Clone, PartialEq, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct NewRide {
    /// Made on the device (UUIDv7).
    pub ride_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// When it began.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = DateTime))]
    pub started_at: Timestamp,
    /// When it was finished; null while it goes on.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = DateTime))]
    pub finished_at: Option<Timestamp>,
    /// What made it unlike the others; left out by a device that does not say.
    #[serde(default)]
    pub marks: Option<Vec<RideMark>>,
    /// All faults seen in parts of the ride, beside those on its reps; what is named
    /// takes the place of what was. Left out by a device that does not say.
    #[serde(default)]
    pub faults: Option<Vec<BlockFault>>,
    /// One line for next time.
    #[serde(default)]
    pub note: Option<String>,
}

/// A fault seen in the asks of one level of a ride.
#[derive(Debug, Clone, PartialEq, Eq, Deserialize)]
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
#[derive(Debug, Clone, PartialEq, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct NewRep {
    /// Made on the device (UUIDv7).
    pub rep_id: Uuid,
    /// Its ride, of this batch or sent before.
    pub ride_id: Uuid,
    /// What was asked.
    pub skill: SkillId,
    /// The rung it was asked at, such as `walk`.
    pub rung: RungId,
    /// The side that was asked; `both` where sides are not asked apart.
    pub side: Side,
    /// When the ask began.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = DateTime))]
    pub asked_at: Timestamp,
    /// What was measured.
    pub measure: Measure,
    /// Faults that were seen.
    #[serde(default)]
    pub faults: Vec<FaultId>,
    /// Taken back by the rider: kept, never judged. Once taken back it stays so.
    #[serde(default)]
    pub undone: bool,
}

impl Batch {
    /// Checks everything that can be checked without the barn's own data.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed there.
    pub fn check(&self, ladder: &Ladder, now: Timestamp) -> Result<(), Vec<FieldError>> {
        let mut errors = Vec::new();
        let mut note = |result: Result<(), FieldError>| errors.extend(result.err());
        note(
            RIDES_AT_ONCE
                .check_count("/rides", self.rides.len())
                .map(|_| ()),
        );
        note(
            REPS_AT_ONCE
                .check_count("/reps", self.reps.len())
                .map(|_| ()),
        );
        let mut seen = HashSet::new();
        for (index, ride) in self.rides.iter().enumerate() {
            let at = format!("/rides/{index}");
            note(once(&mut seen, ride.ride_id, &format!("{at}/ride_id")));
            note(time(&format!("{at}/started_at"), ride.started_at, now));
            note(ride.check_finish(&at, now));
            note(ride.check_chips(&at, ladder));
        }
        seen.clear();
        for (index, rep) in self.reps.iter().enumerate() {
            let at = format!("/reps/{index}");
            note(once(&mut seen, rep.rep_id, &format!("{at}/rep_id")));
            note(rep.check(ladder).map_err(|error| error.under(&at)));
            note(time(&format!("{at}/asked_at"), rep.asked_at, now));
        }
        if errors.is_empty() {
            Ok(())
        } else {
            Err(errors)
        }
    }
}

impl NewRide {
    fn check_chips(&self, at: &str, ladder: &Ladder) -> Result<(), FieldError> {
        SPOTS.check_count(
            &format!("{at}/marks"),
            self.marks.as_ref().map_or(0, Vec::len),
        )?;
        let faults = self.faults.as_deref().unwrap_or_default();
        SPOTS.check_count(&format!("{at}/faults"), faults.len())?;
        if let Some(note) = &self.note {
            NOTE_LETTERS.check_count(&format!("{at}/note"), note.trim().chars().count())?;
        }
        for (index, chip) in faults.iter().enumerate() {
            let at = format!("{at}/faults/{index}");
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

    fn check_finish(&self, at: &str, now: Timestamp) -> Result<(), FieldError> {
        let Some(finished_at) = self.finished_at else {
            return Ok(());
        };
        let field = format!("{at}/finished_at");
        time(&field, finished_at, now)?;
        if finished_at < self.started_at {
            return Err(FieldError::new(
                field,
                format!(
                    "must not be before started_at ({}), found {finished_at}",
                    self.started_at
                ),
            ));
        }
        Ok(())
    }
}

impl From<&Rep> for NewRep {
    /// The rep as a device would have sent it.
    fn from(rep: &Rep) -> NewRep {
        NewRep {
            rep_id: rep.rep_id,
            ride_id: rep.ride_id,
            skill: rep.skill.clone(),
            rung: rep.rung.clone(),
            side: rep.side,
            asked_at: rep.asked_at,
            measure: rep.measure.clone(),
            faults: rep.faults.clone(),
            undone: false,
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
        check_answer(
            &self.level(),
            self.side,
            &self.measure,
            &self.faults,
            ladder,
        )
    }
}

fn once(seen: &mut HashSet<Uuid>, id: Uuid, field: &str) -> Result<(), FieldError> {
    if seen.insert(id) {
        return Ok(());
    }
    Err(FieldError::new(
        field,
        format!("{id} is in this batch twice; send each once"),
    ))
}

fn time(field: &str, at: Timestamp, now: Timestamp) -> Result<(), FieldError> {
    let latest = now + SignedDuration::from_secs(CLOCK_AHEAD_S.most as i64);
    if at > latest {
        return Err(FieldError::new(
            field,
            format!(
                "must not lie in the future (now is {now}, a device may run {} s ahead), found {at}; \
                 set the device's clock",
                CLOCK_AHEAD_S.most
            ),
        ));
    }
    let earliest: Timestamp = EARLIEST.parse().expect("a valid timestamp");
    if at < earliest {
        return Err(FieldError::new(
            field,
            format!("must not be before {EARLIEST}, found {at}"),
        ));
    }
    Ok(())
}
