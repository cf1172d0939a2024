//! What the benches of the server share: a request timed, and a line of their table.

use std::time::{Duration, Instant};

use crate::barn::Visitor;

/// From sending the request to having read the whole answer.
pub async fn timed(device: &Visitor, path: &str) -> Duration {
    let began = Instant::now();
    let answer = device.get(path).await;
    assert!(answer.status().is_success(), "{path}");
    assert!(!answer.bytes().await.expect("a body").is_empty());
    began.elapsed()
}

/// A line of the table.
pub fn say(case: &str, mut times: Vec<Duration>) {
    times.sort_unstable();
    let at = |share: f64| times[((times.len() as f64 - 1.0) * share).round() as usize];
    let millis = |time: Duration| time.as_secs_f64() * 1000.0;
    println!(
        "| {case} | {} | {:.1} ms | {:.1} ms |",
        times.len(),
        millis(at(0.5)),
        millis(at(0.95))
    );
}
