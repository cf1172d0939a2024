//! The points of a course that need room, and how much room they have at one place. Quicker
//! than [`super::room`], and never less than it says: the points are a choice.

use super::Barrels;
use super::Placing;
use super::cloverleaf::Laid;
use super::outline;
use super::path::Path;
use super::point::{Point, at};
use super::wanted::{TOLERANCE_FT, Wanted, middle_of};
use crate::Side;

/// Each turn is looked at in so many points.
const PIECES: usize = 10;
/// Each straight in so many.
const ON_STRAIGHT: usize = 4;
/// The way a point goes when the size changes is not quite straight.
const BENT: f64 = 1.05;

/// Where the middle of a course may lie, and how it may be turned.
#[derive(Debug, Clone, Copy)]
pub struct Spread {
    /// Where its middle lies.
    pub centre: Point,
    /// How it is turned, in radians.
    pub turn: f64,
    /// How far it may be from there on the plan.
    pub on_plan: f64,
    /// How far it may be turned from there.
    pub by_turn: f64,
}

#[derive(Debug, Clone, Copy)]
enum Needs {
    /// So many feet to the fence.
    Fence(f64),
    /// So many feet to the fence, and so many off what to keep off.
    Both(f64, f64),
}

#[derive(Debug, Clone, Copy)]
struct Mark {
    /// From the course's middle, the course not turned.
    from_middle: Point,
    far: f64,
    /// How far it moves with the size.
    moves: f64,
    needs: Needs,
}

/// The points of a course over a range of sizes: those that both ways round share, and those
/// of each way.
#[derive(Debug, Clone)]
pub struct Marks {
    shared: Vec<Mark>,
    ways: Vec<Way>,
}

#[derive(Debug, Clone)]
struct Way {
    first: Side,
    marks: Vec<Mark>,
    straights: [[Mark; 2]; 4],
}

impl Marks {
    /// Of sizes up to `half` from `scale`.
    pub fn of(wanted: &Wanted<'_>, scale: f64, half: f64) -> Marks {
        let sizes = [scale, scale - half, scale + half];
        let middles = sizes.map(|scale| middle_of(&wanted.course) * scale);
        let mark = |points: [Point; 3], needs: Needs| {
            let own: [Point; 3] = [0, 1, 2].map(|size| points[size] - middles[size]);
            Mark {
                from_middle: own[0],
                far: own.iter().map(|point| point.length()).fold(0.0, f64::max),
                moves: BENT * own[0].to(own[1]).max(own[0].to(own[2])),
                needs,
            }
        };
        let standing = sizes.map(|scale| standing(wanted, &barrels(wanted, scale, wanted.first)));
        let shared = (0..standing[0].len())
            .map(|index| {
                let points = [0, 1, 2].map(|size| standing[size][index].0);
                mark(points, standing[0][index].1)
            })
            .collect();
        let needs = Needs::Both(wanted.clearances.track_ft, wanted.clearances.keep_off_ft);
        let way = |first: Side| {
            let path = |scale| Path::round(&barrels(wanted, scale, first), &wanted.pockets).ok();
            let paths = [path(sizes[0])?, path(sizes[1])?, path(sizes[2])?];
            let lines = [0, 1, 2].map(|size| line(&paths[size]));
            let marks = (0..lines[0].len())
                .map(|index| mark([0, 1, 2].map(|size| lines[size][index]), needs))
                .collect();
            let end = |straight: usize, end: usize| {
                let points = [0, 1, 2].map(|size| paths[size].straights[straight][end]);
                mark(points, needs)
            };
            Some(Way {
                first,
                marks,
                straights: [0, 1, 2, 3].map(|straight| [end(straight, 0), end(straight, 1)]),
            })
        };
        let ways = wanted.firsts().into_iter().filter_map(way).collect();
        Marks { shared, ways }
    }

    /// The most spare room any course of the spread can have in the middle of it, and which way
    /// round; none when it is shown that no course of the spread has enough.
    pub fn most_spare(&self, wanted: &Wanted<'_>, spread: &Spread) -> Option<(Side, f64)> {
        let enough = |spare: f64, moves: f64| spare + moves >= -TOLERANCE_FT;
        let shared = spare(&self.shared, wanted, spread, enough)?;
        let mut best = None;
        for way in &self.ways {
            if let Some(found) = way.spare(wanted, spread, enough)
                && best.is_none_or(|(_, most)| found > most)
            {
                best = Some((way.first, found));
            }
        }
        best.map(|(first, found)| (first, shared.min(found)))
    }

    /// Spare room at one place, that barrel first.
    pub fn spare(&self, wanted: &Wanted<'_>, centre: Point, turn: f64, first: Side) -> f64 {
        let spread = Spread {
            centre,
            turn,
            on_plan: 0.0,
            by_turn: 0.0,
        };
        let all = |_, _| true;
        let way = self.ways.iter().find(|way| way.first == first);
        let round = way.and_then(|way| way.spare(wanted, &spread, all));
        let standing = spare(&self.shared, wanted, &spread, all);
        match (standing, round) {
            (Some(standing), Some(round)) => standing.min(round),
            _ => f64::NEG_INFINITY,
        }
    }

    /// How far its furthest point is from the middle.
    pub fn reach(&self) -> f64 {
        self.all().map(|mark| mark.far).fold(0.0, f64::max)
    }

    /// How far a point moves at the most with the size.
    pub fn most_move(&self) -> f64 {
        self.all().map(|mark| mark.moves).fold(0.0, f64::max)
    }

    fn all(&self) -> impl Iterator<Item = &Mark> {
        let ways = self.ways.iter().flat_map(|way| &way.marks);
        self.shared.iter().chain(ways)
    }
}

impl Mark {
    fn at(&self, spread: &Spread, (sin, cos): (f64, f64)) -> Point {
        let own = self.from_middle;
        spread.centre + at(own.x * cos - own.y * sin, own.x * sin + own.y * cos)
    }

    fn moves(&self, spread: &Spread) -> f64 {
        spread.on_plan + self.far * spread.by_turn + self.moves
    }
}

impl Way {
    fn spare(
        &self,
        wanted: &Wanted<'_>,
        spread: &Spread,
        enough: impl Fn(f64, f64) -> bool + Copy,
    ) -> Option<f64> {
        let mut least = spare(&self.marks, wanted, spread, enough)?;
        let turned = spread.turn.sin_cos();
        let room = &wanted.clearances;
        // What juts out towards a straight lies between its points.
        for [from, to] in &self.straights {
            let straight = [from.at(spread, turned), to.at(spread, turned)];
            let moves = from.moves(spread).max(to.moves(spread));
            let fence = wanted
                .free
                .outline
                .iter()
                .map(|corner| (corner, room.track_ft));
            let off = wanted.free.keep_off.iter().flat_map(|area| area.ring);
            let off = off.map(|corner| (corner, room.keep_off_ft));
            for (corner, needs) in fence.chain(off) {
                let spare = corner.to_segment(straight[0], straight[1]) - needs;
                if !enough(spare, moves) {
                    return None;
                }
                least = least.min(spare);
            }
        }
        Some(least)
    }
}

fn spare(
    marks: &[Mark],
    wanted: &Wanted<'_>,
    spread: &Spread,
    enough: impl Fn(f64, f64) -> bool,
) -> Option<f64> {
    let turned = spread.turn.sin_cos();
    let mut least = f64::INFINITY;
    for mark in marks {
        let point = mark.at(spread, turned);
        let moves = mark.moves(spread);
        let (fence, off) = match mark.needs {
            Needs::Fence(fence) => (fence, None),
            Needs::Both(fence, off) => (fence, Some(off)),
        };
        let spare = outline::inside_by(wanted.free.outline, point) - fence;
        if !enough(spare, moves) {
            return None;
        }
        least = least.min(spare);
        let Some(off) = off else { continue };
        for area in &wanted.free.keep_off {
            let at_least = area.at_least_off(point) - off;
            if at_least >= least && enough(at_least, moves) {
                continue;
            }
            let spare = area.off(point) - off;
            if !enough(spare, moves) {
                return None;
            }
            least = least.min(spare);
        }
    }
    Some(least)
}

fn barrels(wanted: &Wanted<'_>, scale: f64, first: Side) -> Barrels {
    Laid {
        measures: wanted.course.scaled(scale),
        first,
        placing: &Placing::default(),
        moved: [Point::default(); 3],
    }
    .barrels()
}

/// Barrels, and the strips behind barrel 3 and the score line.
fn standing(wanted: &Wanted<'_>, course: &Barrels) -> Vec<(Point, Needs)> {
    let room = &wanted.clearances;
    let barrels = course
        .barrels
        .map(|barrel| (barrel, Needs::Both(room.side_ft, room.keep_off_ft)));
    let strip = |from: Point, way: Point, feet: f64| {
        let long = (feet - room.track_ft).max(0.0);
        let needs = Needs::Fence(room.track_ft.min(feet));
        [1.0, 0.5].map(|part| (from + way * (long * part), needs))
    };
    let mut marks = barrels.to_vec();
    marks.extend(strip(course.barrels[2], course.up, room.behind_ft));
    marks.extend(strip(course.start, course.up * -1.0, room.end_ft));
    marks
}

/// Points along the track.
fn line(path: &Path) -> Vec<Point> {
    let mut points = Vec::new();
    for turn in &path.turns {
        points.extend(turn.points(PIECES));
    }
    for [from, to] in path.straights {
        let part = |index: usize| from.between(to, index as f64 / ON_STRAIGHT as f64);
        points.extend((0..=ON_STRAIGHT).map(part));
    }
    points
}
