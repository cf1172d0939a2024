/** Which rein gauge this device listens to. */

const key = 'cavesson.rein-gauge';

/** Where the stand-in is. */
export const usualAddress = 'ws://127.0.0.1:7430/gauge';

/** The address of the gauge; null where none is paired. */
export function pairedGauge(): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    // Storage is off: nothing can be paired.
    return null;
  }
}

export function pairGauge(address: string | null): void {
  try {
    if (address === null) localStorage.removeItem(key);
    else localStorage.setItem(key, address);
  } catch {
    // As above.
  }
}

/** What is wrong with an address; undefined where nothing is. */
export function wrongAddress(address: string): string | undefined {
  let url: URL;
  try {
    url = new URL(address);
  } catch {
    return 'Must be an address such as ws://127.0.0.1:7430/gauge';
  }
  if (url.protocol !== 'ws:') return 'Must begin with ws://';
  if (!['127.0.0.1', 'localhost'].includes(url.hostname))
    return 'Must be on this device: 127.0.0.1 or localhost';
  return undefined;
}
