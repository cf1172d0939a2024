//! Secret links that show one horse without a sign-in. The word stands behind the `#` of the
//! address, so that no server writes it into a log; kept is only its hash. A link ends by
//! itself, and can be taken back.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{LINK_DAYS, NAME_LETTERS, together};
use cavesson_core::text::check_text;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::barns;
use cavesson_store::barn::barns::Barn;
use cavesson_store::horse::horses;
use cavesson_store::owners::horse_link;
use cavesson_store::owners::horse_link::HorseLink;
use cavesson_store::owners::owner_report;
use jiff::civil::Date;
use jiff::{SignedDuration, Timestamp};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::month_report::Looked;
use super::reports::{OwnersReport, no_report};
use super::view::{OwnersView, view};
use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::secret_word::{SecretWord, word_hash};
use crate::http::signed_in::{Trainer, time_zone};
use crate::http::url::UrlPath;
use crate::route;

/// Making links and taking them back.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(make))
        .routes(route!(revoke))
}

/// What a link opens.
pub fn open_routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(open))
        .routes(route!(open_report))
}

/// A link to a horse.
#[derive(Serialize, ToSchema)]
struct HorseLinkShown {
    link_id: Uuid,
    /// For whom it was made.
    for_whom: String,
    #[schema(value_type = String, format = DateTime)]
    made_at: Timestamp,
    #[schema(value_type = String, format = DateTime)]
    expires_at: Timestamp,
    /// It has run out.
    expired: bool,
    /// The last time somebody opened it.
    #[schema(value_type = Option<String>, format = DateTime)]
    opened_at: Option<Timestamp>,
}

/// A link to be made.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewHorseLink {
    /// For whom: what it is told apart by.
    #[schema(min_length = 1, max_length = 80)]
    for_whom: String,
    /// Days it works.
    #[schema(minimum = 1, maximum = 400)]
    days: u16,
}

/// A link as whoever made it sees it, once.
#[derive(Serialize, ToSchema)]
struct MadeHorseLink {
    link_id: Uuid,
    /// What stands behind the `#` of the address `/my-horse`.
    word: String,
    #[schema(value_type = String, format = DateTime)]
    expires_at: Timestamp,
}

/// The word of a link to a horse.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct HorseLinkWord {
    /// What stands behind the `#`.
    #[schema(max_length = 200)]
    word: String,
}

/// The word of a link, and a report to be read by it.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct ReportByLink {
    /// What stands behind the `#`.
    #[schema(max_length = 200)]
    word: String,
    report_id: Uuid,
}

/// The links to a horse that were not taken back.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/links", operation_id = "list_horse_links", tag = "owners",
    params(("horse_id" = Uuid, Path)),
    responses((status = 200, description = "The links, latest first", body = [HorseLinkShown]))
)]
async fn list(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<Json<Vec<HorseLinkShown>>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let now = app.clock.now();
    let links = horse_link::of_horse(&mut barn, horse_id).await?.into_iter();
    let shown = links.map(|link| HorseLinkShown {
        link_id: link.link_id,
        for_whom: link.for_whom,
        made_at: link.made_at,
        expires_at: link.expires_at,
        expired: link.expires_at <= now,
        opened_at: link.opened_at,
    });
    Ok(Json(shown.collect()))
}

/// Make a link to a horse. Whoever has it sees this horse, without a sign-in, until it runs
/// out or is taken back.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/links", operation_id = "make_horse_link", tag = "owners",
    params(("horse_id" = Uuid, Path)), request_body = NewHorseLink,
    responses((status = 201, description = "The link, shown this once", body = MadeHorseLink))
)]
async fn make(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(new): Body<NewHorseLink>,
) -> Answer<(StatusCode, Json<MadeHorseLink>)> {
    together([
        check_text(NAME_LETTERS, "/for_whom", &new.for_whom),
        LINK_DAYS.check("/days", f64::from(new.days)).map(|_| ()),
    ])
    .map_err(Problem::fields)?;
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, horse_id).await?;
    let word = SecretWord::draw();
    let now = app.clock.now();
    let link = HorseLink {
        barn_id: signed.barn.barn_id,
        link_id: Uuid::now_v7(),
        horse_id,
        for_whom: new.for_whom.trim().to_owned(),
        made_at: now,
        expires_at: now + SignedDuration::from_hours(24 * i64::from(new.days)),
        revoked_at: None,
        opened_at: None,
    };
    horse_link::add(&mut barn, &link, &word.hash(), signed.person.person_id).await?;
    barn.commit().await?;
    let made = MadeHorseLink {
        link_id: link.link_id,
        word: word.give_away(),
        expires_at: link.expires_at,
    };
    Ok((StatusCode::CREATED, Json(made)))
}

/// Take a link to a horse back: it shows nothing any more.
#[utoipa::path(
    delete, path = "/api/horse-links/{link_id}", operation_id = "revoke_horse_link", tag = "owners",
    params(("link_id" = Uuid, Path)),
    responses((status = 204, description = "Taken back"))
)]
async fn revoke(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(link_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !horse_link::revoke(&mut barn, link_id, app.clock.now()).await? {
        return Err(Problem::not_found("no such link works in this barn"));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// A link that works, its barn, and the day there.
struct Opened {
    link: HorseLink,
    barn: Barn,
    today: Date,
}

async fn opened(app: &App, word: &str) -> Answer<Opened> {
    let none = || {
        Problem::not_found("this link ran out or was taken back; ask your trainer for a new one")
    };
    let now = app.clock.now();
    let found = horse_link::find(&app.pool, &word_hash(word)).await?;
    let works = |link: &HorseLink| link.revoked_at.is_none() && link.expires_at > now;
    let link = found.filter(works).ok_or_else(none)?;
    let mut write = BarnTransaction::begin(&app.pool, link.barn_id).await?;
    horse_link::opened(&mut write, link.link_id, now).await?;
    let barn = barns::own(&mut write).await?;
    write.commit().await?;
    let today = now.to_zoned(time_zone(&barn)?).date();
    Ok(Opened { link, barn, today })
}

/// What a link to a horse shows.
#[utoipa::path(
    post, path = "/api/horse-links/open", operation_id = "open_horse_link", tag = "owners", request_body = HorseLinkWord,
    responses(
        (status = 200, description = "The horse as its owner sees it", body = OwnersView),
        (status = 404, description = "No link with this word works", body = Problem, content_type = "application/problem+json"),
        (status = 429, description = "Too many tries", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn open(
    State(app): State<App>,
    Body(HorseLinkWord { word }): Body<HorseLinkWord>,
) -> Answer<Json<OwnersView>> {
    let Opened { link, barn, today } = opened(&app, &word).await?;
    let mut look = BarnTransaction::look(&app.pool, link.barn_id).await?;
    let horse = horses::find(&mut look, link.horse_id, None).await?;
    drop(look);
    let horse =
        horse.ok_or_else(|| Problem::not_found("this horse is not in the barn any more"))?;
    let looked = Looked {
        app: &app,
        barn_id: link.barn_id,
        today,
    };
    Ok(Json(view(looked, barn.name, horse).await?))
}

/// A report that was sent, read by a link to its horse.
#[utoipa::path(
    post, path = "/api/horse-links/report", operation_id = "open_report_by_link", tag = "owners", request_body = ReportByLink,
    responses(
        (status = 200, description = "The report", body = OwnersReport),
        (status = 404, description = "No link with this word works, or no report of its horse that was sent has this id", body = Problem, content_type = "application/problem+json"),
        (status = 429, description = "Too many tries", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn open_report(
    State(app): State<App>,
    Body(asked): Body<ReportByLink>,
) -> Answer<Json<OwnersReport>> {
    let Opened { link, barn, .. } = opened(&app, &asked.word).await?;
    let mut look = BarnTransaction::look(&app.pool, link.barn_id).await?;
    let report = owner_report::find(&mut look, asked.report_id).await?;
    let report = report
        .filter(|report| report.horse_id == link.horse_id && report.sent_at.is_some())
        .ok_or_else(no_report)?;
    OwnersReport::of(barn.name, report).map(Json)
}
