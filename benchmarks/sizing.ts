import { MARKS, inches } from '@temnex/core/length';
import { recipeOf, parseRecipeLine } from '@temnex/core/recipes';
import { derivePage, emptyPage, newItem, setItemField, listMoves, type Item, type Page } from '@temnex/core/page';
import { median } from './machine.ts';

const RUNS = 20;

/** Milliseconds for one piece of work: the median of 20 runs of `times` each. */
function time(times: number, work: (i: number) => void): string {
  work(0);
  const runs = Array.from({ length: RUNS }, () => {
    const start = performance.now();
    for (let i = 0; i < times; i++) work(i);
    return (performance.now() - start) / times;
  });
  return `${median(runs).toFixed(3)} ms (median of ${RUNS})`;
}

/** 40 items and 400 parts: a base with panels, photos with mats, rows of banners. */
function largePage(): Page {
  const base = newItem({
    id: 'base',
    name: 'base',
    recipe: 'base-panels',
    input: { panels: [1, 2, 3].map((i) => ({ id: `n${i}`, reveal: { style: 'even', all: '1/4' } })) },
  });
  const photo = (i: number): Item => ({
    ...newItem({
      id: `p${i}`,
      name: `photo ${i}`,
      recipe: 'mat-stack',
      input: {
        print: { width: '4', height: '6', known: 'measured' },
        mats: [1, 2, 3].map((m) => ({ id: `m${m}`, reveal: { style: 'even', all: '1/8' } })),
      },
    }),
    at: { across: { from: 'left', by: '1' }, upDown: { from: 'top', by: '1' } },
  });
  const row = (i: number): Item =>
    newItem({
      id: `b${i}`,
      name: `banners ${i}`,
      recipe: 'banner-strip',
      input: {
        strip: { width: '1/2', length: '2' },
        count: 15,
        spread: 'room',
        row: { gap: '1/8' },
        end: { shape: 'notch', longer: 'left' },
      },
    });
  const photos = Array.from({ length: 19 }, (_, i) => photo(i));
  const rows = Array.from({ length: 20 }, (_, i) => row(i));
  return { ...emptyPage('bench'), items: [base, ...photos, ...rows] };
}

/** What happens on each key while sizing: must be far below a frame (16.7 ms). */
export function* sizing(): Generator<string> {
  const table = {
    unit: 'in',
    mark: MARKS['1/16'],
    room: { width: inches(12), height: inches(12), seams: [] },
  } as const;
  const heard = parseRecipeLine('mat 1/8 1/16 3/8 1/4 1/8 around 3 7/8 x 5 5/8', table, () => 'm');
  if (!heard?.said.ok) throw new Error('the phrase must read');
  const { input } = heard.said;
  yield `five mats solved: ${time(200, () => void recipeOf('mat-stack').solve(input, table))}`;
  const page = largePage();
  const before = derivePage(page);
  const pieces = before.pieces.reduce((sum, p) => sum + p.quantity, 0);
  const what = `${page.items.length} items, ${before.parts.length} parts, ${pieces} pieces`;
  yield `a page of ${what}, worked out from nothing: ${time(5, () => void derivePage(page))}`;
  const typed = ['4', '4 1/2', '3 7/8', '5'];
  const key = (i: number) => {
    const next = setItemField(page, before, 'p3', ['print', 'width'], typed[i % typed.length]);
    return listMoves(before, derivePage(next, undefined, before));
  };
  yield `a keystroke in it, typed, worked out and compared: ${time(20, (i) => void key(i))}`;
  yield `the whole of it compared: ${time(20, () => void listMoves(before, before))}`;
}
