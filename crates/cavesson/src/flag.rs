//! `cavesson flag`: between the flag and the barn.

use cavesson_client::flag::{Happened, carry};
use cavesson_core::device::flag::FlagOrder;

use crate::carrier::ToBarn;

/// What `flag` is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// Where the flag is driven, such as 127.0.0.1:7432
    #[arg(long)]
    flag: String,
    #[command(flatten)]
    barn: ToBarn,
    /// What the flag is called
    #[arg(long, default_value = "Flag")]
    name: String,
}

/// Carries until interrupted.
pub async fn run(arguments: Arguments) -> anyhow::Result<()> {
    let client = arguments.barn.sign_in().await?;
    println!("carrying the flag for {}", client.who.name);
    let mut lost = false;
    tokio::select! {
        () = carry(&client, &arguments.flag, &arguments.name, |what| said(&what, &mut lost)) => {}
        _ = tokio::signal::ctrl_c() => {}
    }
    Ok(())
}

fn said(what: &Happened, lost: &mut bool) {
    match what {
        Happened::Ready(width_ft) => {
            *lost = false;
            println!("the flag is there and goes {width_ft:.0} ft");
        }
        // Once, not every two seconds.
        Happened::Lost(_) if *lost => {}
        Happened::Lost(why) => {
            *lost = true;
            eprintln!("the flag is not there ({why}); trying again");
        }
        Happened::BadLine(why) => eprintln!("a line of the flag came through broken: {why}"),
        Happened::Told(order) => println!("told: {}", in_words(order)),
        Happened::BadOrder(why) => eprintln!("an order that cannot be: {why}"),
        Happened::Refused(why) => eprintln!("the barn refuses ({why}); the flag is stopped"),
        Happened::NoAnswer => eprintln!("the barn does not answer; the flag is stopped"),
    }
}

fn in_words(order: &FlagOrder) -> String {
    match order {
        FlagOrder::Program(wanted) => format!("a program of {} min", wanted.minutes),
        FlagOrder::Go { to_ft, .. } => format!("go to {to_ft:.0} ft"),
        FlagOrder::Stop => "stop".into(),
        FlagOrder::Start => "go on".into(),
        FlagOrder::Speed { percent } => format!("{percent}% of the speed"),
    }
}
