//! What is said of a horse before anybody here has ridden it.

use serde::{Deserialize, Serialize};

use crate::bounds::{
    AGE_YEARS, BARN_HORSES, DAYS_RIDDEN, FieldError, OF_A_CARD, RIDE_MINUTES, SPOTS,
};
use crate::ladder::check::find_level;
use crate::ladder::{AtHand, Ladder, Level};
use crate::ride::rig::RigKind;

/// The story a horse comes with, and what the day has. A story is often wrong: it moves
/// what is expected, and asks soon weigh more.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = IntakeStory))]
#[serde(default, deny_unknown_fields)]
pub struct Story {
    /// The horse's age in years, where known.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub age_years: Option<u32>,
    /// Days it was ridden, by the owner's story; left out when nobody says.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 5000))]
    pub days_ridden: Option<u32>,
    /// Tracks it is said to have been worked on, such as `cattle`.
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub worked_on: Vec<String>,
    /// Headgear it is said to have been ridden in.
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub ridden_in: Vec<RigKind>,
    /// Minutes there are.
    #[cfg_attr(feature = "schema", schema(minimum = 10, maximum = 180))]
    pub minutes: u32,
    /// What is at hand.
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub at_hand: Vec<AtHand>,
    /// Somebody is there on the ground, phone at hand.
    pub helper: bool,
}

impl Default for Story {
    fn default() -> Story {
        Story {
            age_years: None,
            days_ridden: None,
            worked_on: Vec::new(),
            ridden_in: Vec::new(),
            minutes: USUAL_MIN,
            at_hand: Vec::new(),
            helper: false,
        }
    }
}

/// Minutes of an intake ride. Product default.
pub const USUAL_MIN: u32 = 45;
/// Days in the saddle that are first rides. Common practice, no source.
const FIRST_RIDES: f64 = 8.0;

/// A horse of this barn: how long it has been ridden, and what it holds.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct BarnHorse {
    /// Days it was ridden.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 5000))]
    pub days_ridden: u32,
    /// The levels it holds.
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub holds: Vec<Level>,
}

impl Story {
    /// Days ridden to reckon with: the story's, or what is usual at its age.
    pub fn days_expected(&self) -> f64 {
        match (self.days_ridden, self.age_years) {
            (Some(days), _) => f64::from(days),
            // Product defaults.
            (None, Some(0..=1)) => 0.0,
            (None, Some(2)) => 30.0,
            (None, Some(3)) => 90.0,
            (None, Some(4)) => 180.0,
            (None, _) => 300.0,
        }
    }

    /// By its story these are first rides, or nobody says that they are not.
    pub fn are_first_rides(&self) -> bool {
        self.days_expected() < FIRST_RIDES
    }

    /// Checks every number, and that its tracks are on the ladder.
    ///
    /// # Errors
    /// The first field out of bounds; a track that the ladder does not have.
    pub fn check(&self, ladder: &Ladder) -> Result<(), FieldError> {
        RIDE_MINUTES.check("/minutes", f64::from(self.minutes))?;
        for (field, bound, value) in [
            ("/age_years", AGE_YEARS, self.age_years),
            ("/days_ridden", DAYS_RIDDEN, self.days_ridden),
        ] {
            if let Some(value) = value {
                bound.check(field, f64::from(value))?;
            }
        }
        SPOTS.check_count("/worked_on", self.worked_on.len())?;
        SPOTS.check_count("/ridden_in", self.ridden_in.len())?;
        SPOTS.check_count("/at_hand", self.at_hand.len())?;
        for (index, track) in self.worked_on.iter().enumerate() {
            if !ladder.tracks.iter().any(|known| known.id == *track) {
                let known: Vec<&str> = ladder.tracks.iter().map(|t| t.id.as_str()).collect();
                return Err(FieldError::new(
                    format!("/worked_on/{index}"),
                    format!("must be one of {}, found \"{track}\"", known.join(", ")),
                ));
            }
        }
        Ok(())
    }
}

impl BarnHorse {
    /// Checks horses of a barn.
    ///
    /// # Errors
    /// The first field out of bounds, or a level that no ladder has.
    pub fn check_all(field: &str, horses: &[BarnHorse]) -> Result<(), FieldError> {
        BARN_HORSES.check_count(field, horses.len())?;
        for (index, horse) in horses.iter().enumerate() {
            let at = format!("{field}/{index}");
            DAYS_RIDDEN.check(&format!("{at}/days_ridden"), f64::from(horse.days_ridden))?;
            OF_A_CARD.check_count(&format!("{at}/holds"), horse.holds.len())?;
            for (nth, level) in horse.holds.iter().enumerate() {
                find_level(level, Ladder::every_level())
                    .map_err(|error| error.under(&format!("{at}/holds/{nth}")))?;
            }
        }
        Ok(())
    }
}
