//! `cavesson-standin`: the simulated weather service, timing eyes and flag of the demo.

use std::net::SocketAddr;

use cavesson_standin::eyes::Eyes;
use cavesson_standin::flag::Flag;
use cavesson_standin::service::{Weather, listen, routes};
use clap::Parser;

/// A simulated weather service, a simulated pair of timing eyes and a simulated flag, on loopback.
/// What they say means nothing.
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
    /// Address at which the timing eyes are heard; loopback only. A run is made by
    /// `POST /eyes/runs?seconds=17.4` at the address above
    #[arg(long, default_value = "127.0.0.1:7431")]
    eyes: SocketAddr,
    /// Address at which the flag is driven; loopback only
    #[arg(long, default_value = "127.0.0.1:7432")]
    flag: SocketAddr,
    /// How far the flag can go, in feet
    #[arg(long, default_value_t = 60.0)]
    flag_ft: f64,
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
    let heard = listen(arguments.eyes).await?;
    println!("timing eyes on {}", heard.local_addr()?);
    let eyes = Eyes::default();
    let services = routes(weather).merge(eyes.clone().routes());
    let driven = listen(arguments.flag).await?;
    println!("flag on {}", driven.local_addr()?);
    tokio::select! {
        ended = Flag::new(arguments.flag_ft.clamp(20.0, 200.0)).serve(driven) => ended?,
        ended = eyes.serve(heard) => ended?,
        ended = axum::serve(listener, services).into_future() => ended?,
    }
    Ok(())
}
