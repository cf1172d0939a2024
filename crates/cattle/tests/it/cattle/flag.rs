//! The flag: v^2 = 2 a s, within its line, for as long as it may, more to the side that needs it.

use cavesson_base::Side;
use cavesson_cattle::cattle::flag::{FlagMove, FlagWanted, Pace, at, pace, program, timed};
use cavesson_reps::rep::turn::Tempo;
use proptest::prelude::*;

fn wanted(seed: u64) -> FlagWanted {
    FlagWanted {
        level: Tempo::Medium,
        width_ft: 60.0,
        seed,
        minutes: 2.0,
        more_side: None,
        runs_ahead: false,
    }
}

/// 20 ft at 6 ft/s and 6 ft/s^2: 3 ft to speed up (36 / 12), 3 to slow down, 14 between: 1 s, 1 s,
/// 14/6 s. And 2 ft, too short for 6 ft/s: peak sqrt(12), 2 sqrt(12) / 6 s.
#[test]
fn worked_by_hand() {
    let pace = Pace {
        speed_ft_s: 6.0,
        acceleration_ft_s2: 6.0,
    };
    let (lasts, peak) = timed(20.0, pace);
    assert!((lasts - (2.0 + 14.0 / 6.0)).abs() < 1e-12 && peak == 6.0);
    let (lasts, peak) = timed(2.0, pace);
    assert!((peak - 12.0_f64.sqrt()).abs() < 1e-12);
    assert!((lasts - 2.0 * 12.0_f64.sqrt() / 6.0).abs() < 1e-12);
    assert_eq!(timed(0.0, pace), (0.0, 0.0));
}

#[test]
fn while_it_speeds_up_v_squared_is_2_a_s() {
    for level in [Tempo::Slow, Tempo::Medium, Tempo::Quick] {
        let a = pace(level).acceleration_ft_s2;
        let moves = program(&FlagWanted { level, ..wanted(3) }).unwrap();
        for one in moves.iter().filter(|one| one.kind == FlagMove::Run) {
            let ramp = one.peak_ft_s / a;
            for part in [0.1, 0.5, 0.9] {
                let (place, speed) = one.at(level, ramp * part);
                let gone = (place - one.from_ft).abs();
                assert!((speed * speed - 2.0 * a * gone).abs() < 1e-9);
                let (place, speed) = one.at(level, one.lasts_s - ramp * part);
                let left = (one.to_ft - place).abs();
                assert!((speed * speed - 2.0 * a * left).abs() < 1e-9);
            }
            let (place, speed) = one.at(level, one.lasts_s);
            assert!((place - one.to_ft).abs() < 1e-9 && speed.abs() < 1e-9);
        }
    }
}

#[test]
fn a_side_that_needs_more_turns_gets_them() {
    let share = |more_side| {
        let (mut right, mut all) = (0.0, 0.0);
        for seed in 0..40 {
            for one in program(&FlagWanted {
                more_side,
                ..wanted(seed)
            })
            .unwrap()
            {
                right += f64::from(u8::from(one.turn == Some(Side::Right)));
                all += f64::from(u8::from(one.turn.is_some()));
            }
        }
        right / all
    };
    assert!((share(None) - 0.5).abs() < 0.05, "{}", share(None));
    assert!(
        share(Some(Side::Right)) > 0.58,
        "{}",
        share(Some(Side::Right))
    );
    assert!(share(Some(Side::Left)) < 0.42);
}

/// For a horse that runs ahead nothing tells which way the flag goes next: neither the way before
/// nor that it faked.
#[test]
fn the_next_way_cannot_be_told() {
    let (mut same, mut pairs) = (0.0, 0.0);
    for seed in 0..60 {
        let moves = program(&FlagWanted {
            runs_ahead: true,
            ..wanted(seed)
        })
        .unwrap();
        let ways: Vec<bool> = moves
            .iter()
            .filter(|one| one.kind == FlagMove::Run)
            .map(|one| one.to_ft > one.from_ft)
            .collect();
        for two in ways.windows(2) {
            same += f64::from(u8::from(two[0] == two[1]));
            pairs += 1.0;
        }
    }
    // A fair coin: three deviations of the share.
    let share: f64 = same / pairs;
    assert!(
        (share - 0.5).abs() < 3.0 * 0.5 / f64::sqrt(pairs),
        "{share} of {pairs}"
    );
}

#[test]
fn what_cannot_be_is_refused() {
    let field = |wanted: FlagWanted| program(&wanted).unwrap_err().field;
    assert_eq!(
        field(FlagWanted {
            width_ft: 5.0,
            ..wanted(1)
        }),
        "/width_ft"
    );
    assert_eq!(
        field(FlagWanted {
            minutes: 60.0,
            ..wanted(1)
        }),
        "/minutes"
    );
    assert_eq!(
        field(FlagWanted {
            more_side: Some(Side::Both),
            ..wanted(1)
        }),
        "/more_side"
    );
}

proptest! {
    #[test]
    fn it_stays_on_its_line_and_in_its_time_and_never_jumps(
        seed in any::<u64>(), width_ft in 20.0..200.0_f64, minutes in 0.5..10.0_f64,
        runs_ahead in any::<bool>(), quick in any::<bool>(),
    ) {
        let level = if quick { Tempo::Quick } else { Tempo::Slow };
        let of = FlagWanted { level, width_ft, minutes, runs_ahead, ..wanted(seed) };
        let moves = program(&of).unwrap();
        prop_assert_eq!(&moves, &program(&of).unwrap());
        prop_assert!(moves.len() <= 1000, "{}", moves.len());
        let ends = moves.last().map_or(0.0, |last| last.begins_s + last.lasts_s);
        prop_assert!(ends <= minutes * 60.0 + 1e-9);
        for two in moves.windows(2) {
            prop_assert!((two[0].begins_s + two[0].lasts_s - two[1].begins_s).abs() < 1e-9);
            prop_assert!((two[0].to_ft - two[1].from_ft).abs() < 1e-9);
        }
        for step in 0..200 {
            let (place, speed) = at(&moves, level, ends * f64::from(step) / 200.0);
            prop_assert!((0.0..=width_ft).contains(&place));
            prop_assert!(speed.abs() <= pace(level).speed_ft_s + 1e-9);
        }
    }
}
