import { useEffect } from 'react';
import { Outlet } from 'react-router';
import { useHabits } from '../../data/habits.ts';
import { usePhotos } from '../../data/photos.ts';
import { KeysSheet } from '../../design/KeysSheet.tsx';
import { Loading, Trouble } from '../../design/states.tsx';
import { StationNav, type Station } from '../../design/StationNav.tsx';
import { useScrollToTop } from '../../design/useScrollToTop.ts';
import type { PhotosContext } from './context.ts';
import { usePhotoUpload } from './usePhotoUpload.ts';

const PLACES: readonly Station[] = [
  { to: '/photos', name: 'Waiting photos', reached: true },
  { to: '/photos/prints', name: 'Prints', reached: true },
  { to: '/photos/sheets', name: 'Photo sheets', reached: true },
  { to: '/photos/sketches', name: 'Sketches', reached: true },
];

/** Photos, apart from any page: what there is, which prints they are to become, and sheets of several. */
export function PhotosStation() {
  useScrollToTop();
  const photos = usePhotos();
  const habits = useHabits();
  const takeIn = usePhotoUpload();
  useEffect(() => {
    document.title = 'Photos · Temnex';
  }, []);
  return (
    <>
      <StationNav stations={PLACES} label="At the photos" />
      <KeysSheet stations={PLACES} />
      {photos.data && habits.data ? (
        <Outlet context={{ ...photos.data, takeIn, unit: habits.data.habits?.unit ?? 'in' } satisfies PhotosContext} />
      ) : photos.error || habits.error ? (
        <Trouble
          title="The photos could not be fetched"
          error={photos.error ?? habits.error}
          retry={() => {
            void photos.refetch();
            void habits.refetch();
          }}
        />
      ) : (
        <Loading what="the photos" />
      )}
    </>
  );
}
