import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { Section } from '../../shell/Section';
import { plainTable } from '../../shell/plainTable';
import { useWho } from '../../data/who';
import { dayIn, saidDay } from '../../base/words/days';
import { howWords } from '../../base/words/herd';

/** Who worked a cow, latest first. */
export function CowWorks({ works }: { works: Schemas['WorkShown'][] }) {
  const { time_zone } = useWho();
  const today = dayIn(time_zone);
  return (
    <Section title="Works">
      {works.length === 0 ? (
        <Typography>Nobody has worked it yet.</Typography>
      ) : (
        <Box role="region" aria-label="Works in a table" tabIndex={0} sx={{ overflowX: 'auto' }}>
          <Box component="table" sx={{ ...plainTable, maxWidth: 720 }}>
            <thead>
              <tr>
                <th scope="col">Day</th>
                <th scope="col">Horse</th>
                <th scope="col">Rider</th>
                <th scope="col">Minutes</th>
                <th scope="col">Turns</th>
                <th scope="col">Ended</th>
              </tr>
            </thead>
            <tbody>
              {works.map((work) => (
                <tr key={work.work_id}>
                  <td>
                    <Link to={`/rides/${work.ride_id}`}>{saidDay(work.day, today)}</Link>
                  </td>
                  <td>{work.horse}</td>
                  <td>{work.rider}</td>
                  <td>{work.minutes?.toFixed(1) ?? ''}</td>
                  <td>{work.turns.length}</td>
                  <td>{work.how ? howWords[work.how] : 'not said'}</td>
                </tr>
              ))}
            </tbody>
          </Box>
        </Box>
      )}
    </Section>
  );
}
