//! `cavesson bench cattle`: which cow for which horse, and a step of the cow.

use anyhow::Context;
use cavesson_core::calc::find;
use cavesson_core::cattle::cow_model::{CowLevel, CowRound, begin, step};
use cavesson_core::ground::point::at;
use serde_json::{Value, json};
use uuid::Uuid;

use super::quickest;

/// What `bench cattle` is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// Runs; the quickest counts
    #[arg(long, default_value_t = 5)]
    runs: usize,
}

/// Measures.
pub fn run(arguments: &Arguments) -> anyhow::Result<()> {
    let matching = find("match-cattle").context("the calculator that matches")?;
    for works in [1, 2] {
        let input = day(works);
        let mut found = Value::Null;
        let took = quickest(arguments.runs, || {
            found = (matching.run)(input.clone()).unwrap_or_else(|error| json!(error.to_string()));
        });
        println!(
            "40 horses of {works} works and 60 cattle: {:.1} ms, {} pairs, cost {}",
            took.as_secs_f64() * 1_000.0,
            found["pairs"].as_array().map_or(0, Vec::len),
            found["cost"]
        );
    }
    let round = CowRound {
        seed: 26,
        level: CowLevel::Hard,
        stale: false,
    };
    let minute = quickest(arguments.runs, || {
        let mut state = begin(&round);
        for index in 0..3_600_u32 {
            step(&round, &mut state, at(f64::from(index % 3) - 1.0, 0.25));
        }
        std::hint::black_box(state);
    });
    println!(
        "a step of the cow: {:.5} ms",
        minute.as_secs_f64() * 1_000.0 / 3_600.0
    );
    Ok(())
}

/// Horses and cattle of all kinds, from their numbers.
fn day(works: u32) -> Value {
    let tempo = |n: u128| ["slow", "medium", "quick"][(n % 3) as usize];
    let horse = |n: u128| {
        json!({"horse_id": Uuid::from_u128(n + 1), "tempo": tempo(n * 7 / 3), "first": n.is_multiple_of(11),
            "corrected": n.is_multiple_of(5), "works": works})
    };
    let cow = |n: u128| {
        json!({"cow_id": Uuid::from_u128(1_000 + n), "tempo": tempo(n), "honesty": 0.45 + 0.009 * n as f64,
            "wild": n.is_multiple_of(9), "sorted_off": n.is_multiple_of(23), "works_left": 2, "worked": n % 8})
    };
    json!({
        "horses": (0..40).map(horse).collect::<Vec<Value>>(),
        "cattle": (0..60).map(cow).collect::<Vec<Value>>(),
    })
}
