import { ticks, type Ticks } from '../length/index.ts';
import { recipeOf } from '../recipes/index.ts';
import type { DerivedPage, Part } from './derive.ts';

/** Which of a part's edges is measured, and from which edge of the page: the low one is the left or the lower one. */
export interface MeasuredEdge {
  readonly of: 'low' | 'middle' | 'high';
  readonly from: 'low' | 'high';
}
export interface MeasuredEdges {
  readonly across: MeasuredEdge;
  readonly upDown: MeasuredEdge;
}
const LOW: MeasuredEdge = { of: 'low', from: 'low' };
/** The lower left corner, from the left and the lower edge. */
export const LOWER_LEFT: MeasuredEdges = { across: LOW, upDown: LOW };

/** Where to pencil a part on the page that it lies on; by its lower left corner from the left and the lower edge, unless it is said otherwise. */
export interface CornerMark {
  readonly part: Part;
  /** Of two facing pages, which one it lies on, or begins on. */
  readonly page: 'left' | 'right' | null;
  readonly x: Ticks;
  readonly y: Ticks;
}

/** From where to where a distance is measured, in ticks of the ground from its lower left corner. */
export interface MeasuredSpan {
  readonly edge: number;
  readonly point: number;
}

const along = ({ of, from }: MeasuredEdge, low: number, long: number, start: number, room: number): MeasuredSpan => ({
  edge: from === 'low' ? start : start + room,
  point: low + (of === 'low' ? 0 : of === 'high' ? long : long / 2),
});

/** The two lines along which a part is measured. */
export function measuredSpansOf(
  { seam, width, height }: Pick<DerivedPage, 'seam' | 'width' | 'height'>,
  part: Part,
  { across, upDown }: MeasuredEdges = LOWER_LEFT,
): { readonly across: MeasuredSpan; readonly upDown: MeasuredSpan } {
  const isRight = seam !== null && part.x >= seam.x + seam.width;
  const start = isRight ? seam.x + seam.width : 0;
  const room = seam ? (isRight ? width - start : seam.x) : width;
  return {
    across: along(across, part.x, part.width, start, room),
    upDown: along(upDown, part.y, part.height, 0, height),
  };
}

export function computeCornerMark(
  page: Pick<DerivedPage, 'seam' | 'width' | 'height'>,
  part: Part,
  measurings: MeasuredEdges = LOWER_LEFT,
): CornerMark {
  const { seam } = page;
  const { across, upDown } = measuredSpansOf(page, part, measurings);
  const far = ({ edge, point }: MeasuredSpan, { from }: MeasuredEdge) =>
    ticks(Math.round(from === 'low' ? point - edge : edge - point));
  const right = seam !== null && part.x >= seam.x + seam.width;
  return {
    part,
    page: seam ? (right ? 'right' : 'left') : null,
    x: far(across, measurings.across),
    y: far(upDown, measurings.upDown),
  };
}

/**
 * The part that one holds when a part comes onto the page: a photo is glued on its mats first, so that the outermost of them is placed.
 * Of a photo with strips round it, it is what they hold together. What lies on the base is placed by itself.
 */
export function partPlacedWith({ parts }: Pick<DerivedPage, 'parts'>, part: Part): Part {
  if (recipeOf(part.recipe).beneath !== null) return part;
  const holds = (outer: Part) =>
    outer.x <= part.x &&
    outer.y <= part.y &&
    outer.x + outer.width >= part.x + part.width &&
    outer.y + outer.height >= part.y + part.height;
  const own = parts.filter((one) => one.item === part.item && one.piece !== null);
  const outer = own.find(holds);
  if (outer || part.piece !== null || !own.length) return outer ?? part;
  // strips that lie round it hold it together
  const round = { x: Math.min(...own.map((one) => one.x)), y: Math.min(...own.map((one) => one.y)) };
  const [right, top] = [own.map((one) => one.x + one.width), own.map((one) => one.y + one.height)];
  const all = { ...part, ...round, width: Math.max(...right) - round.x, height: Math.max(...top) - round.y } as Part;
  return holds(all) ? all : part;
}

/** Of every part that is placed by itself and does not lie in the corner anyway, bottom to top. */
export const collectCornerMarks = (page: Pick<DerivedPage, 'seam' | 'width' | 'height' | 'parts'>): CornerMark[] =>
  page.parts
    .filter((part) => !part.along)
    .map((part) => computeCornerMark(page, part))
    .filter(({ x, y }) => x !== 0 || y !== 0);
