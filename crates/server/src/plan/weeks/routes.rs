//! The week's routes.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{BOOKED_MIN, Bound, FieldError, NOTE_LETTERS};
use cavesson_core::calc::week_rules;
use cavesson_core::day::week_of;
use cavesson_core::text::check_text;
use cavesson_core::week::plan::{PlannedRide, WeekInstance};
use cavesson_store::day::booking;
use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::plan_search::SolveShown;
use super::standing_rides::{Stood, stand_in};
use super::take_plan::{RideTaken, keep, meant, refuse};
use super::week_input::{self, WeekOfBarn};
use super::what_if::WhatIf;
use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Trainer};
use crate::http::url::UrlPath;
use crate::route;

/// Seconds a plan may be looked for.
const SECONDS: Bound = Bound {
    what: "time limit",
    unit: "s",
    least: 0.5,
    most: 60.0,
};
/// Horses or people that are left out for once.
const WITHOUT: Bound = Bound {
    what: "entries",
    unit: "",
    least: 0.0,
    most: 200.0,
};

/// The week's routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(begin_solve))
        .routes(route!(show_solve))
        .routes(route!(stop_solve))
        .routes(route!(take))
}

/// A ride that stands, as a ride of the plan.
#[derive(Serialize, ToSchema)]
struct StoodShown {
    ride: PlannedRide,
    booking_id: Uuid,
    /// It stays where it stands when the week is planned anew.
    pinned: bool,
    /// It has begun: nothing is changed about it.
    begun: bool,
}

/// A week.
#[derive(Serialize, ToSchema)]
struct WeekShown {
    /// Its Monday.
    #[schema(value_type = String, format = Date)]
    monday: Date,
    /// What there is; its days are those that have not passed.
    instance: WeekInstance,
    /// The rides that stand.
    stood: Vec<StoodShown>,
    /// What the plan as it stands breaks, is worth and leaves out.
    rules: week_rules::Output,
    /// The rides of the week before, put into this one.
    last_week: Vec<PlannedRide>,
}

/// A week: what there is, and the plan as it stands. Any day of it names it.
#[utoipa::path(
    get, path = "/api/weeks/{day}", operation_id = "show_week", tag = "weeks",
    params(("day" = String, Path, format = Date)),
    responses(
        (status = 200, description = "The week", body = WeekShown),
        (status = 404, description = "It has passed", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(day): UrlPath<Date>,
) -> Answer<Json<WeekShown>> {
    let mut week = week_input::read(&app, &signed, day, &WhatIf::default()).await?;
    let dates: Vec<Date> = week.instance.days.iter().map(|one| one.date).collect();
    let (monday, _) = week_of(day);
    let before = booking::on_days(
        &mut signed.look().await?,
        monday.saturating_sub(7.days()),
        monday.saturating_sub(1.day()),
    )
    .await?;
    let before: Vec<_> = before
        .into_iter()
        .map(|mut one| {
            let (from_min, day) = (signed.minutes_of(one.day, one.from), one.day);
            let long = one.to.duration_since(one.from);
            one.day = day.saturating_add(7.days());
            one.from = signed.at(one.day, from_min);
            one.to = one.from + long;
            one
        })
        .collect();
    let last_week = stand_in(&mut week.instance, &signed, &before, &dates);
    let plan: Vec<PlannedRide> = week.stood.iter().map(|one| one.ride).collect();
    let input = week_rules::Input {
        instance: week.instance.clone(),
        plan,
        other: None,
        hours24: false,
    };
    let rules = app
        .work
        .judging
        .run(move || week_rules::calculate(input))
        .await?;
    Ok(Json(WeekShown {
        monday: week.monday,
        rules: rules.map_err(Problem::field)?,
        stood: week.stood.into_iter().map(shown).collect(),
        instance: week.instance,
        last_week: last_week.into_iter().map(|one| one.ride).collect(),
    }))
}

fn shown(one: Stood) -> StoodShown {
    StoodShown {
        ride: one.ride,
        booking_id: one.booking_id,
        pinned: one.pinned,
        begun: one.begun,
    }
}

/// A plan to be looked for.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct SolveAsked {
    /// The plan as it was changed by hand; left out, as it stands.
    #[serde(default)]
    #[schema(max_items = 800)]
    plan: Option<Vec<RideTaken>>,
    /// Whether it may be planned all anew, but for what is pinned.
    #[serde(default)]
    anew: bool,
    /// Seconds it may take.
    #[serde(default = "usual_seconds")]
    #[schema(minimum = 0.5, maximum = 60)]
    seconds: f64,
    /// Horses that are not ridden: lame, away.
    #[serde(default)]
    #[schema(max_items = 200)]
    without_horses: Vec<Uuid>,
    /// People who went home.
    #[serde(default)]
    #[schema(max_items = 200)]
    without_people: Vec<Uuid>,
    /// On the first day it is too hot to ride from this minute on.
    #[serde(default)]
    #[schema(minimum = 0, maximum = 1439)]
    too_hot_from_min: Option<u16>,
    /// Only this day is planned anew; the others stay.
    #[serde(default)]
    only_day: bool,
}

fn usual_seconds() -> f64 {
    5.0
}

/// A search that was begun.
#[derive(Serialize, ToSchema)]
struct SolveBegun {
    /// By which it is asked for and stopped.
    solve_id: Uuid,
}

/// Begin to look for a plan. One that the barn still looks for is stopped.
#[utoipa::path(
    post, path = "/api/weeks/{day}/solves", operation_id = "begin_solve", tag = "weeks",
    params(("day" = String, Path, format = Date)), request_body = SolveAsked,
    responses(
        (status = 201, description = "Looked for", body = SolveBegun),
        (status = 404, description = "The week has passed", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn begin_solve(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(day): UrlPath<Date>,
    Body(asked): Body<SolveAsked>,
) -> Answer<(StatusCode, Json<SolveBegun>)> {
    check(&asked)?;
    let what_if = WhatIf {
        without_horses: asked.without_horses,
        without_people: asked.without_people,
        too_hot_from_min: asked.too_hot_from_min,
        only_day: asked.only_day.then_some(day),
    };
    let mut week = week_input::read(&app, &signed, day, &what_if).await?;
    if let Some(plan) = &asked.plan {
        edited(&mut week, plan)?;
    }
    if asked.anew {
        week.instance.before.clear();
    }
    let line = &app.work.calculators;
    let barn_id = signed.barn.barn_id;
    let solve_id = app
        .solves
        .begin(line, barn_id, week.instance, asked.seconds);
    Ok((StatusCode::CREATED, Json(SolveBegun { solve_id })))
}

fn check(asked: &SolveAsked) -> Answer<()> {
    let checks = [
        SECONDS.check("/seconds", asked.seconds),
        BOOKED_MIN.check(
            "/too_hot_from_min",
            f64::from(asked.too_hot_from_min.unwrap_or(0)),
        ),
        WITHOUT.check("/without_horses", asked.without_horses.len() as f64),
        WITHOUT.check("/without_people", asked.without_people.len() as f64),
    ];
    let errors: Vec<FieldError> = checks.into_iter().filter_map(Result::err).collect();
    if errors.is_empty() {
        Ok(())
    } else {
        Err(Problem::fields(errors))
    }
}

/// The plan as it was changed by hand takes the place of the one that stands; what has
/// begun stays.
fn edited(week: &mut WeekOfBarn, plan: &[RideTaken]) -> Answer<()> {
    let rides = meant(&week.instance, "/plan", plan).map_err(Problem::field)?;
    let begun: Vec<PlannedRide> = week
        .stood
        .iter()
        .filter(|one| one.begun)
        .map(|one| one.ride)
        .collect();
    let both = rides.iter().copied().zip(plan);
    let pinned = both
        .filter(|(_, one)| one.pinned == Some(true))
        .map(|(ride, _)| ride);
    week.instance.pins = begun.iter().copied().chain(pinned).collect();
    week.instance.pins.sort_unstable();
    week.instance.pins.dedup();
    week.instance.before = begun.into_iter().chain(rides).collect();
    week.instance.before.sort_unstable();
    week.instance.before.dedup();
    Ok(())
}

/// How far a search is, and what it found.
#[utoipa::path(
    get, path = "/api/solves/{solve_id}", operation_id = "show_solve", tag = "weeks",
    params(("solve_id" = Uuid, Path)),
    responses((status = 200, description = "How far it is", body = SolveShown))
)]
async fn show_solve(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(solve_id): UrlPath<Uuid>,
) -> Answer<Json<SolveShown>> {
    let found = app.solves.show(signed.barn.barn_id, solve_id);
    let found = found.ok_or_else(|| Problem::not_found("no such search, or too long ago"))?;
    Ok(Json(found))
}

/// Stop a search: the best plan so far is what it finds.
#[utoipa::path(
    delete, path = "/api/solves/{solve_id}", operation_id = "stop_solve", tag = "weeks",
    params(("solve_id" = Uuid, Path)),
    responses((status = 204, description = "It ends soon"))
)]
async fn stop_solve(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(solve_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    if app.solves.stop(signed.barn.barn_id, solve_id) {
        Ok(StatusCode::NO_CONTENT)
    } else {
        Err(Problem::not_found("no such search, or too long ago"))
    }
}

/// A plan that is taken.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct PlanTaken {
    /// Its rides; what is not among them is taken off.
    #[schema(max_items = 800)]
    rides: Vec<RideTaken>,
    /// Only this day; the others stay as they are.
    #[serde(default)]
    only_day: bool,
    /// Why rides are gone: they are skipped with it, not taken off.
    #[serde(default)]
    #[schema(min_length = 1, max_length = 600)]
    because: Option<String>,
}

/// Take a plan: it is put into the days, all of it or nothing. Rides that have begun stay.
#[utoipa::path(
    put, path = "/api/weeks/{day}", operation_id = "take_week", tag = "weeks",
    params(("day" = String, Path, format = Date)), request_body = PlanTaken,
    responses(
        (status = 204, description = "Taken"),
        (status = 404, description = "The week has passed", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "A rule refuses it", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn take(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(day): UrlPath<Date>,
    Body(taken): Body<PlanTaken>,
) -> Answer<StatusCode> {
    if let Some(because) = &taken.because {
        check_text(NOTE_LETTERS, "/because", because).map_err(Problem::field)?;
    }
    let what_if = WhatIf {
        only_day: taken.only_day.then_some(day),
        ..WhatIf::default()
    };
    let week = week_input::read(&app, &signed, day, &what_if).await?;
    let mut plan = meant(&week.instance, "/rides", &taken.rides).map_err(Problem::field)?;
    let pins = taken.rides.iter().map(|one| one.pinned);
    let rides: Vec<(PlannedRide, Option<bool>)> = plan.iter().copied().zip(pins).collect();
    let begun = week
        .stood
        .iter()
        .filter(|one| one.begun)
        .map(|one| one.ride);
    plan.extend(begun.filter(|ride| !rides.iter().any(|(one, _)| one == ride)));
    refuse(&week, &plan)?;
    let mut barn = signed.write().await?;
    let because = taken.because.as_deref();
    keep(&signed, &mut barn, &week, &rides, because).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
