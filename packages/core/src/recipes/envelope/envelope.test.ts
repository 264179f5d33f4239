import { describe, expect, test } from '@jest/globals';
import Clipper from 'clipper-lib';
import { PAGE, fact, inInches, solved } from '../../../testing/solving.ts';
import { inches, lengthOf } from '../../length/index.ts';
import { flattenContour } from '../../geometry/index.ts';
import { envelope, type EnvelopeInput } from './envelope.ts';

const base: EnvelopeInput = {
  card: { width: '5 1/2', height: '4 1/4' },
  play: '1/8',
  envelope: {},
  flaps: { closes: 'slanted' },
};
const solve = (change: Partial<EnvelopeInput> = {}) => envelope.solve({ ...base, ...change }, PAGE);
type Path = { X: number; Y: number }[];
const pathOf = (corners: readonly (readonly [number, number])[]): Path =>
  corners.map(([x, y]) => ({ X: Math.round(x), Y: Math.round(y) }));
const areas = (paths: readonly Path[]) => paths.reduce((sum, p) => sum + Math.abs(Clipper.Clipper.Area(p)), 0);

test('card + play on both sides; cut with its flaps', () => {
  const result = solve();
  expect([inInches(result, 'envelope', 'width'), inInches(result, 'envelope', 'height')]).toEqual([5.75, 4.5]);
  // bottom two thirds, top half, sides 3/4
  expect(['side', 'bottom', 'top'].map((flap) => inInches(result, 'flaps', flap))).toEqual([0.75, 3, 2.25]);
  expect(fact(result, 'cut')).toEqual([lengthOf('7 1/4'), lengthOf('9 3/4')]);
  expect(fact(result, 'overlap')).toEqual([lengthOf('3/4')]);
});

test('the other way round', () =>
  expect(inInches(solve({ card: {}, envelope: { width: '6', height: '5' } }), 'card', 'width')).toBe(5.75));

describe('the template', () => {
  test('is folded along the edges of the closed envelope', () => {
    const { blanks } = solved(solve()).laid;
    const folds = blanks[0]!.finish.flatMap((f) => (f.do === 'fold' ? [f] : []));
    expect(folds.map((f) => [f.from.x, f.from.y, f.to.x, f.to.y].map((t) => t / inches(1)))).toEqual([
      [0.75, 3, 0.75, 7.5],
      [6.5, 3, 6.5, 7.5],
      [0.75, 3, 6.5, 3],
      [0.75, 7.5, 6.5, 7.5],
    ]);
  });
  test.each(['slanted', 'pointed'] as const)(
    '%s: folded up it is all there, and covers the front of the body',
    (closes) => {
      const { layers, blanks } = solved(solve({ flaps: { closes } })).laid;
      const body = layers[0]!.box;
      const flaps = layers.slice(1).map((l) => pathOf(flattenContour(l.shape!.outline, 1)));
      const cut = areas([pathOf(flattenContour(blanks[0]!.shape!.outline, 1))]);
      expect(Math.abs(cut - body.width * body.height - areas(flaps)) / cut).toBeLessThan(1e-4);
      const clip = new Clipper.Clipper();
      clip.AddPaths(flaps, Clipper.PolyType.ptSubject, true);
      const found: Path[] = [];
      clip.Execute(Clipper.ClipType.ctUnion, found, Clipper.PolyFillType.pftNonZero, Clipper.PolyFillType.pftNonZero);
      expect(areas(found) / (body.width * body.height)).toBeGreaterThan(0.98);
      // none reaches past the body
      for (const p of flaps.flat()) {
        expect(p.X >= -1 && p.X <= body.width + 1).toBe(true);
        expect(p.Y >= -1 && p.Y <= body.height + 1).toBe(true);
      }
    },
  );
});

test('a pointed flap that leaves it open beside it is told', () => {
  const result = solve({ flaps: { closes: 'pointed', bottom: '2', top: '3' } });
  // 5 3/4 / 2 × (4 1/2 − 2) / 3 − 3/4
  const open = ((5.75 / 2) * 2.5) / 3 - 0.75;
  expect(solved(result).suggestions).toMatchObject([{ why: 'stays-open', lengths: [Math.round(open * inches(1))] }]);
});

test.each<[string, EnvelopeInput['flaps'], object]>([
  [
    'flaps that do not meet',
    { closes: 'slanted', bottom: '2', top: '2' },
    { problems: [{ why: 'does-not-close' }], offers: [{ path: ['flaps', 'top'], length: inches(3) }] },
  ],
  [
    'a flap past the other edge',
    { closes: 'slanted', top: '6' },
    { problems: [{ why: 'flap-too-long' }], offers: [{ length: lengthOf('4 1/2') }] },
  ],
  ['side flaps that meet', { closes: 'slanted', side: '3' }, { problems: [{ why: 'sides-meet' }] }],
])('refused: %s', (_, flaps, expected) => expect(solve({ flaps })).toMatchObject({ status: 'refused', ...expected }));
