//! What the modules of a crate use, read from its sources as text.

use std::collections::BTreeMap;
use std::fs;
use std::path::Path;

use super::Uses;

/// Sources by module path without `crate::`, such as `judge::rails`; the root is empty.
pub type Modules = BTreeMap<Vec<String>, String>;

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
    // A module of tests calls its own file super.
    let source = source.split("#[cfg(test)]").next().unwrap_or_default();
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

/// What each module of a crate uses.
pub fn uses(modules: &Modules) -> Uses {
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

/// The districts of the core, each a crate: what stands below each of them Cargo holds.
pub const DISTRICTS: [&str; 10] = [
    "base", "reps", "tack", "ground", "cattle", "judge", "barn", "files", "trials", "calc",
];

/// The sources of a crate; of the core those of its districts, which name each other's modules
/// as their own.
pub fn floor(name: &str) -> Modules {
    let mut modules = Modules::new();
    let crates = Path::new(env!("CARGO_MANIFEST_DIR")).parent().unwrap();
    let districts: &[&str] = if name == "core" { &DISTRICTS } else { &[] };
    for of_crate in districts.iter().chain([&name]) {
        read(&crates.join(of_crate).join("src"), &[], &mut modules);
    }
    assert!(modules.len() > 10, "{name} is not there");
    modules
}
