//! The week as the planner sees it: days, horses, people, places, cattle, what stands.

use std::sync::Arc;

use cavesson_core::card::Limits;
use cavesson_core::day::days_between;
use cavesson_core::heat::HeatHour;
use cavesson_core::horse::{Goal, HorseTrait};
use cavesson_core::ladder::Level;
use cavesson_core::person::WorkHours;
use cavesson_core::road::priority::{NEAR_DAYS, by_date};
use cavesson_core::week::booking::minutes_of;
use cavesson_core::week::plan::{
    FixedBooking, Knows, QuietHours, RiderBusy, RiderDay, WeekDay, WeekHorse, WeekInstance,
    WeekRider, Weights,
};
use cavesson_core::week::{DayPlace, Trips};
use cavesson_store::booking::{self, Booking};
use cavesson_store::fitting::{self, HorseRig};
use cavesson_store::{goal, horse, person, place, program, ride, work_hours};
use jiff::ToSpan;
use jiff::civil::Date;
use uuid::Uuid;

use super::stood::{Stood, stand_in};
use super::works::{Yard, works};
use crate::cards::{day_with, judged_horse};
use crate::cattle::match_day::to_match;
use crate::cattle::{herd, pen};
use crate::day_plan::{self, as_seen};
use crate::known::Judged;
use crate::problem::{Answer, Problem};
use crate::roads::asked::RIDES_A_WEEK;
use crate::roads::kept::{self, KeptRoad};
use crate::signed::Signed;
use crate::{App, busy, roads, weather};

/// Days looked back for who knows a horse.
const KNOWN_DAYS: i64 = 90;
/// The hours of somebody who set none. Product default.
const USUAL_HOURS: (u16, u16, u8) = (7 * 60, 18 * 60, 20);
/// Before and after these it is quiet in a barn. Product default.
const QUIET: (u16, u16) = (9 * 60, 16 * 60);
/// A horse is young up to this age. Product default.
const YOUNG_YEARS: i64 = 3;

/// A week of a barn.
pub struct WeekOfBarn {
    /// Its first day, a Monday.
    pub monday: Date,
    /// What there is. The plan as it stands is what it should stay close to.
    pub instance: WeekInstance,
    /// The rides that stand, in the order of the plan.
    pub stood: Vec<Stood>,
}

/// What is assumed for once.
#[derive(Debug, Clone, Default)]
pub struct WhatIf {
    /// Horses that are not ridden.
    pub without_horses: Vec<Uuid>,
    /// People who went home, from now on.
    pub without_people: Vec<Uuid>,
    /// On the first day it is too hot to ride from this minute on.
    pub too_hot_from_min: Option<u16>,
    /// Only this day is planned anew.
    pub only_day: Option<Date>,
}

/// Reads a week; its days are laid out first. Days that have passed are not planned.
///
/// # Errors
/// When the week has passed, or a query fails.
pub async fn read(app: &App, signed: &Signed, day: Date, what_if: &WhatIf) -> Answer<WeekOfBarn> {
    let (monday, sunday) = day_plan::week_of(day);
    let today = signed.today();
    if sunday < today {
        return Err(Problem::not_found(
            "that week has passed; plan this one or one that comes",
        ));
    }
    let first = what_if.only_day.unwrap_or(monday).max(today);
    let last = what_if.only_day.unwrap_or(sunday);
    let dates: Vec<Date> = first
        .series(1.day())
        .take_while(|day| *day <= last)
        .collect();
    for date in &dates {
        day_plan::lay_out(app, signed, *date).await?;
    }
    let roads = match roads::asked::read(app, signed.look().await?, signed.today()).await? {
        Some(read) => kept::all(app, signed.barn.barn_id, Arc::new(read), None).await?,
        None => Vec::new(),
    };
    let mut barn = signed.look().await?;
    let near = booking::on_days(&mut barn, monday.saturating_sub(1.day()), sunday).await?;
    let horses = horse::list(&mut barn, None).await?;
    let rigs = fitting::rigs(&mut barn).await?;
    let known = ride::riders_since(&mut barn, today.saturating_sub(KNOWN_DAYS.days())).await?;
    let ridden = ride::ridden_days(&mut barn, monday, sunday).await?;
    let meant = program::meant(&mut barn).await?;
    let goals = goal::between(&mut barn, today, today.saturating_add(NEAR_DAYS.days())).await?;
    let trips = booking::trips(
        &mut barn,
        today.saturating_sub((7 * cavesson_core::week::trips::TRIPS_WEEKS).days()),
        sunday,
    )
    .await?;
    let herd = herd::in_use(&mut barn, first).await?;
    let places: Vec<_> = place::list(&mut barn)
        .await?
        .into_iter()
        .filter(|place| place.put_away_at.is_none())
        .collect();
    let people = people(&mut barn, signed, &dates, what_if, &known).await?;
    let mut days: Vec<WeekDay> = Vec::new();
    for date in &dates {
        let mut heat = weather::of_day(&mut barn, signed, *date).await?;
        if let Some(from_min) = what_if.too_hot_from_min.filter(|_| days.is_empty()) {
            heat = with_too_hot(heat, from_min);
        }
        days.push(WeekDay {
            date: *date,
            heat,
            quiet: vec![
                QuietHours {
                    from_min: 0,
                    to_min: QUIET.0,
                },
                QuietHours {
                    from_min: QUIET.1,
                    to_min: 24 * 60,
                },
            ],
            not_before_min: if *date == today {
                signed.minutes_of(today, signed.now().timestamp())
            } else {
                0
            },
        });
    }
    let ids: Vec<Uuid> = horses.iter().map(|horse| horse.horse_id).collect();
    let on_cattle = pen::lately(&mut barn, &ids).await?;
    let judged = app.known.judged(barn, &ids, today).await?;
    let of_horses: Vec<WeekHorse> = horses
        .into_iter()
        .zip(&judged)
        .map(|(horse, judged)| {
            let outings = trips.iter().find(|(id, _)| *id == horse.horse_id);
            let trips = outings.map_or_else(Trips::default, |(_, trips)| *trips);
            let asked = Asked {
                horse: &horse,
                judged,
                signed,
                near: &near,
                ridden: &ridden,
                dates: &dates,
                monday,
                wanted: horse
                    .program_id
                    .and_then(|id| meant.iter().find(|meant| meant.program_id == id))
                    .map_or(RIDES_A_WEEK, |meant| meant.rides_a_week),
                rig: rigs.iter().find(|rig| rig.horse_id == horse.horse_id),
                priority: priority(&roads, &goals, horse.horse_id, today),
            };
            asked.horse(
                &places,
                &herd.lots_for(&to_match(
                    horse.horse_id,
                    &Level::new("cow.drive", "walk"),
                    on_cattle.get(&horse.horse_id),
                )),
                trips.wanting(signed.barn.quiet_pct()),
                what_if,
            )
        })
        .collect();
    let mut instance = WeekInstance {
        days,
        horses: of_horses,
        riders: people,
        places: places
            .iter()
            .map(|place| DayPlace {
                place_id: place.place_id,
                name: place.sheet.name.clone(),
                horses_at_once: place.sheet.horses_at_once,
                opens_min: place.sheet.opens.map(minutes_of),
                closes_min: place.sheet.closes.map(minutes_of),
            })
            .collect(),
        cattle: herd.week_lots(dates.len()),
        fixed: fixed(signed, &near, &dates),
        pins: Vec::new(),
        before: Vec::new(),
        weights: Weights::default(),
    };
    let stood = stand_in(&mut instance, signed, &near, &dates);
    let stays = |one: &&Stood| !what_if.without_horses.contains(&one.ride.horse_id) || one.begun;
    instance.before = stood.iter().map(|one| one.ride).collect();
    instance.pins = stood
        .iter()
        .filter(stays)
        .filter(|one| one.begun || one.pinned)
        .filter(|one| one.begun || !what_if.without_people.contains(&one.ride.person_id))
        .map(|one| one.ride)
        .collect();
    Ok(WeekOfBarn {
        monday,
        instance,
        stood,
    })
}

async fn people(
    barn: &mut cavesson_store::BarnTransaction,
    signed: &Signed,
    dates: &[Date],
    what_if: &WhatIf,
    known: &[(Uuid, Uuid, i64)],
) -> Answer<Vec<WeekRider>> {
    let hours: Vec<(Uuid, WorkHours)> = work_hours::list(barn).await?;
    let mut busy_times = Vec::new();
    for date in dates {
        busy_times.push(busy::on_day(barn, signed, *date).await?);
    }
    let now = signed.minutes_of(signed.today(), signed.now().timestamp());
    let members = person::members(barn).await?;
    let here = members
        .into_iter()
        .filter(|one| one.left_at.is_none() && one.person.role.records());
    Ok(here
        .map(|member| {
            let person_id = member.person.person_id;
            let own: Vec<&WorkHours> = hours
                .iter()
                .filter(|(id, _)| *id == person_id)
                .map(|(_, hours)| hours)
                .collect();
            let days = dates.iter().enumerate().filter_map(|(number, date)| {
                let day = number as u8;
                let weekday = date.weekday().to_monday_one_offset().unsigned_abs();
                let (from_min, to_min, most_horses) = if own.is_empty() {
                    USUAL_HOURS
                } else {
                    let of_day = own.iter().find(|hours| hours.weekday == weekday)?;
                    (
                        minutes_of(of_day.from),
                        minutes_of(of_day.to),
                        of_day.most_horses,
                    )
                };
                let home = *date == signed.today() && what_if.without_people.contains(&person_id);
                let to_min = if home { now.min(to_min) } else { to_min };
                (from_min < to_min).then_some(RiderDay {
                    day,
                    from_min,
                    to_min,
                    most_horses,
                })
            });
            let busy = busy_times.iter().enumerate().flat_map(|(day, times)| {
                let own = busy::of(times, person_id).into_iter();
                own.map(move |one| RiderBusy {
                    day: day as u8,
                    from_min: one.from_min,
                    to_min: one.to_min,
                })
            });
            WeekRider {
                person_id,
                name: member.person.name,
                role: member.person.role,
                clearance: member.clearance,
                days: days.collect(),
                busy: busy.collect(),
                home_by_min: member.home_by.map(minutes_of),
                knows: knows(known, person_id),
            }
        })
        .collect())
}

/// Somebody's share of the rides of each horse they rode.
fn knows(known: &[(Uuid, Uuid, i64)], person_id: Uuid) -> Vec<Knows> {
    let own = known.iter().filter(|(_, rider, _)| *rider == person_id);
    own.map(|(horse_id, _, rides)| {
        let of_horse = known.iter().filter(|(horse, ..)| horse == horse_id);
        let all: i64 = of_horse.map(|(.., rides)| rides).sum();
        Knows {
            horse_id: *horse_id,
            share: *rides as f64 / all.max(1) as f64,
        }
    })
    .collect()
}

/// What stands and is no ride: farrier, vet, lessons, dragging.
fn fixed(signed: &Signed, near: &[Booking], dates: &[Date]) -> Vec<FixedBooking> {
    let stands = near
        .iter()
        .filter(|one| one.skipped_because.is_none() && !one.kind.is_ridden());
    stands
        .filter_map(|one| {
            let day = dates.iter().position(|date| *date == one.day)?;
            Some(FixedBooking {
                day: day as u8,
                booking: as_seen(signed, one.day, one),
            })
        })
        .collect()
}

/// The heat of a day on which it is too hot to ride from a minute on.
fn with_too_hot(heat: Vec<HeatHour>, from_min: u16) -> Vec<HeatHour> {
    let cooler = heat.into_iter().filter(|hour| hour.from_min < from_min);
    let mut heat: Vec<HeatHour> = cooler.collect();
    heat.extend((from_min..24 * 60).step_by(60).map(HeatHour::too_hot));
    heat
}

struct Asked<'a> {
    horse: &'a horse::Horse,
    judged: &'a Judged,
    signed: &'a Signed,
    near: &'a [Booking],
    /// Days on which horses were ridden, this week.
    ridden: &'a [(Uuid, Date)],
    dates: &'a [Date],
    monday: Date,
    wanted: u8,
    rig: Option<&'a HorseRig>,
    priority: f64,
}

impl Asked<'_> {
    fn horse(
        &self,
        places: &[place::Place],
        lots: &[Uuid],
        outings: u32,
        what_if: &WhatIf,
    ) -> WeekHorse {
        let horse = self.horse;
        let today = self.signed.today();
        let limits = Limits::of(
            judged_horse(self.judged, &[]),
            &day_with(horse, None, &[], Vec::new(), today),
        );
        let ridden = self.days_ridden();
        let away = what_if.without_horses.contains(&horse.horse_id);
        let first = self.dates.first().copied().unwrap_or(self.monday);
        // What was ridden this week counts; of what is left of it, as many as fit.
        let wanted = usize::from(self.wanted).saturating_sub(ridden.len());
        let flagged = |note: &cavesson_core::horse::CareNote| note.is_open(self.judged.on);
        let yard = Yard {
            places,
            lots,
            outings,
            most_minutes: limits.minutes,
        };
        let most_days = 6usize.saturating_sub(ridden.len()).min(6);
        WeekHorse {
            horse_id: horse.horse_id,
            name: horse.name.clone(),
            rig: self.rig.and_then(|rig| rig.kind),
            quiet_hands: self.rig.is_some_and(|rig| rig.quiet_hands),
            only_riders: self.rig.and_then(|rig| rig.only_riders.clone()),
            first_rides: limits.first_rides,
            check_first: self.judged.known.care.iter().any(flagged),
            brake: self.judged.no_fast_work(),
            wanted: if away {
                0
            } else {
                wanted.min(self.dates.len()).min(most_days) as u8
            },
            most_rides_a_day: 1,
            most_days: most_days as u8,
            days_off: if away {
                (0..self.dates.len() as u8).collect()
            } else {
                Vec::new()
            },
            hard_before: self.near.iter().any(|one| {
                one.horse_id == Some(horse.horse_id)
                    && one.skipped_because.is_none()
                    && days_between(one.day, first) == 1
                    && as_seen(self.signed, one.day, one).is_hard()
            }),
            priority: self.priority,
            hot_or_green: limits.first_rides || horse.traits.contains(&HorseTrait::Hot),
            young: i64::from(today.year()) - i64::from(horse.foaled) <= YOUNG_YEARS,
            works: works(self.judged, &yard),
        }
    }

    /// Days of the week before the first that is planned on which the horse was ridden.
    fn days_ridden(&self) -> Vec<Date> {
        let first = self.dates.first().copied().unwrap_or(self.monday);
        let own = self.near.iter().filter(|one| {
            one.horse_id == Some(self.horse.horse_id)
                && one.skipped_because.is_none()
                && one.kind.is_ridden()
                && (self.monday..first).contains(&one.day)
        });
        let done = self.ridden.iter().filter(|(horse_id, day)| {
            *horse_id == self.horse.horse_id && (self.monday..first).contains(day)
        });
        let mut days: Vec<Date> = own.map(|one| one.day).collect();
        days.extend(done.map(|(_, day)| *day));
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
