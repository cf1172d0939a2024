//! Riders of simulated horses quit as they are said to, and a horse of a rider who quits
//! early is looked at further back.

use cavesson_base::Side;
use cavesson_judge::judge::window::window_of;
use cavesson_reps::evidence::asks_in_order;
use cavesson_reps::ladder::Ladder;
use cavesson_reps::rep::Rep;
use cavesson_reps::sim_horse::rider::UNTIL_GOOD_MORE;
use cavesson_reps::sim_horse::{Quits, Rider, SimulatedHorse, Traits};

/// Softness of each side's asks, ride by ride.
fn ridden(quits: Quits, traits: Traits) -> (Vec<[Vec<bool>; 2]>, Vec<Rep>) {
    let level = cavesson_told::flex();
    let mut horse = SimulatedHorse::new(traits, &[level], 11);
    let rider = Rider {
        offset: 0.0,
        quits,
        spares_bad_days: false,
    };
    let (mut rides, mut reps) = (Vec::new(), Vec::new());
    for plan in cavesson_told::plan(40, 1, (6, 6)) {
        let ridden = horse.ride_by(&plan, &rider);
        rides.push(Side::EACH.map(|side| {
            let own = ridden.reps.iter().filter(|rep| rep.side == side);
            own.map(|rep| rep.measure.is_soft(&level.gate.soft, level.gait))
                .collect()
        }));
        reps.extend(ridden.reps);
    }
    (rides, reps)
}

#[test]
fn a_side_is_left_on_its_first_soft_answer() {
    let (rides, _) = ridden(Quits::OnFirstSoft, Traits::PLAIN);
    for side in rides.iter().flatten() {
        let soft = side.iter().filter(|soft| **soft).count();
        assert!(
            soft <= 1 && (soft == 0 || side.ends_with(&[true])),
            "{side:?}"
        );
        assert!(soft == 1 || side.len() == 6, "{side:?}");
    }
}

#[test]
fn a_side_is_left_after_two_in_a_row() {
    let (rides, _) = ridden(Quits::AfterTwoInARow, Traits::PLAIN);
    for side in rides.iter().flatten() {
        let twice = side.windows(2).position(|pair| pair == [true, true]);
        assert!(twice.is_none_or(|at| at + 2 == side.len()), "{side:?}");
    }
}

#[test]
fn a_rider_who_will_not_quit_on_a_bad_one_goes_on() {
    let (rides, _) = ridden(Quits::UntilGood, Traits::PLAIN);
    for side in rides.iter().flatten() {
        let most = 6 + UNTIL_GOOD_MORE as usize;
        assert!(side.len() >= 6 && side.len() <= most, "{side:?}");
        assert!(side.ends_with(&[true]) || side.len() == most, "{side:?}");
    }
}

#[test]
fn the_bad_side_gets_the_asks() {
    let stiff = Traits {
        weaker_side: Side::Left,
        weaker_by: 3.0,
        ..Traits::PLAIN
    };
    let (rides, _) = ridden(Quits::DrillsTheBadSide, stiff);
    let asked = |side: usize| rides.iter().map(|ride| ride[side].len()).sum::<usize>();
    assert!(asked(0) > 2 * asked(1), "{} {}", asked(0), asked(1));
    assert!(rides.iter().all(|ride| ride[0].len() + ride[1].len() >= 12));
}

#[test]
fn readiness_jumps_where_the_horse_has_an_insight() {
    let sudden = Traits {
        insight_at: Some(5),
        ..Traits::PLAIN
    };
    let mut horse = SimulatedHorse::new(sudden, &[cavesson_told::flex()], 3);
    let rides = cavesson_told::plan(8, 1, (3, 3));
    let truth: Vec<f64> = rides
        .iter()
        .map(|plan| horse.ride(plan).truth[0].left)
        .collect();
    assert!(
        truth[..5]
            .iter()
            .all(|ready| (ready - truth[0]).abs() < 1e-12)
    );
    assert!(
        truth[5] > truth[4] + 0.3 && (truth[7] - truth[5]).abs() < 1e-12,
        "{truth:?}"
    );
}

#[test]
fn the_window_reaches_back_until_each_side_has_enough_and_not_beyond_its_days() {
    let level = cavesson_told::flex();
    let (_, few) = ridden(
        Quits::OnFirstSoft,
        Traits {
            start: 2.0,
            ..Traits::PLAIN
        },
    );
    let (_, many) = ridden(Quits::AsPlanned, Traits::PLAIN);
    let rides_in = |reps: &[Rep]| {
        let asks = asks_in_order(reps, level, Ladder::shipped());
        let on = asks.last().unwrap().day;
        let seen = window_of(&asks, &level.gate, on).to_vec();
        assert!(
            seen.iter()
                .all(|ask| (on - ask.day).get_days() < level.gate.window_days as i32)
        );
        seen.chunk_by(|a, b| a.ride_id == b.ride_id).count()
    };
    assert_eq!(rides_in(&many), level.gate.window_rides as usize);
    assert!(rides_in(&few) > level.gate.window_rides as usize);
}
