import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { told } from '../../testing/told.ts';
import { MARKS, formatExactLength, lengthOf, formatPlainLength, roundExact, ticks } from '../length/index.ts';
import type { FieldPath, RecipeSolution, LayoutContext } from './index.ts';
import { fieldKey, recipeOf, parseRecipeLine, setField, valueAt, type InputOf, type RecipeId } from './index.ts';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: lengthOf('12'), height: lengthOf('12'), seams: [] },
};
const show = (n: number) => formatPlainLength(ticks(n), MARKS['1/64']);
type Done = Extract<RecipeSolution, { status: 'solved' }>;
function solve<Id extends RecipeId>(id: Id, input: InputOf<Id>, on: LayoutContext = table): Done {
  const result = recipeOf(id).solve(input, on);
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result;
}
const refuse = <Id extends RecipeId>(id: Id, input: InputOf<Id>, on: LayoutContext = table) => {
  const result = recipeOf(id).solve(input, on);
  if (result.status !== 'refused') throw new Error('was solved');
  return result;
};
const value = (of: Done, ...path: FieldPath) => show(roundExact(of.values.get(fieldKey(path))!, 'nearest'));
const sizes = (of: Done, role: string) =>
  of.laid.layers.filter((l) => l.role === role).map((l) => `${show(l.box.width)} x ${show(l.box.height)}`);
type Mats = InputOf<'mat-stack'>;
type Mat = Mats['mats'][number];
const even = (all: string, id = 'm'): Mat => ({ id, reveal: { style: 'even', all } });
const mats = (width: string | undefined, height: string | undefined, ...layers: Mat[]): Mats => ({
  print: { ...(width ? { width } : {}), ...(height ? { height } : {}), known: 'measured' },
  mats: layers.map((m, i) => ({ ...m, id: `m${i + 1}` })),
});
const set = (input: unknown, path: FieldPath, text: string | number | undefined, id: RecipeId = 'mat-stack') =>
  setField(recipeOf(id), input, path, text, table);

describe('mat stack: worked numbers', () => {
  test('1: even reveal', () => {
    expect(sizes(solve('mat-stack', mats('3⅞', '5⅝', even('3/16'))), 'mat')).toEqual(['4 1/4 x 6']);
  });
  test('2: three mats outward; layers lie bottom to top', () => {
    const solved = solve('mat-stack', mats('3 1/2', '5', even('1/8'), even('1/16'), even('3/8')));
    expect(sizes(solved, 'mat')).toEqual(['4 5/8 x 6 1/8', '3 7/8 x 5 3/8', '3 3/4 x 5 1/4']);
    expect(solved.laid.layers.map((l) => l.key)).toEqual(['m3', 'm2', 'm1', 'print']);
  });
  test('3: sizes give uneven reveals, and what even ones would be', () => {
    const solved = solve(
      'mat-stack',
      mats('5', '3 1/2', { id: '', reveal: { style: 'two' }, width: '5 1/2', height: '3 3/4' }),
    );
    expect([value(solved, 'mats', 0, 'reveal', 'across'), value(solved, 'mats', 0, 'reveal', 'upDown')]).toEqual([
      '1/4',
      '1/8',
    ]);
    const uneven = solved.suggestions.find((s) => s.code === 'uneven-reveals');
    expect(
      uneven?.code === 'uneven-reveals' &&
        uneven.even.map((e) => `${show(e.width)} x ${show(e.height)} ${show(e.reveal)}`),
    ).toEqual(['5 1/2 x 4 1/4', '5 1/4 x 3 3/4 1/8']);
  });
  test('4: footer mat, forwards and backwards', () => {
    const footer: Mat = { id: '', reveal: { style: 'footer', sides: '3/16', bottom: '11/16' } };
    const solved = solve('mat-stack', mats('2 1/4', '2 1/4', footer));
    expect(sizes(solved, 'mat')).toEqual(['2 5/8 x 3 1/8']);
    expect(show(solved.laid.layers.at(-1)!.box.y)).toBe('11/16');
    const backwards = solve(
      'mat-stack',
      mats('4 1/4', '4 3/4', { id: '', reveal: { style: 'footer' }, width: '4 3/4', height: '6' }),
    );
    expect([value(backwards, 'mats', 0, 'reveal', 'sides'), value(backwards, 'mats', 0, 'reveal', 'bottom')]).toEqual([
      '1/4',
      '1',
    ]);
  });
  test('5: largest print for a paper', () => {
    const input = mats(undefined, undefined, { ...even('1/4'), width: '4 1/2', height: '5 7/8' });
    expect(sizes(solve('mat-stack', input), 'print')).toEqual(['4 x 5 3/8']);
  });
  test('6: too long for the sheets, and the trim that makes it fit', () => {
    const input = mats('4', '6', even('3/16'));
    const six = { width: lengthOf('6'), height: lengthOf('6') };
    const offers = recipeOf('mat-stack').toComeFrom(input, table, 'm1', six);
    expect(offers).toEqual([{ path: ['print', 'height'], length: lengthOf('5 5/8') }]);
    const trimmed = set(input, ['print', 'height'], '5 5/8') as Mats;
    expect(sizes(solve('mat-stack', trimmed), 'mat')).toEqual(['4 3/8 x 6']);
    expect(recipeOf('mat-stack').toComeFrom(trimmed, table, 'm1', six)).toEqual([]);
  });
  test('29: a mat smaller than its print is refused, edge by edge, with the nearest that works', () => {
    const result = refuse(
      'mat-stack',
      mats('4 1/4', '6', { id: '', reveal: { style: 'two' }, width: '4', height: '6' }),
    );
    expect(result.problems).toEqual([
      {
        code: 'own',
        why: 'smaller-than-inside',
        path: ['mats', 0],
        edges: ['left', 'right'],
        lengths: [lengthOf('1/8')],
      },
    ]);
    expect(result.offers).toContainEqual({ path: ['mats', 0, 'width'], length: lengthOf('4 1/4') });
    expect(result.instead?.layers.map((l) => l.key)).toEqual(['print']);
  });
  test('an inner mat lies where its own reveals put it, counted from below', () => {
    const solved = solve(
      'mat-stack',
      mats(
        '2',
        '3',
        { id: '', reveal: { style: 'four', left: '1/8', right: '1/4', top: '1/2', bottom: '1' } },
        even('1/16'),
      ),
    );
    const [outer, inner, print] = solved.laid.layers;
    expect([outer!.box.x, outer!.box.y]).toEqual([0, 0]);
    expect([show(inner!.box.x), show(inner!.box.y)]).toEqual(['1/16', '1/16']);
    expect([show(print!.box.x), show(print!.box.y)]).toEqual(['3/16', '1 1/16']);
  });
});

describe('mat stack: typing and emptying', () => {
  const start = mats('4', '6', even('1/8'), even('1/4'));
  test('a width that is typed takes over from the reveal, which stays even', () => {
    const typed = set(start, ['mats', 0, 'width'], '5') as Mats;
    expect(typed.mats[0]).toEqual({ id: 'm1', reveal: { style: 'even' }, width: '5' });
    expect(sizes(solve('mat-stack', typed), 'mat')[1]).toBe('5 x 7');
  });
  test('two sizes that an even mat cannot have make its reveals two', () => {
    const typed = set(set(start, ['mats', 0, 'width'], '5'), ['mats', 0, 'height'], '6 1/2') as Mats;
    expect(typed.mats[0]).toEqual({ id: 'm1', reveal: { style: 'two' }, width: '5', height: '6 1/2' });
    expect(value(solve('mat-stack', typed), 'mats', 0, 'reveal', 'across')).toBe('1/2');
  });
  test('a reveal that is typed takes over from the sizes', () => {
    const sized = mats('4', '6', { id: '', reveal: { style: 'two' }, width: '5', height: '8' });
    const typed = set(sized, ['mats', 0, 'reveal', 'across'], '1/4') as Mats;
    expect(typed.mats[0]).toEqual({ id: 'm1', reveal: { style: 'two', across: '1/4' }, height: '8' });
  });
  test('the print is emptied: the outermost mat stays, and the print is worked out', () => {
    const emptied = set(set(start, ['print', 'width'], undefined), ['print', 'height'], undefined) as Mats;
    expect(emptied.mats[1]).toMatchObject({ width: '4 3/4', height: '6 3/4' });
    const paper = set(set(emptied, ['mats', 1, 'width'], '4 1/2'), ['mats', 1, 'height'], '5 7/8') as Mats;
    expect(sizes(solve('mat-stack', paper), 'print')).toEqual(['3 3/4 x 5 1/8']);
  });
  test('a measured print does not give way, and is typed over all the same', () => {
    const wide = set(start, ['mats', 1, 'width'], '9') as Mats;
    expect(wide.print).toEqual(start.print);
    expect((set(wide, ['print', 'width'], '3') as Mats).print.width).toBe('3');
  });
  test('another style of reveal keeps each value at its edge', () => {
    const four = set(start, ['mats', 0, 'reveal', 'style'], 'four');
    expect(valueAt(four, ['mats', 0, 'reveal'])).toEqual({
      style: 'four',
      left: '1/8',
      right: '1/8',
      top: '1/8',
      bottom: '1/8',
    });
    const footer = set(set(four, ['mats', 0, 'reveal', 'bottom'], '1'), ['mats', 0, 'reveal', 'style'], 'footer');
    expect(valueAt(footer, ['mats', 0, 'reveal'])).toEqual({ style: 'footer', sides: '1/8', bottom: '1' });
  });
  test('a reveal that was worked out keeps its value at each edge when it is to be said edge by edge', () => {
    const wide = set(start, ['mats', 0, 'width'], '6');
    const four = set(wide, ['mats', 0, 'reveal', 'style'], 'four');
    expect(valueAt(four, ['mats', 0])).toMatchObject({
      width: '6',
      reveal: { left: '1', right: '1', top: '1', bottom: '1' },
    });
    const footer = set(four, ['mats', 0, 'reveal', 'bottom'], '2') as Mats;
    expect(sizes(solve('mat-stack', footer), 'mat')[1]).toBe('6 x 9');
    const wider = set(footer, ['mats', 0, 'reveal', 'left'], '2') as Mats;
    expect([wider.mats[0]!.width, sizes(solve('mat-stack', wider), 'mat')[1]]).toEqual([undefined, '7 x 9']);
  });
  test('sizes that are given stay given when reveals are to be said in another way, where that can be', () => {
    const both = mats('4 1/4', '4 3/4', { id: '', reveal: { style: 'two' }, width: '4 3/4', height: '6' });
    const footer = set(both, ['mats', 0, 'reveal', 'style'], 'footer') as Mats;
    expect(footer.mats[0]).toEqual({ id: 'm1', reveal: { style: 'footer' }, width: '4 3/4', height: '6' });
    const solved = solve('mat-stack', footer);
    expect(solved.status === 'solved' && solved.laid.facts).toEqual([
      { name: 'reveals', of: ['mats', 0], lengths: ['1/4', '1/4', '1/4', '1'].map((t) => lengthOf(t)) },
    ]);
    // an answer on every edge, which is typed nowhere twice
    const answers = solved.status === 'solved' ? solved.laid.dims.filter((d) => d.kind === 'answer') : [];
    expect(answers.map((d) => show(d.length))).toEqual(['1/4', '1/4', '1/4', '1']);
  });
  test('uneven reveals that are to be even: the sizes follow', () => {
    const uneven = mats('5', '3 1/2', { id: '', reveal: { style: 'two' }, width: '5 1/2', height: '3 3/4' });
    const made = set(uneven, ['mats', 0, 'reveal', 'style'], 'even') as Mats;
    expect(sizes(solve('mat-stack', made), 'mat')).toEqual(['5 1/2 x 4']);
  });
  test('too few values: it asks for what is missing; a bad length names its field', () => {
    expect(refuse('mat-stack', mats('4', '6', { id: '', reveal: { style: 'even' } })).problems).toMatchObject([
      {
        code: 'missing',
        paths: expect.arrayContaining([
          ['mats', 0, 'width'],
          ['mats', 0, 'reveal', 'all'],
        ]),
      },
    ]);
    expect(refuse('mat-stack', mats('4', '6', { ...even('1/8'), width: '4 1/0' })).problems).toMatchObject([
      { code: 'field', path: ['mats', 0, 'width'] },
    ]);
  });
  test('values that cannot all hold are named, and by how much', () => {
    expect(refuse('mat-stack', mats('4', '6', { ...even('1/8'), width: '5' })).problems).toMatchObject([
      { code: 'disagree', by: lengthOf('3/4') },
    ]);
  });

  const sixtyFourth = fc.integer({ min: 1, max: 300 }).map((n) => formatExactLength(ticks(n * 381), 'in'));
  test('forwards and backwards agree: sizes from reveals give back the reveals, and the print', () => {
    fc.assert(
      fc.property(sixtyFourth, sixtyFourth, fc.array(sixtyFourth, { minLength: 1, maxLength: 5 }), (w, h, reveals) => {
        const forwards = solve('mat-stack', mats(w, h, ...reveals.map((r) => even(r))));
        const outward = forwards.laid.layers.slice(0, -1).reverse();
        const text = (t: number) => formatExactLength(ticks(t), 'in');
        const backwards = solve(
          'mat-stack',
          mats(
            w,
            h,
            ...outward.map((l) => ({
              id: '',
              reveal: { style: 'two' as const },
              width: text(l.box.width),
              height: text(l.box.height),
            })),
          ),
        );
        reveals.forEach((r, i) =>
          expect(backwards.values.get(fieldKey(['mats', i, 'reveal', 'across']))).toEqual({
            n: BigInt(lengthOf(r)),
            d: 1n,
          }),
        );
        const { width, height } = forwards.laid.size;
        const inward = solve(
          'mat-stack',
          mats(
            undefined,
            undefined,
            ...reveals.map((r, i) => ({
              ...even(r),
              ...(i === reveals.length - 1 ? { width: text(width), height: text(height) } : {}),
            })),
          ),
        );
        expect(inward.laid.layers.at(-1)!.box).toMatchObject({ width: lengthOf(w), height: lengthOf(h) });
      }),
    );
  });
  test('an odd difference leaves its odd tick on the far side', () => {
    const { laid } = solve(
      'mat-stack',
      mats('4', '6', { id: '', reveal: { style: 'two' }, width: '4 1/64', height: '6 1/64' }),
    );
    const [mat, print] = laid.layers;
    expect([print!.box.x, mat!.box.width - print!.box.width - print!.box.x]).toEqual([190, 191]);
  });
});

describe('base panels', () => {
  const sized = (id: string, size: string) => ({ id, reveal: { style: 'two' as const }, width: size, height: size });
  test('7: reveals from sizes', () => {
    const solved = solve('base-panels', { panels: [sized('a', '11 1/4'), sized('b', '9 1/2'), sized('c', '9')] });
    expect([0, 1, 2].map((i) => value(solved, 'panels', i, 'reveal', 'across'))).toEqual(['3/8', '7/8', '1/4']);
  });
  test('inward by reveal, flush to an edge, bleeding off another', () => {
    const solved = solve('base-panels', {
      panels: [
        even('1/4', 'a'),
        { id: 'b', reveal: { style: 'four', left: '0', top: '0' }, width: '9', height: '8' },
        { id: 'c', reveal: { style: 'four', left: '1/2', right: '-1/4', top: '1', bottom: '1' } },
      ],
    });
    expect(sizes(solved, 'panel')).toEqual(['11 1/2 x 11 1/2', '9 x 8', '8 3/4 x 6']);
    expect(value(solved, 'panels', 1, 'reveal', 'right')).toBe('2 1/2');
    const [, first, second] = solved.laid.layers;
    expect([show(second!.box.x - first!.box.x), show(second!.box.y - first!.box.y)]).toEqual(['0', '3 1/2']);
  });
  test('centred where nothing is said of either edge', () => {
    const solved = solve('base-panels', {
      panels: [{ id: 'a', reveal: { style: 'four', top: '1' }, width: '9', height: '8' }],
    });
    expect(show(solved.laid.layers[1]!.box.x)).toBe('1 1/2');
    expect(value(solved, 'panels', 0, 'reveal', 'bottom')).toBe('3');
  });
  test('no reveal at the seam of a spread', () => {
    const seamed: LayoutContext = { ...table, room: { ...table.room, seams: ['right'] } };
    const solved = solve('base-panels', { panels: [even('1/4', 'a')] }, seamed);
    expect(sizes(solved, 'panel')).toEqual(['11 3/4 x 11 1/2']);
    expect(show(solved.laid.layers[1]!.box.x)).toBe('1/4');
  });
  test('a reveal that leaves nothing is refused, and the base stays in view', () => {
    const result = refuse('base-panels', { panels: [even('7', 'a')] });
    expect(result.problems).toMatchObject([
      { code: 'size-not-positive', path: ['panels', 0, 'width'] },
      { code: 'size-not-positive', path: ['panels', 0, 'height'] },
    ]);
    expect(result.instead?.layers.map((l) => l.key)).toEqual(['base']);
  });
  test('every panel is a room for others', () => {
    const { laid } = solve('base-panels', { panels: [even('1', 'a')] });
    expect(laid.slots).toMatchObject([{ key: 'a', box: { x: lengthOf('1'), width: lengthOf('10') } }]);
  });
});

describe('photo', () => {
  const bare = { print: { width: '4', height: '6', known: 'measured' as const }, image: {} };
  const crop = (keep: 'fill' | 'whole', more: object = {}) => ({
    ...bare,
    crop: { width: '8', height: '10', keep, across: 'centre' as const, upDown: 'centre' as const, ...more },
  });
  const none = { keep: 'fill' as const, across: 'centre' as const, upDown: 'centre' as const };
  const fact = (of: Done, name: string) => of.laid.facts.find((f) => f.name === name)!.lengths;
  test('8: 4 x 6 enlarged to fill 8 x 10, and without loss', () => {
    const fill = solve('photo', crop('fill'));
    expect(fact(fill, 'enlarged').map(show)).toEqual(['2']);
    expect(fact(fill, 'scaled').map(show)).toEqual(['8', '12']);
    expect(fact(fill, 'lost').map(show)).toEqual(['0', '0', '1', '1']);
    expect(fact(fill, 'lost-of-original').map(show)).toEqual(['0', '1']);
    const whole = solve('photo', crop('whole'));
    expect(fact(whole, 'scaled')).toEqual([lengthOf('20/3'), lengthOf('10')]);
    expect(fact(whole, 'short')).toEqual([lengthOf('4/3'), 0]);
  });
  test('what is kept on one side is lost on the other', () => {
    expect(fact(solve('photo', crop('fill', { upDown: 'top' })), 'lost').map(show)).toEqual(['0', '0', '0', '2']);
    expect(fact(solve('photo', crop('fill', { upDown: 'bottom' })), 'lost').map(show)).toEqual(['0', '0', '2', '0']);
  });
  test('a printed border counted in or out, or found from both sizes', () => {
    expect(value(solve('photo', { ...bare, border: '1/8', crop: none }), 'image', 'height')).toBe('5 3/4');
    const outward = {
      print: { known: 'assumed' as const },
      image: { width: '4', height: '6' },
      border: '1/8',
      crop: none,
    };
    expect(value(solve('photo', outward), 'print', 'width')).toBe('4 1/4');
    const both = { ...bare, image: { width: '3 1/2', height: '5 1/2' }, crop: none };
    expect(value(solve('photo', both), 'border')).toBe('1/4');
  });
  test('a border that leaves nothing to see is refused', () => {
    expect(refuse('photo', { ...bare, border: '2', crop: none }).problems).toMatchObject([
      { code: 'own', why: 'border-too-wide' },
    ]);
  });
  test('6: the print itself is trimmed: what comes off which edge, and mats go round what is left', () => {
    const trimmed = (width: string, height: string, more: object = {}) => {
      const input = { ...bare, crop: { ...none, width, height, keep: 'trim' as const, ...more } };
      return { input, solved: recipeOf('photo').solve(input, table) };
    };
    const { solved: long } = trimmed('4', '5 5/8');
    expect(told(long)).toEqual(
      expect.arrayContaining([
        'size 4 x 5 5/8',
        'layer print, print 1: 4 x 5 5/8 at 0, 0, of no paper, said at crop by crop.width and crop.height',
        'typed crop.width and crop.height in the middle of 4 x 5 5/8 at 0, 0',
        'fact trimmed: 0, 0, 3/16, 3/16',
      ]),
    );
    const kept = trimmed('3', '5', { across: 'left', upDown: 'top' });
    expect(told(kept.solved)).toContain('fact trimmed: 0, 1, 0, 1');
    const bordered = { ...kept.input, border: '1/8' };
    // the border stays where nothing was cut off
    expect(told(recipeOf('photo').solve(bordered, table))).toContain('room image, image 1: 2 7/8 x 4 7/8 at 1/8, 0');
    const [mats] = recipeOf('photo').onward(trimmed('4', '5 5/8').input, table, () => 'm');
    expect(mats).toMatchObject({ recipe: 'mat-stack', input: { print: { width: '4', height: '5 5/8' } } });
  });
  test('a print that follows from its picture stays when its border is emptied, and the border is found again', () => {
    const input = {
      print: { known: 'assumed' as const },
      image: { width: '4', height: '6' },
      border: '1/4',
      crop: none,
    };
    const emptied = set(input, ['border'], undefined, 'photo');
    expect(emptied).toMatchObject({ print: { width: '4 1/2' }, image: { width: '4', height: '6' } });
    expect(value(solve('photo', emptied as typeof input), 'border')).toBe('1/4');
  });
  test('a print is not trimmed to more than it is', () => {
    const input = { ...bare, crop: { ...none, width: '5', height: '5', keep: 'trim' as const } };
    expect(told(recipeOf('photo').solve(input, table))).toEqual([
      'refused',
      'problem {"code":"own","why":"trimmed-larger","path":["crop","width"],"lengths":["1"]}',
      'offer crop.width = 4',
    ]);
  });
  test('mats go round what is left of it', () => {
    const next = (input: InputOf<'photo'>) => recipeOf('photo').onward(input, table, () => 'x')[0]!.input;
    expect(next({ ...bare, border: '1/8', crop: none })).toMatchObject({ print: { width: '3 3/4', height: '5 3/4' } });
    expect(next(crop('fill'))).toMatchObject({ print: { width: '8', height: '10' } });
  });
});

describe('banner strip', () => {
  type Banners = InputOf<'banner-strip'>;
  const banners = (more: Partial<Banners>): Banners => ({
    strip: { width: '2 1/2', length: '6' },
    count: 4,
    spread: 'room',
    row: { gap: '1/4' },
    end: { shape: 'notch', longer: 'left' },
    ...more,
  });
  test('17: a notch of 7/8, and one at right angles', () => {
    const shallow = solve('banner-strip', banners({ end: { shape: 'notch', depth: '7/8', longer: 'left' } }));
    const facts = (of: Done) => of.laid.facts.map((f) => [f.name, ...f.lengths.map(show)]);
    expect(facts(shallow)).toEqual([
      ['centre-mark', '1 1/4'],
      ['centre-line', '5 1/8'],
    ]);
    const right = solve('banner-strip', banners({}));
    expect(facts(right)[1]).toEqual(['centre-line', '4 3/4']);
    expect(value(right, 'end', 'depth')).toBe('1 1/4');
    expect(right.laid.blanks).toMatchObject([
      { key: 'strip', quantity: 4, finish: [{ do: 'notch', depth: lengthOf('1 1/4'), at: lengthOf('1 1/4') }] },
    ]);
    expect(right.laid.blanks[0]!.marks).toHaveLength(1);
  });
  test('10: six across 12 with a margin of 3/4 wished: widths go down to the mark, the rest to the margins', () => {
    const solved = solve(
      'banner-strip',
      banners({ strip: { length: '6' }, count: 6, row: { gap: '1/8', margin: '3/4' } }),
    );
    expect(value(solved, 'strip', 'width')).toBe('1 5/8');
    expect([value(solved, 'row', 'across'), value(solved, 'row', 'margin')]).toEqual(['10 3/8', '13/16']);
    expect(solved.suggestions).toEqual([{ code: 'remainder', by: lengthOf('1/8'), to: ['row', 'margin'] }]);
  });
  test('9: five 2 across 12 with gaps of 1/4: margins 1/2', () => {
    const solved = solve('banner-strip', banners({ strip: { width: '2', length: '3' }, count: 5 }));
    expect([value(solved, 'row', 'across'), value(solved, 'row', 'margin')]).toEqual(['11', '1/2']);
    expect(solved.laid.layers.map((l) => show(l.box.x))).toEqual(['1/2', '2 3/4', '5', '7 1/4', '9 1/2']);
  });
  test('15: five 2 1/2 edge to edge across 12 are too much: fewer, narrower, or overlapping', () => {
    const input = banners({ count: 5, row: { gap: '0' } });
    const { problems, offers } = refuse('banner-strip', input);
    expect(problems).toEqual([{ code: 'own', why: 'too-much', path: ['row', 'across'], lengths: [lengthOf('1/2')] }]);
    expect(offers).toEqual([
      { path: ['count'], count: 4 },
      { path: ['strip', 'width'], length: lengthOf('2 3/8') },
      { path: ['row', 'gap'], length: lengthOf('-1/8') },
    ]);
    for (const offer of offers) {
      const text = 'count' in offer ? offer.count : formatExactLength(offer.length, 'in');
      expect(solve('banner-strip', set(input, offer.path, text, 'banner-strip') as Banners).status).toBe('solved');
    }
  });
  test('how many fit, and what is left is shared by the margins', () => {
    const { count: _count, ...asked } = banners({ row: { gap: '1/4', margin: '1/2' } });
    const solved = solve('banner-strip', asked);
    expect(solved.laid.layers).toHaveLength(4);
    expect(value(solved, 'row', 'margin')).toBe('5/8');
    const wide = refuse('banner-strip', { ...asked, strip: { width: '11 1/2', length: '6' } });
    expect(wide.problems).toMatchObject([{ code: 'own', why: 'none-fits' }]);
  });
  test('as a row it is as long as it is; typing its length frees the gap', () => {
    const row = banners({ spread: 'row', count: 3, row: { gap: '1/4' } });
    expect(show(solve('banner-strip', row).laid.size.width)).toBe('8');
    const longer = set(row, ['row', 'across'], '9', 'banner-strip') as Banners;
    expect(longer.row).toEqual({ across: '9' });
    expect(value(solve('banner-strip', longer), 'row', 'gap')).toBe('3/4');
  });
  test.each(['point', 'slant', 'straight'] as const)('an end that is %s', (shape) => {
    const { laid } = solve('banner-strip', banners({ end: { shape, longer: 'right' } }));
    expect(laid.blanks[0]!.finish.map((f) => f.do)).toEqual(shape === 'straight' ? [] : [shape]);
    expect(laid.layers[0]!.shape === null).toBe(shape === 'straight');
  });
  test('an end deeper than the strip is long is refused', () => {
    expect(
      refuse('banner-strip', banners({ end: { shape: 'point', depth: '6', longer: 'left' } })).problems,
    ).toMatchObject([{ code: 'own', why: 'end-too-deep' }]);
  });
  test('the width typed: the margins follow, then the gap', () => {
    const typed = set(
      banners({ strip: { length: '6' }, row: { gap: '1/4', margin: '1/2' } }),
      ['strip', 'width'],
      '2',
      'banner-strip',
    ) as Banners;
    expect(typed.row).toEqual({ gap: '1/4' });
  });
});

describe('one line', () => {
  const hear = (line: string) => parseRecipeLine(line, table, () => 'x');
  test.each([
    ['mat 1/8 1/4 around 4x6', ['1/8', '1/4']],
    ['mats 1/8, 1/16, 3/8 around 3 1/2 x 5', ['1/8', '1/16', '3/8']],
    ['mat 1 1/4 ½ for 4 by 6', ['1 1/4', '½']],
    ['mat 3 mm 5 mm around 10 x 15 cm', ['3 mm', '5 mm']],
    ["mats ⅙ 1/8'' round 4 x 6", ['⅙', "1/8''"]],
    ['mat 6 mm around 89 mm x 127 mm', ['6 mm']],
  ])('%s', (line, reveals) => {
    const said = hear(line)?.said;
    expect(said?.ok && (said.input as Mats).mats.map((m) => valueAt(m, ['reveal', 'all']))).toEqual(reveals);
  });
  test('a footer', () => {
    const said = hear('mat 3/16 footer 11/16 around 2 1/4 x 2 1/4')?.said;
    expect(said?.ok && (said.input as Mats).mats).toEqual([
      { id: 'x', reveal: { style: 'footer', sides: '3/16', bottom: '11/16' } },
    ]);
  });
  test('what no recipe knows', () => expect(hear('hello world')).toBeNull());
  test('banners with words for numbers, a gap and an end', () => {
    const said = hear('five banners 1 3/8 x 4 1/2 gap 1/4 pointed 1/2')?.said;
    expect(said?.ok && said.input).toMatchObject({
      count: 5,
      strip: { width: '1 3/8', length: '4 1/2' },
      row: { gap: '1/4' },
      end: { shape: 'point', depth: '1/2' },
    });
  });
});

describe('a line in another unit than the page', () => {
  const table = {
    unit: 'in',
    mark: MARKS['1/16'],
    room: { width: lengthOf('12'), height: lengthOf('12'), seams: [] },
  } as const;
  test.each([
    [
      'mat 6 mm around 89x127',
      'mat-stack',
      { print: { width: '89 mm', height: '127 mm' }, mats: [{ reveal: { all: '6 mm' } }] },
    ],
    ["mat 1/8 around 4'' x 6", 'mat-stack', { print: { width: "4''", height: '6' } }],
    ['5 banners 35 mm x 115', 'banner-strip', { count: 5, strip: { width: '35 mm', length: '115 mm' } }],
  ])('%s', (line, recipe, input) =>
    expect(parseRecipeLine(line, table, () => 'a')).toMatchObject({ recipe, said: { ok: true, input } }),
  );
  test('a minus is refused', () =>
    expect(parseRecipeLine('mat -1/8 around 4x6', table, () => 'a')).toMatchObject({
      said: { ok: false, problem: { code: 'length-not-positive' } },
    }));
});

test('nothing that is cut is narrower than a mark, and it says by how much it was to be', () => {
  const { blanks } = solve('base-panels', {
    panels: [{ id: 'a', reveal: { style: 'two' }, width: '0.001', height: '5' }],
  }).laid;
  const [panel] = blanks.filter((b) => b.role === 'panel');
  expect([show(panel!.width), show(panel!.height), panel!.off.width < 0]).toEqual(['1/16', '5', true]);
});
