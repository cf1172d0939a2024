//! The simulated horse answers as its traits say.

use cavesson_base::{Gait, Side};
use cavesson_reps::rep::SoftRule;
use cavesson_reps::sim_horse::{SimulatedRide, Traits};

fn steady() -> Traits {
    Traits {
        start: -1.0,
        plateau: 2.0,
        rate: 0.1,
        weaker_side: Side::Right,
        weaker_by: 1.0,
        day_sd: 0.0,
        ..Traits::default()
    }
}

fn ride_it(traits: &Traits, rides: usize, reps: u32) -> Vec<SimulatedRide> {
    cavesson_told::simulated(traits, rides, 1, (reps, reps), 7)
}

#[test]
fn readiness_rises_from_start_to_plateau_and_the_weaker_side_stays_below() {
    let logistic = |x: f64| 1.0 / (1.0 + (-x).exp());
    assert!((steady().readiness(Side::Left, 0) - logistic(-1.0)).abs() < 1e-12);
    assert!((steady().readiness(Side::Left, 500) - logistic(2.0)).abs() < 1e-9);
    assert!((steady().readiness(Side::Right, 500) - logistic(1.0)).abs() < 1e-9);
    assert!(
        (0..80).all(|r| steady().readiness(Side::Left, r) < steady().readiness(Side::Left, r + 1))
    );
}

#[test]
fn soft_answers_come_as_often_as_the_readiness_says() {
    let settled = Traits {
        rate: 10.0,
        first_ask_drop: 0.0,
        warm_up: 0.0,
        ..steady()
    };
    let rides = ride_it(&settled, 200, 20);
    let rule = SoftRule::default();
    for (side, truth) in [(Side::Left, 0.8808), (Side::Right, 0.7311)] {
        let reps: Vec<_> = rides
            .iter()
            .skip(1)
            .flat_map(|r| &r.reps)
            .filter(|r| r.side == side)
            .collect();
        let share = reps
            .iter()
            .filter(|rep| rep.measure.is_soft(&rule, Gait::Stand))
            .count() as f64
            / reps.len() as f64;
        // 3,980 draws: four standard errors are under 0.03.
        assert!((share - truth).abs() < 0.03, "{side:?} {share}");
    }
}

#[test]
fn the_first_ask_is_colder_than_the_last() {
    let settled = Traits {
        rate: 10.0,
        plateau: 0.5,
        first_ask_drop: 1.0,
        warm_up: 1.0,
        ..steady()
    };
    let rule = SoftRule::default();
    let (mut first, mut last) = (0, 0);
    for ride in ride_it(&settled, 300, 5).iter().skip(1) {
        let left: Vec<_> = ride
            .reps
            .iter()
            .filter(|rep| rep.side == Side::Left)
            .collect();
        first += usize::from(left[0].measure.is_soft(&rule, Gait::Stand));
        last += usize::from(left[4].measure.is_soft(&rule, Gait::Stand));
    }
    assert!(last > first + 60, "{first} {last}");
}

#[test]
fn ids_are_version_seven_and_asks_run_forward_in_time() {
    for ride in ride_it(&steady(), 3, 6) {
        assert_eq!(ride.reps.len(), 12);
        assert!(
            ride.reps
                .iter()
                .all(|rep| rep.rep_id.get_version_num() == 7)
        );
        assert!(
            ride.reps
                .windows(2)
                .all(|pair| pair[0].asked_at < pair[1].asked_at)
        );
        assert!(ride.reps.iter().all(|rep| rep.measure.check().is_ok()));
    }
}

#[test]
fn the_reference_population_is_as_described() {
    let horses: Vec<Traits> = (0..2000).map(Traits::reference).collect();
    assert!(horses.iter().all(|t| (-2.5..0.0).contains(&t.start)
        && (0.02..0.15).contains(&t.rate)
        && t.weaker_by >= 0.0));
    let mean = horses.iter().map(|t| t.plateau).sum::<f64>() / 2000.0;
    assert!((mean - 2.0).abs() < 0.1, "{mean}");
    let ready = horses
        .iter()
        .filter(|t| Side::EACH.iter().all(|side| t.readiness(*side, 80) >= 0.80))
        .count();
    // About half the horses ever become ready.
    assert!((800..1300).contains(&ready), "{ready}");
}
