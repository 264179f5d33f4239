import { describe, expect, test } from '@jest/globals';
import { lengthOf, plainLength } from '../length/index.ts';
import { CENTRED, derivePage, emptyPage, inOtherUnit, migratePage, pageSchema, whatMoved, type Page } from './index.ts';

function kitePage(): Page {
  return {
    ...emptyPage('First day of wind'),
    panels: [
      { id: 'field', name: 'field', reveal: ['3/8'], paper: null },
      {
        id: 'strip',
        name: 'strip',
        width: '9 1/2',
        height: '11',
        rest: { across: 'right', upDown: 'centre' },
        paper: null,
      },
    ],
    photos: [
      {
        id: 'launch',
        name: 'the launch',
        print: { width: '4', height: '6', known: 'assumed' },
        mats: [
          { id: 'm1', name: 'inner mat', reveal: ['1/8'], paper: null },
          { id: 'm2', name: 'outer mat', reveal: ['1/4'], paper: null },
        ],
        at: { across: { from: 'left', by: '1' }, upDown: { from: 'top', by: '1 1/2' } },
      },
    ],
  };
}
const part = (page: Page, id: string) => derivePage(page).parts.find((p) => p.id === id)!;

describe('what follows from a page', () => {
  test('parts from the bottom up, each where it lies', () => {
    const { parts, problems } = derivePage(kitePage());
    expect(problems).toEqual([]);
    expect(parts.map((p) => p.id)).toEqual(['base', 'field', 'strip', 'm2', 'm1', 'launch']);
    const m2 = part(kitePage(), 'm2');
    expect([m2.width, m2.height, m2.x, m2.y + m2.height]).toEqual([
      lengthOf('4 3/4'),
      lengthOf('6 3/4'),
      lengthOf('1'),
      lengthOf('10 1/2'),
    ]);
    const print = part(kitePage(), 'launch');
    expect([print.x, print.y]).toEqual([
      lengthOf('1 3/8'),
      lengthOf('12') - lengthOf('1 1/2') - lengthOf('3/8') - lengthOf('6'),
    ]);
    expect(part(kitePage(), 'strip').x).toBe(lengthOf('12') - lengthOf('3/8') - lengthOf('9 1/2'));
  });
  test('each layer has the reveal that is its own', () => {
    const left = (id: string) => part(kitePage(), id).reveals?.left;
    expect([left('field'), left('m1'), left('m2'), left('launch'), left('base')]).toEqual([
      lengthOf('3/8'),
      lengthOf('1/8'),
      lengthOf('1/4'),
      undefined,
      undefined,
    ]);
  });
  test('the base, panels and mats are pieces to cut; the print is not', () => {
    expect(derivePage(kitePage()).pieces.map((p) => p.part)).toEqual(['base', 'field', 'strip', 'm2', 'm1']);
  });
  test('a size between marks is cut at the nearest one, and says by how much', () => {
    const page = kitePage();
    page.photos[0]!.print.width = '4 1/64';
    const piece = derivePage(page).pieces.find((p) => p.part === 'm1')!;
    expect([piece.width, piece.off.width]).toEqual([lengthOf('4 1/4'), lengthOf('1/64')]);
  });
  test('changing the print moves the mats and what lies beside them, and says so', () => {
    const before = kitePage();
    const after = structuredClone(before);
    after.photos[0]!.print = { width: '3⅞', height: '5⅝', known: 'measured' };
    const moves = whatMoved(derivePage(before), derivePage(after));
    const sizes = moves.flatMap((m) =>
      'to' in m && m.what === 'width' ? [`${m.name} ${plainLength(m.to, derivePage(after).mark)}`] : [],
    );
    expect(sizes).toEqual(['outer mat 4 5/8', 'inner mat 4 1/8', 'the launch 3 7/8']);
    expect(moves.some((m) => m.part === 'launch' && m.what === 'y')).toBe(true);
    expect(moves.some((m) => m.part === 'field')).toBe(false);
    expect(whatMoved(derivePage(before), derivePage(before))).toEqual([]);
  });
  test('parts that come and go are moves too', () => {
    const after = kitePage();
    after.photos[0]!.mats.pop();
    expect(whatMoved(derivePage(kitePage()), derivePage(after))).toContainEqual({
      part: 'm2',
      name: 'outer mat',
      what: 'removed',
    });
    expect(whatMoved(derivePage(after), derivePage(kitePage()))).toContainEqual({
      part: 'm2',
      name: 'outer mat',
      what: 'added',
    });
  });
  test('one bad mat leaves the rest of the page standing, and is named', () => {
    const page = kitePage();
    page.photos.push({
      ...page.photos[0]!,
      id: 'second',
      mats: [{ id: 'm9', name: 'too small', width: '3', height: '5', paper: null }],
    });
    const { problems, parts } = derivePage(page);
    expect(problems).toMatchObject([
      { where: 'm9', problem: { code: 'reveal-negative', edges: ['left', 'right'] } },
      { where: 'm9', problem: { edges: ['bottom', 'top'] } },
    ]);
    expect(parts.some((p) => p.id === 'launch')).toBe(true);
  });
  test('a photo over the edge is pointed out', () => {
    const page = kitePage();
    page.photos[0]!.at = { across: { from: 'right', by: '-1/2' }, upDown: { from: 'centre', by: 0 } };
    expect(derivePage(page).suggestions).toContainEqual({
      where: 'launch',
      suggestion: { code: 'overhang', edges: ['right'], by: lengthOf('1/2') },
    });
  });
  test('centred means the same on both sides', () => {
    const page = kitePage();
    page.photos[0]!.at = CENTRED;
    const m2 = part(page, 'm2');
    expect(m2.x * 2 + m2.width).toBe(lengthOf('12'));
  });
});

describe('the page document', () => {
  test('accepts its own example and refuses strangers, ids used twice and absurd lengths', () => {
    expect(pageSchema.safeParse(kitePage()).success).toBe(true);
    expect(pageSchema.safeParse({ ...kitePage(), glitter: true }).success).toBe(false);
    const twice = kitePage();
    twice.panels[1]!.id = 'field';
    expect(pageSchema.safeParse(twice).error?.issues[0]).toMatchObject({
      path: ['panels', 1, 'id'],
      message: 'used-twice',
    });
    const absurd = pageSchema.safeParse({ ...kitePage(), width: '-4' });
    expect(absurd.error?.issues[0]).toMatchObject({ path: ['width'], message: 'length-not-positive' });
  });
  test('version 1 is the current one: a saved document of it loads unchanged', () => {
    expect(pageSchema.parse(migratePage(kitePage()))).toEqual(kitePage());
  });
  test('changing the unit keeps every length', () => {
    const inMm = inOtherUnit(kitePage(), 'mm');
    expect(derivePage(inMm).parts.map(({ x, y, width, height }) => [x, y, width, height])).toEqual(
      derivePage(kitePage()).parts.map(({ x, y, width, height }) => [x, y, width, height]),
    );
    expect(inMm.photos[0]!.print.width).toBe('4 in');
    expect(pageSchema.safeParse(inMm).success).toBe(true);
  });
});
