import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { describe, expect, test } from '@jest/globals';
import * as fontkit from 'fontkit';
import type { DrawingMark } from '@temnex/drawing';
import { renderPdf, splitIntoRuns } from './pdf.ts';
import { unpackWoff } from './woff.ts';

const word = (text: string): DrawingMark => ({
  kind: 'text',
  x: 40,
  y: 40,
  text,
  size: 12,
  face: 'figures',
  weight: 600,
  anchor: 'start',
  fill: '#000000',
});

describe('letters that people use', () => {
  test.each([
    ['Latin stays in its own face', 'Gust 4\u202f3⁄8', ['bricolage-grotesque-latin-600-normal.woff']],
    ['with accents', 'Őszi szél', ['latin-', 'latin-ext-', 'latin-']],
    ['Greek', 'αετός', ['greek-', 'greek-ext-']],
    ['Cyrillic', 'змей', ['cyrillic-']],
    ['Hebrew, from the face that has most', 'עפיפון', ['DejaVuSans-Bold']],
    ['what no face has is a box', '風', ['']],
  ])('%s', (_, text, files) => {
    const runs = splitIntoRuns(text, 'figures', 600);
    for (const run of runs) expect(files.some((file) => run.face.name.includes(file))).toBe(true);
    expect(runs.map((r) => r.text).join('').length).toBe(text.length);
  });
  test('what nobody sees is left out, and nothing of it stops the page', async () => {
    const unseen = 'ki\u200bte\u0000 \ud800day\u202e';
    expect(splitIntoRuns(unseen, 'text', 400).map((r) => r.text)).toEqual(['kite day']);
    const words = [unseen, '\u200b', '', 'змей 風 עפיפון ½', '\u{1f600}'];
    const pdf = await renderPdf([{ title: '', width: 200, height: 200, marks: words.map(word) }], unseen, new Date(0));
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  });
});

describe('packed fonts are unpacked once', () => {
  const file = createRequire(import.meta.url).resolve(
    '@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-600-normal.woff',
  );
  test('and say the same of every letter', () => {
    const packed = readFileSync(file);
    const [before, after] = [fontkit.create(packed), fontkit.create(unpackWoff(packed))] as [
      fontkit.Font,
      fontkit.Font,
    ];
    expect(after.numGlyphs).toBe(before.numGlyphs);
    expect(after.characterSet).toEqual(before.characterSet);
    for (const letter of 'Kite day 3⁄8 ×') {
      const glyphs = [before, after].map((font) => font.glyphForCodePoint(letter.codePointAt(0)!));
      const [one, other] = glyphs.map((glyph) => ({ width: glyph.advanceWidth, path: glyph.path.toSVG() }));
      expect(other).toEqual(one);
    }
  });
  test('what is none is refused', () => {
    expect(() => unpackWoff(Buffer.from('OTTO and nothing else, of some length at that'))).toThrow('no packed font');
  });
});
