//! What the day has: minutes, age, heat, what is at hand, who helps, what the trainer
//! wants on the card.

use serde::{Deserialize, Serialize};

use crate::Side;
use crate::bounds::{
    AGE_YEARS, FieldError, HUMIDITY_PCT, MINUTES, NOTE_LETTERS, OF_A_CARD, RIDE_MINUTES, SPOTS,
    TEMPERATURE_F,
};
use crate::heat;
use crate::horse::HorseTrait;
use crate::ladder::check::find_level;
use crate::ladder::{AtHand, Ladder, Level};
use crate::text::check_text;

/// The day of a ride, as far as its card needs it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CardDay))]
#[serde(default, deny_unknown_fields)]
pub struct Day {
    /// Minutes there are for the ride.
    #[cfg_attr(feature = "schema", schema(minimum = 10, maximum = 180))]
    pub minutes: u32,
    /// The horse's age in years, where known.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub age_years: Option<u32>,
    /// Its traits.
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub traits: Vec<HorseTrait>,
    /// What is at hand.
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub at_hand: Vec<AtHand>,
    /// A helper on the ground, phone at hand.
    pub helper: bool,
    /// Temperature, in degrees Fahrenheit.
    #[cfg_attr(feature = "schema", schema(minimum = -60, maximum = 140))]
    pub temperature_f: Option<f64>,
    /// Relative humidity, in percent.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 100))]
    pub humidity_pct: Option<f64>,
    /// Minutes until it was quiet before earlier rides, oldest first.
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub quiet_min: Vec<f64>,
    /// The same today, once it is known.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 600))]
    pub quiet_today_min: Option<f64>,
    /// The level the week's plan names for the day.
    pub aim: Option<Level>,
    /// Blocks the trainer put on it.
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub planned: Vec<PlannedBlock>,
    /// Levels the rider does not want today.
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub without: Vec<Level>,
}

/// A block that has to be on the card.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct PlannedBlock {
    /// The level.
    pub level: Level,
    /// The side to ask more.
    #[serde(default)]
    pub side: Option<Side>,
    /// What to do, in the trainer's words.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 600))]
    pub text: String,
}

impl Default for Day {
    fn default() -> Day {
        Day {
            minutes: 45,
            age_years: None,
            traits: Vec::new(),
            at_hand: Vec::new(),
            helper: false,
            temperature_f: None,
            humidity_pct: None,
            quiet_min: Vec::new(),
            quiet_today_min: None,
            aim: None,
            planned: Vec::new(),
            without: Vec::new(),
        }
    }
}

/// Minutes in hand before mounting, when the horse's own are not known. Product default.
const USUAL_QUIET_MIN: f64 = 5.0;
/// Days before a horse has minutes of its own.
const LEAST_QUIET_DAYS: usize = 4;
/// How many median deviations above its own a day counts as far above. Product default.
const FAR_ABOVE: f64 = 3.0 * 1.4826;
/// And at least so many minutes. Product default.
const FAR_ABOVE_MIN: f64 = 5.0;

impl Day {
    /// Whether the horse has that trait.
    pub fn is(&self, one: HorseTrait) -> bool {
        self.traits.contains(&one)
    }

    /// Temperature plus humidity: the rule of thumb for heat.
    pub fn heat(&self) -> Option<f64> {
        Some(heat::band::index(self.temperature_f?, self.humidity_pct?))
    }

    /// Its age where age limits the card: a late developer counts as a year younger.
    pub fn age_counted(&self) -> Option<u32> {
        let younger = u32::from(self.is(HorseTrait::LateDeveloper));
        self.age_years.map(|years| years.saturating_sub(younger))
    }

    /// Minutes in hand to reckon with before mounting.
    pub fn usual_quiet_min(&self) -> f64 {
        median(&self.quiet_min).unwrap_or(USUAL_QUIET_MIN)
    }

    /// Today it needed far more minutes than it usually does.
    pub fn is_far_from_quiet(&self) -> bool {
        let Some(today) = self.quiet_today_min else {
            return false;
        };
        if self.quiet_min.len() < LEAST_QUIET_DAYS {
            return false;
        }
        let usual = self.usual_quiet_min();
        let apart: Vec<f64> = self
            .quiet_min
            .iter()
            .map(|min| (min - usual).abs())
            .collect();
        let spread = FAR_ABOVE * median(&apart).unwrap_or_default();
        today > usual + spread.max(FAR_ABOVE_MIN)
    }

    /// Checks every number, and that its levels are on the ladder.
    ///
    /// # Errors
    /// The first field out of bounds.
    pub fn check(&self, ladder: &Ladder) -> Result<(), FieldError> {
        RIDE_MINUTES.check("/minutes", f64::from(self.minutes))?;
        for (field, bound, value) in [
            ("/age_years", AGE_YEARS, self.age_years.map(f64::from)),
            ("/temperature_f", TEMPERATURE_F, self.temperature_f),
            ("/humidity_pct", HUMIDITY_PCT, self.humidity_pct),
            ("/quiet_today_min", MINUTES, self.quiet_today_min),
        ] {
            if let Some(value) = value {
                bound.check(field, value)?;
            }
        }
        OF_A_CARD.check_count("/quiet_min", self.quiet_min.len())?;
        OF_A_CARD.check_count("/without", self.without.len())?;
        SPOTS.check_count("/traits", self.traits.len())?;
        SPOTS.check_count("/at_hand", self.at_hand.len())?;
        for (index, minutes) in self.quiet_min.iter().enumerate() {
            MINUTES.check(&format!("/quiet_min/{index}"), *minutes)?;
        }
        if let Some(aim) = &self.aim {
            find_level(aim, ladder).map_err(|error| error.under("/aim"))?;
        }
        for (index, level) in self.without.iter().enumerate() {
            find_level(level, ladder).map_err(|error| error.under(&format!("/without/{index}")))?;
        }
        SPOTS.check_count("/planned", self.planned.len())?;
        for (index, planned) in self.planned.iter().enumerate() {
            let at = format!("/planned/{index}");
            find_level(&planned.level, ladder)
                .map_err(|error| error.under(&format!("{at}/level")))?;
            if !planned.text.is_empty() {
                check_text(NOTE_LETTERS, &format!("{at}/text"), &planned.text)?;
            }
        }
        Ok(())
    }
}

fn median(values: &[f64]) -> Option<f64> {
    let mut sorted = values.to_vec();
    sorted.sort_by(f64::total_cmp);
    let middle = sorted.len() / 2;
    let upper = *sorted.get(middle)?;
    if sorted.len() % 2 == 1 {
        Some(upper)
    } else {
        Some((sorted[middle - 1] + upper) / 2.0)
    }
}
