//! A simulated pair of timing eyes. Whoever connects over TCP hears every line from then on;
//! runs are made over HTTP.
//!
//! A line is `<number> <event> <milliseconds> <sum>`, as the product's reader documents it. It is
//! written here once more, by itself: reader and device are to agree without sharing code.

use std::sync::{Arc, Mutex};
use std::time::Duration;

use axum::Router;
use axum::extract::{Query, State};
use axum::http::StatusCode;
use axum::response::{IntoResponse, Response};
use axum::routing::post;
use serde::Deserialize;
use tokio::io::AsyncWriteExt;
use tokio::net::{TcpListener, TcpStream};
use tokio::sync::broadcast;

use crate::faults::Faults;

/// The pair.
#[derive(Debug, Clone)]
pub struct Eyes {
    clock: Arc<Mutex<Clock>>,
    faults: Faults,
    lines: broadcast::Sender<String>,
}

/// The eyes' own clock, and the number of the last line.
#[derive(Debug, Default)]
struct Clock {
    ms: u64,
    number: u32,
}

/// What can be made to go wrong in a run.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Fault {
    /// The horse breaks the beam twice coming home.
    DoubleTrigger,
    /// The line of the start never goes out.
    MissingStart,
    /// The line of the finish never goes out.
    MissingFinish,
    /// The line of the finish comes through broken.
    BrokenLine,
    /// A dog runs through two seconds after the start.
    Dog,
}

/// A run to make.
#[derive(Debug, Clone, Copy, Deserialize)]
pub struct Run {
    /// From line to line.
    pub seconds: f64,
    /// What goes wrong.
    pub fault: Option<Fault>,
    /// Take as long as the run does; otherwise the eyes' own clock jumps ahead.
    #[serde(default)]
    pub live: bool,
}

/// Lines that wait for a slow listener.
const WAITING: usize = 256;

impl Default for Eyes {
    fn default() -> Eyes {
        Eyes {
            clock: Arc::default(),
            faults: Faults::default(),
            lines: broadcast::channel(WAITING).0,
        }
    }
}

impl Eyes {
    /// The same with which this goes wrong.
    pub fn faulty(self, faults: Faults) -> Eyes {
        Eyes { faults, ..self }
    }

    /// Makes a run; the lines that went out.
    ///
    /// # Errors
    /// A time that is none of 0.1 to 1800 s.
    pub async fn run(&self, run: Run) -> Result<Vec<String>, String> {
        if !(0.1..=1800.0).contains(&run.seconds) {
            return Err(format!(
                "seconds must be 0.1 to 1800, found {}",
                run.seconds
            ));
        }
        let took_ms = (run.seconds * 1000.0).round() as u64;
        let mut said = vec![self.seen("start", 60_000, run.fault != Some(Fault::MissingStart))];
        let mut left_ms = took_ms;
        if run.fault == Some(Fault::Dog) {
            let dog_ms = took_ms.min(2_000);
            self.wait(run.live, dog_ms).await;
            said.push(self.seen("finish", dog_ms, true));
            left_ms -= dog_ms;
        }
        self.wait(run.live, left_ms).await;
        if run.fault == Some(Fault::BrokenLine) {
            let line = self.seen("finish", left_ms, false);
            let broken = line.replace("finish", "fin?sh");
            // Nobody listening is no fault.
            let _ = self.lines.send(broken.clone());
            said.push(broken);
        } else {
            said.push(self.seen("finish", left_ms, run.fault != Some(Fault::MissingFinish)));
        }
        if run.fault == Some(Fault::DoubleTrigger) {
            said.push(self.seen("finish", 180, true));
        }
        Ok(said)
    }

    async fn wait(&self, live: bool, ms: u64) {
        if live {
            tokio::time::sleep(Duration::from_millis(ms)).await;
        }
    }

    /// Something is seen so long after what was seen before.
    fn seen(&self, event: &str, after_ms: u64, goes_out: bool) -> String {
        let mut clock = self.clock.lock().unwrap_or_else(|held| held.into_inner());
        clock.ms += self.faults.drifted(after_ms as f64).round() as u64;
        clock.number += 1;
        let line = written(clock.number, event, clock.ms);
        if let Some(through) = goes_out.then(|| self.faults.pass(line.clone())).flatten() {
            // Nobody listening is no fault.
            let _ = self.lines.send(through);
        }
        line
    }

    /// Says every line to whoever connects, until the task is dropped.
    ///
    /// # Errors
    /// When the listener fails.
    pub async fn serve(self, listener: TcpListener) -> std::io::Result<()> {
        loop {
            let (stream, _) = listener.accept().await?;
            let lines = self.lines.subscribe();
            let ready = self.seen_quietly();
            tokio::spawn(tell(stream, ready, lines));
        }
    }

    /// That the eyes wait, under the number of the last line.
    fn seen_quietly(&self) -> String {
        let clock = self.clock.lock().unwrap_or_else(|held| held.into_inner());
        written(clock.number, "ready", clock.ms)
    }

    /// `POST /eyes/runs?seconds=17.4`: makes a run and answers the lines that went out.
    pub fn routes(self) -> Router {
        Router::new()
            .route("/eyes/runs", post(make_run))
            .with_state(self)
    }
}

fn written(number: u32, event: &str, ms: u64) -> String {
    let text = format!("{number} {event} {ms}");
    let sum: u32 = text.bytes().map(u32::from).sum();
    format!("{text} {:02x}", sum % 256)
}

async fn tell(mut stream: TcpStream, ready: String, mut lines: broadcast::Receiver<String>) {
    let mut next = ready;
    loop {
        if stream
            .write_all(format!("{next}\n").as_bytes())
            .await
            .is_err()
        {
            return;
        }
        next = loop {
            match lines.recv().await {
                Ok(line) => break line,
                // Lines that a slow listener missed are missing; their numbers tell.
                Err(broadcast::error::RecvError::Lagged(_)) => {}
                Err(broadcast::error::RecvError::Closed) => return,
            }
        };
    }
}

async fn make_run(State(eyes): State<Eyes>, Query(run): Query<Run>) -> Response {
    match eyes.run(run).await {
        Ok(lines) => format!("{}\n", lines.join("\n")).into_response(),
        Err(why) => (StatusCode::UNPROCESSABLE_ENTITY, why).into_response(),
    }
}
