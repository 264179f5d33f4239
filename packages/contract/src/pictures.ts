import { z } from 'zod';
import { facePictureSchema } from '@temnex/core/stock';

/** What a picture may be sent as. */
export const PICTURE_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
/** The largest file that is taken in, in megabytes. */
export const PICTURE_LIMIT_MB = 40;

/** A picture of a paper that was taken in: its name, its size in pixels, and its main colours, the most first. */
export const paperPictureSchema = facePictureSchema
  .pick({ file: true, width: true, height: true })
  .extend({ colours: z.array(z.string().regex(/^#[0-9a-f]{6}$/)).max(6) });
export type PaperPicture = z.infer<typeof paperPictureSchema>;
/** How a picture is handed out: turned counter-clockwise. */
export const pictureQuerySchema = z.strictObject({ turn: z.enum(['90', '180', '270']).optional() });
export type PictureQuery = z.infer<typeof pictureQuerySchema>;
