import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import { useId } from 'react';
import { Link } from 'react-router';
import { shortDay } from '../base/words/days';
import { helpWords } from '../base/words/measures';
import { helpInWords, total, type Help, type RideHelp } from './help';

const order: Help[] = ['mostly_hand', 'even', 'mostly_leg'];
const columnWidth = 22;
const height = 92;

/** The help needed, ride by ride: hand at the bottom, leg on top. */
export function HelpOverTime({ rides }: { rides: RideHelp[] }) {
  const { leather } = useTheme().palette;
  const hatch = useId();
  const fills: Record<Help, string> = {
    mostly_hand: leather.ink,
    even: `url(#${hatch})`,
    mostly_leg: leather.paper,
  };
  return (
    <Box component="section" aria-label="Help needed" sx={{ mt: 3 }}>
      <Typography variant="h2">Help needed</Typography>
      <Typography>{helpInWords(rides)}</Typography>
      <Box
        sx={{ overflowX: 'auto', mt: 1 }}
        tabIndex={0}
        role="group"
        aria-label="Ride by ride, oldest first"
      >
        <svg width={rides.length * columnWidth + 4} height={height + 4}>
          <pattern
            id={hatch}
            width={6}
            height={6}
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width={6} height={6} fill={leather.paper} />
            <rect width={2.5} height={6} fill={leather.leather} />
          </pattern>
          {rides.map((ride, index) => (
            <Link key={ride.rideId} to={`/rides/${ride.rideId}`} aria-label={inWords(ride)}>
              <title>{inWords(ride)}</title>
              {stack(ride).map(({ help, from, to }) => (
                <rect
                  key={help}
                  x={index * columnWidth + 2}
                  y={2 + height * (1 - to)}
                  width={columnWidth - 4}
                  height={height * (to - from)}
                  fill={fills[help]}
                  stroke={leather.ink}
                  strokeWidth={1.5}
                />
              ))}
            </Link>
          ))}
        </svg>
      </Box>
      <Box component="ul" sx={{ display: 'flex', gap: 2, p: 0, m: 0, listStyle: 'none' }}>
        {order.map((help) => (
          <Box component="li" key={help} sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
            <svg width={20} height={16} aria-hidden="true">
              <rect
                x={1}
                y={1}
                width={18}
                height={14}
                fill={fills[help]}
                stroke={leather.ink}
                strokeWidth={1.5}
              />
            </svg>
            {helpWords[help]}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** The parts of a ride's column, from the bottom up. */
function stack({ counts }: RideHelp) {
  const all = total(counts);
  const sums = order.map((_, index) =>
    order.slice(0, index).reduce((sum, help) => sum + counts[help], 0),
  );
  return order
    .map((help, index) => ({
      help,
      from: sums[index]! / all,
      to: (sums[index]! + counts[help]) / all,
    }))
    .filter(({ from, to }) => to > from);
}

const inWords = ({ day, counts }: RideHelp) =>
  `${shortDay(day)}: ${order
    .filter((help) => counts[help] > 0)
    .map((help) => `${helpWords[help]} ${counts[help]}`)
    .join(', ')}`;
