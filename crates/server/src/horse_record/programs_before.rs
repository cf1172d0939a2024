//! Which program, and which version of it, a horse was on on which day.

use std::collections::HashMap;

use cavesson_store::horse::horse_program::OnProgram;
use cavesson_store::horse::horse_program::VersionFrom;
use jiff::civil::Date;
use uuid::Uuid;

/// A program and its version; none is the ladder as it ships.
pub type Version = Option<(Uuid, i32)>;

/// What a horse was on until which days, and what it is on now.
pub type Stood = (Vec<(Version, Date)>, Version);

/// What a horse was on until a day, in the order of their days, with what it is on on `on`
/// last. `always` is the program of a horse that nothing is written of.
pub fn until(
    on_programs: &[OnProgram],
    always: Option<Uuid>,
    versions: &HashMap<Uuid, Vec<VersionFrom>>,
    on: Date,
) -> Stood {
    let first = on_programs.first().map_or(always, |_| None);
    let mut from = vec![(Date::MIN, first)];
    from.extend(on_programs.iter().map(|one| (one.from, one.program_id)));
    let mut stood: Vec<(Date, Version)> = Vec::new();
    for (index, (begins, program)) in from.iter().enumerate() {
        let ends = from.get(index + 1).map_or(Date::MAX, |next| next.0);
        for (day, version) in of_program(*program, versions, (*begins, ends)) {
            // The last that was said of a day holds.
            stood.retain(|(from, _)| *from < day);
            stood.push((day, version));
        }
    }
    stood.retain(|(from, _)| *from <= on);
    stood.dedup_by(|later, before| later.1 == before.1);
    let until = stood.windows(2).map(|two| (two[0].1, two[1].0)).collect();
    (until, stood.last().and_then(|last| last.1))
}

/// The versions of a program from one day to before another: the one that holds on the first
/// day, and those that came in between. The first version holds for the days before it too.
fn of_program(
    program: Option<Uuid>,
    versions: &HashMap<Uuid, Vec<VersionFrom>>,
    (begins, ends): (Date, Date),
) -> Vec<(Date, Version)> {
    let Some(program_id) = program else {
        return vec![(begins, None)];
    };
    let versions = versions.get(&program_id).map_or(&[][..], Vec::as_slice);
    let holds = versions.iter().rfind(|version| version.from <= begins);
    let first = holds.or(versions.first());
    let later = versions
        .iter()
        .filter(|version| begins < version.from && version.from < ends);
    let named = |version: &VersionFrom| Some((program_id, version.version));
    first
        .map(|first| (begins, named(first)))
        .into_iter()
        .chain(later.map(|version| (version.from, named(version))))
        .collect()
}

#[cfg(test)]
mod tests {
    use jiff::civil::date;
    use proptest::prelude::*;

    use super::*;

    const HORSE: Uuid = Uuid::from_u128(9);

    fn day(of: i8) -> Date {
        date(2026, 3, of)
    }

    /// Somebody who asks for one day only: what was said last of the program, and of that the
    /// last version made until then.
    fn on_day(
        on_programs: &[OnProgram],
        versions: &HashMap<Uuid, Vec<VersionFrom>>,
        on: Date,
    ) -> Version {
        let program = on_programs.iter().rfind(|one| one.from <= on)?.program_id?;
        let all = &versions[&program];
        let made = all.iter().rfind(|version| version.from <= on);
        Some((program, made.unwrap_or(&all[0]).version))
    }

    proptest! {
        #[test]
        fn each_day_is_as_somebody_says_who_asks_for_that_day_only(
            programs in prop::collection::btree_map(1i8..30, prop::option::of(1u128..4), 0..6),
            made in prop::collection::vec(prop::collection::vec(1i8..30, 1..5), 3),
            until_day in 1i8..31,
        ) {
            let on_programs: Vec<OnProgram> = programs
                .iter()
                .map(|(from, program)| OnProgram {
                    horse_id: HORSE,
                    from: day(*from),
                    program_id: program.map(Uuid::from_u128),
                })
                .collect();
            let versions: HashMap<Uuid, Vec<VersionFrom>> = made
                .into_iter()
                .enumerate()
                .map(|(index, mut days)| {
                    days.sort_unstable();
                    let program_id = Uuid::from_u128(index as u128 + 1);
                    let of = |(number, from): (usize, &i8)| VersionFrom {
                        program_id,
                        version: number as i32 + 1,
                        from: day(*from),
                    };
                    (program_id, days.iter().enumerate().map(of).collect())
                })
                .collect();
            let on = day(until_day);
            let (before, now) = until(&on_programs, None, &versions, on);
            prop_assert!(before.is_sorted_by(|a, b| a.1 < b.1));
            for of in 1..=until_day {
                let told = before.iter().find(|(_, until)| day(of) < *until);
                let told = told.map_or(now, |(version, _)| *version);
                prop_assert_eq!(told, on_day(&on_programs, &versions, day(of)), "day {}", of);
            }
        }
    }

    #[test]
    fn a_horse_that_nothing_is_written_of_was_always_on_its_program() {
        let program_id = Uuid::from_u128(1);
        let made = |version: i32, of: i8| VersionFrom {
            program_id,
            version,
            from: day(of),
        };
        let versions = HashMap::from([(program_id, vec![made(1, 3), made(2, 10)])]);
        let (before, now) = until(&[], Some(program_id), &versions, day(20));
        assert_eq!(before, [(Some((program_id, 1)), day(10))]);
        assert_eq!(now, Some((program_id, 2)));
    }
}
