//! `cavesson bench files`: a large CSV sheet and a long track, read.

use std::collections::{HashMap, HashSet};
use std::fmt::Write;

use anyhow::Context;
use cavesson_core::calc::find;
use cavesson_core::exchange::import::{Known, matched, read};
use cavesson_core::exchange::sheet::Sheet;
use jiff::Timestamp;
use jiff::civil::date;
use jiff::tz::TimeZone;
use serde_json::json;
use uuid::Uuid;

use super::quickest;

/// What `bench files` is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// Runs; the quickest counts
    #[arg(long, default_value_t = 5)]
    runs: usize,
    /// Rows of the sheet
    #[arg(long, default_value_t = 100_000)]
    rows: usize,
    /// Only write the sheet of asks to the standard output
    #[arg(long)]
    sheet: bool,
}

const COLUMNS: &str = "day,time_of_day,horse,rider,skill,rung,side,hand,time_s,answer,faults";

/// Horses of the sheet.
const HORSES: usize = 20;

/// Asks of the horses by turns: twenty a ride, from two years ago on.
fn sheet(rows: usize) -> String {
    let mut text = format!("{COLUMNS}\r\n");
    let first = date(2024, 1, 1);
    for row in 0..rows {
        let ride = row / 20;
        let horse = format!("Bench {}", ride % HORSES + 1);
        let day = first.saturating_add(jiff::ToSpan::days((ride / HORSES % 800) as i64));
        let time = ["08:00", "15:30"][ride / HORSES / 800 % 2];
        let side = ["left", "right"][row % 2];
        let hand = ["feather", "fingertip", "two_fingers"][row % 3];
        // Writing to a text does not fail.
        let _ = write!(
            text,
            "{day},{time},{horse},,bend.flex,stand,{side},{hand},{:.2},gave,\r\n",
            0.6 + 0.01 * (row % 200) as f64
        );
    }
    text
}

/// The most memory the process had so far, in megabytes; none where the system does not say.
fn most_mb() -> Option<u64> {
    let status = std::fs::read_to_string("/proc/self/status").ok()?;
    let line = status.lines().find(|line| line.starts_with("VmHWM:"))?;
    let kb: u64 = line.split_whitespace().nth(1)?.parse().ok()?;
    Some(kb / 1_000)
}

/// Measures.
pub fn run(arguments: &Arguments) -> anyhow::Result<()> {
    let text = sheet(arguments.rows);
    if arguments.sheet {
        print!("{text}");
        return Ok(());
    }
    let columns = matched(Sheet::Asks, COLUMNS.split(','))?;
    let me = [(Uuid::from_u128(1), "Wren".to_owned())];
    let horse = |n: usize| (Uuid::from_u128(n as u128 + 1), format!("Bench {n}"));
    let horses: Vec<(Uuid, String)> = (1..=HORSES).map(horse).collect();
    let known = Known {
        person_id: me[0].0,
        riders: &me,
        owners: &[],
        programs: &[],
        horses: &horses,
        courses: &[],
        lots: &[],
        lot_id: None,
        rides: &HashMap::new(),
        reps: &HashSet::new(),
        today: date(2026, 6, 1),
        now: "2026-06-01T18:00:00Z".parse::<Timestamp>()?,
        time_zone: &TimeZone::UTC,
    };
    let mut said = String::new();
    let took = quickest(arguments.runs, || {
        let found = read(
            Sheet::Asks,
            text.as_bytes(),
            &columns,
            true,
            &known,
            &mut Uuid::now_v7,
        );
        said = match found {
            Ok((import, read)) => format!(
                "{} asks in {} rides, {} rows wrong",
                import.reps.len(),
                import.rides.len(),
                read.wrong_rows
            ),
            Err(error) => error.to_string(),
        };
    });
    println!(
        "{} rows of CSV, {} bytes: {:.0} ms, {said}; at most {} MB",
        arguments.rows,
        text.len(),
        took.as_secs_f64() * 1_000.0,
        most_mb().map_or_else(|| "?".to_owned(), |mb| mb.to_string())
    );
    let track = find("ride-track").context("the calculator that reads tracks")?;
    let input = json!({"gpx": two_hours()});
    let mut circles = 0;
    let took = quickest(arguments.runs, || {
        let found = (track.run)(input.clone()).unwrap_or_default();
        circles = found["circles"].as_array().map_or(0, Vec::len);
    });
    println!(
        "a track of two hours, a point a second: {:.0} ms, {circles} runs of circles",
        took.as_secs_f64() * 1_000.0
    );
    Ok(())
}

/// Two hours: circles to each side by turns, the straight between them, walk to lope.
fn two_hours() -> String {
    let mut points = String::new();
    let (mut x, mut y, mut heading) = (0.0_f64, 0.0_f64, 0.0_f64);
    for second in 0..7_200 {
        let part = second / 120 % 6;
        let speed_m = [1.6, 3.4, 5.2][part % 3];
        let turn = match part {
            1 | 2 => speed_m / 12.0,
            4 | 5 => -speed_m / 12.0,
            _ => 0.0,
        };
        heading += turn;
        x += speed_m * heading.cos();
        y += speed_m * heading.sin();
        let (hour, minute, second) = (8 + second / 3_600, second / 60 % 60, second % 60);
        let _ = write!(
            points,
            "<trkpt lat=\"{:.7}\" lon=\"{:.7}\"><time>2026-05-04T{hour:02}:{minute:02}:{second:02}Z</time></trkpt>",
            40.0 + y / 111_320.0,
            -105.0 + x / (111_320.0 * 40.0_f64.to_radians().cos())
        );
    }
    format!(
        "<gpx version=\"1.1\" creator=\"bench\" xmlns=\"http://www.topografix.com/GPX/1/1\"><trk><trkseg>{points}</trkseg></trk></gpx>"
    )
}
