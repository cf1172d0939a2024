/**
 * After an update on the server the parts of an older page are gone. Such a page
 * loads itself anew; if that does not help, once is enough.
 */
const key = 'cavesson.reloaded-at';
const onceInMs = 30_000;

export function reloadWhenPartsAreGone(
  reload: () => void = () => location.reload(),
  now: () => number = () => Date.now(),
  online: () => boolean = () => navigator.onLine,
): void {
  window.addEventListener('vite:preloadError', (event) => {
    // Without signal a page that loads itself anew is no page at all.
    if (!online()) return;
    const last = Number(sessionStorage.getItem(key) ?? 0);
    if (now() - last < onceInMs) return;
    sessionStorage.setItem(key, String(now()));
    event.preventDefault();
    reload();
  });
}
