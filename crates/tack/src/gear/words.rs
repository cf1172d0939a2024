//! What a fitting says, in sentences. Short and calm: a figure is about the piece.

use super::strap::{StrapFit, TAKES_HOLD_DEG};

/// What is to be looked at about a strap.
pub fn strap(fit: &StrapFit) -> Vec<String> {
    let mut said = Vec::new();
    let (least, most) = TAKES_HOLD_DEG;
    let at = fit.takes_hold_deg.round();
    if fit.slack_in < 0.0 {
        said.push("The strap is tight while the bit hangs. Let it out before it goes on.".into());
    } else if fit.at_once {
        said.push(format!(
            "It takes hold at {at} degrees, at once: no signal before the pressure. Usual is \
             {least} to {most}."
        ));
    } else if fit.too_late {
        said.push(format!(
            "It takes hold at {at} degrees, late: the corner of the lip may be pinched before. \
             Usual is {least} to {most}."
        ));
    }
    let holes = fit.change.holes;
    let many = crate::wording::count(u32::from(holes.unsigned_abs()), "hole");
    let then = fit.change.takes_hold_deg.round();
    match holes {
        0 if fit.change.reached => said.push("This is the hole.".into()),
        1.. => said.push(format!(
            "{many} longer: then it takes hold at {then} degrees."
        )),
        ..=-1 => said.push(format!(
            "{many} shorter: then it takes hold at {then} degrees."
        )),
        0 => {}
    }
    if !fit.change.reached {
        said.push("There are no holes for that: another strap, or punch one.".into());
    }
    said
}
