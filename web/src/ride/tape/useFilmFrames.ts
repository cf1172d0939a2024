import { useEffect, useSyncExternalStore, type RefObject } from 'react';
import type { FilmTime } from './FilmTime';

/** Notes every frame that a video shows. */
export function useFilmFrames(
  video: RefObject<HTMLVideoElement | null>,
  time: FilmTime,
  url: string | undefined,
) {
  useEffect(() => {
    const of = video.current;
    if (!of || !url) return;
    let asked = of.requestVideoFrameCallback(function shown(
      _now: number,
      { expectedDisplayTime, mediaTime }: VideoFrameCallbackMetadata,
    ) {
      time.show(expectedDisplayTime, mediaTime);
      asked = of.requestVideoFrameCallback(shown);
    });
    return () => of.cancelVideoFrameCallback(asked);
  }, [video, time, url]);
}

/** The frame that is shown, for what draws it. */
export const useShownS = (time: FilmTime) => useSyncExternalStore(time.subscribe, time.now);
