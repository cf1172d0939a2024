//! What the files of the web use, read from their imports as text.

use std::collections::BTreeSet;
use std::fs;
use std::path::Path;

use super::Uses;

/// What each file uses of the others. What is imported when it is asked for counts as well.
pub fn uses() -> Uses {
    let crates = Path::new(env!("CARGO_MANIFEST_DIR")).parent().unwrap();
    let mut sources = Vec::new();
    read(&crates.join("../web/src"), &[], &mut sources);
    assert!(sources.len() > 300, "the web is not there");
    let files: BTreeSet<Vec<String>> = sources.iter().map(|(file, _)| file.clone()).collect();
    sources
        .iter()
        .map(|(file, source)| {
            let used = imports(source).filter_map(|import| found(file, import, &files));
            (file.clone(), used.collect())
        })
        .collect()
}

fn read(folder: &Path, path: &[String], sources: &mut Vec<(Vec<String>, String)>) {
    for entry in fs::read_dir(folder).unwrap() {
        let file = entry.unwrap().path();
        let mut below = path.to_vec();
        let name = file.file_name().unwrap().to_str().unwrap();
        if file.is_dir() {
            below.push(name.to_owned());
            read(&file, &below, sources);
        } else if let Some(stem) = name.strip_suffix(".ts").or(name.strip_suffix(".tsx")) {
            // `.d.ts`: types that are generated.
            if !stem.ends_with(".d") {
                below.push(stem.to_owned());
                sources.push((below, fs::read_to_string(&file).unwrap()));
            }
        }
    }
}

/// Every path that is imported, at once or when it is asked for, or passed on.
fn imports(source: &str) -> impl Iterator<Item = &str> {
    let starts = ["from '", "import('", "import '", "new URL('"];
    starts.into_iter().flat_map(|start| {
        let after = source.split(start).skip(1);
        after.filter_map(|rest| rest.split('\'').next())
    })
}

/// The file an import names; none of a package, a style or generated types.
fn found(from: &[String], import: &str, files: &BTreeSet<Vec<String>>) -> Option<Vec<String>> {
    import.starts_with('.').then_some(())?;
    let import = import.trim_end_matches(".tsx").trim_end_matches(".ts");
    let mut path = from[..from.len() - 1].to_vec();
    for part in import.split('/') {
        match part {
            "." => {}
            ".." => drop(path.pop()),
            part => path.push(part.to_owned()),
        }
    }
    let index = [path.clone(), vec!["index".to_owned()]].concat();
    let mut either = [path, index].into_iter();
    either.find(|path| files.contains(path))
}

#[test]
fn an_import_is_found_however_it_is_written() {
    let source = "import { a } from '../queue/db';\nimport './theme.css';\n\
        const Page = lazy(async () => (await import('./Page')).Page);\n\
        export * from './face';\nnew Worker(new URL('./worker.ts', import.meta.url));\n\
        import { useState } from 'react';";
    let file = |path: &str| path.split('/').map(str::to_owned).collect::<Vec<_>>();
    let files = ["queue/db", "faces/Page", "faces/face/index", "faces/worker"].map(file);
    let files = BTreeSet::from(files);
    let from = file("faces/index");
    let mut used: Vec<String> = imports(source)
        .filter_map(|import| found(&from, import, &files))
        .map(|path| path.join("/"))
        .collect();
    used.sort();
    assert_eq!(
        used,
        ["faces/Page", "faces/face/index", "faces/worker", "queue/db"]
    );
}
