//! The soft map: where the horse is soft, by part, side and gait, in the last
//! fourteen days against the fourteen before.

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::horse_file::HorseFile;
use crate::evidence::SoftCount;
use crate::ladder::{Ladder, Zone};
use crate::{Gait, Side};

/// Days of each half.
pub const DAYS: i64 = 14;

/// One part of the horse on one side at one gait.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MapZone {
    /// The part.
    pub zone: Zone,
    /// The side; an ask of both sides counts for each.
    pub side: Side,
    /// The gait.
    pub gait: Gait,
    /// The last fourteen days.
    pub now: SoftCount,
    /// The fourteen before.
    pub before: SoftCount,
}

/// The soft map on `on`: every part and side at every gait that was asked in the
/// last four weeks, from the head back.
pub fn soft_map(ladder: &Ladder, file: &HorseFile, on: Date) -> Vec<MapZone> {
    let middle = on.saturating_sub(DAYS.days());
    let oldest = on.saturating_sub((2 * DAYS).days());
    let mut zones: Vec<MapZone> = Vec::new();
    for (level, asks) in ladder.levels.iter().zip(&file.asks) {
        let Some(zone) = level.zone else { continue };
        let start = asks.partition_point(|ask| ask.day <= oldest);
        let end = asks.partition_point(|ask| ask.day <= on);
        for ask in &asks[start..end] {
            for side in Side::EACH {
                if ask.side == side || ask.side == Side::Both {
                    let at = entry(&mut zones, zone, side, level.gait);
                    let half = if ask.day > middle {
                        &mut at.now
                    } else {
                        &mut at.before
                    };
                    half.count(ask.soft);
                }
            }
        }
    }
    zones.sort_by_key(|at| (at.gait, at.zone, at.side));
    zones
}

fn entry(zones: &mut Vec<MapZone>, zone: Zone, side: Side, gait: Gait) -> &mut MapZone {
    let known = zones
        .iter()
        .position(|at| (at.zone, at.side, at.gait) == (zone, side, gait));
    let index = known.unwrap_or_else(|| {
        zones.push(MapZone {
            zone,
            side,
            gait,
            now: SoftCount::default(),
            before: SoftCount::default(),
        });
        zones.len() - 1
    });
    &mut zones[index]
}
