import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { Link as RouterLink } from 'react-router';
import type { Schemas } from '../base/api/client';
import { verdictWords } from '../base/words/answers';
import { longDay, shortDay } from '../base/words/days';
import { VerdictMark } from './VerdictMark';

type DayVerdict = Schemas['DayVerdict'];

/** Days in a row with one verdict. */
export function runs(days: DayVerdict[]): DayVerdict[][] {
  const found: DayVerdict[][] = [];
  for (const day of days) {
    const last = found.at(-1);
    if (last?.[0]?.verdict === day.verdict) last.push(day);
    else found.push([day]);
  }
  return found;
}

/** How the verdict went, run by run; each day opens the gate as it stood that evening. */
export function VerdictRuns({
  days,
  hrefOf,
  on,
}: {
  days: DayVerdict[];
  hrefOf: (day: string) => string;
  on: string;
}) {
  return (
    <Box
      component="ol"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, p: 0, m: 0, listStyle: 'none' }}
    >
      {runs(days).map((run) => {
        const [first, last] = [run[0]!, run.at(-1)!];
        return (
          <Box
            component="li"
            key={first.day}
            sx={{
              borderTop: '4px solid',
              borderColor: 'text.primary',
              pt: 1,
              pr: 2,
              minWidth: 130,
            }}
          >
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
              <VerdictMark verdict={first.verdict} size={22} />
              <Typography component="span" sx={{ fontWeight: 700 }}>
                {verdictWords[first.verdict]}
              </Typography>
            </Box>
            <Typography variant="body2" sx={{ color: 'text.secondary' }}>
              {shortDay(first.day)}
              {last.day !== first.day && ` to ${shortDay(last.day)}`}
            </Typography>
            <Box sx={{ display: 'flex', flexWrap: 'wrap', maxWidth: 260, mt: 0.5 }}>
              {run.map((day) => (
                <Link
                  key={day.day}
                  component={RouterLink}
                  to={hrefOf(day.day)}
                  aria-label={`${longDay(day.day)}: ${day.rails_filled} of ${day.rails} filled`}
                  aria-current={day.day === on ? 'date' : undefined}
                  title={`${longDay(day.day)}: ${day.rails_filled} of ${day.rails} filled`}
                  sx={{
                    width: 24,
                    height: 32,
                    display: 'flex',
                    alignItems: 'flex-end',
                    justifyContent: 'center',
                    borderBottom: '2px solid',
                    borderColor: day.day === on ? 'text.primary' : 'transparent',
                  }}
                >
                  <Box
                    sx={{
                      width: 12,
                      height: `${10 + 20 * (day.rails_filled / day.rails)}px`,
                      bgcolor: day.passes ? 'primary.main' : 'transparent',
                      border: '2px solid',
                      borderColor: 'text.primary',
                    }}
                  />
                </Link>
              ))}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
