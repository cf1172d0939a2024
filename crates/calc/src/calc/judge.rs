//! `judge`: the reps of one horse, judged at every level of its ladder.

use std::collections::HashSet;

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, OF_A_CARD, REPS_OF_A_HORSE, SPOTS};
use crate::evidence::riders_from::RidersFrom;
use crate::horse::{CareNote, RideMark, Sex};
use crate::judge::horse::carry_over;
use crate::judge::{
    BrakeLimit, Carried, DropAnswer, FoundHole, HorseFile, Judgement, KeptIntake, Overrule,
    Placing, RideFacts, Standing, State, Verdict, holes, judge_horse,
};
use crate::ladder::check::{check_fault, find_level};
use crate::ladder::{FaultId, Ladder, Level};
use crate::program::Program;
use crate::rep::Rep;
use crate::rig::RigWorn;

/// Input of `judge`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = JudgeInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The program; the default schools and gates when left out.
    #[serde(default)]
    pub program: Program,
    /// The ladder: "default", the one that ships.
    #[serde(default = "default_ladder")]
    pub ladder: String,
    /// The reps, as the API sends them.
    pub reps: Vec<Rep>,
    /// What is known beside the reps.
    #[serde(default)]
    pub context: Context,
    /// The date to judge for.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub date: Date,
}

/// What is known of the horse beside its reps.
#[derive(Debug, Clone, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = JudgeContext))]
#[serde(default, deny_unknown_fields)]
pub struct Context {
    /// Mare, gelding or stallion; "the horse" in sentences when left out.
    pub sex: Option<Sex>,
    /// Its rides, oldest first; those of the reps when left out.
    pub rides: Vec<Ride>,
    /// Notes of care.
    pub care: Vec<CareNote>,
    /// Decisions of the trainer, oldest first.
    pub overrules: Vec<Overrule>,
    /// Faults seen in the asks of one level of a ride, not on one of them.
    pub faults: Vec<SeenFault>,
    /// What its intake showed, when it had one.
    pub intake: Option<KeptIntake>,
    /// How riders differ, the earliest day first; taken into account where that is very
    /// likely real.
    pub riders: Vec<RidersFrom>,
    /// Where it was placed by hand.
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub placings: Vec<Placing>,
    /// Who looked at a side that went bad at once, and what came of it.
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub answers: Vec<DropAnswer>,
    /// Programs and versions of them that it was on before, the earliest first.
    #[cfg_attr(feature = "schema", schema(max_items = 200))]
    pub programs_before: Vec<ProgramBefore>,
}

/// A program, or a version of one, that a horse was on before.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct ProgramBefore {
    /// The first day on which another took its place.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub until: Date,
    /// The program as it was.
    pub program: Program,
}

/// A fault seen in the asks of one level of a ride.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = JudgeSeenFault))]
#[serde(deny_unknown_fields)]
pub struct SeenFault {
    /// The ride.
    pub ride_id: Uuid,
    /// The level.
    pub level: Level,
    /// The fault.
    pub fault: FaultId,
}

/// One ride.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = JudgeRide))]
#[serde(deny_unknown_fields)]
pub struct Ride {
    /// Its id.
    pub ride_id: Uuid,
    /// Its day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// Who rode, where known.
    #[serde(default)]
    pub rider_id: Option<Uuid>,
    /// What made it unlike the others.
    #[serde(default)]
    pub marks: Vec<RideMark>,
    /// The rigs it was ridden in, first to last; left out where nobody said.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub rigs: Vec<RigWorn>,
}

fn default_ladder() -> String {
    "default".to_owned()
}

/// Output of `judge`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = JudgeOutput))]
pub struct Output {
    /// The version of the ladder.
    pub ladder_version: u32,
    /// Every level that was asked, in the order of the work, with everything that
    /// is said of it.
    pub verdicts: Vec<LevelJudgement>,
    /// Every other level: closed, open or held by the trainer's word.
    pub others: Vec<LevelState>,
    /// The holes under the faults, strongest first.
    pub holes: Vec<FoundHole>,
    /// What the brake keeps the horse from for now; null where it is held all the way up.
    pub brake: Option<BrakeLimit>,
}

/// One level, judged.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LevelJudgement {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// What the judge says of it.
    pub judgement: Judgement,
}

/// Where a level stands.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LevelState {
    /// The level.
    pub level: Level,
    /// Where it stands.
    pub state: State,
    /// What the judge says.
    pub verdict: Verdict,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "judge",
    about: "The reps of one horse, judged at every level; the holes under its faults.",
    cost: Cost::Heavy,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// A horse, judged.
pub(super) struct Judged {
    /// The ladder of its program.
    pub ladder: Ladder,
    /// All that is known of it.
    pub file: HorseFile,
    /// Where each level stands.
    pub standings: Vec<Standing>,
    /// The holes under its faults.
    pub holes: Vec<FoundHole>,
}

/// Checks the horse and judges it.
///
/// # Errors
/// A ladder that is not known, a program that does not fit it, a rep, an overrule
/// or a number out of bounds.
pub(super) fn judged(input: &Input) -> Result<Judged, FieldError> {
    let ladder = checked(input)?;
    let mut file = file(input, &ladder);
    file.carried = carried_over(input)?;
    let standings = judge_horse(&ladder, &file, input.date);
    let holes = holes(&ladder, &file, &standings, input.date);
    Ok(Judged {
        ladder,
        file,
        standings,
        holes,
    })
}

/// How the levels stood when the horse came onto its program, by those it was on before.
fn carried_over(input: &Input) -> Result<Option<Carried>, FieldError> {
    let mut carried = None;
    let before = input.context.programs_before.iter().enumerate();
    for (index, before) in before.filter(|(_, before)| before.until <= input.date) {
        let ladder = calculator::ladder_of(&before.program)
            .map_err(|error| error.under(&format!("/context/programs_before/{index}")))?;
        let mut file = file(input, &ladder);
        file.carried = carried;
        carried = Some(carry_over(&ladder, &file, before.until));
    }
    Ok(carried)
}

fn checked(input: &Input) -> Result<Ladder, FieldError> {
    REPS_OF_A_HORSE.check_count("/reps", input.reps.len())?;
    if input.ladder != "default" {
        return Err(FieldError::new(
            "/ladder",
            format!("must be \"default\", found \"{}\"", input.ladder),
        ));
    }
    let ladder = calculator::ladder_of(&input.program)?;
    // Reps of levels that only another school has are known, and left out.
    calculator::check_reps(&input.reps, Ladder::every_level())?;
    for (index, overrule) in input.context.overrules.iter().enumerate() {
        let at = format!("/context/overrules/{index}");
        overrule.check().map_err(|error| error.under(&at))?;
        find_level(&overrule.level, Ladder::every_level())
            .map_err(|error| error.under(&format!("{at}/level")))?;
    }
    for (index, seen) in input.context.faults.iter().enumerate() {
        let at = format!("/context/faults/{index}");
        check_fault(&seen.fault, &ladder).map_err(|error| error.under(&format!("{at}/fault")))?;
    }
    SPOTS.check_count("/context/placings", input.context.placings.len())?;
    for (index, placing) in input.context.placings.iter().enumerate() {
        let at = format!("/context/placings/{index}");
        placing.check().map_err(|error| error.under(&at))?;
    }
    OF_A_CARD.check_count("/context/answers", input.context.answers.len())?;
    for (index, answer) in input.context.answers.iter().enumerate() {
        let at = format!("/context/answers/{index}");
        answer.check().map_err(|error| error.under(&at))?;
    }
    let until = input
        .context
        .programs_before
        .iter()
        .map(|before| before.until);
    if !until.is_sorted() {
        return Err(FieldError::new(
            "/context/programs_before",
            "must stand in the order of their days, the earliest first",
        ));
    }
    if let Some(intake) = &input.context.intake {
        intake
            .check()
            .map_err(|error| error.under("/context/intake"))?;
    }
    for (index, ride) in input.context.rides.iter().enumerate() {
        SPOTS.check_count(&format!("/context/rides/{index}/rigs"), ride.rigs.len())?;
        for (at, rig) in ride.rigs.iter().enumerate() {
            rig.check()
                .map_err(|error| error.under(&format!("/context/rides/{index}/rigs/{at}")))?;
        }
    }
    for (index, comparison) in input.context.riders.iter().enumerate() {
        let at = format!("/context/riders/{index}");
        comparison.check().map_err(|error| error.under(&at))?;
    }
    let days = input.context.riders.iter().map(|one| one.from);
    if !days.is_sorted() {
        return Err(FieldError::new(
            "/context/riders",
            "must stand in the order of their days, the earliest first",
        ));
    }
    Ok(ladder)
}

/// Judges the horse at every level.
///
/// # Errors
/// As [`judged`].
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let Judged {
        ladder,
        file,
        standings,
        holes,
    } = judged(&input)?;
    let (asked, not): (Vec<_>, Vec<_>) = standings
        .iter()
        .partition(|standing| standing.last_asked.is_some());
    Ok(Output {
        ladder_version: ladder.version,
        verdicts: asked
            .into_iter()
            .map(|standing| LevelJudgement {
                level: ladder.levels[standing.index].level.clone(),
                name: ladder.levels[standing.index].name.clone(),
                judgement: crate::judge::level::of_standings(
                    &ladder,
                    &file,
                    &standings,
                    standing.index,
                    input.date,
                ),
            })
            .collect(),
        others: not
            .into_iter()
            .map(|standing| LevelState {
                level: ladder.levels[standing.index].level.clone(),
                state: standing.state,
                verdict: standing.verdict,
            })
            .collect(),
        holes,
        brake: BrakeLimit::of(&ladder, &standings, input.context.sex),
    })
}

fn file(input: &Input, ladder: &Ladder) -> HorseFile {
    let mut file = HorseFile::of_reps(ladder, &input.reps);
    for seen in &input.context.faults {
        // A level of another program's ladder is left out, as its reps are.
        let index = ladder.position(&seen.level);
        if let Some((index, fault)) = index.zip(ladder.fault(&seen.fault)) {
            file.add_fault(index, seen.ride_id, fault);
        }
    }
    file.sex = input.context.sex;
    file.care.clone_from(&input.context.care);
    file.overrules.clone_from(&input.context.overrules);
    file.intake.clone_from(&input.context.intake);
    file.placings.clone_from(&input.context.placings);
    file.answers.clone_from(&input.context.answers);
    file.rides = input
        .context
        .rides
        .iter()
        .map(|ride| RideFacts {
            ride_id: ride.ride_id,
            day: ride.day,
            rider_id: ride.rider_id,
            marks: ride.marks.clone(),
            rigs: ride.rigs.clone(),
        })
        .collect();
    let mut known: Vec<&Rep> = input.reps.iter().collect();
    known.sort_by_key(|rep| (rep.day, rep.asked_at));
    let mut said: HashSet<Uuid> = file.rides.iter().map(|ride| ride.ride_id).collect();
    for rep in known {
        if said.insert(rep.ride_id) {
            file.rides.push(RideFacts {
                ride_id: rep.ride_id,
                day: rep.day,
                rider_id: None,
                marks: Vec::new(),
                rigs: Vec::new(),
            });
        }
    }
    file.rides.sort_by_key(|ride| ride.day);
    file.take_in_riders(&input.context.riders);
    file.mark_new_rigs();
    file
}
