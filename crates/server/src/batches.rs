//! What devices send: rides and reps, as often as they like. A batch is stored
//! whole or not at all.

use std::collections::{HashMap, HashSet};

use axum::Json;
use axum::extract::State;
use cavesson_core::bounds::FieldError;
use cavesson_core::ladder::Ladder;
use cavesson_core::ride::{Batch, NewRep};
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
        .check(app.ladder, Timestamp::now())
        .map_err(Problem::fields)?;
    check_horses(&mut signed.transaction, &batch).await?;
    store_rides(&mut signed, &batch).await?;
    store_reps(&mut signed, &batch).await?;
    signed.transaction.commit().await?;
    Ok(Json(Stored {
        rides: batch.rides.len(),
        reps: batch.reps.len(),
        soft: batch
            .reps
            .iter()
            .map(|rep| is_soft(app.ladder, rep))
            .collect(),
    }))
}

fn is_soft(ladder: &Ladder, rep: &NewRep) -> bool {
    ladder
        .skill(&rep.skill)
        .is_some_and(|skill| rep.is_soft(&skill.gate.soft))
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

async fn store_reps(signed: &mut Signed, batch: &Batch) -> Answer<()> {
    let ride_ids: Vec<Uuid> = batch.reps.iter().map(|rep| rep.ride_id).collect();
    let horses: HashMap<Uuid, Uuid> = ride::horses_of(&mut signed.transaction, &ride_ids)
        .await?
        .into_iter()
        .collect();
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
