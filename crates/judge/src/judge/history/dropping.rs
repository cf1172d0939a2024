//! The caution of a side that went bad at once: opened by a ride, closed by soft ones or by
//! somebody who looked.

use jiff::civil::Date;

use super::day::At;
use crate::evidence::Ask;
use crate::judge::held::drop::side_drop;

impl At<'_> {
    /// Opens the caution of a side that went bad, and closes it when it is soft again.
    pub(super) fn drop(&mut self, seen: &[Ask]) {
        let asks = &self.walk.asks[..self.end()];
        if let Some(dropped) = &self.history.hold.dropped {
            if dropped.is_over(asks) {
                self.history.hold.dropped = None;
            }
            return;
        }
        self.history.hold.dropped = side_drop(seen);
    }

    /// Closes the caution of a side that somebody looked at.
    pub(super) fn answered(&mut self, day: Date) {
        let Some(dropped) = &self.history.hold.dropped else {
            return;
        };
        let is_answered = self.walk.file.answers.iter().any(|answer| {
            answer.level == self.level.level
                && answer.side == dropped.side
                && (dropped.since..=day).contains(&answer.day)
        });
        if is_answered {
            self.history.hold.dropped = None;
        }
    }
}
