/** Tabs of one browser share the sign-in: they tell each other when it changes. */

export interface SignedInTold {
  /** Who is signed in now; null after a sign-out. */
  personId: string | null;
}

const name = 'cavesson-sign-in';

export function tellOtherTabs(told: SignedInTold): void {
  if (typeof BroadcastChannel === 'undefined') return;
  const channel = new BroadcastChannel(name);
  channel.postMessage(told);
  channel.close();
}

export function onToldByOtherTabs(listen: (told: SignedInTold) => void): () => void {
  if (typeof BroadcastChannel === 'undefined') return () => undefined;
  const channel = new BroadcastChannel(name);
  channel.onmessage = ({ data }: MessageEvent<SignedInTold>) => listen(data);
  return () => channel.close();
}
