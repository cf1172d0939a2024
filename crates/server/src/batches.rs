//! What devices send: rides and reps, as often as they like. A batch is stored
//! whole or not at all.

use std::collections::{HashMap, HashSet};
use std::sync::Arc;

use axum::Json;
use axum::extract::State;
use cavesson_core::bounds::FieldError;
use cavesson_core::ladder::Ladder;
use cavesson_core::ride::Batch;
use cavesson_store::rep::RepOfHorse;
use cavesson_store::{BarnTransaction, horse, rep, ride};
use jiff::Timestamp;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use utoipa_axum::routes;
use uuid::Uuid;

use crate::App;
use crate::body::Body;
use crate::known::Judged;
use crate::known::keep::judge_and_keep;
use crate::problem::{Answer, Problem};
use crate::signed::{Recorder, Signed};

/// The batches' route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(routes!(store))
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
}

/// Store a batch. The answer comes when it is on disk. Sending the same batch
/// again changes nothing.
#[utoipa::path(
    post, path = "/api/batches", operation_id = "store_batch", tag = "batches", request_body = Batch,
    responses(
        (status = 200, description = "All of it is on disk", body = Stored),
        (status = 400, description = "Not JSON; nothing was stored", body = Problem, content_type = "application/problem+json"),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 403, description = "Owners do not record", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "A horse or ride that is not in this barn; nothing was stored", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "An id that is known with other content; nothing was stored", body = Problem, content_type = "application/problem+json"),
        (status = 413, description = "Too much at once; nothing was stored", body = Problem, content_type = "application/problem+json"),
        (status = 415, description = "Not sent as JSON", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "Fields that do not fit; nothing was stored", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn store(
    State(app): State<App>,
    Recorder(mut signed): Recorder,
    Body(batch): Body<Batch>,
) -> Answer<Json<Stored>> {
    batch
        .check(&app.all_levels, Timestamp::now())
        .map_err(Problem::fields)?;
    check_horses(&mut signed.transaction, &batch).await?;
    let horses = horses_of(&mut signed.transaction, &batch).await?;
    let touched: HashSet<Uuid> = batch
        .rides
        .iter()
        .map(|ride| ride.horse_id)
        .chain(horses.values().copied())
        .collect();
    let touched: Vec<Uuid> = touched.into_iter().collect();
    horse::raise_versions(&mut signed.transaction, &touched).await?;
    store_rides(&mut signed, &batch).await?;
    store_reps(&mut signed, &batch, &horses).await?;
    let today = signed.now().date();
    let barn_id = signed.barn.barn_id;
    signed.transaction.commit().await?;
    let judged = judge_and_keep(&app, barn_id, &touched, today).await?;
    Ok(Json(Stored {
        rides: batch.rides.len(),
        reps: batch.reps.len(),
        soft: soft(&batch, &horses, &judged),
    }))
}

/// The horse of each ride that the batch's reps name: of the batch, or stored before.
async fn horses_of(barn: &mut BarnTransaction, batch: &Batch) -> Answer<HashMap<Uuid, Uuid>> {
    let ride_ids: Vec<Uuid> = batch.reps.iter().map(|rep| rep.ride_id).collect();
    let stored = ride::horses_of(barn, &ride_ids).await?;
    let named = batch.rides.iter().map(|ride| (ride.ride_id, ride.horse_id));
    Ok(named.chain(stored).collect())
}

/// Which reps of the batch were soft, by the gates of their horses' programs.
fn soft(batch: &Batch, horses: &HashMap<Uuid, Uuid>, judged: &[Arc<Judged>]) -> Vec<bool> {
    let ladders: HashMap<Uuid, &Ladder> = judged
        .iter()
        .map(|judged| (judged.horse_id, judged.ladder()))
        .collect();
    batch
        .reps
        .iter()
        .map(|rep| {
            let ladder = horses
                .get(&rep.ride_id)
                .and_then(|horse| ladders.get(horse));
            ladder
                .and_then(|ladder| ladder.at(&rep.level()))
                .is_some_and(|level| rep.measure.is_soft(&level.gate.soft, level.gait))
        })
        .collect()
}

async fn check_horses(barn: &mut BarnTransaction, batch: &Batch) -> Answer<()> {
    let named: Vec<Uuid> = batch.rides.iter().map(|ride| ride.horse_id).collect();
    let known: HashSet<Uuid> = horse::known(barn, &named).await?.into_iter().collect();
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

async fn store_rides(signed: &mut Signed, batch: &Batch) -> Answer<()> {
    let mut changed = Vec::new();
    for (index, ride) in batch.rides.iter().enumerate() {
        let day = signed.day_of(ride.started_at);
        let rider_id = signed.person.person_id;
        if !ride::put(&mut signed.transaction, ride, day, rider_id).await? {
            changed.push(FieldError::new(
                format!("/rides/{index}/ride_id"),
                format!("ride {} is known with another horse or start", ride.ride_id),
            ));
        }
    }
    if changed.is_empty() {
        Ok(())
    } else {
        Err(Problem::conflict(changed))
    }
}

async fn store_reps(
    signed: &mut Signed,
    batch: &Batch,
    horses: &HashMap<Uuid, Uuid>,
) -> Answer<()> {
    let missing = batch
        .reps
        .iter()
        .enumerate()
        .filter(|(_, rep)| !horses.contains_key(&rep.ride_id));
    none_missing(missing.map(|(index, rep)| {
        FieldError::new(
            format!("/reps/{index}/ride_id"),
            format!(
                "no ride {} in this barn; send the ride with its reps",
                rep.ride_id
            ),
        )
    }))?;
    let reps: Vec<RepOfHorse<'_>> = batch
        .reps
        .iter()
        .filter_map(|rep| {
            horses.get(&rep.ride_id).map(|horse_id| RepOfHorse {
                rep,
                horse_id: *horse_id,
            })
        })
        .collect();
    let stored: HashSet<Uuid> = rep::put(&mut signed.transaction, &reps, signed.person.person_id)
        .await?
        .into_iter()
        .collect();
    let changed: Vec<FieldError> = batch
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
    if changed.is_empty() {
        Ok(())
    } else {
        Err(Problem::conflict(changed))
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
