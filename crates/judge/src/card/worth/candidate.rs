//! A level in a role on the card, what it is worth there and why.

use crate::Side;

/// What a block is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub enum Role {
    /// Something known, asked again.
    Review,
    /// The one new or limiting thing.
    Work,
    /// What the work is for: a pattern, a cow, an obstacle, a line.
    Use,
    /// Something easy to finish on.
    Finish,
}

/// Why a level is worth it.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Why {
    /// The trainer put it on the card: which of the planned blocks.
    Planned(usize),
    /// The week's plan names it.
    Aim,
    /// The brake limits every gait above.
    Brake,
    /// It is the hole under a fault: which of the holes.
    Hole(usize),
    /// A level above it was sent down.
    EasedFrom(usize),
    /// Only days or first asks are missing.
    Confirm,
    /// So many days of soft asks from the gate.
    Near(u32),
    /// It is worked on.
    Working,
    /// What it needs has just been held.
    JustOpened,
    /// Open, never asked.
    Open,
    /// Shown at intake, and not confirmed by a first ask yet.
    ShownAtIntake,
    /// Missing under what the horse showed at intake.
    IntakeHole,
    /// Held, and answers speak against it.
    Watched(Side),
    /// It was lost, and is worked again.
    Lost,
    /// What it rests on is back, or it is on its way back up: tested cold.
    Retest,
    /// Held, and not shown for so many days.
    Rusty(u32),
    /// Held, and going rusty soon.
    Due(u32),
    /// Held and easy.
    Held,
}

/// A level in a role.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Candidate {
    /// The level's index on the ladder.
    pub index: usize,
    /// The role.
    pub role: Role,
    /// What it is worth.
    pub worth: f64,
    /// Its minutes.
    pub minutes: u32,
    /// Why.
    pub why: Why,
}
