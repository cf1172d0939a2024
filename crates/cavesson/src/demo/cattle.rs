//! The demo's cattle: two lots cow by cow, works on them and on the flag, a herd that was settled,
//! one that is not well. Through the public API, as a user would.

use anyhow::Context;
use cavesson_client::Client;
use cavesson_core::rep::turn::{Position, Tempo, Turn, TurnResult};
use cavesson_core::rep::{Measure, Recorded, SoftRule};
use cavesson_core::ride::{HowEnded, NewRep, NewRide, WorkEnd, WorkSaid};
use jiff::ToSpan;
use jiff::civil::Date;
use serde_json::{Value, json};
use uuid::Uuid;

/// A lot: name, kind, head, note, and its cattle as rows of a sheet.
struct DemoLot {
    name: &'static str,
    kind: &'static str,
    head: u16,
    note: &'static str,
    rows: &'static str,
}

const LOTS: [DemoLot; 2] = [
    DemoLot {
        name: "Blue tags",
        kind: "heifers",
        head: 14,
        note: "Quiet, for first looks",
        rows: "tag,weight,tempo,handling,note\n12,480,slow,well,\n17,505,slow,well,\n23,470,slow,well,White face\n\
               28,510,slow,well,\n31,495,slow,well,\n36,520,medium,well,\n44,500,medium,well,\n47,485,medium,well,\n\
               52,515,medium,well,\n58,490,slow,well,Shy of the flag",
    },
    DemoLot {
        name: "Yellow tags",
        kind: "steers",
        head: 22,
        note: "Fresh in October",
        rows: "tag,weight,tempo,handling,note\n201,560,medium,well,\n204,575,medium,well,\n207,590,quick,wild,\n\
               212,555,medium,well,\n214,580,quick,well,\n219,565,medium,wild,\n225,600,quick,wild,Jumps\n\
               228,570,medium,well,\n233,585,quick,well,",
    },
];

/// The cattle that can be worked, by how they go.
#[derive(Default)]
pub struct Herd {
    lots: Vec<Uuid>,
    cattle: Vec<(Uuid, String, Tempo)>,
}

/// Writes the lots down with their cattle.
pub async fn bring(trainer: &Client) -> anyhow::Result<Herd> {
    let mut herd = Herd::default();
    for lot in &LOTS {
        let sheet = json!({"name": lot.name, "kind": lot.kind, "head": lot.head, "note": lot.note});
        let added: Value = trainer.post_for("/api/cattle", &sheet).await?;
        let lot_id: Uuid = added["id"].as_str().context("an id")?.parse()?;
        let rows = format!("/api/cattle/{lot_id}/rows");
        let read: Value = trainer
            .post_for(&rows, &json!({"text": lot.rows, "add": true}))
            .await?;
        anyhow::ensure!(read["errors"] == json!([]), "{read}");
        let page: Value = trainer.get(&format!("/api/cattle/{lot_id}")).await?;
        for cow in page["cattle"].as_array().context("cattle")? {
            let tempo: Tempo = serde_json::from_value(cow["sheet"]["tempo"].clone())?;
            let tag = cow["sheet"]["tag"].as_str().context("a tag")?.to_owned();
            let cow_id = cow["cow_id"].as_str().context("an id")?.parse()?;
            herd.cattle.push((cow_id, tag, tempo));
        }
        herd.lots.push(lot_id);
    }
    Ok(herd)
}

/// Turns of a work at the most; then another cow.
const TURNS: usize = 4;
/// A work begins so long before its first turn and ends so long after its last.
const ROUND_MS: u32 = 20_000;

impl Herd {
    /// A ride with its works: each turn names the one it was made in. The few that are liked best
    /// are used most, and go stale.
    pub fn worked(&self, ride: NewRide, reps: &mut [NewRep], number: u64) -> NewRide {
        let mut works: Vec<(WorkSaid, Tempo, usize)> = Vec::new();
        for (index, rep) in reps.iter_mut().enumerate() {
            let Measure::Turn(turn) = &mut rep.measure else {
                continue;
            };
            turn.tempo = match rep.rung.0.as_str() {
                "medium" => Tempo::Medium,
                "quick" => Tempo::Quick,
                _ => Tempo::Slow,
            };
            let flag = rep.skill.0 == "cow.flag";
            let goes_on = works.last().is_some_and(|(work, tempo, turns)| {
                *tempo == turn.tempo && *turns < TURNS && work.cow_id.is_none() == flag
            });
            let at = rep.asked_after_ms;
            if !goes_on {
                let cow = (!flag).then(|| self.liked(turn.tempo, number + index as u64));
                let work = WorkSaid {
                    work_id: Uuid::now_v7(),
                    cow_id: cow.flatten(),
                    after_ms: at.saturating_sub(ROUND_MS),
                    ended: None,
                };
                works.push((work, turn.tempo, 0));
            }
            let Some((work, _, turns)) = works.last_mut() else {
                continue;
            };
            *turns += 1;
            turn.work_id = Some(work.work_id);
            work.ended = Some(WorkEnd {
                after_ms: at + ROUND_MS,
                how: ended(turn),
            });
        }
        let works: Vec<WorkSaid> = works.into_iter().map(|(work, ..)| work).collect();
        NewRide {
            works: (!works.is_empty()).then_some(works),
            ..ride
        }
    }

    fn liked(&self, tempo: Tempo, number: u64) -> Option<Uuid> {
        let own: Vec<Uuid> = self
            .cattle
            .iter()
            .filter(|(.., goes)| *goes == tempo)
            .map(|(cow_id, ..)| *cow_id)
            .collect();
        // Every other time the first of them.
        let place = if number.is_multiple_of(2) {
            0
        } else {
            number as usize
        };
        own.get(place % own.len().max(1)).copied()
    }

    fn cow(&self, tag: &str) -> anyhow::Result<Uuid> {
        let found = self.cattle.iter().find(|(_, other, _)| other == tag);
        found
            .map(|(cow_id, ..)| *cow_id)
            .context("a tag of the demo")
    }

    /// What stands of the cattle today.
    pub async fn today(&self, trainer: &Client, today: Date) -> anyhow::Result<()> {
        for (lot, ago, minutes, put_back, stands) in [
            (0, 3, 25, 4, true),
            (1, 5, 40, 11, false),
            (1, 1, 30, 6, false),
        ] {
            let settling = json!({
                "lot_id": self.lots[lot],
                "settling": {
                    "day": today.checked_sub(i64::from(ago).days())?, "minutes": minutes,
                    "put_back": put_back, "stands": stands,
                },
            });
            let path = format!("/api/settlings/{}", Uuid::now_v7());
            trainer.put(&path, &settling).await?;
        }
        let sign = json!({
            "cow_id": self.cow("219")?,
            "seen": {"sign": "runny_eye", "seen_on": today.checked_sub(1.days())?, "note": "Right eye; vet asked"},
        });
        let path = format!("/api/cow-signs/{}", Uuid::now_v7());
        trainer.put(&path, &sign).await?;
        let given = json!({
            "cow_id": self.cow("44")?,
            "treatment": {
                "given_on": today.checked_sub(4.days())?, "what": "Foot rot shot", "by": "The vet",
                "withdrawal_days": 18, "note": "Walks sound again",
            },
        });
        let path = format!("/api/cow-treatments/{}", Uuid::now_v7());
        trainer.put(&path, &given).await?;
        Ok(())
    }
}

/// How a work ends by its last turn.
fn ended(turn: &Turn) -> HowEnded {
    let there = matches!(turn.position, Position::Even | Position::Long);
    if turn.is_soft(&SoftRule::default(), cavesson_core::Gait::Walk) {
        HowEnded::GoodTurn
    } else if turn.result == TurnResult::Lost && there {
        HowEnded::RanThrough
    } else if turn.result == TurnResult::Lost {
        HowEnded::Lost
    } else {
        HowEnded::Rest
    }
}
