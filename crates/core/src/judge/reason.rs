//! Every reason of a verdict, each with its place: what holds a level back first.

use serde::{Deserialize, Serialize};

use super::gate_check::GateCheck;
use super::item::ItemKind;
use super::overrule::Overrule;
use super::standing::Standing;
use super::verdict::Verdict;
use super::{Caution, words};
use crate::Side;
use crate::ladder::{Ladder, LadderLevel, Level};

/// One reason, with its place.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Reason {
    /// The rail it speaks of, when it is one.
    pub item: Option<ItemKind>,
    /// The side it speaks of.
    pub side: Option<Side>,
    /// The level it speaks of, when that is another.
    pub level: Option<Level>,
    /// Whether it holds the level back.
    pub holds_back: bool,
    /// The reason in a sentence.
    pub text: String,
}

/// All reasons of a level, those that hold it back first.
pub(super) fn reasons(
    standing: &Standing,
    check: &GateCheck,
    level: &LadderLevel,
    ladder: &Ladder,
    overrule: Option<&Overrule>,
) -> Vec<Reason> {
    let mut all = Vec::new();
    let own = |side, level, text| Reason {
        item: None,
        side,
        level,
        holds_back: true,
        text,
    };
    for caution in &standing.cautions {
        let side = match caution {
            Caution::SideDrop(drop) => Some(drop.side),
            _ => None,
        };
        all.push(own(side, None, words::caution(caution)));
    }
    if let Some(eased) = &standing.eased {
        all.push(own(None, None, words::eased(eased, ladder)));
    }
    if let Some(otherwise) = standing.without_riders {
        all.push(Reason {
            holds_back: standing.verdict != Verdict::Advance,
            ..own(None, None, words::riders(otherwise))
        });
    }
    if standing.retention.is_rusty() {
        all.push(own(None, None, words::rusty(&standing.retention)));
    }
    for (indexes, rusty) in [(&standing.missing, false), (&standing.stale, true)] {
        for index in indexes {
            let need = &ladder.levels[*index];
            all.push(own(
                None,
                Some(need.level.clone()),
                words::need(need, rusty),
            ));
        }
    }
    if let Some(overrule) = overrule {
        all.push(Reason {
            holds_back: !overrule.lets_count(),
            ..own(None, None, words::overruled(overrule))
        });
    }
    let rails = |passes| check.items.iter().filter(move |item| item.passes == passes);
    for item in rails(false).chain(rails(true)) {
        all.push(Reason {
            item: Some(item.item),
            side: item.side,
            level: None,
            holds_back: !item.passes,
            text: words::item(item, check, &level.gate),
        });
    }
    all
}
