import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useParams } from 'react-router';
import { packQuery } from '../../offline/pack';
import { QueryState } from '../../shell/QueryState';
import { HorseHeading } from '../../shell/HorseHeading';
import { PageFrame } from '../../shell/PageFrame';
import { useTakenAlong } from '../../offline/useTakenAlong';
import { useWho } from '../../data/who';
import { horseQuery } from '../../data/today';
import { Found } from './Found';
import { intakeQuery, type Intake } from '../../data/intake';
import { StoryForm } from './StoryForm';

/** Where a new horse stands: what its intake found, and the way to the next ride of it. */
export function IntakePage() {
  const { horseId = '' } = useParams();
  const { records } = useWho();
  const horse = useQuery(horseQuery(horseId));
  const intake = useQuery(intakeQuery(horseId));
  const pack = useQuery({ ...packQuery(horseId), enabled: records });
  // The way from here leads into an arena without signal.
  useTakenAlong(horseId);
  useEffect(() => void import('../recorder/RecorderPage').catch(() => undefined), []);
  return (
    <PageFrame title="Intake">
      <QueryState query={intake}>
        {(found) => (
          <>
            {horse.data && <HorseHeading horse={horse.data} />}
            <Lead intake={found} />
            <Found intake={found} />
            {records && horse.data && (
              <QueryState query={pack}>
                {(known) => (
                  <StoryForm horse={horse.data} pack={known} intake={found} key={horseId} />
                )}
              </QueryState>
            )}
          </>
        )}
      </QueryState>
    </PageFrame>
  );
}

function Lead({ intake: { rides, levels } }: { intake: Intake }) {
  if (levels.length > 0) return null;
  const goesOn = rides.some(({ finished }) => !finished);
  return (
    <Box sx={{ my: 2, maxWidth: 760 }}>
      <Typography sx={{ fontSize: '1.15rem' }}>
        {goesOn
          ? 'The intake ride is not finished yet.'
          : 'A horse comes with a story. An intake ride finds out in one or two rides, with few asks: each one the ask that tells you most, nothing faster than the brake has shown.'}
      </Typography>
    </Box>
  );
}
