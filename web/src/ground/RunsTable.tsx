import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { plainTable } from '../shell/plainTable';
import { shortDay } from '../base/words/days';
import { footingWords } from '../base/words/ground';
import { count } from '../base/words/plain';
import type { RunsOfHorse } from '../data/ground';
import { knockedOf } from './runDraft';
import { speedInWords } from './speed';

interface Props {
  runs: RunsOfHorse['runs'];
  said: NonNullable<RunsOfHorse['said']>;
  picked?: string;
  onPick: (repId: string) => void;
}

/** Every run: the official time, the speed along the way, what went wrong. */
export function RunsTable({ runs, said, picked, onPick }: Props) {
  return (
    <Box sx={{ overflowX: 'auto', mt: 2 }}>
      <Box component="table" sx={{ ...plainTable, width: '100%' }}>
        <caption style={{ textAlign: 'left', fontWeight: 700 }}>Every run, latest first</caption>
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th scope="col">Time</th>
            <th scope="col">Speed</th>
            <th scope="col">Course</th>
            <th scope="col">Otherwise</th>
          </tr>
        </thead>
        <tbody>
          {runs.map(({ rep_id, ride_id, day, course, run }, index) => {
            const { official_s, speed_ft_s } = said.runs[index] ?? {};
            const knocked = knockedOf(run);
            const other = [
              run.broken && 'broke the pattern: no time',
              knocked > 0 &&
                `${count(knocked, 'barrel')} down${official_s != null && run.time_s != null ? `, ${(official_s - run.time_s).toFixed(0)} s` : ''}`,
              run.footing && `${footingWords[run.footing].toLowerCase()} ground`,
              said.best === index && 'best time',
              said.fastest === index && 'fastest',
            ].filter(Boolean);
            return (
              <tr key={rep_id} aria-current={picked === rep_id ? 'true' : undefined}>
                <th scope="row">
                  <Button
                    variant="text"
                    aria-pressed={picked === rep_id}
                    onClick={() => onPick(rep_id)}
                    sx={{ px: 0, fontWeight: picked === rep_id ? 700 : 400 }}
                  >
                    {shortDay(day)}
                  </Button>
                </th>
                <td>{official_s == null ? 'none' : `${official_s.toFixed(3)} s`}</td>
                <td>{speed_ft_s == null ? '' : speedInWords(speed_ft_s)}</td>
                <td>{course ?? ''}</td>
                <td>
                  {other.join('; ')} <Link to={`/rides/${ride_id}`}>The ride</Link>
                </td>
              </tr>
            );
          })}
        </tbody>
      </Box>
    </Box>
  );
}
