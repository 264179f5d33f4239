export { jobOfPage, type CutParts, type JobOfPage } from './jobOf.ts';
export { effectsOf, type CutEffects } from './carryOut.ts';
