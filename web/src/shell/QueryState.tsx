import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { ProblemError } from '../base/api/client';
import { Waiting } from './Waiting';

/** A page that could not be fetched anew shows what it had, and from when. */
function Old({ at }: { at: number }) {
  const when = new Date(at).toLocaleString('en-US', {
    weekday: 'short',
    hour: 'numeric',
    minute: '2-digit',
  });
  return (
    <Typography role="status" sx={{ mb: 2, borderLeft: '6px solid', pl: 1.5 }}>
      Couldn&apos;t refresh. This is from {when}.
    </Typography>
  );
}

/** Shows what a query brought, or that it is on its way, or what to do when it failed. */
export function QueryState<T>({
  query,
  children,
}: {
  query: UseQueryResult<T>;
  children: (data: T) => ReactNode;
}) {
  if (query.data !== undefined)
    return (
      <>
        {query.isError && <Old at={query.dataUpdatedAt} />}
        {children(query.data)}
      </>
    );
  if (query.isPending)
    return (
      <Box sx={{ display: 'grid', placeItems: 'center', minHeight: 240 }}>
        <Waiting label="Fetching" />
      </Box>
    );
  const missing = query.error instanceof ProblemError && query.error.status === 404;
  return (
    <Box role="alert" sx={{ maxWidth: 520, py: 4 }}>
      <Typography variant="h2">{missing ? 'Not in this barn' : "Couldn't load this"}</Typography>
      <Typography sx={{ my: 2 }}>
        {missing ? "There's nothing here that you can see." : query.error?.message}
      </Typography>
      {missing ? (
        <Button component={Link} to="/">
          Back to Today
        </Button>
      ) : (
        <Button onClick={() => void query.refetch()}>Try again</Button>
      )}
    </Box>
  );
}
