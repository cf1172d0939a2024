//! `cavesson bench`: measurements whose tables stand in docs/.
//!
//! - [`afterwards`]: what becomes of a level after it was gained
//! - [`cattle`]: which cow for which horse, and a step of the cow
//! - [`families`]: every family of gates: false advances, delay, luck
//! - [`files`]: a large sheet and a long track, read
//! - [`ground`]: how soon is a course drawn, and the largest that fits found?
//! - [`intake`]: does the intake find where a horse stands?
//! - [`judge`]: is the judge right? candidate rules on simulated horses
//! - [`road`]: does the road to a date say what happens?
//! - [`speed`]: how fast is it? a large barn from memory
//! - [`week`](mod@week): how good is the plan of a week, and how soon is it there?

mod afterwards;
mod cattle;
mod families;
mod files;
mod ground;
mod intake;
mod judge;
mod road;
mod speed;
mod week;

use std::path::PathBuf;
use std::time::{Duration, Instant};

use anyhow::Context;

/// What `bench` is told.
#[derive(clap::Args)]
pub struct Arguments {
    #[command(subcommand)]
    bench: Bench,
}

#[derive(clap::Subcommand)]
enum Bench {
    /// How long a false advance stays held, how soon a level that fell is lost, the brake
    Afterwards(afterwards::Arguments),
    /// Horses and cattle of a day matched; a step of the cow
    Cattle(cattle::Arguments),
    /// Every family of gates in the worlds of the bench, and by luck alone
    Families(families::Arguments),
    /// A CSV sheet of 100,000 rows and a track of two hours, read
    Files(files::Arguments),
    /// The way round a barrel course; the largest that fits, with its proof
    Ground(ground::Arguments),
    /// Intakes of simulated horses with a known truth: levels placed right, calibration
    Intake(intake::Arguments),
    /// Candidate rules on simulated horses: false advances, delay, forecasts
    Judge(judge::Arguments),
    /// Roads of simulated horses: ranges, chances, time
    Road(road::Arguments),
    /// A large barn judged from memory; the statistics alone
    Speed(speed::Arguments),
    /// Weeks planned: time, objective, gap
    Week(week::Arguments),
}

/// Runs a bench.
pub fn run(arguments: Arguments) -> anyhow::Result<()> {
    match arguments.bench {
        Bench::Afterwards(arguments) => {
            afterwards::run(&arguments);
            Ok(())
        }
        Bench::Cattle(arguments) => cattle::run(&arguments),
        Bench::Families(arguments) => {
            families::run(&arguments);
            Ok(())
        }
        Bench::Files(arguments) => files::run(&arguments),
        Bench::Ground(arguments) => ground::run(&arguments),
        Bench::Intake(arguments) => intake::run(&arguments),
        Bench::Judge(arguments) => judge::run(&arguments),
        Bench::Road(arguments) => road::run(&arguments),
        Bench::Speed(arguments) => speed::run(&arguments),
        Bench::Week(arguments) => week::run(&arguments),
    }
}

/// The quickest of so many runs: what the machine does besides only adds to it.
fn quickest(runs: usize, mut work: impl FnMut()) -> Duration {
    let once = |_| {
        let start = Instant::now();
        work();
        start.elapsed()
    };
    (0..runs.max(1)).map(once).min().unwrap_or_default()
}

const FROM: &str = "<!-- measured: from here on written by the bench -->";
const TO: &str = "<!-- measured: up to here -->";

/// Puts `measured` between the two marks of a document; the rest stays.
fn write_between_marks(path: &PathBuf, measured: &str) -> anyhow::Result<()> {
    let text = std::fs::read_to_string(path)
        .with_context(|| format!("reading {}; run this in the repository", path.display()))?;
    let (before, rest) = text
        .split_once(FROM)
        .with_context(|| format!("{} has no line \"{FROM}\"", path.display()))?;
    let (_, after) = rest
        .split_once(TO)
        .with_context(|| format!("{} has no line \"{TO}\"", path.display()))?;
    std::fs::write(path, format!("{before}{FROM}\n\n{measured}\n{TO}{after}"))
        .with_context(|| format!("writing {}", path.display()))
}
