import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../base/api/client';
import { calculateAnywhere } from '../base/core/anywhere';
import { levelPath } from '../data/level';
import { takeStep } from '../outbox/bitChange';
import type { KeptBitChange } from '../outbox/db';
import { useQueue } from '../outbox/queue';
import { stepAnswerWords } from '../base/words/tack';
import {
  bitChangesQuery,
  changePath,
  horseTackPath,
  useFit,
  type PieceForHorse,
} from '../data/tack';

interface Props {
  horseId: string;
  piece: PieceForHorse;
  change: KeptBitChange;
  onAnew: () => void;
}

/** One step at a time: what to do, and three answers large enough for a glove. */
export function ChangeSteps({ horseId, piece, change, onAnew }: Props) {
  const { db, kick } = useQueue();
  const { steps } = change;
  const said = useQuery({
    queryKey: ['bitChangeHere', change.changeId, steps.length],
    queryFn: () => calculateAnywhere('bit-change', { steps }),
    placeholderData: (before) => before,
  });
  if (said.error)
    return (
      <Typography role="alert" sx={{ mt: 2 }}>
        {said.error.message}
      </Typography>
    );
  if (!said.data) return null;
  const { next, says, all } = said.data;
  const current = 'step' in next ? all.find(({ step }) => step === next.step) : undefined;
  const take = async (answer: Schemas['StepAnswer']) => {
    if (!current) return;
    await takeStep(db, change.changeId, steps.length, { step: current.step, answer, note: '' });
    kick();
  };
  const at = current ? all.findIndex(({ step }) => step === current.step) + 1 : all.length;
  const goesOn = next.what === 'take' || next.what === 'adjust';
  return (
    <Box
      sx={{
        maxWidth: 620,
        display: 'flex',
        flexDirection: 'column',
        minHeight: { xs: '70dvh', md: 0 },
      }}
    >
      <Typography sx={{ color: 'text.secondary' }}>
        {next.what === 'done' ? 'Done' : `Step ${at} of ${all.length}`}
        {change.state === 'refused' && `. Not kept by the barn: ${change.refusedBecause}`}
      </Typography>
      <Box aria-live="polite" sx={{ flex: 1 }}>
        <Typography variant="h2" sx={{ mt: 1, fontSize: '1.9rem' }}>
          {next.what === 'adjust'
            ? 'Look at the adjustment'
            : next.what === 'milder'
              ? 'One step milder'
              : next.what === 'stopped'
                ? 'Stopped'
                : (current?.name ?? 'Every step went well')}
        </Typography>
        {says.map((one) => (
          <Typography key={one} sx={{ fontSize: '1.15rem', mt: 1 }}>
            {one}
          </Typography>
        ))}
        {next.what === 'take' && current?.step === 'strap_set' && <StrapNumbers piece={piece} />}
        {next.what === 'adjust' && <StrapNumbers piece={piece} />}
      </Box>
      {goesOn && (
        <Answers adjust={next.what === 'adjust'} onAnswer={(answer) => void take(answer)} />
      )}
      {!goesOn && <After horseId={horseId} piece={piece} next={next.what} onAnew={onAnew} />}
      <Log steps={steps} all={all} />
    </Box>
  );
}

function StrapNumbers({ piece }: { piece: PieceForHorse }) {
  const { strap } = piece.said;
  return (
    <Typography sx={{ mt: 1.5, borderLeft: '6px solid', pl: 1.5 }}>
      {strap
        ? `As it is buckled there are ${Number(strap.slack_fingers.toFixed(1))} fingers of slack. ${piece.said.says.join(' ')}`
        : 'Measure jaw and strap under “Fit it”, and the numbers stand here.'}
    </Typography>
  );
}

const answerSx = { minHeight: 88, fontSize: '1.3rem' } as const;

function Answers({
  adjust,
  onAnswer,
}: {
  adjust: boolean;
  onAnswer: (answer: Schemas['StepAnswer']) => void;
}) {
  return (
    <Box sx={{ display: 'grid', gap: 1, mt: 3 }}>
      {adjust ? (
        <Button variant="contained" onClick={() => onAnswer('adjusted')} sx={answerSx}>
          Adjusted, try again
        </Button>
      ) : (
        <>
          <Button variant="contained" onClick={() => onAnswer('ok')} sx={answerSx}>
            ✓ Fine
          </Button>
          <Button variant="outlined" onClick={() => onAnswer('bothered')} sx={answerSx}>
            ~ Bothered
          </Button>
        </>
      )}
      <Button variant="outlined" color="error" onClick={() => onAnswer('stop')} sx={answerSx}>
        ■ Stop here
      </Button>
    </Box>
  );
}

interface AfterProps {
  horseId: string;
  piece: PieceForHorse;
  next: string;
  onAnew: () => void;
}

function After({ horseId, piece, next, onAnew }: AfterProps) {
  const fit = useFit();
  const changes = useQuery(bitChangesQuery(horseId));
  const latest = changes.data?.changes.find(({ gear_id }) => gear_id === piece.gear_id);
  const gates = changes.data?.bridle.filter(({ held }) => !held).slice(0, 2) ?? [];
  const wear = () =>
    fit.mutate({
      horseId,
      gearId: piece.gear_id,
      body: { worn: true, fitting: piece.fitting ?? {} },
    });
  return (
    <Box sx={{ display: 'grid', gap: 1, mt: 3 }}>
      {next === 'done' && !piece.worn && (
        <Button variant="contained" onClick={wear} disabled={fit.isPending} sx={answerSx}>
          Wears it from now on
        </Button>
      )}
      {next === 'done' && piece.worn && <Typography>Wears it from now on.</Typography>}
      {next === 'done' &&
        gates.map(({ level }) => (
          <Button
            key={`${level.skill}/${level.rung}`}
            component={Link}
            to={levelPath({ horseId, skill: level.skill, rung: level.rung })}
            sx={{ minHeight: 64 }}
          >
            Gate: {level.name}
          </Button>
        ))}
      {next === 'milder' && latest?.milder_gear_id && (
        <Button
          component={Link}
          to={changePath(horseId, latest.milder_gear_id)}
          variant="contained"
          sx={answerSx}
        >
          Try something milder
        </Button>
      )}
      {next !== 'done' && (
        <Button onClick={onAnew} sx={{ minHeight: 64 }}>
          Begin anew
        </Button>
      )}
      <Button component={Link} to={horseTackPath(horseId)} sx={{ minHeight: 64 }}>
        Back to the tack
      </Button>
    </Box>
  );
}

function Log({
  steps,
  all,
}: {
  steps: Schemas['StepTaken'][];
  all: { step: string; name: string }[];
}) {
  if (steps.length === 0) return null;
  return (
    <Box component="ol" aria-label="Steps so far" sx={{ mt: 3, pl: 3, color: 'text.secondary' }}>
      {steps.map(({ step, answer }, index) => (
        <li key={`${step} ${index}`}>
          {all.find((one) => one.step === step)?.name}: {stepAnswerWords[answer]}
        </li>
      ))}
    </Box>
  );
}
