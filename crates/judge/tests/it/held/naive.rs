//! The history of one level told anew by a plain reading of the rules, day by day, from
//! lists of answers; it knows nothing of how the core does it. Asks come late, are changed
//! and taken back; the trainer says this and that; the program changes.

use cavesson_base::Side;
use cavesson_judge::judge::held::change::Moved;
use cavesson_judge::judge::horse::carry_over;
use cavesson_judge::judge::{HorseFile, Overrule, Verdict, judge_horse};
use cavesson_reps::ladder::{Gate, Ladder};
use proptest::prelude::*;
use uuid::Uuid;

use cavesson_told::day;
use cavesson_told::horse_told::{Told, index, ladder, level, since};

const FLEX: &str = "bend.flex/stand";

/// A gate that can be read off a sheet of paper: asks, days and a share, in six rides.
fn plain_gate(share: f64) -> Gate {
    Gate {
        least_reps: 12,
        least_days: 3,
        soft_share: share,
        low_share: 0.0,
        first_ask_soft: 0,
        most_difference: None,
        most_time_ratio: None,
        level_below: false,
        ..ladder().levels[index(FLEX)].gate
    }
}

fn alone(share: f64) -> Ladder {
    let mut alone = ladder().of_one(index(FLEX));
    alone.set_gate(&level(FLEX), plain_gate(share));
    alone
}

/// One ride: its day, its answers left and right.
type Ride = (i64, Vec<bool>, Vec<bool>);

/// What a plain reader holds of the level.
#[derive(Default)]
struct Reader {
    held: bool,
    ever: bool,
    points: [i32; 2],
    singles: [Vec<(i64, bool)>; 2],
    doubt: bool,
    eased: Option<(i64, Vec<bool>)>,
    since_loss: i64,
    dropped: Option<(usize, i64, f64)>,
    kept_back: bool,
    moves: Vec<(i64, Moved)>,
}

impl Reader {
    fn ride(&mut self, ride: &Ride) {
        let mut lost = false;
        for (side, answers) in [&ride.1, &ride.2].into_iter().enumerate() {
            let most = self.points[side] + 4;
            for soft in answers {
                self.points[side] = if *soft {
                    (self.points[side] - 1).max(0)
                } else {
                    (self.points[side] + 3).min(most).min(14)
                };
            }
            match answers.len() {
                0 => {}
                1 => {
                    self.singles[side].push((ride.0, answers[0]));
                    let from = self.singles[side].len().saturating_sub(10);
                    let bad: Vec<i64> = self.singles[side][from..]
                        .iter()
                        .filter(|one| !one.1)
                        .map(|one| one.0)
                        .collect();
                    let days: std::collections::BTreeSet<i64> = bad.iter().copied().collect();
                    lost |= !answers[0] && bad.len() >= 6 && days.len() >= 2;
                }
                _ => {
                    self.singles[side].clear();
                    lost |= self.points[side] >= 14 && answers.contains(&false);
                }
            }
        }
        if lost {
            self.held = false;
            self.doubt = false;
            self.since_loss = ride.0;
            self.moves.push((ride.0, Moved::Lost));
        }
    }

    /// A day that was ridden, the last of `until`.
    fn ridden(&mut self, ride: &Ride, until: &[Ride]) {
        let on = ride.0;
        if self.held {
            self.ride(ride);
        }
        // Eased by a poor ride, but not on the first three days: nothing is under it.
        let firsts = ride.1.first() == Some(&true) && ride.2.first() == Some(&true);
        if is_poor(ride) {
            if until.len() > 3 {
                if self.eased.is_none() {
                    self.moves.push((on, Moved::Eased));
                }
                self.eased = Some((on, Vec::new()));
            }
        } else if let Some((_, on_days)) = &mut self.eased {
            on_days.push(firsts);
        }
        self.doubt_on(on);
        self.drop_on(until);
    }

    /// The trainer's word: it counts, or it is kept back.
    fn hear(&mut self, on: i64, counts: bool) {
        match (counts, self.held) {
            (true, true) => {
                if self.doubt || self.eased.is_some() {
                    self.moves.push((on, Moved::Cleared));
                }
                self.points = [0; 2];
                self.singles = Default::default();
                self.doubt = false;
                self.eased = None;
            }
            (true, false) => {
                self.gain(on);
                self.eased = None;
                self.kept_back = false;
            }
            (false, _) => {
                self.held = false;
                self.doubt = false;
                self.kept_back = true;
                self.moves.push((on, Moved::KeptBack));
            }
        }
    }

    /// Back from easing: first asks soft on two of the last three days.
    fn ease_ends(&mut self, on: i64) {
        let back = self.eased.as_ref().is_some_and(|(_, on_days)| {
            on_days.iter().rev().take(3).filter(|soft| **soft).count() >= 2
        });
        if back {
            self.eased = None;
            self.moves.push((on, Moved::EaseEnded));
        }
    }

    fn gain(&mut self, on: i64) {
        self.moves.push((
            on,
            if self.ever {
                Moved::Regained
            } else {
                Moved::Gained
            },
        ));
        self.held = true;
        self.ever = true;
        self.points = [0; 2];
        self.singles = Default::default();
        self.doubt = false;
    }

    fn doubt_on(&mut self, on: i64) {
        if !self.held {
            return;
        }
        let now = self.points.iter().any(|points| *points >= 7);
        if now != self.doubt {
            self.moves
                .push((on, if now { Moved::InDoubt } else { Moved::Cleared }));
        }
        self.doubt = now;
    }
}

/// Whether the gate passes on the last day of `rides`.
fn passes(rides: &[Ride], share: f64) -> bool {
    let Some(last) = rides.last() else {
        return false;
    };
    let mut seen: Vec<&Ride> = Vec::new();
    let asks = |seen: &[&Ride], side: usize| -> Vec<bool> {
        seen.iter()
            .flat_map(|ride| if side == 0 { &ride.1 } else { &ride.2 })
            .copied()
            .collect()
    };
    for ride in rides.iter().rev() {
        let fewest = (0..2).map(|side| asks(&seen, side).len()).min().unwrap();
        if ride.0 <= last.0 - 21 || (seen.len() >= 6 && fewest >= 12) {
            break;
        }
        seen.push(ride);
    }
    (0..2).all(|side| {
        let of_side = asks(&seen, side);
        let soft = of_side.iter().filter(|soft| **soft).count() as f64;
        let days = seen
            .iter()
            .filter(|ride| !if side == 0 { &ride.1 } else { &ride.2 }.is_empty())
            .count();
        of_side.len() >= 12 && days >= 3 && soft >= share * of_side.len() as f64 - 1e-9
    })
}

/// The last ride was soft less than half, of six asks and more.
fn is_poor(ride: &Ride) -> bool {
    let all: Vec<bool> = ride.1.iter().chain(&ride.2).copied().collect();
    let soft = all.iter().filter(|soft| **soft).count();
    all.len() >= 6 && 2 * soft < all.len()
}

/// The whole history: rides in order of their days (one a day), words after the rides of
/// their day, and the share that the gate wants by day.
fn read(
    rides: &[Ride],
    words: &[(i64, bool)],
    share_on: impl Fn(i64) -> f64,
    changed: i64,
) -> Vec<(i64, Moved)> {
    let mut reader = Reader::default();
    let mut days: Vec<i64> = rides
        .iter()
        .map(|ride| ride.0)
        .chain(words.iter().map(|word| word.0))
        .collect();
    days.push(changed);
    days.sort_unstable();
    days.dedup();
    for on in days {
        let share = share_on(on);
        let until: Vec<Ride> = rides.iter().filter(|ride| ride.0 <= on).cloned().collect();
        let today = rides.iter().find(|ride| ride.0 == on);
        if let Some(ride) = today {
            reader.ridden(ride, &until);
        }
        for (_, counts) in words.iter().filter(|word| word.0 == on) {
            reader.hear(on, *counts);
        }
        reader.ease_ends(on);
        let since: Vec<Ride> = until
            .into_iter()
            .filter(|ride| ride.0 > reader.since_loss)
            .collect();
        let open = passes(&since, share) && since.last().is_some_and(|last| on - last.0 < 21);
        if open
            && !reader.held
            && !reader.kept_back
            && reader.eased.is_none()
            && reader.dropped.is_none()
        {
            reader.gain(on);
        }
    }
    reader.moves
}

impl Reader {
    /// One side went bad at once, and is not soft again as before.
    fn drop_on(&mut self, until: &[Ride]) {
        let of = |ride: &Ride, side: usize| {
            if side == 0 {
                ride.1.clone()
            } else {
                ride.2.clone()
            }
        };
        if let Some((side, on, before)) = self.dropped {
            let after: Vec<(i64, bool)> = until
                .iter()
                .filter(|ride| ride.0 > on)
                .flat_map(|ride| of(ride, side).into_iter().map(|soft| (ride.0, soft)))
                .collect();
            let last = &after[after.len().saturating_sub(10)..];
            let days: std::collections::BTreeSet<i64> = last.iter().map(|one| one.0).collect();
            let soft = last.iter().filter(|one| one.1).count() as f64;
            if last.len() == 10 && days.len() >= 2 && soft / 10.0 >= before - 0.1 - 1e-9 {
                self.dropped = None;
            }
            return;
        }
        let last = until.last().unwrap();
        let window: Vec<&Ride> = {
            let mut seen: Vec<&Ride> = Vec::new();
            for ride in until.iter().rev() {
                let fewest = (0..2)
                    .map(|side| seen.iter().map(|ride| of(ride, side).len()).sum::<usize>())
                    .min()
                    .unwrap();
                if ride.0 <= last.0 - 21 || (seen.len() >= 6 && fewest >= 12) {
                    break;
                }
                seen.push(ride);
            }
            seen.reverse();
            seen
        };
        for side in 0..2 {
            let says = |answers: &[bool]| {
                answers.len() >= 4 || (answers.len() >= 3 && !answers.contains(&true))
            };
            let bad = if says(&of(last, side)) { 1 } else { 2 };
            let split = window.len().saturating_sub(bad);
            let all = |rides: &[&Ride], side: usize| -> Vec<bool> {
                rides.iter().flat_map(|ride| of(ride, side)).collect()
            };
            let (before, now) = (all(&window[..split], side), all(&window[split..], side));
            let other = all(&window[split..], 1 - side);
            let share = |answers: &[bool]| {
                answers.iter().filter(|soft| **soft).count() as f64 / answers.len().max(1) as f64
            };
            let total: usize = window.iter().map(|ride| ride.1.len() + ride.2.len()).sum();
            if total >= 15
                && says(&now)
                && before.len() >= 12
                && other.len() >= 3
                && share(&now) <= 0.4
                && share(&before) >= 0.8
                && share(&other) >= 0.75
            {
                self.dropped = Some((side, last.0, share(&before)));
                return;
            }
        }
    }
}

fn any_rides() -> impl Strategy<Value = Vec<Ride>> {
    // Stretches of days on which the horse is good, middling or bad on a side.
    let stretch = (
        1i64..12,
        0usize..7,
        0usize..7,
        0.0..1.0f64,
        0.0..1.0f64,
        any::<u64>(),
    );
    prop::collection::vec(stretch, 1..8).prop_map(|stretches| {
        let mut rides = Vec::new();
        let mut on = 0;
        for (days, left, right, soft_left, soft_right, seed) in stretches {
            let mut bits = seed | 1;
            let mut soft = |share: f64| {
                bits = bits
                    .wrapping_mul(6_364_136_223_846_793_005)
                    .wrapping_add(1_442_695_040_888_963_407);
                ((bits >> 33) as f64 / f64::from(1u32 << 31)) < share.sqrt()
            };
            for _ in 0..days {
                on += 1;
                if left + right > 0 {
                    let of = |asks: usize, share: f64, soft: &mut dyn FnMut(f64) -> bool| {
                        (0..asks).map(|_| soft(share)).collect()
                    };
                    let (left, right) = (
                        of(left, soft_left, &mut soft),
                        of(right, soft_right, &mut soft),
                    );
                    rides.push((on, left, right));
                }
            }
        }
        rides
    })
}

fn file(rides: &[Ride], words: &[(i64, bool)]) -> HorseFile {
    let text = |answers: &[bool]| -> String {
        answers
            .iter()
            .map(|soft| if *soft { 's' } else { 'm' })
            .collect()
    };
    let mut told = Told::default();
    for (on, left, right) in rides {
        told = told.ride(*on, FLEX, &text(left), &text(right));
    }
    let mut file = told.file();
    file.asks = vec![file.asks.swap_remove(index(FLEX))];
    file.overrules = words
        .iter()
        .enumerate()
        .map(|(number, (on, counts))| Overrule {
            overrule_id: Uuid::from_u128(number as u128),
            level: level(FLEX),
            day: day(*on),
            judge_said: Verdict::Confirm,
            counts_as: if *counts {
                Verdict::Advance
            } else {
                Verdict::Stay
            },
            reason: "seen it".into(),
        })
        .collect();
    file
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 400, ..ProptestConfig::default() })]

    #[test]
    fn a_plain_reader_comes_to_the_same_history(
        rides in any_rides(), words in prop::collection::vec((1i64..60, any::<bool>()), 0..3),
        share in prop::sample::select(vec![0.7, 0.8, 0.9]), then in prop::sample::select(vec![0.6, 0.8, 0.95]), changed in 5i64..60,
    ) {
        let mut words = words;
        words.sort();
        let end = 90;
        let (first, second) = (alone(share), alone(then));
        let mut known = file(&rides, &words);
        known.carried = Some(carry_over(&first, &known, day(changed)));
        let judged = judge_horse(&second, &known, day(end)).remove(0);
        let moves: Vec<(i64, Moved)> = judged.history.changes.iter().map(|change| (since(change.day), change.moved)).collect();
        let by_day = |on: i64| if on < changed { share } else { then };
        let expected = read(&rides, &words, by_day, changed);
        prop_assert_eq!(moves, expected);
        prop_assert!(judged.sides.iter().all(|count| count.side != Side::Both));
    }
}
