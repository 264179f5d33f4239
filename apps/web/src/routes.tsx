import { createBrowserRouter } from 'react-router';
import { PlainLink } from './ui/buttons.tsx';
import { Empty, Loading, Trouble } from './ui/states.tsx';
import { SizeScreen } from './screens/size/SizeScreen.tsx';

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
  { path: '/', element: <SizeScreen />, errorElement: failed },
  {
    path: '/choose',
    lazy: async () => ({
      Component: (await import('./screens/choose/ChooseScreen.tsx')).ChooseScreen,
    }),
    errorElement: failed,
    hydrateFallbackElement: <Loading what="the constructions" />,
  },
  {
    path: '/page/:id',
    lazy: async () => ({ Component: (await import('./screens/page/PageStation.tsx')).PageStation }),
    errorElement: failed,
    hydrateFallbackElement: <Loading what="the page" />,
    children: [
      {
        index: true,
        lazy: async () => ({ Component: (await import('./screens/page/PageScreen.tsx')).PageScreen }),
      },
      {
        path: 'papers',
        lazy: async () => ({ Component: (await import('./screens/papers/PapersScreen.tsx')).PapersScreen }),
      },
      {
        path: 'order',
        lazy: async () => ({ Component: (await import('./screens/order/OrderScreen.tsx')).OrderScreen }),
      },
      {
        path: 'kit',
        lazy: async () => ({ Component: (await import('./screens/kit/KitScreen.tsx')).KitScreen }),
      },
      {
        path: 'on-paper',
        lazy: async () => ({
          Component: (await import('./screens/print/PageOnPaperScreen.tsx')).PageOnPaperScreen,
        }),
      },
      {
        path: 'print',
        lazy: async () => ({ Component: (await import('./screens/print/PrintScreen.tsx')).PrintScreen }),
      },
    ],
  },
  {
    path: '/books',
    lazy: async () => ({ Component: (await import('./screens/books/BooksStation.tsx')).BooksStation }),
    errorElement: failed,
    hydrateFallbackElement: <Loading what="the books" />,
    children: [
      {
        index: true,
        lazy: async () => ({ Component: (await import('./screens/books/RecordScreen.tsx')).RecordScreen }),
      },
      {
        path: 'devices',
        lazy: async () => ({ Component: (await import('./screens/books/DevicesScreen.tsx')).DevicesScreen }),
      },
      {
        path: 'backup',
        lazy: async () => ({ Component: (await import('./screens/books/BackupScreen.tsx')).BackupScreen }),
      },
    ],
  },
  {
    path: '/photos',
    lazy: async () => ({ Component: (await import('./screens/photos/PhotosStation.tsx')).PhotosStation }),
    errorElement: failed,
    hydrateFallbackElement: <Loading what="the photos" />,
    children: [
      {
        index: true,
        lazy: async () => ({ Component: (await import('./screens/photos/PhotoLine.tsx')).PhotoLine }),
      },
      {
        path: 'prints',
        lazy: async () => ({ Component: (await import('./screens/photos/PrintsScreen.tsx')).PrintsScreen }),
      },
      {
        path: 'sketches',
        lazy: async () => ({
          Component: (await import('./screens/photos/SketchesScreen.tsx')).SketchesScreen,
        }),
      },
      {
        path: 'sheets',
        lazy: async () => ({ Component: (await import('./screens/photos/SheetsScreen.tsx')).SheetsScreen }),
      },
      {
        path: 'of/:id',
        lazy: async () => ({
          Component: (await import('./screens/photos/CropScreen.tsx')).CropScreen,
        }),
      },
    ],
  },
  {
    path: '/trimmer/:id',
    lazy: async () => ({ Component: (await import('./screens/trimmer/TrimmerScreen.tsx')).TrimmerScreen }),
    errorElement: failed,
    hydrateFallbackElement: <Loading what="the session" />,
  },
  {
    path: '/drawer',
    lazy: async () => ({ Component: (await import('./screens/drawer/DrawerStation.tsx')).DrawerStation }),
    errorElement: failed,
    hydrateFallbackElement: <Loading what="the drawer" />,
    children: [
      {
        index: true,
        lazy: async () => ({ Component: (await import('./screens/drawer/LookThrough.tsx')).LookThrough }),
      },
      {
        path: 'in',
        lazy: async () => ({ Component: (await import('./screens/drawer/PutMany.tsx')).PutMany }),
      },
      {
        path: 'rules',
        lazy: async () => ({ Component: (await import('./screens/drawer/ClearOut.tsx')).ClearOutScreen }),
      },
      {
        path: 'use-up',
        lazy: async () => ({ Component: (await import('./screens/drawer/UseUp.tsx')).UseUpScreen }),
      },
      {
        path: 'trace',
        lazy: async () => ({ Component: (await import('./screens/drawer/Trace.tsx')).TraceScreen }),
      },
      {
        path: 'wanted',
        lazy: async () => ({ Component: (await import('./screens/drawer/Wanted.tsx')).WantedScreen }),
      },
      {
        path: 'together',
        lazy: async () => ({
          Component: (await import('./screens/drawer/Together.tsx')).TogetherScreen,
        }),
      },
    ],
  },
  { path: '*', element: <Nowhere /> },
]);
