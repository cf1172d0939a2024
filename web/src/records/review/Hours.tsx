import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import { hoursWords } from '../../base/words/hours';
import type { HorseReview } from '../../data/review';

/** Hours by kind of work: a plank a horse, cut where the work changes. The words are under it. */
export function Hours({ horses }: { horses: HorseReview[] }) {
  const worked = horses.filter(({ hours }) => hours.length > 0);
  const most = Math.max(1, ...worked.map(minutesOf));
  if (worked.length === 0) return <Typography>No ride has a time.</Typography>;
  return (
    <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 2 }}>
      {worked.map((horse) => (
        <Box component="li" key={horse.horse_id} sx={{ breakInside: 'avoid' }}>
          <Typography>
            <strong>{horse.horse}</strong>, {hoursWords(minutesOf(horse))}
          </Typography>
          <Plank horse={horse} share={minutesOf(horse) / most} />
          <Typography variant="body2">
            {horse.hours.map(({ name, minutes }) => `${name} ${hoursWords(minutes)}`).join(', ')}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}

const minutesOf = ({ hours }: HorseReview) => hours.reduce((sum, { minutes }) => sum + minutes, 0);

const high = 26;

function Plank({ horse, share }: { horse: HorseReview; share: number }) {
  const { leather } = useTheme().palette;
  const all = minutesOf(horse);
  const cuts = horse.hours.reduce<{ track: string; name: string; from: number; to: number }[]>(
    (done, { track, name, minutes }) => {
      const from = done.at(-1)?.to ?? 0;
      return [...done, { track, name, from, to: from + minutes / all }];
    },
    [],
  );
  return (
    <svg
      width={`${100 * share}%`}
      height={high}
      viewBox={`0 0 1000 ${high}`}
      preserveAspectRatio="none"
      aria-hidden="true"
      style={{ display: 'block' }}
    >
      {cuts.map(({ track, from, to }, index) => (
        <rect
          key={track || 'none'}
          x={1000 * from}
          y={1}
          width={Math.max(0, 1000 * (to - from))}
          height={high - 2}
          fill={index % 2 === 0 ? leather.leather : leather.line}
          stroke={leather.ink}
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}
