import { z } from 'zod';
import {
  exact,
  isOnMark,
  lengthText,
  roundExact,
  roundToMark,
  ticks,
  type LengthText,
  type Ticks,
} from '../length/index.ts';
import { EDGES, rect, type Edge, type Rect, type Size } from '../geometry/index.ts';
import {
  fieldKey,
  isUnder,
  isSamePath,
  withValue,
  type Field,
  type FieldPath,
  type IfEmpty,
  type KnownAs,
} from './fields.ts';
import { readGivenLengths } from './given.ts';
import type { Arithmetic, Dim, Fact, Offer, RecipeProblem, Suggestion, LayoutContext } from './recipe.ts';
import {
  keysAlong,
  revealFields,
  revealKey,
  revealKeys,
  revealSchema,
  formatReveal,
  restyleReveal,
  type Reveal,
  type RevealStyle,
  type Reveals,
} from './reveals.ts';
import { solveSums, term, type Equation, type SumsSolution } from './sums.ts';

/*
 * Rectangles one inside the other:
 *
 *   +--------------------+  outer      outer = inner + left + right   (and likewise upright)
 *   |      top           |
 *   | left +------+ right|  the strip between two neighbours is the reveal
 *   |      | inner|      |
 *   |      +------+      |
 *   |      bottom        |
 *   +--------------------+
 *
 * Mat stacks and base panels are both this; they differ in which end is the one that is given. Both keep a list of layers
 * that leads away from that end.
 */

export const MAX_LAYERS = 12;
export const sizeKeys = { width: lengthText().optional(), height: lengthText().optional() };
/** The layers as both lists have them: by their reveal, by their size, or by what is known of both. */
export const layersSchema = z
  .array(z.strictObject({ id: z.string().min(1).max(64), reveal: revealSchema, ...sizeKeys }))
  .max(MAX_LAYERS);
export type NestedLayer = z.infer<typeof layersSchema>[number];

/** A rectangle of the chain. */
interface Level {
  readonly path: FieldPath;
  readonly width?: LengthText | undefined;
  readonly height?: LengthText | undefined;
  /** It is what it is: the room. */
  readonly fixed?: Size;
  readonly known?: KnownAs;
}

export interface Chain {
  /** From the innermost outward. */
  readonly levels: readonly Level[];
  /** gaps[i] lies between levels[i] and levels[i + 1], and belongs to the layer at `path`. */
  readonly gaps: ReadonlyArray<{ readonly path: FieldPath; readonly reveal: Reveal }>;
  /** Edges on which no reveal stands, since another page goes on there. */
  readonly seams: ReadonlyArray<'left' | 'right'>;
}

const AXES = [
  { size: 'width', low: 'left', high: 'right' },
  { size: 'height', low: 'bottom', high: 'top' },
] as const;
type Axis = (typeof AXES)[number];

const sizePath = (level: FieldPath, axis: 'width' | 'height'): FieldPath => [...level, axis];
const revealPath = (layer: FieldPath, key: string): FieldPath => [...layer, 'reveal', key];

/** The lines of arithmetic of a chain, and what is given in it. */
export function chainArithmetic(chain: Chain, table: LayoutContext): Arithmetic {
  const equations: Equation[] = [];
  const { givens, problems, give } = readGivenLengths(table.unit);
  for (const level of chain.levels)
    for (const { size } of AXES) {
      if (level.fixed) givens.push({ path: sizePath(level.path, size), value: level.fixed[size], known: 'measured' });
      else give(sizePath(level.path, size), level[size], level.known ?? 'assumed');
    }
  chain.gaps.forEach(({ path, reveal }, i) => {
    for (const key of revealKeys(reveal.style))
      give(revealPath(path, key), formatReveal(reveal, key), 'assumed', 'negative');
    for (const axis of AXES) {
      const sizes = [
        term(sizePath(chain.levels[i + 1]!.path, axis.size), 1),
        term(sizePath(chain.levels[i]!.path, axis.size), -1),
      ];
      const edges = ([axis.low, axis.high] as Edge[]).filter((e) => !chain.seams.some((s) => s === e));
      const [low, high] = edges.map((edge) => revealKey(reveal.style, edge));
      if (low === undefined) equations.push(sizes);
      else if (high === undefined) equations.push([...sizes, term(revealPath(path, low), -1)]);
      else if (low === high) equations.push([...sizes, term(revealPath(path, low), -2)]);
      else if (
        reveal.style === 'four' &&
        formatReveal(reveal, low) === undefined &&
        formatReveal(reveal, high) === undefined
      ) {
        // nothing is said of either: they share what there is
        equations.push([...sizes, term(revealPath(path, low), -2)]);
        equations.push([term(revealPath(path, high), 1), term(revealPath(path, low), -1)]);
      } else equations.push([...sizes, term(revealPath(path, low), -1), term(revealPath(path, high), -1)]);
    }
  });
  return { equations, givens, problems };
}

export interface ChainAnswer {
  readonly levels: readonly Size[];
  readonly gaps: readonly Reveals[];
  readonly solution: SumsSolution;
  readonly suggestions: readonly Suggestion[];
}

/** Problems that any set of sums can have: lengths that do not read, too little given, too much. */
export function collectSumProblems(arithmetic: Arithmetic, solution: SumsSolution): RecipeProblem[] {
  if (arithmetic.problems.length) return [...arithmetic.problems];
  if (solution.disagree) {
    const by = ticks(Math.abs(roundExact(solution.disagree.by, 'nearest')));
    return [{ code: 'disagree', paths: solution.disagree.paths, by }];
  }
  return solution.unknown.length ? [{ code: 'missing', paths: solution.unknown }] : [];
}

/** Solves a chain: any level's size or any reveal may be the unknown. Sizes and reveals in ticks, or why not. */
export function solveChain(
  chain: Chain,
  table: LayoutContext,
): { ok: true; answer: ChainAnswer } | { ok: false; problems: RecipeProblem[] } {
  const arithmetic = chainArithmetic(chain, table);
  const solution = solveSums(arithmetic.equations, arithmetic.givens);
  const problems = collectSumProblems(arithmetic, solution);
  if (problems.length) return { ok: false, problems };
  const valueOf = (path: FieldPath) => solution.values.get(fieldKey(path)) ?? exact(0);
  const suggestions: Suggestion[] = [];
  const levels = chain.levels.map(({ path }): Size => {
    const [width, height] = AXES.map(({ size }) => roundExact(valueOf(sizePath(path, size)), 'nearest'));
    return { width: width!, height: height! };
  });
  chain.levels.forEach(({ path }, i) => {
    for (const { size } of AXES) {
      const at = sizePath(path, size);
      const length = levels[i]![size];
      if (length <= 0) problems.push({ code: 'size-not-positive', path: at, size: length });
      else if (!isOnMark(length, table.mark) && solution.sums.has(fieldKey(at)))
        suggestions.push({
          code: 'off-mark',
          path: at,
          size: length,
          nearest: roundToMark(length, table.mark, 'nearest'),
        });
    }
  });
  if (problems.length) return { ok: false, problems };
  const gaps = chain.gaps.map(({ path, reveal }, i): Reveals => {
    const along = (axis: Axis): [low: Ticks, high: Ticks] => {
      const both = ticks(levels[i + 1]![axis.size] - levels[i]![axis.size]);
      const isSeam = (edge: Edge) => chain.seams.some((s) => s === edge);
      if (isSeam(axis.low)) return [ticks(0), both];
      if (isSeam(axis.high)) return [both, ticks(0)];
      // an even one that does not come out leaves its odd tick on the high side
      const low = roundExact(valueOf(revealPath(path, revealKey(reveal.style, axis.low))), 'down');
      return [low, ticks(both - low)];
    };
    const [[left, right], [bottom, top]] = [along(AXES[0]), along(AXES[1])];
    const reveals = { left, right, top, bottom };
    suggestions.push(...unevenAdvice(path, reveal, reveals, levels[i]!, solution));
    return reveals;
  });
  return { ok: true, answer: { levels, gaps, solution, suggestions } };
}

/** Reveals that follow from a size and differ between the two ways: what even ones would be. */
function unevenAdvice(path: FieldPath, reveal: Reveal, r: Reveals, inner: Size, solution: SumsSolution): Suggestion[] {
  const computed = revealKeys(reveal.style).every((key) => solution.sums.has(fieldKey(revealPath(path, key))));
  if (!computed || reveal.style === 'footer' || reveal.style === 'even') return [];
  if (r.left !== r.right || r.top !== r.bottom || r.left === r.top || Math.min(r.left, r.top) < 0) return [];
  const even = [Math.max(r.left, r.top), Math.min(r.left, r.top)].map((each) => ({
    width: ticks(inner.width + 2 * each),
    height: ticks(inner.height + 2 * each),
    reveal: ticks(each),
  }));
  return [{ code: 'uneven-reveals', group: path, across: r.left, upDown: r.top, even }];
}

/** On which edges a layer is smaller than what lies on it, and what would just do. */
export function findTooSmallLayers(
  chain: Chain,
  { levels, gaps }: ChainAnswer,
): { problems: RecipeProblem[]; offers: Offer[] } {
  const problems: RecipeProblem[] = [];
  const offers: Offer[] = [];
  gaps.forEach((reveals, i) => {
    const [inner, outer] = [chain.levels[i]!, chain.levels[i + 1]!];
    for (const axis of AXES) {
      const edges = ([axis.low, axis.high] as const).filter((edge) => reveals[edge] < 0);
      if (!edges.length) continue;
      const by = ticks(Math.max(...edges.map((e) => -reveals[e])));
      problems.push({ code: 'own', why: 'smaller-than-inside', path: outer.path, lengths: [by], edges });
      const [within, around] = [levels[i]![axis.size], levels[i + 1]![axis.size]];
      // only what somebody gave can be given otherwise
      if (outer[axis.size] !== undefined && around < within) {
        offers.push({ path: sizePath(outer.path, axis.size), length: within });
        if (inner[axis.size] !== undefined) offers.push({ path: sizePath(inner.path, axis.size), length: around });
      }
      for (const edge of edges) {
        const key = revealKey(chain.gaps[i]!.reveal.style, edge);
        const path = revealPath(outer.path, key);
        // edges that are to be alike have one value
        if (formatReveal(chain.gaps[i]!.reveal, key) !== undefined && !offers.some((o) => isSamePath(o.path, path)))
          offers.push({ path, length: ticks(0) });
      }
    }
  });
  return { problems, offers };
}

/** Where each level lies, counted from the lower left of the outermost. */
export function placeLevels({ levels, gaps }: ChainAnswer): Rect[] {
  let [x, y] = [0, 0];
  const boxes: Rect[] = [];
  for (let i = levels.length - 1; i >= 0; i--) {
    const gap = gaps[i];
    if (gap) [x, y] = [x + gap.left, y + gap.bottom];
    boxes[i] = rect(x, y, levels[i]!.width, levels[i]!.height);
  }
  return boxes;
}

/** A leader for each reveal of a layer: into the strip between the two rectangles, on an edge that it is the reveal of, no seam. */
export function listRevealDims(
  layer: FieldPath,
  reveal: Reveal,
  inner: Rect,
  outer: Rect,
  solution: SumsSolution,
  seams: readonly Edge[] = [],
): Dim[] {
  const middle = { x: inner.x + inner.width / 2, y: inner.y + inner.height / 2 };
  const at: Readonly<Record<Edge, { x: number; y: number }>> = {
    right: { x: (inner.x + inner.width + outer.x + outer.width) / 2, y: middle.y },
    left: { x: (inner.x + outer.x) / 2, y: middle.y },
    top: { x: inner.x + inner.width * 0.8, y: (inner.y + inner.height + outer.y + outer.height) / 2 },
    bottom: { x: inner.x + inner.width * 0.8, y: (inner.y + outer.y) / 2 },
  };
  const open = (['right', 'top', 'bottom', 'left'] as const).filter((e) => !seams.includes(e));
  const typed = revealKeys(reveal.style).flatMap((key): Dim[] => {
    const edge = open.find((e) => revealKey(reveal.style, e) === key);
    if (!edge) return [];
    const { x, y } = at[edge];
    return [{ kind: 'leader', path: revealPath(layer, key), at: { x: ticks(Math.round(x)), y: ticks(Math.round(y)) } }];
  });
  // what was worked out is the answer, on every edge
  const widths = revealsBetween(inner, outer);
  const answers = EDGES.flatMap((edge): Dim[] => {
    const path = revealPath(layer, revealKey(reveal.style, edge));
    if (seams.includes(edge) || !solution.sums.has(fieldKey(path))) return [];
    const [x, y] = edge === 'left' || edge === 'right' ? [at[edge].x, middle.y] : [middle.x, at[edge].y];
    return [{ kind: 'answer', path, at: { x: ticks(Math.round(x)), y: ticks(Math.round(y)) }, length: widths[edge] }];
  });
  return [...typed, ...answers];
}

const revealsBetween = (inner: Rect, outer: Rect): Reveals => ({
  left: ticks(inner.x - outer.x),
  right: ticks(outer.x + outer.width - inner.x - inner.width),
  bottom: ticks(inner.y - outer.y),
  top: ticks(outer.y + outer.height - inner.y - inner.height),
});

/** The reveals of layers of which some were worked out: left, right, top, bottom. */
export const listRevealFacts = (
  layers: ReadonlyArray<{
    readonly path: FieldPath;
    readonly reveal: Reveal;
    readonly inner: Rect;
    readonly outer: Rect;
  }>,
  { sums }: Pick<SumsSolution, 'sums'>,
): Fact[] =>
  layers.flatMap(({ path, reveal, inner, outer }) => {
    const worked = revealKeys(reveal.style).some((key) => sums.has(fieldKey(revealPath(path, key))));
    const { left, right, top, bottom } = revealsBetween(inner, outer);
    return worked ? [{ name: 'reveals', of: path, lengths: [left, right, top, bottom] }] : [];
  });

/** Width and height of a layer or of the print as two fields. */
export const sizeFields = (
  group: FieldPath,
  size: { readonly width?: LengthText | undefined; readonly height?: LengthText | undefined },
  knownAt: FieldPath | null = null,
  ifEmpty: IfEmpty = 'worked-out',
): Field[] =>
  AXES.map(({ size: axis }) => ({
    kind: 'length',
    path: sizePath(group, axis),
    group,
    value: size[axis],
    ifEmpty,
    knownAt,
  }));

export const layerFields = (list: string, layers: readonly NestedLayer[]): Field[] =>
  layers.flatMap((layer, i) => [...revealFields([list, i], layer.reveal), ...sizeFields([list, i], layer)]);

const isSize = (path: FieldPath): path is readonly [...FieldPath, 'width' | 'height'] =>
  path.at(-1) === 'width' || path.at(-1) === 'height';

/**
 * What gives way first when something of a chain is typed: of the same layer what says the same thing otherwise (its size for
 * its reveal, its reveal for its size), then sizes from the far end of the list, then reveals, then `root`.
 */
export function nestedYieldOrder(
  list: string,
  layers: readonly NestedLayer[],
  root: readonly FieldPath[],
  path: FieldPath,
): { own: FieldPath[]; others: FieldPath[] } {
  const far = [...layers.keys()].reverse();
  const sizes = (i: number) => AXES.map(({ size }) => sizePath([list, i], size));
  const reveals = (i: number, keys: readonly string[]) => keys.map((key) => revealPath([list, i], key));
  const at = layers.findIndex((_, i) => isUnder(path, [list, i]));
  const style = layers[at]?.reveal.style;
  const own = !style
    ? []
    : isSize(path)
      ? // of a footer mat the bottom takes the rest
        reveals(at, keysAlong(style, path.at(-1) as 'width' | 'height')).sort(
          (a, b) => Number(b.at(-1) === 'bottom') - Number(a.at(-1) === 'bottom'),
        )
      : sizes(at);
  const others = [
    ...far.flatMap(sizes),
    ...far.flatMap((i) => reveals(i, revealKeys(layers[i]!.reveal.style))),
    ...root,
  ];
  return { own, others };
}

/** What stays as it is when something of a chain is emptied. */
export function nestedFixedPaths(list: string, layers: readonly NestedLayer[], path: FieldPath): FieldPath[] {
  const last = layers.length - 1;
  const i = layers.findIndex((_, n) => isUnder(path, [list, n]));
  const layer = layers[i];
  if (!layer) return isSize(path) && last >= 0 ? [sizePath([list, last], path.at(-1) as 'width' | 'height')] : [];
  if (isSize(path))
    return keysAlong(layer.reveal.style, path.at(-1) as 'width' | 'height').map((key) => revealPath([list, i], key));
  const facing = { left: 'right', right: 'left', top: 'bottom', bottom: 'top' }[String(path.at(-1))];
  const sizes = AXES.map(({ size }) => sizePath([list, i], size));
  return layer.reveal.style === 'four' && facing ? [...sizes, revealPath([list, i], facing)] : sizes;
}

/** Puts a value into a list of layers; another style of reveal takes the values along. */
export function setNestedValue<Input>(
  input: Input,
  layers: readonly NestedLayer[],
  list: string,
  path: FieldPath,
  value: unknown,
): Input {
  const i = layers.findIndex((_, n) => isUnder(path, [list, n, 'reveal', 'style']));
  if (i < 0) return withValue(input, path, value);
  return withValue(input, [list, i, 'reveal'], restyleReveal(layers[i]!.reveal, value as RevealStyle));
}

/** A mat that is given by its width and by its height is even only by chance: its reveals may differ. */
export function loosenNestedReveals<Input>(
  input: Input,
  layers: readonly NestedLayer[],
  list: string,
  path: FieldPath,
): Input | null {
  const i = layers.findIndex((_, n) => isUnder(path, [list, n]));
  return isSize(path) && layers[i]?.reveal.style === 'even'
    ? withValue(input, [list, i, 'reveal'], { style: 'two' })
    : null;
}
