import Box from '@mui/material/Box';
import type { RunsOfHorse } from '../data/ground';
import { speedInWords } from './speed';

interface Props {
  said: NonNullable<RunsOfHorse['said']>;
  runs: RunsOfHorse['runs'];
}

const trendWords = {
  improving: 'getting faster',
  level: 'about the same; a change could be chance',
  slipping: 'getting slower',
  too_few_days: 'too soon to tell',
};

const parts = ['To barrel 1', 'To barrel 2', 'To barrel 3', 'Home'];

/** What the runs come to: best, fastest over courses of all sizes, best splits, spread, trend. */
export function RunsTogether({ said, runs }: Props) {
  const best = said.best == null ? undefined : said.runs[said.best];
  const fastest = said.fastest == null ? undefined : said.runs[said.fastest];
  const lines: [string, string][] = [];
  if (best?.official_s != null) lines.push(['Best time', `${best.official_s.toFixed(3)} s`]);
  if (fastest?.speed_ft_s != null)
    lines.push([
      'Fastest along the way',
      `${speedInWords(fastest.speed_ft_s)}${runs[said.fastest!]?.course ? `, ${runs[said.fastest!]!.course}` : ''}`,
    ]);
  if (said.best_splits_sum_s != null)
    lines.push([
      'Best splits together',
      `${said.best_splits_sum_s.toFixed(2)} s (${said.best_splits_s
        .map((split, at) => `${parts[at]!.toLowerCase()} ${split.toFixed(2)}`)
        .join(', ')})`,
    ]);
  if (said.spread_ft_s != null)
    lines.push(['Run to run', `half of them within ${speedInWords(said.spread_ft_s)}`]);
  lines.push(['Over the days', trendWords[said.trend.direction]]);
  return (
    <Box
      component="dl"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '13rem 1fr' },
        columnGap: 2,
        m: 0,
        '& dt': { color: 'text.secondary' },
        '& dd': { m: 0, mb: 1, fontSize: '1.1rem', fontWeight: 700 },
      }}
    >
      {lines.map(([name, text]) => (
        <Box key={name} sx={{ display: 'contents' }}>
          <dt>{name}</dt>
          <dd>{text}</dd>
        </Box>
      ))}
    </Box>
  );
}
