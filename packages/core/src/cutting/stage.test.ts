import { describe, expect, test } from '@jest/globals';
import { inches } from '../length/index.ts';
import {
  buildBasis,
  assessCutPieces,
  isSameBasis,
  stageOf as stageFrom,
  wantedCountOf,
  type Basis,
  type CutPiece,
  type PageFacts,
} from './index.ts';

const basis = (pageVersion: number): Basis => ({ pageVersion, papers: { gust: 1 }, habits: 1, cuts: [] });
const mat: PageFacts['pieces'][number] = {
  id: 'p/m',
  width: inches(4),
  height: inches(6),
  quantity: 1,
  wish: { papers: ['gust'], side: 'any', direction: 'any' },
};
const one: CutPiece = { piece: 'p/m', unit: 'in', width: '4', height: '6', paper: 'gust', side: 'A' };
const facts: PageFacts = { refused: false, pieces: [mat], copies: 1, spares: [] };

const stageOf = (of: PageFacts, cut: readonly CutPiece[], planned: Basis | null, now: Basis) =>
  stageFrom(
    of,
    assessCutPieces(of.pieces, cut, (p) => wantedCountOf(p, of)),
    planned === null ? 'none' : isSameBasis(planned, now) ? 'current' : 'old',
  );

describe('how far a page has come', () => {
  test('from sizes to papers to an order, which is out of date when what it was made from is', () => {
    expect(stageOf({ ...facts, refused: true }, [], null, basis(1))).toBe('sizing');
    expect(stageOf({ ...facts, pieces: [{ ...mat, wish: null }] }, [], null, basis(1))).toBe('sizing');
    expect(stageOf(facts, [], null, basis(1))).toBe('papers');
    expect(stageOf(facts, [], basis(1), basis(1))).toBe('planned');
    expect(stageOf(facts, [], basis(1), basis(2))).toBe('out-of-date');
  });
  test('cut is all that is wanted: every copy, and the spare', () => {
    expect(stageOf(facts, [one], basis(1), basis(2))).toBe('cut');
    expect(stageOf({ ...facts, copies: 2 }, [one], basis(1), basis(2))).toBe('partly-cut');
    expect(stageOf({ ...facts, spares: ['p/m'] }, [one], basis(1), basis(2))).toBe('partly-cut');
    expect(stageOf({ ...facts, spares: ['p/m'] }, [one, one], basis(1), basis(2))).toBe('cut');
  });
  test('what no longer serves is not cut', () => {
    const larger = { ...facts, pieces: [{ ...mat, width: inches(5) }] };
    expect(stageOf(larger, [one], basis(1), basis(2))).toBe('out-of-date');
  });
  test('what is refused is sizing whatever was planned, and nothing at all is not cut', () => {
    expect(stageOf({ ...facts, refused: true }, [one], basis(1), basis(1))).toBe('sizing');
    expect(stageOf({ ...facts, pieces: [] }, [], null, basis(1))).toBe('sizing');
    const bare = { ...mat, id: 'p/n', wish: null };
    expect(stageOf({ ...facts, pieces: [mat, bare] }, [one], null, basis(1))).toBe('sizing');
    // what is cut needs no paper any more
    expect(stageOf({ ...facts, pieces: [{ ...mat, wish: null }] }, [one], null, basis(1))).toBe('cut');
  });
  test('of several pieces some cut', () => {
    const pieces = [mat, { ...mat, id: 'p/n' }];
    expect(stageOf({ ...facts, pieces }, [one], null, basis(1))).toBe('partly-cut');
    expect(stageOf({ ...facts, pieces }, [one], basis(1), basis(1))).toBe('planned');
    expect(stageOf({ ...facts, pieces }, [], null, basis(1))).toBe('papers');
  });
});

describe('what an order was made from', () => {
  const papers = ['gust', 'sand', 'foam'].map((id, i) => ({ id, revision: i + 3 }));
  const wish = (...of: string[]) => ({ wish: { papers: of, side: 'any' as const, direction: 'any' as const } });
  test('is the page, the papers that it wishes for, the habits and the cuts, in any order', () => {
    expect(buildBasis(7, [wish('gust'), { wish: null }, wish('foam', 'gust')], papers, 2, ['b', 'a'])).toEqual({
      pageVersion: 7,
      papers: { gust: 3, foam: 5 },
      habits: 2,
      cuts: ['a', 'b'],
    });
  });
  test('any of it makes another', () => {
    const of: Basis = { pageVersion: 1, papers: { gust: 1, foam: 2 }, habits: 1, cuts: ['a', 'b'] };
    expect(isSameBasis(of, { ...of, papers: { foam: 2, gust: 1 }, cuts: [...of.cuts] })).toBe(true);
    const others: Partial<Basis>[] = [
      { pageVersion: 2 },
      { habits: 2 },
      { cuts: ['a'] },
      { cuts: ['a', 'c'] },
      { papers: { gust: 1 } },
      { papers: { gust: 1, foam: 3 } },
      { papers: { gust: 1, foam: 2, sand: 1 } },
      { papers: { gust: 1, sand: 2 } },
    ];
    for (const other of others) {
      expect([other, isSameBasis(of, { ...of, ...other })]).toEqual([other, false]);
      expect([other, isSameBasis({ ...of, ...other }, of)]).toEqual([other, false]);
    }
  });
});
