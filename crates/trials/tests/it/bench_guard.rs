//! The shipped rule is held to what docs/judge.md says of it, on fewer horses and
//! other seeds than stand there.

use cavesson_reps::sim_horse::Traits;
use cavesson_trials::bench::coverage::coverage;
use cavesson_trials::bench::{BenchHorse, Population, RIDES, Rule, RuleResult};

const HORSES: u64 = 500;

fn horses(population: Population) -> Vec<BenchHorse> {
    (700_000..700_000 + HORSES)
        .map(|seed| BenchHorse::ride(population, seed, RIDES))
        .collect()
}

/// Horses where a stated target is held against a share of some per cent.
const MANY: u64 = 3_000;

/// The stated targets (docs/judge.md, "Good and bad weeks"), as they stand and not widened:
/// the most false advances, and the longest median delay.
#[test]
fn false_advances_and_delays_are_at_the_stated_targets() {
    for (population, false_advances, delay) in [
        (Population::Reference, 0.03, Some(6)),
        (Population::StrongDays, 0.03, Some(8)),
        (Population::NearTheNeed, 0.07, None),
        (Population::SuddenInsight, 0.03, Some(12)),
        (Population::Spells, 0.10, None),
        (Population::StrongSpells, 0.16, None),
        (Population::LongSpells, 0.23, None),
    ] {
        let horses: Vec<BenchHorse> = (700_000..700_000 + MANY)
            .map(|seed| BenchHorse::ride(population, seed, RIDES))
            .collect();
        let shipped = RuleResult::of(Rule::Shipped, &horses);
        assert!(
            shipped.false_share <= false_advances,
            "{population:?} {shipped:?}"
        );
        let late = shipped.delay[1].unwrap_or(i64::MAX);
        assert!(
            delay.is_none_or(|most| late <= most),
            "{population:?} {shipped:?}"
        );
        assert!(shipped.never_advanced <= 0.05, "{population:?} {shipped:?}");
    }
}

/// Rides by which the shipped rule may be later than the plain window in a world without a
/// target of its own: what good and bad weeks cost where there are none.
const LATER: i64 = 6;

/// In every other world that was held out: at most 6 % false advances, or fewer than the plain
/// window on the same horses; with 500 horses within what chance may do.
#[test]
fn the_shipped_rule_stands_in_worlds_it_was_not_chosen_on() {
    let with_targets = [Population::StrongSpells, Population::LongSpells];
    for population in Population::HELD_OUT {
        if with_targets.contains(&population) {
            continue;
        }
        let horses = horses(population);
        let shipped = RuleResult::of(Rule::Shipped, &horses);
        let window = RuleResult::of(Rule::WilsonWindow, &horses);
        let chance = 2.0 * (0.06 * 0.94 / shipped.advanced.max(1) as f64).sqrt();
        assert!(
            shipped.false_share <= 0.06 + chance || shipped.false_share <= window.false_share,
            "{population:?} {shipped:?} {window:?}"
        );
        // One or two asks every fourth day are fewer than twelve in the window's 21 days: such a
        // level is never let through by the default gate, and docs/judge.md says so.
        if population == Population::RareAsks {
            continue;
        }
        let late = |result: &RuleResult| result.delay[1].unwrap_or(i64::MAX);
        assert!(
            late(&shipped) <= late(&window).saturating_add(LATER),
            "{population:?} {shipped:?} {window:?}"
        );
    }
}

/// Whoever quits on the first soft one asks once or twice: the plain window never sees
/// twelve asks, the gate looks further back.
#[test]
fn a_rider_who_quits_on_the_first_soft_one_gets_there() {
    let horses = horses(Population::QuitsOnFirstSoft);
    let shipped = RuleResult::of(Rule::Shipped, &horses);
    // A third of the evidence, and good weeks are not told from a good horse any sooner.
    assert!(shipped.never_advanced < 0.25, "{shipped:?}");
    assert!(shipped.false_share <= 0.05, "{shipped:?}");
}

#[test]
fn thumb_rules_do_not_pass_the_bench() {
    let horses = horses(Population::Reference);
    for rule in [Rule::ThreeInARow, Rule::TenRides, Rule::LastRide] {
        let result = RuleResult::of(rule, &horses);
        assert!(result.false_share > 0.5, "{result:?}");
    }
}

#[test]
fn forecast_ranges_hold_four_of_five() {
    // On seeds that nothing was chosen on; the same horses each time, so nothing is left to
    // chance here.
    for population in [Population::Reference, Population::StrongDays] {
        let told = coverage(population, 120, 710_000);
        assert!(told.ranges > 300, "{told:?}");
        assert!(
            (0.75..=0.85).contains(&told.coverage),
            "{population:?}: {told:?}"
        );
    }
}

#[test]
fn the_same_seed_gives_the_same_horse_and_the_same_verdict() {
    let ride = || BenchHorse::ride(Population::Richer, 7, 40);
    let (one, other) = (ride(), ride());
    assert_eq!(one.asks, other.asks);
    for rule in Rule::ALL {
        assert_eq!(rule.advances_at(&one), rule.advances_at(&other));
    }
}

#[test]
fn horses_of_the_bench_are_as_described() {
    let horse = BenchHorse::ride(Population::LayOffs, 11, 30);
    assert_eq!(horse.days.len(), 30);
    let off = (horse.days[12] - horse.days[11]).get_days();
    assert_eq!(off, 22, "three weeks off after the twelfth ride");
    assert!(
        horse.truth[12].weakest() < horse.truth[11].weakest(),
        "it forgot"
    );
    let worsening = Traits {
        worsens_from: 30,
        worsens_by: 0.06,
        ..Traits::reference(3)
    };
    let side = worsening.weaker_side;
    assert!(worsening.readiness(side, 60) < Traits::reference(3).readiness(side, 60));
    assert_eq!(
        worsening.readiness(side.other(), 60),
        Traits::reference(3).readiness(side.other(), 60)
    );
}
