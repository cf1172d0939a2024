//! How long and how fast a horse may be ridden today: age, heat, lay-off, brake.

use super::day::Day;
use super::horse::Horse;
use crate::Gait;
use crate::day::days_between;
use crate::heat::HeatBand;
use crate::horse::HorseTrait;
use crate::judge::caution::of_horse;
use crate::ladder::{LadderLevel, Level};
use crate::plain::{capital, count, pronouns};

/// The brake: one rein to a halt, mounted.
pub(super) const BRAKE: &str = "start.brake";
/// Moving out on a loose rein: first done with the brake held a gait below.
pub(super) const FORWARD: &str = "start.forward";

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
/// Minutes of the first rides after a lay-off. Product default.
const LAY_OFF_MIN: u32 = 30;
/// Minutes where heat allows short and slow work only. Product default.
pub const HOT_MIN: u32 = 20;

/// What limits a card.
#[derive(Debug, Clone, PartialEq)]
pub struct Limits {
    /// Minutes it may have at most; 0 when nobody rides today.
    pub minutes: u32,
    /// Nothing is asked faster.
    pub fastest: Gait,
    /// The fastest gait the brake is held at; none while it is not held at all.
    pub brake: Option<Gait>,
    /// No lope, no run, no rollback, no cattle.
    pub slow_only: bool,
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
        let brake = brake(horse);
        let ridden = is_ridden(horse);
        let first_rides = ridden && !holds(horse, FORWARD, "walk") && !is_made(horse);
        let in_hand = !ridden || (first_rides && !day.helper);
        let mut limits = Limits {
            minutes: day.minutes,
            fastest: match brake {
                _ if in_hand => Gait::Walk,
                None | Some(Gait::Stand) => Gait::Stand,
                Some(Gait::Walk) => Gait::Walk,
                // There is no brake at the trot and the gallop: the gait below stands for it.
                Some(Gait::Jog | Gait::Trot) => Gait::Trot,
                Some(Gait::Lope | Gait::Gallop) => Gait::Gallop,
            },
            brake,
            slow_only: false,
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

    fn by_lay_off(&mut self, horse: Horse<'_>, day: &Day) {
        let last = horse
            .file
            .rides
            .iter()
            .rev()
            .find(|ride| ride.day < horse.on);
        let Some(last) = last else { return };
        let days = days_between(last.day, horse.on);
        if days <= LAY_OFF_DAYS {
            return;
        }
        self.slow_only = true;
        self.nothing_new = true;
        self.minutes = self.minutes.min(LAY_OFF_MIN.min(day.minutes));
        self.text.push(format!(
            "Last ridden {} ago: start low, nothing fast, nothing new.",
            count(days as u32, "day")
        ));
    }

    fn by_heat(&mut self) {
        match self.heat {
            HeatBand::Usual => {}
            HeatBand::MoreBreaks => self.text.push(self.heat.advice().into()),
            HeatBand::ShortAndSlow => {
                self.minutes = self.minutes.min(HOT_MIN);
                self.slow_only = true;
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
        let his = capital(him.his);
        self.text.push(match self.brake {
            None => format!("{his} brake isn't held yet: nothing but standing, and learning it."),
            Some(Gait::Stand) => {
                format!("{his} brake is held standing only: moving is for learning it.")
            }
            Some(gait) if gait < Gait::Lope => format!(
                "Nothing faster than the {0}: {1} brake is held at the {0}.",
                gait.word(),
                him.his
            ),
            Some(_) => return,
        });
    }

    /// Whether a level may be asked at its gait. The brake itself, and moving out on a
    /// loose rein, are learned one gait faster; work in hand asks for no brake.
    pub fn allows(&self, level: &LadderLevel) -> bool {
        if level.ground {
            return true;
        }
        let learning = [BRAKE, FORWARD].contains(&level.level.skill.0.as_str());
        let fastest = match self.brake {
            _ if !learning || self.in_hand => self.fastest,
            None => Gait::Stand,
            Some(Gait::Stand) => Gait::Walk,
            Some(Gait::Walk) => Gait::Jog,
            Some(_) => Gait::Lope.max(self.fastest),
        };
        level.gait <= fastest
    }
}

/// The fastest gait the brake is held at.
fn brake(horse: Horse<'_>) -> Option<Gait> {
    horse
        .standings
        .iter()
        .filter(|standing| {
            horse.ladder.levels[standing.index].level.skill.0 == BRAKE && standing.counts_as_held()
        })
        .map(|standing| horse.ladder.levels[standing.index].gait)
        .max()
}

fn holds(horse: Horse<'_>, skill: &str, rung: &str) -> bool {
    horse
        .ladder
        .position(&Level::new(skill, rung))
        .is_some_and(|index| horse.standings[index].counts_as_held())
}

/// It is past its first rides, whatever was held of them: something is held at the jog or
/// faster, or it was asked from the saddle on many days.
fn is_made(horse: Horse<'_>) -> bool {
    let holds_a_jog = horse.standings.iter().any(|standing| {
        standing.counts_as_held() && horse.ladder.levels[standing.index].gait >= Gait::Jog
    });
    holds_a_jog || days_in_the_saddle(horse) >= FIRST_RIDES
}

/// Somebody rides the horse: it stands for on and off, or something was asked or is held
/// from the saddle.
fn is_ridden(horse: Horse<'_>) -> bool {
    let held = horse.standings.iter().any(|standing| {
        let level = &horse.ladder.levels[standing.index];
        standing.counts_as_held() && (!level.ground || level.level.skill.0 == "start.mount")
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
