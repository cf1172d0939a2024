//! Reads a ladder file and refuses what cannot be.

use std::collections::BTreeSet;

use super::file::{LadderFile, SkillInFile};
use super::resolve::resolve;
use super::{FaultSet, LadderError, need};
use crate::Gait;
use crate::id::{FaultId, RungId};
use crate::rep::MeasureKind;
use crate::school::{self, Schools};

impl LadderFile {
    /// Reads a ladder file in TOML and checks it with every school.
    ///
    /// # Errors
    /// The first thing wrong with it, with its place.
    #[cfg(feature = "toml")]
    pub fn parse(text: &str) -> Result<LadderFile, LadderError> {
        toml::from_str::<LadderFile>(text)
            .map_err(|error| LadderError::Unreadable(error.to_string()))?
            .checked()
    }

    /// The same, written as JSON.
    ///
    /// # Errors
    /// The first thing wrong with it, with its place.
    pub fn parse_json(text: &str) -> Result<LadderFile, LadderError> {
        serde_json::from_str::<LadderFile>(text)
            .map_err(|error| LadderError::Unreadable(error.to_string()))?
            .checked()
    }

    fn checked(self) -> Result<LadderFile, LadderError> {
        self.check_skills()?;
        self.check_schools()?;
        self.check_faults()?;
        for schools in Schools::each_choice_once() {
            resolve(&self, &schools)?;
        }
        Ok(self)
    }

    fn check_skills(&self) -> Result<(), LadderError> {
        let mut seen = BTreeSet::new();
        for track in &self.tracks {
            for skill in &track.skills {
                if !seen.insert(&skill.id) {
                    return Err(LadderError::SkillTwice(skill.id.clone()));
                }
                if !skill.id.0.starts_with(&format!("{}.", track.id)) {
                    return Err(LadderError::Elsewhere {
                        skill: skill.id.clone(),
                        track: track.id.clone(),
                    });
                }
                self.check_skill(skill)?;
            }
        }
        Ok(())
    }

    fn check_skill(&self, skill: &SkillInFile) -> Result<(), LadderError> {
        if skill.levels.is_empty() {
            return Err(LadderError::NoLevels(skill.id.clone()));
        }
        if skill.measure.is_none() {
            let gated = skill.gate.is_some() || !skill.gate_at.is_empty() || skill.safety;
            return Err(if gated {
                LadderError::GateWithoutMeasure(skill.id.clone())
            } else {
                LadderError::NoMeasure(skill.id.clone())
            });
        }
        let named = skill.needs_at.keys().chain(skill.gate_at.keys());
        for rung in skill.levels.iter().map(|rung| &rung.0).chain(named) {
            let known =
                self.rungs.contains_key(rung) && skill.levels.iter().any(|level| level.0 == *rung);
            if !known {
                return Err(LadderError::UnknownRung {
                    skill: skill.id.clone(),
                    rung: RungId(rung.clone()),
                });
            }
        }
        let gaits: Vec<Gait> = skill
            .levels
            .iter()
            .map(|rung| self.rungs[&rung.0].gait)
            .collect();
        let distinct: BTreeSet<&RungId> = skill.levels.iter().collect();
        if distinct.len() != skill.levels.len() || !gaits.is_sorted() {
            return Err(LadderError::LevelOrder(skill.id.clone()));
        }
        Ok(())
    }

    fn check_schools(&self) -> Result<(), LadderError> {
        for skill in self.tracks.iter().flat_map(|track| &track.skills) {
            let needs = skill.needs_for.iter().map(|n| (&n.question, &n.choice));
            let notes = skill.note_for.iter().map(|n| (&n.question, &n.choice));
            let conditions = skill.only_for.iter().chain(&skill.unless);
            let named = needs.chain(notes);
            for (question, choice) in named.chain(conditions.map(|c| (&c.question, &c.choice))) {
                if !school::knows(question, choice) {
                    return Err(LadderError::UnknownSchool {
                        place: skill.id.0.clone(),
                        question: question.clone(),
                        choice: choice.clone(),
                        allowed: school::allowed(question),
                    });
                }
            }
        }
        Ok(())
    }

    fn check_faults(&self) -> Result<(), LadderError> {
        if self.faults.len() > FaultSet::MOST {
            return Err(LadderError::TooManyFaults(self.faults.len()));
        }
        let mut seen = BTreeSet::new();
        for fault in &self.faults {
            if !seen.insert(&fault.id.0) {
                return Err(LadderError::FaultTwice(fault.id.clone()));
            }
            let unknown_reference = |names: &str| LadderError::FaultNamesUnknown {
                fault: fault.id.clone(),
                names: names.to_owned(),
            };
            for track in &fault.in_tracks {
                if !self.tracks.iter().any(|known| known.id == *track) {
                    return Err(unknown_reference(track));
                }
            }
            for skill in &fault.in_skills {
                self.skill(&skill.0)
                    .ok_or_else(|| unknown_reference(&skill.0))?;
            }
            for hole in &fault.holes {
                self.check_hole(&hole.0)
                    .ok_or_else(|| unknown_reference(&hole.0))?;
            }
        }
        if self.faults.is_empty() {
            return Ok(());
        }
        match MeasureKind::all_told().find(|id| !seen.contains(&(*id).to_owned())) {
            Some(missing) => Err(LadderError::FaultMissing(FaultId(missing.to_owned()))),
            None => Ok(()),
        }
    }

    fn check_hole(&self, hole: &str) -> Option<()> {
        let (skill, which) = need::split(hole);
        if skill == "own" {
            return Some(());
        }
        let skill = self.skill(skill)?;
        match which {
            need::Rungs::Named(rung) => skill.levels.iter().any(|known| known.0 == rung),
            need::Rungs::Only => skill.levels.len() == 1,
            need::Rungs::Same | need::Rungs::Below => true,
        }
        .then_some(())
    }
}
