/** Whether somebody wants each ask said aloud on this device; off until then. */

const key = 'cavesson.voice';

export const voiceWanted = () => localStorage.getItem(key) !== null;

export function wantVoice(wanted: boolean): void {
  if (wanted) localStorage.setItem(key, 'yes');
  else localStorage.removeItem(key);
}
