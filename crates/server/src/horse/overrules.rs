//! Overrules: the trainer's last word, kept with its reason; and how verdicts and
//! overrules turned out.

use std::collections::HashMap;
use std::sync::Arc;

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::judge::outcome::outcome;
use cavesson_core::judge::{Outcome, Overrule, Verdict};
use cavesson_core::ladder::check::find_level;
use cavesson_core::ladder::{Level, RungId, SkillId};
use cavesson_store::BarnTransaction;
use cavesson_store::horse::horses;
use cavesson_store::horse::kept_verdict;
use cavesson_store::horse::overrule;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse::horses::Horse;
use crate::horse::levels::LevelBrief;
use crate::horse_record::Judged;
use crate::horse_record::keep::judge_and_keep;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Decider, Signed};
use crate::http::url::UrlPath;
use crate::route;

/// The overrules' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(add))
        .routes(route!(withdraw))
        .routes(route!(outcomes))
}

/// How often a horse is judged with nothing held before those who store something about
/// it are made to wait.
const MOST_TRIES: usize = 2;

fn no_overrule() -> Problem {
    Problem::not_found("no such overrule stands in this barn")
}

/// A decision to be kept.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewOverrule {
    /// Made on the device (UUIDv7).
    overrule_id: Uuid,
    skill: SkillId,
    rung: RungId,
    /// What counts instead: `advance` lets the level count as held, anything else
    /// keeps it from counting.
    counts_as: Verdict,
    /// Why.
    #[schema(min_length = 1, max_length = 600)]
    reason: String,
    /// Whether all that the level stands on counts as held too: for a horse that
    /// came with it.
    #[serde(default)]
    with_all_under_it: bool,
}

/// Overrule the judge at a level.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/overrules", operation_id = "add_overrule", tag = "overrules",
    params(("horse_id" = Uuid, Path)), request_body = NewOverrule,
    responses(
        (status = 201, description = "Kept"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "This id is known with other content", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "No such level, no reason, or nothing to overrule", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    State(app): State<App>,
    Decider(signed): Decider,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(new): Body<NewOverrule>,
) -> Answer<StatusCode> {
    let day = signed.today();
    let (mut barn, judged) = judged_and_held(&app, &signed, horse_id, day).await?;
    overrule(&mut barn, &new, &judged, signed.person.person_id).await?;
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &[horse_id], day).await;
    Ok(StatusCode::CREATED)
}

/// A horse as it is judged now, and a transaction in which nobody else stores anything
/// about it.
async fn judged_and_held(
    app: &App,
    signed: &Signed,
    horse_id: Uuid,
    day: Date,
) -> Answer<(BarnTransaction, Arc<Judged>)> {
    // Judged before anything is held; what was stored meanwhile is judged again.
    for _ in 0..MOST_TRIES {
        let mut look = signed.look().await?;
        signed.horse(&mut look, horse_id).await?;
        let judged = app.known.judged_horse(look, horse_id, day).await?;
        let mut barn = signed.write().await?;
        let version = horses::hold_version(&mut barn, horse_id).await?;
        if version == Some(judged.version()) {
            return Ok((barn, judged));
        }
    }
    // Others keep storing: they wait this once.
    let mut barn = signed.write().await?;
    horses::hold_version(&mut barn, horse_id).await?;
    let read = app.known.read(&mut barn, &[horse_id], day).await?;
    let judged = app.known.judge(read, day).await?.pop();
    let judged = judged.ok_or_else(|| Problem::not_found("no such horse in this barn"))?;
    Ok((barn, judged))
}

/// Stores the overrule, and those of all under it.
async fn overrule(
    barn: &mut BarnTransaction,
    new: &NewOverrule,
    judged: &Judged,
    made_by: Uuid,
) -> Answer<()> {
    let (horse_id, day, ladder) = (judged.horse_id, judged.on, judged.ladder());
    let level = Level {
        skill: new.skill.clone(),
        rung: new.rung.clone(),
    };
    find_level(&level, ladder).map_err(Problem::field)?;
    let index = ladder
        .position(&level)
        .ok_or_else(|| Problem::not_found("no such level on this horse's ladder"))?;
    let mut indexes = vec![index];
    if new.with_all_under_it {
        indexes.extend(ladder.under(index));
    }
    for (index, at) in indexes.into_iter().enumerate() {
        let standing = &judged.standings[at];
        let own = index == 0;
        if !own && standing.counts_as_held() {
            continue;
        }
        let overrule = Overrule {
            overrule_id: if own { new.overrule_id } else { Uuid::now_v7() },
            level: ladder.levels[at].level.clone(),
            day,
            judge_said: standing.verdict,
            counts_as: new.counts_as,
            reason: new.reason.clone(),
        };
        match overrule.check() {
            Err(error) if own => return Err(Problem::field(error)),
            // Below, what the judge already lets count needs no word.
            Err(_) => {}
            Ok(()) if overrule::add(barn, horse_id, &overrule, made_by).await? => {}
            Ok(()) => return Err(Problem::id_conflict("/overrule_id", new.overrule_id)),
        }
    }
    Ok(())
}

/// Take an overrule back; it stays known.
#[utoipa::path(
    delete, path = "/api/overrules/{overrule_id}", operation_id = "withdraw_overrule", tag = "overrules",
    params(("overrule_id" = Uuid, Path)),
    responses(
        (status = 204, description = "Taken back"),
        (status = 404, description = "No such overrule stands in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn withdraw(
    State(app): State<App>,
    Decider(signed): Decider,
    UrlPath(overrule_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    let horse_id = overrule::horse_of(&mut barn, overrule_id)
        .await?
        .ok_or_else(no_overrule)?;
    // The horse first, as everywhere: two who store something about it wait in turn.
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    if !overrule::withdraw(&mut barn, overrule_id).await? {
        return Err(no_overrule());
    }
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &[horse_id], signed.today()).await;
    Ok(StatusCode::NO_CONTENT)
}

/// How verdicts and overrules turned out.
#[derive(Serialize, ToSchema)]
struct Outcomes {
    /// Overrules, latest first, those taken back among them.
    overrules: Vec<OverruleOutcome>,
    /// Times the judge said advance, latest first.
    advances: Vec<AdvanceOutcome>,
}

/// An overrule and how it turned out.
#[derive(Serialize, ToSchema)]
pub struct OverruleOutcome {
    horse: Horse,
    level: LevelBrief,
    overrule: Overrule,
    /// Who made it.
    made_by: String,
    /// Whether it was taken back.
    withdrawn: bool,
    outcome: Outcome,
}

/// An advance and how it turned out.
#[derive(Serialize, ToSchema)]
struct AdvanceOutcome {
    horse: Horse,
    level: LevelBrief,
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// The version of the ladder it was made with.
    ladder_version: i32,
    /// The version of the program; null for the ladder as it ships.
    program_version: Option<i32>,
    outcome: Outcome,
}

/// How verdicts and overrules turned out.
#[utoipa::path(
    get, path = "/api/outcomes", operation_id = "show_outcomes", tag = "overrules",
    responses(
        (status = 200, description = "Every overrule and advance with what came of it", body = Outcomes),
    )
)]
async fn outcomes(State(app): State<App>, signed: Signed) -> Answer<Json<Outcomes>> {
    let today = signed.now();
    let owner = signed.only_horses_of();
    let mut barn = signed.look().await?;
    let horses: HashMap<Uuid, Horse> = horses::everyone(&mut barn, owner)
        .await?
        .into_iter()
        .map(|horse| (horse.horse_id, Horse::new(horse, today.year())))
        .collect();
    let ids: Vec<Uuid> = horses.keys().copied().collect();
    let overrules = overrule::list(&mut barn, owner).await?;
    let advances = kept_verdict::with_verdict(&mut barn, Verdict::Advance.word(), owner).await?;
    let judged: HashMap<Uuid, Arc<Judged>> = app
        .known
        .judged(barn, &ids, today.date())
        .await?
        .into_iter()
        .map(|judged| (judged.horse_id, judged))
        .collect();
    let turned_out = TurnedOut {
        horses,
        judged,
        today: today.date(),
    };
    Ok(Json(Outcomes {
        overrules: overrules
            .into_iter()
            .filter_map(|kept| turned_out.overrule(kept))
            .collect(),
        advances: advances
            .into_iter()
            .filter_map(|said| turned_out.advance(said))
            .collect(),
    }))
}

/// The horses as they are judged today, to tell how what was decided turned out.
pub struct TurnedOut {
    pub horses: HashMap<Uuid, Horse>,
    pub judged: HashMap<Uuid, Arc<Judged>>,
    pub today: Date,
}

impl TurnedOut {
    /// None for a level that is no longer on the horse's ladder.
    fn of(&self, horse_id: Uuid, level: &Level, day: Date) -> Option<(Horse, LevelBrief, Outcome)> {
        let judged = self.judged.get(&horse_id)?;
        let index = judged.ladder().position(level)?;
        let history = &judged.standings[index].history;
        Some((
            self.horses.get(&horse_id)?.clone(),
            LevelBrief::of(&judged.ladder().levels[index], judged.ladder()),
            outcome(day, &history.days, &history.changes, self.today),
        ))
    }

    /// A decision and how it turned out; none for a level that is no longer on the ladder.
    pub fn overrule(&self, kept: overrule::KeptOverrule) -> Option<OverruleOutcome> {
        let (horse, level, outcome) =
            self.of(kept.horse_id, &kept.overrule.level, kept.overrule.day)?;
        Some(OverruleOutcome {
            horse,
            level,
            made_by: kept.made_by,
            withdrawn: kept.withdrawn_at.is_some(),
            overrule: kept.overrule,
            outcome,
        })
    }

    fn advance(&self, said: kept_verdict::VerdictOfDay) -> Option<AdvanceOutcome> {
        let level = Level::new(&said.skill, &said.rung);
        let (horse, level, outcome) = self.of(said.horse_id, &level, said.day)?;
        Some(AdvanceOutcome {
            horse,
            level,
            day: said.day,
            ladder_version: said.ladder_version,
            program_version: said.program_version,
            outcome,
        })
    }
}
