//! The demo's programs: what a barn changes on the ladder as it ships.

use std::collections::{BTreeMap, HashMap};

use cavesson_core::ladder::{Ladder, LadderFile, RungId, SkillId};
use cavesson_core::program::{GateChange, Program, Schools};
use cavesson_store::{BarnTransaction, program};
use serde_json::{Map, Value, json};
use uuid::Uuid;

/// A program of the demo.
pub struct DemoProgram {
    pub name: &'static str,
    /// Question and choice.
    pub schools: &'static [(&'static str, &'static str)],
    /// Skill, rung, number of the gate and its value.
    pub gates: &'static [(&'static str, &'static str, &'static str, f64)],
}

pub const SALTGRASS: &[DemoProgram] = &[DemoProgram {
    name: "Barrel horses",
    schools: &[("spurs", "never"), ("miles", "early")],
    gates: &[("barrel.drill", "jog", "soft_share", 0.85)],
}];

/// Adds a barn's programs; their ids by name.
pub async fn add(
    barn: &mut BarnTransaction,
    programs: &[DemoProgram],
    made_by: Uuid,
) -> anyhow::Result<HashMap<&'static str, Uuid>> {
    let mut ids = HashMap::new();
    for of_demo in programs {
        let content = content(of_demo)?;
        // The store takes any; the server checks, and so does the demo.
        let ladder = Ladder::of(LadderFile::shipped(), &content)?;
        let program_id = Uuid::now_v7();
        let ladder_version = i32::try_from(ladder.version)?;
        program::add(barn, program_id, &content, ladder_version, made_by).await?;
        ids.insert(of_demo.name, program_id);
    }
    Ok(ids)
}

fn content(of_demo: &DemoProgram) -> anyhow::Result<Program> {
    let choices: BTreeMap<String, String> = of_demo
        .schools
        .iter()
        .map(|(question, choice)| ((*question).to_owned(), (*choice).to_owned()))
        .collect();
    let gates = of_demo.gates.iter().map(|(skill, rung, number, value)| {
        let changed: Map<String, Value> =
            [((*number).to_owned(), json!(value))].into_iter().collect();
        GateChange {
            skill: SkillId((*skill).to_owned()),
            rung: Some(RungId((*rung).to_owned())),
            gate: changed,
        }
    });
    Ok(Program {
        name: of_demo.name.to_owned(),
        schools: Schools::try_from(choices).map_err(anyhow::Error::msg)?,
        gates: gates.collect(),
    })
}
