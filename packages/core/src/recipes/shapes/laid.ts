import { ZERO, ticks } from '../../length/index.ts';
import {
  boundsOf,
  moveContour,
  polygon,
  shapeOfOutline,
  type Contour,
  type Point,
  type Shape,
  type Size,
} from '../../geometry/index.ts';
import { areaOf, extentOf, shiftRing, turnRing, type Ring } from '../../lattice/index.ts';
import { makeBlank, sortByBlank, makeLayer } from '../laying.ts';
import { spreadPapers } from '../papers.ts';
import type { Dim, Fact, LaidOut, Layer, Suggestion, LayoutContext } from '../recipe.ts';
import {
  ROUNDED,
  findAdjacentSpots,
  extentOfRows,
  figureRingOf,
  listSpots,
  turningOf,
  type Lattice,
  type Spot,
} from './arrange.ts';
import { clipToPage } from '../onPage.ts';
import { countServedBy } from './clip.ts';
import { MEASURES_OF } from './figures.ts';
import type { ShapesInput } from './input.ts';

/* Shapes as they lie: which paper each has, what is seen of those that the page's edge cuts off, how many are cut for them. */

interface Counts {
  readonly columns: number;
  readonly rows: number;
  /** Left out: over all of the page. */
  readonly number: number | undefined;
}

/** What is seen of one: all of it, or what lies on the page. */
interface Seen {
  readonly spot: Spot;
  readonly shape: Shape;
  /** By which edges it is cut off, and how much of its width or height is seen then. */
  readonly cut: ReadonlyArray<{ readonly edge: 'left' | 'right' | 'bottom' | 'top'; readonly share: number }>;
}

export function layOutShapes(
  input: ShapesInput,
  table: LayoutContext,
  shape: Shape,
  lattice: Lattice,
  counts: Counts,
): { laid: LaidOut; suggestions: Suggestion[] } {
  const box = boundsOf(shape);
  const down = standingOnHead(shape);
  const seen =
    counts.number === undefined ? overPage(lattice, shape, down, table) : wholeOnes(lattice, shape, down, counts);
  const spots = seen.map((s) => s.spot);
  const spread = spreadPapers(
    { beside: findAdjacentSpots(spots, lattice), diagonal: spots.map(diagonalOf(lattice)) },
    Array.from({ length: Math.min(input.papers, Math.max(1, seen.length)) }, () => null),
  );
  const layers = seen.map(({ spot, shape: lies }, i): Layer =>
    makeLayer({
      key: `shape-${spot.column + 1}-${spot.row + 1}`,
      role: 'shape',
      n: i + 1,
      group: ['size'],
      sized: null,
      blank: `shape-${spread.papers[i]! + 1}`,
      box: boundsOf(lies),
      shape: lies,
    }),
  );
  const each = Array.from({ length: input.papers }, (_, p) => seen.filter((_s, i) => spread.papers[i] === p));
  const cuts = each.map(toCut);
  const extent = extentOfRows(lattice, counts.columns, counts.rows);
  const size =
    counts.number === undefined
      ? { width: table.room.width, height: table.room.height }
      : reachOf(
          layers,
          table.room,
          lattice.aside
            ? { width: extent.height, height: extent.length }
            : { width: extent.length, height: extent.height },
        );
  const blanks = each.flatMap((ones, p) =>
    ones.length
      ? [
          makeBlank(
            {
              key: `shape-${p + 1}`,
              role: 'shape',
              n: p + 1,
              quantity: cuts[p]!.cut,
              makes: ones.length,
              shape,
              finish: [{ do: 'outline', as: 'shape' } as const],
              nests: { turning: turningOf(input.figure), apart: ZERO },
            },
            { width: box.width, height: box.height },
            table.mark,
            'up',
          ),
        ]
      : [],
  );
  const facts: Fact[] = [{ name: 'made', lengths: [ticks(seen.length)] }];
  if (input.papers > 1) facts.push({ name: 'papers', lengths: each.map((ones) => ticks(ones.length)) });
  if (counts.number === undefined) {
    const sum = (of: (c: (typeof cuts)[number]) => number) => ticks(cuts.reduce((all, c) => all + of(c), 0));
    facts.push({
      name: 'at-edges',
      lengths: [sum((c) => c.whole), sum((c) => c.partial), sum((c) => c.served), sum((c) => c.cut)],
    });
  }
  if (input.lie !== 'straight' && counts.rows !== 1)
    facts.push({ name: 'rows', lengths: [Math.round(lattice.rise), Math.round(lattice.over)].map((t) => ticks(t)) });
  const alike = spread.is === 'as-asked' || spread.is === 'uneven' ? 0 : spread.alike.length;
  return {
    laid: {
      size,
      layers: sortByBlank(layers),
      blanks,
      slots: [],
      dims: counts.number === undefined ? [] : dimsOf(input, layers, lattice, size),
      facts,
    },
    suggestions: alike ? [{ code: 'own', why: 'alike', path: ['papers'], lengths: [ticks(alike)] }] : [],
  };
}

/** As one goes along the rows: of a honeycomb in three papers every other row begins with the third. */
const diagonalOf =
  ({ over }: Lattice) =>
  ({ column, row }: Spot): number =>
    column + (over ? 2 * (row % 2) : row);

/** Turned by half a turn in its own bounds, holes and all. */
function standingOnHead(shape: Shape): Shape {
  const { width, height } = boundsOf(shape);
  const turn = ({ x, y }: Point): Point => ({ x: ticks(width - x), y: ticks(height - y) });
  const turned = ({ start, segments }: Contour): Contour => ({
    start: turn(start),
    segments: segments.map((s) =>
      'centre' in s ? { to: turn(s.to), centre: turn(s.centre), turn: s.turn } : { to: turn(s.to) },
    ),
  });
  return { outline: turned(shape.outline), holes: shape.holes.map(turned) };
}

function wholeOnes(lattice: Lattice, shape: Shape, down: Shape, { columns, rows, number }: Counts): Seen[] {
  return listSpots(lattice, columns, rows)
    .slice(0, number)
    .map((spot) => ({
      spot,
      shape: moveContour(spot.down ? down : shape, Math.round(spot.x), Math.round(spot.y)),
      cut: [],
    }));
}

/** Over all of the page, one in its middle; what the edges cut off is not seen. */
function overPage(lattice: Lattice, shape: Shape, down: Shape, { room }: LayoutContext): Seen[] {
  const { pitch, rise, second, long, high, aside } = lattice;
  const [length, height] = aside ? [room.height, room.width] : [room.width, room.height];
  const each = second === null ? 1 : 2;
  const before = Math.ceil((length / 2 + long) / pitch) + 1;
  const below = 2 * Math.ceil((height / 2 + high) / rise / 2);
  const spots = listSpots(lattice, (2 * before + 1) * each, 2 * below + 1);
  const [along, up] = [(length - long) / 2 - before * pitch, (height - high) / 2 - below * rise];
  const [dx, dy] = aside ? [up, along] : [along, up];
  const [whole0, upsideDown] = [figureRingOf(shape), figureRingOf(down)];
  const { width, height: tall } = extentOf(turnRing(whole0, 0));
  return spots.flatMap((spot): Seen[] => {
    const [x, y] = [spot.x + dx, spot.y + dy];
    if (x >= room.width - 1 || y >= room.height - 1 || x + width <= 1 || y + tall <= 1) return [];
    const lies = { ...spot, x, y };
    const cut = (
      [
        ['left', (width + x) / width],
        ['right', (room.width - x) / width],
        ['bottom', (tall + y) / tall],
        ['top', (room.height - y) / tall],
      ] as const
    ).flatMap(([edge, share]) => (share < 1 - 1e-6 ? [{ edge, share }] : []));
    if (!cut.length)
      return [{ spot: lies, shape: moveContour(spot.down ? down : shape, Math.round(x), Math.round(y)), cut }];
    const seen: Ring = clipToPage(shiftRing(spot.down ? upsideDown : whole0, x, y), room.width, room.height);
    const rounded = seen.map(([px, py]) => [Math.round(px), Math.round(py)] as const);
    const corners = rounded.filter((p, i) => {
      const q = rounded[(i + 1) % rounded.length]!;
      return p[0] !== q[0] || p[1] !== q[1];
    });
    if (corners.length < 3 || areaOf(corners) < areaOf(whole0) / 2000) return [];
    return [{ spot: lies, shape: shapeOfOutline(polygon(corners)), cut }];
  });
}

/** How many are cut for these: whole ones, and for those at the edges what the edge across from them does not lose. */
function toCut(seen: readonly Seen[]): { cut: number; whole: number; partial: number; served: number } {
  const at = (edge: string, down: boolean) =>
    seen.flatMap(({ cut, spot }) =>
      cut.length === 1 && cut[0]!.edge === edge && spot.down === down ? [cut[0]!.share] : [],
    );
  // what one that stands on its head loses is no part of one that does not
  const served = [false, true].reduce(
    (sum, down) =>
      sum + countServedBy(at('left', down), at('right', down)) + countServedBy(at('bottom', down), at('top', down)),
    0,
  );
  const wholes = seen.filter(({ cut }) => !cut.length).length;
  return { cut: seen.length - served, whole: wholes, partial: seen.length - wholes, served };
}

/** As far as they reach; what rounded corners reach beyond the room is nothing. */
function reachOf(layers: readonly Layer[], room: Size, most: { width: number; height: number }): Size {
  const right = Math.max(...layers.map(({ box }) => box.x + box.width));
  const top = Math.max(...layers.map(({ box }) => box.y + box.height));
  const within = (reach: number, wide: number) => ticks(reach > wide && reach - wide <= ROUNDED ? wide : reach);
  return {
    width: within(Math.min(right, Math.ceil(most.width) + 2), room.width),
    height: within(Math.min(top, Math.ceil(most.height) + 2), room.height),
  };
}

/** Typed at the upper left one, between two, and below all of it. */
function dimsOf(input: ShapesInput, layers: readonly Layer[], lattice: Lattice, size: LaidOut['size']): Dim[] {
  const at = (x: number, y: number) => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const first = layers.reduce((a, b) => (b.box.y > a.box.y || (b.box.y === a.box.y && b.box.x < a.box.x) ? b : a));
  const { x, y, width, height } = first.box;
  const measures = MEASURES_OF[input.figure];
  const [across, up] =
    input.figure === 'hexagon'
      ? input.pointing === 'points-up'
        ? (['flats', 'corners'] as const)
        : (['corners', 'flats'] as const)
      : measures;
  const dims: (Dim | false)[] = [
    { kind: 'span', path: ['size', across!], from: at(x, y + height), to: at(x + width, y + height), side: 'top' },
    up !== undefined && { kind: 'span', path: ['size', up], from: at(x, y), to: at(x, y + height), side: 'left' },
    layers.length > 1 && {
      kind: 'leader',
      path: ['gap'],
      at: lattice.aside
        ? at(x + width / 2, y - (lattice.pitch - lattice.long) / 2)
        : at(x + width + (lattice.pitch - lattice.long) / 2, y + height / 2),
    },
    input.columns !== undefined &&
      input.lie !== 'alternating' &&
      input.figure !== 'star' &&
      input.figure !== 'scalloped' && {
        kind: 'span',
        path: ['all', 'length'],
        ...(lattice.aside
          ? ({ from: at(size.width, 0), to: at(size.width, size.height), side: 'right' } as const)
          : ({ from: at(0, 0), to: at(size.width, 0), side: 'bottom' } as const)),
      },
  ];
  return dims.filter((dim): dim is Dim => Boolean(dim));
}
