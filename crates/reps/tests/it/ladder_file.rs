//! The ladder file: what is refused, and where; what the shipped one holds.

use cavesson_reps::ladder::{
    FaultId, Gate, Ladder, LadderError, LadderFile, Level, MeasureKind, RungId, SkillId,
};
use cavesson_reps::program::Program;
use rstest::rstest;

const GOOD: &str = r#"
version = 1
[rungs]
stand = { name = "standing", gait = "stand" }
walk = { name = "at the walk", gait = "walk" }
jog = { name = "at the jog", gait = "jog" }
[[track]]
id = "bend"
name = "Bend"
[[track.skill]]
id = "bend.flex"
name = "Flexes to a light rein"
ask = "Take one rein and wait."
measure = "give"
levels = ["stand"]
[[track.skill]]
id = "bend.circle"
name = "Small circle"
ask = "Forward, nose in."
measure = "circle"
levels = ["walk", "jog"]
needs = ["bend.flex"]
"#;

fn error_of(from: &str, to: &str) -> LadderError {
    assert!(GOOD.contains(from), "{from}");
    LadderFile::parse(&GOOD.replacen(from, to, 1)).unwrap_err()
}

fn flex() -> SkillId {
    SkillId("bend.flex".into())
}

#[test]
fn a_small_file_is_a_ladder_from_the_ground_up() {
    let file = LadderFile::parse(GOOD).unwrap();
    let ladder = Program::default().ladder(&file).unwrap();
    let paths: Vec<String> = ladder.levels.iter().map(|l| l.level.to_string()).collect();
    assert_eq!(
        paths,
        ["bend.flex/stand", "bend.circle/walk", "bend.circle/jog"]
    );
    assert_eq!(ladder.levels[2].below, Some(1));
    assert_eq!(ladder.levels[2].needs, [[0]]);
    assert_eq!(ladder.levels[0].opens, [1, 2]);
    assert_eq!(ladder.levels[1].name, "Small circle, at the walk");
    assert_eq!(ladder.levels[0].name, "Flexes to a light rein");
}

#[test]
fn each_mistake_is_its_own_error_with_its_place() {
    assert!(matches!(
        error_of("version = 1", "version = \"one\""),
        LadderError::Unreadable(_)
    ));
    assert!(matches!(
        error_of("levels", "gaits"), LadderError::Unreadable(says) if says.contains("gaits")
    ));
    assert_eq!(error_of("[\"stand\"]", "[]"), LadderError::NoLevels(flex()));
    assert_eq!(
        error_of("[\"walk\", \"jog\"]", "[\"jog\", \"walk\"]"),
        LadderError::LevelOrder(SkillId("bend.circle".into()))
    );
    assert_eq!(
        error_of("[\"stand\"]", "[\"stand\", \"stand\"]"),
        LadderError::LevelOrder(flex())
    );
    assert_eq!(
        error_of("[\"stand\"]", "[\"canter\"]"),
        LadderError::UnknownRung {
            skill: flex(),
            rung: RungId("canter".into())
        }
    );
    assert_eq!(
        error_of("id = \"bend\"", "id = \"stop\""),
        LadderError::Elsewhere {
            skill: flex(),
            track: "stop".into()
        }
    );
    assert_eq!(
        error_of("id = \"bend.circle\"", "id = \"bend.flex\""),
        LadderError::SkillTwice(flex())
    );
    assert_eq!(
        error_of("measure = \"give\"\n", ""),
        LadderError::NoMeasure(flex())
    );
    assert_eq!(
        error_of("measure = \"give\"\n", "gate = { least_reps = 4 }\n"),
        LadderError::GateWithoutMeasure(flex())
    );
}

#[rstest]
#[case(
    "needs = [\"bend.flax\"]",
    "bend.circle/walk needs \"bend.flax\", and there is no such skill"
)]
#[case(
    "needs = [\"bend.flex/lope\"]",
    "bend.circle/walk needs \"bend.flex/lope\", and that skill has no such level"
)]
#[case(
    "needs = [\"bend.flex/same\"]",
    "bend.circle/walk needs \"bend.flex/same\", and that skill has no such level"
)]
#[case(
    "needs = [\"bend.circle\"]",
    "bend.circle/walk needs \"bend.circle\", which has several levels; say which"
)]
#[case(
    "needs = [\"bend.circle/jog\"]",
    "these levels need each other in a circle: bend.circle/walk -> bend.circle/jog -> bend.circle/walk"
)]
#[case(
    "needs_at.trot = [\"bend.flex\"]",
    "skill bend.circle names the rung \"trot\", which is not under [rungs]"
)]
#[case("only_for = { question = \"bridle\", choice = \"rope\" }", "skill")]
fn a_need_that_cannot_be_is_told_with_its_level(#[case] needs: &str, #[case] says: &str) {
    let error = error_of("needs = [\"bend.flex\"]", needs).to_string();
    if says == "skill" {
        assert!(
            error.contains("\"bridle\"") && error.contains("snaffle, hackamore, restore"),
            "{error}"
        );
    } else {
        assert_eq!(error, says);
    }
}

#[test]
fn a_circle_names_the_whole_path() {
    let round = GOOD.replacen(
        "levels = [\"stand\"]",
        "levels = [\"stand\"]\nneeds = [\"bend.circle/jog\"]",
        1,
    );
    let LadderError::Circle(path) = LadderFile::parse(&round).unwrap_err() else {
        panic!("not a circle");
    };
    let path: Vec<String> = path.iter().map(ToString::to_string).collect();
    assert_eq!(
        path,
        [
            "bend.flex/stand",
            "bend.circle/jog",
            "bend.circle/walk",
            "bend.flex/stand"
        ]
    );
}

#[test]
fn a_level_that_a_school_leaves_without_its_need_cannot_be_reached() {
    let error = error_of(
        "levels = [\"stand\"]",
        "levels = [\"stand\"]\nonly_for = { question = \"bridle\", choice = \"snaffle\" }",
    );
    assert_eq!(
        error.to_string(),
        "bend.circle/walk can never be opened with \"The way to the bridle\": hackamore: \
         it needs bend.flex, which is not on that ladder"
    );
}

#[test]
fn a_fault_that_names_nothing_is_refused() {
    let with = |fault: &str| LadderFile::parse(&format!("{GOOD}\n[[fault]]\n{fault}")).unwrap_err();
    let start = "id = \"stiff\"\nname = \"stiff\"\nrule_out = []\nremedy = \"Wait.\"\n";
    let stiff = || FaultId("stiff".into());
    for (line, names) in [
        ("holes = [\"bend.flax\"]", "bend.flax"),
        ("holes = [\"bend.circle\"]", "bend.circle"),
        ("holes = []\nin_tracks = [\"bond\"]", "bond"),
        ("holes = []\nin_skills = [\"bend.flax\"]", "bend.flax"),
    ] {
        assert_eq!(
            with(&format!("{start}{line}")),
            LadderError::FaultNamesUnknown {
                fault: stiff(),
                names: names.into()
            }
        );
    }
    assert_eq!(
        with(&format!("{start}holes = []\n[[fault]]\n{start}holes = []")),
        LadderError::FaultTwice(stiff())
    );
    assert!(matches!(
        with(&format!("{start}holes = []")),
        LadderError::FaultMissing(_)
    ));
}

#[test]
fn a_gate_out_of_bounds_names_the_number_and_what_is_allowed() {
    let error = error_of(
        "levels = [\"stand\"]",
        "levels = [\"stand\"]\ngate = { soft_share = 1.5 }",
    );
    assert_eq!(
        error.to_string(),
        "the gate of bend.flex/stand: /soft_share: share must be 0 to 1, found 1.5"
    );
    let error = error_of(
        "levels = [\"stand\"]",
        "levels = [\"stand\"]\ngate_at.stand = { first_ask_soft = 4 }",
    );
    assert!(
        error
            .to_string()
            .contains("at most first_ask_days (3), found 4")
    );
    let error = error_of("[[track]]", "[gates.give]\nsofter = 1\n[[track]]");
    assert!(
        error.to_string().contains("unknown field `softer`"),
        "{error}"
    );
}

#[test]
fn the_shipped_ladder_has_every_track_in_the_order_of_the_work() {
    let ladder = Ladder::shipped();
    let tracks: Vec<(&str, usize)> = ladder
        .tracks
        .iter()
        .map(|track| (track.id.as_str(), track.skills.len()))
        .collect();
    // The tables of the trade, row by row; the default program has the snaffle school's bridle.
    assert_eq!(
        tracks,
        [
            ("start", 10),
            ("bend", 6),
            ("frame", 5),
            ("stop", 4),
            ("turn", 3),
            ("lead", 7),
            ("bridle", 5),
            ("cow", 8),
            ("barrel", 6),
            ("trail", 9),
            ("miles", 5)
        ]
    );
    assert_eq!(ladder.faults.len(), 25);
    assert!(ladder.levels.iter().enumerate().all(|(index, level)| {
        level
            .below
            .iter()
            .chain(level.needs.iter().flatten())
            .all(|need| *need < index)
    }));
}

/// Needs as the trade's tables give them; common practice, no source.
#[rstest]
#[case("start.brake/stand", &["start.mount/stand", "start.bend-ground/stand"])]
#[case("start.forward/jog", &["start.forward/walk", "start.brake/walk"])]
#[case("bend.ribs/jog", &["bend.ribs/walk", "bend.forward-circle/jog"])]
#[case("frame.loose/walk", &["frame.topline/walk or frame.poll/walk"])]
#[case("stop.seat/lope", &["stop.seat/trot", "frame.back/stand", "frame.poll/lope"])]
#[case("turn.rollback-wall/walk", &["turn.haunches/half", "stop.rock-back/walk"])]
#[case("lead.change/left_to_right", &["lead.line/left", "lead.line/right", "lead.counter/left", "lead.counter/right"])]
#[case("lead.depart/right", &["lead.setup/walk"])]
#[case("bridle.shank-two-hands/stand", &["bridle.snaffle/jog", "bend.flex/stand", "bend.forward-circle/jog", "frame.poll/jog", "stop.seat/jog"])]
#[case("cow.turn/slow", &["turn.rollback-wall/jog", "frame.back/stand", "cow.track/walk"])]
#[case("barrel.pattern/run", &["barrel.pattern/three_quarter"])]
fn needs_are_those_of_the_trade(#[case] level: &str, #[case] needs: &[&str]) {
    let ladder = Ladder::shipped();
    let at = ladder.at(&Level::from_path(level).unwrap()).unwrap();
    let path = |index: &usize| ladder.levels[*index].level.to_string();
    let found: Vec<String> = at
        .below
        .iter()
        .map(path)
        .chain(
            at.needs
                .iter()
                .map(|need| need.iter().map(path).collect::<Vec<_>>().join(" or ")),
        )
        .collect();
    assert_eq!(found, needs);
}

#[test]
fn gates_come_from_the_measure_the_safety_gate_and_the_skill() {
    let gate = |path: &str| {
        Ladder::shipped()
            .at(&Level::from_path(path).unwrap())
            .unwrap()
            .gate
    };
    assert_eq!(gate("bend.flex/stand"), Gate::default());
    let brake = gate("start.brake/lope");
    assert_eq!(
        (brake.least_days, brake.soft_share, brake.no_miss_reps),
        (5, 0.95, 20)
    );
    assert_eq!(gate("start.mount/stand").least_count, 100);
    // Asked seldom: looked at over two months, and proven as everything is.
    for seldom in [
        "trail.bridge/once",
        "barrel.pattern/walk",
        "miles.tied/once",
    ] {
        let gate = gate(seldom);
        assert_eq!((gate.low_share, gate.window_days), (0.70, 60), "{seldom}");
    }
    for measure in MeasureKind::ALL {
        assert!(
            Ladder::shipped()
                .levels
                .iter()
                .any(|level| level.measure == *measure),
            "no skill records {measure:?}"
        );
    }
}

#[test]
fn a_rep_may_be_asked_at_any_level_of_any_school() {
    let all = LadderFile::shipped().all_levels();
    for skill in [
        "bridle.snaffle",
        "bridle.two-rein",
        "bridle.restore",
        "frame.topline",
    ] {
        assert!(all.rungs_of(&SkillId(skill.into())).count() > 0, "{skill}");
    }
    let one_school = Ladder::shipped().levels.len();
    assert!(all.levels.len() > one_school);
}

#[test]
fn the_ladder_compiled_in_is_the_ladder_as_it_is_written() {
    let written = LadderFile::parse(include_str!("../../src/ladder/ladder.toml")).unwrap();
    assert!(written == *LadderFile::shipped());
}
