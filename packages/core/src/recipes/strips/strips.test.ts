import { describe } from '@jest/globals';
import { givesAll, type Given } from '../../../testing/goldens.ts';

/* All that it gives, line by line; each was read and worked out by hand once. */

const GIVEN: readonly Given[] = [
  [
    'five over the page, tucked at their lower end',
    'page',
    {
      run: 'upright',
      strip: { length: '8' },
      count: 5,
      spread: 'room',
      row: { gap: '1/4', margin: '1/2' },
      lengths: { as: 'even', flush: 'start' },
      tuck: { start: '1/2' },
    },
    `
  size 12 x 8
  layer strip-1, strip 1: 2 x 8 1/2 at 1/2, -1/2, of strip, said at strip by strip.width and strip.length
  layer strip-2, strip 2: 2 x 8 1/2 at 2 3/4, -1/2, of strip, said at strip by strip.width and strip.length
  layer strip-3, strip 3: 2 x 8 1/2 at 5, -1/2, of strip, said at strip by strip.width and strip.length
  layer strip-4, strip 4: 2 x 8 1/2 at 7 1/4, -1/2, of strip, said at strip by strip.width and strip.length
  layer strip-5, strip 5: 2 x 8 1/2 at 9 1/2, -1/2, of strip, said at strip by strip.width and strip.length
  cut 5 of strip, strip 1: 2 x 8 1/2
  typed strip.width along the top from 1/2, 8 to 2 1/2, 8
  typed strip.length along the left from 1/2, 0 to 1/2, 8
  typed row.gap with a leader from 2 5/8, 6
  typed row.margin with a leader from 11 3/4, 4
  typed row.across along the bottom from 1/2, 0 to 11 1/2, 0
  typed tuck.start with a leader from 1 1/2, -1/4
  fact cut-length: 8 1/2
  room.width = 12
  row.gap = 1/4
  row.margin = 1/2
  room.height = 12
  strip.length = 8
  tuck.start = 1/2
  row.across = 11
  strip.inset = 2
  strip.width = 2
  count = 5
  sum of row.across: 1 × room.width 12 + -2 × row.margin 1/2
  sum of strip.inset: 1 × room.height 12 + -1 × strip.length 8 over 2
  sum of strip.width: 1 × row.across 11 + -4 × row.gap 1/4 over 5`,
  ],
  [
    'level and graded, flush on the right',
    'page',
    {
      run: 'level',
      strip: { width: '1/2', length: '8' },
      count: 4,
      spread: 'row',
      row: { gap: '1/4' },
      lengths: { as: 'graded', shortest: '7', flush: 'end' },
      tuck: {},
    },
    `
  size 8 x 2 3/4
  layer strip-1, strip 1: 8 x 1/2 at 0, 0, of strip-1, said at strip by strip.length and strip.width
  layer strip-2, strip 2: 7 11/16 x 1/2 at 5/16, 3/4, of strip-2, said at strip by strip.length and strip.width
  layer strip-3, strip 3: 7 5/16 x 1/2 at 11/16, 1 1/2, of strip-3, said at strip by strip.length and strip.width
  layer strip-4, strip 4: 7 x 1/2 at 1, 2 1/4, of strip-4, said at strip by strip.length and strip.width
  cut 1 of strip-1, strip 1: 8 x 1/2
  cut 1 of strip-2, strip 2: 7 11/16 x 1/2
  cut 1 of strip-3, strip 3: 7 5/16 x 1/2
  cut 1 of strip-4, strip 4: 7 x 1/2
  typed strip.width along the right from 8, 0 to 8, 1/2
  typed strip.length along the bottom from 0, 0 to 8, 0
  typed row.gap with a leader from 6, 5/8
  typed lengths.shortest with a leader from 4 1/2, 2 1/2
  typed row.across along the left from 0, 0 to 0, 2 3/4
  fact lengths: 8, 7 11/16, 7 5/16, 7
  room.height = 12
  strip.width = 1/2
  row.gap = 1/4
  room.width = 12
  strip.length = 8
  lengths.shortest = 7
  row.across = 2 3/4
  strip.inset = 2
  lengths.step = 1/3
  count = 4
  sum of row.across: 4 × strip.width 1/2 + 3 × row.gap 1/4
  sum of strip.inset: 1 × room.width 12 + -1 × strip.length 8 over 2
  sum of lengths.step: 1 × strip.length 8 + -1 × lengths.shortest 7 over 3
  suggests 3 or 5 instead of 4`,
  ],
  [
    'as long as what the page leaves',
    'A4',
    {
      run: 'upright',
      strip: { width: '20', inset: '10' },
      spread: 'room',
      row: { gap: '5', margin: '10' },
      lengths: { as: 'even', flush: 'start' },
      tuck: {},
    },
    `
  size 210 x 277
  layer strip-1, strip 1: 20 x 277 at 20, 0, of strip, said at strip by strip.width and strip.length
  layer strip-2, strip 2: 20 x 277 at 45, 0, of strip, said at strip by strip.width and strip.length
  layer strip-3, strip 3: 20 x 277 at 70, 0, of strip, said at strip by strip.width and strip.length
  layer strip-4, strip 4: 20 x 277 at 95, 0, of strip, said at strip by strip.width and strip.length
  layer strip-5, strip 5: 20 x 277 at 120, 0, of strip, said at strip by strip.width and strip.length
  layer strip-6, strip 6: 20 x 277 at 145, 0, of strip, said at strip by strip.width and strip.length
  layer strip-7, strip 7: 20 x 277 at 170, 0, of strip, said at strip by strip.width and strip.length
  cut 7 of strip, strip 1: 20 x 277
  typed strip.width along the top from 20, 277 to 40, 277
  typed strip.length along the left from 20, 0 to 20, 277
  typed row.gap with a leader from 42.5, 207.75
  typed row.margin with a leader from 200, 138.5
  typed row.across along the bottom from 20, 0 to 190, 0
  room.width = 210
  strip.width = 20
  row.gap = 5
  room.height = 297
  strip.inset = 10
  row.across = 170
  row.margin = 20
  strip.length = 277
  count = 7
  sum of row.across: 7 × strip.width 20 + 6 × row.gap 5
  sum of row.margin: 1 × room.width 210 + -1 × row.across 170 over 2
  sum of strip.length: 1 × room.height 297 + -2 × strip.inset 10`,
  ],
  [
    'half an inch too much',
    'page',
    {
      run: 'upright',
      strip: { width: '2 1/2', inset: '0' },
      count: 5,
      spread: 'row',
      row: { gap: '0', across: '12' },
      lengths: { as: 'even', flush: 'start' },
      tuck: {},
    },
    `
  refused
  problem {"code":"own","why":"too-much","path":["row","across"],"lengths":["1/2"]}
  offer count = 4 of them
  offer strip.width = 2 3/8
  offer row.gap = -1/8`,
  ],
  [
    'steps that leave nothing of the last',
    'page',
    {
      run: 'upright',
      strip: { width: '1', length: '3' },
      count: 5,
      spread: 'row',
      row: { gap: '0' },
      lengths: { as: 'graded', step: '1', flush: 'middle' },
      tuck: {},
    },
    `
  refused
  problem {"code":"size-not-positive","path":["lengths","shortest"],"size":"-1"}`,
  ],
  [
    'not one fits',
    'tag',
    {
      run: 'upright',
      strip: { width: '3', length: '3' },
      spread: 'room',
      row: { gap: '0' },
      lengths: { as: 'even', flush: 'start' },
      tuck: {},
    },
    `
  refused
  problem {"code":"own","why":"none-fits","path":["count"],"lengths":["3"]}
  offer strip.width = 2`,
  ],
];

describe('strips', () => givesAll('strips', GIVEN));
