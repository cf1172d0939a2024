import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { QueryState } from '../shell/QueryState';
import { Section } from '../shell/Section';
import { shortDay } from '../base/words/days';
import { count } from '../base/words/plain';
import { RigShares } from './RigShares';
import { rigInWords } from './rigInWords';
import { rigsQuery } from '../data/tack';

/** What the horse wore, ride after ride, and how soft it was in each. */
export function RigHistory({ horseId }: { horseId: string }) {
  const rigs = useQuery(rigsQuery(horseId));
  return (
    <Section
      title="Worn so far"
      id="rigs"
      intro="Asks in tack that is new to the horse count as exceptional on that ride."
    >
      <QueryState query={rigs}>
        {({ history, shares }) => (
          <>
            {history.length === 0 && (
              <Typography>No ride has said yet what the horse wore.</Typography>
            )}
            <RigShares shares={shares.map(({ share, says }) => ({ ...share, says }))} />
            <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0, mt: 2, maxWidth: 640 }}>
              {history.map(({ rig, from, to, rides, new: isNew }) => (
                <Box
                  component="li"
                  key={`${rig.from} ${rig.gear_id ?? rig.name}`}
                  sx={{ borderTop: '1px solid', borderColor: 'divider', py: 1 }}
                >
                  <strong>{rigInWords(rig)}</strong>
                  {isNew && ', for the first time'}
                  <Box component="span" sx={{ color: 'text.secondary' }}>
                    {' '}
                    {from === to ? shortDay(from) : `${shortDay(from)} to ${shortDay(to)}`},{' '}
                    {count(rides, 'ride')}
                  </Box>
                </Box>
              ))}
            </Box>
          </>
        )}
      </QueryState>
    </Section>
  );
}
