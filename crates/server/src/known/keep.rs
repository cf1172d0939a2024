//! What the judge says is kept each time it changes, with the versions of ladder
//! and program it was made with.

use std::sync::Arc;

use cavesson_store::BarnTransaction;
use cavesson_store::kept_verdict::{self, KeptVerdict, MadeWith};

use jiff::civil::Date;
use uuid::Uuid;

use super::Judged;
use crate::App;
use crate::problem::Answer;

/// Judges horses anew after what is known of them was committed, and keeps the
/// verdicts that are others now. In a transaction of its own: nothing that might
/// yet be rolled back is kept in memory.
pub async fn judge_and_keep(
    app: &App,
    barn_id: Uuid,
    horse_ids: &[Uuid],
    today: Date,
) -> Answer<Vec<Arc<Judged>>> {
    let mut barn = BarnTransaction::begin(&app.pool, barn_id).await?;
    let judged = app.known.judged(&mut barn, horse_ids, today).await?;
    keep_verdicts(&mut barn, &judged).await?;
    barn.commit().await?;
    Ok(judged)
}

/// Keeps the verdicts of every level these horses were asked.
pub async fn keep_verdicts(barn: &mut BarnTransaction, judged: &[Arc<Judged>]) -> Answer<()> {
    for horse in judged {
        let with = MadeWith {
            horse_id: horse.horse_id,
            known_version: horse.version(),
            day: horse.on,
            ladder_version: horse.ladder().version.try_into().unwrap_or(i32::MAX),
            program: horse.on_ladder.program,
        };
        let verdicts: Vec<KeptVerdict> = horse
            .standings
            .iter()
            .filter(|standing| standing.last_asked.is_some())
            .map(|standing| {
                let level = &horse.ladder().levels[standing.place].level;
                KeptVerdict {
                    skill: level.skill.0.clone(),
                    rung: level.rung.0.clone(),
                    verdict: standing.verdict.word(),
                    state: standing.state.word().to_owned(),
                }
            })
            .collect();
        kept_verdict::keep(barn, &with, &verdicts).await?;
    }
    Ok(())
}
