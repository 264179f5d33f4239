export { isSpare, jobOfPage, partOfPiece, type CutParts, type JobOfPage } from './jobOf.ts';
export { partsAfter, type PartSoFar } from './soFar.ts';
export { takeWayOut, type Taken } from './takeWayOut.ts';
export { sizeOnItem } from './exactPlace.ts';
export { effectsOf, type CutEffects, type CutSoFar } from './carryOut.ts';
