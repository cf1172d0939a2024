import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import type { ReactNode } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import type { Schemas } from '../api/client';
import { drawn } from '../draw/rein';
import { ReinStrip } from '../draw/ReinStrip';
import { StripKey } from '../draw/StripKey';
import { Asked } from '../frame/Asked';
import { HorseHeading } from '../frame/HorseHeading';
import { PageFrame } from '../frame/PageFrame';
import { levelPath } from '../level/queries';
import { useQueue } from '../queue/queue';
import { drawnKept } from '../recorder/LiveRein';
import { useWho } from '../session/who';
import { clockIn, longDay } from '../words/days';
import { AfterRide } from './AfterRide';
import { BlockFaults, RideMarks } from './RideChips';
import { rideQuery } from './queries';
import { RepTable } from './RepTable';
import { useChips } from './useChips';

/** A ride: its rein strip, and what it changed. */
export function RidePage() {
  const { rideId = '' } = useParams();
  const { db } = useQueue();
  const waiting = useLiveQuery(
    () => db.reps.where({ rideId, state: 'waiting' }).count(),
    [db, rideId],
  );
  const ride = useQuery({ ...rideQuery(rideId), enabled: waiting === 0 });
  return (
    <PageFrame title="Ride">
      {waiting ? (
        <OnlyHere rideId={rideId} waiting={waiting} />
      ) : (
        <Asked query={ride}>{(data) => <Ridden ride={data} />}</Asked>
      )}
    </PageFrame>
  );
}

function Ridden({ ride }: { ride: Schemas['Ride'] }) {
  const { time_zone, records } = useWho();
  const chips = useChips(ride);
  // What was seen is said when the ride is over.
  const says = records && ride.finished_at != null;
  return (
    <>
      <HorseHeading horse={ride.horse} />
      <Typography sx={{ mb: 2, color: 'text.secondary' }}>
        {longDay(ride.day)}, {clockIn(time_zone, ride.started_at)}
        {ride.finished_at
          ? ` to ${clockIn(time_zone, ride.finished_at)}`
          : ', not finished yet'}, {ride.rider}
      </Typography>
      {ride.blocks.length === 0 && <Typography>Nothing was asked in this ride.</Typography>}
      {ride.blocks.map((block) => (
        <Block key={`${block.level.skill} ${block.level.rung}`} block={block} ride={ride}>
          {says && <BlockFaults block={block} chips={chips} />}
        </Block>
      ))}
      {says && <RideMarks chips={chips} sex={ride.horse.sex} />}
      <Button component={Link} to="/" variant="contained" sx={{ mt: 3, minHeight: 60 }}>
        Back to Today
      </Button>
    </>
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
          <Box sx={{ display: 'flex', justifyContent: 'space-between', px: 0.5 }}>
            <Typography component="span">Left</Typography>
            <Typography component="span">Right</Typography>
          </Box>
          <ReinStrip
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
          All rides of this, side by side
        </Button>
        <StripKey />
        <RepTable reps={reps} picked={picked} />
      </Box>
    </Box>
  );
}

function OnlyHere({ rideId, waiting }: { rideId: string; waiting: number }) {
  const { db, state, says } = useQueue();
  const reps = useLiveQuery(
    () => db.reps.where('rideId').equals(rideId).sortBy('askedAt'),
    [db, rideId],
  );
  const own = drawnKept((reps ?? []).filter((rep) => !rep.undone));
  return (
    <>
      <Typography variant="h1">Kept on this device</Typography>
      <Typography role="status" sx={{ my: 2, maxWidth: 520 }}>
        {state === 'no signal' &&
          `No signal: ${waiting} asks are safe here and go out by themselves. The verdict comes then.`}
        {state === 'not taken' &&
          `${waiting} asks are safe here. The barn did not take them: ${says}`}
        {state === 'signed out' && `${waiting} asks are safe here. Sign in again to send them.`}
        {(state === 'at rest' || state === 'sending') && 'Sending what was asked.'}
      </Typography>
      <ReinStrip reps={own} width={300} />
      <RepTable reps={own} picked={null} />
    </>
  );
}
