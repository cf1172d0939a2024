//! How riders differ, found anew each day from the days before it.

use cavesson_core::evidence::rider::{LOOK_BACK_DAYS, RiderDay, rider_offsets};
use cavesson_store::BarnTransaction;
use cavesson_store::horse::horses;
use cavesson_store::horse::rider_offset;
use jiff::ToSpan;
use jiff::civil::Date;
use uuid::Uuid;

use super::judged::ReadHorse;
use crate::App;
use crate::http::problem::Answer;

/// Compares the riders of a barn, unless that was done today. Horses are judged by the
/// new comparison from then on.
pub async fn compare(app: &App, barn_id: Uuid, today: Date) -> Answer<()> {
    let mut look = BarnTransaction::look(&app.pool, barn_id).await?;
    if rider_offset::is_compared(&mut look, today).await? {
        return Ok(());
    }
    let horses = horses::list(&mut look, None).await?;
    let ids: Vec<Uuid> = horses.into_iter().map(|horse| horse.horse_id).collect();
    let read = app.known.read(&mut look, &ids, today).await?;
    drop(look);
    let offsets = app
        .work
        .judging
        .run(move || rider_offsets(&rider_days(&read, today)))
        .await?;
    let mut barn = BarnTransaction::begin(&app.pool, barn_id).await?;
    rider_offset::keep(&mut barn, today, &offsets).await?;
    barn.commit().await?;
    Ok(())
}

fn rider_days(read: &[ReadHorse], today: Date) -> Vec<RiderDay> {
    let from = today.saturating_sub(LOOK_BACK_DAYS.days());
    read.iter()
        .flat_map(|horse| {
            let file = horse.known.file(&horse.on_ladder.ladder);
            file.rider_days(horse.horse_id, from, today)
        })
        .collect()
}
