//! The card of a horse's ride, and the traits that steer it.

use std::sync::Arc;

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::SPOTS;
use cavesson_core::card::{Card, Day, PlannedBlock, card};
use cavesson_core::heat::HeatHour;
use cavesson_core::horse::HorseTrait;
use cavesson_core::judge::holes;
use cavesson_core::ladder::AtHand;
use cavesson_core::week::booking::minutes_of;
use cavesson_store::BarnTransaction;
use cavesson_store::day::booking;
use cavesson_store::day::program_day;
use cavesson_store::day::program_day::ProgramDay;
use cavesson_store::horse::card_block;
use cavesson_store::horse::horses;
use cavesson_store::ride::rides;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::day::day_plan::rides_on;
use crate::day::weather;
use crate::horse_record::Judged;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Signed};
use crate::http::url::UrlPath;
use crate::route;

/// The cards' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(build))
        .routes(route!(set_traits))
        .routes(route!(list_traits))
}

/// The card of a horse's ride today. A device with the core in it builds the same.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/card", operation_id = "build_card", tag = "card",
    params(("horse_id" = Uuid, Path)), request_body = Day,
    responses(
        (status = 200, description = "The card", body = Card),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A number of the day out of bounds, or a level that the horse's ladder does not have", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn build(
    State(app): State<App>,
    signed: Signed,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(day): Body<Day>,
) -> Answer<Json<Card>> {
    let today = signed.today();
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let judged = app.known.judged_horse(barn, horse_id, today).await?;
    day.check(judged.ladder()).map_err(Problem::field)?;
    let built = app.work.judging.run(move || card_of(&judged, &day)).await?;
    Ok(Json(Arc::unwrap_or_clone(built)))
}

/// The card of a judged horse.
pub fn card_of(judged: &Judged, day: &Day) -> Arc<Card> {
    judged.card(day, || {
        let holes = holes(judged.ladder(), &judged.file, &judged.standings, judged.on);
        card(judged.for_card(&holes), day)
    })
}

/// What the barn knows of a horse's day: age, traits, the plan and its place, blocks the
/// trainer put on the card, how long it takes to be quiet.
///
/// # Errors
/// When a query fails.
pub async fn day_of(
    barn: &mut BarnTransaction,
    signed: &Signed,
    horse: &horses::Horse,
    on: Date,
) -> Answer<Day> {
    let planned = planned_on(barn, signed, horse.horse_id, on).await?;
    let blocks = card_block::of_horse_from(barn, horse.horse_id, on).await?;
    let blocks: Vec<card_block::CardBlock> =
        blocks.into_iter().filter(|block| block.day == on).collect();
    let quiet_min = rides::quiet_minutes(barn, horse.horse_id, on).await?;
    let heat = weather::of_day(barn, signed, on).await?;
    let minute = match &planned {
        Some(planned) => minutes_of(planned.starts_at),
        None => signed.minutes_of(on, signed.now().timestamp()),
    };
    let heat = weather::at_minute(&heat, minute);
    let day = day_with(horse, planned.as_ref(), &blocks, quiet_min, on);
    Ok(with_heat(day, heat))
}

/// The ride a horse is down for on a day: as the day stands, or by the week's plan where
/// the day was not laid out yet.
///
/// # Errors
/// When a query fails.
pub async fn planned_on(
    barn: &mut BarnTransaction,
    signed: &Signed,
    horse_id: Uuid,
    on: Date,
) -> Answer<Option<ProgramDay>> {
    let booked = rides_on(barn, signed, on, None).await?;
    let own = booked
        .into_iter()
        .find(|ride| ride.planned.horse_id == horse_id && ride.skipped_because.is_none());
    if own.is_some() || booking::is_laid_out(barn, on).await? {
        return Ok(own.map(|ride| ride.planned));
    }
    let weekday = i32::from(on.weekday().to_monday_one_offset());
    let week = program_day::list(barn, weekday, None).await?;
    Ok(week
        .into_iter()
        .find(|planned| planned.horse_id == horse_id))
}

/// A day with the heat of the hour.
pub fn with_heat(day: Day, heat: Option<&HeatHour>) -> Day {
    Day {
        temperature_f: heat.map(|hour| hour.temperature_f),
        humidity_pct: heat.map(|hour| hour.humidity_pct),
        ..day
    }
}

/// The same from what has been read.
pub fn day_with(
    horse: &horses::Horse,
    planned: Option<&ProgramDay>,
    blocks: &[card_block::CardBlock],
    quiet_min: Vec<f64>,
    on: Date,
) -> Day {
    Day {
        age_years: u32::try_from(i32::from(on.year()) - horse.foaled).ok(),
        traits: horse.traits.clone(),
        at_hand: planned.map_or_else(Vec::new, |planned| AtHand::usually_at(&planned.place_kind)),
        quiet_min,
        aim: planned.map(|planned| planned.level.clone()),
        planned: blocks
            .iter()
            .map(|block| PlannedBlock {
                level: block.level.clone(),
                side: block.side,
                text: block.text.clone(),
            })
            .collect(),
        ..Day::default()
    }
}

/// A trait with what it changes.
#[derive(Serialize, ToSchema)]
struct KnownTrait {
    #[serde(rename = "trait")]
    horse_trait: HorseTrait,
    /// What a trainer says.
    name: String,
    /// What it changes on the card.
    effect: String,
}

/// Every trait that steers a card.
#[utoipa::path(
    get, path = "/api/traits", operation_id = "list_traits", tag = "card",
    responses((status = 200, description = "The traits", body = [KnownTrait]))
)]
async fn list_traits(_: Signed) -> Json<Vec<KnownTrait>> {
    let traits = HorseTrait::ALL.iter();
    Json(
        traits
            .map(|one| KnownTrait {
                horse_trait: *one,
                name: one.name().into(),
                effect: one.effect().into(),
            })
            .collect(),
    )
}

/// The traits of a horse.
#[derive(Debug, Deserialize, ToSchema)]
#[schema(as = TraitsOfHorse)]
#[serde(deny_unknown_fields)]
struct Traits {
    /// All of them; what is named takes the place of what was.
    #[schema(max_items = 20)]
    traits: Vec<HorseTrait>,
}

/// Say which traits a horse has.
#[utoipa::path(
    put, path = "/api/horses/{horse_id}/traits", operation_id = "set_traits", tag = "card",
    params(("horse_id" = Uuid, Path)), request_body = Traits,
    responses(
        (status = 204, description = "Kept"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "Too many", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn set_traits(
    Recorder(signed): Recorder,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(mut named): Body<Traits>,
) -> Answer<StatusCode> {
    SPOTS
        .check_count("/traits", named.traits.len())
        .map_err(Problem::field)?;
    named.traits.sort_unstable();
    named.traits.dedup();
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, horse_id).await?;
    horses::set_traits(&mut barn, horse_id, &named.traits).await?;
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
