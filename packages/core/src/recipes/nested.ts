import { z } from 'zod';
import {
  exact,
  isOnMark,
  lengthText,
  parseLength,
  roundExact,
  roundToMark,
  scaleExact,
  ticks,
  type Exact,
  type LengthText,
  type Ticks,
} from '../length/index.ts';
import type { Edge, Size } from '../geometry/index.ts';
import type { Offer, RecipeProblem, Solved, Suggestion, Table } from './recipe.ts';
import { solveSums, type Equation, type Given, type Known, type Sum } from './sums.ts';

/*
 * Rectangles one inside the other, from the innermost outward:
 *
 *   +--------------------+  outer      outer = inner + left + right   (and likewise upright)
 *   |      top           |
 *   | left +------+ right|  the strip between two neighbours is the reveal
 *   |      | inner|      |
 *   |      +------+      |
 *   |      bottom        |
 *   +--------------------+
 *
 * Mat stacks and base panels are both this; they differ in which end is the one that is given.
 */

const reveal = lengthText({ allow: 'negative' });

/** One value for all edges, two (left and right, top and bottom), or four (left, right, top, bottom). */
export const revealSchema = z.union([
  z.tuple([reveal]),
  z.tuple([reveal, reveal]),
  z.tuple([reveal, reveal, reveal, reveal]),
]);
export type Reveal = z.infer<typeof revealSchema>;

/** Where the inner one lies when only sizes are given. */
export const restSchema = z.object({
  across: z.enum(['left', 'centre', 'right']).default('centre'),
  upDown: z.enum(['bottom', 'centre', 'top']).default('centre'),
});
export type Rest = z.infer<typeof restSchema>;

/** A rectangle of the chain: the fields given are the ones present. */
export interface Level {
  readonly name: string;
  readonly width?: LengthText | undefined;
  readonly height?: LengthText | undefined;
  readonly known?: Known | undefined;
}

/** What lies between one rectangle and the next one outward. */
export interface Gap {
  /** The layer to which the reveal belongs: it prefixes the field names. */
  readonly name: string;
  readonly reveal?: Reveal | undefined;
  readonly rest?: Rest | undefined;
  readonly known?: Known | undefined;
}

export interface NestedLevel extends Size {
  readonly name: string;
}
export type Reveals = Readonly<Record<Edge, Ticks>>;
export interface NestedAnswer {
  /** From the innermost outward. */
  readonly levels: readonly NestedLevel[];
  /** gaps[i] lies between levels[i] and levels[i + 1]. */
  readonly gaps: readonly Reveals[];
}

const AXES = [
  { size: 'width', low: 'left', high: 'right', both: 'across', rest: 'across' },
  { size: 'height', low: 'bottom', high: 'top', both: 'upDown', rest: 'upDown' },
] as const;
type Axis = (typeof AXES)[number];

interface Chain {
  readonly levels: readonly Level[];
  readonly gaps: readonly Gap[];
  /** Whether a reveal below 0 (an overhang that is trimmed flush) makes sense here. */
  readonly overhang: 'refused' | 'trimmed';
}

/** Reveal texts of one axis as typed: one shared value or a low and a high one. */
function typedReveal(value: Reveal | undefined, axis: Axis): LengthText[] {
  if (!value) return [];
  if (value.length === 1) return [value[0]];
  if (value.length === 2) return [axis.size === 'width' ? value[0] : value[1]];
  return axis.size === 'width' ? [value[0], value[1]] : [value[3], value[2]];
}

/** Sets up the lines of arithmetic and the givens of one axis. */
function setUp(chain: Chain, axis: Axis, table: Table, problems: RecipeProblem[]) {
  const givens: Given[] = [];
  const equations: Equation[] = [];
  const give = (name: string, text: LengthText, known: Known, allow?: 'negative') => {
    const read = parseLength(text, table.unit, allow ? { allow } : {});
    if (read.ok) givens.push({ name, value: read.value.ticks, known });
    else problems.push({ code: 'field', field: name, problem: read.problem });
  };
  for (const level of chain.levels) {
    const text = level[axis.size];
    if (text !== undefined && text !== '') give(`${level.name}.${axis.size}`, text, level.known ?? 'assumed');
  }
  chain.gaps.forEach((gap, i) => {
    const inner = `${chain.levels[i]!.name}.${axis.size}`;
    const outer = `${chain.levels[i + 1]!.name}.${axis.size}`;
    const sizes = [
      { name: outer, times: 1 },
      { name: inner, times: -1 },
    ];
    const typed = typedReveal(gap.reveal, axis);
    const rest = gap.rest?.[axis.rest] ?? 'centre';
    const [low, high, both] = [`${gap.name}.${axis.low}`, `${gap.name}.${axis.high}`, `${gap.name}.${axis.both}`];
    const known = gap.known ?? 'assumed';
    if (typed.length === 2) {
      give(low, typed[0]!, known, 'negative');
      give(high, typed[1]!, known, 'negative');
    } else if (rest !== 'centre') {
      // flush with one edge (or the seam of a spread): all of the reveal stands on the other
      givens.push({ name: rest === axis.low ? low : high, value: ticks(0), known: 'measured' });
      if (typed.length) give(rest === axis.low ? high : low, typed[0]!, known, 'negative');
    } else {
      if (typed.length) give(both, typed[0]!, known, 'negative');
      equations.push([...sizes, { name: both, times: -2 }]);
      return;
    }
    equations.push([...sizes, { name: low, times: -1 }, { name: high, times: -1 }]);
  });
  return { givens, equations };
}

/** The reveals of one gap along one axis in ticks: an even one that does not come out leaves its odd tick on the high side. */
function revealsOf(values: ReadonlyMap<string, Exact>, gap: Gap, axis: Axis): [Ticks, Ticks] | null {
  const both = values.get(`${gap.name}.${axis.both}`);
  if (both) {
    const low = roundExact(both, 'down');
    return [low, ticks(roundExact(scaleExact(both, 2), 'nearest') - low)];
  }
  const low = values.get(`${gap.name}.${axis.low}`);
  const high = values.get(`${gap.name}.${axis.high}`);
  return low && high ? [roundExact(low, 'nearest'), roundExact(high, 'nearest')] : null;
}

/**
 * Solves a chain of nested rectangles: any level's size or any reveal may be the unknown.
 * `giveWay` names the fields that may be overruled, first to go first.
 */
export function solveNested(chain: Chain, table: Table, giveWay: readonly string[]): Solved<NestedAnswer> {
  const problems: RecipeProblem[] = [];
  const offers: Offer[] = [];
  const suggestions: Suggestion[] = [];
  const sums: Record<string, Sum> = {};
  const solved = AXES.map((axis) => {
    const { givens, equations } = setUp(chain, axis, table, problems);
    return { axis, givens, solution: solveSums(equations, givens, giveWay) };
  });
  if (problems.length) return { status: 'refused', problems, offers };

  for (const { solution } of solved) {
    if (solution.disagree) {
      const by = roundExact(solution.disagree.by, 'nearest');
      problems.push({ code: 'disagree', fields: solution.disagree.names, by: ticks(Math.abs(by)) });
    } else if (solution.unknown.length) problems.push({ code: 'missing', fields: solution.unknown });
    for (const [name, sum] of solution.sums) sums[name] = sum;
    for (const field of solution.gaveWay) suggestions.push({ code: 'gave-way', field });
  }
  if (problems.length) return { status: 'refused', problems, offers };

  const sizeOf = (name: string, axis: Axis): Ticks =>
    roundExact(solved[AXES.indexOf(axis)]!.solution.values.get(`${name}.${axis.size}`) ?? exact(0), 'nearest');
  const levels = chain.levels.map((l) => ({
    name: l.name,
    width: sizeOf(l.name, AXES[0]),
    height: sizeOf(l.name, AXES[1]),
  }));
  for (const level of levels) {
    for (const axis of AXES) {
      const size = level[axis.size];
      const field = `${level.name}.${axis.size}`;
      if (size <= 0) problems.push({ code: 'size-not-positive', field, size });
      else if (!isOnMark(size, table.mark) && sums[field]) {
        suggestions.push({ code: 'off-mark', field, size, nearest: roundToMark(size, table.mark, 'nearest') });
      }
    }
  }
  const gaps = chain.gaps.map((gap, i): Reveals => {
    const [left, right] = revealsOf(solved[0]!.solution.values, gap, AXES[0])!;
    const [bottom, top] = revealsOf(solved[1]!.solution.values, gap, AXES[1])!;
    const reveals = { left, right, top, bottom };
    if (chain.overhang === 'refused') refuseNegative(gap, reveals, levels[i]!, levels[i + 1]!, problems, offers);
    suggestEven(gap, reveals, levels[i]!, sums, suggestions);
    return reveals;
  });
  if (problems.length) return { status: 'refused', problems, offers };
  return { status: 'solved', answer: { levels, gaps }, sums, suggestions };
}

/** A mat smaller than what lies on it: says on which edges and by how much, and what would just do. */
function refuseNegative(
  gap: Gap,
  reveals: Reveals,
  inner: NestedLevel,
  outer: NestedLevel,
  problems: RecipeProblem[],
  offers: Offer[],
) {
  for (const axis of AXES) {
    const edges = ([axis.low, axis.high] as const).filter((edge) => reveals[edge] < 0);
    if (!edges.length) continue;
    const by = ticks(Math.max(...edges.map((e) => -reveals[e])));
    problems.push({ code: 'reveal-negative', layer: gap.name, edges, by });
    if (outer[axis.size] < inner[axis.size]) {
      offers.push({ field: `${outer.name}.${axis.size}`, value: inner[axis.size] });
      offers.push({ field: `${inner.name}.${axis.size}`, value: outer[axis.size] });
    }
  }
}

/** Reveals that follow from a size and differ between the two ways: what even ones would be. */
function suggestEven(
  gap: Gap,
  r: Reveals,
  inner: Size,
  sums: Readonly<Record<string, Sum>>,
  suggestions: Suggestion[],
) {
  const computed = sums[`${gap.name}.across`] && sums[`${gap.name}.upDown`];
  if (!computed || r.left === r.top || Math.min(r.left, r.top) < 0) return;
  const even = [Math.max(r.left, r.top), Math.min(r.left, r.top)].map((reveal) => ({
    width: ticks(inner.width + 2 * reveal),
    height: ticks(inner.height + 2 * reveal),
    reveal: ticks(reveal),
  }));
  suggestions.push({ code: 'uneven-reveals', layer: gap.name, across: r.left, upDown: r.top, even });
}
