//! The calculators: everything the core computes, reachable without database,
//! server or screen. One JSON object in, one out; units stand in the field
//! names.
//!
//! - [`share`], [`give_times`], [`evenness`], [`trend`], [`ewma`], [`cusum`]
//! - [`soft`], [`quit`], [`gate`], [`judge`]
//! - [`card`], [`intake`], [`day_rules`], [`week_rules`], [`simulate_horse`]
//! - [`load`], [`heat`], [`cool_out`]
//! - [`pace`], [`road`]
//! - [`lay`], [`cloverleaf`], [`fit_course`], [`setting_out`], [`drill`], [`trail_check`], [`runs`],
//!   [`homography`], [`tape`]
//! - [`ride_track`], [`gauge_asks`], [`gauge_live`], [`gauge_hold`], [`sheet_look`]
//! - [`honesty`], [`match_cattle`], [`next_cow`], [`flag_program`], [`cow_step`]
//! - [`curb`], [`snaffle`], [`show_rules`], [`two_rein`], [`bit_change`]

pub mod bit_change;
pub mod calculator;
pub mod card;
pub mod cloverleaf;
pub mod cool_out;
pub mod cow_step;
pub mod curb;
pub mod cusum;
pub mod day_rules;
pub mod drill;
pub mod evenness;
pub mod ewma;
pub mod fit_course;
pub mod flag_program;
pub mod gate;
pub mod gauge_asks;
pub mod gauge_hold;
pub mod gauge_live;
pub mod give_times;
pub mod heat;
pub mod homography;
pub mod honesty;
pub mod intake;
pub mod judge;
pub mod lay;
pub mod load;
pub mod match_cattle;
pub mod next_cow;
pub mod pace;
pub mod quit;
pub mod ride_track;
pub mod road;
pub mod runs;
pub mod setting_out;
pub mod share;
pub mod sheet_look;
pub mod show_rules;
pub mod simulate_horse;
pub mod snaffle;
pub mod soft;
pub mod tape;
pub mod trail_check;
pub mod trend;
pub mod two_rein;
pub mod week_rules;

pub use calculator::{Calculator, Cost};
#[cfg(feature = "schema")]
pub use calculator::{Schemas, join_variants, json_schema, relink};

/// All calculators, in the order they are listed.
pub const ALL: &[Calculator] = &[
    share::CALCULATOR,
    give_times::CALCULATOR,
    evenness::CALCULATOR,
    trend::CALCULATOR,
    ewma::CALCULATOR,
    cusum::CALCULATOR,
    soft::CALCULATOR,
    quit::CALCULATOR,
    gate::CALCULATOR,
    judge::CALCULATOR,
    card::CALCULATOR,
    intake::CALCULATOR,
    day_rules::CALCULATOR,
    week_rules::CALCULATOR,
    load::CALCULATOR,
    heat::CALCULATOR,
    cool_out::CALCULATOR,
    pace::CALCULATOR,
    road::CALCULATOR,
    lay::CALCULATOR,
    cloverleaf::CALCULATOR,
    fit_course::CALCULATOR,
    setting_out::CALCULATOR,
    drill::CALCULATOR,
    trail_check::CALCULATOR,
    runs::CALCULATOR,
    homography::CALCULATOR,
    tape::CALCULATOR,
    ride_track::CALCULATOR,
    sheet_look::CALCULATOR,
    gauge_asks::CALCULATOR,
    gauge_live::CALCULATOR,
    gauge_hold::CALCULATOR,
    honesty::CALCULATOR,
    match_cattle::CALCULATOR,
    next_cow::CALCULATOR,
    flag_program::CALCULATOR,
    cow_step::CALCULATOR,
    curb::CALCULATOR,
    snaffle::CALCULATOR,
    show_rules::CALCULATOR,
    two_rein::CALCULATOR,
    bit_change::CALCULATOR,
    simulate_horse::CALCULATOR,
];

/// The calculator of that name.
pub fn find(name: &str) -> Option<&'static Calculator> {
    ALL.iter().find(|calculator| calculator.name == name)
}
