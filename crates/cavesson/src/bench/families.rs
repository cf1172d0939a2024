//! `cavesson bench families`: each family of gates in the worlds of the bench, and what luck
//! alone opens. Prints tables for docs/judge.md.

use cavesson_core::bench::families::{family, lucky};
use cavesson_core::bench::{Family, Population};

/// What `bench families` is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// Horses of each population
    #[arg(long, default_value_t = 1_000)]
    horses: u64,
    /// Seed of the first horse
    #[arg(long, default_value_t = 100_000)]
    first_seed: u64,
    /// One family only, by name
    #[arg(long)]
    only: Option<String>,
}

/// The worlds looked at.
const WORLDS: [Population; 7] = [
    Population::Reference,
    Population::StrongDays,
    Population::NearTheNeed,
    Population::SuddenInsight,
    Population::Spells,
    Population::StrongSpells,
    Population::LongSpells,
];
/// Chances of horses that never learn.
const CHANCES: [f64; 3] = [0.5, 0.6, 0.7];
/// Rides in which they try their luck.
const TRIES: usize = 20;

/// Runs the bench.
pub fn run(arguments: &Arguments) {
    let families = Family::ALL.into_iter().filter(|family| {
        arguments
            .only
            .as_ref()
            .is_none_or(|name| family.name() == name)
    });
    for of in families {
        println!("### {}\n", of.name());
        println!("| world | advanced | false | said | delay in rides: quartiles | ready, never |");
        println!("|---|---:|---:|---:|---:|---:|");
        for world in WORLDS {
            let found = family(of, world, arguments.horses, arguments.first_seed);
            let rides =
                |rides: Option<i64>| rides.map_or("-".to_owned(), |rides| rides.to_string());
            let delay = found.shipped.delay;
            println!(
                "| {} | {} | {:.1}% | {:.1}% | {} / **{}** / {} | {:.1}% |",
                world.name(),
                found.shipped.advanced,
                100.0 * found.shipped.false_share,
                100.0 * found.said,
                rides(delay[0]),
                rides(delay[1]),
                rides(delay[2]),
                100.0 * found.shipped.never_advanced,
            );
        }
        let luck = CHANCES.map(|chance| {
            let share = lucky(of, chance, TRIES, arguments.horses, arguments.first_seed);
            format!("{chance}: {:.1}%", 100.0 * share)
        });
        println!(
            "\nWithin {TRIES} rides by luck alone: {}.\n",
            luck.join(", ")
        );
    }
}
