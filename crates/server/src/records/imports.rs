//! CSV sheets brought in: looked at row by row, stored whole or not at all, taken back whole.

use std::collections::{HashMap, HashSet};

use axum::extract::{DefaultBodyLimit, State};
use axum::http::StatusCode;
use axum::response::{IntoResponse, Response};
use axum::{Extension, Json};
use cavesson_core::bounds::{FILE_NAME_LETTERS, FieldError};
use cavesson_core::cattle::cow::CowKind;
use cavesson_core::exchange::import::{
    Import, Known, LotKnown, Made, Matched, RideKnown, SheetRead, ids_named, matched, read,
};
use cavesson_core::exchange::sheet::Sheet;
use cavesson_core::person::Role;
use cavesson_core::ride::clock;
use cavesson_core::text::check_text;
use cavesson_core::yard::CattleKind;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::cattle_lot;
use cavesson_store::barn::person;
use cavesson_store::cattle::cow;
use cavesson_store::ground::course;
use cavesson_store::horse::horses;
use cavesson_store::records::import;
use cavesson_store::records::import::NewImport;
use cavesson_store::ride::rep;
use cavesson_store::ride::rep::PlacedRep;
use jiff::Timestamp;
use jiff::civil::Date;
use jiff::tz::TimeZone;
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse::horses::program_names;
use crate::horse_record::keep::judge_and_keep;
use crate::http::audit::keep::Unchanged;
use crate::http::body::{MOST_SHEET_BYTES, SheetBytes};
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Signed, Trainer};
use crate::http::url::{UrlPath, UrlQuery};
use crate::route;

/// Imports that are listed.
const LISTED: i64 = 100;
/// From so many rows on the database looks at its tables anew.
const MANY_ROWS: u64 = 1_000;
/// Asks stored with one statement.
const REPS_AT_ONCE: usize = 5_000;

/// The imports' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(list))
}

/// Those that may take longer than others.
pub fn lasting_routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(check))
        .routes(route!(bring_in))
        .routes(route!(undo))
        .layer(DefaultBodyLimit::max(MOST_SHEET_BYTES))
}

/// How a file is to be read.
#[derive(Debug, Clone, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
struct How {
    /// Which sheet it is.
    #[param(inline)]
    sheet: Sheet,
    /// The sheet's columns in the order of the file's, apart by commas; empty for one that is left
    /// out: `day,horse,,skill`.
    columns: String,
    /// Its first row names the columns.
    #[serde(default = "yes")]
    heads: bool,
    /// The name of the file.
    #[param(min_length = 1, max_length = 200)]
    name: String,
    /// Of a herd: the lot of rows that name none.
    #[serde(default)]
    lot_id: Option<Uuid>,
}

fn yes() -> bool {
    true
}

/// A sheet that was brought in.
#[derive(Serialize, ToSchema)]
struct ImportShown {
    import_id: Uuid,
    sheet: Sheet,
    /// The name of its file.
    name: String,
    rows: i32,
    made: Made,
    /// Who brought it in.
    by: String,
    #[schema(value_type = String, format = DateTime)]
    at: Timestamp,
    /// When it was taken back; null while it stands.
    #[schema(value_type = Option<String>, format = DateTime)]
    undone_at: Option<Timestamp>,
}

/// A sheet that was brought in now.
#[derive(Serialize, ToSchema)]
struct ImportMade {
    /// null where something did not fit: nothing was stored.
    import_id: Option<Uuid>,
    /// What was read.
    read: SheetRead,
}

/// Sheets that were brought in, latest first; at most 100.
#[utoipa::path(
    get, path = "/api/imports", operation_id = "list_imports", tag = "sheets",
    responses((status = 200, description = "The sheets", body = [ImportShown]))
)]
async fn list(Trainer(signed): Trainer) -> Answer<Json<Vec<ImportShown>>> {
    let all = import::list(&mut signed.look().await?, LISTED).await?;
    let shown = all.into_iter().map(|one| ImportShown {
        import_id: one.import_id,
        sheet: one.sheet,
        name: one.name,
        rows: one.rows,
        made: one.made,
        by: one.by,
        at: one.at,
        undone_at: one.undone_at,
    });
    Ok(Json(shown.collect()))
}

/// Read a sheet and say what it would make and what does not fit. Nothing is stored.
#[utoipa::path(
    post, path = "/api/imports/check", operation_id = "check_sheet", tag = "sheets", params(How),
    request_body(content = String, content_type = "text/csv"),
    responses(
        (status = 200, description = "What was read", body = SheetRead),
        (status = 422, description = "No text, or columns that do not match", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn check(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlQuery(how): UrlQuery<How>,
    SheetBytes(bytes): SheetBytes,
) -> Answer<Json<SheetRead>> {
    let mut barn = signed.look().await?;
    let (_, read) = read_sheet(&app, &signed, &mut barn, how, bytes).await?;
    Ok(Json(read))
}

/// Bring a sheet in: all its rows, or nothing where any of them doesn't fit.
#[utoipa::path(
    post, path = "/api/imports", operation_id = "import_sheet", tag = "sheets", params(How),
    request_body(content = String, content_type = "text/csv"),
    responses(
        (status = 200, description = "What was read; all of it is stored, or nothing", body = ImportMade),
        (status = 422, description = "No text, or columns that do not match; nothing was stored", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn bring_in(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlQuery(how): UrlQuery<How>,
    SheetBytes(bytes): SheetBytes,
) -> Answer<Response> {
    let mut barn = signed.write().await?;
    let (sheet, name) = (how.sheet, how.name.clone());
    let (found, read) = read_sheet(&app, &signed, &mut barn, how, bytes).await?;
    if read.wrong_rows > 0 {
        let made = ImportMade {
            import_id: None,
            read,
        };
        return Ok((Extension(Unchanged), Json(made)).into_response());
    }
    let now = signed.now().timestamp();
    let import_id = Uuid::now_v7();
    let new = NewImport {
        import_id,
        sheet,
        name: &name,
        rows: read.rows,
        made: read.makes,
        by_id: signed.person.person_id,
        at: now,
    };
    let touched = touched(&found);
    horses::raise_versions(&mut barn, &touched).await?;
    import::add(&mut barn, &new).await?;
    store(&mut barn, &signed, import_id, &found, now).await?;
    barn.commit().await?;
    // A large sheet takes room that judging needs.
    drop(found);
    if read.rows >= MANY_ROWS {
        import::look_at_tables(&app.pool).await?;
    }
    judge_and_keep(&app, signed.barn.barn_id, &touched, signed.today()).await;
    let made = ImportMade {
        import_id: Some(import_id),
        read,
    };
    Ok(Json(made).into_response())
}

/// Take a sheet back: everything that came with it goes.
#[utoipa::path(
    delete, path = "/api/imports/{import_id}", operation_id = "undo_import", tag = "sheets",
    params(("import_id" = Uuid, Path)),
    responses(
        (status = 204, description = "Taken back, or it was"),
        (status = 409, description = "Something that was written down since rests on it; nothing was taken back", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn undo(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(import_id): UrlPath<Uuid>,
) -> Answer<Response> {
    let mut barn = signed.write().await?;
    match import::stands(&mut barn, import_id).await? {
        None => {
            return Err(Problem::not_found(
                "no sheet of this id was brought in here",
            ));
        }
        Some(false) => return Ok((Extension(Unchanged), StatusCode::NO_CONTENT).into_response()),
        Some(true) => {}
    }
    let touched = import::horses_of(&mut barn, import_id).await?;
    horses::raise_versions(&mut barn, &touched).await?;
    import::undo(&mut barn, import_id, &touched, app.clock.now()).await?;
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &touched, signed.today()).await;
    Ok(StatusCode::NO_CONTENT.into_response())
}

/// The horses of which more is known after the import.
fn touched(found: &Import) -> Vec<Uuid> {
    let ridden = found.rides.iter().map(|ride| ride.ride.horse_id);
    let asked = found.reps.iter().map(|rep| rep.horse_id);
    let all: HashSet<Uuid> = ridden.chain(asked).collect();
    all.into_iter().collect()
}

/// What a barn has that rows may name, taken along to where they are read.
struct Names {
    person_id: Uuid,
    riders: Vec<(Uuid, String)>,
    owners: Vec<(Uuid, String)>,
    programs: Vec<(Uuid, String)>,
    horses: Vec<(Uuid, String)>,
    courses: Vec<(Uuid, String)>,
    lots: Vec<LotKnown>,
    rides: HashMap<Uuid, RideKnown>,
    reps: HashSet<Uuid>,
    today: Date,
    now: Timestamp,
    time_zone: TimeZone,
}

async fn names(
    signed: &Signed,
    barn: &mut BarnTransaction,
    rides: &[Uuid],
    reps: &[Uuid],
) -> Answer<Names> {
    let members = person::members(barn).await?;
    let named = |role: fn(Role) -> bool| {
        let members = members.iter().filter(|one| role(one.person.role));
        members
            .map(|one| (one.person.person_id, one.person.name.clone()))
            .collect()
    };
    let horses = horses::everyone(barn, None).await?;
    let mut lots = Vec::new();
    for lot in cattle_lot::list(barn).await? {
        if lot.put_away_at.is_some() {
            continue;
        }
        let cattle = cow::list(barn, Some(lot.lot_id)).await?;
        lots.push(LotKnown {
            lot_id: lot.lot_id,
            kind: match lot.sheet.kind {
                CattleKind::Steers => CowKind::Steer,
                CattleKind::Cows => CowKind::Cow,
                _ => CowKind::Heifer,
            },
            name: lot.sheet.name,
            tags: cattle
                .into_iter()
                .filter(|cow| cow.put_away_at.is_none())
                .map(|cow| cow.sheet.tag)
                .collect(),
        });
    }
    Ok(Names {
        person_id: signed.person.person_id,
        riders: named(|role| role != Role::Owner),
        owners: named(|role| role == Role::Owner),
        programs: program_names(barn).await?,
        horses: horses
            .into_iter()
            .map(|horse| (horse.horse_id, horse.name))
            .collect(),
        courses: course::list(barn)
            .await?
            .into_iter()
            .map(|course| (course.course_id, course.sheet.name))
            .collect(),
        lots,
        rides: import::rides_known(barn, rides).await?,
        reps: import::reps_known(barn, reps).await?.into_iter().collect(),
        today: signed.today(),
        now: signed.now().timestamp(),
        time_zone: signed.now().time_zone().clone(),
    })
}

/// Reads a sheet with what the barn has.
async fn read_sheet(
    app: &App,
    signed: &Signed,
    barn: &mut BarnTransaction,
    how: How,
    bytes: axum::body::Bytes,
) -> Answer<(Import, SheetRead)> {
    check_text(FILE_NAME_LETTERS, "/name", &how.name).map_err(Problem::field)?;
    let columns: Matched =
        matched(how.sheet, how.columns.split(',').map(str::trim)).map_err(Problem::field)?;
    let ids = {
        let (bytes, columns) = (bytes.clone(), columns.clone());
        let named = move |column| ids_named(&bytes, &columns, how.heads, column);
        app.work
            .judging
            .run(move || Ok::<_, FieldError>((named("ride_id")?, named("rep_id")?)))
            .await?
    };
    let (rides, reps) = ids.map_err(Problem::field)?;
    let names = names(signed, barn, &rides, &reps).await?;
    let reading = app.work.judging.run(move || {
        let known = Known {
            person_id: names.person_id,
            riders: &names.riders,
            owners: &names.owners,
            programs: &names.programs,
            horses: &names.horses,
            courses: &names.courses,
            lots: &names.lots,
            lot_id: how.lot_id,
            rides: &names.rides,
            reps: &names.reps,
            today: names.today,
            now: names.now,
            time_zone: &names.time_zone,
        };
        read(
            how.sheet,
            &bytes,
            &columns,
            how.heads,
            &known,
            &mut Uuid::now_v7,
        )
    });
    reading.await?.map_err(Problem::field)
}

async fn store(
    barn: &mut BarnTransaction,
    signed: &Signed,
    import_id: Uuid,
    found: &Import,
    now: Timestamp,
) -> Answer<()> {
    let mut horses = Vec::new();
    for sheet in &found.horses {
        let horse_id = Uuid::now_v7();
        horses::add(barn, horse_id, &sheet.clone().trimmed()).await?;
        horses.push(horse_id);
    }
    import::mark_horses(barn, import_id, &horses).await?;
    let mut cattle = Vec::new();
    for (lot_id, sheet) in &found.cattle {
        let cow_id = Uuid::now_v7();
        cow::add(barn, cow_id, *lot_id, sheet).await?;
        cattle.push(cow_id);
    }
    import::mark_cattle(barn, import_id, &cattle).await?;
    import::put_rides(barn, import_id, &found.rides).await?;
    import::put_blocks(barn, &found.blocks).await?;
    for reps in found.reps.chunks(REPS_AT_ONCE) {
        let placed: Vec<PlacedRep<'_>> = reps
            .iter()
            .map(|one| PlacedRep {
                rep: &one.rep,
                horse_id: one.horse_id,
                asked_at: clock::after(one.rep.asked_at, 0, now),
            })
            .collect();
        let stored = rep::put(barn, &placed, signed.person.person_id, Some(import_id)).await?;
        if stored.len() < placed.len() {
            return Err(Problem::keeps_the_barn(
                "asks of this sheet were stored by somebody else just now; look it through again. Nothing was brought in",
            ));
        }
    }
    Ok(())
}
