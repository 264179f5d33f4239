import { z } from 'zod';
import { MARK_NAMES, lengthText } from '@temnex/core/length';
import { RECIPE_IDS } from '@temnex/core/recipes';

/** A construction whose outlines are to be printed at true size. The server works it out itself. */
export const templatesSchema = z.strictObject({
  recipe: z.enum(RECIPE_IDS),
  input: z.unknown(),
  mark: z.enum(MARK_NAMES),
  /** The page that it is for. */
  width: lengthText(),
  height: lengthText(),
  paper: z.enum(['a4', 'letter']),
});
export type TemplatesRequest = z.infer<typeof templatesSchema>;
