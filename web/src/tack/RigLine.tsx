import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { Section } from '../shell/Section';
import { shortDay } from '../base/words/days';
import { count } from '../base/words/plain';
import { horseTackPath, rigsQuery, tackQuery } from '../data/tack';
import { RigShares } from './RigShares';
import { rigInWords } from './rigInWords';

/** What a horse wears, what it wore lately, and how soft it was in each. */
export function RigLine({ horseId }: { horseId: string }) {
  const tack = useQuery(tackQuery(horseId));
  const rigs = useQuery(rigsQuery(horseId));
  const worn = tack.data?.pieces.find((piece) => piece.worn);
  const { history = [], shares = [] } = rigs.data ?? {};
  return (
    <Section title="Tack" id="tack">
      <Typography>
        {worn ? `Wears ${worn.name}.` : 'Nobody said what the horse wears.'}{' '}
        <Link to={horseTackPath(horseId)}>All of it</Link>
      </Typography>
      {shares.length > 1 && (
        <RigShares shares={shares.slice(0, 3).map(({ share, says }) => ({ ...share, says }))} />
      )}
      <Box component="ol" aria-label="Worn so far" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
        {history.slice(0, 4).map(({ rig, from, to, rides }) => (
          <li key={`${rig.from} ${rig.name}`}>
            {rigInWords(rig)}
            <Box component="span" sx={{ color: 'text.secondary' }}>
              {' '}
              {from === to ? shortDay(from) : `${shortDay(from)} to ${shortDay(to)}`},{' '}
              {count(rides, 'ride')}
            </Box>
          </li>
        ))}
      </Box>
    </Section>
  );
}
