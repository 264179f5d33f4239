import { z } from 'zod';

/**
 * The id that every request brings along which makes or uses something: sent twice, it is done once and answers the same. What
 * it makes is called by it.
 */
export const requestId = z.string().regex(/^[\w-]{8,64}$/, 'request-id');

/** A request that says nothing but that it is this one. */
export const bareRequestSchema = z.strictObject({ id: requestId });
export type BareRequest = z.infer<typeof bareRequestSchema>;
