import { useMemo, useSyncExternalStore } from 'react';
import { GaugeLink, nothing, type GaugeState } from './gaugeLink';

const never = () => () => undefined;
const silent = () => nothing;

/** The rein gauge at an address, listened to while the page shows it. */
export function useGauge(address: string | null): GaugeState {
  const link = useMemo(() => (address === null ? null : new GaugeLink(address)), [address]);
  return useSyncExternalStore(link?.subscribe ?? never, link?.now ?? silent);
}
