import { addExact, exact, isZero, scaleExact, type Exact, type Ticks } from '../length/index.ts';
import { fieldKey, isSamePath, type FieldPath, type KnownAs } from './fields.ts';

/** One line of arithmetic over named lengths: the sum of all `times × path` is nothing. */
export type Equation = readonly Term[];
export interface Term {
  readonly path: FieldPath;
  readonly key: string;
  readonly times: number;
}
export const term = (path: FieldPath, times: number): Term => ({ path, key: fieldKey(path), times });

export interface Given {
  readonly path: FieldPath;
  readonly value: Ticks;
  readonly known: KnownAs;
}

/** How a computed length came about: total = sum of times × value, divided by `over`. */
export interface Sum {
  readonly terms: ReadonlyArray<{ readonly path: FieldPath; readonly times: number; readonly value: Exact }>;
  readonly over: number;
}

export interface SumsSolution {
  /** By key of the path. */
  readonly values: ReadonlyMap<string, Exact>;
  /** Only computed ones have one. */
  readonly sums: ReadonlyMap<string, Sum>;
  /** What nothing given reaches. */
  readonly unknown: readonly FieldPath[];
  /** Assumed givens that were overruled, in the order in which they gave way. */
  readonly gaveWay: readonly FieldPath[];
  /** Givens that cannot all be true, where none of them may give way. */
  readonly disagree: { readonly paths: readonly FieldPath[]; readonly by: Exact } | null;
}

/**
 * Works out every length that the equations and the givens settle, whichever of them is the unknown.
 * Where too much is given, the first assumed one of `giveWay` that is part of the contradiction is
 * dropped and computed instead; a measured one never is.
 */
export function solveSums(
  equations: readonly Equation[],
  givens: readonly Given[],
  giveWay: readonly FieldPath[] = [],
): SumsSolution {
  const dropped: FieldPath[] = [];
  const all = new Map<string, FieldPath>(equations.flat().map((t) => [t.key, t.path]));
  for (;;) {
    const held = givens.filter((g) => !dropped.some((d) => isSamePath(d, g.path)));
    const attempt = propagate(equations, held);
    const clash = attempt.clash;
    const result = (disagree: SumsSolution['disagree']): SumsSolution => ({
      values: attempt.values,
      sums: attempt.sums,
      unknown: [...all].filter(([key]) => !attempt.values.has(key)).map(([, path]) => path),
      gaveWay: dropped,
      disagree,
    });
    if (!clash) return result(null);
    const soft = giveWay.find(
      (path) => clash.support.has(fieldKey(path)) && held.find((g) => isSamePath(g.path, path))?.known === 'assumed',
    );
    if (soft === undefined) return result({ paths: [...clash.support].map((key) => all.get(key)!), by: clash.by });
    dropped.push(soft);
  }
}

function propagate(equations: readonly Equation[], givens: readonly Given[]) {
  const values = new Map<string, Exact>(givens.map((g) => [fieldKey(g.path), exact(g.value)]));
  const sums = new Map<string, Sum>();
  /** What each computed length was worked out from. */
  const from = new Map<string, Equation>();
  const open = new Set(equations);
  for (let moved = true; moved;) {
    moved = false;
    for (const equation of open) {
      const missing = equation.filter((t) => !values.has(t.key));
      if (missing.length > 1) continue;
      open.delete(equation);
      moved = true;
      const target = missing[0];
      const known = target ? equation.filter((t) => t !== target) : equation;
      const total = known.reduce((sum, t) => addExact(sum, scaleExact(values.get(t.key)!, t.times)), NOTHING);
      if (!target) {
        if (!isZero(total)) return { values, sums, clash: { support: supportOf(known, from), by: total } };
        continue;
      }
      const sign = target.times > 0 ? -1 : 1;
      values.set(target.key, scaleExact(total, -1, target.times));
      from.set(target.key, known);
      sums.set(target.key, {
        terms: known.map((t) => ({ path: t.path, times: t.times * sign, value: values.get(t.key)! })),
        over: Math.abs(target.times),
      });
    }
  }
  return { values, sums, clash: null };
}

const NOTHING = exact(0);

/** The givens that lengths rest on, through whatever was worked out between. */
function supportOf(terms: Equation, from: ReadonlyMap<string, Equation>, found = new Set<string>()): Set<string> {
  for (const { key } of terms) {
    const between = from.get(key);
    if (between) supportOf(between, from, found);
    else found.add(key);
  }
  return found;
}
