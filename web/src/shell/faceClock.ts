import { createContext, useContext } from 'react';

/** The time that a face goes by: the device's, or that of a film. */
export interface FaceClock {
  /** Milliseconds at an event, by the time stamp of the event. */
  at: (eventTime: number) => number;
  /** The same, now. */
  now: () => number;
  /** Milliseconds since 1970, now. */
  wall: () => number;
}

export const deviceClock: FaceClock = {
  at: (eventTime) => eventTime,
  now: () => performance.now(),
  wall: () => Date.now(),
};

export const FaceClockContext = createContext(deviceClock);

export const useFaceClock = () => useContext(FaceClockContext);
