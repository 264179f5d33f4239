import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { areaOf } from '../lattice/index.ts';
import { TICKS_PER_UNIT } from '../length/index.ts';
import { MAX_SVG_BYTES, readSvgOutline, type ReadSvg } from './svgOutline.ts';

const IN = TICKS_PER_UNIT.in;
const MM = TICKS_PER_UNIT.mm;
const svg = (inside: string, head = 'width="100mm" height="100mm" viewBox="0 0 100 100"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inside}</svg>`;
function read(file: string): Extract<ReadSvg, { ok: true }> {
  const found = readSvgOutline(file);
  if (!found.ok) throw new Error(JSON.stringify(found));
  return found;
}
const sizeOf = (file: string) => {
  const { outline } = read(file).read;
  return [Math.max(...outline.map(([x]) => x)), Math.max(...outline.map(([, y]) => y))];
};
const inMm = (file: string) => sizeOf(file).map((t) => Math.round((100 * t) / MM) / 100);

describe('what is read', () => {
  test.each<[string, string, [number, number]]>([
    ['a path', '<path d="M10 10h30v20H10z"/>', [30, 20]],
    ['one that is not closed', '<path d="M10 10L40 10L40 30L10 30"/>', [30, 20]],
    ['relative, short commands', '<path d="m10,10 30,0 0,20 -30,0"/>', [30, 20]],
    ['a rectangle', '<rect x="5" y="6" width="30" height="20"/>', [30, 20]],
    ['with round corners', '<rect x="5" y="6" width="30" height="20" rx="4"/>', [30, 20]],
    ['a circle', '<circle cx="50" cy="50" r="20"/>', [40, 40]],
    ['an ellipse', '<ellipse cx="50" cy="50" rx="20" ry="10"/>', [40, 20]],
    ['a polygon', '<polygon points="0,0 30,0 15,20"/>', [30, 20]],
    ['arcs', '<path d="M10 50a20 20 0 1 1 40 0a20 20 0 1 1-40 0z"/>', [40, 40]],
    ['curves', '<path d="M0 0C0 40 40 40 40 0z"/>', [40, 30]],
    ['smooth ones', '<path d="M0 0Q10 20 20 0T40 0V-30H0z"/>', [40, 50 - 10]],
    ['moved', '<g transform="translate(7 9)"><rect width="30" height="20"/></g>', [30, 20]],
    ['scaled', '<g transform="scale(2)"><rect width="15" height="10"/></g>', [30, 20]],
    ['turned', '<rect width="30" height="20" transform="rotate(90 10 10)"/>', [20, 30]],
    ['by a matrix', '<rect width="30" height="20" transform="matrix(0 1 -1 0 50 0)"/>', [20, 30]],
    [
      'one in another',
      '<g transform="scale(2)"><g transform="scale(.5 1)"><rect width="30" height="10"/></g></g>',
      [30, 20],
    ],
    ['used', '<defs><rect id="r" width="30" height="20"/></defs><use href="#r" x="5" y="5"/>', [30, 20]],
    [
      'a symbol',
      '<symbol id="s"><circle r="10"/></symbol><use xlink:href="#s" xmlns:xlink="http://www.w3.org/1999/xlink"/>',
      [20, 20],
    ],
  ])('%s', (_, inside, size) => {
    const found = inMm(svg(inside));
    expect(Math.abs(found[0]! - size[0])).toBeLessThan(0.06);
    expect(Math.abs(found[1]! - size[1])).toBeLessThan(0.06);
  });
  test('in its own units: a tenth of the width, inches, points, pixels', () => {
    const rect = '<rect width="10" height="10"/>';
    expect(sizeOf(svg(rect, 'width="4in" viewBox="0 0 20 20"'))[0]).toBe(2 * IN);
    expect(sizeOf(svg(rect, 'width="144pt" viewBox="0 0 20 20"'))[0]).toBe(IN);
    expect(sizeOf(svg('<rect width="96" height="48"/>', ''))).toEqual([IN, IN / 2]);
  });
  test('upright: what is at the top of the file is at the top', () => {
    const { outline } = read(svg('<polygon points="0,20 30,20 15,0"/>')).read;
    const top = outline.reduce((a, b) => (b[1] > a[1] ? b : a));
    expect(top[0]).toBe(Math.round(15 * MM));
  });
  test('holes are what is cut out; others beside it are named', () => {
    const found = read(
      svg('<path d="M0 0h50v50h-50zM10 10h10v10h-10z"/><circle cx="35" cy="35" r="5"/><circle cx="80" cy="80" r="5"/>'),
    );
    expect(found.read.holes).toHaveLength(2);
    expect(found.leftOut).toEqual([{ what: 'outline beside the largest', count: 1 }]);
    expect(areaOf(found.read.outline)).toBeCloseTo(2500 * MM * MM, -5);
  });
  test('what is not read is named, and what is hidden is not there', () => {
    const found = read(
      svg(
        '<rect width="30" height="20"/><text>a</text><text>b</text><image href="x.png"/><rect width="90" height="90" style="display:none"/>',
      ),
    );
    expect(found.leftOut).toEqual([
      { what: 'text', count: 2 },
      { what: 'image', count: 1 },
    ]);
    expect(found.read.outline).toHaveLength(4);
  });
  test('a broken path is read as far as it goes, and told', () => {
    const found = read(svg('<path d="M0 0h30v20h-30z"/><path d="M0 0 L 10 x"/>'));
    expect(found.leftOut).toEqual([{ what: 'broken path', count: 1 }]);
  });
  test('thinned where it has thousands of corners', () => {
    const points = Array.from({ length: 9000 }, (_, i) => {
      const angle = (2 * Math.PI * i) / 9000;
      return `${50 + 40 * Math.cos(angle)},${50 + 40 * Math.sin(angle)}`;
    });
    const { outline } = read(svg(`<polygon points="${points.join(' ')}"/>`)).read;
    expect(outline.length).toBeLessThanOrEqual(1500);
    expect(areaOf(outline) / (Math.PI * (40 * MM) ** 2)).toBeCloseTo(1, 2);
  });
});

describe('what is not', () => {
  const why = (file: string, now?: () => number) => {
    const found = readSvgOutline(file, now);
    return found.ok ? 'read' : found.why;
  };
  const uses = (n: number) =>
    `<g id="a0"><rect width="1" height="1"/></g>${Array.from({ length: n }, (_, i) => `<g id="a${i + 1}">${`<use href="#a${i}"/>`.repeat(10)}</g>`).join('')}`;
  test.each<[string, string, string]>([
    ['no XML', 'a kite <', 'not-xml'],
    ['nothing', '', 'not-xml'],
    ['another document', '<html><body/></html>', 'not-svg'],
    ['nothing closed', svg('<line x1="0" x2="5"/>'), 'no-outline'],
    ['no size', svg('<rect width="3" height="3"/>', 'width="0mm" viewBox="0 0 10 10"'), 'no-size'],
    ['too long', svg(' '.repeat(MAX_SVG_BYTES)), 'too-large'],
    ['uses upon uses', svg(uses(9)), 'too-much'],
    ['one that uses itself', svg('<g id="a"><use href="#a"/></g>'), 'too-much'],
    ['too deep', svg('<g>'.repeat(3000) + '</g>'.repeat(3000)), 'too-much'],
    ['numbers beyond all', svg('<path d="M0 0L1e999 0L0 1e999z"/>'), 'no-outline'],
  ])('%s', (_, file, problem) => expect(why(file)).toBe(problem));
  test('an entity bomb is no bomb', () => {
    const lol = Array.from({ length: 9 }, (_, i) => `<!ENTITY l${i + 1} "${`&l${i};`.repeat(10)}">`).join('');
    const bomb = `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY l0 "M0 0h9v9z">${lol}]><svg xmlns="http://www.w3.org/2000/svg"><path d="&l9;"/></svg>`;
    expect(why(bomb)).toBe('not-xml');
  });
  test('scripts and styles do nothing', () => {
    const found = read(
      svg('<script>while(true){}</script><style>@import url(http://127.0.0.1/x)</style><rect width="3" height="3"/>'),
    );
    expect(found.leftOut).toEqual([{ what: 'script', count: 1 }]);
  });
  test('it stops when the time is over', () => {
    let at = 0;
    const many = svg(`<path d="M0 0${'l1 1l1-1'.repeat(20_000)}z"/>`);
    expect(why(many, () => (at += 400))).toBe('too-much');
  });
  test('whatever is written, it answers', () => {
    const word = fc.constantFrom(
      '<svg>',
      '</svg>',
      '<path d="',
      'M0 0',
      'C1 1 2 2 3',
      'A1 1 0 0 1 5 5',
      '"/>',
      '<use href="#a" id="a"/>',
      'z',
      '&amp;',
      '<![CDATA[',
      ']]>',
      '<!--',
      '-->',
      '1e9',
      '-',
      ' ',
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 30 }), (words) => {
        expect(typeof readSvgOutline(words.join('')).ok).toBe('boolean');
        expect(typeof readSvgOutline(svg(words.join(''))).ok).toBe('boolean');
      }),
      { numRuns: 400, seed: 7 },
    );
  });
});
