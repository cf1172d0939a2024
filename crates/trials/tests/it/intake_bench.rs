//! The intake is held to what docs/intake.md says of it, on fewer horses and other seeds;
//! slips and luck are counted anew on the bench of the judge.

use cavesson_base::Side;
use cavesson_judge::intake::belief::Effort;
use cavesson_reps::evidence::first_answer::{LUCK_BEGUN, LUCK_UNTAUGHT, SLIP};
use cavesson_reps::ladder::Ladder;
use cavesson_trials::bench::intake::{IntakeHorse, World, intake};
use cavesson_trials::bench::{BenchHorse, FALSE_BELOW, Population, READY_FROM, RIDES};

/// Rides in which a level counts as begun.
const BEGUN_RIDES: usize = 10;

#[test]
fn slips_and_luck_are_those_of_first_asks_on_the_bench_of_the_judge() {
    let (mut slips, mut untaught, mut begun) = ([0u32; 2], [0u32; 2], [0u32; 2]);
    let add = |count: &mut [u32; 2], seen: bool| {
        count[0] += u32::from(seen);
        count[1] += 1;
    };
    for population in Population::CHOSEN_ON.iter().chain(&Population::HELD_OUT) {
        for seed in 910_000..910_040 {
            let horse = BenchHorse::ride(*population, seed, RIDES);
            let ready = horse.ready_at().unwrap_or(RIDES);
            for (ride, (day, truth)) in horse.days.iter().zip(&horse.truth).enumerate() {
                for side in Side::EACH {
                    let first = horse
                        .asks
                        .iter()
                        .find(|ask| ask.day == *day && ask.side == side);
                    let Some(first) = first else { continue };
                    if truth.weakest() >= READY_FROM {
                        add(&mut slips, !first.soft);
                    }
                    if ride == 0 {
                        add(&mut untaught, first.soft);
                    }
                    if ride < BEGUN_RIDES.min(ready) && truth.weakest() < FALSE_BELOW {
                        add(&mut begun, first.soft);
                    }
                }
            }
        }
    }
    for (count, figure) in [
        (slips, SLIP),
        (untaught, LUCK_UNTAUGHT),
        (begun, LUCK_BEGUN),
    ] {
        let share = f64::from(count[0]) / f64::from(count[1]);
        assert!((share - figure).abs() < 0.03, "{share:.3} for {figure}");
    }
}

/// One ride of 36 asks; the doc has more of it, on more horses.
#[test]
fn one_ride_places_nine_levels_in_ten() {
    let ladder = Ladder::shipped();
    let effort = Effort {
        chains: 2,
        warm_up: 32,
        sweeps: 96,
    };
    for (world, least) in [(World::Own, 0.88), (World::Trained, 0.85)] {
        let horses = 6;
        let mut right = 0.0;
        for seed in 0..horses {
            let mut horse = IntakeHorse::new(world, ladder, 50_000 + seed);
            right += intake(ladder, &mut horse, &[36], effort).right[0] / horses as f64;
        }
        assert!(right >= least, "{world:?}: {right:.3}");
    }
}
