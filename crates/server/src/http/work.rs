//! Work of more than a few milliseconds runs on threads of its own, a few at a
//! time. Who is not waiting any more is not worked for: a request that was dropped
//! gives up its place in the line.

use std::sync::Arc;

use tokio::sync::Semaphore;
use tokio::task::spawn_blocking;

use crate::http::problem::{Answer, Problem};

/// A line of work.
#[derive(Debug, Clone)]
pub struct Line(Arc<Semaphore>);

impl Line {
    /// A line of which so many are worked on at a time.
    pub fn new(at_a_time: usize) -> Line {
        Line(Arc::new(Semaphore::new(at_a_time)))
    }

    /// As many at a time as there are processors.
    pub fn as_wide_as_the_machine() -> Line {
        Line::new(std::thread::available_parallelism().map_or(2, usize::from))
    }

    /// Does `work` when its turn comes. No connection to the database is held here.
    ///
    /// # Errors
    /// When the thread is lost.
    pub async fn run<T: Send + 'static>(
        &self,
        work: impl FnOnce() -> T + Send + 'static,
    ) -> Answer<T> {
        let turn = self.0.clone().acquire_owned().await;
        let turn = turn.map_err(|_| Problem::timed_out())?;
        Ok(spawn_blocking(move || {
            let done = work();
            drop(turn);
            done
        })
        .await?)
    }
}

/// The server's lines of work, apart so that one does not hold up the others.
#[derive(Debug, Clone)]
pub struct Work {
    /// Judging horses.
    pub judging: Line,
    /// Passwords: slow, and large in memory, on purpose.
    pub passwords: Line,
    /// Heavy calculators.
    pub calculators: Line,
}

impl Default for Work {
    fn default() -> Work {
        Work {
            judging: Line::as_wide_as_the_machine(),
            passwords: Line::as_wide_as_the_machine(),
            calculators: Line::new(1),
        }
    }
}
