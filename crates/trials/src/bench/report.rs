//! The table of the bench.

use serde::Serialize;

use super::coverage::{ForecastCoverage, coverage};
use super::result::missed_ease_backs;
use super::{BenchHorse, Population, RIDES, Rule, RuleResult};

/// Everything measured on one population.
#[derive(Debug, Clone, Serialize)]
pub struct OnPopulation {
    /// What the population is.
    pub population: &'static str,
    /// Horses.
    pub horses: usize,
    /// Share of them that ever became ready.
    pub ready_share: f64,
    /// What each rule did.
    pub rules: Vec<RuleResult>,
    /// Share of the rides due for it on which the judge did not ease back.
    pub missed_ease_backs: f64,
    /// The forecasts.
    pub coverage: ForecastCoverage,
}

/// The whole bench.
#[derive(Debug, Clone, Serialize)]
pub struct Report {
    /// Seed of the first horse.
    pub first_seed: u64,
    /// Population by population.
    pub populations: Vec<OnPopulation>,
}

/// Runs the bench: `horses` of each population through every rule, and forecasts
/// on `forecast_horses` of them.
pub fn run(
    populations: &[Population],
    horses: u64,
    forecast_horses: u64,
    first_seed: u64,
    mut done: impl FnMut(&OnPopulation),
) -> Report {
    let populations = populations
        .iter()
        .map(|population| {
            let measured = on_population(*population, horses, forecast_horses, first_seed);
            done(&measured);
            measured
        })
        .collect();
    Report {
        first_seed,
        populations,
    }
}

fn on_population(
    population: Population,
    horses: u64,
    forecast_horses: u64,
    first_seed: u64,
) -> OnPopulation {
    let ridden: Vec<BenchHorse> = (first_seed..first_seed + horses)
        .map(|seed| BenchHorse::ride(population, seed, RIDES))
        .collect();
    let ready = ridden
        .iter()
        .filter(|horse| horse.ready_at().is_some())
        .count();
    OnPopulation {
        population: population.name(),
        horses: ridden.len(),
        ready_share: ready as f64 / ridden.len().max(1) as f64,
        rules: Rule::ALL
            .into_iter()
            .map(|rule| RuleResult::of(rule, &ridden))
            .collect(),
        missed_ease_backs: missed_ease_backs(&ridden),
        coverage: coverage(population, forecast_horses, first_seed),
    }
}

impl OnPopulation {
    /// The table in Markdown.
    pub fn table(&self) -> String {
        let mut table = format!(
            "### {}\n\n{} horses, {:.0}% of which ever become ready.\n\n\
             | rule | advanced | false advances | of those: truly soft, rides early | never ready, advanced falsely | delay in rides: quartiles | ready, never advanced |\n\
             |---|---:|---:|---:|---:|---:|---:|\n",
            self.population,
            self.horses,
            100.0 * self.ready_share
        );
        for rule in &self.rules {
            let delay =
                |rides: Option<i64>| rides.map_or("-".to_owned(), |rides| rides.to_string());
            table += &format!(
                "| {} | {} | {:.1}% | {}, {} | {:.1}% | {} / **{}** / {} | {:.1}% |\n",
                rule.rule,
                rule.advanced,
                100.0 * rule.false_share,
                rule.false_readiness
                    .map_or("-".to_owned(), |soft| format!("{soft:.2}")),
                rule.rides_early
                    .map_or("never".to_owned(), |rides| rides.to_string()),
                100.0 * rule.false_of_never_ready,
                delay(rule.delay[0]),
                delay(rule.delay[1]),
                delay(rule.delay[2]),
                100.0 * rule.never_advanced,
            );
        }
        table += &format!(
            "\nMissed ease-backs: {:.1}% of the rides due for one. Forecasts: of {} ranges {:.1}% held \
             what happened ({:.1}% came sooner, {:.1}% later); {:.0}% of the questions were answered \
             \"cannot say yet\".\n",
            100.0 * self.missed_ease_backs,
            self.coverage.ranges,
            100.0 * self.coverage.coverage,
            100.0 * self.coverage.sooner,
            100.0 * self.coverage.later,
            100.0 * self.coverage.cannot_say,
        );
        table
    }
}
