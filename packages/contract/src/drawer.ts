import { z } from 'zod';
import { paperSchema, stockItemSchema } from '@temnex/core';

export const drawerSchema = z.object({ papers: z.array(paperSchema), stock: z.array(stockItemSchema) });
export type DrawerRecord = z.infer<typeof drawerSchema>;

/** A new paper, with its first stock if there is any. */
export const newPaperSchema = z.strictObject({ name: paperSchema.shape.name, sides: paperSchema.shape.sides });
export type NewPaper = z.infer<typeof newPaperSchema>;

export const newStockSchema = stockItemSchema
  .omit({ id: true, origin: true })
  .partial({ trim: true, turned: true, reserved: true });
export type NewStock = z.infer<typeof newStockSchema>;

export const changeStockSchema = stockItemSchema
  .pick({ quantity: true, reserved: true, turned: true, uncut: true, trim: true })
  .partial();
export type ChangeStock = z.infer<typeof changeStockSchema>;
