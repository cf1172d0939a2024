//! Asks, ladder and evidence, held against what it says of itself, against published figures, and against readings
//! of the rules that know nothing of its code.
//!
//! - [`clusters`]: asks of one day are alike: intervals that count asks as if each were its own call chance "very likely real" far too often
//! - [`golden_filter`]: the readiness filter, the learning test and the season's comparison against general-purpose libraries: scipy 1.17.1 and statsmodels 0.15.0
//! - [`horse_rows`]: several horses from rows
//! - [`ladder_file`]: the ladder file: what is refused, and where; what the shipped one holds
//! - [`measure_registry`]: every measure, by the registry: what its file says of itself holds together
//! - [`measures`]: every kind of rep: when it is soft, which faults it tells of, what is refused
//! - [`programs`]: programs: schools and changed gates on the ladder
//! - [`published_charts`]: slip alarm and trend against published worked examples and tables
//! - [`published_give_times`]: times to give against a published survival analysis
//! - [`published_shares`]: soft-share bounds against published figures
//! - [`simulated_horse`]: the simulated horse answers as its traits say

mod clusters;
mod golden_filter;
mod horse_rows;
mod ladder_file;
mod measure_registry;
mod measures;
mod programs;
mod published_charts;
mod published_give_times;
mod published_shares;
mod simulated_horse;
