import type { collectFacesOnPage } from '@temnex/core/cutting';

/** By piece: the face that it is cut from, or will be by the order that stands. */
export type SettledFaces = ReturnType<typeof collectFacesOnPage>;
export const NO_SETTLED_FACES: SettledFaces = new Map();
