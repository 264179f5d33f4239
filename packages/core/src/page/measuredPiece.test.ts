import { describe, expect, test } from '@jest/globals';
import { base, layer, page as pageOf, photo } from '../../testing/pages.ts';
import { cutCountOf, assessCutPieces } from '../cutting/index.ts';
import { applyMeasuredPiece } from './measuredPiece.ts';
import { derivePage, type Page } from './index.ts';
import { FALLBACK_NAMES } from './pieces.ts';

/** A print of 4 × 6 with two mats, each 1/8 round what lies on it. */
const matted = (): Page => pageOf(base([]), photo('p', ['4', '6'], [layer('a', '1/8'), layer('b', '1/8')]));
const sizes = (page: Page) => Object.fromEntries(derivePage(page).pieces.map((p) => [p.id, [p.width / 24384, p.height / 24384]])); // prettier-ignore

describe('a piece that came out as something else', () => {
  test('what is counted from it follows, what is not stays', () => {
    const page = matted();
    expect(sizes(page)['p/b']).toEqual([4.5, 6.5]);
    const made = applyMeasuredPiece(page, derivePage(page), FALLBACK_NAMES, 'p/a', {
      width: '4 3/16',
      height: '6 1/4',
    })!;
    const after = sizes(made.page);
    expect(after['p/a']).toEqual([4.1875, 6.25]);
    // the mat under it keeps its reveal round what it measures
    expect(after['p/b']).toEqual([4.4375, 6.5]);
    expect(after['base/base']).toEqual(sizes(page)['base/base']);
  });
  test('cut already, it is right for the page that follows', () => {
    const page = matted();
    const cut = [{ piece: 'p/a', unit: 'in' as const, width: '4 1/4', height: '6 1/4', paper: 'gust', side: 'A' as const, cameOutAs: { width: '4 3/16', height: '6 1/4' } }]; // prettier-ignore
    const state = (of: Page) => assessCutPieces(derivePage(of).pieces, cut, (p) => p.quantity).pieces.get('p/a');
    expect(state(page)).toMatchObject({ right: 1 });
    const made = applyMeasuredPiece(page, derivePage(page), FALLBACK_NAMES, 'p/a', {
      width: '4 3/16',
      height: '6 1/4',
    })!;
    expect(state(made.page)).toMatchObject({ right: 1, trim: [] });
    expect(
      cutCountOf(
        assessCutPieces(derivePage(made.page).pieces, cut, (p) => p.quantity),
        'p/a',
      ),
    ).toBe(1);
  });
  test('the same size changes nothing; a piece that nothing gives a size of its own, or that is not there, cannot be followed', () => {
    const page = matted();
    const of = (piece: string, width: string) => applyMeasuredPiece(page, derivePage(page), FALLBACK_NAMES, piece, { width, height: '6 1/4' }); // prettier-ignore
    expect(of('p/a', '4 1/4')).toBeNull();
    expect(of('gone', '4')).toBeNull();
    // less than the print that lies on it
    expect(of('p/a', '3')).toBeNull();
  });
});
