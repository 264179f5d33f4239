import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { exact, roundExact, ticks } from '../length/index.ts';
import { solveSums, term, type Equation, type Given } from './sums.ts';

const line = (...terms: [string, number][]): Equation => terms.map(([name, times]) => term([name], times));
const given = (name: string, value: number, known: Given['known'] = 'assumed'): Given => ({
  path: [name],
  value: ticks(value),
  known,
});
const MAT = [line(['outer', 1], ['inner', -1], ['left', -1], ['right', -1])];

describe('lines of arithmetic', () => {
  test.each([
    [['inner', 'left', 'right'], 'outer', 14],
    [['outer', 'left', 'right'], 'inner', 10],
    [['outer', 'inner', 'right'], 'left', 1],
  ] as const)('given %j it finds %s', (names, unknown, expected) => {
    const all: Record<string, number> = { outer: 14, inner: 10, left: 1, right: 3 };
    const { values, sums, disagree } = solveSums(
      MAT,
      names.map((n) => given(n, all[n]!)),
    );
    expect(disagree).toBeNull();
    expect(values.get(unknown)).toEqual(exact(expected));
    expect(sums.get(unknown)!.terms).toHaveLength(3);
  });
  test('a chain is followed from either end', () => {
    const chain = [line(['b', 1], ['a', -1], ['x', -2]), line(['c', 1], ['b', -1], ['y', -2])];
    expect(solveSums(chain, [given('a', 10), given('x', 1), given('y', 2)]).values.get('c')).toEqual(exact(16));
    expect(solveSums(chain, [given('c', 16), given('x', 1), given('y', 2)]).values.get('a')).toEqual(exact(10));
  });
  test('a half tick stays exact until somebody rounds it', () => {
    const { values, sums } = solveSums(
      [line(['outer', 1], ['inner', -1], ['both', -2])],
      [given('outer', 11), given('inner', 10)],
    );
    expect(values.get('both')).toEqual({ n: 1n, d: 2n });
    expect(sums.get('both')!.over).toBe(2);
    expect([roundExact(values.get('both')!, 'down'), roundExact(values.get('both')!, 'up')]).toEqual([0, 1]);
  });
  test('what nothing reaches is named', () => {
    expect(
      solveSums(MAT, [given('inner', 10), given('left', 1)])
        .unknown.map(String)
        .sort(),
    ).toEqual(['outer', 'right']);
  });
  test('a contradiction names the givens it stands on, and by how much they differ', () => {
    const { disagree, gaveWay } = solveSums(
      MAT,
      [
        given('outer', 20, 'measured'),
        given('inner', 10, 'measured'),
        given('left', 1, 'measured'),
        given('right', 3, 'measured'),
      ],
      [['left'], ['outer']],
    );
    expect(disagree!.paths.map(String).sort()).toEqual(['inner', 'left', 'outer', 'right']);
    expect(Math.abs(roundExact(disagree!.by, 'nearest'))).toBe(6);
    expect(gaveWay).toEqual([]);
  });
  test('the first that may give way does, and only if it is part of the quarrel', () => {
    const two = [...MAT, line(['p', 1], ['q', -1])];
    const { values, gaveWay, disagree } = solveSums(
      two,
      [given('outer', 20), given('inner', 10), given('left', 1), given('right', 3), given('p', 5), given('q', 5)],
      [['q'], ['right'], ['left']],
    );
    expect([gaveWay, disagree]).toEqual([[['right']], null]);
    expect(values.get('right')).toEqual(exact(9));
  });
  test('givens that agree are left alone, however many', () => {
    const { gaveWay, disagree } = solveSums(
      MAT,
      [given('outer', 14), given('inner', 10), given('left', 1), given('right', 3)],
      [['outer']],
    );
    expect([gaveWay, disagree]).toEqual([[], null]);
  });
  test('whatever is left out of a true set is found again, and its sum adds up', () => {
    const length = fc.integer({ min: 1, max: 1e6 });
    fc.assert(
      fc.property(fc.array(length, { minLength: 1, maxLength: 6 }), length, fc.nat(), (reveals, inner, pick) => {
        const equations = reveals.map((_, i) => line([`l${i + 1}`, 1], [`l${i}`, -1], [`r${i}`, -2]));
        const truth = new Map<string, number>([['l0', inner]]);
        reveals.forEach((r, i) => truth.set(`r${i}`, r).set(`l${i + 1}`, truth.get(`l${i}`)! + 2 * r));
        const all = ['l0', ...reveals.map((_, i) => `r${i}`)];
        // leave one out, and give the outermost instead
        const out = all[pick % all.length]!;
        const names = [...all.filter((n) => n !== out), `l${reveals.length}`];
        const { values, sums } = solveSums(
          equations,
          names.map((n) => given(n, truth.get(n)!)),
        );
        for (const [name, value] of truth) expect(values.get(name)).toEqual(exact(value));
        for (const [name, sum] of sums) {
          const total = sum.terms.reduce((t, term) => t + term.times * Number(term.value.n), 0) / sum.over;
          expect(total).toBe(truth.get(name));
        }
      }),
    );
  });
});
