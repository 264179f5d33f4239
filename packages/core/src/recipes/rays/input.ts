import { z } from 'zod';
import { lengthText } from '../../length/index.ts';
import { LETTER_ORDER_PATTERN } from '../order.ts';

/* What rays keep. */

export const CENTRES = [
  'lower-left',
  'lower-right',
  'upper-left',
  'upper-right',
  'bottom',
  'left',
  'right',
  'top',
  'middle',
  'typed',
] as const;
export const ANGLES = ['even', 'typed'] as const;
export const HUBS = ['paper', 'none'] as const;
export const LONG = ['whole', 'join', 'diagonal'] as const;
export const MAX_RAYS = 48;
/** Degrees, counter-clockwise from the right: `15 30 45`, `22.5, 45`. */
export const ANGLES_PATTERN = /^\d{1,3}(?:\.\d{1,2})?(?:[ ,/°]+\d{1,3}(?:\.\d{1,2})?){0,47}$/;

export const raysSchema = z.strictObject({
  centre: z.strictObject({
    at: z.enum(CENTRES),
    /** From the left and from the bottom of the page; below 0 off it. */
    x: lengthText({ allow: 'negative' }).optional(),
    y: lengthText({ allow: 'negative' }).optional(),
  }),
  hub: z.strictObject({ as: z.enum(HUBS), radius: lengthText({ allow: 'zero' }).optional() }),
  ray: z.strictObject({
    width: lengthText().optional(),
    /** Of every other one; left out: as the first. */
    other: lengthText().optional(),
    /** How far its inner end reaches under the hub. */
    tuck: lengthText({ allow: 'zero' }).optional(),
  }),
  angles: z.strictObject({
    as: z.enum(ANGLES),
    count: z.int().min(1).max(MAX_RAYS).optional(),
    apart: z.int().min(1).max(180).optional(),
    /** All of them turned by so many degrees. */
    turn: z.int().min(0).max(359).optional(),
    list: z.string().regex(ANGLES_PATTERN).max(400).optional(),
  }),
  /** Letters of papers in their order, again and again. */
  order: z.string().regex(LETTER_ORDER_PATTERN).max(200).optional(),
  /** The sheets that they are to come from. */
  sheet: z.strictObject({ width: lengthText(), height: lengthText() }),
  /** What becomes of a ray longer than that. */
  long: z.strictObject({ how: z.enum(LONG), lap: lengthText().optional() }),
});
export type RaysInput = z.infer<typeof raysSchema>;
