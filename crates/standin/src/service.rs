//! The weather service: rows or a calendar of the coming hours.

use std::net::SocketAddr;

use axum::Router;
use axum::extract::{Query, State};
use axum::http::{StatusCode, header};
use axum::response::{IntoResponse, Response};
use axum::routing::get;
use icalendar::{Calendar, Component, Event, Property};
use jiff::{SignedDuration, Timestamp};
use serde::Deserialize;
use tokio::net::TcpListener;

use crate::climate::{Climate, Hour};
use crate::faults::Faults;

/// Most hours of one answer.
const MOST_HOURS: u32 = 240;

/// What the service makes its weather from.
#[derive(Debug, Clone)]
pub struct Weather {
    /// The seed of every climate.
    pub seed: u64,
    /// Degrees Fahrenheit added to every temperature.
    pub warmer_f: f64,
    /// What goes wrong: the share of answers that never come.
    pub faults: Faults,
}

/// What is asked for.
#[derive(Deserialize)]
struct Asked {
    /// Whatever tells places apart.
    #[serde(default)]
    place: String,
    from: Timestamp,
    hours: u32,
}

/// The routes.
pub fn routes(weather: Weather) -> Router {
    Router::new()
        .route("/weather.csv", get(csv))
        .route("/weather.ics", get(ics))
        .with_state(weather)
}

/// Serves on `listener` until the task is dropped.
///
/// # Errors
/// When the listener fails.
pub async fn serve(weather: Weather, listener: TcpListener) -> std::io::Result<()> {
    axum::serve(listener, routes(weather)).await
}

/// Listens on a loopback address; no other is taken.
///
/// # Errors
/// An address that is not loopback, or one that is taken.
pub async fn listen(address: SocketAddr) -> std::io::Result<TcpListener> {
    if !address.ip().is_loopback() {
        return Err(std::io::Error::other("a stand-in listens on loopback only"));
    }
    TcpListener::bind(address).await
}

fn hours(weather: &Weather, asked: &Asked) -> Result<Vec<Hour>, String> {
    if !(1..=MOST_HOURS).contains(&asked.hours) {
        return Err(format!(
            "hours must be 1 to {MOST_HOURS}, found {}",
            asked.hours
        ));
    }
    let climate = Climate::of(weather.seed, &asked.place, weather.warmer_f);
    let at = |hour: u32| asked.from + SignedDuration::from_hours(i64::from(hour));
    Ok((0..asked.hours)
        .map(|hour| climate.hour(at(hour)))
        .collect())
}

async fn csv(State(weather): State<Weather>, Query(asked): Query<Asked>) -> Response {
    if weather.faults.drops() {
        return StatusCode::SERVICE_UNAVAILABLE.into_response();
    }
    let hours = match hours(&weather, &asked) {
        Ok(hours) => hours,
        Err(why) => return (StatusCode::UNPROCESSABLE_ENTITY, why).into_response(),
    };
    let mut text = String::from("time,temperature_f,humidity_pct\n");
    for hour in hours {
        text.push_str(&format!(
            "{},{},{}\n",
            hour.at, hour.temperature_f, hour.humidity_pct
        ));
    }
    ([(header::CONTENT_TYPE, "text/csv; charset=utf-8")], text).into_response()
}

async fn ics(State(weather): State<Weather>, Query(asked): Query<Asked>) -> Response {
    if weather.faults.drops() {
        return StatusCode::SERVICE_UNAVAILABLE.into_response();
    }
    let hours = match hours(&weather, &asked) {
        Ok(hours) => hours,
        Err(why) => return (StatusCode::UNPROCESSABLE_ENTITY, why).into_response(),
    };
    let utc = |at: Timestamp| at.strftime("%Y%m%dT%H%M%SZ").to_string();
    let mut calendar = Calendar::new();
    for hour in hours {
        let words = format!("{} F, {}%", hour.temperature_f, hour.humidity_pct);
        let ends = hour.at + SignedDuration::from_hours(1);
        calendar.push(
            Event::new()
                .uid(&format!("{}@standin", hour.at.as_second()))
                .summary(&words)
                .append_property(Property::new("DTSTAMP", utc(asked.from)))
                .append_property(Property::new("DTSTART", utc(hour.at)))
                .append_property(Property::new("DTEND", utc(ends)))
                .done(),
        );
    }
    let kind = "text/calendar; charset=utf-8";
    ([(header::CONTENT_TYPE, kind)], calendar.to_string()).into_response()
}
