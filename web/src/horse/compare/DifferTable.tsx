import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { VerdictMark } from '../../draw/VerdictMark';
import { plainTable } from '../../shell/plainTable';
import type { HorseLevel, HorsePage } from '../../data/horse';
import { levelPath } from '../../data/level';
import { verdictWords } from '../../base/words/answers';
import { longDay } from '../../base/words/days';
import { saidState } from '../../base/words/states';
import type { Pair } from './differ';

interface Props {
  pairs: Pair[];
  pages: [HorsePage, HorsePage];
  tracks: { id: string; name: string }[];
}

/** The levels on which two pages differ, track by track. */
export function DifferTable({ pairs, pages, tracks }: Props) {
  return (
    <Box component="table" sx={plainTable}>
      <thead>
        <tr>
          <th scope="col">Level</th>
          {pages.map((page, index) => (
            <th scope="col" key={index}>
              {page.horse.name}, {longDay(page.on)}
            </th>
          ))}
        </tr>
      </thead>
      {tracks
        .map(({ id, name }) => ({ id, name, own: pairs.filter(({ track }) => track === id) }))
        .filter(({ own }) => own.length > 0)
        .map(({ id, name, own }) => (
          <tbody key={id}>
            <tr>
              <Box component="th" colSpan={3} scope="colgroup" sx={{ pt: '14px !important' }}>
                <Typography variant="h3" component="span">
                  {name}
                </Typography>
              </Box>
            </tr>
            {own.map(({ name: level, one, other }) => (
              <tr key={level}>
                <Box component="th" scope="row" sx={{ fontWeight: 500 }}>
                  {level}
                </Box>
                <Standing standing={one} page={pages[0]} />
                <Standing standing={other} page={pages[1]} />
              </tr>
            ))}
          </tbody>
        ))}
    </Box>
  );
}

function Standing({ standing, page }: { standing: HorseLevel | null; page: HorsePage }) {
  if (!standing) return <td>not in the program</td>;
  const { level, state, verdict, sides, last_asked, held_since } = standing;
  return (
    <td>
      <Box
        component={Link}
        to={levelPath({ horseId: page.horse.horse_id, ...level, on: page.on })}
        sx={{
          display: 'flex',
          gap: 1,
          color: 'text.primary',
          textDecoration: 'none',
          '&:hover': { textDecoration: 'underline' },
        }}
      >
        {last_asked && <VerdictMark verdict={verdict} size={24} />}
        <span>
          {saidState(state, held_since != null)}
          {last_asked && `; ${verdictWords[verdict].toLowerCase()}`}
          <Typography
            variant="body2"
            component="span"
            sx={{ display: 'block', color: 'text.secondary' }}
          >
            {sides
              .filter(({ asked }) => asked > 0)
              .map(({ side, soft, asked }) => `${side} ${soft}/${asked}`)
              .join(', ')}
          </Typography>
        </span>
      </Box>
    </td>
  );
}
