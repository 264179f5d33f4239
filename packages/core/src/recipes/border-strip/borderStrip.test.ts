import { describe } from '@jest/globals';
import { givesAll, type Given } from '../../../testing/goldens.ts';

/* All that it gives, line by line; each was read and worked out by hand once. */

const GIVEN: readonly Given[] = [
  [
    'a crest on the middle mark',
    'page',
    { strip: { long: '12', width: '1' }, punch: { repeat: '3', depth: '1/2' }, middle: 'crest', sides: 'one' },
    `
  size 12 x 1
  layer top, top 1: 12 x 1 at 0, 0 shaped 0, 0 / 12, 0 / 12, 1 / 10 1/2, 1 / 10 1/2, 1/2 / 9, 1 / 7 1/2, 1/2 / 6, 1 / 4 1/2, 1/2 / 3, 1 / 1 1/2, 1/2 / 1 1/2, 1 / 0, 1 / 0, 0, of top, said at strip
  cut 1 of top, top 1: 12 x 1 shaped 0, 0 / 12, 0 / 12, 1 / 10 1/2, 1 / 10 1/2, 1/2 / 9, 1 / 7 1/2, 1/2 / 6, 1 / 4 1/2, 1/2 / 3, 1 / 1 1/2, 1/2 / 1 1/2, 1 / 0, 1 / 0, 0, marks [{"kind":"pencil","from":{"x":"6","y":"0"},"to":{"x":"6","y":"1"}}], then [{"do":"punch","edge":"top","depth":"1/2","repeats":"1/8128"}]
  typed strip.long along the top from 0, 1 to 12, 1
  typed strip.width with a leader from 10 19507/24384, 4877/12192
  typed punch.repeat with a leader from 3, 3/4
  typed punch.depth with a leader from 4 1/2, 3/4
  fact crest-top: 1/8128, 1 1/2
  fact otherwise-valley-top: 1/6096, 0
  room.width = 12
  strip.long = 12
  strip.width = 1
  punch.repeat = 3
  punch.depth = 1/2
  suggests {"code":"whole-repeats","offer":{"path":["strip","long"],"length":"9"}}`,
  ],
  [
    'whichever leaves less: a valley, nothing over',
    'page',
    { strip: { width: '1' }, punch: { repeat: '6', depth: '1/4' }, middle: 'better', sides: 'one' },
    `
  size 12 x 1
  layer top, top 1: 12 x 1 at 0, 0 shaped 0, 0 / 12, 0 / 12, 3/4 / 9, 1 / 6, 3/4 / 3, 1 / 0, 3/4 / 0, 0, of top, said at strip
  cut 1 of top, top 1: 12 x 1 shaped 0, 0 / 12, 0 / 12, 3/4 / 9, 1 / 6, 3/4 / 3, 1 / 0, 3/4 / 0, 0, marks [{"kind":"pencil","from":{"x":"6","y":"0"},"to":{"x":"6","y":"1"}}], then [{"do":"punch","edge":"top","depth":"1/4","repeats":"1/12192"}]
  typed strip.long along the top from 0, 1 to 12, 1
  typed strip.width with a leader from 10 19507/24384, 4877/12192
  typed punch.repeat with a leader from 3, 7/8
  typed punch.depth with a leader from 6, 7/8
  fact valley-top: 1/12192, 0
  fact otherwise-crest-top: 1/24384, 3
  room.width = 12
  strip.width = 1
  punch.repeat = 6
  punch.depth = 1/4
  strip.long = 12
  sum of strip.long: 1 × room.width 12`,
  ],
  [
    'round a panel, its corners do not match',
    'page',
    {
      strip: { long: '4', width: '1/2' },
      punch: { repeat: '1', depth: '1/8' },
      middle: 'valley',
      sides: 'all',
      high: '3',
    },
    `
  size 5 x 4
  layer bottom, bottom 1: 4 x 1/2 at 1/2, 0 shaped 4 1/2, 1/2 / 1/2, 1/2 / 1/2, 1/8 / 1, 0 / 1 1/2, 1/8 / 2, 0 / 2 1/2, 1/8 / 3, 0 / 3 1/2, 1/8 / 4, 0 / 4 1/2, 1/8 / 4 1/2, 1/2, of bottom, said at strip
  layer left, left 1: 1/2 x 3 at 0, 1/2 shaped 1/2, 1/2 / 1/2, 3 1/2 / 0, 3 1/2 / 0, 3 / 1/8, 3 / 0, 2 1/2 / 1/8, 2 / 0, 1 1/2 / 1/8, 1 / 0, 1 / 0, 1/2 / 1/2, 1/2, of left, said at strip
  layer right, right 1: 1/2 x 3 at 4 1/2, 1/2 shaped 4 1/2, 3 1/2 / 4 1/2, 1/2 / 5, 1/2 / 5, 1 / 4 7/8, 1 / 5, 1 1/2 / 4 7/8, 2 / 5, 2 1/2 / 4 7/8, 3 / 5, 3 / 5, 3 1/2 / 4 1/2, 3 1/2, of right, said at strip
  layer top, top 1: 4 x 1/2 at 1/2, 3 1/2 shaped 1/2, 3 1/2 / 4 1/2, 3 1/2 / 4 1/2, 3 7/8 / 4, 4 / 3 1/2, 3 7/8 / 3, 4 / 2 1/2, 3 7/8 / 2, 4 / 1 1/2, 3 7/8 / 1, 4 / 1/2, 3 7/8 / 1/2, 3 1/2, of top, said at strip
  cut 1 of bottom, bottom 1: 4 x 1/2 shaped 4, 1/2 / 0, 1/2 / 0, 1/8 / 1/2, 0 / 1, 1/8 / 1 1/2, 0 / 2, 1/8 / 2 1/2, 0 / 3, 1/8 / 3 1/2, 0 / 4, 1/8 / 4, 1/2, marks [{"kind":"pencil","from":{"x":"2","y":"0"},"to":{"x":"2","y":"1/2"}}], then [{"do":"punch","edge":"bottom","depth":"1/8","repeats":"1/6096"}]
  cut 1 of left, left 1: 1/2 x 3 shaped 1/2, 0 / 1/2, 3 / 0, 3 / 0, 2 1/2 / 1/8, 2 1/2 / 0, 2 / 1/8, 1 1/2 / 0, 1 / 1/8, 1/2 / 0, 1/2 / 0, 0 / 1/2, 0, marks [{"kind":"pencil","from":{"x":"0","y":"1 1/2"},"to":{"x":"1/2","y":"1 1/2"}}], then [{"do":"punch","edge":"left","depth":"1/8","repeats":"1/12192"}]
  cut 1 of right, right 1: 1/2 x 3 shaped 0, 3 / 0, 0 / 1/2, 0 / 1/2, 1/2 / 3/8, 1/2 / 1/2, 1 / 3/8, 1 1/2 / 1/2, 2 / 3/8, 2 1/2 / 1/2, 2 1/2 / 1/2, 3 / 0, 3, marks [{"kind":"pencil","from":{"x":"0","y":"1 1/2"},"to":{"x":"1/2","y":"1 1/2"}}], then [{"do":"punch","edge":"right","depth":"1/8","repeats":"1/12192"}]
  cut 1 of top, top 1: 4 x 1/2 shaped 0, 0 / 4, 0 / 4, 3/8 / 3 1/2, 1/2 / 3, 3/8 / 2 1/2, 1/2 / 2, 3/8 / 1 1/2, 1/2 / 1, 3/8 / 1/2, 1/2 / 0, 3/8 / 0, 0, marks [{"kind":"pencil","from":{"x":"2","y":"0"},"to":{"x":"2","y":"1/2"}}], then [{"do":"punch","edge":"top","depth":"1/8","repeats":"1/6096"}]
  room panel, top 1: 4 x 3 at 1/2, 1/2
  typed strip.long along the top from 1/2, 4 to 4 1/2, 4
  typed strip.width with a leader from 4 1219/12192, 3 17069/24384
  typed punch.repeat with a leader from 1, 3 15/16
  typed punch.depth with a leader from 1 1/2, 3 15/16
  typed high along the left from 0, 1/2 to 0, 3 1/2
  fact valley-top: 1/6096, 0
  fact valley-left: 1/12192, 1/2
  fact corners-differ: 0, 1/2
  fact otherwise-crest-top: 1/8128, 1/2
  fact otherwise-crest-left: 1/8128, 0
  room.width = 12
  strip.long = 4
  strip.width = 1/2
  punch.repeat = 1
  punch.depth = 1/8
  high = 3
  suggests {"code":"whole-repeats","offer":{"path":["high"],"length":"2"}}`,
  ],
  [
    'above and below',
    'page',
    {
      strip: { long: '4', width: '1/2' },
      punch: { repeat: '2', depth: '1/8' },
      middle: 'valley',
      sides: 'two',
      high: '3',
    },
    `
  size 4 x 4
  layer bottom, bottom 1: 4 x 1/2 at 0, 0 shaped 4, 1/2 / 0, 1/2 / 0, 1/8 / 1, 0 / 2, 1/8 / 3, 0 / 4, 1/8 / 4, 1/2, of bottom, said at strip
  layer top, top 1: 4 x 1/2 at 0, 3 1/2 shaped 0, 3 1/2 / 4, 3 1/2 / 4, 3 7/8 / 3, 4 / 2, 3 7/8 / 1, 4 / 0, 3 7/8 / 0, 3 1/2, of top, said at strip
  cut 1 of bottom, bottom 1: 4 x 1/2 shaped 4, 1/2 / 0, 1/2 / 0, 1/8 / 1, 0 / 2, 1/8 / 3, 0 / 4, 1/8 / 4, 1/2, marks [{"kind":"pencil","from":{"x":"2","y":"0"},"to":{"x":"2","y":"1/2"}}], then [{"do":"punch","edge":"bottom","depth":"1/8","repeats":"1/12192"}]
  cut 1 of top, top 1: 4 x 1/2 shaped 0, 0 / 4, 0 / 4, 3/8 / 3, 1/2 / 2, 3/8 / 1, 1/2 / 0, 3/8 / 0, 0, marks [{"kind":"pencil","from":{"x":"2","y":"0"},"to":{"x":"2","y":"1/2"}}], then [{"do":"punch","edge":"top","depth":"1/8","repeats":"1/12192"}]
  room panel, top 1: 4 x 3 at 0, 1/2
  typed strip.long along the top from 0, 4 to 4, 4
  typed strip.width with a leader from 3 7315/12192, 3 17069/24384
  typed punch.repeat with a leader from 1, 3 15/16
  typed punch.depth with a leader from 2, 3 15/16
  typed high along the left from 0, 1/2 to 0, 3 1/2
  fact valley-top: 1/12192, 0
  fact otherwise-crest-top: 1/24384, 1
  room.width = 12
  strip.long = 4
  strip.width = 1/2
  punch.repeat = 2
  punch.depth = 1/8
  high = 3`,
  ],
  [
    'no repeat has its place',
    'page',
    { strip: { long: '1', width: '1' }, punch: { repeat: '2', depth: '1/4' }, middle: 'better', sides: 'one' },
    `
  refused
  problem {"code":"own","why":"no-repeat","path":["punch","repeat"],"lengths":["2","1"]}`,
  ],
  [
    'a punch deeper than the strip',
    'page',
    { strip: { long: '8', width: '1/4' }, punch: { repeat: '2', depth: '1/4' }, middle: 'better', sides: 'one' },
    `
  refused
  problem {"code":"own","why":"punch-too-deep","path":["punch","depth"],"lengths":["1/4","1/4"]}`,
  ],
  [
    'crests steeper than half a circle',
    'page',
    { strip: { long: '8', width: '1' }, punch: { repeat: '1/2', depth: '1/2' }, middle: 'better', sides: 'one' },
    `
  refused
  problem {"code":"own","why":"punch-too-steep","path":["punch","depth"],"lengths":["1/2","1/2"]}
  offer punch.depth = 1/4`,
  ],
];

describe('border-strip', () => givesAll('border-strip', GIVEN));
