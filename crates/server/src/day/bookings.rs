//! A booking that stands: moved, handed on, swapped with another, skipped and brought back.

use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{FieldError, NOTE_LETTERS};
use cavesson_core::text::{check_optional_text, check_text};
use cavesson_core::week::DayChange;
use cavesson_core::week::booking::{Booking as DayBooking, check_times};
use cavesson_store::day::booking;
use cavesson_store::day::booking::Booking;
use serde::Deserialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::day::day_plan::{self, DayOfBarn, as_seen, span};
use crate::day::days::{check_named, refuse};
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Signed, Trainer};
use crate::http::url::UrlPath;
use crate::route;

/// The bookings' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(change))
        .routes(route!(swap))
        .routes(route!(skip))
        .routes(route!(bring_back))
        .routes(route!(remove))
}

/// Where a booking stands.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct BookingMoved {
    person_id: Option<Uuid>,
    place_id: Option<Uuid>,
    /// Minutes from midnight on the barn's clock.
    #[schema(minimum = 0, maximum = 1439)]
    from_min: u16,
    #[schema(minimum = 5, maximum = 1440)]
    minutes: u16,
    #[serde(default)]
    #[schema(max_length = 600)]
    note: String,
}

/// The booking to change places with.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct SwapWith {
    with: Uuid,
}

/// Why something is skipped.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct Skipped {
    #[schema(min_length = 1, max_length = 600)]
    because: String,
}

/// A booking and its day.
async fn of_booking(app: &App, signed: &Signed, booking_id: Uuid) -> Answer<(DayOfBarn, Booking)> {
    let found = booking::find(&mut signed.look().await?, booking_id).await?;
    let found = found.ok_or_else(|| Problem::not_found("no such booking in this barn"))?;
    let of_day = day_plan::read(app, signed, found.day).await?;
    Ok((of_day, found))
}

/// Move a booking: another time, person or place.
#[utoipa::path(
    put, path = "/api/bookings/{booking_id}", operation_id = "move_booking", tag = "days",
    params(("booking_id" = Uuid, Path)), request_body = BookingMoved,
    responses(
        (status = 204, description = "Moved"),
        (status = 409, description = "A rule refuses it", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn change(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(booking_id): UrlPath<Uuid>,
    Body(moved): Body<BookingMoved>,
) -> Answer<StatusCode> {
    check_times(moved.from_min, moved.minutes).map_err(Problem::fields)?;
    check_optional_text(NOTE_LETTERS, "/note", &moved.note).map_err(Problem::field)?;
    let (of_day, mut stored) = of_booking(&app, &signed, booking_id).await?;
    check_named(&of_day.plan, None, moved.person_id, moved.place_id)?;
    if stored.skipped_because.is_none() {
        let change = DayChange::Move {
            booking_id,
            person_id: moved.person_id,
            place_id: moved.place_id,
            from_min: moved.from_min,
            minutes: moved.minutes,
        };
        refuse(&of_day.plan, &change)?;
    }
    (stored.from, stored.to) = span(&signed, of_day.day, moved.from_min, moved.minutes);
    stored.person_id = moved.person_id;
    stored.place_id = moved.place_id;
    stored.note = moved.note;
    keep(&signed, &[stored]).await
}

/// Two bookings change times and people.
#[utoipa::path(
    post, path = "/api/bookings/{booking_id}/swap", operation_id = "swap_bookings", tag = "days",
    params(("booking_id" = Uuid, Path)), request_body = SwapWith,
    responses(
        (status = 204, description = "Swapped"),
        (status = 409, description = "A rule refuses it", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn swap(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(booking_id): UrlPath<Uuid>,
    Body(SwapWith { with }): Body<SwapWith>,
) -> Answer<StatusCode> {
    let (of_day, _) = of_booking(&app, &signed, booking_id).await?;
    let stands = |id| of_day.plan.bookings.iter().any(|one| one.booking_id == id);
    if !stands(with) || !stands(booking_id) || with == booking_id {
        return Err(Problem::fields_not_found(vec![FieldError::new(
            "/with",
            "must be another booking that stands on the same day",
        )]));
    }
    let change = DayChange::Swap { booking_id, with };
    refuse(&of_day.plan, &change)?;
    let after = change.after(&of_day.plan);
    let swapped = of_day.bookings.into_iter().filter_map(|mut stored| {
        if ![booking_id, with].contains(&stored.booking_id) {
            return None;
        }
        let own = |one: &&DayBooking| one.booking_id == stored.booking_id;
        let to = after.bookings.iter().find(own)?;
        (stored.from, stored.to) = span(&signed, of_day.day, to.from_min, to.minutes);
        stored.person_id = to.person_id;
        Some(stored)
    });
    let swapped: Vec<Booking> = swapped.collect();
    keep(&signed, &swapped).await
}

/// Skip a booking, and say why.
#[utoipa::path(
    post, path = "/api/bookings/{booking_id}/skip", operation_id = "skip_booking", tag = "days",
    params(("booking_id" = Uuid, Path)), request_body = Skipped,
    responses((status = 204, description = "Skipped"))
)]
async fn skip(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(booking_id): UrlPath<Uuid>,
    Body(Skipped { because }): Body<Skipped>,
) -> Answer<StatusCode> {
    check_text(NOTE_LETTERS, "/because", &because).map_err(Problem::field)?;
    let (_, mut stored) = of_booking(&app, &signed, booking_id).await?;
    stored.skipped_because = Some(because.trim().to_owned());
    keep(&signed, &[stored]).await
}

/// A booking that was skipped stands again.
#[utoipa::path(
    post, path = "/api/bookings/{booking_id}/bring-back", operation_id = "bring_back_booking", tag = "days",
    params(("booking_id" = Uuid, Path)),
    responses(
        (status = 204, description = "It stands"),
        (status = 409, description = "A rule refuses it by now", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn bring_back(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(booking_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let (of_day, mut stored) = of_booking(&app, &signed, booking_id).await?;
    if stored.skipped_because.take().is_none() {
        return Ok(StatusCode::NO_CONTENT);
    }
    let booking = as_seen(&signed, of_day.day, &stored);
    refuse(&of_day.plan, &DayChange::Add { booking })?;
    keep(&signed, &[stored]).await
}

/// Take a booking off the day.
#[utoipa::path(
    delete, path = "/api/bookings/{booking_id}", operation_id = "remove_booking", tag = "days",
    params(("booking_id" = Uuid, Path)),
    responses((status = 204, description = "Off the day"))
)]
async fn remove(
    Trainer(signed): Trainer,
    UrlPath(booking_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !booking::remove(&mut barn, booking_id).await? {
        return Err(Problem::not_found("no such booking in this barn"));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

async fn keep(signed: &Signed, bookings: &[Booking]) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    booking::change(&mut barn, bookings).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
