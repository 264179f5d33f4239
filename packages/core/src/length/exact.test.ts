import { describe, expect, test } from '@jest/globals';
import { z } from 'zod';
import {
  MARKS,
  addExact,
  exact,
  formatExactLength,
  computeLengthFigure,
  inUnit,
  inches,
  isOnMark,
  isWhole,
  isZero,
  withUnitNamed,
  lengthOf,
  lengthText,
  checkLengthsIn,
  millimetres,
  parseLength,
  parseSize,
  roundExact,
  scaleExact,
  ticks,
  MAX_LENGTH_TICKS,
} from './index.ts';

const IN = 24384;

describe('exact fractions of ticks', () => {
  test('are kept in lowest terms, with the sign above the line', () => {
    expect(exact(6, 4)).toEqual({ n: 3n, d: 2n });
    expect(exact(6, -4)).toEqual({ n: -3n, d: 2n });
    expect(exact(-6, -4)).toEqual({ n: 3n, d: 2n });
    expect(exact(-6, 4)).toEqual({ n: -3n, d: 2n });
    expect(exact(0, 7)).toEqual({ n: 0n, d: 1n });
    expect(exact(7, 5)).toEqual({ n: 7n, d: 5n });
    expect(() => exact(1, 0)).toThrow('division by zero');
  });
  test('add and scale without rounding', () => {
    expect(addExact(exact(1, 3), exact(1, 6))).toEqual({ n: 1n, d: 2n });
    expect(addExact(exact(2), exact(1, 6))).toEqual({ n: 13n, d: 6n });
    expect(addExact(exact(1, 6), exact(2))).toEqual({ n: 13n, d: 6n });
    expect(addExact(exact(5), exact(-2))).toEqual({ n: 3n, d: 1n });
    expect(scaleExact(exact(5), 3)).toEqual({ n: 15n, d: 1n });
    expect(scaleExact(exact(5), 1, 3)).toEqual({ n: 5n, d: 3n });
    expect(scaleExact(exact(5, 3), 3)).toEqual({ n: 5n, d: 1n });
    expect(scaleExact(exact(5, 7), 2, 3)).toEqual({ n: 10n, d: 21n });
  });
  test('know zero and whole', () => {
    expect([isZero(exact(0, 3)), isZero(exact(1, 3)), isZero(exact(-1))]).toEqual([true, false, false]);
    expect([isWhole(exact(6, 3)), isWhole(exact(7, 3))]).toEqual([true, false]);
  });
  test.each([
    [7, 2, 'nearest', 1, 4],
    [5, 2, 'nearest', 1, 3],
    [-5, 2, 'nearest', 1, -2],
    [-7, 3, 'nearest', 1, -2],
    [7, 3, 'up', 1, 3],
    [6, 3, 'up', 1, 2],
    [-7, 3, 'up', 1, -2],
    [7, 3, 'down', 1, 2],
    [-7, 3, 'down', 1, -3],
    [-6, 3, 'down', 1, -2],
    [0, 1, 'down', 5, 0],
    [0, 1, 'up', 5, 0],
    [12, 1, 'down', 5, 10],
    [12, 1, 'nearest', 5, 10],
    [13, 1, 'nearest', 5, 15],
    [11, 1, 'up', 5, 15],
    [-12, 1, 'down', 5, -15],
  ] as const)('%d/%d %s to %d is %d', (n, d, rounding, step, whole) =>
    expect(roundExact(exact(n, d), rounding, step)).toBe(whole),
  );
});

describe('ticks', () => {
  test('are whole, and never minus nothing', () => {
    expect(() => ticks(0.5)).toThrow('not a whole number of ticks');
    expect(() => ticks(2 ** 53)).toThrow(RangeError);
    expect(Object.is(ticks(-0), 0)).toBe(true);
  });
  test('of inches and millimetres, and back', () => {
    expect(inches(1.5)).toBe(36576);
    expect(millimetres(2.5)).toBe(2400);
    expect(inUnit(36576, 'in')).toBe(1.5);
    expect(inUnit(2400, 'mm')).toBe(2.5);
  });
  test('lie on a mark or not', () => {
    expect(isOnMark(ticks(IN / 8), MARKS['1/16'])).toBe(true);
    expect(isOnMark(ticks(IN / 32), MARKS['1/16'])).toBe(false);
    expect(isOnMark(ticks(0), MARKS['1/16'])).toBe(true);
  });
});

describe('reading, at its edges', () => {
  const code = (...args: Parameters<typeof parseLength>): string | number => {
    const read = parseLength(...args);
    return read.ok ? read.value.ticks : read.problem.code;
  };
  test('numbers read like their text', () => expect(code(2.5, 'in')).toBe(2.5 * IN));
  test('nothing and less pass only where they may', () => {
    expect(code('0', 'in', { allow: 'zero' })).toBe(0);
    expect(code('-1', 'in', { allow: 'zero' })).toBe('length-not-positive');
    expect(code('0', 'in', { allow: 'negative' })).toBe(0);
    expect(code('-1', 'in', { allow: 'negative' })).toBe(-IN);
    expect(code('-1/2', 'in', { allow: 'negative' })).toBe(-IN / 2);
  });
  test('the longest still passes, either way', () => {
    expect(code('100', 'in')).toBe(MAX_LENGTH_TICKS);
    expect(code('-100', 'in', { allow: 'negative' })).toBe(-MAX_LENGTH_TICKS);
    expect(code('100 1/64', 'in')).toBe('length-too-large');
    expect(code('-100 1/64', 'in', { allow: 'negative' })).toBe('length-too-large');
    expect(code('-301/3', 'in', { allow: 'negative' })).toBe('length-too-large');
    expect(code('-299/3', 'in', { allow: 'negative' })).toBe((-299 / 3) * IN);
    expect(code('3', 'in', { most: ticks(2 * IN) })).toBe('length-too-large');
  });
  test('a text of forty characters is read, a longer one named by its beginning', () => {
    expect(code('1'.padStart(40, '0'), 'in')).toBe(IN);
    const long = parseLength('1'.padStart(41, '0'), 'in');
    expect(long).toEqual({ ok: false, problem: { code: 'length-unreadable', text: `${'0'.repeat(40)}…` } });
  });
  test.each([
    '2 inch',
    '2 inches',
    '2in.',
    '2 INCHES',
    "2''",
    '2"',
    '2.0 In',
    '  2\u00a0\u00a0in ',
    '2”',
    '5.08cm',
    '1 2/2',
  ])('%j is two inches', (text) => expect(code(text, 'mm') === 2 * IN || code(text, 'in') === 2 * IN).toBe(true));
  test.each(['2 inches', '2 inch', "2''", '2in.'])('%j is inches also where millimetres are usual', (text) => {
    expect(parseLength(text, 'mm')).toMatchObject({ ok: true, value: { ticks: 2 * IN, unit: 'in' } });
  });
  test.each(['1  3 / 4', '1 - 3/4', '1  3/4', '1\u20133/4', '1 3 /4'])('%j is one and three quarters', (text) =>
    expect(code(text, 'in')).toBe(1.75 * IN),
  );
  test.each(['a 1/4', '1/4 b', '1 1 1/4', '1 x/4', '1/4 5', 'x1', '1 1/4 1'])('%j is no length', (text) =>
    expect(code(text, 'in')).toBe('length-unreadable'),
  );
  test('a fraction over nothing is no length, with or without a whole', () => {
    expect(code('1/0', 'in')).toBe('length-unreadable');
    expect(code('2 1/0', 'in')).toBe('length-unreadable');
  });
  test('what is known to be good has to be', () => {
    expect(() => lengthOf('rust')).toThrow('"rust" is not a length');
    expect(lengthOf('-1')).toBe(-IN);
  });
});

describe('reading sizes, at their edges', () => {
  test.each(['', '4', '4 x', 'x 6', '4 x 5 x 6', ' x '])('%j is no size, and is named', (text) =>
    expect(parseSize(text, 'in')).toEqual({ ok: false, problem: { code: 'size-unreadable', text } }),
  );
  test('the half that does not read is named', () => {
    expect(parseSize('4 x rust', 'in')).toEqual({ ok: false, problem: { code: 'length-unreadable', text: 'rust' } });
    expect(parseSize('rust x 4', 'in')).toEqual({ ok: false, problem: { code: 'length-unreadable', text: 'rust' } });
  });
  test('each half keeps the unit it has of its own', () => {
    expect(parseSize('4 in x 100 mm', 'in')).toMatchObject({ width: '4 in', height: '100 mm' });
    expect(parseSize('4 x 100 mm', 'in')).toMatchObject({ width: '4 mm', height: '100 mm' });
    expect(parseSize('4 in x 6', 'mm')).toMatchObject({ width: '4 in', height: '6' });
    expect(parseSize('4 by 6 mm.', 'in')).toMatchObject({ width: '4 mm' });
  });
});

describe('showing, at its edges', () => {
  test('nothing is a plain nought, in either unit', () => {
    expect(computeLengthFigure(ticks(0), MARKS['1/16'])).toEqual({
      unit: 'in',
      negative: false,
      whole: '0',
      numerator: 0,
      denominator: 0,
      off: 0,
    });
    expect(computeLengthFigure(ticks(0), MARKS['1 mm'])).toMatchObject({
      unit: 'mm',
      negative: false,
      whole: '0',
      denominator: 0,
    });
    expect([formatExactLength(ticks(0), 'in'), formatExactLength(ticks(0), 'mm')]).toEqual(['0', '0']);
  });
  test('millimetres show as many decimals as their mark has', () => {
    expect(computeLengthFigure(ticks(960 * 3 + 480), MARKS['1 mm']).whole).toBe('4');
    expect(computeLengthFigure(ticks(960 * 3 + 480), MARKS['0.5 mm']).whole).toBe('3.5');
    expect(computeLengthFigure(ticks(-960 * 3), MARKS['0.5 mm'])).toMatchObject({ negative: true, whole: '3' });
  });
  test.each([
    [IN / 2, 'in', '1/2'],
    [IN * 2, 'in', '2'],
    [-IN * 1.5, 'in', '-1 1/2'],
    [-960 * 2, 'mm', '-2'],
    [960 * 2.5, 'mm', '2.5'],
    [1, 'mm', '0.001'],
    [960 * 3 + 1, 'mm', '3.001'],
    [1, 'in', '1/24384'],
  ] as const)('%d ticks in %s are %s', (n, unit, text) => expect(formatExactLength(ticks(n), unit)).toBe(text));
});

describe('lengths in documents', () => {
  const sheet = z
    .object({ width: lengthText(), trim: lengthText({ allow: 'zero' }) })
    .superRefine((value, context) => void checkLengthsIn('in', context)(value.width, ['width']));
  test('what does not read is refused with its problem as data', () => {
    const read = sheet.safeParse({ width: 'rust', trim: '0' });
    expect(read.success).toBe(false);
    expect(read.error!.issues[0]).toMatchObject({
      code: 'custom',
      path: ['width'],
      message: 'length-unreadable',
      params: { problem: { code: 'length-unreadable', text: 'rust' } },
    });
    expect(sheet.safeParse({ width: '12', trim: '0' }).success).toBe(true);
    expect(sheet.safeParse({ width: '0', trim: '0' }).success).toBe(false);
  });
  test('a whole object is read in its own unit', () => {
    const read = sheet.safeParse({ width: '150', trim: 0 });
    expect(read.error!.issues).toEqual([
      expect.objectContaining({ path: ['width'], message: 'length-too-large', params: { problem: expect.anything() } }),
    ]);
    let seen: unknown;
    z.string()
      .superRefine((value, context) => void (seen = checkLengthsIn('mm', context)(value, [])))
      .parse('25.4');
    expect(seen).toBe(IN);
  });
});

describe('naming units in a line', () => {
  test('a bare length gets the unit it was meant in; nothing, and what is no length, stay', () => {
    expect(withUnitNamed('4', 'in')).toBe('4 in');
    expect(withUnitNamed(4, 'mm')).toBe('4 mm');
    expect(withUnitNamed('-4', 'mm')).toBe('-4 mm');
    expect(withUnitNamed('4 cm', 'in')).toBe('4 cm');
    expect(withUnitNamed('0', 'in')).toBe('0');
    expect(withUnitNamed('rust', 'in')).toBe('rust');
    expect(withUnitNamed('4 3', 'in')).toBe('4 3');
  });
});
