//! What a program's school says of a piece. It never calls a piece wrong: it says which way
//! the program goes.

use super::measures::GearMeasures;
use crate::rig::RigKind;
use crate::school::Schools;

/// Whether the program leaves such a piece out.
pub fn forbids(schools: &Schools, measures: &GearMeasures) -> bool {
    measures.is_jointed_on_shanks() && schools.chose("jointed_shank", "forbidden")
}

/// What the program says of a piece, in sentences.
pub fn says(schools: &Schools, kind: RigKind, measures: &GearMeasures) -> Vec<&'static str> {
    let mut said = Vec::new();
    if forbids(schools, measures) {
        said.push("This program leaves out jointed mouthpieces on shanks.");
    } else if measures.is_jointed_on_shanks() {
        said.push("Jointed on shanks: this program allows it; many avoid it.");
    }
    if schools.chose("bridle", "restore") && kind == RigKind::Shank {
        said.push("This program is on the way back to something mild; shanks come later.");
    }
    if schools.chose("bridle", "hackamore") && kind == RigKind::Snaffle {
        said.push("This program goes by bosal sizes and the two-rein.");
    }
    if schools.chose("bridle", "snaffle") && matches!(kind, RigKind::Bosal | RigKind::TwoRein) {
        said.push("This program goes by the snaffle and a short shank.");
    }
    said
}
