import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { sideWords } from '../../base/words/answers';
import { ridePath } from '../../data/ridePath';
import type { Recorder } from './useRecorder';
import type { IntakeHere } from './useIntake';

/** What to ask a new horse next, and why; passing it over; that it may be pain. */
export function IntakeBar({ recorder, intake }: { recorder: Recorder; intake: IntakeHere }) {
  const { asking, hurting } = intake;
  const next = asking?.next;
  const levels = asking?.found.levels ?? [];
  const known = levels.filter(({ finding }) => finding !== 'unknown').length;
  const smallSx = { minHeight: 48, px: 1, color: 'text.primary' };
  return (
    <Box component="section" aria-label="Intake" sx={{ px: 1, pb: 0.5 }}>
      <Next recorder={recorder} intake={intake} />
      <Box sx={{ display: 'flex', gap: 0.5, alignItems: 'center' }}>
        {next && (
          <Button variant="text" onClick={() => void intake.passOver(next.level)} sx={smallSx}>
            Pass over
          </Button>
        )}
        {!intake.trouble && (
          <Button
            variant="text"
            aria-pressed={hurting}
            onClick={() => void intake.mayBePain(!hurting)}
            sx={smallSx}
          >
            {hurting ? 'It was not pain' : 'May be pain'}
          </Button>
        )}
        {!intake.begun && (
          <Button variant="text" onClick={() => void intake.giveUp()} sx={smallSx}>
            No intake
          </Button>
        )}
        <Typography sx={{ ml: 'auto', fontWeight: 700, textAlign: 'right', lineHeight: 1.1 }}>
          {levels.length > 0 && `${known} of ${levels.length} known`}
        </Typography>
      </Box>
    </Box>
  );
}

function Next({ recorder, intake }: { recorder: Recorder; intake: IntakeHere }) {
  const { asking, looking } = intake;
  const next = asking?.next;
  const boxSx = {
    display: 'block',
    minHeight: 72,
    p: 1,
    border: '2px solid',
    borderColor: 'text.primary',
    borderRadius: '6px 20px 20px 6px',
    textDecoration: 'none',
    lineHeight: 1.2,
    opacity: looking ? 0.6 : 1,
  };
  if (!next)
    return (
      <Typography role="status" sx={{ ...boxSx, fontWeight: asking ? 700 : 400 }}>
        {asking?.text || 'Looking for the next ask…'}
      </Typography>
    );
  const here = next.level.skill === recorder.level.skill && next.level.rung === recorder.level.rung;
  const side = next.side === 'both' ? '' : `, ${sideWords[next.side].toLowerCase()}`;
  const text = (
    <>
      <strong>
        {here ? 'Ask now: ' : 'Next: '}
        {next.name}
        {side}
      </strong>
      <br />
      {next.why}
    </>
  );
  return here ? (
    <Typography role="status" sx={boxSx}>
      {text}
    </Typography>
  ) : (
    <Typography
      component={Link}
      replace
      to={ridePath(recorder.horseId, next.level)}
      sx={{ ...boxSx, bgcolor: 'text.primary', color: 'background.default' }}
    >
      {text}
    </Typography>
  );
}
