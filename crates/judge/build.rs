//! What is data is written in TOML for people and compiled in as JSON, so that the core in
//! the browser needs no reader of TOML.

use std::path::Path;
use std::{env, fs};

fn main() {
    let data = "src/card/traits.toml";
    println!("cargo::rerun-if-changed={data}");
    let text = fs::read_to_string(data).expect("the file is there");
    let file: toml::Value = toml::from_str(&text).expect("the file is TOML");
    let json = serde_json::to_string(&file).expect("the file fits JSON");
    let out = env::var("OUT_DIR").expect("cargo says where");
    fs::write(Path::new(&out).join("traits.json"), json).expect("can be written");
}
