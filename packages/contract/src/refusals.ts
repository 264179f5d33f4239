import { z } from 'zod';

/** Every answer that is not a success. `message` is a sentence for people; `field` names what to correct. */
export const refusalSchema = z.object({
  code: z.enum([
    'bad-input',
    'not-found',
    'stale',
    'out-of-date',
    'in-use',
    'plan-refused',
    'stock-changed',
    'already-cut',
    'nothing-cut',
    'already-undone',
    'offcut-used',
    'still-wanted',
    'too-large',
    'not-json',
    'no-picture',
    'unreadable',
    'no-space',
    'busy',
    'forbidden',
    'not-let-in',
    'failed',
  ]),
  message: z.string(),
  field: z.string().optional(),
  /** On `stale`: what is stored now, so that neither version is lost. On `unreadable`: what is stored, as it is. */
  current: z.unknown().optional(),
});
export type Refusal = z.infer<typeof refusalSchema>;
