//! A horse as a whole: the one thing to do next, every level, the soft map, first
//! asks, holes, slips, season, care.

use axum::Json;
use axum::extract::State;
use cavesson_core::Side;
use cavesson_core::evidence::first_ask::first_asks;
use cavesson_core::evidence::slip::Slip;
use cavesson_core::horse::care::due;
use cavesson_core::horse::{CareDue, CareNote, Sex};
use cavesson_core::judge::next::next_level;
use cavesson_core::judge::sides::{LevelSides, sides};
use cavesson_core::judge::soft_map::{MapZone, soft_map};
use cavesson_core::judge::track::{StiffSide, stiff_side};
use cavesson_core::judge::{self, Standing};
use cavesson_core::judge::{
    Caution, FaultEvidence, FoundHole, Overrule, State as LevelState, Verdict, caution,
    faults_seen, holes, level, words,
};
use cavesson_core::ride::quit_use::{QuitUse, quit_use};
use cavesson_store::horse::card_block;
use jiff::ToSpan;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse::card_blocks::CardBlock;
use crate::horse::horse_riders::{self, HorseRider};
use crate::horse::horses::Horse;
use crate::horse::levels::LevelBrief;
use crate::horse::season::{Season, days_in_season, season_of};
use crate::horse_record::Judged;
use crate::horse_record::horse_ladder::Unfit;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;
use crate::http::url::{On, UrlPath, UrlQuery};
use crate::route;

/// Days of first asks that are shown.
const FIRST_ASK_DAYS: i64 = 60;

/// The horse page's route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// A horse as a whole.
#[derive(Serialize, ToSchema)]
struct HorsePage {
    horse: Horse,
    /// The date it was judged for.
    #[schema(value_type = String, format = Date)]
    on: Date,
    /// The version of the ladder.
    ladder_version: u32,
    /// The horse's program; null for the ladder as it ships.
    program_id: Option<Uuid>,
    /// Its version.
    program_version: Option<i32>,
    /// Why the program it is on does not judge it, when it no longer fits.
    program_unfit: Option<String>,
    /// How much of what is stored of it this version of the program cannot read. It
    /// is kept, and not judged.
    unreadable: usize,
    /// The one thing to do next; null for a horse with nothing open.
    next: Option<Next>,
    /// Who should look at the horse first, in sentences.
    cautions: Vec<String>,
    /// What the last ride asked, and what it changed; null before the first.
    last_ride: Option<LastRide>,
    /// Every level of its ladder, needs first.
    levels: Vec<HorseLevel>,
    /// Where it is soft: the last fourteen days against the fourteen before.
    soft_map: Vec<MapZone>,
    /// The stiff side over all work, when one is.
    stiff_side: Option<StiffSide>,
    /// Left against right at every level asked on each side in the last four weeks, the
    /// most uneven first.
    sides: Vec<LevelSides>,
    /// First asks of the last sixty days, oldest first.
    first_asks: Vec<HorseFirstAsk>,
    /// Faults of the last four weeks, the one that comes most first.
    faults: Vec<FaultEvidence>,
    /// The holes under its faults, strongest first.
    holes: Vec<FoundHole>,
    /// Held levels that slip against their settled level.
    slips: Vec<HorseSlip>,
    /// A mare's season; null for others.
    season: Option<Season>,
    care: Vec<CareNote>,
    /// Care that comes again, the earliest first.
    care_due: Vec<CareDue>,
    /// Decisions of the trainer that stand, oldest first.
    overrules: Vec<Overrule>,
    /// Who rode the horse lately and how they differ; for those who decide, empty for
    /// others.
    riders: Vec<HorseRider>,
    /// Blocks on the cards of today and later.
    card: Vec<CardBlock>,
    /// What came of quitting on a good one, against going on.
    quit_use: QuitUse,
    /// What its intake showed; null for a horse without one.
    intake: Option<IntakeInShort>,
}

/// What an intake showed, in short.
#[derive(Serialize, ToSchema)]
struct IntakeInShort {
    /// The day of its last ride.
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// Levels shown.
    shown: usize,
    /// Of those waiting for a first ask.
    waiting: usize,
    /// Levels missing under what it does, that are not held since.
    holes: Vec<LevelBrief>,
}

/// The one thing to do next.
#[derive(Serialize, ToSchema)]
struct Next {
    level: LevelBrief,
    verdict: Verdict,
    /// The verdict in a sentence.
    text: String,
    /// What it would take.
    takes: String,
    /// When, as a range of rides, in a sentence.
    forecast: String,
}

/// The last day the horse was ridden.
#[derive(Serialize, ToSchema)]
struct LastRide {
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// The last ride of that day.
    ride_id: Uuid,
    /// What was asked, those whose verdict changed first.
    asked: Vec<AskedLevel>,
}

/// A level asked on the last day.
#[derive(Serialize, ToSchema)]
struct AskedLevel {
    /// The index of the level.
    level: usize,
    soft: u32,
    asked: u32,
    /// What was said by its gate the last time before; null when it was asked first.
    before: Option<Verdict>,
    /// What is said now.
    now: Verdict,
}

/// Where a level of the horse stands.
#[derive(Serialize, ToSchema)]
struct HorseLevel {
    level: LevelBrief,
    verdict: Verdict,
    state: LevelState,
    /// Soft and asked of each side in the gate's window.
    sides: Vec<cavesson_core::judge::standing::SideCount>,
    #[schema(value_type = Option<String>, format = Date)]
    last_asked: Option<Date>,
    #[schema(value_type = Option<String>, format = Date)]
    held_since: Option<Date>,
    /// Whether what rests on it may count on it.
    counts_as_held: bool,
    /// Asked lately, and not held, in doubt, sent down, or to be looked at first.
    under_way: bool,
    /// The first day it was asked.
    #[schema(value_type = Option<String>, format = Date)]
    first_asked: Option<Date>,
    /// What holds it, in a few words; empty when nothing does.
    holds: String,
    /// The indexes of the levels it needs; of each need the alternatives.
    needs: Vec<Vec<usize>>,
    /// Rides on which it was asked.
    days: usize,
}

/// The first ask of a level on a day and side.
#[derive(Serialize, ToSchema)]
struct HorseFirstAsk {
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// The index of the level.
    level: usize,
    side: Side,
    soft: bool,
    rep_id: Uuid,
}

/// A held level that slips.
#[derive(Serialize, ToSchema)]
struct HorseSlip {
    /// The index of the level.
    level: usize,
    slip: Slip,
}

/// A horse as a whole on a date.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/page", operation_id = "show_horse_page", tag = "horses",
    params(("horse_id" = Uuid, Path), On),
    responses(
        (status = 200, description = "The horse, every level judged", body = HorsePage),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A date that cannot be read", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath(horse_id): UrlPath<Uuid>,
    UrlQuery(query): UrlQuery<On>,
) -> Answer<Json<HorsePage>> {
    let today = signed.now();
    let on = query.day(today.date())?;
    let mut barn = signed.look().await?;
    let stored = signed.horse(&mut barn, horse_id).await?;
    let card = card_block::of_horse_from(&mut barn, horse_id, today.date()).await?;
    let names = if signed.person.role.decides() {
        Some(horse_riders::names(&mut barn).await?)
    } else {
        None
    };
    let judged = app.known.judged_horse(barn, horse_id, on).await?;
    let year = today.year();
    let page = app.work.judging.run(move || HorsePage {
        riders: names.map_or_else(Vec::new, |names| horse_riders::of_horse(&judged, &names)),
        ..page(stored, &judged, card, year)
    });
    Ok(Json(page.await?))
}

fn page(
    stored: cavesson_store::horse::horses::Horse,
    judged: &Judged,
    card: Vec<card_block::CardBlock>,
    year: i16,
) -> HorsePage {
    let mare = judged.file.sex == Some(Sex::Mare);
    let (on, ladder) = (judged.on, judged.ladder());
    HorsePage {
        horse: Horse::new(stored, year),
        on,
        ladder_version: ladder.version,
        program_id: judged.on_ladder.program.map(|(id, _)| id),
        program_version: judged.on_ladder.program.map(|(_, version)| version),
        program_unfit: judged.on_ladder.unfit.as_deref().map(unfit_in_words),
        unreadable: judged.known.unreadable(),
        next: next(judged),
        cautions: caution::of_horse(&judged.file.care, &judged.file.rides, on)
            .iter()
            .chain(&caution::of_mouth(&judged.file.care, on))
            .chain(&caution::of_fast_work(&judged.file.care, on))
            .map(words::caution)
            .collect(),
        last_ride: last_ride(judged),
        levels: horse_levels(judged),
        soft_map: soft_map(ladder, &judged.file, on),
        stiff_side: stiff_side(&judged.file, on),
        sides: sides(ladder, &judged.file, on),
        first_asks: horse_first_asks(judged),
        faults: faults_seen(ladder, &judged.file, on),
        holes: holes(ladder, &judged.file, &judged.standings, on),
        slips: slips(judged),
        season: mare.then(|| season_of(judged)),
        care: judged.file.care.clone(),
        care_due: due(&judged.file.care, &days_in_season(judged), on),
        overrules: judged.file.overrules.clone(),
        riders: Vec::new(),
        card: card
            .into_iter()
            .map(|block| CardBlock::of(block, ladder))
            .collect(),
        quit_use: quit_use(&judged.file, Date::MIN, on),
        intake: intake_in_short(judged),
    }
}

fn intake_in_short(judged: &Judged) -> Option<IntakeInShort> {
    let ladder = judged.ladder();
    let intake = judged.file.intake.as_ref();
    let intake = intake.filter(|intake| intake.day <= judged.on)?;
    let waits = |standing: &&Standing| standing.state == judge::State::ShownAtIntake;
    let missing = |level: &&cavesson_core::ladder::Level| {
        let index = ladder.position(level);
        index.is_some_and(|index| !judged.standings[index].counts_as_held())
    };
    Some(IntakeInShort {
        day: intake.day,
        shown: intake.shown.len(),
        waiting: judged.standings.iter().filter(waits).count(),
        holes: intake
            .holes
            .iter()
            .filter(missing)
            .filter_map(|level| Some(LevelBrief::of(ladder.at(level)?, ladder)))
            .collect(),
    })
}

fn unfit_in_words(unfit: &Unfit) -> String {
    format!(
        "The program \"{}\" no longer fits ({}). Until it is saved again, the standard ladder judges.",
        unfit.name, unfit.why
    )
}

fn next(judged: &Judged) -> Option<Next> {
    let ladder = judged.ladder();
    let index = next_level(ladder, &judged.standings, judged.on)?;
    let said = level::of_standings(ladder, &judged.file, &judged.standings, index, judged.on);
    let forecast =
        level::forecast_of_standings(ladder, &judged.file, &judged.standings, index, judged.on);
    Some(Next {
        level: LevelBrief::of(&ladder.levels[index], ladder),
        verdict: said.verdict,
        text: said.text,
        takes: said.takes,
        forecast: words::forecast(&forecast, judged.file.sex),
    })
}

fn last_ride(judged: &Judged) -> Option<LastRide> {
    let mut ridden = judged.file.rides.iter();
    let last = ridden.rfind(|ride| ride.day <= judged.on)?;
    let mut asked: Vec<AskedLevel> = judged
        .standings
        .iter()
        .filter_map(|standing| {
            let history = &standing.history;
            let on_it = history.soft_days.last().filter(|day| day.day == last.day)?;
            let before = history.days.iter().rev().nth(1);
            Some(AskedLevel {
                level: standing.index,
                soft: on_it.all_sides().soft,
                asked: on_it.all_sides().asked,
                before: before.map(|day| day.verdict),
                now: standing.verdict,
            })
        })
        .collect();
    asked.sort_by_key(|one| one.before == Some(one.now));
    Some(LastRide {
        day: last.day,
        ride_id: last.ride_id,
        asked,
    })
}

fn horse_levels(judged: &Judged) -> Vec<HorseLevel> {
    let ladder = judged.ladder();
    judged
        .standings
        .iter()
        .map(|standing| {
            let level = &ladder.levels[standing.index];
            HorseLevel {
                level: LevelBrief::of(level, ladder),
                verdict: standing.verdict,
                state: standing.state,
                sides: standing.sides.clone(),
                last_asked: standing.last_asked,
                held_since: standing.retention.held_since,
                counts_as_held: standing.counts_as_held(),
                under_way: standing.is_under_way(judged.on),
                first_asked: standing.history.soft_days.first().map(|day| day.day),
                holds: holds(judged, standing),
                needs: level
                    .below
                    .iter()
                    .map(|below| vec![*below])
                    .chain(level.needs.iter().cloned())
                    .collect(),
                days: standing.history.soft_days.len(),
            }
        })
        .collect()
}

/// What holds a level, in a few words.
fn holds(judged: &Judged, standing: &Standing) -> String {
    let name = |index: &usize| judged.ladder().levels[*index].name.clone();
    if let Some(Caution::SideDrop(drop)) = standing.cautions.last() {
        return format!("the {} side dropped all at once", drop.side.word());
    }
    if let Some(missing) = standing.missing.first() {
        return format!("needs {}", name(missing));
    }
    if let Some(stale) = standing.stale.first() {
        return format!("rusty: {}", name(stale));
    }
    match standing.nearest {
        Some(nearest) => words::rail(nearest.limits, nearest.limits_side),
        None => String::new(),
    }
}

fn horse_first_asks(judged: &Judged) -> Vec<HorseFirstAsk> {
    let oldest = judged.on.saturating_sub(FIRST_ASK_DAYS.days());
    let ladder = judged.ladder();
    let mut all: Vec<HorseFirstAsk> = Vec::new();
    for (index, asks) in judged.file.asks.iter().enumerate() {
        let start = asks.partition_point(|ask| ask.day <= oldest);
        let end = asks.partition_point(|ask| ask.day <= judged.on);
        for side in ladder.levels[index].asked_sides() {
            all.extend(
                first_asks(&asks[start..end], *side)
                    .into_iter()
                    .map(|first| HorseFirstAsk {
                        day: first.day,
                        level: index,
                        side: *side,
                        soft: first.soft,
                        rep_id: first.rep_id,
                    }),
            );
        }
    }
    all.sort_by_key(|first| (first.day, first.level, first.side));
    all
}

fn slips(judged: &Judged) -> Vec<HorseSlip> {
    judged
        .standings
        .iter()
        .filter_map(|standing| {
            let slip = standing.slip()?;
            slip.since.is_some().then_some(HorseSlip {
                level: standing.index,
                slip,
            })
        })
        .collect()
}
