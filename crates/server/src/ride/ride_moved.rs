//! A ride that was recorded on the wrong horse is put right.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::FieldError;
use cavesson_store::horse::horses;
use cavesson_store::ride::ride_horse;
use cavesson_store::ride::rides;
use jiff::Timestamp;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse_record::keep::judge_and_keep;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Signed};
use crate::http::url::UrlPath;
use crate::ride::intakes;
use crate::route;

/// Its routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(put))
        .routes(route!(history))
}

/// The horse that was ridden.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct RideHorse {
    horse_id: Uuid,
}

/// A time a ride was put under another horse.
#[derive(Serialize, ToSchema)]
struct RideHorseChange {
    from: String,
    to: String,
    by: String,
    #[schema(value_type = String, format = DateTime)]
    at: Timestamp,
}

/// Put a ride under the horse that was ridden; its asks go with it, and both horses are
/// judged anew. What was said before stays said.
#[utoipa::path(
    put, path = "/api/rides/{ride_id}/horse", operation_id = "put_ride_horse", tag = "rides",
    params(("ride_id" = Uuid, Path)), request_body = RideHorse,
    responses((status = 204, description = "Put right, or it was right"))
)]
async fn put(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(ride_id): UrlPath<Uuid>,
    Body(RideHorse { horse_id }): Body<RideHorse>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if horses::find(&mut barn, horse_id, None).await?.is_none() {
        return Err(Problem::fields_not_found(vec![FieldError::new(
            "/horse_id",
            "no horse of this barn has this id",
        )]));
    }
    let before = find(&mut barn, &signed, ride_id).await?.horse_id;
    if before == horse_id {
        return Ok(StatusCode::NO_CONTENT);
    }
    let both = [before, horse_id];
    let versions = horses::raise_versions(&mut barn, &both).await?;
    // Both horses are held now; the ride may have moved while that was waited for.
    if find(&mut barn, &signed, ride_id).await?.horse_id != before {
        return Err(Problem::keeps_the_barn(
            "somebody else put this ride under another horse just now; look at it again",
        ));
    }
    let version = versions.get(&horse_id).copied().unwrap_or_default();
    let by = signed.person.person_id;
    ride_horse::put(&mut barn, ride_id, (before, horse_id), version, by).await?;
    barn.commit().await?;
    let barn_id = signed.barn.barn_id;
    intakes::find_and_keep(&app, barn_id, &both, &[ride_id], signed.today()).await;
    judge_and_keep(&app, barn_id, &both, signed.today()).await;
    Ok(StatusCode::NO_CONTENT)
}

/// How often a ride was put under another horse, first to last.
#[utoipa::path(
    get, path = "/api/rides/{ride_id}/horse", operation_id = "list_ride_horses", tag = "rides",
    params(("ride_id" = Uuid, Path)),
    responses((status = 200, description = "Its history, mostly empty", body = [RideHorseChange]))
)]
async fn history(
    signed: Signed,
    UrlPath(ride_id): UrlPath<Uuid>,
) -> Answer<Json<Vec<RideHorseChange>>> {
    let mut barn = signed.look().await?;
    find(&mut barn, &signed, ride_id).await?;
    let changes = ride_horse::changes(&mut barn, ride_id).await?;
    Ok(Json(
        changes
            .into_iter()
            .map(|change| RideHorseChange {
                from: change.from_horse,
                to: change.to_horse,
                by: change.changed_by,
                at: change.changed_at,
            })
            .collect(),
    ))
}

async fn find(
    barn: &mut cavesson_store::BarnTransaction,
    signed: &Signed,
    ride_id: Uuid,
) -> Answer<rides::Ride> {
    rides::find(barn, ride_id, signed.only_horses_of())
        .await?
        .ok_or_else(|| Problem::not_found("no such ride in this barn"))
}
