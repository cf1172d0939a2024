//! What a device takes along to judge a horse without signal: all that the server
//! judges it by. The core in the browser says of it what the server says.

use axum::Json;
use axum::extract::State;
use cavesson_core::calc::judge::{Context, ProgramBefore, Ride, SeenFault};
use cavesson_core::card::Day;
use cavesson_core::intake::{BarnHorse, IntakeAsk};
use cavesson_core::judge::BrakeLimit;
use cavesson_core::program::Program;
use cavesson_core::rep::Rep;
use cavesson_store::ride::intake;
use cavesson_store::ride::rides;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse_record::{HorseLadder, Known, ReadHorse, RidersOfBarn};
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;
use crate::http::url::UrlPath;
use crate::ride::{cards, intakes};
use crate::route;

/// The packs' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// All that one horse is judged by.
#[derive(Serialize, ToSchema)]
struct HorsePack {
    horse_id: Uuid,
    /// Whose device it is for: the rider of what it records.
    rider_id: Uuid,
    /// The version of what is known of the horse.
    version: i64,
    /// The barn's calendar day.
    #[schema(value_type = String, format = Date)]
    date: Date,
    /// The program it is judged by; one that no longer fits is left out, as the server
    /// does.
    program: Program,
    /// Its reps that were not taken back, oldest first.
    reps: Vec<Rep>,
    context: Context,
    /// What the barn's other horses hold, for the calculator `intake`.
    barn: Vec<BarnHorse>,
    /// What was asked at its intake so far, for the same.
    intake_asks: Vec<IntakeAsk>,
    /// What its brake keeps it from, where it was lost, for the same; null elsewhere.
    brake_lost: Option<BrakeLimit>,
    /// The line said for next time on its last ride; null where there is none.
    last_note: Option<LastNote>,
    /// What the barn knows of its ride today, for the calculator `card`.
    day: Day,
}

/// A line said for next time.
#[derive(Serialize, ToSchema)]
struct LastNote {
    /// The day of the ride.
    #[schema(value_type = String, format = Date)]
    day: Date,
    text: String,
}

/// What a device takes along to judge one horse without signal: the input of the
/// calculators `judge` and `card`.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/pack", operation_id = "show_pack", tag = "horses", params(("horse_id" = Uuid, Path)),
    responses(
        (status = 200, description = "Program, reps, rides, care and decisions", body = HorsePack),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<Json<HorsePack>> {
    let date = signed.now().date();
    let mut barn = signed.look().await?;
    let horse = signed.horse(&mut barn, horse_id).await?;
    let day = cards::day_of(&mut barn, &signed, &horse, date).await?;
    let last_note = rides::last_note(&mut barn, horse_id, date).await?;
    let read = app.known.read(&mut barn, &[horse_id], date).await?.pop();
    let ReadHorse {
        known,
        on_ladder,
        riders,
        ..
    } = read.ok_or_else(|| Problem::not_found("no such horse in this barn"))?;
    let judged = app.known.judged_horse(signed.look().await?, horse_id, date);
    let judged = judged.await?;
    let intake_asks = intakes::asked_so_far(&mut barn, horse_id, &on_ladder.ladder).await?;
    Ok(Json(HorsePack {
        horse_id,
        rider_id: signed.person.person_id,
        version: known.version(),
        date,
        program: on_ladder.changes.as_ref().clone(),
        reps: reps(&known),
        context: context(&known, &on_ladder, &riders),
        barn: intake::barn_horses(&mut barn, horse_id).await?,
        intake_asks,
        brake_lost: judged.brake_lost(),
        last_note: last_note.map(|(day, text)| LastNote { day, text }),
        day,
    }))
}

fn reps(known: &Known) -> Vec<Rep> {
    let mut reps: Vec<Rep> = known
        .reps
        .values()
        .flat_map(|of_level| of_level.iter().cloned())
        .collect();
    reps.sort_by_key(|rep| (rep.day, rep.asked_at, rep.rep_id));
    reps
}

fn context(known: &Known, on_ladder: &HorseLadder, riders: &RidersOfBarn) -> Context {
    Context {
        sex: known.sex,
        rides: known
            .rides
            .iter()
            .map(|ride| Ride {
                ride_id: ride.ride_id,
                day: ride.day,
                rider_id: ride.rider_id,
                marks: ride.marks.clone(),
                rigs: ride.rigs.clone(),
            })
            .collect(),
        care: known.care.clone(),
        overrules: known.overrules.clone(),
        intake: known.intake.clone(),
        riders: riders.in_use.clone(),
        placings: known.placings.clone(),
        answers: known.answers.clone(),
        programs_before: on_ladder
            .before
            .iter()
            .filter(|stood| known.first_day().is_some_and(|first| first < stood.until))
            .map(|stood| ProgramBefore {
                until: stood.until,
                program: stood.on.changes.as_ref().clone(),
            })
            .collect(),
        faults: known
            .faults
            .iter()
            .map(|seen| SeenFault {
                ride_id: seen.ride_id,
                level: seen.level.clone(),
                fault: seen.fault.clone(),
            })
            .collect(),
    }
}
