//! Which ask of a rein gauge a hold of the thumb was.

use serde::{Deserialize, Serialize};

use super::rein_gauge::GaugeAsk;
use crate::Side;

/// A hold of the thumb while the gauge was heard, in seconds of the page's clock.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GaugeHeld))]
#[serde(deny_unknown_fields)]
pub struct Hold {
    /// The side that was held.
    pub side: Side,
    /// When it was pressed.
    pub pressed_s: f64,
    /// When it was let go.
    pub released_s: f64,
}

/// So much earlier or later than the rein a thumb may be.
pub const THUMB_S: f64 = 0.75;

/// By how much the page's clock is ahead of the gauge's: readings take longer or shorter to
/// arrive, the quickest of them tells.
fn ahead_s(heard: &[(f64, f64)]) -> Option<f64> {
    heard
        .iter()
        .map(|(at_s, heard_s)| heard_s - at_s)
        .min_by(f64::total_cmp)
}

/// The ask of the gauge that a hold of the thumb was: of its side, and begun and let go about
/// when the thumb was. `heard` are the last readings: when they were made by the gauge's clock,
/// when they were heard by the page's.
///
/// # Source
/// A thumb follows the hand by a quarter of a second or so, seldom by more than half of one:
/// product default, checked on holds whose truth is known.
pub fn of_hold(asks: &[GaugeAsk], heard: &[(f64, f64)], hold: &Hold) -> Option<GaugeAsk> {
    let ahead_s = ahead_s(heard)?;
    let (from, to) = (hold.pressed_s - ahead_s, hold.released_s - ahead_s);
    let off = |ask: &GaugeAsk| (ask.onset_s - from).abs().max((ask.release_s - to).abs());
    asks.iter()
        .filter(|ask| ask.side == hold.side || ask.side == Side::Both || hold.side == Side::Both)
        .filter(|ask| off(ask) <= THUMB_S)
        .min_by(|one, two| off(one).total_cmp(&off(two)))
        .copied()
}
