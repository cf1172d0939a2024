//! A simulated mechanical flag: a motor on a line, told what to do and telling where it is over
//! TCP.
//!
//! The lines are those the product's reader documents. They are read and written here once more,
//! by themselves: reader and device are to agree without sharing code.

use std::collections::VecDeque;
use std::sync::{Arc, Mutex};
use std::time::Duration;

use tokio::io::{AsyncBufReadExt, AsyncWriteExt, BufReader};
use tokio::net::{TcpListener, TcpStream};
use tokio::time::Instant;

use crate::faults::Faults;

/// A step of the motor's own clock.
const STEP_S: f64 = 0.001;
/// How hard it brakes when it is stopped.
const BRAKE_FT_S2: f64 = 30.0;
/// So near it is there.
const THERE_FT: f64 = 0.000_5;
/// How often it says where it is.
const SAYS_EVERY: Duration = Duration::from_millis(50);
/// Moves it can be told at once.
const MOST_MOVES: usize = 2_000;

/// A move it is told.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Told {
    /// Where to, in feet along the line.
    pub to_ft: f64,
    /// The quickest it may get.
    pub speed_ft_s: f64,
    /// How hard it speeds up and slows down.
    pub acceleration_ft_s2: f64,
    /// Seconds it stands then.
    pub waits_s: f64,
}

/// What it does.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum State {
    /// Stands.
    Stands,
    /// Moves.
    Runs,
    /// Was stopped.
    Stopped,
}

/// The motor with its line.
#[derive(Debug, Clone)]
pub struct Motor {
    /// How far it can go.
    pub width_ft: f64,
    /// Where it is.
    pub at_ft: f64,
    /// How fast it goes; below 0 goes back.
    pub speed_ft_s: f64,
    /// Its own clock.
    pub clock_s: f64,
    /// What it is to do.
    pub moves: VecDeque<Told>,
    waits_s: f64,
    stopped: bool,
    percent: f64,
}

impl Motor {
    /// A motor that stands in the middle of its line.
    pub fn new(width_ft: f64) -> Motor {
        Motor {
            width_ft,
            at_ft: width_ft / 2.0,
            speed_ft_s: 0.0,
            clock_s: 0.0,
            moves: VecDeque::new(),
            waits_s: 0.0,
            stopped: true,
            percent: 100.0,
        }
    }

    /// What it does.
    pub fn state(&self) -> State {
        if self.speed_ft_s != 0.0 {
            State::Runs
        } else if self.stopped {
            State::Stopped
        } else {
            State::Stands
        }
    }

    /// Takes a line; why not, where it is none.
    ///
    /// # Errors
    /// A line that is broken, or says what cannot be.
    pub fn hear(&mut self, line: &str) -> Result<(), String> {
        let (text, sum) = line.trim_end().rsplit_once(' ').ok_or("no sum")?;
        let found: u32 = text.bytes().map(u32::from).sum();
        if format!("{:02x}", found % 256) != sum {
            return Err(format!("the sum is not {sum}"));
        }
        let words: Vec<&str> = text.split(' ').collect();
        let number = |word: &str| {
            word.parse::<f64>()
                .map_err(|_| format!("\"{word}\" is no number"))
        };
        match words[..] {
            ["clear"] => {
                self.moves.clear();
                self.waits_s = 0.0;
            }
            ["start"] => self.stopped = false,
            ["stop"] => self.stopped = true,
            ["speed", percent] => {
                let percent = number(percent)?;
                if !(25.0..=100.0).contains(&percent) {
                    return Err(format!("{percent} percent is none of 25 to 100"));
                }
                self.percent = percent;
            }
            ["move", to, speed, acceleration, waits] => {
                let told = Told {
                    to_ft: number(to)?,
                    speed_ft_s: number(speed)?,
                    acceleration_ft_s2: number(acceleration)?,
                    waits_s: number(waits)?,
                };
                let can_be = (0.0..=self.width_ft).contains(&told.to_ft)
                    && (0.1..=40.0).contains(&told.speed_ft_s)
                    && (0.5..=40.0).contains(&told.acceleration_ft_s2)
                    && (0.0..=120.0).contains(&told.waits_s)
                    && self.moves.len() < MOST_MOVES;
                if !can_be {
                    return Err(format!("\"{text}\" cannot be"));
                }
                self.moves.push_back(told);
            }
            _ => return Err(format!("\"{text}\" is nothing it is told")),
        }
        Ok(())
    }

    /// Lets so many seconds pass.
    pub fn advance(&mut self, seconds: f64) {
        let steps = (seconds / STEP_S).round() as u64;
        for _ in 0..steps {
            self.step();
        }
    }

    fn step(&mut self) {
        self.clock_s += STEP_S;
        if self.stopped {
            self.brake(BRAKE_FT_S2);
            return;
        }
        if self.waits_s > 0.0 && self.speed_ft_s == 0.0 {
            self.waits_s = (self.waits_s - STEP_S).max(0.0);
            return;
        }
        let Some(told) = self.moves.front().copied() else {
            self.brake(BRAKE_FT_S2);
            return;
        };
        let left_ft = told.to_ft - self.at_ft;
        let way = left_ft.signum();
        let acceleration = told.acceleration_ft_s2;
        // It goes the other way still: brake first.
        if self.speed_ft_s * way < 0.0 {
            self.brake(acceleration);
            return;
        }
        let most = told.speed_ft_s * self.percent / 100.0;
        let speed = self.speed_ft_s.abs();
        // No faster than it can still stop from where this step ends.
        let ends_ft = (left_ft.abs() - speed * STEP_S).max(0.0);
        let stops_from = (2.0 * acceleration * ends_ft).sqrt();
        let slower = |to: f64| (speed - acceleration * STEP_S).max(to);
        let next = if speed > most {
            slower(most)
        } else {
            (speed + acceleration * STEP_S).min(most).min(stops_from)
        };
        let gone_ft = (speed + next) / 2.0 * STEP_S;
        if gone_ft >= left_ft.abs() || left_ft.abs() < THERE_FT {
            self.at_ft = told.to_ft;
            self.speed_ft_s = 0.0;
            self.waits_s = told.waits_s;
            self.moves.pop_front();
            return;
        }
        self.at_ft += way * gone_ft;
        self.speed_ft_s = way * next;
    }

    fn brake(&mut self, acceleration: f64) {
        let next = (self.speed_ft_s.abs() - acceleration * STEP_S).max(0.0);
        let way = self.speed_ft_s.signum();
        let gone = way * (self.speed_ft_s.abs() + next) / 2.0 * STEP_S;
        self.at_ft = (self.at_ft + gone).clamp(0.0, self.width_ft);
        self.speed_ft_s = way * next;
        if next == 0.0 {
            self.speed_ft_s = 0.0;
        }
    }

    /// The line that says where it is.
    pub fn says(&self) -> String {
        let state = match self.state() {
            State::Stands => "stands",
            State::Runs => "runs",
            State::Stopped => "stopped",
        };
        summed(&format!(
            "at {} {:.3} {:.3} {state} {}",
            (self.clock_s * 1_000.0).round(),
            self.at_ft,
            self.speed_ft_s,
            self.moves.len()
        ))
    }
}

fn summed(text: &str) -> String {
    let sum: u32 = text.bytes().map(u32::from).sum();
    format!("{text} {:02x}", sum % 256)
}

/// The flag on its line, for whoever connects.
#[derive(Debug, Clone)]
pub struct Flag {
    motor: Arc<Mutex<Motor>>,
    faults: Faults,
}

impl Flag {
    /// A flag that can go so far.
    pub fn new(width_ft: f64) -> Flag {
        Flag {
            motor: Arc::new(Mutex::new(Motor::new(width_ft))),
            faults: Faults::default(),
        }
    }

    /// The same with which this goes wrong.
    pub fn faulty(self, faults: Faults) -> Flag {
        Flag { faults, ..self }
    }

    /// Runs the motor and listens until the task is dropped.
    ///
    /// # Errors
    /// When the listener fails.
    pub async fn serve(self, listener: TcpListener) -> std::io::Result<()> {
        let turning = self.clone();
        let turn = async move {
            let mut tick = tokio::time::interval(Duration::from_millis(10));
            let mut before = Instant::now();
            loop {
                let now = tick.tick().await;
                let passed = now.saturating_duration_since(before).as_secs_f64();
                before = now;
                turning.with(|motor| motor.advance(passed));
            }
        };
        let listen = async {
            loop {
                let (stream, _) = listener.accept().await?;
                tokio::spawn(self.clone().attend(stream));
            }
        };
        tokio::select! {
            () = turn => Ok(()),
            ended = listen => ended,
        }
    }

    fn with<T>(&self, what: impl FnOnce(&mut Motor) -> T) -> T {
        what(&mut self.motor.lock().unwrap_or_else(|held| held.into_inner()))
    }

    /// Says where it is and hears what it is told; it stops when nobody is there any more.
    async fn attend(self, stream: TcpStream) {
        let (heard, mut said) = stream.into_split();
        let mut lines = BufReader::new(heard).lines();
        let width_ft = self.with(|motor| motor.width_ft);
        let mut next = summed(&format!("flag {width_ft:.1}"));
        let mut tick = tokio::time::interval(SAYS_EVERY);
        loop {
            if let Some(line) = self.faults.pass(next)
                && said
                    .write_all(format!("{line}\n").as_bytes())
                    .await
                    .is_err()
            {
                break;
            }
            next = loop {
                tokio::select! {
                    line = lines.next_line() => match line {
                        Ok(Some(line)) => {
                            // A line that is none is not obeyed; what it does is seen.
                            let _ = self.with(|motor| motor.hear(&line));
                        }
                        _ => return self.with(|motor| motor.stopped = true),
                    },
                    _ = tick.tick() => break self.with(|motor| motor.says()),
                }
            };
        }
        self.with(|motor| motor.stopped = true);
    }
}
