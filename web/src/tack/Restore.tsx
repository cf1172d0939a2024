import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../base/api/client';
import { QueryState } from '../shell/QueryState';
import { Section } from '../shell/Section';
import { peopleQuery } from '../data/people';
import { useWho } from '../data/who';
import { shortDay } from '../base/words/days';
import { count } from '../base/words/plain';
import { restoresQuery, useEndRestore, type PieceForHorse } from '../data/tack';
import { RestoreForm } from './RestoreForm';

interface Props {
  horseId: string;
  pieces: PieceForHorse[];
}

/** The way back for a horse that fights the bit. */
export function Restore({ horseId, pieces }: Props) {
  const restores = useQuery(restoresQuery(horseId));
  const { decides } = useWho();
  const [planning, setPlanning] = useState(false);
  return (
    <Section
      title="Way back"
      intro="For a horse that fights the bit: something mild, one rein at a time, weeks, and only named riders."
    >
      <QueryState query={restores}>
        {({ ways, on_program }) => {
          const open = ways.find(({ ended }) => !ended);
          return (
            <>
              {open && <Way horseId={horseId} way={open} pieces={pieces} />}
              {open && !on_program && (
                <Typography
                  role="note"
                  sx={{ borderLeft: '6px solid', pl: 1.5, my: 1.5, maxWidth: 640 }}
                >
                  The horse&apos;s program has no asks of the way back. Put the horse on a program
                  that goes “back down to something mild”, and its asks count here.
                </Typography>
              )}
              {ways
                .filter(({ ended }) => ended)
                .map((way) => (
                  <Typography key={way.restore_id} sx={{ color: 'text.secondary' }}>
                    {shortDay(way.began)} to {shortDay(way.ended!)}. {way.restored.says}
                  </Typography>
                ))}
              {planning ? (
                <RestoreForm
                  horseId={horseId}
                  pieces={pieces}
                  plan={open}
                  onDone={() => setPlanning(false)}
                />
              ) : (
                decides && (
                  <Button onClick={() => setPlanning(true)} sx={{ mt: 1, minHeight: 52 }}>
                    {open ? 'Change the plan' : 'Begin a way back'}
                  </Button>
                )
              )}
            </>
          );
        }}
      </QueryState>
    </Section>
  );
}

type WayProps = Props & { way: Schemas['RestoreShown'] };

function Way({ horseId, way, pieces }: WayProps) {
  const { decides } = useWho();
  const end = useEndRestore();
  const people = useQuery(peopleQuery);
  const mild = pieces.find(({ gear_id }) => gear_id === way.gear_id)?.name;
  const names = way.riders.map((id) => people.data?.find((p) => p.person_id === id)?.name);
  return (
    <Box sx={{ maxWidth: 720 }}>
      <Typography sx={{ fontSize: '1.15rem' }}>{way.restored.says}</Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        {mild && `In ${mild}. `}
        {names.some(Boolean) && `Ridden by ${names.filter(Boolean).join(' and ')} only.`}
      </Typography>
      <Box component="ol" sx={{ listStyle: 'none', p: 0, my: 1.5 }}>
        {way.restored.parts.map((part) => (
          <Part key={part.part} part={part} />
        ))}
      </Box>
      {!way.restored.two_reins && (
        <Typography sx={{ fontWeight: 700 }}>
          No two reins straight back until each side is soft alone.
        </Typography>
      )}
      {decides && (
        <Button onClick={() => end.mutate(horseId)} disabled={end.isPending} sx={{ mt: 1 }}>
          The way back is over
        </Button>
      )}
    </Box>
  );
}

function Part({ part }: { part: Schemas['PartRestored'] }) {
  return (
    <Box
      component="li"
      sx={{
        borderLeft: '6px solid',
        borderColor: part.done ? 'secondary.main' : part.open ? 'primary.main' : 'divider',
        pl: 1.5,
        py: 0.75,
        mb: 0.5,
      }}
    >
      <Typography sx={{ fontWeight: 700 }}>
        {part.done ? '✓ ' : part.open ? '→ ' : ''}
        {part.name}
        {!part.done && !part.open && ', later'}
      </Typography>
      {part.open && !part.done && <Typography>{part.how}</Typography>}
      {(part.open || part.done) && (
        <Typography sx={{ color: 'text.secondary' }}>
          {part.sides
            .map(({ side, soft, asked, days, done }) => {
              const of = side === 'left' ? 'Left' : 'Right';
              if (asked === 0) return `${of} not asked yet`;
              return `${of} ${soft} of ${asked} soft on ${count(days, 'day')}${done ? ', done' : ''}`;
            })
            .join('. ')}
        </Typography>
      )}
    </Box>
  );
}
