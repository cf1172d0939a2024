//! The rides of a sheet, and the asks in them.
//!
//! Rows with the same horse and the same word for their ride are one ride; without such a word,
//! rows with the same horse, day and rider. A ride of the barn that is named by its id takes the
//! asks of its rows. Asks without a moment of their own follow each other second by second.

use std::collections::{HashMap, HashSet};

use jiff::civil::{Date, Time};
use jiff::{SignedDuration, Timestamp};
use uuid::Uuid;

use super::cells::{self, Cells};
use super::known::Known;
use crate::Side;
use crate::bounds::{BLOCKS, FieldError, RIDE_MS, SEQUENCE};
use crate::ladder::check::check_answer;
use crate::ladder::{FaultId, Ladder, Level};
use crate::rep::Measure;
use crate::ride::{NewBlock, NewRep, NewRide};
use crate::rows::{Row, RowError, by_name};

/// Milliseconds from an ask to the next one where no row says when it was.
const NEXT_MS: u32 = 1_000;

/// A ride that is new.
#[derive(Debug, Clone, PartialEq)]
pub struct ImportedRide {
    /// The ride.
    pub ride: NewRide,
    /// Who rode.
    pub rider_id: Uuid,
    /// The barn's calendar day of its start.
    pub day: Date,
}

/// A part of a ride.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct ImportedBlock {
    /// The ride.
    pub ride_id: Uuid,
    /// The part.
    pub block: NewBlock,
}

/// An ask.
#[derive(Debug, Clone, PartialEq)]
pub struct ImportedRep {
    /// The ask.
    pub rep: NewRep,
    /// The horse of its ride.
    pub horse_id: Uuid,
    /// The day of its ride.
    pub day: Date,
}

/// What tells rides apart.
#[derive(Debug, Clone, PartialEq, Eq, Hash)]
enum Key {
    Named(Uuid, String),
    OfDay(Uuid, Date, Uuid),
}

/// A ride as its rows tell of it.
struct Ride {
    /// The line of its first row.
    line: u64,
    ride_id: Uuid,
    horse_id: Uuid,
    rider_id: Uuid,
    /// The day that a row said.
    day: Option<Date>,
    /// When it began: a ride of the barn, or a row that says so.
    started_at: Option<Timestamp>,
    /// It is one of the barn's already.
    is_known: bool,
    /// A row of rides wrote this down of it.
    written: Option<NewRide>,
    blocks: HashMap<Level, Uuid>,
    asks: Vec<Asked>,
}

struct Asked {
    line: u64,
    at: Option<Timestamp>,
    rep: NewRep,
}

/// An ask of a row.
pub(super) struct AskOfRow {
    pub level: Level,
    pub side: Side,
    pub measure: Measure,
    pub faults: Vec<FaultId>,
    pub at: Option<Timestamp>,
    pub taken_back: bool,
}

/// All rides of a sheet.
pub(super) struct Book<'a> {
    pub known: &'a Known<'a>,
    rides: Vec<Ride>,
    by_key: HashMap<Key, usize>,
    /// Ids of rides and asks that rows of this sheet took.
    taken: HashSet<Uuid>,
}

/// What a row says of its ride.
pub(super) struct RideOfRow {
    horse_id: Uuid,
    rider_id: Uuid,
    day: Option<Date>,
    started_at: Option<Timestamp>,
    word: String,
}

impl<'a> Book<'a> {
    pub fn new(known: &'a Known<'a>) -> Book<'a> {
        Book {
            known,
            rides: Vec::new(),
            by_key: HashMap::new(),
            taken: HashSet::new(),
        }
    }

    /// Horse, rider, day and start of a row.
    pub fn ride_of_row(&self, cells: &mut Cells<'_>) -> Option<RideOfRow> {
        let known = self.known;
        let horse = match cells.text("horse") {
            "" => Err("must be the name of a horse".to_owned()),
            name => by_name(name, known.horses, "horse in this barn"),
        };
        let horse = cells.keep("horse", horse).flatten();
        let rider = by_name(cells.text("rider"), known.riders, "rider in this barn");
        let rider = cells.keep("rider", rider);
        let moments = cells::moment(cells.text("started_at"), known.now);
        let started_at = cells.keep("started_at", moments).flatten();
        let asked_at = cells::moment(cells.text("asked_at"), known.now).unwrap_or_default();
        let day = match cells.text("day") {
            "" => started_at
                .or(asked_at)
                .map(|at| Some(at.to_zoned(known.time_zone.clone()).date()))
                .ok_or_else(|| "must be a day such as 2026-05-04".to_owned()),
            text => cells::day(text, known.today).map(Some),
        };
        let day = cells.keep("day", day).flatten();
        let time = cells::time_of_day(cells.text("time_of_day"));
        let time = cells.keep("time_of_day", time).flatten();
        let at = day.zip(time).map(|(day, time)| self.at(day, time));
        if at.is_some_and(|at| at > known.now) {
            let detail = format!(
                "must not be later than now, found \"{}\"",
                cells.text("time_of_day")
            );
            cells.say("time_of_day", detail);
        }
        if !cells.is_whole() {
            return None;
        }
        Some(RideOfRow {
            horse_id: horse?,
            rider_id: rider?.unwrap_or(known.person_id),
            day,
            started_at: started_at.or(at),
            word: cells.text("ride_id").to_owned(),
        })
    }

    /// A moment of a day in the barn's time zone.
    fn at(&self, day: Date, time: Time) -> Timestamp {
        let zoned = day.to_datetime(time).to_zoned(self.known.time_zone.clone());
        zoned.map_or(Timestamp::UNIX_EPOCH, |zoned| zoned.timestamp())
    }

    /// The place of the ride that a row is of, made where it is new.
    fn place(
        &mut self,
        of: &RideOfRow,
        cells: &mut Cells<'_>,
        id: &mut dyn FnMut() -> Uuid,
    ) -> Option<usize> {
        let named: Option<Uuid> = of.word.parse().ok();
        let key = match of.word.as_str() {
            "" => Key::OfDay(of.horse_id, of.day?, of.rider_id),
            word => Key::Named(of.horse_id, word.to_lowercase()),
        };
        if let Some(at) = self.by_key.get(&key) {
            let ride = &self.rides[*at];
            if !ride.is_known && ride.day != of.day {
                let detail = format!(
                    "says another day than line {}, which is of the same ride",
                    ride.line
                );
                cells.say("day", detail);
                return None;
            }
            return Some(*at);
        }
        let known = named.and_then(|id| self.known.rides.get(&id));
        if let Some(known) = known
            && known.horse_id != of.horse_id
        {
            cells.say("ride_id", "is a ride of another horse".into());
            return None;
        }
        if let Some(named) = named
            && !self.taken.insert(named)
        {
            cells.say("ride_id", "is named with two horses".into());
            return None;
        }
        let at = self.rides.len();
        self.rides.push(Ride {
            line: cells.row.line,
            ride_id: named.unwrap_or_else(id),
            horse_id: of.horse_id,
            rider_id: of.rider_id,
            day: known.map_or(of.day, |ride| Some(ride.day)),
            started_at: known.map_or(of.started_at, |ride| Some(ride.started_at)),
            is_known: known.is_some(),
            written: None,
            blocks: HashMap::new(),
            asks: Vec::new(),
        });
        self.by_key.insert(key, at);
        Some(at)
    }

    /// Takes in what a row wrote down of a ride. Its id, horse and start are set when all rows are
    /// read.
    pub fn write(
        &mut self,
        of: &RideOfRow,
        written: NewRide,
        cells: &mut Cells<'_>,
        id: &mut dyn FnMut() -> Uuid,
    ) {
        // Two rides of a horse on one day are two rows of their own.
        let apart = RideOfRow {
            word: if of.word.is_empty() {
                format!("line {}", cells.row.line)
            } else {
                of.word.clone()
            },
            ..*of
        };
        let Some(at) = self.place(&apart, cells, id) else {
            return;
        };
        let ride = &mut self.rides[at];
        if ride.is_known {
            cells.say("ride_id", "is in this barn already".into());
        } else if ride.written.is_some() {
            let detail = format!("is the ride of line {} already", ride.line);
            cells.say("ride_id", detail);
        } else {
            ride.written = Some(written);
        }
    }

    /// Takes in the ask of a row.
    pub fn ask(
        &mut self,
        of: &RideOfRow,
        asked: AskOfRow,
        cells: &mut Cells<'_>,
        id: &mut dyn FnMut() -> Uuid,
    ) {
        let AskOfRow {
            level,
            side,
            measure,
            faults,
            at: asked_at,
            taken_back,
        } = asked;
        let fits = check_answer(&level, side, &measure, &faults, Ladder::every_level());
        if let Err(error) = fits {
            let (column, detail) = told(&measure, error);
            return cells.say(column, detail);
        }
        let own = cells::id(cells.text("rep_id"));
        let Some(own) = cells.keep("rep_id", own) else {
            return;
        };
        if own.is_some_and(|own| self.known.reps.contains(&own)) {
            return cells.say("rep_id", "is in this barn already".into());
        }
        if own.is_some_and(|own| !self.taken.insert(own)) {
            return cells.say("rep_id", "comes twice in this sheet".into());
        }
        let Some(at) = self.place(of, cells, id) else {
            return;
        };
        let ride = &mut self.rides[at];
        if let Err(error) = SEQUENCE.check_count("", ride.asks.len()) {
            return cells.say("ride_id", error.detail);
        }
        let block_id = *ride.blocks.entry(level.clone()).or_insert_with(&mut *id);
        ride.asks.push(Asked {
            line: cells.row.line,
            at: asked_at,
            rep: NewRep {
                rep_id: own.unwrap_or_else(id),
                ride_id: ride.ride_id,
                block_id,
                skill: level.skill,
                rung: level.rung,
                side,
                sequence: 0,
                asked_after_ms: 0,
                asked_at: Timestamp::UNIX_EPOCH,
                measure,
                faults,
                undone: taken_back,
                changes: u32::from(taken_back),
            },
        });
    }

    /// All rides whole, with what only shows once all rows are known.
    #[allow(clippy::type_complexity)] // the parts of an import, taken apart by the one caller
    pub fn closed(
        self,
    ) -> (
        Vec<ImportedRide>,
        Vec<ImportedBlock>,
        Vec<ImportedRep>,
        Vec<RowError>,
    ) {
        let noon = Time::constant(12, 0, 0, 0);
        let (mut rides, mut blocks, mut reps) = (Vec::new(), Vec::new(), Vec::new());
        let mut errors = Vec::new();
        let starts: Vec<Timestamp> = self
            .rides
            .iter()
            .map(|ride| {
                let first = ride.asks.iter().filter_map(|ask| ask.at).min();
                let day = ride.day.unwrap_or(self.known.today);
                let noon = || self.at(day, noon).min(self.known.now);
                ride.started_at.or(first).unwrap_or_else(noon)
            })
            .collect();
        for (ride, started_at) in self.rides.into_iter().zip(starts) {
            let day = ride.day.unwrap_or(self.known.today);
            for (position, (level, block_id)) in ride.blocks.into_iter().enumerate() {
                blocks.push(ImportedBlock {
                    ride_id: ride.ride_id,
                    block: NewBlock {
                        block_id,
                        position: (position as u32).min(BLOCKS.most as u32),
                        skill: level.skill,
                        rung: level.rung,
                    },
                });
            }
            let (mut after_ms, mut last_ms) = (0, 0);
            for (sequence, mut ask) in ride.asks.into_iter().enumerate() {
                if let Some(at) = ask.at {
                    match after(started_at, at) {
                        Ok(ms) => after_ms = ms,
                        Err(detail) => errors.push(RowError::new(ask.line, "asked_at", detail)),
                    }
                }
                ask.rep.sequence = sequence as u32;
                ask.rep.asked_after_ms = after_ms;
                ask.rep.asked_at = started_at + SignedDuration::from_millis(i64::from(after_ms));
                last_ms = last_ms.max(after_ms);
                after_ms = after_ms.saturating_add(NEXT_MS).min(RIDE_MS.most as u32);
                reps.push(ImportedRep {
                    rep: ask.rep,
                    horse_id: ride.horse_id,
                    day,
                });
            }
            if ride.is_known {
                continue;
            }
            let written = ride.written.unwrap_or_else(|| blank(ride.ride_id));
            rides.push(ImportedRide {
                ride: NewRide {
                    ride_id: ride.ride_id,
                    horse_id: ride.horse_id,
                    started_at,
                    finished_after_ms: Some(written.finished_after_ms.unwrap_or(last_ms)),
                    ..written
                },
                rider_id: ride.rider_id,
                day,
            });
        }
        (rides, blocks, reps, errors)
    }
}

/// Milliseconds from the start of a ride to an ask.
fn after(started_at: Timestamp, at: Timestamp) -> Result<u32, String> {
    let ms = at.duration_since(started_at).as_millis();
    let fits = u32::try_from(ms).ok();
    fits.filter(|ms| f64::from(*ms) <= RIDE_MS.most)
        .ok_or_else(|| format!("must lie in its ride, which began at {started_at}; found {at}"))
}

/// A ride of which nothing is written down.
pub(super) fn blank(ride_id: Uuid) -> NewRide {
    NewRide {
        ride_id,
        horse_id: Uuid::nil(),
        started_at: Timestamp::UNIX_EPOCH,
        set_forward_s: 0.0,
        finished_after_ms: None,
        opened_again: 0,
        blocks: Vec::new(),
        marks: None,
        faults: None,
        quiet_after_s: None,
        rigs: None,
        shares: None,
        horse_asked: None,
        works: None,
        from_tape: None,
        intake: None,
        present: None,
        ended: None,
        mood: None,
        exertion: None,
        note: None,
    }
}

/// Reads the measure of a cell; none where it is empty.
pub(super) fn measure(row: &Row) -> Result<Option<Measure>, String> {
    match row.cell("measure") {
        "" => Ok(None),
        text => serde_json::from_str(text)
            .map(Some)
            .map_err(|error| format!("must be a measure as JSON: {error}")),
    }
}

/// The column that an error of an answer stands in.
fn told(measure: &Measure, error: FieldError) -> (&'static str, String) {
    let columns = ["skill", "rung", "side", "faults"];
    let field = error.field.trim_start_matches('/');
    let column = columns
        .into_iter()
        .find(|column| field.split('/').next() == Some(column));
    let column = column.unwrap_or_else(|| match (measure, field) {
        (Measure::Give(_) | Measure::Run(_), "measure/time_s") => "time_s",
        (Measure::Run(_), field) if field.starts_with("measure/splits_s") => "splits_s",
        _ => "measure",
    });
    (column, error.detail)
}
