import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { longDay, shortDay } from '../../base/words/days';
import { percent } from '../../base/words/plain';
import type { RoadInput, RoadOutput } from '../../data/road';
import { levelKey, type WhatIf } from './whatIf';

interface Props {
  asked: RoadInput;
  output: RoadOutput;
  whatIf: WhatIf;
  onWhatIf: (whatIf: WhatIf) => void;
}

/** Goal by goal what it asks for, and how sure each of it is by the day. */
export function GoalTable({ asked, output, whatIf, onWhatIf }: Props) {
  return asked.road.goals.map((goal) => {
    const told = output.road.goals.find(({ name }) => name === goal.name);
    return (
      <Box key={`${goal.day} ${goal.name}`} sx={{ mt: 2, maxWidth: 860 }}>
        <Typography variant="h3">
          {goal.name}, {longDay(told?.day ?? goal.day)}
        </Typography>
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {goal.levels.map((level) => {
            const key = levelKey(level);
            const known = told?.levels.find((one) => levelKey(one.level) === key);
            const name = known?.name ?? nameOf(key, output) ?? key;
            const dropped = whatIf.without.includes(key);
            return (
              <Box
                component="li"
                key={key}
                sx={{
                  display: 'flex',
                  flexWrap: 'wrap',
                  alignItems: 'center',
                  columnGap: 2,
                  borderBottom: '1px solid',
                  borderColor: 'divider',
                  py: 0.75,
                }}
              >
                <Typography sx={{ flex: '1 1 240px', fontWeight: 700 }}>{name}</Typography>
                <Typography sx={{ flex: '1 1 260px' }}>
                  {dropped ? 'left out for now' : known ? inWords(known) : ''}
                </Typography>
                {(dropped || (known && !known.held)) && (
                  <Button
                    size="small"
                    aria-label={`${dropped ? 'Put back' : 'Without'} ${name}`}
                    onClick={() =>
                      onWhatIf({
                        ...whatIf,
                        without: dropped
                          ? whatIf.without.filter((one) => one !== key)
                          : [...whatIf.without, key],
                      })
                    }
                    sx={{ minHeight: 48 }}
                  >
                    {dropped ? 'Put back' : 'Without it'}
                  </Button>
                )}
              </Box>
            );
          })}
        </Box>
      </Box>
    );
  });
}

type LevelTold = RoadOutput['road']['goals'][number]['levels'][number];

function inWords({ held, chance, from, to }: LevelTold): string {
  if (held) return 'held today';
  const range = from
    ? to
      ? `, likely ${shortDay(from)} to ${shortDay(to)}`
      : `, likely not before ${shortDay(from)}`
    : '';
  return `${percent(chance)} by the day${range}`;
}

/** A dropped level may still be known from the chain. */
const nameOf = (key: string, { road }: RoadOutput) =>
  road.chain.find(({ level }) => levelKey(level) === key)?.name;
