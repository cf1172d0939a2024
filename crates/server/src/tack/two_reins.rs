//! Rides in the two-rein and in bosals: what they came to, what the next starts with, and the
//! year's plan.

use axum::Json;
use cavesson_core::bounds::TWO_REIN_RIDES;
use cavesson_core::day::days_between;
use cavesson_core::gear::two_rein::{
    self, SizeAdvice, StartReason, TwoReinRide, TwoReinSaid, bosal_size, next_after, planned_pct,
};
use cavesson_core::ride::shares::two_rein_ride;
use cavesson_core::rig::RigKind;
use cavesson_store::barn::gear;
use cavesson_store::tack::ride_share;
use cavesson_store::tack::ride_share::RideInRig;
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

/// The route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// A ride with its ribbon.
#[derive(Serialize, ToSchema)]
struct RibbonRide {
    ride_id: Uuid,
    #[schema(value_type = String, format = Date)]
    day: Date,
    rider: String,
    ride: TwoReinRide,
    said: TwoReinSaid,
    /// The share of the bosal the plan had for that day.
    planned_bosal_pct: f64,
}

/// The share the next ride starts with.
#[derive(Serialize, ToSchema)]
struct NextStart {
    bosal_pct: f64,
    because: StartReason,
    /// The same in a sentence.
    says: String,
}

/// The plan at a day.
#[derive(Serialize, ToSchema)]
struct PlannedShare {
    #[schema(value_type = String, format = Date)]
    day: Date,
    bosal_pct: f64,
}

/// Days in a bosal.
#[derive(Serialize, ToSchema)]
struct BosalDays {
    gear_id: Option<Uuid>,
    name: String,
    /// Its thickness at the cheek, in inches, where it was measured.
    bosal_in: Option<f64>,
    days: usize,
    /// Days with an ask for a smaller one that was sustained.
    sustained: usize,
    advice: SizeAdvice,
    /// The same in a sentence.
    says: String,
}

/// A horse's way from the bosal to the bridle.
#[derive(Serialize, ToSchema)]
struct TwoRein {
    /// Rides in the two-rein, oldest first.
    rides: Vec<RibbonRide>,
    /// What the next one starts with; the plan's first share before any.
    next: NextStart,
    /// The plan, from its first day to its last.
    plan: Vec<PlannedShare>,
    /// Bosals it was ridden in, the one worn last first.
    bosals: Vec<BosalDays>,
}

/// A horse's way from the bosal to the bridle.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/two-rein", operation_id = "show_two_rein", tag = "tack",
    params(("horse_id" = Uuid, Path)),
    responses(
        (status = 200, description = "Rides, plan, what the next starts with", body = TwoRein),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(signed: Signed, UrlPath(horse_id): UrlPath<Uuid>) -> Answer<Json<TwoRein>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let all = ride_share::rides(&mut barn, horse_id).await?;
    let shelf = gear::list(&mut barn).await?;
    let rides = ribbons(&all);
    let first = rides.first().map_or(signed.today(), |ride| ride.day);
    Ok(Json(TwoRein {
        next: next_start(&rides),
        plan: plan(first),
        bosals: bosals(&all, &shelf),
        rides,
    }))
}

fn ribbons(all: &[RideInRig]) -> Vec<RibbonRide> {
    let in_two_rein = |ride: &&RideInRig| ride.rigs.iter().any(|rig| rig.kind == RigKind::TwoRein);
    let mut rides: Vec<RibbonRide> = all
        .iter()
        .filter(in_two_rein)
        .filter_map(|one| {
            let ride = two_rein_ride(&one.shares, &one.asked, one.ended_ms, false)?;
            Some(RibbonRide {
                ride_id: one.ride_id,
                day: one.day,
                rider: one.rider.clone(),
                said: ride.said(),
                ride,
                planned_bosal_pct: 0.0,
            })
        })
        .collect();
    if let Some(first) = rides.first().map(|ride| ride.day) {
        for ride in &mut rides {
            ride.planned_bosal_pct = planned_pct(days_between(first, ride.day) as f64);
        }
    }
    rides
}

fn next_start(rides: &[RibbonRide]) -> NextStart {
    let lately = &rides[rides.len().saturating_sub(TWO_REIN_RIDES.most as usize)..];
    let days: Vec<(f64, TwoReinSaid)> = lately
        .iter()
        .map(|ride| (ride.ride.segments[0].bosal_pct, ride.said.clone()))
        .collect();
    match next_after(&days) {
        Some((bosal_pct, because)) => NextStart {
            bosal_pct,
            because,
            says: two_rein::start_says(bosal_pct, because),
        },
        None => NextStart {
            bosal_pct: two_rein::PLAN_PCT.0,
            because: StartReason::SameAgain,
            says: format!(
                "The first ride starts with {:.0}% bosal: mostly support, a little bridle.",
                two_rein::PLAN_PCT.0
            ),
        },
    }
}

fn plan(first: Date) -> Vec<PlannedShare> {
    let days = [0, 91, 183, 274, two_rein::PLAN_DAYS as i64];
    days.iter()
        .map(|days| PlannedShare {
            day: first.saturating_add(days.days()),
            bosal_pct: planned_pct(*days as f64),
        })
        .collect()
}

fn bosals(all: &[RideInRig], shelf: &[gear::Gear]) -> Vec<BosalDays> {
    let mut found: Vec<(Option<Uuid>, String, Vec<TwoReinSaid>)> = Vec::new();
    for ride in all {
        let Some(rig) = ride.rigs.iter().find(|rig| rig.kind == RigKind::Bosal) else {
            continue;
        };
        let Some(read) = two_rein_ride(&[], &ride.asked, ride.ended_ms, true) else {
            continue;
        };
        let same = found
            .iter()
            .position(|(gear_id, name, _)| *gear_id == rig.gear_id && *name == rig.name);
        let mut own = same.map_or_else(
            || (rig.gear_id, rig.name.clone(), Vec::new()),
            |at| found.remove(at),
        );
        own.2.push(read.said());
        found.push(own);
    }
    found.reverse();
    found
        .into_iter()
        .map(|(gear_id, name, days)| {
            let piece = shelf.iter().find(|piece| Some(piece.gear_id) == gear_id);
            let lately = &days[days.len().saturating_sub(two_rein::SUSTAINED_DAYS.1)..];
            let advice = bosal_size(&days);
            BosalDays {
                gear_id,
                name: piece.map_or(name, |piece| piece.sheet.name.clone()),
                bosal_in: piece.and_then(|piece| piece.sheet.measures.bosal_in),
                days: days.len(),
                sustained: lately.iter().filter(|day| day.sustained()).count(),
                advice,
                says: two_rein::size_says(advice).into(),
            }
        })
        .collect()
}
