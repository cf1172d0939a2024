//! Every reason of a verdict, each with its place: what holds a level back first.

use serde::{Deserialize, Serialize};

use super::gate_check::GateCheck;
use super::item::ItemKind;
use super::overrule::Overrule;
use super::standing::Standing;
use super::verdict::Verdict;
use super::{Caution, held, words};
use crate::Side;
use crate::ladder::{Ladder, LadderLevel, Level};
use crate::plain::on_weekday;

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
    let hold = &standing.history.hold;
    if let Some(missed) = &hold.in_doubt {
        let side = Some(missed.side).filter(|side| *side != Side::Both);
        let text = format!("In doubt: {}.", held::words::not_soft(missed));
        all.push(own(side, None, text));
    }
    if let Some(lost) = &hold.lost {
        let text = held::words::change(lost, ladder);
        all.push(own(
            None,
            None,
            format!("{text} Since {}.", on_weekday(lost.day)),
        ));
    }
    if let Some(text) = held::words::held_by(hold, ladder) {
        all.push(Reason {
            holds_back: false,
            ..own(None, None, text)
        });
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
    let needs: [(&[usize], &str); 3] = [
        (&standing.missing, "not held"),
        (&standing.doubtful, "in doubt"),
        (&standing.stale, "held, but rusty"),
    ];
    for (indexes, stands) in needs {
        for index in indexes {
            let need = &ladder.levels[*index];
            let level = Some(need.level.clone());
            all.push(own(None, level, format!("{}: {stands}.", need.name)));
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
