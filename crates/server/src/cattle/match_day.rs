//! Which cow for which horse on a day.

use std::collections::HashMap;

use axum::Json;
use axum::extract::State;
use cavesson_core::bounds::check_planned_day;
use cavesson_core::cattle::matching::{Horse, NotForIt, TempoAgainstDue, match_day};
use cavesson_core::cattle::pen::tempo_due;
use cavesson_core::ladder::{Ladder, Level};
use cavesson_core::rep::Turn;
use cavesson_core::rep::turn::Tempo;
use cavesson_store::{booking, horse};
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::herd::{self, WORKS};
use super::pen::{Lately, lately};
use crate::App;
use crate::day::day_plan::{self, is_on_cattle};
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Recorder;
use crate::http::url::UrlQuery;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// The day that is matched.
#[derive(Debug, Clone, Copy, Deserialize, utoipa::IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
struct OfDay {
    /// The day, such as 2026-05-04; today in the barn when left out.
    #[param(value_type = Option<String>, format = Date)]
    day: Option<Date>,
}

/// A cow for a horse.
#[derive(Serialize, ToSchema)]
struct CowOfDay {
    cow_id: Uuid,
    tag: String,
    /// What its lot is called.
    lot: String,
    /// How it goes.
    goes: Tempo,
    /// How that lies to the tempo that is due.
    tempo: TempoAgainstDue,
    /// The share of honest stops that is to be expected of it.
    honesty: f64,
    /// Its works so far.
    works: u32,
}

/// How many cattle are not for a horse, and why.
#[derive(Serialize, ToSchema)]
struct NotForHorse {
    why: NotForIt,
    cattle: u32,
}

/// A horse that is down for cattle on the day.
#[derive(Serialize, ToSchema)]
struct HorseOfDay {
    horse_id: Uuid,
    horse: String,
    /// What it is down for.
    level: Level,
    /// What that is called.
    name: String,
    /// The tempo that is due.
    due: Tempo,
    /// It never worked cattle: quiet ones of a settled herd only.
    first: bool,
    /// It had to leave the cattle the last time: a step slower than due.
    corrected: bool,
    /// The cows for it.
    cows: Vec<CowOfDay>,
    /// Works it did not get.
    left_out: u32,
    /// Why cattle are not for it, where it did not get all works.
    because: Vec<NotForHorse>,
    /// Cattle that fit it and went to other horses, where it did not get all works.
    taken: u32,
}

/// Which cow for which horse.
#[derive(Serialize, ToSchema)]
struct MatchOfDay {
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// The horses that are down for cattle, in the order of the day.
    horses: Vec<HorseOfDay>,
    /// Cattle that can be worked at all.
    can_work: usize,
}

/// Which cow for which horse on a day, for all horses together.
#[utoipa::path(
    get, path = "/api/cattle-match", operation_id = "match_cattle", tag = "cattle", params(OfDay),
    responses((status = 200, description = "The day", body = MatchOfDay))
)]
async fn show(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlQuery(query): UrlQuery<OfDay>,
) -> Answer<Json<MatchOfDay>> {
    let today = signed.today();
    let day = query.day.unwrap_or(today);
    check_planned_day("/day", day, today).map_err(Problem::field)?;
    day_plan::lay_out(&app, &signed, day).await?;
    let mut barn = signed.look().await?;
    let down = down_for_cattle(booking::on_days(&mut barn, day, day).await?);
    let names: HashMap<Uuid, String> = horse::list(&mut barn, None)
        .await?
        .into_iter()
        .map(|horse| (horse.horse_id, horse.name))
        .collect();
    let ids: Vec<Uuid> = down.iter().map(|(horse_id, _)| *horse_id).collect();
    let found = lately(&mut barn, &ids).await?;
    let herd = herd::in_use(&mut barn, day).await?;
    let horses: Vec<(Horse, Level)> = down
        .into_iter()
        .filter(|(horse_id, _)| names.contains_key(horse_id))
        .map(|(horse_id, level)| (to_match(horse_id, &level, found.get(&horse_id)), level))
        .collect();
    let cattle = herd.to_match();
    let of_day: Vec<Horse> = horses.iter().map(|(horse, _)| horse.clone()).collect();
    let solved = app
        .work
        .judging
        .run(move || match_day(&of_day, &cattle))
        .await?
        .map_err(Problem::field)?;
    let shown = |(horse, level): (Horse, Level)| {
        let pairs = solved
            .pairs
            .iter()
            .filter(|pair| pair.horse_id == horse.horse_id);
        let cows = pairs.filter_map(|pair| {
            let now = herd.cow(pair.cow_id)?;
            Some(CowOfDay {
                cow_id: pair.cow_id,
                tag: now.cow.sheet.tag.clone(),
                lot: herd
                    .lot_of(&now.cow)
                    .map_or_else(String::new, |lot| lot.lot.sheet.name.clone()),
                goes: now.cow.sheet.tempo,
                tempo: pair.tempo,
                honesty: now.standing.honesty.share,
                works: now.standing.works,
            })
        });
        let left = solved
            .left_out
            .iter()
            .find(|left| left.horse_id == horse.horse_id);
        let because = left.map_or(&[][..], |left| &left.because);
        HorseOfDay {
            horse_id: horse.horse_id,
            horse: names.get(&horse.horse_id).cloned().unwrap_or_default(),
            name: Ladder::every_level()
                .at(&level)
                .map_or_else(|| level.to_string(), |at| at.name.clone()),
            due: cavesson_core::cattle::matching::due(&horse),
            first: horse.first,
            corrected: horse.corrected,
            cows: cows.collect(),
            left_out: left.map_or(0, |left| left.works),
            because: because
                .iter()
                .map(|(why, cattle)| NotForHorse {
                    why: *why,
                    cattle: *cattle,
                })
                .collect(),
            taken: left.map_or(0, |left| left.taken),
            level,
        }
    };
    let can_work = herd
        .cattle
        .iter()
        .filter(|now| now.standing.can_work())
        .count();
    Ok(Json(MatchOfDay {
        day,
        can_work,
        horses: horses.into_iter().map(shown).collect(),
    }))
}

/// Horses that are down for something on cattle, once each, in the order of the day.
fn down_for_cattle(bookings: Vec<booking::Booking>) -> Vec<(Uuid, Level)> {
    let mut down: Vec<(Uuid, Level)> = Vec::new();
    for one in bookings {
        let (Some(horse_id), Some(level)) = (one.horse_id, one.level) else {
            continue;
        };
        let known = down.iter().any(|(id, _)| *id == horse_id);
        if one.skipped_because.is_none() && !known && is_on_cattle(&level) {
            down.push((horse_id, level));
        }
    }
    down
}

/// A horse as the day is matched by it.
pub fn to_match(horse_id: Uuid, level: &Level, lately: Option<&Lately>) -> Horse {
    let turns: Vec<Turn> = lately.map_or_else(Vec::new, |lately| {
        lately.turns.iter().map(|(_, turn)| *turn).collect()
    });
    let asked = match level.rung.0.as_str() {
        "medium" => Tempo::Medium,
        "quick" => Tempo::Quick,
        _ => Tempo::Slow,
    };
    Horse {
        horse_id,
        tempo: tempo_due(&turns, asked).1,
        first: lately.is_none_or(|lately| !lately.worked),
        corrected: lately.is_some_and(Lately::corrected),
        works: WORKS,
    }
}
