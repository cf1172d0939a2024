//! Heat bands: temperature in Fahrenheit plus relative humidity in percent.
//!
//! # Source
//! A rule of thumb of agricultural extension services: below 130 as usual, 130 to 150 more
//! water and walking breaks, 150 to 180 short and slow, above 180 no riding (from memory).

use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, HUMIDITY_PCT, TEMPERATURE_F};

/// What the heat allows.
#[derive(
    Debug, Clone, Copy, Default, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize,
)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum HeatBand {
    /// As usual (below 130).
    #[default]
    Usual,
    /// More water and walking breaks (130 and more).
    MoreBreaks,
    /// Short and slow (150 and more).
    ShortAndSlow,
    /// No riding (above 180).
    NoRiding,
}

/// Temperature in Fahrenheit plus relative humidity in percent.
pub fn index(temperature_f: f64, humidity_pct: f64) -> f64 {
    temperature_f + humidity_pct
}

impl HeatBand {
    /// The band of an index.
    pub fn of(index: f64) -> HeatBand {
        match index {
            sum if sum > 180.0 => HeatBand::NoRiding,
            sum if sum >= 150.0 => HeatBand::ShortAndSlow,
            sum if sum >= 130.0 => HeatBand::MoreBreaks,
            _ => HeatBand::Usual,
        }
    }

    /// What to do in it.
    pub fn advice(self) -> &'static str {
        match self {
            HeatBand::Usual => "Ride as usual.",
            HeatBand::MoreBreaks => "Warm and humid: more water, more walking breaks.",
            HeatBand::ShortAndSlow => "Hot: short and slow, nothing fast, cool out with water.",
            HeatBand::NoRiding => "Too hot to ride.",
        }
    }
}

/// How hot an hour of a day is.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct HeatHour {
    /// Minutes from midnight to its start, on the barn's clock.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1439))]
    pub from_min: u16,
    /// Temperature, in degrees Fahrenheit.
    #[cfg_attr(feature = "schema", schema(minimum = -60, maximum = 140))]
    pub temperature_f: f64,
    /// Relative humidity, in percent.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 100))]
    pub humidity_pct: f64,
}

impl HeatHour {
    /// An hour in which it is too hot to ride, by somebody's word and not by a forecast.
    pub fn too_hot(from_min: u16) -> HeatHour {
        HeatHour {
            from_min,
            temperature_f: 110.0,
            humidity_pct: 71.0,
        }
    }

    /// Temperature plus humidity.
    pub fn index(&self) -> f64 {
        index(self.temperature_f, self.humidity_pct)
    }

    /// Its band.
    pub fn band(&self) -> HeatBand {
        HeatBand::of(self.index())
    }

    /// Whether any of the minutes from `from_min` to before `to_min` lie in it.
    pub fn touches(&self, from_min: u16, to_min: u16) -> bool {
        let (begins, ends) = (self.from_min, self.from_min.saturating_add(60));
        begins < to_min && from_min < ends
    }

    /// Checks both figures.
    ///
    /// # Errors
    /// The first out of bounds, with what is allowed.
    pub fn check(&self) -> Result<(), FieldError> {
        TEMPERATURE_F.check("/temperature_f", self.temperature_f)?;
        HUMIDITY_PCT.check("/humidity_pct", self.humidity_pct)?;
        Ok(())
    }
}
