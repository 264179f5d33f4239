import { expect, test } from '@jest/globals';
import { givenBy } from '../../testing/lines.ts';
import { PAGE } from '../../testing/solving.ts';
import { recipeOf, parseRecipeLine, type RecipeId } from './index.ts';

/* Lines about what is folded, woven, set about a point, held or written, as one would blurt them out. */

const USUAL = ['even', 'centre', 'fill', 'room', 'left', 'notch'];

const LINES: ReadonlyArray<readonly [line: string, recipe: RecipeId, given: string]> = [
  [
    'a pinwheel from a 4 inch square',
    'pinwheel',
    'square.side 4 inch, square.short 1/2, square.back own, hub.as paper, number 1',
  ],
  [
    'how long are the slits of a 3 inch pinwheel stopping 1/4 from the centre',
    'pinwheel',
    'square.side 3 inch, square.short 1/4, square.back own, hub.as paper, number 1',
  ],
  [
    '4 pinwheels from 3 inch squares',
    'pinwheel',
    'square.side 3 inch, square.short 3/8, square.back own, hub.as paper, number 4, gap 1/4',
  ],
  [
    'pinwheel 2 1/2 square with a 1/2 inch hub',
    'pinwheel',
    'square.side 2 1/2, square.short 5/16, square.back own, hub.as paper, hub.across 1/2 inch, number 1',
  ],
  [
    'two pinwheels 3 square lined with a second paper',
    'pinwheel',
    'square.side 3, square.short 3/8, square.back lined, hub.as paper, number 2, gap 1/4',
  ],
  [
    'fan of 5 strips 3/8 wide and 4 long',
    'burst',
    'form fan, strip.width 3/8, strip.length 4, count 5, angle.spread 150, towards up, held.by brad',
  ],
  [
    'starburst of eight strips 1/2 x 6',
    'burst',
    'form burst, strip.width 1/2, strip.length 6, count 8, angle.spread 180, towards up, held.by brad',
  ],
  [
    'I have strips 5 1/4, 4 7/8 and 5 1/16 for a burst',
    'burst',
    'form burst, strip.width 1/2, strips.0.length 5 1/4, strips.1.length 4 7/8, strips.2.length 5 1/16, angle.spread 180, towards up, held.by brad',
  ],
  [
    'fan of nine strips 1/4 x 3, 180 degrees',
    'burst',
    'form fan, strip.width 1/4, strip.length 3, count 9, angle.spread 180, towards up, held.by brad',
  ],
  [
    'seven strips 1/2 x 5 in a fan over 150°',
    'burst',
    'form fan, strip.width 1/2 in, strip.length 5 in, count 7, angle.spread 150, towards up, held.by brad',
  ],
  ['half circles 1 1/2 across', 'half-circles', 'cut halves, circle.across 1 1/2, row.gap 0, lie edge, round up'],
  [
    'six half circles in a row, 2 inches wide',
    'half-circles',
    'cut halves, circle.across 2 inches, count 6, row.gap 0, lie edge, round up',
  ],
  [
    'scalloped edge of 8 half circles 1 1/2 across',
    'half-circles',
    'cut halves, circle.across 1 1/2, count 8, row.gap 0, lie edge, round up',
  ],
  ['quarter circles 2 across', 'half-circles', 'cut quarters, circle.across 2, row.gap 0, round up'],
  [
    '9 halved circles 1 1/4 across as a wave',
    'half-circles',
    'cut halves, circle.across 1 1/4, count 9, row.gap 0, lie wave, round up',
  ],
  [
    'weave ten 1/4 inch strips',
    'weave',
    'both alike, upright.count 10, upright.width 1/4 inch, upright.gap 0, pattern plain, tail 1/2, stock 12, backing.as none, divide.across 1, divide.up 1',
  ],
  [
    'woven mat 5 x 7 from 1/2 inch strips',
    'weave',
    'area.width 5, area.height 7, both alike, upright.width 1/2 inch, upright.gap 0, pattern plain, tail 1/2, stock 12, backing.as none, divide.across 1, divide.up 1',
  ],
  [
    'weave 3/8 strips over 4 x 4 with 1/8 gaps',
    'weave',
    'area.width 4, area.height 4, both alike, upright.width 3/8, upright.gap 1/8, pattern plain, tail 1/2, stock 12, backing.as none, divide.across 1, divide.up 1',
  ],
  [
    'how many 1/2 strips to weave 6 x 6',
    'weave',
    'area.width 6, area.height 6, both alike, upright.width 1/2, upright.gap 0, pattern plain, tail 1/2, stock 12, backing.as none, divide.across 1, divide.up 1',
  ],
  [
    'twill weave 4 x 4 with 1/4 strips',
    'weave',
    'area.width 4, area.height 4, both alike, upright.width 1/4, upright.gap 0, pattern twill, tail 1/2, stock 12, backing.as none, divide.across 1, divide.up 1',
  ],
  [
    'weave 9 strips 3/8 wide with a 1/4 fringe',
    'weave',
    'both alike, upright.count 9, upright.width 3/8, upright.gap 0, pattern plain, tail 1/2, fringe 1/4, stock 12, backing.as none, divide.across 1, divide.up 1',
  ],
  [
    'rays from the bottom left corner 3/4 wide',
    'rays',
    'centre.at lower-left, hub.radius 2, hub.as paper, ray.width 3/4, angles.count 5, sheet.width 12, sheet.height 12, long.how whole',
  ],
  [
    'sun rays from the middle, 12 of them, 1/2 wide, hub 1',
    'rays',
    'centre.at middle, hub.radius 1, hub.as paper, ray.width 1/2, angles.count 12, sheet.width 12, sheet.height 12, long.how whole',
  ],
  [
    'nine rays 1/2 wide from the top, hub 1 1/2',
    'rays',
    'centre.at top, hub.radius 1 1/2, hub.as paper, ray.width 1/2, angles.count 9, sheet.width 12, sheet.height 12, long.how whole',
  ],
  [
    'sunburst from the lower right corner with 7 rays 5/8 wide, hub radius 2',
    'rays',
    'centre.at lower-right, hub.radius 2, hub.as paper, ray.width 5/8, angles.count 7, sheet.width 12, sheet.height 12, long.how whole',
  ],
  [
    'rays 1/2 wide at 20/40/60/80° joined',
    'rays',
    'centre.at lower-left, hub.radius 2, hub.as paper, ray.width 1/2, angles.as typed, angles.list 20 40 60 80, sheet.width 12, sheet.height 12, long.how join',
  ],
  [
    'pocket for a 4 x 6 photo',
    'pocket',
    'card.width 4, card.height 6, card.from there, play 1/16, glue 1/4, made patch, opens top, number 1',
  ],
  [
    'library pocket for a 3 x 5 card',
    'pocket',
    'card.width 3, card.height 5, card.from there, play 1/16, glue 1/4, made patch, opens top, number 1',
  ],
  [
    'pocket for a 3 x 4 card sticking out 1/2',
    'pocket',
    'card.width 3, card.height 4, card.from there, play 1/16, glue 1/4, peek 1/2, made patch, opens top, number 1',
  ],
  [
    'pocket for a tag 2 x 4 with a thumb notch',
    'pocket',
    'card.width 2, card.height 4, card.from there, play 1/16, glue 1/4, made patch, opens top, thumb 3/4, number 1',
  ],
  [
    'how big a pocket for a 3 x 4 card with 1/8 play',
    'pocket',
    'card.width 3, card.height 4, card.from there, play 1/8, glue 1/4, made patch, opens top, number 1',
  ],
  [
    'side pocket for a 3 x 4 card',
    'pocket',
    'card.width 3, card.height 4, card.from there, play 1/16, glue 1/4, made patch, opens right, number 1',
  ],
  ['folded card 5 x 7', 'folded-card', 'card.width 5, card.height 7, fold side, panels front, reveal 1/8'],
  [
    'side fold card 4 x 6 with a 1/4 border',
    'folded-card',
    'card.width 4, card.height 6, fold side, panels front, reveal 1/4',
  ],
  [
    'card folded from 8 1/2 x 11',
    'folded-card',
    'fold side, base.width 8 1/2, base.height 11, panels front, reveal 1/8',
  ],
  [
    'accordion 5 leaves of 2 x 3',
    'folded-card',
    'card.width 2, card.height 3, fold accordion, leaves 5, panels front, reveal 1/8',
  ],
  [
    'gate fold card 5 x 7 with panels inside',
    'folded-card',
    'card.width 5, card.height 7, fold gate, panels both, reveal 1/8',
  ],
  ['envelope for a 5 x 7 card', 'envelope', 'card.width 5, card.height 7, play 1/8, flaps.closes slanted'],
  ['mini envelope 3 x 4', 'envelope', 'play 1/8, envelope.width 3, envelope.height 4, flaps.closes slanted'],
  [
    'how much paper for an envelope for 4 x 6',
    'envelope',
    'card.width 4, card.height 6, play 1/8, flaps.closes slanted',
  ],
  ['3 tags 2 x 4', 'tag', 'tag.width 2, tag.height 4, top cropped, hole.as hole, number 3, gap 1/4'],
  ['gift tags 1 1/2 x 3', 'tag', 'tag.width 1 1/2, tag.height 3, top cropped, hole.as hole, number 1'],
  ['tag 2 x 4 with rounded corners', 'tag', 'tag.width 2, tag.height 4, top round, hole.as hole, number 1'],
  [
    'tabs 1 inch wide along the right edge',
    'tabs',
    'edge right, strip.width 1 inch, row.gap 1/4, tab.out 1/2, tab.tuck 1/4, tab.made single, corner.how round',
  ],
  [
    '6 index tabs 1 x 1/2',
    'tabs',
    'edge top, strip.width 1, count 6, row.gap 1/4, tab.out 1/2, tab.tuck 1/4, tab.made single, corner.how round',
  ],
  [
    'three tabs 2 wide at the top sticking out 1/2',
    'tabs',
    'edge top, strip.width 2, count 3, row.gap 1/4, tab.out 1/2, tab.tuck 1/4, tab.made single, corner.how round',
  ],
  [
    'journaling strips 4 wide, 5 lines',
    'journaling',
    'strip.width 4, strip.letter 1/8, strip.edge 1/16, printed.spacing 3/8, lines 5, placed.gap 1/16',
  ],
  [
    '10 lines of journaling 5 wide, letters 1/8',
    'journaling',
    'strip.width 5, strip.letter 1/8, strip.edge 1/16, printed.spacing 3/8, lines 10, placed.gap 1/16',
  ],
  [
    'can lines 3/8 apart with 1/8 letters be cut apart, 4 wide journaling',
    'journaling',
    'strip.width 4, strip.letter 1/8, strip.edge 1/16, printed.spacing 3/8, placed.gap 1/16',
  ],
  [
    'does a title of 11 letters 1 inch wide fit in 12',
    'letter-row',
    'number 11, letter.width 1 inch, letter.height 1 1/4, letter.made there, row.gap 1/16, row.within 12',
  ],
  [
    'title of 8 letters across 10',
    'letter-row',
    'number 8, letter.height 1 1/4, letter.made there, row.gap 1/16, row.across 10',
  ],
  [
    '9 letters 3/4 wide, gap 1/8',
    'letter-row',
    'number 9, letter.width 3/4, letter.height 1 1/4, letter.made there, row.gap 1/8',
  ],
  [
    'stitch along 6 with holes 1/4 apart',
    'stitches',
    'along line, ground.width 6, ground.height 1/2, ground.is there, inset 1/8, spacing 1/4, stitch running',
  ],
  [
    'stitch holes round a 4 x 4 mat',
    'stitches',
    'along panel, ground.width 4, ground.height 4, ground.is cut, inset 1/8, spacing 1/4, stitch running',
  ],
  [
    'stitching round a 5 x 7 panel every 1/4',
    'stitches',
    'along panel, ground.width 5, ground.height 7, ground.is cut, inset 1/8, spacing 1/4, stitch running',
  ],
  [
    'prick holes round a heart 3 wide',
    'stitches',
    'along heart, ground.width 3, ground.is cut, inset 1/8, spacing 1/4, stitch running',
  ],
  [
    '16 stitch holes along 4',
    'stitches',
    'along line, ground.width 4, ground.height 1/2, ground.is there, inset 1/8, holes 16, stitch running',
  ],
  [
    'stitch a circle 4 across',
    'stitches',
    'along circle, ground.width 4, ground.is cut, inset 1/8, spacing 1/4, stitch running',
  ],
];

test.each(LINES)('%s', (line, recipe, all) => {
  const heard = parseRecipeLine(line, PAGE, () => 'x');
  expect([heard?.recipe, heard?.said.ok]).toEqual([recipe, true]);
  if (!heard?.said.ok) return;
  expect(givenBy(recipe, heard.said.input, USUAL)).toBe(all);
  expect(recipeOf(recipe).input.safeParse(heard.said.input).error).toBeUndefined();
});
