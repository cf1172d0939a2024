//! From a judged horse and its day to the card.

use super::block::{Card, LeftOut, Part};
use super::choice::{self, Chosen};
use super::day::Day;
use super::fit::{self, Fits};
use super::horse::Horse;
use super::lay_out;
use super::limits::Limits;
use super::words;
use super::worth::{self, Worth};

/// Most of what is left out that is named.
const MOST_LEFT_OUT: usize = 6;

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
    let unfit = fits
        .unfit
        .iter()
        .filter(|(index, _)| !day.without.contains(&horse.ladder.levels[*index].level))
        .map(|(index, why)| (*index, words::unfit(horse, day, why)));
    wanted
        .chain(unfit)
        .take(MOST_LEFT_OUT)
        .map(|(index, why)| LeftOut {
            level: horse.ladder.levels[index].level.clone(),
            name: horse.ladder.levels[index].name.clone(),
            why,
        })
        .collect()
}
