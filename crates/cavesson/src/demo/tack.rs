//! The demo's tack: the shelf with its measures, what each horse was ridden in, rides in the
//! two-rein. Through the public API, as a user would.

use std::collections::HashMap;

use anyhow::Context;
use cavesson_client::Client;
use cavesson_core::gear::two_rein::TwoReinAsk;
use cavesson_core::ride::{HorseAsked, NewRide, RigFrom, ShareSaid};
use cavesson_core::rig::RigKind;
use serde_json::{Value, json};
use uuid::Uuid;

const SNAFFLE: &str = "Loose-ring snaffle";
const FIVE_EIGHTHS: &str = "Five-eighths bosal";
const HALF: &str = "Half-inch bosal";
const LOW_PORT: &str = "Low-port short shank";
const CORRECTION: &str = "Short-shank correction";
const TWO_REIN: &str = "Two-rein set";

/// The pieces on the shelf by name.
pub type Shelf = HashMap<String, (RigKind, Uuid)>;

fn shelf() -> Vec<Value> {
    let piece = |name: &str, kind: &str, note: &str, measures: Value, quiet: bool| json!({"name": name, "kind": kind, "note": note, "measures": measures, "quiet_hands": quiet});
    vec![
        piece(
            SNAFFLE,
            "snaffle",
            "Sweet iron",
            json!({"mouthpiece": "jointed", "mouth_in": 5, "bar_in": 0.4375, "cheek": "ring",
                   "ring_in": 3, "reins": "split", "weight_oz": 13}),
            false,
        ),
        piece(
            FIVE_EIGHTHS,
            "bosal",
            "Rawhide core",
            json!({"bosal_in": 0.625, "reins": "mecate"}),
            false,
        ),
        piece(
            HALF,
            "bosal",
            "",
            json!({"bosal_in": 0.5, "reins": "mecate"}),
            false,
        ),
        piece(
            LOW_PORT,
            "shank",
            "First shank for most of them",
            json!({"mouthpiece": "ported", "mouth_in": 5, "bar_in": 0.4375, "port_in": 0.75,
                   "cheek": "loose_shank", "purchase_in": 1.5, "shank_in": 3.25, "overall_in": 5.5,
                   "curb": "strap", "curb_width_in": 0.625, "curb_flat": true, "reins": "split",
                   "weight_oz": 14}),
            false,
        ),
        piece(
            CORRECTION,
            "shank",
            "Finished horses only",
            json!({"mouthpiece": "ported", "mouth_in": 5, "bar_in": 0.375, "port_in": 1.5,
                   "cheek": "loose_shank", "purchase_in": 1.75, "shank_in": 5.25, "overall_in": 8,
                   "curb": "chain", "curb_width_in": 0.5, "curb_flat": true, "reins": "split",
                   "weight_oz": 18}),
            true,
        ),
        piece(
            TWO_REIN,
            "two_rein",
            "Three-eighths bosal under it",
            json!({"bosal_in": 0.375, "mouthpiece": "ported", "mouth_in": 5, "port_in": 2,
                   "cheek": "fixed_shank", "purchase_in": 1.75, "shank_in": 5, "reins": "romal"}),
            true,
        ),
        piece(
            "Ranch saddle",
            "saddle",
            "16 inches, full bars",
            json!({}),
            false,
        ),
        piece("Flag", "ground_tool", "", json!({}), false),
    ]
}

/// Hangs the shelf.
pub async fn hang(trainer: &Client) -> anyhow::Result<Shelf> {
    for piece in shelf() {
        trainer.post("/api/gear", &piece).await?;
    }
    let all: Value = trainer.get("/api/gear").await?;
    let pieces = all.as_array().context("a list of gear")?;
    Ok(pieces
        .iter()
        .filter_map(|piece| {
            let kind = RigKind::from_word(piece["kind"].as_str()?)?;
            let gear_id = piece["gear_id"].as_str()?.parse().ok()?;
            Some((piece["name"].as_str()?.to_owned(), (kind, gear_id)))
        })
        .collect())
}

/// What a horse was ridden in so many days ago.
fn ridden_in(horse: &str, days_ago: i64) -> &'static str {
    match horse {
        "Quill" if days_ago > 38 => FIVE_EIGHTHS,
        "Quill" if days_ago > 26 => HALF,
        "Quill" => TWO_REIN,
        "Thimble" if days_ago < 35 && days_ago % 3 == 0 => LOW_PORT,
        _ => SNAFFLE,
    }
}

/// A ride with its tack, and in the two-rein or a bosal what the horse asked for.
pub fn dressed(ride: NewRide, horse: &str, days_ago: i64, shelf: &Shelf) -> NewRide {
    let name = ridden_in(horse, days_ago);
    let Some((kind, gear_id)) = shelf.get(name) else {
        return ride;
    };
    let rig = RigFrom {
        after_ms: 0,
        kind: *kind,
        gear_id: Some(*gear_id),
        name: name.to_owned(),
    };
    let minute = |minutes: u32| minutes * 60_000;
    let number = days_ago.unsigned_abs() as u32;
    let shares = (*kind == RigKind::TwoRein).then(|| two_rein_shares(number));
    let asks = matches!(*kind, RigKind::TwoRein | RigKind::Bosal);
    let asked = |after_min: u32, ask| HorseAsked {
        ask_id: Uuid::now_v7(),
        after_ms: minute(after_min),
        ask,
        undone: false,
    };
    let horse_asked = asks.then(|| {
        let mut all = vec![asked(9, TwoReinAsk::ForBridle)];
        if number.is_multiple_of(4) {
            all.push(asked(14, TwoReinAsk::Back));
        } else if number.is_multiple_of(3) {
            all.push(asked(12, TwoReinAsk::Back));
            all.push(asked(16, TwoReinAsk::ForBridle));
        }
        all
    });
    NewRide {
        rigs: Some(vec![rig]),
        shares,
        horse_asked,
        ..ride
    }
}

/// Supported at first, more bridle as the horse sharpens, back where the horse asks.
fn two_rein_shares(days_ago: u32) -> Vec<ShareSaid> {
    let weeks = f64::from(26_u32.saturating_sub(days_ago)) / 7.0;
    let start = (90.0 - 10.0 * (weeks).floor()).max(60.0);
    let share = |after_min: u32, bosal_pct: f64| ShareSaid {
        after_ms: after_min * 60_000,
        bosal_pct,
    };
    let sharp = (start - 25.0).max(0.0);
    let mut shares = vec![share(0, start), share(9, sharp)];
    if days_ago.is_multiple_of(4) {
        shares.push(share(14, start));
    } else {
        shares.push(share(17, (sharp - 10.0).max(0.0)));
    }
    shares
}

/// What each horse wears today, fitted.
pub async fn fit(trainer: &Client, horses: &[(String, Uuid)], shelf: &Shelf) -> anyhow::Result<()> {
    for (horse, horse_id) in horses {
        let name = ridden_in(horse, 1);
        let Some((_, gear_id)) = shelf.get(name) else {
            continue;
        };
        let fitting = json!({"worn": true, "fitting": {"mouth_in": 4.75}});
        let fitting = if name == TWO_REIN {
            json!({"worn": true})
        } else {
            fitting
        };
        trainer
            .put(&format!("/api/horses/{horse_id}/tack/{gear_id}"), &fitting)
            .await?;
    }
    let thimble = horses.iter().find(|(name, _)| name == "Thimble");
    if let (Some((_, horse_id)), Some((_, gear_id))) = (thimble, shelf.get(LOW_PORT)) {
        let strap = json!({"half_length_in": 2.9, "hole_spacing_in": 0.5, "holes_shorter": 3,
                           "holes_longer": 3});
        let fitting = json!({"worn": false,
                             "fitting": {"mouth_in": 4.75, "jaw_in": 2, "strap": strap}});
        trainer
            .put(&format!("/api/horses/{horse_id}/tack/{gear_id}"), &fitting)
            .await?;
    }
    Ok(())
}
