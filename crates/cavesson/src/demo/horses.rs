//! The demo's horses, and what each is there to show. A horse is cast: the
//! first seed whose rides lead the judge to the wanted verdict plays the part.

use cavesson_core::Side;
use cavesson_core::horse::{CareKind, HorseTrait};
use cavesson_core::judge::Verdict;
use cavesson_core::sim_horse::Traits;

use super::horse::{DemoHorse, PLAIN};
use super::newcomer::COPPERLINE;
use super::rides::Part;
use super::worked::{HALFMOON, HARROW, QUILL};
use super::young;

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
            fewer_right: 0,
        }),
        traits: &[HorseTrait::LooksAbout],
        rides: (40, 1),
        work: young::OATCAKE,
        care: &[
            (CareKind::Teeth, 95, "Fine; look again in spring."),
            (CareKind::Feet, 33, "Trimmed, barefoot."),
        ],
        came_with: &[("start.bend-ground", "stand"), ("start.brake", "stand")],
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
            fewer_right: 0,
        }),
        also: Some("tobin"),
        traits: &[HorseTrait::SensitiveToLeg],
        rides: (42, 1),
        work: young::THIMBLE,
        care: &[
            (CareKind::Teeth, 60, ""),
            (CareKind::BitSeat, 60, ""),
            (CareKind::Feet, 20, "Shod all round."),
        ],
        came_with: &[
            ("start.bend-ground", "stand"),
            ("start.brake", "walk"),
            ("start.follow-hand", "walk"),
        ],
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
            fewer_right: 0,
        }),
        traits: &[HorseTrait::OneSided],
        rides: (38, 1),
        work: young::KETTLE,
        care: &[
            (CareKind::Teeth, 40, "Wolf tooth out on the right."),
            (CareKind::Feet, 12, ""),
        ],
        came_with: &[("start.bend-ground", "stand"), ("start.brake", "stand")],
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
            fewer_right: 2,
        }),
        traits: &[HorseTrait::LateDeveloper],
        rides: (30, 2),
        work: young::JUNIPER,
        care: &[],
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
            fewer_right: 0,
        }),
        traits: &[HorseTrait::Lazy],
        rides: (36, 27),
        work: young::POCKETWATCH,
        care: &[
            (CareKind::Teeth, 150, ""),
            (CareKind::BitSeat, 150, ""),
            (CareKind::Feet, 38, "Shod in front."),
            (CareKind::Vet, 352, "Spring shots."),
        ],
        came_with: &[
            ("start.bend-ground", "stand"),
            ("start.brake", "walk"),
            ("start.follow-hand", "walk"),
        ],
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
        traits: &[HorseTrait::ColdBacked],
        rides: (14, 1),
        work: young::MARLOW,
        care: &[],
        ..PLAIN
    },
    HARROW,
    HALFMOON,
    QUILL,
    COPPERLINE,
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
        fewer_right: 0,
    }),
    came_with: &[("start.bend-ground", "stand"), ("start.brake", "jog")],
    ..PLAIN
}];

#[cfg(test)]
mod tests {
    use cavesson_core::ladder::{Ladder, Level};
    use cavesson_core::rep::MeasureKind;

    use super::*;

    #[test]
    fn the_demo_records_every_measure() {
        let worked: Vec<MeasureKind> = SALTGRASS
            .iter()
            .flat_map(|horse| horse.work)
            .map(|work| {
                let level = Level::new(work.level.0, work.level.1);
                Ladder::shipped().at(&level).expect(work.level.0).measure
            })
            .collect();
        for kind in MeasureKind::ALL {
            assert!(worked.contains(kind), "{}", kind.word());
        }
    }
}
