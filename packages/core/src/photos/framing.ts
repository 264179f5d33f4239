import { z } from 'zod';
import {
  cropTo,
  largestCropSize,
  computeCropLoss,
  wholeCropOf,
  moveCropInside,
  type Crop,
  type Pixels,
} from './crop.ts';

/*
 * How a photo is to be seen in an opening of any ratio: about which point of it, how close, and whether the opening is filled or all of
 * the photo is seen. The crop follows from it, so that it holds after any change of size.
 */

const share = z.number().min(0).max(1);
const pixel = z.number().min(0).max(100_000);
const side = z.number().gt(0).max(100_000);

/** The most that one comes closer than the largest crop. */
export const MAX_ZOOM = 20;

/** A rectangle of a photo, in its pixels from the upper left corner. */
export const cropSchema = z.strictObject({ x: pixel, y: pixel, width: side, height: side });

export const framingSchema = z.strictObject({
  /** About which point of the photo, as shares of its width and height from the upper left corner. */
  x: share,
  y: share,
  /** So many times closer than the largest crop of the ratio. */
  zoom: z.number().min(1).max(MAX_ZOOM),
  /** `fill`: the opening is filled, what is over is lost. `whole`: all of it is seen, and the opening falls short. */
  keep: z.enum(['fill', 'whole']),
});
export type Framing = z.infer<typeof framingSchema>;
export const DEFAULT_FRAMING: Framing = { x: 0.5, y: 0.5, zoom: 1, keep: 'fill' };

export interface FramedCrop {
  readonly crop: Crop;
  /** What is lost on each edge, as shares of the photo. */
  readonly lost: ReturnType<typeof computeCropLoss>;
  /** Whether all that must stay is in it. */
  readonly stays: boolean;
}

/** What is seen of a photo in an opening of a ratio (width over height, above 0). What must stay is kept in it where that can be. */
export function computeFramedCrop(
  photo: Pixels,
  framing: Framing,
  ratio: number,
  stay: Crop | null = null,
): FramedCrop {
  const of = (crop: Crop, stays: boolean): FramedCrop => ({ crop, lost: computeCropLoss(photo, crop), stays });
  if (framing.keep === 'whole') return of(wholeCropOf(photo), true);
  const about = { x: framing.x * photo.width, y: framing.y * photo.height };
  const made = cropTo(photo, ratio, { about, zoom: framing.zoom, stay });
  if (made.ok) return of(made.crop, true);
  // it cannot all stay: as much of it as there is room for
  const most = largestCropSize(photo, ratio);
  const middle = stay ? { x: stay.x + stay.width / 2, y: stay.y + stay.height / 2 } : about;
  return of(moveCropInside(photo, { x: middle.x - most.width / 2, y: middle.y - most.height / 2, ...most }), false);
}

/** The framing of a crop that somebody has drawn, for the ratio that it has. */
export function framingOf(photo: Pixels, crop: Crop): Framing {
  const most = largestCropSize(photo, crop.width / crop.height);
  const zoom = Math.min(MAX_ZOOM, Math.max(1, most.width / crop.width));
  const middle = (at: number, long: number, of: number) => Math.min(1, Math.max(0, (at + long / 2) / of));
  return {
    x: middle(crop.x, crop.width, photo.width),
    y: middle(crop.y, crop.height, photo.height),
    zoom,
    keep: 'fill',
  };
}

/** A crop in whole pixels, wholly on its photo: never larger than it was. */
export function roundCropToPixels(photo: Pixels, crop: Crop): Crop {
  const x = Math.min(photo.width - 1, Math.ceil(crop.x - 1e-6));
  const y = Math.min(photo.height - 1, Math.ceil(crop.y - 1e-6));
  return {
    x,
    y,
    width: Math.max(1, Math.min(photo.width, Math.floor(crop.x + crop.width + 1e-6)) - x),
    height: Math.max(1, Math.min(photo.height, Math.floor(crop.y + crop.height + 1e-6)) - y),
  };
}
