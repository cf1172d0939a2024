import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { ladderQuery } from '../../data/ladder';
import { programQuery } from '../../data/programs';
import { useWho } from '../../data/who';
import { Editor } from './Editor';
import { LeadsTo } from './LeadsTo';
import { RidesAWeek } from './RidesAWeek';

/** A program: what it changes on the ladder, and what a change would do to the barn's horses. */
export function ProgramPage() {
  const { programId = '' } = useParams();
  const ladder = useQuery(ladderQuery);
  const program = useQuery({ ...programQuery(programId), enabled: programId !== 'new' });
  const { decides } = useWho();
  return (
    <PageFrame title="Program">
      <QueryState query={ladder}>
        {(shipped) =>
          programId === 'new' ? (
            decides ? (
              <Editor key="new" shipped={shipped} program={null} />
            ) : (
              <Typography>Trainers make programs; ask one of them.</Typography>
            )
          ) : (
            <QueryState query={program}>
              {(saved) => (
                <>
                  {saved.unfit && (
                    <Typography role="note" sx={{ mb: 2, borderLeft: '6px solid', pl: 1.5 }}>
                      This program no longer fits: {saved.unfit}. Its horses are judged by the
                      standard ladder until it is saved again.
                    </Typography>
                  )}
                  {decides && (
                    <Box sx={{ maxWidth: 200, mb: 2 }}>
                      <RidesAWeek programId={programId} />
                    </Box>
                  )}
                  <Editor key={`${programId} ${saved.version}`} shipped={shipped} program={saved} />
                  {decides && <LeadsTo programId={programId} />}
                </>
              )}
            </QueryState>
          )
        }
      </QueryState>
    </PageFrame>
  );
}
