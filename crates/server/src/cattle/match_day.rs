//! Which cow for which horse on a day.

use std::collections::HashMap;

use axum::Json;
use axum::extract::State;
use cavesson_core::bounds::check_planned_day;
use cavesson_core::cattle::lately::tempo_of;
use cavesson_core::cattle::matching::{Day, Horse, NotForIt, TempoAgainstDue, due, match_day};
use cavesson_core::ladder::{AtHand, Ladder, Level};
use cavesson_core::rep::turn::Tempo;
use cavesson_store::BarnTransaction;
use cavesson_store::day::booking;
use cavesson_store::horse::horses;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::herd::{self, Herd};
use super::pen::lately;
use crate::App;
use crate::day::day_plan;
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
    let down = down_for_cattle(&mut barn, day).await?;
    let herd = herd::in_use(&mut barn, day).await?;
    drop(barn);
    let horses: Vec<Horse> = down.iter().map(|down| down.horse.clone()).collect();
    let cattle = herd.to_match();
    let solved = app
        .work
        .judging
        .run(move || match_day(&horses, &cattle))
        .await?
        .map_err(Problem::field)?;
    let can_work = herd.cattle.iter().filter(|now| now.standing.can_work());
    Ok(Json(MatchOfDay {
        day,
        can_work: can_work.count(),
        horses: down
            .into_iter()
            .map(|down| down.with_cows(&solved, &herd))
            .collect(),
    }))
}

/// A horse that is down for something on cattle.
struct DownForCattle {
    horse: Horse,
    name: String,
    level: Level,
}

/// Horses that are down for something on cattle, once each, in the order of the day.
async fn down_for_cattle(barn: &mut BarnTransaction, day: Date) -> Answer<Vec<DownForCattle>> {
    let mut down: Vec<(Uuid, Level)> = Vec::new();
    for one in booking::on_days(barn, day, day).await? {
        let (Some(horse_id), Some(level)) = (one.horse_id, one.level) else {
            continue;
        };
        let known = down.iter().any(|(id, _)| *id == horse_id);
        if one.skipped_because.is_none() && !known && is_on_cattle(&level) {
            down.push((horse_id, level));
        }
    }
    let names: HashMap<Uuid, String> = horses::list(barn, None)
        .await?
        .into_iter()
        .map(|horse| (horse.horse_id, horse.name))
        .collect();
    let ids: Vec<Uuid> = down.iter().map(|(horse_id, _)| *horse_id).collect();
    let mut found = lately(barn, &ids).await?;
    let named = down.into_iter().filter_map(|(horse_id, level)| {
        let lately = found.remove(&horse_id).unwrap_or_default();
        Some(DownForCattle {
            horse: lately.to_match(horse_id, tempo_of(&level.rung)),
            name: names.get(&horse_id)?.clone(),
            level,
        })
    });
    Ok(named.collect())
}

impl DownForCattle {
    fn with_cows(self, solved: &Day, herd: &Herd) -> HorseOfDay {
        let horse_id = self.horse.horse_id;
        let pairs = solved.pairs.iter().filter(|pair| pair.horse_id == horse_id);
        let cows = pairs.filter_map(|pair| {
            let now = herd.cow(pair.cow_id)?;
            let lot = herd.lot_of(&now.cow);
            Some(CowOfDay {
                cow_id: pair.cow_id,
                tag: now.cow.sheet.tag.clone(),
                lot: lot.map_or_else(String::new, |lot| lot.lot.sheet.name.clone()),
                goes: now.cow.sheet.tempo,
                tempo: pair.tempo,
                honesty: now.standing.honesty.share,
                works: now.standing.works,
            })
        });
        let left = solved
            .left_out
            .iter()
            .find(|left| left.horse_id == horse_id);
        let because = left.map_or(&[][..], |left| &left.because);
        let not_for_it = |(why, cattle): &(NotForIt, u32)| NotForHorse {
            why: *why,
            cattle: *cattle,
        };
        HorseOfDay {
            horse_id,
            horse: self.name,
            name: Ladder::every_level()
                .at(&self.level)
                .map_or_else(|| self.level.to_string(), |at| at.name.clone()),
            due: due(&self.horse),
            first: self.horse.first,
            corrected: self.horse.corrected,
            cows: cows.collect(),
            left_out: left.map_or(0, |left| left.works),
            because: because.iter().map(not_for_it).collect(),
            taken: left.map_or(0, |left| left.taken),
            level: self.level,
        }
    }
}

fn is_on_cattle(level: &Level) -> bool {
    let at = Ladder::every_level().at(level);
    at.is_some_and(|at| at.with == Some(AtHand::Cattle))
}
