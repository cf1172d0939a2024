//! Taking some rides out and filling in the best anew: how times are set, and how a plan is
//! made better. (Ruin and recreate: Schrimpf and others 2000, from memory.)

use std::time::Instant;

use cavesson_core::week::plan::WorkKind;
use rand::RngExt;
use rand::seq::SliceRandom;
use rand_chacha::ChaCha8Rng;

use crate::options::Choice;
use crate::room::Room;
use crate::together::Together;

/// How many points a worse plan may lack to be taken now and then, at the beginning.
const HEAT: f64 = 8.0;
/// Points a wish adds while rides are chosen.
const WISHED: f64 = 40.0;
/// Seconds without anything better after which a search ends, at the least.
const IN_VAIN_S: f64 = 0.35;

/// Choices of each horse.
pub struct ByHorse(Vec<Vec<Choice>>);

impl ByHorse {
    /// Sorted by horse.
    pub fn new(horses: usize, choices: impl Iterator<Item = Choice>) -> ByHorse {
        let mut by_horse = vec![Vec::new(); horses];
        for one in choices {
            by_horse[one.horse].push(one);
        }
        ByHorse(by_horse)
    }
}

/// A day on which cattle or patterns are wished for: the first ride pays for the gathering,
/// the others would make up for it, and one by one nobody begins.
#[derive(Debug, Clone, Copy)]
pub struct Wish {
    kind: WorkKind,
    day: u8,
}

/// Fills in what fits and is worth it, horse by horse in this order, each its best.
pub fn fill(
    room: &mut Room<'_>,
    choices: &ByHorse,
    order: &[usize],
    wish: Option<Wish>,
    rng: &mut ChaCha8Rng,
) {
    for horse in order {
        while room.is_short(*horse) {
            let mut best: Option<(f64, Choice)> = None;
            for one in &choices.0[*horse] {
                // What cannot be better is not looked at closely; a little chance among
                // what is alike.
                if !room.fits(one) {
                    continue;
                }
                let wished = wish
                    .is_some_and(|wish| room.kind(one) == wish.kind && one.ride.day == wish.day);
                let adds =
                    room.adds(one) + rng.random_range(0.0..1.0) + if wished { WISHED } else { 0.0 };
                if best.is_none_or(|(most, _)| adds > most) {
                    best = Some((adds, *one));
                }
            }
            match best {
                Some((adds, one)) if adds > 1.0 => room.put(one),
                _ => break,
            }
        }
    }
}

/// Which rides are taken out in a round.
enum Ruin {
    Day(u8),
    Rider(usize),
    Horses,
    Any,
}

/// Makes a plan better until the clock says stop or the search is over, and offers what it
/// finds on the way.
pub fn improve<'a>(
    begin: Room<'a>,
    choices: &ByHorse,
    together: &Together<'a>,
    until: Instant,
    rng: &mut ChaCha8Rng,
) -> Room<'a> {
    let began = Instant::now();
    let whole = until
        .saturating_duration_since(began)
        .as_secs_f64()
        .max(1e-3);
    let horses = choices.0.len();
    let mut last_better = began;
    let (mut now, mut best) = (begin.clone(), begin);
    while Instant::now() < until && !together.is_over() {
        let gone = began.elapsed().as_secs_f64() / whole;
        // Nothing better for a good while: there will be nothing.
        if last_better.elapsed().as_secs_f64() > (0.4 * whole).max(IN_VAIN_S) {
            break;
        }
        // A worse plan is taken now and then, ever more rarely (simulated annealing).
        let heat = HEAT * (1.0 - gone).max(0.01);
        let mut next = now.clone();
        let mut freed = ruin(&mut next, rng);
        for horse in 0..horses {
            if next.is_short(horse) && !freed.contains(&horse) {
                freed.push(horse);
            }
        }
        freed.shuffle(rng);
        let wish = rng.random_bool(0.2).then(|| Wish {
            kind: if rng.random_bool(0.6) {
                WorkKind::Cattle
            } else {
                WorkKind::Pattern
            },
            day: rng.random_range(0..next.days()),
        });
        fill(&mut next, choices, &freed, wish, rng);
        let chance = ((next.worth - now.worth) / heat).exp();
        if rng.random_bool(chance.clamp(0.0, 1.0)) {
            if next.worth > best.worth + 1e-9 {
                best = next.clone();
                last_better = Instant::now();
                together.offer(&best);
            }
            now = next;
        }
    }
    best
}

/// Takes rides out, and says whose.
fn ruin(room: &mut Room<'_>, rng: &mut ChaCha8Rng) -> Vec<usize> {
    if room.rides.is_empty() {
        return Vec::new();
    }
    let some = room.rides[rng.random_range(0..room.rides.len())];
    let ruin = match rng.random_range(0..4) {
        0 => Ruin::Day(some.ride.day),
        1 => Ruin::Rider(some.rider),
        2 => Ruin::Horses,
        _ => Ruin::Any,
    };
    let other = room.rides[rng.random_range(0..room.rides.len())].horse;
    let many = rng.random_range(2..=10);
    let mut at: Vec<usize> = (0..room.rides.len())
        .filter(|index| {
            let one = &room.rides[*index];
            match ruin {
                Ruin::Day(day) => one.ride.day == day,
                Ruin::Rider(rider) => one.rider == rider,
                Ruin::Horses => one.horse == some.horse || one.horse == other,
                Ruin::Any => true,
            }
        })
        .collect();
    at.shuffle(rng);
    if matches!(ruin, Ruin::Day(_)) && rng.random_bool(0.5) {
        // Those that lie nearest in time.
        at.sort_by_key(|index| {
            room.rides[*index]
                .ride
                .from_min
                .abs_diff(some.ride.from_min)
        });
    }
    at.truncate(many);
    at.sort_unstable_by_key(|index| std::cmp::Reverse(*index));
    at.into_iter().map(|index| room.take(index).horse).collect()
}
