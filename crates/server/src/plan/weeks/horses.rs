//! The horses of a week as the planner sees them: what each may do, wants, and stands before.

use std::collections::HashMap;
use std::sync::Arc;

use cavesson_core::card::Limits;
use cavesson_core::day::days_between;
use cavesson_core::horse::{Goal, HorseTrait};
use cavesson_core::ladder::Level;
use cavesson_core::road::priority::{NEAR_DAYS, by_date};
use cavesson_core::week::Trips;
use cavesson_core::week::plan::WeekHorse;
use cavesson_core::week::trips::TRIPS_WEEKS;
use cavesson_store::booking::{self, Booking};
use cavesson_store::fitting::{self, HorseRig};
use cavesson_store::{BarnTransaction, goal, horse, place, program, ride};
use jiff::ToSpan;
use jiff::civil::Date;
use uuid::Uuid;

use super::ride_options::{Yard, works};
use super::what_if::WhatIf;
use crate::cattle::herd::Herd;
use crate::cattle::match_day::to_match;
use crate::cattle::pen;
use crate::day::day_plan::as_seen;
use crate::horse_record::Judged;
use crate::http::problem::Answer;
use crate::http::signed_in::Signed;
use crate::plan::roads::road_cache::KeptRoad;
use crate::plan::roads::road_input::RIDES_A_WEEK;
use crate::ride::cards::day_with;

/// A horse is young up to this age. Product default.
const YOUNG_YEARS: i64 = 3;

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
    fn first(&self) -> Date {
        self.dates.first().copied().unwrap_or(self.monday)
    }
}

/// The barn's horses and what is known of their weeks.
pub(super) struct HorsesOfWeek {
    horses: Vec<horse::Horse>,
    rigs: Vec<HorseRig>,
    /// Days on which horses were ridden, this week.
    ridden: Vec<(Uuid, Date)>,
    meant: Vec<program::ProgramMeant>,
    goals: Vec<(Uuid, Goal)>,
    trips: Vec<(Uuid, Trips)>,
    on_cattle: HashMap<Uuid, pen::Lately>,
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
        let horses = horse::list(barn, None).await?;
        let ids: Vec<Uuid> = horses.iter().map(|horse| horse.horse_id).collect();
        let trips_since = today.saturating_sub((7 * TRIPS_WEEKS).days());
        let near = today.saturating_add(NEAR_DAYS.days());
        Ok(HorsesOfWeek {
            rigs: fitting::rigs(barn).await?,
            ridden: ride::ridden_days(barn, monday, sunday).await?,
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
    fn rides_a_week(&self, horse: &horse::Horse) -> u8 {
        let own = |id| self.meant.iter().find(|meant| meant.program_id == id);
        let meant = horse.program_id.and_then(own);
        meant.map_or(RIDES_A_WEEK, |meant| meant.rides_a_week)
    }

    fn outings(&self, horse: &horse::Horse) -> Trips {
        let own = self.trips.iter().find(|(id, _)| *id == horse.horse_id);
        own.map_or_else(Trips::default, |(_, trips)| *trips)
    }
}

/// A horse in its week.
struct Asked<'a> {
    horse: &'a horse::Horse,
    judged: &'a Judged,
    known: &'a HorsesOfWeek,
    week: &'a Week<'a>,
}

impl Asked<'_> {
    fn horse(&self) -> WeekHorse {
        let (horse, week) = (self.horse, self.week);
        let today = week.signed.today();
        let limits = Limits::of(
            self.judged.for_card(&[]),
            &day_with(horse, None, &[], Vec::new(), today),
        );
        let ridden = self.days_ridden();
        let away = week.what_if.without_horses.contains(&horse.horse_id);
        let rig = self.rig();
        // What was ridden this week counts; of what is left of it, as many as fit.
        let wanted = usize::from(self.known.rides_a_week(horse)).saturating_sub(ridden.len());
        let flagged = |note: &cavesson_core::horse::CareNote| note.is_open(self.judged.on);
        let yard = Yard {
            places: week.places,
            lots: &self.lots(),
            outings: self
                .known
                .outings(horse)
                .wanting(week.signed.barn.quiet_pct()),
            most_minutes: limits.minutes,
        };
        let most_days = 6usize.saturating_sub(ridden.len()).min(6);
        WeekHorse {
            horse_id: horse.horse_id,
            name: horse.name.clone(),
            rig: rig.and_then(|rig| rig.kind),
            quiet_hands: rig.is_some_and(|rig| rig.quiet_hands),
            only_riders: rig.and_then(|rig| rig.only_riders.clone()),
            first_rides: limits.first_rides,
            check_first: self.judged.known.care.iter().any(flagged),
            brake: self.judged.no_fast_work(),
            wanted: if away {
                0
            } else {
                wanted.min(week.dates.len()).min(most_days) as u8
            },
            most_rides_a_day: 1,
            most_days: most_days as u8,
            days_off: if away {
                (0..week.dates.len() as u8).collect()
            } else {
                Vec::new()
            },
            hard_before: self.is_hard_before(),
            priority: priority(week.roads, &self.known.goals, horse.horse_id, today),
            hot_or_green: limits.first_rides || horse.traits.contains(&HorseTrait::Hot),
            young: i64::from(today.year()) - i64::from(horse.foaled) <= YOUNG_YEARS,
            works: works(self.judged, &yard),
        }
    }

    fn rig(&self) -> Option<&HorseRig> {
        let horse_id = self.horse.horse_id;
        self.known.rigs.iter().find(|rig| rig.horse_id == horse_id)
    }

    /// The lots with a cow for it.
    fn lots(&self) -> Vec<Uuid> {
        let horse_id = self.horse.horse_id;
        let lately = self.known.on_cattle.get(&horse_id);
        let drive = Level::new("cow.drive", "walk");
        self.week.herd.lots_for(&to_match(horse_id, &drive, lately))
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
