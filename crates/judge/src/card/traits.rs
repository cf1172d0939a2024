//! What a horse's traits make more or less worth asking again: `traits.toml`.
//!
//! Source: common practice of the trade, no source; the points are product defaults.

use std::collections::BTreeMap;
use std::sync::LazyLock;

use crate::horse::HorseTrait;
use crate::ladder::SkillId;

/// Points by trait and skill.
pub type TraitPoints = BTreeMap<HorseTrait, BTreeMap<SkillId, f64>>;

static POINTS: LazyLock<TraitPoints> = LazyLock::new(|| {
    serde_json::from_str(include_str!(concat!(env!("OUT_DIR"), "/traits.json")))
        .expect("the points of traits can be read; a test holds it")
});

/// Points of every trait that has any.
pub fn points() -> &'static TraitPoints {
    &POINTS
}

/// What these traits add to a skill, in points.
pub fn points_of(traits: &[HorseTrait], skill: &SkillId) -> f64 {
    let own = POINTS.iter().filter(|(one, _)| traits.contains(one));
    own.filter_map(|(_, points)| points.get(skill)).sum()
}
