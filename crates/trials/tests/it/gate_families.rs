//! Every family of gates: luck alone opens none of them, the risk that a gate says is the risk
//! it has, and the figures beside the gate in the program editor are those of the bench.
//!
//! Checked against the simulated horses' own truth, which no gate sees; seeds that no figure
//! was chosen on.

use cavesson_judge::judge::risk::{Passed, measured, risk};
use cavesson_reps::ladder::Gate;
use cavesson_trials::bench::families::{family, lucky};
use cavesson_trials::bench::{Family, Population};

const SEED: u64 = 900_000;

/// A coin opened the gate of runs in 58 of 100 tries of 20 rides, that of calm in 57, that of
/// obstacles in 24: nobody's horse is advanced by looking often enough.
#[test]
fn luck_alone_opens_no_gate() {
    for of in Family::ALL {
        for (chance, most) in [(0.5, 0.02), (0.6, 0.08)] {
            let through = lucky(of, chance, 20, 400, SEED);
            assert!(through <= most, "{of:?} at {chance}: {through}");
        }
    }
}

/// What chance may do to a share of so many: two standard errors.
fn by_chance(share: f64, of: usize) -> f64 {
    2.0 * (share.max(0.01) * (1.0 - share) / of.max(1) as f64).sqrt()
}

/// Within two points of what is true, in worlds whose days are each their own; and where it
/// cannot be had, more is wrong than is said, as the sentence beside it tells.
#[test]
fn the_risk_a_gate_says_is_the_risk_it_has() {
    let horses = 500;
    for of in [Family::Give, Family::Circle, Family::Obstacle, Family::Calm] {
        for world in [
            Population::Reference,
            Population::StrongDays,
            Population::VeryStrongDays,
            Population::SuddenInsight,
            Population::TwoRiders,
        ] {
            let found = family(of, world, horses, SEED);
            let (true_share, advanced) = (found.shipped.false_share, found.shipped.advanced);
            let off = (found.said - true_share).abs();
            assert!(
                off <= 0.02 + by_chance(found.said, advanced),
                "{of:?} {world:?}: said {}, true {true_share} of {advanced}",
                found.said
            );
        }
    }
    let spells = family(Family::Give, Population::LongSpells, horses, SEED);
    assert!(
        spells.shipped.false_share > spells.said + 0.05,
        "{spells:?}"
    );
    assert!(spells.shipped.false_share <= 0.25 + by_chance(0.25, spells.shipped.advanced));
}

#[test]
fn the_figures_beside_a_gate_are_those_of_the_bench() {
    for of in Family::ALL {
        let told = measured(of.level().measure).unwrap();
        let usual = family(of, Population::Reference, 400, SEED).shipped;
        let allowed = 0.01 + by_chance(told.usual, usual.advanced);
        assert!(
            (usual.false_share - told.usual).abs() <= allowed,
            "{of:?}: told {}, found {}",
            told.usual,
            usual.false_share
        );
        let later = usual.delay[1].unwrap() as f64;
        assert!(
            (later - f64::from(told.rides_later)).abs() <= 3.0,
            "{of:?}: told {}, found {later}",
            told.rides_later
        );
        assert!(usual.never_advanced <= 0.05, "{of:?} {usual:?}");
    }
}

#[test]
fn a_gate_that_asks_for_less_says_no_risk() {
    let passed = Passed {
        strong_days: 0.2,
        days: 20,
        asks_a_day: 5.0,
    };
    let said = |gate: Gate| risk(&gate, &passed).map(|risk| risk.text);
    assert_eq!(
        said(Gate::default()).unwrap(),
        "Fewer than 1 in 100 like this aren't really there. While good or bad weeks last it \
         can't be told: up to 1 in 4."
    );
    let longer = Passed { days: 45, ..passed };
    let longer = risk(&Gate::default(), &longer).unwrap();
    assert_eq!(
        longer.text,
        "About 1 in 35 like this isn't really there. While good or bad weeks last it can't be \
         told: up to 1 in 4."
    );
    for looser in [
        Gate {
            low_share: 0.6,
            ..Gate::default()
        },
        Gate {
            confidence: 0.8,
            ..Gate::default()
        },
        Gate {
            low_share: 0.0,
            ..Gate::default()
        },
    ] {
        assert_eq!(said(looser), None);
    }
}
