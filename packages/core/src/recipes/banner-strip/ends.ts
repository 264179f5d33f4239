import { ZERO, ticks, type Ticks } from '../../length/index.ts';
import { polygon, shapeOfOutline, type Finish, type PencilMark, type Shape } from '../../geometry/index.ts';

/* The lower end of a banner: what it looks like, and what is done for it by hand. */

export const ENDS = ['straight', 'notch', 'point', 'slant', 'mixed'] as const;
const MIXED = ['notch', 'point', 'slant'] as const;
export const LONGER = ['left', 'right'] as const;

interface Ends {
  readonly shape: (typeof ENDS)[number];
  /** Of a slanted end: which edge is the longer one. */
  readonly longer: (typeof LONGER)[number];
}
interface End extends Ends {
  readonly shape: Exclude<Ends['shape'], 'mixed'>;
}

/** The end of one of a row: of mixed ones each in turn. */
export const bannerEndOf = ({ shape, longer }: Ends, i: number): End => ({
  longer,
  shape: shape === 'mixed' ? MIXED[i % MIXED.length]! : shape,
});

/** The outline of a finished strip, its shaped end below; null where it is cut straight. */
export function bannerShapeOf(w: number, length: number, depth: number, { shape, longer }: End): Shape | null {
  const top = [
    [w, length],
    [0, length],
  ] as const;
  switch (shape) {
    case 'straight':
      return null;
    case 'notch':
      return shapeOfOutline(polygon([[0, 0], [Math.floor(w / 2), depth], [w, 0], ...top]));
    case 'point':
      return shapeOfOutline(polygon([[0, depth], [Math.floor(w / 2), 0], [w, depth], ...top]));
    case 'slant':
      return shapeOfOutline(polygon(longer === 'left' ? [[0, 0], [w, depth], ...top] : [[0, depth], [w, 0], ...top]));
  }
}

/** What is pencilled and cut for it. */
export function bannerFinishOf(
  width: Ticks,
  length: Ticks,
  depth: Ticks,
  { shape, longer }: End,
): { finish: Finish[]; marks: PencilMark[] } {
  const at = ticks(Math.floor(width / 2));
  const middle: PencilMark = { kind: 'pencil', from: { x: at, y: ZERO }, to: { x: at, y: length } };
  switch (shape) {
    case 'straight':
      return { finish: [], marks: [] };
    case 'notch':
    case 'point':
      return { finish: [{ do: shape, edge: 'bottom', depth, at }], marks: [middle] };
    case 'slant':
      return {
        finish: [{ do: 'slant', edge: 'bottom', depth, shorter: longer === 'left' ? 'right' : 'left' }],
        marks: [],
      };
  }
}
