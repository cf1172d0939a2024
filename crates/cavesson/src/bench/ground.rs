//! `cavesson bench ground`: the way round a barrel course, and the largest that fits.

use anyhow::Context;
use cavesson_core::Side;
use cavesson_core::calc::find;
use cavesson_core::ground::{Cloverleaf, Path};
use serde_json::{Value, json};

use super::quickest;

/// What `bench ground` is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// Runs; the quickest counts
    #[arg(long, default_value_t = 5)]
    runs: usize,
}

/// Measures.
pub fn run(arguments: &Arguments) -> anyhow::Result<()> {
    let course = Cloverleaf::STANDARD.barrels(Side::Right);
    let pockets = [[5.0, 4.0, 3.0]; 3];
    let laid = quickest(arguments.runs, || {
        for _ in 0..1_000 {
            let path = Path::round(&course, &pockets).map(|path| path.length_ft());
            std::hint::black_box(path.unwrap_or_default());
        }
    });
    println!(
        "the way round a full course, its length to 1e-6 ft: {:.4} ms",
        laid.as_secs_f64()
    );
    let fit = find("fit-course").context("the calculator that fits courses")?;
    for (name, input) in [
        ("a plain arena of 110 by 200 ft", plain()),
        ("20 corners, 10 areas to keep off", rutted()),
    ] {
        let mut found = Value::Null;
        let took = quickest(arguments.runs, || {
            found = (fit.run)(input.clone()).unwrap_or_else(|error| json!(error.to_string()));
        });
        println!(
            "the largest that fits, {name}: {:.0} ms, scale {}, {} boxes, proven {}",
            took.as_secs_f64() * 1_000.0,
            found["scale"],
            found["proof"]["boxes"],
            found["proof"]["proven"]
        );
    }
    Ok(())
}

fn plain() -> Value {
    json!({"outline": [[0, 0], [110, 0], [110, 200], [0, 200]]})
}

/// An oval of twenty corners with ten small areas strewn over it.
fn rutted() -> Value {
    let corner = |index: u32| {
        let angle = f64::from(index) / 20.0 * std::f64::consts::TAU;
        let out = if index.is_multiple_of(3) { 6.0 } else { 0.0 };
        json!([angle.cos() * 66.0 + out, angle.sin() * 112.0])
    };
    let area = |index: u32| {
        let (x, y) = (
            f64::from(index * 37 % 110) - 55.0,
            f64::from(index * 71 % 200) - 100.0,
        );
        json!([
            [x, y],
            [x + 6.0, y + 1.0],
            [x + 7.0, y + 8.0],
            [x - 1.0, y + 7.0]
        ])
    };
    json!({
        "outline": (0..20).map(corner).collect::<Vec<Value>>(),
        "keep_off": (0..10).map(area).collect::<Vec<Value>>(),
    })
}
