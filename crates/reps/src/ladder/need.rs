//! How a need is written, and how it is resolved for one rung.
//!
//! `skill/rung`; `skill/same`: the rung of the same name; `skill/below`: the
//! rung of that skill before the one of the same name; `skill` alone when it has
//! one rung; " or " between needs of which one is enough.

use crate::id::{Level, RungId};

/// Where a reference points.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(super) enum Rungs<'a> {
    Only,
    Same,
    Below,
    Named(&'a str),
}

/// The skill and rung of a reference.
pub(super) fn split(reference: &str) -> (&str, Rungs<'_>) {
    match reference.trim().split_once('/') {
        None => (reference.trim(), Rungs::Only),
        Some((skill, "same")) => (skill, Rungs::Same),
        Some((skill, "below")) => (skill, Rungs::Below),
        Some((skill, rung)) => (skill, Rungs::Named(rung)),
    }
}

/// The level a strict reference names, seen from the rung `at`.
pub(super) fn strict(
    reference: &str,
    at: &RungId,
    rungs_of: impl Fn(&str) -> Option<Vec<RungId>>,
) -> Result<Level, &'static str> {
    let (skill, which) = split(reference);
    let rungs = rungs_of(skill).ok_or("and there is no such skill")?;
    let index = |rung: &str| rungs.iter().position(|known| known.0 == rung);
    let rung = match which {
        Rungs::Only if rungs.len() == 1 => Some(0),
        Rungs::Only => return Err("which has several levels; say which"),
        Rungs::Same => index(&at.0),
        Rungs::Below => index(&at.0).and_then(|index| index.checked_sub(1)),
        Rungs::Named(rung) => index(rung),
    };
    let rung = rung.ok_or("and that skill has no such level")?;
    Ok(Level::new(skill, &rungs[rung].0))
}
