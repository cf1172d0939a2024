import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { calculateAnywhere } from '../../base/core/anywhere';
import { FormSelect } from '../../base/form/FormSelect';
import { PageFrame } from '../../shell/PageFrame';
import { Section } from '../../shell/Section';
import { Tip } from '../../help/Tip';
import { FlagLine } from './FlagLine';
import { ProgramDrawn } from './ProgramDrawn';
import { NotHeard } from './NotHeard';
import { useFlag, useOrders } from './useFlag';
import { useProgram } from './useProgram';

const tempos = [
  ['slow', 'Slow'],
  ['medium', 'Medium'],
  ['quick', 'Quick'],
] as const;

/** Without one on the line a program is drawn for a flag as long as this. */
const usualFt = 60;

/** The flag: driven from here and followed live, with the program it is to run. */
export function FlagPage() {
  const flag = useFlag();
  const { wanted, put, programOf, anySeed } = useProgram();
  const [level, setLevel] = useState<Schemas['Tempo']>('slow');
  const [seed, setSeed] = useState(anySeed);
  const [percent, setPercent] = useState(100);
  const input = programOf(flag?.width_ft ?? usualFt, level, seed);
  const program = useQuery({
    queryKey: ['flagProgram', input],
    queryFn: () => calculateAnywhere('flag-program', input),
    gcTime: 60_000,
    placeholderData: (last) => last,
  });
  const { mutate: order, error } = useOrders();
  const slower = (next: number) => {
    setPercent(next);
    order({ order: 'speed', percent: next });
  };
  return (
    <PageFrame title="Flag">
      <Typography variant="h1">Flag</Typography>
      <Typography sx={{ maxWidth: 720, mt: 0.5 }}>
        {flag
          ? `${flag.name}, ${Math.round(flag.width_ft)} ft of line. Keep hands and reins off it, and stand clear of the horse's heels.`
          : 'No flag on the line. Programs can be looked at all the same.'}
      </Typography>
      {flag && (
        <Box sx={{ mt: 2 }}>
          <FlagLine flag={flag} />
          <NotHeard error={error} />
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1 }}>
            <Button
              variant="contained"
              onClick={() => {
                order({ order: 'program', ...input });
                setSeed(anySeed());
              }}
              sx={driveSx}
            >
              Run this program
            </Button>
            <Button onClick={() => order({ order: 'stop' })} sx={{ ...driveSx, borderWidth: 3 }}>
              Stop
            </Button>
            <Button onClick={() => order({ order: 'start' })} sx={driveSx}>
              Go on
            </Button>
            {(
              [
                ['Left end', 3],
                ['Middle', flag.width_ft / 2],
                ['Right end', flag.width_ft - 3],
              ] as const
            ).map(([words, to_ft]) => (
              <Button key={words} onClick={() => order({ order: 'go', to_ft, level })} sx={driveSx}>
                {words}
              </Button>
            ))}
            {[100, 75, 50].map((one) => (
              <Button
                key={one}
                aria-pressed={percent === one}
                onClick={() => slower(one)}
                sx={{ ...driveSx, ...(percent === one && { textDecoration: 'underline' }) }}
              >
                {one}% speed
              </Button>
            ))}
          </Box>
        </Box>
      )}
      <Section
        title="The program"
        intro="A new one each time: no horse learns it. First works are short; stop at the first good turn."
      >
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: 'repeat(auto-fit, minmax(180px, 1fr))',
            gap: 1.5,
            maxWidth: 760,
          }}
        >
          <FormSelect label="How quick" value={level} of={tempos} onPick={setLevel} />
          <FormSelect
            label="Turns"
            value={wanted.moreSide}
            of={[
              ['both', 'Both sides alike'],
              ['left', 'More to the left'],
              ['right', 'More to the right'],
            ]}
            onPick={(moreSide) => put({ moreSide })}
          />
          <FormSelect
            label="How long"
            value={String(wanted.minutes)}
            of={['0.5', '1', '2', '3'].map((one) => [one, `${one} min`] as const)}
            onPick={(minutes) => put({ minutes: Number(minutes) })}
          />
        </Box>
        <FormControlLabel
          control={
            <Switch checked={wanted.runsAhead} onChange={(_, runsAhead) => put({ runsAhead })} />
          }
          label="For a horse that runs ahead: more fakes, longer waits"
          sx={{ minHeight: 48, mt: 1 }}
        />
        {program.data && <ProgramDrawn moves={program.data.moves} widthFt={input.width_ft} />}
        <Tip of="program" />
        <Button onClick={() => setSeed(anySeed())} sx={{ minHeight: 56 }}>
          Another one
        </Button>
      </Section>
    </PageFrame>
  );
}

const driveSx = { minHeight: 64, px: 2 } as const;
