//! What came of quitting on a good one: the first asks of the next ride at the level, of
//! the times it was quit there against the times it went on.
//!
//! Told from what was recorded: the signal is found anew in the asks of each ride, and it
//! was taken when nothing more was asked of the level on that ride. The minutes a block
//! had are not known afterwards, so that rule is left out; so is tiring, which is no good
//! place but an end.
//!
//! Source: common practice of the trade, no source (quit on a good one).

use std::collections::BTreeMap;

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::quit::{Before, BlockAsk, Quit, quit};
use crate::Side;
use crate::evidence::share::{Difference, PRIOR_ICC, difference_of_days, quantile};
use crate::evidence::{Ask, SoftCount};
use crate::judge::HorseFile;

/// How the signal was used, and the next first asks.
#[derive(Debug, Clone, Copy, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct QuitUse {
    /// Times a level was quit on the signal.
    pub taken: u32,
    /// Soft first asks, a side each, the next time it was asked.
    pub after_taken: SoftCount,
    /// Times it went on.
    pub went_on: u32,
    /// The same of those.
    pub after_went_on: SoftCount,
    /// The soft share after it was taken less that after it went on, with its bounds at 95 %,
    /// the days of the next rides taken as clusters; none until both came.
    pub difference: Option<Difference>,
}

/// Over all levels of a horse, on its rides from one day to another.
pub fn quit_use(file: &HorseFile, from: Date, on: Date) -> QuitUse {
    let mut found = QuitUse::default();
    let mut days: [BTreeMap<Date, SoftCount>; 2] = Default::default();
    for index in 0..file.asks.len() {
        let asks = file.asks_until(index, on);
        let rides: Vec<&[Ask]> = asks.chunk_by(|a, b| a.ride_id == b.ride_id).collect();
        let own = rides.iter().enumerate();
        for (number, ride) in own.filter(|(_, ride)| ride[0].day >= from) {
            let before = Before {
                brand_new: number == 0,
                last_ride: number
                    .checked_sub(1)
                    .map_or_else(SoftCount::default, |last| SoftCount::of(rides[last])),
                ..Before::default()
            };
            let (Some(at), Some(next)) = (signal_at(ride, &before), rides.get(number + 1)) else {
                continue;
            };
            let (times, after, days) = if at == ride.len() {
                (&mut found.taken, &mut found.after_taken, &mut days[0])
            } else {
                (&mut found.went_on, &mut found.after_went_on, &mut days[1])
            };
            *times += 1;
            let day = days.entry(next[0].day).or_default();
            for side in [Side::Left, Side::Right, Side::Both] {
                if let Some(first) = next.iter().find(|ask| ask.side == side) {
                    after.count(first.soft);
                    day.count(first.soft);
                }
            }
        }
    }
    let [taken, went_on] = days.map(|days| days.into_values().collect::<Vec<_>>());
    let z = quantile(0.95, true);
    found.difference = difference_of_days(&taken, &went_on, PRIOR_ICC, z);
    found
}

/// After how many asks the first good place came; none where none did.
fn signal_at(ride: &[Ask], before: &Before) -> Option<usize> {
    let asks: Vec<BlockAsk> = ride
        .iter()
        .map(|ask| BlockAsk {
            side: ask.side,
            soft: ask.soft,
            after_ms: None,
        })
        .collect();
    (1..=asks.len())
        .find(|so_far| quit(&asks[..*so_far], before).is_some_and(|signal| signal != Quit::Tiring))
}
