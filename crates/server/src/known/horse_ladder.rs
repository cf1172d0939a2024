//! The ladders that horses stand on: the standard one, and those of the barn's
//! programs.

use std::collections::HashMap;
use std::sync::Arc;

use cavesson_core::ladder::{Ladder, LadderFile};
use cavesson_core::program::Program;
use cavesson_store::known::KnownVersion;
use cavesson_store::program::{self, ProgramVersion};
use cavesson_store::{BarnTransaction, StoreResult};
use moka::sync::Cache;
use uuid::Uuid;

/// Ladders of programs kept in memory.
const MOST_LADDERS: u64 = 500;

/// The ladder a horse stands on, and the program it comes from.
#[derive(Clone)]
pub struct HorseLadder {
    /// The ladder.
    pub ladder: Arc<Ladder>,
    /// Program and version; none for the standard ladder.
    pub program: Option<(Uuid, i32)>,
    /// What the program changes; nothing for the standard ladder.
    pub changes: Arc<Program>,
    /// The program that the horse is on and that does not fit any more. The ladder
    /// is the standard one then.
    pub unfit: Option<Arc<Unfit>>,
}

/// A program that no longer fits: stored by another version, or made on a ladder
/// that has changed since.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Unfit {
    /// The program and its version.
    pub program: (Uuid, i32),
    /// What it is called.
    pub name: String,
    /// What does not fit.
    pub why: String,
}

impl HorseLadder {
    /// Whether a verdict by one is a verdict by the other.
    pub fn is_same(&self, other: &HorseLadder) -> bool {
        self.program == other.program && self.unfit == other.unfit
    }
}

/// The ladders in use.
#[derive(Clone)]
pub struct Ladders {
    /// By barn, program and version.
    of_programs: Cache<(Uuid, Uuid, i32), HorseLadder>,
    standard: Arc<Ladder>,
}

impl Default for Ladders {
    fn default() -> Ladders {
        Ladders {
            of_programs: Cache::new(MOST_LADDERS),
            standard: Arc::new(Ladder::shipped().clone()),
        }
    }
}

impl Ladders {
    /// The standard ladder.
    pub fn standard(&self) -> HorseLadder {
        HorseLadder {
            ladder: self.standard.clone(),
            program: None,
            changes: Arc::default(),
            unfit: None,
        }
    }

    /// The ladder of one version of a barn's program.
    pub fn of(&self, barn_id: Uuid, kept: &ProgramVersion) -> HorseLadder {
        let key = (barn_id, kept.program_id, kept.version);
        self.of_programs.get_with(key, || self.make(kept))
    }

    fn make(&self, kept: &ProgramVersion) -> HorseLadder {
        let program = (kept.program_id, kept.version);
        let made = match &kept.content {
            Ok(content) => content
                .ladder(LadderFile::shipped())
                .map(|ladder| (ladder, content.clone()))
                .map_err(|error| error.to_string()),
            Err(unreadable) => Err(unreadable.to_string()),
        };
        match made {
            Ok((ladder, changes)) => HorseLadder {
                ladder: Arc::new(ladder),
                program: Some(program),
                changes: Arc::new(changes),
                unfit: None,
            },
            Err(why) => {
                tracing::error!(%why, program_id = %kept.program_id, "program does not fit");
                HorseLadder {
                    unfit: Some(Arc::new(Unfit {
                        program,
                        name: kept.name.clone(),
                        why,
                    })),
                    ..self.standard()
                }
            }
        }
    }

    /// The ladders of these horses that are on a program, by horse.
    ///
    /// # Errors
    /// When the query fails.
    pub async fn in_use(
        &self,
        barn: &mut BarnTransaction,
        horses: impl Iterator<Item = &KnownVersion>,
    ) -> StoreResult<HashMap<Uuid, HorseLadder>> {
        let on_programs: Vec<(Uuid, Uuid)> = horses
            .filter_map(|horse| Some((horse.horse_id, horse.program_id?)))
            .collect();
        if on_programs.is_empty() {
            return Ok(HashMap::new());
        }
        let barn_id = barn.barn_id();
        let of_programs: HashMap<Uuid, HorseLadder> = program::in_use(barn)
            .await?
            .iter()
            .map(|kept| (kept.program_id, self.of(barn_id, kept)))
            .collect();
        Ok(on_programs
            .into_iter()
            .filter_map(|(horse, program)| Some((horse, of_programs.get(&program)?.clone())))
            .collect())
    }

    /// The ladder of each of these horses.
    ///
    /// # Errors
    /// When the query fails.
    pub async fn of_horses(
        &self,
        barn: &mut BarnTransaction,
        horse_ids: &[Uuid],
    ) -> StoreResult<HashMap<Uuid, HorseLadder>> {
        let versions = cavesson_store::known::versions(barn, horse_ids).await?;
        let mut ladders = self.in_use(barn, versions.iter()).await?;
        for version in &versions {
            ladders
                .entry(version.horse_id)
                .or_insert_with(|| self.standard());
        }
        Ok(ladders)
    }
}
