//! What the gate is held against at the end of a day.

use crate::Side;
use crate::evidence::Ask;
use crate::evidence::readiness::{self, Readiness};
use crate::judge::rails::{Tally, failing, rails};
use crate::judge::verdict::Gated;
use crate::judge::window::{Below, GateInput, window_of};
use crate::ladder::Gate;

/// The gate on the last day of `asks`, by the gate alone: on other asks than those of the
/// record.
pub(in crate::judge) fn gate_on_last_day(
    asks: &[Ask],
    gate: &Gate,
    sides: &'static [Side],
    below: Option<Below>,
) -> Option<Gated> {
    let last = asks.last()?.day;
    let start = asks.partition_point(|ask| ask.day < last);
    let before = Readiness::after(&asks[..start]);
    let end_of_day = EndOfDay {
        asks,
        from: 0,
        start,
        before: &before,
        known: None,
        gate,
        sides,
        below,
        seen: None,
    };
    let all = end_of_day.counting(asks.len());
    Some(end_of_day.counted_asks(all).gated)
}

/// The end of one day at a level.
pub(super) struct EndOfDay<'a> {
    pub(super) asks: &'a [Ask],
    /// The gate looks at asks from here on.
    pub(super) from: usize,
    /// Where the day's asks begin.
    pub(super) start: usize,
    pub(super) before: &'a Readiness,
    /// The readiness after all asks of the day, where an earlier walk knows it.
    pub(super) known: Option<&'a Readiness>,
    pub(super) gate: &'a Gate,
    pub(super) sides: &'static [Side],
    pub(super) below: Option<Below>,
    /// The asks in the window of all of them, where they are known.
    pub(super) seen: Option<&'a [Ask]>,
}

/// What the gate is held against that evening.
pub(super) struct CountedAsks {
    pub(super) counted: usize,
    pub(super) readiness: Readiness,
    pub(super) gated: Gated,
    pub(super) rails: u32,
}

impl EndOfDay<'_> {
    /// All asks count. But one more soft answer must never close a gate that
    /// stood open before it (it could: by making the day look like a good day, or
    /// the better side better still), so soft answers at the very end are left
    /// out where that opens the gate.
    pub(super) fn counted_asks(&self, all: CountedAsks) -> CountedAsks {
        if all.gated.passes || !all.gated.only_hurt_by_soft {
            return all;
        }
        let trailing = self.asks[self.start..]
            .iter()
            .rev()
            .take_while(|ask| ask.soft)
            .count();
        (1..=trailing)
            .map(|fewer| self.counting(self.asks.len() - fewer))
            .find(|counted_asks| counted_asks.gated.passes)
            .unwrap_or(all)
    }

    pub(super) fn counting(&self, counted: usize) -> CountedAsks {
        let mut readiness = *self.before;
        match self.known {
            Some(known) if counted == self.asks.len() => readiness = *known,
            _ if counted > self.start => {
                let day = &self.asks[self.start..counted];
                readiness.day(day[0].day, &readiness::DayEvidence::of(day));
            }
            _ => {}
        }
        let on = self.asks[self.start].day;
        let asks = &self.asks[self.from.min(counted)..counted];
        let known = self.seen.filter(|_| counted == self.asks.len());
        let seen = known.unwrap_or_else(|| window_of(asks, self.gate, on));
        let shown = GateInput {
            asks,
            on,
            readiness: &readiness,
            below: self.below,
            sides: self.sides,
        };
        let tally = Tally::of(&shown, seen, self.gate);
        CountedAsks {
            counted,
            gated: Gated::of(failing(&shown, &tally, self.gate)),
            rails: rails(&shown, self.gate).count() as u32,
            readiness,
        }
    }
}
