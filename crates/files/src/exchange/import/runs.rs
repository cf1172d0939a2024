//! A row of the sheet of runs. Where only a time and the barrels that fell are written down, it
//! says so of itself, and is not judged.

use uuid::Uuid;

use super::book::{AskOfRow, Book, measure};
use super::cells::{Cells, yes};
use crate::Side;
use crate::footing::Footing;
use crate::ladder::{Ladder, Level, Role, RungId, SkillId};
use crate::rep::{Measure, Run};
use crate::rows::{Row, RowError, by_name};

pub(super) fn row(row: &Row, book: &mut Book<'_>, id: &mut dyn FnMut() -> Uuid) -> Vec<RowError> {
    let mut cells = Cells::of(row);
    let of = book.ride_of_row(&mut cells);
    let measured = match measure(row) {
        Ok(None) => run(&mut cells, book.known.courses).map(Measure::Run),
        read => cells.keep("measure", read).flatten(),
    };
    let or = |text: &str, usual: &str| match text {
        "" => usual.to_owned(),
        text => text.to_lowercase().replace([' ', '-'], "_"),
    };
    let level = Level {
        skill: SkillId(or(cells.text("skill"), &timed_pattern().0)),
        rung: RungId(or(cells.text("speed"), "run")),
    };
    if let Some(of) = of.filter(|_| cells.is_whole())
        && let Some(measure) = measured
    {
        let asked = AskOfRow {
            level,
            side: Side::Both,
            measure,
            faults: Vec::new(),
            at: None,
            taken_back: false,
        };
        book.ask(&of, asked, &mut cells, id);
    }
    cells.errors()
}

fn run(cells: &mut Cells<'_>, courses: &[(Uuid, String)]) -> Option<Run> {
    let time_s = cells.number("time_s");
    let fell = fell(cells.text("knocked"));
    let fell = cells.keep("knocked", fell);
    let broken = yes(cells.text("broken"));
    let course = by_name(cells.text("course"), courses, "course in this barn");
    let splits: Result<Vec<f64>, String> = cells
        .text("splits_s")
        .split([' ', ';', '/'])
        .filter(|part| !part.is_empty())
        .map(|part| {
            let read = super::cells::number(part)?;
            read.ok_or_else(|| "must be four times in seconds, apart by blanks".to_owned())
        })
        .collect();
    let splits = cells.keep("splits_s", splits);
    let course = cells.keep("course", course);
    let broken = cells.keep("broken", broken);
    let footing = cells.kind("footing", Footing::ALL, Footing::word);
    Some(Run {
        splits_s: splits?,
        course_id: course?,
        footing,
        broken: broken?,
        ..Run::timed_only(time_s, fell?)
    })
}

/// Which barrels fell.
fn fell(text: &str) -> Result<[bool; 3], String> {
    let mut fell = [false; 3];
    if matches!(text.to_lowercase().as_str(), "" | "0" | "no" | "none") {
        return Ok(fell);
    }
    for part in text
        .split([' ', ',', ';', '+'])
        .filter(|part| !part.is_empty())
    {
        match part.parse::<usize>() {
            Ok(barrel @ 1..=3) => fell[barrel - 1] = true,
            _ => {
                return Err(format!(
                    "must name the barrels that fell, such as 1 3; found \"{text}\""
                ));
            }
        }
    }
    Ok(fell)
}

/// What a run is that the sheet does not name: the pattern.
fn timed_pattern() -> &'static SkillId {
    let ladder = Ladder::every_level();
    let pattern = ladder.first_in(Role::TimedPattern).unwrap_or_default();
    &ladder.levels[pattern].level.skill
}
