//! `cavesson-standin`: the simulated weather service of the demo.

use std::net::SocketAddr;

use cavesson_standin::service::{Weather, listen, serve};
use clap::Parser;

/// A simulated weather service on loopback. What it says is made from a seed and means
/// nothing.
#[derive(Parser)]
struct Arguments {
    /// Address to listen on; loopback only
    #[arg(long, default_value = "127.0.0.1:7430")]
    listen: SocketAddr,
    /// Seed of the climates
    #[arg(long, default_value_t = 26)]
    seed: u64,
    /// Degrees Fahrenheit added to every temperature: a heat wave to try things with
    #[arg(long, default_value_t = 0.0)]
    warmer_f: f64,
}

#[tokio::main]
async fn main() -> anyhow::Result<()> {
    let arguments = Arguments::parse();
    let listener = listen(arguments.listen).await?;
    println!("weather on http://{}", listener.local_addr()?);
    let weather = Weather {
        seed: arguments.seed,
        warmer_f: arguments.warmer_f,
    };
    Ok(serve(weather, listener).await?)
}
