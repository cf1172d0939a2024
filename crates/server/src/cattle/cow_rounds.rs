//! Rounds on the cow of the trainer, and who is best at it. A round is ridden again here from its
//! steering: what is on the list was ridden.

use axum::Json;
use axum::extract::State;
use cavesson_core::cattle::cow_model::{CowRound, CowScore};
use cavesson_core::cattle::round::{Steered, ridden};
use cavesson_store::barn::person;
use cavesson_store::cattle::cow_round;
use cavesson_store::cattle::cow_round::Ridden;
use jiff::Timestamp;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Recorder;
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(best))
        .routes(route!(put))
}

/// A round as it was ridden.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewCowRound {
    /// The round.
    round: CowRound,
    /// What was steered: a minute, 3600 steps in all.
    #[schema(min_items = 1, max_items = 3600)]
    steered: Vec<Steered>,
}

/// The best round of a rider.
#[derive(Serialize, ToSchema)]
struct BestCowRound {
    round_id: Uuid,
    person_id: Uuid,
    /// Who rode.
    rider: String,
    #[schema(value_type = String, format = DateTime)]
    at: Timestamp,
    /// The round.
    round: CowRound,
    /// 0 to 100.
    score: f64,
    /// What was steered, to see it again.
    steered: Vec<Steered>,
}

/// The best round of each rider of the barn at each level, best first.
#[utoipa::path(
    get, path = "/api/cow-rounds", operation_id = "list_best_cow_rounds", tag = "cattle",
    responses((status = 200, description = "Best first", body = [BestCowRound]))
)]
async fn best(Recorder(signed): Recorder) -> Answer<Json<Vec<BestCowRound>>> {
    let mut barn = signed.look().await?;
    let rounds = cow_round::best(&mut barn).await?;
    let names = person::names(&mut barn).await?;
    let rider = |id: Uuid| {
        let found = names.iter().find(|(person, _)| *person == id);
        found.map_or_else(String::new, |(_, name)| name.clone())
    };
    let shown = |one: Ridden| BestCowRound {
        round_id: one.round_id,
        person_id: one.person_id,
        rider: rider(one.person_id),
        at: one.at,
        round: one.round,
        score: one.score,
        steered: one.steered,
    };
    Ok(Json(rounds.into_iter().map(shown).collect()))
}

/// Keep a round. It is ridden again from its steering; the answer is what it came to.
#[utoipa::path(
    put, path = "/api/cow-rounds/{round_id}", operation_id = "put_cow_round", tag = "cattle",
    params(("round_id" = Uuid, Path)), request_body = NewCowRound,
    responses(
        (status = 200, description = "What it came to, and what cost it", body = CowScore),
        (status = 409, description = "This id is known with another round", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn put(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(round_id): UrlPath<Uuid>,
    Body(new): Body<NewCowRound>,
) -> Answer<Json<CowScore>> {
    let (_, score) = ridden(&new.round, &new.steered).map_err(Problem::field)?;
    let mut barn = signed.write().await?;
    let kept = Ridden {
        round_id,
        person_id: signed.person.person_id,
        at: app.clock.now(),
        round: new.round,
        score: score.score,
        steered: new.steered,
    };
    if !cow_round::add(&mut barn, &kept).await? {
        return Err(Problem::id_conflict("/round_id", round_id));
    }
    barn.commit().await?;
    Ok(Json(score))
}
