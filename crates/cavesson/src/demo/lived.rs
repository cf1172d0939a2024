//! The demo's weeks, lived through the public API on a clock of their own: each
//! ride is sent when it is over, each decision is made on its evening. So the demo
//! holds nothing that a user's barn would not.

use std::collections::HashMap;
use std::sync::Arc;
use std::sync::atomic::{AtomicI64, Ordering};

use anyhow::Context;
use cavesson_client::{Client, ClientError};
use cavesson_core::horse::{CareNote, RideMark};
use cavesson_core::ladder::Level;
use cavesson_core::ride::{NewRep, NewRide};
use cavesson_core::sim_horse::{PlannedRide, SimulatedRide};
use cavesson_server::{Clock, Settings};
use jiff::civil::Date;
use jiff::{SignedDuration, Timestamp, ToSpan, Zoned};
use sqlx::PgPool;
use tokio::net::TcpListener;
use tokio::sync::oneshot;
use uuid::Uuid;

use super::horse::{Decision, DemoHorse};
use super::people::{DemoBarn, PASSWORD};
use super::season::{self, Season};
use super::{cattle, frame, ground, newcomer, owners, programs, rides, tack, work};

/// A clock that stands where it is put.
#[derive(Clone, Default)]
struct SetClock(Arc<AtomicI64>);

impl SetClock {
    fn put(&self, at: Timestamp) {
        self.0.store(at.as_second(), Ordering::SeqCst);
    }

    fn now(&self) -> Timestamp {
        Timestamp::from_second(self.0.load(Ordering::SeqCst)).unwrap_or_default()
    }
}

/// Something that happened.
struct Event<'a> {
    at: Timestamp,
    horse: &'a DemoHorse,
    what: What<'a>,
}

enum What<'a> {
    /// It came, and could something.
    Came,
    /// Somebody looked at it.
    Care(CareNote),
    /// It was ridden, by whom.
    Ridden(&'static str, Box<NewRide>, Vec<NewRep>),
    /// The evening after its ride of that number, with what may be decided then.
    Evening(usize, &'a [Decision]),
}

/// Lives a barn's weeks until now.
pub async fn live(pool: &PgPool, demo: &DemoBarn, now: &Zoned) -> anyhow::Result<()> {
    let mut events = Vec::new();
    for horse in demo.horses {
        events.extend(events_of(horse, now).with_context(|| horse.name)?);
    }
    events.sort_by_key(|event| event.at);
    let Some(first) = events.first() else {
        return Ok(());
    };
    let clock = SetClock::default();
    clock.put(first.at);
    let served = Served::start(pool, &clock).await?;
    let mut barn = LivedBarn::enter(&served.address, demo, clock, now.timestamp()).await?;
    for event in &events {
        barn.live(event)
            .await
            .with_context(|| format!("{} on {}", event.horse.name, event.at))?;
    }
    barn.check_all_decided()?;
    if demo.sets_up {
        barn.clock.put(now.timestamp());
        let trainer = barn.trainer().await?;
        frame::set_up(&trainer, now).await?;
        let horses: Vec<(String, Uuid)> = barn.horses.clone().into_iter().collect();
        tack::fit(&trainer, &horses, &barn.shelf).await?;
        ground::set_out(&trainer).await?;
        owners::tell(&trainer, now).await?;
        barn.herd.today(&trainer, now.date()).await?;
    }
    served.stop().await
}

/// A server on a clock of its own, on loopback.
struct Served {
    address: String,
    stop: oneshot::Sender<()>,
    task: tokio::task::JoinHandle<std::io::Result<()>>,
}

impl Served {
    async fn start(pool: &PgPool, clock: &SetClock) -> anyhow::Result<Served> {
        let listener = TcpListener::bind("127.0.0.1:0").await?;
        let address = format!("http://{}", listener.local_addr()?);
        let (stop, stopped) = oneshot::channel();
        let set = clock.clone();
        let settings = Settings {
            clock: Clock::new(move || set.now()),
            sign_in_tries: 1_000,
            ..Settings::default()
        };
        let task = tokio::spawn(cavesson_server::launch(
            settings,
            pool.clone(),
            listener,
            async {
                // An error is a stop as well.
                let _ = stopped.await;
            },
        ));
        Ok(Served {
            address,
            stop,
            task,
        })
    }

    async fn stop(self) -> anyhow::Result<()> {
        let _ = self.stop.send(());
        self.task.await??;
        Ok(())
    }
}

/// A barn whose people sign in as they need to.
struct LivedBarn<'a> {
    address: &'a str,
    demo: &'a DemoBarn,
    clock: SetClock,
    signed_in: HashMap<&'static str, (Timestamp, Client)>,
    horses: HashMap<String, Uuid>,
    undecided: Vec<(&'static str, &'static str)>,
    shelf: tack::Shelf,
    herd: cattle::Herd,
    now: Timestamp,
}

/// After so many days people sign in anew.
const SIGN_IN_HOURS: i64 = 24 * 20;

impl<'a> LivedBarn<'a> {
    async fn enter(
        address: &'a str,
        demo: &'a DemoBarn,
        clock: SetClock,
        now: Timestamp,
    ) -> anyhow::Result<LivedBarn<'a>> {
        let decisions = demo.horses.iter().flat_map(|horse| {
            let of_horse = horse.decisions.iter();
            of_horse.map(|decision| (horse.name, decision.reason))
        });
        let mut barn = LivedBarn {
            address,
            demo,
            clock,
            signed_in: HashMap::new(),
            horses: HashMap::new(),
            undecided: decisions.collect(),
            shelf: tack::Shelf::new(),
            herd: cattle::Herd::default(),
            now,
        };
        let trainer = barn.trainer().await?;
        if demo.sets_up {
            barn.shelf = tack::hang(&trainer).await?;
            barn.herd = cattle::bring(&trainer).await?;
        }
        let horses = trainer.horses().await?.into_iter();
        barn.horses = horses.map(|horse| (horse.name, horse.horse_id)).collect();
        let mut programs = HashMap::new();
        for of_demo in demo.programs {
            let program_id = trainer.add_program(&programs::content(of_demo)?).await?;
            programs.insert(of_demo.name, program_id);
        }
        for horse in demo.horses {
            if let Some(program) = horse.program.and_then(|name| programs.get(name)) {
                let horse_id = barn.horses[horse.name];
                trainer.put_on_program(horse_id, *program).await?;
            }
        }
        Ok(barn)
    }

    async fn trainer(&mut self) -> anyhow::Result<Client> {
        let trainer = self.demo.people.first().context("a barn has people")?;
        self.person(trainer.sign_in).await
    }

    async fn person(&mut self, name: &'static str) -> anyhow::Result<Client> {
        let now = self.clock.now();
        if let Some((since, client)) = self.signed_in.get(name)
            && now.duration_since(*since) < SignedDuration::from_hours(SIGN_IN_HOURS)
        {
            return Ok(client.clone());
        }
        let sign_in = format!("{name}@{}", self.demo.handle);
        let client = Client::sign_in(self.address, &sign_in, PASSWORD).await?;
        self.signed_in.insert(name, (now, client.clone()));
        Ok(client)
    }

    async fn live(&mut self, event: &Event<'_>) -> anyhow::Result<()> {
        self.clock.put(event.at);
        let horse_id = self.horses[event.horse.name];
        match &event.what {
            What::Came => self.came(horse_id, event.horse).await?,
            What::Care(note) => {
                let rider = self.person(event.horse.rider).await?;
                rider.note_care(horse_id, note).await?;
            }
            What::Ridden(rider, ride, reps) => {
                let rider = self.person(rider).await?;
                let mut batch = rider.batch(event.at);
                let days_ago = self.now.duration_since(event.at).as_hours() / 24;
                let ride = NewRide {
                    horse_id,
                    ..(**ride).clone()
                };
                let ride = tack::dressed(ride, event.horse.name, days_ago, &self.shelf);
                batch.reps.clone_from(reps);
                let number = days_ago.unsigned_abs();
                let ride = self.herd.worked(ride, &mut batch.reps, number);
                batch.rides.push(ride);
                rider.send(&batch).await?;
            }
            What::Evening(ride, decisions) => {
                for decision in *decisions {
                    if decision.from_ride <= *ride {
                        self.decide(horse_id, event.horse, decision).await?;
                    }
                }
            }
        }
        Ok(())
    }

    /// What it could when it came: placed by hand, until first asks say otherwise.
    async fn came(&mut self, horse_id: Uuid, horse: &DemoHorse) -> anyhow::Result<()> {
        let rider = self.person(horse.rider).await?;
        rider.set_traits(horse_id, horse.traits).await?;
        let levels: Vec<Level> = horse
            .came_with
            .iter()
            .map(|(skill, rung)| Level::new(skill, rung))
            .collect();
        if !levels.is_empty() {
            self.trainer().await?.place(horse_id, &levels).await?;
        }
        Ok(())
    }

    /// Decides on the first evening that the judge says otherwise.
    async fn decide(
        &mut self,
        horse_id: Uuid,
        horse: &DemoHorse,
        decision: &Decision,
    ) -> anyhow::Result<()> {
        let key = (horse.name, decision.reason);
        if !self.undecided.contains(&key) {
            return Ok(());
        }
        let level = Level::new(decision.level.0, decision.level.1);
        let trainer = self.trainer().await?;
        let decided = trainer
            .overrule(horse_id, &level, decision.counts_as, decision.reason, false)
            .await;
        match decided {
            Ok(()) => self.undecided.retain(|other| *other != key),
            // The judge says the same: there is nothing to overrule yet.
            Err(ClientError::Refused { status: 422, .. }) => {}
            Err(error) => return Err(error.into()),
        }
        Ok(())
    }

    fn check_all_decided(&self) -> anyhow::Result<()> {
        let left = &self.undecided;
        anyhow::ensure!(left.is_empty(), "the judge never said otherwise: {left:?}");
        Ok(())
    }
}

/// All that happened to a horse until now.
fn events_of<'a>(horse: &'a DemoHorse, now: &Zoned) -> anyhow::Result<Vec<Event<'a>>> {
    let plan = plan(horse, now)?;
    let first_day = plan.first().map_or(now.date(), |ride| ride.day);
    let mut events = vec![Event {
        at: at(came_on(horse, first_day)?, (18, 0), now)?,
        horse,
        what: What::Came,
    }];
    for (kind, days_ago, text) in horse.care {
        let day = now.date().checked_sub(days_ago.days())?;
        let note = CareNote {
            care_id: Uuid::now_v7(),
            kind: *kind,
            day,
            cleared_on: None,
            text: (*text).to_owned(),
            again_days: None,
        };
        events.push(Event {
            at: at(day, (17, 0), now)?,
            horse,
            what: What::Care(note),
        });
    }
    if let Some(intake) = &horse.intake {
        let day = first_day.checked_sub(intake.days_before.days())?;
        let started_at = at(day, horse.starts_at, now)?;
        let (ride, reps) = newcomer::intake_ride(horse, intake, day, started_at);
        let finished = i64::from(ride.finished_after_ms.unwrap_or_default());
        events.push(Event {
            at: started_at + SignedDuration::from_millis(finished + 60_000),
            horse,
            what: What::Ridden(horse.rider, Box::new(ride), reps),
        });
    }
    if plan.is_empty() {
        return Ok(events);
    }
    let season = season(horse, now.date());
    let ridden = ride(horse, &plan, now)?;
    for (index, (planned, simulated)) in plan.iter().zip(&ridden).enumerate() {
        let in_season = season.as_ref().is_some_and(|s| s.holds(planned.day));
        let mut marks = season::weather(planned.day);
        if in_season {
            marks.push(RideMark::InSeason);
        }
        if let Some((mut ride, reps)) = rides::recorded(simulated, Uuid::nil(), marks) {
            ride.quiet_after_s = Some(quiet_after_s(horse, index));
            let finished = i64::from(ride.finished_after_ms.unwrap_or_default());
            events.push(Event {
                at: ride.started_at + SignedDuration::from_millis(finished + 60_000),
                horse,
                what: What::Ridden(rider_of(horse, index), Box::new(ride), reps),
            });
        }
        events.push(Event {
            at: at(planned.day, (20, 0), now)?,
            horse,
            what: What::Evening(index, horse.decisions),
        });
    }
    Ok(events)
}

/// The day before its first ride.
fn came_on(horse: &DemoHorse, first_day: Date) -> anyhow::Result<Date> {
    let intake = horse.intake.as_ref().map_or(0, |intake| intake.days_before);
    Ok(first_day.checked_sub((1 + intake).days())?)
}

/// A horse is quiet sooner from ride to ride, a young one later than an old one.
fn quiet_after_s(horse: &DemoHorse, ride: usize) -> f64 {
    let young = f64::from((8 - horse.age).max(1));
    let seldom = [1.0, 0.8, 1.1, 0.9, 1.3, 1.0, 0.85][ride % 7];
    (60.0 * seldom * (2.5 + 1.5 * young * (-(ride as f64) / 12.0).exp())).round()
}

/// Who rode it that time.
fn rider_of(horse: &DemoHorse, ride: usize) -> &'static str {
    let other = horse.also.filter(|_| ride % 4 == 3);
    other.unwrap_or(horse.rider)
}

fn at(day: Date, (hour, minute): (i8, i8), now: &Zoned) -> anyhow::Result<Timestamp> {
    let zoned = day
        .at(hour, minute, 0, 0)
        .to_zoned(now.time_zone().clone())?;
    Ok(zoned.timestamp())
}

/// The days it was ridden, and when.
pub fn plan(demo: &DemoHorse, now: &Zoned) -> anyhow::Result<Vec<PlannedRide>> {
    let (mut ride_days, mut last_ride) = demo.rides;
    if let Some(part) = &demo.part {
        ride_days = ride_days.max(part.ride_days);
        last_ride = part.last_ride;
    }
    rides::plan(ride_days, last_ride, now, demo.starts_at)
}

/// All its rides: the part it plays, and what else it is worked on.
pub fn ride(
    demo: &DemoHorse,
    plan: &[PlannedRide],
    now: &Zoned,
) -> anyhow::Result<Vec<SimulatedRide>> {
    let cast = match &demo.part {
        Some(part) => rides::cast(part, now, demo.starts_at)?,
        None => Vec::new(),
    };
    let mut ridden = work::empty(&plan[..plan.len() - cast.len()], demo.name.len() as u64)?;
    ridden.extend(cast);
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

#[cfg(test)]
mod tests {
    use cavesson_core::horse::season;
    use cavesson_core::judge::{HorseFile, Placing, RideFacts, Standing, holes, judge_horse};
    use cavesson_core::ladder::Ladder;

    use super::super::worked::{HALFMOON, HARROW};
    use super::*;

    const DAYS: [&str; 3] = ["2026-01-01", "2026-06-09", "2027-02-28"];

    fn judged(demo: &DemoHorse, day: &str) -> (HorseFile, Vec<Standing>, Date) {
        let now: Zoned = format!("{day}T05:00[America/Denver]").parse().unwrap();
        let ladder = Ladder::shipped();
        let ridden = ride(demo, &plan(demo, &now).unwrap(), &now).unwrap();
        let mut file = HorseFile::of_reps(ladder, ridden.iter().flat_map(|ride| &ride.reps));
        let came_with = demo.came_with.iter();
        file.placings = vec![Placing {
            day: file.asks.iter().flatten().map(|ask| ask.day).min().unwrap(),
            levels: came_with
                .map(|(skill, rung)| Level::new(skill, rung))
                .collect(),
        }];
        file.rides = ridden
            .iter()
            .filter_map(|ride| {
                Some(RideFacts {
                    ride_id: ride.ride_id,
                    day: ride.reps.first()?.day,
                    rider_id: None,
                    marks: Vec::new(),
                    rigs: Vec::new(),
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
            let asks = file.asks.iter().flatten();
            let share = season::of_asks(asks, |ask| in_season.holds(ask.day))
                .expect("asked in and out of season");
            assert!(share.high < 0.0, "{day}: {share:?}");
        }
    }
}
