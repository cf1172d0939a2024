//! `cloverleaf`: the way round a barrel course, as it stands or as it is moved about.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, RATE_STRIDES, SPEED_FT_S, STRIDE_FT};
use crate::ground::cloverleaf::{Laid, check_first, check_moved};
use crate::ground::path::{Pockets, check_pockets};
use crate::ground::ride_plan::{
    self, BarrelRidden, Going, Part, RidesUp, usual_speed_ft_s, usual_stride_ft,
};
use crate::ground::room::{Free, Room};
use crate::ground::{Clearances, Cloverleaf, GroundLay, Path, Placing, Point};
use crate::{Gait, Side};

/// Input of `cloverleaf`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CloverleafInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// From barrel 1 to barrel 2, in feet.
    #[cfg_attr(feature = "schema", schema(minimum = 20, maximum = 200))]
    pub between_1_2_ft: f64,
    /// From barrels 1 and 2 to barrel 3, in feet.
    #[cfg_attr(feature = "schema", schema(minimum = 20, maximum = 200))]
    pub between_1_3_ft: f64,
    /// From the score line up to barrels 1 and 2, in feet.
    #[cfg_attr(feature = "schema", schema(minimum = 20, maximum = 200))]
    pub score_line_ft: f64,
    /// Which barrel comes first: right or left.
    pub first: Side,
    /// Of barrels 1, 2 and 3: the pocket going in, at the back and coming out, each 1 to 20 ft
    /// from the middle of the barrel to the horse's track.
    #[cfg_attr(feature = "schema", schema(value_type = Vec<Vec<f64>>, min_items = 3, max_items = 3))]
    pub pockets: Pockets,
    /// The gait.
    pub gait: Gait,
    /// One stride, in feet; null: what is usual at the gait.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 2, maximum = 30))]
    pub stride_ft: Option<f64>,
    /// Feet a second; null: what is usual at the gait.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 80))]
    pub speed_ft_s: Option<f64>,
    /// Strides before each barrel at which to rate.
    #[serde(default = "usual_rate")]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 8))]
    pub rate_strides: f64,
    /// How the horse comes to a barrel.
    #[serde(default)]
    pub rides_up: RidesUp,
    /// Where the course lies; by itself: up from the origin.
    #[serde(default)]
    pub placing: Placing,
    /// How far each barrel stands from where the measures put it, in the course's own frame, at
    /// most 150 ft either way.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub moved: [Point; 3],
    /// The place it lies in, to see what room it has.
    #[serde(default)]
    pub lay: Option<GroundLay>,
    /// The room there has to be.
    #[serde(default)]
    pub clearances: Clearances,
}

fn usual_rate() -> f64 {
    2.0
}

/// Output of `cloverleaf`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CloverleafOutput))]
pub struct Output {
    /// The whole way, in feet.
    pub length_ft: f64,
    /// Its strides.
    pub strides: f64,
    /// The time it takes, in seconds.
    pub time_s: f64,
    /// Straights and turns, in order.
    pub parts: Vec<Part>,
    /// How far each barrel is turned round, in degrees.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub turn_deg: [f64; 3],
    /// The smallest circle the horse has to bend in, as a radius in feet.
    pub least_radius_ft: f64,
    /// Where the clock starts.
    pub start: Point,
    /// Where the measures put the three barrels, in the course's own frame: from there they are
    /// moved.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub by_measures: [Point; 3],
    /// How each barrel is ridden.
    pub barrels: Vec<BarrelRidden>,
    /// A line of points along the way, at most 0.01 ft from it with a pocket of 10 ft.
    pub points: Vec<Point>,
    /// What room it has; null without a place.
    pub room: Option<Room>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "cloverleaf",
    about: "The way round a barrel course: lengths, turns, strides, where to rate and to sit.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Each turn is drawn in so many pieces.
const PIECES: usize = 64;

/// Draws the way round.
///
/// # Errors
/// A measure out of bounds; pockets that leave no way round.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let measures = Cloverleaf {
        between_1_2_ft: input.between_1_2_ft,
        between_1_3_ft: input.between_1_3_ft,
        score_line_ft: input.score_line_ft,
    };
    measures.check("")?;
    check_first("/first", input.first)?;
    check_pockets("/pockets", &input.pockets)?;
    input.placing.check("/placing")?;
    check_moved("/moved", &input.moved)?;
    input.clearances.check("/clearances")?;
    if let Some(lay) = &input.lay {
        lay.check().map_err(|error| error.under("/lay"))?;
    }
    let going = Going {
        stride_ft: match input.stride_ft {
            Some(feet) => STRIDE_FT.check("/stride_ft", feet)?,
            None => usual_stride_ft(input.gait),
        },
        speed_ft_s: match input.speed_ft_s {
            Some(speed) => SPEED_FT_S.check("/speed_ft_s", speed)?,
            None => usual_speed_ft_s(input.gait),
        },
        rate_strides: RATE_STRIDES.check("/rate_strides", input.rate_strides)?,
        rides_up: input.rides_up,
    };
    let course = Laid {
        measures,
        first: input.first,
        placing: &input.placing,
        moved: input.moved,
    }
    .barrels();
    let path = Path::round(&course, &input.pockets)?;
    let length_ft = path.length_ft();
    Ok(Output {
        length_ft,
        strides: length_ft / going.stride_ft,
        time_s: length_ft / going.speed_ft_s,
        parts: ride_plan::parts(&path, &going),
        turn_deg: path.turns.map(|turn| turn.round_deg()),
        least_radius_ft: path.least_radius_ft(),
        start: course.start,
        by_measures: measures.barrels(input.first).barrels,
        barrels: ride_plan::barrels(&course, &path, &going),
        points: path.points(PIECES),
        room: input
            .lay
            .as_ref()
            .map(|lay| Free::of(lay).room(&course, &path, &input.clearances)),
    })
}
