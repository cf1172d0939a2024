//! Links that let somebody in once: to begin a barn, to take up an invitation, to set
//! a new password. There is no mail server: a link is shown to whoever made it, once,
//! and they hand it on. The word stands behind the `#` of the address, so that no
//! server writes it into a log; kept is only its hash.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{NAME_LETTERS, together};
use cavesson_core::person::Role;
use cavesson_core::person::username::{check_handle, check_new_password, check_username};
use cavesson_core::text::check_text;
use cavesson_core::week::trips::QUIET_OUTINGS_PCT;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::access_link;
use cavesson_store::barn::access_link::AccessLink;
use cavesson_store::barn::access_link::LinkKind;
use cavesson_store::barn::access_link::NewAccessLink;
use cavesson_store::barn::barns;
use cavesson_store::barn::barns::Barn;
use cavesson_store::barn::person;
use cavesson_store::barn::person::Member;
use cavesson_store::barn::session;
use jiff::{SignedDuration, Timestamp};
use serde::{Deserialize, Serialize};
use tower_sessions::Session;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::barn::barns::check_time_zone;
use crate::barn::session::Who;
use crate::barn::units::Units;
use crate::http::body::Body;
use crate::http::password;
use crate::http::problem::{Answer, Problem};
use crate::http::secret_word::{SecretWord, word_hash};
use crate::http::signed_in::{SIGNED_IN, SignedIn, Trainer, time_zone};
use crate::http::url::UrlPath;
use crate::route;

/// How long an invitation works, and the link that begins a barn.
const INVITED_FOR: SignedDuration = SignedDuration::from_hours(24 * 7);
/// How long a link for a new password works.
const RESET_FOR: SignedDuration = SignedDuration::from_hours(24);

/// Making links and taking them back.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(make))
        .routes(route!(revoke))
}

/// Looking at a link and using it: limited in tries by the router.
pub fn open_routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(look))
        .routes(route!(take))
}

/// A link as whoever made it sees it, once.
#[derive(Debug, Serialize, ToSchema)]
pub struct MadeLink {
    /// What stands behind the `#` of the address `/come-in`.
    pub word: String,
    /// Until when it works.
    #[schema(value_type = String, format = DateTime)]
    pub expires_at: Timestamp,
}

/// What a link is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
enum LinkPurpose {
    /// The first trainer names the barn.
    Begin,
    /// Somebody is invited.
    Invite,
    /// Somebody sets a new password.
    Reset,
}

/// The word of a link.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct LinkWord {
    /// What stands behind the `#`.
    #[schema(max_length = 200)]
    word: String,
}

/// What a link opens.
#[derive(Serialize, ToSchema)]
struct LinkShown {
    purpose: LinkPurpose,
    barn: String,
    handle: String,
    time_zone: String,
    units: Units,
    name: String,
    /// What they sign in with, before the @.
    sign_in: String,
    role: Role,
    #[schema(value_type = String, format = DateTime)]
    expires_at: Timestamp,
}

/// A link taken up.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct LinkTaken {
    #[schema(max_length = 200)]
    word: String,
    #[schema(min_length = 8, max_length = 200)]
    password: String,
    /// What they sign in with, before the @; left out: as it is.
    #[serde(default)]
    #[schema(min_length = 1, max_length = 40)]
    sign_in: Option<String>,
    /// The barn, with the link that begins it.
    #[serde(default)]
    barn: Option<NewBarn>,
}

/// What the first trainer says of the barn.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewBarn {
    #[schema(min_length = 1, max_length = 80)]
    name: String,
    /// What stands behind the @ of every username here.
    #[schema(min_length = 2, max_length = 40)]
    handle: String,
    /// IANA time zone.
    #[schema(example = "America/Denver")]
    time_zone: String,
    units: Units,
    /// The trainer's own name.
    #[schema(min_length = 1, max_length = 80)]
    trainer: String,
}

/// Makes a link for a person, in their barn.
///
/// # Errors
/// When the database cannot be reached.
pub async fn make_link(
    barn: &mut BarnTransaction,
    person_id: Uuid,
    kind: LinkKind,
    made_by: Option<Uuid>,
    now: Timestamp,
) -> cavesson_store::StoreResult<MadeLink> {
    let word = SecretWord::draw();
    let works_for = match kind {
        LinkKind::Begin | LinkKind::Invite => INVITED_FOR,
        LinkKind::Reset => RESET_FOR,
    };
    let expires_at = now + works_for;
    let new = NewAccessLink {
        person_id,
        kind,
        word_hash: &word.hash(),
        made_by,
        made_at: now,
        expires_at,
    };
    access_link::add(barn, &new).await?;
    Ok(MadeLink {
        word: word.give_away(),
        expires_at,
    })
}

/// Make a link for somebody: an invitation while they have no password, else one to set
/// a new password. Links of before stop working.
#[utoipa::path(
    post, path = "/api/people/{person_id}/link", operation_id = "make_link", tag = "people",
    params(("person_id" = Uuid, Path)),
    responses(
        (status = 201, description = "The link, shown this once", body = MadeLink),
        (status = 404, description = "Nobody of this barn, or somebody who left", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn make(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(person_id): UrlPath<Uuid>,
) -> Answer<(StatusCode, Json<MadeLink>)> {
    let mut barn = signed.write().await?;
    let member = here(&mut barn, person_id).await?;
    let kind = if member.has_password {
        LinkKind::Reset
    } else {
        LinkKind::Invite
    };
    let made_by = Some(signed.person.person_id);
    let made = make_link(&mut barn, person_id, kind, made_by, app.clock.now()).await?;
    barn.commit().await?;
    Ok((StatusCode::CREATED, Json(made)))
}

/// Take back the link of somebody, whether it works or not.
#[utoipa::path(
    delete, path = "/api/people/{person_id}/link", operation_id = "revoke_link", tag = "people",
    params(("person_id" = Uuid, Path)),
    responses(
        (status = 204, description = "None works any more"),
    )
)]
async fn revoke(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(person_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    here(&mut barn, person_id).await?;
    access_link::revoke(&mut barn, person_id, app.clock.now()).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// Somebody who is of the barn and has not left.
async fn here(barn: &mut BarnTransaction, person_id: Uuid) -> Answer<Member> {
    let members = person::members(barn).await?;
    members
        .into_iter()
        .find(|member| member.person.person_id == person_id && member.left_at.is_none())
        .ok_or_else(|| Problem::not_found("nobody of this barn has this id, or they left"))
}

/// What a link opens.
#[utoipa::path(
    post, path = "/api/links/look", operation_id = "look_at_link", tag = "links", request_body = LinkWord,
    responses(
        (status = 200, description = "What it opens", body = LinkShown),
        (status = 410, description = "Used, expired, taken back, or never made", body = Problem, content_type = "application/problem+json"),
        (status = 429, description = "Too many tries", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn look(
    State(app): State<App>,
    Body(LinkWord { word }): Body<LinkWord>,
) -> Answer<Json<LinkShown>> {
    let link = working(&app, &word).await?;
    let mut look = BarnTransaction::look(&app.pool, link.barn_id).await?;
    let barn = barns::own(&mut look).await?;
    let person = here(&mut look, link.person_id).await?.person;
    Ok(Json(LinkShown {
        purpose: match link.kind {
            LinkKind::Begin => LinkPurpose::Begin,
            LinkKind::Invite => LinkPurpose::Invite,
            LinkKind::Reset => LinkPurpose::Reset,
        },
        units: Units::of_word(&barn.units),
        barn: barn.name,
        handle: barn.handle,
        time_zone: barn.time_zone,
        name: person.name,
        sign_in: person.sign_in,
        role: person.role,
        expires_at: link.expires_at,
    }))
}

/// Take up a link: set a password, and with the first one the barn. Whoever takes it
/// up is signed in; with a new password all other devices are signed out.
#[utoipa::path(
    post, path = "/api/links/take", operation_id = "take_link", tag = "links", request_body = LinkTaken,
    responses(
        (status = 200, description = "Signed in; the session cookie is set", body = Who),
        (status = 409, description = "The username or the barn's short name is taken", body = Problem, content_type = "application/problem+json"),
        (status = 410, description = "Used, expired, taken back, or never made", body = Problem, content_type = "application/problem+json"),
        (status = 429, description = "Too many tries", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn take(
    State(app): State<App>,
    session: Session,
    Body(taken): Body<LinkTaken>,
) -> Answer<Json<Who>> {
    let link = working(&app, &taken.word).await?;
    check_taken(&taken, link.kind)?;
    let password = taken.password;
    let hash = app
        .work
        .passwords
        .run(move || password::hash(&password))
        .await?;
    let now = app.clock.now();
    let mut barn = BarnTransaction::begin(&app.pool, link.barn_id).await?;
    person::hold_people(&mut barn).await?;
    let mut member = here(&mut barn, link.person_id).await?;
    if !access_link::make_use(&mut barn, link.link_id, now).await? {
        return Err(no_link());
    }
    if let Some(new) = &taken.barn {
        let named = Barn {
            barn_id: link.barn_id,
            handle: new.handle.clone(),
            name: new.name.trim().to_owned(),
            time_zone: new.time_zone.clone(),
            units: new.units.word().to_owned(),
            quiet_outings_pct: i32::from(QUIET_OUTINGS_PCT),
        };
        barns::change(&mut barn, &named).await?;
        member.person.name = new.trainer.trim().to_owned();
    }
    if let Some(sign_in) = taken.sign_in {
        member.person.sign_in = sign_in;
    }
    person::change(&mut barn, &member.person, &member.clearance).await?;
    person::set_password_hash(&mut barn, link.person_id, &hash).await?;
    session::remove_others(&mut barn, link.person_id, None).await?;
    let own = barns::own(&mut barn).await?;
    time_zone(&own)?;
    barn.commit().await?;
    session.cycle_id().await?;
    let signed_in = SignedIn::new(link.barn_id, link.person_id, now);
    session.insert(SIGNED_IN, signed_in).await?;
    session.save().await?;
    Ok(Json(Who::new(member.person, own)))
}

fn check_taken(taken: &LinkTaken, kind: LinkKind) -> Answer<()> {
    let sign_in = taken.sign_in.as_deref();
    let mut checks = vec![
        check_new_password("/password", &taken.password),
        sign_in.map_or(Ok(()), |name| check_username("/sign_in", name)),
    ];
    match (&taken.barn, kind) {
        (Some(barn), LinkKind::Begin) => checks.extend([
            check_text(NAME_LETTERS, "/barn/name", &barn.name),
            check_handle("/barn/handle", &barn.handle),
            check_time_zone("/barn/time_zone", &barn.time_zone),
            check_text(NAME_LETTERS, "/barn/trainer", &barn.trainer),
        ]),
        (None, LinkKind::Begin) => checks.push(Err(cavesson_core::bounds::FieldError::new(
            "/barn",
            "must say the barn's name, short name, time zone, units and trainer",
        ))),
        (Some(_), _) => checks.push(Err(cavesson_core::bounds::FieldError::new(
            "/barn",
            "must be left out: this link doesn't begin a barn",
        ))),
        (None, _) => {}
    }
    together(checks).map_err(Problem::fields)
}

/// The link of that word, while it works.
async fn working(app: &App, word: &str) -> Answer<AccessLink> {
    let now = app.clock.now();
    let found = access_link::find(&app.pool, &word_hash(word)).await?;
    let link = found.ok_or_else(no_link)?;
    if link.used_at.is_some() {
        return Err(Problem::link(
            "it was used already, and works once. Sign in, or ask your trainer for a new one",
        ));
    }
    if link.revoked_at.is_some() || link.expires_at <= now {
        return Err(no_link());
    }
    Ok(link)
}

fn no_link() -> Problem {
    Problem::link("it expired or was taken back. Ask your trainer for a new one")
}
