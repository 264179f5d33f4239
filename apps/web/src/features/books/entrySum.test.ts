import { expect, test } from '@jest/globals';
import type { RecordedCut } from '@temnex/contract';
import { sumEntry } from './entrySum.ts';

const item = (stock: string) => ({
  stock,
  paper: 'Gust',
  kind: 'scrap',
  unit: 'in',
  width: '2',
  height: '3',
  came: null,
  from: [],
});
const cut = (
  used: readonly [string, number][],
  kept: readonly string[],
  pieces: number,
  undoneAt: string | null = null,
) =>
  ({
    id: 'c',
    cutAt: '2026-06-01T10:00:00Z',
    undoneAt,
    pieces: Array.from({ length: pieces }, () => ({})),
    used: used.map(([id, count]) => ({ ...item(id), count })),
    kept: kept.map((id) => ({ ...item(id), there: 1 })),
  }) as unknown as RecordedCut;

test.each([
  ['one order', [cut([['sheet', 2]], ['a', 'b'], 5)], { pieces: 5, used: 2, kept: 2 }],
  [
    'what was in hand at a wrong cut was never put away',
    [
      cut([['sheet', 1]], ['half', 'good'], 3),
      cut(
        [
          ['half', 1],
          ['other', 1],
        ],
        ['rest'],
        2,
      ),
    ],
    { pieces: 5, used: 2, kept: 2 },
  ],
  [
    'through three orders',
    [cut([['sheet', 1]], ['one'], 1), cut([['one', 1]], ['two'], 1), cut([['two', 1]], ['three'], 1)],
    { pieces: 3, used: 1, kept: 1 },
  ],
  [
    'a cut that was taken back counts for nothing',
    [cut([['sheet', 1]], ['half'], 3), cut([['half', 1]], ['rest'], 2, '2026-06-01T11:00:00Z')],
    { pieces: 3, used: 1, kept: 1 },
  ],
  ['nothing', [], { pieces: 0, used: 0, kept: 0 }],
] as const)('%s', (_, cuts, sum) => expect(sumEntry(cuts)).toEqual(sum));
