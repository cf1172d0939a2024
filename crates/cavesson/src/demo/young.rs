//! What the demo's younger horses do beside the part each plays: ground and first
//! rides, the first bend and frame, as their age allows.

use cavesson_core::Side;
use cavesson_core::sim_horse::Traits;

use super::work::Work;
use super::worked::{LEARNS, SOLID, brake, faulty, work};

/// Comes to it slowly.
const SLOW: Traits = Traits {
    start: -1.2,
    plateau: 1.5,
    rate: 0.07,
    day_sd: 0.5,
    ..LEARNS
};

/// Now and then, and not much of it.
const fn seldom(every: usize, asks: u32, work: Work) -> Work {
    Work {
        every,
        asks,
        ..work
    }
}

const fn from_ride(first: usize, work: Work) -> Work {
    Work {
        rides: (first, usize::MAX),
        ..work
    }
}

/// Two years old and just begun: the ground, and nothing from the saddle.
pub const MARLOW: &[Work] = &[
    seldom(1, 1, work(("start.touch", "stand"), LEARNS, 81)),
    work(("start.bend-ground", "stand"), SLOW, 82),
    from_ride(
        4,
        seldom(2, 3, work(("start.quarters-ground", "stand"), SLOW, 83)),
    ),
    seldom(3, 1, work(("miles.tied", "once"), LEARNS, 84)),
];

/// Two years old, some rides on her.
pub const JUNIPER: &[Work] = &[
    seldom(2, 1, work(("start.touch", "stand"), LEARNS, 71)),
    Work {
        asks: 3,
        ..work(
            ("start.quarters-ground", "stand"),
            Traits {
                weaker_side: Side::Right,
                weaker_by: 2.4,
                ..LEARNS
            },
            72,
        )
    },
    seldom(2, 4, work(("start.poll-ground", "stand"), LEARNS, 73)),
    seldom(1, 6, work(("start.mount", "stand"), SOLID, 74)),
    from_ride(8, seldom(3, 1, work(("start.forward", "walk"), SLOW, 75))),
    faulty(
        "looks_about",
        5,
        seldom(3, 1, work(("miles.tied", "once"), SLOW, 76)),
    ),
];

/// Three years old: stiff on the right in all he does.
pub const KETTLE: &[Work] = &[
    Work {
        rides: (0, 16),
        ..seldom(2, 1, work(("start.touch", "stand"), SOLID, 91))
    },
    Work {
        asks: 3,
        ..work(("start.quarters-ground", "stand"), LEARNS, 92)
    },
    brake("walk", 93),
    from_ride(
        6,
        seldom(2, 3, work(("start.follow-hand", "walk"), LEARNS, 94)),
    ),
    faulty(
        "nose_out",
        5,
        from_ride(
            14,
            seldom(
                2,
                3,
                work(
                    ("bend.forward-circle", "walk"),
                    Traits {
                        weaker_side: Side::Right,
                        weaker_by: 1.6,
                        ..LEARNS
                    },
                    95,
                ),
            ),
        ),
    ),
    seldom(4, 1, work(("miles.tied", "once"), SOLID, 96)),
];

/// Four years old: the brake, a loose rein, the first two reins.
pub const OATCAKE: &[Work] = &[
    brake("walk", 101),
    seldom(2, 3, work(("start.follow-hand", "walk"), LEARNS, 102)),
    seldom(3, 1, work(("start.forward", "walk"), LEARNS, 103)),
    from_ride(14, seldom(2, 3, work(("bend.hip", "stand"), LEARNS, 104))),
    faulty(
        "roots_down",
        5,
        from_ride(18, seldom(2, 4, work(("frame.poll", "stand"), SLOW, 105))),
    ),
    from_ride(
        24,
        seldom(3, 3, work(("stop.one-rein", "walk"), LEARNS, 106)),
    ),
    seldom(4, 1, work(("miles.tied", "once"), SOLID, 107)),
];

/// Five years old, ready to go on: bend, frame, stop and a first obstacle.
pub const THIMBLE: &[Work] = &[
    seldom(2, 1, work(("start.touch", "stand"), SOLID, 110)),
    Work {
        asks: 3,
        rides: (0, 12),
        ..work(("start.quarters-ground", "stand"), SOLID, 111)
    },
    brake("jog", 112),
    seldom(2, 3, work(("bend.forward-circle", "walk"), LEARNS, 113)),
    work(("bend.hip", "stand"), LEARNS, 114),
    from_ride(6, seldom(2, 4, work(("frame.poll", "stand"), LEARNS, 115))),
    faulty(
        "sticky_back",
        4,
        from_ride(12, seldom(2, 4, work(("frame.back", "stand"), SLOW, 116))),
    ),
    from_ride(16, seldom(3, 4, work(("stop.seat", "walk"), LEARNS, 117))),
    from_ride(20, seldom(5, 2, work(("trail.poles", "walk"), LEARNS, 118))),
];

/// Seven years old and home from a month off: what he held has gone rusty.
pub const POCKETWATCH: &[Work] = &[
    brake("jog", 121),
    work(("bend.ribs", "walk"), SOLID, 122),
    seldom(2, 3, work(("bend.forward-circle", "jog"), SOLID, 123)),
    seldom(2, 4, work(("frame.poll", "walk"), SOLID, 124)),
    seldom(2, 4, work(("stop.seat", "walk"), LEARNS, 125)),
    from_ride(10, seldom(3, 3, work(("lead.setup", "walk"), SLOW, 126))),
    seldom(5, 2, work(("trail.bridge-low", "once"), SOLID, 127)),
];

/// New here: first asks of what its intake showed, and its stiff shoulder.
pub const COPPERLINE: &[Work] = &[
    seldom(1, 1, work(("bend.flex", "stand"), SOLID, 61)),
    seldom(1, 1, work(("bend.hip", "walk"), SOLID, 62)),
    seldom(1, 2, work(("stop.seat", "walk"), SOLID, 63)),
    seldom(1, 1, work(("frame.poll", "walk"), SOLID, 65)),
    seldom(1, 4, work(("bend.counter-arc", "walk"), SLOW, 64)),
];

#[cfg(test)]
mod tests {
    use std::collections::BTreeSet;

    use cavesson_core::ladder::{Ladder, Level};

    use super::super::horses::SALTGRASS;

    /// Nobody asks a two-year-old to lope, and nobody's horse only flexes.
    #[test]
    fn every_horse_of_the_demo_has_a_life_on_several_tracks_that_fits_its_age() {
        let ladder = Ladder::shipped();
        for horse in SALTGRASS {
            let worked: Vec<_> = horse
                .work
                .iter()
                .map(|work| {
                    ladder
                        .at(&Level::new(work.level.0, work.level.1))
                        .expect(work.level.0)
                })
                .collect();
            let tracks: BTreeSet<usize> = worked.iter().map(|level| level.track).collect();
            let least = if horse.age <= 2 { 2 } else { 3 };
            assert!(
                tracks.len() >= least,
                "{}: {} tracks",
                horse.name,
                tracks.len()
            );
            let lopes = worked
                .iter()
                .any(|level| level.gait == cavesson_core::Gait::Lope);
            assert!(horse.age > 2 || !lopes, "{} lopes at two", horse.name);
            // One is just begun, one came this week.
            let is_new = horse.name == "Marlow Fen" || horse.intake.is_some();
            let two_months = horse.rides.0 >= 30 || is_new;
            assert!(two_months, "{} has {} rides", horse.name, horse.rides.0);
        }
    }
}
