//! Rules name roles, never the id of a skill: no id of the ladder file stands in the code of
//! core, store, server or web; what is data names skills that are there.
//!
//! What an id stands for today is written out here once, by hand, from the trade: a role that
//! comes to mean another skill is noticed.

use std::collections::BTreeSet;
use std::fs;
use std::path::{Path, PathBuf};

use cavesson_core::Gait;
use cavesson_core::card::traits;
use cavesson_core::cattle::leave::dry_work;
use cavesson_core::horse::HorseTrait;
use cavesson_core::ladder::resolve::resolve;
use cavesson_core::ladder::{Ladder, LadderFile, ObstacleKind, Role};
use cavesson_core::school::Schools;
use rstest::rstest;

/// Where ids stand on purpose: the made-up barn, and the trials of the judge, which say on
/// which skills they were made.
const DATA_IN_CODE: [&str; 5] = ["/demo/", "/soak/", "/trials/", "/told/", "/api/"];

fn ladder() -> &'static Ladder {
    Ladder::every_level()
}

fn path(index: Option<usize>) -> String {
    index.map_or_else(String::new, |index| {
        ladder().levels[index].level.to_string()
    })
}

#[rstest]
#[case(Role::Brake, "start.brake/stand", "start.brake/lope")]
#[case(Role::Mount, "start.mount/stand", "start.mount/stand")]
#[case(Role::LightestAsk, "bend.flex/stand", "bend.flex/stand")]
#[case(Role::TiedAsk, "start.bend-ground/stand", "start.bend-ground/stand")]
#[case(Role::TimedPattern, "barrel.pattern/walk", "barrel.pattern/run")]
#[case(Role::Flag, "cow.flag/slow", "cow.flag/quick")]
#[case(
    Role::OpenRollback,
    "turn.rollback-open/jog",
    "turn.rollback-open/lope"
)]
#[case(
    Role::BarrelRollback,
    "barrel.drill-roll/walk",
    "barrel.drill-roll/jog"
)]
#[case(
    Role::FirstLeverage,
    "bridle.shank-two-hands/stand",
    "bridle.shank-two-hands/lope"
)]
fn a_role_means_the_skill_it_always_meant(
    #[case] role: Role,
    #[case] first: &str,
    #[case] last: &str,
) {
    assert_eq!(path(ladder().first_in(role)), first);
    assert_eq!(path(ladder().last_in(role)), last);
}

#[test]
fn a_horse_that_leaves_the_cattle_backs_moves_its_shoulders_and_rocks_back() {
    let dry: Vec<String> = dry_work().iter().map(ToString::to_string).collect();
    let by_hand = [
        "frame.back/stand",
        "turn.haunches/quarter",
        "stop.rock-back/walk",
    ];
    assert_eq!(dry, by_hand);
}

#[rstest]
#[case(ObstacleKind::Poles, Gait::Walk, "trail.poles/walk")]
#[case(ObstacleKind::Poles, Gait::Stand, "trail.poles/walk")]
#[case(ObstacleKind::Poles, Gait::Trot, "trail.poles/jog")]
#[case(ObstacleKind::Poles, Gait::Gallop, "trail.poles/lope")]
#[case(ObstacleKind::Serpentine, Gait::Walk, "bend.follow-nose/walk")]
#[case(ObstacleKind::Serpentine, Gait::Lope, "bend.follow-nose/jog")]
#[case(ObstacleKind::LowBridge, Gait::Walk, "trail.bridge-low/once")]
#[case(ObstacleKind::Bridge, Gait::Walk, "trail.bridge/once")]
#[case(ObstacleKind::Plank, Gait::Walk, "trail.plank/once")]
#[case(ObstacleKind::Step, Gait::Walk, "trail.step/once")]
#[case(ObstacleKind::Water, Gait::Walk, "trail.water/once")]
#[case(ObstacleKind::BackThrough, Gait::Walk, "trail.back-through/once")]
#[case(ObstacleKind::Sidepass, Gait::Walk, "trail.sidepass/walk")]
#[case(ObstacleKind::Gate, Gait::Walk, "trail.gate/once")]
fn on_an_obstacle_its_own_skill_is_asked_at_the_gait_of_the_course(
    #[case] obstacle: ObstacleKind,
    #[case] gait: Gait,
    #[case] level: &str,
) {
    assert_eq!(path(ladder().asked_on(obstacle, gait)), level);
}

#[test]
fn every_obstacle_is_asked_at_every_gait() {
    for obstacle in ObstacleKind::ALL {
        for gait in Gait::ALL {
            assert!(ladder().asked_on(*obstacle, gait).is_some(), "{obstacle:?}");
        }
    }
}

#[test]
fn traits_name_skills_that_are_there_and_count_once() {
    let skills = ids();
    for (horse_trait, points) in traits::points() {
        for (skill, more) in points {
            assert!(skills.contains(&skill.0), "{horse_trait:?}: {skill}");
            assert!(
                *more != 0.0 && more.abs() <= 10.0,
                "{horse_trait:?}: {skill}"
            );
            let twice = [*horse_trait, *horse_trait];
            assert_eq!(traits::points_of(&twice, skill), *more);
        }
    }
    let forward = &ladder().levels[ladder().first_in(Role::FirstRide).unwrap()]
        .level
        .skill;
    let both = [HorseTrait::Lazy, HorseTrait::OverBridles];
    assert_eq!(traits::points_of(&both, forward), 4.0);
    assert_eq!(traits::points_of(&[], forward), 0.0);
}

#[test]
fn dry_work_that_is_not_on_the_ladder_is_refused_by_name() {
    let text = fs::read_to_string("../reps/src/ladder/ladder.toml").unwrap();
    let broken = text.replacen("\"turn.haunches/quarter\"", "\"turn.haunches/fifth\"", 1);
    assert_ne!(text, broken);
    let file = LadderFile::parse(&broken);
    let resolved = file.and_then(|file| resolve(&file, &Schools::default()));
    let said = resolved.unwrap_err().to_string();
    assert!(said.contains("turn.haunches/fifth"), "{said}");
}

fn ids() -> BTreeSet<String> {
    let levels = ladder().levels.iter();
    levels.map(|level| level.level.skill.0.clone()).collect()
}

fn sources(folder: &Path, found: &mut Vec<PathBuf>) {
    for entry in fs::read_dir(folder).unwrap() {
        let path = entry.unwrap().path();
        if path.is_dir() {
            sources(&path, found);
        } else if let Some("rs" | "ts" | "tsx") = path.extension().and_then(|end| end.to_str()) {
            found.push(path);
        }
    }
}

/// The id of a skill that stands between quotes on a line of code.
fn id_on<'a>(line: &str, ids: &'a BTreeSet<String>) -> Option<&'a String> {
    let code = line.trim_start();
    if code.starts_with("//") || code.starts_with('*') || code.starts_with("/*") {
        return None;
    }
    let quoted = |id: &&String| {
        ['"', '\'', '`'].iter().any(|quote| {
            code.contains(&format!("{quote}{id}{quote}")) || code.contains(&format!("{quote}{id}/"))
        })
    };
    ids.iter().find(quoted)
}

#[test]
fn no_id_of_a_skill_stands_in_the_code() {
    let ids = ids();
    let mut files = Vec::new();
    for of_crate in fs::read_dir("..").unwrap() {
        let folder = of_crate.unwrap().path().join("src");
        if folder.is_dir() {
            sources(&folder, &mut files);
        }
    }
    sources(Path::new("../../web/src"), &mut files);
    assert!(files.len() > 1000, "{} files", files.len());
    let mut found = Vec::new();
    for file in files {
        let name = file.to_string_lossy().replace('\\', "/");
        let is_data = DATA_IN_CODE.iter().any(|part| name.contains(part));
        if is_data || name.contains(".test.") || name.ends_with(".d.ts") {
            continue;
        }
        let text = fs::read_to_string(&file).unwrap();
        let text = text.split("#[cfg(test)]").next().unwrap();
        let lines = text.lines().filter(|line| !line.contains("schema(example"));
        found.extend(lines.filter_map(|line| Some(format!("{name}: {}", id_on(line, &ids)?))));
    }
    assert!(found.is_empty(), "{found:#?}");
}

#[test]
fn the_guard_sees_an_id_and_passes_over_words() {
    let ids = ids();
    assert!(id_on("    if skill == \"cow.flag\" {", &ids).is_some());
    assert!(id_on("  level: 'bend.flex/stand',", &ids).is_some());
    assert!(id_on("    // such as \"bend.flex\"", &ids).is_none());
    assert!(id_on("    \"barrel.away from home\"", &ids).is_none());
}
