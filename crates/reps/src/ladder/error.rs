//! Every mistake a ladder file or a program can hold, with its place.

use crate::id::{FaultId, Level, RungId, SkillId};

/// Why a ladder cannot be used.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum LadderError {
    /// Not TOML, or not of this shape.
    #[error("the ladder file cannot be read: {0}")]
    Unreadable(String),
    /// The same id twice.
    #[error("skill {0} is there twice; ids must differ")]
    SkillTwice(SkillId),
    /// The same fault twice.
    #[error("fault {0} is there twice; ids must differ")]
    FaultTwice(FaultId),
    /// An id that does not start with its track's id.
    #[error("skill {skill} stands in track {track}; its id must start with \"{track}.\"")]
    Elsewhere {
        /// The skill.
        skill: SkillId,
        /// The track it stands in.
        track: String,
    },
    /// A skill with nothing to ask it at.
    #[error("skill {0} has no levels; name at least one rung")]
    NoLevels(SkillId),
    /// A rung that is not in the list of rungs.
    #[error("skill {skill} names the rung \"{rung}\", which is not under [rungs]")]
    UnknownRung {
        /// The skill.
        skill: SkillId,
        /// The rung.
        rung: RungId,
    },
    /// The same rung twice, or gaits not from slow to fast.
    #[error("the levels of skill {0} must run from slow to fast, each once")]
    LevelOrder(SkillId),
    /// A gate on a skill that records nothing.
    #[error("skill {0} has a gate but no measure; name what its reps record")]
    GateWithoutMeasure(SkillId),
    /// A skill that records nothing.
    #[error("skill {0} has no measure; name what its reps record")]
    NoMeasure(SkillId),
    /// A number of a gate that cannot be.
    #[error("the gate of {place}: {text}")]
    GateOutOfBounds {
        /// The skill, level or measure.
        place: String,
        /// Field and what is allowed.
        text: String,
    },
    /// Dry work that is no level of the ladder.
    #[error("dry_work names \"{0}\", which is no level; write skill/rung")]
    UnknownDryWork(String),
    /// A need that names no level of the ladder.
    #[error("{at} needs \"{need}\", {text}")]
    UnknownNeed {
        /// The level that needs it.
        at: Level,
        /// The need as it is written.
        need: String,
        /// Why it names nothing.
        text: &'static str,
    },
    /// Levels that need each other.
    #[error("these levels need each other in a circle: {}", path(.0))]
    Circle(Vec<Level>),
    /// A level that no horse can come to.
    #[error(
        "{level} can never be opened with {school}: it needs {need}, which is not on that ladder"
    )]
    Unreachable {
        /// The level.
        level: Level,
        /// The need.
        need: String,
        /// The schools chosen.
        school: String,
    },
    /// A school question or choice that does not exist.
    #[error(
        "{place} names the school question \"{question}\" with the choice \"{choice}\"; {allowed}"
    )]
    UnknownSchool {
        /// The skill.
        place: String,
        /// The question.
        question: String,
        /// The choice.
        choice: String,
        /// What there is.
        allowed: String,
    },
    /// A hole or place of a fault that names nothing.
    #[error("fault {fault} names \"{names}\", which is not on the ladder")]
    FaultNamesUnknown {
        /// The fault.
        fault: FaultId,
        /// What it names.
        names: String,
    },
    /// A fault that a measure tells of by itself is missing.
    #[error("the measures tell of the fault {0}; the file must have it")]
    FaultMissing(FaultId),
    /// More faults than a rep can carry.
    #[error("there are {0} faults; at most 64 fit on a rep")]
    TooManyFaults(usize),
}

fn path(levels: &[Level]) -> String {
    levels
        .iter()
        .map(ToString::to_string)
        .collect::<Vec<_>>()
        .join(" -> ")
}
