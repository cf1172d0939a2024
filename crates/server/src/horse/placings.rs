//! Where a horse is placed by hand, by a trainer who knows it; and who looked at a side that
//! went bad at once.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::Side;
use cavesson_core::bounds::FieldError;
use cavesson_core::judge::{DropAnswer, Placing};
use cavesson_core::ladder::Level;
use cavesson_core::ladder::check::find_level;
use cavesson_store::horse::drop_answer;
use cavesson_store::horse::horses;
use cavesson_store::horse::placing;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse_record::keep::judge_and_keep;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Decider;
use crate::http::url::UrlPath;
use crate::route;

/// The routes of placings and answers.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(place))
        .routes(route!(withdraw))
        .routes(route!(answer))
}

/// Where a horse is.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewPlacing {
    /// Made on the device (UUIDv7).
    placing_id: Uuid,
    /// The levels it has; those under them go along.
    #[schema(min_items = 1, max_items = 400)]
    levels: Vec<Level>,
}

/// Place a horse by hand: these levels, and all they stand on, count as held until first asks
/// confirm or contradict them.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/placings", operation_id = "place_horse", tag = "placings",
    params(("horse_id" = Uuid, Path)), request_body = NewPlacing,
    responses(
        (status = 201, description = "Placed"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "This id is known with other content", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "No level, or one that is not on the ladder", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn place(
    State(app): State<App>,
    Decider(signed): Decider,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(new): Body<NewPlacing>,
) -> Answer<StatusCode> {
    let day = signed.today();
    let mut look = signed.look().await?;
    signed.horse(&mut look, horse_id).await?;
    let mut ladders = app
        .known
        .ladders
        .of_horses(&mut look, &[horse_id], signed.today())
        .await?;
    drop(look);
    let ladder = ladders
        .remove(&horse_id)
        .ok_or_else(|| Problem::not_found("no such horse in this barn"))?
        .ladder;
    if new.levels.is_empty() {
        let says = "must name at least one level, found none";
        return Err(Problem::field(FieldError::new("/levels", says)));
    }
    for (index, level) in new.levels.iter().enumerate() {
        find_level(level, &ladder)
            .map_err(|error| Problem::field(error.under(&format!("/levels/{index}"))))?;
    }
    let placing = Placing {
        day,
        levels: new.levels,
    };
    placing.check().map_err(Problem::field)?;
    let mut barn = signed.write().await?;
    let made_by = signed.person.person_id;
    if !placing::add(&mut barn, horse_id, new.placing_id, &placing, made_by).await? {
        return Err(Problem::id_conflict("/placing_id", new.placing_id));
    }
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &[horse_id], day).await;
    Ok(StatusCode::CREATED)
}

/// Take a placing back; it stays known.
#[utoipa::path(
    delete, path = "/api/placings/{placing_id}", operation_id = "withdraw_placing", tag = "placings",
    params(("placing_id" = Uuid, Path)),
    responses(
        (status = 204, description = "Taken back"),
        (status = 404, description = "No such placing stands in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn withdraw(
    State(app): State<App>,
    Decider(signed): Decider,
    UrlPath(placing_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let no_placing = || Problem::not_found("no such placing stands in this barn");
    let mut barn = signed.write().await?;
    let horse_id = placing::horse_of(&mut barn, placing_id)
        .await?
        .ok_or_else(no_placing)?;
    if !placing::withdraw(&mut barn, placing_id).await? {
        return Err(no_placing());
    }
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &[horse_id], signed.today()).await;
    Ok(StatusCode::NO_CONTENT)
}

/// Who looked at a side that went bad at once, and what came of it.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewDropAnswer {
    /// Made on the device (UUIDv7).
    answer_id: Uuid,
    /// The level.
    level: Level,
    /// The side.
    side: Side,
    /// Who looked, and what came of it.
    #[schema(min_length = 1, max_length = 600)]
    text: String,
}

/// The answer, as it was kept.
#[derive(Debug, Serialize, ToSchema)]
struct KeptDropAnswer {
    /// The answer.
    answer: DropAnswer,
}

/// Say who looked at a side that went bad at once, and what came of it.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/drop-answers", operation_id = "answer_drop", tag = "placings",
    params(("horse_id" = Uuid, Path)), request_body = NewDropAnswer,
    responses(
        (status = 201, description = "Kept", body = KeptDropAnswer),
        (status = 404, description = "Not in this barn, or no such level", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "This id is known with other content", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "No words, or both sides at once", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn answer(
    State(app): State<App>,
    Decider(signed): Decider,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(new): Body<NewDropAnswer>,
) -> Answer<(StatusCode, Json<KeptDropAnswer>)> {
    let answer = DropAnswer {
        answer_id: new.answer_id,
        level: new.level,
        side: new.side,
        day: signed.today(),
        text: new.text,
    };
    answer.check().map_err(Problem::field)?;
    find_level(&answer.level, cavesson_core::ladder::Ladder::every_level())
        .map_err(|error| Problem::field(error.under("/level")))?;
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, horse_id).await?;
    if !drop_answer::add(&mut barn, horse_id, &answer, signed.person.person_id).await? {
        return Err(Problem::id_conflict("/answer_id", new.answer_id));
    }
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &[horse_id], signed.today()).await;
    Ok((StatusCode::CREATED, Json(KeptDropAnswer { answer })))
}
