//! What is told of one horse of the demo.

use cavesson_core::horse::{CareKind, HorseTrait};
use cavesson_core::judge::Verdict;

use super::newcomer::DemoIntake;
use super::rides::Part;
use super::work::Work;

/// One horse of the demo.
pub struct DemoHorse {
    pub name: &'static str,
    pub sex: &'static str,
    pub age: i32,
    pub color: &'static str,
    pub rider: &'static str,
    /// Who else rides it, every fourth ride.
    pub also: Option<&'static str>,
    pub owner: Option<&'static str>,
    /// Barn time, hour and minute.
    pub starts_at: (i8, i8),
    pub place: usize,
    /// The weekday it rests, 1 is Monday.
    pub rests: i32,
    /// What it is taken out for.
    pub aim: (&'static str, &'static str),
    /// What it came with, all that stands under it included.
    pub came_with: &'static [(&'static str, &'static str)],
    /// Its intake, when it is new.
    pub intake: Option<DemoIntake>,
    /// What it is there to show at its aim; none for a horse that is not cast.
    pub part: Option<Part>,
    /// What steers its card.
    pub traits: &'static [HorseTrait],
    /// Its rides: how many, and how many days ago the last was; one that is cast has
    /// its part in the last of them.
    pub rides: (u32, u32),
    /// What else it is worked on.
    pub work: &'static [Work],
    /// How many days ago her season last began.
    pub season_began: Option<i64>,
    /// Its program, by name; none for the ladder as it ships.
    pub program: Option<&'static str>,
    /// Checks of its teeth and bit seat, days ago; flags that stand open.
    pub care: &'static [(CareKind, i64, &'static str)],
    /// The trainer's last word, against the judge's.
    pub decisions: &'static [Decision],
}

/// A decision of the trainer.
pub struct Decision {
    pub level: (&'static str, &'static str),
    /// Made on the first evening from this ride on that the judge says otherwise.
    pub from_ride: usize,
    pub counts_as: Verdict,
    pub reason: &'static str,
}

/// What every horse has, where nothing else is said.
pub const PLAIN: DemoHorse = DemoHorse {
    name: "",
    sex: "gelding",
    age: 4,
    color: "bay",
    rider: "wren",
    also: None,
    owner: None,
    starts_at: (8, 0),
    place: 0,
    rests: 7,
    aim: ("bend.flex", "stand"),
    came_with: &[("start.bend-ground", "stand")],
    intake: None,
    part: None,
    traits: &[],
    rides: (0, 1),
    work: &[],
    season_began: None,
    program: None,
    care: &[],
    decisions: &[],
};
