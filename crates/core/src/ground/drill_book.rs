//! The drills as they are written down.
//!
//! # Source
//! Common practice of the trade, no source; the figures are product defaults.

use serde::Serialize;

use super::drill::DrillKind;

/// What is written down of a drill.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DrillAbout {
    /// Which.
    pub kind: DrillKind,
    /// What it is called.
    pub name: &'static str,
    /// How it is ridden.
    pub how: &'static str,
    /// What its size is: a radius, a side, a length.
    pub size_means: &'static str,
    /// The usual size, the least and the most, in feet.
    pub size_ft: [f64; 3],
    /// Rounds as a rule.
    pub laps: u32,
    /// The skills asked in it, and how often a round on each side.
    pub asks: &'static [DrillAsk],
    /// Faults to watch for.
    pub watch: &'static [&'static str],
}

/// What a drill asks.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DrillAsk {
    /// The skill.
    pub skill: &'static str,
    /// Times a round to the left.
    pub left: u32,
    /// Times a round to the right.
    pub right: u32,
}

const fn ask(skill: &'static str, left: u32, right: u32) -> DrillAsk {
    DrillAsk { skill, left, right }
}

impl DrillKind {
    /// What is written down of it.
    pub fn about(self) -> DrillAbout {
        let found = BOOK.iter().find(|about| about.kind == self);
        *found.unwrap_or(&BOOK[0])
    }
}

/// All of them, each once; `tests/ground` holds that none is missing.
pub const BOOK: [DrillAbout; 10] = [
    DrillAbout {
        kind: DrillKind::ThreeCircles,
        name: "Three close barrels, circles",
        how: "An even soft circle round each barrel, then switch to the next. Keep the barrel at the back cinch or the flank, not at the shoulder; never switch while it is wrong.",
        size_means: "between the barrels",
        size_ft: [30.0, 20.0, 60.0],
        laps: 3,
        asks: &[ask("barrel.drill", 1, 2), ask("bend.forward-circle", 1, 2)],
        watch: &["falls_in", "braced_ribs", "steps_off"],
    },
    DrillAbout {
        kind: DrillKind::ThreeRollbacks,
        name: "Three close barrels, rollbacks",
        how: "Past the barrel, roll back into it and leave soft; a counter-bend round the outside to the next. Stop and back in the middle.",
        size_means: "between the barrels",
        size_ft: [30.0, 20.0, 60.0],
        laps: 2,
        asks: &[
            ask("barrel.drill-roll", 1, 2),
            ask("bend.counter-arc", 2, 1),
            ask("frame.back", 1, 1),
        ],
        watch: &["falls_forward", "stiff_exit", "falls_in"],
    },
    DrillAbout {
        kind: DrillKind::DShape,
        name: "D shape",
        how: "A straight side, half a circle, the straight again. One hand when the horse can. Straight is straight: no leaning into the bend before it comes.",
        size_means: "radius of the half circle",
        size_ft: [30.0, 15.0, 80.0],
        laps: 4,
        asks: &[ask("barrel.shapes", 1, 0), ask("frame.straight", 1, 0)],
        watch: &["falls_in", "braced_ribs"],
    },
    DrillAbout {
        kind: DrillKind::BigSmall,
        name: "Big and small circles",
        how: "A big circle, a small one inside it, the big one again. The small one is smaller, not crooked; the pace stays.",
        size_means: "radius of the big circle",
        size_ft: [40.0, 25.0, 90.0],
        laps: 3,
        asks: &[ask("bend.forward-circle", 3, 0), ask("lead.circles", 3, 0)],
        watch: &["falls_in", "nose_out"],
    },
    DrillAbout {
        kind: DrillKind::FigureEight,
        name: "Figure eight",
        how: "A circle each way, a few straight strides where they meet, then the new nose.",
        size_means: "radius of each circle",
        size_ft: [25.0, 12.0, 60.0],
        laps: 4,
        asks: &[ask("bend.follow-nose", 1, 1)],
        watch: &["falls_in", "braced_ribs"],
    },
    DrillAbout {
        kind: DrillKind::Serpentine,
        name: "Serpentine",
        how: "Half circles one way and the other across the pen: body follows the nose through each change.",
        size_means: "radius of each loop",
        size_ft: [18.0, 8.0, 40.0],
        laps: 2,
        asks: &[ask("bend.follow-nose", 2, 2)],
        watch: &["braced_ribs", "looks_about"],
    },
    DrillAbout {
        kind: DrillKind::CounterArc,
        name: "Counter-arc off a circle",
        how: "A soft circle, then shoulders out onto a counter-arc, nose still tipped in, and back onto a circle when they step over.",
        size_means: "radius of the circle",
        size_ft: [22.0, 12.0, 50.0],
        laps: 3,
        asks: &[
            ask("bend.counter-arc", 1, 0),
            ask("bend.forward-circle", 2, 0),
        ],
        watch: &["falls_in", "steps_off"],
    },
    DrillAbout {
        kind: DrillKind::HipLine,
        name: "Straight line, hip over",
        how: "Straight, hip over for some strides, straight again. The horse waits; nothing else is asked.",
        size_means: "length of the line",
        size_ft: [120.0, 60.0, 240.0],
        laps: 2,
        asks: &[ask("lead.line", 1, 1)],
        watch: &["anticipates", "position_bothers"],
    },
    DrillAbout {
        kind: DrillKind::FenceRollbacks,
        name: "Fence rollbacks",
        how: "Along the fence, stop, let it settle, roll back into the fence and leave on a loose rein.",
        size_means: "run along the fence",
        size_ft: [80.0, 40.0, 200.0],
        laps: 2,
        asks: &[ask("turn.rollback-wall", 1, 1), ask("stop.rock-back", 2, 2)],
        watch: &["falls_forward", "stiff_exit"],
    },
    DrillAbout {
        kind: DrillKind::StopSquare,
        name: "Stop-and-back square",
        how: "Straight, stop, back a few single steps, a quarter turn on the haunches, on to the next corner.",
        size_means: "side of the square",
        size_ft: [40.0, 20.0, 120.0],
        laps: 2,
        asks: &[
            ask("stop.seat", 4, 4),
            ask("frame.back", 4, 4),
            ask("turn.haunches", 4, 0),
        ],
        watch: &["leans_on_bridle", "creeps", "sticky_back"],
    },
];
