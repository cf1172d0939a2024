//! Between a flag and the barn: what somebody orders on a screen goes to the flag, and where the
//! flag is goes to the barn.

use std::time::Duration;

use cavesson_core::device::flag::{FlagAt, FlagLine, FlagOrder};
use serde::Deserialize;
use serde_json::json;
use tokio::io::{AsyncBufReadExt, AsyncWriteExt, BufReader};
use tokio::net::TcpStream;
use tokio::time::{Instant, MissedTickBehavior, timeout};

use crate::{Client, ClientError};

/// What happened, for whoever looks on.
#[derive(Debug)]
pub enum Happened {
    /// The flag is there, and can go so far.
    Ready(f64),
    /// It is not; tried again.
    Lost(std::io::Error),
    /// A line that is none.
    BadLine(String),
    /// The flag is told this.
    Told(FlagOrder),
    /// An order that cannot be.
    BadOrder(String),
    /// The barn does not answer: the flag is stopped.
    NoAnswer,
    /// The barn refuses, and why, such as a session that ended: the flag is stopped.
    Refused(String),
}

/// How often what failed is tried again.
const AGAIN: Duration = Duration::from_secs(2);
/// How often the barn is told where the flag is, and asked what it is to do.
const EVERY: Duration = Duration::from_millis(100);
/// So long without an answer and the flag is stopped: nobody can stop it from a screen.
const ALONE: Duration = Duration::from_secs(2);

/// What the barn answers.
#[derive(Debug, Deserialize)]
struct Orders {
    orders: Vec<FlagOrder>,
}

/// Carries between the flag at `address` and the barn until the task is dropped.
pub async fn carry(client: &Client, address: &str, name: &str, mut told: impl FnMut(Happened)) {
    loop {
        let lost = match TcpStream::connect(address).await {
            Ok(stream) => attend(client, stream, name, &mut told).await,
            Err(why) => why,
        };
        told(Happened::Lost(lost));
        tokio::time::sleep(AGAIN).await;
    }
}

/// Carries until the connection ends, and says why it did.
async fn attend(
    client: &Client,
    stream: TcpStream,
    name: &str,
    told: &mut impl FnMut(Happened),
) -> std::io::Error {
    let (heard, mut said) = stream.into_split();
    let mut lines = BufReader::new(heard).lines();
    let mut width_ft = None;
    let mut last: Option<FlagAt> = None;
    let mut every = tokio::time::interval(EVERY);
    every.set_missed_tick_behavior(MissedTickBehavior::Delay);
    let mut answered = Instant::now();
    loop {
        tokio::select! {
            line = lines.next_line() => match line {
                Ok(Some(line)) => match FlagLine::read(&line) {
                    Ok(FlagLine::Flag(feet)) => {
                        width_ft = Some(feet);
                        told(Happened::Ready(feet));
                    }
                    Ok(FlagLine::At(at)) => last = Some(at),
                    Err(why) => told(Happened::BadLine(why.to_string())),
                },
                Ok(None) => return std::io::ErrorKind::UnexpectedEof.into(),
                Err(why) => return why,
            },
            _ = every.tick() => {
                let (Some(width_ft), Some(at)) = (width_ft, last) else { continue };
                let body = json!({"name": name, "width_ft": width_ft, "at": at});
                let asked = client.post_for::<Orders>("/api/flag/heard", &body);
                let orders = match timeout(ALONE / 2, asked).await {
                    Ok(Ok(answer)) => {
                        answered = Instant::now();
                        answer.orders
                    }
                    // A refusal is no answer either: nobody can stop it from a screen.
                    _ if answered.elapsed() < ALONE => continue,
                    said => {
                        told(match said {
                            Ok(Err(ClientError::Refused { detail, .. })) => Happened::Refused(detail),
                            _ => Happened::NoAnswer,
                        });
                        answered = Instant::now();
                        vec![FlagOrder::Stop]
                    }
                };
                for order in orders {
                    match order.lines() {
                        Ok(lines) => {
                            let text: String = lines.iter().map(|line| format!("{line}\n")).collect();
                            if let Err(why) = said.write_all(text.as_bytes()).await {
                                return why;
                            }
                            told(Happened::Told(order));
                        }
                        Err(why) => told(Happened::BadOrder(why.to_string())),
                    }
                }
            }
        }
    }
}
