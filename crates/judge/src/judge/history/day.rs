//! What one day does to a level: its asks, what was said, what became of what it needs.

use jiff::civil::Date;
use uuid::Uuid;

use super::given::LevelWalk;
use super::told::History;
use crate::Side;
use crate::evidence::Ask;
use crate::judge::by_day::timeline::{Needs, Step};
use crate::judge::held::change::Change;
use crate::judge::held::ease::{Eased, firsts_soft};
use crate::judge::held::saying::Said;
use crate::judge::window::window_of;
use crate::ladder::LadderLevel;

pub(super) struct At<'a> {
    pub(super) walk: &'a LevelWalk<'a>,
    pub(super) level: &'a LadderLevel,
    pub(super) sides: &'static [Side],
    /// From this day on the machine moves; before it another program's did.
    pub(super) begins: Date,
    /// Leading days whose readiness is known.
    pub(super) same: usize,
    pub(super) history: History,
}

impl At<'_> {
    /// Whether a day on which the level itself was neither asked nor spoken of may move it.
    pub(super) fn is_waiting_for_a_day(&self, day: Date) -> bool {
        let hold = &self.history.hold;
        let may_gain = self.history.between.open.is_some() && !hold.is_held();
        let may_rise = hold.eased.as_ref().is_some_and(Eased::may_end_unasked);
        may_gain || may_rise || hold.dropped.is_some() || day == self.begins
    }

    /// Asks taken in so far.
    pub(super) fn end(&self) -> usize {
        self.history.between.end
    }

    pub(super) fn moved(&mut self, change: Option<Change>) {
        self.history.changes.extend(change);
    }

    pub(super) fn day(&mut self, day: Date, is_asked: bool, said: &[Said]) {
        let moves = day >= self.begins;
        let start = self.end();
        self.history.between.last = Some(day);
        if is_asked {
            let asks = &self.walk.asks[start..];
            self.history.between.end += asks.partition_point(|ask| ask.day <= day);
            self.asked(day, start, moves);
        }
        if !moves {
            return;
        }
        for said in said {
            let change = self.history.hold.hear(said, self.walk.ladder);
            self.moved(change);
        }
        self.answered(day);
        self.end_of_ease(day);
        let mut needs = self.needs(day);
        let missing = needs
            .missing
            .first()
            .map(|need| &self.walk.ladder.levels[*need].level);
        let change = self.history.hold.rest_on(day, missing);
        self.moved(change);
        self.advance(day, is_asked, &mut needs);
        self.history.timeline.step(Step {
            day,
            counts: self.history.hold.counts(),
            in_doubt: self.history.hold.in_doubt.is_some(),
            rusty_after_days: self.history.hold.rusty_after_days(&self.level.gate),
        });
        if is_asked {
            self.verdict_of(day, &needs);
        }
    }

    fn needs(&self, day: Date) -> Needs {
        Needs::of(self.level, self.walk.before, self.walk.shown, day)
    }

    /// The day's asks: what they show, and what they take off a level that is held.
    fn asked(&mut self, day: Date, start: usize, moves: bool) {
        let walk = self.walk;
        let of_day = &walk.asks[start..self.end()];
        let seen = window_of(&walk.asks[..self.end()], &self.level.gate, day);
        if moves {
            self.score(of_day);
            let firsts = firsts_soft(of_day, self.sides);
            let change = self.history.hold.tested_cold(day, firsts);
            self.moved(change);
            self.ease(day, start, firsts, seen);
            let change = self.history.hold.doubt(day, self.sides);
            self.moved(change);
            self.drop(seen);
        }
        let after = self.history.hold.gate_after;
        let asks = &self.walk.asks[..self.end()];
        self.history.from = after.map_or(0, |after| {
            asks.partition_point(|ask| (ask.day, ask.asked_at, ask.rep_id) <= after)
        });
        self.check(day, start, seen);
    }

    /// What the answers take off a level that is held, ride by ride.
    fn score_held(&mut self, of_day: &[Ask]) {
        let change = self.history.hold.first_asks(of_day, self.sides);
        self.moved(change);
        if of_day.iter().all(|ask| ask.ride_id == of_day[0].ride_id) {
            return self.score_ride(of_day);
        }
        // Rides of one day may lie in each other: each is scored by itself.
        let mut rides: Vec<Uuid> = Vec::new();
        for ask in of_day {
            if !rides.contains(&ask.ride_id) {
                rides.push(ask.ride_id);
            }
        }
        for ride_id in rides {
            let of_ride = of_day.iter().filter(|ask| ask.ride_id == ride_id);
            let ride: Vec<Ask> = of_ride.copied().collect();
            self.score_ride(&ride);
        }
    }

    fn score_ride(&mut self, ride: &[Ask]) {
        if self.history.hold.is_held() {
            let disturbed = self.walk.exceptional.contains(&ride[0].ride_id) || ride[0].new_rig;
            let change = self.history.hold.ride(ride, self.sides, disturbed);
            self.moved(change);
        }
    }

    /// What the answers take off.
    fn score(&mut self, of_day: &[Ask]) {
        let day = of_day[0].day;
        if self.history.hold.is_held() {
            self.score_held(of_day);
        }
        let hold = &mut self.history.hold;
        hold.answers_while_kept_back(of_day);
        if hold.owes_way_back && of_day.iter().any(|ask| !ask.soft) {
            hold.miss_on_the_way_back(day);
        }
    }
}
