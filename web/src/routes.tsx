import CircularProgress from '@mui/material/CircularProgress';
import { createBrowserRouter } from 'react-router';
import { SignedInFrame } from './frame/SignedInFrame';
import { NoPage, PageBroke } from './frame/NoPage';
import { TodayPage } from './today/TodayPage';

const level = '/horses/:horseId/levels/:skill/:rung';

export const router = createBrowserRouter([
  {
    element: <SignedInFrame />,
    errorElement: <PageBroke />,
    hydrateFallbackElement: <CircularProgress aria-label="Fetching" sx={{ m: 4 }} />,
    children: [
      { path: '/', element: <TodayPage /> },
      {
        path: '/horses/:horseId/ride/:skill/:rung',
        lazy: async () => ({ Component: (await import('./recorder/RecorderPage')).RecorderPage }),
      },
      {
        path: level,
        lazy: async () => ({ Component: (await import('./level/GatePage')).GatePage }),
      },
      {
        path: `${level}/strip`,
        lazy: async () => ({ Component: (await import('./level/StripPage')).StripPage }),
      },
      {
        path: '/rides/:rideId',
        lazy: async () => ({ Component: (await import('./ride/RidePage')).RidePage }),
      },
      { path: '*', element: <NoPage /> },
    ],
  },
]);
