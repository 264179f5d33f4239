import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  MARKS,
  formatExactLength,
  computeLengthFigure,
  lengthOf,
  parseLength,
  parseSize,
  detectLineUnit,
  formatPlainLength,
  roundToMark,
  ticks,
  formatTypesetLength,
  exact,
} from './index.ts';

const IN = 24384;

describe('reading lengths', () => {
  test.each([
    ['4 3/8', 4.375 * IN],
    ['4-3/8', 4.375 * IN],
    ['4⅜', 4.375 * IN],
    ['4 ⅜"', 4.375 * IN],
    ['4.375', 4.375 * IN],
    ['4 3/8"', 4.375 * IN],
    ['4 3⁄8″', 4.375 * IN],
    ['111.125mm', 4.375 * IN],
    ['11,1125 cm', 4.375 * IN],
    ['  7/16 in ', 0.4375 * IN],
    ['1/3', IN / 3],
    ['.5', IN / 2],
    ['12.', 12 * IN],
  ])('%s', (text, expected) => {
    const read = parseLength(text, 'in');
    expect(read).toMatchObject({ ok: true, value: { ticks: expected } });
  });

  test('the four spellings of the worked table are one length', () => {
    const all = ['3⅜', '3-3/8', '3.375', '85.725 mm'].map((t) => lengthOf(t, 'in'));
    expect(new Set(all).size).toBe(1);
  });

  test.each([
    ['', 'length-missing'],
    ['4 1/0', 'length-unreadable'],
    ['four', 'length-unreadable'],
    ['4 3/8 ft', 'length-unreadable'],
    ['1/2/3', 'length-unreadable'],
    ['0', 'length-not-positive'],
    ['-1', 'length-not-positive'],
    ['101', 'length-too-large'],
    ['9'.repeat(60), 'length-unreadable'],
    ['1e400', 'length-unreadable'],
  ])('%j is refused: %s', (text, code) => {
    expect(parseLength(text, 'in')).toMatchObject({ ok: false, problem: { code } });
  });

  test('keeps the unit it was typed in', () => {
    expect(parseLength('10 cm', 'in')).toMatchObject({ value: { unit: 'mm', rounded: false } });
    expect(parseLength('10', 'mm')).toMatchObject({ value: { unit: 'mm' } });
    expect(parseLength('1/7', 'in')).toMatchObject({ value: { rounded: true } });
  });

  test.each(['4 x 6', '4×6', '4 by 6', '4x6 in', '4" x 6"'])('size %s', (text) => {
    expect(parseSize(text, 'in')).toMatchObject({
      ok: true,
      value: { width: { ticks: 4 * IN }, height: { ticks: 6 * IN } },
    });
  });

  test('a unit after the second number holds for both', () => {
    expect(parseSize('10 x 15 cm', 'in')).toMatchObject({
      value: { width: { ticks: 96000 }, height: { ticks: 144000 } },
    });
  });

  test('half a size is not a size', () => {
    expect(parseSize('4 x', 'in').ok).toBe(false);
    expect(parseSize('4', 'in').ok).toBe(false);
  });
});

describe('showing lengths', () => {
  test.each([
    [lengthOf('4 3/8'), '1/16', '4 3/8', 0],
    [lengthOf('6/16'), '1/16', '3/8', 0],
    [lengthOf('12'), '1/8', '12', 0],
    [lengthOf('1 29/64'), '1/16', '1 7/16', IN / 64],
    [lengthOf('1 27/64'), '1/16', '1 7/16', -IN / 64],
    [lengthOf('-1/8'), '1/16', '-1/8', 0],
    [lengthOf('25.4 mm'), '0.5 mm', '25.5', -96],
  ] as const)('%d at %s is %s', (length, mark, text, off) => {
    expect(formatPlainLength(length, MARKS[mark])).toBe(text);
    expect(computeLengthFigure(length, MARKS[mark]).off).toBe(off);
  });

  test('sets a fraction with the fraction slash', () =>
    expect(formatTypesetLength(lengthOf('4 3/8'), MARKS['1/16'])).toBe('4\u202f3⁄8'));

  test('what is written reads back as the same length, in either unit', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 90 * IN }), fc.constantFrom('in' as const, 'mm' as const), (n, unit) => {
        expect(lengthOf(formatExactLength(ticks(n), unit), unit)).toBe(n);
      }),
    );
  });
});

describe('rounding to a mark', () => {
  test('down, nearest, up keep their order and stay within a step', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1e6, max: 1e6 }),
        fc.integer({ min: 1, max: 97 }),
        fc.constantFrom(...Object.values(MARKS)),
        (n, d, mark) => {
          const value = exact(n, d);
          const [low, near, high] = (['down', 'nearest', 'up'] as const).map((r) => roundToMark(value, mark, r));
          expect(low! <= near! && near! <= high!).toBe(true);
          expect(high! - low!).toBeLessThanOrEqual(mark.step);
          expect(low! * d <= n && n <= high! * d).toBe(true);
          expect([low, near, high].every((v) => v! % mark.step === 0)).toBe(true);
        },
      ),
    );
  });
});

describe('lengths in the middle of a line', () => {
  test.each<[string, 'in' | 'mm']>([
    ['mat 6 mm around 89x127', 'mm'],
    ["scrap 12'' x 5", 'in'],
    ['scrap 12 x 5', 'mm'],
    ['mat 1/8 in around 89 x 127 mm', 'mm'],
    ['sheet 30 x 30 cm', 'mm'],
  ])('%s is in %s', (line, unit) => expect(detectLineUnit(line, 'mm')).toBe(unit));
});
