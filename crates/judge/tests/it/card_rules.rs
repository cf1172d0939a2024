//! What holds for every card, and that the choice is the best there is: checked against
//! every card that could be made. The rules are common practice of the trade, no source.

use cavesson_base::{Gait, Side};
use cavesson_judge::card::choice::{Chosen, MOST_REVIEWS, best};
use cavesson_judge::card::worth::{Candidate, Worth, worth};
use cavesson_judge::card::{Day, Horse, Limits, Part, PlannedBlock, card, fit};
use cavesson_judge::judge::track::stiff_side;
use cavesson_judge::judge::{Verdict, judge_horse};
use cavesson_reps::horse::HorseTrait;
use cavesson_reps::ladder::{AtHand, Ladder, Level};
use cavesson_told::carded::{card_of, judged, names, of};
use cavesson_told::holding::any_horse;
use proptest::prelude::*;
use rstest::rstest;

fn any_day() -> impl Strategy<Value = Day> {
    let traits = proptest::sample::subsequence(HorseTrait::ALL.to_vec(), 0..=4);
    let at_hand = proptest::sample::subsequence(AtHand::ALL.to_vec(), 0..=7);
    (
        10u32..=180,
        prop::option::of(1u32..20),
        traits,
        at_hand,
        any::<bool>(),
        prop::option::of((20.0..115.0f64, 0.0..100.0f64)),
        prop::option::of(0..Ladder::shipped().levels.len()),
        prop::collection::vec(0..Ladder::shipped().levels.len(), 0..3),
    )
        .prop_map(
            |(minutes, age_years, traits, at_hand, helper, heat, aim, planned)| Day {
                minutes,
                age_years,
                traits,
                at_hand,
                helper,
                temperature_f: heat.map(|heat| heat.0),
                humidity_pct: heat.map(|heat| heat.1),
                aim: aim.map(|index| Ladder::shipped().levels[index].level.clone()),
                planned: planned
                    .into_iter()
                    .map(|index| PlannedBlock {
                        level: Ladder::shipped().levels[index].level.clone(),
                        side: None,
                        text: String::new(),
                    })
                    .collect(),
                ..Day::default()
            },
        )
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 300, ..ProptestConfig::default() })]

    #[test]
    fn no_card_breaks_a_rule(horse in any_horse(), day in any_day()) {
        let judged = judged(&horse);
        let horse = of(&judged, &horse);
        let card = card(horse, &day);
        let limits = Limits::of(horse, &day);
        prop_assert!(card.minutes <= card.most_minutes, "{} min of {}", card.minutes, card.most_minutes);
        prop_assert!(card.most_minutes <= day.minutes);
        if day.age_counted().is_some_and(|years| years <= 2) {
            prop_assert!(card.most_minutes <= 30);
        }
        let mounted = card.blocks.iter().filter(|block| {
            let level = block.levels.first().and_then(|named| horse.ladder.at(&named.level));
            let rests = block.part == Part::Breather;
            limits.in_hand || (level.is_none_or(|level| !level.ground) && !rests)
        });
        let mut order: Vec<Part> = mounted.map(|block| block.part).collect();
        order.dedup();
        let firsts = [Part::CheckOver, Part::Brake, Part::Cold, Part::Loosen];
        let begin: Vec<Part> = firsts.into_iter().filter(|part| order.contains(part)).collect();
        prop_assert_eq!(&order[..begin.len()], &begin[..], "begins in order");
        if let Some(brake) = card.blocks.iter().position(|block| block.part == Part::Brake) {
            for block in &card.blocks[brake..] {
                let ground = block.levels.iter().any(|named| horse.ladder.at(&named.level).unwrap().ground);
                prop_assert!(!ground, "{} in hand after mounting", block.name);
            }
        }
        let asked = card.blocks.iter().filter(|block| !block.levels.is_empty());
        let mut new = 0;
        for block in asked {
            for named in &block.levels {
                let index = horse.ladder.position(&named.level).unwrap();
                let level = &horse.ladder.levels[index];
                prop_assert!(limits.allows(horse.ladder, index), "{} above the brake", level.name);
                if let Some(with) = level.with {
                    prop_assert!(day.at_hand.contains(&with), "{} without {with:?}", level.name);
                }
                let loosened = card.blocks.iter().take_while(|other| *other != block)
                    .any(|other| other.part == Part::Loosen);
                prop_assert!(loosened || level.gait <= Gait::Walk, "fast before loosening");
                let standing = &horse.standings[index];
                let planned = day.planned.iter().any(|block| block.level == named.level);
                let refused = [Verdict::CheckFirst, Verdict::EaseBack].contains(&standing.verdict);
                prop_assert!(
                    !refused || planned || [Part::Brake, Part::Finish].contains(&block.part),
                    "{} is {:?}", level.name, standing.verdict
                );
                if standing.last_asked.is_none() && !standing.counts_as_held() && block.part != Part::Brake {
                    new += 1;
                    prop_assert_eq!(block.part, Part::Work, "{} is new", &level.name);
                }
            }
            prop_assert!(!block.why.is_empty() && !block.quit.is_empty() && !block.soft.is_empty());
        }
        let mut works: Vec<_> = names(&card, Part::Work);
        works.dedup();
        prop_assert!(works.len() <= 1, "one new or limiting thing: {works:?}");
        prop_assert!(new <= 1 || works.len() == 1, "never two new things");
        if card.most_minutes > 0 {
            prop_assert_eq!(card.blocks.last().map(|block| block.part), Some(Part::WalkOut));
        }
    }

    #[test]
    fn the_stiff_side_gets_more_but_never_more_than_twice(horse in any_horse(), day in any_day()) {
        for block in card_of(&horse, &day).blocks {
            let Some([first, second]) = block.asks.first_chunk::<2>() else { continue };
            if block.part == Part::Brake { continue }
            prop_assert_eq!(first.side, second.side.other());
            prop_assert!(second.asks >= first.asks && second.asks <= 2 * first.asks
                || block.minutes <= 4, "{first:?} then {second:?}");
        }
    }

    /// The card favors the side that board, horse page and report name, and no other: where
    /// they name none, the sides are asked alike.
    #[test]
    fn the_card_has_the_one_stiff_side_of_the_horse(horse in any_horse(), day in any_day()) {
        let judged = judged(&horse);
        let of = of(&judged, &horse);
        let named = stiff_side(of.file, of.on).map(|stiff| stiff.side);
        if day.is(HorseTrait::OneSided) { return Ok(()) }
        for block in card_of(&horse, &day).blocks {
            let Some([first, second]) = block.asks.first_chunk::<2>() else { continue };
            if block.part == Part::Brake { continue }
            match named {
                Some(stiff) => prop_assert_eq!(second.side, stiff),
                None => prop_assert!(second.asks.abs_diff(first.asks) <= 1, "{first:?} then {second:?}"),
            }
        }
    }

    /// Every card that could be made of the same candidates: no other is worth more.
    #[test]
    fn no_other_card_is_worth_more(horse in any_horse(), day in any_day(), room in 0u32..60) {
        let judged = judged(&horse);
        let horse = of(&judged, &horse);
        let limits = Limits::of(horse, &day);
        let fits = fit::fits(horse, &day, &limits);
        let mut worth = worth(horse, &day, &limits, &fits);
        worth.reviews.truncate(7);
        worth.works.truncate(8);
        worth.uses.truncate(4);
        worth.finishes.truncate(3);
        let chosen = best(&worth, room);
        prop_assert!(chosen.minutes(&worth) <= room);
        let brute = brute_force(horse, &worth, room);
        prop_assert!((chosen.worth - brute).abs() < 1e-9, "{} by choice, {brute} by trying all", chosen.worth);
    }
}

fn brute_force(horse: Horse<'_>, worth: &Worth, room: u32) -> f64 {
    let none_or = |group: &[Candidate]| -> Vec<Option<Candidate>> {
        group.iter().copied().map(Some).chain([None]).collect()
    };
    let mut best = 0.0f64;
    for work in none_or(&worth.works) {
        for used in none_or(&worth.uses) {
            for finish in none_or(&worth.finishes) {
                for picked in 0u32..1 << worth.reviews.len() {
                    if picked.count_ones() as usize > MOST_REVIEWS {
                        continue;
                    }
                    let reviews = worth
                        .reviews
                        .iter()
                        .enumerate()
                        .filter(|(index, _)| picked & (1 << index) != 0)
                        .map(|(_, review)| *review)
                        .collect();
                    let tried = Chosen {
                        reviews,
                        work,
                        used,
                        finish,
                        worth: 0.0,
                    };
                    let mut skills: Vec<_> = tried
                        .all()
                        .map(|one| &horse.ladder.levels[one.index].level.skill)
                        .collect();
                    let blocks = skills.len();
                    skills.sort();
                    skills.dedup();
                    if skills.len() < blocks || tried.minutes(worth) > room {
                        continue;
                    }
                    let pair = work
                        .zip(used)
                        .map_or(0.0, |(work, used)| worth.pair(work.index, used.index));
                    best = best.max(tried.all().map(|one| one.worth).sum::<f64>() + pair);
                }
            }
        }
    }
    best
}

/// A horse whose right braces every other time at three levels: every block of its card asks
/// the right more, the level too that was never asked.
#[rstest]
#[case(Side::Left)]
#[case(Side::Right)]
fn a_side_that_is_stiff_all_over_gets_more_in_every_block(#[case] stiff: Side) {
    let mut horse = cavesson_told::carded::made();
    let worked = [
        "bend.flex/stand",
        "bend.hip/jog",
        "bend.forward-circle/walk",
    ];
    horse.worked = worked
        .iter()
        .map(|path| (Level::from_path(path).unwrap(), 8, 0.95))
        .collect();
    let mut judged = judged(&horse);
    for asks in &mut judged.file.asks {
        for (number, ask) in asks.iter_mut().filter(|ask| ask.side == stiff).enumerate() {
            ask.soft &= number % 2 == 0;
        }
    }
    let ladder = Ladder::shipped();
    judged.standings = judge_horse(ladder, &judged.file, horse.on);
    let named = stiff_side(&judged.file, horse.on).map(|found| found.side);
    assert_eq!(named, Some(stiff));
    let blocks = card(
        of(&judged, &horse),
        &Day {
            minutes: 60,
            ..Day::default()
        },
    )
    .blocks;
    let asked: Vec<_> = blocks
        .iter()
        .filter(|block| block.part != Part::Brake)
        .filter_map(|block| block.asks.first_chunk::<2>())
        .collect();
    assert!(asked.len() >= 2, "{blocks:?}");
    for [first, second] in asked {
        assert_eq!(second.side, stiff);
        assert!(
            second.asks * 2 >= first.asks * 3,
            "{first:?} then {second:?}"
        );
    }
}
