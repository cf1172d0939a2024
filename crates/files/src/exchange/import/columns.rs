//! The columns that a sheet can be brought in with.

use crate::exchange::sheet::Sheet;
use crate::rows::Column;

/// A column that can be matched: its name, what else it is called, what is to stand in it, and
/// whether it has to be there.
pub struct Known {
    /// Its name, and what else people call it.
    pub column: Column,
    /// What is to stand in it.
    pub says: &'static str,
    /// It has to be there.
    pub needed: bool,
}

const fn known(name: &'static str, others: &'static [&'static str], says: &'static str) -> Known {
    Known {
        column: (name, others),
        says,
        needed: false,
    }
}

const fn needed(name: &'static str, others: &'static [&'static str], says: &'static str) -> Known {
    let mut one = known(name, others, says);
    one.needed = true;
    one
}

const HORSE: Known = needed(
    "horse",
    &["name", "horse name"],
    "A horse of this barn, by its name",
);
const DAY: Known = needed(
    "day",
    &["date", "on", "ridden on"],
    "2026-05-04, or month/day/year as 5/4/2026",
);
const TIME: Known = known(
    "time_of_day",
    &["time", "started", "at", "hour"],
    "When it began, as 14:30 or 2:30 pm; empty for noon",
);
const RIDER: Known = known(
    "rider",
    &["who", "ridden by", "trainer"],
    "Somebody of this barn, by name; empty for you",
);
const RIDE_ID: Known = known(
    "ride_id",
    &["ride", "ride no", "ride number"],
    "What tells rides apart; a ride of this barn by its id, or any word of the sheet",
);

const HORSES: &[Known] = &[
    needed("name", &["horse", "horse name"], "What people call it"),
    needed("sex", &["gender"], "mare, gelding or stallion"),
    known(
        "foaled",
        &["year", "born", "year foaled"],
        "Year of birth; or match its age",
    ),
    known("age", &[], "In years, where the year of birth is not there"),
    needed("color", &["colour", "coat"], "Coat"),
    known("markings", &["marks"], "What tells it apart"),
    known("note", &["notes"], "In your words"),
    known("owner", &[], "An owner who signs in here, by name"),
    known("program", &[], "A program of this barn, by name"),
];

const HERD: &[Known] = &[
    needed(
        "tag",
        &["number", "no", "ear tag", "cow"],
        "What its tag says",
    ),
    known(
        "lot",
        &["group", "herd"],
        "A lot of this barn, by name; leave it out to choose one for all rows",
    ),
    known(
        "kind",
        &["sex", "class"],
        "heifer, steer or cow; empty for what most of the lot are",
    ),
    known("weight", &["weight lb", "lb", "lbs", "pounds"], "Pounds"),
    known(
        "came",
        &["arrived", "date", "bought"],
        "The day it came; empty for today",
    ),
    known("tempo", &["speed", "goes"], "slow, medium or quick"),
    known("handling", &["handled"], "well or wild"),
    known("note", &["notes"], "In your words"),
];

const RIDES: &[Known] = &[
    HORSE,
    DAY,
    TIME,
    RIDER,
    RIDE_ID,
    known(
        "started_at",
        &[],
        "The moment it began, as 2026-05-04T14:30:00Z, in place of day and time",
    ),
    known("minutes", &["length", "duration", "min"], "How long it was"),
    known(
        "ended",
        &["end"],
        "good_one, easy, tired, argument or cut_short",
    ),
    known("mood", &[], "willing, quiet, fresh, worried, dull or sour"),
    known(
        "exertion",
        &["effort", "work"],
        "very_easy, easy, moderate, hard, very_hard or all_it_had",
    ),
    known(
        "marks",
        &["conditions"],
        "What made it unlike the others, apart by blanks: bad_ground wind in_season new_place another_rider new_rig trouble",
    ),
    known("note", &["notes", "remarks", "comment"], "One line"),
];

const RUNS: &[Known] = &[
    HORSE,
    DAY,
    TIME,
    RIDER,
    RIDE_ID,
    known(
        "rep_id",
        &["run", "run no", "run number"],
        "Its id, where the sheet has one of its own",
    ),
    known(
        "skill",
        &[],
        "barrel.pattern at home, barrel.away elsewhere; empty for home",
    ),
    known(
        "speed",
        &["rung", "gait"],
        "walk, trot, lope, three_quarter or run; empty for run",
    ),
    known(
        "time_s",
        &["seconds", "run time", "clock"],
        "Seconds; empty where nobody timed it",
    ),
    known(
        "splits_s",
        &["splits"],
        "Four splits in seconds, apart by blanks",
    ),
    known(
        "knocked",
        &["barrels down", "down", "knocked over"],
        "Which barrels fell, apart by blanks: 1 3; empty or 0 for none",
    ),
    known(
        "broken",
        &["broke pattern"],
        "yes where the pattern was broken",
    ),
    known(
        "course",
        &["arena", "setup"],
        "A course of this barn, by its name",
    ),
    known("footing", &["ground"], "good, deep, hard, wet or rutted"),
    known(
        "measure",
        &[],
        "All that was measured, as JSON, in place of the columns from time_s to footing",
    ),
];

const ASKS: &[Known] = &[
    HORSE,
    DAY,
    TIME,
    RIDER,
    RIDE_ID,
    known(
        "rep_id",
        &["ask", "id"],
        "Its id, where the sheet has one of its own",
    ),
    known(
        "asked_at",
        &[],
        "The moment of the ask, as 2026-05-04T14:31:08Z; empty: asks follow each other as their rows do",
    ),
    needed(
        "skill",
        &["asked", "what"],
        "A skill of the ladder by its id, such as bend.flex",
    ),
    needed("rung", &["level", "gait"], "Its rung, such as walk"),
    known(
        "side",
        &["rein", "hand side"],
        "left, right or both; empty for both",
    ),
    known(
        "hand",
        &["weight", "hand weight"],
        "Of a give: feather, fingertip, two_fingers, closed_hand, forearm or pull",
    ),
    known(
        "time_s",
        &["seconds", "time to give"],
        "Of a give: seconds from ask to give",
    ),
    known(
        "answer",
        &["gave", "result"],
        "Of a give: gave, late, did_not_give, evaded_up and so on; empty for gave",
    ),
    known(
        "measure",
        &[],
        "All that was measured, as JSON, where it is no give",
    ),
    known("faults", &["fault"], "Faults by their ids, apart by blanks"),
    known(
        "taken_back",
        &["undone"],
        "yes where the rider took it back",
    ),
];

/// The columns that a sheet can be brought in with.
pub fn known_of(sheet: Sheet) -> &'static [Known] {
    match sheet {
        Sheet::Horses => HORSES,
        Sheet::Herd => HERD,
        Sheet::Rides => RIDES,
        Sheet::Runs => RUNS,
        Sheet::Asks => ASKS,
    }
}

/// The same, as headings are looked up.
pub fn names_of(sheet: Sheet) -> Vec<Column> {
    known_of(sheet).iter().map(|known| known.column).collect()
}
