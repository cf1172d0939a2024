//! Roads of simulated horses: how often the ranges hold, whether the chances are right, how
//! long they take.

use std::time::Instant;

use cavesson_core::bench::road::{WORLDS, run as ask};
use cavesson_core::ladder::Ladder;
use cavesson_core::road::{GoalAsked, HorseFactor, RoadAsked, road};
use jiff::ToSpan;
use jiff::civil::date;

/// What it is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// Horses of each world
    #[arg(long, default_value_t = 600)]
    horses: u64,
    /// Futures of each question
    #[arg(long, default_value_t = 500)]
    futures: u32,
}

/// Asks in every world and prints the table.
pub fn run(arguments: &Arguments) -> anyhow::Result<()> {
    println!(
        "| world | asked | 80% ranges that held | sooner | later | chance and what came, by tenths |"
    );
    println!("|---|---:|---:|---:|---:|---|");
    for world in &WORLDS {
        let told = ask(world, arguments.horses, arguments.futures);
        let tenths: Vec<String> = told
            .tenths
            .iter()
            .filter(|(many, ..)| *many >= 10)
            .map(|(_, chance, came)| format!("{:.0}:{:.0}", 100.0 * chance, 100.0 * came))
            .collect();
        println!(
            "| {} | {} | {:.1}% | {:.1}% | {:.1}% | {} |",
            told.world,
            told.asked,
            100.0 * told.held,
            100.0 * told.sooner,
            100.0 * told.later,
            tenths.join(", ")
        );
    }
    println!(
        "\n{:.0} ms for 2,000 futures of one horse over 26 weeks and its whole ladder",
        whole_ladder()
    );
    Ok(())
}

/// Milliseconds, the best of five.
fn whole_ladder() -> f64 {
    let ladder = Ladder::shipped();
    let today = date(2026, 6, 1);
    let goal = |levels: &[cavesson_core::ladder::LadderLevel]| GoalAsked {
        name: "All of it".into(),
        day: today.saturating_add(26.weeks()),
        levels: levels.iter().map(|level| level.level.clone()).collect(),
    };
    let asked = RoadAsked {
        today,
        levels: Vec::new(),
        goals: ladder.levels.chunks(60).map(goal).collect(),
        rides_a_week: 5.0,
        kept: 0.9,
        blocks_a_ride: 3,
        days_off: Vec::new(),
        pace: Vec::new(),
        horse: HorseFactor::default(),
        first: None,
        seed: 1,
        futures: 2000,
    };
    (0..5)
        .map(|_| {
            let began = Instant::now();
            let told = road(ladder, &asked);
            assert!(!told.goals.is_empty());
            1000.0 * began.elapsed().as_secs_f64()
        })
        .fold(f64::INFINITY, f64::min)
}
