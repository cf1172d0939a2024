//! The cow of the trainer: what its model promises.

use cavesson_cattle::cattle::cow_model::{
    CowLevel, CowRound, CowState, DEEP_FT, STEP_S, WIDE_FT, begin, score, step,
};
use cavesson_cattle::cattle::round::{self, ROUND_STEPS, Steered};
use cavesson_ground::ground::Point;
use cavesson_ground::ground::point::at;
use proptest::prelude::*;

const ROUND: CowRound = CowRound {
    seed: 26,
    level: CowLevel::Middling,
    stale: false,
};

/// A cow in the middle that has just thought, a horse somewhere by it.
fn met(horse: Point) -> CowState {
    let mut state = begin(&ROUND);
    state.cow = at(30.0, 40.0);
    state.way = 1.0;
    state.thinks_s = 10.0;
    state.horse = horse;
    state
}

fn ridden(mut state: CowState, round: &CowRound, steps: u32, steer: Point) -> CowState {
    for _ in 0..steps {
        step(round, &mut state, steer);
    }
    state
}

#[test]
fn with_the_horse_behind_the_point_of_balance_it_moves_on() {
    let state = ridden(met(at(22.0, 34.0)), &ROUND, 30, at(0.0, 0.0));
    assert!(state.cow.x > 31.0, "{state:?}");
    assert_eq!((state.way, state.tally.turned), (1.0, 0));
}

#[test]
fn with_the_horse_in_front_of_it_it_turns() {
    let state = ridden(met(at(38.0, 34.0)), &ROUND, 30, at(0.0, 0.0));
    assert_eq!((state.way, state.tally.turned), (-1.0, 1));
    assert!(state.cow_speed.x < 0.0, "{state:?}");
}

#[test]
fn level_with_its_eye_between_it_and_the_herd_it_stands() {
    let state = ridden(met(at(31.5, 30.0)), &ROUND, 60, at(0.0, 0.0));
    assert!(
        (state.cow.x - 30.0).abs() < 0.5 && state.cow.y >= 40.0,
        "{state:?}"
    );
}

#[test]
fn too_deep_it_bolts_past_and_is_upset() {
    let state = ridden(met(at(32.0, 37.0)), &ROUND, 45, at(0.0, 0.0));
    assert_eq!(state.tally.upset, 1);
    assert!(
        state.cow.y < 38.0 && state.cow.x < 30.0,
        "past, where the horse is not: {state:?}"
    );
}

#[test]
fn too_far_it_pays_no_heed_and_walks_to_the_herd() {
    let state = ridden(met(at(30.0, 4.0)), &ROUND, 60, at(0.0, 0.0));
    assert!(state.cow.y < 37.0 && state.tally.turned == 0, "{state:?}");
}

#[test]
fn a_stale_cow_takes_more_to_turn() {
    let stale = CowRound {
        stale: true,
        ..ROUND
    };
    let turns = |round: &CowRound, far: f64| {
        ridden(
            met(at(30.0 + far, 40.0 - 0.2 * far)),
            round,
            10,
            at(0.0, 0.0),
        )
        .tally
        .turned
            > 0
    };
    let furthest = |round: &CowRound| (4..40).rev().find(|far| turns(round, f64::from(*far)));
    assert!(furthest(&ROUND).unwrap() > furthest(&stale).unwrap() + 4);
}

/// Left and right are the same: a round in a mirror stays the mirror of the round.
#[test]
fn seen_in_a_mirror_it_is_the_same_round() {
    let mirror = |point: Point| at(WIDE_FT - point.x, point.y);
    let (mut one, mut other) = (begin(&ROUND), begin(&ROUND));
    other.way = -one.way;
    for index in 0..3600_u32 {
        let steer = at(
            f64::from(index * 37 % 200) / 100.0 - 1.0,
            f64::from(index * 53 % 160) / 100.0 - 0.8,
        );
        step(&ROUND, &mut one, steer);
        step(&ROUND, &mut other, at(-steer.x, steer.y));
        assert!(
            one.cow.to(mirror(other.cow)) < 1e-6,
            "step {index}: {one:?} {other:?}"
        );
    }
    assert_eq!(one.tally.turned, other.tally.turned);
}

#[test]
fn what_cost_a_round_adds_up() {
    let mut state = begin(&ROUND);
    state.step = 600;
    state.tally.in_position = 480;
    state.tally.ground_lost_ft = 8.0;
    state.tally.upset = 2;
    state.tally.lost = 1;
    let found = score(&state);
    assert_eq!(found.in_position_pct, 80.0);
    assert_eq!(found.score, 80.0 - 4.0 - 10.0 - 12.0);
}

/// A rider as a person with four keys: full speed or none each way, a fifth of a second ahead.
fn keys(state: &CowState) -> Point {
    let target = at(state.cow.x + 2.0 * state.way, state.cow.y - 11.0);
    let off = target - state.horse - state.horse_speed * 0.2;
    let key = |feet: f64| if feet.abs() > 1.5 { feet.signum() } else { 0.0 };
    at(key(off.x), key(off.y))
}

/// Staying between cow and herd, level with its eye, holds it; standing still does not.
#[test]
fn who_stays_level_with_its_eye_wins() {
    for level in [CowLevel::Easy, CowLevel::Middling, CowLevel::Hard] {
        let round = CowRound { level, ..ROUND };
        let (mut rider, mut stands) = (begin(&round), begin(&round));
        for _ in 0..3600 {
            let steer = keys(&rider);
            step(&round, &mut rider, steer);
            step(&round, &mut stands, at(0.0, 0.0));
        }
        let (rider, stands) = (score(&rider), score(&stands));
        assert!(rider.score > 60.0, "{level:?}: {rider:?}");
        assert!(
            rider.score > stands.score + 40.0,
            "{level:?}: {rider:?} {stands:?}"
        );
    }
}

proptest! {
    /// Whatever the rider does: inside the fence, never faster than a cow can, the same each time.
    #[test]
    fn it_stays_in_the_pen_and_within_its_speed(
        seed in any::<u32>(), stale in any::<bool>(),
        steers in prop::collection::vec((-1.0..=1.0_f64, -1.0..=1.0_f64), 20),
    ) {
        let round = CowRound { seed, level: CowLevel::Hard, stale };
        let run = || {
            let mut state = begin(&round);
            let mut all = Vec::new();
            for (x, y) in &steers {
                for _ in 0..30 {
                    step(&round, &mut state, at(*x, *y));
                    all.push(state);
                }
            }
            all
        };
        let all = run();
        prop_assert_eq!(&all, &run());
        for state in &all {
            for point in [state.cow, state.horse] {
                prop_assert!((0.0..=WIDE_FT).contains(&point.x) && (0.0..=DEEP_FT).contains(&point.y));
            }
            let speed = (state.cow_speed.x.powi(2) + state.cow_speed.y.powi(2)).sqrt();
            prop_assert!(speed <= 17.0 * 1.01, "{speed}");
        }
        let jumps = all.windows(2).filter(|two| two[0].tally.lost == two[1].tally.lost);
        for two in jumps {
            // No further than it can go in a step, and what the horse pushes it off.
            prop_assert!(two[0].cow.to(two[1].cow) < 17.0 * 1.01 * STEP_S + 2.6);
        }
    }
}

/// The steering of a round, kept step by step, gives the round again.
#[test]
fn a_round_is_ridden_again_from_its_steering() {
    let mut state = begin(&ROUND);
    let mut steered: Vec<Steered> = Vec::new();
    for _ in 0..ROUND_STEPS {
        let wanted = keys(&state);
        let (across, up) = ((wanted.x * 8.0) as i16, (wanted.y * 8.0) as i16);
        match steered.last_mut() {
            Some(last) if last.across == across && last.up == up => last.steps += 1,
            _ => steered.push(Steered {
                steps: 1,
                across,
                up,
            }),
        }
        step(
            &ROUND,
            &mut state,
            at(f64::from(across) / 8.0, f64::from(up) / 8.0),
        );
    }
    let (again, found) = round::ridden(&ROUND, &steered).unwrap();
    assert_eq!((again, found), (state, score(&state)));
    let field = |steered: &[Steered]| round::ridden(&ROUND, steered).unwrap_err().field;
    assert_eq!(field(&steered[1..]), "/steered");
    assert_eq!(field(&[]), "/steered");
    assert_eq!(
        field(&[Steered {
            steps: 3601,
            across: 0,
            up: 0
        }]),
        "/steered/0/steps"
    );
    assert_eq!(
        field(&[Steered {
            steps: 9,
            across: 9,
            up: 0
        }]),
        "/steered/0/across"
    );
}
