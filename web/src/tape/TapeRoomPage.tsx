import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { Asked } from '../frame/Asked';
import { HorseHeading } from '../frame/HorseHeading';
import { PageFrame } from '../frame/PageFrame';
import { horsePageQuery } from '../horse/queries';
import { tapesPath, tapesQuery } from './queries';
import { TapeRoom } from './TapeRoom';

/** One tape of a horse. */
export function TapeRoomPage() {
  const { horseId = '', tapeId = '' } = useParams();
  const page = useQuery(horsePageQuery(horseId));
  const tapes = useQuery(tapesQuery(horseId));
  return (
    <PageFrame title="Tape room">
      <Asked query={page}>
        {({ horse }) => (
          <>
            <HorseHeading horse={horse} />
            <Typography sx={{ mb: 1 }}>
              <Link to={tapesPath(horseId)}>Tape room</Link>
            </Typography>
            <Asked query={tapes}>
              {(all) => (
                <TapeRoom
                  key={tapeId}
                  horse={horse}
                  tapeId={tapeId}
                  kept={all.find((one) => one.tape_id === tapeId)?.sheet}
                />
              )}
            </Asked>
          </>
        )}
      </Asked>
    </PageFrame>
  );
}
