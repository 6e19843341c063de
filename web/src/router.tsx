import { createBrowserRouter, Navigate, type RouteObject } from 'react-router';
import { CrashPage } from './frame/crash-page';
import { Page } from './frame/page';
import { StudyFrame } from './frame/study-frame';
import { HomePage } from './home/home-page';
import { isStage } from './stages';
import { StagePage } from './stages/stage-page';

const STAGE_ROUTES: RouteObject[] = [
  { index: true, element: <Navigate to="correlations" replace /> },
  {
    path: ':stage',
    element: <StagePage />,
    loader: ({ params }) => {
      if (!isStage(params.stage)) throw new Response('no such stage', { status: 404 });
      return null;
    },
  },
];

export function createRouter() {
  return createBrowserRouter([
    {
      element: <Page />,
      errorElement: <CrashPage />,
      HydrateFallback: () => null,
      children: [
        { path: '/', element: <HomePage /> },
        { path: '/studies/new', lazy: async () => ({ Component: (await import('./new-study/new-study-page')).NewStudyPage }) },
        { path: '/figures', lazy: async () => ({ Component: (await import('./reported/reported-page')).ReportedPage }) },
        { path: '/help/:topic?', lazy: async () => ({ Component: (await import('./help/help-page')).HelpPage }) },
        { path: '/studies/:id', element: <StudyFrame />, children: STAGE_ROUTES },
        { path: '/studies/:id/at/:revision', element: <StudyFrame />, children: STAGE_ROUTES },
        {
          path: '*',
          loader: () => {
            throw new Response('no such page', { status: 404 });
          },
          element: null,
        },
      ],
    },
  ]);
}
