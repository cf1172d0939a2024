//! Days and their bookings: adding, moving, handing on, swapping, skipping. The rules of
//! the core are asked before anything is stored, and PostgreSQL itself refuses to book a
//! horse, a person or a place twice.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{FieldError, NOTE_LETTERS, check_planned_day};
use cavesson_core::heat::{HeatBand, HeatHour};
use cavesson_core::judge::next::next_level;
use cavesson_core::ladder::{Level, RungId, SkillId};
use cavesson_core::text::{check_optional_text, check_text};
use cavesson_core::week::booking::{Booking as DayBooking, check_times};
use cavesson_core::week::{BookingKind, Broken, DayChange, DayPlan, broken, broken_by};
use cavesson_store::booking::{self, Booking};
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::body::Body;
use crate::day_plan::{self, DayOfBarn, as_seen, lay_out, span};
use crate::problem::{Answer, Problem};
use crate::route;
use crate::signed::{Recorder, Signed, Trainer};
use crate::url::UrlPath;

/// The days' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(add))
        .routes(route!(change))
        .routes(route!(swap))
        .routes(route!(skip))
        .routes(route!(bring_back))
        .routes(route!(remove))
}

/// A day.
#[derive(Serialize, ToSchema)]
struct DayShown {
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// As the rules see it: the page asks them while something is moved.
    plan: DayPlan,
    /// Everything booked, those that were skipped among them, earliest first.
    bookings: Vec<BookingShown>,
    /// What the day breaks as it stands.
    broken: Vec<Broken>,
    /// How hot it will be by the hour, where that is known.
    heat: Vec<HeatOfHour>,
}

/// How hot an hour will be, and what that allows.
#[derive(Serialize, ToSchema)]
struct HeatOfHour {
    hour: HeatHour,
    band: HeatBand,
}

/// A booking with what the rules do not need.
#[derive(Serialize, ToSchema)]
struct BookingShown {
    booking: DayBooking,
    /// What the ride is for.
    level: Option<Level>,
    /// The same in words.
    level_name: Option<String>,
    note: String,
    /// Why it was skipped; null while it stands.
    skipped_because: Option<String>,
}

/// A booking to be made.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewBooking {
    /// Made on the device (UUIDv7).
    booking_id: Uuid,
    kind: BookingKind,
    #[serde(default)]
    horse_id: Option<Uuid>,
    /// Who rides, or is there for it.
    #[serde(default)]
    person_id: Option<Uuid>,
    #[serde(default)]
    place_id: Option<Uuid>,
    /// Minutes from midnight on the barn's clock.
    #[schema(minimum = 0, maximum = 1439)]
    from_min: u16,
    #[schema(minimum = 5, maximum = 1440)]
    minutes: u16,
    /// What a ride is for; left out: the horse's next work.
    #[serde(default)]
    skill: Option<SkillId>,
    #[serde(default)]
    rung: Option<RungId>,
    #[serde(default)]
    #[schema(max_length = 600)]
    note: String,
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

/// A day with its bookings. One that comes is laid out from the week's plan when it is
/// first looked at.
#[utoipa::path(
    get, path = "/api/days/{day}", operation_id = "show_day", tag = "days",
    params(("day" = String, Path, format = Date)),
    responses((status = 200, description = "The day", body = DayShown))
)]
async fn show(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(day): UrlPath<Date>,
) -> Answer<Json<DayShown>> {
    lay_out(&app, &signed, day).await?;
    let of_day = day_plan::read(&app, &signed, day).await?;
    Ok(Json(shown(&app, &signed, of_day)))
}

fn shown(app: &App, signed: &Signed, of_day: DayOfBarn) -> DayShown {
    let named = |level: &Level| {
        let at = app.ladder.at(level);
        at.map_or_else(|| level.to_string(), |at| at.name.clone())
    };
    DayShown {
        day: of_day.day,
        broken: broken(&of_day.plan, false),
        heat: of_day
            .plan
            .heat
            .iter()
            .map(|hour| HeatOfHour {
                hour: *hour,
                band: hour.band(),
            })
            .collect(),
        bookings: of_day
            .bookings
            .into_iter()
            .map(|stored| BookingShown {
                booking: as_seen(signed, of_day.day, &stored),
                level_name: stored.level.as_ref().map(named),
                level: stored.level,
                note: stored.note,
                skipped_because: stored.skipped_because,
            })
            .collect(),
        plan: of_day.plan,
    }
}

/// Book something. What a rule refuses is not stored; what the trainer decides about
/// (hours, a second ride) is.
#[utoipa::path(
    post, path = "/api/days/{day}/bookings", operation_id = "add_booking", tag = "days",
    params(("day" = String, Path, format = Date)), request_body = NewBooking,
    responses(
        (status = 201, description = "Booked"),
        (status = 409, description = "A rule refuses it, or the id is known", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(day): UrlPath<Date>,
    Body(new): Body<NewBooking>,
) -> Answer<StatusCode> {
    check_planned_day("/day", day, signed.today()).map_err(Problem::field)?;
    check_new(&new)?;
    lay_out(&app, &signed, day).await?;
    let of_day = day_plan::read(&app, &signed, day).await?;
    if let Some(known) = booking::find(&mut signed.look().await?, new.booking_id).await? {
        // Sent again. What can be moved may have been moved since.
        let same = (known.day, known.kind, known.horse_id) == (day, new.kind, new.horse_id);
        return if same {
            Ok(StatusCode::CREATED)
        } else {
            Err(Problem::id_conflict("/booking_id", new.booking_id))
        };
    }
    check_named(&of_day.plan, new.horse_id, new.person_id, new.place_id)?;
    let level = match new.skill.clone().zip(new.rung.clone()) {
        Some((skill, rung)) => Some(Level { skill, rung }),
        None if new.kind.is_ridden() => next_work(&app, &signed, new.horse_id, day).await?,
        None => None,
    };
    let (from, to) = span(&signed, day, new.from_min, new.minutes);
    let stored = Booking {
        booking_id: new.booking_id,
        day,
        kind: new.kind,
        horse_id: new.horse_id,
        person_id: new.person_id,
        place_id: new.place_id,
        from,
        to,
        level,
        note: new.note,
        skipped_because: None,
        pinned: false,
    };
    let change = DayChange::Add {
        booking: as_seen(&signed, day, &stored),
    };
    refuse(&of_day.plan, &change)?;
    let mut barn = signed.write().await?;
    booking::add(&mut barn, &stored, Some(signed.person.person_id)).await?;
    barn.commit().await?;
    Ok(StatusCode::CREATED)
}

fn check_new(new: &NewBooking) -> Answer<()> {
    let mut errors = check_times(new.from_min, new.minutes)
        .err()
        .unwrap_or_default();
    errors.extend(check_optional_text(NOTE_LETTERS, "/note", &new.note).err());
    let mut wanted = |missing: bool, field: &str, what: &str| {
        if missing {
            errors.push(FieldError::new(field, format!("must say {what}")));
        }
    };
    let ridden = new.kind.is_ridden();
    wanted(
        !new.kind.is_set_up() && new.horse_id.is_none() && new.person_id.is_none(),
        "/horse_id",
        "which horse or who it is for",
    );
    wanted(ridden && new.horse_id.is_none(), "/horse_id", "which horse");
    wanted(ridden && new.person_id.is_none(), "/person_id", "who rides");
    wanted(
        (ridden || new.kind.is_set_up()) && new.place_id.is_none(),
        "/place_id",
        "where",
    );
    errors.dedup_by(|one, other| one.field == other.field);
    if new.kind.is_set_up() && (new.horse_id.is_some() || new.person_id.is_some()) {
        errors.push(FieldError::new(
            "/horse_id",
            "must be left out: a place is made ready, nobody rides",
        ));
    }
    if errors.is_empty() {
        Ok(())
    } else {
        Err(Problem::fields(errors))
    }
}

/// What a booking names is here.
fn check_named(
    plan: &DayPlan,
    horse_id: Option<Uuid>,
    person_id: Option<Uuid>,
    place_id: Option<Uuid>,
) -> Answer<()> {
    let missing = [
        (
            horse_id.is_some() && plan.horse(horse_id).is_none(),
            "/horse_id",
            "horse",
        ),
        (
            person_id.is_some() && plan.person(person_id).is_none(),
            "/person_id",
            "person",
        ),
        (
            place_id.is_some() && plan.place(place_id).is_none(),
            "/place_id",
            "place",
        ),
    ];
    let missing: Vec<FieldError> = missing
        .into_iter()
        .filter(|(missing, _, _)| *missing)
        .map(|(_, field, what)| FieldError::new(field, format!("no such {what} is here now")))
        .collect();
    if missing.is_empty() {
        Ok(())
    } else {
        Err(Problem::fields_not_found(missing))
    }
}

/// The one thing to do next with a horse.
async fn next_work(
    app: &App,
    signed: &Signed,
    horse_id: Option<Uuid>,
    day: Date,
) -> Answer<Option<Level>> {
    let Some(horse_id) = horse_id else {
        return Ok(None);
    };
    let judged = app
        .known
        .judged_horse(signed.look().await?, horse_id, day)
        .await?;
    let ladder = judged.ladder();
    let next = next_level(ladder, &judged.standings, judged.on);
    Ok(Some(next.map_or_else(
        || Level::new(crate::today::USUAL.0, crate::today::USUAL.1),
        |index| ladder.levels[index].level.clone(),
    )))
}

/// What a rule refuses, in words.
fn refuse(plan: &DayPlan, change: &DayChange) -> Answer<()> {
    let refused: Vec<FieldError> = broken_by(plan, change, false)
        .into_iter()
        .filter(|one| one.hard)
        .map(|one| FieldError::new("", one.text))
        .collect();
    if refused.is_empty() {
        Ok(())
    } else {
        Err(Problem::booked(refused))
    }
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
