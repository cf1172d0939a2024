//! Lines for invoices, as CSV (RFC 4180): what was done, how much of it, and what it comes to by
//! the trainer's own rates. What is owed, taxed and paid is the trainer's and their bookkeeper's.

use super::month::Month;
use super::review::HorseReview;
use crate::bounds::{FieldError, RATE_CENTS};

/// Rates in cents; left out, the line has a quantity and no amount.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub struct Rates {
    /// For a day here.
    pub day: Option<u64>,
    /// For a ride.
    pub ride: Option<u64>,
}

/// Dollars as they are typed, such as `35` or `35.50`, in cents; none where nothing is typed.
///
/// # Errors
/// What is no amount, or one out of bounds, at `field`.
pub fn cents(field: &str, typed: &str) -> Result<Option<u64>, FieldError> {
    let typed = typed.trim();
    if typed.is_empty() {
        return Ok(None);
    }
    let wrong = || FieldError::new(field, "must be an amount such as 35 or 35.50");
    let (whole, part) = typed.split_once('.').unwrap_or((typed, ""));
    let digits = |text: &str| text.bytes().all(|byte| byte.is_ascii_digit());
    if whole.is_empty() || whole.len() > 7 || part.len() > 2 || !digits(whole) || !digits(part) {
        return Err(wrong());
    }
    let number = |text: &str| text.parse::<u64>().map_err(|_| wrong());
    let cents = 100 * number(whole)? + number(&format!("{part:0<2}"))?;
    RATE_CENTS.check(field, cents as f64)?;
    Ok(Some(cents))
}

/// The columns of the lines.
pub const COLUMNS: [&str; 8] = [
    "month", "owner", "horse", "what", "quantity", "unit", "rate", "amount",
];

/// The lines of all horses, a heading first. A horse that was not here and not ridden has none.
///
/// # Errors
/// When the rows cannot be written, which does not happen in memory.
pub fn lines(month: Month, horses: &[HorseReview], rates: Rates) -> Result<Vec<u8>, csv::Error> {
    let mut writer = csv::WriterBuilder::new()
        .terminator(csv::Terminator::CRLF)
        .from_writer(Vec::new());
    writer.write_record(COLUMNS)?;
    for horse in horses {
        let days = (horse.training.days_here, "day", "Training", rates.day);
        let rides = (horse.ridden.rides, "ride", "Rides", rates.ride);
        for (quantity, unit, what, rate) in [days, rides] {
            if quantity == 0 {
                continue;
            }
            let amount = rate.map(|rate| rate * u64::from(quantity));
            let money = |cents: Option<u64>| cents.map(dollars).unwrap_or_default();
            writer.write_record([
                month.to_string(),
                horse.owner.clone().unwrap_or_default(),
                horse.horse.clone(),
                format!("{what}, {}", month.name()),
                quantity.to_string(),
                unit.to_owned(),
                money(rate),
                money(amount),
            ])?;
        }
    }
    writer
        .into_inner()
        .map_err(|error| error.into_error().into())
}

fn dollars(cents: u64) -> String {
    format!("{}.{:02}", cents / 100, cents % 100)
}
