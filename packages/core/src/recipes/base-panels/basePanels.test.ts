import { describe, expect, test } from '@jest/globals';
import { ROOMS } from '../../../testing/rooms.ts';
import { told } from '../../../testing/told.ts';
import { recipeOf } from '../index.ts';
import { givesAll, type Given } from '../../../testing/goldens.ts';

/* All that it gives, line by line; each was read and worked out by hand once. */

const GIVEN: readonly Given[] = [
  [
    'a page that is shaved and backed, a panel on it',
    'page',
    { panels: [{ id: 'a', reveal: { style: 'even', all: '1/2' } }], shave: { reveal: { style: 'even', all: '1/8' } } },
    `
  size 12 x 12
  layer page-mat, page-mat 1: 12 x 12 at 0, 0, of page-mat, said at room
  layer base, base 1: 11 3/4 x 11 3/4 at 1/8, 1/8, of base, said at shave by shave.width and shave.height
  layer a, panel 1: 10 3/4 x 10 3/4 at 5/8, 5/8, of a, said at panels.0 by panels.0.width and panels.0.height, entry of panels
  cut 1 of page-mat, page-mat 1: 12 x 12
  cut 1 of base, base 1: 12 x 12, then [{"do":"trim","when":"finished","left":"1/8","right":"1/8","top":"1/8","bottom":"1/8"}]
  cut 1 of a, panel 1: 10 3/4 x 10 3/4
  room a, panel 1: 10 3/4 x 10 3/4 at 5/8, 5/8
  typed shave.reveal.all with a leader from 11 15/16, 6
  typed panels.0.reveal.all with a leader from 11 5/8, 6
  typed panels.0.width and panels.0.height in the middle of 10 3/4 x 10 3/4 at 5/8, 5/8
  room.width = 12
  room.height = 12
  panels.0.reveal.all = 1/2
  shave.reveal.all = 1/8
  shave.width = 11 3/4
  shave.height = 11 3/4
  panels.0.width = 10 3/4
  panels.0.height = 10 3/4
  sum of shave.width: 1 × room.width 12 + -2 × shave.reveal.all 1/8
  sum of shave.height: 1 × room.height 12 + -2 × shave.reveal.all 1/8
  sum of panels.0.width: 1 × shave.width 11 3/4 + -2 × panels.0.reveal.all 1/2
  sum of panels.0.height: 1 × shave.height 11 3/4 + -2 × panels.0.reveal.all 1/2`,
  ],
  [
    'shaved to a size, less at the seam',
    'left page',
    { panels: [], shave: { reveal: { style: 'even' }, width: '11 3/4' } },
    `
  size 12 x 12
  layer page-mat, page-mat 1: 12 x 12 at 0, 0, of page-mat, said at room
  layer base, base 1: 11 3/4 x 11 1/2 at 1/4, 1/4, of base, said at shave by shave.width and shave.height
  cut 1 of page-mat, page-mat 1: 12 x 12
  cut 1 of base, base 1: 12 x 12, then [{"do":"trim","when":"finished","left":"1/4","right":"0","top":"1/4","bottom":"1/4"}]
  typed shave.reveal.all with a leader from 9 7925/12192, 11 7/8
  typed shave.reveal.all answered 1/4 at 1/8, 6
  typed shave.reveal.all answered 1/4 at 6 1/8, 11 7/8
  typed shave.reveal.all answered 1/4 at 6 1/8, 1/8
  fact reveals of shave: 1/4, 0, 1/4, 1/4
  shave.width = 11 3/4
  room.width = 12
  room.height = 12
  shave.reveal.all = 1/4
  shave.height = 11 1/2
  sum of shave.reveal.all: 1 × room.width 12 + -1 × shave.width 11 3/4
  sum of shave.height: 1 × room.height 12 + -2 × shave.reveal.all 1/4`,
  ],
  [
    'a panel that bleeds off two edges',
    'page',
    { panels: [{ id: 'a', reveal: { style: 'four', left: '-1/4', top: '-1/4', right: '6', bottom: '1' } }] },
    `
  size 12 x 12
  layer base, base 1: 12 x 12 at 0, 0, of base, said at room
  layer a, panel 1: 6 x 11 at 0, 1, of a, said at panels.0 by panels.0.width and panels.0.height, entry of panels
  cut 1 of base, base 1: 12 x 12
  cut 1 of a, panel 1: 6 1/4 x 11 1/4, then [{"do":"trim","when":"glued","left":"1/4","right":"0","top":"1/4","bottom":"0"}]
  room a, panel 1: 6 x 11 at 0, 1
  typed panels.0.reveal.left with a leader from -1/8, 6 5/8
  typed panels.0.reveal.right with a leader from 9, 6 5/8
  typed panels.0.reveal.top with a leader from 4 3/4, 12 1/8
  typed panels.0.reveal.bottom with a leader from 4 3/4, 1/2
  typed panels.0.width and panels.0.height in the middle of 6 x 11 at 0, 1
  room.width = 12
  room.height = 12
  panels.0.reveal.left = -1/4
  panels.0.reveal.right = 6
  panels.0.reveal.top = -1/4
  panels.0.reveal.bottom = 1
  panels.0.width = 6 1/4
  panels.0.height = 11 1/4
  sum of panels.0.width: 1 × room.width 12 + -1 × panels.0.reveal.left -1/4 + -1 × panels.0.reveal.right 6
  sum of panels.0.height: 1 × room.height 12 + -1 × panels.0.reveal.bottom 1 + -1 × panels.0.reveal.top -1/4`,
  ],
  [
    'shaved to more than there is',
    'page',
    { panels: [], shave: { reveal: { style: 'even' }, width: '12 1/2' } },
    `
  refused
  problem {"code":"own","why":"nothing-shaved","path":["shave"],"lengths":["12 1/2","12 1/2"]}
  instead 12 x 12
  instead base, base 1: 12 x 12 at 0, 0`,
  ],
  [
    'a panel beyond the page',
    'page',
    { panels: [{ id: 'a', reveal: { style: 'four', left: '13', right: '-13', top: '0', bottom: '0' } }] },
    `
  refused
  problem {"code":"own","why":"off-page","path":"panels.0","lengths":[]}
  instead 12 x 12
  instead base, base 1: 12 x 12 at 0, 0`,
  ],
];

test('shaved by what is usual in the unit of the page, until something is said', () => {
  const solved = (room: 'page' | 'A4', shave: object) =>
    told(recipeOf('base-panels').solve({ panels: [], shave }, ROOMS[room]), ROOMS[room].unit);
  expect(solved('page', { reveal: { style: 'even' } })).toContain('shave.width = 11 3/4');
  expect(solved('A4', { reveal: { style: 'even' } })).toContain('shave.width = 204');
  expect(solved('A4', { reveal: { style: 'even' }, width: '200' })).toContain('shave.reveal.all = 5');
});

describe('base-panels', () => givesAll('base-panels', GIVEN));
