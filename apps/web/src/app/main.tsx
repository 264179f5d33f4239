import '@fontsource/bricolage-grotesque/400.css';
import '@fontsource/bricolage-grotesque/600.css';
import '@fontsource/source-sans-3/400.css';
import '@fontsource/source-sans-3/600.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode, useEffect, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { fetchDrawer } from '../data/drawer.ts';
import { routes } from './routes.tsx';
import { GlobalStyle } from '../design/global.ts';
import { StaleDataBanner } from '../design/StaleDataBanner.tsx';
import { installServiceWorkerLater } from '../data/serviceWorker.ts';
import { KEYS } from '../data/keys.ts';

/** How long the first view is left alone before the drawer is fetched ahead of time, in milliseconds. */
const DRAWER_PREFETCH_DELAY_MS = 800;
const client = new QueryClient({ defaultOptions: { queries: { staleTime: 5000, retry: 1 } } });

/** What can wait until the first view has been painted. */
function AfterFirstPaint({ children }: { children: ReactNode }) {
  useEffect(() => {
    installServiceWorkerLater();
    const timer = setTimeout(
      () => void client.prefetchQuery({ queryKey: KEYS.drawer, queryFn: () => fetchDrawer(client) }),
      DRAWER_PREFETCH_DELAY_MS,
    );
    return () => clearTimeout(timer);
  }, []);
  return children;
}

const container = document.getElementById('root')!;
const root = createRoot(container, {
  // React recovers by itself; the cause says what was wrong.
  onRecoverableError: (error) => console.error((error as { cause?: unknown }).cause ?? error),
});
// The picture of the first view that came with the page is inert, so nothing can be typed into it. It is replaced in one go by
// the view that answers.
flushSync(() =>
  root.render(
    <StrictMode>
      <AfterFirstPaint>
        <GlobalStyle />
        <QueryClientProvider client={client}>
          <RouterProvider router={routes} />
          <StaleDataBanner />
        </QueryClientProvider>
      </AfterFirstPaint>
    </StrictMode>,
  ),
);
container.inert = false;
delete document.documentElement.dataset.returning;
