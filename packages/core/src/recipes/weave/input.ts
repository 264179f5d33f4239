import { z } from 'zod';
import { lengthText } from '../../length/index.ts';
import { LETTER_ORDER_PATTERN } from '../order.ts';

/* What a weave keeps. */

export const BOTH = ['alike', 'apart'] as const;
export const PATTERNS = ['plain', 'twill', 'typed'] as const;
export const BACKINGS = ['none', 'behind'] as const;
export const MAX_WEAVE_STRIPS = 40;
export const MAX_STRIP_PARTS = 12;
/** Rows from the top: `o` where the level strip goes over, `u` where it goes under. */
export const REPEAT_PATTERN = /^[ou]{1,16}(?:[ ,/]+[ou]{1,16}){0,15}$/;

const direction = z.strictObject({
  /** Left out: as many as cover the area. */
  count: z.int().min(1).max(MAX_WEAVE_STRIPS).optional(),
  width: lengthText().optional(),
  gap: lengthText({ allow: 'zero' }).optional(),
  order: z.string().regex(LETTER_ORDER_PATTERN).max(200).optional(),
});

export const weaveSchema = z.strictObject({
  /** What is covered and trimmed to; left out: what the strips come to. */
  area: z.strictObject({ width: lengthText().optional(), height: lengthText().optional() }),
  /** Level strips as upright ones, or with numbers of their own. */
  both: z.enum(BOTH),
  upright: direction,
  level: direction,
  pattern: z.enum(PATTERNS),
  repeat: z.string().regex(REPEAT_PATTERN).max(300).optional(),
  /** At each end, to hold it by and to glue; trimmed off. */
  tail: lengthText({ allow: 'zero' }).optional(),
  /** How far each end sticks out when it is done. */
  fringe: lengthText({ allow: 'zero' }).optional(),
  /** How long the strips are that one cuts from. */
  stock: lengthText(),
  backing: z.strictObject({ as: z.enum(BACKINGS), setback: lengthText({ allow: 'zero' }).optional() }),
  /** The finished mat cut into so many. */
  divide: z.strictObject({ across: z.int().min(1).max(MAX_STRIP_PARTS), up: z.int().min(1).max(MAX_STRIP_PARTS) }),
});
export type WeaveInput = z.infer<typeof weaveSchema>;
export type Direction = 'upright' | 'level';
