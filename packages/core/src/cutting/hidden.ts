import { holdsRect, type Rect } from '../geometry/index.ts';
import { formatExactLength, lengthOf, ticks, type Ticks } from '../length/index.ts';
import type { DerivedPage, Part, PieceToCut } from '../page/index.ts';
import type { JobDocument } from '../planner/index.ts';
import type { Habits } from '../stock/index.ts';

/*
 * What is hidden of a part by those that lie on it: its centre, which may be cut out and used; where it may be made of two;
 * and ends that may be tucked less far under.
 */

type Said = JobDocument['pieces'][number];

/**
 * What a piece comes to lie as, and the parts on top that hide what is under them, bottom to top. Only of a piece that makes one
 * whole rectangle: of several alike, not all are hidden in the same place.
 */
function above(page: DerivedPage, piece: PieceToCut): { part: Part; over: readonly Part[] } | null {
  const [id, another] = piece.parts;
  const at = page.parts.findIndex((p) => p.id === id);
  const part = page.parts[at];
  if (!part || another !== undefined || part.shape || piece.patchOf) return null;
  // what is folded or traced does not lie on the page as it is cut
  if (piece.finish.some((f) => f.do === 'fold' || f.do === 'outline')) return null;
  return { part, over: page.parts.slice(at + 1).filter((p) => p.opaque) };
}

/** Whether a part hides all of a stretch of the page. */
const hides = (part: Part, box: Rect): boolean =>
  part.shape
    ? holdsRect(part.shape, box)
    : box.x >= part.x &&
      box.y >= part.y &&
      box.x + box.width <= part.x + part.width &&
      box.y + box.height <= part.y + part.height;

/** What is hidden under the largest part that lies on this one, less an edge to glue it by. */
export function findHiddenCentre(page: DerivedPage, piece: PieceToCut, habits: Habits): Pick<Said, 'opening'> {
  const here = above(page, piece);
  if (habits.centres === null || !here) return {};
  const { part } = here;
  const edge = lengthOf(habits.centres, habits.unit);
  const inside = (o: Part) =>
    o.x >= part.x && o.y >= part.y && o.x + o.width <= part.x + part.width && o.y + o.height <= part.y + part.height;
  const cover = here.over
    .filter((o) => inside(o) && hides(o, o))
    .reduce<Part | null>((most, o) => (!most || o.width * o.height > most.width * most.height ? o : most), null);
  if (!cover) return {};
  const down = (t: number) => ticks(Math.floor(t / page.mark.step) * page.mark.step);
  const [width, height] = [down(cover.width - 2 * edge), down(cover.height - 2 * edge)];
  const [x, y] = [down(cover.x - part.x + edge), down(cover.y - part.y + edge)];
  const smallest = page.mark.step * 8;
  if (width < smallest || height < smallest || x + width > part.width || y + height > part.height) return {};
  const { unit } = page.mark;
  const text = (t: Ticks) => formatExactLength(t, unit);
  return { opening: { x: text(x), y: text(y), width: text(width), height: text(height) } };
}

const AXES = [
  { along: 'width', at: 'x', across: 'height', beside: 'y' },
  { along: 'height', at: 'y', across: 'width', beside: 'x' },
] as const;
type Axis = (typeof AXES)[number];

/** Stretches of a part, along an axis from its lower or left end, that one part on top hides from edge to edge. */
function hiddenStretches(part: Part, over: readonly Part[], { along, at, across, beside }: Axis): [number, number][] {
  return over
    .filter((o) => !o.shape && o[beside] <= part[beside] && o[beside] + o[across] >= part[beside] + part[across])
    .map((o): [number, number] => [Math.max(0, o[at] - part[at]), Math.min(part[along], o[at] + o[along] - part[at])])
    .filter(([from, to]) => from < to);
}

/** A join that overlaps by half an inch (12 mm), wholly behind something, and an eighth (3 mm) away from its edges. */
export function findHiddenJoin(page: DerivedPage, piece: PieceToCut): Pick<Said, 'join'> {
  const here = above(page, piece);
  if (!here) return {};
  const { unit, step } = page.mark;
  const [overlap, away] = [lengthOf(unit === 'in' ? '1/2' : '12', unit), lengthOf(unit === 'in' ? '1/8' : '3', unit)];
  const onMark = (t: number, round: (n: number) => number) => ticks(round(t / step) * step);
  const places = AXES.flatMap((axis) =>
    hiddenStretches(here.part, here.over, axis).map(([from, to]) => ({
      along: axis.along,
      from: onMark(from + away, Math.ceil),
      to: onMark(Math.min(to - away, piece[axis.along]) - overlap, Math.floor),
    })),
  ).filter(({ from, to, along }) => from <= to && from > 0 && to < piece[along]);
  const best = places.sort((a, b) => b.to - b.from - (a.to - a.from))[0];
  if (!best) return {};
  const text = (t: Ticks) => formatExactLength(t, unit);
  return { join: { along: best.along, from: text(best.from), to: text(best.to), overlap: text(overlap) } };
}

/** Stretches that meet are one. */
function joined(stretches: readonly [number, number][]): [number, number][] {
  const found: [number, number][] = [];
  for (const [from, to] of [...stretches].sort((a, b) => a[0] - b[0])) {
    const last = found.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else found.push([from, to]);
  }
  return found;
}

/** Where the middle of a piece lies hidden from edge to edge, a quarter of an inch (6 mm) of both ends tucked under; the longest such place. */
export function findHiddenEnds(page: DerivedPage, piece: PieceToCut): Pick<Said, 'ends'> {
  const here = above(page, piece);
  if (!here) return {};
  const { unit, step } = page.mark;
  const tuck = tuckIn(page);
  const places = AXES.flatMap((axis) =>
    joined(hiddenStretches(here.part, here.over, axis)).map(([from, to]) => ({
      along: axis.along,
      from: ticks(Math.ceil((from + tuck) / step) * step),
      to: ticks(Math.floor((to - tuck) / step) * step),
      inside: from > 0 && to < here.part[axis.along],
    })),
  ).filter(({ from, to, along, inside }) => inside && from < to && to < piece[along]);
  const best = places.sort((a, b) => b.to - b.from - (a.to - a.from))[0];
  if (!best) return {};
  return {
    ends: { along: best.along, from: formatExactLength(best.from, unit), to: formatExactLength(best.to, unit) },
  };
}

/** So much of an end stays tucked under what hides it. */
const tuckIn = ({ mark: { unit } }: DerivedPage): Ticks => lengthOf(unit === 'in' ? '1/4' : '6', unit);

/** How small a piece may be made where its ends lie under something: a quarter of an inch (6 mm) of them stays tucked under. */
export function findLeastSize(page: DerivedPage, piece: PieceToCut): Pick<Said, 'least'> {
  const here = above(page, piece);
  if (!here) return {};
  const { unit, step } = page.mark;
  const tuck = tuckIn(page);
  const spared = (stretch: number) => Math.max(0, Math.floor((stretch - tuck) / step) * step);
  const [width, height] = AXES.map((axis) => {
    const whole = here.part[axis.along];
    const stretches = hiddenStretches(here.part, here.over, axis);
    const first = Math.max(0, ...stretches.filter(([from]) => from === 0).map(([, to]) => to));
    const last = Math.max(0, ...stretches.filter(([, to]) => to === whole).map(([from]) => whole - from));
    // what is hidden altogether is there for a reason
    return first + last >= whole ? piece[axis.along] : ticks(piece[axis.along] - spared(first) - spared(last));
  }) as [Ticks, Ticks];
  if (width === piece.width && height === piece.height) return {};
  return { least: { width: formatExactLength(width, unit), height: formatExactLength(height, unit) } };
}
