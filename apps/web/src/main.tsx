import '@fontsource/bricolage-grotesque/400.css';
import '@fontsource/bricolage-grotesque/600.css';
import '@fontsource/source-sans-3/400.css';
import '@fontsource/source-sans-3/600.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode, useLayoutEffect, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { DRAWER, fetchDrawer } from './api/drawer.ts';
import { recipesFetched } from './construction/recipes.ts';
import { replay } from './replay.ts';
import { routes } from './routes.tsx';
import { keptNeedsAll } from './screens/size/useSizing.ts';
import { Seen } from './ui/Seen.tsx';
import { keepApplicationLater } from './ui/installed.ts';
import { GlobalStyle } from './theme/global.ts';

/** So long after the first view is there, in milliseconds, when nobody has asked for it yet. */
const DRAWER_AFTER = 800;
const client = new QueryClient({ defaultOptions: { queries: { staleTime: 5000, retry: 1 } } });

const root = document.getElementById('root')!;
// what was shown before any script ran is taken over; to somebody who was here before it was not shown, and is not now
if ('known' in document.documentElement.dataset) root.replaceChildren();
delete document.documentElement.dataset.known;

/** Once it is there, the application does what was done before it was. */
function Answering({ children }: { children: ReactNode }) {
  // as soon as it stands there, before another key can be pressed
  useLayoutEffect(() => {
    void replay(root, globalThis.doneBefore?.() ?? [], recipesFetched);
    // the other constructions, once the first view is painted
    keepApplicationLater();
    requestAnimationFrame(() =>
      setTimeout(() => {
        void recipesFetched().catch(() => {});
        // and then the drawer, which most of what one goes on to needs
        setTimeout(
          () => void client.prefetchQuery({ queryKey: DRAWER, queryFn: () => fetchDrawer(client) }),
          DRAWER_AFTER,
        );
      }),
    );
  }, []);
  return children;
}

const begin = () =>
  createRoot(root, {
    // what it recovered from says itself what was wrong
    onRecoverableError: (error) => console.error((error as { cause?: unknown }).cause ?? error),
  }).render(
    <StrictMode>
      <Answering>
        <GlobalStyle />
        <QueryClientProvider client={client}>
          <RouterProvider router={routes} />
          <Seen />
        </QueryClientProvider>
      </Answering>
    </StrictMode>,
  );

// not awaited: what is fetched may need what stands here
if (keptNeedsAll() || globalThis.actedBefore?.()) void recipesFetched().then(begin, begin);
else begin();
