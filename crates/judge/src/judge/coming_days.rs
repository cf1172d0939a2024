//! Days that have not come yet, put behind the known ones: for what it would take and
//! for forecasts.

use jiff::civil::Date;
use jiff::{Timestamp, ToSpan};
use uuid::Uuid;

use super::rails::{Rail, Tally, failing};
use super::window::{Below, GateInput, window_of};
use crate::Side;
use crate::evidence::Ask;
use crate::evidence::readiness::{DayEvidence, Readiness};
use crate::ladder::{FaultSet, Gate};
use crate::rep::TimeToGive;

/// The asks a gate looks at, those of coming days behind them, and what they show.
pub(super) struct ComingDays<'a> {
    shown: &'a GateInput<'a>,
    gate: &'a Gate,
    asks: Vec<Ask>,
    pub(super) readiness: Readiness,
    on: Date,
    /// How many have come.
    pub(super) days: u32,
}

/// One ask of a coming day: its side, whether it is soft, and the time it takes.
pub(super) type ComingAsk = (Side, bool, Option<TimeToGive>);

/// The rail that is least filled; none when all pass.
pub(super) fn least_filled(shown: &GateInput<'_>, tally: &Tally, gate: &Gate) -> Option<Rail> {
    failing(shown, tally, gate)
        .min_by(|a, b| a.filled(tally, gate).total_cmp(&b.filled(tally, gate)))
}

impl<'a> ComingDays<'a> {
    /// Begins after the day of `shown`. Asks before the window are left out, but for
    /// the run of soft ones that a gate may want.
    pub(super) fn after(shown: &'a GateInput<'a>, known: &[Ask], gate: &'a Gate) -> ComingDays<'a> {
        let run = gate.no_miss_reps as usize * shown.sides.len();
        let from = (shown.asks.len() - known.len()).saturating_sub(run);
        ComingDays {
            shown,
            gate,
            asks: shown.asks[from..].to_vec(),
            readiness: *shown.readiness,
            on: shown.on,
            days: 0,
        }
    }

    /// Puts one more day behind, so many days after the last.
    pub(super) fn day(&mut self, gap_days: i64, asked: impl Iterator<Item = ComingAsk>) {
        self.days += 1;
        self.on = self.on.saturating_add(gap_days.days());
        let mut shown = DayEvidence::default();
        let before = self.asks.len();
        for (side, soft, time) in asked {
            shown.add(side, soft, 0.0);
            self.asks.push(Ask {
                rep_id: Uuid::nil(),
                // A ride that has not been ridden: its id counts from one.
                ride_id: Uuid::from_u128(u128::from(self.days)),
                day: self.on,
                asked_at: Timestamp::MAX,
                side,
                soft,
                count: 1,
                time,
                faults: FaultSet::default(),
                rider_offset: 0.0,
                new_rig: false,
            });
        }
        if self.asks.len() > before {
            self.readiness.day(self.on, &shown);
        }
    }

    /// Whether every rail passes by then.
    pub(super) fn pass(&self) -> bool {
        let shown = self.shown();
        failing(&shown, &self.tally(&shown), self.gate)
            .next()
            .is_none()
    }

    /// The rail that is least filled by then; none when all pass.
    pub(super) fn least_filled(&self) -> Option<Rail> {
        let shown = self.shown();
        least_filled(&shown, &self.tally(&shown), self.gate)
    }

    fn shown(&self) -> GateInput<'_> {
        GateInput {
            asks: &self.asks,
            on: self.on,
            readiness: &self.readiness,
            below: self.shown.below.map(|_| Below([Some(1.0); 2])),
            sides: self.shown.sides,
        }
    }

    fn tally(&self, shown: &GateInput<'_>) -> Tally {
        Tally::of(shown, window_of(&self.asks, self.gate, self.on), self.gate)
    }
}
