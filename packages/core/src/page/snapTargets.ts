import { parseLength, ticks, type Ticks, type Unit } from '../length/index.ts';
import type { Rect, Size } from '../geometry/index.ts';
import { recipeOf } from '../recipes/index.ts';
import type { DerivedItem, DerivedPage } from './derive.ts';
import type { Item, Page, Place } from './document.ts';
import { changeItem } from './edit.ts';
import { computeDistanceFrom, computePlaceAlong, type Axis } from './place.ts';

/*
 * What an item catches on while it is moved, along one axis at a time. A catch is a place, as it is kept on the page: so it holds after
 * any change of size, until the item is moved away.
 *
 *     edge   [item]....    middle  ..[item]..    level with another, a gap as elsewhere, a margin as another has
 */

/** What was caught, to be said. `of`: the item that it has to do with. */
export type CatchReason =
  | { readonly is: 'room'; readonly from: Place[Axis]['from'] }
  | { readonly is: 'margin'; readonly from: Place[Axis]['from']; readonly by: Ticks; readonly of: string }
  | { readonly is: 'level'; readonly from: Place[Axis]['from']; readonly of: string }
  | { readonly is: 'touching'; readonly from: Place[Axis]['from']; readonly of: string }
  | { readonly is: 'gap'; readonly by: Ticks; readonly of: string; readonly as: string };

export interface SnapTarget {
  readonly axis: Axis;
  /** Where the item then begins along the axis, in ticks of the page. */
  readonly at: Ticks;
  readonly place: Place[Axis];
  readonly says: CatchReason;
  /** Of two that are as near, the one that weighs more. */
  readonly weight: number;
  /** Only while the item begins between these along the other axis: it is beside what it has to do with then. */
  readonly beside?: { readonly over: number; readonly under: number };
}

const LOW = { across: 'x', upDown: 'y' } as const;
const LONG = { across: 'width', upDown: 'height' } as const;
const ROOM: Readonly<Record<Axis, readonly Place[Axis]['from'][]>> = {
  across: ['left', 'left-third', 'centre', 'right-third', 'right'],
  upDown: ['bottom', 'lower-third', 'centre', 'upper-third', 'top'],
};
const LEVEL: Readonly<Record<Axis, readonly Place[Axis]['from'][]>> = {
  across: ['left', 'centre', 'right'],
  upDown: ['bottom', 'centre', 'top'],
};

/** Items whose place or room hangs on another's, directly or through others. */
function hangOn(page: Pick<Page, 'items'>, id: string): ReadonlySet<string> {
  const found = new Set([id]);
  const leans = ({ on, at, follows }: Item): readonly (string | undefined)[] => [
    typeof on === 'object' && 'item' in on ? on.item : undefined,
    at.across.of,
    at.upDown.of,
    ...(follows ?? []).map((f) => f.of),
  ];
  for (let size = 0; size !== found.size;) {
    size = found.size;
    for (const item of page.items) if (leans(item).some((of) => of !== undefined && found.has(of))) found.add(item.id);
  }
  return found;
}

/** Everything that an item can catch on where it lies now, both axes; worked out once, when it is taken up. */
export function collectSnapTargets(
  page: Page,
  derived: DerivedPage,
  id: string,
  moving: readonly string[] = [id],
): SnapTarget[] {
  const here = derived.items.get(id);
  if (!here) return [];
  const bound = new Set(moving.flatMap((one) => [...hangOn(page, one)]));
  const others = [...derived.items.values()].filter(
    (d) => !bound.has(d.item.id) && d.laid && recipeOf(d.item.recipe).beneath === null,
  );
  return (['across', 'upDown'] as const).flatMap((axis) => alongAxis(axis, here, others, page.unit));
}

function alongAxis(axis: Axis, here: DerivedItem, others: readonly DerivedItem[], unit: Unit): SnapTarget[] {
  const { room, box } = here;
  const made = (place: Place[Axis], within: Rect, says: CatchReason, weight: number): SnapTarget[] => {
    const at = computePlaceAlong(axis, place, box, within, unit);
    return at.ok ? [{ axis, at: at.at, place, says, weight }] : [];
  };
  const by = (from: Place[Axis]['from'], at: number, within: Rect) =>
    computeDistanceFrom(axis, from, at, box, within, unit);
  const [low, long] = [LOW[axis], LONG[axis]];
  const [first, last] = axis === 'across' ? (['left', 'right'] as const) : (['bottom', 'top'] as const);
  const rooms = ROOM[axis].flatMap((from) =>
    made({ from, by: '0' } as Place[Axis], room, { is: 'room', from }, from === 'centre' ? 9 : 8),
  );
  const level = others.flatMap(({ item: { id: of }, box: other }) => [
    ...LEVEL[axis].flatMap((from) =>
      made({ from, by: '0', of } as Place[Axis], other, { is: 'level', from, of }, from === 'centre' ? 6 : 7),
    ),
    ...(['before', 'after'] as const).flatMap((from) =>
      made({ from, by: '0', of } as Place[Axis], other, { is: 'touching', from, of }, 5),
    ),
  ]);
  // as far from an edge as another item is from its own
  const margins = others
    .filter((o) => JSON.stringify(o.room) === JSON.stringify(room))
    .flatMap(({ item: { id: of }, box: o }) => {
      const away = [o.x - room.x, room.x + room.width - o.x - o.width, o.y - room.y, room.y + room.height - o.y - o.height]; // prettier-ignore
      return [...new Set(away)]
        .filter((n) => n > 0 && n < room[long] / 4)
        .flatMap((n) =>
          [first, last].flatMap((from) => {
            const at = from === first ? room[low] + n : room[low] + room[long] - n - box[long];
            const says: CatchReason = { is: 'margin', from, by: ticks(n), of };
            return made({ from, by: by(from, at, room) } as Place[Axis], room, says, 3);
          }),
        );
    });
  return [...rooms, ...level, ...margins, ...gapsAlong(axis, here, others, made, by)];
}

/** A gap as two neighbours in a row have it, before or after another; and right between two. */
function gapsAlong(
  axis: Axis,
  { box }: DerivedItem,
  others: readonly DerivedItem[],
  made: (place: Place[Axis], within: Rect, says: CatchReason, weight: number) => SnapTarget[],
  by: (from: Place[Axis]['from'], at: number, within: Rect) => string,
): SnapTarget[] {
  const [low, long] = [LOW[axis], LONG[axis]];
  const [side, wide] = axis === 'across' ? (['y', 'height'] as const) : (['x', 'width'] as const);
  const end = (d: DerivedItem) => d.box[low] + d.box[long];
  const inRow = (a: Rect, b: Rect) => a[side] < b[side] + b[wide] && b[side] < a[side] + a[wide];
  const sorted = [...others].sort((a, b) => a.box[low] - b.box[low]);
  const pairs = sorted.flatMap((a, i) => {
    const next = sorted.slice(i + 1).find((b) => b.box[low] >= end(a) && inRow(a.box, b.box));
    return next ? [{ a, b: next, gap: next.box[low] - end(a) }] : [];
  });
  return pairs.flatMap(({ a, b, gap }) => {
    const says = (of: DerivedItem, as: DerivedItem, g: number): CatchReason => ({ is: 'gap', by: ticks(g), of: of.item.id, as: as.item.id }); // prettier-ignore
    const between = (gap - box[long]) / 2;
    const middle = between >= 0 ? Math.floor(end(a) + between) : null;
    const after = (d: DerivedItem, at: number) => ({ from: 'after', of: d.item.id, by: by('after', at, d.box) }) as Place[Axis]; // prettier-ignore
    const before = { from: 'before', of: a.item.id, by: by('before', a.box[low] - gap - box[long], a.box) } as Place[Axis]; // prettier-ignore
    // only beside them
    const lowest = Math.min(a.box[side], b.box[side]) - box[wide];
    const highest = Math.max(a.box[side] + a.box[wide], b.box[side] + b.box[wide]);
    return [
      ...(gap > 0 ? made(after(b, end(b) + gap), b.box, says(b, a, gap), 4) : []),
      ...(gap > 0 ? made(before, a.box, says(a, b, gap), 4) : []),
      ...(middle === null ? [] : made(after(a, middle), a.box, says(a, b, Math.round(between)), 4)),
    ].map((one) => ({ ...one, beside: { over: lowest, under: highest } }));
  });
}

/** The catch nearest to where an item would begin (ticks), along an axis, within reach of it; null: it is free. */
export function findSnapTarget(
  catches: readonly SnapTarget[],
  axis: Axis,
  spot: { readonly x: number; readonly y: number },
  reach: number,
): SnapTarget | null {
  const [at, other] = axis === 'across' ? [spot.x, spot.y] : [spot.y, spot.x];
  let best: SnapTarget | null = null;
  let nearest = reach;
  for (const one of catches) {
    if (one.axis !== axis) continue;
    if (one.beside && (other <= one.beside.over || other >= one.beside.under)) continue;
    const off = Math.abs(one.at - at);
    if (off < nearest - 1 || (off <= nearest + 1 && (!best || one.weight > best.weight) && off <= reach)) {
      best = one;
      nearest = Math.min(nearest, off);
    }
  }
  return best;
}

/**
 * Puts an item where it was let go: by what it caught along each axis, else by its distance from the edge of its room that it counted
 * from, or the nearer one where it counted from something else.
 */
export function dropItem(
  page: Page,
  derived: DerivedPage,
  id: string,
  spot: { readonly x: number; readonly y: number },
  caught: { readonly across: SnapTarget | null; readonly upDown: SnapTarget | null } = { across: null, upDown: null },
): Page {
  const here = derived.items.get(id);
  if (!here) return page;
  const along = (axis: Axis): Place[Axis] => {
    const got = caught[axis];
    if (got) return got.place;
    const at = axis === 'across' ? spot.x : spot.y;
    const was = here.item.at[axis];
    if (at === here.box[LOW[axis]]) return was;
    const edges: readonly string[] = axis === 'across' ? ['left', 'right'] : ['bottom', 'top'];
    const from = was.of === undefined && edges.includes(was.from) ? was.from : nearerEdge(axis, at, here);
    return { from, by: computeDistanceFrom(axis, from, at, here.box, here.room, page.unit) } as Place[Axis];
  };
  return changeItem(page, id, { at: { across: along('across'), upDown: along('upDown') } as Place });
}

function nearerEdge(axis: Axis, at: number, { box, room }: { box: Size; room: Rect }): Place[Axis]['from'] {
  const [low, long] = [LOW[axis], LONG[axis]];
  const first = at - room[low] <= room[low] + room[long] - at - box[long];
  return axis === 'across' ? (first ? 'left' : 'right') : first ? 'bottom' : 'top';
}

/** What a place that is kept says, as a catch would: for what is caught already. Null: it only counts from an edge. */
export function snapTargetOfPlace(axis: Axis, { from, by, of }: Place[Axis], unit: Unit): CatchReason | null {
  const read = parseLength(by, unit, { allow: 'negative' });
  const none = read.ok && read.value.ticks === 0;
  if (of === undefined) return none ? { is: 'room', from } : null;
  if (from === 'before' || from === 'after')
    return none ? { is: 'touching', from, of } : read.ok ? { is: 'gap', by: read.value.ticks, of, as: of } : null;
  return none ? { is: 'level', from, of } : null;
}
