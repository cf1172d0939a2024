import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { cloverleafInput } from '../../ground/barrelDraft';
import { coursesQuery, layQuery } from '../../data/ground';
import { useWho } from '../../data/who';
import { useLive } from '../../base/core/useLive';
import { FilmView, type Overlay } from './FilmView';
import { micro, type OpenFilm } from './film';
import { GroundPanel, type GroundPlace, type Placing } from './GroundPanel';
import { LogStart } from './LogStart';
import { MarkPanel } from './MarkPanel';
import { withKnown, withMark, withTrack, type Mark } from './marks';
import { OpenFilms } from './OpenFilms';
import { sameFilm, slotOf } from './slots';
import { TapeKept } from './TapeKept';
import { TapeSaid } from './TapeSaid';
import { TieFilms } from './TieFilms';
import { Transport } from './Transport';
import { useShownS } from './useFilmFrames';
import { usePlayer } from './usePlayer';
import { useTape } from './useTape';

interface Props {
  horse: { horse_id: string; name: string };
  tapeId: string;
  kept: Schemas['TapeSheet'] | undefined;
}

type Side = 'marks' | 'ground' | 'asks';

/** Each tap on the horse's feet goes so many frames on. */
const trackStep = 3;

/** Films beside what is marked in them. */
export function TapeRoom({ horse, tapeId, kept }: Props) {
  const { records } = useWho();
  const tape = useTape(tapeId, kept);
  const { sheet, put } = tape;
  const [open, setOpen] = useState<(OpenFilm | undefined)[]>([]);
  const [side, setSide] = useState<Side>('marks');
  const [placing, setPlacing] = useState<Placing>(null);
  const player = usePlayer(open, sheet.tie);
  const courses = useQuery(coursesQuery);
  const barrelCourses = (courses.data ?? []).filter(({ plan }) => plan.kind === 'barrels');
  const course = barrelCourses.find(({ course_id }) => course_id === sheet.course_id);
  const plan = course?.plan.kind === 'barrels' ? course.plan : undefined;
  const lay = useQuery({ ...layQuery(course?.place_id ?? ''), enabled: course !== undefined });
  const ridden = useLive('cloverleaf', plan ? cloverleafInput(plan, null) : null);
  const barrels = ridden.output?.barrels.map(({ at }) => at);
  const places = useMemo<GroundPlace[]>(
    () => [
      ...(barrels ?? []).map((ground, index) => ({ name: `Barrel ${index + 1}`, ground })),
      ...(lay.data?.posts ?? []).map(({ name, at }) => ({ name, ground: at })),
    ],
    [barrels, lay.data],
  );
  const ready = sheet.films.length > 0;
  const said = useLive(
    'tape',
    ready
      ? { tape: { ...sheet, name: sheet.name || 'Tape' }, barrels: plan ? barrels : null }
      : null,
  );

  const opened = (film: OpenFilm) => {
    const slot = slotOf(sheet.films, [Boolean(open[0]), Boolean(open[1])], film.film);
    if (slot === null) return 'Two films are open already; take a new tape for another one.';
    setOpen((before) => [0, 1].map((index) => (index === slot ? film : before[index])));
    player.pick(slot);
    const films = [...sheet.films];
    if (!films[slot] || !sameFilm(films[slot], film.film)) {
      films[slot] = film.film;
      put({ ...sheet, films });
    }
    return null;
  };
  const shownS = (film: number) => micro(player.times[film]!.now());
  const mark = (what: Mark) => {
    const film = player.active;
    const at_s = player.playing ? micro(player.times[film]!.at(performance.now())) : shownS(film);
    put({ ...sheet, marks: withMark(sheet.marks ?? [], { film, at_s, mark: what }) });
  };
  const tapped = (film: number) => (seen: [number, number]) => {
    if (placing?.kind === 'known') {
      const { name, ground } = placing.place;
      put({ ...sheet, known: withKnown(sheet.known ?? [], { film, name, seen, ground }) });
      setPlacing(null);
    } else if (placing?.kind === 'feet') {
      put({
        ...sheet,
        track: withTrack(sheet.track ?? [], { film, at_s: shownS(film), seen }),
      });
      player.step(trackStep);
    }
  };
  return (
    <>
      <OpenFilms sheet={sheet} open={open} onOpen={opened} disabled={!records} />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 2fr) minmax(340px, 1fr)' },
          gap: 3,
          mt: 1,
        }}
      >
        {/* The film stays in sight while marks are made beside it. */}
        <Box sx={{ position: { lg: 'sticky' }, top: 8, alignSelf: 'start' }}>
          <Box
            sx={{
              display: 'grid',
              gap: 1,
              gridTemplateColumns: {
                xs: 'minmax(0, 1fr)',
                sm: open[0] && open[1] ? 'repeat(2, minmax(0, 1fr))' : 'minmax(0, 1fr)',
              },
            }}
          >
            {open.map(
              (film, index) =>
                film && (
                  <FilmWithPoints
                    key={film.url}
                    open={film}
                    number={index + 1}
                    player={player}
                    sheet={sheet}
                    onTap={placing ? tapped(index) : undefined}
                  />
                ),
            )}
          </Box>
          <Transport player={player} />
          {open[0] && open[1] && (
            <TieFilms
              player={player}
              tied={Boolean(sheet.tie)}
              onTie={(tie) => put({ ...sheet, tie })}
            />
          )}
        </Box>
        {ready && (
          <Box>
            {records && player.film && (
              <>
                <Tabs
                  value={side}
                  onChange={(_, next: Side) => {
                    setSide(next);
                    setPlacing(null);
                  }}
                  variant="fullWidth"
                  sx={{ mb: 1 }}
                >
                  <Tab value="marks" label="Mark" />
                  <Tab value="ground" label="Ground" />
                  <Tab value="asks" label="Asks" />
                </Tabs>
                {side === 'marks' && <MarkPanel marks={sheet.marks ?? []} onMark={mark} />}
                {side === 'ground' && (
                  <GroundPanel
                    sheet={sheet}
                    said={said.output}
                    courses={barrelCourses}
                    places={places}
                    film={player.active}
                    placing={placing}
                    onPlacing={setPlacing}
                    onCourse={(course_id) => put({ ...sheet, course_id, known: [] })}
                  />
                )}
                {side === 'asks' && (
                  <LogStart
                    horse={horse}
                    sheet={sheet}
                    open={open[player.active]}
                    time={player.times[player.active]!}
                    onShow={player.seekFrame}
                    onRide={(ride_id) => put({ ...sheet, ride_id })}
                  />
                )}
              </>
            )}
            <TapeKept
              horse={horse}
              tapeId={tapeId}
              tape={tape}
              said={said.output}
              wrong={said.error}
              course={course}
              pathFt={ridden.output?.length_ft}
            />
          </Box>
        )}
      </Box>
      {ready && said.output && (
        <TapeSaid said={said.output} sheet={sheet} course={course} tape={tape} player={player} />
      )}
    </>
  );
}

interface FilmProps {
  open: OpenFilm;
  number: number;
  player: ReturnType<typeof usePlayer>;
  sheet: Schemas['TapeSheet'];
  onTap?: (at: [number, number]) => void;
}

/** A film with what was placed in it: points of the ground, and the horse's feet near this frame. */
function FilmWithPoints({ open, number, player, sheet, onTap }: FilmProps) {
  const film = number - 1;
  const time = player.times[film]!;
  const shown = useShownS(time);
  const overlay: Overlay[] = [
    ...(sheet.known ?? [])
      .filter((one) => one.film === film)
      .map(({ name, seen }) => ({ id: name, at: seen, label: name })),
    ...(sheet.track ?? [])
      .filter((one) => one.film === film && Math.abs(one.at_s - shown) < open.film.frame_s / 2)
      .map(({ at_s, seen }) => ({ id: `feet ${at_s}`, at: seen, feet: true })),
  ];
  return (
    <FilmView
      open={open}
      number={number}
      video={player.videos[film]!}
      time={time}
      overlay={overlay}
      onTap={onTap}
    />
  );
}
