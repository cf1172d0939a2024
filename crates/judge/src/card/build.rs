//! From a judged horse and its day to the card.

use std::collections::HashMap;

use super::block::{Card, LeftOut, Part};
use super::choice::{self, Chosen};
use super::day::Day;
use super::fit::{self, Fits, Unfit};
use super::horse::Horse;
use super::lay_out;
use super::limits::Limits;
use super::words;
use super::worth::{self, Worth};

/// Most of what is left out that is named.
const MOST_LEFT_OUT: usize = 6;

/// Most of them with the same reason.
const MOST_ALIKE: usize = 2;

/// Builds the card.
pub fn card(horse: Horse<'_>, day: &Day) -> Card {
    let limits = Limits::of(horse, day);
    let fits = fit::fits(horse, day, &limits);
    let mut worth = worth::worth(horse, day, &limits, &fits);
    let room = lay_out::room(horse, day, &limits, &mut worth);
    let chosen = choice::best(&worth, room);
    let blocks = lay_out::lay_out(horse, day, &limits, &worth, &chosen);
    Card {
        minutes: blocks
            .iter()
            .filter(|block| block.part != Part::CheckOver)
            .map(|block| block.minutes)
            .sum(),
        most_minutes: limits.minutes,
        fastest: limits.fastest,
        left_out: left_out(horse, day, &fits, &worth, &chosen),
        cautions: words::cautions(horse, day, &limits, &blocks),
        limits: limits.text,
        blocks,
        worth: chosen.worth,
    }
}

/// What does not fit the day, and what the trainer wanted and there was no room for.
fn left_out(
    horse: Horse<'_>,
    day: &Day,
    fits: &Fits,
    worth: &Worth,
    chosen: &Chosen,
) -> Vec<LeftOut> {
    let wanted = worth
        .wanted
        .iter()
        .filter(|index| !chosen.has(worth, **index))
        .map(|index| (*index, words::no_room(horse, worth, chosen, *index)));
    // What is worked on comes before what is only open; a bit the trainer has not begun,
    // and what the rider dropped, need no word.
    let said = |why: Unfit| ![Unfit::Dropped, Unfit::NewBit, Unfit::NothingNew].contains(&why);
    let mut unfit: Vec<(usize, Unfit)> = fits
        .unfit
        .iter()
        .copied()
        .filter(|(_, why)| said(*why))
        .collect();
    unfit.sort_by_key(|(index, _)| {
        let level = &horse.ladder.levels[*index].level;
        let aim = day.aim.as_ref() == Some(level);
        let planned = day.planned.iter().any(|block| block.level == *level);
        (
            !(aim || planned),
            horse.standings[*index].last_asked.is_none(),
        )
    });
    let unfit = unfit
        .into_iter()
        .map(|(index, why)| (index, words::unfit(horse, day, index, why)));
    let mut told: HashMap<String, usize> = HashMap::new();
    wanted
        .chain(unfit)
        .filter(|(_, why)| {
            let alike = told.entry(why.clone()).or_insert(0);
            *alike += 1;
            *alike <= MOST_ALIKE
        })
        .take(MOST_LEFT_OUT)
        .map(|(index, why)| LeftOut {
            level: horse.ladder.levels[index].level.clone(),
            name: horse.ladder.levels[index].name.clone(),
            why,
        })
        .collect()
}
