import { QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { ProblemError } from './api/client';
import { router } from './routes';
import { whoQuery } from './session/queries';
import { LightProvider } from './theme/LightProvider';

const queries = new QueryClient({
  queryCache: new QueryCache({
    // A session that ended on the server leads back to the sign-in.
    onError(error) {
      if (error instanceof ProblemError && error.status === 401) {
        queries.setQueryData(whoQuery.queryKey, null);
      }
    },
  }),
  defaultOptions: {
    queries: {
      // Asking again does not help where the server said what is wrong.
      retry: (failures, error) => !(error instanceof ProblemError) && failures < 2,
      networkMode: 'always',
      staleTime: 10_000,
    },
    mutations: { networkMode: 'always' },
  },
});

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
