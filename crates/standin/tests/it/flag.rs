//! The simulated flag against v^2 = 2 a s (even acceleration: any textbook of mechanics), and over
//! TCP with the product's own lines.

use cavesson_core::cattle::flag::{FlagWanted, at, pace, program, timed};
use cavesson_core::device::flag::{FlagAt, FlagLine, FlagOrder, FlagState};
use cavesson_core::rep::turn::Tempo;
use cavesson_standin::flag::{Flag, Motor, State};
use cavesson_standin::service::listen;
use tokio::io::{AsyncBufReadExt, AsyncWriteExt, BufReader, Lines};
use tokio::net::TcpStream;
use tokio::net::tcp::OwnedReadHalf;

fn told(motor: &mut Motor, order: &FlagOrder) {
    for line in order.lines().unwrap() {
        motor.hear(&line).unwrap();
    }
}

fn go(to_ft: f64, level: Tempo) -> FlagOrder {
    FlagOrder::Go { to_ft, level }
}

#[test]
fn it_speeds_up_and_slows_down_by_v_squared_is_two_a_s() {
    for level in [Tempo::Slow, Tempo::Medium, Tempo::Quick] {
        let pace = pace(level);
        let mut motor = Motor::new(80.0);
        told(&mut motor, &go(78.0, level));
        let from_ft = motor.at_ft;
        // Its last step before the peak is a part of one.
        while motor.speed_ft_s + pace.acceleration_ft_s2 * 0.001 < pace.speed_ft_s {
            motor.advance(0.001);
            let gone = motor.at_ft - from_ft;
            let v = motor.speed_ft_s;
            assert!(
                (v * v - 2.0 * pace.acceleration_ft_s2 * gone).abs() < 0.05,
                "{level:?}"
            );
        }
        let (lasts_s, peak) = timed(78.0 - from_ft, pace);
        assert!((peak - pace.speed_ft_s).abs() < 1e-9);
        motor.advance(lasts_s + 0.05 - motor.clock_s);
        assert_eq!(
            (motor.at_ft, motor.speed_ft_s, motor.state()),
            (78.0, 0.0, State::Stands)
        );
    }
}

#[test]
fn stopped_it_brakes_and_stays_and_goes_on_when_it_is_started() {
    let mut motor = Motor::new(80.0);
    told(&mut motor, &go(78.0, Tempo::Quick));
    motor.advance(1.0);
    let (v, from_ft) = (motor.speed_ft_s, motor.at_ft);
    told(&mut motor, &FlagOrder::Stop);
    motor.advance(2.0);
    assert_eq!(motor.state(), State::Stopped);
    assert!(
        (motor.at_ft - from_ft - v * v / 60.0).abs() < 0.05,
        "it brakes at 30 ft/s2"
    );
    let stood_ft = motor.at_ft;
    motor.advance(5.0);
    assert_eq!(motor.at_ft, stood_ft);
    told(&mut motor, &FlagOrder::Start);
    motor.advance(6.0);
    assert_eq!(motor.at_ft, 78.0);
}

/// The product draws a program by its own kinematics; the device runs it by a motor's steps.
#[test]
fn a_program_runs_where_the_product_says_it_does() {
    for seed in 0..8 {
        let wanted = FlagWanted {
            level: Tempo::Medium,
            width_ft: 80.0,
            seed,
            minutes: 1.0,
            more_side: None,
            runs_ahead: true,
        };
        let moves = program(&wanted).unwrap();
        let mut motor = Motor::new(80.0);
        told(&mut motor, &FlagOrder::Program(wanted));
        // It stands in the middle already and waits there to begin.
        motor.advance(2.0);
        let begun = motor.clock_s;
        for tenth in 0..600 {
            motor.advance(0.1);
            let (at_ft, _) = at(&moves, wanted.level, motor.clock_s - begun);
            // A millisecond for each move that was made.
            assert!(
                (motor.at_ft - at_ft).abs() < 1.5,
                "seed {seed} at {tenth}: {} {at_ft}",
                motor.at_ft
            );
            assert!((0.0..=80.0).contains(&motor.at_ft));
        }
    }
}

#[test]
fn a_line_that_is_broken_is_not_obeyed() {
    let mut motor = Motor::new(80.0);
    for line in ["", "stop", "stop 00", "move 90 5 5 0 00", "dance 33"] {
        assert!(motor.hear(line).is_err(), "{line}");
    }
    let sum = |text: &str| {
        let sum: u32 = text.bytes().map(u32::from).sum();
        format!("{text} {:02x}", sum % 256)
    };
    assert!(
        motor.hear(&sum("move 90 5 5 0")).is_err(),
        "beyond its line"
    );
    assert!(motor.hear(&sum("move NaN 5 5 0")).is_err());
    assert!(motor.hear(&sum("speed 300")).is_err());
    assert!(motor.moves.is_empty());
}

async fn next(lines: &mut Lines<BufReader<OwnedReadHalf>>) -> FlagLine {
    FlagLine::read(&lines.next_line().await.unwrap().unwrap()).unwrap()
}

async fn until(
    lines: &mut Lines<BufReader<OwnedReadHalf>>,
    is: impl Fn(&FlagAt) -> bool,
) -> FlagAt {
    loop {
        if let FlagLine::At(said) = next(lines).await
            && is(&said)
        {
            return said;
        }
    }
}

#[tokio::test]
async fn over_tcp_it_is_driven_and_stops_when_nobody_is_there() {
    let listener = listen("127.0.0.1:0".parse().unwrap()).await.unwrap();
    let address = listener.local_addr().unwrap();
    tokio::spawn(Flag::new(60.0).serve(listener));
    let (heard, mut said) = TcpStream::connect(address).await.unwrap().into_split();
    let mut lines = BufReader::new(heard).lines();
    assert_eq!(next(&mut lines).await, FlagLine::Flag(60.0));
    for line in go(58.0, Tempo::Slow).lines().unwrap() {
        said.write_all(format!("{line}\n").as_bytes())
            .await
            .unwrap();
    }
    let runs = until(&mut lines, |said| said.state == FlagState::Runs).await;
    assert!(runs.speed_ft_s > 0.0 && runs.moves_left == 1);
    drop((lines, said));
    let (heard, _said) = TcpStream::connect(address).await.unwrap().into_split();
    let mut lines = BufReader::new(heard).lines();
    let stopped = until(&mut lines, |said| said.state == FlagState::Stopped).await;
    assert!(stopped.at_ft < 58.0 && stopped.speed_ft_s == 0.0);
}
