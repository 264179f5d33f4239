export { isSpare, jobOfPage, partOfPiece, type CutParts, type JobOfPage } from './jobOf.ts';
export { partsAfter, type PartSoFar } from './soFar.ts';
export { effectsOf, type CutEffects, type CutSoFar } from './carryOut.ts';
