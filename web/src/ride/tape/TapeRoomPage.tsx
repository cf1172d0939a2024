import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { QueryState } from '../../shell/QueryState';
import { HorseHeading } from '../../shell/HorseHeading';
import { PageFrame } from '../../shell/PageFrame';
import { horsePageQuery } from '../../data/horse';
import { tapesPath, tapesQuery } from '../../data/tapes';
import { TapeRoom } from './TapeRoom';

/** One tape of a horse. */
export function TapeRoomPage() {
  const { horseId = '', tapeId = '' } = useParams();
  const page = useQuery(horsePageQuery(horseId));
  const tapes = useQuery(tapesQuery(horseId));
  return (
    <PageFrame title="Tape room">
      <QueryState query={page}>
        {({ horse }) => (
          <>
            <HorseHeading horse={horse} />
            <Button component={Link} to={tapesPath(horseId)} variant="text" sx={{ mb: 1 }}>
              Tape room
            </Button>
            <QueryState query={tapes}>
              {(all) => (
                <TapeRoom
                  key={tapeId}
                  horse={horse}
                  tapeId={tapeId}
                  kept={all.find((one) => one.tape_id === tapeId)?.sheet}
                />
              )}
            </QueryState>
          </>
        )}
      </QueryState>
    </PageFrame>
  );
}
