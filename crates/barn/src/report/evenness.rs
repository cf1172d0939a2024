//! Left against right over everything that was asked on each side in a month.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::Side;
use crate::evidence::SoftCount;
use crate::evidence::stiff::{SidesApart, sides_apart};
use crate::judge::HorseFile;

/// Asks a side below which nothing is said. Product default, the one of the stiff side.
pub const LEAST_ASKS: u32 = 12;

/// Left against right.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MonthSides {
    /// Asks and soft answers on the left.
    pub left: SoftCount,
    /// On the right.
    pub right: SoftCount,
    /// The side that is less often soft beyond chance; null where both may be alike, or where
    /// too little was asked.
    pub stiff: Option<Side>,
}

impl MonthSides {
    /// Whether enough was asked on each side to say something.
    pub fn is_known(&self) -> bool {
        self.left.asked >= LEAST_ASKS && self.right.asked >= LEAST_ASKS
    }

    /// Asks on the stiff side of all on one side.
    pub fn stiff_asks(&self) -> Option<(u32, u32)> {
        let own = match self.stiff? {
            Side::Left => self.left.asked,
            _ => self.right.asked,
        };
        Some((own, self.left.asked + self.right.asked))
    }
}

/// Left against right from one day to another, by the one estimate of the stiff side.
pub fn month_sides(file: &HorseFile, from: Date, to: Date) -> MonthSides {
    let mut sides = MonthSides {
        left: SoftCount::default(),
        right: SoftCount::default(),
        stiff: None,
    };
    let asks = file.asks.iter().flatten();
    for ask in asks.filter(|ask| (from..=to).contains(&ask.day)) {
        match ask.side {
            Side::Left => sides.left.count(ask.soft),
            Side::Right => sides.right.count(ask.soft),
            Side::Both => {}
        }
    }
    if sides.is_known() {
        let apart = sides_apart(file.sides_by_day(from, to)).filter(SidesApart::is_named);
        sides.stiff = apart.map(|apart| apart.stiff);
    }
    sides
}
