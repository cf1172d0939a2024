//! The trainer's review: hours by kind of work, plans against rides, weeks of runs, days against
//! the program, invoice lines.
//!
//! What is counted is ours, no source. The lines of an invoice follow RFC 4180 (quotes doubled
//! inside quotes, CRLF at the end of a line), checked here letter by letter.

use cavesson_barn::report::Month;
use cavesson_barn::report::hours::{HoursRide, minutes_by_track};
use cavesson_barn::report::invoice::{Rates, cents, lines};
use cavesson_barn::report::review::{
    HorseReview, Planned, ReviewedHorse, RunWeeks, Training, review,
};
use cavesson_barn::report::worked::TimedRide;
use cavesson_barn::week::Trips;
use cavesson_judge::judge::judge_horse;
use cavesson_reps::rep::Measure;
use cavesson_told::day;
use cavesson_told::horse::{Horse, index_of, ladder};
use jiff::civil::{Date, date};
use proptest::prelude::*;
use rstest::rstest;
use uuid::Uuid;

#[test]
fn an_ask_has_the_time_halfway_to_its_neighbors() {
    let ride = HoursRide {
        minutes: Some(40.0),
        asks: vec![(5.0, 0), (15.0, 0), (25.0, 1)],
    };
    let nothing_asked = HoursRide {
        minutes: Some(20.0),
        asks: Vec::new(),
    };
    let left_open = HoursRide {
        minutes: Some(900.0),
        asks: vec![(5.0, 0)],
    };
    let unfinished = HoursRide {
        minutes: None,
        asks: vec![(5.0, 0)],
    };
    let rides = [ride, nothing_asked, left_open, unfinished];
    assert_eq!(minutes_by_track(&rides, 2), (vec![20.0, 20.0], 20.0));
}

proptest! {
    /// Every minute of a ride goes somewhere, and none goes twice.
    #[test]
    fn minutes_add_up(
        minutes in 1.0f64..180.0,
        shares in proptest::collection::vec((0.0f64..1.0, 0usize..3), 1..30),
    ) {
        let mut asks: Vec<(f64, usize)> =
            shares.into_iter().map(|(share, track)| (share * minutes, track)).collect();
        asks.sort_by(|a, b| a.0.total_cmp(&b.0));
        let (of_track, of_none) = minutes_by_track(&[HoursRide { minutes: Some(minutes), asks }], 3);
        prop_assert!((of_track.iter().sum::<f64>() + of_none - minutes).abs() < 1e-9);
        prop_assert!(of_track.iter().all(|minutes| *minutes >= 0.0));
    }
}

struct Told<'a> {
    rides: &'a [TimedRide],
    planned: &'a [Date],
    here: Option<(Date, Date)>,
}

fn reviewed(horse: &Horse, told: &Told<'_>, from: Date, to: Date) -> HorseReview {
    let file = horse.file();
    let before = judge_horse(ladder(), &file, Month::of(from).before().last());
    let now = judge_horse(ladder(), &file, to);
    let asked = ReviewedHorse {
        horse_id: Uuid::from_u128(7),
        name: "Sorrel \"Ace\", the colt",
        owner: Some("J. Alder"),
        ladder: ladder(),
        file: &file,
        before: &before,
        now: &now,
        rides: told.rides,
        hours: &[],
        planned: told.planned,
        trips: Trips { trips: 2, quiet: 1 },
        here: told.here,
        rides_a_week: 5.0,
    };
    review(&asked, from, to)
}

fn on(day: Date) -> TimedRide {
    TimedRide {
        day,
        minutes: Some(45.0),
        load: 60.0,
    }
}

const MARCH: (Date, Date) = (date(2026, 3, 1), date(2026, 3, 31));

#[test]
fn plans_are_held_against_rides_and_days_against_the_program() {
    let told = Told {
        rides: &[on(day(0)), on(day(0)), on(day(1)), on(day(5))],
        planned: &[day(0), day(1), day(2)],
        // It came on the 11th.
        here: Some((date(2026, 3, 11), MARCH.1)),
    };
    let found = reviewed(&Horse::new(), &told, MARCH.0, MARCH.1);
    assert_eq!(
        found.planned,
        Planned {
            planned: 3,
            done: 2,
            unplanned: 1
        }
    );
    let training = Training {
        days_here: 21,
        ridden_days: 3,
        program_days: 15,
    };
    assert_eq!(found.training, training);
    assert_eq!((found.ridden.rides, found.ridden.minutes), (4, 180));
}

#[test]
fn weeks_of_runs_are_over_their_quota_when_there_are_more_than_enough() {
    let pattern = ladder()
        .levels
        .iter()
        .position(|level| level.level.to_string() == "barrel.pattern/three_quarter")
        .unwrap();
    let path = ladder().levels[pattern].level.to_string();
    assert_eq!(index_of(&path), pattern);
    let barrel = serde_json::json!({
        "planned_ft": [5, 4, 3], "pocket_ft": [5, 4, 3], "rate_strides": 2,
        "right_lead": true, "shape_held": true, "tipped": false, "stepped_off": false,
    });
    let run = || -> Measure {
        serde_json::from_value(serde_json::json!({
            "kind": "run", "time_s": 18.2, "barrels": [barrel, barrel, barrel],
        }))
        .unwrap()
    };
    // Two in the first week, one in the second: one a week is enough for a horse that learns.
    let horse = Horse::new()
        .ride(&path, 0, &[run()])
        .ride(&path, 2, &[run()])
        .ride(&path, 7, &[run()]);
    let told = Told {
        rides: &[],
        planned: &[],
        here: None,
    };
    let found = reviewed(&horse, &told, MARCH.0, MARCH.1);
    assert_eq!(found.runs, RunWeeks { weeks: 2, over: 1 });
    assert_eq!(found.training, Training::default());
}

#[rstest]
#[case("", Ok(None))]
#[case(" 35 ", Ok(Some(3500)))]
#[case("35.5", Ok(Some(3550)))]
#[case("0.05", Ok(Some(5)))]
#[case("100000", Ok(Some(10_000_000)))]
#[case("100000.01", Err(()))]
#[case("35,50", Err(()))]
#[case("-1", Err(()))]
#[case(".5", Err(()))]
#[case("1.234", Err(()))]
#[case("1e3", Err(()))]
fn rates_are_read_as_dollars_and_cents(#[case] typed: &str, #[case] read: Result<Option<u64>, ()>) {
    assert_eq!(
        cents("/day_rate", typed).map_err(|error| assert_eq!(error.field, "/day_rate")),
        read
    );
}

#[test]
fn invoice_lines_are_rfc_4180() {
    let told = Told {
        rides: &[on(day(0)), on(day(1))],
        planned: &[],
        here: Some(MARCH),
    };
    let mut found = reviewed(&Horse::new(), &told, MARCH.0, MARCH.1);
    let gone = HorseReview {
        training: Training::default(),
        ridden: Default::default(),
        ..found.clone()
    };
    found.owner = None;
    let rates = Rates {
        day: Some(3550),
        ride: None,
    };
    let written = lines(Month::of(day(0)), &[found, gone], rates).unwrap();
    assert_eq!(
        String::from_utf8(written).unwrap(),
        "month,owner,horse,what,quantity,unit,rate,amount\r\n\
         2026-03,,\"Sorrel \"\"Ace\"\", the colt\",\"Training, March 2026\",31,day,35.50,1100.50\r\n\
         2026-03,,\"Sorrel \"\"Ace\"\", the colt\",\"Rides, March 2026\",2,ride,,\r\n"
    );
}
