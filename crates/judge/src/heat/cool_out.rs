//! The cool-out sheet: pulse and breathing at 0, 10 and 20 minutes after work, the
//! temperature where somebody takes it.
//!
//! # Source
//! Practice of endurance riding (from memory): a pulse that is not under 64 a minute after
//! 20 minutes, or a temperature above 103 F, is one for the veterinarian.

use serde::{Deserialize, Serialize};

use crate::bounds::{
    BODY_TEMPERATURE_F, BREATHS, COOL_MINUTES, COOL_READINGS, FieldError, PULSE, together,
};
use crate::horse::Sex;
use crate::wording::pronouns;

/// Minutes after work at which pulse and breathing are taken.
pub const TAKEN_AT_MIN: [u16; 3] = [0, 10, 20];
/// A pulse that is not under this after the last of them is one for the veterinarian.
pub const PULSE_UNDER: u16 = 64;
/// A temperature above this at any time is one for the veterinarian, in Fahrenheit.
pub const MOST_TEMPERATURE_F: f64 = 103.0;

/// What was taken at one time.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct CoolReading {
    /// Minutes after work.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 240))]
    pub minute: u16,
    /// Heartbeats a minute.
    #[cfg_attr(feature = "schema", schema(minimum = 20, maximum = 260))]
    pub pulse: u16,
    /// Breaths a minute.
    #[cfg_attr(feature = "schema", schema(minimum = 4, maximum = 200))]
    pub breaths: u16,
    /// Temperature of the horse, in degrees Fahrenheit.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 90, maximum = 112))]
    pub temperature_f: Option<f64>,
}

/// What the readings say.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CoolSaid {
    /// A veterinarian is to be called.
    pub call_vet: bool,
    /// The horse came down: taken at 20 minutes or later, pulse under 64, not too hot.
    pub cooled_out: bool,
    /// The minute at which it is to be taken next; null when nothing is left to take.
    pub next_min: Option<u16>,
    /// In sentences.
    pub text: Vec<String>,
}

/// Checks every reading, and that each minute stands once.
///
/// # Errors
/// Every figure out of bounds, with what is allowed.
pub fn check(readings: &[CoolReading]) -> Result<(), Vec<FieldError>> {
    let mut errors: Vec<FieldError> = COOL_READINGS
        .check_count("/readings", readings.len())
        .err()
        .into_iter()
        .collect();
    for (index, reading) in readings.iter().enumerate() {
        let at = |field: &str| format!("/readings/{index}/{field}");
        let figure = |bound: crate::bounds::Bound, field: &str, value: f64| {
            bound.check(&at(field), value).map(|_| ())
        };
        let of_one = together([
            figure(COOL_MINUTES, "minute", reading.minute.into()),
            figure(PULSE, "pulse", reading.pulse.into()),
            figure(BREATHS, "breaths", reading.breaths.into()),
            reading.temperature_f.map_or(Ok(()), |temperature| {
                figure(BODY_TEMPERATURE_F, "temperature_f", temperature)
            }),
        ]);
        errors.extend(of_one.err().into_iter().flatten());
        if readings[..index]
            .iter()
            .any(|one| one.minute == reading.minute)
        {
            let twice = format!("minute {} is there twice", reading.minute);
            errors.push(FieldError::new(at("minute"), twice));
        }
    }
    if errors.is_empty() {
        Ok(())
    } else {
        Err(errors)
    }
}

/// Says what the readings say.
pub fn says(readings: &[CoolReading], sex: Option<Sex>) -> CoolSaid {
    let mut sorted: Vec<&CoolReading> = readings.iter().collect();
    sorted.sort_by_key(|reading| reading.minute);
    let him = pronouns(sex);
    let mut text = Vec::new();
    let last_min = TAKEN_AT_MIN[TAKEN_AT_MIN.len() - 1];
    let hottest = sorted
        .iter()
        .filter_map(|reading| reading.temperature_f)
        .fold(f64::MIN, f64::max);
    if hottest > MOST_TEMPERATURE_F {
        text.push(format!(
            "{hottest:.1} F is above {MOST_TEMPERATURE_F:.0}: call the vet, keep {} in the shade and keep water running over {}.",
            him.him, him.him
        ));
    }
    let late = sorted
        .iter()
        .rev()
        .find(|reading| reading.minute >= last_min);
    let fast = late.filter(|reading| reading.pulse >= PULSE_UNDER);
    if let Some(reading) = fast {
        text.push(format!(
            "Pulse {} after {} minutes, not under {PULSE_UNDER}: call the vet.",
            reading.pulse, reading.minute
        ));
    }
    let call_vet = !text.is_empty();
    let cooled_out = !call_vet && late.is_some();
    let taken = |minute: u16| sorted.iter().any(|reading| reading.minute >= minute);
    let next_min = if cooled_out {
        None
    } else {
        TAKEN_AT_MIN.into_iter().find(|minute| !taken(*minute))
    };
    match (late, sorted.last()) {
        (Some(reading), _) if cooled_out => text.push(format!(
            "Pulse {} after {} minutes: {} has come down.",
            reading.pulse, reading.minute, him.he
        )),
        (None, Some(reading)) if !call_vet && reading.pulse >= PULSE_UNDER => {
            text.push("Keep walking, water over the neck and legs, scrape it off.".into());
        }
        _ => {}
    }
    CoolSaid {
        call_vet,
        cooled_out,
        next_min,
        text,
    }
}
