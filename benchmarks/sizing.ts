import { MARKS, derivePage, emptyPage, matStack, sayMats, whatMoved, type Page } from '@temnex/core';
import { median } from './machine.ts';

/** What happens on each key while sizing: must be far below a frame (16.7 ms). */
export function* sizing(): Generator<string> {
  const time = (times: number, work: () => void): number => {
    const runs = Array.from({ length: 20 }, () => {
      const start = performance.now();
      for (let i = 0; i < times; i++) work();
      return (performance.now() - start) / times;
    });
    return median(runs);
  };
  const said = sayMats('mat 1/8 1/16 3/8 1/4 1/8 around 3 7/8 x 5 5/8', 'in');
  if (!said.ok) throw new Error('the phrase must read');
  const table = { unit: 'in', mark: MARKS['1/16'] } as const;
  yield `five mats solved: ${time(200, () => void matStack.solve(said.input, table)).toFixed(3)} ms (median of 20)`;
  const photo = (i: number) => ({
    id: `p${i}`,
    name: `photo ${i}`,
    print: { width: '4', height: '6', known: 'measured' as const },
    mats: [0, 1, 2].map((m) => ({ id: `m${i}-${m}`, name: 'mat', reveal: ['1/8'] as [string], paper: null })),
    at: { across: { from: 'left' as const, by: '1' }, upDown: { from: 'top' as const, by: '1' } },
  });
  const page: Page = {
    ...emptyPage('bench'),
    panels: [1, 2, 3].map((i) => ({ id: `n${i}`, name: 'panel', reveal: ['1/4'] as [string], paper: null })),
    photos: Array.from({ length: 20 }, (_, i) => photo(i)),
  };
  const before = derivePage(page);
  yield `a page of ${before.parts.length} parts derived and compared: ${time(10, () => void whatMoved(before, derivePage(page))).toFixed(3)} ms (median of 20)`;
}
