//! Carries the times of timing eyes to the barn: hears their lines over TCP, makes runs of them,
//! and sends each until the barn has it.

use std::collections::VecDeque;
use std::time::Duration;

use cavesson_core::device::timer::{EyeFault, EyeLine, EyeRun, EyeSaid, Eyes};
use jiff::Timestamp;
use serde_json::json;
use tokio::io::{AsyncBufReadExt, BufReader};
use tokio::net::TcpStream;
use uuid::Uuid;

use crate::{Client, ClientError};

/// What happened, for whoever looks on.
#[derive(Debug)]
pub enum Heard {
    /// The eyes see each other and wait.
    Ready,
    /// They are not; tried again.
    Lost(std::io::Error),
    /// A line that is none.
    BadLine(String),
    /// A run is under way.
    UnderWay,
    /// Something went wrong at the eyes.
    Fault(EyeFault),
    /// A run was timed.
    Timed(EyeRun),
    /// The barn has the time.
    Kept(f64),
    /// The barn could not be reached; tried again.
    NoAnswer,
    /// The barn did not take the time, and why: it has to be typed.
    Refused(f64, String),
}

/// How often what failed is tried again.
const AGAIN: Duration = Duration::from_secs(2);
/// The longest line of the eyes, in bytes.
const LINE: usize = 200;

/// A time on its way.
struct Waiting {
    timed_id: Uuid,
    at: Timestamp,
    run: EyeRun,
}

/// Carries times from the eyes at `address` until the task is dropped.
pub async fn carry(client: &Client, address: &str, name: &str, mut told: impl FnMut(Heard)) {
    let mut eyes = Eyes::default();
    let mut waiting: VecDeque<Waiting> = VecDeque::new();
    loop {
        match TcpStream::connect(address).await {
            Ok(stream) => {
                let why = listen(client, stream, name, &mut eyes, &mut waiting, &mut told).await;
                told(Heard::Lost(why));
            }
            Err(why) => told(Heard::Lost(why)),
        }
        send(client, name, &mut waiting, &mut told).await;
        tokio::time::sleep(AGAIN).await;
    }
}

/// Hears lines until the connection ends, and says why it did.
async fn listen(
    client: &Client,
    stream: TcpStream,
    name: &str,
    eyes: &mut Eyes,
    waiting: &mut VecDeque<Waiting>,
    told: &mut impl FnMut(Heard),
) -> std::io::Error {
    let mut lines = BufReader::new(stream).lines();
    let mut again = tokio::time::interval(AGAIN);
    loop {
        tokio::select! {
            line = lines.next_line() => match line {
                Ok(Some(line)) => {
                    if let Some(run) = hear(&line, eyes, told) {
                        waiting.push_back(Waiting { timed_id: Uuid::now_v7(), at: Timestamp::now(), run });
                        send(client, name, waiting, told).await;
                    }
                }
                Ok(None) => return std::io::ErrorKind::UnexpectedEof.into(),
                Err(why) => return why,
            },
            _ = again.tick() => send(client, name, waiting, told).await,
        }
    }
}

/// What a line leads to; a run when it ends one.
fn hear(line: &str, eyes: &mut Eyes, told: &mut impl FnMut(Heard)) -> Option<EyeRun> {
    let read = match EyeLine::read(line.get(..LINE).unwrap_or(line)) {
        Ok(read) => read,
        Err(why) => {
            told(Heard::BadLine(why.to_string()));
            return None;
        }
    };
    match eyes.take(read) {
        EyeSaid::Nothing => told(Heard::Ready),
        EyeSaid::UnderWay => told(Heard::UnderWay),
        EyeSaid::Fault(fault) => told(Heard::Fault(fault)),
        EyeSaid::Timed(run) => {
            told(Heard::Timed(run.clone()));
            return Some(run);
        }
    }
    None
}

/// Sends what waits, first to last; stops at the first that the barn does not answer.
async fn send(
    client: &Client,
    name: &str,
    waiting: &mut VecDeque<Waiting>,
    told: &mut impl FnMut(Heard),
) {
    while let Some(next) = waiting.front() {
        let time_s = next.run.time_s;
        let body = json!({
            "eyes": name, "at": next.at, "time_s": time_s, "faults": next.run.faults
        });
        let path = format!("/api/timed-runs/{}", next.timed_id);
        match client.put(&path, &body).await {
            Ok(()) => told(Heard::Kept(time_s)),
            Err(ClientError::NoAnswer(_)) => return told(Heard::NoAnswer),
            // The barn is busy or starting: the time waits.
            Err(ClientError::Refused { status, .. }) if status >= 500 || status == 429 => {
                return told(Heard::NoAnswer);
            }
            Err(ClientError::Refused { detail, .. }) => told(Heard::Refused(time_s, detail)),
        }
        waiting.pop_front();
    }
}
