//! What a plan is worth: the rides that are wanted, less every soft rule given up. All in
//! points of the instance's own weights; more is better.
//!
//! Source: common practice of the trade, no source; the weights are product defaults.

use serde::{Deserialize, Serialize};

use super::instance::{WeekHorse, WeekInstance};
use super::planned::PlannedRide;
use super::stretches::stretches;
use super::work::WorkKind;
use crate::heat::HeatBand;

/// From which heat index on the young are better ridden earlier.
const WARM: f64 = 130.0;
/// Share of a change that another rider is.
const OTHER_RIDER: f64 = 0.5;
/// Share of a change that another place is.
const OTHER_PLACE: f64 = 0.2;
/// Share of a change that other work is.
const OTHER_WORK: f64 = 0.5;
/// Share of a change for each step of the grid it begins earlier or later, and at most.
const EACH_STEP: f64 = 0.1;
const MOST_STEPS: f64 = 0.5;
/// Quarters of an hour.
const QUARTER_MIN: u16 = 15;

/// A part of what a plan is worth.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = WeekTermKind))]
#[serde(rename_all = "snake_case")]
pub enum TermKind {
    /// The rides each program wants.
    Rides,
    /// Gates nearly passed come early.
    GateSoon,
    /// Work that is worth more than a ride as usual.
    Worth,
    /// The herd is gathered once.
    Herd,
    /// Barrels are set once.
    Barrels,
    /// The rider knows the horse.
    Knows,
    /// Hot and green horses at quiet times.
    Quiet,
    /// Young horses before the heat.
    YoungHeat,
    /// Home in time.
    Home,
    /// Rides spread over the week.
    Spread,
    /// As little moved as can be.
    Change,
}

/// A part of what a plan is worth.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = WeekTerm))]
pub struct Term {
    /// Which.
    pub kind: TermKind,
    /// Points; below zero where something is given up.
    pub points: f64,
    /// How often something was given up.
    pub given_up: u32,
}

/// What a plan is worth.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = WeekScore))]
pub struct Score {
    /// All terms together.
    pub total: f64,
    /// Term by term.
    pub terms: Vec<Term>,
}

/// What a single ride adds, whatever else is in the plan.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct OfRide {
    /// A gate nearly passed, early.
    pub gate_soon: f64,
    /// Worth beyond a ride as usual.
    pub worth: f64,
    /// The rider knows the horse.
    pub knows: f64,
    /// Less: not at a quiet time.
    pub quiet: f64,
    /// Less: a young horse in the warmth.
    pub young_heat: f64,
    /// What it keeps of the plan before.
    pub kept: f64,
}

impl OfRide {
    /// All together.
    pub fn total(&self) -> f64 {
        self.gate_soon + self.worth + self.knows + self.quiet + self.young_heat + self.kept
    }
}

/// What a single ride adds.
pub fn of_ride(instance: &WeekInstance, ride: &PlannedRide) -> OfRide {
    let horse = instance.horse(ride.horse_id);
    let day = instance.days.get(usize::from(ride.day));
    let rider = instance.rider(ride.person_id);
    let (Some(horse), Some(day), Some(rider)) = (horse, day, rider) else {
        return OfRide::default();
    };
    let Some(work) = horse.works.get(usize::from(ride.work)) else {
        return OfRide::default();
    };
    let weights = &instance.weights;
    let to_min = ride.from_min.saturating_add(work.minutes);
    let early = 1.0 - f64::from(ride.day) / instance.days.len().max(1) as f64;
    let warm = day.hottest(ride.from_min, to_min).unwrap_or(0.0) - WARM;
    OfRide {
        gate_soon: if work.gate_soon {
            weights.gate_soon * early
        } else {
            0.0
        },
        worth: work.worth,
        knows: weights.knows * rider.knows(ride.horse_id),
        quiet: if horse.hot_or_green && !day.is_quiet(ride.from_min, to_min) {
            -weights.quiet
        } else {
            0.0
        },
        young_heat: if horse.young && warm > 0.0 {
            -weights.young_heat * warm
        } else {
            0.0
        },
        kept: kept(instance, ride),
    }
}

/// What a ride keeps of the plan before: all of a change where it stands as it did.
pub fn kept(instance: &WeekInstance, ride: &PlannedRide) -> f64 {
    let before = instance.before.iter();
    let same_day = before.filter(|old| (old.horse_id, old.day) == (ride.horse_id, ride.day));
    let kept = same_day.map(|old| {
        let steps = f64::from(old.from_min.abs_diff(ride.from_min)) / f64::from(QUARTER_MIN);
        let lost = OTHER_RIDER * f64::from(u8::from(old.person_id != ride.person_id))
            + OTHER_PLACE * f64::from(u8::from(old.place_id != ride.place_id))
            + OTHER_WORK * f64::from(u8::from(old.work != ride.work))
            + (EACH_STEP * steps).min(MOST_STEPS);
        instance.weights.change * (1.0 - lost).max(0.0)
    });
    kept.fold(0.0, f64::max)
}

/// Two days running that should not be alike: two without a ride where rides are many, two
/// with one where they are few.
pub fn unspread(instance: &WeekInstance, horse: &WeekHorse, rides: &[PlannedRide]) -> u32 {
    if horse.wanted == 0 {
        return 0;
    }
    let ridden = |day: u8| {
        let mut own = rides.iter().filter(|one| one.horse_id == horse.horse_id);
        own.any(|one| one.day == day)
    };
    let dense = is_dense(instance, horse);
    let pairs = (1..instance.days.len() as u8).map(|day| (day - 1, day));
    let unlike = pairs.filter(|(one, other)| {
        counts_for_spread(instance, horse, *one, *other)
            && ridden(*one) == ridden(*other)
            && ridden(*one) != dense
    });
    unlike.count() as u32
}

/// Whether rides are many: on half of the days or more.
pub fn is_dense(instance: &WeekInstance, horse: &WeekHorse) -> bool {
    2 * usize::from(horse.wanted) >= instance.days.len()
}

/// Whether two days count for the spread: they follow each other, and neither is off.
pub fn counts_for_spread(instance: &WeekInstance, horse: &WeekHorse, one: u8, other: u8) -> bool {
    instance.are_next(one, other)
        && !horse.days_off.contains(&one)
        && !horse.days_off.contains(&other)
}

/// What a plan is worth, term by term.
pub fn score(instance: &WeekInstance, rides: &[PlannedRide]) -> Score {
    let weights = &instance.weights;
    let each: Vec<OfRide> = rides.iter().map(|ride| of_ride(instance, ride)).collect();
    let mut terms = vec![given(instance, rides)];
    terms.extend(of_each(instance, rides, &each));
    terms.push(set_up(instance, rides, WorkKind::Cattle));
    terms.push(set_up(instance, rides, WorkKind::Pattern));
    terms.push(home(instance, rides));
    let horses = instance.horses.iter();
    let unspread: u32 = horses.map(|horse| unspread(instance, horse, rides)).sum();
    terms.push(Term {
        kind: TermKind::Spread,
        points: -weights.spread * f64::from(unspread),
        given_up: unspread,
    });
    terms.push(change(instance, rides, &each));
    Score {
        total: terms.iter().map(|term| term.points).sum(),
        terms,
    }
}

/// Rides that horses want.
fn given(instance: &WeekInstance, rides: &[PlannedRide]) -> Term {
    let (mut points, mut missing) = (0.0, 0);
    for horse in &instance.horses {
        let own = rides.iter().filter(|one| one.horse_id == horse.horse_id);
        let given = own.count().min(usize::from(horse.wanted)) as u8;
        points += (0..given)
            .map(|nth| horse.ride_worth(nth, &instance.weights))
            .sum::<f64>();
        missing += u32::from(horse.wanted - given);
    }
    Term {
        kind: TermKind::Rides,
        points,
        given_up: missing,
    }
}

/// What each ride is worth by itself.
fn of_each(instance: &WeekInstance, rides: &[PlannedRide], each: &[OfRide]) -> [Term; 5] {
    let term = |kind: TermKind, of: fn(&OfRide) -> f64, given_up: u32| Term {
        kind,
        points: each.iter().map(of).sum::<f64>(),
        given_up,
    };
    let below = |of: fn(&OfRide) -> f64| each.iter().filter(|one| of(one) < 0.0).count() as u32;
    let strangers = rides.iter().filter(|ride| is_strange(instance, ride));
    [
        term(TermKind::GateSoon, |one| one.gate_soon, 0),
        term(TermKind::Worth, |one| one.worth, 0),
        term(TermKind::Knows, |one| one.knows, strangers.count() as u32),
        term(TermKind::Quiet, |one| one.quiet, below(|one| one.quiet)),
        term(
            TermKind::YoungHeat,
            |one| one.young_heat,
            below(|one| one.young_heat),
        ),
    ]
}

/// How often cattle or a pattern are set up, over the days and places.
fn set_up(instance: &WeekInstance, rides: &[PlannedRide], work: WorkKind) -> Term {
    let weights = &instance.weights;
    let (kind, weight) = if work == WorkKind::Cattle {
        (TermKind::Herd, weights.herd)
    } else {
        (TermKind::Barrels, weights.barrels)
    };
    let (mut all, mut again) = (0, 0);
    for day in 0..instance.days.len() as u8 {
        for place in &instance.places {
            let count = stretches(instance, rides, work, day, place.place_id);
            all += count;
            again += count.saturating_sub(1);
        }
    }
    Term {
        kind,
        points: -weight * f64::from(all),
        given_up: again,
    }
}

/// People who are home late.
fn home(instance: &WeekInstance, rides: &[PlannedRide]) -> Term {
    let (mut quarters, mut late) = (0, 0);
    for rider in &instance.riders {
        for day in 0..instance.days.len() as u8 {
            let own = rides
                .iter()
                .filter(|one| one.day == day && one.person_id == rider.person_id);
            let last = own.map(|one| instance.to_min(one)).max().unwrap_or(0);
            let over = last.saturating_sub(rider.home_by_min.unwrap_or(u16::MAX));
            quarters += over.div_ceil(QUARTER_MIN);
            late += u32::from(over > 0);
        }
    }
    Term {
        kind: TermKind::Home,
        points: -instance.weights.home * f64::from(quarters),
        given_up: late,
    }
}

/// What stays of the plan as it stood.
fn change(instance: &WeekInstance, rides: &[PlannedRide], each: &[OfRide]) -> Term {
    let whole = instance.weights.change * instance.before.len() as f64;
    let kept: f64 = each.iter().map(|one| one.kept).sum();
    Term {
        kind: TermKind::Change,
        points: kept.min(whole) - whole,
        given_up: super::changes::moved(instance, rides),
    }
}

/// Somebody else knows the horse, who rides it most; the rider hardly does.
fn is_strange(instance: &WeekInstance, ride: &PlannedRide) -> bool {
    let best = instance.riders.iter().map(|one| one.knows(ride.horse_id));
    let best = best.fold(0.0, f64::max);
    let own = instance
        .rider(ride.person_id)
        .map_or(0.0, |one| one.knows(ride.horse_id));
    best >= 0.3 && own < best / 2.0
}

/// Whether the heat of a day leaves a ride of such length and kind.
pub fn heat_allows(instance: &WeekInstance, ride: &PlannedRide) -> bool {
    let day = instance.days.get(usize::from(ride.day));
    let (Some(day), Some(work)) = (day, instance.work(ride)) else {
        return false;
    };
    let to_min = ride.from_min.saturating_add(work.minutes);
    match day.hottest(ride.from_min, to_min).map(HeatBand::of) {
        Some(HeatBand::NoRiding) => false,
        Some(HeatBand::ShortAndSlow) => {
            !work.is_fast() && u32::from(work.minutes) <= crate::card::HOT_MIN
        }
        _ => true,
    }
}
