//! The horse at a glance: soft map, tracks, stiff side, the one thing to do next,
//! how held levels keep. The figures are product defaults, common practice, no
//! source.

use cavesson_base::{Gait, Side};
use cavesson_judge::judge::next::next_level;
use cavesson_judge::judge::soft_map::{MapZone, soft_map};
use cavesson_judge::judge::track::{stiff_side, tracks};
use cavesson_judge::judge::{HorseFile, State, Verdict, judge_horse};
use cavesson_reps::evidence::SoftCount;
use cavesson_reps::ladder::Zone;
use cavesson_reps::rep::{Measure, Rep, Steps};
use cavesson_reps::sim_horse::Traits;
use cavesson_told::horse::{Horse, index_of, ladder};
use cavesson_told::{BRACED, SOFT, day};
use proptest::prelude::*;
use rstest::rstest;

const FLEX: &str = "bend.flex/stand";

fn soft() -> Measure {
    Measure::Give(SOFT)
}

fn braced() -> Measure {
    Measure::Give(BRACED)
}

fn steps(clean: u32) -> Measure {
    Measure::Steps(Steps {
        asked: 2,
        clean,
        crossed: None,
        hurried: false,
    })
}

fn zone(map: &[MapZone], zone: Zone, side: Side, gait: Gait) -> Option<(SoftCount, SoftCount)> {
    map.iter()
        .find(|at| (at.zone, at.side, at.gait) == (zone, side, gait))
        .map(|at| (at.now, at.before))
}

fn tally(soft: u32, asked: u32) -> SoftCount {
    SoftCount { soft, asked }
}

#[test]
fn the_soft_map_holds_the_last_fourteen_days_against_the_fourteen_before() {
    let horse = Horse::new()
        .ride(FLEX, 0, &[soft(), soft(), soft(), soft()])
        .ride(FLEX, 10, &[soft(), braced(), soft(), braced()])
        .ride(FLEX, 25, &[soft(), soft(), soft(), braced()]);
    // Day 0 lies four weeks back.
    let map = soft_map(ladder(), &horse.file(), day(28));
    assert_eq!(
        zone(&map, Zone::Neck, Side::Left, Gait::Stand),
        Some((tally(2, 2), tally(2, 2)))
    );
    assert_eq!(
        zone(&map, Zone::Neck, Side::Right, Gait::Stand),
        Some((tally(1, 2), tally(0, 2)))
    );
    let before_the_last = soft_map(ladder(), &horse.file(), day(24));
    assert_eq!(
        zone(&before_the_last, Zone::Neck, Side::Right, Gait::Stand),
        Some((tally(0, 0), tally(2, 4)))
    );
    assert!(soft_map(ladder(), &horse.file(), day(60)).is_empty());
}

#[test]
fn gaits_are_apart_and_an_ask_of_both_reins_counts_on_each_side() {
    let horse = Horse::new()
        .ride("frame.poll/walk", 0, &[soft(), braced()])
        .ride("frame.poll/jog", 0, &[soft(), soft()])
        .ride("bend.hip/stand", 0, &[steps(2), steps(1)]);
    let map = soft_map(ladder(), &horse.file(), day(1));
    for side in Side::EACH {
        assert_eq!(
            zone(&map, Zone::Poll, side, Gait::Walk),
            Some((tally(1, 2), tally(0, 0)))
        );
        assert_eq!(
            zone(&map, Zone::Poll, side, Gait::Jog),
            Some((tally(2, 2), tally(0, 0)))
        );
    }
    let hip = |side| zone(&map, Zone::Hip, side, Gait::Stand).map(|(now, _)| now);
    assert_eq!(hip(Side::Left), Some(tally(1, 1)));
    assert_eq!(hip(Side::Right), Some(tally(0, 1)));
    assert_eq!(zone(&map, Zone::Ribs, Side::Left, Gait::Walk), None);
}

#[test]
fn a_track_says_how_far_the_horse_stands_and_what_is_under_way() {
    let horse = Horse::new()
        .standing_on(FLEX)
        .soft_gives(FLEX, [0, 2, 4, 6, 8])
        .ride(
            "bend.hip/stand",
            8,
            &[steps(2), steps(1), steps(2), steps(1)],
        );
    let standings = judge_horse(ladder(), &horse.file(), day(9));
    let all = tracks(ladder(), &standings, day(9));
    let bend = all.iter().find(|track| track.track == "bend").unwrap();
    assert_eq!((bend.held, bend.rusty, bend.levels), (1, 0, 15));
    let under_way = bend.under_way.as_ref().unwrap();
    assert_eq!(under_way.level.to_string(), "bend.hip/stand");
    assert_eq!(under_way.stuck_days, None);
    let trail = all.iter().find(|track| track.track == "trail").unwrap();
    assert_eq!((trail.held, trail.under_way.as_ref()), (0, None));
    assert_eq!(all.len(), ladder().tracks.len());
}

#[rstest]
#[case(28, None)]
#[case(29, Some(29))]
#[case(50, Some(50))]
fn after_four_weeks_on_one_level_the_horse_is_stuck(
    #[case] after: i64,
    #[case] stuck: Option<u32>,
) {
    let horse = Horse::new()
        .standing_on(FLEX)
        .ride(FLEX, 0, &[soft(), braced(), soft(), braced()])
        .ride(FLEX, after, &[soft(), braced(), soft(), braced()]);
    let standings = judge_horse(ladder(), &horse.file(), day(after));
    let all = tracks(ladder(), &standings, day(after));
    let bend = all.iter().find(|track| track.track == "bend").unwrap();
    assert_eq!(bend.under_way.as_ref().unwrap().stuck_days, stuck);
}

/// What it rests on is what the horse is stuck on; what nobody asks any more is not under way.
#[test]
fn a_level_that_may_not_be_worked_on_and_one_let_lie_are_no_levels_to_be_stuck_on() {
    let poor = [soft(), braced(), soft(), braced()];
    let stuck = |horse: &Horse, on: i64| {
        let standings = judge_horse(ladder(), &horse.file(), day(on));
        let all = tracks(ladder(), &standings, day(on));
        let bend = all.into_iter().find(|track| track.track == "bend").unwrap();
        bend.under_way.unwrap().stuck_days
    };
    let closed = Horse::new()
        .ride("bend.hip/walk", 0, &[steps(1), steps(1)])
        .ride("bend.hip/walk", 40, &[steps(1), steps(1)]);
    assert_eq!(closed.at("bend.hip/walk", 40).state, State::Closed);
    assert_eq!(stuck(&closed, 40), None);
    let worked = Horse::new()
        .standing_on(FLEX)
        .ride(FLEX, 0, &poor)
        .ride(FLEX, 40, &poor);
    assert_eq!(stuck(&worked, 68), Some(68));
    assert_eq!(stuck(&worked, 69), None);
    // A level that was lost is worked on since it was lost, and not since its first day.
    let lost = [20, 21, 22, 23].into_iter().fold(
        Horse::new()
            .standing_on(FLEX)
            .soft_gives(FLEX, [0, 2, 4, 6, 8]),
        |horse, after| horse.ride(FLEX, after, &vec![braced(); 12]),
    );
    let day_lost = lost.at(FLEX, 23).history.hold.lost.unwrap().day;
    assert!(day(20) < day_lost && day_lost <= day(23));
    let lost = lost.ride(FLEX, 60, &poor);
    let days = cavesson_base::day::days_between(day_lost, day(60));
    assert_eq!(stuck(&lost, 60), Some(days as u32));
}

#[test]
fn the_stiff_side_wants_more_and_less_is_neglect() {
    // Left and right in turn: the right is braced every other time.
    let both: Vec<Measure> = (0..24)
        .map(|ask| if ask % 4 == 3 { braced() } else { soft() })
        .collect();
    let even = Horse::new().ride(FLEX, 20, &both);
    let found = stiff_side(&even.file(), day(21)).unwrap();
    assert_eq!(found.side, Side::Right);
    assert_eq!((found.share, found.other_share), (0.5, 1.0));
    assert!(found.sure >= 0.95, "{found:?}");
    assert_eq!((found.asked, found.other_asked), (12, 12));
    assert!(!found.neglected, "asked as often");
    // An odd number of asks: one more on the left.
    let more_left = Horse::new()
        .ride(FLEX, 0, &both)
        .ride(FLEX, 20, &both[..23]);
    assert!(stiff_side(&more_left.file(), day(21)).unwrap().neglected);
    // Long ago neither is known.
    assert_eq!(stiff_side(&even.file(), day(60)), None);
    let few = Horse::new().ride(FLEX, 20, &both[..8]);
    assert_eq!(stiff_side(&few.file(), day(21)), None);
}

#[test]
fn what_lacks_only_a_day_comes_before_what_is_only_worked_on() {
    let horse = Horse::new()
        .standing_on("bend.hip/stand")
        .ride(FLEX, 0, &vec![Measure::Give(SOFT); 16])
        .ride(FLEX, 2, &vec![Measure::Give(SOFT); 16])
        .ride(
            "bend.hip/stand",
            2,
            &[steps(2), steps(1), steps(2), steps(1)],
        );
    let next = |horse: &Horse, on: i64| {
        let standings = judge_horse(ladder(), &horse.file(), day(on));
        let index = next_level(ladder(), &standings, day(on))?;
        Some((
            ladder().levels[index].level.to_string(),
            standings[index].verdict,
        ))
    };
    let (level, verdict) = next(&horse, 3).unwrap();
    assert_eq!((level.as_str(), verdict), (FLEX, Verdict::Confirm));
    // What was sent down comes before it.
    let bad: Vec<Measure> = (0..8).map(|_| steps(0)).collect();
    let sent_down = horse.ride("bend.hip/stand", 3, &bad);
    let (level, verdict) = next(&sent_down, 3).unwrap();
    assert_eq!(
        (level.as_str(), verdict),
        ("bend.hip/stand", Verdict::EaseBack)
    );
    // A horse of which nothing is known begins on the ground.
    let (level, _) = next(&Horse::new(), 0).unwrap();
    assert!(level.starts_with("start."), "{level}");
}

#[rstest]
// Confirmed on fewer than six days: rusty after three weeks.
#[case(&[0, 2, 4, 6, 8], 29, State::Held)]
#[case(&[0, 2, 4, 6, 8], 30, State::Rusty)]
// Confirmed on six days and more: after sixty.
#[case(&[0, 2, 4, 6, 8, 10, 12, 14, 16, 18], 78, State::Held)]
#[case(&[0, 2, 4, 6, 8, 10, 12, 14, 16, 18], 79, State::Rusty)]
fn a_held_level_keeps_as_long_as_it_was_confirmed(
    #[case] days: &[i64],
    #[case] on: i64,
    #[case] state: State,
) {
    let horse = Horse::new()
        .standing_on(FLEX)
        .soft_gives(FLEX, days.iter().copied());
    assert_eq!(horse.said(FLEX, on).1, state);
}

#[test]
fn a_short_cold_retest_freshens_a_rusty_level() {
    let horse = Horse::new()
        .standing_on(FLEX)
        .soft_gives(FLEX, [0, 2, 4, 6, 8]);
    assert_eq!(horse.said(FLEX, 40), (Verdict::Refresh, State::Rusty));
    let retested = horse.ride(FLEX, 40, &[soft(), soft(), soft(), soft()]);
    assert_eq!(retested.said(FLEX, 41).1, State::Held);
}

/// A simulated horse ridden at one level.
fn simulated(seed: u64, rides: usize) -> (Vec<Rep>, i64) {
    let ridden = cavesson_told::simulated(&Traits::richer(seed), rides, 2, (4, 5), seed);
    let reps = ridden.into_iter().flat_map(|ride| ride.reps).collect();
    (reps, 2 * rides as i64)
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(64))]

    #[test]
    fn the_soft_map_counts_every_ask_of_its_days_once_a_side(seed in 0u64..5_000, rides in 1usize..16) {
        let (reps, on) = simulated(seed, rides);
        let file = HorseFile::of_reps(ladder(), &reps);
        let map = soft_map(ladder(), &file, day(on));
        for side in Side::EACH {
            let asked: u32 = map.iter().filter(|at| at.side == side).map(|at| at.now.asked + at.before.asked).sum();
            let lately = reps.iter().filter(|rep| rep.side == side && rep.day > day(on - 28)).count();
            prop_assert_eq!(asked as usize, lately);
        }
        prop_assert!(map.iter().all(|at| at.now.soft <= at.now.asked && at.before.soft <= at.before.asked));
    }

    #[test]
    fn a_mirrored_horse_has_the_mirrored_map_and_stiff_side(seed in 0u64..5_000, rides in 1usize..16) {
        let (reps, on) = simulated(seed, rides);
        let mirror = cavesson_told::mirrored(&reps);
        let (one, other) = (HorseFile::of_reps(ladder(), &reps), HorseFile::of_reps(ladder(), &mirror));
        let (map, mirrored) = (soft_map(ladder(), &one, day(on)), soft_map(ladder(), &other, day(on)));
        prop_assert_eq!(map.len(), mirrored.len());
        for at in &map {
            prop_assert_eq!(zone(&mirrored, at.zone, at.side.other(), at.gait), Some((at.now, at.before)));
        }
        let (stiff, of_mirror) = (stiff_side(&one, day(on)), stiff_side(&other, day(on)));
        prop_assert_eq!(stiff.map(|found| found.side.other()), of_mirror.map(|found| found.side));
    }

    #[test]
    fn tracks_add_up_to_what_the_levels_say(seed in 0u64..5_000, rides in 0usize..16) {
        let (reps, on) = simulated(seed, rides);
        let mut horse = Horse::new().standing_on(FLEX);
        horse.reps = reps;
        let standings = judge_horse(ladder(), &horse.file(), day(on));
        let all = tracks(ladder(), &standings, day(on));
        let held: u32 = all.iter().map(|track| track.held).sum();
        let levels: u32 = all.iter().map(|track| track.levels).sum();
        let said = standings.iter().filter(|standing| standing.counts_as_held()).count();
        prop_assert_eq!((held as usize, levels as usize), (said, ladder().levels.len()));
        // What comes next is on the ladder, and nothing that is closed.
        let next = next_level(ladder(), &standings, day(on));
        prop_assert!(next.is_some_and(|at| standings[at].state != State::Closed));
        prop_assert!(next != Some(index_of("trail.plank/once")));
    }
}

/// The slope is per day: the turn of the year is one day, not a year's rest.
#[test]
fn a_trend_runs_evenly_across_new_year() {
    let across = |first: jiff::civil::Date| {
        let reps: Vec<_> = (0..12_u8)
            .flat_map(|n| {
                let soft = usize::from(n / 2);
                let mut ride = cavesson_told::ride_of(i64::from(n), (soft, 6), (soft, 6));
                for rep in &mut ride {
                    rep.day = first.saturating_add(jiff::ToSpan::days(i64::from(n)));
                }
                ride
            })
            .collect();
        let on = first.saturating_add(jiff::ToSpan::days(11_i64));
        let ladder = cavesson_reps::ladder::Ladder::shipped();
        let judged =
            cavesson_judge::judge::judge_reps(ladder, &cavesson_told::flex().level, &reps, on);
        judged.unwrap().trends.soft_share.slope_per_day.unwrap()
    };
    let within = across(jiff::civil::date(2026, 3, 2));
    let new_year = across(jiff::civil::date(2026, 12, 26));
    let leap = across(jiff::civil::date(2027, 12, 26));
    assert!((within - 1.0 / 12.0).abs() < 0.02, "{within}");
    assert!((within - new_year).abs() < 1e-12, "{within} {new_year}");
    assert!((within - leap).abs() < 1e-12, "{within} {leap}");
}
