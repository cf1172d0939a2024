import { useEffect, useMemo, useRef, useState } from 'react';
import { intoFrame, tiedTo, type OpenFilm } from './film';
import { FilmTime } from './FilmTime';
import type { TapeSheet } from './marks';

/** How fast films are played. */
export const speeds: [number, string][] = [
  [0.125, '⅛'],
  [0.25, '¼'],
  [0.5, '½'],
  [1, '1'],
];

/** A second film that is further off than this while both play is put right. */
const offS = 0.08;
const lookEveryMs = 400;

function slowTo(video: HTMLVideoElement, speed: number) {
  video.playbackRate = speed;
}

export type Player = ReturnType<typeof usePlayer>;

/** One film or two: played, slowed, stepped frame by frame; two that are tied go together. */
export function usePlayer(open: (OpenFilm | undefined)[], tie: TapeSheet['tie']) {
  const first = useRef<HTMLVideoElement>(null);
  const second = useRef<HTMLVideoElement>(null);
  const videos = useMemo(() => [first, second], []);
  const [times] = useState(() => [new FilmTime(), new FilmTime()]);
  const [picked, setPicked] = useState(0);
  const [speed, setSpeed] = useState(1);
  const [playing, setPlaying] = useState(false);
  const together = Boolean(tie && open[0] && open[1]);
  // Two that are tied are moved by the first.
  const active = together || !open[picked] ? (open[0] ? 0 : 1) : picked;
  const film = open[active]?.film;
  const leader = () => videos[active]!.current;

  const follow = (firstS: number) => {
    const other = second.current;
    if (!together || !tie || !other) return;
    const to = tiedTo(firstS, tie);
    other.currentTime = Math.min(Math.max(0, to), other.duration || 0);
  };
  const stop = () => {
    for (const video of videos) video.current?.pause();
    setPlaying(false);
  };
  /** To the frame that begins then. */
  const seekFrame = (beginsS: number) => {
    const video = leader();
    if (!video || !film) return;
    stop();
    const begins = Math.min(Math.max(0, beginsS), film.length_s - film.frame_s);
    times[active]!.want(begins);
    video.currentTime = intoFrame(begins, film.frame_s);
    follow(video.currentTime);
  };
  const play = () => {
    for (const time of times) time.want(null);
    for (const one of together ? videos : [videos[active]!]) {
      if (!one.current) continue;
      slowTo(one.current, speed);
      // A film that is at its end begins again; one that may not play stands.
      void one.current.play().catch(() => setPlaying(false));
    }
    setPlaying(true);
  };

  useEffect(() => {
    for (const { current } of videos) if (current) slowTo(current, speed);
  }, [speed, videos]);
  useEffect(() => {
    const video = videos[active]!.current;
    const over = () => {
      for (const one of videos) one.current?.pause();
      setPlaying(false);
    };
    video?.addEventListener('ended', over);
    return () => video?.removeEventListener('ended', over);
  }, [videos, active, film]);
  useEffect(() => {
    if (!playing || !together || !tie) return;
    const look = () => {
      const [a, b] = [first.current, second.current];
      if (!a || !b) return;
      const to = tiedTo(a.currentTime, tie);
      if (Math.abs(b.currentTime - to) > offS && to >= 0 && to <= b.duration) b.currentTime = to;
    };
    const every = setInterval(look, lookEveryMs);
    return () => clearInterval(every);
  }, [playing, together, tie]);

  return {
    videos,
    times,
    film,
    active,
    together,
    pick: setPicked,
    playing,
    speed,
    setSpeed,
    toggle: () => (playing ? stop() : play()),
    stop,
    /** So many frames on, or back. */
    step: (frames: number) => {
      if (film) seekFrame(times[active]!.from() + frames * film.frame_s);
    },
    seekFrame,
  };
}
