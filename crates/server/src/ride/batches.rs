//! What devices send: rides and reps, as often as they like. A batch is stored
//! whole or not at all.

use std::collections::{HashMap, HashSet};

use axum::Json;
use axum::extract::{FromRequestParts, State};
use axum::http::request::Parts;
use cavesson_core::bounds::FieldError;
use cavesson_core::ladder::Ladder;
use cavesson_core::rep::Measure;
use cavesson_core::ride::batch::FORM;
use cavesson_core::ride::{Batch, clock};
use cavesson_store::BarnTransaction;
use cavesson_store::barn::gear;
use cavesson_store::barn::person;
use cavesson_store::cattle::cow;
use cavesson_store::cattle::ride_work;
use cavesson_store::horse::horses;
use cavesson_store::ride::rep;
use cavesson_store::ride::rep::PlacedRep;
use cavesson_store::ride::ride_block;
use cavesson_store::ride::rides;
use cavesson_store::ride::rides::PlacedRide;
use cavesson_store::ride::rides::RideOfRep;
use jiff::{SignedDuration, Timestamp};
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse_record::HorseLadder;
use crate::horse_record::keep::judge_and_keep;
use crate::http::body::Body;
use crate::http::openapi_errors::{Refusal, Refuses};
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Signed};
use crate::ride::intakes;
use crate::route;

/// The batches' route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(store))
}

/// The header in which a device says in which form it sends.
const FORM_HEADER: &str = "cavesson-batch-form";

/// A request whose form this server reads. An older application keeps what it has,
/// and is told to update.
struct FormRead;

impl<S: Send + Sync> FromRequestParts<S> for FormRead {
    type Rejection = Problem;

    async fn from_request_parts(parts: &mut Parts, _: &S) -> Result<FormRead, Problem> {
        let Some(said) = parts.headers.get(FORM_HEADER) else {
            return Ok(FormRead);
        };
        match said.to_str().ok().and_then(|form| form.parse::<u32>().ok()) {
            Some(FORM) => Ok(FormRead),
            _ => Err(Problem::update(FORM)),
        }
    }
}

impl Refuses for FormRead {
    const REFUSALS: &'static [Refusal] = &[(
        426,
        "An application of another version: update it; nothing was stored",
    )];
}

/// What is on disk now.
#[derive(Serialize, ToSchema)]
struct Stored {
    /// Rides of the batch that are stored.
    rides: usize,
    /// Reps of the batch that are stored.
    reps: usize,
    /// Which of its reps were soft, as the core decides it, in the batch's order.
    soft: Vec<bool>,
    /// By how many seconds the device's times were shifted; 0 for a clock that is right.
    clock_shifted_s: f64,
}

/// Store a batch. The answer comes when it is on disk. Sending the same batch
/// again changes nothing.
#[utoipa::path(
    post, path = "/api/batches", operation_id = "store_batch", tag = "batches", request_body = Batch,
    params(("cavesson-batch-form" = u32, Header, minimum = 2, maximum = 2, description = "The form of the batch. Another one is answered with 426")),
    responses(
        (status = 200, description = "All of it is on disk", body = Stored),
        (status = 404, description = "A horse, ride or block that is not in this barn; nothing was stored", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "Another person is signed in, or an id is known with other content; nothing was stored", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn store(
    State(app): State<App>,
    Recorder(signed): Recorder,
    _: FormRead,
    Body(batch): Body<Batch>,
) -> Answer<Json<Stored>> {
    if batch.person_id != signed.person.person_id {
        return Err(Problem::another_person("/person_id", &signed.person.name));
    }
    batch
        .check(Ladder::every_level())
        .map_err(Problem::fields)?;
    let now = app.clock.now();
    let shift = clock::shift(batch.sent_at, now);
    let mut barn = signed.write().await?;
    check_horses(&mut barn, &batch).await?;
    check_rigs(&mut barn, &batch).await?;
    check_riders(&mut barn, &batch).await?;
    check_cattle(&mut barn, &batch).await?;
    let mut rides = rides_of(&mut barn, &batch).await?;
    let touched = touched(&batch, &rides);
    horses::raise_versions(&mut barn, &touched).await?;
    store_rides(&mut barn, &signed, &batch, shift, now).await?;
    // What is known of a ride stays, its start too.
    rides.extend(rides_of(&mut barn, &batch).await?);
    store_reps(&mut barn, &signed, &batch, &rides, now).await?;
    let ladders = app
        .known
        .ladders
        .of_horses(&mut barn, &touched, signed.today())
        .await?;
    barn.commit().await?;
    let sent: Vec<Uuid> = rides.keys().copied().collect();
    intakes::find_and_keep(&app, signed.barn.barn_id, &touched, &sent, signed.today()).await;
    judge_and_keep(&app, signed.barn.barn_id, &touched, signed.today()).await;
    Ok(Json(Stored {
        rides: batch.rides.len(),
        reps: batch.reps.len(),
        soft: soft(&batch, &rides, &ladders),
        clock_shifted_s: shift.as_secs_f64(),
    }))
}

type Rides = HashMap<Uuid, RideOfRep>;

/// The rides of the batch and of its reps, as far as they are stored.
async fn rides_of(barn: &mut BarnTransaction, batch: &Batch) -> Answer<Rides> {
    let of_reps = batch.reps.iter().map(|rep| rep.ride_id);
    let named = batch.rides.iter().map(|ride| ride.ride_id);
    let ids: HashSet<Uuid> = of_reps.chain(named).collect();
    let ids: Vec<Uuid> = ids.into_iter().collect();
    let stored = rides::of_reps(barn, &ids).await?;
    Ok(stored
        .into_iter()
        .map(|ride| (ride.ride_id, ride))
        .collect())
}

/// The horses of which more is known after the batch.
fn touched(batch: &Batch, rides: &Rides) -> Vec<Uuid> {
    let named = batch.rides.iter().map(|ride| ride.horse_id);
    let stored = rides.values().map(|ride| ride.horse_id);
    let all: HashSet<Uuid> = named.chain(stored).collect();
    all.into_iter().collect()
}

/// Which reps of the batch were soft, by the gates of their horses' ladders.
fn soft(batch: &Batch, rides: &Rides, ladders: &HashMap<Uuid, HorseLadder>) -> Vec<bool> {
    batch
        .reps
        .iter()
        .map(|rep| {
            let horse = rides.get(&rep.ride_id).map(|ride| ride.horse_id);
            horse
                .and_then(|horse| ladders.get(&horse)?.ladder.at(&rep.level()))
                .is_some_and(|level| rep.measure.is_soft(&level.gate.soft, level.gait))
        })
        .collect()
}

async fn check_horses(barn: &mut BarnTransaction, batch: &Batch) -> Answer<()> {
    let named: Vec<Uuid> = batch.rides.iter().map(|ride| ride.horse_id).collect();
    let known: HashSet<Uuid> = horses::known(barn, &named).await?.into_iter().collect();
    let missing = named
        .iter()
        .enumerate()
        .filter(|(_, horse_id)| !known.contains(horse_id));
    none_missing(missing.map(|(index, horse_id)| {
        FieldError::new(
            format!("/rides/{index}/horse_id"),
            format!("no horse {horse_id} in this barn; name one of its own"),
        )
    }))
}

/// Pieces of tack that rides name are the barn's own.
async fn check_rigs(barn: &mut BarnTransaction, batch: &Batch) -> Answer<()> {
    let rigs = || {
        batch.rides.iter().enumerate().flat_map(|(at, ride)| {
            let rigs = ride.rigs.iter().flatten().enumerate();
            rigs.filter_map(move |(rig, one)| Some((at, rig, one.gear_id?)))
        })
    };
    let named: Vec<Uuid> = rigs().map(|(.., gear_id)| gear_id).collect();
    if named.is_empty() {
        return Ok(());
    }
    let known: HashSet<Uuid> = gear::known(barn, &named).await?.into_iter().collect();
    none_missing(rigs().filter(|(.., gear_id)| !known.contains(gear_id)).map(
        |(ride, rig, gear_id)| {
            FieldError::new(
                format!("/rides/{ride}/rigs/{rig}/gear_id"),
                format!("no piece {gear_id} in this barn; name one of its own, or none"),
            )
        },
    ))
}

/// Cattle that works name are the barn's own.
async fn check_cattle(barn: &mut BarnTransaction, batch: &Batch) -> Answer<()> {
    let works = || {
        batch.rides.iter().enumerate().flat_map(|(at, ride)| {
            let works = ride.works.iter().flatten().enumerate();
            works.filter_map(move |(work, one)| Some((at, work, one.cow_id?)))
        })
    };
    let named: Vec<Uuid> = works().map(|(.., cow_id)| cow_id).collect();
    if named.is_empty() {
        return Ok(());
    }
    let known: HashSet<Uuid> = cow::known(barn, &named).await?.into_iter().collect();
    none_missing(works().filter(|(.., cow_id)| !known.contains(cow_id)).map(
        |(ride, work, cow_id)| {
            FieldError::new(
                format!("/rides/{ride}/works/{work}/cow_id"),
                format!("no cow {cow_id} in this barn; name one of its own"),
            )
        },
    ))
}

/// Turns name works of their own ride.
async fn check_works(barn: &mut BarnTransaction, batch: &Batch, rides: &Rides) -> Answer<()> {
    let works = || {
        batch.reps.iter().enumerate().filter_map(|(index, rep)| {
            let Measure::Turn(turn) = rep.measure else {
                return None;
            };
            Some((index, rep.ride_id, turn.work_id?))
        })
    };
    if works().next().is_none() {
        return Ok(());
    }
    let ids: Vec<Uuid> = rides.keys().copied().collect();
    let known: HashSet<(Uuid, Uuid)> = ride_work::known(barn, &ids).await?.into_iter().collect();
    none_missing(
        works()
            .filter(|(_, ride_id, work_id)| !known.contains(&(*ride_id, *work_id)))
            .map(|(index, _, work_id)| {
                FieldError::new(
                    format!("/reps/{index}/measure/work_id"),
                    format!("no work {work_id} in this ride; send the ride's works with its turns"),
                )
            }),
    )
}

/// Who rides in a film is of the barn.
async fn check_riders(barn: &mut BarnTransaction, batch: &Batch) -> Answer<()> {
    let named = || {
        let rides = batch.rides.iter().enumerate();
        rides.filter_map(|(index, ride)| Some((index, ride.from_tape?.rider_id)))
    };
    if named().next().is_none() {
        return Ok(());
    }
    let known: HashSet<Uuid> = person::names(barn)
        .await?
        .into_iter()
        .map(|(person_id, _)| person_id)
        .collect();
    none_missing(
        named()
            .filter(|(_, rider_id)| !known.contains(rider_id))
            .map(|(index, rider_id)| {
                FieldError::new(
                    format!("/rides/{index}/from_tape/rider_id"),
                    format!("no person {rider_id} in this barn; name one of its own"),
                )
            }),
    )
}

async fn store_rides(
    barn: &mut BarnTransaction,
    signed: &Signed,
    batch: &Batch,
    shift: SignedDuration,
    now: Timestamp,
) -> Answer<()> {
    let mut changed = Vec::new();
    let mut last_ms: HashMap<Uuid, u32> = HashMap::new();
    for rep in &batch.reps {
        let last = last_ms.entry(rep.ride_id).or_default();
        *last = rep.asked_after_ms.max(*last);
    }
    for (index, ride) in batch.rides.iter().enumerate() {
        let at = format!("/rides/{index}");
        let asked = last_ms.get(&ride.ride_id).copied().unwrap_or_default();
        let last = ride.finished_after_ms.unwrap_or_default().max(asked);
        let field = format!("{at}/started_at");
        let set = ride.set_forward_s;
        // When a film was made is said by a person, not by the clock of this device.
        let shift = match ride.from_tape {
            Some(_) => SignedDuration::ZERO,
            None => shift,
        };
        let started_at =
            clock::start(&field, ride.started_at, set, shift, last, now).map_err(Problem::field)?;
        let placed = PlacedRide {
            ride,
            started_at,
            day: signed.day_of(started_at),
            rider_id: ride
                .from_tape
                .map_or(signed.person.person_id, |tape| tape.rider_id),
        };
        if !rides::put(barn, &placed).await? {
            changed.push(FieldError::new(
                format!("{at}/ride_id"),
                format!("ride {} is known with another horse or start", ride.ride_id),
            ));
            continue;
        }
        for block in ride_block::put(barn, ride).await? {
            changed.push(FieldError::new(
                format!("{at}/blocks/{block}/block_id"),
                "this block is known for another level; make a new one",
            ));
        }
    }
    none_changed(changed)
}

async fn store_reps(
    barn: &mut BarnTransaction,
    signed: &Signed,
    batch: &Batch,
    rides: &Rides,
    now: Timestamp,
) -> Answer<()> {
    check_blocks(barn, batch, rides).await?;
    check_works(barn, batch, rides).await?;
    let reps: Vec<PlacedRep<'_>> = batch
        .reps
        .iter()
        .filter_map(|rep| {
            let ride = rides.get(&rep.ride_id)?;
            Some(PlacedRep {
                rep,
                horse_id: ride.horse_id,
                asked_at: clock::after(ride.started_at, rep.asked_after_ms, now),
            })
        })
        .collect();
    let stored: HashSet<Uuid> = rep::put(barn, &reps, signed.person.person_id, None)
        .await?
        .into_iter()
        .collect();
    let changed = batch
        .reps
        .iter()
        .enumerate()
        .filter(|(_, rep)| !stored.contains(&rep.rep_id))
        .map(|(index, rep)| {
            FieldError::new(
                format!("/reps/{index}/rep_id"),
                format!("rep {} is known with other content", rep.rep_id),
            )
        })
        .collect();
    none_changed(changed)
}

/// Every rep lies in a ride and a block of the barn, and the block is of its level.
async fn check_blocks(barn: &mut BarnTransaction, batch: &Batch, rides: &Rides) -> Answer<()> {
    let ids: Vec<Uuid> = rides.keys().copied().collect();
    let blocks: HashMap<(Uuid, Uuid), _> = ride_block::of_rides(barn, &ids)
        .await?
        .into_iter()
        .map(|block| ((block.ride_id, block.block_id), block.level))
        .collect();
    let (mut missing, mut misfiled) = (Vec::new(), Vec::new());
    for (index, rep) in batch.reps.iter().enumerate() {
        let at = format!("/reps/{index}");
        if !rides.contains_key(&rep.ride_id) {
            missing.push(FieldError::new(
                format!("{at}/ride_id"),
                format!(
                    "no ride {} in this barn; send the ride with its reps",
                    rep.ride_id
                ),
            ));
            continue;
        }
        match blocks.get(&(rep.ride_id, rep.block_id)) {
            None => missing.push(FieldError::new(
                format!("{at}/block_id"),
                format!(
                    "no block {} in this ride; send the block with its reps",
                    rep.block_id
                ),
            )),
            Some(level) if *level != rep.level() => misfiled.push(FieldError::new(
                format!("{at}/block_id"),
                format!(
                    "this block is for {level}, the rep for {}; name one of its level",
                    rep.level()
                ),
            )),
            Some(_) => {}
        }
    }
    none_missing(missing.into_iter())?;
    if misfiled.is_empty() {
        Ok(())
    } else {
        Err(Problem::fields(misfiled))
    }
}

fn none_missing(missing: impl Iterator<Item = FieldError>) -> Answer<()> {
    let missing: Vec<FieldError> = missing.collect();
    if missing.is_empty() {
        Ok(())
    } else {
        Err(Problem::fields_not_found(missing))
    }
}

fn none_changed(changed: Vec<FieldError>) -> Answer<()> {
    if changed.is_empty() {
        Ok(())
    } else {
        Err(Problem::conflict(changed))
    }
}
