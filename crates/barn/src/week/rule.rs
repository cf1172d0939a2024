//! What a day breaks. Some rules are never broken: a person on two horses, a horse in two
//! places, a full pen, somebody who is not cleared. Others are said, and the trainer
//! decides: hours, how many horses, a second ride.
//!
//! Source: common practice of the trade, no source.

use std::collections::HashSet;

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::booking::{Booking, BookingKind, DayPlan, minutes_of};
use super::change::DayChange;
use super::helper::helped;
use crate::card::HOT_MIN;
use crate::heat::HeatBand;
use crate::person::RideNeeds;
use crate::wording::{clock_of_minutes, count};

/// A rule of the day.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Rule {
    /// Somebody is on one horse at a time.
    OneHorseAtATime,
    /// A horse is in one place at a time.
    HorseInOnePlace,
    /// A place holds so many horses.
    PlaceHolds,
    /// Nobody rides in a place while its ground is dragged.
    PlaceReady,
    /// Nobody rides in a place that is closed.
    PlaceOpen,
    /// Who rides is cleared for it.
    Cleared,
    /// First rides are never alone.
    NeverAlone,
    /// Where somebody has to stand by, somebody is free.
    HelperThere,
    /// Pain and care come first.
    CheckFirst,
    /// Who went home rides no more.
    WentHome,
    /// Nobody rides when it is too hot.
    TooHot,
    /// A day ends at midnight.
    WithinTheDay,
    /// A horse that is off is not ridden.
    HorseAway,
    /// Work is done where it can be done.
    PlaceFits,
    /// No more works on cattle than are left.
    WorksLeft,
    /// Nothing is done more often than it may be.
    TooOften,
    /// Nothing is planned for an hour that has passed.
    HourPassed,
    /// A horse works once a day, unless its program says twice.
    OnceADay,
    /// A horse has at least one day off a week.
    DayOff,
    /// A horse works hard on no two days running: cattle, a pattern, a haul.
    HardDays,
    /// Nobody works outside their hours.
    Hours,
    /// Nobody rides while they are busy elsewhere.
    Busy,
    /// Nobody rides more horses than they said.
    MostHorses,
    /// In the heat rides are short and slow.
    ShortAndSlow,
    /// A horse does nothing fast while its brake is not held at the lope.
    BrakeHolds,
}

impl Rule {
    /// Whether a plan with it is refused; otherwise it is said, and the trainer decides.
    pub fn is_hard(self) -> bool {
        !matches!(
            self,
            Rule::OnceADay
                | Rule::DayOff
                | Rule::HardDays
                | Rule::Hours
                | Rule::Busy
                | Rule::MostHorses
                | Rule::ShortAndSlow
                | Rule::BrakeHolds
                | Rule::HourPassed
        )
    }
}

/// A rule that a day breaks.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Broken {
    /// The rule.
    pub rule: Rule,
    /// Whether a plan with it is refused.
    pub hard: bool,
    /// The bookings it is about.
    pub bookings: Vec<Uuid>,
    /// The same in a sentence.
    pub text: String,
}

/// Everything the day breaks; times in words by a clock of 24 hours or of 12.
pub fn broken(day: &DayPlan, hours24: bool) -> Vec<Broken> {
    let mut walk = Walk {
        day,
        hours24,
        helped: helped(day),
        found: Vec::new(),
    };
    for (index, booking) in day.bookings.iter().enumerate() {
        walk.alone(booking);
        for other in &day.bookings[index + 1..] {
            walk.pair(booking, other);
        }
    }
    walk.full_places();
    walk.too_much();
    walk.found
}

/// What a change would break that was not broken before.
pub fn broken_by(day: &DayPlan, change: &DayChange, hours24: bool) -> Vec<Broken> {
    let before = broken(day, hours24);
    let mut after = broken(&change.after(day), hours24);
    after.retain(|one| {
        !before
            .iter()
            .any(|old| old.rule == one.rule && old.bookings == one.bookings && old.text == one.text)
    });
    after
}

struct Walk<'a> {
    day: &'a DayPlan,
    hours24: bool,
    /// Rides that need a helper and have one.
    helped: HashSet<Uuid>,
    found: Vec<Broken>,
}

impl Walk<'_> {
    fn say(&mut self, rule: Rule, bookings: &[&Booking], text: String) {
        self.found.push(Broken {
            rule,
            hard: rule.is_hard(),
            bookings: bookings.iter().map(|one| one.booking_id).collect(),
            text,
        });
    }

    fn clock(&self, minutes: u16) -> String {
        clock_of_minutes(minutes, self.hours24)
    }

    fn span(&self, booking: &Booking) -> String {
        format!(
            "{} to {}",
            self.clock(booking.from_min),
            self.clock(booking.to_min())
        )
    }

    fn horse_name(&self, booking: &Booking) -> String {
        self.day
            .horse(booking.horse_id)
            .map_or_else(|| "the horse".to_owned(), |horse| horse.name.clone())
    }

    /// What one booking breaks by itself.
    fn alone(&mut self, booking: &Booking) {
        if booking.to_min() > 24 * 60 {
            self.say(
                Rule::WithinTheDay,
                &[booking],
                "It would end after midnight.".into(),
            );
        }
        self.rests(booking);
        if !booking.kind.is_ridden() {
            return;
        }
        self.place_is_open(booking);
        self.horse_is_fit(booking);
        self.rider_may(booking);
        self.heat_allows(booking);
    }

    /// A day off a week, and no two hard days running.
    fn rests(&mut self, booking: &Booking) {
        let Some(horse) = self.day.horse(booking.horse_id) else {
            return;
        };
        let name = &horse.name;
        if booking.kind.is_ridden() && horse.other_days >= 6 {
            let text = format!("{name} would work on all seven days of this week.");
            self.say(Rule::DayOff, &[booking], text);
        }
        if booking.is_hard() && horse.hard_next_to {
            let text = format!(
                "{name} works hard the day before or after too (cattle, a pattern or a haul)."
            );
            self.say(Rule::HardDays, &[booking], text);
        }
    }

    fn place_is_open(&mut self, booking: &Booking) {
        let place = self.day.place(booking.place_id);
        let Some((place, opens, closes)) =
            place.and_then(|place| Some((place, place.opens_min?, place.closes_min?)))
        else {
            return;
        };
        if booking.from_min < opens || booking.to_min() > closes {
            let text = format!(
                "{} is open {} to {}.",
                place.name,
                self.clock(opens),
                self.clock(closes)
            );
            self.say(Rule::PlaceOpen, &[booking], text);
        }
    }

    fn horse_is_fit(&mut self, booking: &Booking) {
        let Some(horse) = self.day.horse(booking.horse_id) else {
            return;
        };
        if horse.check_first {
            let text = format!("Have {} looked at before anybody gets on.", horse.name);
            self.say(Rule::CheckFirst, &[booking], text);
        }
        if let Some(brake) = horse.brake.as_ref().filter(|_| booking.is_fast()) {
            let text = format!("Nothing fast with {} yet. {brake}", horse.name);
            self.say(Rule::BrakeHolds, &[booking], text);
        }
        let alone = (horse.first_rides || booking.helper) && !self.somebody_else(booking);
        if alone && horse.first_rides {
            let text = format!(
                "{} is at the first rides, never alone, and nobody else is here from {}.",
                horse.name,
                self.span(booking)
            );
            self.say(Rule::NeverAlone, &[booking], text);
        } else if alone {
            let text = format!(
                "{} needs somebody to stand by, and nobody is free from {}.",
                horse.name,
                self.span(booking)
            );
            self.say(Rule::HelperThere, &[booking], text);
        }
    }

    /// Whether somebody is there for a ride that needs it. A helper is with one such ride at a
    /// time, so those of the day are given helpers together.
    fn somebody_else(&self, booking: &Booking) -> bool {
        self.helped.contains(&booking.booking_id)
    }

    fn rider_may(&mut self, booking: &Booking) {
        let Some(person) = self.day.person(booking.person_id) else {
            return;
        };
        let name = &person.name;
        if person.away {
            self.say(Rule::WentHome, &[booking], format!("{name} went home."));
            return;
        }
        if let Some(horse_id) = booking.horse_id {
            let horse = self.day.horse(booking.horse_id);
            let needs = RideNeeds {
                person_id: person.person_id,
                quiet_hands: horse.is_some_and(|horse| horse.quiet_hands),
                only_riders: horse.and_then(|horse| horse.only_riders.as_deref()),
                horse_id,
                rig: horse.and_then(|horse| horse.rig),
                cattle: booking.cattle,
                first_rides: horse.is_some_and(|horse| horse.first_rides),
            };
            for why in person.clearance.stops(person.role, &needs) {
                self.say(Rule::Cleared, &[booking], format!("{}.", why.text(name)));
            }
        }
        let busy = person.busy.iter();
        let busy =
            busy.filter(|one| one.from_min < booking.to_min() && booking.from_min < one.to_min);
        for one in busy {
            let text = format!(
                "{name} is busy from {} to {}.",
                self.clock(one.from_min),
                self.clock(one.to_min)
            );
            self.say(Rule::Busy, &[booking], text);
        }
        match person.hours {
            None if person.sets_hours => {
                self.say(
                    Rule::Hours,
                    &[booking],
                    format!("{name} doesn't work on this day."),
                );
            }
            Some(hours)
                if booking.from_min < minutes_of(hours.from)
                    || booking.to_min() > minutes_of(hours.to) =>
            {
                let text = format!(
                    "{name} works {} to {} on this day.",
                    self.clock(minutes_of(hours.from)),
                    self.clock(minutes_of(hours.to))
                );
                self.say(Rule::Hours, &[booking], text);
            }
            _ => {}
        }
    }

    /// The hottest hour of a ride says what is allowed.
    fn heat_allows(&mut self, booking: &Booking) {
        let hours = self.day.heat.iter();
        let hottest = hours
            .filter(|hour| hour.touches(booking.from_min, booking.to_min()))
            .max_by(|a, b| a.index().total_cmp(&b.index()));
        let Some(hour) = hottest else { return };
        let hot = format!(
            "{:.0} F and {:.0}% at {}",
            hour.temperature_f,
            hour.humidity_pct,
            self.clock(hour.from_min)
        );
        let horse = self.horse_name(booking);
        match hour.band() {
            HeatBand::NoRiding => self.say(
                Rule::TooHot,
                &[booking],
                format!("{hot}: too hot to ride {horse}."),
            ),
            HeatBand::ShortAndSlow if booking.is_fast() => self.say(
                Rule::ShortAndSlow,
                &[booking],
                format!(
                    "{hot}: too hot for {} with {horse}.",
                    match (booking.cattle, booking.pattern) {
                        (true, _) => "cattle work",
                        (_, true) => "a pattern",
                        _ => "fast work",
                    }
                ),
            ),
            HeatBand::ShortAndSlow if u32::from(booking.minutes) > HOT_MIN => self.say(
                Rule::ShortAndSlow,
                &[booking],
                format!("{hot}: ride {horse} {HOT_MIN} minutes at most, nothing fast."),
            ),
            _ => {}
        }
    }

    /// What two bookings break together.
    fn pair(&mut self, one: &Booking, other: &Booking) {
        if !one.overlaps(other) {
            return;
        }
        if one.person_id.is_some() && one.person_id == other.person_id {
            let name = self
                .day
                .person(one.person_id)
                .map_or("Somebody", |person| &person.name);
            let text = format!(
                "{name} is booked for {} from {} and for {} from {}.",
                self.named(one),
                self.span(one),
                self.named(other),
                self.span(other)
            );
            self.say(Rule::OneHorseAtATime, &[one, other], text);
        }
        if one.horse_id.is_some() && one.horse_id == other.horse_id {
            let text = format!(
                "{} is {} from {} and {} from {}.",
                self.horse_name(one),
                one.kind.phrase(),
                self.span(one),
                other.kind.phrase(),
                self.span(other)
            );
            self.say(Rule::HorseInOnePlace, &[one, other], text);
        }
        let dragged = |kind| kind == BookingKind::GroundDragged;
        if one.place_id.is_some()
            && one.place_id == other.place_id
            && dragged(one.kind) != dragged(other.kind)
        {
            let (drag, ridden) = if dragged(one.kind) {
                (one, other)
            } else {
                (other, one)
            };
            if ridden.kind.is_ridden() {
                let place = self
                    .day
                    .place(one.place_id)
                    .map_or("The place", |place| &place.name);
                let text = format!("{place} is being dragged from {}.", self.span(drag));
                self.say(Rule::PlaceReady, &[one, other], text);
            }
        }
    }

    fn named(&self, booking: &Booking) -> String {
        match booking.horse_id {
            Some(_) => self.horse_name(booking),
            None => format!("something {}", booking.kind.phrase()),
        }
    }

    /// At no moment more horses in a place than it holds. They are the most where one
    /// begins, so those moments are looked at.
    fn full_places(&mut self) {
        for place in &self.day.places {
            let in_it: Vec<&Booking> = self
                .day
                .bookings
                .iter()
                .filter(|one| one.horse_id.is_some() && one.place_id == Some(place.place_id))
                .collect();
            let mut said: Vec<Vec<Uuid>> = Vec::new();
            for start in &in_it {
                let at_once: Vec<&Booking> = in_it
                    .iter()
                    .filter(|one| one.from_min <= start.from_min && start.from_min < one.to_min())
                    .copied()
                    .collect();
                let mut ids: Vec<Uuid> = at_once.iter().map(|one| one.booking_id).collect();
                ids.sort_unstable();
                if at_once.len() <= usize::from(place.horses_at_once) || said.contains(&ids) {
                    continue;
                }
                said.push(ids);
                let names: Vec<String> = at_once.iter().map(|one| self.horse_name(one)).collect();
                let holds = match place.horses_at_once {
                    1 => "one horse".to_owned(),
                    several => format!("{several} horses"),
                };
                let text = format!(
                    "{} holds {holds}; at {} it would have {}.",
                    place.name,
                    self.clock(start.from_min),
                    names.join(", ")
                );
                self.say(Rule::PlaceHolds, &at_once, text);
            }
        }
    }

    /// Rides a day of a horse, and horses a day of a person.
    fn too_much(&mut self) {
        let rides = |of: &dyn Fn(&Booking) -> bool| -> Vec<&Booking> {
            let ridden = self.day.bookings.iter().filter(|one| one.kind.is_ridden());
            ridden.filter(|one| of(one)).collect()
        };
        let mut said = Vec::new();
        for horse in &self.day.horses {
            let own = rides(&|one| one.horse_id == Some(horse.horse_id));
            if own.len() > usize::from(horse.most_rides) {
                let times: Vec<String> = own.iter().map(|one| self.clock(one.from_min)).collect();
                let text = format!("{} would be ridden at {}.", horse.name, times.join(" and "));
                said.push((Rule::OnceADay, own, text));
            }
        }
        for person in &self.day.people {
            let own = rides(&|one| one.person_id == Some(person.person_id));
            if let Some(hours) = person.hours
                && own.len() > usize::from(hours.most_horses)
            {
                let text = format!(
                    "That's {} for {}, who rides {} at the most.",
                    count(own.len() as u32, "horse"),
                    person.name,
                    hours.most_horses
                );
                said.push((Rule::MostHorses, own, text));
            }
        }
        for (rule, bookings, text) in said {
            self.say(rule, &bookings, text);
        }
    }
}
