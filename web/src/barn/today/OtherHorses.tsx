import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { horsePath } from '../../data/horse';
import { levelPath } from '../../data/level';
import { ridePath } from '../../data/ridePath';
import { horseLine } from '../../base/words/horse';

interface Props {
  horses: Schemas['Horse'][];
  /** What they are taken out for. */
  usual: Schemas['LevelBrief'];
  records: boolean;
}

/** Horses that are not down for today; they can be taken out all the same. */
export function OtherHorses({ horses, usual, records }: Props) {
  if (horses.length === 0) return null;
  return (
    <Box component="section" sx={{ mt: 5 }}>
      <Typography variant="h2">Not scheduled today</Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, mt: 1, p: 0, maxWidth: 620 }}>
        {horses.map((horse) => (
          <Box
            component="li"
            key={horse.horse_id}
            sx={{
              display: 'flex',
              flexWrap: 'wrap',
              alignItems: 'center',
              gap: 1,
              py: 1,
              borderBottom: '1px solid',
              borderColor: 'divider',
            }}
          >
            <Box sx={{ flex: '1 1 180px' }}>
              <Typography variant="h3">
                <Box component={Link} to={horsePath(horse.horse_id)} sx={{ color: 'text.primary' }}>
                  {horse.name}
                </Box>
              </Typography>
              <Typography variant="body2" sx={{ color: 'text.secondary' }}>
                {horseLine(horse)}
              </Typography>
            </Box>
            <Button
              component={Link}
              variant="text"
              to={levelPath({ horseId: horse.horse_id, ...usual })}
              aria-label={`See ${horse.name}'s gate`}
            >
              See the gate
            </Button>
            {records && (
              <Button
                component={Link}
                to={ridePath(horse.horse_id, usual)}
                aria-label={`Ride ${horse.name}`}
              >
                Ride
              </Button>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
