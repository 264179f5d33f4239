import { describe, expect, test } from '@jest/globals';
import { at, banners, base, layer, page as pageOf, photo, wishFor } from '../../testing/pages.ts';
import { formatExactLength } from '../length/index.ts';
import { FALLBACK_NAMES, derivePage, beginFromPattern, newItem, pageSchema, type Ground, type Page } from './index.ts';

const square = (side: string): Ground => ({ unit: 'in', width: side, height: side, seam: null });
const begun = (pattern: Page, ground: Ground) => beginFromPattern(pattern, 'Another day', ground, FALLBACK_NAMES);
const part = (page: Page, id: string) => {
  const found = derivePage(page).parts.find((p) => p.id === id)!;
  return [found.width, found.height].map((t) => formatExactLength(t, 'in')).join(' x ');
};
const told = ({ misfits }: ReturnType<typeof begun>) =>
  misfits.map((m) =>
    'part' in m
      ? `${m.item}, ${m.part}: ${m.edges.join(' and ')} by ${formatExactLength(m.by, 'in')}`
      : `${m.item}: ${m.problem.problem.code}`,
  );

const pattern: Page = {
  ...pageOf(
    base([layer('sky', { reveal: { style: 'two' }, width: '11', height: '10' })], {
      wishes: { base: wishFor('slate', { from: { stock: 's', x: 0, y: 0 } }) },
    }),
    photo('p', ['4', '6'], [layer('m', '1/4')], { at: at('left', '1', 'top', '1') }),
    photo('q', ['2', '2'], [], { at: at('right', '1', 'bottom', '1') }),
  ),
  pattern: true,
  copies: 3,
  spares: ['p/m'],
  first: ['p/m'],
};

describe('a page begun from another', () => {
  test('of the same size is the same, but for what was asked of that one', () => {
    const { page } = begun(pattern, square('12'));
    expect(derivePage(page).parts.map((p) => [p.id, p.x, p.y, p.width])).toEqual(
      derivePage(pattern).parts.map((p) => [p.id, p.x, p.y, p.width]),
    );
    expect([page.name, page.copies, page.spares, page.first, page.pattern]).toEqual([
      'Another day',
      1,
      [],
      [],
      undefined,
    ]);
    expect(page.items[0]!.wishes.base).toEqual({ papers: ['slate'], side: 'A', direction: 'any' });
    expect(pageSchema.safeParse(page).error).toBeUndefined();
    expect(told(begun(pattern, square('12')))).toEqual([]);
  });
  test('what lies beneath goes along by its reveals, the rest keeps its size and its edges', () => {
    const made = begun(pattern, square('10'));
    expect(part(made.page, 'base/base')).toBe('10 x 10');
    expect(part(made.page, 'base/sky')).toBe('9 x 8');
    expect(part(made.page, 'p/m')).toBe('4 1/2 x 6 1/2');
    expect(told(made)).toEqual([]);
  });
  test('what does not fit is told', () => {
    const made = begun(pattern, { ...square('6'), width: '6' });
    expect(told(made)).toEqual(['p, p mat 1: bottom by 1 1/2', 'p, p print 1: bottom by 1 1/4']);
    const tails = { ...pageOf(banners('tails', { spread: 'room', count: 5, strip: { width: '2', length: '3' } })) };
    expect(told(begun(tails, square('8')))).toEqual(['tails: own']);
  });
  test('what hung over an edge before does so on purpose', () => {
    const over = pageOf(photo('p', ['4', '6'], [], { at: at('left', '-1', 'bottom', '1') }));
    expect(told(begun(over, square('9')))).toEqual([]);
    expect(told(begun(over, square('6')))).toEqual(['p, p print 1: top by 1']);
  });
  test('in the other unit it means the same', () => {
    const { page } = begun(pattern, { unit: 'mm', width: '305', height: '305', seam: null });
    expect(page.unit).toBe('mm');
    expect(part(page, 'p/print')).toBe('4 x 6');
    expect(part(page, 'base/sky')).toBe(
      `${formatExactLength(derivePage(page).parts.find((p) => p.id === 'base/sky')!.width, 'in')} x ${formatExactLength(derivePage(page).parts.find((p) => p.id === 'base/sky')!.height, 'in')}`,
    );
    expect(derivePage(page).problems).toEqual([]);
  });
  test('from two facing pages one is made, and the other way round', () => {
    const spread: Page = {
      ...pageOf({
        ...newItem({ id: 'b', name: 'b', recipe: 'base-panels', input: { panels: [] } }),
        on: { page: 'right' },
      }),
      ground: { width: '12', height: '12', seam: '0' },
    };
    const single = begun(spread, square('8')).page;
    expect(single.items[0]!.on).toBe('page');
    expect(single.ground).toEqual({ width: '8', height: '8' });
    expect(begun(pattern, { ...square('12'), seam: '1/2' }).page.ground.seam).toBe('1/2');
  });
});
