//! Who rode a horse lately, and how each differs from the barn's usual rider. For
//! those who decide: it is about people.

use std::collections::HashMap;

use cavesson_core::evidence::rider::RiderOffset;
use cavesson_core::judge::words;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::person;
use jiff::ToSpan;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::horse_record::Judged;
use crate::http::problem::Answer;

/// Days looked back for who rode.
const LOOK_BACK_DAYS: i64 = 28;

/// Somebody who rode the horse in the last four weeks.
#[derive(Serialize, ToSchema)]
pub struct HorseRider {
    rider_id: Uuid,
    /// Their name.
    name: String,
    /// Rides of this horse in the last four weeks.
    rides: usize,
    /// How they differ from the barn's usual rider, over all horses; null where nobody
    /// else asked the same levels of the same horses within a fortnight.
    difference: Option<RiderOffset>,
    /// The same in a sentence.
    text: String,
}

/// The names of the barn's people.
pub async fn names(barn: &mut BarnTransaction) -> Answer<HashMap<Uuid, String>> {
    Ok(person::names(barn).await?.into_iter().collect())
}

/// Who rode the horse lately, the one who rode most first.
pub fn of_horse(judged: &Judged, names: &HashMap<Uuid, String>) -> Vec<HorseRider> {
    let mut found: Vec<HorseRider> = rides_by(judged, judged.on)
        .into_iter()
        .map(|(rider_id, rides)| {
            let difference = judged
                .riders
                .latest
                .iter()
                .find(|rider| rider.rider_id == rider_id);
            HorseRider {
                rider_id,
                name: names.get(&rider_id).cloned().unwrap_or_default(),
                rides,
                difference: difference.copied(),
                text: words::rider(difference),
            }
        })
        .collect();
    found.sort_by(|a, b| b.rides.cmp(&a.rides).then_with(|| a.name.cmp(&b.name)));
    found
}

fn rides_by(judged: &Judged, on: Date) -> HashMap<Uuid, usize> {
    let oldest = on.saturating_sub(LOOK_BACK_DAYS.days());
    let mut rides = HashMap::new();
    let lately = judged.file.rides.iter();
    for ride in lately.filter(|ride| ride.day > oldest && ride.day <= on) {
        if let Some(rider_id) = ride.rider_id {
            *rides.entry(rider_id).or_default() += 1;
        }
    }
    rides
}
