//! Reads what is known of a horse: all of it, or what came after a version that is
//! at hand.

use std::collections::HashSet;
use std::sync::Arc;

use cavesson_store::BarnTransaction;
use cavesson_store::horse::drop_answer;
use cavesson_store::horse::known;
use cavesson_store::horse::known::KnownVersion;
use cavesson_store::horse::known::Left;
use cavesson_store::horse::known::NewlyKnown;
use cavesson_store::horse::placing;
use cavesson_store::ride::intake;
use uuid::Uuid;

use super::known::Known;
use crate::http::problem::Answer;

/// A version before the first.
const BEFORE_ALL: i64 = -1;

/// What is known of a horse in `version`; `before` is of an earlier one.
pub async fn known_of(
    barn: &mut BarnTransaction,
    version: &KnownVersion,
    before: Option<&Known>,
) -> Answer<Known> {
    let horse_id = version.horse_id;
    let after = before.map_or(BEFORE_ALL, |known| known.version);
    let newly = known::reps_between(barn, horse_id, after, version.version).await?;
    let care = known::care(barn, horse_id).await?;
    let overrules = known::overrules(barn, horse_id).await?;
    let placings = placing::of_horse(barn, horse_id).await?;
    let answers = drop_answer::of_horse(barn, horse_id).await?;
    let mut known = Known {
        version: version.version,
        sex: version.sex,
        reps: before.map(|known| known.reps.clone()).unwrap_or_default(),
        count: 0,
        unreadable_reps: before
            .map(|known| known.unreadable_reps.clone())
            .unwrap_or_default(),
        unreadable_rows: care.unreadable
            + overrules.unreadable
            + placings.unreadable
            + answers.unreadable,
        rides: known::rides(barn, horse_id).await?,
        faults: known::block_faults(barn, horse_id).await?,
        care: care.read,
        overrules: overrules.read,
        intake: intake::of_horse(barn, horse_id)
            .await?
            .map(|stored| stored.kept),
        placings: placings.read,
        answers: answers.read,
    };
    take_in(&mut known, newly, before.is_some());
    leave_out_moved(&mut known);
    known.count = known.reps.values().map(|reps| reps.len()).sum::<usize>() + 1;
    Ok(known)
}

/// Reps of a ride that was put under another horse since.
fn leave_out_moved(known: &mut Known) {
    let rides: HashSet<Uuid> = known.rides.iter().map(|ride| ride.ride_id).collect();
    for of_level in known.reps.values_mut() {
        if of_level.iter().any(|rep| !rides.contains(&rep.ride_id)) {
            Arc::make_mut(of_level).retain(|rep| rides.contains(&rep.ride_id));
        }
    }
}

/// Puts newly known reps in the place of what was known under their ids.
fn take_in(known: &mut Known, newly: Vec<NewlyKnown>, were_some: bool) {
    if were_some {
        let ids: HashSet<Uuid> = newly.iter().map(|new| new.rep_id).collect();
        let levels: HashSet<_> = newly.iter().map(|new| &new.level).collect();
        for level in levels {
            if let Some(of_level) = known.reps.get_mut(level) {
                Arc::make_mut(of_level).retain(|rep| !ids.contains(&rep.rep_id));
            }
        }
        known.unreadable_reps.retain(|id| !ids.contains(id));
    }
    for new in newly {
        match new.rep {
            Ok(rep) => Arc::make_mut(known.reps.entry(new.level).or_default()).push(rep),
            Err(Left::Undone) => {}
            Err(Left::Unreadable(why)) => {
                tracing::warn!(%why, rep_id = %new.rep_id, "a rep of another version");
                known.unreadable_reps.insert(new.rep_id);
            }
        }
    }
}
