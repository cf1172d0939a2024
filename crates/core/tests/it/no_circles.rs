//! The modules of core and store form no circle, neither file by file nor folder by folder: in
//! the core ids and plain values lie at the bottom, then reps, ladder, programs, evidence,
//! judge, rides, and what uses them on top. What is still knotted in the server becomes only
//! less. Read from the sources, as text.

use std::collections::{BTreeMap, BTreeSet};
use std::fs;
use std::path::Path;

/// Module path without `crate::`, such as `judge::rails`; the root is empty.
type Modules = BTreeMap<Vec<String>, String>;

fn read(folder: &Path, path: &[String], found: &mut Modules) {
    for entry in fs::read_dir(folder).unwrap() {
        let file = entry.unwrap().path();
        let name = file.file_stem().unwrap().to_str().unwrap().to_owned();
        let mut below = path.to_vec();
        if file.is_dir() {
            below.push(name);
            read(&file, &below, found);
        } else if file.extension().is_some_and(|extension| extension == "rs") {
            if name != "mod" && name != "lib" {
                below.push(name);
            }
            found.insert(below, code(&fs::read_to_string(&file).unwrap()));
        }
    }
}

/// The source without comments.
fn code(source: &str) -> String {
    let lines = source.lines();
    lines
        .map(|line| line.split("//").next().unwrap_or_default())
        // Who may see something is no use of it.
        .map(|line| match line.split_once("pub(in ") {
            Some((before, seen)) => {
                format!("{before}{}", seen.split_once(')').unwrap_or_default().1)
            }
            None => line.to_owned(),
        })
        .collect::<Vec<_>>()
        .join("\n")
}

/// Every path of a `use`, its braces written out.
fn written_out(tree: &str) -> Vec<String> {
    let Some((before, inner)) = tree.split_once('{') else {
        return vec![tree.to_owned()];
    };
    let inner = inner.rsplit_once('}').map_or(inner, |(inner, _)| inner);
    let mut depth = 0;
    let parts = inner.split(|c: char| {
        depth += i32::from(c == '{') - i32::from(c == '}');
        c == ',' && depth == 0
    });
    parts
        .filter(|part| !part.is_empty())
        .flat_map(|part| written_out(&format!("{before}{part}")))
        .collect()
}

/// The imports of a module, and every path in its code that starts at a module.
fn paths(code: &str) -> Vec<String> {
    let mut found = Vec::new();
    let mut rest = String::new();
    for (index, statement) in code.split(';').enumerate() {
        match statement.rsplit_once("use ").filter(|(before, _)| {
            let last = before.lines().last().unwrap_or_default().trim();
            last.is_empty() || last.starts_with("pub")
        }) {
            Some((before, tree)) => {
                rest.push_str(before);
                let tree: String = tree.chars().filter(|c| !c.is_whitespace()).collect();
                found.extend(written_out(&tree));
            }
            None if index > 0 => {
                rest.push(';');
                rest.push_str(statement);
            }
            None => rest.push_str(statement),
        }
    }
    let words = rest.split(|c: char| !(c.is_alphanumeric() || c == '_' || c == ':'));
    found.extend(words.filter(|word| word.contains("::")).map(str::to_owned));
    found
}

/// The module a path of `from` lies in: re-exports are followed to their home.
fn home(modules: &Modules, from: &[String], path: &str) -> Option<Vec<String>> {
    let mut parts: Vec<String> = path.split("::").map(str::to_owned).collect();
    let mut at = match parts.first()?.as_str() {
        "crate" => {
            parts.remove(0);
            Vec::new()
        }
        "self" => {
            parts.remove(0);
            from.to_vec()
        }
        "super" => {
            let mut up = from.to_vec();
            while parts.first().is_some_and(|part| part == "super") {
                parts.remove(0);
                up.pop();
            }
            up
        }
        first => {
            let mut child = from.to_vec();
            child.push(first.to_owned());
            if !modules.contains_key(&child) {
                return None;
            }
            from.to_vec()
        }
    };
    while let Some(part) = parts.first() {
        let mut child = at.clone();
        child.push(part.clone());
        if !modules.contains_key(&child) {
            break;
        }
        at = child;
        parts.remove(0);
    }
    let Some(item) = parts.first() else {
        // The module itself is named: `use super::rails;`.
        return Some(at);
    };
    let exported = modules[&at].split(';').find_map(|statement| {
        let tree = statement.trim().strip_prefix("pub use ")?;
        let tree: String = tree.chars().filter(|c| !c.is_whitespace()).collect();
        written_out(&tree)
            .into_iter()
            .find(|path| path.rsplit("::").next() == Some(item))
    });
    match exported {
        Some(path) => home(modules, &at, &path),
        None => Some(at),
    }
}

fn uses(modules: &Modules) -> BTreeMap<Vec<String>, BTreeSet<Vec<String>>> {
    modules
        .iter()
        .map(|(module, code)| {
            let used = paths(code)
                .into_iter()
                .filter_map(|path| home(modules, module, &path))
                // The root only lists the modules, and names side and gait short.
                .filter(|used| used != module && !used.is_empty());
            (module.clone(), used.collect())
        })
        .collect()
}

/// Takes away modules that use nothing that is left, until none can be.
fn circle(mut uses: BTreeMap<Vec<String>, BTreeSet<Vec<String>>>) -> Vec<String> {
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

fn floor(name: &str) -> Modules {
    let mut modules = Modules::new();
    let crates = Path::new(env!("CARGO_MANIFEST_DIR")).parent().unwrap();
    read(&crates.join(name).join("src"), &[], &mut modules);
    assert!(modules.len() > 10, "{name} is not there");
    modules
}

fn core() -> Modules {
    floor("core")
}

/// What each folder of a crate uses of its own kind: the children of one folder, each with the
/// others it uses, whatever lies in them. The folder's own page only lists its children.
fn between_children(modules: &Modules) -> BTreeMap<Vec<String>, BTreeSet<Vec<String>>> {
    let mut found: BTreeMap<Vec<String>, BTreeSet<Vec<String>>> = BTreeMap::new();
    for (module, used) in uses(modules) {
        for other in used {
            let same = module.iter().zip(&other).take_while(|(a, b)| a == b);
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

/// Files and folders that still lie in a knot, by crate. They only ever become fewer.
const IN_A_KNOT: [(&str, usize, usize); 3] = [("core", 0, 0), ("store", 0, 0), ("server", 40, 10)];

#[test]
fn nothing_uses_itself_round_a_corner() {
    for (name, files, folders) in IN_A_KNOT {
        let modules = floor(name);
        for (what, uses, known) in [
            ("files", uses(&modules), files),
            ("folders", between_children(&modules), folders),
        ] {
            let left = circle(uses);
            assert!(
                left.len() <= known,
                "{name}: {} {what} in a circle, {known} were:\n{}",
                left.len(),
                left.join("\n")
            );
            assert!(
                left.len() == known,
                "{name}: only {} {what} are left in a knot; lower the figure here",
                left.len()
            );
        }
    }
}

#[test]
fn a_circle_would_be_found() {
    let mut modules = core();
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
    assert_eq!(circle(between_children(&folders)).len(), 2);
}

/// What stands below never names what stands above.
#[test]
fn the_floors_lie_in_the_order_the_contents_page_says() {
    let floors: &[&[&str]] = &[
        &[
            "bounds", "text", "rows", "json", "kinds", "footing", "day", "id", "side", "gait",
            "school", "rig",
        ],
        &["rep"],
        &["ladder"],
        &["program"],
        &["evidence"],
        &["horse"],
        &["plain"],
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
    ];
    let floor = |module: &[String]| {
        let first = module.first()?;
        floors
            .iter()
            .position(|floor| floor.contains(&first.as_str()))
    };
    for (module, used) in uses(&core()) {
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
