//! What must hold of a whole horse, whatever it answers: simulated horses ridden
//! up the whole ladder, every kind of rep among them.

use cavesson_base::Side;
use cavesson_judge::judge::held::Phase;
use cavesson_judge::judge::sides::sides;
use cavesson_judge::judge::soft_map::soft_map;
use cavesson_judge::judge::track::tracks;
use cavesson_judge::judge::{
    HorseFile, Overrule, Standing, State, Verdict, faults_seen, holes, judge_horse, level,
};
use cavesson_reps::ladder::{LadderLevel, MeasureKind, Sides};
use cavesson_reps::program::Program;
use cavesson_reps::rep::{Measure, Rep};
use cavesson_reps::sim_horse::{PlannedBlock, PlannedRide, SimulatedHorse, Traits};
use cavesson_told::horse::ladder;
use cavesson_told::mirrored;
use cavesson_trials::bench::barn::season;
use jiff::civil::Date;
use jiff::{SignedDuration, Timestamp};
use proptest::prelude::*;
use uuid::Uuid;

/// What is asked on every day, beside the way up the ladder.
const DAILY: [&str; 4] = [
    "bend.flex/stand",
    "bend.ribs/walk",
    "frame.poll/walk",
    "turn.haunches/half",
];

/// A horse ridden up the whole ladder in so many days, and on each of them at the
/// same few levels, which it learns; and the last of the days.
fn ridden(seed: u64, days: usize) -> (Vec<Rep>, Date) {
    let mut reps = season(ladder(), seed, days);
    let levels: Vec<&LadderLevel> = DAILY
        .iter()
        .map(|path| &ladder().levels[cavesson_told::horse::index_of(path)])
        .collect();
    let learns = Traits {
        start: 0.6,
        plateau: 2.8,
        rate: 0.15,
        ..Traits::richer(seed)
    };
    let mut horse = SimulatedHorse::new(learns, &levels, seed ^ 0xda11);
    let mut mornings: Vec<(Date, Timestamp)> = Vec::new();
    for rep in &reps {
        if mornings.last().is_none_or(|(day, _)| *day != rep.day) {
            mornings.push((rep.day, rep.asked_at));
        }
    }
    for (day, morning) in mornings {
        let blocks = (0..DAILY.len())
            .map(|level| PlannedBlock {
                level,
                left: 4,
                right: 4,
            })
            .collect();
        let plan = PlannedRide {
            day,
            first_ask_at: morning + SignedDuration::from_hours(4),
            blocks,
        };
        reps.extend(horse.ride(&plan).reps);
    }
    let on = reps.iter().map(|rep| rep.day).max().unwrap();
    (reps, on)
}

fn judged(reps: &[Rep], on: Date) -> (HorseFile, Vec<Standing>) {
    let file = HorseFile::of_reps(ladder(), reps);
    let standings = judge_horse(ladder(), &file, on);
    (file, standings)
}

fn said(standings: &[Standing]) -> Vec<(Verdict, State)> {
    standings
        .iter()
        .map(|standing| (standing.verdict, standing.state))
        .collect()
}

/// The horse when all that a level needs counts as held by the trainer's word.
fn on_its_own(reps: &[Rep], on: Date) -> Vec<Standing> {
    let mut file = HorseFile::of_reps(ladder(), reps);
    file.overrules = ladder()
        .levels
        .iter()
        .map(|at| Overrule {
            overrule_id: Uuid::nil(),
            level: at.level.clone(),
            day: on,
            judge_said: Verdict::Stay,
            counts_as: Verdict::Advance,
            reason: "taken as held".into(),
        })
        .collect();
    judge_horse(ladder(), &file, on)
}

#[test]
fn one_more_soft_give_never_closes_an_open_gate() {
    let mut tried = 0;
    for seed in 0..60 {
        let (reps, on) = ridden(seed, 24);
        for standing in on_its_own(&reps, on) {
            let at = &ladder().levels[standing.index];
            if standing.verdict != Verdict::Advance || at.measure != MeasureKind::Give {
                continue;
            }
            let of_level = reps.iter().filter(|rep| rep.level() == at.level);
            let last = of_level.max_by_key(|rep| rep.asked_at).unwrap();
            for side in at.asked_sides() {
                let mut more = reps.clone();
                more.push(Rep {
                    rep_id: Uuid::from_u128(u128::MAX),
                    side: *side,
                    asked_at: last.asked_at + SignedDuration::from_secs(20),
                    measure: Measure::Give(cavesson_told::SOFT),
                    faults: Vec::new(),
                    ..last.clone()
                });
                let after = on_its_own(&more, on);
                let verdict = after[standing.index].verdict;
                assert_eq!(verdict, Verdict::Advance, "{}, seed {seed}", at.name);
                tried += 1;
            }
        }
    }
    assert!(tried >= 40, "only {tried} open gates were tried");
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(24))]

    #[test]
    fn the_order_of_upload_does_not_matter(seed in 0u64..2_000, days in 4usize..20, turn in 1usize..999) {
        let (reps, on) = ridden(seed, days);
        let mut shuffled = reps.clone();
        shuffled.reverse();
        let turned = turn % shuffled.len();
        shuffled.rotate_left(turned);
        let (one, other) = (judged(&reps, on), judged(&shuffled, on));
        prop_assert_eq!(said(&one.1), said(&other.1));
        prop_assert_eq!(
            holes(ladder(), &one.0, &one.1, on),
            holes(ladder(), &other.0, &other.1, on)
        );
        prop_assert_eq!(soft_map(ladder(), &one.0, on), soft_map(ladder(), &other.0, on));
        prop_assert_eq!(sides(ladder(), &one.0, on), sides(ladder(), &other.0, on));
    }

    #[test]
    fn a_mirrored_horse_gets_the_mirrored_verdict_on_every_level(seed in 0u64..2_000, days in 4usize..20) {
        let (reps, on) = ridden(seed, days);
        let (_, one) = judged(&reps, on);
        let (_, mirror) = judged(&mirrored(&reps), on);
        prop_assert_eq!(said(&one), said(&mirror));
        for (a, b) in one.iter().zip(&mirror) {
            for count in &a.sides {
                let of_mirror = b.sides.iter().find(|other| other.side == count.side.other());
                prop_assert_eq!(of_mirror.map(|other| (other.soft, other.asked)), Some((count.soft, count.asked)));
            }
        }
    }

    #[test]
    fn every_level_says_something_that_agrees_with_itself(seed in 0u64..2_000, days in 2usize..16) {
        let (reps, on) = ridden(seed, days);
        let (file, standings) = judged(&reps, on);
        for standing in &standings {
            let said = level::of_standings(ladder(), &file, &standings, standing.index, on);
            prop_assert_eq!((said.verdict, said.state), (standing.verdict, standing.state));
            prop_assert!(!said.text.is_empty() && !said.takes.is_empty());
            prop_assert!(said.reasons.iter().all(|reason| !reason.text.is_empty()));
            let holds_back = said.gate.items.iter().any(|item| !item.passes);
            prop_assert_eq!(said.gate.passes, !holds_back);
            if said.verdict == Verdict::Advance {
                prop_assert!(said.gate.passes && said.missing.is_empty() && said.stale.is_empty());
            }
            let hold = &standing.history.hold;
            let never_held = hold.phase == Phase::Never && hold.eased.is_none();
            prop_assert_eq!(standing.state == State::Closed, !said.missing.is_empty() && never_held);
        }
    }

    #[test]
    fn holes_rest_on_faults_that_were_seen_and_lead_to_levels_that_are_there(seed in 0u64..2_000, days in 2usize..20) {
        let (reps, on) = ridden(seed, days);
        let (file, standings) = judged(&reps, on);
        let seen = faults_seen(ladder(), &file, on);
        for fault in &seen {
            prop_assert!(fault.times >= 1 && fault.times <= fault.chances);
            prop_assert!(fault.days.iter().all(|day| *day <= on));
        }
        let found = holes(ladder(), &file, &standings, on);
        prop_assert_eq!(found.is_empty(), seen.is_empty());
        prop_assert!(found.windows(2).all(|pair| pair[0].score >= pair[1].score * 0.9));
        for hole in &found {
            prop_assert!(ladder().position(&hole.level).is_some());
            prop_assert!(hole.evidence.iter().all(|fault| seen.contains(fault)));
            prop_assert!(hole.remedies.iter().all(|remedy| !remedy.text.is_empty() && ladder().position(&remedy.level).is_some()));
        }
    }

    #[test]
    fn what_is_compared_by_side_was_asked_by_side(seed in 0u64..2_000, days in 2usize..20) {
        let (reps, on) = ridden(seed, days);
        let (file, standings) = judged(&reps, on);
        for one in sides(ladder(), &file, on) {
            prop_assert_eq!(ladder().levels[one.level].sides, Sides::Each);
            prop_assert!(one.low <= one.evenness.difference && one.evenness.difference <= one.high);
            prop_assert!(one.left.asked > 0 && one.right.asked > 0);
            prop_assert!(one.evenness.lower_side != Some(Side::Both));
        }
        let held: u32 = tracks(ladder(), &standings, on).iter().map(|track| track.held).sum();
        let counted = standings.iter().filter(|standing| standing.counts_as_held()).count();
        prop_assert_eq!(held as usize, counted);
    }

    #[test]
    fn what_happened_later_does_not_change_what_was_said(seed in 0u64..2_000, days in 6usize..20, back in 1usize..5) {
        let (reps, on) = ridden(seed, days);
        let then = on.saturating_sub(jiff::ToSpan::days(back as i64));
        let until: Vec<Rep> = reps.iter().filter(|rep| rep.day <= then).cloned().collect();
        prop_assert_eq!(said(&judged(&reps, then).1), said(&judged(&until, then).1));
    }

    #[test]
    fn a_program_that_changes_nothing_judges_as_the_ladder_does(seed in 0u64..2_000, days in 2usize..16) {
        let (reps, on) = ridden(seed, days);
        let program = Program { name: "Plain".into(), ..Program::default() };
        let plain = program.ladder(cavesson_reps::ladder::LadderFile::shipped()).unwrap();
        let file = HorseFile::of_reps(&plain, &reps);
        prop_assert_eq!(said(&judge_horse(&plain, &file, on)), said(&judged(&reps, on).1));
    }
}
