import { addExact, exact, isZero, scaleExact, type Exact, type Ticks } from '../length/index.ts';

/** One line of arithmetic over named lengths: the sum of all `times × name` is nothing. */
export type Equation = ReadonlyArray<{ readonly name: string; readonly times: number }>;

export type Known = 'measured' | 'assumed';

export interface Given {
  readonly name: string;
  readonly value: Ticks;
  readonly known: Known;
}

/** How a computed length came about: total = sum of times × value, divided by `over`. */
export interface Sum {
  readonly terms: ReadonlyArray<{ readonly name: string; readonly times: number; readonly value: Exact }>;
  readonly over: number;
}

export interface SumsSolution {
  readonly values: ReadonlyMap<string, Exact>;
  /** Only computed names have one. */
  readonly sums: ReadonlyMap<string, Sum>;
  /** Names that nothing given reaches. */
  readonly unknown: readonly string[];
  /** Assumed givens that were overruled, in the order in which they gave way. */
  readonly gaveWay: readonly string[];
  /** Givens that cannot all be true, where none of them may give way. */
  readonly disagree: { readonly names: readonly string[]; readonly by: Exact } | null;
}

/**
 * Works out every length that the equations and the givens settle, whichever of them is the unknown.
 * Where too much is given, the first assumed name of `giveWay` that is part of the contradiction is
 * dropped and computed instead; a measured one never is.
 */
export function solveSums(
  equations: readonly Equation[],
  givens: readonly Given[],
  giveWay: readonly string[] = [],
): SumsSolution {
  const dropped: string[] = [];
  for (;;) {
    const held = givens.filter((g) => !dropped.includes(g.name));
    const attempt = propagate(equations, held);
    const clash = attempt.clash;
    const names = new Set(equations.flat().map((t) => t.name));
    const result = (disagree: SumsSolution['disagree']): SumsSolution => ({
      values: attempt.values,
      sums: attempt.sums,
      unknown: [...names].filter((n) => !attempt.values.has(n)),
      gaveWay: dropped,
      disagree,
    });
    if (!clash) return result(null);
    const soft = giveWay.find(
      (name) => clash.support.has(name) && held.find((g) => g.name === name)?.known === 'assumed',
    );
    if (soft === undefined) return result({ names: [...clash.support], by: clash.by });
    dropped.push(soft);
  }
}

function propagate(equations: readonly Equation[], givens: readonly Given[]) {
  const values = new Map<string, Exact>(givens.map((g) => [g.name, exact(g.value)]));
  const support = new Map<string, ReadonlySet<string>>(givens.map((g) => [g.name, new Set([g.name])]));
  const sums = new Map<string, Sum>();
  const open = new Set(equations);
  for (let moved = true; moved;) {
    moved = false;
    for (const equation of open) {
      const missing = equation.filter((t) => !values.has(t.name));
      if (missing.length > 1) continue;
      open.delete(equation);
      moved = true;
      const known = equation.filter((t) => values.has(t.name));
      const total = known.reduce((sum, t) => addExact(sum, scaleExact(values.get(t.name)!, t.times)), exact(0));
      const from = new Set(known.flatMap((t) => [...support.get(t.name)!]));
      const target = missing[0];
      if (!target) {
        if (!isZero(total)) return { values, sums, clash: { support: from, by: total } };
        continue;
      }
      const sign = target.times > 0 ? -1 : 1;
      values.set(target.name, scaleExact(total, -1, target.times));
      support.set(target.name, from);
      sums.set(target.name, {
        terms: known.map((t) => ({ name: t.name, times: t.times * sign, value: values.get(t.name)! })),
        over: Math.abs(target.times),
      });
    }
  }
  return { values, sums, clash: null };
}
