import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { saidOfAll } from '../../base/form/problems';
import { beginSolve, stopSolve, useSolve, type PlanFound, type SolveAsked } from '../../data/week';

const stages = {
  days: 'Which horse on which day, with whom',
  better: 'Making it better',
};

/** A plan that is looked for: how far it is, and a way to stop. */
export function usePlanning(day: string, onFound: (found: PlanFound) => void) {
  const [solveId, setSolveId] = useState<string>();
  const [failed, setFailed] = useState<Error>();
  const solve = useSolve(solveId);
  const found = solve.data?.found;
  const told = useRef<string>(undefined);
  const tell = useEffectEvent(onFound);
  useEffect(() => {
    if (!found || !solveId || told.current === solveId) return;
    told.current = solveId;
    tell(found);
  }, [found, solveId]);
  const refused = solve.data?.refused ?? [];
  return {
    begin: (asked: SolveAsked) => {
      setFailed(undefined);
      beginSolve(day, asked).then(
        ({ solve_id }) => setSolveId(solve_id),
        (error: Error) => setFailed(error),
      );
    },
    stop: () => solveId && void stopSolve(solveId).catch(setFailed),
    running: solveId !== undefined && !found && refused.length === 0 && !solve.isError,
    progress: solve.data?.progress,
    refused,
    error: failed ?? solve.error,
  };
}

/** How far a search is. */
export function Planning({ planning }: { planning: ReturnType<typeof usePlanning> }) {
  const { running, progress, refused, error } = planning;
  return (
    <Box sx={{ '@media print': { display: 'none' } }}>
      {running && (
        <Box sx={{ my: 1.5, maxWidth: 640 }}>
          <Typography role="status" sx={{ mb: 0.5 }}>
            {progress ? stages[progress.stage] : 'Waiting for its turn'}
            {progress && `, ${progress.seconds.toFixed(0)} s`}
          </Typography>
          <LinearProgress aria-label="Looking for a plan" sx={{ height: 10, mb: 1 }} />
          <Button onClick={planning.stop} sx={{ minHeight: 52 }}>
            Stop, take the best so far
          </Button>
        </Box>
      )}
      {(refused.length > 0 || error) && (
        <Box
          role="alert"
          sx={{ my: 1.5, borderLeft: '6px solid', borderColor: 'error.main', pl: 1.5 }}
        >
          <Typography variant="h3">No plan</Typography>
          {refused.map((text) => (
            <Typography key={text}>{text}</Typography>
          ))}
          {refused.length > 0 && (
            <Typography>Take the pin off one of these, then plan again.</Typography>
          )}
          {error && <Typography>{saidOfAll(error, [])}</Typography>}
        </Box>
      )}
    </Box>
  );
}
