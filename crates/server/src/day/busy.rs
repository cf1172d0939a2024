//! When people are busy elsewhere: calendars of their own that come in. Only the times are
//! kept, nothing of what they are for.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{FieldError, NAME_LETTERS};
use cavesson_core::text::check_text;
use cavesson_core::week::BusyTime;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::person;
use cavesson_store::day::busy;
use cavesson_store::day::busy::Busy;
use cavesson_store::day::busy::BusyCalendar;
use jiff::civil::Date;
use jiff::{SignedDuration, Timestamp, ToSpan};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::day::ics;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Signed, time_zone};
use crate::http::url::UrlPath;
use crate::route;

/// Days ahead of which times are kept.
const DAYS_AHEAD: i64 = 400;
/// Busy times of one person on one day that the rules look at.
const OF_ONE_DAY: usize = 50;

/// The routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(put))
        .routes(route!(remove))
}

/// A calendar to be read.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewBusyCalendar {
    /// Whose.
    person_id: Uuid,
    /// What you call it; one of the same name is replaced.
    #[schema(min_length = 1, max_length = 80)]
    name: String,
    /// The calendar file (RFC 5545).
    #[schema(min_length = 1, max_length = 1500000)]
    text: String,
}

/// A calendar that was read.
#[derive(Serialize, ToSchema)]
struct BusyCalendarShown {
    calendar_id: Uuid,
    person_id: Uuid,
    name: String,
    #[schema(value_type = String, format = DateTime)]
    made_at: Timestamp,
    /// How many times it holds.
    times: i64,
}

/// The calendars that were read.
#[utoipa::path(
    get, path = "/api/busy-calendars", operation_id = "list_busy_calendars", tag = "calendars",
    responses((status = 200, description = "The calendars, by name", body = [BusyCalendarShown]))
)]
async fn list(Recorder(signed): Recorder) -> Answer<Json<Vec<BusyCalendarShown>>> {
    let mut barn = signed.look().await?;
    let calendars = busy::list(&mut barn).await?;
    Ok(Json(calendars.into_iter().map(shown).collect()))
}

fn shown(calendar: BusyCalendar) -> BusyCalendarShown {
    BusyCalendarShown {
        calendar_id: calendar.calendar_id,
        person_id: calendar.person_id,
        name: calendar.name,
        made_at: calendar.made_at,
        times: calendar.times,
    }
}

/// Read somebody's calendar: one's own, or anybody's for a trainer.
#[utoipa::path(
    post, path = "/api/busy-calendars", operation_id = "add_busy_calendar", tag = "calendars", request_body = NewBusyCalendar,
    responses(
        (status = 201, description = "Read", body = BusyCalendarShown),
        (status = 404, description = "Nobody of this barn has this id", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "What cannot be read", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn put(
    State(app): State<App>,
    Recorder(signed): Recorder,
    Body(new): Body<NewBusyCalendar>,
) -> Answer<(StatusCode, Json<BusyCalendarShown>)> {
    own_or_trainer(&signed, new.person_id)?;
    check_text(NAME_LETTERS, "/name", &new.name).map_err(Problem::field)?;
    let now = app.clock.now();
    let zone = time_zone(&signed.barn)?;
    let until = now + SignedDuration::from_hours(24 * DAYS_AHEAD);
    // The whole of today: what has passed of it is drawn too.
    let from = signed.at(signed.today(), 0);
    let found = ics::read(&new.text, &zone, from, until).map_err(Problem::field)?;
    let times: Vec<(Timestamp, Timestamp)> = found
        .into_iter()
        .filter(|one| one.busy && one.from < one.to)
        .map(|one| (one.from, one.to))
        .collect();
    let mut barn = signed.write().await?;
    let people = person::names(&mut barn).await?;
    if !people.iter().any(|(id, _)| *id == new.person_id) {
        return Err(Problem::fields_not_found(vec![FieldError::new(
            "/person_id",
            "nobody of this barn has this id",
        )]));
    }
    let calendar = BusyCalendar {
        calendar_id: Uuid::now_v7(),
        person_id: new.person_id,
        name: new.name.trim().to_owned(),
        made_at: now,
        times: i64::try_from(times.len()).unwrap_or(i64::MAX),
    };
    busy::put(&mut barn, &calendar, &times, signed.person.person_id).await?;
    barn.commit().await?;
    Ok((StatusCode::CREATED, Json(shown(calendar))))
}

/// Take a calendar out: its times hold nobody any more.
#[utoipa::path(
    delete, path = "/api/busy-calendars/{calendar_id}", operation_id = "remove_busy_calendar", tag = "calendars",
    params(("calendar_id" = Uuid, Path)),
    responses((status = 204, description = "Taken out"))
)]
async fn remove(
    Recorder(signed): Recorder,
    UrlPath(calendar_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    let person_id = busy::person_of(&mut barn, calendar_id)
        .await?
        .ok_or_else(|| Problem::not_found("no such calendar in this barn"))?;
    own_or_trainer(&signed, person_id)?;
    busy::remove(&mut barn, calendar_id).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

fn own_or_trainer(signed: &Signed, person_id: Uuid) -> Answer<()> {
    if signed.person.person_id == person_id || signed.person.role.decides() {
        return Ok(());
    }
    Err(Problem::not_allowed(
        "everybody brings their own calendar in; a trainer anybody's",
    ))
}

/// Who is busy on a day.
///
/// # Errors
/// When the query fails.
pub async fn on_day(
    barn: &mut BarnTransaction,
    signed: &Signed,
    day: Date,
) -> Answer<Vec<(Uuid, BusyTime)>> {
    let (from, to) = (signed.at(day, 0), signed.at(day.saturating_add(1.day()), 0));
    let times = busy::between(barn, from, to).await?;
    let minutes = |one: Busy| BusyTime {
        from_min: signed.minutes_of(day, one.from.max(from)),
        to_min: if one.to >= to {
            24 * 60
        } else {
            signed.minutes_of(day, one.to)
        },
    };
    Ok(times
        .into_iter()
        .map(|one| (one.person_id, minutes(one)))
        .collect())
}

/// Those of one person, as many as the rules look at.
pub fn of(times: &[(Uuid, BusyTime)], person_id: Uuid) -> Vec<BusyTime> {
    let own = times.iter().filter(|(id, _)| *id == person_id);
    own.map(|(_, time)| *time).take(OF_ONE_DAY).collect()
}
