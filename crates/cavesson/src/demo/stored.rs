//! Stores a demo horse: its week, what it came with, its rides, and what judge
//! and trainer said on the way.

use std::collections::HashMap;

use anyhow::Context;
use cavesson_core::horse::{CareNote, RideMark};
use cavesson_core::judge::{Overrule, Verdict};
use cavesson_core::ladder::{Ladder, Level};
use cavesson_core::sim_horse::{PlannedRide, SimulatedRide};
use cavesson_server::known::keep::keep_verdicts;
use cavesson_server::known::{Judged, KnownHorses};
use cavesson_store::horse::{self, Horse};
use cavesson_store::program_day::{self, NewProgramDay};
use cavesson_store::{BarnTransaction, care, overrule};
use jiff::civil::{Date, time};
use jiff::{ToSpan, Zoned};
use uuid::Uuid;

use super::horse::{Decision, DemoHorse};
use super::season::Season;
use super::{rides, work};

/// What a barn has when its horses come.
pub struct DemoBarnIds {
    pub people: HashMap<&'static str, Uuid>,
    /// Who has the last word.
    pub trainer_id: Uuid,
    pub places: Vec<Uuid>,
    pub programs: HashMap<&'static str, Uuid>,
}

/// Adds a horse with its week and its rides until yesterday.
pub async fn add(
    barn: &mut BarnTransaction,
    demo: &DemoHorse,
    ids: &DemoBarnIds,
    now: &Zoned,
) -> anyhow::Result<()> {
    let horse_id = Uuid::now_v7();
    let rider_id = *ids.people.get(demo.rider).context("a rider of the barn")?;
    let stored = Horse {
        horse_id,
        name: demo.name.to_owned(),
        sex: demo.sex.to_owned(),
        foaled: i32::from(now.year()) - demo.age,
        color: demo.color.to_owned(),
        owner_id: demo.owner.and_then(|owner| ids.people.get(owner).copied()),
        program_id: demo
            .program
            .and_then(|name| ids.programs.get(name).copied()),
    };
    horse::add(barn, &stored).await?;
    put_week(barn, demo, ids, horse_id, rider_id).await?;
    let plan = plan(demo, now)?;
    let first_day = plan.first().map_or(now.date(), |ride| ride.day);
    came_with(barn, demo, horse_id, ids.trainer_id, first_day).await?;
    add_care(barn, demo, horse_id, rider_id, now.date()).await?;
    if !plan.is_empty() {
        let ridden = ride(demo, &plan, now)?;
        let season = season(demo, now.date());
        let marks = |day| match &season {
            Some(season) if season.holds(day) => vec![RideMark::InSeason],
            _ => Vec::new(),
        };
        rides::add(barn, horse_id, rider_id, &ridden, marks).await?;
        say(barn, demo, horse_id, ids.trainer_id, &plan).await?;
    }
    Ok(())
}

async fn put_week(
    barn: &mut BarnTransaction,
    demo: &DemoHorse,
    ids: &DemoBarnIds,
    horse_id: Uuid,
    rider_id: Uuid,
) -> anyhow::Result<()> {
    let place_id = *ids.places.get(demo.place).context("a place of the barn")?;
    let (hour, minute) = demo.starts_at;
    for weekday in (1..=7).filter(|weekday| *weekday != demo.rests) {
        let day = NewProgramDay {
            horse_id,
            weekday,
            starts_at: time(hour, minute, 0, 0),
            rider_id,
            place_id,
            level: Level::new(demo.aim.0, demo.aim.1),
        };
        program_day::put(barn, &day).await?;
    }
    Ok(())
}

/// What it could when it came counts as held by the trainer's word.
async fn came_with(
    barn: &mut BarnTransaction,
    demo: &DemoHorse,
    horse_id: Uuid,
    made_by: Uuid,
    first_day: Date,
) -> anyhow::Result<()> {
    let ladder = Ladder::shipped();
    let mut places = Vec::new();
    for (skill, rung) in demo.came_with {
        let at = ladder
            .position(&Level::new(skill, rung))
            .with_context(|| format!("{skill}/{rung} is not on the ladder"))?;
        places.push(at);
        places.extend(ladder.under(at));
    }
    // The highest first: it stands for all that it is built on.
    places.sort_unstable_by(|a, b| b.cmp(a));
    places.dedup();
    for place in places {
        let came_with_it = Overrule {
            overrule_id: Uuid::now_v7(),
            level: ladder.levels[place].level.clone(),
            day: first_day.checked_sub(1.days())?,
            judge_said: Verdict::Stay,
            counts_as: Verdict::Advance,
            reason: "Came with it; shown on the first day.".to_owned(),
        };
        overrule::add(barn, horse_id, &came_with_it, made_by).await?;
    }
    Ok(())
}

async fn add_care(
    barn: &mut BarnTransaction,
    demo: &DemoHorse,
    horse_id: Uuid,
    made_by: Uuid,
    today: Date,
) -> anyhow::Result<()> {
    for (kind, days_ago, says) in demo.care {
        let note = CareNote {
            care_id: Uuid::now_v7(),
            kind: *kind,
            day: today.checked_sub(days_ago.days())?,
            cleared_on: None,
            says: (*says).to_owned(),
        };
        care::add(barn, horse_id, &note, made_by).await?;
    }
    Ok(())
}

/// The days it was ridden, and when.
pub fn plan(demo: &DemoHorse, now: &Zoned) -> anyhow::Result<Vec<PlannedRide>> {
    let (ride_days, last_ride) = demo
        .part
        .as_ref()
        .map_or(demo.rides, |part| (part.ride_days, part.last_ride));
    rides::plan(ride_days, last_ride, now, demo.starts_at)
}

/// All its rides: the part it plays, and what else it is worked on.
pub fn ride(
    demo: &DemoHorse,
    plan: &[PlannedRide],
    now: &Zoned,
) -> anyhow::Result<Vec<SimulatedRide>> {
    let mut ridden = match &demo.part {
        Some(part) => rides::cast(part, now, demo.starts_at)?,
        None => work::empty(plan, demo.name.len() as u64)?,
    };
    let season = season(demo, now.date());
    for each in demo.work {
        work::put_into(&mut ridden, plan, each, season.as_ref())?;
    }
    Ok(ridden)
}

fn season(demo: &DemoHorse, today: Date) -> Option<Season> {
    demo.season_began
        .map(|days_ago| Season::began(days_ago, today))
}

/// Looks back evening by evening: what the judge said is kept each time it
/// changed, and the trainer's decisions fall on their days.
async fn say(
    barn: &mut BarnTransaction,
    demo: &DemoHorse,
    horse_id: Uuid,
    made_by: Uuid,
    plan: &[PlannedRide],
) -> anyhow::Result<()> {
    // Of this transaction only: what it holds may yet be rolled back.
    let known = KnownHorses::default();
    let mut undecided: Vec<&Decision> = demo.decisions.iter().collect();
    for (index, ride) in plan.iter().enumerate() {
        let evening = known.judged_horse(barn, horse_id, ride.day).await?;
        keep_verdicts(barn, std::slice::from_ref(&evening)).await?;
        let (now, later): (Vec<_>, Vec<_>) = undecided.into_iter().partition(|decision| {
            decision.from_ride <= index
                && said(&evening, decision).is_some_and(|verdict| verdict != decision.counts_as)
        });
        undecided = later;
        for decision in now {
            let decided = Overrule {
                overrule_id: Uuid::now_v7(),
                level: Level::new(decision.level.0, decision.level.1),
                day: ride.day,
                judge_said: said(&evening, decision).context("a level of its ladder")?,
                counts_as: decision.counts_as,
                reason: decision.reason.to_owned(),
            };
            horse::raise_versions(barn, &[horse_id]).await?;
            overrule::add(barn, horse_id, &decided, made_by).await?;
        }
    }
    anyhow::ensure!(undecided.is_empty(), "the judge never said otherwise");
    Ok(())
}

/// What the judge says of the decision's level.
fn said(evening: &Judged, decision: &Decision) -> Option<Verdict> {
    let place = evening
        .ladder()
        .position(&Level::new(decision.level.0, decision.level.1))?;
    Some(evening.standings[place].verdict)
}

#[cfg(test)]
mod tests {
    use cavesson_core::horse::season;
    use cavesson_core::judge::{HorseFile, RideFacts, Standing, holes, judge_horse};

    use super::super::worked::{HALFMOON, HARROW};
    use super::*;

    const DAYS: [&str; 3] = ["2026-01-01", "2026-06-09", "2027-02-28"];

    fn judged(demo: &DemoHorse, day: &str) -> (HorseFile, Vec<Standing>, Date) {
        let now: Zoned = format!("{day}T05:00[America/Denver]").parse().unwrap();
        let ladder = Ladder::shipped();
        let ridden = ride(demo, &plan(demo, &now).unwrap(), &now).unwrap();
        let mut file = HorseFile::of_reps(ladder, ridden.iter().flat_map(|ride| &ride.reps));
        file.rides = ridden
            .iter()
            .filter_map(|ride| {
                Some(RideFacts {
                    ride_id: ride.ride_id,
                    day: ride.reps.first()?.day,
                    marks: Vec::new(),
                })
            })
            .collect();
        let standings = judge_horse(ladder, &file, now.date());
        (file, standings, now.date())
    }

    #[test]
    fn under_the_cow_horses_faults_lies_its_back_up() {
        for day in DAYS {
            let (file, standings, on) = judged(&HARROW, day);
            let found = holes(Ladder::shipped(), &file, &standings, on);
            assert_eq!(found[0].level, Level::new("frame.back", "stand"), "{day}");
            assert!(
                found[0].evidence.len() >= 3,
                "{day}: several faults point there"
            );
        }
    }

    #[test]
    fn the_mare_slips_at_the_ribs_and_is_softer_out_of_season() {
        for day in DAYS {
            let (file, standings, on) = judged(&HALFMOON, day);
            let ladder = Ladder::shipped();
            let ribs = ladder.position(&Level::new("bend.ribs", "jog")).unwrap();
            let slip = standings[ribs].slip().expect("it was held and settled");
            assert!(slip.since.is_some(), "{day}");
            let in_season = Season::began(HALFMOON.season_began.unwrap(), on);
            let (mut inside, mut outside) = ((0, 0), (0, 0));
            for ask in file.asks.iter().flatten() {
                let tally = if in_season.holds(ask.day) {
                    &mut inside
                } else {
                    &mut outside
                };
                tally.0 += u32::from(ask.soft);
                tally.1 += 1;
            }
            let share = season::compare(inside, outside).expect("asked in and out of season");
            assert!(share.high < 0.0, "{day}: {share:?}");
        }
    }
}
