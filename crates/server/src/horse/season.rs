//! A mare's season on the horse page: rides marked in it, days to reckon with, how she answers
//! in it and out of it.

use std::collections::{HashMap, HashSet};

use cavesson_core::horse::care::cycle_days;
use cavesson_core::horse::{CareKind, RideMark, season};
use jiff::ToSpan;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::horse_record::Judged;

/// Days of asks in season and out of it that are compared.
pub const SEASON_LOOK_BACK_DAYS: i64 = 365;

/// A mare's season.
#[derive(Serialize, ToSchema)]
pub struct Season {
    /// Rides that were marked in season, oldest first.
    seen: Vec<SeasonRide>,
    /// Days to reckon with.
    expected: Vec<season::SeasonDays>,
    /// In season against out of season.
    share: Option<season::SeasonShare>,
}

/// A ride marked in season.
#[derive(Serialize, ToSchema)]
pub struct SeasonRide {
    #[schema(value_type = String, format = Date)]
    day: Date,
    ride_id: Uuid,
}

/// Days on which she was seen in season, noted or ridden.
pub fn days_in_season(judged: &Judged) -> Vec<Date> {
    let rides = judged.file.rides.iter();
    let ridden = rides
        .filter(|ride| ride.marks.contains(&RideMark::InSeason))
        .map(|ride| ride.day);
    let notes = judged.file.care.iter();
    let noted = notes
        .filter(|note| note.kind == CareKind::InSeason)
        .map(|note| note.day);
    let known = |day: &Date| *day <= judged.on;
    ridden.chain(noted).filter(known).collect()
}

/// Of the days on which the barn's mares were seen in season, those of one.
pub fn of_horse(seasons: &HashMap<Uuid, Vec<Date>>, horse_id: Uuid) -> &[Date] {
    seasons.get(&horse_id).map_or(&[], Vec::as_slice)
}

/// What is known of her season.
pub fn season_of(judged: &Judged) -> Season {
    let in_season = |marks: &[RideMark]| marks.contains(&RideMark::InSeason);
    let rides = judged
        .file
        .rides
        .iter()
        .filter(|ride| ride.day <= judged.on);
    let seen: Vec<SeasonRide> = rides
        .filter(|ride| in_season(&ride.marks))
        .map(|ride| SeasonRide {
            day: ride.day,
            ride_id: ride.ride_id,
        })
        .collect();
    let marked: HashSet<Uuid> = seen.iter().map(|ride| ride.ride_id).collect();
    let oldest = judged.on.saturating_sub(SEASON_LOOK_BACK_DAYS.days());
    let asks = judged.file.asks.iter().flat_map(|asks| {
        let start = asks.partition_point(|ask| ask.day < oldest);
        let end = asks.partition_point(|ask| ask.day <= judged.on);
        &asks[start..end]
    });
    Season {
        expected: season::expected(
            &days_in_season(judged),
            cycle_days(&judged.file.care, judged.on),
            judged.on,
        ),
        share: season::of_asks(asks, |ask| marked.contains(&ask.ride_id)),
        seen,
    }
}
