//! What the judge says is kept each time it changes, with the versions of ladder
//! and program it was made with. A verdict also changes with the date alone; each
//! change is kept on its own day, whoever looks or does not.

use std::time::Duration;

use cavesson_core::judge::held_words;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::barns;
use cavesson_store::barn::news;
use cavesson_store::barn::news::NewNews;
use cavesson_store::barn::news::NewsKind;
use cavesson_store::horse::horses;
use cavesson_store::horse::kept_verdict;
use cavesson_store::horse::kept_verdict::KeptVerdict;
use cavesson_store::horse::kept_verdict::MadeWith;
use jiff::ToSpan;
use jiff::civil::Date;
use uuid::Uuid;

use super::judged::{Judged, ReadHorse};
use super::riders;
use crate::App;
use crate::http::problem::Answer;
use crate::http::signed_in::time_zone;

/// Days without a server after which what changed by date alone is not told apart
/// by day any more.
const MOST_DAYS_BACK: i64 = 62;
/// How often the server looks whether a barn's day is over.
const LOOKS_EVERY: Duration = Duration::from_secs(600);

/// Judges horses anew after what is known of them was committed, and keeps the
/// verdicts that are others now. What was committed stays committed: a failure here
/// is logged, and made good the next time or overnight.
pub async fn judge_and_keep(app: &App, barn_id: Uuid, horse_ids: &[Uuid], today: Date) {
    if let Err(problem) = keep_until(app, barn_id, horse_ids, today).await {
        tracing::error!(%problem, %barn_id, "verdicts were not kept");
    }
}

async fn keep_until(app: &App, barn_id: Uuid, horse_ids: &[Uuid], today: Date) -> Answer<()> {
    let mut look = BarnTransaction::look(&app.pool, barn_id).await?;
    let read = app.known.read(&mut look, horse_ids, today).await?;
    drop(look);
    for horse in read {
        let days = days_to_keep(&horse, today);
        let of_days = app
            .work
            .judging
            .run(move || {
                let judge = |day| horse.judge(day);
                days.into_iter().map(judge).collect::<Vec<Judged>>()
            })
            .await?;
        let mut barn = BarnTransaction::begin(&app.pool, barn_id).await?;
        for judged in &of_days {
            keep_verdicts(&mut barn, judged).await?;
        }
        barn.commit().await?;
    }
    Ok(())
}

/// The days after the last that was kept, and today.
fn days_to_keep(horse: &ReadHorse, today: Date) -> Vec<Date> {
    let earliest = today.saturating_sub(MOST_DAYS_BACK.days());
    let next = horse
        .judged_until
        .map_or(today, |day| day.saturating_add(1.day()))
        .clamp(earliest, today);
    next.series(1.day())
        .take_while(|day| *day <= today)
        .collect()
}

/// Keeps the verdicts of every level a horse was asked.
async fn keep_verdicts(barn: &mut BarnTransaction, horse: &Judged) -> Answer<()> {
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
            let level = &horse.ladder().levels[standing.index].level;
            KeptVerdict {
                skill: level.skill.0.clone(),
                rung: level.rung.0.clone(),
                verdict: standing.verdict.word(),
                state: standing.state.word().to_owned(),
            }
        })
        .collect();
    kept_verdict::keep(barn, &with, &verdicts).await?;
    news::add(barn, &lost_lately(horse)).await?;
    kept_verdict::kept_until(barn, horse.horse_id, horse.on).await?;
    Ok(())
}

/// Days after which a loss that was never told is no news any more: asks come late.
const NEWS_DAYS: i64 = 7;

/// Levels that were lost lately, each to be told once.
fn lost_lately(horse: &Judged) -> Vec<NewNews> {
    let ladder = horse.ladder();
    let lost = horse.standings.iter().filter_map(|standing| {
        let change = standing.history.hold.lost.as_ref()?;
        let level = &ladder.levels[standing.index];
        (change.day >= horse.on.saturating_sub(NEWS_DAYS.days())).then(|| NewNews {
            horse_id: horse.horse_id,
            day: change.day,
            kind: NewsKind::Lost,
            level: (level.level.skill.0.clone(), level.level.rung.0.clone()),
            says: format!("{}. {}", level.name, held_words::change(change, ladder)),
        })
    });
    lost.collect()
}

/// Keeps what changes by date alone, for as long as the server runs.
pub async fn keep_each_day(app: App) {
    let mut every = tokio::time::interval(LOOKS_EVERY);
    loop {
        every.tick().await;
        if let Err(problem) = keep_days(&app).await {
            tracing::error!(%problem, "verdicts of the day were not kept");
        }
    }
}

/// Keeps what has changed by date in every barn whose last kept day is over.
async fn keep_days(app: &App) -> Answer<()> {
    for barn in barns::list(&app.pool).await? {
        let Ok(zone) = time_zone(&barn) else {
            continue;
        };
        let today = app.clock.now().to_zoned(zone).date();
        // One barn's riders hold up neither its verdicts nor another barn.
        if let Err(problem) = riders::compare(app, barn.barn_id, today).await {
            tracing::error!(%problem, barn_id = %barn.barn_id, "riders were not compared");
        }
        if let Err(problem) = super::retell::retell(app, barn.barn_id, today).await {
            tracing::error!(%problem, barn_id = %barn.barn_id, "histories were not told anew");
        }
        let mut look = BarnTransaction::look(&app.pool, barn.barn_id).await?;
        let due = horses::judged_before(&mut look, today).await?;
        drop(look);
        for horse_id in due {
            judge_and_keep(app, barn.barn_id, &[horse_id], today).await;
        }
    }
    Ok(())
}
