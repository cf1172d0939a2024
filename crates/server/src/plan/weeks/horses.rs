//! The horses of a week as the planner sees them: what each may do, wants, and stands before.

use std::collections::HashMap;
use std::sync::Arc;

use cavesson_core::card::Limits;
use cavesson_core::cattle::lately::CattleLately;
use cavesson_core::day::days_between;
use cavesson_core::horse::Goal;
use cavesson_core::rep::turn::Tempo;
use cavesson_core::road::priority::{NEAR_DAYS, by_date};
use cavesson_core::week::Trips;
use cavesson_core::week::plan::WeekHorse;
use cavesson_core::week::plan::ride_options::{AtTheBarn, PlaceOfKind};
use cavesson_core::week::plan::week_horse::HorseInWeek;
use cavesson_core::week::trips::TRIPS_WEEKS;
use cavesson_core::week::usual::RIDES_A_WEEK;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::place;
use cavesson_store::day::booking;
use cavesson_store::day::booking::Booking;
use cavesson_store::horse::goal;
use cavesson_store::horse::horses;
use cavesson_store::horse::program;
use cavesson_store::ride::rides;
use cavesson_store::tack::fitting;
use cavesson_store::tack::fitting::HorseRig;
use jiff::ToSpan;
use jiff::civil::Date;
use uuid::Uuid;

use super::what_if::WhatIf;
use crate::cattle::herd::Herd;
use crate::cattle::pen;
use crate::day::day_plan::{as_seen, headgear};
use crate::horse_record::Judged;
use crate::http::problem::Answer;
use crate::http::signed_in::Signed;
use crate::plan::roads::road_cache::KeptRoad;
use crate::ride::cards::day_with;

/// The week they are planned in.
pub(super) struct Week<'a> {
    pub(super) signed: &'a Signed,
    pub(super) monday: Date,
    /// The days that are planned.
    pub(super) dates: &'a [Date],
    /// Bookings from the day before the week to its end.
    pub(super) near: &'a [Booking],
    pub(super) places: &'a [place::Place],
    pub(super) herd: &'a Herd,
    pub(super) roads: &'a [(Uuid, String, Arc<KeptRoad>)],
    pub(super) what_if: &'a WhatIf,
}

impl Week<'_> {
    fn places_by_kind(&self) -> Vec<PlaceOfKind> {
        let of = |place: &place::Place| PlaceOfKind {
            place_id: place.place_id,
            kind: place.sheet.kind.word(),
        };
        self.places.iter().map(of).collect()
    }

    fn first(&self) -> Date {
        self.dates.first().copied().unwrap_or(self.monday)
    }
}

/// The barn's horses and what is known of their weeks.
pub(super) struct HorsesOfWeek {
    horses: Vec<horses::Horse>,
    rigs: Vec<HorseRig>,
    /// Days on which horses were ridden, this week.
    ridden: Vec<(Uuid, Date)>,
    meant: Vec<program::ProgramMeant>,
    goals: Vec<(Uuid, Goal)>,
    trips: Vec<(Uuid, Trips)>,
    on_cattle: HashMap<Uuid, CattleLately>,
}

impl HorsesOfWeek {
    /// # Errors
    /// When a query fails.
    pub(super) async fn read(
        barn: &mut BarnTransaction,
        signed: &Signed,
        (monday, sunday): (Date, Date),
    ) -> Answer<HorsesOfWeek> {
        let today = signed.today();
        let horses = horses::list(barn, None).await?;
        let ids: Vec<Uuid> = horses.iter().map(|horse| horse.horse_id).collect();
        let trips_since = today.saturating_sub((7 * TRIPS_WEEKS).days());
        let near = today.saturating_add(NEAR_DAYS.days());
        Ok(HorsesOfWeek {
            rigs: fitting::rigs(barn).await?,
            ridden: rides::ridden_days(barn, monday, sunday).await?,
            meant: program::meant(barn).await?,
            goals: goal::between(barn, today, near).await?,
            trips: booking::trips(barn, trips_since, sunday).await?,
            on_cattle: pen::lately(barn, &ids).await?,
            horses,
        })
    }

    pub(super) fn ids(&self) -> Vec<Uuid> {
        self.horses.iter().map(|horse| horse.horse_id).collect()
    }

    /// What the planner asks of each; `judged` in the order of [`HorsesOfWeek::ids`].
    pub(super) fn asked(&self, judged: &[Arc<Judged>], week: &Week) -> Vec<WeekHorse> {
        let horses = self.horses.iter().zip(judged);
        horses
            .map(|(horse, judged)| {
                Asked {
                    horse,
                    judged,
                    known: self,
                    week,
                }
                .horse()
            })
            .collect()
    }

    /// Rides a week that its program means.
    fn rides_a_week(&self, horse: &horses::Horse) -> u8 {
        let own = |id| self.meant.iter().find(|meant| meant.program_id == id);
        let meant = horse.program_id.and_then(own);
        meant.map_or(RIDES_A_WEEK, |meant| meant.rides_a_week)
    }

    fn outings(&self, horse: &horses::Horse) -> Trips {
        let own = self.trips.iter().find(|(id, _)| *id == horse.horse_id);
        own.map_or_else(Trips::default, |(_, trips)| *trips)
    }
}

/// A horse in its week.
struct Asked<'a> {
    horse: &'a horses::Horse,
    judged: &'a Judged,
    known: &'a HorsesOfWeek,
    week: &'a Week<'a>,
}

impl Asked<'_> {
    fn horse(&self) -> WeekHorse {
        let (horse, week) = (self.horse, self.week);
        let today = week.signed.today();
        let judged = self.judged.for_card(&[]);
        let limits = Limits::of(judged, &day_with(horse, None, &[], Vec::new(), today));
        let outings = self.known.outings(horse);
        let in_week = HorseInWeek {
            horse_id: horse.horse_id,
            name: &horse.name,
            foaled: horse.foaled,
            headgear: headgear(self.rig()),
            limits: &limits,
            traits: &horse.traits,
            days: week.dates.len(),
            days_ridden: &self.days_ridden(),
            hard_before: self.is_hard_before(),
            rides_a_week: self.known.rides_a_week(horse),
            away: week.what_if.without_horses.contains(&horse.horse_id),
            priority: priority(week.roads, &self.known.goals, horse.horse_id, today),
        };
        let barn = AtTheBarn {
            places: &week.places_by_kind(),
            lots: &self.lots(),
            outings: outings.wanting(week.signed.barn.quiet_pct()),
            most_minutes: limits.minutes,
        };
        WeekHorse::of(in_week, judged, &barn)
    }

    fn rig(&self) -> Option<&HorseRig> {
        let horse_id = self.horse.horse_id;
        self.known.rigs.iter().find(|rig| rig.horse_id == horse_id)
    }

    /// The lots with a cow for it.
    fn lots(&self) -> Vec<Uuid> {
        let horse_id = self.horse.horse_id;
        let lately = self.known.on_cattle.get(&horse_id);
        let lately = lately.cloned().unwrap_or_default();
        self.week
            .herd
            .lots_for(&lately.to_match(horse_id, Tempo::Slow))
    }

    fn own_bookings(&self) -> impl Iterator<Item = &Booking> {
        let horse_id = Some(self.horse.horse_id);
        let near = self.week.near.iter();
        near.filter(move |one| one.horse_id == horse_id && one.skipped_because.is_none())
    }

    /// The day before the first that is planned was a hard one.
    fn is_hard_before(&self) -> bool {
        let (signed, first) = (self.week.signed, self.week.first());
        self.own_bookings()
            .any(|one| days_between(one.day, first) == 1 && as_seen(signed, one.day, one).is_hard())
    }

    /// Days of the week before the first that is planned on which the horse was ridden.
    fn days_ridden(&self) -> Vec<Date> {
        let passed = self.week.monday..self.week.first();
        let booked = self
            .own_bookings()
            .filter(|one| one.kind.is_ridden())
            .map(|one| one.day);
        let ridden = self.known.ridden.iter();
        let done = ridden
            .filter(|(horse_id, _)| *horse_id == self.horse.horse_id)
            .map(|(_, day)| *day);
        let mut days: Vec<Date> = booked
            .chain(done)
            .filter(|day| passed.contains(day))
            .collect();
        days.sort_unstable();
        days.dedup();
        days
    }
}

/// How much a ride of the horse counts, 1 to 2: by its road, or, where no goal says what it
/// is to hold, by the nearest date alone.
fn priority(
    roads: &[(Uuid, String, Arc<KeptRoad>)],
    goals: &[(Uuid, Goal)],
    horse_id: Uuid,
    today: Date,
) -> f64 {
    if let Some((.., road)) = roads.iter().find(|(id, ..)| *id == horse_id) {
        return road.priority;
    }
    let nearest = goals.iter().find(|(id, _)| *id == horse_id);
    nearest.map_or(1.0, |(_, goal)| by_date(days_between(today, goal.day)))
}
