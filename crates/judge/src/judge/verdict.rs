//! The verdict, first match wins: check first, ease back, advance, confirm,
//! refresh, stay. (Refresh stands before stay here because stay is what is left
//! when nothing else matches.)

use serde::{Deserialize, Serialize};

use super::item::ItemKind;
use super::rails::Rail;

/// What the judge says of a level.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Verdict {
    /// Somebody looks at the horse before this is trained through.
    CheckFirst,
    /// Go back to what is held.
    EaseBack,
    /// The gate stands open.
    Advance,
    /// Same again: only days or the first ask are missing.
    Confirm,
    /// Stay and fill the rail that limits.
    Stay,
    /// A short cold retest: held but rusty, sent down and on the way back, or what it needs
    /// is back.
    Refresh,
}

impl Verdict {
    /// All verdicts, first match first; stay is what is left.
    pub const ALL: [Verdict; 6] = [
        Verdict::CheckFirst,
        Verdict::EaseBack,
        Verdict::Advance,
        Verdict::Confirm,
        Verdict::Stay,
        Verdict::Refresh,
    ];

    /// The word as it is stored and sent.
    pub fn word(self) -> &'static str {
        match self {
            Verdict::CheckFirst => "check_first",
            Verdict::EaseBack => "ease_back",
            Verdict::Advance => "advance",
            Verdict::Confirm => "confirm",
            Verdict::Stay => "stay",
            Verdict::Refresh => "refresh",
        }
    }

    /// The verdict of that word, if there is one.
    pub fn from_word(word: &str) -> Option<Verdict> {
        Verdict::ALL
            .into_iter()
            .find(|verdict| verdict.word() == word)
    }
}

/// Where a level stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum State {
    /// What it needs is not held.
    Closed,
    /// Nothing asked yet.
    Open,
    /// Being worked on.
    Working,
    /// Only days or the first ask are missing.
    Confirming,
    /// It is held.
    Held,
    /// Held, but answers speak against it: nothing above it advances.
    InDoubt,
    /// It was held, and is lost: working again.
    Lost,
    /// Held by its own evidence, while something it needs is not.
    Waiting,
    /// What it needs is back: a cold test comes first.
    Retest,
    /// Held, not shown soft for a while.
    Rusty,
    /// The judge sent it down: it counts as held for nothing.
    Eased,
    /// A trainer decided otherwise than the judge.
    Overruled,
    /// Shown at intake: it counts as held, and a first ask confirms it.
    ShownAtIntake,
    /// Placed by hand: it counts as held, and a first ask confirms it.
    Placed,
}

impl State {
    /// The word as it is stored and sent.
    pub fn word(self) -> &'static str {
        match self {
            State::Closed => "closed",
            State::Open => "open",
            State::Working => "working",
            State::Confirming => "confirming",
            State::Held => "held",
            State::InDoubt => "in_doubt",
            State::Lost => "lost",
            State::Waiting => "waiting",
            State::Retest => "retest",
            State::Rusty => "rusty",
            State::Eased => "eased",
            State::Overruled => "overruled",
            State::ShownAtIntake => "shown_at_intake",
            State::Placed => "placed",
        }
    }
}

/// What the gate says, as far as the verdict needs it.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(super) struct Gated {
    /// Every rail passes.
    pub passes: bool,
    /// Every rail passes but for that of the level below.
    pub passes_but_below: bool,
    /// Rails that do not.
    pub fails: u32,
    /// Only days or first asks are missing.
    pub only_confirming: bool,
    /// Only rails are missing that a soft answer can make worse.
    pub only_hurt_by_soft: bool,
}

impl Gated {
    pub(super) fn of(failing: impl Iterator<Item = Rail>) -> Gated {
        let mut gated = Gated {
            passes: true,
            passes_but_below: true,
            fails: 0,
            only_confirming: true,
            only_hurt_by_soft: true,
        };
        for rail in failing {
            gated.passes = false;
            gated.passes_but_below &= rail.item == ItemKind::LevelBelow;
            gated.fails += 1;
            gated.only_confirming &= matches!(rail.item, ItemKind::Days | ItemKind::FirstAsk);
            gated.only_hurt_by_soft &= matches!(
                rail.item,
                ItemKind::LowShare | ItemKind::Difference | ItemKind::TimeRatio
            );
        }
        gated
    }
}

/// The verdict.
pub(super) fn decide(
    gated: &Gated,
    check_first: bool,
    eased: bool,
    needs_fresh: bool,
    test_cold: bool,
) -> Verdict {
    if check_first {
        Verdict::CheckFirst
    } else if eased {
        Verdict::EaseBack
    } else if gated.passes && needs_fresh {
        Verdict::Advance
    } else if test_cold {
        Verdict::Refresh
    } else if !gated.passes && gated.only_confirming {
        Verdict::Confirm
    } else {
        Verdict::Stay
    }
}
