import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { ThemeProvider } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useMemo } from 'react';
import { Link } from 'react-router';
import { ProblemError } from '../../base/api/client';
import { useClicker } from './useClicker';
import { voiceWanted } from './clicker/voiceWanted';
import { pairedGauge } from '../devices/paired';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { levelPath, levelQuery } from '../../data/level';
import { useLevel } from '../../horse/level/useLevel';
import { useQueue } from '../../outbox/queue';
import { SignedOutBar } from '../../shell/session/SignedOutBar';
import { useSessionEnded, useWho } from '../../data/who';
import { useLight } from '../../base/theme/light';
import { themeFor } from '../../base/theme/theme';
import { Blocks } from './Blocks';
import { FaceView } from './FaceView';
import { FinishedElsewhere } from './FinishedElsewhere';
import { Hint } from './Hint';
import { LastAsk } from './LastAsk';
import { NoStorage } from './NoStorage';
import { NotSaved } from './NotSaved';
import { RecorderHead } from './RecorderHead';
import { Ribbon } from './Ribbon';
import { SettingBar } from './SettingBar';
import { useUpsideDown } from './upsideDown';
import { useRecorder, type Recorder } from './useRecorder';

const IntakeBar = lazy(async () => ({ default: (await import('./IntakeBar')).IntakeBar }));

/** Without signal and never fetched it stays away; turns are recorded all the same. */
const PenBar = lazy(() =>
  import('./PenBar').then(({ PenBar }) => ({ default: PenBar })).catch(() => ({ default: noBar })),
);

/** Only where a gauge is paired, and without signal never fetched it stays away. */
const GaugeBar = lazy(() =>
  import('../devices/GaugeBar')
    .then(({ GaugeBar }) => ({ default: GaugeBar }))
    .catch(() => ({ default: () => <></> })),
);

const Spoken = lazy(() =>
  import('./Spoken')
    .then(({ Spoken }) => ({ default: Spoken }))
    .catch(() => ({ default: () => <></> })),
);

const noBar: typeof import('./PenBar').PenBar = () => <></>;

const NotCleared = lazy(async () => ({ default: (await import('./NotCleared')).NotCleared }));

const WhoIsThere = lazy(async () => ({ default: (await import('./WhoIsThere')).WhoIsThere }));

/** The recorder, for those who record and a horse and level that are there. */
export function RecorderPage() {
  const { records } = useWho();
  const { storage } = useQueue();
  const level = useLevel();
  const judged = useQuery(levelQuery(level));
  if (!records) return <NotYours gate={levelPath(level)} />;
  // Without signal the level cannot be fetched; the ride goes on all the same.
  if (judged.error instanceof ProblemError && judged.error.status !== 401 && !judged.data)
    return (
      <PageFrame title="Ride">{<QueryState query={judged}>{() => null}</QueryState>}</PageFrame>
    );
  if (storage !== 'ready' && storage !== 'opening') return <NoStorage />;
  return <Recording key={`${level.horseId}/${level.skill}/${level.rung}`} />;
}

function NotYours({ gate }: { gate: string }) {
  return (
    <PageFrame title="Ride">
      <Typography variant="h1">Rides are recorded by the barn's people</Typography>
      <Typography sx={{ my: 2 }}>
        You see what they recorded, and what it says of your horse.
      </Typography>
      <Button component={Link} to={gate}>
        See the gate
      </Button>
    </PageFrame>
  );
}

/** Dark on light for the sun, unless the evening theme is on. */
function Recording() {
  const { light } = useLight();
  const theme = useMemo(() => themeFor(light === 'evening' ? 'evening' : 'sun'), [light]);
  const recorder = useRecorder();
  const ended = useSessionEnded();
  useClicker(recorder);
  useUpsideDown();
  return (
    <ThemeProvider theme={theme}>
      <title>Ride · Cavesson</title>
      <Box
        component="main"
        sx={{
          height: '100dvh',
          display: 'flex',
          flexDirection: 'column',
          bgcolor: 'background.default',
          color: 'text.primary',
          userSelect: 'none',
          WebkitUserSelect: 'none',
          overflow: 'hidden',
        }}
      >
        <RecorderHead recorder={recorder} />
        {voiceWanted() && (
          <Suspense fallback={null}>
            <Spoken recorder={recorder} />
          </Suspense>
        )}
        {ended && <SignedOutBar />}
        <NotSaved recorder={recorder} />
        {recorder.elsewhere.finished && <FinishedElsewhere recorder={recorder} />}
        {recorder.intake && (
          <Suspense fallback={null}>
            <IntakeBar recorder={recorder} intake={recorder.intake} />
          </Suspense>
        )}
        {recorder.whoIsThere && (
          <Suspense fallback={null}>
            <WhoIsThere asked={recorder.whoIsThere} />
          </Suspense>
        )}
        <Blocks recorder={recorder} />
        {!recorder.rideId && recorder.worn.stopped.length > 0 ? (
          <Suspense fallback={null}>
            <NotCleared recorder={recorder} />
          </Suspense>
        ) : (
          <Asking recorder={recorder} />
        )}
      </Box>
    </ThemeProvider>
  );
}

/** The face, what is set once, and the last ask. */
function Asking({ recorder }: { recorder: Recorder }) {
  const rig = recorder.worn.rig?.kind;
  return (
    <>
      {!recorder.atPen && <Hint recorder={recorder} />}
      {recorder.atPen && (
        <Suspense fallback={null}>
          <PenBar recorder={recorder} />
        </Suspense>
      )}
      <FaceView recorder={recorder} />
      {(rig === 'two_rein' || rig === 'bosal') && <Ribbon recorder={recorder} />}
      {recorder.asked?.measure === 'give' && pairedGauge() !== null && (
        <Suspense fallback={null}>
          <GaugeBar />
        </Suspense>
      )}
      {recorder.settings.map((setting, index) => (
        <SettingBar
          key={setting.id}
          setting={setting}
          value={recorder.set[setting.id] ?? setting.usual}
          onValue={(value) => recorder.put(setting, value)}
          keyed={index === 0}
        />
      ))}
      <LastAsk recorder={recorder} />
    </>
  );
}
