//! `cavesson bench afterwards`: what becomes of a level after it was gained, and of a brake
//! that changes. Prints tables for docs/judge.md.

use cavesson_core::bench::Population;
use cavesson_core::bench::afterwards::{RidesUntil, afterwards, brake_afterwards};

/// What `bench afterwards` is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// Horses of each population
    #[arg(long, default_value_t = 3_000)]
    horses: u64,
    /// Seed of the first horse
    #[arg(long, default_value_t = 100_000)]
    first_seed: u64,
}

/// The worlds looked at.
const WORLDS: [Population; 8] = [
    Population::Reference,
    Population::StrongDays,
    Population::NearTheNeed,
    Population::Spells,
    Population::StrongSpells,
    Population::LongSpells,
    Population::FewAsks,
    Population::HeavyDays,
];

/// True chances of a brake, and asks a side and ride.
const BRAKES: [(f64, u32); 10] = [
    (0.99, 2),
    (0.97, 2),
    (0.85, 2),
    (0.70, 2),
    (0.50, 2),
    (0.99, 1),
    (0.97, 1),
    (0.85, 1),
    (0.70, 1),
    (0.50, 1),
];

/// Runs the bench.
pub fn run(arguments: &Arguments) {
    println!(
        "| world | false advance counted for: median, nine of ten | false losses in 100 rides | held but under 0.70 | hurt side, until it counts for nothing: median, nine of ten | lost though ready, held again: median |"
    );
    println!("|---|---:|---:|---:|---:|---:|");
    for world in WORLDS {
        let found = afterwards(world, arguments.horses, arguments.first_seed);
        println!(
            "| {} | {} (of {}) | {:.2} | {:.2}% | {} (of {}) | {} |",
            world.name(),
            told(&found.false_advance),
            found.false_advance.horses,
            found.false_losses,
            100.0 * found.held_but_not_there,
            told(&found.hurt),
            found.hurt.horses,
            rides(found.regained.median),
        );
    }
    println!(
        "\n| true chance that the brake holds | asks a side and ride | lost within rides: median, nine of ten | losses in 100 rides |"
    );
    println!("|---:|---:|---:|---:|");
    for (readiness, asks) in BRAKES {
        let found = brake_afterwards(readiness, asks, arguments.horses, arguments.first_seed);
        println!(
            "| {readiness:.2} | {asks} | {} | {:.2} |",
            told(&found.lost),
            found.losses
        );
    }
}

fn told(until: &RidesUntil) -> String {
    format!("{}, {}", rides(until.median), rides(until.nine_of_ten))
}

fn rides(rides: Option<usize>) -> String {
    rides.map_or_else(|| "over 100".to_owned(), |rides| rides.to_string())
}
