import { useOutletContext } from 'react-router';
import type { Unit } from '@temnex/core/length';
import type { Photo } from '@temnex/core/photos';
import type { usePhotoUpload } from './usePhotoUpload.ts';
import type { Photos, PhotoOnPage } from '@temnex/contract';

/** What is known of the photos, whichever mark of the tape one is at. */
export interface PhotosContext {
  readonly photos: readonly Photo[];
  /** Of which it cannot be read how large they are. */
  readonly unreadable: Photos['unreadable'];
  readonly shown: readonly PhotoOnPage[];
  /** The unit in which bare lengths are read. */
  readonly unit: Unit;
  /** Photos that are being taken in, whichever mark one has gone on to meanwhile. */
  readonly takeIn: ReturnType<typeof usePhotoUpload>;
}
export const usePhotosContext = (): PhotosContext => useOutletContext<PhotosContext>();
