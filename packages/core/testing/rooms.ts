import { MARKS, inches, millimetres } from '../src/length/index.ts';
import type { LayoutContext } from '../src/recipes/index.ts';

/** What constructions are laid on in tests. */
export const ROOMS = {
  page: { unit: 'in', mark: MARKS['1/16'], room: { width: inches(12), height: inches(12), seams: [] } },
  'left page': { unit: 'in', mark: MARKS['1/16'], room: { width: inches(12), height: inches(12), seams: ['right'] } },
  tag: { unit: 'in', mark: MARKS['1/16'], room: { width: inches(2), height: inches(3), seams: [] } },
  A4: { unit: 'mm', mark: MARKS['1 mm'], room: { width: millimetres(210), height: millimetres(297), seams: [] } },
  card: { unit: 'mm', mark: MARKS['1 mm'], room: { width: millimetres(40), height: millimetres(60), seams: [] } },
} as const satisfies Record<string, LayoutContext>;
