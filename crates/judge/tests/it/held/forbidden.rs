//! A checker that knows what the rules of safety forbid and nothing of the code: over many
//! simulated horse-days with failing brakes, one-sided drops, lay-offs, heat and helpers, no
//! card holds what it must not.
//!
//! It keeps its own books of the brake, from the answers alone.

use std::collections::BTreeSet;

use cavesson_base::{Gait, Side};
use cavesson_judge::card::{Card, Day, Horse, Part, card};
use cavesson_judge::judge::{holes, judge_horse};
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;

use cavesson_told::day;
use cavesson_told::horse_told::{Told, index, ladder};

const BRAKES: [&str; 4] = [
    "start.brake/stand",
    "start.brake/walk",
    "start.brake/jog",
    "start.brake/lope",
];

/// The checker's own book of one brake level: held from the start (the horse was placed), and
/// from then on by its answers.
#[derive(Default, Clone)]
struct Book {
    lost: bool,
    answers: Vec<(i64, Side, bool)>,
    cold_test_from: Option<i64>,
}

impl Book {
    /// One day's answers; whether the level may be counted on after them, its own evidence
    /// only.
    fn day(&mut self, on: i64, answers: &[(Side, bool)]) {
        for (side, held) in answers {
            self.answers.push((on, *side, *held));
            if self.lost || *held {
                continue;
            }
            let of_side: Vec<bool> = self
                .answers
                .iter()
                .rev()
                .filter(|one| one.1 == *side)
                .take(5)
                .map(|one| one.2)
                .collect();
            let of_all: Vec<bool> = self
                .answers
                .iter()
                .rev()
                .take(20)
                .map(|one| one.2)
                .collect();
            let missed = |of: &[bool]| of.iter().filter(|held| !**held).count();
            self.lost = missed(&of_side) >= 2 || missed(&of_all) >= 3;
        }
        if self.lost && !answers.is_empty() {
            let last_miss = self
                .answers
                .iter()
                .rev()
                .find(|one| !one.2)
                .map_or(i64::MIN, |one| one.0);
            let clean: Vec<&(i64, Side, bool)> = self
                .answers
                .iter()
                .filter(|one| one.0 > last_miss)
                .collect();
            let days: BTreeSet<i64> = clean.iter().map(|one| one.0).collect();
            let enough = |side: Side| clean.iter().filter(|one| one.1 == side).count() >= 10;
            if days.len() >= 3 && enough(Side::Left) && enough(Side::Right) {
                self.lost = false;
                self.answers.clear();
            }
        }
    }
}

/// How many of the brakes, from the stand up, may be counted on.
struct Chain {
    books: Vec<Book>,
    counted: usize,
}

impl Chain {
    fn new() -> Chain {
        Chain {
            books: vec![Book::default(); 4],
            counted: 4,
        }
    }

    fn day(&mut self, on: i64, answers: &[Vec<(Side, bool)>; 4]) {
        for (book, answers) in self.books.iter_mut().zip(answers) {
            book.day(on, answers);
        }
        let mut counted = 0;
        let mut below_lost = false;
        for (at, book) in self.books.iter_mut().enumerate() {
            if below_lost {
                // What rests on a lost one waits, and is tested cold when that is back.
                book.cold_test_from = Some(i64::MAX);
                continue;
            }
            if book.lost {
                below_lost = true;
                book.cold_test_from = None;
                continue;
            }
            if book.cold_test_from == Some(i64::MAX) {
                book.cold_test_from = Some(on);
            }
            let firsts_soft = Side::EACH.into_iter().all(|side| {
                answers[at]
                    .iter()
                    .find(|one| one.0 == side)
                    .is_some_and(|one| one.1)
            });
            if book
                .cold_test_from
                .is_some_and(|from| on > from && firsts_soft)
            {
                book.cold_test_from = None;
            }
            if book.cold_test_from.is_some() {
                below_lost = true;
            } else {
                counted = at + 1;
            }
        }
        self.counted = counted;
    }
}

fn gait_of(counted: usize) -> Gait {
    [
        Gait::Stand,
        Gait::Stand,
        Gait::Walk,
        Gait::Trot,
        Gait::Gallop,
    ][counted]
}

fn is_fast(level: &cavesson_reps::ladder::LadderLevel) -> bool {
    let skill = level.level.skill.0.as_str();
    (level.gait >= Gait::Lope && !level.ground)
        || skill.starts_with("cow.")
        || skill.starts_with("turn.rollback")
        || skill.starts_with("barrel.pattern")
}

/// Rides of one horse: some days all is well, on some the brake goes at a gait and a side.
fn horse_days(seed: u64, days: i64) -> usize {
    let mut rng = ChaCha8Rng::seed_from_u64(seed);
    let mut told = Told::placed(
        0,
        &[
            "start.brake/lope",
            "stop.seat/lope",
            "lead.depart/left",
            "cow.turn/slow",
            "barrel.pattern/lope",
        ],
    );
    let mut chain = Chain::new();
    let mut on = 0;
    let mut ridden = vec![0];
    told = told.ride(0, "bend.flex/stand", "ss", "ss");
    for _ in 0..days {
        // Mostly the next day, now and then weeks later.
        on += if rng.random_bool(0.04) {
            rng.random_range(15..80)
        } else {
            1
        };
        let day_of = any_day(&mut rng);
        check(&told, &chain, on, &day_of, &ridden, seed);
        let (after, answers) = ridden_brakes(told, on, &mut rng);
        let right = if rng.random_bool(0.03) {
            "mmmm"
        } else {
            "ssss"
        };
        told = after.ride(on, "bend.flex/stand", "sss", right);
        chain.day(on, &answers);
        ridden.push(on);
    }
    days as usize
}

/// Minutes, age, heat, who helps.
fn any_day(rng: &mut ChaCha8Rng) -> Day {
    let heat = rng.random_bool(0.3).then(|| {
        (
            rng.random_range(70.0..110.0f64),
            rng.random_range(20.0..90.0f64),
        )
    });
    Day {
        minutes: rng.random_range(20..90),
        age_years: Some(rng.random_range(2..9)),
        at_hand: cavesson_reps::ladder::AtHand::ALL.to_vec(),
        helper: rng.random_bool(0.5),
        temperature_f: heat.map(|heat| heat.0),
        humidity_pct: heat.map(|heat| heat.1),
        ..Day::default()
    }
}

/// The brake at some gaits, good or, at one gait and side, gone.
fn ridden_brakes(mut told: Told, on: i64, rng: &mut ChaCha8Rng) -> (Told, [Vec<(Side, bool)>; 4]) {
    let goes = rng.random_range(0..14);
    let mut answers: [Vec<(Side, bool)>; 4] = Default::default();
    for at in 0..4 {
        if rng.random_bool(0.5) {
            continue;
        }
        let asks = rng.random_range(1..5);
        let mut of = |side: usize| -> String {
            let chance = if goes == at * 2 + side { 0.4 } else { 0.985 };
            (0..asks)
                .map(|_| if rng.random_bool(chance) { 's' } else { 'm' })
                .collect()
        };
        let (left, right) = (of(0), of(1));
        told = told.ride(on, BRAKES[at], &left, &right);
        let side = |side: Side, text: &str| -> Vec<(Side, bool)> {
            text.chars().map(|answer| (side, answer == 's')).collect()
        };
        answers[at] = [side(Side::Left, &left), side(Side::Right, &right)].concat();
    }
    (told, answers)
}

fn check(told: &Told, chain: &Chain, on: i64, day_of: &Day, ridden: &[i64], seed: u64) {
    let file = told.file();
    let standings = judge_horse(ladder(), &file, day(on));
    let holes = holes(ladder(), &file, &standings, day(on));
    let horse = Horse {
        ladder: ladder(),
        file: &file,
        standings: &standings,
        holes: &holes,
        on: day(on),
    };
    let card = card(horse, day_of);
    let heat = day_of
        .temperature_f
        .zip(day_of.humidity_pct)
        .map_or(0.0, |(heat, wet)| heat + wet);
    let rest = on - ridden.last().unwrap();
    let says = format!(
        "seed {seed}, day {on}, counted {}, heat {heat}, {rest} days off",
        chain.counted
    );
    let most = match () {
        () if heat > 180.0 => 0,
        () if heat >= 150.0 => 20,
        () if rest > 14 => 30,
        () => u32::MAX,
    };
    assert!(card.minutes <= most, "{} minutes, {says}", card.minutes);
    for named in card.blocks.iter().flat_map(|block| &block.levels) {
        let at = ladder().position(&named.level).unwrap();
        let stands = || BRAKES.map(|brake| &standings[index(brake)].history.changes);
        let why = forbidden(at, chain, day_of, heat, rest);
        assert_eq!(why, None, "{} on {says}: {:#?}", named.name, stands());
    }
    brake_first(&card, &says);
}

/// Why a level may not be asked on such a day.
fn forbidden(at: usize, chain: &Chain, day_of: &Day, heat: f64, rest: i64) -> Option<&'static str> {
    let level = &ladder().levels[at];
    // The brake alone one gait above the chain.
    let is_slow_enough = match BRAKES.iter().position(|brake| index(brake) == at) {
        Some(place) => place <= chain.counted,
        None => level.gait <= gait_of(chain.counted),
    };
    let on_cattle = level.with == Some(cavesson_reps::ladder::AtHand::Cattle);
    match () {
        () if level.ground => None,
        () if !is_slow_enough => Some("faster than the brake"),
        () if heat >= 150.0 && is_fast(level) => Some("fast in the heat"),
        () if rest > 14 && is_fast(level) => Some("fast after a rest"),
        () if day_of.age_years == Some(2) && on_cattle => Some("cattle at two"),
        () => None,
    }
}

/// Whatever moves from the saddle stands after the brake.
fn brake_first(card: &Card, says: &str) {
    let begins = card
        .blocks
        .iter()
        .position(|block| block.part == Part::Brake);
    let moves = card.blocks.iter().position(|block| {
        block.levels.iter().any(|named| {
            let level = ladder().at(&named.level).unwrap();
            !level.ground && level.gait > Gait::Stand
        })
    });
    if let Some(moves) = moves {
        assert!(
            begins.is_some_and(|brake| brake < moves),
            "the brake first, {says}"
        );
    }
}

#[test]
fn no_card_of_ten_thousand_horse_days_holds_what_is_forbidden() {
    let checked: usize = (0..200).map(|seed| horse_days(seed, 50)).sum();
    assert!(checked >= 10_000, "{checked}");
}
