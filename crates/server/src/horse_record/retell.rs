//! On the first start after an update the histories of the barn's horses are told anew by
//! the rules as they are now; what changed is told to the trainer once.

use std::collections::HashMap;

use cavesson_core::judge::{Standing, State};
use cavesson_core::ladder::Level;
use cavesson_core::wording::{count, lower};
use cavesson_store::BarnTransaction;
use cavesson_store::barn::news;
use cavesson_store::barn::news::NewNews;
use cavesson_store::barn::news::NewsKind;
use cavesson_store::horse::horses;
use cavesson_store::horse::kept_verdict;
use jiff::civil::Date;
use uuid::Uuid;

use super::judged::Judged;
use crate::App;
use crate::http::problem::Answer;

/// The form of the rules that tell a history. Raised when old asks come to be read otherwise.
const FORM: i16 = 2;

/// Tells the histories of a barn anew, unless that was done by these rules.
pub async fn retell(app: &App, barn_id: Uuid, today: Date) -> Answer<()> {
    let mut look = BarnTransaction::look(&app.pool, barn_id).await?;
    if news::told_form(&mut look).await? == Some(FORM) {
        return Ok(());
    }
    let horses = horses::list(&mut look, None).await?;
    let ids: Vec<Uuid> = horses.into_iter().map(|horse| horse.horse_id).collect();
    let mut before: HashMap<Uuid, HashMap<(String, String), String>> = HashMap::new();
    for horse_id in &ids {
        let states = kept_verdict::latest_states(&mut look, *horse_id).await?;
        let states = states
            .into_iter()
            .map(|kept| ((kept.skill, kept.rung), kept.state));
        before.insert(*horse_id, states.collect());
    }
    let judged = app.known.judged(look, &ids, today).await?;
    let changed: Vec<NewNews> = judged
        .iter()
        .filter_map(|judged| {
            let says = changed(judged, before.get(&judged.horse_id)?)?;
            Some(NewNews {
                horse_id: judged.horse_id,
                day: today,
                kind: NewsKind::Retold,
                level: (String::new(), String::new()),
                says,
            })
        })
        .collect();
    let mut barn = BarnTransaction::begin(&app.pool, barn_id).await?;
    news::add(&mut barn, &changed).await?;
    news::told(&mut barn, FORM).await?;
    barn.commit().await?;
    Ok(())
}

/// What is said of a horse whose levels were held by the old rules and stand otherwise now;
/// none where nothing changed.
fn changed(judged: &Judged, before: &HashMap<(String, String), String>) -> Option<String> {
    let was_held = |level: &Level| {
        before
            .get(&(level.skill.0.clone(), level.rung.0.clone()))
            .is_some_and(|state| ["held", "rusty", "shown_at_intake"].contains(&state.as_str()))
    };
    let of = |is: &dyn Fn(&Standing) -> bool| -> Vec<&Standing> {
        let levels = &judged.ladder().levels;
        let standings = judged.standings.iter();
        standings
            .filter(|one| was_held(&levels[one.index].level) && is(one))
            .collect()
    };
    let lost = of(&|one| one.state == State::Lost);
    let in_doubt = of(&|one| one.state == State::InDoubt);
    let not_held =
        of(&|one| !one.counts_as_held() && ![State::Lost, State::InDoubt].contains(&one.state));
    let mut said: Vec<String> = lost
        .iter()
        .map(|standing| {
            let name = lower(&judged.ladder().levels[standing.index].name);
            let why = standing
                .history
                .hold
                .lost
                .as_ref()
                .map_or_else(String::new, |change| {
                    cavesson_core::judge::held_words::change(change, judged.ladder())
                });
            format!("{name}: {}", lower(&why))
        })
        .collect();
    if !in_doubt.is_empty() {
        let is = if in_doubt.len() == 1 { "is" } else { "are" };
        said.push(format!(
            "{} {is} in doubt.",
            count(in_doubt.len() as u32, "level")
        ));
    }
    if !not_held.is_empty() {
        let waits = if not_held.len() == 1 {
            "no longer counts"
        } else {
            "no longer count"
        };
        said.push(format!(
            "{} {waits} until what is under it is held.",
            count(not_held.len() as u32, "level")
        ));
    }
    (!said.is_empty()).then(|| {
        format!(
            "Cavesson now takes back what answers speak against. {}",
            said.join(" ")
        )
    })
}
