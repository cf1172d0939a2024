//! Runs of the pattern of a horse, side by side, and how many a week are enough.

use axum::Json;
use axum::extract::State;
use cavesson_core::bounds::RUNS;
use cavesson_core::ground::runs::{self, Quota, Said, compare, quota};
use cavesson_core::ladder::{Level, Role};
use cavesson_core::rep::run::Run;
use cavesson_store::barn::person;
use cavesson_store::ground::course;
use cavesson_store::ground::run;
use jiff::ToSpan;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(list))
}

/// A run of the pattern.
#[derive(Serialize, ToSchema)]
struct RunOfHorse {
    /// The ask it is.
    rep_id: Uuid,
    /// The ride.
    ride_id: Uuid,
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// Who rode.
    rider: String,
    /// The level it was asked at.
    level: Level,
    /// The course it was run on; null when it is none of the barn's.
    course: Option<String>,
    /// What was recorded.
    run: Run,
}

/// The runs of a horse.
#[derive(Serialize, ToSchema)]
struct RunsOfHorse {
    /// Latest first; at most 500.
    runs: Vec<RunOfHorse>,
    /// What they come to, in the same order; null before the first.
    said: Option<Said>,
    /// Runs at speed in the last seven days, and how many are enough.
    quota: Quota,
}

/// The runs of a horse, side by side.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/runs", operation_id = "list_runs", tag = "ground",
    params(("horse_id" = Uuid, Path)),
    responses((status = 200, description = "Latest first", body = RunsOfHorse))
)]
async fn list(
    State(app): State<App>,
    signed: Signed,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<Json<RunsOfHorse>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let recorded = run::of_horse(&mut barn, horse_id, RUNS.most as i64).await?;
    let names = person::names(&mut barn).await?;
    let courses = course::list(&mut barn).await?;
    let judged = app
        .known
        .judged_horse(barn, horse_id, signed.today())
        .await?;
    let compared: Vec<runs::Run> = recorded.iter().map(to_compare).collect();
    let said = if compared.is_empty() {
        None
    } else {
        Some(compare(&compared).map_err(Problem::field)?)
    };
    let fast = |rung: &str| matches!(rung, "three_quarter" | "run");
    let week_ago = signed.today().saturating_sub(6.days());
    let ridden = recorded
        .iter()
        .filter(|one| one.day >= week_ago && fast(&one.level.rung.0))
        .count();
    let finished = judged
        .ladder()
        .last_in(Role::TimedPattern)
        .is_some_and(|index| judged.standings[index].counts_as_held());
    let name = |id: Uuid| {
        let found = names.iter().find(|(person, _)| *person == id);
        found.map_or_else(String::new, |(_, name)| name.clone())
    };
    let course = |run: &Run| {
        let found = courses
            .iter()
            .find(|course| Some(course.course_id) == run.course_id);
        found.map(|course| course.sheet.name.clone())
    };
    Ok(Json(RunsOfHorse {
        said,
        quota: quota(ridden as u32, finished),
        runs: recorded
            .into_iter()
            .map(|one| RunOfHorse {
                rep_id: one.rep_id,
                ride_id: one.ride_id,
                day: one.day,
                rider: name(one.rider_id),
                level: one.level,
                course: course(&one.run),
                run: one.run,
            })
            .collect(),
    }))
}

fn to_compare(recorded: &run::RecordedRun) -> runs::Run {
    let run = &recorded.run;
    runs::Run {
        day: recorded.day,
        time_s: run.time_s,
        path_ft: run.path_ft,
        splits_s: run.splits_s.clone(),
        knocked: run.knocked(),
        broken: run.broken,
    }
}
