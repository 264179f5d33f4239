import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import {
  changedPhotosSchema,
  photosSchema,
  uploadedPhotoSchema,
  type ChangePhotos,
  type PHOTO_SIDES,
  type Photos,
  type UploadedPhoto,
} from '@temnex/contract';
import { requestJson } from './client.ts';
import { KEYS } from './keys.ts';

/** Where they are shown changes with every page that is made, saved or taken out: asked anew wherever they are looked at. */
export const usePhotos = () =>
  useQuery({ queryKey: KEYS.photos, queryFn: () => requestJson('GET', '/api/photos', photosSchema), staleTime: 0 });

/** Where a photo is seen from, so large. */
export const photoUrl = (file: string, side: keyof typeof PHOTO_SIDES = 'large'): string =>
  `/api/photos/files/${file}?side=${side}`;

/** Sends one photo; `id` stays the same however often it is tried. */
export const uploadPhoto = (file: File, id: string): Promise<UploadedPhoto> =>
  requestJson('POST', `/api/photos?${new URLSearchParams({ id, name: file.name.slice(0, 255) }).toString()}`, uploadedPhotoSchema, file.type ? file : file.slice(0, file.size, 'image/jpeg')); // prettier-ignore

/** Says something of photos; seen at once, and as it was where it is refused. */
export function useChangePhotos() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (change: ChangePhotos) => requestJson('PATCH', '/api/photos', changedPhotosSchema, change),
    onMutate: ({ photos, change }) => {
      const was = client.getQueryData<Photos>(KEYS.photos);
      const meant = new Set(photos);
      client.setQueryData<Photos>(KEYS.photos, (now) =>
        now ? { ...now, photos: now.photos.map((p) => (meant.has(p.id) ? { ...p, ...change } : p)) } : now,
      );
      return was;
    },
    onError: (_error, _change, was) => client.setQueryData(KEYS.photos, was),
    onSettled: () => client.invalidateQueries({ queryKey: KEYS.photos }),
  });
}

export function useRemovePhotos() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (photos: readonly string[]) =>
      requestJson('POST', '/api/photos/remove', null, { id: crypto.randomUUID(), photos }),
    onSettled: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: KEYS.photos }),
        client.invalidateQueries({ queryKey: KEYS.removed }),
      ]),
  });
}

/** Brings photos back, one after the other. */
export function useRestorePhotos() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (photos: readonly string[]) => {
      for (const photo of photos)
        await requestJson('POST', `/api/photos/${photo}/restore`, null, { id: crypto.randomUUID() });
    },
    onSettled: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: KEYS.photos }),
        client.invalidateQueries({ queryKey: KEYS.removed }),
      ]),
  });
}
