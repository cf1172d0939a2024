//! Works of a horse, and where its turns come apart.

use axum::Json;
use cavesson_core::Side;
use cavesson_core::cattle::summary::{TurnsSummary, summary};
use cavesson_core::rep::Turn;
use cavesson_core::ride::HowEnded;
use cavesson_store::cattle::ride_work;
use cavesson_store::cattle::ride_work::Wanted;
use cavesson_store::cattle::ride_work::Work;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::problem::Answer;
use crate::http::signed_in::Signed;
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(list))
}

/// A turn of a work.
#[derive(Serialize, ToSchema)]
struct TurnOfWork {
    side: Side,
    turn: Turn,
}

/// A work on a cow or the flag.
#[derive(Serialize, ToSchema)]
pub struct WorkShown {
    work_id: Uuid,
    ride_id: Uuid,
    #[schema(value_type = String, format = Date)]
    day: Date,
    horse_id: Uuid,
    horse: String,
    rider: String,
    /// The cow, and its tag; null for the flag.
    cow_id: Option<Uuid>,
    tag: Option<String>,
    /// Minutes it took; null while nobody said when it ended.
    minutes: Option<f64>,
    /// How it ended; null likewise.
    how: Option<HowEnded>,
    /// Its turns, first to last.
    turns: Vec<TurnOfWork>,
}

impl From<Work> for WorkShown {
    fn from(work: Work) -> WorkShown {
        WorkShown {
            work_id: work.said.work_id,
            ride_id: work.ride_id,
            day: work.day,
            horse_id: work.horse.0,
            horse: work.horse.1,
            rider: work.rider,
            cow_id: work.said.cow_id,
            tag: work.tag,
            minutes: work.said.minutes(),
            how: work.said.ended.map(|end| end.how),
            turns: work
                .turns
                .into_iter()
                .map(|(side, turn)| TurnOfWork { side, turn })
                .collect(),
        }
    }
}

/// The works of a ride.
#[derive(Serialize, ToSchema)]
struct WorksOfRide {
    ride_id: Uuid,
    #[schema(value_type = String, format = Date)]
    day: Date,
    rider: String,
    /// Its turns at a glance.
    summary: TurnsSummary,
    /// First to last.
    works: Vec<WorkShown>,
}

/// The works of a horse.
#[derive(Serialize, ToSchema)]
struct WorksOfHorse {
    /// The turns of the last ten of these rides at a glance.
    summary: TurnsSummary,
    /// Rides with works, latest first; at most 40.
    rides: Vec<WorksOfRide>,
}

/// Rides that are looked at together, and that are listed.
const TOGETHER: usize = 10;
const RIDES: usize = 40;

/// The works of a horse on cattle and the flag.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/works", operation_id = "list_works", tag = "cattle",
    params(("horse_id" = Uuid, Path)),
    responses((status = 200, description = "Latest first", body = WorksOfHorse))
)]
async fn list(signed: Signed, UrlPath(horse_id): UrlPath<Uuid>) -> Answer<Json<WorksOfHorse>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let wanted = Wanted {
        horse_id: Some(horse_id),
        ..Wanted::default()
    };
    let works = ride_work::list(&mut barn, wanted).await?;
    let mut rides: Vec<Vec<Work>> = Vec::new();
    for work in works {
        match rides.last_mut() {
            Some(ride) if ride[0].ride_id == work.ride_id => ride.push(work),
            _ => rides.push(vec![work]),
        }
    }
    rides.reverse();
    let turns = |rides: &[Vec<Work>]| -> Vec<(Side, Turn)> {
        let works = rides.iter().rev().flatten();
        works.flat_map(|work| work.turns.iter().copied()).collect()
    };
    let together = turns(&rides[..rides.len().min(TOGETHER)]);
    rides.truncate(RIDES);
    Ok(Json(WorksOfHorse {
        summary: summary(&together),
        rides: rides
            .into_iter()
            .map(|works| WorksOfRide {
                ride_id: works[0].ride_id,
                day: works[0].day,
                rider: works[0].rider.clone(),
                summary: summary(&turns(std::slice::from_ref(&works))),
                works: works.into_iter().map(WorkShown::from).collect(),
            })
            .collect(),
    }))
}
