//! Whether an intake kept the order of safety.

use std::collections::HashMap;

use crate::intake::IntakeAsk;
use crate::ladder::Ladder;
use crate::{Gait, Side};

/// What of a trial breaks the order of safety, told by its asks and answers alone; none
/// where nothing does. Written apart from what chooses, so that it can catch it.
pub fn broken_order(ladder: &Ladder, asks: &[IntakeAsk]) -> Option<String> {
    let mut soft: HashMap<(String, Side), bool> = HashMap::new();
    let mut ride = 0;
    let mut slower = 0;
    for ask in asks {
        if ask.ride != ride {
            (ride, slower) = (ask.ride, 0);
            soft.clear();
        }
        let level = ladder.at(&ask.level)?;
        let both = |name: String| {
            [Side::Left, Side::Right].iter().all(|side| {
                soft.get(&(name.clone(), *side))
                    .copied()
                    .unwrap_or_default()
            })
        };
        let brake_at = |gait: Gait| both(format!("start.brake/{}", gait.word()));
        let is_brake = ask.level.skill.0 == "start.brake";
        let gave = both("start.bend-ground/stand".to_owned());
        if ask.level.skill.0 == "start.mount" && !gave {
            return Some(format!("{} before it gave to one rein", ask.level));
        }
        if !level.ground {
            let stood = soft.contains_key(&("start.mount/stand".to_owned(), Side::Both))
                || soft.keys().any(|(name, _)| name == "start.mount/stand");
            if !stood || !gave {
                return Some(format!("{} before anybody should get on", ask.level));
            }
            for gait in [Gait::Stand, Gait::Walk, Gait::Jog, Gait::Lope] {
                let needed = gait < level.gait || (gait == level.gait && !is_brake);
                if needed && !brake_at(gait) {
                    return Some(format!(
                        "{} before the brake at the {}",
                        ask.level,
                        gait.word()
                    ));
                }
            }
            if level.gait >= Gait::Lope && slower < 6 {
                return Some(format!("{} before anything was loosened", ask.level));
            }
            slower += u32::from(level.gait > Gait::Stand && level.gait < Gait::Lope);
        }
        soft.insert((ask.level.to_string(), ask.side), ask.soft == Some(true));
    }
    None
}
