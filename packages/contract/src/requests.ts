import { z } from 'zod';

/**
 * The id that every request brings along which makes or uses something: sent twice, it is done once and answers the same. What
 * it makes is called by it.
 */
export const requestId = z.string().regex(/^[\w-]{8,64}$/, 'must be 8 to 64 letters, digits, - or _');

/** A request that says nothing but that it is this one. */
export const bareRequestSchema = z.strictObject({ id: requestId });
/** The example put in; afresh: as if nobody had touched it, so that what was changed in it is gone. */
export const demoRequestSchema = z.strictObject({ id: requestId, afresh: z.boolean().optional() });
export type DemoRequest = z.infer<typeof demoRequestSchema>;
export type BareRequest = z.infer<typeof bareRequestSchema>;
