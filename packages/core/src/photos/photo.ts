import { z } from 'zod';
import { oneLine } from '../stock/index.ts';
import { lengthText } from '../length/index.ts';
import { cropSchema, framingSchema } from './framing.ts';

/* A photo as it is kept: what its file says, and what somebody says of it. */

/** A day as it is written down, `2026-06-14`. */
const day = z.iso.date('is no day; write it as 2026-06-14');
const printSchema = z.strictObject({
  width: lengthText(),
  height: lengthText(),
  unit: z.enum(['in', 'mm']),
});

/** A print that is to be made, besides those that pages ask for. */
export const printWishSchema = z.strictObject({
  id: z.string().min(1).max(64),
  ...printSchema.shape,
  copies: z.int().min(1).max(200),
  framing: framingSchema,
});
export type PrintWish = z.infer<typeof printWishSchema>;

export const photoFactsSchema = z.strictObject({
  day: day.nullable(),
  place: oneLine(120).nullable(),
  people: z.array(oneLine(60)).max(40),
  /** What is going on in it, or what it belongs to: an event. */
  what: oneLine(200).nullable(),
  favourite: z.boolean(),
  /** The print that there is of it, and whether somebody measured it. */
  print: z.strictObject({ ...printSchema.shape, known: z.enum(['measured', 'assumed']) }).nullable(),
  /** A printed white border, read in the unit of its print. */
  border: lengthText({ allow: 'zero' }).nullable(),
  /** The part that no crop may lose. */
  stay: cropSchema.nullable(),
  orders: z.array(printWishSchema).max(40),
});
export type PhotoFacts = z.infer<typeof photoFactsSchema>;

export const EMPTY_PHOTO_FACTS: PhotoFacts = {
  day: null,
  place: null,
  people: [],
  what: null,
  favourite: false,
  print: null,
  border: null,
  stay: null,
  orders: [],
};

export const photoSchema = z.strictObject({
  id: z.string(),
  /** The hash of what was sent (SHA-256): the name of its files. */
  file: z.string().regex(/^[0-9a-f]{64}$/),
  /** What it was called. */
  name: z.string(),
  width: z.int().min(1),
  height: z.int().min(1),
  ...photoFactsSchema.shape,
  addedAt: z.string(),
  demo: z.boolean(),
});
export type Photo = z.infer<typeof photoSchema>;

const wantedSchema = z.strictObject({ share: z.number().min(0).max(1), at: lengthText({ allow: 'zero' }) });

/** A photo in an opening of a page: which one, and how it is seen. Its size and what must stay go with it. */
export const pictureSchema = z.strictObject({
  photo: z.string().min(1).max(64),
  file: z.string().regex(/^[0-9a-f]{64}$/),
  width: z.int().min(1).max(100_000),
  height: z.int().min(1).max(100_000),
  ...framingSchema.shape,
  stay: cropSchema.nullable(),
  /** What of it is wanted where: so far along the photo (a share, from the left or from the top), at that distance from the left or lower edge of the page. */
  wanted: z.strictObject({ across: wantedSchema.optional(), upDown: wantedSchema.optional() }).optional(),
});
export type Picture = z.infer<typeof pictureSchema>;
