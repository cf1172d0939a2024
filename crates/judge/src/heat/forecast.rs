//! Heat by the hour from rows: a time, a temperature, the relative humidity.
//!
//! The first row names the columns: `time`, `temperature_f` or `temperature_c`,
//! `humidity_pct`, in any order. A time is RFC 3339 with an offset, or one of the barn's
//! own clock without. Rows are parted by commas, semicolons or tabs.
//!
//! Source: RFC 4180 for quotes and line ends, RFC 3339 for times.

use jiff::Timestamp;
use jiff::civil::DateTime;

use crate::bounds::{FORECAST_HOURS, FieldError, HUMIDITY_PCT, TEMPERATURE_F};
use crate::text::delimiter;

/// When a row is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum At {
    /// A moment.
    Moment(Timestamp),
    /// A time of the barn's own clock.
    Clock(DateTime),
}

/// One row.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Forecast {
    /// When.
    pub at: At,
    /// Temperature, in degrees Fahrenheit.
    pub temperature_f: f64,
    /// Relative humidity, in percent.
    pub humidity_pct: f64,
}

/// Fahrenheit of Celsius.
pub fn fahrenheit(celsius: f64) -> f64 {
    celsius * 1.8 + 32.0
}

/// Reads rows.
///
/// # Errors
/// The first line that does not fit, at `/text`, with what is allowed.
pub fn read_csv(text: &str) -> Result<Vec<Forecast>, FieldError> {
    let fail = |detail: String| FieldError::new("/text", detail);
    let text = text.trim_start_matches('\u{FEFF}');
    let mut reader = csv::ReaderBuilder::new()
        .trim(csv::Trim::All)
        .delimiter(delimiter(text))
        .from_reader(text.as_bytes());
    let headers = reader.headers().map_err(|error| fail(error.to_string()))?;
    let headers: Vec<String> = headers.iter().map(str::to_lowercase).collect();
    let column = |name: &str| headers.iter().position(|header| header == name);
    let (Some(time), Some(humidity)) = (column("time"), column("humidity_pct")) else {
        return Err(fail(
            "the first row must name the columns time, humidity_pct, and temperature_f or temperature_c".into(),
        ));
    };
    let (temperature, celsius) = match (column("temperature_f"), column("temperature_c")) {
        (Some(column), _) => (column, false),
        (None, Some(column)) => (column, true),
        (None, None) => {
            return Err(fail(
                "the first row must name a column temperature_f or temperature_c".into(),
            ));
        }
    };
    let mut rows = Vec::new();
    for record in reader.records() {
        let record = record.map_err(|error| fail(error.to_string()))?;
        let line = record.position().map_or(0, csv::Position::line);
        let cell = |column: usize| record.get(column).unwrap_or_default();
        let number = |column: usize, name: &str| {
            cell(column).parse::<f64>().map_err(|_| {
                fail(format!(
                    "line {line}: {name} must be a number, found \"{}\"",
                    cell(column)
                ))
            })
        };
        let at = read_at(cell(time)).ok_or_else(|| {
            fail(format!(
                "line {line}: time must be like 2026-07-01T14:00 (barn time) or 2026-07-01T14:00:00-06:00, found \"{}\"",
                cell(time)
            ))
        })?;
        let temperature = number(temperature, "the temperature")?;
        let row = Forecast {
            at,
            temperature_f: if celsius {
                fahrenheit(temperature)
            } else {
                temperature
            },
            humidity_pct: number(humidity, "humidity_pct")?,
        };
        row.check()
            .map_err(|error| fail(format!("line {line}: {}", error.detail)))?;
        rows.push(row);
    }
    FORECAST_HOURS.check_count("/text", rows.len())?;
    Ok(rows)
}

/// A time as rows spell it.
fn read_at(text: &str) -> Option<At> {
    if let Ok(moment) = text.parse::<Timestamp>() {
        return Some(At::Moment(moment));
    }
    text.parse::<DateTime>().ok().map(At::Clock)
}

/// Temperature and humidity out of a line such as "88 F, 60 %" or "31 °C 55%".
pub fn read_words(text: &str) -> Option<(f64, f64)> {
    let mut temperature = None;
    let mut humidity = None;
    let mut rest = text;
    while let Some(start) = rest.find(|one: char| one.is_ascii_digit()) {
        let negative = rest[..start].ends_with(['-', '\u{2212}']);
        let number = &rest[start..];
        let end = number
            .find(|one: char| !one.is_ascii_digit() && one != '.')
            .unwrap_or(number.len());
        let value: f64 = number[..end].trim_end_matches('.').parse().ok()?;
        let value = if negative { -value } else { value };
        rest = &number[end..];
        let unit = rest.trim_start_matches(|one: char| one.is_whitespace() || one == '°');
        match unit.chars().next() {
            Some('F' | 'f') => temperature = temperature.or(Some(value)),
            Some('C' | 'c') => temperature = temperature.or(Some(fahrenheit(value))),
            Some('%') => humidity = humidity.or(Some(value)),
            _ => {}
        }
    }
    temperature.zip(humidity)
}

impl Forecast {
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
