import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import type { ReactNode } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { drawn } from '../../draw/rein';
import { AsksDrawn, AsksKey } from '../../draw/AsksDrawn';
import { ShareRibbon } from '../../draw/ShareRibbon';
import { QueryState } from '../../shell/QueryState';
import { HorseHeading } from '../../shell/HorseHeading';
import { PageFrame } from '../../shell/PageFrame';
import { worksPath } from '../../data/cattle';
import { levelPath } from '../../data/level';
import type { KeptDatabase } from '../../outbox/db';
import { useQueue } from '../../outbox/queue';
import { openAgain } from '../../outbox/keep';
import { ridePath } from '../../data/ridePath';
import { useWho } from '../../data/who';
import { clockIn, dayIn, longDay } from '../../base/words/days';
import { presentInWords } from '../../base/words/people';
import { endWords, moodWords, rigWords } from '../../base/words/states';
import { AfterRide } from './AfterRide';
import { CloseOut } from './CloseOut';
import { OnlyHere } from './OnlyHere';
import { BlockFaults, RideMarks } from './RideChips';
import { knownRide } from './knownRide';
import { rideQuery } from '../../data/ride';
import { RepTable } from './RepTable';
import { Timeline } from './Timeline';
import { WrongHorse } from './WrongHorse';
import { useChips } from './useChips';

/** A ride: its rein strip, and what it changed. */
export function RidePage() {
  const { rideId = '' } = useParams();
  const { db, storage } = useQueue();
  const waiting = useLiveQuery(
    () => (storage === 'ready' ? waitingOf(db, rideId) : { asks: 0, ride: false }),
    [db, rideId, storage],
  );
  const queries = useQueryClient();
  const { queryKey } = rideQuery(rideId);
  // A ride that is not known here yet is asked for when all of it has gone out.
  const goneOut =
    waiting?.asks === 0 && (!waiting.ride || queries.getQueryData(queryKey) !== undefined);
  const ride = useQuery({ ...rideQuery(rideId), enabled: goneOut });
  return (
    <PageFrame title="Ride">
      {waiting && !goneOut ? (
        <OnlyHere rideId={rideId} waiting={waiting.asks} />
      ) : (
        <QueryState query={ride}>{(data) => <Ridden ride={data} />}</QueryState>
      )}
    </PageFrame>
  );
}

/** What of a ride is still to be sent. */
async function waitingOf(db: KeptDatabase, rideId: string) {
  const reps = db.reps.filter((rep) => rep.rideId === rideId && rep.state === 'waiting');
  const ride = await db.rides.get(rideId);
  return { asks: await reps.count(), ride: ride?.state === 'waiting' };
}

function Ridden({ ride }: { ride: Schemas['Ride'] }) {
  const { time_zone, records } = useWho();
  const chips = useChips(ride);
  // What was seen is said when the ride is over.
  const closesOut = records && ride.finished_at != null;
  return (
    <>
      <HorseHeading horse={ride.horse} />
      <Typography sx={{ mb: 2, color: 'text.secondary' }}>
        {longDay(ride.day)}, {clockIn(time_zone, ride.started_at)}
        {ride.finished_at
          ? ` to ${clockIn(time_zone, ride.finished_at)}`
          : ', not finished yet'}, {ride.rider}
        {ride.from_tape && ', from tape'}
        {ride.place && `, ${ride.place.toLowerCase()}`}
      </Typography>
      <Worn ride={ride} />
      {ride.not_cleared.map((why) => (
        <Typography key={why} role="note" sx={{ borderLeft: '6px solid', pl: 1.5, mb: 1 }}>
          {why} The ride counts all the same.
        </Typography>
      ))}
      {ride.two_rein && (
        <Box sx={{ maxWidth: 720, mb: 2 }}>
          <ShareRibbon
            segments={ride.two_rein.segments}
            events={ride.two_rein.events ?? []}
            endMin={ride.two_rein.end_min}
            height={44}
          />
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            Braided is bosal, plain is bridle. Up: asks for the bridle. Down: asks back.
          </Typography>
        </Box>
      )}
      {ride.timeline.some(
        ({ measure, undone }) => measure.kind === 'turn' && measure.work_id && !undone,
      ) && (
        <Button
          component={Link}
          to={`${worksPath(ride.horse.horse_id)}?ride=${ride.ride_id}`}
          sx={{ minHeight: 56, mb: 2 }}
        >
          Where the turns come apart
        </Button>
      )}
      {closesOut && (
        <CloseOut chips={chips} horseId={ride.horse.horse_id} horseName={ride.horse.name} />
      )}
      {!closesOut && <Said ride={ride} />}
      {ride.blocks.length === 0 && <Typography>Nothing asked on this ride.</Typography>}
      {ride.blocks.map((block) => (
        <Block key={`${block.level.skill} ${block.level.rung}`} block={block} ride={ride}>
          {closesOut && <BlockFaults block={block} chips={chips} />}
        </Block>
      ))}
      <Timeline ride={ride} edits={records} />
      {closesOut && <RideMarks chips={chips} sex={ride.horse.sex} />}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 3 }}>
        <Button component={Link} to="/" variant="contained" sx={{ minHeight: 60 }}>
          Back to Today
        </Button>
        {closesOut && !ride.from_tape && ride.day === dayIn(time_zone) && <GoOn ride={ride} />}
      </Box>
      <WrongHorse ride={ride} />
    </>
  );
}

/** The rig, and what it was changed for; how long the horse took to be quiet; who was there. */
function Worn({ ride: { rigs, quiet_after_s, present } }: { ride: Schemas['Ride'] }) {
  const worn = rigs.map(({ after_ms, kind, name }) => {
    const what = name ? `${rigWords[kind].toLowerCase()} (${name})` : rigWords[kind].toLowerCase();
    return after_ms === 0 ? what : `${what} from minute ${Math.round(after_ms / 60_000)}`;
  });
  const quiet = quiet_after_s != null && `Quiet after ${Math.round(quiet_after_s / 60)} min.`;
  const rig = worn.length > 0 && `Ridden in: ${worn.join(', then ')}.`;
  const there = present != null && presentInWords(present);
  const said = [quiet, rig, there].filter(Boolean);
  return said.length > 0 && <Typography sx={{ mb: 1 }}>{said.join(' ')}</Typography>;
}

/** How it ended, for those who read. */
function Said({ ride: { ended, mood, note } }: { ride: Schemas['Ride'] }) {
  const said = [
    ended && `Ended: ${endWords[ended].toLowerCase()}.`,
    mood && `Mood: ${moodWords[mood].toLowerCase()}.`,
    note && `For next time: ${note}`,
  ].filter(Boolean);
  return said.length > 0 && <Typography sx={{ mb: 1 }}>{said.join(' ')}</Typography>;
}

/** A finished ride can be opened again that day. */
function GoOn({ ride }: { ride: Schemas['Ride'] }) {
  const { db, kick } = useQueue();
  const navigate = useNavigate();
  const last = ride.blocks.at(-1)?.level;
  if (!last) return null;
  const goOn = async () => {
    await openAgain(db, knownRide(ride));
    kick();
    await navigate(ridePath(ride.horse.horse_id, last));
  };
  return (
    <Button onClick={() => void goOn()} sx={{ minHeight: 60 }}>
      Continue this ride
    </Button>
  );
}

interface BlockProps {
  block: Schemas['RideBlock'];
  ride: Schemas['Ride'];
  /** What is said of it. */
  children: ReactNode;
}

function Block({ block, ride, children }: BlockProps) {
  const [search, setSearch] = useSearchParams();
  const picked = search.get('rep');
  const reps = block.strip.reps.map(drawn);
  const level = {
    horseId: ride.horse.horse_id,
    skill: block.level.skill,
    rung: block.level.rung,
  };
  return (
    <Box component="section" sx={{ display: 'flex', flexWrap: 'wrap', gap: { xs: 3, md: 6 } }}>
      <Box sx={{ flex: '0 0 auto', width: 300 }}>
        <Typography variant="h2">{block.level.name}</Typography>
        <Box
          sx={{
            mt: 1,
            borderTop: '6px solid',
            borderColor: 'text.primary',
            width: 300,
            position: 'relative',
          }}
        >
          <AsksDrawn
            reps={reps}
            width={300}
            longestSoftS={block.level.longest_soft_s}
            picked={picked}
            onPick={(rep) => setSearch({ rep }, { replace: true })}
          />
        </Box>
      </Box>
      <Box sx={{ flex: '1 1 320px', minWidth: 0 }}>
        <AfterRide level={{ ...level, on: ride.day }} />
        {children}
        <Button
          component={Link}
          to={levelPath({ ...level, on: ride.day }, '/strip')}
          sx={{ my: 2 }}
        >
          All rides at this level
        </Button>
        <AsksKey reps={reps} />
        <Box component="details" open={picked !== null || undefined}>
          <Box component="summary" sx={{ minHeight: 32, cursor: 'pointer' }}>
            Every ask in words
          </Box>
          <RepTable reps={reps} picked={picked} />
        </Box>
      </Box>
    </Box>
  );
}
