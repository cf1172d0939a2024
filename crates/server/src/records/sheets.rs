//! Sheets of a barn as CSV: read row by row and sent on, so that a large barn takes no more
//! memory than a small one.

use std::collections::HashMap;

use axum::Json;
use axum::body::{Body, Bytes};
use axum::extract::State;
use axum::http::header;
use axum::response::{IntoResponse, Response};
use cavesson_core::exchange::sheet::{Sheet, SheetWriter, give_cells};
use cavesson_store::BarnTransaction;
use cavesson_store::horse::horses;
use cavesson_store::records::sheet;
use cavesson_store::records::sheet::AskOfSheet;
use cavesson_store::records::sheet::Cells;
use futures_util::StreamExt;
use serde::Serialize;
use tokio::sync::mpsc::{Sender, channel};
use tokio_stream::wrappers::ReceiverStream;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse_record::HorseLadder;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Trainer;
use crate::http::url::UrlPath;
use crate::route;

/// Bytes sent on at once.
const AT_ONCE: usize = 64 * 1024;

/// Which sheets there are.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(list))
}

/// A sheet itself: it may take longer than other answers.
pub fn lasting_routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(take))
}

/// A sheet and its columns.
#[derive(Serialize, ToSchema)]
struct SheetShown {
    sheet: Sheet,
    columns: Vec<SheetColumn>,
}

/// A column of a sheet.
#[derive(Serialize, ToSchema)]
struct SheetColumn {
    name: &'static str,
    /// What stands in it.
    says: &'static str,
}

/// The sheets, and what stands in them.
#[utoipa::path(
    get, path = "/api/sheets", operation_id = "list_sheets", tag = "sheets",
    responses((status = 200, description = "The sheets", body = [SheetShown]))
)]
async fn list(_: Trainer) -> Json<Vec<SheetShown>> {
    let shown = Sheet::ALL.into_iter().map(|sheet| SheetShown {
        sheet,
        columns: sheet
            .columns()
            .iter()
            .map(|(name, says)| SheetColumn { name, says })
            .collect(),
    });
    Json(shown.collect())
}

/// A sheet of the barn: horses, herd, rides, runs or asks.
#[utoipa::path(
    get, path = "/api/sheets/{sheet}", operation_id = "take_sheet", tag = "sheets",
    params(("sheet" = String, Path)),
    responses(
        (status = 200, description = "The sheet (RFC 4180)", body = String, content_type = "text/csv"),
        (status = 404, description = "No sheet of that name", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn take(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(word): UrlPath<String>,
) -> Answer<Response> {
    let sheet = Sheet::from_word(&word).ok_or_else(|| {
        let all: Vec<&str> = Sheet::ALL.iter().map(|sheet| sheet.word()).collect();
        Problem::not_found(format!("no sheet {word}; they are {}", all.join(", ")))
    })?;
    let mut barn = signed.look().await?;
    let horses = horses::everyone(&mut barn, None).await?;
    let ids: Vec<Uuid> = horses.iter().map(|horse| horse.horse_id).collect();
    let ladders = app
        .known
        .ladders
        .of_horses(&mut barn, &ids, signed.today())
        .await?;
    let (to, rows) = channel(4);
    tokio::spawn(async move {
        let written = write(&mut barn, sheet, &ladders, &to).await;
        if let Err(error) = written
            && !matches!(error, Broken::HungUp)
        {
            tracing::error!(%error, sheet = sheet.word(), "sheet");
            // Cut off, so that nobody takes a part for the whole.
            let broken = std::io::Error::other("the sheet broke off");
            let _ = to.send(Err(broken)).await;
        }
    });
    let name = format!(
        "attachment; filename=\"{}-{}-{}.csv\"",
        signed.barn.handle,
        sheet.word(),
        signed.today()
    );
    let headers = [
        (header::CONTENT_TYPE, "text/csv; charset=utf-8".to_owned()),
        (header::CONTENT_DISPOSITION, name),
    ];
    Ok((headers, Body::from_stream(ReceiverStream::new(rows))).into_response())
}

/// Why a sheet was not written to its end.
#[derive(Debug, thiserror::Error)]
enum Broken {
    #[error(transparent)]
    Store(#[from] cavesson_store::StoreError),
    #[error(transparent)]
    Csv(#[from] csv::Error),
    #[error("whoever asked hung up")]
    HungUp,
}

type Sent = Sender<std::io::Result<Bytes>>;

async fn write(
    barn: &mut BarnTransaction,
    sheet: Sheet,
    ladders: &HashMap<Uuid, HorseLadder>,
    to: &Sent,
) -> Result<(), Broken> {
    let mut writer = SheetWriter::new(sheet)?;
    match sheet {
        Sheet::Horses => rows(&mut writer, sheet::horses(barn).await?)?,
        Sheet::Herd => rows(&mut writer, sheet::herd(barn).await?)?,
        Sheet::Runs => rows(&mut writer, sheet::runs(barn).await?)?,
        Sheet::Rides => {
            let mut rides = std::pin::pin!(sheet::rides(barn));
            while let Some(cells) = rides.next().await {
                row(&mut writer, &cells?)?;
                send_on(&mut writer, AT_ONCE, to).await?;
            }
        }
        Sheet::Asks => {
            let mut asks = std::pin::pin!(sheet::asks(barn));
            while let Some(ask) = asks.next().await {
                row(&mut writer, &ask_cells(ask?, ladders))?;
                send_on(&mut writer, AT_ONCE, to).await?;
            }
        }
    }
    send_on(&mut writer, 0, to).await
}

fn rows(writer: &mut SheetWriter, all: Vec<Cells>) -> Result<(), csv::Error> {
    all.iter().try_for_each(|cells| row(writer, cells))
}

fn row(writer: &mut SheetWriter, cells: &Cells) -> Result<(), csv::Error> {
    writer.row(cells.iter().map(|cell| cell.as_deref().unwrap_or_default()))
}

fn ask_cells(ask: AskOfSheet, ladders: &HashMap<Uuid, HorseLadder>) -> Cells {
    let level = ladders
        .get(&ask.horse_id)
        .and_then(|on| on.ladder.at(&ask.level));
    let soft = level
        .zip(ask.measure.as_ref().filter(|measure| measure.is_judged()))
        .map(|(level, measure)| {
            let soft = measure.is_soft(&level.gate.soft, level.gait);
            if soft { "yes" } else { "no" }.to_owned()
        });
    let kind = ask
        .measure
        .as_ref()
        .map(|measure| measure.kind().word().to_owned());
    let give = ask
        .measure
        .as_ref()
        .map_or_else(Default::default, give_cells);
    let mut cells = ask.cells;
    cells.extend([soft, kind]);
    cells.extend(give.map(Some));
    cells.push(Some(ask.measured));
    cells.push(Some(ask.faults.join(" ")));
    cells.push(ask.taken_back.then(|| "yes".to_owned()));
    cells
}

/// Sends on what was written, once it is enough; whoever has hung up ends it.
async fn send_on(writer: &mut SheetWriter, at_least: usize, to: &Sent) -> Result<(), Broken> {
    if let Some(bytes) = writer.take(at_least)? {
        to.send(Ok(bytes.into()))
            .await
            .map_err(|_| Broken::HungUp)?;
    }
    Ok(())
}
