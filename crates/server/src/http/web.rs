//! The web application's files. Every address that is not a file is the
//! application itself, which reads the address.

use std::path::Path;

use axum::Router;
use axum::http::{HeaderName, HeaderValue, header};
use tower::ServiceBuilder;
use tower_http::services::{ServeDir, ServeFile};
use tower_http::set_header::SetResponseHeaderLayer;

/// Scripts and styles come from here only; the styling library writes style
/// elements of its own.
const CONTENT_SECURITY: &str = "default-src 'self'; media-src 'self' blob:; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; \
     img-src 'self' data:; \
     connect-src 'self' ws://127.0.0.1:* ws://localhost:*; frame-ancestors 'none'; base-uri 'none'; form-action 'self'";

/// Serves the built application in `folder`.
pub fn routes(folder: &Path) -> Router {
    let application = ServeFile::new(folder.join("index.html"));
    let assets = ServiceBuilder::new()
        .layer(set(
            header::CACHE_CONTROL,
            "public, max-age=31536000, immutable",
        ))
        .service(ServeDir::new(folder.join("assets")));
    let files = ServiceBuilder::new()
        .layer(set(header::CACHE_CONTROL, "no-cache"))
        .service(ServeDir::new(folder).fallback(application));
    Router::new()
        .nest_service("/assets", assets)
        .fallback_service(files)
}

/// The headers that every answer carries.
pub fn guard(router: Router) -> Router {
    router
        .layer(set(header::CONTENT_SECURITY_POLICY, CONTENT_SECURITY))
        .layer(set(header::X_CONTENT_TYPE_OPTIONS, "nosniff"))
        .layer(set(header::REFERRER_POLICY, "same-origin"))
}

fn set(name: HeaderName, value: &'static str) -> SetResponseHeaderLayer<HeaderValue> {
    SetResponseHeaderLayer::if_not_present(name, HeaderValue::from_static(value))
}
