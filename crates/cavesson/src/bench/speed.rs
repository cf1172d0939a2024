//! `cavesson bench speed`: judging a large barn from memory, and the published
//! statistics on the same data, to be held against general-purpose libraries.

use std::path::PathBuf;
use std::time::{Duration, Instant};

use anyhow::Context;
use cavesson_core::bench::barn::season;
use cavesson_core::bench::statistics::{Statistics, statistics};
use cavesson_core::card::{Day, Horse, card};
use cavesson_core::evidence::Ask;
use cavesson_core::judge::{HorseFile, holes, judge_horse};
use cavesson_core::ladder::{AtHand, Ladder, MeasureKind, Sides};
use cavesson_core::rep::Rep;
use jiff::civil::Date;
use serde_json::json;

/// What `bench speed` is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// Horses of the barn
    #[arg(long, default_value_t = 40)]
    horses: u64,
    /// Days each was ridden
    #[arg(long, default_value_t = 90)]
    days: usize,
    /// Runs; the quickest counts
    #[arg(long, default_value_t = 9)]
    runs: usize,
    /// Writes the timed levels' asks and our figures of them into this file, for
    /// bench/statistics.py
    #[arg(long)]
    export: Option<PathBuf>,
}

/// Measures.
pub fn run(arguments: &Arguments) -> anyhow::Result<()> {
    let ladder = Ladder::shipped();
    let barn: Vec<Vec<Rep>> = (0..arguments.horses)
        .map(|seed| season(ladder, seed, arguments.days))
        .collect();
    let reps: usize = barn.iter().map(Vec::len).sum();
    let on = barn
        .iter()
        .flatten()
        .map(|rep| rep.day)
        .max()
        .context("a barn with at least one rep")?;
    println!(
        "{} horses, {} levels, {} days, {reps} reps",
        arguments.horses,
        ladder.levels.len(),
        arguments.days
    );
    if let Some(path) = &arguments.export {
        return export(path, ladder, &barn);
    }
    let files: Vec<HorseFile> = barn
        .iter()
        .map(|reps| HorseFile::of_reps(ladder, reps))
        .collect();
    let laid = quickest(arguments.runs, || {
        for reps in &barn {
            std::hint::black_box(HorseFile::of_reps(ladder, reps));
        }
    });
    let judged = quickest(arguments.runs, || judge_all(ladder, &files, on));
    println!("laying the reps along the ladder: {} ms", millis(laid));
    println!(
        "judging every level of every horse: {} ms on one core",
        millis(judged)
    );
    let cards = quickest(arguments.runs, || build_all(ladder, &files, on));
    println!(
        "the card of every horse, judged and built: {} ms on one core",
        millis(cards)
    );
    let levels = timed_levels(ladder, &files);
    let figures = quickest(arguments.runs, || {
        for asks in &levels {
            std::hint::black_box(statistics(asks));
        }
    });
    println!(
        "published statistics of {} timed levels: {} ms",
        levels.len(),
        millis(figures)
    );
    println!("most memory the process held: {} MB", most_memory_mb()?);
    Ok(())
}

fn judge_all(ladder: &Ladder, files: &[HorseFile], on: Date) {
    for file in files {
        std::hint::black_box(judge_horse(ladder, file, on));
    }
}

/// The card of each horse, judged before as a device does.
fn build_all(ladder: &Ladder, files: &[HorseFile], on: Date) {
    let day = Day {
        helper: true,
        at_hand: AtHand::ALL.to_vec(),
        ..Day::default()
    };
    for file in files {
        let standings = judge_horse(ladder, file, on);
        let holes = holes(ladder, file, &standings, on);
        let horse = Horse {
            ladder,
            file,
            standings: &standings,
            holes: &holes,
            on,
        };
        std::hint::black_box(card(horse, &day));
    }
}

/// The asks of every level that is timed on each side and was asked.
fn timed_levels<'a>(ladder: &Ladder, files: &'a [HorseFile]) -> Vec<&'a [Ask]> {
    files
        .iter()
        .flat_map(|file| ladder.levels.iter().zip(&file.asks))
        .filter(|(level, asks)| {
            level.measure == MeasureKind::Give && level.sides == Sides::Each && !asks.is_empty()
        })
        .map(|(_, asks)| asks.as_slice())
        .collect()
}

fn quickest(runs: usize, mut work: impl FnMut()) -> Duration {
    (0..runs.max(1))
        .map(|_| {
            let began = Instant::now();
            work();
            began.elapsed()
        })
        .min()
        .unwrap_or_default()
}

fn millis(time: Duration) -> String {
    format!("{:.1}", time.as_secs_f64() * 1000.0)
}

/// The kernel's figure for this process.
fn most_memory_mb() -> anyhow::Result<u64> {
    let status = std::fs::read_to_string("/proc/self/status")?;
    let line = status
        .lines()
        .find_map(|line| line.strip_prefix("VmHWM:"))
        .context("no VmHWM in /proc/self/status")?;
    let kilobytes: u64 = line.trim().trim_end_matches(" kB").parse()?;
    Ok(kilobytes / 1000)
}

/// One level a line: its asks, and our figures.
fn export(path: &PathBuf, ladder: &Ladder, barn: &[Vec<Rep>]) -> anyhow::Result<()> {
    let files: Vec<HorseFile> = barn
        .iter()
        .map(|reps| HorseFile::of_reps(ladder, reps))
        .collect();
    let levels = timed_levels(ladder, &files);
    let mut lines = String::new();
    for asks in &levels {
        let ours: Option<Statistics> = statistics(asks);
        let asked: Vec<_> = asks
            .iter()
            .filter_map(|ask| {
                let time = ask.time?;
                Some(json!([
                    ask.day.day_of_year(),
                    ask.side,
                    ask.soft,
                    time.seconds,
                    time.gave
                ]))
            })
            .collect();
        lines += &json!({"asks": asked, "ours": ours}).to_string();
        lines.push('\n');
    }
    std::fs::write(path, lines).with_context(|| format!("writing {}", path.display()))?;
    println!("{} levels written to {}", levels.len(), path.display());
    Ok(())
}
