//! Trail courses: obstacles with their sizes, and where they lie.

use serde::{Deserialize, Serialize};

use super::outline::check_point;
use super::point::Point;
use crate::Gait;
use crate::bounds::{
    FieldError, HEADING_DEG, OBSTACLE_HEIGHT_IN, OBSTACLE_LENGTH_FT, OBSTACLE_WIDTH_IN, OBSTACLES,
    POLE_COUNT, POLE_SPACING_FT,
};
use crate::ladder::{Ladder, Level, ObstacleKind};

/// What an obstacle is, by its sizes.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TrailObstacle))]
#[serde(tag = "kind", rename_all = "snake_case", deny_unknown_fields)]
pub enum Obstacle {
    /// Poles to go over at a gait.
    Poles {
        /// The gait: walk, jog, trot or lope.
        gait: Gait,
        /// How many.
        #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 12))]
        poles: u32,
        /// From pole to pole, in feet.
        #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 30))]
        spacing_ft: f64,
        /// Their height where they are raised; 0 on the ground.
        #[serde(default)]
        #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
        height_in: f64,
    },
    /// Rails to back between.
    BackThrough {
        /// Between the rails.
        #[cfg_attr(feature = "schema", schema(minimum = 4, maximum = 240))]
        width_in: f64,
        /// From end to end.
        #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 120))]
        length_ft: f64,
        /// Their height where they are raised; 0 on the ground.
        #[serde(default)]
        #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
        height_in: f64,
    },
    /// A bridge.
    Bridge {
        /// From side to side.
        #[cfg_attr(feature = "schema", schema(minimum = 4, maximum = 240))]
        width_in: f64,
        /// From end to end.
        #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 120))]
        length_ft: f64,
        /// Above the ground.
        #[serde(default)]
        #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
        height_in: f64,
    },
    /// A narrow plank.
    Plank {
        /// From side to side.
        #[cfg_attr(feature = "schema", schema(minimum = 4, maximum = 240))]
        width_in: f64,
        /// From end to end.
        #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 120))]
        length_ft: f64,
    },
    /// A step down.
    Step {
        /// How far down.
        #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
        height_in: f64,
    },
    /// Water or mud.
    Water {
        /// From side to side.
        #[cfg_attr(feature = "schema", schema(minimum = 4, maximum = 240))]
        width_in: f64,
        /// The way through.
        #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 120))]
        length_ft: f64,
    },
    /// A pole to go along sideways.
    Sidepass {
        /// The way sideways.
        #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 120))]
        length_ft: f64,
    },
    /// A gate to open and close.
    Gate {
        /// Its opening.
        #[cfg_attr(feature = "schema", schema(minimum = 4, maximum = 240))]
        width_in: f64,
    },
    /// Posts to go round, one side and the other.
    Serpentine {
        /// The gait.
        gait: Gait,
        /// How many posts.
        #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 12))]
        poles: u32,
        /// From post to post, in feet.
        #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 30))]
        spacing_ft: f64,
    },
}

/// An obstacle where it lies.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = PlacedObstacle))]
#[serde(deny_unknown_fields)]
pub struct Placed {
    /// What it is.
    pub obstacle: Obstacle,
    /// Its middle.
    pub at: Point,
    /// Which way one goes over it, in degrees.
    #[cfg_attr(feature = "schema", schema(minimum = -360, maximum = 360))]
    pub heading_deg: f64,
}

impl Obstacle {
    /// The way over it, in feet.
    pub fn long_ft(&self) -> f64 {
        match *self {
            Obstacle::Poles {
                poles, spacing_ft, ..
            }
            | Obstacle::Serpentine {
                poles, spacing_ft, ..
            } => f64::from(poles.saturating_sub(1)) * spacing_ft,
            Obstacle::BackThrough { length_ft, .. }
            | Obstacle::Bridge { length_ft, .. }
            | Obstacle::Plank { length_ft, .. }
            | Obstacle::Water { length_ft, .. }
            | Obstacle::Sidepass { length_ft } => length_ft,
            Obstacle::Step { .. } | Obstacle::Gate { .. } => 0.0,
        }
    }

    /// How wide it is across the way, in feet.
    pub fn wide_ft(&self) -> f64 {
        match *self {
            Obstacle::Poles { .. } => 8.0,
            Obstacle::Serpentine { .. } => 6.0,
            Obstacle::Step { .. } => 6.0,
            Obstacle::Sidepass { .. } => 1.0,
            Obstacle::BackThrough { width_in, .. }
            | Obstacle::Bridge { width_in, .. }
            | Obstacle::Plank { width_in, .. }
            | Obstacle::Water { width_in, .. }
            | Obstacle::Gate { width_in } => width_in / 12.0,
        }
    }

    /// The gait one comes to it at.
    pub fn gait(&self) -> Gait {
        match self {
            Obstacle::Poles { gait, .. } | Obstacle::Serpentine { gait, .. } => *gait,
            _ => Gait::Walk,
        }
    }

    /// What kind it is, for what is asked on it.
    pub fn kind(&self) -> ObstacleKind {
        match self {
            Obstacle::Poles { .. } => ObstacleKind::Poles,
            Obstacle::Serpentine { .. } => ObstacleKind::Serpentine,
            Obstacle::Bridge {
                width_in,
                height_in,
                ..
            } if *width_in >= LOW_WIDE_IN.0 && *height_in <= LOW_WIDE_IN.1 => {
                ObstacleKind::LowBridge
            }
            Obstacle::Bridge { .. } => ObstacleKind::Bridge,
            Obstacle::Plank { .. } => ObstacleKind::Plank,
            Obstacle::Step { .. } => ObstacleKind::Step,
            Obstacle::Water { .. } => ObstacleKind::Water,
            Obstacle::BackThrough { .. } => ObstacleKind::BackThrough,
            Obstacle::Sidepass { .. } => ObstacleKind::Sidepass,
            Obstacle::Gate { .. } => ObstacleKind::Gate,
        }
    }

    /// The level that is asked on it.
    pub fn level(&self) -> Level {
        let ladder = Ladder::every_level();
        let index = ladder
            .asked_on(self.kind(), self.gait())
            .expect("a level is asked on every kind of obstacle; a test holds it");
        ladder.levels[index].level.clone()
    }

    /// What it is called.
    pub fn name(&self) -> &'static str {
        match self {
            Obstacle::Poles {
                gait, height_in, ..
            } => match (gait, *height_in > 0.0) {
                (Gait::Lope | Gait::Gallop, false) => "Lope-overs",
                (Gait::Jog | Gait::Trot, false) => "Trot-overs",
                (Gait::Stand | Gait::Walk, false) => "Walk-overs",
                (Gait::Lope | Gait::Gallop, true) => "Raised lope-overs",
                (Gait::Jog | Gait::Trot, true) => "Raised trot-overs",
                (Gait::Stand | Gait::Walk, true) => "Raised walk-overs",
            },
            Obstacle::BackThrough { .. } => "Back-through",
            Obstacle::Bridge { .. } => "Bridge",
            Obstacle::Plank { .. } => "Plank",
            Obstacle::Step { .. } => "Step down",
            Obstacle::Water { .. } => "Water",
            Obstacle::Sidepass { .. } => "Sidepass pole",
            Obstacle::Gate { .. } => "Gate",
            Obstacle::Serpentine { .. } => "Serpentine posts",
        }
    }

    /// How hard it is, 1 to 10: wide before narrow, low before high, flat before a step before
    /// water, slow before quick. A product default.
    pub fn difficulty(&self) -> f64 {
        let narrow = |wide_in: f64, easy_in: f64| ((easy_in - wide_in) / 8.0).clamp(0.0, 4.0);
        let high = |inches: f64| inches / 4.0;
        let grade = match *self {
            Obstacle::Poles {
                gait,
                poles,
                height_in,
                ..
            } => {
                let quick = match gait {
                    Gait::Stand | Gait::Walk => 1.0,
                    Gait::Jog | Gait::Trot => 2.0,
                    Gait::Lope | Gait::Gallop => 3.5,
                };
                quick + f64::from(poles.saturating_sub(1)) * 0.2 + high(height_in) * 0.6
            }
            Obstacle::Serpentine {
                gait, spacing_ft, ..
            } => {
                let quick = if gait <= Gait::Walk { 1.0 } else { 2.0 };
                quick + ((9.0 - spacing_ft) / 2.0).clamp(0.0, 2.0)
            }
            Obstacle::Bridge {
                width_in,
                height_in,
                ..
            } => 2.0 + narrow(width_in, 60.0) + high(height_in) * 0.5,
            Obstacle::Plank { width_in, .. } => 5.0 + narrow(width_in, 24.0),
            Obstacle::Step { height_in } => 4.0 + high(height_in) * 0.5,
            Obstacle::Water { width_in, .. } => 6.0 + narrow(width_in, 96.0) * 0.5,
            Obstacle::BackThrough {
                width_in,
                length_ft,
                height_in,
            } => 3.0 + narrow(width_in, 48.0) + length_ft / 16.0 + high(height_in) * 0.5,
            Obstacle::Sidepass { length_ft } => 3.5 + length_ft / 8.0,
            Obstacle::Gate { .. } => 3.5,
        };
        (grade * 10.0).round().clamp(10.0, 100.0) / 10.0
    }

    fn check(&self, field: &str) -> Result<(), FieldError> {
        let mut sizes: Vec<(&str, f64, crate::bounds::Bound)> = Vec::new();
        match *self {
            Obstacle::Poles {
                gait,
                poles,
                spacing_ft,
                height_in,
            } => {
                check_gait(field, gait)?;
                sizes.push(("poles", f64::from(poles), POLE_COUNT));
                sizes.push(("spacing_ft", spacing_ft, POLE_SPACING_FT));
                sizes.push(("height_in", height_in, OBSTACLE_HEIGHT_IN));
            }
            Obstacle::Serpentine {
                gait,
                poles,
                spacing_ft,
            } => {
                check_gait(field, gait)?;
                sizes.push(("poles", f64::from(poles), POLE_COUNT));
                sizes.push(("spacing_ft", spacing_ft, POLE_SPACING_FT));
            }
            Obstacle::BackThrough {
                width_in,
                length_ft,
                height_in,
            }
            | Obstacle::Bridge {
                width_in,
                length_ft,
                height_in,
            } => {
                sizes.push(("width_in", width_in, OBSTACLE_WIDTH_IN));
                sizes.push(("length_ft", length_ft, OBSTACLE_LENGTH_FT));
                sizes.push(("height_in", height_in, OBSTACLE_HEIGHT_IN));
            }
            Obstacle::Plank {
                width_in,
                length_ft,
            }
            | Obstacle::Water {
                width_in,
                length_ft,
            } => {
                sizes.push(("width_in", width_in, OBSTACLE_WIDTH_IN));
                sizes.push(("length_ft", length_ft, OBSTACLE_LENGTH_FT));
            }
            Obstacle::Step { height_in } => {
                sizes.push(("height_in", height_in, OBSTACLE_HEIGHT_IN));
            }
            Obstacle::Sidepass { length_ft } => {
                sizes.push(("length_ft", length_ft, OBSTACLE_LENGTH_FT));
            }
            Obstacle::Gate { width_in } => sizes.push(("width_in", width_in, OBSTACLE_WIDTH_IN)),
        }
        for (name, size, bound) in sizes {
            bound.check(&format!("{field}/{name}"), size)?;
        }
        Ok(())
    }
}

/// A bridge is a low and wide one from this width, up to this height.
const LOW_WIDE_IN: (f64, f64) = (48.0, 8.0);

fn check_gait(field: &str, gait: Gait) -> Result<(), FieldError> {
    if matches!(gait, Gait::Walk | Gait::Jog | Gait::Trot | Gait::Lope) {
        return Ok(());
    }
    Err(FieldError::new(
        format!("{field}/gait"),
        "must be walk, jog, trot or lope",
    ))
}

impl Placed {
    /// Where the horse comes to it.
    pub fn entry(&self) -> Point {
        self.at - self.way() * (self.obstacle.long_ft() / 2.0)
    }

    /// Where the horse leaves it.
    pub fn exit(&self) -> Point {
        self.at + self.way() * (self.obstacle.long_ft() / 2.0)
    }

    /// The way over it, one foot long.
    pub fn way(&self) -> Point {
        Point::unit(self.heading_deg.to_radians())
    }
}

/// Checks a course.
///
/// # Errors
/// The first size that does not fit, with what is allowed.
pub fn check(field: &str, course: &[Placed]) -> Result<(), FieldError> {
    OBSTACLES.check_count(field, course.len())?;
    for (index, placed) in course.iter().enumerate() {
        let at = format!("{field}/{index}");
        placed.obstacle.check(&format!("{at}/obstacle"))?;
        check_point(&format!("{at}/at"), placed.at)?;
        HEADING_DEG.check(&format!("{at}/heading_deg"), placed.heading_deg)?;
    }
    Ok(())
}
