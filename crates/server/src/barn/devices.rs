//! Devices that the barn hears: timing eyes, flag, weather. Each is looked at here, unplugged and
//! plugged in again. A rein gauge speaks to the page itself and is paired there.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::device::Device;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::device;
use cavesson_store::day::weather;
use cavesson_store::ground::timed_run;
use jiff::{SignedDuration, Timestamp};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;

use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Recorder;
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(plug))
}

/// How far back a time of the eyes is looked for.
const BACK: SignedDuration = SignedDuration::from_hours(14 * 24);

/// A device of the barn.
#[derive(Serialize, ToSchema)]
struct DeviceShown {
    device: Device,
    /// Since when it is unplugged; null while it is plugged in.
    #[schema(value_type = Option<String>, format = DateTime)]
    unplugged_at: Option<Timestamp>,
    /// What it calls itself; null where it was not heard.
    name: Option<String>,
    /// When it was heard last, or until when the weather is known; null where it was not heard.
    #[schema(value_type = Option<String>, format = DateTime)]
    heard_at: Option<Timestamp>,
}

/// Plugged in or not.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct Plug {
    plugged_in: bool,
}

/// Timing eyes, flag and weather, and when each was heard last.
#[utoipa::path(
    get, path = "/api/devices", operation_id = "list_devices", tag = "devices",
    responses((status = 200, description = "The devices", body = [DeviceShown]))
)]
async fn list(
    State(app): State<App>,
    Recorder(signed): Recorder,
) -> Answer<Json<Vec<DeviceShown>>> {
    let now = signed.now().timestamp();
    let mut barn = signed.look().await?;
    let unplugged = device::unplugged(&mut barn).await?;
    let since = |one: Device| {
        let found = unplugged.iter().find(|(device, _)| *device == one);
        found.map(|(_, at)| *at)
    };
    let timed = timed_run::since(&mut barn, now - BACK, 1).await?.pop();
    let hour = weather::between(&mut barn, now, now + BACK).await?.pop();
    let flag = app.flags.now(signed.barn.barn_id);
    let shown = Device::ALL.iter().map(|one| {
        let (name, heard_at) = match one {
            Device::Eyes => timed
                .as_ref()
                .map(|listed| (listed.timed.eyes.clone(), listed.timed.at))
                .unzip(),
            Device::Flag => flag.as_ref().map(|flag| (flag.name.clone(), now)).unzip(),
            Device::Weather => (None, hour.as_ref().map(|hour| hour.at)),
        };
        DeviceShown {
            device: *one,
            unplugged_at: since(*one),
            name,
            heard_at,
        }
    });
    Ok(Json(shown.collect()))
}

/// Plug a device in, or unplug it: an unplugged one is not heard.
#[utoipa::path(
    put, path = "/api/devices/{device}", operation_id = "plug_device", tag = "devices",
    params(("device" = String, Path, description = "eyes, flag or weather")), request_body = Plug,
    responses((status = 204, description = "Done, or it was so"))
)]
async fn plug(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(word): UrlPath<String>,
    Body(Plug { plugged_in }): Body<Plug>,
) -> Answer<StatusCode> {
    let device = Device::from_word(&word).ok_or_else(|| {
        let all: Vec<&str> = Device::ALL.iter().map(|one| one.word()).collect();
        Problem::not_found(format!("no device {word}; they are {}", all.join(", ")))
    })?;
    let mut barn = signed.write().await?;
    if plugged_in {
        device::plug_in(&mut barn, device).await?;
    } else {
        let by = signed.person.person_id;
        device::unplug(&mut barn, device, by, signed.now().timestamp()).await?;
    }
    barn.commit().await?;
    if device == Device::Flag && !plugged_in {
        app.flags.forget(signed.barn.barn_id);
    }
    Ok(StatusCode::NO_CONTENT)
}

/// What comes from a device that is unplugged is not taken.
///
/// # Errors
/// That it is unplugged.
pub async fn check_plugged_in(barn: &mut BarnTransaction, one: Device) -> Answer<()> {
    if device::is_plugged_in(barn, one).await? {
        Ok(())
    } else {
        Err(Problem::unplugged(one.word()))
    }
}
