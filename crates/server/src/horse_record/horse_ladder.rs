//! The ladders that horses stand on: the standard one, and those of the barn's
//! programs.

use std::collections::{HashMap, HashSet};
use std::sync::Arc;

use cavesson_core::ladder::{Ladder, LadderFile};
use cavesson_core::program::Program;
use cavesson_store::BarnTransaction;
use cavesson_store::StoreResult;
use cavesson_store::horse::horse_program;
use cavesson_store::horse::horse_program::OnProgram;
use cavesson_store::horse::horse_program::VersionFrom;
use cavesson_store::horse::known::KnownVersion;
use cavesson_store::horse::program;
use cavesson_store::horse::program::ProgramVersion;
use jiff::civil::Date;
use moka::sync::Cache;
use uuid::Uuid;

use super::programs_before::{self, Stood, Version};

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
    /// What the horse stood on before, the earliest first.
    pub before: Arc<Vec<StoodOn>>,
}

/// A ladder that a horse stood on until another took its place.
#[derive(Clone)]
pub struct StoodOn {
    /// The ladder, and its program.
    pub on: HorseLadder,
    /// The first day on which it stood on another.
    pub until: Date,
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
        let is_same = |one: &HorseLadder, other: &HorseLadder| {
            one.program == other.program && one.unfit == other.unfit
        };
        is_same(self, other)
            && self.before.len() == other.before.len()
            && self
                .before
                .iter()
                .zip(other.before.iter())
                .all(|(one, other)| one.until == other.until && is_same(&one.on, &other.on))
    }

    /// The same horse on another ladder from `day` on.
    pub fn then(&self, next: HorseLadder, day: Date) -> HorseLadder {
        let mut before = self.before.as_ref().clone();
        before.push(StoodOn {
            on: HorseLadder {
                before: Arc::default(),
                ..self.clone()
            },
            until: day,
        });
        HorseLadder {
            before: Arc::new(before),
            ..next
        }
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
            before: Arc::default(),
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
                before: Arc::default(),
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

    /// The ladder of each of these horses on `on`, with those it stood on before.
    ///
    /// # Errors
    /// When the query fails.
    pub async fn in_use(
        &self,
        barn: &mut BarnTransaction,
        horses: impl Iterator<Item = &KnownVersion>,
        on: Date,
    ) -> StoreResult<HashMap<Uuid, HorseLadder>> {
        let always: Vec<(Uuid, Option<Uuid>)> = horses
            .map(|horse| (horse.horse_id, horse.program_id))
            .collect();
        let ids: Vec<Uuid> = always.iter().map(|(horse, _)| *horse).collect();
        let on_programs = horse_program::of_horses(barn, &ids).await?;
        let mut programs: Vec<Uuid> = on_programs
            .iter()
            .filter_map(|one| one.program_id)
            .chain(always.iter().filter_map(|(_, program)| *program))
            .collect();
        programs.sort_unstable();
        programs.dedup();
        let mut versions: HashMap<Uuid, Vec<VersionFrom>> = HashMap::new();
        if !programs.is_empty() {
            for version in horse_program::versions(barn, &programs).await? {
                versions
                    .entry(version.program_id)
                    .or_default()
                    .push(version);
            }
        }
        let stood: Vec<(Uuid, Stood)> = always
            .into_iter()
            .map(|(horse, program)| {
                let own = on_programs.iter().filter(|one| one.horse_id == horse);
                let own: Vec<OnProgram> = own.copied().collect();
                (horse, programs_before::until(&own, program, &versions, on))
            })
            .collect();
        let named = stood.iter().flat_map(|(_, (before, now))| {
            let before = before.iter().map(|(version, _)| *version);
            before.chain([*now]).flatten()
        });
        let made = self.made(barn, named.collect()).await?;
        let of = |version: &Version| {
            let made = version.and_then(|version| made.get(&version));
            made.cloned().unwrap_or_else(|| self.standard())
        };
        let ladders = stood.iter().map(|(horse, (before, now))| {
            let before = before.iter().map(|(version, until)| StoodOn {
                on: of(version),
                until: *until,
            });
            let ladder = HorseLadder {
                before: Arc::new(before.collect()),
                ..of(now)
            };
            (*horse, ladder)
        });
        Ok(ladders.collect())
    }

    /// The ladders of these versions of programs; those not yet in memory are read.
    async fn made(
        &self,
        barn: &mut BarnTransaction,
        versions: HashSet<(Uuid, i32)>,
    ) -> StoreResult<HashMap<(Uuid, i32), HorseLadder>> {
        let barn_id = barn.barn_id();
        let mut made = HashMap::with_capacity(versions.len());
        let mut wanted = Vec::new();
        for version in versions {
            match self.of_programs.get(&(barn_id, version.0, version.1)) {
                Some(ladder) => {
                    made.insert(version, ladder);
                }
                None => wanted.push(version),
            }
        }
        if !wanted.is_empty() {
            for kept in program::some_versions(barn, &wanted).await? {
                let ladder = self.of(barn_id, &kept);
                made.insert((kept.program_id, kept.version), ladder);
            }
        }
        Ok(made)
    }

    /// The ladder of each of these horses on `on`.
    ///
    /// # Errors
    /// When the query fails.
    pub async fn of_horses(
        &self,
        barn: &mut BarnTransaction,
        horse_ids: &[Uuid],
        on: Date,
    ) -> StoreResult<HashMap<Uuid, HorseLadder>> {
        let versions = cavesson_store::horse::known::versions(barn, horse_ids).await?;
        self.in_use(barn, versions.iter(), on).await
    }
}
