import { z } from 'zod';
import type { Ticks } from '@temnex/core/length';
import { cropSchema, photoFactsSchema, photoSchema } from '@temnex/core/photos';
import { requestId } from './requests.ts';

/** A photo that a page shows, and the print that it wants of it, in ticks; by what was known when the page was saved. */
export const photoOnPageSchema = z.strictObject({
  photo: z.string(),
  page: z.string(),
  pageName: z.string(),
  part: z.string(),
  width: z.custom<Ticks>((value) => typeof value === 'number'),
  height: z.custom<Ticks>((value) => typeof value === 'number'),
  /** What of it is seen, in its pixels. */
  crop: z.strictObject({ x: z.number(), y: z.number(), width: z.number(), height: z.number() }),
  /** Whether the size is of a print that somebody has measured: there is one. */
  measured: z.boolean(),
  copies: z.int(),
});
export type PhotoOnPage = z.infer<typeof photoOnPageSchema>;

/** All photos, the latest first, those of which it cannot be read how large they are, and where photos are shown. */
export const photosSchema = z.strictObject({
  photos: z.array(photoSchema),
  unreadable: z.array(z.strictObject({ id: z.string(), name: z.string() })),
  shown: z.array(photoOnPageSchema),
});
export type Photos = z.infer<typeof photosSchema>;

/** What a photo is called, sent with it. */
export const uploadPhotoQuerySchema = z.strictObject({ id: requestId, name: z.string().max(255).optional() });
export type UploadPhotoQuery = z.infer<typeof uploadPhotoQuerySchema>;
/** A photo that was taken in; `again`: it was there, or is back. */
export const uploadedPhotoSchema = z.strictObject({ photo: photoSchema, again: z.boolean() });
export type UploadedPhoto = z.infer<typeof uploadedPhotoSchema>;

const photoIds = z.array(z.string().min(1).max(64)).min(1).max(5000);
/** The same said of many photos; what is left out stays as it is. */
export const changePhotosSchema = z.strictObject({ photos: photoIds, change: photoFactsSchema.partial() });
export type ChangePhotos = z.infer<typeof changePhotosSchema>;
export const changedPhotosSchema = z.strictObject({ photos: z.array(photoSchema) });
export const removePhotosSchema = z.strictObject({ id: requestId, photos: photoIds });
export type RemovePhotos = z.infer<typeof removePhotosSchema>;

const tick = z
  .int()
  .min(0)
  .max(20 * 24_384);
const length = z
  .int()
  .min(1)
  .max(20 * 24_384);
/** Photo sheets as they are printed: where each print lies (ticks, from the lower left corner), turned counter-clockwise, and what of its photo it shows. */
export const photoSheetsSchema = z.strictObject({
  sheets: z
    .array(
      z.strictObject({
        width: length,
        height: length,
        prints: z
          .array(
            z.strictObject({
              key: z.string().max(100),
              file: z.string().regex(/^[0-9a-f]{64}$/),
              crop: cropSchema,
              x: tick,
              y: tick,
              width: length,
              height: length,
              turn: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]),
            }),
          )
          .max(300),
      }),
    )
    .min(1)
    .max(60),
  /** One sheet as a picture, or all of them as a PDF. */
  as: z.enum(['png', 'jpeg', 'pdf']),
  /** Pixels to the inch. */
  density: z.union([z.literal(150), z.literal(240), z.literal(300)]),
});
export type PhotoSheets = z.infer<typeof photoSheetsSchema>;

/** How large a photo is handed out: as on a wall, as on a screen, or whole. */
export const PHOTO_SIDES = { small: 400, large: 1600, whole: null } as const;
export const photoImageQuerySchema = z.strictObject({ side: z.enum(['small', 'large', 'whole']).optional() });
export type PhotoImageQuery = z.infer<typeof photoImageQuerySchema>;
