//! The C interface. The page asks for room, writes the name and the input there,
//! calls [`calculate`], reads the answer and gives all of it back.
//!
//! Addresses and lengths are 32 bits in WebAssembly; an answer is both in one number,
//! the address in the upper half.

use std::alloc::{Layout, alloc, dealloc};

use crate::answer::answer;

/// Bytes need no alignment.
fn room(length: usize) -> Option<Layout> {
    (length > 0).then(|| Layout::array::<u8>(length).ok())?
}

/// Room for `length` bytes, to be given back with [`release`]; null for none.
#[unsafe(no_mangle)]
pub extern "C" fn allocate(length: usize) -> *mut u8 {
    match room(length) {
        // SAFETY: the layout is not empty.
        Some(layout) => unsafe { alloc(layout) },
        None => std::ptr::null_mut(),
    }
}

/// Gives room back.
///
/// # Safety
/// `address` came from [`allocate`] or [`calculate`] with this `length`, and is not
/// used again.
#[unsafe(no_mangle)]
pub unsafe extern "C" fn release(address: *mut u8, length: usize) {
    if let Some(layout) = room(length) {
        // SAFETY: the caller says so.
        unsafe { dealloc(address, layout) }
    }
}

/// Runs a calculator: name and input are UTF-8. The answer's address stands in the
/// upper 32 bits, its length in the lower; give it back with [`release`].
///
/// # Safety
/// Both addresses hold as many bytes as said, written by the caller.
#[unsafe(no_mangle)]
pub unsafe extern "C" fn calculate(
    name: *const u8,
    name_length: usize,
    input: *const u8,
    input_length: usize,
) -> u64 {
    // SAFETY: the caller says so, for both.
    let (name, input) = unsafe { (text(name, name_length), text(input, input_length)) };
    let bytes = answer(&name, &input).into_bytes().into_boxed_slice();
    let length = bytes.len() as u64;
    let address = Box::into_raw(bytes).cast::<u8>() as u64;
    (address << 32) | length
}

/// # Safety
/// `address` holds `length` bytes.
unsafe fn text(address: *const u8, length: usize) -> String {
    if length == 0 {
        return String::new();
    }
    // SAFETY: the caller says so.
    let bytes = unsafe { std::slice::from_raw_parts(address, length) };
    String::from_utf8_lossy(bytes).into_owned()
}

#[cfg(target_arch = "wasm32")]
#[link(wasm_import_module = "page")]
unsafe extern "C" {
    /// Told why the instance is about to end.
    fn panicked(address: *const u8, length: usize);
}

/// From here on a panic tells the page why before it ends the instance.
#[cfg(target_arch = "wasm32")]
#[unsafe(no_mangle)]
pub extern "C" fn tell_panics() {
    std::panic::set_hook(Box::new(|panic| {
        let detail = panic.to_string();
        // SAFETY: the text lives until the call returns.
        unsafe { panicked(detail.as_ptr(), detail.len()) }
    }));
}
