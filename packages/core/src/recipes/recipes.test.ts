import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { MARKS, exactText, lengthOf, plainLength, roundExact, ticks } from '../length/index.ts';
import { RECIPES, RECIPE_IDS, basePanels, fitMatToPaper, matStack, photo, sayMats, type Solved } from './index.ts';

const table = { unit: 'in', mark: MARKS['1/16'] } as const;
const show = (n: number) => plainLength(ticks(n), MARKS['1/64']);
function solved<T>(result: Solved<T>): Extract<Solved<T>, { status: 'solved' }> {
  if (result.status !== 'solved') throw new Error(JSON.stringify(result));
  return result;
}
const print = (width: string, height: string) => ({ width, height, known: 'measured' as const });
const sizes = (input: Parameters<typeof matStack.solve>[0]) =>
  solved(matStack.solve(input, table)).answer.levels.map((l) => `${show(l.width)} x ${show(l.height)}`);

describe('mat stack: worked numbers', () => {
  test('1: even reveal', () => {
    expect(sizes({ print: print('3⅞', '5⅝'), mats: [{ reveal: ['3/16'] }] })[1]).toBe('4 1/4 x 6');
  });
  test('2: three mats outward', () => {
    expect(
      sizes({
        print: print('3 1/2', '5'),
        mats: [{ reveal: ['1/8'] }, { reveal: ['1/16'] }, { reveal: ['3/8'] }],
      }).slice(1),
    ).toEqual(['3 3/4 x 5 1/4', '3 7/8 x 5 3/8', '4 5/8 x 6 1/8']);
  });
  test('3: sizes give uneven reveals, and what even ones would be', () => {
    const { answer, suggestions } = solved(
      matStack.solve({ print: print('5', '3 1/2'), mats: [{ width: '5 1/2', height: '3 3/4' }] }, table),
    );
    expect(Object.values(answer.gaps[0]!).map(show)).toEqual(['1/4', '1/4', '1/8', '1/8']);
    const uneven = suggestions.find((s) => s.code === 'uneven-reveals')!;
    expect(
      uneven.code === 'uneven-reveals' &&
        uneven.even.map((e) => `${show(e.width)} x ${show(e.height)} ${show(e.reveal)}`),
    ).toEqual(['5 1/2 x 4 1/4', '5 1/4 x 3 3/4 1/8']);
  });
  test('4: footer mat', () => {
    expect(sizes({ print: print('2 1/4', '2 1/4'), mats: [{ reveal: ['3/16', '3/16', '3/16', '11/16'] }] })[1]).toBe(
      '2 5/8 x 3 1/8',
    );
  });
  test('5: largest print for a paper', () => {
    expect(
      sizes({ print: { known: 'assumed' }, mats: [{ width: '4 1/2', height: '5 7/8', reveal: ['1/4'] }] })[0],
    ).toBe('4 x 5 3/8');
  });
  test('6: too long for the sheets, and the trim that makes it fit', () => {
    const size = (w: string, h: string) => ({ width: lengthOf(w), height: lengthOf(h) });
    const fit = fitMatToPaper(size('4', '6'), size('4 3/8', '6 3/8'), size('6', '6'));
    expect(fit).toMatchObject({
      fits: false,
      over: size('0', '3/8'),
      trim: { print: size('4', '5 5/8'), mat: size('4 3/8', '6') },
    });
    expect(fitMatToPaper(size('4', '6'), size('4', '6'), size('6', '4'))).toEqual({ fits: true, turned: true });
  });
  test('29: a mat smaller than its print is refused, edge by edge', () => {
    const result = matStack.solve({ print: print('4 1/4', '6'), mats: [{ width: '4', height: '6' }] }, table);
    expect(result).toMatchObject({
      status: 'refused',
      problems: [{ code: 'reveal-negative', layer: 'mat1', edges: ['left', 'right'], by: lengthOf('1/8') }],
    });
    expect(result.status === 'refused' && result.offers).toContainEqual({
      field: 'mat1.width',
      value: lengthOf('4 1/4'),
    });
  });
});

describe('mat stack: any unknown', () => {
  test('every computed size carries a sum that adds up', () => {
    const { sums, answer } = solved(
      matStack.solve({ print: print('4', '6'), mats: [{ reveal: ['3/16'] }, { reveal: ['1/8', '1/4'] }] }, table),
    );
    const sum = sums['mat2.height']!;
    const total = sum.terms.reduce((all, t) => all + t.times * roundExact(t.value, 'nearest'), 0) / sum.over;
    expect(total).toBe(answer.levels[2]!.height);
    expect(sums['print.width']).toBeUndefined();
  });
  test('too few values: it asks for what is missing', () => {
    expect(matStack.solve({ print: print('4', '6'), mats: [{}] }, table)).toMatchObject({
      status: 'refused',
      problems: [{ code: 'missing' }, { code: 'missing' }],
    });
  });
  test('too many: an assumed one gives way, a measured one never does', () => {
    const input = { print: print('4', '6'), mats: [{ width: '5', height: '7', reveal: ['1/4'] as ['1/4'] }] };
    const { answer, suggestions } = solved(matStack.solve(input, table));
    expect(show(answer.levels[1]!.width)).toBe('4 1/2');
    expect(suggestions).toContainEqual({ code: 'gave-way', field: 'mat1.width' });
    const measured = photo.solve({ print: print('4', '6'), image: { width: '3', height: '5' }, border: '1/4' }, table);
    expect(solved(measured).answer.print.width).toBe(lengthOf('4'));
  });
  test('measured values that cannot all hold are named', () => {
    const clash = basePanels.solve(
      { page: { width: '12', height: '12' }, panels: [{ reveal: ['7'] }], seam: null },
      table,
    );
    expect(clash).toMatchObject({
      status: 'refused',
      problems: [
        { code: 'size-not-positive', field: 'panel1.width' },
        { code: 'size-not-positive', field: 'panel1.height' },
      ],
    });
  });
  test('a bad length names its field', () => {
    expect(matStack.solve({ print: print('4', '6'), mats: [{ width: '4 1/0', height: '6' }] }, table)).toMatchObject({
      status: 'refused',
      problems: [{ code: 'field', field: 'mat1.width' }],
    });
  });

  const sixtyFourth = fc.integer({ min: 1, max: 300 }).map((n) => ticks(n * 381));
  test('forwards and backwards agree: sizes from reveals give back the reveals, and the print', () => {
    fc.assert(
      fc.property(sixtyFourth, sixtyFourth, fc.array(sixtyFourth, { minLength: 1, maxLength: 5 }), (w, h, reveals) => {
        const text = (n: number) => exactText(ticks(n), 'in');
        const forwards = solved(
          matStack.solve(
            { print: print(text(w), text(h)), mats: reveals.map((r) => ({ reveal: [text(r)] as [string] })) },
            table,
          ),
        );
        const { levels } = forwards.answer;
        const backwards = solved(
          matStack.solve(
            {
              print: print(text(w), text(h)),
              mats: levels.slice(1).map((l) => ({ width: text(l.width), height: text(l.height) })),
            },
            table,
          ),
        );
        expect(backwards.answer.gaps.map((g) => g.left)).toEqual(reveals);
        const outer = levels.at(-1)!;
        const inward = solved(
          matStack.solve(
            {
              print: { known: 'assumed' },
              mats: reveals.map((r, i) => ({
                reveal: [text(r)] as [string],
                ...(i === reveals.length - 1 ? { width: text(outer.width), height: text(outer.height) } : {}),
              })),
            },
            table,
          ),
        );
        expect(inward.answer.levels[0]).toMatchObject({ width: w, height: h });
      }),
    );
  });
  test('an odd difference leaves its odd tick on the far side', () => {
    const { answer } = solved(
      matStack.solve({ print: print('4', '6'), mats: [{ width: '4 1/64', height: '6 1/64' }] }, table),
    );
    const { left, right } = answer.gaps[0]!;
    expect([left + right, right - left]).toEqual([381, 1]);
  });
});

describe('base panels', () => {
  test('7: reveals from sizes', () => {
    const { answer } = solved(
      basePanels.solve(
        {
          page: { width: '12', height: '12' },
          panels: ['11 1/4', '9 1/2', '9'].map((s) => ({ width: s, height: s })),
          seam: null,
        },
        table,
      ),
    );
    expect([...answer.gaps].reverse().map((g) => show(g.left))).toEqual(['3/8', '7/8', '1/4']);
  });
  test('inward by reveal, flush to an edge, bleeding off another', () => {
    const { answer } = solved(
      basePanels.solve(
        {
          page: { width: '12', height: '12' },
          panels: [
            { reveal: ['1/4'] },
            { width: '9', height: '8', rest: { across: 'left', upDown: 'top' } },
            { reveal: ['1/2', '-1/4', '1', '1'] },
          ],
          seam: null,
        },
        table,
      ),
    );
    const [third, second, first] = answer.levels;
    expect([first, second, third].map((l) => `${show(l!.width)} x ${show(l!.height)}`)).toEqual([
      '11 1/2 x 11 1/2',
      '9 x 8',
      '8 3/4 x 6',
    ]);
    expect(Object.values(answer.gaps[1]!).map(show)).toEqual(['0', '2 1/2', '0', '3 1/2']);
    expect(show(answer.gaps[0]!.right)).toBe('-1/4');
  });
  test('no reveal at the seam of a spread', () => {
    const { answer } = solved(
      basePanels.solve({ page: { width: '12', height: '12' }, panels: [{ reveal: ['1/4'] }], seam: 'right' }, table),
    );
    expect(answer.gaps[0]).toMatchObject({ right: 0, left: lengthOf('1/4'), top: lengthOf('1/4') });
    expect(show(answer.levels[0]!.width)).toBe('11 3/4');
  });
  test('the page can be the unknown', () => {
    const { answer } = solved(
      basePanels.solve({ page: {}, panels: [{ width: '11', height: '8', reveal: ['1/2', '1/4'] }], seam: null }, table),
    );
    expect(answer.levels.at(-1)).toMatchObject({ width: lengthOf('12'), height: lengthOf('8 1/2') });
  });
});

describe('photo', () => {
  const crop = (keep: 'fill' | 'whole') => ({
    width: '8',
    height: '10',
    keep,
    across: 'centre' as const,
    upDown: 'centre' as const,
  });
  test('8: 4 x 6 enlarged to fill 8 x 10, and without loss', () => {
    const fill = solved(photo.solve({ print: print('4', '6'), image: {}, crop: crop('fill') }, table)).answer.crop!;
    expect([show(fill.scaled.width), show(fill.scaled.height)]).toEqual(['8', '12']);
    expect([
      show(fill.lost.top),
      show(fill.lost.bottom),
      show(fill.lost.left),
      show(fill.lostOfOriginal.height),
    ]).toEqual(['1', '1', '0', '1']);
    const whole = solved(photo.solve({ print: print('4', '6'), image: {}, crop: crop('whole') }, table)).answer.crop!;
    expect([whole.scaled.width, whole.scaled.height, whole.short.width]).toEqual([
      lengthOf('20/3'),
      lengthOf('10'),
      lengthOf('4/3'),
    ]);
  });
  test('a printed border counted in or out, or found from both sizes', () => {
    expect(
      show(solved(photo.solve({ print: print('4', '6'), image: {}, border: '1/8' }, table)).answer.image.height),
    ).toBe('5 3/4');
    expect(
      show(
        solved(photo.solve({ print: { known: 'assumed' }, image: { width: '4', height: '6' }, border: '1/8' }, table))
          .answer.print.width,
      ),
    ).toBe('4 1/4');
    expect(
      show(
        solved(photo.solve({ print: print('4', '6'), image: { width: '3 1/2', height: '5 1/2' } }, table)).answer
          .border,
      ),
    ).toBe('1/4');
  });
  test('a border that leaves nothing to see is refused', () => {
    expect(photo.solve({ print: print('4', '6'), image: {}, border: '2' }, table)).toMatchObject({
      status: 'refused',
      problems: [{ code: 'border-too-wide' }],
    });
  });
});

describe('mats in one line', () => {
  test.each([
    ['mat 1/8 1/4 around 4x6', ['1/8', '1/4']],
    ['mats 1/8, 1/16, 3/8 around 3 1/2 x 5', ['1/8', '1/16', '3/8']],
    ['1 1/4 ½ for 4 by 6', ['1 1/4', '½']],
    ['mat 3 mm 5 mm around 10 x 15 cm', ['3 mm', '5 mm']],
  ])('%s', (line, reveals) => {
    const said = sayMats(line, 'in');
    expect(said.ok && said.input.mats.map((m) => m.reveal?.[0])).toEqual(reveals);
  });
  test('a footer', () => {
    const said = sayMats('mat 3/16 footer 11/16 around 2 1/4 x 2 1/4', 'in');
    expect(said.ok && said.input.mats).toEqual([{ reveal: ['3/16', '3/16', '3/16', '11/16'] }]);
  });
  test.each(['', 'mat', 'mat 1/8 around', 'hello world', 'mat 1/8 around 4 x lots'])('%j is not understood', (line) =>
    expect(sayMats(line, 'in').ok).toBe(false),
  );
});

test('the registry holds every recipe under its own id, with a schema that accepts an example', () => {
  expect(RECIPE_IDS).toEqual(RECIPE_IDS.map((id) => RECIPES[id].id));
  expect(RECIPES['mat-stack'].input.safeParse({ mats: [{ reveal: ['1/8'] }] }).success).toBe(true);
  expect(RECIPES['mat-stack'].input.safeParse({ mats: [{ reveal: ['1/8'], colour: 'red' }] }).success).toBe(false);
});
