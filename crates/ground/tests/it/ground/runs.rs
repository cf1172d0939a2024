//! Runs of the pattern side by side.

use cavesson_ground::ground::runs::{Run, compare, quota};
use cavesson_reps::evidence::trend::Direction;
use jiff::civil::date;

fn run(day: i8, time_s: f64, path_ft: f64) -> Run {
    Run {
        day: date(2026, 9, day),
        time_s: Some(time_s),
        path_ft: Some(path_ft),
        splits_s: Vec::new(),
        knocked: 0,
        broken: false,
    }
}

/// 5 s a barrel, no time for a broken pattern (rule books, from memory).
#[test]
fn a_knocked_barrel_costs_five_seconds_and_a_broken_pattern_has_no_time() {
    let knocked = Run {
        knocked: 2,
        ..run(1, 18.0, 470.0)
    };
    assert_eq!(knocked.said().official_s, Some(28.0));
    assert_eq!(knocked.said().speed_ft_s, Some(470.0 / 18.0));
    let broken = Run {
        broken: true,
        ..run(1, 15.0, 470.0)
    };
    assert_eq!(broken.said().official_s, None);
    assert_eq!(broken.said().speed_ft_s, None);
}

#[test]
fn over_courses_of_different_sizes_the_speed_along_the_path_counts() {
    let said = compare(&[
        run(1, 18.0, 470.0),
        run(3, 15.0, 380.0),
        run(5, 16.0, 430.0),
    ])
    .unwrap();
    assert_eq!(said.best, Some(1), "the shortest course has the best time");
    assert_eq!(said.fastest, Some(2), "the third was ridden fastest");
}

#[test]
fn a_run_with_a_knocked_barrel_is_not_the_best_for_being_quick() {
    let knocked = Run {
        knocked: 1,
        ..run(1, 16.0, 470.0)
    };
    let said = compare(&[knocked, run(2, 18.0, 470.0)]).unwrap();
    assert_eq!(said.best, Some(1));
}

#[test]
fn the_best_splits_together_are_what_the_horse_has_shown() {
    let with = |day, splits: [f64; 4]| Run {
        splits_s: splits.to_vec(),
        ..run(day, splits.iter().sum(), 470.0)
    };
    let broken = Run {
        broken: true,
        ..with(4, [1.0, 1.0, 1.5, 1.5])
    };
    let said = compare(&[
        with(1, [4.0, 4.5, 5.0, 4.0]),
        with(2, [3.8, 4.9, 5.2, 4.4]),
        with(3, [4.4, 4.4, 4.9, 4.2]),
        broken,
    ])
    .unwrap();
    assert_eq!(said.best_splits_s, [3.8, 4.4, 4.9, 4.0]);
    assert!((said.best_splits_sum_s.unwrap() - 17.1).abs() < 1e-9);
}

/// Half the distance of the quartiles of 1 to 5, type 7 of Hyndman and Fan: (4 - 2) / 2.
#[test]
fn spread_and_trend_are_those_of_the_speeds() {
    let runs: Vec<Run> = (1..=5_i8)
        .map(|day| run(day, 100.0 / f64::from(day), 100.0))
        .collect();
    let said = compare(&runs).unwrap();
    assert!((said.spread_ft_s.unwrap() - 1.0).abs() < 1e-9);
    assert!((said.trend.slope_per_day.unwrap() - 1.0).abs() < 1e-9);
    assert_eq!(said.trend.direction, Direction::Improving);
}

#[test]
fn without_clock_or_course_there_is_nothing_to_compare_and_nothing_breaks() {
    let untimed = Run {
        time_s: None,
        path_ft: None,
        ..run(1, 18.0, 470.0)
    };
    let said = compare(&[untimed]).unwrap();
    assert_eq!(
        (said.best, said.fastest, said.spread_ft_s),
        (None, None, None)
    );
    assert!(said.best_splits_s.is_empty());
}

#[test]
fn numbers_that_cannot_be_are_refused_by_name() {
    let short = run(1, 2.0, 470.0);
    assert_eq!(compare(&[short]).unwrap_err().field, "/runs/0/time_s");
    let three = Run {
        splits_s: vec![4.0, 4.0, 4.0],
        ..run(1, 18.0, 470.0)
    };
    assert_eq!(compare(&[three]).unwrap_err().field, "/runs/0/splits_s");
    assert_eq!(compare(&[]).unwrap_err().field, "/runs");
}

#[test]
fn a_finished_horse_runs_twice_a_week_one_that_learns_once() {
    assert_eq!(quota(1, true).enough, 2);
    assert_eq!(quota(1, false).enough, 1);
}
