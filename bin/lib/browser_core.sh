# The core in the browser (crates/browser), built to web/src/base/core/core.wasm. Source
# this file after tools.sh. Needs either the target wasm32-unknown-unknown of a rustup
# toolchain, or Debian's rustc-web, rust-web-src and lld; where neither can be had, the
# application is built without it and takes the server's word.

core_wasm=$root/web/src/base/core/core.wasm

# What it is built from.
browser_core_sources() {
  (cd "$root" && find crates/{core,base,reps,tack,ground,cattle,judge,barn,files,trials,calc,browser} Cargo.toml \
    Cargo.lock -not -path '*/tests/*' -type f -print0 | sort -z | xargs -0 cksum | cksum)
}

browser_core_debian() {
  [ -x /usr/bin/wasm-ld ] && [ -d /usr/lib/rustlib/src/rust/library ] || {
    install_package rustc-web && install_package rust-web-src && install_package lld
  }
}

# Installs what building it needs, where there is no need to build it without that.
browser_core_needs() {
  browser_core_is_kept || rustup target list --installed 2>/dev/null | grep -qx wasm32-unknown-unknown ||
    browser_core_debian
}

browser_core_is_kept() {
  local kept=${XDG_CACHE_HOME:-$HOME/.cache}/cavesson/core
  [ -e "$kept/core.wasm" ] && [ "$(browser_core_sources)" = "$(cat "$kept/built-from" 2>/dev/null)" ]
}

browser_core_compile() {
  local target=${XDG_CACHE_HOME:-$HOME/.cache}/cavesson/browser-target
  local common=(build --package cavesson-browser --target wasm32-unknown-unknown --profile browser)
  if rustup target list --installed 2>/dev/null | grep -qx wasm32-unknown-unknown; then
    (cd "$root" && CARGO_TARGET_DIR=$target cargo "${common[@]}")
  else
    browser_core_debian || return 1
    # -Zbuild-std is of the nightly kind; the compiler is Debian's own, of one version.
    (cd "$root" && RUSTC=/usr/bin/rustc RUSTC_BOOTSTRAP=1 RUSTFLAGS='-C linker=/usr/bin/wasm-ld' \
      CARGO_TARGET_DIR=$target cargo "${common[@]}" -Zbuild-std=std,panic_abort -Zbuild-std-features=optimize_for_size)
  fi || return 1
  cp "$target/wasm32-unknown-unknown/browser/cavesson_browser.wasm" "$core_wasm"
}

# Built anew only when what it is built from has changed; kept beside the other builds.
build_browser_core() {
  local kept=${XDG_CACHE_HOME:-$HOME/.cache}/cavesson/core now
  now=$(browser_core_sources)
  mkdir -p "$kept"
  if ! browser_core_is_kept; then
    if ! browser_core_compile; then
      rm -f "$core_wasm"
      echo 'The core in the browser could not be built: the application works without it, with the server'"'"'s word only.' >&2
      return 1
    fi
    cp "$core_wasm" "$kept/core.wasm"
    printf '%s\n' "$now" >"$kept/built-from"
  fi
  cmp -s "$kept/core.wasm" "$core_wasm" || cp "$kept/core.wasm" "$core_wasm"
}
