//! Whether an instance can be planned: every number, and that what is named is there.

use std::collections::HashSet;

use uuid::Uuid;

use super::instance::WeekInstance;
use super::planned::PlannedRide;
use crate::bounds::{
    Bound, DAYS_AT_MOST, FieldError, HEAT_HOURS, HORSES_A_DAY, HORSES_AT_ONCE, MORE, NAME_LETTERS,
    OF_A_DAY, PLACES_OF_WORK, PLAN_DAYS, PLAN_FIXED, PLAN_MINUTE, PLAN_PEOPLE, PLAN_PLACES,
    PLAN_PRIORITY, PLAN_RIDES, PLAN_WEIGHT, PLAN_WORKS, RIDES_A_WEEK, RIDES_AT_MOST, SHARE,
    WORK_AT_MOST, WORK_MINUTES, WORTH, YOUNG_HEAT,
};
use crate::text::check_text;
use crate::week::booking::check_times;

impl WeekInstance {
    /// Checks every number, and that what is named is there.
    ///
    /// # Errors
    /// The first field that does not fit, with what is allowed.
    pub fn check(&self) -> Result<(), FieldError> {
        PLAN_DAYS.check_count("/days", self.days.len())?;
        OF_A_DAY.check_count("/horses", self.horses.len())?;
        PLAN_PEOPLE.check_count("/riders", self.riders.len())?;
        PLAN_PLACES.check_count("/places", self.places.len())?;
        PLAN_PLACES.check_count("/cattle", self.cattle.len())?;
        PLAN_FIXED.check_count("/fixed", self.fixed.len())?;
        self.check_days()?;
        self.check_horses()?;
        self.check_riders()?;
        for (index, place) in self.places.iter().enumerate() {
            let at = format!("/places/{index}");
            check_text(NAME_LETTERS, &format!("{at}/name"), &place.name)?;
            HORSES_AT_ONCE.check(
                &format!("{at}/horses_at_once"),
                f64::from(place.horses_at_once),
            )?;
        }
        for (index, fixed) in self.fixed.iter().enumerate() {
            let at = format!("/fixed/{index}");
            self.check_day(&format!("{at}/day"), fixed.day)?;
            check_times(fixed.booking.from_min, fixed.booking.minutes)
                .map_err(|errors| first(errors).under(&format!("{at}/booking")))?;
        }
        self.check_rides("/pins", &self.pins)?;
        self.check_rides("/before", &self.before)?;
        self.check_weights()
    }

    /// Checks the rides of a plan: that what they name is there.
    ///
    /// # Errors
    /// The first field that does not fit, under `field`.
    pub fn check_rides(&self, field: &str, rides: &[PlannedRide]) -> Result<(), FieldError> {
        PLAN_RIDES.check_count(field, rides.len())?;
        for (index, ride) in rides.iter().enumerate() {
            let at = format!("{field}/{index}");
            self.check_day(&format!("{at}/day"), ride.day)?;
            PLAN_MINUTE.check(&format!("{at}/from_min"), f64::from(ride.from_min))?;
            let Some(horse) = self.horse(ride.horse_id) else {
                return Err(missing(&format!("{at}/horse_id"), "horse"));
            };
            if usize::from(ride.work) >= horse.works.len() {
                return Err(FieldError::new(
                    format!("{at}/work"),
                    format!(
                        "{} has {} works, counted from 0; found {}",
                        horse.name,
                        horse.works.len(),
                        ride.work
                    ),
                ));
            }
            if self.rider(ride.person_id).is_none() {
                return Err(missing(&format!("{at}/person_id"), "person"));
            }
            if self.place(ride.place_id).is_none() {
                return Err(missing(&format!("{at}/place_id"), "place"));
            }
        }
        Ok(())
    }

    fn check_days(&self) -> Result<(), FieldError> {
        for (index, day) in self.days.iter().enumerate() {
            let at = format!("/days/{index}");
            if index > 0 && day.date <= self.days[index - 1].date {
                return Err(FieldError::new(
                    format!("{at}/date"),
                    format!("must come after {}", self.days[index - 1].date),
                ));
            }
            HEAT_HOURS.check_count(&format!("{at}/heat"), day.heat.len())?;
            for (number, hour) in day.heat.iter().enumerate() {
                hour.check()
                    .map_err(|error| error.under(&format!("{at}/heat/{number}")))?;
            }
            PLAN_WORKS.check_count(&format!("{at}/quiet"), day.quiet.len())?;
        }
        Ok(())
    }

    fn check_horses(&self) -> Result<(), FieldError> {
        let mut ids: HashSet<Uuid> = HashSet::new();
        for (index, horse) in self.horses.iter().enumerate() {
            let at = format!("/horses/{index}");
            if !ids.insert(horse.horse_id) {
                return Err(twice(&format!("{at}/horse_id")));
            }
            check_text(NAME_LETTERS, &format!("{at}/name"), &horse.name)?;
            check_all(
                &at,
                &[
                    ("/wanted", RIDES_A_WEEK, f64::from(horse.wanted)),
                    (
                        "/most_rides_a_day",
                        RIDES_AT_MOST,
                        f64::from(horse.most_rides_a_day),
                    ),
                    ("/most_days", DAYS_AT_MOST, f64::from(horse.most_days)),
                    ("/priority", PLAN_PRIORITY, horse.priority),
                ],
            )?;
            PLAN_WORKS.check_count(&format!("{at}/works"), horse.works.len())?;
            for (number, work) in horse.works.iter().enumerate() {
                let at = format!("{at}/works/{number}");
                WORK_MINUTES.check(&format!("{at}/minutes"), f64::from(work.minutes))?;
                if work.minutes % 5 != 0 {
                    return Err(FieldError::new(
                        format!("{at}/minutes"),
                        format!("must be in steps of 5, found {}", work.minutes),
                    ));
                }
                WORK_AT_MOST.check(&format!("{at}/at_most"), f64::from(work.at_most))?;
                WORTH.check(&format!("{at}/worth"), work.worth)?;
                PLACES_OF_WORK.check_count(&format!("{at}/place_ids"), work.place_ids.len())?;
                for (place, place_id) in work.place_ids.iter().enumerate() {
                    if self.place(*place_id).is_none() {
                        return Err(missing(&format!("{at}/place_ids/{place}"), "place"));
                    }
                }
                let known = |lot_id| self.cattle.iter().any(|lot| lot.lot_id == lot_id);
                if work.lot_id.is_some_and(|lot_id| !known(lot_id)) {
                    return Err(missing(&format!("{at}/lot_id"), "lot"));
                }
            }
        }
        Ok(())
    }

    fn check_riders(&self) -> Result<(), FieldError> {
        let mut ids: HashSet<Uuid> = HashSet::new();
        for (index, rider) in self.riders.iter().enumerate() {
            let at = format!("/riders/{index}");
            if !ids.insert(rider.person_id) {
                return Err(twice(&format!("{at}/person_id")));
            }
            check_text(NAME_LETTERS, &format!("{at}/name"), &rider.name)?;
            rider
                .clearance
                .check()
                .map_err(|error| error.under(&format!("{at}/clearance")))?;
            for (number, hours) in rider.days.iter().enumerate() {
                let at = format!("{at}/days/{number}");
                self.check_day(&format!("{at}/day"), hours.day)?;
                HORSES_A_DAY.check(&format!("{at}/most_horses"), f64::from(hours.most_horses))?;
                if hours.to_min <= hours.from_min || hours.to_min > 1440 {
                    return Err(FieldError::new(
                        format!("{at}/to_min"),
                        format!("must be later than {} and at most 1440", hours.from_min),
                    ));
                }
            }
            for (number, known) in rider.knows.iter().enumerate() {
                SHARE.check(&format!("{at}/knows/{number}/share"), known.share)?;
            }
        }
        Ok(())
    }

    fn check_weights(&self) -> Result<(), FieldError> {
        let weights = &self.weights;
        check_all(
            "/weights",
            &[
                ("/ride", PLAN_WEIGHT, weights.ride),
                ("/first_rides_more", MORE, weights.first_rides_more),
                ("/gate_soon", PLAN_WEIGHT, weights.gate_soon),
                ("/herd", PLAN_WEIGHT, weights.herd),
                ("/barrels", PLAN_WEIGHT, weights.barrels),
                ("/knows", PLAN_WEIGHT, weights.knows),
                ("/quiet", PLAN_WEIGHT, weights.quiet),
                ("/young_heat", YOUNG_HEAT, weights.young_heat),
                ("/home", PLAN_WEIGHT, weights.home),
                ("/spread", PLAN_WEIGHT, weights.spread),
                ("/change", PLAN_WEIGHT, weights.change),
            ],
        )
    }

    fn check_day(&self, field: &str, day: u8) -> Result<(), FieldError> {
        if usize::from(day) < self.days.len() {
            return Ok(());
        }
        Err(FieldError::new(
            field,
            format!(
                "there are {} days, counted from 0; found {day}",
                self.days.len()
            ),
        ))
    }
}

fn check_all(at: &str, fields: &[(&str, Bound, f64)]) -> Result<(), FieldError> {
    for (field, bound, value) in fields {
        bound.check(&format!("{at}{field}"), *value)?;
    }
    Ok(())
}

fn first(mut errors: Vec<FieldError>) -> FieldError {
    errors.remove(0)
}

fn missing(field: &str, what: &str) -> FieldError {
    FieldError::new(field, format!("no such {what} is in the instance"))
}

fn twice(field: &str) -> FieldError {
    FieldError::new(field, "is named twice")
}
