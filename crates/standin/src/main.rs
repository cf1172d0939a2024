//! `cavesson-standin`: the simulated weather service, timing eyes, flag and rein gauge of the demo.

use std::net::SocketAddr;

use cavesson_standin::eyes::Eyes;
use cavesson_standin::faults::{Faults, Rates};
use cavesson_standin::flag::Flag;
use cavesson_standin::gauge::Gauge;
use cavesson_standin::service::{Weather, listen, routes};
use clap::Parser;

/// A simulated weather service, a pair of timing eyes, a flag and a rein gauge, on loopback. What
/// they say means nothing. What goes wrong with them can also be set later, by `POST /faults`.
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
    /// The share of lines, and of weather, that never arrives
    #[arg(long, default_value_t = 0.0)]
    drop_outs: f64,
    /// The share of lines that come through broken
    #[arg(long, default_value_t = 0.0)]
    broken: f64,
    /// How many times its usual noise the gauge has
    #[arg(long, default_value_t = 1.0)]
    noise: f64,
    /// By how much clocks run fast, such as 0.01
    #[arg(long, default_value_t = 0.0)]
    drift: f64,
}

#[tokio::main]
async fn main() -> anyhow::Result<()> {
    let arguments = Arguments::parse();
    let listener = listen(arguments.listen).await?;
    println!("weather on http://{}", listener.local_addr()?);
    let faults = Faults::new(
        arguments.seed,
        Rates {
            drop_outs: arguments.drop_outs.clamp(0.0, 1.0),
            broken: arguments.broken.clamp(0.0, 1.0),
            noise: arguments.noise.clamp(0.0, 20.0),
            drift: arguments.drift.clamp(-0.1, 0.1),
        },
    );
    let weather = Weather {
        seed: arguments.seed,
        warmer_f: arguments.warmer_f,
        faults: faults.clone(),
    };
    let heard = listen(arguments.eyes).await?;
    println!("timing eyes on {}", heard.local_addr()?);
    let eyes = Eyes::default().faulty(faults.clone());
    let services = routes(weather)
        .merge(eyes.clone().routes())
        .merge(Gauge::new(faults.clone()).routes())
        .merge(faults.clone().routes());
    let driven = listen(arguments.flag).await?;
    println!("flag on {}", driven.local_addr()?);
    println!("rein gauge on ws://{}/gauge", listener.local_addr()?);
    let flag = Flag::new(arguments.flag_ft.clamp(20.0, 200.0)).faulty(faults);
    tokio::select! {
        ended = flag.serve(driven) => ended?,
        ended = eyes.serve(heard) => ended?,
        ended = axum::serve(listener, services).into_future() => ended?,
    }
    Ok(())
}
