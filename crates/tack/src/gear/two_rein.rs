//! A ride in the two-rein: the share of the bosal along the ride, asks for the bridle and
//! asks back.
//!
//! # Formula
//! The mean share is weighted by time. An ask for the bridle is held until the next ask back,
//! or until the end of the ride: then it is sustained. The next starting share goes 10 points
//! to the bridle where asks were sustained on 3 of the last 4 days, and 10 back to the bosal
//! as soon as, over the last day, asks back outnumber asks.
//!
//! # Source
//! Common practice, no source; the figures are product defaults.

use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, PERCENT, RIDE_MIN, SEGMENTS, TWO_REIN_EVENTS};

/// Points by which the starting share changes.
pub const STEP_PCT: f64 = 10.0;
/// Days looked at, and of these so many with a sustained ask.
pub const SUSTAINED_DAYS: (usize, usize) = (3, 4);

/// From a minute on so much of the hand is on the bosal.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct ShareFrom {
    /// Minutes from the start of the ride.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 600))]
    pub start_min: f64,
    /// Percent on the bosal; the rest is on the bridle.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 100))]
    pub bosal_pct: f64,
}

/// What the horse asks for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum TwoReinAsk {
    /// It bears or roots on the bosal: it asks for the bridle.
    ForBridle,
    /// It loses softness in the bridle: it asks back.
    Back,
}

/// An ask of the horse, at its minute.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct TwoReinEvent {
    /// Minutes from the start of the ride.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 600))]
    pub at_min: f64,
    /// What it asks for.
    pub ask: TwoReinAsk,
}

/// A ride in the two-rein.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct TwoReinRide {
    /// The share along the ride; the first from minute 0.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 200))]
    pub segments: Vec<ShareFrom>,
    /// What the horse asked for, in order.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 100))]
    pub events: Vec<TwoReinEvent>,
    /// The end of the ride, in minutes.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 600))]
    pub end_min: f64,
}

/// An ask for the bridle, and how long it held.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct AskHeld {
    /// Its minute.
    pub at_min: f64,
    /// Minutes until it was taken back, or until the end.
    pub held_min: f64,
    /// It was not taken back for the rest of the ride.
    pub sustained: bool,
}

/// What a ride came to.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TwoReinSaid {
    /// The share of the bosal, weighted by time.
    pub mean_bosal_pct: f64,
    /// Asks for the bridle.
    pub asks: Vec<AskHeld>,
    /// How often it asked back.
    pub asks_back: u32,
}

impl TwoReinSaid {
    /// An ask was sustained.
    pub fn sustained(&self) -> bool {
        self.asks.iter().any(|ask| ask.sustained)
    }
}

impl TwoReinRide {
    /// Checks that the ride runs forward, from its start to its end.
    ///
    /// # Errors
    /// The first field that does not fit.
    pub fn check(&self, at: &str) -> Result<(), FieldError> {
        SEGMENTS.check_count(&format!("{at}/segments"), self.segments.len())?;
        TWO_REIN_EVENTS.check_count(&format!("{at}/events"), self.events.len())?;
        RIDE_MIN.check(&format!("{at}/end_min"), self.end_min)?;
        if self
            .segments
            .first()
            .is_none_or(|first| first.start_min != 0.0)
        {
            return Err(FieldError::new(
                format!("{at}/segments"),
                "must begin at minute 0 with a share",
            ));
        }
        let mut before = 0.0;
        for (index, one) in self.segments.iter().enumerate() {
            let at = format!("{at}/segments/{index}");
            PERCENT.check(&format!("{at}/bosal_pct"), one.bosal_pct)?;
            self.forward(&format!("{at}/start_min"), before, one.start_min)?;
            before = one.start_min;
        }
        before = 0.0;
        for (index, one) in self.events.iter().enumerate() {
            self.forward(&format!("{at}/events/{index}/at_min"), before, one.at_min)?;
            before = one.at_min;
        }
        Ok(())
    }

    fn forward(&self, field: &str, before: f64, minute: f64) -> Result<(), FieldError> {
        if minute.is_finite() && (before..=self.end_min).contains(&minute) {
            return Ok(());
        }
        Err(FieldError::new(
            field,
            format!("must be {before} to {} min, found {minute}", self.end_min),
        ))
    }

    /// What it came to.
    pub fn said(&self) -> TwoReinSaid {
        let ends = self.segments.iter().skip(1).map(|one| one.start_min);
        let ends = ends.chain([self.end_min]);
        let weighted: f64 = self
            .segments
            .iter()
            .zip(ends)
            .map(|(one, end)| one.bosal_pct * (end - one.start_min))
            .sum();
        let mean_bosal_pct = if self.end_min > 0.0 {
            weighted / self.end_min
        } else {
            self.segments[0].bosal_pct
        };
        let is = |ask: TwoReinAsk| move |one: &&TwoReinEvent| one.ask == ask;
        let back = || self.events.iter().filter(is(TwoReinAsk::Back));
        let asks = self.events.iter().filter(is(TwoReinAsk::ForBridle));
        let asks = asks.map(|one| {
            let taken_back = back().find(|back| back.at_min >= one.at_min);
            AskHeld {
                at_min: one.at_min,
                held_min: taken_back.map_or(self.end_min, |back| back.at_min) - one.at_min,
                sustained: taken_back.is_none(),
            }
        });
        TwoReinSaid {
            mean_bosal_pct,
            asks: asks.collect(),
            asks_back: back().count() as u32,
        }
    }
}

/// Why the next ride starts as it does.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum StartReason {
    /// Asks were sustained on enough of the last days.
    Sustained,
    /// It asked back more often than it asked.
    AsksBack,
    /// Neither: the same again.
    SameAgain,
}

/// The share the next ride starts with, from the last starting share and the days since it
/// was last changed, oldest first: what a change was made for does not count for the next.
pub fn next_start(start_pct: f64, days: &[TwoReinSaid]) -> (f64, StartReason) {
    let Some(last) = days.last() else {
        return (start_pct, StartReason::SameAgain);
    };
    if last.asks_back as usize > last.asks.len() {
        return ((start_pct + STEP_PCT).min(100.0), StartReason::AsksBack);
    }
    let (least, looked) = SUSTAINED_DAYS;
    let lately = &days[days.len().saturating_sub(looked)..];
    if lately.iter().filter(|day| day.sustained()).count() >= least {
        return ((start_pct - STEP_PCT).max(0.0), StartReason::Sustained);
    }
    (start_pct, StartReason::SameAgain)
}

/// The share the next ride starts with, after rides with their starting shares, oldest first:
/// only those since it was last changed count.
pub fn next_after(rides: &[(f64, TwoReinSaid)]) -> Option<(f64, StartReason)> {
    let (start, _) = rides.last()?;
    let since = rides
        .iter()
        .rev()
        .take_while(|(own, _)| (own - start).abs() < 0.5);
    let mut since: Vec<TwoReinSaid> = since.map(|(_, said)| said.clone()).collect();
    since.reverse();
    Some(next_start(*start, &since))
}

/// The reason in a sentence with the share.
pub fn start_says(next_pct: f64, because: StartReason) -> String {
    let bridle = 100.0 - next_pct;
    let share = format!("{next_pct:.0}% bosal, {bridle:.0}% bridle");
    match because {
        StartReason::Sustained => format!(
            "Start with {share}: the bridle was asked for and kept on {} of the last {} days.",
            SUSTAINED_DAYS.0, SUSTAINED_DAYS.1
        ),
        StartReason::AsksBack => format!(
            "Start with {share}: last time the bosal was asked for more often than the bridle."
        ),
        StartReason::SameAgain => format!("Start with {share}, as last time."),
    }
}

/// Days from the first ride in the two-rein to the last of the plan.
pub const PLAN_DAYS: f64 = 365.0;
/// The share of the bosal the plan begins and ends with.
pub const PLAN_PCT: (f64, f64) = (90.0, 10.0);

/// The share of the bosal the plan has so many days after the first ride: about a year from
/// 90/10 through half and half to 10/90.
pub fn planned_pct(days: f64) -> f64 {
    let (from, to) = PLAN_PCT;
    from + (to - from) * (days / PLAN_DAYS).clamp(0.0, 1.0)
}

/// What becomes of the bosal's size.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum SizeAdvice {
    /// Asks for a smaller one were sustained on enough of the last days.
    Smaller,
    /// It asks back: a size up again.
    Larger,
    /// Neither: the same.
    Same,
}

/// What becomes of the bosal's size after days in it, oldest first: down a size when it asks,
/// and not only once.
pub fn bosal_size(days: &[TwoReinSaid]) -> SizeAdvice {
    match next_start(100.0, days).1 {
        StartReason::Sustained => SizeAdvice::Smaller,
        StartReason::AsksBack => SizeAdvice::Larger,
        StartReason::SameAgain => SizeAdvice::Same,
    }
}

/// The same in a sentence.
pub fn size_says(advice: SizeAdvice) -> &'static str {
    match advice {
        SizeAdvice::Smaller => "Asks for a smaller one, and not only once: go down a size.",
        SizeAdvice::Larger => "Asks back more than it asks on: stay, or go up a size again.",
        SizeAdvice::Same => "Stay with this size; down when the horse asks, and not only once.",
    }
}
