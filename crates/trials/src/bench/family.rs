//! The families of gates: one level for each kind of measure, asked as often as that kind of
//! work is.
//!
//! What adds up (miles, times mounted) has no chance in it: it is counted, and so it is not
//! on the bench.
//!
//! Source: how often each is asked is common practice of the trade, no source.

use std::ops::RangeInclusive;
use std::sync::LazyLock;

use serde::Serialize;

use crate::ladder::{Ladder, LadderLevel, Level};

/// A family of gates.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize)]
#[serde(rename_all = "snake_case")]
pub enum Family {
    /// A give, as most of the ladder is.
    Give,
    /// Steps.
    Steps,
    /// A circle.
    Circle,
    /// A stop.
    Stop,
    /// A rollback.
    Roll,
    /// A departure on a lead.
    Depart,
    /// A change of lead.
    Change,
    /// Something carried.
    Carry,
    /// A turn on a cow.
    Turn,
    /// An obstacle of the trail.
    Obstacle,
    /// A run of the pattern.
    Run,
    /// Standing and going easy.
    Calm,
}

impl Family {
    /// All of them.
    pub const ALL: [Family; 12] = [
        Family::Give,
        Family::Steps,
        Family::Circle,
        Family::Stop,
        Family::Roll,
        Family::Depart,
        Family::Change,
        Family::Carry,
        Family::Turn,
        Family::Obstacle,
        Family::Run,
        Family::Calm,
    ];

    /// What it is, for the table.
    pub fn name(self) -> &'static str {
        match self {
            Family::Give => "give",
            Family::Steps => "steps",
            Family::Circle => "circle",
            Family::Stop => "stop",
            Family::Roll => "rollback",
            Family::Depart => "departure",
            Family::Change => "lead change",
            Family::Carry => "something carried",
            Family::Turn => "turn on a cow",
            Family::Obstacle => "obstacle",
            Family::Run => "run",
            Family::Calm => "calm",
        }
    }

    fn path(self) -> (&'static str, &'static str) {
        match self {
            Family::Give => ("bend.flex", "stand"),
            Family::Steps => ("bend.hip", "stand"),
            Family::Circle => ("bend.forward-circle", "walk"),
            Family::Stop => ("stop.seat", "walk"),
            Family::Roll => ("turn.rollback-wall", "walk"),
            Family::Depart => ("lead.depart", "left"),
            Family::Change => ("lead.change", "left_to_right"),
            Family::Carry => ("frame.topline", "walk"),
            Family::Turn => ("cow.turn", "slow"),
            Family::Obstacle => ("trail.bridge-low", "once"),
            Family::Run => ("barrel.pattern", "walk"),
            Family::Calm => ("miles.tied", "once"),
        }
    }

    /// Planned asks of a ride, left and right; their sum where both sides are asked at once.
    pub fn asks(self) -> (RangeInclusive<u32>, RangeInclusive<u32>) {
        match self {
            Family::Give => (3..=7, 3..=7),
            Family::Steps | Family::Turn => (2..=5, 2..=5),
            Family::Circle => (2..=4, 2..=4),
            Family::Stop => (2..=3, 1..=3),
            Family::Roll => (1..=3, 1..=3),
            Family::Depart => (1..=2, 1..=2),
            Family::Carry | Family::Change | Family::Obstacle => (1..=2, 0..=1),
            Family::Run | Family::Calm => (1..=1, 0..=1),
        }
    }

    /// Days from one ride that asks it to the next.
    pub fn every_days(self) -> i64 {
        match self {
            Family::Change | Family::Obstacle => 2,
            Family::Run | Family::Calm => 3,
            _ => 1,
        }
    }

    /// The level that stands for it.
    pub fn level(self) -> &'static LadderLevel {
        let (skill, rung) = self.path();
        Ladder::shipped()
            .at(&Level::new(skill, rung))
            .expect("the shipped ladder has a level of each family")
    }

    /// A ladder of that level alone.
    pub fn alone(self) -> &'static Ladder {
        static ALONE: LazyLock<Vec<Ladder>> = LazyLock::new(|| {
            let ladder = Ladder::shipped();
            let alone = Family::ALL.into_iter().map(|family| {
                let index = ladder.position(&family.level().level);
                ladder.of_one(index.expect("it is on the ladder"))
            });
            alone.collect()
        });
        &ALONE[self as usize]
    }
}
