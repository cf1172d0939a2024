import type { Schemas } from '../../base/api/client';

export type Film = Schemas['Film'];

/** A film that is open in this page. The file stays on the disk it is on. */
export interface OpenFilm {
  url: string;
  film: Film;
  /** When it was last written, which is when most cameras stop. */
  writtenAt: number;
}

/** Seconds to the millionth: more than any film has. */
export const micro = (seconds: number) => Math.round(seconds * 1e6) / 1e6 + 0;

/** Frames a second that cameras make. */
const rates = [24, 25, 30_000 / 1001, 30, 48, 50, 60_000 / 1001, 60, 100, 120, 240];

/** How long a frame stands, from the distance of two: the camera's own rate where it is near. */
export function frameOf(apartS: number): number {
  const rate = 1 / apartS;
  const near = rates.find((known) => Math.abs(known - rate) / known < 0.0006);
  return micro(near === undefined ? apartS : 1 / near);
}

/** Where to put a film so that the frame is shown which begins then: its middle. */
export const intoFrame = (beginsS: number, frameS: number) => beginsS + frameS / 2;

/** Where the second film stands when the first stands there. */
export const tiedTo = (firstS: number, tie: Schemas['Tie']) => firstS - tie.first_s + tie.second_s;

/** 1:02.48: minutes, seconds, hundredths. */
export function filmClock(seconds: number): string {
  const minutes = Math.floor(seconds / 60);
  const rest = (seconds - minutes * 60).toFixed(2).padStart(5, '0');
  return `${minutes}:${rest}`;
}
