import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { Link, useParams } from 'react-router';
import { QueryState } from '../shell/QueryState';
import { PageFrame } from '../shell/PageFrame';
import { horsePath } from '../data/horse';
import { useWho } from '../data/who';
import { ownersViewQuery, reportPath } from '../data/owner';
import { Seen } from './Seen';

const ForTheOwner = lazy(async () => ({ default: (await import('./ForTheOwner')).ForTheOwner }));

/** A horse as its owner sees it; for trainers, with what they hand on. */
export function OwnerPage() {
  const { horseId = '' } = useParams();
  const view = useQuery(ownersViewQuery(horseId));
  const { decides } = useWho();
  return (
    <PageFrame title="For the owner">
      <QueryState query={view}>
        {(data) => (
          <Seen
            view={data}
            helpPath="/how-it-judges"
            reportLink={(id, month) => (
              <Box component={Link} to={reportPath(id)} sx={{ color: 'text.primary' }}>
                {month}
              </Box>
            )}
          >
            <Box sx={{ display: 'flex', gap: 1, mt: 1, '@media print': { display: 'none' } }}>
              <Button component={Link} to={horsePath(data.horse.horse_id)}>
                {decides ? data.horse.name : 'Every detail'}
              </Button>
            </Box>
            {decides && (
              <Suspense fallback={null}>
                <ForTheOwner horse={data.horse} on={data.on} notes={data.notes} />
              </Suspense>
            )}
          </Seen>
        )}
      </QueryState>
    </PageFrame>
  );
}
