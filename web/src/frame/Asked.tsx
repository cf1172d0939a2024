import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import CircularProgress from '@mui/material/CircularProgress';
import Typography from '@mui/material/Typography';
import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { ProblemError } from '../api/client';

/** Shows what a query brought, or that it is on its way, or what to do when it failed. */
export function Asked<T>({
  query,
  children,
}: {
  query: UseQueryResult<T>;
  children: (data: T) => ReactNode;
}) {
  if (query.data !== undefined) return children(query.data);
  if (query.isPending)
    return (
      <Box sx={{ display: 'grid', placeItems: 'center', minHeight: 240 }}>
        <CircularProgress aria-label="Fetching" />
      </Box>
    );
  const missing = query.error instanceof ProblemError && query.error.status === 404;
  return (
    <Box role="alert" sx={{ maxWidth: 520, py: 4 }}>
      <Typography variant="h2">
        {missing ? 'Not in this barn' : 'This did not come through'}
      </Typography>
      <Typography sx={{ my: 2 }}>
        {missing ? 'There is nothing at this address that you can see.' : query.error?.message}
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
