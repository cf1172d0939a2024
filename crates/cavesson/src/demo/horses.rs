//! The demo's horses, and what each is there to show. A horse is cast: the
//! first seed whose rides lead the judge to the wanted verdict plays the part.

use cavesson_core::Side;
use cavesson_core::horse::CareKind;
use cavesson_core::judge::Verdict;
use cavesson_core::sim_horse::Traits;

use super::rides::Part;
use super::work::Work;
use super::worked::{GROUND, HALFMOON, HARROW, QUILL};

/// One horse of the demo.
pub struct DemoHorse {
    pub name: &'static str,
    pub sex: &'static str,
    pub age: i32,
    pub color: &'static str,
    pub rider: &'static str,
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
    /// What it is there to show at its aim; none for a horse that is not cast.
    pub part: Option<Part>,
    /// Its rides, when it is not cast: how many, and how many days ago the last was.
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
    owner: None,
    starts_at: (8, 0),
    place: 0,
    rests: 7,
    aim: ("bend.flex", "stand"),
    came_with: &[("start.bend-ground", "stand")],
    part: None,
    rides: (0, 1),
    work: &[],
    season_began: None,
    program: None,
    care: &[],
    decisions: &[],
};

const EAGER: Traits = Traits {
    start: -1.0,
    plateau: 3.4,
    rate: 0.14,
    weaker_side: Side::Right,
    weaker_by: 0.25,
    day_sd: 0.3,
    ..Traits::PLAIN
};

pub const SALTGRASS: &[DemoHorse] = &[
    DemoHorse {
        name: "Oatcake",
        sex: "gelding",
        age: 4,
        color: "buckskin",
        rider: "wren",
        owner: Some("odell"),
        starts_at: (7, 30),
        place: 0,
        rests: 7,
        part: Some(Part {
            traits: EAGER,
            ride_days: 16,
            last_ride: 1,
            wanted: Verdict::Confirm,
            climbs: false,
        }),
        ..PLAIN
    },
    DemoHorse {
        name: "Thimble",
        sex: "mare",
        age: 5,
        color: "red roan",
        rider: "wren",
        owner: None,
        starts_at: (8, 15),
        place: 0,
        rests: 7,
        part: Some(Part {
            traits: Traits {
                start: 0.2,
                ..EAGER
            },
            ride_days: 26,
            last_ride: 1,
            wanted: Verdict::Advance,
            climbs: true,
        }),
        work: GROUND,
        ..PLAIN
    },
    DemoHorse {
        name: "Kettle",
        sex: "gelding",
        age: 3,
        color: "grullo",
        rider: "wren",
        owner: None,
        starts_at: (9, 0),
        place: 1,
        rests: 7,
        part: Some(Part {
            traits: Traits {
                weaker_by: 2.0,
                plateau: 2.6,
                ..EAGER
            },
            ride_days: 18,
            last_ride: 1,
            wanted: Verdict::Stay,
            climbs: false,
        }),
        work: GROUND,
        ..PLAIN
    },
    DemoHorse {
        name: "Juniper Ash",
        sex: "mare",
        age: 2,
        color: "bay",
        rider: "tobin",
        owner: None,
        starts_at: (7, 30),
        place: 1,
        rests: 6,
        part: Some(Part {
            traits: Traits {
                start: -1.6,
                plateau: 0.9,
                rate: 0.06,
                day_sd: 0.7,
                ..EAGER
            },
            ride_days: 11,
            last_ride: 2,
            wanted: Verdict::EaseBack,
            climbs: false,
        }),
        work: GROUND,
        ..PLAIN
    },
    DemoHorse {
        name: "Pocketwatch",
        sex: "gelding",
        age: 7,
        color: "dun",
        rider: "tobin",
        owner: Some("odell"),
        starts_at: (8, 30),
        place: 1,
        rests: 6,
        part: Some(Part {
            traits: EAGER,
            ride_days: 24,
            last_ride: 27,
            wanted: Verdict::Refresh,
            climbs: false,
        }),
        ..PLAIN
    },
    DemoHorse {
        name: "Marlow Fen",
        sex: "gelding",
        age: 2,
        color: "sorrel",
        rider: "tobin",
        owner: None,
        starts_at: (9, 30),
        place: 0,
        rests: 5,
        ..PLAIN
    },
    HARROW,
    HALFMOON,
    QUILL,
];

pub const TWO_CEDARS: &[DemoHorse] = &[DemoHorse {
    name: "Lanternfly",
    sex: "mare",
    age: 6,
    color: "palomino",
    rider: "ines",
    owner: None,
    starts_at: (8, 0),
    place: 0,
    rests: 7,
    part: Some(Part {
        traits: EAGER,
        ride_days: 12,
        last_ride: 1,
        wanted: Verdict::Stay,
        climbs: false,
    }),
    ..PLAIN
}];
