//! A simulated rein gauge: fifty readings a second of both reins over a WebSocket.
//!
//! A frame is one line, `<number> <milliseconds> <left> <right> <sum>`, the pulls in newtons, as
//! the product's reader documents it. It is written here once more, by itself: reader and device
//! are to agree without sharing code.

use std::sync::{Arc, Mutex};
use std::time::Duration;

use axum::Router;
use axum::extract::ws::{Message, WebSocket, WebSocketUpgrade};
use axum::extract::{Query, State};
use axum::http::StatusCode;
use axum::response::{IntoResponse, Response};
use axum::routing::{any, post};
use serde::Deserialize;
use tokio::sync::watch;

use crate::faults::Faults;

/// Readings a second.
const RATE: u64 = 50;
/// What the hands carry, in newtons.
const CARRIED_N: f64 = 3.0;
/// Noise of a reading: its standard deviation, in newtons.
const NOISE_N: f64 = 0.2;
/// How long an ask rises and falls.
const RISES_MS: f64 = 250.0;
const FALLS_MS: f64 = 120.0;

/// The gauge.
#[derive(Debug, Clone)]
pub struct Gauge {
    held: Arc<Mutex<Held>>,
    faults: Faults,
    /// It is plugged in; every connection ends when it is pulled out, and none is taken.
    plugged_in: watch::Sender<bool>,
}

#[derive(Debug, Default)]
struct Held {
    number: u32,
    ms: f64,
    asks: Vec<(Ask, f64)>,
}

/// A rein.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Rein {
    /// The left one.
    Left,
    /// The right one.
    Right,
    /// Both.
    Both,
}

/// An ask to make.
#[derive(Debug, Clone, Copy, PartialEq, Deserialize)]
pub struct Ask {
    /// Which rein.
    pub rein: Rein,
    /// How much above what the hand carries.
    pub newtons: f64,
    /// From the onset to the release.
    pub seconds: f64,
}

impl Ask {
    /// The pull of one rein, so long after its onset.
    fn pull(&self, after_ms: f64) -> f64 {
        let ramp = |part: f64| (1.0 - (std::f64::consts::PI * part.clamp(0.0, 1.0)).cos()) / 2.0;
        let release = self.seconds * 1_000.0 - FALLS_MS / 2.0;
        self.newtons * (ramp(after_ms / RISES_MS) - ramp((after_ms - release) / FALLS_MS))
    }
}

impl Gauge {
    /// A gauge with which this goes wrong.
    pub fn new(faults: Faults) -> Gauge {
        Gauge {
            held: Arc::default(),
            faults,
            plugged_in: watch::channel(true).0,
        }
    }

    fn with<T>(&self, what: impl FnOnce(&mut Held) -> T) -> T {
        what(&mut self.held.lock().unwrap_or_else(|held| held.into_inner()))
    }

    /// `/gauge` streams; `POST /gauge/asks?rein=left&newtons=8&seconds=1.2` makes an ask;
    /// `POST /gauge/pull-out` ends every connection, `POST /gauge/plug-in` takes them again.
    pub fn routes(self) -> Router {
        Router::new()
            .route("/gauge", any(stream))
            .route("/gauge/asks", post(ask))
            .route("/gauge/pull-out", post(pull_out))
            .route("/gauge/plug-in", post(plug_in))
            .with_state(self)
    }

    /// Makes an ask, which begins with the next reading.
    pub fn ask(&self, ask: Ask) {
        self.with(|held| {
            let now = held.ms;
            held.asks.push((ask, now));
        });
    }

    /// The next line; none for a reading that never arrives.
    pub fn next(&self) -> Option<String> {
        let pulled = self.with(|held| {
            held.number = held.number.wrapping_add(1);
            held.ms += 1_000.0 / RATE as f64;
            let now = held.ms;
            held.asks
                .retain(|(ask, onset)| now - onset < ask.seconds * 1_000.0 + FALLS_MS);
            let pull = |rein: Rein| -> f64 {
                let own = held.asks.iter();
                own.filter(|(ask, _)| ask.rein == rein || ask.rein == Rein::Both)
                    .map(|(ask, onset)| ask.pull(now - onset))
                    .sum()
            };
            (held.number, now, pull(Rein::Left), pull(Rein::Right))
        });
        let (number, ms, left, right) = pulled;
        let reading = |newtons: f64| CARRIED_N + newtons + self.faults.noise(NOISE_N);
        let (left, right) = (reading(left), reading(right));
        let ms = self.faults.drifted(ms);
        let line = summed(&format!("{number} {ms:.0} {left:.2} {right:.2}"));
        self.faults.pass(line)
    }
}

fn summed(text: &str) -> String {
    let sum: u32 = text.bytes().map(u32::from).sum();
    format!("{text} {:02x}", sum % 256)
}

async fn stream(State(gauge): State<Gauge>, upgrade: WebSocketUpgrade) -> Response {
    if !*gauge.plugged_in.borrow() {
        return (StatusCode::SERVICE_UNAVAILABLE, "the gauge is pulled out").into_response();
    }
    upgrade.on_upgrade(move |socket| tell(gauge, socket))
}

async fn tell(gauge: Gauge, mut socket: WebSocket) {
    let mut plugged_in = gauge.plugged_in.subscribe();
    let mut tick = tokio::time::interval(Duration::from_millis(1_000 / RATE));
    loop {
        tokio::select! {
            () = async { drop(plugged_in.wait_for(|is| !is).await) } => return,
            heard = socket.recv() => if !matches!(heard, Some(Ok(_))) { return },
            _ = tick.tick() => {
                let Some(line) = gauge.next() else { continue };
                if socket.send(Message::Text(line.into())).await.is_err() {
                    return;
                }
            }
        }
    }
}

async fn ask(State(gauge): State<Gauge>, Query(ask): Query<Ask>) -> Response {
    if !(0.5..=100.0).contains(&ask.newtons) || !(0.2..=30.0).contains(&ask.seconds) {
        let why = "newtons must be 0.5 to 100, seconds 0.2 to 30";
        return (StatusCode::UNPROCESSABLE_ENTITY, why).into_response();
    }
    gauge.ask(ask);
    StatusCode::NO_CONTENT.into_response()
}

async fn pull_out(State(gauge): State<Gauge>) -> StatusCode {
    gauge.plugged_in.send_replace(false);
    StatusCode::NO_CONTENT
}

async fn plug_in(State(gauge): State<Gauge>) -> StatusCode {
    gauge.plugged_in.send_replace(true);
    StatusCode::NO_CONTENT
}
