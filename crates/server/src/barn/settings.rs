//! What the server is told when it starts.

use std::path::PathBuf;

use crate::Clock;

/// The server's settings.
#[derive(Debug, Clone)]
pub struct Settings {
    /// The built web application; none serves the API alone.
    pub web_folder: Option<PathBuf>,
    /// Whether the session cookie is only sent over HTTPS.
    pub secure_cookie: bool,
    /// Sign-in tries a network address has in hand; one comes back every two seconds.
    pub sign_in_tries: u32,
    /// Address of a weather service; none leaves the weather to files.
    pub weather_service: Option<String>,
    /// What time it is.
    pub clock: Clock,
}

impl Default for Settings {
    fn default() -> Settings {
        Settings {
            web_folder: None,
            secure_cookie: false,
            sign_in_tries: 10,
            weather_service: None,
            clock: Clock::default(),
        }
    }
}
