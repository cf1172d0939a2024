//! The parts of a card, laid out in order: minutes, asks a side, good side first.

use super::block::{Block, BlockAsks, NamedDrill, NamedLevel, Part};
use super::choice::{BREATHER_MIN, Chosen, extra_min};
use super::day::Day;
use super::horse::Horse;
use super::limits::Limits;
use super::side_share::SideShare;
use super::words;
use super::worth::{Candidate, Role, Worth};
use crate::Side;
use crate::ground::drill::DrillKind;
use crate::heat::HeatBand;
use crate::horse::HorseTrait;
use crate::ladder::{AtHand, Level, Role as CardRole};

/// Minutes to mount and ask the brake. Product default.
const BRAKE_MIN: u32 = 2;
/// Asks of the brake on each side: one a side finds a brake that fails too late.
/// Product default, measured on the bench (docs/judge.md, "The brake").
const BRAKE_ASKS: u32 = 2;
/// Cold asks a minute: two levels, one ask a side.
const COLD_A_MIN: u32 = 2;
/// Minutes to loosen. Product default.
const LOOSEN_MIN: u32 = 5;
/// The same in a short ride. Product default.
const SHORT_LOOSEN_MIN: u32 = 3;
/// A ride is short below so many minutes.
const SHORT_RIDE_MIN: u32 = 25;
/// Minutes to walk out. Product default.
const WALK_OUT_MIN: u32 = 3;
/// The longest block of a horse that looks about. Product default.
const LOOKS_ABOUT_MIN: u32 = 4;
/// The longest block of a lazy horse. Product default.
const LAZY_MIN: u32 = 6;
/// Alternatives that are named.
const MOST_INSTEAD: usize = 3;

/// Minutes that are left for reviews, work, use and finish. Of the cold asks as many are
/// kept as fit.
pub fn room(horse: Horse<'_>, day: &Day, limits: &Limits, worth: &mut Worth) -> u32 {
    let fixed = brake_min(horse, limits) + loosen_min(day, limits) + walk_out_min(day, limits);
    let left = limits.minutes.saturating_sub(fixed);
    worth.cold.truncate((left * COLD_A_MIN) as usize);
    left - cold_min(worth)
}

fn brake_min(horse: Horse<'_>, limits: &Limits) -> u32 {
    if brake(horse, limits).is_some() {
        BRAKE_MIN
    } else {
        0
    }
}

/// The level of the brake that is asked after mounting.
fn brake(horse: Horse<'_>, limits: &Limits) -> Option<usize> {
    if limits.in_hand {
        return None;
    }
    let brakes = horse.ladder.levels_in(CardRole::Brake);
    brakes.min_by_key(|index| horse.ladder.levels[*index].gait)
}

fn cold_min(worth: &Worth) -> u32 {
    (worth.cold.len() as u32).div_ceil(COLD_A_MIN)
}

fn loosen_min(day: &Day, limits: &Limits) -> u32 {
    if limits.minutes < SHORT_RIDE_MIN {
        return SHORT_LOOSEN_MIN;
    }
    LOOSEN_MIN
        + 3 * u32::from(day.is(HorseTrait::Hot))
        + 2 * u32::from(day.is(HorseTrait::ColdBacked))
}

fn walk_out_min(day: &Day, limits: &Limits) -> u32 {
    let heat = match limits.heat {
        HeatBand::Usual => 0,
        HeatBand::MoreBreaks => 2,
        HeatBand::ShortAndSlow | HeatBand::NoRiding => 4,
    };
    let minutes = WALK_OUT_MIN + heat + 2 * u32::from(day.is(HorseTrait::Hot));
    minutes.min(limits.minutes.saturating_sub(BRAKE_MIN + SHORT_LOOSEN_MIN))
}

/// Lays the chosen card out.
pub fn lay_out(
    horse: Horse<'_>,
    day: &Day,
    limits: &Limits,
    worth: &Worth,
    chosen: &Chosen,
) -> Vec<Block> {
    let card = LaidOut {
        sides: SideShare::of(horse, day),
        horse,
        day,
        limits,
        worth,
        chosen,
    };
    if limits.minutes == 0 {
        return vec![card.check_over()];
    }
    let mut blocks = vec![card.check_over()];
    let (in_hand, middle): (Vec<Block>, Vec<Block>) = card
        .middle()
        .into_iter()
        .partition(|block| card.before_mounting(block));
    // The breather after the work stays with it.
    let worked = in_hand.iter().any(|block| block.part == Part::Work);
    let rest = middle
        .iter()
        .position(|block| worked && block.part == Part::Breather);
    let mut middle = middle;
    let rest = rest.map(|at| middle.remove(at));
    blocks.extend(in_hand.into_iter().chain(rest));
    blocks.extend(brake(horse, limits).map(|index| card.brake(index)));
    blocks.extend((!worth.cold.is_empty()).then(|| card.cold()));
    blocks.push(card.loosen());
    blocks.extend(middle);
    blocks.push(card.finish());
    blocks.push(card.walk_out());
    blocks
}

struct LaidOut<'a> {
    sides: SideShare,
    horse: Horse<'a>,
    day: &'a Day,
    limits: &'a Limits,
    worth: &'a Worth,
    chosen: &'a Chosen,
}

/// The drill that is made for a level.
fn drill(level: &Level) -> Option<NamedDrill> {
    let kind = DrillKind::for_level(level)?;
    let name = kind.about().name.to_owned();
    Some(NamedDrill { kind, name })
}

impl LaidOut<'_> {
    /// A part in which nothing is asked.
    fn unasked(&self, part: Part, minutes: u32) -> Block {
        Block {
            part,
            name: words::part_name(part, self.limits).into(),
            levels: Vec::new(),
            asks: Vec::new(),
            minutes,
            exercise: words::part_exercise(part, self.limits, self.day),
            why: words::part_why(part, self.limits, self.day),
            soft: String::new(),
            quit: words::part_quit(part).into(),
            if_wrong: String::new(),
            who: words::who_rides_along(self.limits).into(),
            instead: Vec::new(),
            drill: None,
        }
    }

    /// Work in hand of a horse that is ridden comes before mounting.
    fn before_mounting(&self, block: &Block) -> bool {
        let level = block
            .levels
            .first()
            .and_then(|named| self.horse.ladder.at(&named.level));
        !self.limits.in_hand && level.is_some_and(|level| level.ground)
    }

    fn check_over(&self) -> Block {
        let cold_backed = if self.day.is(HorseTrait::ColdBacked) {
            3.0
        } else {
            0.0
        };
        let minutes = self.day.usual_quiet_min() + cold_backed;
        self.unasked(Part::CheckOver, minutes.round() as u32)
    }

    fn brake(&self, index: usize) -> Block {
        let level = &self.horse.ladder.levels[index];
        Block {
            levels: vec![self.named(index)],
            asks: level
                .asked_sides()
                .iter()
                .map(|side| BlockAsks {
                    side: *side,
                    asks: BRAKE_ASKS,
                })
                .collect(),
            soft: level.measure.soft_means(&level.gate.soft, level.gait),
            if_wrong: words::BRAKE_GOES_WRONG.into(),
            ..self.unasked(Part::Brake, BRAKE_MIN)
        }
    }

    fn cold(&self) -> Block {
        Block {
            levels: self
                .worth
                .cold
                .iter()
                .map(|index| self.named(*index))
                .collect(),
            asks: Vec::new(),
            soft: words::COLD_SOFT.into(),
            ..self.unasked(Part::Cold, cold_min(self.worth))
        }
    }

    fn loosen(&self) -> Block {
        self.unasked(Part::Loosen, loosen_min(self.day, self.limits))
    }

    /// Reviews slowest first, the work, a breather, what uses it.
    fn middle(&self) -> Vec<Block> {
        let mut reviews = self.chosen.reviews.clone();
        let levels = &self.horse.ladder.levels;
        reviews.sort_by_key(|review| (levels[review.index].gait, review.index));
        let mut blocks: Vec<Block> = Vec::new();
        let longest = self.longest();
        let mut parts: Vec<Block> = Vec::new();
        if let Some(work) = &self.chosen.work {
            parts = split(self.asked(work, Part::Work), longest);
        }
        // A long work is cut where a review can stand between its pieces.
        let between = parts.len().saturating_sub(1).min(reviews.len());
        let rest = reviews.split_off(reviews.len() - between);
        blocks.extend(self.all_split(&reviews, longest));
        let mut rest = self.all_split(&rest, longest).into_iter();
        let with = |chosen: &Option<Candidate>| chosen.and_then(|one| self.worth.with[one.index]);
        let work_with = with(&self.chosen.work);
        blocks.extend(work_with.map(|with| self.set_up(with)));
        let last = parts.len().saturating_sub(1);
        for (index, part) in parts.into_iter().enumerate() {
            blocks.push(part);
            if index < last {
                blocks.extend(rest.next());
            }
        }
        blocks.extend(rest);
        if self.chosen.work.is_some() {
            blocks.push(self.unasked(Part::Breather, BREATHER_MIN));
        }
        if let Some(used) = &self.chosen.used {
            let used_with = self.worth.with[used.index];
            blocks.extend(
                used_with
                    .filter(|_| used_with != work_with)
                    .map(|with| self.set_up(with)),
            );
            blocks.push(self.asked(used, Part::Use));
            if used_with == Some(AtHand::Cattle) {
                blocks.push(self.unasked(Part::Breather, BREATHER_MIN));
            }
        }
        debug_assert_eq!(
            blocks.iter().map(|block| block.minutes).sum::<u32>(),
            self.chosen
                .reviews
                .iter()
                .chain(&self.chosen.work)
                .chain(&self.chosen.used)
                .map(|chosen| chosen.minutes)
                .sum::<u32>()
                + extra_min(
                    self.worth,
                    self.chosen.work.as_ref(),
                    self.chosen.used.as_ref()
                )
        );
        blocks
    }

    fn all_split(&self, reviews: &[Candidate], longest: u32) -> Vec<Block> {
        reviews
            .iter()
            .flat_map(|review| split(self.asked(review, Part::Review), longest))
            .collect()
    }

    fn longest(&self) -> u32 {
        if self.day.is(HorseTrait::LooksAbout) {
            LOOKS_ABOUT_MIN
        } else if self.day.is(HorseTrait::Lazy) {
            LAZY_MIN
        } else {
            u32::MAX
        }
    }

    fn set_up(&self, with: AtHand) -> Block {
        Block {
            exercise: words::set_up(with).into(),
            ..self.unasked(Part::SetUp, with.set_up_min())
        }
    }

    fn finish(&self) -> Block {
        match &self.chosen.finish {
            Some(finish) => self.asked(finish, Part::Finish),
            None => self.unasked(Part::Finish, 0),
        }
    }

    fn walk_out(&self) -> Block {
        self.unasked(Part::WalkOut, walk_out_min(self.day, self.limits))
    }

    /// A part in which a level is asked.
    fn asked(&self, chosen: &Candidate, part: Part) -> Block {
        let level = &self.horse.ladder.levels[chosen.index];
        Block {
            part,
            name: level.name.clone(),
            levels: vec![self.named(chosen.index)],
            asks: self.asks(chosen),
            minutes: chosen.minutes,
            exercise: words::exercise(self.horse, chosen.index, self.day),
            why: words::why(self.horse, self.day, chosen, self.chosen),
            soft: level.measure.soft_means(&level.gate.soft, level.gait),
            quit: words::quit(self.horse, chosen),
            if_wrong: words::if_wrong(self.horse, chosen.index),
            who: words::who(self.horse, self.limits, chosen.index).into(),
            instead: self.instead(chosen),
            drill: drill(&level.level),
        }
    }

    fn instead(&self, chosen: &Candidate) -> Vec<NamedLevel> {
        let group = match chosen.role {
            Role::Review => &self.worth.reviews,
            Role::Work => &self.worth.works,
            Role::Use => &self.worth.uses,
            Role::Finish => &self.worth.finishes,
        };
        let mut named: Vec<usize> = Vec::new();
        for other in group {
            if !self.chosen.all().any(|taken| taken.index == other.index)
                && !named.contains(&other.index)
            {
                named.push(other.index);
            }
        }
        named.truncate(MOST_INSTEAD);
        named.into_iter().map(|index| self.named(index)).collect()
    }

    fn named(&self, index: usize) -> NamedLevel {
        let level = &self.horse.ladder.levels[index];
        NamedLevel {
            level: level.level.clone(),
            name: level.name.clone(),
        }
    }

    /// So many as fit the minutes: the good side first, more on the stiff side.
    fn asks(&self, chosen: &Candidate) -> Vec<BlockAsks> {
        let level = &self.horse.ladder.levels[chosen.index];
        let all = (level.measure.asks_a_minute() * f64::from(chosen.minutes)).round();
        if level.asked_sides() == [Side::Both] {
            return vec![BlockAsks {
                side: Side::Both,
                asks: all.max(1.0) as u32,
            }];
        }
        let (stiff, ratio) = self.sides.of_level(self.horse, self.day, chosen.index);
        let first = stiff.map_or(Side::Left, Side::other);
        let good = (all / (1.0 + ratio)).round().max(1.0);
        // Rounding never takes the share beyond its bounds.
        let more = (all - good).clamp(good, 2.0 * good);
        vec![
            BlockAsks {
                side: first,
                asks: good as u32,
            },
            BlockAsks {
                side: first.other(),
                asks: more as u32,
            },
        ]
    }
}

/// A block in pieces of at most so many minutes, each with its part of the asks: those of the
/// second side follow the first's, so that each piece keeps the share between them.
fn split(block: Block, longest: u32) -> Vec<Block> {
    let pieces = block.minutes.div_ceil(longest.max(1)).max(1);
    if pieces == 1 {
        return vec![block];
    }
    let first = block.asks.first().map_or(0, |asks| asks.asks);
    let mut before = 0;
    (0..pieces)
        .map(|piece| {
            let part = |whole: u32| whole / pieces + u32::from(piece < whole % pieces);
            let until = before + part(first);
            let mut of = block.clone();
            of.minutes = part(block.minutes);
            for asks in &mut of.asks {
                let along = |firsts: u32| asks.asks * firsts / first.max(1);
                asks.asks = (along(until) - along(before)).max(1);
            }
            before = until;
            of
        })
        .collect()
}
