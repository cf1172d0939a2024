//! How much a horse works: the load of its days, and what it adds up to.

use axum::Json;
use axum::extract::State;
use cavesson_core::ladder::Ladder;
use cavesson_core::load::ride::weight_of;
use cavesson_core::load::words::cautions;
use cavesson_core::load::{DayLoad, WeekLoad, WorkAsk, of_days, of_week, ride_load};
use cavesson_store::horse::load;
use jiff::ToSpan;
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

/// Days looked back: the chronic average has settled by then.
const DAYS_BACK: i64 = 120;

/// The loads' route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// How much a horse works.
#[derive(Serialize, ToSchema)]
struct HorseLoad {
    /// Every day since the first ride of the last months, oldest first.
    days: Vec<LoadOfDay>,
    /// The last seven days; null before there are seven.
    week: Option<WeekLoad>,
    /// Cautions, with what they are worth.
    says: Vec<String>,
}

/// A day of load.
#[derive(Serialize, ToSchema)]
struct LoadOfDay {
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// Whether somebody said how hard a ride of the day was.
    rated: bool,
    #[serde(flatten)]
    #[schema(inline)]
    load: DayLoad,
}

/// How much a horse worked, day by day.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/load", operation_id = "show_load", tag = "horses",
    params(("horse_id" = Uuid, Path)),
    responses((status = 200, description = "Its load", body = HorseLoad))
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<Json<HorseLoad>> {
    let today = signed.today();
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let from = today.saturating_sub(DAYS_BACK.days());
    let rides = load::rides(&mut barn, horse_id, from, today).await?;
    let judged = app.known.judged_horse(barn, horse_id, today).await?;
    let Some(first) = rides.first().map(|ride| ride.day) else {
        return Ok(Json(HorseLoad {
            days: Vec::new(),
            week: None,
            says: Vec::new(),
        }));
    };
    let days: Vec<Date> = first
        .series(1.day())
        .take_while(|day| *day <= today)
        .collect();
    let of_day = |day: &Date| {
        let own = rides.iter().filter(|ride| ride.day == *day);
        own.map(|ride| load_of(ride, judged.ladder())).sum::<f64>()
    };
    let loads: Vec<f64> = days.iter().map(of_day).collect();
    let averages = of_days(&loads);
    let week = of_week(&loads);
    Ok(Json(HorseLoad {
        says: cautions(&averages, week, judged.file.sex),
        week,
        days: days
            .into_iter()
            .zip(averages)
            .map(|(day, load)| LoadOfDay {
                day,
                rated: rides
                    .iter()
                    .any(|ride| ride.day == day && ride.exertion.is_some()),
                load,
            })
            .collect(),
    }))
}

/// The load of a ride on a ladder.
pub fn load_of(ride: &load::LoadRide, ladder: &Ladder) -> f64 {
    let asks: Vec<WorkAsk> = ride
        .asks
        .iter()
        .map(|(after_min, level)| WorkAsk {
            after_min: *after_min,
            weight: ladder.at(level).map_or(1.0, weight_of),
        })
        .collect();
    ride_load(ride.minutes, &asks, ride.exertion)
}
