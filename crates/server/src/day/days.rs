//! Days as they stand, and what is booked on them. The rules of the core are asked before
//! anything is stored, and PostgreSQL itself refuses to book a horse, a person or a place
//! twice.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{FieldError, NOTE_LETTERS, check_planned_day};
use cavesson_core::heat::{HeatBand, HeatHour};
use cavesson_core::judge::next::next_level;
use cavesson_core::ladder::{Level, RungId, SkillId};
use cavesson_core::text::check_optional_text;
use cavesson_core::week::booking::{Booking as DayBooking, check_times};
use cavesson_core::week::usual;
use cavesson_core::week::{BookingKind, Broken, DayChange, DayPlan, broken, broken_by};
use cavesson_store::day::booking;
use cavesson_store::day::booking::Booking;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::day::day_plan::{self, DayOfBarn, as_seen, lay_out, span};
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Signed, Trainer};
use crate::http::url::UrlPath;
use crate::route;

/// The days' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(add))
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
pub fn check_named(
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
    Ok(Some(next.map_or_else(usual::level, |index| {
        ladder.levels[index].level.clone()
    })))
}

/// What a rule refuses, in words.
pub fn refuse(plan: &DayPlan, change: &DayChange) -> Answer<()> {
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
