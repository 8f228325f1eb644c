import { createBrowserRouter } from 'react-router'
import { LoadingState } from '../shared/ui/index.ts'
import { NotFoundPage } from './NotFoundPage.tsx'
import { BrokenPage } from './BrokenPage.tsx'
import { ProjectRoad, Shell } from './Shell.tsx'
import { Start, WhereNow } from './WhereNow.tsx'

export const router = createBrowserRouter([
  {
    path: 'look/:token',
    hydrateFallbackElement: <LoadingState what="how far it is" />,
    errorElement: <BrokenPage />,
    lazy: async () => ({ Component: (await import('../features/client-view/index.ts')).ClientViewPage }),
  },
  {
    element: <Shell />,
    hydrateFallbackElement: <LoadingState what="Seriatim" />,
    errorElement: <BrokenPage />,
    children: [
      { index: true, element: <Start /> },
      {
        path: 'projects',
        lazy: async () => ({ Component: (await import('../features/projects/index.ts')).ProjectsPage }),
      },
      {
        path: 'new',
        lazy: async () => ({ Component: (await import('../features/new-project/index.ts')).NewProjectPage }),
      },
      {
        path: 'shelf',
        lazy: async () => ({ Component: (await import('../features/shelf/index.ts')).ShelfPage }),
      },
      {
        path: 'air',
        lazy: async () => ({ Component: (await import('../features/air/index.ts')).AirPage }),
      },
      {
        path: 'desk',
        lazy: async () => ({ Component: (await import('../features/desk/index.ts')).DeskPage }),
      },
      {
        path: 'commissions',
        lazy: async () => ({
          Component: (await import('../features/commissions/index.ts')).CommissionsPage,
        }),
      },
      {
        path: 'studio',
        lazy: async () => ({ Component: (await import('../features/auth/index.ts')).StudioPage }),
      },
      {
        path: 'help',
        lazy: async () => ({ Component: (await import('../features/help/index.ts')).HelpPage }),
      },
      {
        path: 'projects/:projectId',
        element: <ProjectRoad />,
        errorElement: <BrokenPage />,
        children: [
          { index: true, element: <WhereNow /> },
          {
            path: 'roster',
            lazy: async () => ({ Component: (await import('../features/roster/index.ts')).RosterPage }),
          },
          {
            path: 'recipe',
            lazy: async () => ({ Component: (await import('../features/recipe/index.ts')).RecipePage }),
          },
          {
            path: 'line',
            lazy: async () => ({ Component: (await import('../features/line/index.ts')).LinePage }),
          },
          {
            path: 'pilot/:unitId',
            lazy: async () => ({ Component: (await import('../features/pilot/index.ts')).PilotPage }),
          },
          {
            path: 'finished/:unitId',
            lazy: async () => ({ Component: (await import('../features/finished/index.ts')).FinishedPage }),
          },
          {
            path: 'hours',
            lazy: async () => ({ Component: (await import('../features/hours/index.ts')).HoursPage }),
          },
          {
            path: 'plan',
            lazy: async () => ({ Component: (await import('../features/plan/index.ts')).PlanPage }),
          },
          {
            path: 'sessions',
            lazy: async () => ({ Component: (await import('../features/sessions/index.ts')).SessionsPage }),
          },
          {
            path: 'bench',
            lazy: async () => ({ Component: (await import('../features/bench/index.ts')).BenchPage }),
          },
          {
            path: 'sheet',
            lazy: async () => ({ Component: (await import('../features/sheet/index.ts')).SheetPage }),
          },
          {
            path: 'paper',
            lazy: async () => ({ Component: (await import('../features/paper/index.ts')).PaperPage }),
          },
          {
            path: 'commission',
            lazy: async () => ({
              Component: (await import('../features/commissions/index.ts')).CommissionPage,
            }),
          },
          {
            path: 'quote/:quoteId',
            lazy: async () => ({ Component: (await import('../features/commissions/index.ts')).QuotePage }),
          },
          {
            path: 'logbook',
            lazy: async () => ({ Component: (await import('../features/logbook/index.ts')).LogbookPage }),
          },
        ],
      },
      { path: '*', element: <NotFoundPage /> },
    ],
  },
])
