//! Which piece of the shelf is one step milder.
//!
//! # Formula
//! Pieces are put in order by leverage (none for rings and bosals, then shank by purchase),
//! then by what lies in the mouth (nothing, a plain bar, a joint, a port, a twist), then by the
//! thinness of the bar. One step milder is the nearest below that the horse's program allows.
//!
//! # Source
//! Common practice, no source; the order is a product default.

use uuid::Uuid;

use super::measures::{GearMeasures, Mouthpiece};

/// A piece on the shelf, as far as its severity goes.
#[derive(Debug, Clone, Copy)]
pub struct OnShelf<'a> {
    /// Its id.
    pub gear_id: Uuid,
    /// Nothing lies in the mouth.
    pub bitless: bool,
    /// Its measures.
    pub measures: &'a GearMeasures,
}

/// What the order goes by: the larger, the stronger.
type Strength = (f64, u8, f64);

impl OnShelf<'_> {
    fn strength(&self) -> Strength {
        let mouth = match self.measures.mouthpiece {
            _ if self.bitless => 0,
            None | Some(Mouthpiece::Plain) => 1,
            Some(Mouthpiece::Jointed) => 2,
            Some(Mouthpiece::Ported) => 3,
            Some(Mouthpiece::Twisted) => 4,
        };
        let leverage = if self.bitless {
            0.0
        } else {
            self.measures.leverage().unwrap_or(0.0)
        };
        (leverage, mouth, -self.measures.bar_in.unwrap_or(0.375))
    }
}

/// The nearest piece that is milder than `than`; none where nothing on the shelf is.
pub fn one_milder(than: &OnShelf<'_>, shelf: &[OnShelf<'_>]) -> Option<Uuid> {
    let strength = than.strength();
    shelf
        .iter()
        .filter(|piece| piece.gear_id != than.gear_id && less(piece.strength(), strength))
        .max_by(|a, b| order(a.strength(), b.strength()))
        .map(|piece| piece.gear_id)
}

fn order(a: Strength, b: Strength) -> std::cmp::Ordering {
    a.0.total_cmp(&b.0)
        .then(a.1.cmp(&b.1))
        .then(a.2.total_cmp(&b.2))
}

fn less(a: Strength, b: Strength) -> bool {
    order(a, b) == std::cmp::Ordering::Less
}
