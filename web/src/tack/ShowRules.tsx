import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { calculateAnywhere } from '../base/core/anywhere';
import type { Input } from '../base/core/core';
import { FormSelect } from '../base/form/FormSelect';
import { Section } from '../shell/Section';
import { horsesQuery } from '../data/horse';
import { legalWords } from '../base/words/tack';
import type { Piece } from '../data/yard';

type RulesInput = Input<'show-rules'>;
type Hands = 'one' | 'two';

const marks = { yes: '✓', no: '✗', cannot_tell: '?' } as const;

/** May this piece go into the show ring, on which horse and how: rule by rule, and why. */
export function ShowRules({ piece }: { piece: Piece }) {
  const horses = useQuery(horsesQuery);
  const [horse, setHorse] = useState('');
  const [age, setAge] = useState('');
  const [hands, setHands] = useState<Hands | ''>('');
  const [fingers, setFingers] = useState('');
  const aged = horses.data?.find(({ horse_id }) => horse_id === horse)?.age;
  const years = aged ?? (/^\d+$/.test(age) ? Number(age) : undefined);
  const input = {
    piece: piece.for_show,
    class: {
      age_years: years,
      hands: hands || undefined,
      reins: piece.reins_for_show ?? undefined,
      fingers_between: /^[0-4]$/.test(fingers) ? Number(fingers) : undefined,
    },
  } as RulesInput;
  const rules = useQuery({
    queryKey: ['showRules', input],
    queryFn: () => calculateAnywhere('show-rules', input),
    placeholderData: (before) => before,
  });
  return (
    <Section
      title="In the show ring"
      intro="From memory. The current book of your association comes before all of it."
    >
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          gap: 1.5,
          '& > *': { flex: '1 1 180px', maxWidth: 260 },
        }}
      >
        <FormSelect
          label="Horse"
          value={horse}
          of={[
            ['', 'No horse picked'],
            ...(horses.data ?? []).map(({ horse_id, name }): [string, string] => [horse_id, name]),
          ]}
          onPick={setHorse}
        />
        {aged == null && (
          <TextField
            label="Age of the horse"
            value={age}
            onChange={({ target }) => setAge(target.value)}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          />
        )}
        <FormSelect<Hands | ''>
          label="Ridden with"
          value={hands}
          of={[
            ['', 'Not said'],
            ['one', 'One hand'],
            ['two', 'Two hands'],
          ]}
          onPick={setHands}
        />
        {piece.kind === 'shank' && (
          <TextField
            label="Fingers between the reins"
            value={fingers}
            onChange={({ target }) => setFingers(target.value)}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          />
        )}
      </Box>
      {rules.error && (
        <Typography role="alert" sx={{ mt: 2 }}>
          {rules.error.message}
        </Typography>
      )}
      <Box component="ul" aria-live="polite" sx={{ listStyle: 'none', p: 0, mt: 2, maxWidth: 760 }}>
        {rules.data?.rules.map((row) => (
          <Box
            component="li"
            key={row.rule}
            sx={{
              display: 'flex',
              gap: 2,
              borderTop: '1px solid',
              borderColor: 'divider',
              py: 1.25,
            }}
          >
            <Typography
              sx={{
                flex: '0 0 108px',
                fontWeight: 700,
                color: row.legal === 'no' ? 'error.main' : 'text.primary',
              }}
            >
              <Box component="span" aria-hidden="true" sx={{ display: 'inline-block', width: 24 }}>
                {marks[row.legal]}
              </Box>
              {legalWords[row.legal]}
            </Typography>
            <Box>
              <Typography>{row.says}</Typography>
              <Typography variant="body2" sx={{ color: 'text.secondary' }}>
                {row.why} {row.source}.
              </Typography>
            </Box>
          </Box>
        ))}
      </Box>
    </Section>
  );
}
