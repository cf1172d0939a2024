//! The flag: a mechanical cow on a line. What it is to do, and where it is when.
//!
//! # Formula
//! A move goes from standing to standing: it speeds up at `a` to a speed `v`, which takes
//! v^2 / (2 a) ft, goes on, and slows down at `a`. A move that is too short for that reaches
//! sqrt(a d) in its middle. A turn is a run the other way than the run before; the horse turns
//! to the side the flag goes to. For more turns to one side the flag drifts back at a walk,
//! which is no turn.
//!
//! # Source
//! The kinematics of even acceleration: any textbook of mechanics. Speeds by level, lengths,
//! pauses, how often it fakes: product defaults; short works for a green horse, stop at the first
//! good one, more on the side that needs it: common practice, no source.

use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use crate::Side;
use crate::bounds::{FLAG_FT, FLAG_MIN, FieldError};
use crate::rep::turn::Tempo;

/// What the program is to be like.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = FlagProgramInput))]
#[serde(deny_unknown_fields)]
pub struct FlagWanted {
    /// How quick.
    pub level: Tempo,
    /// How far the flag can go, end to end.
    #[cfg_attr(feature = "schema", schema(minimum = 20, maximum = 200))]
    pub width_ft: f64,
    /// The same seed makes the same program.
    pub seed: u64,
    /// How long it lasts at most.
    #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 10))]
    pub minutes: f64,
    /// The side that needs more turns; both alike when left out.
    #[serde(default)]
    pub more_side: Option<Side>,
    /// For a horse that runs ahead: more fakes, no length like another.
    #[serde(default)]
    pub runs_ahead: bool,
}

/// What a move is.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum FlagMove {
    /// Goes and stops.
    Run,
    /// Starts one way by a foot or two and stops again.
    Fake,
    /// Stands.
    Pause,
    /// Goes back at a walk, to have room: no turn.
    Drift,
}

/// A move of the flag.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = FlagMoveMade))]
#[serde(deny_unknown_fields)]
pub struct Move {
    /// What it is.
    pub kind: FlagMove,
    /// When it begins, from the start of the program.
    pub begins_s: f64,
    /// How long it lasts.
    pub lasts_s: f64,
    /// From so far along the line.
    pub from_ft: f64,
    /// To so far along the line.
    pub to_ft: f64,
    /// The quickest it gets.
    pub peak_ft_s: f64,
    /// The side the horse turns to; none where it does not turn.
    pub turn: Option<Side>,
}

/// How quick a flag is at a level.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Pace {
    /// Its speed.
    pub speed_ft_s: f64,
    /// How hard it speeds up and slows down.
    pub acceleration_ft_s2: f64,
}

/// How quick a flag is at a level.
pub fn pace(level: Tempo) -> Pace {
    let (speed_ft_s, acceleration_ft_s2) = match level {
        Tempo::Slow => (6.0, 6.0),
        Tempo::Medium => (11.0, 12.0),
        Tempo::Quick => (17.0, 20.0),
    };
    Pace {
        speed_ft_s,
        acceleration_ft_s2,
    }
}

const DRIFT: Pace = Pace {
    speed_ft_s: 4.0,
    acceleration_ft_s2: 4.0,
};

/// How long a move of so many feet lasts, and the quickest it gets.
pub fn timed(feet: f64, pace: Pace) -> (f64, f64) {
    let Pace {
        speed_ft_s: v,
        acceleration_ft_s2: a,
    } = pace;
    if feet <= 0.0 {
        return (0.0, 0.0);
    }
    // Speeding up and slowing down take v^2 / (2 a) each.
    if feet >= v * v / a {
        return (feet / v + v / a, v);
    }
    let peak = (a * feet).sqrt();
    (2.0 * peak / a, peak)
}

impl Move {
    /// How quick and how hard it goes.
    pub fn pace(&self, level: Tempo) -> Pace {
        if self.kind == FlagMove::Drift {
            DRIFT
        } else {
            pace(level)
        }
    }

    /// Where the flag is and how fast it goes, so long after the move began; speed below 0 goes
    /// back along the line.
    pub fn at(&self, level: Tempo, seconds: f64) -> (f64, f64) {
        let feet = (self.to_ft - self.from_ft).abs();
        let way = (self.to_ft - self.from_ft).signum();
        let a = self.pace(level).acceleration_ft_s2;
        let t = seconds.clamp(0.0, self.lasts_s);
        if feet == 0.0 {
            return (self.from_ft, 0.0);
        }
        let ramp = self.peak_ft_s / a;
        let left = self.lasts_s - t;
        let (gone, speed) = if t < ramp {
            (a * t * t / 2.0, a * t)
        } else if left < ramp {
            (feet - a * left * left / 2.0, a * left)
        } else {
            (self.peak_ft_s * (t - ramp / 2.0), self.peak_ft_s)
        };
        (self.from_ft + way * gone, way * speed)
    }
}

/// Where the flag of a program is at a moment; after the last move it stands.
pub fn at(moves: &[Move], level: Tempo, seconds: f64) -> (f64, f64) {
    let index = moves.partition_point(|one| one.begins_s <= seconds);
    match index.checked_sub(1).and_then(|last| moves.get(last)) {
        Some(one) => one.at(level, seconds - one.begins_s),
        None => (moves.first().map_or(0.0, |first| first.from_ft), 0.0),
    }
}

/// No move comes nearer to an end than this.
const END_FT: f64 = 3.0;
/// The shortest run.
const SHORT_FT: f64 = 6.0;
/// The share of turns to the side that needs them.
const MORE: f64 = 0.7;

/// Makes a program.
///
/// # Errors
/// A number out of bounds.
pub fn program(wanted: &FlagWanted) -> Result<Vec<Move>, FieldError> {
    FLAG_FT.check("/width_ft", wanted.width_ft)?;
    FLAG_MIN.check("/minutes", wanted.minutes)?;
    if wanted.more_side == Some(Side::Both) {
        return Err(FieldError::new(
            "/more_side",
            "must be left or right; leave it out for both alike",
        ));
    }
    let mut making = Making {
        wanted: *wanted,
        random: ChaCha8Rng::seed_from_u64(wanted.seed),
        at_ft: wanted.width_ft / 2.0,
        at_s: 0.0,
        ran: None,
        moves: Vec::new(),
    };
    while making.next() {}
    Ok(making.moves)
}

struct Making {
    wanted: FlagWanted,
    random: ChaCha8Rng,
    at_ft: f64,
    at_s: f64,
    /// The way of the last run: up the line is the horse's right.
    ran: Option<Side>,
    moves: Vec<Move>,
}

impl Making {
    /// One more run with what goes before it; false when there is no time left for one.
    fn next(&mut self) -> bool {
        let before = (self.moves.len(), self.at_ft, self.at_s, self.ran);
        let side = self.side();
        if self.room(side) < SHORT_FT || self.ran == Some(side) {
            // A run the same way as before is no turn: the flag first drifts back past the middle.
            self.drift(side);
        }
        if self
            .random
            .random_bool(if self.wanted.runs_ahead { 0.45 } else { 0.15 })
        {
            self.fake();
        }
        let longest = self.room(side).min(self.wanted.width_ft * 0.7);
        let feet = SHORT_FT + (longest - SHORT_FT).max(0.0) * self.random.random_range(0.0..1.0);
        let to_ft = self.at_ft + way(side) * feet;
        // On the same way as the run before the horse goes on and does not turn.
        let drifted = self
            .moves
            .iter()
            .rev()
            .find(|one| one.kind != FlagMove::Pause && one.kind != FlagMove::Fake);
        let drifted = drifted.is_some_and(|one| one.kind == FlagMove::Drift);
        let turn = (self.ran != Some(side) || drifted).then_some(side);
        self.go(FlagMove::Run, to_ft, turn);
        self.ran = Some(side);
        let most = if self.wanted.runs_ahead { 4.0 } else { 2.5 };
        let stands = self.random.random_range(0.6..most);
        self.pause(stands);
        if self.at_s <= self.wanted.minutes * 60.0 {
            return true;
        }
        let (moves, at_ft, at_s, ran) = before;
        self.moves.truncate(moves);
        (self.at_ft, self.at_s, self.ran) = (at_ft, at_s, ran);
        false
    }

    /// The side of the next turn: the one that needs more of them more often, else either.
    fn side(&mut self) -> Side {
        let right = match self.wanted.more_side {
            Some(Side::Right) => MORE,
            Some(Side::Left) => 1.0 - MORE,
            _ => 0.5,
        };
        if self.random.random_bool(right) {
            Side::Right
        } else {
            Side::Left
        }
    }

    fn room(&self, side: Side) -> f64 {
        match side {
            Side::Right => self.wanted.width_ft - END_FT - self.at_ft,
            _ => self.at_ft - END_FT,
        }
    }

    /// Back at a walk, until there is room that way.
    fn drift(&mut self, side: Side) {
        let middle = self.wanted.width_ft / 2.0;
        let away = self.random.random_range(0.1..0.3) * self.wanted.width_ft;
        let to_ft = middle - way(side) * away;
        if (to_ft - self.at_ft) * way(side) >= 0.0 {
            return;
        }
        self.go(FlagMove::Drift, to_ft, None);
        let stands = self.random.random_range(0.8..2.0);
        self.pause(stands);
    }

    /// A start that is none, to a side that the next run does not depend on.
    fn fake(&mut self) {
        let feet = self.random.random_range(1.0..2.5);
        let side = if self.random.random_bool(0.5) {
            Side::Right
        } else {
            Side::Left
        };
        if self.room(side) < feet {
            return;
        }
        let (home_ft, to_ft) = (self.at_ft, self.at_ft + way(side) * feet);
        self.go(FlagMove::Fake, to_ft, None);
        self.go(FlagMove::Fake, home_ft, None);
        let stands = self.random.random_range(0.3..0.9);
        self.pause(stands);
    }

    fn go(&mut self, kind: FlagMove, to_ft: f64, turn: Option<Side>) {
        let pace = if kind == FlagMove::Drift {
            DRIFT
        } else {
            pace(self.wanted.level)
        };
        let (lasts_s, peak_ft_s) = timed((to_ft - self.at_ft).abs(), pace);
        self.moves.push(Move {
            kind,
            begins_s: self.at_s,
            lasts_s,
            from_ft: self.at_ft,
            to_ft,
            peak_ft_s,
            turn,
        });
        self.at_ft = to_ft;
        self.at_s += lasts_s;
    }

    fn pause(&mut self, seconds: f64) {
        self.moves.push(Move {
            kind: FlagMove::Pause,
            begins_s: self.at_s,
            lasts_s: seconds,
            from_ft: self.at_ft,
            to_ft: self.at_ft,
            peak_ft_s: 0.0,
            turn: None,
        });
        self.at_s += seconds;
    }
}

fn way(side: Side) -> f64 {
    if side == Side::Right { 1.0 } else { -1.0 }
}
