import { describe, expect, test } from '@jest/globals';
import { inches } from '../length/index.ts';
import { stageOf, type Basis, type CutPiece, type PageFacts } from './index.ts';

const basis = (pageVersion: number): Basis => ({ pageVersion, papers: { gust: 1 }, habits: 1, cuts: [] });
const mat: PageFacts['pieces'][number] = {
  ...{ id: 'p/m', width: inches(4), height: inches(6), quantity: 1 },
  wish: { papers: ['gust'], side: 'any', direction: 'any' },
};
const one: CutPiece = { piece: 'p/m', unit: 'in', width: '4', height: '6', paper: 'gust', side: 'A' };
const facts: PageFacts = { refused: false, pieces: [mat], copies: 1, spares: [] };

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
});
