//! `cavesson bench judge`: prints the table and writes it into docs/judge.md.

use std::path::PathBuf;

use cavesson_core::bench::report::OnPopulation;
use cavesson_core::bench::{Population, run as run_bench};

/// What `bench judge` is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// Horses of each population
    #[arg(long, default_value_t = 10_000)]
    horses: u64,
    /// Horses of each population that are asked for forecasts
    #[arg(long, default_value_t = 300)]
    forecast_horses: u64,
    /// Seed of the first horse
    #[arg(long, default_value_t = 100_000)]
    first_seed: u64,
    /// Document to write the tables into
    #[arg(long, default_value = "docs/judge.md")]
    write: PathBuf,
    /// Print only
    #[arg(long)]
    no_write: bool,
}

/// Runs the bench.
pub fn run(arguments: &Arguments) -> anyhow::Result<()> {
    let populations: Vec<Population> = Population::CHOSEN_ON
        .into_iter()
        .chain(Population::HELD_OUT)
        .collect();
    let report = run_bench(
        &populations,
        arguments.horses,
        arguments.forecast_horses,
        arguments.first_seed,
        |measured| println!("{}", measured.table()),
    );
    if arguments.no_write {
        return Ok(());
    }
    let (chosen_on, held_out) = report.populations.split_at(Population::CHOSEN_ON.len());
    let tables = |of: &[OnPopulation]| {
        let tables: Vec<String> = of.iter().map(OnPopulation::table).collect();
        tables.join("\n")
    };
    let tables = format!(
        "## Worlds the rule was chosen on\n\n{}\n## Worlds that were held out\n\n{}",
        tables(chosen_on),
        tables(held_out)
    );
    let how = format!(
        "Horses by seed from {} on: `cavesson bench judge --horses {} --forecast-horses {} --first-seed {}`. \
         The same command gives the same figures on every machine.\n\n",
        arguments.first_seed, arguments.horses, arguments.forecast_horses, arguments.first_seed
    );
    super::write_between_marks(&arguments.write, &format!("{how}{tables}"))
}
