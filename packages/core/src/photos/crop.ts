/*
 * What of a photo is seen: a crop is a rectangle of it, in its own pixels, from its upper left corner (as pictures count).
 *
 *     +--------------------+  photo
 *     |    +--------+      |
 *     |    |  crop  |      |  what lies outside is lost on that edge
 *     |    +--------+      |
 *     +--------------------+
 */

export interface Pixels {
  readonly width: number;
  readonly height: number;
}
export interface Crop extends Pixels {
  readonly x: number;
  readonly y: number;
}

export const wholeCropOf = ({ width, height }: Pixels): Crop => ({ x: 0, y: 0, width, height });

/** The largest rectangle of a ratio (width over height, above 0) that a photo has, in pixels, not rounded. */
export function largestCropSize(photo: Pixels, ratio: number): Pixels {
  return photo.width / photo.height > ratio
    ? { width: photo.height * ratio, height: photo.height }
    : { width: photo.width, height: photo.width / ratio };
}

const between = (n: number, least: number, most: number): number => Math.min(Math.max(n, least), most);

/** A crop put where it lies wholly on its photo: moved as little as need be, never made smaller. */
export function moveCropInside(photo: Pixels, crop: Crop): Crop {
  return {
    ...crop,
    x: between(crop.x, 0, Math.max(0, photo.width - crop.width)),
    y: between(crop.y, 0, Math.max(0, photo.height - crop.height)),
  };
}

export const isCropInside = (crop: Crop, part: Crop): boolean =>
  part.x >= crop.x - NEAR &&
  part.y >= crop.y - NEAR &&
  part.x + part.width <= crop.x + crop.width + NEAR &&
  part.y + part.height <= crop.y + crop.height + NEAR;
const NEAR = 1e-6;

export type Cropped =
  | { readonly ok: true; readonly crop: Crop }
  /** The part that must stay is too wide or too high for this ratio; `most` is the largest that there is. */
  | { readonly ok: false; readonly axis: 'width' | 'height'; readonly most: Pixels };

/**
 * The crop of a ratio that shows most of a photo, its middle as near to `about` (the photo's own, where it is left out) as can be
 * with all of `stay` in it. `zoom`: so many times closer than that, 1 or more; less close where something must stay.
 */
export function cropTo(
  photo: Pixels,
  ratio: number,
  more: {
    readonly about?: { readonly x: number; readonly y: number } | undefined;
    readonly stay?: Crop | null | undefined;
    readonly zoom?: number | undefined;
  } = {},
): Cropped {
  const most = largestCropSize(photo, ratio);
  const { stay = null } = more;
  if (stay && stay.width > most.width + NEAR) return { ok: false, axis: 'width', most };
  if (stay && stay.height > most.height + NEAR) return { ok: false, axis: 'height', most };
  // as close as is asked, but no closer than what must stay allows
  const least = stay ? Math.max(stay.width / most.width, stay.height / most.height) : 0;
  const scale = Math.min(1, Math.max(1 / Math.max(1, more.zoom ?? 1), least));
  const [width, height] = [most.width * scale, most.height * scale];
  const about = more.about ?? { x: photo.width / 2, y: photo.height / 2 };
  const [x, y] = [about.x - width / 2, about.y - height / 2];
  const kept = {
    x: stay ? between(x, stay.x + stay.width - width, stay.x) : x,
    y: stay ? between(y, stay.y + stay.height - height, stay.y) : y,
  };
  return { ok: true, crop: moveCropInside(photo, { ...kept, width, height }) };
}

/** How much of a photo is lost on each edge, as shares of its width and height. */
export function computeCropLoss(
  photo: Pixels,
  crop: Crop,
): Readonly<Record<'left' | 'right' | 'top' | 'bottom', number>> {
  const share = (n: number) => Math.max(0, Math.abs(n) < NEAR ? 0 : n);
  return {
    left: share(crop.x / photo.width),
    right: share((photo.width - crop.x - crop.width) / photo.width),
    top: share(crop.y / photo.height),
    bottom: share((photo.height - crop.y - crop.height) / photo.height),
  };
}

/** All of a crop on paper of a size: how large it comes out, and what of the paper stays bare (both edges of one axis together). */
export function fitCropOnPaper(crop: Pixels, paper: Pixels): Pixels & { readonly bare: Pixels } {
  const scale = Math.min(paper.width / crop.width, paper.height / crop.height);
  const [width, height] = [crop.width * scale, crop.height * scale];
  return { width, height, bare: { width: paper.width - width, height: paper.height - height } };
}
