//! How the ground of one place lies: outline, gate, posts, footing, and what to keep off.

use serde::{Deserialize, Serialize};

use super::outline::{self, check_point};
use super::point::Point;
use crate::bounds::{
    FieldError, GATE_WIDTH_FT, KEEP_OFFS, LATITUDE_DEG, LONGITUDE_DEG, NAME_LETTERS, POSTS,
};
use crate::footing::Footing;
use crate::text::check_text;
use crate::word_enum::word_enum;

word_enum! {
    /// What stands round a place.
    FenceKind {
        /// Pipe.
        Pipe = "pipe",
        /// Boards or rails.
        Boards = "boards",
        /// Panels.
        Panels = "panels",
        /// Wire.
        Wire = "wire",
        /// Solid walls.
        Wall = "wall",
        /// Nothing.
        Open = "open",
    }
}

word_enum! {
    /// Why to keep off a piece of it.
    KeepOffKind {
        /// Ruts or holes.
        Ruts = "ruts",
        /// Jumps or other things that stand there.
        Jumps = "jumps",
        /// Standing water, mud.
        Wet = "wet",
        /// Hard or stony.
        Hard = "hard",
        /// Something else.
        Other = "other",
    }
}

/// A gate: where its middle is, and how wide.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = PlaceGate))]
#[serde(deny_unknown_fields)]
pub struct Gate {
    /// Its middle; at most 3 ft from the fence line.
    pub at: Point,
    /// Feet.
    #[cfg_attr(feature = "schema", schema(minimum = 2, maximum = 60))]
    pub width_ft: f64,
}

/// A post or corner to measure from.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Post {
    /// What people call it, such as "gate post".
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub name: String,
    /// Where it stands.
    pub at: Point,
}

/// A piece of ground to keep off.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct KeepOff {
    /// Why.
    pub kind: KeepOffKind,
    /// Its outline.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 60))]
    pub outline: Vec<Point>,
}

/// Where the frame of a place lies on the earth (WGS 84): x is east, y is north there.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct OnEarth {
    /// Degrees east.
    #[cfg_attr(feature = "schema", schema(minimum = -180, maximum = 180))]
    pub longitude_deg: f64,
    /// Degrees north.
    #[cfg_attr(feature = "schema", schema(minimum = -85, maximum = 85))]
    pub latitude_deg: f64,
}

/// How the ground of a place lies.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct GroundLay {
    /// Its outline, corner by corner.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 60))]
    pub outline: Vec<Point>,
    /// What stands round it.
    pub fence: FenceKind,
    /// What its ground is like.
    pub footing: Footing,
    /// Its gate.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub gate: Option<Gate>,
    /// Posts to measure from; without any, corners of the outline serve.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 40))]
    pub posts: Vec<Post>,
    /// What to keep off.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub keep_off: Vec<KeepOff>,
    /// Where it lies on the earth, when it came from a map.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub on_earth: Option<OnEarth>,
}

/// How far a gate may be from the fence line.
const OFF_THE_FENCE_FT: f64 = 3.0;

impl GroundLay {
    /// Checks all of it.
    ///
    /// # Errors
    /// The first thing that does not fit, with what is allowed.
    pub fn check(&self) -> Result<(), FieldError> {
        outline::check("/outline", &self.outline)?;
        if let Some(gate) = &self.gate {
            GATE_WIDTH_FT.check("/gate/width_ft", gate.width_ft)?;
            check_point("/gate/at", gate.at)?;
            if outline::to_ring(&self.outline, gate.at) > OFF_THE_FENCE_FT {
                return Err(FieldError::new(
                    "/gate/at",
                    "must lie on the fence line, at most 3 ft from it",
                ));
            }
        }
        POSTS.check_count("/posts", self.posts.len())?;
        for (index, post) in self.posts.iter().enumerate() {
            let field = format!("/posts/{index}");
            check_text(NAME_LETTERS, &format!("{field}/name"), &post.name)?;
            check_point(&format!("{field}/at"), post.at)?;
            let same = |other: &Post| other.name.trim() == post.name.trim();
            if self.posts[..index].iter().any(same) {
                let why = "another post has that name already";
                return Err(FieldError::new(format!("{field}/name"), why));
            }
        }
        KEEP_OFFS.check_count("/keep_off", self.keep_off.len())?;
        for (index, area) in self.keep_off.iter().enumerate() {
            outline::check(&format!("/keep_off/{index}/outline"), &area.outline)?;
        }
        if let Some(earth) = &self.on_earth {
            LONGITUDE_DEG.check("/on_earth/longitude_deg", earth.longitude_deg)?;
            LATITUDE_DEG.check("/on_earth/latitude_deg", earth.latitude_deg)?;
        }
        Ok(())
    }

    /// What there is to measure from: its posts; without two of them, its corners too.
    pub fn marks(&self) -> Vec<Post> {
        let mut marks = self.posts.clone();
        if marks.len() < 2 {
            marks.extend(self.outline.iter().enumerate().map(|(index, at)| Post {
                name: format!("corner {}", index + 1),
                at: *at,
            }));
        }
        marks
    }
}
