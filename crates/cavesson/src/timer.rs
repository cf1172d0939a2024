//! `cavesson timer`: from timing eyes to the barn.

use cavesson_client::eyes::{Heard, carry};

use crate::carrier::ToBarn;

/// What `timer` is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// Where the timing eyes are heard, such as 127.0.0.1:7431
    #[arg(long)]
    eyes: String,
    #[command(flatten)]
    barn: ToBarn,
    /// What the eyes are called, when there is more than one pair
    #[arg(long, default_value = "Timing eyes")]
    name: String,
}

/// Carries times until interrupted.
pub async fn run(arguments: Arguments) -> anyhow::Result<()> {
    let client = arguments.barn.sign_in().await?;
    println!("carrying times for {}", client.who.name);
    let mut lost = false;
    tokio::select! {
        () = carry(&client, &arguments.eyes, &arguments.name, |heard| said(&heard, &mut lost)) => {}
        _ = tokio::signal::ctrl_c() => {}
    }
    Ok(())
}

fn said(heard: &Heard, lost: &mut bool) {
    match heard {
        Heard::Ready => {
            *lost = false;
            println!("the eyes wait for a run");
        }
        // Once, not every two seconds.
        Heard::Lost(_) if *lost => {}
        Heard::Lost(why) => {
            *lost = true;
            eprintln!("the eyes are not heard ({why}); trying again");
        }
        Heard::BadLine(why) => eprintln!("a line of the eyes came through broken: {why}"),
        Heard::UnderWay => println!("a run is under way"),
        Heard::Fault(fault) => eprintln!("at the eyes: {}", fault.word().replace('_', " ")),
        Heard::Timed(run) => println!("timed {:.3} s", run.time_s),
        Heard::Kept(time_s) => println!("the barn has {time_s:.3} s"),
        Heard::NoAnswer => eprintln!("the barn does not answer; the time is kept and sent again"),
        Heard::Refused(time_s, why) => {
            eprintln!("the barn did not take {time_s:.3} s ({why}); type it by hand");
        }
    }
}
