//! The ladder file: what is refused, and where.

use cavesson_core::Gait;
use cavesson_core::ladder::{Gate, Ladder, LadderError, Level, SkillId};

const GOOD: &str = r#"
version = 1
[[track]]
id = "bend"
name = "Bend"
[[track.skill]]
id = "bend.flex"
name = "Flexes to a light rein"
ask = "Take one rein and wait."
measure = "give"
levels = ["stand"]
"#;

fn error_of(from: &str, to: &str) -> LadderError {
    assert!(GOOD.contains(from));
    Ladder::parse(&GOOD.replace(from, to)).unwrap_err()
}

#[test]
fn the_shipped_ladder_is_valid_and_has_the_default_gate() {
    let ladder = Ladder::shipped();
    let level = Level {
        skill: SkillId("bend.flex".into()),
        gait: Gait::Stand,
    };
    assert_eq!(ladder.skill_at(&level).unwrap().gate, Gate::default());
    assert!(
        ladder
            .skill_at(&Level {
                gait: Gait::Lope,
                ..level
            })
            .is_none()
    );
}

#[test]
fn each_mistake_is_named_with_its_place() {
    let flex = || SkillId("bend.flex".into());
    assert!(matches!(
        error_of("version = 1", "version = \"one\""),
        LadderError::Unreadable(_)
    ));
    assert!(
        matches!(error_of("levels", "gaits"), LadderError::Unreadable(says) if says.contains("gaits"))
    );
    assert_eq!(error_of("[\"stand\"]", "[]"), LadderError::NoLevels(flex()));
    assert_eq!(
        error_of("[\"stand\"]", "[\"walk\", \"stand\"]"),
        LadderError::LevelOrder(flex())
    );
    assert_eq!(
        error_of("id = \"bend\"", "id = \"stop\""),
        LadderError::Elsewhere {
            skill: flex(),
            track: "stop".into()
        }
    );
    let twice = format!(
        "{GOOD}{}",
        GOOD.split("[[track.skill]]")
            .nth(1)
            .map(|s| format!("[[track.skill]]{s}"))
            .unwrap()
    );
    assert_eq!(
        Ladder::parse(&twice).unwrap_err(),
        LadderError::Twice(flex())
    );
}

#[test]
fn a_gate_out_of_bounds_names_the_number_and_what_is_allowed() {
    let gate = format!("{GOOD}gate = {{ soft_share = 1.5 }}");
    let error = Ladder::parse(&gate).unwrap_err().to_string();
    assert_eq!(
        error,
        "the gate of skill bend.flex: /soft_share: share of a whole must be 0 to 1, found 1.5"
            .replace("share of a whole", "share")
    );
    let gate = format!("{GOOD}gate = {{ first_ask_soft = 4 }}");
    assert!(
        Ladder::parse(&gate)
            .unwrap_err()
            .to_string()
            .contains("at most first_ask_days (3), found 4")
    );
}
