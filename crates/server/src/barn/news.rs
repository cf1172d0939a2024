//! What the trainer is told once, calmly: a level that was lost and why; what changed when
//! the histories were told anew by a newer program.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::ladder::{Level, RungId, SkillId};
use cavesson_store::barn::news;
use jiff::ToSpan;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Decider;
use crate::http::url::UrlPath;
use crate::route;

/// The most that is told at once.
const MOST: i64 = 20;
/// Days after which a loss that nobody looked at is no news any more.
const LOST_DAYS: i64 = 14;

/// The routes of news.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(seen))
}

/// News that no trainer has seen yet.
#[derive(Serialize, ToSchema)]
struct NewsToTell {
    news_id: Uuid,
    horse_id: Uuid,
    /// What the horse is called.
    horse: String,
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// The level that was lost; null where it is about the whole horse.
    level: Option<Level>,
    /// In a sentence.
    text: String,
}

/// News that no trainer has seen yet, the latest first.
#[utoipa::path(
    get, path = "/api/news", operation_id = "list_news", tag = "news",
    responses((status = 200, description = "The news", body = [NewsToTell]))
)]
async fn list(Decider(signed): Decider) -> Answer<Json<Vec<NewsToTell>>> {
    let mut barn = signed.look().await?;
    let unseen = news::unseen(&mut barn, MOST).await?;
    let from = signed.today().saturating_sub(LOST_DAYS.days());
    Ok(Json(
        unseen
            .into_iter()
            .filter(|one| one.skill.is_empty() || one.day >= from)
            .map(|one| NewsToTell {
                news_id: one.news_id,
                horse_id: one.horse_id,
                horse: one.horse,
                day: one.day,
                level: (!one.skill.is_empty()).then_some(Level {
                    skill: SkillId(one.skill),
                    rung: RungId(one.rung),
                }),
                text: one.says,
            })
            .collect(),
    ))
}

/// News was seen: it is not told again.
#[utoipa::path(
    post, path = "/api/news/{news_id}/seen", operation_id = "see_news", tag = "news",
    params(("news_id" = Uuid, Path)),
    responses(
        (status = 204, description = "Noted"),
        (status = 404, description = "No such news in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn seen(
    State(_app): State<App>,
    Decider(signed): Decider,
    UrlPath(news_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !news::seen(&mut barn, news_id, signed.person.person_id).await? {
        return Err(Problem::not_found("no such news in this barn"));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
