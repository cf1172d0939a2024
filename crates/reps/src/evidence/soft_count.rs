//! Soft answers among asks.

use serde::{Deserialize, Serialize};

use super::ask::Ask;

/// Soft answers and asks.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SoftCount {
    /// Soft answers.
    pub soft: u32,
    /// Asks.
    pub asked: u32,
}

impl SoftCount {
    /// The count of those asks.
    pub fn of<'a>(asks: impl IntoIterator<Item = &'a Ask>) -> SoftCount {
        let mut all = SoftCount::default();
        for ask in asks {
            all.count(ask.soft);
        }
        all
    }

    /// All of them together.
    pub fn sum(counts: &[SoftCount]) -> SoftCount {
        SoftCount {
            soft: counts.iter().map(|count| count.soft).sum(),
            asked: counts.iter().map(|count| count.asked).sum(),
        }
    }

    /// Counts one more answer.
    pub fn count(&mut self, soft: bool) {
        self.asked += 1;
        self.soft += u32::from(soft);
    }

    /// soft / asked; none when nothing was asked.
    pub fn share(self) -> Option<f64> {
        (self.asked > 0).then(|| f64::from(self.soft) / f64::from(self.asked))
    }
}
