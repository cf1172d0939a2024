//! `cavesson bench intake`: prints the table and writes it into docs/intake.md.

use std::path::PathBuf;

use anyhow::ensure;
use cavesson_core::bench::intake::{IntakeHorse, IntakeResult, World, broken_order, intake};
use cavesson_core::intake::belief::Effort;
use cavesson_core::ladder::Ladder;

/// What `bench intake` is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// Horses of each world
    #[arg(long, default_value_t = 60)]
    horses: u64,
    /// Seed of the first horse
    #[arg(long, default_value_t = 100_000)]
    first_seed: u64,
    /// Horses whose order of safety is looked at, and nothing else
    #[arg(long, default_value_t = 0)]
    order_horses: u64,
    /// Document to write the table into
    #[arg(long, default_value = "docs/intake.md")]
    write: PathBuf,
    /// Print only
    #[arg(long)]
    no_write: bool,
}

/// Runs the bench.
pub fn run(arguments: &Arguments) -> anyhow::Result<()> {
    if arguments.order_horses > 0 {
        return order(arguments.order_horses, arguments.first_seed);
    }
    let mut results = Vec::new();
    for world in World::ALL {
        let result = IntakeResult::of(world, arguments.horses, arguments.first_seed);
        println!("{}", result.in_words());
        results.push(result);
    }
    if arguments.no_write {
        return Ok(());
    }
    let how = format!(
        "{} horses of each world by seed from {} on: `cavesson bench intake --horses {} --first-seed {}`. \
         The same command gives the same figures on every machine.\n\n",
        arguments.horses, arguments.first_seed, arguments.horses, arguments.first_seed
    );
    let tables = IntakeResult::tables(&results);
    super::write_between_marks(&arguments.write, &format!("{how}{tables}"))
}

/// Asks of a ride whose order is looked at.
const ASKS: usize = 40;

/// Whether any intake of so many horses breaks the order of safety.
fn order(horses: u64, first_seed: u64) -> anyhow::Result<()> {
    let ladder = Ladder::shipped();
    let mut asks = 0;
    for seed in first_seed..first_seed + horses {
        let world = World::ALL[seed as usize % World::ALL.len()];
        let mut horse = IntakeHorse::new(world, ladder, seed);
        let trial = intake(ladder, &mut horse, &[ASKS], Effort::LITTLE);
        let broken = broken_order(ladder, &trial.asks);
        ensure!(
            broken.is_none(),
            "horse {seed}: {}",
            broken.unwrap_or_default()
        );
        asks += trial.asks.len();
    }
    println!("{horses} horses, {asks} asks: the order of safety was never broken");
    Ok(())
}
