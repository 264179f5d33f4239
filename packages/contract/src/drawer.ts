import { z } from 'zod';
import { habitsSchema, paperSchema, sidesSchema, stockItemSchema, stockItemShape, wholeItem } from '@temnex/core';
import { requestId } from './requests.ts';

/** A paper, and how often it or its stock has changed. */
export const paperRecordSchema = paperSchema.safeExtend({ revision: z.int() });
export type PaperRecord = z.infer<typeof paperRecordSchema>;

/** An item as a change leaves it: there may be none left. */
export const stockRecordSchema = stockItemSchema.safeExtend({ quantity: z.int().min(0) });

/** Something in the drawer that cannot be read: what is stored of it, and why. */
export const unreadableStockSchema = z.strictObject({
  id: z.string(),
  paper: z.string(),
  why: z.string(),
  unit: z.string(),
  width: z.string(),
  height: z.string(),
});
export type UnreadableStock = z.infer<typeof unreadableStockSchema>;

export const drawerSchema = z.strictObject({
  papers: z.array(paperRecordSchema),
  stock: z.array(stockItemSchema),
  unreadable: z.array(unreadableStockSchema),
});
export type DrawerRecord = z.infer<typeof drawerSchema>;

export const habitsRecordSchema = z.strictObject({
  /** How often they have changed. */
  version: z.int(),
  habits: habitsSchema,
});
export type HabitsRecord = z.infer<typeof habitsRecordSchema>;

/** A new paper. */
export const newPaperSchema = z.strictObject({
  id: requestId,
  name: paperSchema.shape.name,
  sides: sidesSchema,
});
export type NewPaper = z.infer<typeof newPaperSchema>;

/** How a paper is called and looks, its faces with it. */
export const changePaperSchema = z.strictObject({ name: paperSchema.shape.name, sides: sidesSchema });
export type ChangePaper = z.infer<typeof changePaperSchema>;

export const newStockSchema = stockItemShape
  .omit({ id: true, origin: true })
  .partial({ trim: true, turned: true, reserved: true })
  .extend({ id: requestId })
  .superRefine(wholeItem);
export type NewStock = z.infer<typeof newStockSchema>;

/** What is said of an item; how many there are changes by movements alone. */
export const changeStockSchema = stockItemShape
  .pick({ reserved: true, turned: true, uncut: true, trim: true, unit: true, width: true, height: true, outline: true })
  .partial()
  // null: it is a rectangle after all
  .extend({ outline: stockItemShape.shape.outline.nullable() });
export type ChangeStock = z.infer<typeof changeStockSchema>;

const many = z.int().min(1).max(10_000);
/** How many more or fewer there are, or how many there really are. */
export const newMovementSchema = z.discriminatedUnion('why', [
  z.strictObject({ id: requestId, why: z.literal('added'), by: many }),
  z.strictObject({ id: requestId, why: z.literal('taken'), by: many }),
  z.strictObject({ id: requestId, why: z.literal('corrected'), to: z.int().min(0).max(10_000) }),
]);
export type NewMovement = z.infer<typeof newMovementSchema>;

/** Why there came to be more or fewer of something. */
export const MOVEMENTS = ['had', 'added', 'taken', 'corrected', 'used', 'kept', 'taken-back'] as const;
export const movementSchema = z.strictObject({
  id: z.string(),
  stock: z.string(),
  by: z.int(),
  why: z.enum(MOVEMENTS),
  /** The cut it belongs to. */
  cutting: z.string().nullable(),
  at: z.string(),
});
export type Movement = z.infer<typeof movementSchema>;
