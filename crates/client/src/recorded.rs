//! Rides as a device records them: blocks in the order their levels were first
//! asked, reps numbered and timed from the ride's start.

use cavesson_core::ladder::Level;
use cavesson_core::rep::Rep;
use cavesson_core::ride::{NewBlock, NewRep, NewRide};
use jiff::Timestamp;
use uuid::Uuid;

/// Milliseconds from `start` to `at`; none before it.
fn after_ms(start: Timestamp, at: Timestamp) -> u32 {
    let ms = at.duration_since(start).as_millis();
    u32::try_from(ms.max(0)).unwrap_or(u32::MAX)
}

/// A ride of a horse with its reps in the order of asking, and what a device would
/// send of it.
pub fn ride(
    ride_id: Uuid,
    horse_id: Uuid,
    started_at: Timestamp,
    finished_at: Option<Timestamp>,
    reps: &[Rep],
) -> (NewRide, Vec<NewRep>) {
    let mut blocks: Vec<NewBlock> = Vec::new();
    let sent = reps
        .iter()
        .zip(0..)
        .map(|(rep, sequence)| NewRep {
            rep_id: rep.rep_id,
            ride_id,
            block_id: block_of(&mut blocks, &rep.level()),
            skill: rep.skill.clone(),
            rung: rep.rung.clone(),
            side: rep.side,
            sequence,
            asked_after_ms: after_ms(started_at, rep.asked_at),
            asked_at: rep.asked_at,
            measure: rep.measure.clone(),
            faults: rep.faults.clone(),
            undone: false,
            changes: 0,
        })
        .collect();
    let ride = NewRide {
        ride_id,
        horse_id,
        started_at,
        set_forward_s: 0.0,
        finished_after_ms: finished_at.map(|at| after_ms(started_at, at)),
        opened_again: 0,
        blocks,
        marks: None,
        faults: None,
        quiet_after_s: None,
        from_tape: None,
        intake: None,
        rigs: None,
        shares: None,
        works: None,
        horse_asked: None,
        present: None,
        ended: None,
        mood: None,
        exertion: None,
        note: None,
    };
    (ride, sent)
}

/// The block of a level; a new one when the ride has none yet.
fn block_of(blocks: &mut Vec<NewBlock>, level: &Level) -> Uuid {
    if let Some(block) = blocks.iter().find(|block| block.level() == *level) {
        return block.block_id;
    }
    let block = NewBlock {
        block_id: Uuid::now_v7(),
        position: u32::try_from(blocks.len()).unwrap_or(u32::MAX),
        skill: level.skill.clone(),
        rung: level.rung.clone(),
    };
    blocks.push(block.clone());
    block.block_id
}
