//! Weeks planned: how long, how good, how far from the best there could be.

use std::path::PathBuf;

use anyhow::Context;
use cavesson_solver::{instances, solve};
use serde_json::json;

/// What it is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// Only this one: small, usual or large
    #[arg(long)]
    only: Option<String>,
    /// Weeks of each size
    #[arg(long, default_value_t = 3)]
    weeks: u64,
    /// Seconds for the small and the usual ones
    #[arg(long, default_value_t = 5.0)]
    seconds: f64,
    /// Seconds for the large ones
    #[arg(long, default_value_t = 30.0)]
    large_seconds: f64,
    /// Write the weeks into this folder, as `cavesson calc week` reads them, and do not plan
    #[arg(long)]
    write: Option<PathBuf>,
}

/// Plans the built-in weeks and prints the table.
pub fn run(arguments: &Arguments) -> anyhow::Result<()> {
    println!("| week | horses/riders/places/days | rides | s | objective | bound | gap |");
    println!("|---|---|---|---|---|---|---|");
    for (name, size) in instances::BUILT_IN {
        if arguments.only.as_ref().is_some_and(|only| only != name) {
            continue;
        }
        let seconds = if name == "large" {
            arguments.large_seconds
        } else {
            arguments.seconds
        };
        for seed in 1..=arguments.weeks {
            let instance = instances::made_up(size, seed);
            if let Some(folder) = &arguments.write {
                let path = folder.join(format!("{name}-{seed}.json"));
                let input = json!({"instance": instance, "time_limit_s": seconds});
                std::fs::write(&path, input.to_string())
                    .with_context(|| format!("writing {}", path.display()))?;
                continue;
            }
            let wanted: u32 = instance
                .horses
                .iter()
                .map(|one| u32::from(one.wanted))
                .sum();
            let solved =
                solve(&instance, seconds, &|_| true).map_err(|why| anyhow::anyhow!("{why:?}"))?;
            println!(
                "| {name} {seed} | {}/{}/{}/{} | {} of {wanted} | {:.1} | {:.1} | {:.1} | {:.2}% |",
                size.horses,
                size.riders,
                size.places,
                size.days,
                solved.rides.len(),
                solved.seconds,
                solved.score.total,
                solved.bound,
                100.0 * solved.gap()
            );
        }
    }
    Ok(())
}
