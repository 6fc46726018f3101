import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Link, Navigate, useRouteError } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { ApiError, OfflineError } from './api/client.ts';
import { ThemeProvider } from './components/theme.tsx';
import { ScreenLoading } from './components/ScreenState.tsx';
import './styles/app.css';
import { NewerVersion } from './offline/NewerVersion.tsx';
import { keepApplication } from './offline/service-worker.ts';
import { dropWhatIsGone } from './session/drop-gone.ts';
import { DisplayUnitsProvider } from './units/display-units.tsx';

const client = new QueryClient({
  defaultOptions: {
    // what cannot be reached is said at once; who can do without the server does so, and asks again by itself
    queries: {
      retry: (count, error) => !(error instanceof ApiError) && !(error instanceof OfflineError) && count < 2,
      networkMode: 'always',
      refetchOnWindowFocus: false,
    },
    mutations: { networkMode: 'always' },
  },
});

function Fault() {
  const error = useRouteError();
  return (
    <main role="alert" className="sheet m-8 max-w-xl p-6">
      <h1 className="text-xl">Something in this page failed</h1>
      <p className="my-3">
        {error instanceof Error ? error.message : 'The page could not be drawn.'} What you entered is saved, or kept in
        this browser until it is.
      </p>
      <Link className="button inline-block" to="/">
        Back to the jobs
      </Link>
    </main>
  );
}
function NotHere() {
  return (
    <main className="sheet m-8 max-w-xl p-6">
      <h1 className="text-xl">There is nothing at this address</h1>
      <p className="my-3">
        <Link className="underline" to="/">
          Go to the jobs
        </Link>
      </p>
    </main>
  );
}

// a screen is fetched when it is first gone to
const router = createBrowserRouter([
  {
    path: '/',
    lazy: () => import('./screens/jobs/JobListScreen.tsx').then((m) => ({ Component: m.JobListScreen })),
    ...page('the jobs'),
  },
  {
    path: '/pumps',
    lazy: () => import('./screens/pumps/PumpLibraryScreen.tsx').then((m) => ({ Component: m.PumpLibraryScreen })),
    ...page('the pump library'),
  },
  {
    path: '/threads',
    lazy: () => import('./screens/fittings/FittingsScreen.tsx').then((m) => ({ Component: m.FittingsScreen })),
    ...page('threads and adapters'),
  },
  { path: '/jobs/:id', element: <Navigate to="brief" replace />, errorElement: <Fault /> },
  {
    path: '/jobs/:id/:stage',
    lazy: () => import('./screens/job/JobScreen.tsx').then((m) => ({ Component: m.JobScreen })),
    ...page('the job'),
  },
  { path: '*', element: <NotHere /> },
]);

function page(what: string) {
  return { errorElement: <Fault />, hydrateFallbackElement: <ScreenLoading what={what} /> };
}

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <ThemeProvider>
      <DisplayUnitsProvider>
        <QueryClientProvider client={client}>
          <RouterProvider router={router} />
          <NewerVersion />
        </QueryClientProvider>
      </DisplayUnitsProvider>
    </ThemeProvider>
  </StrictMode>,
);

// once the page is there: what is kept for later must not hold up what is wanted now
window.addEventListener('load', () => {
  dropWhatIsGone();
  if (import.meta.env.PROD) void keepApplication();
});
