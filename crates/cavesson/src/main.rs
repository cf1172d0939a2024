//! The Cavesson program: serve, barn, demo, timer, flag, calc, bench, soak, openapi.

#![warn(clippy::unwrap_used)]

mod barn;
mod bench;
mod calculate;
mod carrier;
mod demo;
mod flag;
mod serve;
mod soak;
mod timer;

use clap::{Parser, Subcommand};
use tracing_subscriber::filter::{LevelFilter, Targets};
use tracing_subscriber::layer::SubscriberExt;
use tracing_subscriber::util::SubscriberInitExt;

#[derive(Parser)]
#[command(
    version,
    about = "Plans rides, records asks and answers, judges when a horse may advance"
)]
struct Arguments {
    #[command(subcommand)]
    task: Task,
}

#[derive(Subcommand)]
enum Task {
    /// Serve the API and the web application
    Serve(serve::Arguments),
    /// Make a barn of your own
    #[command(subcommand)]
    Barn(barn::Task),
    /// Fill an empty database with an invented barn
    Demo(demo::Arguments),
    /// Carry the times of timing eyes to a barn
    Timer(timer::Arguments),
    /// Between the flag and the barn: carries what it is told and where it is
    Flag(flag::Arguments),
    /// Run a calculator: one JSON object on standard input, one on standard output
    Calc(calculate::Arguments),
    /// Measure: is the judge right, and how fast
    Bench(bench::Arguments),
    /// Long runs against a real server
    Soak(soak::Arguments),
    /// Print the OpenAPI document
    Openapi {
        /// That of the calculators, as the core in the browser has them
        #[arg(long)]
        calculators: bool,
    },
}

/// What is logged: warnings, or what `RUST_LOG` says (`debug`, `cavesson_server=info`).
fn log_levels() -> Targets {
    let wanted = std::env::var("RUST_LOG").ok();
    wanted
        .and_then(|wanted| wanted.parse().ok())
        .unwrap_or_else(|| Targets::new().with_default(LevelFilter::WARN))
}

fn main() -> anyhow::Result<std::process::ExitCode> {
    tracing_subscriber::registry()
        .with(tracing_subscriber::fmt::layer().with_writer(std::io::stderr))
        .with(log_levels())
        .init();
    match Arguments::parse().task {
        Task::Serve(arguments) => wait_for(serve::run(arguments))?,
        Task::Barn(task) => wait_for(barn::run(task))?,
        Task::Demo(arguments) => wait_for(demo::run(arguments))?,
        Task::Timer(arguments) => wait_for(timer::run(arguments))?,
        Task::Flag(arguments) => wait_for(flag::run(arguments))?,
        Task::Calc(arguments) => return calculate::run(&arguments),
        Task::Bench(arguments) => bench::run(arguments)?,
        Task::Soak(arguments) => wait_for(soak::run(arguments))?,
        Task::Openapi { calculators } => {
            let document = if calculators {
                calculate::document()
            } else {
                cavesson_server::openapi()
            };
            println!("{}", serde_json::to_string_pretty(&document)?);
        }
    }
    Ok(std::process::ExitCode::SUCCESS)
}

fn wait_for(task: impl Future<Output = anyhow::Result<()>>) -> anyhow::Result<()> {
    tokio::runtime::Builder::new_multi_thread()
        .enable_all()
        .build()?
        .block_on(task)
}
