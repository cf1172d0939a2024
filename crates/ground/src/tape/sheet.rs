//! What is kept of a tape: its films by name and measure, how two of them are tied, and marks.
//!
//! Seconds of a film count from its first frame. The tape's own time is that of the first film;
//! a second one is tied to it by one moment that is seen in both.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::bounds::{
    FILM_MARKS, FILM_POINT, FILM_PX, FILM_S, FILMS, FRAME_S, FieldError, KNOWN_POINTS,
    NAME_LETTERS, TAPE_MARKS,
};
use crate::ground::Point;
use crate::text::check_text;

/// A film.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Film {
    /// The name of its file, to find it again.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub name: String,
    /// Its length.
    #[cfg_attr(feature = "schema", schema(minimum = 0.1, maximum = 14400))]
    pub length_s: f64,
    /// How long a frame stands: 1/30 for thirty a second.
    #[cfg_attr(feature = "schema", schema(minimum = 0.001, maximum = 1))]
    pub frame_s: f64,
    /// Its width.
    #[cfg_attr(feature = "schema", schema(minimum = 16, maximum = 20000))]
    pub width_px: f64,
    /// Its height.
    #[cfg_attr(feature = "schema", schema(minimum = 16, maximum = 20000))]
    pub height_px: f64,
}

/// One moment that is seen in both films.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Tie {
    /// In the first film.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 14400))]
    pub first_s: f64,
    /// In the second.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 14400))]
    pub second_s: f64,
}

/// What is seen.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "kind", rename_all = "snake_case", deny_unknown_fields)]
pub enum Mark {
    /// Over the score line going in.
    LineIn,
    /// At a spot of a barrel: 1 going in, 2 at the back, 3 coming out.
    Spot {
        /// Barrel 1, 2 or 3.
        #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 3))]
        barrel: u8,
        /// Spot 1, 2 or 3.
        #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 3))]
        spot: u8,
    },
    /// Over the score line coming home.
    LineHome,
    /// Into a turn that is none of a barrel: a rollback, a fence turn.
    TurnIn,
    /// At the back of it.
    TurnBack,
    /// Out of it.
    TurnOut,
    /// The hoof that is counted lands: the same foot every stride.
    HoofBeat,
}

impl Mark {
    /// Of these there is one on a tape.
    pub fn is_single(self) -> bool {
        matches!(self, Mark::LineIn | Mark::LineHome | Mark::Spot { .. })
    }
}

/// A mark.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct TapeMark {
    /// The film it was seen in: 0 or 1.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1))]
    pub film: u8,
    /// When, in that film.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 14400))]
    pub at_s: f64,
    /// What was seen.
    pub mark: Mark,
}

/// A point that is known on the ground and was found in a film.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct KnownPoint {
    /// The film: 0 or 1.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1))]
    pub film: u8,
    /// What it is: barrel 1, a post.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub name: String,
    /// In the film: pixels to the right, pixels down.
    pub seen: Point,
    /// On the ground: feet.
    pub ground: Point,
}

/// Where the horse's feet are in a frame.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct TrackPoint {
    /// The film: 0 or 1.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1))]
    pub film: u8,
    /// When, in that film.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 14400))]
    pub at_s: f64,
    /// In the film: pixels to the right, pixels down.
    pub seen: Point,
}

/// What is kept of a tape.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct TapeSheet {
    /// What people call it.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub name: String,
    /// The day it was filmed.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// One film, or two of the same thing.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 2))]
    pub films: Vec<Film>,
    /// How the second is tied to the first; null while it is not.
    #[serde(default)]
    pub tie: Option<Tie>,
    /// Marks in time.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 4000))]
    pub marks: Vec<TapeMark>,
    /// Points that are known on the ground.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 80))]
    pub known: Vec<KnownPoint>,
    /// Where the horse is.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 20000))]
    pub track: Vec<TrackPoint>,
    /// The barrel course it was filmed on.
    #[serde(default)]
    pub course_id: Option<Uuid>,
    /// The ride that was logged from it.
    #[serde(default)]
    pub ride_id: Option<Uuid>,
}

impl TapeSheet {
    /// Checks all of it.
    ///
    /// # Errors
    /// The first thing that does not fit, with what is allowed.
    pub fn check(&self) -> Result<(), FieldError> {
        check_text(NAME_LETTERS, "/name", &self.name)?;
        FILMS.check_count("/films", self.films.len())?;
        for (index, film) in self.films.iter().enumerate() {
            film.check()
                .map_err(|why| why.under(&format!("/films/{index}")))?;
        }
        if let Some(tie) = self.tie {
            if self.films.len() < 2 {
                return Err(FieldError::new(
                    "/tie",
                    "ties two films; leave it out with one",
                ));
            }
            self.check_moment("/tie/first_s", 0, tie.first_s)?;
            self.check_moment("/tie/second_s", 1, tie.second_s)?;
        }
        self.check_marks()?;
        KNOWN_POINTS.check_count("/known", self.known.len())?;
        for (index, known) in self.known.iter().enumerate() {
            let at = format!("/known/{index}");
            self.check_film(&format!("{at}/film"), known.film)?;
            check_text(NAME_LETTERS, &format!("{at}/name"), &known.name)?;
            check_point(&format!("{at}/seen"), known.seen)?;
            check_point(&format!("{at}/ground"), known.ground)?;
        }
        FILM_MARKS.check_count("/track", self.track.len())?;
        for (index, point) in self.track.iter().enumerate() {
            let at = format!("/track/{index}");
            self.check_film(&format!("{at}/film"), point.film)?;
            self.check_moment(&format!("{at}/at_s"), point.film, point.at_s)?;
            check_point(&format!("{at}/seen"), point.seen)?;
        }
        Ok(())
    }

    fn check_marks(&self) -> Result<(), FieldError> {
        TAPE_MARKS.check_count("/marks", self.marks.len())?;
        let mut seen = std::collections::HashSet::new();
        for (index, mark) in self.marks.iter().enumerate() {
            let at = format!("/marks/{index}");
            self.check_film(&format!("{at}/film"), mark.film)?;
            self.check_moment(&format!("{at}/at_s"), mark.film, mark.at_s)?;
            if let Mark::Spot { barrel, spot } = mark.mark {
                for (name, value) in [("barrel", barrel), ("spot", spot)] {
                    if !(1..=3).contains(&value) {
                        let field = format!("{at}/mark/{name}");
                        return Err(FieldError::new(
                            field,
                            format!("must be 1 to 3, found {value}"),
                        ));
                    }
                }
            }
            if mark.mark.is_single() && !seen.insert(mark.mark) {
                return Err(FieldError::new(
                    format!("{at}/mark"),
                    "is marked twice; take one of them away",
                ));
            }
        }
        Ok(())
    }

    fn check_film(&self, field: &str, film: u8) -> Result<(), FieldError> {
        if usize::from(film) < self.films.len() {
            return Ok(());
        }
        let films = self.films.len() - 1;
        Err(FieldError::new(
            field,
            format!("must be 0 to {films}, found {film}"),
        ))
    }

    /// A moment of a film lies in it.
    fn check_moment(&self, field: &str, film: u8, at_s: f64) -> Result<(), FieldError> {
        FILM_S.check(field, at_s)?;
        let Some(film) = self.films.get(usize::from(film)) else {
            return Ok(());
        };
        if at_s <= film.length_s + film.frame_s {
            return Ok(());
        }
        Err(FieldError::new(
            field,
            format!(
                "must lie in the film, 0 to {} s, found {at_s}",
                film.length_s
            ),
        ))
    }

    /// A moment of a film in the tape's own time; none in a second film that is not tied.
    pub fn tape_s(&self, film: u8, at_s: f64) -> Option<f64> {
        match (film, self.tie) {
            (0, _) => Some(at_s),
            (_, Some(tie)) => Some(at_s - tie.second_s + tie.first_s),
            _ => None,
        }
    }

    /// The marks in the tape's own time, in order; those of a film that is not tied are left out.
    pub fn marked(&self) -> Vec<(f64, Mark)> {
        let mut marked: Vec<(f64, Mark)> = self
            .marks
            .iter()
            .filter_map(|mark| Some((self.tape_s(mark.film, mark.at_s)?, mark.mark)))
            .collect();
        marked.sort_by(|a, b| a.0.total_cmp(&b.0));
        marked
    }
}

impl Film {
    fn check(&self) -> Result<(), FieldError> {
        check_text(NAME_LETTERS, "/name", &self.name)?;
        if self.length_s < 0.1 {
            let found = self.length_s;
            return Err(FieldError::new(
                "/length_s",
                format!("must be 0.1 to {} s, found {found}", FILM_S.most),
            ));
        }
        FILM_S.check("/length_s", self.length_s)?;
        FRAME_S.check("/frame_s", self.frame_s)?;
        FILM_PX.check("/width_px", self.width_px)?;
        FILM_PX.check("/height_px", self.height_px).map(|_| ())
    }
}

fn check_point(field: &str, point: Point) -> Result<(), FieldError> {
    FILM_POINT.check(&format!("{field}/0"), point.x)?;
    FILM_POINT.check(&format!("{field}/1"), point.y).map(|_| ())
}
