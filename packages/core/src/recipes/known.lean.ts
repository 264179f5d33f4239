import { matStack } from './mat-stack/matStack.ts';
import type { KNOWN as ALL } from './known.ts';

/*
 * In place of known.ts where code is fetched as it is needed (the condition `@temnex/lean`): one begins with the first construction,
 * and the others are fetched.
 */

export const KNOWN: Partial<typeof ALL> = { 'mat-stack': matStack };

export const fetchKnown = async (): Promise<void> => {
  Object.assign(KNOWN, (await import('./known.ts')).KNOWN);
};
