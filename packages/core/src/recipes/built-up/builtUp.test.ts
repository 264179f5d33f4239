import { describe, expect, test } from '@jest/globals';
import { ROOMS } from '../../../testing/rooms.ts';
import { told } from '../../../testing/told.ts';
import { recipeOf } from '../index.ts';
import { givesAll, type Given } from '../../../testing/goldens.ts';

/* All that it gives, line by line; each was read and worked out by hand once. */

const GIVEN: readonly Given[] = [
  [
    'twelve square from pads of five by seven, over backing strips',
    'page',
    {
      whole: { width: '12', height: '12' },
      patch: { width: '5', height: '7' },
      count: {},
      join: { how: 'butt', backing: '1' },
    },
    `
  size 12 x 12
  layer backing-up-1, backing 1: 1 x 12 at 4 1/2, 0, of backing-up, said at join
  layer backing-up-2, backing 2: 1 x 12 at 9 1/2, 0, of backing-up, said at join
  layer backing-across-1, backing 3: 12 x 1 at 0, 6 1/2, of backing-across, said at join
  layer patch-1, patch 1: 5 x 7 at 0, 0, of patch, said at patch
  layer patch-2, patch 2: 5 x 7 at 5, 0, of patch, said at patch
  layer patch-3, patch 3: 2 x 7 at 10, 0, of end, said at patch
  layer patch-4, patch 4: 5 x 5 at 0, 7, of top, said at patch
  layer patch-5, patch 5: 5 x 5 at 5, 7, of top, said at patch
  layer patch-6, patch 6: 2 x 5 at 10, 7, of corner, said at patch
  cut 2 of patch, patch 1: 5 x 7
  cut 1 of end, patch 2: 2 x 7
  cut 2 of top, patch 3: 5 x 5
  cut 1 of corner, patch 4: 2 x 5
  cut 2 of backing-up, backing 1: 1 x 12
  cut 1 of backing-across, backing 2: 12 x 1
  typed whole.width along the top from 0, 12 to 12, 12
  typed whole.height along the left from 0, 0 to 0, 12
  typed patch.width along the bottom from 0, 0 to 5, 0
  typed patch.height along the right from 0, 0 to 0, 7
  fact left-across: 3, 7
  fact left-up: 5, 2
  whole.width = 12
  patch.width = 5
  whole.height = 12
  patch.height = 7
  join.backing = 1
  count.across = 3
  count.up = 2`,
  ],
  [
    'two that overlap, no higher than one',
    'page',
    {
      whole: { width: '15', height: '6' },
      patch: { width: '8', height: '6' },
      count: {},
      join: { how: 'overlap', overlap: '1/2' },
    },
    `
  size 15 x 6
  layer patch-1, patch 1: 8 x 6 at 0, 0, of patch, said at patch
  layer patch-2, patch 2: 7 1/2 x 6 at 7 1/2, 0, of end, said at patch
  cut 1 of patch, patch 1: 8 x 6
  cut 1 of end, patch 2: 7 1/2 x 6
  typed whole.width along the top from 0, 6 to 15, 6
  typed whole.height along the left from 0, 0 to 0, 6
  typed patch.width along the bottom from 0, 0 to 8, 0
  typed patch.height along the right from 0, 0 to 0, 6
  fact left-across: 1/2, 6
  whole.width = 15
  patch.width = 8
  whole.height = 6
  patch.height = 6
  join.overlap = 1/2
  count.across = 2
  count.up = 1`,
  ],
  [
    'as large as four of them make it',
    'page',
    {
      whole: {},
      patch: { width: '6', height: '6' },
      count: { across: 2, up: 2 },
      join: { how: 'overlap', overlap: '1/4' },
    },
    `
  size 11 3/4 x 11 3/4
  layer patch-1, patch 1: 6 x 6 at 0, 0, of patch, said at patch
  layer patch-2, patch 2: 6 x 6 at 5 3/4, 0, of patch, said at patch
  layer patch-3, patch 3: 6 x 6 at 0, 5 3/4, of patch, said at patch
  layer patch-4, patch 4: 6 x 6 at 5 3/4, 5 3/4, of patch, said at patch
  cut 4 of patch, patch 1: 6 x 6
  typed whole.width along the top from 0, 11 3/4 to 11 3/4, 11 3/4
  typed whole.height along the left from 0, 0 to 0, 11 3/4
  typed patch.width along the bottom from 0, 0 to 6, 0
  typed patch.height along the right from 0, 0 to 0, 6
  patch.width = 6
  patch.height = 6
  join.overlap = 1/4
  whole.width = 11 3/4
  whole.height = 11 3/4
  count.across = 2
  count.up = 2
  sum of whole.width: 2 × patch.width 6 + -1 × join.overlap 1/4
  sum of whole.height: 2 × patch.height 6 + -1 × join.overlap 1/4`,
  ],
  [
    'patches that follow from their number go up to the mark',
    'page',
    { whole: { width: '10', height: '4' }, patch: { height: '4' }, count: { across: 3 }, join: { how: 'butt' } },
    `
  size 10 x 4
  layer patch-1, patch 1: 3 3/8 x 4 at 0, 0, of patch, said at patch
  layer patch-2, patch 2: 3 3/8 x 4 at 3 3/8, 0, of patch, said at patch
  layer patch-3, patch 3: 3 1/4 x 4 at 6 3/4, 0, of end, said at patch
  cut 2 of patch, patch 1: 3 3/8 x 4
  cut 1 of end, patch 2: 3 1/4 x 4
  typed whole.width along the top from 0, 4 to 10, 4
  typed whole.height along the left from 0, 0 to 0, 4
  typed patch.width along the bottom from 0, 0 to 3 3/8, 0
  typed patch.height along the right from 0, 0 to 0, 4
  fact left-across: 1/8, 4
  whole.width = 10
  whole.height = 4
  patch.height = 4
  patch.width = 3 3/8
  count.across = 3
  count.up = 1
  sum of patch.width: 1 × whole.width 10 over 3`,
  ],
  [
    'too few',
    'page',
    {
      whole: { width: '12', height: '6' },
      patch: { width: '5', height: '6' },
      count: { across: 2 },
      join: { how: 'butt' },
    },
    `
  refused
  problem {"code":"own","why":"not-enough","path":["count","across"],"lengths":["10","12"]}
  offer count.across = 3 of them`,
  ],
  [
    'more than it takes',
    'page',
    {
      whole: { width: '12', height: '6' },
      patch: { width: '6', height: '6' },
      count: { across: 3 },
      join: { how: 'butt' },
    },
    `
  refused
  problem {"code":"own","why":"one-too-many","path":["count","across"],"lengths":["12"]}
  offer count.across = 2 of them`,
  ],
  [
    'an overlap as wide as a patch',
    'page',
    {
      whole: { width: '12', height: '6' },
      patch: { width: '1', height: '6' },
      count: {},
      join: { how: 'overlap', overlap: '1' },
    },
    `
  refused
  problem {"code":"own","why":"overlap-too-wide","path":["join","overlap"],"lengths":["1","1"]}`,
  ],
  [
    'far too many',
    'page',
    { whole: { width: '12', height: '6' }, patch: { width: '1/2', height: '6' }, count: {}, join: { how: 'butt' } },
    `
  refused
  problem {"code":"own","why":"too-many","path":["patch","width"],"lengths":["1/2","12"]}`,
  ],
];

test('said of one of the two only, it is made of two each way, with the overlap that is usual', () => {
  const solved = (whole: object, patch: object, room: 'page' | 'A4' = 'page') =>
    told(
      recipeOf('built-up').solve({ whole, patch, count: {}, join: { how: 'overlap' } }, ROOMS[room]),
      ROOMS[room].unit,
    );
  expect(solved({}, { width: '6', height: '6' })).toContain('size 11 3/4 x 11 3/4');
  expect(solved({ width: '12', height: '8' }, {})).toContain('patch.width = 6 1/8');
  expect(solved({}, { width: '150', height: '100' }, 'A4')).toContain('size 294 x 194');
  expect(solved({}, {})).toContain('refused');
});

describe('built-up', () => givesAll('built-up', GIVEN));
