import type { ComponentType } from 'react';
import { createBrowserRouter } from 'react-router';
import { PlainLink } from '../design/buttons.tsx';
import { Empty, Loading, Trouble } from '../design/states.tsx';
import { SizeScreen } from '../features/sizing/SizeScreen.tsx';
import { usePrefetchedViews } from './usePrefetchedViews.ts';

// views to which one is likely to go next are fetched while there is nothing else to do
const loadChoose = () => import('../features/sizing/ChooseScreen.tsx');
const loadPageStation = () => import('../features/page/PageStation.tsx');
const loadPage = () => import('../features/page/PageScreen.tsx');
const loadPapers = () => import('../features/papers/PapersScreen.tsx');
const loadOrder = () => import('../features/order/OrderScreen.tsx');
const loadTrimmer = () => import('../features/trimmer/TrimmerScreen.tsx');

const fromSizes = [loadChoose, loadPageStation, loadPage];
const fromPage = [loadPage, loadPapers, loadOrder];
const fromOrder = [loadTrimmer];

/** A view that fetches others while it is shown. */
function prefetching(View: ComponentType, views: readonly (() => Promise<unknown>)[]): ComponentType {
  return function Prefetching() {
    usePrefetchedViews(views);
    return <View />;
  };
}
const Sizes = prefetching(SizeScreen, fromSizes);

function Nowhere() {
  return (
    <main>
      <Empty title="There is nothing at this address">
        <p>The page may have been removed.</p>
        <PlainLink to="/">To the start</PlainLink>
      </Empty>
    </main>
  );
}

const failed = (
  <Trouble
    title="This view broke"
    error={new Error('What you saved is safe. Load the page again.')}
    retry={() => location.reload()}
  />
);

export const routes = createBrowserRouter([
  { path: '/', element: <Sizes />, errorElement: failed },
  {
    path: '/choose',
    lazy: async () => ({ Component: (await loadChoose()).ChooseScreen }),
    errorElement: failed,
    hydrateFallbackElement: <Loading what="the constructions" />,
  },
  {
    path: '/page/:id',
    lazy: async () => ({ Component: prefetching((await loadPageStation()).PageStation, fromPage) }),
    errorElement: failed,
    hydrateFallbackElement: <Loading what="the page" />,
    children: [
      {
        index: true,
        lazy: async () => ({ Component: (await loadPage()).PageScreen }),
      },
      {
        path: 'papers',
        lazy: async () => ({ Component: (await loadPapers()).PapersScreen }),
      },
      {
        path: 'order',
        lazy: async () => ({ Component: prefetching((await loadOrder()).OrderScreen, fromOrder) }),
      },
      {
        path: 'kit',
        lazy: async () => ({ Component: (await import('../features/kit/KitScreen.tsx')).KitScreen }),
      },
      {
        path: 'on-paper',
        lazy: async () => ({ Component: (await import('../features/print/PageOnPaperScreen.tsx')).PageOnPaperScreen }),
      },
      {
        path: 'print',
        lazy: async () => ({ Component: (await import('../features/print/PrintScreen.tsx')).PrintScreen }),
      },
    ],
  },
  {
    path: '/books',
    lazy: async () => ({ Component: (await import('../features/books/BooksStation.tsx')).BooksStation }),
    errorElement: failed,
    hydrateFallbackElement: <Loading what="the books" />,
    children: [
      {
        index: true,
        lazy: async () => ({ Component: (await import('../features/books/RecordScreen.tsx')).RecordScreen }),
      },
      {
        path: 'devices',
        lazy: async () => ({ Component: (await import('../features/books/DevicesScreen.tsx')).DevicesScreen }),
      },
      {
        path: 'backup',
        lazy: async () => ({ Component: (await import('../features/books/BackupScreen.tsx')).BackupScreen }),
      },
    ],
  },
  {
    path: '/photos',
    lazy: async () => ({ Component: (await import('../features/photos/PhotosStation.tsx')).PhotosStation }),
    errorElement: failed,
    hydrateFallbackElement: <Loading what="the photos" />,
    children: [
      {
        index: true,
        lazy: async () => ({ Component: (await import('../features/photos/wall/PhotoLine.tsx')).PhotoLine }),
      },
      {
        path: 'prints',
        lazy: async () => ({ Component: (await import('../features/photos/prints/PrintsScreen.tsx')).PrintsScreen }),
      },
      {
        path: 'sketches',
        lazy: async () => ({
          Component: (await import('../features/photos/sketches/SketchesScreen.tsx')).SketchesScreen,
        }),
      },
      {
        path: 'sheets',
        lazy: async () => ({ Component: (await import('../features/photos/sheets/SheetsScreen.tsx')).SheetsScreen }),
      },
      {
        path: 'of/:id',
        lazy: async () => ({ Component: (await import('../features/photos/crop/CropScreen.tsx')).CropScreen }),
      },
    ],
  },
  {
    path: '/trimmer/:id',
    lazy: async () => ({ Component: (await loadTrimmer()).TrimmerScreen }),
    errorElement: failed,
    hydrateFallbackElement: <Loading what="the session" />,
  },
  {
    path: '/drawer',
    lazy: async () => ({ Component: (await import('../features/drawer/DrawerStation.tsx')).DrawerStation }),
    errorElement: failed,
    hydrateFallbackElement: <Loading what="the drawer" />,
    children: [
      {
        index: true,
        lazy: async () => ({ Component: (await import('../features/drawer/browse/LookThrough.tsx')).LookThrough }),
      },
      {
        path: 'in',
        lazy: async () => ({ Component: (await import('../features/drawer/add/PutMany.tsx')).PutMany }),
      },
      {
        path: 'rules',
        lazy: async () => ({ Component: (await import('../features/drawer/clear-out/ClearOut.tsx')).ClearOutScreen }),
      },
      {
        path: 'use-up',
        lazy: async () => ({ Component: (await import('../features/drawer/use-up/UseUp.tsx')).UseUpScreen }),
      },
      {
        path: 'trace',
        lazy: async () => ({ Component: (await import('../features/drawer/trace/Trace.tsx')).TraceScreen }),
      },
      {
        path: 'wanted',
        lazy: async () => ({ Component: (await import('../features/drawer/demand/Wanted.tsx')).WantedScreen }),
      },
      {
        path: 'together',
        lazy: async () => ({
          Component: prefetching((await import('../features/drawer/together/Together.tsx')).TogetherScreen, fromOrder),
        }),
      },
    ],
  },
  { path: '*', element: <Nowhere /> },
]);
