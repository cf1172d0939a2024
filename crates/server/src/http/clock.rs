//! What time it is. The server asks a clock instead of the machine, so that weeks
//! can be lived through in a test or a demo through the public API.

use std::sync::Arc;

use jiff::Timestamp;

/// A clock.
#[derive(Clone)]
pub struct Clock(Arc<dyn Fn() -> Timestamp + Send + Sync>);

impl Clock {
    /// A clock that says what `now` says.
    pub fn new(now: impl Fn() -> Timestamp + Send + Sync + 'static) -> Clock {
        Clock(Arc::new(now))
    }

    /// The time.
    pub fn now(&self) -> Timestamp {
        (self.0)()
    }
}

impl Default for Clock {
    fn default() -> Clock {
        Clock::new(Timestamp::now)
    }
}

impl std::fmt::Debug for Clock {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        write!(f, "Clock({})", self.now())
    }
}
