//! A rein gauge: how hard each rein is pulled, fifty times a second, and the asks in it.
//!
//! # Formula
//! Each rein is smoothed by the median of five readings. What a hand carries anyway is the median
//! of the last ten seconds that were no ask. An ask begins where the pull has risen above that by
//! more than [`RISE_N`], and is released where it has fallen back to a third of its rise, for
//! [`HOLD_S`] in both; its onset is taken back to where the rise passed a fifth of its peak. Asks of
//! both reins whose onsets lie within [`TOGETHER_S`] are one ask of both reins. Time to give is
//! from the onset to the release.
//!
//! # Source
//! Hand weights in newtons: the product's own classes ([`crate::rep::HandWeight`]). That the release
//! of the pull is the give, a rise of 2 N, the times: product defaults, checked on traces whose
//! truth is known.

use serde::{Deserialize, Serialize};

use super::line::{BadLine, unsummed};
use crate::Side;
use crate::bounds::{FieldError, GAUGE_LISTENS, GAUGE_N, GAUGE_READINGS, TRACK_S};
use crate::rep::HandWeight;

/// A reading of both reins.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct GaugeReading {
    /// Seconds of the gauge's own clock.
    pub at_s: f64,
    /// The left rein, in newtons.
    pub left_n: f64,
    /// The right rein, in newtons.
    pub right_n: f64,
}

/// An ask found in a trace.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct GaugeAsk {
    /// Which rein; both when they were taken together.
    pub side: Side,
    /// When the pull began.
    pub onset_s: f64,
    /// When it was greatest.
    pub peak_s: f64,
    /// When it was let go.
    pub release_s: f64,
    /// Seconds from the onset to the release.
    pub time_to_give_s: f64,
    /// The greatest pull, in newtons; of both reins the greater.
    pub peak_n: f64,
    /// How much that is in the hand.
    pub hand: HandWeight,
}

/// A rise above what the hand carries that is an ask, in newtons.
pub const RISE_N: f64 = 2.0;
/// So long it has to be above, or let go.
pub const HOLD_S: f64 = 0.1;
/// Onsets so near each other are one ask of both reins.
pub const TOGETHER_S: f64 = 0.25;
/// Readings of a median.
const MEDIAN: usize = 5;
/// The part of the rise at which it is let go.
const LET_GO: f64 = 1.0 / 3.0;
/// The part of the peak's rise at which it began.
const BEGAN: f64 = 0.2;
/// Seconds of what the hand carries.
const CARRIED_S: f64 = 10.0;
/// How often what the hand carries is found anew.
const BASE_EVERY_S: f64 = 0.2;
/// A longer gap between readings is a gauge that was pulled out: an ask under way is given up.
pub const GAP_S: f64 = 0.5;
/// A longer pull is no ask.
const LONGEST_S: f64 = 30.0;

/// A line of the gauge.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct GaugeLine {
    /// Counts up from line to line.
    pub number: u32,
    /// The reading, in seconds of the gauge's own clock.
    pub reading: GaugeReading,
}

impl GaugeLine {
    /// Reads a line: `<number> <milliseconds> <left> <right> <sum>`, the pulls in newtons.
    ///
    /// # Errors
    /// Why it is none.
    pub fn read(line: &str) -> Result<GaugeLine, BadLine> {
        let text = unsummed(line)?;
        let [number, ms, left, right] = text.split(' ').collect::<Vec<_>>()[..] else {
            return Err(BadLine::Words);
        };
        let newtons = |word: &str| -> Result<f64, BadLine> {
            let bad = || BadLine::Word(word.chars().take(20).collect(), "pull");
            let newtons: f64 = word.parse().map_err(|_| bad())?;
            GAUGE_N.check("", newtons).map_err(|_| bad())
        };
        let bad = |word: &str, what| BadLine::Word(word.chars().take(20).collect(), what);
        let ms: u32 = ms.parse().map_err(|_| bad(ms, "time"))?;
        Ok(GaugeLine {
            number: number.parse().map_err(|_| bad(number, "number"))?,
            reading: GaugeReading {
                at_s: f64::from(ms) / 1_000.0,
                left_n: newtons(left)?,
                right_n: newtons(right)?,
            },
        })
    }
}

/// Listens to a gauge: what it said so far, as far as the next reading needs it.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct GaugeListener {
    finder: Finder,
    last_number: Option<u32>,
    /// Readings that never arrived.
    pub missing: u32,
    /// Lines that came through broken.
    pub broken: u32,
}

impl GaugeListener {
    /// Takes a line: its reading, where it is one, and the asks that are over by it.
    pub fn take(&mut self, line: &str) -> (Option<GaugeReading>, Vec<GaugeAsk>) {
        let Ok(line) = GaugeLine::read(line) else {
            self.broken = self.broken.saturating_add(1);
            return (None, Vec::new());
        };
        if let Some(last) = self.last_number {
            // Counting anew it is another gauge, or the same switched on again.
            if line.number <= last {
                self.finder = Finder::default();
            } else {
                self.missing = self.missing.saturating_add(line.number - last - 1);
            }
        }
        self.last_number = Some(line.number);
        (Some(line.reading), self.finder.take(line.reading))
    }

    /// Checks what comes from outside: no longer than a listener grows.
    ///
    /// # Errors
    /// More than one ever holds.
    pub fn check(&self) -> Result<(), FieldError> {
        let longest = [&self.finder.left, &self.finder.right]
            .into_iter()
            .map(|rein| {
                let trace = rein.pull.as_ref().map_or(0, |pull| pull.trace.len());
                rein.carried.len().max(trace).max(rein.recent.len())
            });
        let longest = longest.max().unwrap_or(0).max(self.finder.waiting.len());
        GAUGE_LISTENS.check_count("/listener", longest).map(|_| ())
    }
}

/// Finds asks as readings come in.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GaugeFinder))]
#[serde(deny_unknown_fields)]
pub struct Finder {
    left: Rein,
    right: Rein,
    last_s: Option<f64>,
    waiting: Vec<Pulled>,
}

/// One rein.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GaugeRein))]
#[serde(deny_unknown_fields)]
struct Rein {
    recent: Vec<(f64, f64)>,
    carried: Vec<(f64, f64)>,
    /// What the hand carries, and when it was found last.
    base: Option<(f64, f64)>,
    pull: Option<Pull>,
}

#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GaugePull))]
#[serde(deny_unknown_fields)]
struct Pull {
    base_n: f64,
    trace: Vec<(f64, f64)>,
    peak: (f64, f64),
    low_since: Option<f64>,
}

#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GaugePulled))]
#[serde(deny_unknown_fields)]
struct Pulled {
    side: Side,
    onset_s: f64,
    peak_s: f64,
    release_s: f64,
    peak_n: f64,
}

impl Rein {
    /// Takes a reading; a pull that is over by it.
    fn take(&mut self, at_s: f64, newtons: f64) -> Option<Pulled> {
        self.recent.push((at_s, newtons));
        if self.recent.len() > MEDIAN {
            self.recent.remove(0);
        }
        if self.recent.len() < MEDIAN {
            return None;
        }
        // The middle one of the five, in time and in pull.
        let at_s = self.recent[MEDIAN / 2].0;
        let smooth = median(self.recent.iter().map(|(_, newtons)| *newtons));
        match self.pull.take() {
            None => {
                self.wait(at_s, smooth);
                None
            }
            Some(pull) => self.goes_on(pull, at_s, smooth),
        }
    }

    /// What the hand carries; it changes slowly, and is found anew a few times a second.
    fn base(&mut self, at_s: f64) -> f64 {
        if let Some((found_s, base_n)) = self.base
            && at_s - found_s < BASE_EVERY_S
        {
            return base_n;
        }
        if self.carried.is_empty() {
            return 0.0;
        }
        let base_n = median(self.carried.iter().map(|(_, newtons)| *newtons));
        self.base = Some((at_s, base_n));
        base_n
    }

    fn wait(&mut self, at_s: f64, newtons: f64) {
        let base_n = self.base(at_s);
        if !self.carried.is_empty() && newtons > base_n + RISE_N {
            let before: Vec<(f64, f64)> = self
                .carried
                .iter()
                .rev()
                .take(MEDIAN * 4)
                .rev()
                .copied()
                .collect();
            let mut trace = before;
            trace.push((at_s, newtons));
            self.pull = Some(Pull {
                base_n,
                trace,
                peak: (at_s, newtons),
                low_since: None,
            });
            return;
        }
        self.carried.push((at_s, newtons));
        self.carried.retain(|(then, _)| at_s - then <= CARRIED_S);
    }

    fn goes_on(&mut self, mut pull: Pull, at_s: f64, newtons: f64) -> Option<Pulled> {
        pull.trace.push((at_s, newtons));
        if newtons > pull.peak.1 {
            pull.peak = (at_s, newtons);
        }
        let rise = pull.peak.1 - pull.base_n;
        let low = newtons <= pull.base_n + (rise * LET_GO).max(RISE_N / 2.0);
        pull.low_since = match (low, pull.low_since) {
            (true, since) => since.or(Some(at_s)),
            (false, _) => None,
        };
        let begun = pull
            .trace
            .iter()
            .find(|(_, n)| *n > pull.base_n + RISE_N)
            .map_or(at_s, |(s, _)| *s);
        match pull.low_since {
            Some(since) if at_s - since >= HOLD_S => {
                // What the hand carries goes on from here.
                self.carried.push((at_s, newtons));
                (since - begun >= HOLD_S).then(|| pull.over(since))
            }
            _ if at_s - begun > LONGEST_S => {
                // A pull that never ends is what the hand carries now.
                self.carried = vec![(at_s, newtons)];
                self.base = None;
                None
            }
            _ => {
                self.pull = Some(pull);
                None
            }
        }
    }

    /// The gauge was pulled out: nothing of what was under way is known.
    fn forget(&mut self) {
        self.recent.clear();
        self.pull = None;
    }
}

impl Pull {
    fn over(&self, release_s: f64) -> Pulled {
        let rise = self.peak.1 - self.base_n;
        let began_n = self.base_n + rise * BEGAN;
        // Back from the peak to where it passed that.
        let up_to = self
            .trace
            .iter()
            .position(|one| *one == self.peak)
            .unwrap_or(0);
        let below = self.trace[..up_to]
            .iter()
            .rposition(|(_, newtons)| *newtons <= began_n);
        let onset = below.map_or(0, |index| index + 1);
        Pulled {
            side: Side::Both,
            onset_s: self.trace[onset.min(up_to)].0,
            peak_s: self.peak.0,
            release_s,
            peak_n: self.peak.1,
        }
    }
}

fn median(values: impl Iterator<Item = f64>) -> f64 {
    let mut sorted: Vec<f64> = values.collect();
    sorted.sort_by(f64::total_cmp);
    sorted[sorted.len() / 2]
}

impl Finder {
    /// Takes a reading; the asks that are known to be over by it, first to last.
    pub fn take(&mut self, reading: GaugeReading) -> Vec<GaugeAsk> {
        let mut found = Vec::new();
        if self.last_s.is_some_and(|last| reading.at_s - last > GAP_S) {
            found.extend(self.end());
            self.left.forget();
            self.right.forget();
        }
        self.last_s = Some(reading.at_s);
        let sides = [
            (Side::Left, self.left.take(reading.at_s, reading.left_n)),
            (Side::Right, self.right.take(reading.at_s, reading.right_n)),
        ];
        for (side, over) in sides {
            self.waiting
                .extend(over.map(|pulled| Pulled { side, ..pulled }));
        }
        // An ask of one rein waits for as long as the other may be part of it.
        while let Some(first) = self.waiting.first().copied() {
            let other = self.waiting[1..].iter().position(|two| {
                two.side != first.side && (two.onset_s - first.onset_s).abs() <= TOGETHER_S
            });
            if let Some(other) = other {
                let two = self.waiting.remove(other + 1);
                self.waiting.remove(0);
                found.push(together(first, two));
                continue;
            }
            let still = match first.side {
                Side::Left => &self.right.pull,
                _ => &self.left.pull,
            };
            if still.is_some() && reading.at_s - first.release_s < LONGEST_S {
                break;
            }
            self.waiting.remove(0);
            found.push(asked(first));
        }
        found
    }

    /// The trace is over: what still waits is known now.
    pub fn end(&mut self) -> Vec<GaugeAsk> {
        self.waiting.drain(..).map(asked).collect()
    }
}

fn together(one: Pulled, two: Pulled) -> GaugeAsk {
    let greater = if one.peak_n >= two.peak_n { one } else { two };
    asked(Pulled {
        side: Side::Both,
        onset_s: one.onset_s.min(two.onset_s),
        release_s: one.release_s.max(two.release_s),
        ..greater
    })
}

fn asked(pulled: Pulled) -> GaugeAsk {
    GaugeAsk {
        side: pulled.side,
        onset_s: pulled.onset_s,
        peak_s: pulled.peak_s,
        release_s: pulled.release_s,
        time_to_give_s: pulled.release_s - pulled.onset_s,
        peak_n: pulled.peak_n,
        hand: HandWeight::from_newtons(pulled.peak_n),
    }
}

/// How alike the two reins are.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ReinEvenness {
    /// What the left hand carries between asks, in newtons.
    pub left_carried_n: f64,
    /// What the right hand carries.
    pub right_carried_n: f64,
    /// Asks of the left rein alone.
    pub left_asks: u32,
    /// Asks of the right rein alone.
    pub right_asks: u32,
}

/// What a trace holds.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GaugeTrace {
    /// The asks, by when they were let go.
    pub asks: Vec<GaugeAsk>,
    /// How alike the two reins are.
    pub evenness: ReinEvenness,
}

/// Finds the asks of a whole trace.
///
/// # Errors
/// Too few or too many readings, a pull that none is, a time that goes back.
pub fn asks(readings: &[GaugeReading]) -> Result<GaugeTrace, FieldError> {
    GAUGE_READINGS.check_count("/readings", readings.len())?;
    let mut finder = Finder::default();
    let mut found = Vec::new();
    let mut before = f64::NEG_INFINITY;
    for (index, reading) in readings.iter().enumerate() {
        let field = |name: &str| format!("/readings/{index}/{name}");
        TRACK_S.check(&field("at_s"), reading.at_s)?;
        GAUGE_N.check(&field("left_n"), reading.left_n)?;
        GAUGE_N.check(&field("right_n"), reading.right_n)?;
        if reading.at_s < before {
            return Err(FieldError::new(
                field("at_s"),
                format!("goes back in time: {} after {before}", reading.at_s),
            ));
        }
        before = reading.at_s;
        found.extend(finder.take(*reading));
    }
    found.extend(finder.end());
    let carried = |of: &dyn Fn(&GaugeReading) -> f64| {
        let quiet = readings.iter().filter(|reading| {
            let at_s = reading.at_s;
            found
                .iter()
                .all(|ask| at_s < ask.onset_s - HOLD_S || at_s > ask.release_s + HOLD_S)
        });
        let values: Vec<f64> = quiet.map(of).collect();
        if values.is_empty() {
            0.0
        } else {
            median(values.into_iter())
        }
    };
    let count = |side: Side| found.iter().filter(|ask| ask.side == side).count() as u32;
    Ok(GaugeTrace {
        evenness: ReinEvenness {
            left_carried_n: carried(&|reading| reading.left_n),
            right_carried_n: carried(&|reading| reading.right_n),
            left_asks: count(Side::Left),
            right_asks: count(Side::Right),
        },
        asks: found,
    })
}
