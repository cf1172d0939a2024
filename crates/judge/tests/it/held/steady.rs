//! Alarms and names on horses that give no reason for them: a truly even horse has no stiff
//! side, a horse that stays where it is does not slip.

use cavesson_base::Side;
use cavesson_reps::evidence::SoftCount;
use cavesson_reps::evidence::slip::slip;
use cavesson_reps::evidence::stiff::sides_apart;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, Normal};

use cavesson_told::day;

fn drawn(asks: u32, logit: f64, rng: &mut ChaCha8Rng) -> SoftCount {
    let chance = 1.0 / (1.0 + (-logit).exp());
    let mut count = SoftCount::default();
    (0..asks).for_each(|_| count.count(rng.random_bool(chance)));
    count
}

/// Twelve asks a side on three or four days, on days that differ: named in no more than one in
/// twenty, within what 4,000 horses leave to chance.
#[test]
fn a_truly_even_horse_gets_no_stiff_side() {
    let mut rng = ChaCha8Rng::seed_from_u64(31);
    let days = Normal::new(0.0, 0.7).unwrap();
    let horses = 4_000;
    for (rides, asks) in [(3, 4), (4, 3), (12, 2), (8, 6)] {
        let mut named = 0;
        for _ in 0..horses {
            let level = rng.random_range(-0.5..2.5);
            let strata: Vec<(SoftCount, SoftCount)> = (0..rides)
                .map(|_| {
                    let at = level + days.sample(&mut rng);
                    (drawn(asks, at, &mut rng), drawn(asks, at, &mut rng))
                })
                .collect();
            named += u32::from(sides_apart(strata).is_some_and(|apart| apart.is_named()));
        }
        let share = f64::from(named) / f64::from(horses);
        assert!(share <= 0.05 + 0.01, "{rides} rides of {asks}: {share}");
    }
}

/// The test by hand: every way to deal the soft answers of each day to its sides.
#[test]
fn how_sure_it_is_agrees_with_dealing_the_answers_out() {
    let count = |soft, asked| SoftCount { soft, asked };
    let strata = [
        (count(1, 4), count(4, 4)),
        (count(2, 5), count(4, 5)),
        (count(1, 4), count(3, 4)),
    ];
    let found = sides_apart(strata).unwrap();
    assert_eq!(found.stiff, Side::Left);
    let mut rng = ChaCha8Rng::seed_from_u64(7);
    let apart = |strata: &[(SoftCount, SoftCount)]| -> f64 {
        strata
            .iter()
            .map(|(l, r)| {
                f64::from(l.soft)
                    - f64::from(l.asked) * f64::from(l.soft + r.soft) / f64::from(l.asked + r.asked)
            })
            .sum::<f64>()
            .abs()
    };
    let seen = apart(&strata);
    let deals = 40_000;
    let mut as_far = 0;
    for _ in 0..deals {
        let dealt: Vec<(SoftCount, SoftCount)> = strata
            .iter()
            .map(|(l, r)| {
                let mut answers: Vec<bool> = (0..l.asked + r.asked)
                    .map(|n| n < l.soft + r.soft)
                    .collect();
                for at in (1..answers.len()).rev() {
                    answers.swap(at, rng.random_range(0..=at));
                }
                let left = answers[..l.asked as usize]
                    .iter()
                    .filter(|soft| **soft)
                    .count() as u32;
                (count(left, l.asked), count(l.soft + r.soft - left, r.asked))
            })
            .collect();
        as_far += u32::from(apart(&dealt) >= seen - 1e-9);
    }
    // The normal approximation against the exact test: close enough for a name.
    let exact = 1.0 - f64::from(as_far) / f64::from(deals);
    assert!((found.sure - exact).abs() < 0.02, "{} {exact}", found.sure);
}

/// At most one false alarm in 200 rides of a horse that stays at nine of ten, whatever the
/// number of asks; and a fall to six of ten is seen within ten rides.
#[test]
fn a_horse_that_stays_where_it_is_does_not_slip() {
    let mut rng = ChaCha8Rng::seed_from_u64(9);
    let days = Normal::new(0.0, 0.5).unwrap();
    for asks in [2u32, 4, 10] {
        let (mut alarms, mut seen) = (0u32, 0u32);
        let horses = 200;
        for _ in 0..horses {
            let rides: Vec<SoftCount> = (0..206)
                .map(|_| drawn(asks, 2.197 + days.sample(&mut rng), &mut rng))
                .collect();
            let dated = |rides: &[SoftCount]| -> Vec<_> {
                rides
                    .iter()
                    .enumerate()
                    .map(|(at, count)| (day(at as i64), *count))
                    .collect()
            };
            // Alarms are counted when they begin.
            let mut before = false;
            for until in 7..=rides.len() {
                let told = slip(&dated(&rides[..until]), day(0));
                let now = told.is_some_and(|told| told.since.is_some());
                alarms += u32::from(now && !before);
                before = now;
            }
            let mut fell: Vec<SoftCount> = rides[..40].to_vec();
            fell.extend((0..10).map(|_| drawn(asks, 0.405, &mut rng)));
            seen += u32::from(slip(&dated(&fell), day(0)).is_some_and(|told| told.since.is_some()));
        }
        let a_horse = f64::from(alarms) / f64::from(horses);
        assert!(
            a_horse <= 1.0,
            "{asks} asks: {a_horse} false alarms in 200 rides"
        );
        if asks >= 4 {
            let share = f64::from(seen) / f64::from(horses);
            assert!(share >= 0.7, "{asks} asks: seen in {share}");
        }
    }
}
