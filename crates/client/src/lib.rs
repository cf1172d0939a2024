//! A small typed client of the public API, for what is not a browser: the demo,
//! simulated devices, soaks and load harnesses. Nothing goes past the API, so
//! nothing is true in them that is not true for a user.
//!
//! - [`Client`]: a signed-in device
//! - [`eyes`]: from timing eyes to the barn
//! - [`flag`]: between the flag and the barn
//! - [`recorded`]: rides as a device records them

#![warn(clippy::unwrap_used)]

pub mod eyes;
pub mod flag;
pub mod recorded;

use cavesson_core::bounds::FieldError;
use cavesson_core::horse::{CareNote, HorseTrait};
use cavesson_core::judge::Verdict;
use cavesson_core::ladder::Level;
use cavesson_core::program::Program;
use cavesson_core::ride::Batch;
use jiff::Timestamp;
use reqwest::{Method, Response, StatusCode};
use serde::Deserialize;
use serde::de::DeserializeOwned;
use serde_json::{Value, json};
use uuid::Uuid;

/// Why something did not come through.
#[derive(Debug, thiserror::Error)]
pub enum ClientError {
    /// The server said why not.
    #[error("{status}: {detail}")]
    Refused {
        /// The HTTP status.
        status: u16,
        /// What to do about it.
        detail: String,
        /// The fields to mend.
        errors: Vec<FieldError>,
    },
    /// No answer, or none that can be read.
    #[error(transparent)]
    NoAnswer(#[from] reqwest::Error),
}

/// The result of a call.
pub type ClientResult<T> = Result<T, ClientError>;

/// A device with a person signed in.
#[derive(Debug, Clone)]
pub struct Client {
    http: reqwest::Client,
    address: String,
    /// Who is signed in.
    pub who: Who,
}

/// Who is signed in.
#[derive(Debug, Clone, PartialEq, Eq, Deserialize)]
pub struct Who {
    /// The person.
    pub person_id: Uuid,
    /// What people call them.
    pub name: String,
    /// The barn.
    pub barn_id: Uuid,
    /// IANA time zone of the barn.
    pub time_zone: String,
}

/// A horse.
#[derive(Debug, Clone, PartialEq, Eq, Deserialize)]
pub struct Horse {
    /// Its id.
    pub horse_id: Uuid,
    /// What people call it.
    pub name: String,
}

/// What a batch stored.
#[derive(Debug, Clone, PartialEq, Deserialize)]
pub struct Stored {
    /// Rides of it that are on disk.
    pub rides: usize,
    /// Reps of it that are on disk.
    pub reps: usize,
    /// Which were soft.
    pub soft: Vec<bool>,
    /// By how many seconds the device's times were shifted.
    pub clock_shifted_s: f64,
}

impl Client {
    /// Signs in at a server.
    ///
    /// # Errors
    /// No answer, or a sign-in that is not accepted.
    pub async fn sign_in(address: &str, sign_in: &str, password: &str) -> ClientResult<Client> {
        let http = reqwest::Client::builder().cookie_store(true).build()?;
        let body = json!({"sign_in": sign_in, "password": password});
        let answer = http
            .post(format!("{address}/api/session"))
            .json(&body)
            .send()
            .await?;
        Ok(Client {
            http: http.clone(),
            address: address.to_owned(),
            who: read(answer).await?,
        })
    }

    /// What a path holds.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn get<T: DeserializeOwned>(&self, path: &str) -> ClientResult<T> {
        let url = format!("{}{path}", self.address);
        read(self.http.get(url).send().await?).await
    }

    /// The horses this person may see.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn horses(&self) -> ClientResult<Vec<Horse>> {
        self.get("/api/horses").await
    }

    /// Sends a batch.
    ///
    /// # Errors
    /// No answer, or a refusal; nothing was stored then.
    pub async fn send(&self, batch: &Batch) -> ClientResult<Stored> {
        let body = serde_json::to_value(batch).unwrap_or_default();
        read(self.call(Method::POST, "/api/batches", &body).await?).await
    }

    /// Overrules the judge at a level.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn overrule(
        &self,
        horse_id: Uuid,
        level: &Level,
        counts_as: Verdict,
        reason: &str,
        with_all_under_it: bool,
    ) -> ClientResult<()> {
        let body = json!({
            "overrule_id": Uuid::now_v7(), "skill": level.skill, "rung": level.rung,
            "counts_as": counts_as, "reason": reason, "with_all_under_it": with_all_under_it
        });
        let path = format!("/api/horses/{horse_id}/overrules");
        done(self.call(Method::POST, &path, &body).await?).await
    }

    /// Places a horse by hand: these levels, and all they stand on, count as held until first
    /// asks say otherwise.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn place(&self, horse_id: Uuid, levels: &[Level]) -> ClientResult<()> {
        let body = json!({"placing_id": Uuid::now_v7(), "levels": levels});
        let path = format!("/api/horses/{horse_id}/placings");
        done(self.call(Method::POST, &path, &body).await?).await
    }

    /// What the judge says of a level now.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn verdict(&self, horse_id: Uuid, level: &Level) -> ClientResult<Verdict> {
        #[derive(Deserialize)]
        struct Judged {
            judgement: Judgement,
        }
        #[derive(Deserialize)]
        struct Judgement {
            verdict: Verdict,
        }
        let path = format!(
            "/api/horses/{horse_id}/levels/{}/{}",
            level.skill, level.rung
        );
        Ok(self.get::<Judged>(&path).await?.judgement.verdict)
    }

    /// Notes care.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn note_care(&self, horse_id: Uuid, note: &CareNote) -> ClientResult<()> {
        let body = json!({
            "care_id": note.care_id, "kind": note.kind, "day": note.day, "text": note.text
        });
        let path = format!("/api/horses/{horse_id}/care");
        done(self.call(Method::POST, &path, &body).await?).await
    }

    /// Says which traits a horse has.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn set_traits(&self, horse_id: Uuid, traits: &[HorseTrait]) -> ClientResult<()> {
        let path = format!("/api/horses/{horse_id}/traits");
        done(
            self.call(Method::PUT, &path, &json!({ "traits": traits }))
                .await?,
        )
        .await
    }

    /// Makes a program; its id.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn add_program(&self, content: &Program) -> ClientResult<Uuid> {
        let program_id = Uuid::now_v7();
        let body = json!({"program_id": program_id, "content": content});
        done(self.call(Method::POST, "/api/programs", &body).await?).await?;
        Ok(program_id)
    }

    /// Puts a horse on a program.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn put_on_program(&self, horse_id: Uuid, program_id: Uuid) -> ClientResult<()> {
        let body = json!({"program_id": program_id});
        let path = format!("/api/horses/{horse_id}/program");
        done(self.call(Method::PUT, &path, &body).await?).await
    }

    /// A batch of this person, sent at `now`.
    pub fn batch(&self, now: Timestamp) -> Batch {
        Batch {
            person_id: self.who.person_id,
            sent_at: now,
            rides: Vec::new(),
            reps: Vec::new(),
        }
    }

    /// Sends what a path takes for something new.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn post(&self, path: &str, body: &Value) -> ClientResult<()> {
        done(self.call(Method::POST, path, body).await?).await
    }

    /// Sends what a path takes, and reads what it answers.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn post_for<T: DeserializeOwned>(&self, path: &str, body: &Value) -> ClientResult<T> {
        read(self.call(Method::POST, path, body).await?).await
    }

    /// Sends what a path takes in the place of what there was.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn put(&self, path: &str, body: &Value) -> ClientResult<()> {
        done(self.call(Method::PUT, path, body).await?).await
    }

    /// Takes out what a path names.
    ///
    /// # Errors
    /// No answer, or a refusal.
    pub async fn delete(&self, path: &str) -> ClientResult<()> {
        let url = format!("{}{path}", self.address);
        done(self.http.delete(url).send().await?).await
    }

    async fn call(&self, method: Method, path: &str, body: &Value) -> ClientResult<Response> {
        let url = format!("{}{path}", self.address);
        Ok(self.http.request(method, url).json(body).send().await?)
    }
}

async fn read<T: DeserializeOwned>(answer: Response) -> ClientResult<T> {
    Ok(accepted(answer).await?.json().await?)
}

async fn done(answer: Response) -> ClientResult<()> {
    accepted(answer).await.map(|_| ())
}

async fn accepted(answer: Response) -> ClientResult<Response> {
    #[derive(Deserialize)]
    struct Problem {
        detail: String,
        #[serde(default)]
        errors: Vec<FieldError>,
    }
    let status = answer.status();
    if status.is_success() {
        return Ok(answer);
    }
    let problem: Problem = answer.json().await.unwrap_or_else(|_| Problem {
        detail: no_words(status),
        errors: Vec::new(),
    });
    Err(ClientError::Refused {
        status: status.as_u16(),
        detail: problem.detail,
        errors: problem.errors,
    })
}

fn no_words(status: StatusCode) -> String {
    format!("the server answered {status} and did not say why")
}
