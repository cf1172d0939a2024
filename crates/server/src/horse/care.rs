//! Care: flags that come before any training; teeth, feet, vet and season, and when they
//! come again.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{AGAIN_DAYS, FieldError, NOTE_LETTERS};
use cavesson_core::horse::care::{REMINDED_DAYS, check_care_day};
use cavesson_core::horse::{CareDue, CareKind, CareNote};
use cavesson_core::text::check_optional_text;
use cavesson_store::horse::care;
use cavesson_store::horse::horses;
use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse::season::{SEASON_LOOK_BACK_DAYS, of_horse};
use crate::horse_record::keep::judge_and_keep;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Signed};
use crate::http::url::UrlPath;
use crate::route;

/// Care's routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(add))
        .routes(route!(clear))
        .routes(route!(set_again))
        .routes(route!(list_due))
}

/// A note of care.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewCare {
    /// Made on the device (UUIDv7).
    care_id: Uuid,
    kind: CareKind,
    /// The day it was noted, or the check was made; not after today.
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// In your words.
    #[serde(default)]
    #[schema(max_length = 600)]
    text: String,
    /// Days after which it comes again for this horse; left out: what is usual.
    #[serde(default)]
    #[schema(minimum = 7, maximum = 1100)]
    again_days: Option<u16>,
}

/// When care comes again.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct CareAgain {
    /// Days after the last time; null for what is usual.
    #[schema(minimum = 7, maximum = 1100)]
    again_days: Option<u16>,
}

/// Care of a horse that is due.
#[derive(Serialize, ToSchema)]
struct CareOfHorse {
    horse_id: Uuid,
    /// What the horse is called.
    horse: String,
    /// Its last note.
    care_id: Uuid,
    care: CareDue,
}

/// Whether a flag is cleared.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct Clearing {
    /// True clears it as of today, false opens it again.
    cleared: bool,
}

/// Note pain, unlevel steps, a rig that does not fit, or a check.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/care", operation_id = "add_care", tag = "care",
    params(("horse_id" = Uuid, Path)), request_body = NewCare,
    responses(
        (status = 201, description = "Noted"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "This id is known with other content", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A day in the future, or too long a note", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(new): Body<NewCare>,
) -> Answer<StatusCode> {
    let today = signed.today();
    let mut barn = signed.write().await?;
    let horse = signed.horse(&mut barn, horse_id).await?;
    check_care_day("/day", new.day, horse.foaled, today).map_err(Problem::field)?;
    check_optional_text(NOTE_LETTERS, "/text", &new.text).map_err(Problem::field)?;
    check_again(new.kind, new.again_days)?;
    let note = CareNote {
        care_id: new.care_id,
        kind: new.kind,
        day: new.day,
        cleared_on: None,
        text: new.text,
        again_days: new.again_days,
    };
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    let made_by = signed.person.person_id;
    if !care::add(&mut barn, horse_id, &note, made_by).await? {
        return Err(Problem::id_conflict("/care_id", note.care_id));
    }
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &[horse_id], today).await;
    Ok(StatusCode::CREATED)
}

/// Clear a flag, or open it again.
#[utoipa::path(
    put, path = "/api/care/{care_id}", operation_id = "clear_care", tag = "care",
    params(("care_id" = Uuid, Path)), request_body = Clearing,
    responses(
        (status = 204, description = "Done"),
        (status = 404, description = "No such note in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn clear(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(care_id): UrlPath<Uuid>,
    Body(clearing): Body<Clearing>,
) -> Answer<StatusCode> {
    let today = signed.today();
    let mut barn = signed.write().await?;
    let horse_id = care::horse_of(&mut barn, care_id)
        .await?
        .ok_or_else(|| Problem::not_found("no such note in this barn"))?;
    // The horse first, as everywhere: two who store something about it wait in turn.
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    care::clear(&mut barn, care_id, clearing.cleared.then_some(today)).await?;
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &[horse_id], today).await;
    Ok(StatusCode::NO_CONTENT)
}

/// Checks after how many days it comes again, and that it does.
fn check_again(kind: CareKind, again_days: Option<u16>) -> Answer<()> {
    let Some(days) = again_days else {
        return Ok(());
    };
    if kind.is_flag() {
        return Err(does_not_come_again());
    }
    AGAIN_DAYS
        .check("/again_days", f64::from(days))
        .map(|_| ())
        .map_err(Problem::field)
}

fn does_not_come_again() -> Problem {
    Problem::field(FieldError::new(
        "/again_days",
        "must be left out: what was flagged is cleared, it does not come again",
    ))
}

/// Say after how many days care comes again for this horse.
#[utoipa::path(
    put, path = "/api/care/{care_id}/again", operation_id = "set_care_again", tag = "care",
    params(("care_id" = Uuid, Path)), request_body = CareAgain,
    responses(
        (status = 204, description = "Kept"),
        (status = 404, description = "No such note in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn set_again(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(care_id): UrlPath<Uuid>,
    Body(again): Body<CareAgain>,
) -> Answer<StatusCode> {
    if let Some(days) = again.again_days {
        AGAIN_DAYS
            .check("/again_days", f64::from(days))
            .map_err(Problem::field)?;
    }
    let mut barn = signed.write().await?;
    let horse_id = care::horse_of(&mut barn, care_id)
        .await?
        .ok_or_else(|| Problem::not_found("no such note in this barn"))?;
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    if !care::set_again(&mut barn, care_id, again.again_days).await? {
        return Err(does_not_come_again());
    }
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &[horse_id], signed.today()).await;
    Ok(StatusCode::NO_CONTENT)
}

/// Care that is due within two weeks, or overdue, the earliest first.
#[utoipa::path(
    get, path = "/api/care/due", operation_id = "list_care_due", tag = "care",
    responses((status = 200, description = "What is due", body = [CareOfHorse]))
)]
async fn list_due(signed: Signed) -> Answer<Json<Vec<CareOfHorse>>> {
    let today = signed.today();
    let owner = signed.only_horses_of();
    let mut barn = signed.look().await?;
    let horses = horses::list(&mut barn, owner).await?;
    let notes = care::last_of_each(&mut barn, owner).await?;
    let since = today.saturating_sub(SEASON_LOOK_BACK_DAYS.days());
    let seasons = care::days_in_season(&mut barn, since).await?;
    let until = today.saturating_add(REMINDED_DAYS.days());
    let mut found: Vec<CareOfHorse> = notes
        .into_iter()
        .filter_map(|(horse_id, note)| {
            let seen = of_horse(&seasons, horse_id);
            let care = note.due(seen, today).filter(|care| care.due <= until)?;
            let horse = horses.iter().find(|horse| horse.horse_id == horse_id)?;
            Some(CareOfHorse {
                horse_id,
                horse: horse.name.clone(),
                care_id: note.care_id,
                care,
            })
        })
        .collect();
    found.sort_by(|a, b| (a.care.due, &a.horse).cmp(&(b.care.due, &b.horse)));
    Ok(Json(found))
}
