//! Every reason of a verdict, each with its place: what holds a level back first.

use serde::{Deserialize, Serialize};

use super::gate_check::GateCheck;
use super::item::ItemKind;
use super::overrule::Overrule;
use super::standing::Standing;
use super::verdict::Verdict;
use super::{Caution, held_words, words};
use crate::Side;
use crate::ladder::{Ladder, LadderLevel, Level};
use crate::wording::on_weekday;

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
    let mut all = of_itself(standing, ladder);
    all.extend(of_its_needs(standing, ladder));
    if let Some(overrule) = overrule {
        all.push(Reason {
            holds_back: !overrule.lets_count(),
            ..own(words::overruled(overrule))
        });
    }
    all.extend(of_its_rails(check, level));
    all
}

/// A reason of the whole level that holds it back.
fn own(text: String) -> Reason {
    Reason {
        item: None,
        side: None,
        level: None,
        holds_back: true,
        text,
    }
}

/// What its own answers say, and what it rests on.
fn of_itself(standing: &Standing, ladder: &Ladder) -> Vec<Reason> {
    let mut all: Vec<Reason> = standing.cautions.iter().map(of_caution).collect();
    if let Some(eased) = &standing.eased {
        all.push(own(words::eased(eased, ladder)));
    }
    let hold = &standing.history.hold;
    if let Some(missed) = &hold.in_doubt {
        all.push(Reason {
            side: Some(missed.side).filter(|side| *side != Side::Both),
            ..own(format!("In doubt: {}.", held_words::not_soft(missed)))
        });
    }
    if let Some(lost) = &hold.lost {
        let text = held_words::change(lost, ladder);
        all.push(own(format!("{text} Since {}.", on_weekday(lost.day))));
    }
    if let Some(text) = held_words::held_by(hold, ladder) {
        all.push(Reason {
            holds_back: false,
            ..own(text)
        });
    }
    if let Some(otherwise) = standing.without_riders {
        all.push(Reason {
            holds_back: standing.verdict != Verdict::Advance,
            ..own(words::riders(otherwise))
        });
    }
    if standing.retention.is_rusty() {
        all.push(own(words::rusty(&standing.retention)));
    }
    all
}

fn of_caution(caution: &Caution) -> Reason {
    let side = match caution {
        Caution::SideDrop(drop) => Some(drop.side),
        _ => None,
    };
    Reason {
        side,
        ..own(words::caution(caution))
    }
}

/// What it needs and does not stand on yet.
fn of_its_needs(standing: &Standing, ladder: &Ladder) -> Vec<Reason> {
    let needs: [(&[usize], &str); 3] = [
        (&standing.missing, "not held"),
        (&standing.doubtful, "in doubt"),
        (&standing.stale, "held, but rusty"),
    ];
    let each = needs
        .iter()
        .flat_map(|(indexes, stands)| indexes.iter().map(move |index| (*index, *stands)));
    each.map(|(index, stands)| {
        let need = &ladder.levels[index];
        Reason {
            level: Some(need.level.clone()),
            ..own(format!("{}: {stands}.", need.name))
        }
    })
    .collect()
}

/// The rails of its gate, those that are not filled first.
fn of_its_rails<'a>(
    check: &'a GateCheck,
    level: &'a LadderLevel,
) -> impl Iterator<Item = Reason> + 'a {
    let rails = |passes| check.items.iter().filter(move |item| item.passes == passes);
    rails(false).chain(rails(true)).map(|item| Reason {
        item: Some(item.item),
        side: item.side,
        level: None,
        holds_back: !item.passes,
        text: words::item(item, check, &level.gate),
    })
}
