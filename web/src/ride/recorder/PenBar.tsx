import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { Tag } from '../../cattle/herd/Tag';
import { beginWork, endWork } from '../../outbox/work';
import { useQueue } from '../../outbox/queue';
import { goesWords, howWords, notForWords, stopsInWords } from '../../base/words/herd';
import { LeaveCattle } from './LeaveCattle';
import { ridePath } from '../../data/ridePath';
import { tempoOf, usePen } from './usePen';
import type { Recorder } from './useRecorder';

const CowPick = lazy(async () => ({ default: (await import('./CowPick')).CowPick }));
const FlagBar = lazy(async () => ({
  default: (await import('../../cattle/flag/FlagBar')).FlagBar,
}));

/** How a work ends, as it is said with one touch; the next cow can then be picked. */
const ends: Schemas['HowEnded'][] = ['good_turn', 'lost', 'ran_through'];

/** The pen on the turn face: which cow, how the work ends, when to leave, which one next. */
export function PenBar({ recorder }: { recorder: Recorder }) {
  const { db, keeper, kick } = useQueue();
  const navigate = useNavigate();
  const pen = usePen(recorder);
  const [picking, setPicking] = useState(false);
  const { advice, work, mount } = pen;
  const onFlag = recorder.asked?.roles.includes('flag');
  const onTurns = recorder.asked?.measure === 'turn';
  const now = pen.cowOf(work?.cow_id);
  const best = advice?.cows.find(({ cost }) => cost != null);
  const next = pen.cowOf(best?.cow_id);
  const take = async (cowId: string | null) => {
    setPicking(false);
    // A turn that is being written belongs to the work before.
    await keeper.written();
    await beginWork(db, mount, cowId);
    kick();
    const tempo = pen.cowOf(cowId)?.cow.tempo;
    const setting = recorder.settings.find(({ id }) => id === 'tempo');
    if (tempo && setting) recorder.put(setting, tempo);
    const back = pen.onCattle?.lastLevel;
    if (!onTurns && back) await navigate(ridePath(mount.horseId, back), { replace: true });
  };
  const end = async (how: Schemas['HowEnded']) => {
    await keeper.written();
    await endWork(db, mount, how);
    kick();
  };
  if (onFlag)
    return (
      <Suspense fallback={null}>
        <FlagBar
          working={work !== undefined && !work.cow_id}
          tempo={tempoOf(recorder.set.tempo)}
          onWork={() => void take(null)}
          onEnd={(how) => void end(how)}
        />
      </Suspense>
    );
  if (!advice || pen.cattle.length === 0) return null;
  const must = advice.leave ?? (advice.dry_left.length > 0 ? 'dry' : null);
  return (
    <Box
      component="section"
      aria-label="At the pen"
      sx={{ px: 1, py: 0.5, borderTop: '1px solid', borderColor: 'text.primary' }}
    >
      {must && <LeaveCattle recorder={recorder} pen={pen} advice={advice} />}
      {!must && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
          {now ? (
            <Tag tag={now.tag} size={46} />
          ) : (
            <Typography sx={{ fontWeight: 700, flex: '1 1 90px' }}>
              {next ? 'No cow picked' : whyNone(advice.cows)}
            </Typography>
          )}
          {now && (
            <Typography sx={{ flex: '1 1 90px', fontSize: '0.95rem', lineHeight: 1.2 }}>
              {goesWords[now.cow.tempo]}, {stopsInWords(now.cow.honesty)}
            </Typography>
          )}
          {next && (
            <Button
              onClick={() => void take(next.cow.cow_id)}
              aria-label={`Next cow: ${next.tag}`}
              sx={{ ...touchSx, flex: '0 0 auto', gap: 1 }}
            >
              {onTurns ? 'Next' : `Back to a ${advice.tempo} cow`}
              <Tag tag={next.tag} size={34} />
            </Button>
          )}
          <Button onClick={() => setPicking(true)} sx={touchSx}>
            Pick
          </Button>
        </Box>
      )}
      {!must && now && (
        <Box sx={{ display: 'flex', gap: 0.5, mt: 0.5 }}>
          {ends.map((how) => (
            <Button key={how} onClick={() => void end(how)} sx={{ ...touchSx, flex: 1 }}>
              {howWords[how]}
            </Button>
          ))}
        </Box>
      )}
      {!must && advice.next_says && onTurns && (
        <Typography sx={{ fontSize: '0.95rem', fontWeight: 700, mt: 0.25 }}>
          {advice.next_says}
        </Typography>
      )}
      {picking && (
        <Suspense fallback={null}>
          <CowPick
            advice={advice}
            cattle={pen.cattle}
            onPick={(cowId) => void take(cowId)}
            onClose={() => setPicking(false)}
          />
        </Suspense>
      )}
    </Box>
  );
}

/** Why there is no cow, by what stands in the way most. */
function whyNone(cows: { not?: Schemas['NotForIt'] | null }[]): string {
  const many = new Map<Schemas['NotForIt'], number>();
  for (const { not } of cows) if (not) many.set(not, (many.get(not) ?? 0) + 1);
  const [most] = [...many].sort((a, b) => b[1] - a[1]);
  return most ? `No cow for this horse: ${notForWords[most[0]]}` : 'No cow in the book';
}

const touchSx = {
  minHeight: 64,
  px: 1,
  fontSize: '1rem',
  lineHeight: 1.15,
  color: 'text.primary',
} as const;
