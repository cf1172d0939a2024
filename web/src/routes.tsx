import { createBrowserRouter } from 'react-router';
import { SignedInFrame } from './app/SignedInFrame';
import { NoPage, PageBroke } from './frame/NoPage';
import { Waiting } from './frame/Waiting';

const level = '/horses/:horseId/levels/:skill/:rung';

export const router = createBrowserRouter([
  {
    path: '/come-in',
    errorElement: <PageBroke />,
    hydrateFallbackElement: <Waiting label="Fetching" />,
    lazy: async () => ({ Component: (await import('./comein/ComeInPage')).ComeInPage }),
  },
  ...['/my-horse', '/my-horse/reports/:reportId'].map((path) => ({
    path,
    errorElement: <PageBroke />,
    hydrateFallbackElement: <Waiting label="Fetching" />,
    lazy: async () => ({ Component: (await import('./owner/LinkPage')).LinkPage }),
  })),
  {
    path: '/my-horse/how-it-judges',
    errorElement: <PageBroke />,
    hydrateFallbackElement: <Waiting label="Fetching" />,
    lazy: async () => ({ Component: (await import('./help/OwnersHelpPage')).OwnersHelpPage }),
  },
  {
    element: <SignedInFrame />,
    errorElement: <PageBroke />,
    hydrateFallbackElement: <Waiting label="Fetching" />,
    children: [
      {
        path: '/',
        lazy: async () => ({ Component: (await import('./today/TodayPage')).TodayPage }),
      },
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
      {
        path: '/attention',
        lazy: async () => ({
          Component: (await import('./attention/AttentionPage')).AttentionPage,
        }),
      },
      ...['/week', '/week/:day'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('./plan/week/WeekPage')).WeekPage }),
      })),
      {
        path: '/barn',
        lazy: async () => ({ Component: (await import('./board/BoardPage')).BoardPage }),
      },
      {
        path: '/horses/:horseId',
        lazy: async () => ({ Component: (await import('./horse/HorsePage')).HorsePage }),
      },
      {
        path: '/horses/:horseId/card',
        lazy: async () => ({ Component: (await import('./card/CardPage')).CardPage }),
      },
      {
        path: '/horses/:horseId/road',
        lazy: async () => ({ Component: (await import('./road/RoadPage')).RoadPage }),
      },
      {
        path: '/horses/:horseId/owner',
        lazy: async () => ({ Component: (await import('./owner/OwnerPage')).OwnerPage }),
      },
      {
        path: '/reports/:reportId',
        lazy: async () => ({ Component: (await import('./owner/ReportPage')).ReportPage }),
      },
      {
        path: '/cow-trainer',
        lazy: async () => ({ Component: (await import('./cow/CowTrainerPage')).CowTrainerPage }),
      },
      {
        path: '/horses/:horseId/track',
        lazy: async () => ({ Component: (await import('./track/pages')).TrackPage }),
      },
      {
        path: '/horses/:horseId/gauge',
        lazy: async () => ({ Component: (await import('./track/pages')).GaugePage }),
      },
      {
        path: '/horses/:horseId/tapes',
        lazy: async () => ({ Component: (await import('./tape/TapesPage')).TapesPage }),
      },
      {
        path: '/horses/:horseId/tapes/:tapeId',
        lazy: async () => ({ Component: (await import('./tape/TapeRoomPage')).TapeRoomPage }),
      },
      {
        path: '/horses/:horseId/runs',
        lazy: async () => ({ Component: (await import('./ground/RunsPage')).RunsPage }),
      },
      {
        path: '/drills/:drill',
        lazy: async () => ({ Component: (await import('./ground/DrillPage')).DrillPage }),
      },
      {
        path: '/horses/:horseId/cool-out',
        lazy: async () => ({ Component: (await import('./coolout/CoolOutPage')).CoolOutPage }),
      },
      {
        path: '/horses/:horseId/intake',
        lazy: async () => ({ Component: (await import('./intake/IntakePage')).IntakePage }),
      },
      {
        path: '/compare',
        lazy: async () => ({ Component: (await import('./compare/ComparePage')).ComparePage }),
      },
      {
        path: '/ladder',
        lazy: async () => ({ Component: (await import('./ladder/LadderPage')).LadderPage }),
      },
      {
        path: '/programs/:programId',
        lazy: async () => ({ Component: (await import('./program/ProgramPage')).ProgramPage }),
      },
      ...['/day', '/day/:day'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('./plan/day/DayPage')).DayPage }),
      })),
      {
        path: '/calendars',
        lazy: async () => ({
          Component: (await import('./calendars/CalendarsPage')).CalendarsPage,
        }),
      },
      {
        path: '/people',
        lazy: async () => ({ Component: (await import('./people/PeoplePage')).PeoplePage }),
      },
      {
        path: '/people/new',
        lazy: async () => ({ Component: (await import('./people/NewPersonPage')).NewPersonPage }),
      },
      {
        path: '/people/:personId',
        lazy: async () => ({ Component: (await import('./people/PersonPage')).PersonPage }),
      },
      {
        path: '/horses',
        lazy: async () => ({ Component: (await import('./horses/HorsesPage')).HorsesPage }),
      },
      {
        path: '/horses/new',
        lazy: async () => ({ Component: (await import('./horses/NewHorsePage')).NewHorsePage }),
      },
      {
        path: '/horses/several',
        lazy: async () => ({ Component: (await import('./horses/SeveralPage')).SeveralPage }),
      },
      {
        path: '/horses/:horseId/sheet',
        lazy: async () => ({ Component: (await import('./horses/SheetPage')).SheetPage }),
      },
      {
        path: '/yard',
        lazy: async () => ({ Component: (await import('./yard/YardPage')).YardPage }),
      },
      ...['/yard/tack/new', '/yard/tack/:gearId/change'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('./tack/PieceFormPage')).PieceFormPage }),
      })),
      {
        path: '/yard/tack/:gearId',
        lazy: async () => ({ Component: (await import('./tack/PiecePage')).PiecePage }),
      },
      {
        path: '/yard/places/:placeId',
        lazy: async () => ({ Component: (await import('./ground/PlacePage')).PlacePage }),
      },
      {
        path: '/yard/places/:placeId/draw',
        lazy: async () => ({ Component: (await import('./ground/DrawPlacePage')).DrawPlacePage }),
      },
      ...['/yard/places/:placeId/new/:kind', '/yard/courses/:courseId'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('./ground/CoursePage')).CoursePage }),
      })),
      {
        path: '/yard/courses/:courseId/sheet',
        lazy: async () => ({ Component: (await import('./ground/SheetPage')).SheetPage }),
      },
      {
        path: '/yard/cattle/:lotId',
        lazy: async () => ({ Component: (await import('./herd/LotPage')).LotPage }),
      },
      {
        path: '/yard/cows/:cowId',
        lazy: async () => ({ Component: (await import('./herd/CowPage')).CowPage }),
      },
      ...['/cattle-day', '/cattle-day/:day'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('./herd/MatchPage')).MatchPage }),
      })),
      {
        path: '/horses/:horseId/cattle',
        lazy: async () => ({ Component: (await import('./herd/WorksPage')).WorksPage }),
      },
      {
        path: '/yard/flag',
        lazy: async () => ({ Component: (await import('./flag/FlagPage')).FlagPage }),
      },
      {
        path: '/yard/bench',
        lazy: async () => ({ Component: (await import('./tack/BenchPage')).BenchPage }),
      },
      {
        path: '/horses/:horseId/tack',
        lazy: async () => ({ Component: (await import('./tack/HorseTackPage')).HorseTackPage }),
      },
      {
        path: '/horses/:horseId/tack/:gearId/change',
        lazy: async () => ({ Component: (await import('./tack/ChangePage')).ChangePage }),
      },
      {
        path: '/horses/:horseId/two-rein',
        lazy: async () => ({ Component: (await import('./tack/TwoReinPage')).TwoReinPage }),
      },
      {
        path: '/how-it-judges',
        lazy: async () => ({
          Component: (await import('./help/HowItJudgesPage')).HowItJudgesPage,
        }),
      },
      {
        path: '/changes',
        lazy: async () => ({ Component: (await import('./records/pages')).ChangesPage }),
      },
      {
        path: '/devices',
        lazy: async () => ({ Component: (await import('./records/pages')).DevicesPage }),
      },
      {
        path: '/records/sheet',
        lazy: async () => ({ Component: (await import('./records/pages')).ImportPage }),
      },
      {
        path: '/records',
        lazy: async () => ({ Component: (await import('./records/pages')).RecordsPage }),
      },
      {
        path: '/settings',
        lazy: async () => ({ Component: (await import('./settings/SettingsPage')).SettingsPage }),
      },
      {
        path: '/review',
        lazy: async () => ({ Component: (await import('./review/ReviewPage')).ReviewPage }),
      },
      {
        path: '/outcomes',
        lazy: async () => ({ Component: (await import('./outcomes/OutcomesPage')).OutcomesPage }),
      },
      { path: '*', element: <NoPage /> },
    ],
  },
]);
