import { describe } from '@jest/globals';
import { givesAll, type Given } from '../../../testing/goldens.ts';

/* All that it gives, line by line; each was read and worked out by hand once. */

const GIVEN: readonly Given[] = [
  [
    'ragged, with mixed ends',
    'page',
    {
      strip: { width: '1', length: '4' },
      count: 4,
      spread: 'row',
      row: { gap: '1/4' },
      end: { shape: 'mixed', depth: '1/2', longer: 'left' },
      ragged: { shortest: '3' },
    },
    `
  size 4 3/4 x 4
  layer strip-1, strip 1: 1 x 3 1/2 at 0, 1/2 shaped 0, 1/2 / 1/2, 1 / 1, 1/2 / 1, 4 / 0, 4 / 0, 1/2, of strip-1, said at strip by strip.width and strip.length
  layer strip-2, strip 2: 1 x 3 1/8 at 1 1/4, 7/8 shaped 1 1/4, 1 3/8 / 1 3/4, 7/8 / 2 1/4, 1 3/8 / 2 1/4, 4 / 1 1/4, 4 / 1 1/4, 1 3/8, of strip-2, said at strip by strip.width and strip.length
  layer strip-3, strip 3: 1 x 3 3/4 at 2 1/2, 1/4 shaped 2 1/2, 1/4 / 3 1/2, 3/4 / 3 1/2, 4 / 2 1/2, 4 / 2 1/2, 1/4, of strip-3, said at strip by strip.width and strip.length
  layer strip-4, strip 4: 1 x 3 3/8 at 3 3/4, 5/8 shaped 3 3/4, 5/8 / 4 1/4, 1 1/8 / 4 3/4, 5/8 / 4 3/4, 4 / 3 3/4, 4 / 3 3/4, 5/8, of strip-4, said at strip by strip.width and strip.length
  cut 1 of strip-1, strip 1: 1 x 3 1/2 shaped 0, 0 / 1/2, 1/2 / 1, 0 / 1, 3 1/2 / 0, 3 1/2 / 0, 0, marks [{"kind":"pencil","from":{"x":"1/2","y":"0"},"to":{"x":"1/2","y":"3 1/2"}}], then [{"do":"notch","edge":"bottom","depth":"1/2","at":"1/2"}]
  cut 1 of strip-2, strip 2: 1 x 3 1/8 shaped 0, 1/2 / 1/2, 0 / 1, 1/2 / 1, 3 1/8 / 0, 3 1/8 / 0, 1/2, marks [{"kind":"pencil","from":{"x":"1/2","y":"0"},"to":{"x":"1/2","y":"3 1/8"}}], then [{"do":"point","edge":"bottom","depth":"1/2","at":"1/2"}]
  cut 1 of strip-3, strip 3: 1 x 3 3/4 shaped 0, 0 / 1, 1/2 / 1, 3 3/4 / 0, 3 3/4 / 0, 0, then [{"do":"slant","edge":"bottom","depth":"1/2","shorter":"right"}]
  cut 1 of strip-4, strip 4: 1 x 3 3/8 shaped 0, 0 / 1/2, 1/2 / 1, 0 / 1, 3 3/8 / 0, 3 3/8 / 0, 0, marks [{"kind":"pencil","from":{"x":"1/2","y":"0"},"to":{"x":"1/2","y":"3 3/8"}}], then [{"do":"notch","edge":"bottom","depth":"1/2","at":"1/2"}]
  typed strip.width along the top from 0, 4 to 1, 4
  typed strip.length along the left from 0, 0 to 0, 4
  typed row.gap with a leader from 1 1/8, 3
  typed end.depth with a leader from 4 1/4, 7/8
  typed row.across along the bottom from 0, 0 to 4 3/4, 0
  fact centre-mark: 1/2
  fact lengths: 3 1/2, 3 1/8, 3 3/4, 3 3/8
  room.width = 12
  strip.width = 1
  row.gap = 1/4
  strip.length = 4
  end.depth = 1/2
  ragged.shortest = 3
  row.across = 4 3/4
  count = 4
  sum of row.across: 4 × strip.width 1 + 3 × row.gap 1/4`,
  ],
  [
    'on a slanted line',
    'page',
    {
      strip: { width: '3', length: '4' },
      count: 1,
      spread: 'row',
      row: {},
      end: { shape: 'straight', longer: 'left' },
      hang: { line: 'slant', drop: '1.8' },
    },
    `
  size 4 19507/24384 x 5
  layer strip-1, strip 1: 4 19507/24384 x 5 at 0, 0 shaped 0, 1 19507/24384 / 2 3251/8128, 0 / 4 19507/24384, 3 4877/24384 / 2 3251/8128, 5 / 0, 1 19507/24384, of strip, said at strip by strip.width and strip.length
  cut 1 of strip, strip 1: 3 x 4
  typed strip.width with a leader from 3 7315/12192, 3 17069/24384
  typed strip.length with a leader from 3 7315/12192, 1 17069/24384
  typed hang.drop with a leader from 3 7315/12192, 3 7315/24384
  typed row.across along the bottom from 0, 0 to 4 19507/24384, 0
  fact hung: 3 7315/12192, 10973/12192, 123/8128
  room.width = 12
  strip.width = 3
  strip.length = 4
  hang.drop = 1 19507/24384
  row.across = 3
  count = 1
  sum of row.across: 1 × strip.width 3`,
  ],
  [
    'on a curve, with the drop that is usual',
    'page',
    {
      strip: { width: '2', length: '3' },
      count: 2,
      spread: 'row',
      row: { gap: '1' },
      end: { shape: 'notch', longer: 'left' },
      hang: { line: 'curve' },
    },
    `
  size 6 2045/3048 x 3 2827/6096
  layer strip-1, strip 1: 2 19805/24384 x 3 2827/6096 at 0, 0 shaped 0, 230/381 / 1 49/192, 1 49/192 / 1 3685/4064, 0 / 2 19805/24384, 2 6991/8128 / 115/127, 3 2827/6096 / 0, 230/381, of strip, said at strip by strip.width and strip.length
  layer strip-2, strip 2: 2 19805/24384 x 3 2827/6096 at 3 20939/24384, 0 shaped 4 18635/24384, 0 / 5 5069/12192, 1 49/192 / 6 2045/3048, 230/381 / 5 18665/24384, 3 2827/6096 / 3 20939/24384, 2 6991/8128 / 4 18635/24384, 0, of strip, said at strip by strip.width and strip.length
  cut 2 of strip, strip 1: 2 x 3 shaped 0, 0 / 1, 1 / 2, 0 / 2, 3 / 0, 3 / 0, 0, marks [{"kind":"pencil","from":{"x":"1","y":"0"},"to":{"x":"1","y":"3"}}], then [{"do":"notch","edge":"bottom","depth":"1","at":"1"}]
  typed strip.width with a leader from 1 6981/8128, 2 21017/24384
  typed strip.length with a leader from 1 6981/8128, 1 8825/24384
  typed row.gap with a leader from 3 2045/6096, 2 2129/8128
  typed hang.drop with a leader from 4 9901/12192, 2 6851/12192
  typed row.across along the bottom from 0, 0 to 6 2045/3048, 0
  fact centre-mark: 1
  fact centre-line: 2
  fact hung: 1 6981/8128, 2453/8128, 11/1524
  fact hung: 4 9901/12192, 2453/8128, -11/1524
  room.width = 12
  strip.width = 2
  row.gap = 1
  strip.length = 3
  row.across = 5
  end.depth = 1
  hang.drop = 5/8
  count = 2
  sum of row.across: 2 × strip.width 2 + 1 × row.gap 1
  sum of end.depth: 1 × strip.width 2 over 2
  sum of hang.drop: 1 × row.across 5 over 8`,
  ],
  [
    'a line that drops more than it is long',
    'page',
    {
      strip: { width: '2', length: '3' },
      count: 1,
      spread: 'row',
      row: {},
      end: { shape: 'straight', longer: 'left' },
      hang: { line: 'slant', drop: '3' },
    },
    `
  refused
  problem {"code":"own","why":"drop-too-deep","path":["hang","drop"],"lengths":["3","2"]}
  offer hang.drop = 1 15/16`,
  ],
  [
    'a curve deeper than half a circle',
    'page',
    {
      strip: { width: '2', length: '3' },
      count: 1,
      spread: 'row',
      row: {},
      end: { shape: 'straight', longer: 'left' },
      hang: { line: 'curve', drop: '1' },
    },
    `
  refused
  problem {"code":"own","why":"drop-too-deep","path":["hang","drop"],"lengths":["1","2"]}
  offer hang.drop = 5/8`,
  ],
  [
    'the shortest longer than the others',
    'page',
    {
      strip: { width: '1', length: '3' },
      count: 2,
      spread: 'row',
      row: { gap: '0' },
      end: { shape: 'straight', longer: 'left' },
      ragged: { shortest: '4' },
    },
    `
  refused
  problem {"code":"own","why":"shortest-too-long","path":["ragged","shortest"],"lengths":["4","0","3"]}
  offer ragged.shortest = 2 15/16`,
  ],
];

describe('banner-strip', () => givesAll('banner-strip', GIVEN));
