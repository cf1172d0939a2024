//! What the demo's owner is shown: a note, and the report of the month before, sent. Through
//! the public API, as a trainer would.

use anyhow::Context;
use cavesson_client::Client;
use jiff::civil::Date;
use jiff::{ToSpan, Zoned};
use serde_json::{Value, json};
use uuid::Uuid;

/// The horse whose owner asks.
const HORSE: &str = "Oatcake";

/// Tells the owner of one horse how it is doing.
pub async fn tell(trainer: &Client, now: &Zoned) -> anyhow::Result<()> {
    let horses = trainer.horses().await?;
    let horse = horses.iter().find(|horse| horse.name == HORSE);
    let horse_id = horse.context(HORSE)?.horse_id;
    let note = json!({
        "note_id": Uuid::now_v7(),
        "day": now.date(),
        "text": "He stands at the gate now until he is asked. Come by on a Thursday and see him.",
    });
    trainer
        .post(&format!("/api/horses/{horse_id}/owner-notes"), &note)
        .await?;
    let month: Date = now.date().first_of_month().saturating_sub(1.day());
    let write = format!(
        "/api/horses/{horse_id}/reports?month={}",
        month.strftime("%Y-%m")
    );
    let report: Value = trainer.post_for(&write, &json!({})).await?;
    let path = format!(
        "/api/reports/{}",
        report["report_id"].as_str().context("a report")?
    );
    let own = json!({
        "part": "trainer",
        "text": "We took it slowly with him: short rides, and home on a good one.",
    });
    let written = report["sections"].as_array().into_iter().flatten().cloned();
    let sections: Vec<Value> = std::iter::once(own).chain(written).collect();
    trainer.put(&path, &json!({ "sections": sections })).await?;
    trainer.post(&format!("{path}/send"), &json!({})).await?;
    Ok(())
}
