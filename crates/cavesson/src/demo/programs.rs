//! The demo's programs: what a barn changes on the ladder as it ships.

use std::collections::BTreeMap;

use cavesson_core::ladder::{RungId, SkillId};
use cavesson_core::program::{GateChange, Program};
use cavesson_core::school::Schools;
use serde_json::{Map, Value, json};

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
    schools: &[
        ("bridle", "hackamore"),
        ("spurs", "never"),
        ("miles", "early"),
    ],
    gates: &[("barrel.drill", "jog", "soft_share", 0.85)],
}];

/// What a program of the demo says.
pub fn content(of_demo: &DemoProgram) -> anyhow::Result<Program> {
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
