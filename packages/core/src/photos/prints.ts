import { lengthOf, type Ticks } from '../length/index.ts';
import { computeFramedCrop } from './framing.ts';
import type { Crop } from './crop.ts';
import type { Photo } from './photo.ts';

/** A print of a photo that a page shows, as its page tells it; sizes in ticks, the crop in pixels. */
export interface PrintOnPage {
  readonly photo: string;
  readonly page: string;
  readonly pageName: string;
  readonly part: string;
  readonly width: Ticks;
  readonly height: Ticks;
  readonly crop: Crop;
  /** Somebody has measured the print: there is one. */
  readonly measured: boolean;
  readonly copies: number;
}

/** A print to be made. */
export interface PrintToMake {
  /** Unlike any other. */
  readonly key: string;
  readonly photo: Photo;
  readonly width: Ticks;
  readonly height: Ticks;
  readonly crop: Crop;
  readonly copies: number;
  /** For which page, as which part of it; null: somebody wants it. */
  readonly page: { readonly id: string; readonly name: string; readonly part: string } | null;
}

/**
 * Every print that pages ask for or somebody has ordered, and those of them that are there already: measured on the page, or a print of
 * its very size is known of the photo. Largest first.
 */
export function collectPrints(
  photos: readonly Photo[],
  shown: readonly PrintOnPage[],
): { readonly toMake: readonly PrintToMake[]; readonly there: readonly PrintToMake[] } {
  const byId = new Map(photos.map((p) => [p.id, p]));
  const asked = shown.flatMap((s) => {
    const photo = byId.get(s.photo);
    if (!photo) return [];
    const { width, height, crop, copies } = s;
    const page = { id: s.page, name: s.pageName, part: s.part };
    const print = { key: `${s.page}/${s.part}/${s.photo}`, photo, width, height, crop, copies, page };
    return [{ print, there: s.measured || hasPrint(photo, width, height) }];
  });
  const ordered = photos.flatMap((photo) =>
    photo.orders.map(({ id, width, height, unit, copies, framing }): PrintToMake => {
      const size = { width: lengthOf(width, unit), height: lengthOf(height, unit) };
      const { crop } = computeFramedCrop(photo, framing, size.width / size.height, photo.stay);
      return { key: `${photo.id}/${id}`, photo, ...size, crop, copies, page: null };
    }),
  );
  const keys = new Map<string, number>();
  /** Of several of one key, as where two parts of a page are called alike, each gets a number. */
  const apart = (print: PrintToMake): PrintToMake => {
    const n = (keys.get(print.key) ?? 0) + 1;
    keys.set(print.key, n);
    return n === 1 ? print : { ...print, key: `${print.key} ${n}` };
  };
  const largest = (a: PrintToMake, b: PrintToMake) =>
    b.width * b.height - a.width * a.height || a.key.localeCompare(b.key);
  return {
    toMake: [...asked.filter((a) => !a.there).map((a) => a.print), ...ordered].map(apart).sort(largest),
    there: asked
      .filter((a) => a.there)
      .map((a) => apart(a.print))
      .sort(largest),
  };
}

function hasPrint({ print }: Photo, width: Ticks, height: Ticks): boolean {
  return print !== null && lengthOf(print.width, print.unit) === width && lengthOf(print.height, print.unit) === height;
}
