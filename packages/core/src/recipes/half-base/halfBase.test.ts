import { describe } from '@jest/globals';
import { givesAll, type Given } from '../../../testing/goldens.ts';

/* All that it gives, line by line; each was read and worked out by hand once. */

const GIVEN: readonly Given[] = [
  [
    'a page in two halves, the lower one tucked',
    'page',
    { along: 'left', beneath: { reach: 'tucked', tuck: '1/4' } },
    `
  size 12 x 12
  layer beneath, beneath 1: 6 1/4 x 12 at 5 3/4, 0, of beneath, said at beneath
  layer cover, cover 1: 6 x 12 at 0, 0, of cover, said at beneath
  cut 1 of beneath, beneath 1: 6 1/4 x 12
  cut 1 of cover, cover 1: 6 x 12
  room beneath, beneath 1: 6 x 12 at 6, 0
  room cover, cover 1: 6 x 12 at 0, 0
  typed cover along the top from 0, 12 to 6, 12
  typed seen along the top from 6, 12 to 12, 12
  typed beneath.tuck with a leader from 6, 3 7315/12192
  fact left-of-beneath: 5 3/4, 12
  fact left-of-cover: 6, 12
  room.width = 12
  beneath.tuck = 1/4
  cover = 6
  seen = 6
  beneath.depth = 6 1/4
  sum of cover: 1 × room.width 12 over 2
  sum of seen: 1 × room.width 12 + -1 × cover 6
  sum of beneath.depth: 1 × seen 6 + 1 × beneath.tuck 1/4`,
  ],
  [
    'an upper third, the whole sheet beneath',
    'page',
    { along: 'top', cover: '4', beneath: { reach: 'whole' } },
    `
  size 12 x 12
  layer beneath, beneath 1: 12 x 12 at 0, 0, of beneath, said at beneath
  layer cover, cover 1: 12 x 4 at 0, 8, of cover, said at beneath
  cut 1 of beneath, beneath 1: 12 x 12
  cut 1 of cover, cover 1: 12 x 4
  room beneath, beneath 1: 12 x 8 at 0, 0
  room cover, cover 1: 12 x 4 at 0, 8
  typed cover along the left from 0, 8 to 0, 12
  typed seen along the left from 0, 0 to 0, 8
  fact left-of-cover: 12, 8
  room.height = 12
  cover = 4
  seen = 8
  sum of seen: 1 × room.height 12 + -1 × cover 4`,
  ],
  [
    'the tuck follows from the size of the lower one',
    'A4',
    { along: 'bottom', seen: '200', beneath: { reach: 'tucked', depth: '212' } },
    `
  size 210 x 297
  layer beneath, beneath 1: 210 x 212 at 0, 85, of beneath, said at beneath
  layer cover, cover 1: 210 x 97 at 0, 0, of cover, said at beneath
  cut 1 of beneath, beneath 1: 210 x 212
  cut 1 of cover, cover 1: 210 x 97
  room beneath, beneath 1: 210 x 200 at 0, 97
  room cover, cover 1: 210 x 97 at 0, 0
  typed cover along the left from 0, 0 to 0, 97
  typed seen along the left from 0, 97 to 0, 297
  typed beneath.tuck with a leader from 63, 97
  fact left-of-beneath: 210, 85
  fact left-of-cover: 210, 200
  room.height = 297
  seen = 200
  beneath.depth = 212
  cover = 97
  beneath.tuck = 12
  sum of cover: 1 × room.height 297 + -1 × seen 200
  sum of beneath.tuck: 1 × beneath.depth 212 + -1 × seen 200`,
  ],
  [
    'more than the page',
    'page',
    { along: 'right', cover: '13', beneath: { reach: 'whole' } },
    `
  refused
  problem {"code":"own","why":"too-far","path":["cover"],"lengths":["12"]}`,
  ],
  [
    'a tuck beyond the upper one',
    'page',
    { along: 'right', cover: '1', beneath: { reach: 'tucked', tuck: '2' } },
    `
  refused
  problem {"code":"own","why":"too-far","path":["beneath","tuck"],"lengths":["1"]}
  offer beneath.tuck = 1`,
  ],
  [
    'a tuck that is not said',
    'page',
    { along: 'right', cover: '1', beneath: { reach: 'tucked' } },
    `
  refused
  problem {"code":"missing","paths":[["beneath","depth"],["beneath","tuck"]]}`,
  ],
];

describe('half-base', () => givesAll('half-base', GIVEN));
