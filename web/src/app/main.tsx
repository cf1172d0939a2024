import { QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { ProblemError } from '../base/api/client';
import { router } from './routes';
import { sessionEnded, sessionQuery } from '../data/session';
import { LightProvider } from '../base/theme/LightProvider';
import { reloadWhenPartsAreGone } from '../shell/update/partsGone';

const queries = new QueryClient({
  queryCache: new QueryCache({
    // The page stays and says so; nothing is taken away in the middle of a ride.
    onError(error, { queryKey }) {
      const signedOut = error instanceof ProblemError && error.status === 401;
      if (signedOut && queryKey[0] !== sessionQuery.queryKey[0]) sessionEnded(queries);
    },
  }),
  defaultOptions: {
    queries: {
      // Asking again does not help where the server said what is wrong.
      retry: (failures, error) => !(error instanceof ProblemError) && failures < 2,
      networkMode: 'always',
      staleTime: 10_000,
      gcTime: 24 * 3_600_000,
    },
    mutations: { networkMode: 'always' },
  },
});

reloadWhenPartsAreGone();

const root = document.getElementById('root');
if (!root) throw new Error('index.html has no root');
createRoot(root).render(
  <StrictMode>
    <LightProvider>
      <QueryClientProvider client={queries}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </LightProvider>
  </StrictMode>,
);
