//! Heat by the hour: from a weather service that the server was told of, or from rows and
//! calendars that a trainer pastes.

use std::time::Duration;

use axum::Json;
use axum::extract::State;
use cavesson_core::bounds::{FORECAST_HOURS, FieldError};
use cavesson_core::device::Device;
use cavesson_core::heat::HeatHour;
use cavesson_core::heat::forecast::{At, Forecast, read_csv, read_words};
use cavesson_store::BarnTransaction;
use cavesson_store::barn::barns;
use cavesson_store::barn::barns::Barn;
use cavesson_store::barn::device;
use cavesson_store::day::weather;
use cavesson_store::day::weather::WeatherHour;
use jiff::civil::Date;
use jiff::tz::TimeZone;
use jiff::{SignedDuration, Timestamp, ToSpan};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;

use crate::App;
use crate::day::ics;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Signed, Trainer, time_zone};
use crate::route;

/// How often the weather service is asked.
const ASKED_EVERY: Duration = Duration::from_secs(1_800);
/// How long it may take to answer.
const MOST_WAIT: Duration = Duration::from_secs(10);
/// The most it may answer, in bytes.
const MOST_BYTES: usize = 200_000;
/// Hours asked for: those of the last day and of the five that come.
const HOURS: u32 = 144;

/// The weather's route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(put))
}

/// Weather as a file holds it.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct WeatherFile {
    /// Rows (time, temperature_f or temperature_c, humidity_pct) or a calendar whose events
    /// say both, such as "88 F, 60%".
    #[schema(min_length = 1, max_length = 200000)]
    text: String,
}

/// What was read.
#[derive(Serialize, ToSchema)]
struct WeatherRead {
    /// Hours that are known now.
    hours: usize,
    /// The first of them.
    #[schema(value_type = String, format = DateTime)]
    from: Timestamp,
    /// The last of them.
    #[schema(value_type = String, format = DateTime)]
    to: Timestamp,
}

/// Read heat by the hour from rows or a calendar.
#[utoipa::path(
    put, path = "/api/weather", operation_id = "put_weather", tag = "days", request_body = WeatherFile,
    responses(
        (status = 200, description = "The hours it held", body = WeatherRead),
        (status = 422, description = "What does not fit, by line", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn put(
    State(app): State<App>,
    Trainer(signed): Trainer,
    Body(file): Body<WeatherFile>,
) -> Answer<Json<WeatherRead>> {
    let now = app.clock.now();
    let zone = time_zone(&signed.barn)?;
    let hours = read(&file.text, &zone, now).map_err(Problem::field)?;
    let (Some(first), Some(last)) = (hours.first(), hours.last()) else {
        return Err(Problem::field(FieldError::new("/text", "holds no hour")));
    };
    let read = WeatherRead {
        hours: hours.len(),
        from: first.at,
        to: last.at,
    };
    let mut barn = signed.write().await?;
    weather::put(&mut barn, &hours, now).await?;
    barn.commit().await?;
    Ok(Json(read))
}

/// Reads hours from rows or a calendar, earliest first.
///
/// # Errors
/// What does not fit, at `/text`.
pub fn read(text: &str, zone: &TimeZone, now: Timestamp) -> Result<Vec<WeatherHour>, FieldError> {
    let is_calendar = text
        .trim_start_matches('\u{FEFF}')
        .trim_start()
        .starts_with("BEGIN:VCALENDAR");
    let mut hours = if is_calendar {
        of_calendar(text, zone, now)?
    } else {
        let rows = read_csv(text)?;
        let to_hour = |row: &Forecast| hour_of(row, zone);
        rows.iter().map(to_hour).collect::<Result<_, _>>()?
    };
    hours.sort_by_key(|hour: &WeatherHour| hour.at);
    hours.dedup_by_key(|hour| hour.at);
    Ok(hours)
}

fn hour_of(row: &Forecast, zone: &TimeZone) -> Result<WeatherHour, FieldError> {
    let at = match row.at {
        At::Moment(at) => at,
        At::Clock(clock) => zone
            .to_ambiguous_timestamp(clock)
            .compatible()
            .map_err(|_| FieldError::new("/text", format!("there is no time {clock}")))?,
    };
    Ok(WeatherHour {
        at: full_hour(at),
        temperature_f: row.temperature_f,
        humidity_pct: row.humidity_pct,
    })
}

/// The begin of the quarter hour: an hour of the barn may begin between hours of UTC.
fn full_hour(at: Timestamp) -> Timestamp {
    let seconds = at.as_second();
    Timestamp::from_second(seconds - seconds.rem_euclid(900)).unwrap_or(at)
}

/// Every hour of the events that say how hot it is.
fn of_calendar(
    text: &str,
    zone: &TimeZone,
    now: Timestamp,
) -> Result<Vec<WeatherHour>, FieldError> {
    let day = SignedDuration::from_hours(24);
    let events = ics::read(text, zone, now - day, now + day * 40)?;
    let mut hours = Vec::new();
    for event in events {
        let Some((temperature_f, humidity_pct)) = read_words(&event.summary) else {
            continue;
        };
        let said = Forecast {
            at: At::Moment(event.from),
            temperature_f,
            humidity_pct,
        };
        said.check().map_err(|error| {
            FieldError::new("/text", format!("\"{}\": {}", event.summary, error.detail))
        })?;
        let mut at = full_hour(event.from);
        while at < event.to || at == event.from {
            hours.push(hour_of(
                &Forecast {
                    at: At::Moment(at),
                    ..said
                },
                zone,
            )?);
            FORECAST_HOURS.check_count("/text", hours.len())?;
            at += SignedDuration::from_hours(1);
        }
    }
    if hours.is_empty() {
        return Err(FieldError::new(
            "/text",
            "holds no event that says temperature and humidity, such as \"88 F, 60%\"",
        ));
    }
    Ok(hours)
}

/// The heat of a day by the hour.
///
/// # Errors
/// When the query fails.
pub async fn of_day(
    barn: &mut BarnTransaction,
    signed: &Signed,
    day: Date,
) -> Answer<Vec<HeatHour>> {
    let (from, to) = (signed.at(day, 0), signed.at(day.saturating_add(1.day()), 0));
    let hours = weather::between(barn, from, to).await?;
    let mut found: Vec<HeatHour> = hours
        .into_iter()
        .map(|hour| HeatHour {
            from_min: signed.minutes_of(day, hour.at),
            temperature_f: hour.temperature_f,
            humidity_pct: hour.humidity_pct,
        })
        .collect();
    // Where the clock is set back an hour comes twice: the later one of the two stands.
    found.dedup_by(|later, earlier| {
        let same = later.from_min == earlier.from_min;
        if same {
            *earlier = *later;
        }
        same
    });
    Ok(found)
}

/// The hour of a day in which a minute lies.
pub fn at_minute(hours: &[HeatHour], minute: u16) -> Option<&HeatHour> {
    hours
        .iter()
        .find(|hour| hour.touches(minute, minute.saturating_add(1)))
}

/// Asks the weather service for every barn, now and then, as long as the server runs.
pub async fn keep_asking(app: App, service: String) {
    let mut every = tokio::time::interval(ASKED_EVERY);
    loop {
        every.tick().await;
        if let Err(why) = ask_for_all(&app, &service).await {
            tracing::warn!(%why, "no weather");
        }
    }
}

async fn ask_for_all(app: &App, service: &str) -> Result<(), String> {
    let http = reqwest::Client::builder()
        .timeout(MOST_WAIT)
        .build()
        .map_err(|error| error.to_string())?;
    let barns = barns::list(&app.pool)
        .await
        .map_err(|error| error.to_string())?;
    for one in barns {
        // What goes wrong for one barn is nothing to the others.
        if let Err(why) = ask_for(app, &http, service, &one).await {
            tracing::warn!(%why, barn_id = %one.barn_id, "no weather");
        }
    }
    Ok(())
}

async fn ask_for(
    app: &App,
    http: &reqwest::Client,
    service: &str,
    one: &Barn,
) -> Result<(), String> {
    let told = |error: &dyn std::fmt::Display| error.to_string();
    let mut barn = BarnTransaction::begin(&app.pool, one.barn_id)
        .await
        .map_err(|error| told(&error))?;
    let plugged_in = device::is_plugged_in(&mut barn, Device::Weather).await;
    drop(barn);
    if !plugged_in.map_err(|error| told(&error))? {
        return Ok(());
    }
    let now = app.clock.now();
    let address = format!(
        "{}/weather.csv?place={}&from={}&hours={HOURS}",
        service.trim_end_matches('/'),
        one.barn_id,
        // The day as a whole, wherever it begins.
        (now - SignedDuration::from_hours(24)).strftime("%Y-%m-%dT%H:00:00Z")
    );
    let answer = http.get(&address).send().await;
    let answer = answer
        .and_then(reqwest::Response::error_for_status)
        .map_err(|error| told(&error))?;
    let text = answer.text().await.map_err(|error| told(&error))?;
    if text.len() > MOST_BYTES {
        return Err(format!("the weather service answered {} bytes", text.len()));
    }
    let Ok(zone) = time_zone(one) else {
        return Ok(());
    };
    let hours = read(&text, &zone, now).map_err(|error| told(&error))?;
    let keep = async {
        let mut barn = BarnTransaction::begin(&app.pool, one.barn_id).await?;
        weather::put(&mut barn, &hours, now).await?;
        barn.commit().await
    };
    keep.await.map_err(|error| told(&error))
}
