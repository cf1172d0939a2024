//! What was said of levels, day by day: the trainer's words, what an intake showed, where a
//! horse was placed by hand. Who says that a level is held speaks of all it stands on.

use jiff::civil::Date;

use crate::judge::held::placing::PLACED_CHANCE;
use crate::judge::held::saying::{HeldBy, Said, Saying};
use crate::judge::horse_file::HorseFile;
use crate::ladder::{Ladder, Level};

/// What was said of each level of the ladder until `on`, oldest first.
pub fn said(ladder: &Ladder, file: &HorseFile, on: Date) -> Vec<Vec<Said>> {
    let mut all: Vec<Vec<Said>> = vec![Vec::new(); ladder.levels.len()];
    let mut say = |level: &Level, day: Date, saying: Saying| {
        if let Some(index) = ladder.position(level).filter(|_| day <= on) {
            all[index].push(Said { day, saying });
        }
    };
    if let Some(intake) = &file.intake {
        for shown in &intake.shown {
            let (by, chance) = (HeldBy::Intake, shown.chance);
            say(&shown.level, intake.day, Saying::Likely { by, chance });
        }
    }
    for placing in &file.placings {
        for level in &placing.levels {
            let (by, chance) = (HeldBy::Placed, PLACED_CHANCE);
            say(level, placing.day, Saying::Likely { by, chance });
        }
    }
    for overrule in &file.overrules {
        let saying = if overrule.lets_count() {
            Saying::Counts
        } else {
            Saying::KeptBack
        };
        say(&overrule.level, overrule.day, saying);
    }
    // Stable: of one day the trainer's word comes last, and words in their order.
    for of_level in &mut all {
        of_level.sort_by_key(|said| said.day);
    }
    cover(ladder, file, &mut all);
    all
}

/// Says of what lies under each level that it is held by the same word.
fn cover(ladder: &Ladder, file: &HorseFile, all: &mut [Vec<Said>]) {
    for index in (0..ladder.levels.len()).rev() {
        let own: Vec<Said> = all[index].clone();
        for said in own {
            let (above, by, chance) = match said.saying {
                Saying::KeptBack => continue,
                Saying::Counts => (index, HeldBy::Word, None),
                Saying::Likely { by, chance } => (index, by, Some(chance)),
                Saying::Under { above, by, chance } => (above, by, chance),
            };
            let level = &ladder.levels[index];
            let groups = level.below.map(|below| vec![below]);
            for need in groups.iter().chain(&level.needs) {
                let Some(need) = alternative(need, file, all) else {
                    continue;
                };
                let saying = Saying::Under { above, by, chance };
                let covered = |other: &Said| {
                    other.day == said.day && matches!(other.saying, Saying::Under { .. })
                };
                if !all[need].iter().any(covered) {
                    let day = said.day;
                    // Before what is said of it on that day itself.
                    let at = all[need].partition_point(|other| other.day < day);
                    all[need].insert(at, Said { day, saying });
                }
            }
        }
    }
}

/// Of alternatives the one that something is known of, or else the first.
fn alternative(need: &[usize], file: &HorseFile, all: &[Vec<Said>]) -> Option<usize> {
    let known = |index: &&usize| {
        !all[**index].is_empty() || file.asks.get(**index).is_some_and(|asks| !asks.is_empty())
    };
    need.iter().find(known).or(need.first()).copied()
}
