//! How long and how fast a horse may be ridden today: age, heat, lay-off, brake.

use jiff::civil::Date;

use super::day::Day;
use super::horse::Horse;
use crate::Gait;
use crate::day::days_between;
use crate::heat::HeatBand;
use crate::horse::HorseTrait;
use crate::judge::BrakeChain;
use crate::judge::caution::of_horse;
use crate::ladder::{Ladder, Role};
use crate::wording::{count, pronouns};

/// Days in the saddle that are first rides. Common practice, no source: a horse is steered
/// while moving about ride 8.
const FIRST_RIDES: usize = 8;
/// Minutes of a two-year-old's ride at most. Product default.
const TWO_YEAR_OLD_MIN: u32 = 30;
/// Minutes of a three-year-old's ride at most. Product default.
const THREE_YEAR_OLD_MIN: u32 = 45;
/// Minutes of a horse that is not ridden yet at most. Product default.
const GROUND_MIN: u32 = 30;
/// Days without a ride after which the card starts low. Product default.
const LAY_OFF_DAYS: i64 = 14;
/// Minutes of the first ride after a lay-off. Product default.
const LAY_OFF_MIN: u32 = 30;
/// Minutes towards which they grow over the rides after it. Product default.
const LAY_OFF_FULL_MIN: u32 = 60;
/// Rides over which a horse is brought back: a ride for each week off, between these.
/// Product defaults.
const LEAST_RAMP_RIDES: u32 = 2;
const MOST_RAMP_RIDES: u32 = 8;
/// Minutes where heat allows short and slow work only. Product default.
pub const HOT_MIN: u32 = 20;

/// What limits a card.
#[derive(Debug, Clone, PartialEq)]
pub struct Limits {
    /// Minutes it may have at most; 0 when nobody rides today.
    pub minutes: u32,
    /// Nothing is asked faster.
    pub fastest: Gait,
    /// How far up the brake is held.
    pub brake: BrakeChain,
    /// No lope, no run, no rollback, no pattern, no cattle: it is too hot for them.
    pub slow_in_the_heat: bool,
    /// The same after days off: the trainer may decide otherwise.
    pub slow_after_rest: bool,
    /// Nothing that was never asked.
    pub nothing_new: bool,
    /// Nobody has ridden the horse yet: work in hand only.
    pub in_hand: bool,
    /// First rides: never alone.
    pub first_rides: bool,
    /// How hot it is.
    pub heat: HeatBand,
    /// Each in a sentence.
    pub text: Vec<String>,
}

impl Limits {
    /// The limits of a horse on a day.
    pub fn of(horse: Horse<'_>, day: &Day) -> Limits {
        let brake = BrakeChain::of(horse.ladder, horse.standings);
        let ridden = is_ridden(horse);
        let first_rides = ridden && !moves_out(horse) && !is_made(horse);
        let in_hand = !ridden || (first_rides && !day.helper);
        let mut limits = Limits {
            minutes: day.minutes,
            fastest: if in_hand { Gait::Walk } else { brake.fastest() },
            brake,
            slow_in_the_heat: false,
            slow_after_rest: false,
            nothing_new: false,
            in_hand,
            first_rides,
            heat: day.heat().map_or(HeatBand::Usual, HeatBand::of),
            text: Vec::new(),
        };
        limits.by_age(day);
        limits.by_lay_off(horse, day);
        limits.by_heat();
        limits.by_brake(horse);
        limits.by_care(horse);
        limits
    }

    /// Pain, unlevel steps, gear that does not fit: nobody rides until somebody has looked.
    fn by_care(&mut self, horse: Horse<'_>) {
        if of_horse(&horse.file.care, &horse.file.rides, horse.on).is_empty() {
            return;
        }
        self.minutes = 0;
        let him = pronouns(horse.file.sex).him;
        self.text = vec![format!("Get {him} looked at before anybody rides.")];
    }

    fn at_most(&mut self, minutes: u32, text: String) {
        if self.minutes > minutes {
            self.minutes = minutes;
            self.text.push(text);
        }
    }

    fn by_age(&mut self, day: &Day) {
        let late = if day.is(HorseTrait::LateDeveloper) {
            ", counted a year younger"
        } else {
            ""
        };
        match day.age_counted() {
            Some(..=2) => self.at_most(
                TWO_YEAR_OLD_MIN,
                format!("{TWO_YEAR_OLD_MIN} minutes at most for a two-year-old{late}."),
            ),
            Some(3) => self.at_most(
                THREE_YEAR_OLD_MIN,
                format!("{THREE_YEAR_OLD_MIN} minutes at most for a three-year-old{late}."),
            ),
            _ => {}
        }
        if self.in_hand {
            self.at_most(GROUND_MIN, format!("{GROUND_MIN} minutes at most in hand."));
        }
    }

    /// After days off the horse is brought back over several rides: the ramp counts rides
    /// since, not whether there was one.
    fn by_lay_off(&mut self, horse: Horse<'_>, day: &Day) {
        let Some(rest) = LayOff::of(horse) else {
            return;
        };
        self.slow_after_rest = true;
        self.nothing_new = true;
        self.minutes = self.minutes.min(rest.minutes().min(day.minutes));
        let ridden = match rest.rides_since {
            0 => String::new(),
            rides => format!(", {} since", count(rides, "ride")),
        };
        self.text.push(format!(
            "Back from {} off{ridden}: {} at most, nothing fast, nothing new.",
            count(rest.days, "day"),
            count(rest.minutes(), "minute"),
        ));
    }

    fn by_heat(&mut self) {
        match self.heat {
            HeatBand::Usual => {}
            HeatBand::MoreBreaks => self.text.push(self.heat.advice().into()),
            HeatBand::ShortAndSlow => {
                self.minutes = self.minutes.min(HOT_MIN);
                self.slow_in_the_heat = true;
                self.text.push(self.heat.advice().into());
            }
            HeatBand::NoRiding => {
                self.minutes = 0;
                self.text.push("Too hot to ride today.".into());
            }
        }
    }

    fn by_brake(&mut self, horse: Horse<'_>) {
        let him = pronouns(horse.file.sex);
        if self.in_hand {
            self.text.push(if self.first_rides {
                "First rides are never alone: without a helper, work in hand.".into()
            } else {
                format!("Work in hand: {} stands for on and off first.", him.he)
            });
            return;
        }
        let why = self
            .brake
            .text(horse.ladder, horse.standings, horse.file.sex);
        self.text.extend(why);
    }

    /// Whether a level may be asked at its gait: the chain of the brake stands above what a
    /// trainer puts on a card. Work in hand asks for no brake.
    pub fn allows(&self, ladder: &Ladder, index: usize) -> bool {
        ladder.levels[index].ground || (!self.in_hand && self.brake.allows(ladder, index))
    }
}

/// A rest that the horse still comes back from.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
struct LayOff {
    /// Days without a ride.
    days: u32,
    /// Rides since.
    rides_since: u32,
}

impl LayOff {
    /// The last rest, while too few rides have come after it.
    fn of(horse: Horse<'_>) -> Option<LayOff> {
        let mut days: Vec<Date> = horse.file.rides.iter().map(|ride| ride.day).collect();
        days.retain(|day| *day < horse.on);
        days.sort_unstable();
        days.dedup();
        days.push(horse.on);
        let gaps = days.windows(2).rev().enumerate();
        gaps.take(MOST_RAMP_RIDES as usize)
            .map(|(rides_since, pair)| LayOff {
                days: days_between(pair[0], pair[1]) as u32,
                rides_since: rides_since as u32,
            })
            .find(|rest| {
                i64::from(rest.days) > LAY_OFF_DAYS && rest.rides_since < rest.ramp_rides()
            })
    }

    /// Rides over which the horse is brought back: a ride for each week off.
    fn ramp_rides(self) -> u32 {
        (self.days / 7).clamp(LEAST_RAMP_RIDES, MOST_RAMP_RIDES)
    }

    /// Minutes of the next ride: [`LAY_OFF_MIN`] first, then more with each.
    fn minutes(self) -> u32 {
        LAY_OFF_MIN + (LAY_OFF_FULL_MIN - LAY_OFF_MIN) * self.rides_since / self.ramp_rides()
    }
}

/// Moves out on a loose rein at the walk: first rides are over.
fn moves_out(horse: Horse<'_>) -> bool {
    let first = horse
        .ladder
        .levels_in(Role::FirstRide)
        .min_by_key(|index| horse.ladder.levels[*index].gait);
    first.is_some_and(|index| horse.standings[index].history.hold.was_held)
}

/// It is past its first rides, whatever was held of them: something is held at the jog or
/// faster, or it was asked from the saddle on many days.
fn is_made(horse: Horse<'_>) -> bool {
    let holds_a_jog = horse.standings.iter().any(|standing| {
        standing.history.hold.was_held && horse.ladder.levels[standing.index].gait >= Gait::Jog
    });
    holds_a_jog || days_in_the_saddle(horse) >= FIRST_RIDES
}

/// Somebody rides the horse: it stands for on and off, or something was asked or is held
/// from the saddle.
fn is_ridden(horse: Horse<'_>) -> bool {
    let held = horse.standings.iter().any(|standing| {
        let level = &horse.ladder.levels[standing.index];
        standing.history.hold.was_held && (!level.ground || level.is(Role::Mount))
    });
    held || days_in_the_saddle(horse) > 0
}

/// Days before the date on which something was asked from the saddle.
fn days_in_the_saddle(horse: Horse<'_>) -> usize {
    let levels = horse.ladder.levels.iter().enumerate();
    let mut days: Vec<_> = levels
        .filter(|(_, level)| !level.ground)
        .flat_map(|(index, _)| horse.file.asks_until(index, horse.on))
        .map(|ask| ask.day)
        .filter(|day| *day < horse.on)
        .collect();
    days.sort_unstable();
    days.dedup();
    days.len()
}
