//! What the roads of horses are asked with: goals, rides, the barn's pace, where each horse
//! stands.

use std::sync::Arc;

use cavesson_core::calc::road::Input;
use cavesson_core::card::Limits;
use cavesson_core::day::days_between;
use cavesson_core::horse::age::is_young;
use cavesson_core::horse::{Goal, HorseTrait};
use cavesson_core::road::asked::PaceOfLevel;
use cavesson_core::road::gathered;
use cavesson_core::road::needed::road_levels;
use cavesson_core::road::{
    GoalAsked, HorseFactor, HorsePace, LevelHistory, LevelPace, Pace, RoadAsked,
};
use cavesson_core::week::BookingKind;
use cavesson_core::week::usual::RIDES_A_WEEK;
use cavesson_store::BarnTransaction;
use cavesson_store::day::booking;
use cavesson_store::day::booking::Booking;
use cavesson_store::horse::goal;
use cavesson_store::horse::horses;
use cavesson_store::horse::program;
use cavesson_store::horse::program::ProgramMeant;
use cavesson_store::ride::rides;
use jiff::ToSpan;
use jiff::civil::Date;
use uuid::Uuid;

use super::barn_pace::histories;
use crate::App;
use crate::horse_record::Judged;
use crate::http::problem::Answer;
use crate::ride::cards::day_with;

/// Days ahead up to which goals are on a road.
const AHEAD_DAYS: i64 = 730;
/// Days looked back for how many of the planned rides came about.
const KEPT_DAYS: i64 = 56;
/// So many rides, nine in ten of them ridden, are taken to have been planned before.
const KEPT_BEFORE: (f64, f64) = (9.0, 10.0);
/// Minutes of a ride that one level takes. Product default.
const MINUTES_A_LEVEL: u32 = 15;

/// What a barn's roads are asked with.
pub struct RoadsRead {
    today: Date,
    barn_id: Uuid,
    horses: Vec<horses::Horse>,
    judged: Vec<Arc<Judged>>,
    histories: Vec<LevelHistory>,
    goals: Vec<(Uuid, Goal)>,
    meant: Vec<ProgramMeant>,
    bookings: Vec<Booking>,
    ridden: Vec<(Uuid, Date)>,
}

/// A horse with a date to work towards.
pub struct HorseOnRoad<'a> {
    /// The horse.
    pub horse: &'a horses::Horse,
    /// Judged.
    pub judged: &'a Arc<Judged>,
    /// Goals that lie ahead, soonest first.
    pub goals: Vec<&'a Goal>,
    read: &'a RoadsRead,
}

/// Reads everything once; none when no horse of the barn has a goal with levels.
///
/// # Errors
/// When a query fails.
pub async fn read(app: &App, mut barn: BarnTransaction, today: Date) -> Answer<Option<RoadsRead>> {
    let barn_id = barn.barn_id();
    let goals = goal::between(&mut barn, today, today.saturating_add(AHEAD_DAYS.days())).await?;
    if goals.iter().all(|(_, goal)| goal.levels.is_empty()) {
        return Ok(None);
    }
    // Those that went home have left what they say of the barn's pace.
    let horses = horses::everyone(&mut barn, None).await?;
    let meant = program::meant(&mut barn).await?;
    let from = today.saturating_sub(KEPT_DAYS.days());
    let ahead = today.saturating_add(AHEAD_DAYS.days());
    let bookings = booking::on_days(&mut barn, from, ahead).await?;
    let ridden = rides::ridden_days(&mut barn, from, today).await?;
    let ids: Vec<Uuid> = horses.iter().map(|horse| horse.horse_id).collect();
    let judged = app.known.judged(barn, &ids, today).await?;
    let of_histories = judged.clone();
    let histories = app
        .work
        .judging
        .run(move || histories(&of_histories))
        .await?;
    Ok(Some(RoadsRead {
        today,
        barn_id,
        horses,
        judged,
        histories,
        goals,
        meant,
        bookings,
        ridden,
    }))
}

impl RoadsRead {
    /// The horses that are here and have a goal that lies ahead, those of one owner alone
    /// where that is asked.
    pub fn horses(&self, owner: Option<Uuid>) -> impl Iterator<Item = HorseOnRoad<'_>> {
        self.horses
            .iter()
            .filter(|horse| horse.sent_home_at.is_none())
            .filter(move |horse| owner.is_none() || horse.owner_id == owner)
            .filter_map(|horse| {
                let judged = self.judged.iter();
                let judged = judged.clone().find(|one| one.horse_id == horse.horse_id)?;
                let own = self.goals.iter().filter(|(id, _)| *id == horse.horse_id);
                let goals: Vec<&Goal> = own.map(|(_, goal)| goal).collect();
                (!goals.is_empty()).then_some(HorseOnRoad {
                    horse,
                    judged,
                    goals,
                    read: self,
                })
            })
    }
}

impl HorseOnRoad<'_> {
    /// The barn's pace on this horse's ladder.
    pub fn pace(&self, app: &App) -> Arc<(Vec<LevelHistory>, Pace)> {
        let read = self.read;
        app.roads
            .paces
            .of(read.barn_id, &read.histories, &self.judged.on_ladder)
    }

    /// How quick the horse is.
    pub fn own_pace(&self, pace: &Pace) -> Option<HorsePace> {
        let own = pace
            .horses
            .iter()
            .find(|one| one.horse_id == self.horse.horse_id);
        own.copied()
    }

    /// The road's question; none while no goal says what the horse is to hold. Levels that
    /// its ladder no longer has are left out.
    pub fn input(&self, pace: &Pace) -> Option<Input> {
        let ladder = self.judged.ladder();
        let goals = self.goals.iter().filter_map(|goal| {
            let levels = goal.levels.iter();
            let levels = levels.filter(|level| ladder.position(level).is_some());
            let levels: Vec<_> = levels.cloned().collect();
            (!levels.is_empty()).then(|| GoalAsked {
                name: goal.name.clone(),
                day: goal.day,
                levels,
            })
        });
        let goals: Vec<GoalAsked> = goals.collect();
        if goals.is_empty() {
            return None;
        }
        let own = self.own_pace(pace);
        let judged = self.judged;
        let stands = gathered::stands(ladder, &judged.file, &judged.standings, judged.on);
        let mut asked = RoadAsked {
            today: self.read.today,
            levels: stands,
            goals,
            rides_a_week: self.rides_a_week(),
            kept: self.kept(),
            blocks_a_ride: self.levels_a_ride(),
            days_off: self.days_off(),
            pace: pace.levels.iter().map(PaceOfLevel::of).collect(),
            horse: own.map_or_else(HorseFactor::default, |own| HorseFactor {
                factor: own.factor,
                spread: own.spread,
            }),
            first: None,
            seed: self.horse.horse_id.as_u128() as u32,
            futures: 2000,
        };
        let road = road_levels(ladder, &asked);
        for one in &road.levels {
            let level = &ladder.levels[one.index].level;
            let own = asked
                .levels
                .iter_mut()
                .find(|stands| stands.level == *level);
            if let Some(own) = own.filter(|own| !own.held) {
                own.rides_left = judged.rides_left(one.index);
            }
        }
        Some(Input {
            program: (*judged.on_ladder.changes).clone(),
            road: asked,
            not_to_be_pushed: self.not_to_be_pushed(),
            with_helps: false,
        })
    }

    /// The barn's pace on the levels that are still to come on this road.
    pub fn paces_to_come(&self, input: &Input, pace: &Pace) -> Vec<LevelPace> {
        let ladder = self.judged.ladder();
        let road = road_levels(ladder, &input.road);
        let to_come = road.levels.iter().filter(|one| !one.stands.held);
        to_come.map(|one| pace.levels[one.index].clone()).collect()
    }

    fn rides_a_week(&self) -> f64 {
        let own = self.horse.program_id;
        let meant = self
            .read
            .meant
            .iter()
            .find(|one| Some(one.program_id) == own);
        let rides = meant.map_or(RIDES_A_WEEK, |meant| meant.rides_a_week);
        f64::from(rides).clamp(0.5, 6.0)
    }

    /// The share of the rides planned in the last weeks that came about.
    fn kept(&self) -> f64 {
        let read = self.read;
        let planned = read.bookings.iter().filter(|one| {
            one.horse_id == Some(self.horse.horse_id)
                && one.kind.is_ridden()
                && one.day < read.today
        });
        let mut days: Vec<Date> = planned.map(|one| one.day).collect();
        days.dedup();
        let came = days.iter().filter(|day| {
            let done =
                |(horse_id, on): &(Uuid, Date)| *horse_id == self.horse.horse_id && on == *day;
            read.ridden.iter().any(done)
        });
        (came.count() as f64 + KEPT_BEFORE.0) / (days.len() as f64 + KEPT_BEFORE.1)
    }

    /// Days ahead on which the vet or the dentist comes to it, or it is hauled.
    fn days_off(&self) -> Vec<Date> {
        let off = |kind: BookingKind| {
            matches!(
                kind,
                BookingKind::Vet | BookingKind::Dentist | BookingKind::Haul
            )
        };
        let own = self.read.bookings.iter().filter(|one| {
            one.horse_id == Some(self.horse.horse_id)
                && one.skipped_because.is_none()
                && days_between(self.read.today, one.day) > 0
                && off(one.kind)
        });
        let mut days: Vec<Date> = own.map(|one| one.day).collect();
        days.dedup();
        days.truncate(400);
        days
    }

    fn levels_a_ride(&self) -> u8 {
        let day = day_with(self.horse, None, &[], Vec::new(), self.read.today);
        let minutes = match Limits::of(self.judged.for_card(&[]), &day).minutes {
            // It is not ridden today: as on any other day.
            0 => day.minutes,
            minutes => minutes,
        };
        (minutes / MINUTES_A_LEVEL).clamp(1, 3) as u8
    }

    fn not_to_be_pushed(&self) -> bool {
        is_young(self.horse.foaled, self.read.today)
            || self.horse.traits.contains(&HorseTrait::LateDeveloper)
    }
}
