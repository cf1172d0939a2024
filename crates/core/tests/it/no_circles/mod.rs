//! The modules of core, store, server and web form no circle, neither file by file nor folder by
//! folder: in the core ids and plain values lie at the bottom, then reps, ladder, programs,
//! evidence, judge, rides, and what uses them on top. Read from the sources, as text.
//!
//! - [`rust`]: what the modules of a crate use
//! - [`web`]: what the files of the web use

mod rust;
mod web;

use std::collections::{BTreeMap, BTreeSet};

use rust::{Modules, floor, uses};

/// What each module uses; a module is its path, such as `judge`, `rails`.
type Uses = BTreeMap<Vec<String>, BTreeSet<Vec<String>>>;

/// Takes away modules that use nothing that is left, until none can be.
fn circle(mut uses: Uses) -> Vec<String> {
    loop {
        let done: Vec<Vec<String>> = uses
            .iter()
            .filter(|(_, used)| !used.iter().any(|module| uses.contains_key(module)))
            .map(|(module, _)| module.clone())
            .collect();
        if done.is_empty() {
            break;
        }
        uses.retain(|module, _| !done.contains(module));
    }
    // What merely uses a circle lies above it.
    loop {
        let used: BTreeSet<Vec<String>> = uses.values().flatten().cloned().collect();
        let before = uses.len();
        uses.retain(|module, _| used.contains(module));
        if uses.len() == before {
            break;
        }
    }
    uses.iter()
        .map(|(module, used)| {
            let used: Vec<String> = used
                .iter()
                .filter(|module| uses.contains_key(*module))
                .map(|module| module.join("::"))
                .collect();
            format!("{} -> {}", module.join("::"), used.join(", "))
        })
        .collect()
}

/// What each folder of a crate uses of its own kind: the children of one folder, each with the
/// others it uses, whatever lies in them. The folder's own page only lists its children.
fn between_children(uses: &Uses) -> Uses {
    let mut found = Uses::new();
    for (module, used) in uses {
        for other in used {
            let same = module.iter().zip(other).take_while(|(a, b)| a == b);
            let same = same.count();
            if same < module.len() && same < other.len() {
                let of = module[..=same].to_vec();
                found.entry(other[..=same].to_vec()).or_default();
                found.entry(of).or_default().insert(other[..=same].to_vec());
            }
        }
    }
    found
}

fn uses_of(name: &str) -> Uses {
    match name {
        "web" => web::uses(),
        of_crate => uses(&floor(of_crate)),
    }
}

#[test]
fn nothing_uses_itself_round_a_corner() {
    for name in ["core", "store", "server", "web"] {
        let uses = uses_of(name);
        for (what, uses) in [("folders", between_children(&uses)), ("files", uses)] {
            let left = circle(uses);
            assert!(
                left.is_empty(),
                "{name}: {} {what} in a circle:\n{}",
                left.len(),
                left.join("\n")
            );
        }
    }
}

#[test]
fn a_circle_would_be_found() {
    let mut modules = floor("core");
    let rails: Vec<String> = ["judge", "rails"].map(str::to_owned).to_vec();
    let code = format!("use super::GateCheck;\n{}", modules[&rails]);
    modules.insert(rails, code);
    let left = circle(uses(&modules));
    assert!(
        left.iter()
            .any(|line| line.starts_with("judge::rails -> judge::gate_check")),
        "{left:?}"
    );
}

/// A module that is named as such, and not something in it, is a use of it too; and two folders
/// may lie in a circle that no two files of theirs do.
#[test]
fn a_circle_of_named_modules_or_of_folders_would_be_found() {
    let module = |path: &str, code: &str| {
        let path = path.split("::").map(str::to_owned).collect::<Vec<_>>();
        (path, code.to_owned())
    };
    let named = Modules::from([
        module("road", "pub mod words; pub mod told;"),
        module("road::told", "use super::words; fn told() { words::say() }"),
        module("road::words", "use super::told::Told;"),
    ]);
    assert_eq!(circle(uses(&named)).len(), 2);
    let folders = Modules::from([
        module("held", "pub mod hold; pub mod days;"),
        module("held::hold", ""),
        module("held::days", "use crate::file::HorseFile;"),
        module("file", "use crate::held::hold::Hold; pub struct HorseFile;"),
        module("seen", "pub(in crate::held) fn seen() {}"),
    ]);
    assert_eq!(circle(uses(&folders)), [""; 0]);
    assert_eq!(circle(between_children(&uses(&folders))).len(), 2);
}

/// What stands below never names what stands above.
#[test]
fn the_floors_lie_in_the_order_the_contents_page_says() {
    stands_on(
        "core",
        &[
            &[
                "bounds",
                "text",
                "rows",
                "json",
                "word_enum",
                "footing",
                "day",
                "id",
                "side",
                "sex",
                "gait",
                "school",
                "wording",
            ],
            &["rig"],
            &["rep"],
            &["ladder"],
            &["program"],
            &["evidence"],
            &["horse"],
            &["heat"],
            &["judge"],
            &[
                "ride",
                "intake",
                "card",
                "sim_horse",
                "person",
                "yard",
                "gear",
                "ground",
            ],
            &["week", "load", "road"],
            &["device", "exchange", "tape", "track", "cattle", "report"],
            &["bench", "calc"],
        ],
    );
    stands_on(
        "web",
        &[
            &["base", "vite-env"],
            &["data"],
            &["draw", "outbox"],
            &["offline", "shell"],
            &["ladder"],
            &["help"],
            &["plan", "tack", "ground", "cattle", "owner"],
            &["horse"],
            &["ride"],
            &["barn", "records"],
            &["app"],
        ],
    );
}

fn stands_on(name: &str, floors: &[&[&str]]) {
    let floor = |module: &[String]| {
        let first = module.first()?;
        floors
            .iter()
            .position(|floor| floor.contains(&first.as_str()))
    };
    for (module, used) in uses_of(name) {
        if module.is_empty() {
            continue;
        }
        let own = floor(&module).unwrap_or_else(|| panic!("{module:?} stands on no floor"));
        for below in used {
            let other = floor(&below).unwrap_or_else(|| panic!("{below:?} stands on no floor"));
            assert!(
                other <= own,
                "{module:?} uses {below:?}, which stands above it"
            );
        }
    }
}
