import { describe, expect, test } from '@jest/globals';
import {
  MARKS,
  exact,
  formatExactLength,
  lengthOf,
  parseLength,
  roundExact,
  ticks,
  type Unit,
} from '../length/index.ts';
import { boundsOf, type Rect } from '../geometry/index.ts';
import { fieldKey, isSamePath, valueAt, type Field } from './fields.ts';
import {
  RECIPE_IDS,
  recipeOf,
  parseRecipeLine,
  setField,
  type RecipeId,
  type RecipeSolution,
  type LayoutContext,
} from './index.ts';

/*
 * What every recipe must hold to, whatever it makes. Rooms from a tag to a spread, both units, seeded values.
 */

const ROOMS = {
  tag: ['2', '3 1/2'],
  card: ['4 1/4', '5 1/2'],
  page: ['12', '12'],
  a4: ['210 mm', '297 mm'],
  spread: ['24', '12'],
} as const;
type RoomName = keyof typeof ROOMS;
const tableOf = (room: RoomName, unit: Unit = 'in'): LayoutContext => ({
  unit,
  mark: MARKS[unit === 'in' ? '1/16' : '0.5 mm'],
  room: { width: lengthOf(ROOMS[room][0]), height: lengthOf(ROOMS[room][1]), seams: [] },
});
const ids = () => {
  let n = 0;
  return () => `id${++n}`;
};
/** A small seeded generator (mulberry32). */
function seeded(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
function solved(result: RecipeSolution): Extract<RecipeSolution, { status: 'solved' }> {
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result;
}
const valueOf = (result: Extract<RecipeSolution, { status: 'solved' }>, field: Field) =>
  result.values.get(fieldKey(field.path));

/** Inputs of a recipe as people come to have them: its start, and that with a few fields typed, emptied and added to. */
function inputsOf(id: RecipeId, table: LayoutContext, many: number): { input: unknown; seed: number }[] {
  const recipe = recipeOf(id);
  return Array.from({ length: many }, (_, seed) => {
    const random = seeded(seed + 1);
    const newId = ids();
    let input = recipe.start(table, newId);
    for (let i = 0; i < 1 + (seed % 5); i++) {
      const fields = recipe.fields(input);
      const field = fields[Math.floor(random() * fields.length)]!;
      const list = recipe.lists(input)[0];
      const dice = random();
      if (dice < 0.2 && list && list.ids.length < 4) {
        const entry = recipe.entry(input, list.path, table, newId());
        input = { ...(input as object), [String(list.path[0])]: [...(valueAt(input, list.path) as object[]), entry] };
      } else if (field.kind === 'text') input = setField(recipe, input, field.path, field.example, table);
      else if (field.kind === 'choice')
        input = setField(recipe, input, field.path, field.options[Math.floor(random() * field.options.length)], table);
      else if (dice < 0.4) input = setField(recipe, input, field.path, undefined, table);
      else if (field.kind === 'count') input = setField(recipe, input, field.path, 1 + Math.floor(random() * 7), table);
      else {
        const sixteenths = 1 + Math.floor(random() * (random() < 0.6 ? 16 : 96));
        const length = table.unit === 'in' ? `${sixteenths}/16` : String(sixteenths);
        input = setField(recipe, input, field.path, length, table);
      }
    }
    return { input, seed };
  });
}

const SAMPLE = Number(process.env.TEMNEX_CONFORMANCE ?? 3);

describe.each(RECIPE_IDS)('%s', (id) => {
  const recipe = recipeOf(id);
  test.each([
    ['6 x 6', 'in', '6', '6'],
    ['8 1/2 x 11', 'in', '8 1/2', '11'],
    ['12 x 12', 'in', '12', '12'],
    ['A4', 'mm', '210 mm', '297 mm'],
    ['A4', 'in', '210 mm', '297 mm'],
    ['6 x 6', 'mm', '6 in', '6 in'],
    ['8 1/2 x 11', 'mm', '8 1/2 in', '11 in'],
  ] as const)('it starts without a fault on a page of %s, in %s', (_, unit, width, height) => {
    const table: LayoutContext = {
      unit,
      mark: MARKS[unit === 'in' ? '1/16' : '1 mm'],
      room: { width: lengthOf(width), height: lengthOf(height), seams: [] },
    };
    const input = recipe.start(table, ids());
    const result = solved(recipe.solve(input, table));
    for (const field of recipe.fields(input)) {
      const shown = field.kind === 'count' ? (valueOf(result, field) ?? field.value) : null;
      if (field.kind !== 'count' || shown === null || shown === undefined) continue;
      const number = typeof shown === 'number' ? shown : Number(roundExact(shown, 'nearest'));
      expect([field.path, number >= (field.least ?? 1) && number <= field.most]).toEqual([field.path, true]);
    }
  });
  test('no choice makes it vanish for want of a number', () => {
    for (const room of ['tag', 'page', 'a4'] as const)
      for (const { input, seed } of inputsOf(id, tableOf(room), Math.ceil(SAMPLE / 4))) {
        const table = tableOf(room);
        if (recipe.solve(input, table).status !== 'solved') continue;
        for (const field of recipe.fields(input)) {
          if (field.kind !== 'choice') continue;
          for (const option of field.options) {
            const next = recipe.solve(setField(recipe, input, field.path, option, table), table);
            const missing = next.status === 'refused' ? next.problems.filter((p) => p.code === 'missing') : [];
            expect({ room, seed, field: field.path, option, missing }).toEqual({ room, seed, field: field.path, option, missing: [] }); // prettier-ignore
          }
        }
      }
  });
  const samples = (['tag', 'page', 'a4', 'spread'] as const).flatMap((room) =>
    (['in', 'mm'] as const).flatMap((unit) => {
      const table = tableOf(room, unit);
      return inputsOf(id, table, Math.ceil(SAMPLE / 8)).map(({ input, seed }) => ({ room, unit, table, input, seed }));
    }),
  );
  const solvedSamples = samples.flatMap((s) => {
    const result = recipe.solve(s.input, s.table);
    return result.status === 'solved' ? [{ ...s, result }] : [];
  });

  test.each(Object.keys(ROOMS) as RoomName[])('what it starts with is solved and fits in a %s', (room) => {
    for (const unit of ['in', 'mm'] as const) {
      const table = tableOf(room, unit);
      const input = recipe.start(table, ids());
      expect(recipe.input.safeParse(input).error).toBeUndefined();
      const { laid } = solved(recipe.solve(input, table));
      expect(laid.layers.length).toBeGreaterThan(0);
      expect(laid.size.width).toBeLessThanOrEqual(table.room.width);
      expect(laid.size.height).toBeLessThanOrEqual(table.room.height);
    }
  });

  test('most of what people do to it still works, and what does not says why', () => {
    expect(solvedSamples.length).toBeGreaterThan(samples.length * 0.3);
    for (const { input, table } of samples) {
      const result = recipe.solve(input, table);
      if (result.status === 'refused') expect(result.problems.length).toBeGreaterThan(0);
    }
  });

  test('a field that may be the unknown, solved for, gives the others back', () => {
    for (const { input, table, result, seed, room } of solvedSamples) {
      for (const field of recipe.fields(input)) {
        if (field.kind === 'choice' || field.ifEmpty !== 'worked-out' || field.value === undefined) continue;
        const without = setField(recipe, input, field.path, undefined, table);
        const again = recipe.solve(without, table);
        if (again.status !== 'solved') {
          // it may ask, but it does not contradict itself
          const codes = again.problems.map((p) => p.code);
          if (codes.includes('disagree')) expect({ seed, room, path: field.path, input, without }).toBeNull();
          continue;
        }
        const now = recipe.fields(without).find((f) => isSamePath(f.path, field.path));
        expect(now?.kind !== 'choice' && now?.value).toBeUndefined();
        if (field.kind === 'length') {
          const value = valueOf(again, field);
          // a wish that may be left out is not worked out
          if (!value) continue;
          const off = Number(roundExact(value, 'nearest')) - Number(roundExact(valueOf(result, field)!, 'nearest'));
          // what was left over when a width went down to the mark may be shared out anew
          if (Math.abs(off) > table.mark.step * 8)
            expect({ seed, room, path: field.path, off, input, without }).toBeNull();
        }
      }
    }
  });

  test('typing and typing back is the same input again, where nothing had to give way', () => {
    for (const { input, table } of solvedSamples) {
      for (const field of recipe.fields(input)) {
        if (field.kind !== 'length' || field.value === undefined) continue;
        const other = setField(recipe, input, field.path, '7/16 in', table);
        const given = (i: unknown) =>
          recipe.fields(i).filter((f) => f.kind === 'length' && f.value !== undefined).length;
        if (given(other) !== given(input)) continue;
        expect(setField(recipe, other, field.path, field.value, table)).toEqual(input);
      }
    }
  });

  test('what is typed stands, and no measured value is worked out anew', () => {
    for (const { input, table } of samples) {
      for (const field of recipe.fields(input)) {
        if (field.kind !== 'length') continue;
        const typed = setField(recipe, input, field.path, '9/16 in', table);
        expect(valueAt(typed, field.path)).toBe('9/16 in');
        for (const f of recipe.fields(input))
          if (
            f.kind === 'length' &&
            f.knownAt &&
            valueAt(input, f.knownAt) === 'measured' &&
            !isSamePath(f.path, field.path)
          )
            expect(valueAt(typed, f.path)).toBe(f.value);
      }
    }
  });

  test('inch and millimetre twins agree within a mark', () => {
    for (const { input, table, result } of solvedSamples.filter((s) => s.unit === 'in')) {
      const metric: LayoutContext = { ...table, unit: 'mm', mark: MARKS['0.5 mm'] };
      const twin = recipe.fields(input).reduce((next, f) => {
        if (f.kind !== 'length' || f.value === undefined) return next;
        const read = parseLength(f.value, 'in', { allow: 'negative' });
        return read.ok ? recipe.put(next, f.path, `${formatExactLength(read.value.ticks, 'mm')} mm`) : next;
      }, input);
      const other = recipe.solve(twin, metric);
      if (other.status === 'refused') {
        // what just holds on one mark may just not hold on the other
        const [a = 0, b = 0] = other.problems.flatMap((p) => (p.code === 'own' ? p.lengths : []));
        expect({ problems: other.problems.map((p) => p.code), by: Math.abs(a - b) < table.mark.step }).toEqual({
          problems: ['own'],
          by: true,
        });
        continue;
      }
      // a long strip that hangs aslant reaches further by many times what its width was rounded by
      const turned = result.laid.layers.some((l) => l.turned !== undefined);
      const off = Math.abs(other.laid.size.width - result.laid.size.width);
      if (!turned && off > table.mark.step * 8) throw new Error(JSON.stringify({ off, input, twin }));
      expect(other.laid.layers.map((l) => l.key)).toEqual(result.laid.layers.map((l) => l.key));
    }
  });

  test('layers stay in the item, shapes in their boxes, and boxes are where the shapes reach', () => {
    for (const { result } of solvedSamples)
      for (const { box, shape } of result.laid.layers) {
        if (shape) expect(boundsOf(shape)).toEqual(box);
        expect(box.width > 0 && box.height > 0).toBe(true);
      }
  });

  test('blanks cover the layers that they make, to the mark and not more, and each layer of paper has one', () => {
    for (const { result, table } of solvedSamples) {
      const { layers, blanks } = result.laid;
      expect(new Set(blanks.map((b) => b.key)).size).toBe(blanks.length);
      expect(new Set(layers.map((l) => l.key)).size).toBe(layers.length);
      for (const layer of layers) if (layer.blank) expect(blanks.map((b) => b.key)).toContain(layer.blank);
      for (const blank of blanks) {
        const made = layers.filter((l) => l.blank === blank.key);
        expect(made).toHaveLength(blank.makes ?? blank.quantity);
        // what an edge of the page cuts off is cut whole
        if (blank.makes !== undefined) continue;
        for (const { box, turned } of made) {
          if (turned !== undefined) continue;
          // what was cut too long on purpose is trimmed off again
          const trim = blank.finish.find((f) => f.do === 'trim');
          const [across, up] = trim ? [trim.left + trim.right, trim.top + trim.bottom] : [0, 0];
          expect(Math.abs(blank.width + blank.off.width - across - box.width)).toBeLessThanOrEqual(1);
          expect(Math.abs(blank.height + blank.off.height - up - box.height)).toBeLessThanOrEqual(1);
          expect(Math.abs(blank.off.height)).toBeLessThan(table.mark.step);
        }
        for (const f of blank.finish)
          if ('depth' in f)
            expect(f.depth).toBeLessThan(f.edge === 'left' || f.edge === 'right' ? blank.width : blank.height);
      }
    }
  });

  test('sums add up exactly', () => {
    for (const { result } of solvedSamples)
      for (const [key, sum] of result.sums) {
        const total = sum.terms.reduce(
          (all, t) => exact(all.n * t.value.d + t.value.n * BigInt(t.times) * all.d, all.d * t.value.d),
          exact(0),
        );
        const worked = exact(total.n, total.d * BigInt(sum.over));
        const value = result.values.get(key)!;
        const off = Math.abs(Number(worked.n) / Number(worked.d) - Number(value.n) / Number(value.d));
        // a width that goes down to the mark leaves the rest to the margins
        expect(off).toBeLessThan(lengthOf('1/16') * 60);
      }
  });

  test('every dimension, sum and problem names a field that exists', () => {
    for (const { input, table } of samples) {
      const paths = recipe.fields(input).map((f) => fieldKey(f.path));
      const known = (path: readonly (string | number)[]) => path[0] === 'room' || paths.includes(fieldKey(path));
      const result = recipe.solve(input, table);
      if (result.status === 'solved') {
        for (const dim of result.laid.dims)
          for (const path of dim.kind === 'inside' ? dim.paths : [dim.path])
            expect([path, known(path)]).toEqual([path, true]);
        for (const sum of result.sums.values())
          for (const t of sum.terms) expect([t.path, known(t.path)]).toEqual([t.path, true]);
        for (const layer of result.laid.layers)
          if (layer.sized) expect(known(layer.sized.width) && known(layer.sized.height)).toBe(true);
        for (const layer of [...result.laid.layers, ...result.laid.blanks, ...result.laid.slots])
          expect(recipe.roles).toContain(layer.role);
      } else
        for (const problem of result.problems) {
          const at = 'paths' in problem ? problem.paths : [problem.path];
          if (problem.code === 'own') expect(recipe.reasons).toContain(problem.why);
          else for (const path of at) expect([path, known(path)]).toEqual([path, true]);
        }
    }
  });

  test('an offer that is taken works, or brings the answer nearer', () => {
    for (const { input, table } of samples) {
      const result = recipe.solve(input, table);
      if (result.status === 'solved') continue;
      for (const offer of result.offers) {
        const value = 'count' in offer ? offer.count : formatExactLength(offer.length, table.unit);
        const mended = recipe.solve(setField(recipe, input, offer.path, value, table), table);
        if (mended.status !== 'solved' && mended.problems.length > result.problems.length)
          expect({ input, offer, result, mended }).toBeNull();
      }
    }
  });

  test('an input goes through JSON and its schema unchanged', () => {
    for (const { input } of samples) {
      const round = JSON.parse(JSON.stringify(input)) as unknown;
      expect(recipe.input.parse(round)).toEqual(input);
    }
  });

  test('solving the same twice gives the same', () => {
    for (const { input, table, result } of solvedSamples.slice(0, 10)) {
      const again = solved(recipe.solve(input, table));
      expect(again.laid).toEqual(result.laid);
    }
  });

  test.each(recipe.phrases)('understands “%s”', (phrase) => {
    const unit: Unit = phrase.includes('mm') ? 'mm' : 'in';
    const table = tableOf('page', unit);
    const heard = parseRecipeLine(phrase, table, ids());
    expect(heard?.recipe).toBe(id);
    if (!heard?.said.ok) throw new Error(JSON.stringify(heard));
    expect(recipe.input.safeParse(heard.said.input).error).toBeUndefined();
    solved(recipe.solve(heard.said.input, table));
  });

  test('a line about something else is not its own', () => {
    expect(parseRecipeLine('a week of kites', tableOf('page'), ids())).toBeNull();
  });

  test('what is made next is another recipe’s input', () => {
    for (const { input, table } of solvedSamples.slice(0, 10))
      for (const { recipe: next, input: made } of recipe.onward(input, table, ids())) {
        expect(RECIPE_IDS).toContain(next);
        expect(recipeOf(next as RecipeId).input.safeParse(made).error).toBeUndefined();
      }
  });
});

test('layers of one item that should not overlap do not', () => {
  const overlap = (a: Rect, b: Rect) =>
    a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
  const table = tableOf('page');
  const { laid } = solved(recipeOf('banner-strip').solve(recipeOf('banner-strip').start(table, ids()), table));
  laid.layers.forEach((a, i) => laid.layers.slice(i + 1).forEach((b) => expect(overlap(a.box, b.box)).toBe(false)));
  expect(ticks(laid.layers.length)).toBe(5);
});
