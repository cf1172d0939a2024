//! A month in plain sentences. A sentence says a figure and what it was the month before; it
//! never says that a figure is good.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::horse_month::{CareComing, CareOfMonth, HorseMonth};
use super::moved::MovedLevel;
use super::worked::{Ridden, WorkedTrack};
use crate::Side;
use crate::evidence::SoftCount;
use crate::horse::CareKind;
use crate::wording::{Pronouns, capital, count, lower, on_day, percent, pronouns};

/// Tracks that are named one by one.
const TRACKS_NAMED: usize = 5;

/// A part of a report.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ReportPart {
    /// What the trainer adds in their own words.
    Trainer,
    /// Rides and hours.
    Rides,
    /// Levels gained, levels that went back.
    Moved,
    /// What was worked.
    Worked,
    /// Left against right.
    Sides,
    /// The level that comes next.
    Next,
    /// The road to the dates.
    Road,
    /// Care and load.
    Care,
}

impl ReportPart {
    /// All parts, in the order of a report.
    pub const ALL: [ReportPart; 8] = [
        ReportPart::Trainer,
        ReportPart::Rides,
        ReportPart::Moved,
        ReportPart::Worked,
        ReportPart::Sides,
        ReportPart::Next,
        ReportPart::Road,
        ReportPart::Care,
    ];
}

/// A part of a report, written out.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct ReportSection {
    /// Which part.
    pub part: ReportPart,
    /// Its words.
    #[cfg_attr(feature = "schema", schema(max_length = 4000))]
    pub text: String,
}

/// The month in sentences, part by part; parts with nothing to say are left out, and the
/// trainer's own words are the trainer's to add.
pub fn sections(month: &HorseMonth) -> Vec<ReportSection> {
    let parts = ReportPart::ALL.into_iter();
    parts
        .map(|part| ReportSection {
            part,
            text: match part {
                ReportPart::Trainer => String::new(),
                ReportPart::Rides => rides(month),
                ReportPart::Moved => moved(month),
                ReportPart::Worked => worked(&month.worked),
                ReportPart::Sides => sides(month),
                ReportPart::Next => next(month),
                ReportPart::Road => road(month),
                ReportPart::Care => care(month),
            },
        })
        .filter(|section| !section.text.is_empty())
        .collect()
}

fn said(month: &HorseMonth) -> Pronouns {
    pronouns(month.sex)
}

fn rides(month: &HorseMonth) -> String {
    let until = if month.is_under_way() {
        format!(
            "in {} until the {}",
            month.month().short(),
            ordinal(month.to.day())
        )
    } else {
        format!("in {}", month.month().short())
    };
    let before = month.month().before().short();
    let ridden = &month.ridden;
    if ridden.rides == 0 {
        return format!(
            "{} was not ridden {until}.{}",
            month.horse,
            earlier(&month.ridden_before, &before)
        );
    }
    let time = match (ridden.minutes, ridden.untimed) {
        (0, _) => String::new(),
        (minutes, 0) => format!(", {} in all", hours(minutes)),
        (minutes, untimed) => format!(
            ", {} in all ({} without a time)",
            hours(minutes),
            count(untimed, "ride")
        ),
    };
    let on_days = if ridden.days == ridden.rides {
        String::new()
    } else {
        format!(" on {}", count(ridden.days, "day"))
    };
    let trips = match (month.trips.trips, month.trips.quiet) {
        (0, _) => String::new(),
        (trips, quiet) => format!(
            " {} went out with the trailer {}; on {} of them nothing was asked.",
            capital(said(month).he),
            if trips == 1 {
                "once".to_owned()
            } else {
                count(trips, "time")
            },
            quiet
        ),
    };
    format!(
        "{} was ridden {}{on_days} {until}{time}.{}{trips}",
        month.horse,
        times(ridden.rides),
        earlier(&month.ridden_before, &before)
    )
}

fn earlier(before: &Ridden, month: &str) -> String {
    match (before.rides, before.minutes) {
        (0, _) => String::new(),
        (rides, 0) => format!(" In {month}: {}.", count(rides, "ride")),
        (rides, minutes) => format!(" In {month}: {}, {}.", count(rides, "ride"), hours(minutes)),
    }
}

fn moved(month: &HorseMonth) -> String {
    let moved = &month.moved;
    let mut said_of = Vec::new();
    let him = said(month);
    if moved.shown_at_intake > 0 {
        let shown = count(moved.shown_at_intake, "level");
        said_of.push(format!("Shown at the intake: {shown}."));
    }
    match moved.gained.len() {
        0 if moved.shown_at_intake > 0 => {}
        0 => said_of.push("No new level came to be held.".to_owned()),
        1 => said_of.push(format!("New: {}.", gained(&moved.gained[0]))),
        number => said_of.push(format!(
            "{number} new levels: {}.",
            listed(moved.gained.iter().map(gained))
        )),
    }
    if !moved.regained.is_empty() {
        said_of.push(format!(
            "Held again: {}.",
            listed(moved.regained.iter().map(gained))
        ));
    }
    if !moved.in_doubt.is_empty() {
        said_of.push(format!(
            "In doubt: {}.",
            listed(moved.in_doubt.iter().map(gained))
        ));
    }
    if !moved.went_back.is_empty() {
        said_of.push(format!(
            "No longer held, and worked on again: {}.",
            listed(moved.went_back.iter().map(gained))
        ));
    }
    said_of.push(format!(
        "{} holds {} of the {} on {} ladder.",
        capital(him.he),
        moved.held,
        count(moved.levels, "level"),
        him.his
    ));
    said_of.join(" ")
}

fn gained(level: &MovedLevel) -> String {
    let day = level
        .day
        .map_or_else(String::new, |day| format!(" ({})", on_day(day)));
    let whose = if level.by_trainer {
        ", trainer's call"
    } else {
        ""
    };
    format!("{}{day}{whose}", lower(&level.name))
}

fn worked(tracks: &[WorkedTrack]) -> String {
    let named = tracks.iter().take(TRACKS_NAMED).map(|track| {
        let before = match track.before {
            SoftCount { asked: 0, .. } => "not asked".to_owned(),
            SoftCount { soft, asked } => format!("{soft} of {asked}"),
        };
        format!(
            "{}: {} of {} soft, on {}; the month before {before}.",
            track.name,
            track.asks.soft,
            count(track.asks.asked, "ask"),
            count(track.rides, "ride"),
        )
    });
    let mut lines: Vec<String> = named.collect();
    let more = tracks.iter().skip(TRACKS_NAMED);
    let others: Vec<String> = more.map(|track| lower(&track.name)).collect();
    if !others.is_empty() {
        lines.push(format!("Less often: {}.", listed(others)));
    }
    lines.join("\n")
}

fn sides(month: &HorseMonth) -> String {
    let sides = &month.sides;
    if sides.left.asked + sides.right.asked == 0 {
        return String::new();
    }
    let figures = format!(
        "Left {}, right {}.",
        soft_of(sides.left),
        soft_of(sides.right)
    );
    let him = said(month);
    let verdict = match (sides.is_known(), sides.stiff) {
        (false, _) => "Too few asks on each side to say which is the stiffer one.".to_owned(),
        (true, None) => "The difference may be chance: no stiff side shows.".to_owned(),
        (true, Some(stiff)) => {
            let worked = sides.stiff_asks().map_or_else(String::new, |(own, all)| {
                format!(" {own} of {} were on that side.", count(all, "ask"))
            });
            format!(
                "{} {} side is the stiffer one, very likely real.{worked}",
                capital(him.his),
                side(stiff)
            )
        }
    };
    format!("{figures} {verdict}")
}

fn next(month: &HorseMonth) -> String {
    let Some(next) = &month.ahead.next else {
        return String::new();
    };
    let parts = [
        format!("{}.", capital(&next.name)),
        next.says.clone(),
        next.takes.clone(),
        next.forecast.clone(),
    ];
    parts
        .into_iter()
        .filter(|part| !part.is_empty())
        .collect::<Vec<_>>()
        .join(" ")
}

fn road(month: &HorseMonth) -> String {
    let dates = month.ahead.dates.iter().map(|date| date.text.clone());
    let dates: Vec<String> = dates.collect();
    if dates.is_empty() {
        return String::new();
    }
    format!("As of {}:\n{}", on_day(month.written_on), dates.join("\n"))
}

fn care(month: &HorseMonth) -> String {
    let mut lines = Vec::new();
    if !month.care.is_empty() {
        let done = listed(month.care.iter().map(care_done));
        lines.push(format!("{}.", capital(&done)));
    }
    let due = month.ahead.care_due.iter();
    let due: Vec<String> = due
        .filter_map(|one| coming(one, month.written_on))
        .collect();
    if !due.is_empty() {
        lines.push(format!("{}.", capital(&listed(due))));
    }
    let load = load(month);
    if !load.is_empty() {
        lines.push(load);
    }
    lines.extend(month.ahead.cautions.iter().cloned());
    lines.join("\n")
}

fn care_done(note: &CareOfMonth) -> String {
    let day = on_day(note.day);
    let cleared = note.cleared_on.map_or_else(String::new, |cleared| {
        format!(", cleared on {}", on_day(cleared))
    });
    match note.kind {
        CareKind::Pain => format!("pain was noted on {day}{cleared}"),
        CareKind::Unlevel => format!("off or uneven on {day}{cleared}"),
        CareKind::RigMisfit => format!("tack that didn't fit on {day}{cleared}"),
        CareKind::Teeth => format!("teeth looked at on {day}"),
        CareKind::BitSeat => format!("bit seat looked at on {day}"),
        CareKind::Feet => format!("feet done on {day}"),
        CareKind::Vet => format!("vet on {day}"),
        CareKind::InSeason => format!("in season on {day}"),
    }
}

fn coming(due: &CareComing, written_on: Date) -> Option<String> {
    let what = match due.kind {
        CareKind::Teeth => "teeth",
        CareKind::BitSeat => "bit seat",
        CareKind::Feet => "feet",
        CareKind::Vet => "vet",
        _ => return None,
    };
    let day = if due.due.year() == written_on.year() {
        on_day(due.due)
    } else {
        format!("{}, {}", on_day(due.due), due.due.year())
    };
    Some(if due.overdue {
        format!("{what} overdue since {day}")
    } else {
        format!("{what} due {day}")
    })
}

/// Work against the month before, by the day: months are not of one length.
fn load(month: &HorseMonth) -> String {
    let days = |from: Date, to| crate::day::days_between(from, to) + 1;
    let before = month.month().before();
    let a_day = month.ridden.load / days(month.from, month.to) as f64;
    let earlier = month.ridden_before.load / days(before.first(), before.last()) as f64;
    if earlier <= 0.0 || a_day <= 0.0 {
        return String::new();
    }
    format!(
        "Work a day, by minutes and pace: {} of what it was in {}.",
        percent(a_day / earlier),
        before.short()
    )
}

fn soft_of(count: SoftCount) -> String {
    format!("{} of {} soft", count.soft, count.asked)
}

fn side(side: Side) -> &'static str {
    side.word()
}

fn times(number: u32) -> String {
    match number {
        1 => "once".to_owned(),
        2 => "twice".to_owned(),
        more => format!("{more} times"),
    }
}

/// Minutes as hours and minutes.
pub fn hours(minutes: u32) -> String {
    match (minutes / 60, minutes % 60) {
        (0, minutes) => count(minutes, "minute"),
        (hours, 0) => count(hours, "hour"),
        (hours, minutes) => format!("{} {}", count(hours, "hour"), count(minutes, "minute")),
    }
}

fn ordinal(number: i8) -> String {
    let ending = match (number % 10, number % 100) {
        (_, 11..=13) => "th",
        (1, _) => "st",
        (2, _) => "nd",
        (3, _) => "rd",
        _ => "th",
    };
    format!("{number}{ending}")
}

/// Things one after another: a, b and c; those with commas of their own by semicolons.
fn listed(things: impl IntoIterator<Item = String>) -> String {
    let things: Vec<String> = things.into_iter().collect();
    if things.iter().any(|thing| thing.contains(',')) {
        return things.join("; ");
    }
    match things.split_last() {
        Some((last, [])) => last.clone(),
        Some((last, others)) => format!("{} and {last}", others.join(", ")),
        None => String::new(),
    }
}
