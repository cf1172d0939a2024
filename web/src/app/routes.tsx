import { createBrowserRouter } from 'react-router';
import { SignedInFrame } from './SignedInFrame';
import { NoPage, PageBroke } from '../shell/NoPage';
import { Waiting } from '../shell/Waiting';

const level = '/horses/:horseId/levels/:skill/:rung';

export const router = createBrowserRouter([
  {
    path: '/come-in',
    errorElement: <PageBroke />,
    hydrateFallbackElement: <Waiting label="Fetching" />,
    lazy: async () => ({ Component: (await import('../barn/join/ComeInPage')).ComeInPage }),
  },
  ...['/my-horse', '/my-horse/reports/:reportId'].map((path) => ({
    path,
    errorElement: <PageBroke />,
    hydrateFallbackElement: <Waiting label="Fetching" />,
    lazy: async () => ({ Component: (await import('../owner/LinkPage')).LinkPage }),
  })),
  {
    path: '/my-horse/how-it-judges',
    errorElement: <PageBroke />,
    hydrateFallbackElement: <Waiting label="Fetching" />,
    lazy: async () => ({ Component: (await import('../help/OwnersHelpPage')).OwnersHelpPage }),
  },
  {
    element: <SignedInFrame />,
    errorElement: <PageBroke />,
    hydrateFallbackElement: <Waiting label="Fetching" />,
    children: [
      {
        path: '/',
        lazy: async () => ({ Component: (await import('../barn/today/TodayPage')).TodayPage }),
      },
      {
        path: '/horses/:horseId/ride/:skill/:rung',
        lazy: async () => ({
          Component: (await import('../ride/recorder/RecorderPage')).RecorderPage,
        }),
      },
      {
        path: level,
        lazy: async () => ({ Component: (await import('../horse/level/GatePage')).GatePage }),
      },
      {
        path: `${level}/strip`,
        lazy: async () => ({ Component: (await import('../horse/level/StripPage')).StripPage }),
      },
      {
        path: '/rides/:rideId',
        lazy: async () => ({ Component: (await import('../ride/page/RidePage')).RidePage }),
      },
      {
        path: '/attention',
        lazy: async () => ({
          Component: (await import('../barn/attention/AttentionPage')).AttentionPage,
        }),
      },
      ...['/week', '/week/:day'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../plan/week/WeekPage')).WeekPage }),
      })),
      {
        path: '/barn',
        lazy: async () => ({ Component: (await import('../barn/board/BoardPage')).BoardPage }),
      },
      {
        path: '/horses/:horseId',
        lazy: async () => ({ Component: (await import('../horse/page/HorsePage')).HorsePage }),
      },
      {
        path: '/horses/:horseId/card',
        lazy: async () => ({ Component: (await import('../ride/card/CardPage')).CardPage }),
      },
      {
        path: '/horses/:horseId/road',
        lazy: async () => ({ Component: (await import('../plan/road/RoadPage')).RoadPage }),
      },
      {
        path: '/horses/:horseId/owner',
        lazy: async () => ({ Component: (await import('../owner/OwnerPage')).OwnerPage }),
      },
      {
        path: '/reports/:reportId',
        lazy: async () => ({ Component: (await import('../owner/ReportPage')).ReportPage }),
      },
      {
        path: '/cow-trainer',
        lazy: async () => ({
          Component: (await import('../cattle/cow/CowTrainerPage')).CowTrainerPage,
        }),
      },
      {
        path: '/horses/:horseId/track',
        lazy: async () => ({ Component: (await import('../ride/track/pages')).TrackPage }),
      },
      {
        path: '/horses/:horseId/gauge',
        lazy: async () => ({ Component: (await import('../ride/track/pages')).GaugePage }),
      },
      {
        path: '/horses/:horseId/tapes',
        lazy: async () => ({ Component: (await import('../ride/tape/TapesPage')).TapesPage }),
      },
      {
        path: '/horses/:horseId/tapes/:tapeId',
        lazy: async () => ({ Component: (await import('../ride/tape/TapeRoomPage')).TapeRoomPage }),
      },
      {
        path: '/horses/:horseId/runs',
        lazy: async () => ({ Component: (await import('../ground/RunsPage')).RunsPage }),
      },
      {
        path: '/drills/:drill',
        lazy: async () => ({ Component: (await import('../ground/DrillPage')).DrillPage }),
      },
      {
        path: '/horses/:horseId/cool-out',
        lazy: async () => ({
          Component: (await import('../ride/coolOut/CoolOutPage')).CoolOutPage,
        }),
      },
      {
        path: '/horses/:horseId/intake',
        lazy: async () => ({ Component: (await import('../ride/intake/IntakePage')).IntakePage }),
      },
      {
        path: '/compare',
        lazy: async () => ({
          Component: (await import('../horse/compare/ComparePage')).ComparePage,
        }),
      },
      {
        path: '/ladder',
        lazy: async () => ({ Component: (await import('../ladder/LadderPage')).LadderPage }),
      },
      {
        path: '/programs/:programId',
        lazy: async () => ({
          Component: (await import('../ladder/program/ProgramPage')).ProgramPage,
        }),
      },
      ...['/day', '/day/:day'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../plan/day/DayPage')).DayPage }),
      })),
      {
        path: '/calendars',
        lazy: async () => ({
          Component: (await import('../plan/calendars/CalendarsPage')).CalendarsPage,
        }),
      },
      {
        path: '/people',
        lazy: async () => ({ Component: (await import('../barn/people/PeoplePage')).PeoplePage }),
      },
      {
        path: '/people/new',
        lazy: async () => ({
          Component: (await import('../barn/people/NewPersonPage')).NewPersonPage,
        }),
      },
      {
        path: '/people/:personId',
        lazy: async () => ({ Component: (await import('../barn/people/PersonPage')).PersonPage }),
      },
      {
        path: '/horses',
        lazy: async () => ({ Component: (await import('../horse/sheet/HorsesPage')).HorsesPage }),
      },
      {
        path: '/horses/new',
        lazy: async () => ({
          Component: (await import('../horse/sheet/NewHorsePage')).NewHorsePage,
        }),
      },
      {
        path: '/horses/several',
        lazy: async () => ({ Component: (await import('../horse/sheet/SeveralPage')).SeveralPage }),
      },
      {
        path: '/horses/:horseId/sheet',
        lazy: async () => ({ Component: (await import('../horse/sheet/SheetPage')).SheetPage }),
      },
      {
        path: '/yard',
        lazy: async () => ({ Component: (await import('../barn/yard/YardPage')).YardPage }),
      },
      ...['/yard/tack/new', '/yard/tack/:gearId/change'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../tack/PieceFormPage')).PieceFormPage }),
      })),
      {
        path: '/yard/tack/:gearId',
        lazy: async () => ({ Component: (await import('../tack/PiecePage')).PiecePage }),
      },
      {
        path: '/yard/places/:placeId',
        lazy: async () => ({ Component: (await import('../ground/PlacePage')).PlacePage }),
      },
      {
        path: '/yard/places/:placeId/draw',
        lazy: async () => ({ Component: (await import('../ground/DrawPlacePage')).DrawPlacePage }),
      },
      ...['/yard/places/:placeId/new/:kind', '/yard/courses/:courseId'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../ground/CoursePage')).CoursePage }),
      })),
      {
        path: '/yard/courses/:courseId/sheet',
        lazy: async () => ({ Component: (await import('../ground/SheetPage')).SheetPage }),
      },
      {
        path: '/yard/cattle/:lotId',
        lazy: async () => ({ Component: (await import('../cattle/herd/LotPage')).LotPage }),
      },
      {
        path: '/yard/cows/:cowId',
        lazy: async () => ({ Component: (await import('../cattle/herd/CowPage')).CowPage }),
      },
      ...['/cattle-day', '/cattle-day/:day'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../cattle/herd/MatchPage')).MatchPage }),
      })),
      {
        path: '/horses/:horseId/cattle',
        lazy: async () => ({ Component: (await import('../cattle/herd/WorksPage')).WorksPage }),
      },
      {
        path: '/yard/flag',
        lazy: async () => ({ Component: (await import('../cattle/flag/FlagPage')).FlagPage }),
      },
      {
        path: '/yard/bench',
        lazy: async () => ({ Component: (await import('../tack/BenchPage')).BenchPage }),
      },
      {
        path: '/horses/:horseId/tack',
        lazy: async () => ({ Component: (await import('../tack/HorseTackPage')).HorseTackPage }),
      },
      {
        path: '/horses/:horseId/tack/:gearId/change',
        lazy: async () => ({ Component: (await import('../tack/ChangePage')).ChangePage }),
      },
      {
        path: '/horses/:horseId/two-rein',
        lazy: async () => ({ Component: (await import('../tack/TwoReinPage')).TwoReinPage }),
      },
      {
        path: '/how-it-judges',
        lazy: async () => ({
          Component: (await import('../help/HowItJudgesPage')).HowItJudgesPage,
        }),
      },
      {
        path: '/changes',
        lazy: async () => ({ Component: (await import('../records/pages')).ChangesPage }),
      },
      {
        path: '/devices',
        lazy: async () => ({ Component: (await import('../records/pages')).DevicesPage }),
      },
      {
        path: '/records/sheet',
        lazy: async () => ({ Component: (await import('../records/pages')).ImportPage }),
      },
      {
        path: '/records',
        lazy: async () => ({ Component: (await import('../records/pages')).RecordsPage }),
      },
      {
        path: '/settings',
        lazy: async () => ({
          Component: (await import('../barn/settings/SettingsPage')).SettingsPage,
        }),
      },
      {
        path: '/review',
        lazy: async () => ({
          Component: (await import('../records/review/ReviewPage')).ReviewPage,
        }),
      },
      {
        path: '/outcomes',
        lazy: async () => ({
          Component: (await import('../horse/outcomes/OutcomesPage')).OutcomesPage,
        }),
      },
      { path: '*', element: <NoPage /> },
    ],
  },
]);
