import { describe } from '@jest/globals';
import { givesAll, type Given } from '../../../testing/goldens.ts';

/* All that it gives, line by line; each was read and worked out by hand once. */

const GIVEN: readonly Given[] = [
  [
    'three blocks, the last takes the rest, tucked',
    'page',
    {
      run: 'level',
      band: { high: '3' },
      blocks: [
        { id: 'a', width: '3 1/4', share: 1 },
        { id: 'b', width: '5 7/8', share: 1 },
        { id: 'c', share: 1 },
      ],
      join: { how: 'tuck', tuck: '1/4' },
    },
    `
  size 12 x 3
  layer a, block 1: 3 1/2 x 3 at 0, 0, of a, said at blocks.0 by blocks.0.width and band.high, entry of blocks
  layer b, block 2: 6 1/8 x 3 at 3 1/4, 0, of b, said at blocks.1 by blocks.1.width and band.high, entry of blocks
  layer c, block 3: 2 7/8 x 3 at 9 1/8, 0, of c, said at blocks.2 by blocks.2.width and band.high, entry of blocks
  cut 1 of a, block 1: 3 1/2 x 3
  cut 1 of b, block 2: 6 1/8 x 3
  cut 1 of c, block 3: 2 7/8 x 3
  room a, block 1: 3 1/4 x 3 at 0, 0
  room b, block 2: 5 7/8 x 3 at 3 1/4, 0
  room c, block 3: 2 7/8 x 3 at 9 1/8, 0
  typed band.long along the bottom from 0, 0 to 12, 0
  typed band.high along the left from 0, 0 to 0, 3
  typed blocks.0.width along the top from 0, 3 to 3 1/4, 3
  typed blocks.1.width along the top from 3 1/4, 3 to 9 1/8, 3
  typed blocks.2.width along the top from 9 1/8, 3 to 12, 3
  typed join.tuck with a leader from 3 1/4, 7315/8128
  fact cut-in-all: 12 1/2
  room.width = 12
  band.high = 3
  blocks.0.width = 3 1/4
  blocks.1.width = 5 7/8
  join.tuck = 1/4
  band.long = 12
  blocks.2.width = 2 7/8
  sum of band.long: 1 × room.width 12
  sum of blocks.2.width: 1 × band.long 12 + -1 × blocks.0.width 3 1/4 + -1 × blocks.1.width 5 7/8`,
  ],
  [
    'shares of the rest go down to the mark, the last takes what is over',
    'page',
    {
      run: 'level',
      band: { long: '10', high: '2' },
      blocks: [
        { id: 'a', width: '1/4', share: 1 },
        { id: 'b', share: 2 },
        { id: 'c', share: 5 },
      ],
      join: { how: 'butt' },
    },
    `
  size 10 x 2
  layer a, block 1: 1/4 x 2 at 0, 0, of a, said at blocks.0 by blocks.0.width and band.high, entry of blocks
  layer b, block 2: 2 3/4 x 2 at 1/4, 0, of b, said at blocks.1 by blocks.1.width and band.high, entry of blocks
  layer c, block 3: 7 x 2 at 3, 0, of c, said at blocks.2 by blocks.2.width and band.high, entry of blocks
  cut 1 of a, block 1: 1/4 x 2
  cut 1 of b, block 2: 2 3/4 x 2
  cut 1 of c, block 3: 7 x 2
  room a, block 1: 1/4 x 2 at 0, 0
  room b, block 2: 2 3/4 x 2 at 1/4, 0
  room c, block 3: 7 x 2 at 3, 0
  typed band.long along the bottom from 0, 0 to 10, 0
  typed band.high along the left from 0, 0 to 0, 2
  typed blocks.0.width along the top from 0, 2 to 1/4, 2
  typed blocks.1.width along the top from 1/4, 2 to 3, 2
  typed blocks.2.width along the top from 3, 2 to 10, 2
  room.width = 12
  band.long = 10
  band.high = 2
  blocks.0.width = 1/4
  room.rest = 1.392857…
  blocks.1.width = 2 3/4
  blocks.2.width = 7
  sum of room.rest: 1 × band.long 10 + -1 × blocks.0.width 1/4 over 7
  sum of blocks.1.width: 2 × room.rest 1.392857…
  sum of blocks.2.width: 5 × room.rest 1.392857…
  suggests {"code":"remainder","by":"871/24384","to":"blocks.2.width"}`,
  ],
  [
    'down the page, as long as its blocks',
    'A4',
    {
      run: 'upright',
      band: { high: '40' },
      blocks: [
        { id: 'a', width: '100', share: 1 },
        { id: 'b', width: '60', share: 1 },
      ],
      join: { how: 'tuck', tuck: '5' },
    },
    `
  size 40 x 160
  layer a, block 1: 40 x 105 at 0, 55, of a, said at blocks.0 by band.high and blocks.0.width, entry of blocks
  layer b, block 2: 40 x 60 at 0, 0, of b, said at blocks.1 by band.high and blocks.1.width, entry of blocks
  cut 1 of a, block 1: 40 x 105
  cut 1 of b, block 2: 40 x 60
  room a, block 1: 40 x 100 at 0, 60
  room b, block 2: 40 x 60 at 0, 0
  typed band.long along the left from 0, 160 to 0, 0
  typed band.high along the top from 0, 160 to 40, 160
  typed blocks.0.width along the right from 40, 160 to 40, 60
  typed blocks.1.width along the right from 40, 60 to 40, 0
  typed join.tuck with a leader from 12, 60
  fact cut-in-all: 165
  room.height = 297
  band.high = 40
  blocks.0.width = 100
  blocks.1.width = 60
  join.tuck = 5
  band.long = 160
  sum of band.long: 1 × blocks.0.width 100 + 1 × blocks.1.width 60`,
  ],
  [
    'wider than the band',
    'page',
    {
      run: 'level',
      band: { high: '3' },
      blocks: [
        { id: 'a', width: '7', share: 1 },
        { id: 'b', width: '6', share: 1 },
        { id: 'c', share: 1 },
      ],
      join: { how: 'butt' },
    },
    `
  refused
  problem {"code":"own","why":"too-wide","path":["band","long"],"lengths":["13","12"]}
  offer blocks.1.width = 4 3/4`,
  ],
  [
    'a tuck wider than what it goes under',
    'page',
    {
      run: 'level',
      band: { high: '3' },
      blocks: [
        { id: 'a', share: 1 },
        { id: 'b', width: '1/2', share: 1 },
      ],
      join: { how: 'tuck', tuck: '1' },
    },
    `
  refused
  problem {"code":"own","why":"tuck-too-wide","path":["join","tuck"],"lengths":["1","1/2"]}
  offer join.tuck = 1/2`,
  ],
  [
    'all said, and not as much as the band',
    'page',
    {
      run: 'level',
      band: { long: '12', high: '3' },
      blocks: [
        { id: 'a', width: '7', share: 1 },
        { id: 'b', width: '4', share: 1 },
      ],
      join: { how: 'butt' },
    },
    `
  refused
  problem {"code":"disagree","paths":[["band","long"],"blocks.0.width","blocks.1.width"],"by":"1"}`,
  ],
];

describe('block-band', () => givesAll('block-band', GIVEN));
