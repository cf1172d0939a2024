//! The demo's horses that work all over the ladder: a cow horse with a hole, a
//! mare at her leads, a barrel horse.

use cavesson_core::Side;
use cavesson_core::horse::{CareKind, HorseTrait};
use cavesson_core::judge::Verdict;
use cavesson_core::sim_horse::Traits;

use super::horse::{Decision, DemoHorse, PLAIN};
use super::work::Work;

const ALL: (usize, usize) = (0, usize::MAX);

/// Soft all along.
pub(super) const SOLID: Traits = Traits {
    start: 3.1,
    plateau: 3.8,
    rate: 0.1,
    weaker_side: Side::Left,
    weaker_by: 0.15,
    day_sd: 0.2,
    first_ask_drop: 0.2,
    warm_up: 0.3,
    ..Traits::PLAIN
};

/// Learns it in some weeks.
pub(super) const LEARNS: Traits = Traits {
    start: -0.7,
    plateau: 3.0,
    rate: 0.13,
    day_sd: 0.3,
    ..SOLID
};

/// Has lost some of it.
const SPOILED: Traits = Traits {
    start: 0.6,
    plateau: 0.0,
    rate: 0.08,
    ..SOLID
};

pub(super) const fn work(level: (&'static str, &'static str), traits: Traits, seed: u64) -> Work {
    Work {
        level,
        traits,
        rides: ALL,
        every: 2,
        asks: 4,
        fault: None,
        seed,
    }
}

pub(super) const fn faulty(fault: &'static str, of_ten: u64, work: Work) -> Work {
    Work {
        fault: Some((fault, of_ten)),
        ..work
    }
}

/// The brake, asked on both sides at the start of every ride.
pub(super) const fn brake(rung: &'static str, seed: u64) -> Work {
    Work {
        every: 1,
        asks: 1,
        ..work(("start.brake", rung), SOLID, seed)
    }
}

/// A cow horse that rolls back and turns badly: under both lies its back-up.
pub const HARROW: DemoHorse = DemoHorse {
    name: "Harrow",
    age: 8,
    color: "blue roan",
    starts_at: (9, 45),
    place: 2,
    also: Some("tobin"),
    aim: ("bend.ribs", "jog"),
    came_with: &[
        ("turn.rollback-wall", "walk"),
        ("stop.seat", "jog"),
        ("cow.drive", "walk"),
    ],
    traits: &[HorseTrait::PushesOnTheHand],
    rides: (48, 1),
    work: &[
        brake("jog", 10),
        work(("bend.flex", "stand"), SOLID, 11),
        work(("bend.ribs", "walk"), SOLID, 12),
        work(("bend.ribs", "jog"), LEARNS, 13),
        work(("frame.poll", "walk"), SOLID, 14),
        work(("frame.poll", "jog"), SOLID, 15),
        faulty(
            "sticky_back",
            7,
            Work {
                every: 1,
                asks: 6,
                ..work(("frame.back", "stand"), SPOILED, 16)
            },
        ),
        Work {
            asks: 6,
            ..work(("stop.seat", "jog"), SOLID, 17)
        },
        Work {
            asks: 6,
            ..work(("stop.rock-back", "jog"), LEARNS, 18)
        },
        faulty(
            "falls_forward",
            6,
            work(("turn.rollback-wall", "walk"), SPOILED, 19),
        ),
        work(("cow.flag", "slow"), LEARNS, 20),
        Work {
            rides: (22, usize::MAX),
            asks: 6,
            ..work(("cow.turn", "slow"), SOLID, 22)
        },
        Work {
            rides: (34, usize::MAX),
            every: 2,
            asks: 6,
            ..work(
                ("cow.turn", "medium"),
                Traits {
                    weaker_by: 1.6,
                    weaker_side: Side::Right,
                    ..LEARNS
                },
                23,
            )
        },
        faulty(
            "head_tossed",
            6,
            Work {
                rides: (30, usize::MAX),
                every: 3,
                ..work(("cow.track", "walk"), LEARNS, 21)
            },
        ),
    ],
    care: &[
        (CareKind::Teeth, 120, "Points floated."),
        (CareKind::BitSeat, 120, ""),
    ],
    decisions: &[
        Decision {
            level: ("stop.rock-back", "jog"),
            from_ride: 8,
            counts_as: Verdict::Advance,
            reason: "He showed it three days running at the neighbors' pen; not recorded.",
        },
        Decision {
            level: ("turn.rollback-wall", "walk"),
            from_ride: 44,
            counts_as: Verdict::EaseBack,
            reason: "Falls out of every one since the flag. Back to single steps first.",
        },
    ],
    ..PLAIN
};

/// A mare at her leads: in season she is another horse.
pub const HALFMOON: DemoHorse = DemoHorse {
    name: "Halfmoon",
    sex: "mare",
    age: 6,
    color: "gray",
    rider: "tobin",
    starts_at: (10, 15),
    place: 1,
    rests: 6,
    also: Some("wren"),
    aim: ("bend.counter-arc", "lope"),
    came_with: &[
        ("lead.circles", "two_hands"),
        ("bend.counter-arc", "jog"),
        ("bend.ribs", "jog"),
        ("stop.seat", "walk"),
        ("start.brake", "lope"),
    ],
    traits: &[HorseTrait::Hot],
    rides: (52, 2),
    work: &[
        brake("lope", 30),
        work(("bend.flex", "stand"), SOLID, 31),
        work(("bend.forward-circle", "lope"), SOLID, 32),
        work(
            ("bend.counter-arc", "lope"),
            Traits {
                weaker_by: 1.1,
                weaker_side: Side::Left,
                ..LEARNS
            },
            33,
        ),
        Work {
            rides: (0, 38),
            ..work(("bend.ribs", "jog"), SOLID, 34)
        },
        Work {
            rides: (38, usize::MAX),
            ..work(
                ("bend.ribs", "jog"),
                Traits {
                    start: 1.3,
                    plateau: 0.8,
                    ..SOLID
                },
                35,
            )
        },
        // Tried too early, and left alone since: it shows what a change needs first.
        Work {
            rides: (6, 14),
            every: 4,
            asks: 2,
            ..work(("lead.change", "left_to_right"), SPOILED, 39)
        },
        faulty(
            "position_bothers",
            6,
            work(
                ("lead.setup", "walk"),
                Traits {
                    plateau: 1.4,
                    ..LEARNS
                },
                36,
            ),
        ),
        faulty(
            "anticipates",
            5,
            Work {
                asks: 3,
                ..work(("lead.depart", "left"), SOLID, 37)
            },
        ),
        Work {
            asks: 3,
            ..work(("lead.depart", "right"), SOLID, 38)
        },
        work(("lead.circles", "two_hands"), SOLID, 39),
        Work {
            asks: 6,
            ..work(("frame.poll", "lope"), LEARNS, 40)
        },
        Work {
            rides: (20, usize::MAX),
            ..work(("frame.topline", "walk"), LEARNS, 41)
        },
    ],
    season_began: Some(19),
    decisions: &[Decision {
        level: ("lead.setup", "walk"),
        from_ride: 30,
        counts_as: Verdict::Stay,
        reason: "Dances in the position. She waits there before anything else.",
    }],
    ..PLAIN
};

/// A barrel horse on a program of its own.
pub const QUILL: DemoHorse = DemoHorse {
    name: "Quill",
    age: 5,
    color: "liver chestnut",
    owner: Some("odell"),
    starts_at: (10, 30),
    place: 1,
    aim: ("bend.ribs", "lope"),
    came_with: &[
        ("bend.ribs", "jog"),
        ("bend.forward-circle", "lope"),
        ("turn.rollback-wall", "walk"),
        ("start.follow-hand", "jog"),
        ("start.brake", "lope"),
    ],
    traits: &[HorseTrait::OverBridles],
    rides: (44, 1),
    work: &[
        brake("lope", 50),
        work(("bend.forward-circle", "jog"), SOLID, 51),
        work(("bend.ribs", "walk"), SOLID, 52),
        work(("bend.ribs", "lope"), LEARNS, 53),
        Work {
            every: 6,
            asks: 1,
            ..work(("barrel.pattern", "walk"), SOLID, 56)
        },
        Work {
            every: 5,
            asks: 2,
            ..work(("trail.poles", "walk"), SOLID, 57)
        },
        work(("barrel.drill", "walk"), LEARNS, 54),
        faulty(
            "falls_in",
            5,
            Work {
                rides: (16, usize::MAX),
                ..work(
                    ("barrel.drill", "jog"),
                    Traits {
                        plateau: 1.2,
                        weaker_by: 0.9,
                        ..LEARNS
                    },
                    55,
                )
            },
        ),
        Work {
            asks: 2,
            every: 4,
            ..work(("trail.poles", "walk"), LEARNS, 56)
        },
        Work {
            asks: 2,
            every: 4,
            rides: (8, usize::MAX),
            ..work(("trail.bridge-low", "once"), LEARNS, 57)
        },
        Work {
            asks: 1,
            every: 3,
            rides: (0, 20),
            ..work(("miles.tied", "once"), SOLID, 58)
        },
    ],
    program: Some("Barrel horses"),
    decisions: &[Decision {
        level: ("barrel.drill", "walk"),
        from_ride: 8,
        counts_as: Verdict::Advance,
        reason: "Even on both hands all week; the book only has half of it.",
    }],
    ..PLAIN
};
