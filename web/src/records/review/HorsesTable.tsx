import Box from '@mui/material/Box';
import { Link } from 'react-router';
import { plainTable } from '../../shell/plainTable';
import { ownersPath } from '../../data/owner';
import { hoursWords } from '../../base/words/hours';
import type { HorseReview, Review } from '../../data/review';

type Cell = [string, (horse: HorseReview, review: Review) => string];

const cells: Cell[] = [
  [
    'Planned rides done',
    ({ planned: { done, planned } }) => (planned === 0 ? 'none planned' : `${done} of ${planned}`),
  ],
  ['Not planned', ({ planned }) => String(planned.unplanned)],
  ['In the saddle', ({ ridden }) => hoursWords(ridden.minutes)],
  [
    'Days ridden, by program',
    ({ training }) => `${training.ridden_days} of ${training.program_days}`,
  ],
  ['Gained', ({ moved }) => String(moved.gained.length)],
  ['Went back', ({ moved }) => String(moved.went_back.length)],
  [
    'Asks on the stiff side',
    ({ sides, stiff_asks }) =>
      stiff_asks && sides.stiff
        ? `${sides.stiff}, ${stiff_asks.stiff} of ${stiff_asks.both}`
        : 'no stiff side',
  ],
  ['Quit on a good one', ({ quits: { taken, went_on } }) => `${taken} of ${taken + went_on}`],
  [
    'Weeks of runs kept to quota',
    ({ runs: { weeks, over } }) => (weeks === 0 ? 'no runs' : `${weeks - over} of ${weeks}`),
  ],
  [
    'Trips that asked nothing',
    ({ trips: { trips, quiet } }, { quiet_outings_pct }) =>
      trips === 0 ? 'no trips' : `${quiet} of ${trips}, ${quiet_outings_pct}% wanted`,
  ],
];

/** Every horse of the month, its figures across; wide on a laptop, turned over on a phone. */
export function HorsesTable({ review }: { review: Review }) {
  return (
    <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="group" aria-label="Figures of every horse">
      <Box component="table" sx={{ ...plainTable, '& td': { minWidth: 92 } }}>
        <thead>
          <tr>
            <th scope="col">Horse</th>
            {cells.map(([name]) => (
              <th scope="col" key={name}>
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {review.horses.map((horse) => (
            <tr key={horse.horse_id}>
              <th scope="row">
                <Box
                  component={Link}
                  to={ownersPath(horse.horse_id)}
                  sx={{ color: 'text.primary', whiteSpace: 'nowrap' }}
                >
                  {horse.horse}
                </Box>
              </th>
              {cells.map(([name, of]) => (
                <td key={name}>{of(horse, review)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
