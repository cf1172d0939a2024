import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { ladderQuery } from '../../data/ladder';
import { leaveCattle } from '../../outbox/work';
import { useQueue } from '../../outbox/queue';
import { ridePath } from '../../data/ridePath';
import type { Advice, usePen } from './usePen';
import type { Recorder } from './useRecorder';

interface Props {
  recorder: Recorder;
  pen: ReturnType<typeof usePen>;
  advice: Advice;
}

/** Out of the pen to dry work: why, what is still to do, one touch to each. */
export function LeaveCattle({ recorder, pen, advice }: Props) {
  const { db, keeper, kick } = useQueue();
  const navigate = useNavigate();
  const ladder = useQuery(ladderQuery);
  const { leave, dry_left } = advice;
  const nameOf = ({ skill, rung }: { skill: string; rung: string }) =>
    ladder.data?.levels.find(({ level }) => level.skill === skill && level.rung === rung)?.level
      .name ?? `${skill}, ${rung}`;
  const here = recorder.level;
  const isHere = ({ skill, rung }: { skill: string; rung: string }) =>
    skill === here.skill && rung === here.rung;
  const go = async (level: { skill: string; rung: string }) => {
    if (leave) {
      const back = pen.onCattle?.lastLevel ?? here;
      await keeper.written();
      await leaveCattle(db, pen.mount, [
        ...dry_left.map((one) => ({
          part: 'work' as const,
          skill: one.skill,
          rung: one.rung,
          name: nameOf(one),
          asks: leave.dry_asks,
        })),
        { part: 'use', ...back, name: `${nameOf(back)}, slow cow`, asks: 0 },
      ]);
      kick();
    }
    await navigate(ridePath(recorder.horseId, level), { replace: true });
  };
  return (
    <Box
      role="alert"
      sx={{ bgcolor: 'text.primary', color: 'background.default', mx: -1, px: 1.25, py: 1 }}
    >
      <Typography sx={{ fontWeight: 800, fontSize: '1.15rem', lineHeight: 1.2 }}>
        {leave ? `Leave the cattle. ${leave.says}` : 'Dry work, then a slow cow.'}
      </Typography>
      <Box sx={{ display: 'flex', gap: 0.75, mt: 0.75 }}>
        {dry_left.map((level, index) => (
          <Button
            key={`${level.skill} ${level.rung}`}
            onClick={() => void go(level)}
            disabled={isHere(level)}
            sx={{
              flex: 1,
              minHeight: 64,
              px: 0.75,
              fontSize: '0.95rem',
              lineHeight: 1.15,
              color: 'inherit',
              border: '2px solid currentColor',
              '&.Mui-disabled': { color: 'inherit', borderStyle: 'dashed', opacity: 0.85 },
            }}
          >
            {isHere(level) ? 'Here: ' : `${index + 1}. `}
            {nameOf(level)}
          </Button>
        ))}
      </Box>
    </Box>
  );
}
