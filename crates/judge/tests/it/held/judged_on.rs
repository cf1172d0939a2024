//! Judged on from an earlier judgement, a horse stands as if it were judged whole: whatever
//! came late, was changed or taken back between, on whatever ladder it stood, and however
//! long the chain of judgements is.

use cavesson_judge::judge::horse::{carry_over, judge_horse_after};
use cavesson_judge::judge::judged_before::JudgedBefore;
use cavesson_judge::judge::{HorseFile, Overrule, Placing, Standing, Verdict, judge_horse};
use cavesson_reps::horse::{CareKind, CareNote, RideMark};
use cavesson_reps::ladder::{Gate, Ladder, LadderFile};
use cavesson_reps::program::Program;
use proptest::prelude::*;
use serde_json::json;
use uuid::Uuid;

use crate::held::stories::{LEVELS, any_held_story};
use cavesson_told::day;
use cavesson_told::horse_told::{Told, ladder, level};

/// All that is said of a level.
fn told_of(standing: &Standing) -> String {
    let Standing {
        index,
        verdict,
        state,
        sides,
        last_asked,
        retention,
        missing,
        stale,
        doubtful,
        cautions,
        eased,
        ease_to,
        nearest,
        overruled_by,
        without_exceptional,
        without_riders,
        history,
    } = standing;
    let standing = format!(
        "{index} {verdict:?} {state:?} {sides:?} {last_asked:?} {retention:?} {missing:?} {stale:?} \
         {doubtful:?} {cautions:?} {eased:?} {ease_to:?} {nearest:?} {overruled_by:?} \
         {without_exceptional:?} {without_riders:?}"
    );
    let history = format!(
        "{:?} {:?} {:?} {:?} {:?} {:?} {} {}",
        history.days,
        history.soft_days,
        history.changes,
        history.hold,
        history.timeline,
        history.readiness,
        history.counted,
        history.from
    );
    format!("{standing}\n{history}")
}

/// What can happen between one judgement and the next.
#[derive(Debug, Clone)]
enum Change {
    /// A ride, on any day: the last one, or one that comes late.
    Ride(i64, usize, u8, u8),
    /// One ask is taken back.
    Undone(usize),
    /// An answer is said otherwise.
    Turned(usize),
    /// The trainer's word.
    Word(i64, usize, bool),
    /// The last word is taken back.
    WordTakenBack,
    /// Placed by hand.
    Placed(i64, usize),
    /// A flag, from a day on for some days.
    Flag(i64, i64),
    /// The flags are cleared sooner.
    Cleared,
    /// A ride is marked as unlike the others, or as one with trouble.
    Marked(usize, RideMark),
    /// The horse comes onto another ladder.
    OtherLadder(usize),
    /// Its levels are carried over from the day on.
    CarriedOver(i64),
    /// Nothing: looked at again.
    Looked,
}

fn any_change() -> impl Strategy<Value = Change> {
    let levels = 0..LEVELS.len();
    let marks = prop::sample::select(vec![RideMark::Trouble, RideMark::NewPlace]);
    prop_oneof![
        8 => (30i64..60, levels.clone(), any::<u8>(), any::<u8>())
            .prop_map(|(day, at, left, right)| Change::Ride(day, at, left, right)),
        2 => (0usize..999).prop_map(Change::Undone),
        2 => (0usize..999).prop_map(Change::Turned),
        1 => (20i64..60, levels.clone(), any::<bool>())
            .prop_map(|(day, at, counts)| Change::Word(day, at, counts)),
        1 => Just(Change::WordTakenBack),
        1 => (0i64..60, levels).prop_map(|(day, at)| Change::Placed(day, at)),
        1 => (20i64..60, 1i64..20).prop_map(|(day, days)| Change::Flag(day, days)),
        1 => Just(Change::Cleared),
        1 => (0usize..99, marks).prop_map(|(ride, mark)| Change::Marked(ride, mark)),
        2 => (0usize..4).prop_map(Change::OtherLadder),
        1 => (20i64..60).prop_map(Change::CarriedOver),
        1 => Just(Change::Looked),
    ]
}

/// Ladders of other programs: a gate that asks for less, another way to the bridle, another
/// number of levels.
fn ladders() -> Vec<Ladder> {
    let mut easier = ladder().clone();
    for path in ["start.brake/jog", "bend.flex/stand"] {
        let gate = Gate {
            soft_share: 0.6,
            low_share: 0.0,
            ..easier.levels[easier.position(&level(path)).unwrap()].gate
        };
        easier.set_gate(&level(path), gate);
    }
    let of_school = |choice: &str| {
        let program = json!({"schools": {"bridle": choice}});
        let program: Program = cavesson_base::json::read(program).unwrap();
        program.ladder(LadderFile::shipped()).unwrap()
    };
    let others = [of_school("hackamore"), of_school("restore")];
    assert!(
        others
            .iter()
            .any(|other| other.levels.len() != ladder().levels.len())
    );
    let [hackamore, restore] = others;
    vec![ladder().clone(), easier, hackamore, restore]
}

/// A horse, judged again and again.
struct Judged {
    told: Told,
    ladder: Ladder,
    carried_from: Option<i64>,
}

impl Judged {
    fn file(&self) -> HorseFile {
        let told = self.told.file();
        let mut file = HorseFile {
            asks: HorseFile::of_reps(&self.ladder, &self.told.reps).asks,
            ..told
        };
        if let Some(from) = self.carried_from {
            let mut before = self.told.file();
            before.carried = None;
            file.carried = Some(carry_over(ladder(), &before, day(from)));
        }
        file
    }

    fn take(&mut self, change: &Change, ladders: &[Ladder]) {
        let told = &mut self.told;
        match *change {
            Change::Ride(day, at, left, right) => {
                let answers = |bits: u8| -> String {
                    let count = 1 + usize::from(bits % 5);
                    (0..count)
                        .map(|ask| if bits >> ask & 1 == 0 { 's' } else { 'm' })
                        .collect()
                };
                *told = told
                    .clone()
                    .ride(day, LEVELS[at], &answers(left), &answers(right));
            }
            Change::Undone(at) => {
                let reps = told.reps.len();
                told.reps.remove(at % reps);
            }
            Change::Turned(at) => {
                let at = at % told.reps.len();
                let path = told.reps[at].level().to_string();
                told.reps[at].measure =
                    cavesson_told::horse_told::answer(&path, at.is_multiple_of(2));
            }
            Change::Word(on, at, counts) => {
                let number = 1_000 + told.file.overrules.len() as u128;
                told.file.overrules.push(Overrule {
                    overrule_id: Uuid::from_u128(number),
                    level: level(LEVELS[at]),
                    day: day(on),
                    judge_said: Verdict::Confirm,
                    counts_as: if counts {
                        Verdict::Advance
                    } else {
                        Verdict::Stay
                    },
                    reason: "seen it".into(),
                });
                told.file.overrules.sort_by_key(|overrule| overrule.day);
            }
            Change::WordTakenBack => drop(told.file.overrules.pop()),
            Change::Placed(on, at) => told.placings.push(Placing {
                day: day(on),
                levels: vec![level(LEVELS[at])],
            }),
            Change::Flag(on, days) => told.file.care.push(CareNote {
                care_id: Uuid::from_u128(2_000 + told.file.care.len() as u128),
                kind: CareKind::Pain,
                day: day(on),
                cleared_on: Some(day(on + days)),
                text: String::new(),
                again_days: None,
            }),
            Change::Cleared => {
                for note in &mut told.file.care {
                    note.cleared_on = Some(note.day);
                }
            }
            Change::Marked(at, mark) => {
                let at = at % told.rides.len();
                told.rides[at].marks = vec![mark];
            }
            Change::OtherLadder(at) => self.ladder = ladders[at].clone(),
            Change::CarriedOver(from) => self.carried_from = Some(from),
            Change::Looked => {}
        }
    }
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 128, ..ProptestConfig::default() })]

    #[test]
    fn judged_on_and_on_is_judged_whole(
        told in any_held_story(),
        changes in prop::collection::vec((any_change(), 40i64..64), 1..12),
    ) {
        let ladders = ladders();
        let mut horse = Judged { told, ladder: ladder().clone(), carried_from: None };
        let (mut file, mut on) = (horse.file(), day(45));
        let mut stood_on = horse.ladder.clone();
        let mut standings = judge_horse(&stood_on, &file, on);
        for (change, today) in &changes {
            horse.take(change, &ladders);
            let now = horse.file();
            let before = JudgedBefore { ladder: &stood_on, file: &file, standings: &standings, on };
            let judged = judge_horse_after(&horse.ladder, &now, day(*today), Some(before));
            let whole = judge_horse(&horse.ladder, &now, day(*today));
            prop_assert_eq!(judged.len(), whole.len());
            for (one, other) in judged.iter().zip(&whole) {
                prop_assert!(told_of(one) == told_of(other), "level {} after {change:?}", one.index);
            }
            (file, on, standings, stood_on) = (now, day(*today), judged, horse.ladder.clone());
        }
    }

    /// A ride as it is sent: ask by ask on one day, each judged on from the one before.
    #[test]
    fn a_ride_judged_ask_by_ask_is_judged_whole(
        told in any_held_story(), at in 0..LEVELS.len(), bits in any::<u16>(), today in 50i64..60,
    ) {
        let answers: String = (0..8).map(|ask| if bits >> ask & 1 == 0 { 's' } else { 'm' }).collect();
        let whole = told.clone().ride(today, LEVELS[at], &answers, &answers);
        let mut known = told.file();
        let mut standings = judge_horse(ladder(), &known, day(today));
        for reps in told.reps.len() + 1..=whole.reps.len() {
            let mut so_far = whole.clone();
            so_far.reps.truncate(reps);
            let file = so_far.file();
            let before = JudgedBefore { ladder: ladder(), file: &known, standings: &standings, on: day(today) };
            let judged = judge_horse_after(ladder(), &file, day(today), Some(before));
            for (one, other) in judged.iter().zip(&judge_horse(ladder(), &file, day(today))) {
                prop_assert!(told_of(one) == told_of(other), "level {} at ask {reps}", one.index);
            }
            (known, standings) = (file, judged);
        }
    }
}

/// What a level starts from is another one where something else was carried over.
#[test]
fn what_is_carried_over_anew_is_not_taken_from_before() {
    let path = "start.bend-ground/stand";
    let told = Told::default().rides(-40..-28, path, "sssss", "sssss");
    let mut horse = Judged {
        told,
        ladder: ladder().clone(),
        carried_from: Some(52),
    };
    let before = horse.file();
    let standings = judge_horse(ladder(), &before, day(40));
    horse.take(&Change::Placed(0, 1), &[]);
    let now = horse.file();
    assert_ne!(before.carried, now.carried);
    let known = JudgedBefore {
        ladder: ladder(),
        file: &before,
        standings: &standings,
        on: day(40),
    };
    let judged = judge_horse_after(ladder(), &now, day(40), Some(known));
    for (one, other) in judged.iter().zip(&judge_horse(ladder(), &now, day(40))) {
        assert!(told_of(one) == told_of(other), "level {}", one.index);
    }
}
