import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { ThemeProvider } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { ProblemError, type Schemas } from '../api/client';
import { Asked } from '../frame/Asked';
import { PageFrame } from '../frame/PageFrame';
import { levelPath, levelQuery } from '../level/queries';
import { useLevel } from '../level/useLevel';
import { useQueue } from '../queue/queue';
import { SignedOutBar } from '../session/SignInAgain';
import { useSessionEnded, useWho } from '../session/who';
import { useLight } from '../theme/light';
import { themeFor } from '../theme/theme';
import { HandBar } from './HandBar';
import { Halves } from './Halves';
import { LastAsk } from './LastAsk';
import { NoStorage } from './NoStorage';
import { NotSaved } from './NotSaved';
import { RecorderHead } from './RecorderHead';
import { hasFace } from './rideable';
import { useRecorder } from './useRecorder';

/** The recorder, for those who record and a horse and level that are there. */
export function RecorderPage() {
  const { records } = useWho();
  const { storage } = useQueue();
  const level = useLevel();
  const judged = useQuery(levelQuery(level));
  if (!records) return <NotYours gate={levelPath(level)} />;
  // Without signal the level cannot be fetched; the ride goes on all the same.
  if (judged.error instanceof ProblemError && judged.error.status !== 401 && !judged.data)
    return <PageFrame title="Ride">{<Asked query={judged}>{() => null}</Asked>}</PageFrame>;
  // Without the level nothing is known of how it is asked: a give on each side then.
  if (judged.data && !hasFace(judged.data.level)) return <OtherFace level={judged.data.level} />;
  if (storage !== 'ready' && storage !== 'opening') return <NoStorage />;
  return <Recording key={`${level.horseId}/${level.skill}/${level.rung}`} />;
}

function OtherFace({ level }: { level: Schemas['LevelBrief'] }) {
  return (
    <PageFrame title="Ride">
      <Typography variant="h1">{level.name}</Typography>
      <Typography sx={{ my: 2, maxWidth: 560 }}>
        The two halves time gives to one rein. This is not such an ask, and it is not recorded from
        the saddle yet. What other devices send of it is judged all the same.
      </Typography>
    </PageFrame>
  );
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
        {ended && <SignedOutBar />}
        <NotSaved recorder={recorder} />
        <Halves recorder={recorder} />
        <HandBar hand={recorder.hand} onHand={recorder.setHand} />
        <LastAsk recorder={recorder} />
      </Box>
    </ThemeProvider>
  );
}
