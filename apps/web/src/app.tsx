import { lazy, type ReactNode, Suspense } from 'react';
import { createBrowserRouter, Outlet } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { Toaster } from 'sonner';
import { SWRConfig } from 'swr';
import { useSession } from './api/hooks.ts';
import { ActionsProvider } from './frame/actions.tsx';
import { Frame } from './frame/frame.tsx';
import { PreferencesProvider } from './frame/preferences.tsx';
import { Failed, Loading } from './ui/page-states.tsx';
import { Desk } from './pages/desk/desk.tsx';
import { SignIn } from './pages/sign-in/sign-in.tsx';
import { NotHere } from './frame/not-here.tsx';

const page = (load: () => Promise<{ default: () => ReactNode }>, what: string): ReactNode => {
  const Page = lazy(load);
  return (
    <Suspense fallback={<Loading what={what} />}>
      <Page />
    </Suspense>
  );
};

/** Everything behind the sign-in. */
function SignedIn() {
  const { data, error, mutate } = useSession();
  // Who has the page open keeps it, and the work on it, when a later look at the session finds no server.
  if (error && !data)
    return <Failed what="the session" message={error.message} retry={() => void mutate()} />;
  if (!data) return <Loading what="the session" />;
  if (!data.person) return <SignIn demo={data.demo} />;
  return (
    <Frame person={data.person} demoAccounts={data.demoAccounts}>
      <Outlet />
    </Frame>
  );
}

const router = createBrowserRouter([
  { path: '/password', element: page(() => import('./pages/password/password-page.tsx'), 'the page') },
  {
    element: <SignedIn />,
    errorElement: <NotHere broken />,
    children: [
      { path: '/', element: <Desk /> },
      { path: '/jobs/new', element: page(() => import('./pages/intake/intake-page.tsx'), 'the form') },
      { path: '/jobs/:job', element: page(() => import('./pages/route/route-page.tsx'), 'the route') },
      { path: '/jobs/:job/ops/:op', element: page(() => import('./pages/bench/bench.tsx'), 'the bench') },
      { path: '/jobs/:job/holes', element: page(() => import('./pages/holes/holes-page.tsx'), 'the holes') },
      {
        path: '/jobs/:job/release',
        element: page(() => import('./pages/release/release-page.tsx'), 'the release'),
      },
      { path: '/jobs/:job/batch', element: page(() => import('./pages/batch/batch-page.tsx'), 'the batch') },
      { path: '/jobs/:job/floor', element: page(() => import('./pages/floor/floor-page.tsx'), 'the sheet') },
      {
        path: '/resonance/:combination?',
        element: page(() => import('./pages/chatter/chatter-page.tsx'), 'the combinations'),
      },
      {
        path: '/logbook/:view?',
        element: page(() => import('./pages/logbook/logbook-page.tsx'), 'the logbook'),
      },
      {
        path: '/programs',
        element: page(() => import('./pages/programs/programs-page.tsx'), 'the programs'),
      },
      { path: '/quick', element: page(() => import('./pages/quick/quick-page.tsx'), 'the answer') },
      { path: '/crib/:kind?', element: page(() => import('./pages/crib/crib-page.tsx'), 'the crib') },
      { path: '/help/:place?', element: page(() => import('./pages/help/help-page.tsx'), 'the help') },
      { path: '/people', element: page(() => import('./pages/people/people-page.tsx'), 'the people') },
      { path: '*', element: <NotHere /> },
    ],
  },
]);

export function App() {
  return (
    <PreferencesProvider>
      <SWRConfig value={{ errorRetryInterval: 4000, keepPreviousData: true }}>
        <ActionsProvider>
          <RouterProvider router={router} />
          <Toaster position="bottom-center" toastOptions={{ className: 'font-sans' }} />
        </ActionsProvider>
      </SWRConfig>
    </PreferencesProvider>
  );
}
