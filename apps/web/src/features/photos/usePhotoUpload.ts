import { useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import type { Photos } from '@temnex/contract';
import { ServerUnreachable } from '../../data/client.ts';
import { uploadPhoto } from '../../data/photos.ts';
import { KEYS } from '../../data/keys.ts';

/** Files that go at a time, and how often one is tried again whose answer was lost. */
const AT_A_TIME = 3;
const TRIES = 3;
const WAIT = 400;

export interface PhotoUpload {
  readonly of: number;
  readonly done: number;
  /** Photos that were there already, or are back. */
  readonly again: number;
  readonly refused: readonly { readonly name: string; readonly why: string }[];
}

/** Takes many photos in, some at a time: how far it has come, and which were refused and why. The others go in all the same. */
export function usePhotoUpload() {
  const client = useQueryClient();
  const [state, setState] = useState<PhotoUpload | null>(null);
  const waiting = useRef<File[]>([]);
  const working = useRef(0);
  const tell = (change: (was: PhotoUpload) => PhotoUpload) => setState((was) => (was ? change(was) : was));
  const one = async (file: File) => {
    const id = crypto.randomUUID();
    for (let tries = 1; ; tries++) {
      try {
        const { photo, again } = await uploadPhoto(file, id);
        // seen at once, before all are in
        client.setQueryData<Photos>(KEYS.photos, (now) =>
          now && !now.photos.some((p) => p.id === photo.id) ? { ...now, photos: [photo, ...now.photos] } : now,
        );
        return tell((was) => ({ ...was, done: was.done + 1, again: was.again + (again ? 1 : 0) }));
      } catch (error) {
        if (error instanceof ServerUnreachable && tries < TRIES) {
          await new Promise((again) => setTimeout(again, WAIT * tries));
          continue;
        }
        const why = error instanceof Error ? error.message : 'It could not be sent.';
        return tell((was) => ({ ...was, done: was.done + 1, refused: [...was.refused, { name: file.name, why }] }));
      }
    }
  };
  const work = async () => {
    if (working.current >= AT_A_TIME) return;
    working.current++;
    for (let file = waiting.current.shift(); file; file = waiting.current.shift()) await one(file);
    working.current--;
    if (!working.current) await client.invalidateQueries({ queryKey: KEYS.photos });
  };
  const take = (files: readonly File[]) => {
    if (!files.length) return;
    waiting.current.push(...files);
    setState((was) =>
      was && was.done < was.of
        ? { ...was, of: was.of + files.length }
        : { of: files.length, done: 0, again: 0, refused: [] },
    );
    for (let n = 0; n < AT_A_TIME; n++) void work();
  };
  return { state, take, seen: () => setState(null) };
}
