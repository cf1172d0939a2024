//! A cow to practise on: it has a flight zone and a point of balance, and wants back to the herd.
//!
//! # Model
//! Seen from above, in feet; the herd stands along y = 0, the fence is the rest of the pen. At
//! each step of 1/60 s:
//! - too far from the horse it pays no heed and walks to the herd;
//! - inside the zone, with the horse behind the point of balance at its shoulder, it moves on;
//!   with the horse in front it stops and turns the other way; level with it, it stands;
//! - too near it bolts past, and is upset.
//!
//! A stale cow has a smaller zone, and it takes more to turn it. Now and then a cow turns by
//! itself. Speeds change by no more than an even acceleration. Only sums, products, quotients and
//! square roots are used: IEEE 754 gives them to the last bit, so the same seed and inputs make
//! the same run on every machine.
//!
//! # Source
//! Flight zone and point of balance: Grandin and Deesing, Livestock Handling and Transport, the
//! chapter on behavioral principles of handling; from memory. Every number: product default, set
//! by trying; no cow was measured.

use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use crate::bounds::FieldError;
use crate::ground::Point;
use crate::ground::point::at;
use crate::word_enum::word_enum;

/// Seconds of a step.
pub const STEP_S: f64 = 1.0 / 60.0;
/// The pen, in feet.
pub const WIDE_FT: f64 = 60.0;
/// From the herd to the far fence.
pub const DEEP_FT: f64 = 80.0;
/// Nearer to the herd than this it is back in it.
const HERD_FT: f64 = 4.0;
/// A cow or a horse comes no nearer to a fence.
const FENCE_FT: f64 = 1.5;
/// From the middle of a cow to its shoulder.
const SHOULDER_FT: f64 = 1.5;
/// Level with the point of balance, either way.
const BALANCE_FT: f64 = 1.2;
/// A horse and a cow come no nearer to each other.
const TOUCH_FT: f64 = 2.5;
const WALK_FT_S: f64 = 4.0;
/// How long it runs when it has bolted.
const BOLT_S: f64 = 1.1;
/// It thinks again no sooner than this after a turn.
const TURN_S: f64 = 0.35;
const HORSE_FT_S: f64 = 21.0;
const HORSE_FT_S2: f64 = 50.0;

word_enum! {
    /// How hard it is.
    CowLevel {
        /// A slow one.
        Easy = "easy",
        /// One that tries.
        Middling = "middling",
        /// A quick one.
        Hard = "hard",
    }
}

/// A round.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct CowRound {
    /// The same seed and the same inputs make the same round.
    pub seed: u32,
    /// How hard it is.
    pub level: CowLevel,
    /// A cow that was used until it honours nobody.
    #[serde(default)]
    pub stale: bool,
}

/// What makes a cow.
#[derive(Debug, Clone, Copy)]
struct Nature {
    /// The flight zone.
    zone_ft: f64,
    run_ft_s: f64,
    run_ft_s2: f64,
    /// How much of the zone has to be entered in front of it before it turns: 0 at the edge.
    turns_at: f64,
    /// How often it turns by itself, at least and at most seconds apart.
    thinks_s: (f64, f64),
}

impl CowRound {
    fn nature(&self) -> Nature {
        let (run_ft_s, run_ft_s2, thinks_s) = match self.level {
            CowLevel::Easy => (9.0, 10.0, (3.0, 6.0)),
            CowLevel::Middling => (13.0, 16.0, (1.8, 4.0)),
            CowLevel::Hard => (17.0, 24.0, (1.0, 2.6)),
        };
        let (zone_ft, turns_at) = if self.stale {
            (10.0, 0.45)
        } else {
            (15.0, 0.15)
        };
        Nature {
            zone_ft,
            run_ft_s,
            run_ft_s2,
            turns_at,
            thinks_s,
        }
    }
}

/// What a round came to so far.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct CowTally {
    /// Steps in position: between cow and herd, level with its eye, neither too deep nor too far.
    pub in_position: u32,
    /// Feet that the cow came nearer to the herd than ever before.
    pub ground_lost_ft: f64,
    /// Times it was upset.
    pub upset: u32,
    /// Cows that got back to the herd.
    pub lost: u32,
    /// Times it was turned.
    pub turned: u32,
}

/// Where everything is.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct CowState {
    /// Steps so far.
    pub step: u32,
    /// The cow.
    pub cow: Point,
    /// Its speed, in feet a second.
    pub cow_speed: Point,
    /// Which way it goes round: -1 left, 1 right.
    pub way: f64,
    /// The horse.
    pub horse: Point,
    /// Its speed, in feet a second.
    pub horse_speed: Point,
    /// Seconds that it still bolts.
    pub bolts_s: f64,
    /// Seconds until it thinks of turning by itself.
    pub thinks_s: f64,
    /// Seconds until it can turn again.
    pub turns_s: f64,
    /// How often it has thought: what is drawn by chance next depends on it.
    pub thoughts: u32,
    /// The nearest it came to the herd.
    pub nearest_ft: f64,
    /// What it came to.
    pub tally: CowTally,
}

/// What of a round cost how much.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CowScore {
    /// 0 to 100.
    pub score: f64,
    /// Percent of the time in position: what there is to win.
    pub in_position_pct: f64,
    /// Taken off for ground lost.
    pub ground_cost: f64,
    /// Taken off for upset cows.
    pub upset_cost: f64,
    /// Taken off for cows that got back.
    pub lost_cost: f64,
}

/// The flight zone of its cow, in feet.
pub fn zone_ft(round: &CowRound) -> f64 {
    round.nature().zone_ft
}

/// The round begins: the cow is out of the herd, the horse between.
pub fn begin(round: &CowRound) -> CowState {
    let mut state = CowState {
        step: 0,
        cow: START_COW,
        cow_speed: at(0.0, 0.0),
        way: 1.0,
        horse: START_HORSE,
        horse_speed: at(0.0, 0.0),
        bolts_s: 0.0,
        thinks_s: 0.0,
        turns_s: 0.0,
        thoughts: 0,
        nearest_ft: START_COW.y,
        tally: CowTally::default(),
    };
    think(round, &mut state);
    state
}

const START_COW: Point = at(WIDE_FT / 2.0, 40.0);
const START_HORSE: Point = at(WIDE_FT / 2.0, 26.0);

/// Draws by chance when it thinks of turning next. Never which way: a round seen in a mirror is
/// the same round.
fn think(round: &CowRound, state: &mut CowState) {
    let mut random = ChaCha8Rng::seed_from_u64(u64::from(round.seed));
    random.set_stream(u64::from(state.thoughts));
    let (least, most) = round.nature().thinks_s;
    // To 1/64 s: the draw itself is exact on every machine.
    let part = f64::from(random.random_range(0..64_u32)) / 64.0;
    state.thinks_s = least + (most - least) * part;
    state.thoughts += 1;
}

/// One step. The input is where the rider steers: each of -1 to 1, together no longer than 1.
pub fn step(round: &CowRound, state: &mut CowState, steer: Point) {
    let nature = round.nature();
    ride(state, steer);
    let wanted = no_faster(wants(round, &nature, state), nature.run_ft_s);
    let most = if state.bolts_s > 0.0 {
        2.0 * nature.run_ft_s2
    } else {
        nature.run_ft_s2
    };
    state.cow_speed = nearer(state.cow_speed, wanted, most * STEP_S);
    state.cow = state.cow + state.cow_speed * STEP_S;
    fence(state);
    apart(state);
    tally(&nature, state);
    state.step += 1;
    for timer in [&mut state.bolts_s, &mut state.thinks_s, &mut state.turns_s] {
        *timer = (*timer - STEP_S).max(0.0);
    }
}

/// The horse goes where it is steered.
fn ride(state: &mut CowState, steer: Point) {
    let length = long(steer);
    let steer = if length > 1.0 {
        steer * (1.0 / length)
    } else {
        steer
    };
    state.horse_speed = nearer(state.horse_speed, steer * HORSE_FT_S, HORSE_FT_S2 * STEP_S);
    let to = state.horse + state.horse_speed * STEP_S;
    let held = at(
        to.x.clamp(FENCE_FT, WIDE_FT - FENCE_FT),
        to.y.clamp(FENCE_FT, DEEP_FT - FENCE_FT),
    );
    if held.x != to.x {
        state.horse_speed.x = 0.0;
    }
    if held.y != to.y {
        state.horse_speed.y = 0.0;
    }
    state.horse = held;
}

/// Where the horse is to the cow, and so what the cow does.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum CowMeets {
    /// It has bolted and runs.
    Bolting,
    /// Too near: it bolts.
    TooDeep,
    /// Too far: it pays no heed.
    TooFar,
    /// In front of the point of balance: it turns.
    InFront,
    /// Level with its eye, between it and the herd: it stands.
    Level,
    /// Behind the point of balance: it moves on.
    Behind,
}

/// How near a horse has to be, and how near is too near.
fn reach(nature: &Nature) -> (f64, f64) {
    (0.35 * nature.zone_ft, 1.8 * nature.zone_ft)
}

/// 0 at the edge of what it heeds, 1 where it bolts.
fn pressure(nature: &Nature, state: &CowState) -> f64 {
    let (deep_ft, heeds_ft) = reach(nature);
    (heeds_ft - long(state.horse - state.cow)) / (heeds_ft - deep_ft)
}

/// Where the horse is to the cow.
pub fn meets(round: &CowRound, state: &CowState) -> CowMeets {
    let nature = round.nature();
    let horse = state.horse - state.cow;
    let far = long(horse);
    let (deep_ft, heeds_ft) = reach(&nature);
    let ahead = (horse.x * state.way) - SHOULDER_FT;
    if state.bolts_s > 0.0 {
        CowMeets::Bolting
    } else if far < deep_ft {
        CowMeets::TooDeep
    } else if far > heeds_ft {
        CowMeets::TooFar
    } else if ahead > BALANCE_FT && pressure(&nature, state) > nature.turns_at {
        CowMeets::InFront
    } else if ahead.abs() <= BALANCE_FT && horse.y < 0.0 {
        CowMeets::Level
    } else {
        CowMeets::Behind
    }
}

/// The speed that the cow wants.
fn wants(round: &CowRound, nature: &Nature, state: &mut CowState) -> Point {
    let past = |way: f64| at(0.9 * way, -0.45) * nature.run_ft_s;
    let horse = state.horse - state.cow;
    match meets(round, state) {
        CowMeets::Bolting => return past(state.way),
        CowMeets::TooDeep => {
            state.tally.upset += 1;
            state.bolts_s = BOLT_S;
            // Past the horse, on the side where it is not.
            if horse.x != 0.0 {
                state.way = -horse.x.signum();
            }
            return past(state.way);
        }
        CowMeets::TooFar => return at(0.25 * state.way, -0.9) * WALK_FT_S,
        _ => {}
    }
    if state.thinks_s <= 0.0 {
        state.way = -state.way;
        think(round, state);
    }
    let pressure = pressure(nature, state);
    match meets(round, state) {
        CowMeets::InFront if state.turns_s <= 0.0 => {
            state.way = -state.way;
            state.turns_s = TURN_S;
            state.tally.turned += 1;
            think(round, state);
            at(0.0, 0.0)
        }
        CowMeets::InFront => at(0.0, 0.0),
        // It gives a little ground.
        CowMeets::Level => at(0.0, pressure) * (0.5 * WALK_FT_S),
        // On, the faster the nearer; the herd draws where there is room.
        _ => {
            let pace = WALK_FT_S + (nature.run_ft_s - WALK_FT_S) * pressure;
            let down = if horse.y < 0.0 { -0.30 } else { -0.70 };
            at(0.9 * state.way, down) * pace
        }
    }
}

/// Nobody goes through a fence; a cow that comes to one turns along it.
fn fence(state: &mut CowState) {
    let (least, most) = (FENCE_FT, WIDE_FT - FENCE_FT);
    if state.cow.x < least || state.cow.x > most {
        state.cow.x = state.cow.x.clamp(least, most);
        state.cow_speed.x = 0.0;
        state.way = if state.cow.x == least { 1.0 } else { -1.0 };
    }
    if state.cow.y > DEEP_FT - FENCE_FT {
        state.cow.y = DEEP_FT - FENCE_FT;
        state.cow_speed.y = 0.0;
    }
    if state.cow.y < HERD_FT {
        state.tally.lost += 1;
        // Another one is brought out.
        state.cow = START_COW;
        state.cow_speed = at(0.0, 0.0);
        state.horse = START_HORSE;
        state.horse_speed = at(0.0, 0.0);
        state.nearest_ft = START_COW.y;
        state.bolts_s = 0.0;
    }
}

/// A cow is not ridden over: it is pushed off.
fn apart(state: &mut CowState) {
    let between = state.cow - state.horse;
    let far = long(between);
    if far >= TOUCH_FT {
        return;
    }
    let off = if far > 0.0 {
        between * (1.0 / far)
    } else {
        at(0.0, 1.0)
    };
    let to = state.horse + off * TOUCH_FT;
    state.cow = at(
        to.x.clamp(FENCE_FT, WIDE_FT - FENCE_FT),
        to.y.clamp(HERD_FT, DEEP_FT - FENCE_FT),
    );
}

fn tally(nature: &Nature, state: &mut CowState) {
    let horse = state.horse - state.cow;
    let far = long(horse);
    let level = horse.x * state.way - SHOULDER_FT;
    let in_zone = far > 0.4 * nature.zone_ft && far < 1.3 * nature.zone_ft;
    if horse.y < 0.0 && in_zone && level > -3.0 && level < 4.0 {
        state.tally.in_position += 1;
    }
    if state.cow.y < state.nearest_ft {
        state.tally.ground_lost_ft += state.nearest_ft - state.cow.y;
        state.nearest_ft = state.cow.y;
    }
}

/// What a round came to.
pub fn score(state: &CowState) -> CowScore {
    let tally = state.tally;
    let steps = f64::from(state.step.max(1));
    let in_position_pct = 100.0 * f64::from(tally.in_position) / steps;
    let ground_cost = 0.5 * tally.ground_lost_ft;
    let upset_cost = 5.0 * f64::from(tally.upset);
    let lost_cost = 12.0 * f64::from(tally.lost);
    CowScore {
        score: (in_position_pct - ground_cost - upset_cost - lost_cost).clamp(0.0, 100.0),
        in_position_pct,
        ground_cost,
        upset_cost,
        lost_cost,
    }
}

/// A speed, or as fast as it can the same way.
fn no_faster(wanted: Point, most_ft_s: f64) -> Point {
    let length = long(wanted);
    if length > most_ft_s {
        wanted * (most_ft_s / length)
    } else {
        wanted
    }
}

/// A speed changed towards another by at most so much.
fn nearer(from: Point, to: Point, most: f64) -> Point {
    let change = to - from;
    let length = long(change);
    if length <= most {
        to
    } else {
        from + change * (most / length)
    }
}

/// Its length, by operations that are exact on every machine.
fn long(point: Point) -> f64 {
    (point.x * point.x + point.y * point.y).sqrt()
}

/// Checks a state that comes from outside.
///
/// # Errors
/// A number that no round can have.
pub fn check(state: &CowState) -> Result<(), FieldError> {
    let within = |field: &str, value: f64, least: f64, most: f64| {
        if value.is_finite() && value >= least && value <= most {
            return Ok(());
        }
        Err(FieldError::new(
            field,
            format!("must be {least} to {most}, found {value}"),
        ))
    };
    for (name, point) in [("cow", state.cow), ("horse", state.horse)] {
        within(&format!("/state/{name}/0"), point.x, 0.0, WIDE_FT)?;
        within(&format!("/state/{name}/1"), point.y, 0.0, DEEP_FT)?;
    }
    for (name, speed) in [
        ("cow_speed", state.cow_speed),
        ("horse_speed", state.horse_speed),
    ] {
        within(&format!("/state/{name}/0"), speed.x, -60.0, 60.0)?;
        within(&format!("/state/{name}/1"), speed.y, -60.0, 60.0)?;
    }
    if state.way != 1.0 && state.way != -1.0 {
        return Err(FieldError::new("/state/way", "must be -1 or 1"));
    }
    for (name, seconds) in [
        ("bolts_s", state.bolts_s),
        ("thinks_s", state.thinks_s),
        ("turns_s", state.turns_s),
    ] {
        within(&format!("/state/{name}"), seconds, 0.0, 60.0)?;
    }
    within("/state/nearest_ft", state.nearest_ft, 0.0, DEEP_FT)?;
    within(
        "/state/tally/ground_lost_ft",
        state.tally.ground_lost_ft,
        0.0,
        1e9,
    )
}
