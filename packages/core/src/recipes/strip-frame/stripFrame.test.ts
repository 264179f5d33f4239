import { describe } from '@jest/globals';
import { givesAll, type Given } from '../../../testing/goldens.ts';

/* All that it gives, line by line; each was read and worked out by hand once. */

const GIVEN: readonly Given[] = [
  [
    'open corners',
    'page',
    {
      photo: { width: '3 1/2', height: '5', known: 'measured' },
      strip: { width: '1/2', stock: '12' },
      corners: 'open',
      sits: 'outside',
      outer: {},
    },
    `
  size 4 1/2 x 6
  layer left, left 1: 1/2 x 5 at 0, 1/2, of left, said at strip
  layer right, right 1: 1/2 x 5 at 4, 1/2, of right, said at strip
  layer bottom, bottom 1: 3 1/2 x 1/2 at 1/2, 0, of bottom, said at strip
  layer top, top 1: 3 1/2 x 1/2 at 1/2, 5 1/2, of top, said at strip
  layer print, print 1: 3 1/2 x 5 at 1/2, 1/2, of no paper, said at photo by photo.width and photo.height
  cut 1 of left, left 1: 1/2 x 5
  cut 1 of right, right 1: 1/2 x 5
  cut 1 of bottom, bottom 1: 3 1/2 x 1/2
  cut 1 of top, top 1: 3 1/2 x 1/2
  typed photo.width and photo.height in the middle of 3 1/2 x 5 at 1/2, 1/2
  typed strip.width with a leader from 4 1/4, 2
  typed outer.width along the top from 0, 6 to 4 1/2, 6
  typed outer.height along the left from 0, 0 to 0, 6
  fact lengths: 5, 5, 3 1/2, 3 1/2
  fact strips: 1/12192, 1/8128
  fact left-over: 7
  photo.width = 3 1/2
  photo.height = 5
  strip.width = 1/2
  strip.stock = 12
  outer.width = 4 1/2
  outer.height = 6
  sum of outer.width: 1 × photo.width 3 1/2 + 2 × strip.width 1/2
  sum of outer.height: 1 × photo.height 5 + 2 × strip.width 1/2`,
  ],
  [
    'closed corners',
    'page',
    {
      photo: { width: '3 1/2', height: '5', known: 'measured' },
      strip: { width: '1/2', stock: '12' },
      corners: 'closed',
      sits: 'outside',
      outer: {},
    },
    `
  size 4 1/2 x 6
  layer left, left 1: 1/2 x 5 at 0, 1/2, of left, said at strip
  layer right, right 1: 1/2 x 5 at 4, 1/2, of right, said at strip
  layer bottom, bottom 1: 4 1/2 x 1/2 at 0, 0, of bottom, said at strip
  layer top, top 1: 4 1/2 x 1/2 at 0, 5 1/2, of top, said at strip
  layer print, print 1: 3 1/2 x 5 at 1/2, 1/2, of no paper, said at photo by photo.width and photo.height
  cut 1 of left, left 1: 1/2 x 5
  cut 1 of right, right 1: 1/2 x 5
  cut 1 of bottom, bottom 1: 4 1/2 x 1/2
  cut 1 of top, top 1: 4 1/2 x 1/2
  typed photo.width and photo.height in the middle of 3 1/2 x 5 at 1/2, 1/2
  typed strip.width with a leader from 4 1/4, 2
  typed outer.width along the top from 0, 6 to 4 1/2, 6
  typed outer.height along the left from 0, 0 to 0, 6
  fact lengths: 5, 5, 4 1/2, 4 1/2
  fact strips: 1/12192, 1/12192
  fact left-over: 3
  photo.width = 3 1/2
  photo.height = 5
  strip.width = 1/2
  strip.stock = 12
  outer.width = 4 1/2
  outer.height = 6
  sum of outer.width: 1 × photo.width 3 1/2 + 2 × strip.width 1/2
  sum of outer.height: 1 × photo.height 5 + 2 × strip.width 1/2`,
  ],
  [
    'each over one end, on the photo',
    'page',
    {
      photo: { width: '4', height: '6', known: 'measured' },
      strip: { width: '1/4', stock: '6' },
      corners: 'butted',
      sits: 'over',
      outer: {},
    },
    `
  size 4 x 6
  layer print, print 1: 4 x 6 at 0, 0, of no paper, said at photo by photo.width and photo.height
  layer left, left 1: 1/4 x 5 3/4 at 0, 0, of left, said at strip
  layer right, right 1: 1/4 x 5 3/4 at 3 3/4, 1/4, of right, said at strip
  layer bottom, bottom 1: 3 3/4 x 1/4 at 1/4, 0, of bottom, said at strip
  layer top, top 1: 3 3/4 x 1/4 at 0, 5 3/4, of top, said at strip
  cut 1 of left, left 1: 1/4 x 5 3/4
  cut 1 of right, right 1: 1/4 x 5 3/4
  cut 1 of bottom, bottom 1: 3 3/4 x 1/4
  cut 1 of top, top 1: 3 3/4 x 1/4
  typed photo.width and photo.height in the middle of 4 x 6 at 0, 0
  typed strip.width with a leader from 3 7/8, 2
  typed outer.width along the top from 0, 6 to 4, 6
  typed outer.height along the left from 0, 0 to 0, 6
  fact lengths: 5 3/4, 5 3/4, 3 3/4, 3 3/4
  fact strips: 1/6096, 1/24384
  fact left-over: 2 1/4
  photo.width = 4
  photo.height = 6
  strip.width = 1/4
  strip.stock = 6
  outer.width = 4
  outer.height = 6
  sum of outer.width: 1 × photo.width 4
  sum of outer.height: 1 × photo.height 6`,
  ],
  [
    'mitred, the width from the size outside',
    'A4',
    {
      photo: { width: '90', height: '130', known: 'measured' },
      strip: { stock: '305' },
      corners: 'mitred',
      sits: 'outside',
      outer: { width: '110' },
    },
    `
  size 110 x 150
  layer left, left 1: 10 x 150 at 0, 0 shaped 0, 0 / 10, 10 / 10, 140 / 0, 150 / 0, 0, of left, said at strip
  layer right, right 1: 10 x 150 at 100, 0 shaped 100, 10 / 110, 0 / 110, 150 / 100, 140 / 100, 10, of right, said at strip
  layer bottom, bottom 1: 110 x 10 at 0, 0 shaped 0, 0 / 110, 0 / 100, 10 / 10, 10 / 0, 0, of bottom, said at strip
  layer top, top 1: 110 x 10 at 0, 140 shaped 10, 140 / 100, 140 / 110, 150 / 0, 150 / 10, 140, of top, said at strip
  layer print, print 1: 90 x 130 at 10, 10, of no paper, said at photo by photo.width and photo.height
  cut 1 of left, left 1: 10 x 150 shaped 0, 0 / 10, 10 / 10, 140 / 0, 150 / 0, 0, then [{"do":"slant","edge":"bottom","depth":"10","shorter":"right"},{"do":"slant","edge":"top","depth":"10","shorter":"right"}]
  cut 1 of right, right 1: 10 x 150 shaped 0, 10 / 10, 0 / 10, 150 / 0, 140 / 0, 10, then [{"do":"slant","edge":"bottom","depth":"10","shorter":"left"},{"do":"slant","edge":"top","depth":"10","shorter":"left"}]
  cut 1 of bottom, bottom 1: 110 x 10 shaped 0, 0 / 110, 0 / 100, 10 / 10, 10 / 0, 0, then [{"do":"slant","edge":"left","depth":"10","shorter":"top"},{"do":"slant","edge":"right","depth":"10","shorter":"top"}]
  cut 1 of top, top 1: 110 x 10 shaped 10, 0 / 100, 0 / 110, 10 / 0, 10 / 10, 0, then [{"do":"slant","edge":"left","depth":"10","shorter":"bottom"},{"do":"slant","edge":"right","depth":"10","shorter":"bottom"}]
  typed photo.width and photo.height in the middle of 90 x 130 at 10, 10
  typed strip.width with a leader from 105, 50
  typed outer.width along the top from 0, 150 to 110, 150
  typed outer.height along the left from 0, 0 to 0, 150
  fact lengths: 150, 150, 110, 110
  fact strips: 0.002, 0.002
  fact left-over: 85
  photo.width = 90
  outer.width = 110
  photo.height = 130
  strip.stock = 305
  strip.width = 10
  outer.height = 150
  sum of strip.width: 1 × outer.width 110 + -1 × photo.width 90 over 2
  sum of outer.height: 1 × photo.height 130 + 2 × strip.width 10`,
  ],
  [
    'strips that are too short',
    'page',
    {
      photo: { width: '4', height: '6', known: 'measured' },
      strip: { width: '1/2', stock: '4' },
      corners: 'closed',
      sits: 'outside',
      outer: {},
    },
    `
  refused
  problem {"code":"own","why":"strip-too-short","path":["strip","stock"],"lengths":["4","6"]}
  offer strip.stock = 6`,
  ],
  [
    'strips that leave nothing between their mitres',
    'page',
    {
      photo: { width: '2', height: '6', known: 'measured' },
      strip: { width: '1', stock: '12' },
      corners: 'mitred',
      sits: 'over',
      outer: {},
    },
    `
  refused
  problem {"code":"own","why":"strip-too-wide","path":["strip","width"],"lengths":["1"]}`,
  ],
];

describe('strip-frame', () => givesAll('strip-frame', GIVEN));
