//! What becomes of a level after it was gained, held to the figures that are stated
//! (docs/judge.md), on other seeds than stand there.

use std::collections::HashMap;
use std::sync::{Arc, LazyLock, Mutex, OnceLock};

use cavesson_trials::bench::Population;
use cavesson_trials::bench::afterwards::{Afterwards, afterwards, brake_afterwards};

type Once = Arc<OnceLock<Afterwards>>;

/// Each world is followed once, whichever test asks first.
fn of(population: Population) -> Afterwards {
    static FOUND: LazyLock<Mutex<HashMap<&'static str, Once>>> = LazyLock::new(Mutex::default);
    let once = FOUND
        .lock()
        .unwrap()
        .entry(population.name())
        .or_default()
        .clone();
    once.get_or_init(|| afterwards(population, 600, 720_000))
        .clone()
}

#[test]
fn levels_that_are_truly_ready_are_hardly_ever_lost() {
    for population in [
        Population::Reference,
        Population::StrongDays,
        Population::Spells,
    ] {
        let found = of(population);
        assert!(found.false_losses <= 0.3, "{population:?} {found:?}");
    }
    for population in [Population::StrongSpells, Population::LongSpells] {
        let found = of(population);
        assert!(found.false_losses <= 0.6, "{population:?} {found:?}");
    }
}

#[test]
fn what_is_called_held_is_nearly_always_there() {
    let found = of(Population::Reference);
    assert!(found.held_but_not_there <= 0.005, "{found:?}");
    let found = of(Population::Spells);
    assert!(found.held_but_not_there <= 0.03, "{found:?}");
}

#[test]
fn a_hurt_side_is_noticed_within_twelve_rides_in_the_median() {
    let found = of(Population::Reference);
    assert!(
        found.hurt.median.is_some_and(|rides| rides <= 12),
        "{found:?}"
    );
    assert!(
        found.hurt.nine_of_ten.is_some_and(|rides| rides <= 35),
        "{found:?}"
    );
}

#[test]
fn a_brake_that_falls_is_lost_within_rides_and_a_good_one_is_kept() {
    for (readiness, asks, most) in [
        (0.85, 2, 5),
        (0.70, 2, 3),
        (0.50, 2, 2),
        (0.85, 1, 9),
        (0.70, 1, 5),
        (0.50, 1, 3),
    ] {
        let found = brake_afterwards(readiness, asks, 800, 720_000);
        assert!(
            found.lost.median.is_some_and(|rides| rides <= most),
            "{found:?}"
        );
    }
    for (readiness, asks, most) in [(0.97, 2, 1.6), (0.99, 2, 0.3), (0.97, 1, 0.9)] {
        let found = brake_afterwards(readiness, asks, 800, 720_000);
        assert!(found.losses <= most, "{found:?}");
    }
}
