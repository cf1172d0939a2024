//! Today: who is ridden, when, where, for what, and the one thing that matters.

use axum::Json;
use axum::extract::State;
use cavesson_core::card::Part;
use cavesson_core::heat::{HeatBand, HeatHour};
use cavesson_core::judge::{self, State as LevelState, Verdict};
use cavesson_core::ladder::Level;
use cavesson_core::week::BookingKind;
use cavesson_core::week::booking::minutes_of;
use cavesson_core::week::usual;
use cavesson_store::horse::card_block;
use cavesson_store::horse::horses;
use cavesson_store::ride::rides;
use cavesson_store::ride::rides::Ride;
use jiff::Timestamp;
use jiff::civil::{Date, Time};
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::day::day_plan::{RideBooked, lay_out, rides_on};
use crate::day::weather;
use crate::horse::card_blocks::CardBlock;
use crate::horse::horses::Horse;
use crate::horse::levels::LevelBrief;
use crate::horse_record::Judged;
use crate::http::problem::Answer;
use crate::http::signed_in::Signed;
use crate::ride::cards;
use crate::route;

/// Today's route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(today))
}

/// The day.
#[derive(Serialize, ToSchema)]
struct Today {
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// The horses ridden today, earliest first.
    string: Vec<StringHorse>,
    /// Horses that are not down for today.
    others: Vec<Horse>,
    /// What a horse that is not down for today is taken out for.
    usual: Option<LevelBrief>,
}

/// One horse of the day.
#[derive(Serialize, ToSchema)]
struct StringHorse {
    booking_id: Uuid,
    /// A ride, or an outing on which nothing is asked.
    kind: BookingKind,
    /// How long it is down for.
    minutes: i64,
    /// Why it was skipped; null while it stands.
    skipped_because: Option<String>,
    horse: Horse,
    /// Barn time.
    #[schema(value_type = String, example = "07:30:00")]
    starts_at: Time,
    rider_id: Uuid,
    rider: String,
    place: String,
    aim: Aim,
    /// How hot it will be as the ride begins, where that is known.
    heat: Option<HeatShown>,
    /// Blocks put on its card for today.
    card: Vec<CardBlock>,
    /// The parts of its ride's card in order, the check-over apart.
    parts: Vec<CardPart>,
    /// Its rides today, earliest first.
    rides: Vec<RideBrief>,
}

/// How hot it will be.
#[derive(Serialize, ToSchema)]
struct HeatShown {
    temperature_f: f64,
    humidity_pct: f64,
    band: HeatBand,
    /// What to do.
    advice: String,
}

impl HeatShown {
    fn of(hour: HeatHour) -> HeatShown {
        let band = hour.band();
        HeatShown {
            temperature_f: hour.temperature_f,
            humidity_pct: hour.humidity_pct,
            band,
            advice: band.advice().into(),
        }
    }
}

/// A part of a card in short.
#[derive(Serialize, ToSchema)]
struct CardPart {
    part: Part,
    /// What it is called.
    name: String,
    minutes: u32,
}

/// What the ride is for, and where the horse stands with it.
#[derive(Serialize, ToSchema)]
struct Aim {
    level: LevelBrief,
    verdict: Verdict,
    state: LevelState,
    /// The one thing that matters for this horse.
    matters: String,
    /// Soft share over the gate's window, both sides.
    soft_share: Option<f64>,
}

/// A ride in short.
#[derive(Serialize, ToSchema)]
struct RideBrief {
    ride_id: Uuid,
    #[schema(value_type = String, format = DateTime)]
    started_at: Timestamp,
    #[schema(value_type = Option<String>, format = DateTime)]
    finished_at: Option<Timestamp>,
    asked: i64,
}

/// The day of the barn.
#[utoipa::path(
    get, path = "/api/today", tag = "today",
    responses(
        (status = 200, description = "The horses of the day", body = Today),
    )
)]
async fn today(State(app): State<App>, signed: Signed) -> Answer<Json<Today>> {
    let now = signed.now();
    let day = now.date();
    let owner = signed.only_horses_of();
    lay_out(&app, &signed, day).await?;
    let mut barn = signed.look().await?;
    let booked = rides_on(&mut barn, &signed, day, owner).await?;
    let rides = rides::on_day(&mut barn, day).await?;
    let (stored, others): (Vec<_>, Vec<_>) = horses::list(&mut barn, owner)
        .await?
        .into_iter()
        .partition(|horse| {
            booked
                .iter()
                .any(|ride| ride.planned.horse_id == horse.horse_id)
        });
    let mut card = card_block::on_day(&mut barn, day).await?;
    let heat = weather::of_day(&mut barn, &signed, day).await?;
    let mut ridden: Vec<Uuid> = booked.iter().map(|ride| ride.planned.horse_id).collect();
    ridden.sort_unstable();
    ridden.dedup();
    let judged = app.known.judged(barn, &ridden, day).await?;
    let year = now.year();
    let string = app
        .work
        .judging
        .run(move || {
            booked
                .into_iter()
                .filter_map(|ride| {
                    let horse_id = ride.planned.horse_id;
                    let horse = stored.iter().find(|horse| horse.horse_id == horse_id)?;
                    let judged = judged.iter().find(|judged| judged.horse_id == horse_id)?;
                    let of_horse = |block: &card_block::CardBlock| block.horse_id == horse_id;
                    let card = card.extract_if(.., |block| of_horse(block)).collect();
                    string_horse(ride, horse, judged, card, &rides, &heat)
                })
                .collect::<Vec<StringHorse>>()
        })
        .await?;
    let mut others: Vec<Horse> = others
        .into_iter()
        .map(|horse| Horse::new(horse, year))
        .collect();
    others.sort_by(|a, b| a.name.cmp(&b.name));
    Ok(Json(Today {
        day,
        string,
        others,
        usual: app
            .ladder
            .at(&usual::level())
            .map(|level| LevelBrief::of(level, app.ladder)),
    }))
}

/// None for a level that the horse's ladder does not have.
fn aim(judged: &Judged, level: &Level) -> Option<Aim> {
    let ladder = judged.ladder();
    let index = ladder.position(level)?;
    let said =
        judge::level::of_standings(ladder, &judged.file, &judged.standings, index, judged.on);
    let asked: u32 = said.gate.sides.iter().map(|side| side.asked).sum();
    let soft: u32 = said.gate.sides.iter().map(|side| side.soft).sum();
    Some(Aim {
        level: LevelBrief::of(&ladder.levels[index], ladder),
        verdict: said.verdict,
        state: said.state,
        matters: said.text,
        soft_share: (asked > 0).then(|| f64::from(soft) / f64::from(asked)),
    })
}

fn string_horse(
    booked: RideBooked,
    horse: &horses::Horse,
    judged: &Judged,
    card: Vec<card_block::CardBlock>,
    rides: &[Ride],
    heat: &[HeatHour],
) -> Option<StringHorse> {
    let planned = booked.planned;
    let aim = aim(judged, &planned.level)?;
    let hour = weather::at_minute(heat, minutes_of(planned.starts_at)).copied();
    let day = cards::day_with(horse, Some(&planned), &card, Vec::new(), judged.on);
    let day = cards::with_heat(day, hour.as_ref());
    let card_of_day = cards::card_of(judged, &day);
    let parts = card_of_day.blocks.iter();
    Some(StringHorse {
        booking_id: booked.booking_id,
        kind: booked.kind,
        minutes: booked.minutes,
        skipped_because: booked.skipped_because,
        aim,
        heat: hour.map(HeatShown::of),
        parts: parts
            .filter(|block| block.part != Part::CheckOver && block.minutes > 0)
            .map(|block| CardPart {
                part: block.part,
                name: block.name.clone(),
                minutes: block.minutes,
            })
            .collect(),
        card: card
            .into_iter()
            .map(|block| CardBlock::of(block, judged.ladder()))
            .collect(),
        starts_at: planned.starts_at,
        rider_id: planned.rider_id,
        rider: planned.rider,
        place: planned.place,
        rides: rides
            .iter()
            .filter(|ride| ride.horse_id == horse.horse_id)
            .map(|ride| RideBrief {
                ride_id: ride.ride_id,
                started_at: ride.started_at,
                finished_at: ride.finished_at,
                asked: ride.asked,
            })
            .collect(),
        horse: Horse::new(horse.clone(), judged.on.year()),
    })
}
