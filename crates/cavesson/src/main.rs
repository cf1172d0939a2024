//! The Cavesson program: serve, demo, calc, bench, openapi.

#![warn(clippy::unwrap_used)]

mod bench;
mod calculate;
mod demo;
mod serve;

use clap::{Parser, Subcommand};

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
    /// Fill an empty database with an invented barn
    Demo(demo::Arguments),
    /// Run a calculator: one JSON object on standard input, one on standard output
    Calc(calculate::Arguments),
    /// Measure: is the judge right, and how fast
    Bench(bench::Arguments),
    /// Print the OpenAPI document
    Openapi,
}

fn main() -> anyhow::Result<std::process::ExitCode> {
    tracing_subscriber::fmt()
        .with_env_filter(
            tracing_subscriber::EnvFilter::try_from_default_env().unwrap_or_else(|_| "warn".into()),
        )
        .with_writer(std::io::stderr)
        .init();
    match Arguments::parse().task {
        Task::Serve(arguments) => wait_for(serve::run(arguments))?,
        Task::Demo(arguments) => wait_for(demo::run(arguments))?,
        Task::Calc(arguments) => return calculate::run(&arguments),
        Task::Bench(arguments) => bench::run(arguments)?,
        Task::Openapi => println!("{}", cavesson_server::openapi().to_pretty_json()?),
    }
    Ok(std::process::ExitCode::SUCCESS)
}

fn wait_for(task: impl Future<Output = anyhow::Result<()>>) -> anyhow::Result<()> {
    tokio::runtime::Builder::new_multi_thread()
        .enable_all()
        .build()?
        .block_on(task)
}
