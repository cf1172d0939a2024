//! A judged horse as the planner of a week sees it.

use jiff::civil::Date;
use uuid::Uuid;

use super::instance::WeekHorse;
use super::ride_options::{AtTheBarn, ride_options};
use crate::card::{self, Limits};
use crate::horse::HorseTrait;
use crate::horse::age::is_young;
use crate::week::day_horse::{Headgear, MOST_DAYS, is_flagged, no_fast_work};

/// What is known of a horse and its week beside its record.
#[derive(Debug, Clone)]
pub struct HorseInWeek<'a> {
    /// The horse.
    pub horse_id: Uuid,
    /// What people call it.
    pub name: &'a str,
    /// The year it was foaled.
    pub foaled: i32,
    /// What it is ridden in.
    pub headgear: Headgear,
    /// How it may be ridden on the first day that is planned.
    pub limits: &'a Limits,
    /// Its traits.
    pub traits: &'a [HorseTrait],
    /// Days that are planned.
    pub days: usize,
    /// Days of the same week before them on which it was ridden, each once.
    pub days_ridden: &'a [Date],
    /// It worked hard on the day before the first.
    pub hard_before: bool,
    /// Rides a week that its program means.
    pub rides_a_week: u8,
    /// It is not ridden in these days, whatever it is meant for.
    pub away: bool,
    /// How much its rides count, 1 to 2.
    pub priority: f64,
}

impl WeekHorse {
    /// The horse in its week.
    pub fn of(horse: HorseInWeek<'_>, judged: card::Horse<'_>, barn: &AtTheBarn<'_>) -> WeekHorse {
        let ridden = horse.days_ridden.len();
        let most_days = MOST_DAYS.saturating_sub(ridden);
        // What was ridden this week counts; of what is left of it, as many as fit.
        let wanted = usize::from(horse.rides_a_week).saturating_sub(ridden);
        let wanted = wanted.min(horse.days).min(most_days);
        let first_rides = horse.limits.first_rides;
        WeekHorse {
            horse_id: horse.horse_id,
            name: horse.name.to_owned(),
            rig: horse.headgear.kind,
            quiet_hands: horse.headgear.quiet_hands,
            only_riders: horse.headgear.only_riders,
            first_rides,
            check_first: is_flagged(judged),
            brake: no_fast_work(judged),
            wanted: if horse.away { 0 } else { wanted as u8 },
            most_rides_a_day: 1,
            most_days: most_days as u8,
            days_off: if horse.away {
                (0..horse.days as u8).collect()
            } else {
                Vec::new()
            },
            hard_before: horse.hard_before,
            priority: horse.priority,
            hot_or_green: first_rides || horse.traits.contains(&HorseTrait::Hot),
            young: is_young(horse.foaled, judged.on),
            works: ride_options(judged, barn),
        }
    }
}
