import { describe, expect, test } from '@jest/globals';
import { givenBy } from '../../testing/lines.ts';
import { MARKS, inches } from '../length/index.ts';
import { recipeOf, parseRecipeLine, type RecipeId, type LayoutContext } from './index.ts';

/* Lines as people write them, and as they would blurt them out: which recipe each is about, and all that is given by it. */

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
const hear = (line: string) => parseRecipeLine(line, table, () => 'one');
/** What is usual is left out. */
const USUAL = [
  ...['even', 'centre', 'fill', 'room', 'left', 'notch'],
  ...['shape straight', 'edge whole', 'hang.line level'],
];
const given = (recipe: RecipeId, input: unknown) => givenBy(recipe, input, USUAL);

test('sheets that it is to come from keep the unit of their line', () => {
  expect(hear('seven 2 1/2 x 6 strips from 6 x 6 sheets')?.sheet).toEqual({ width: '6', height: '6' });
  expect(hear('7 strips 60 mm x 150 mm from 152 x 152 sheets')?.sheet).toEqual({ width: '152 mm', height: '152 mm' });
  expect(hear('mat 1/8 around 4 x 6')?.sheet).toBeNull();
});

const LINES: ReadonlyArray<readonly [line: string, recipe: RecipeId, given: string]> = [
  ['mat 1/8 around 4 x 6', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 1/8'],
  [
    'mats 1/8, 1/16, 3/8 around 3 1/2 x 5',
    'mat-stack',
    'print.width 3 1/2, print.height 5, mats.0.reveal.all 1/8, mats.1.reveal.all 1/16, mats.2.reveal.all 3/8',
  ],
  [
    'mat 1 1/4 ½ for 4 by 6',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.all 1 1/4, mats.1.reveal.all ½',
  ],
  [
    "mats ⅙ 1/8'' round 4 x 6",
    'mat-stack',
    "print.width 4, print.height 6, mats.0.reveal.all ⅙, mats.1.reveal.all 1/8''",
  ],
  ['3/16 mat around 3 7/8 by 5 5/8', 'mat-stack', 'print.width 3 7/8, print.height 5 5/8, mats.0.reveal.all 3/16'],
  [
    'a mat of 3/16 behind a 3 7/8 x 5 5/8 print',
    'mat-stack',
    'print.width 3 7/8, print.height 5 5/8, mats.0.reveal.all 3/16',
  ],
  [
    'what size mat for a 3 7/8 x 5 5/8 photo with 3/16 showing',
    'mat-stack',
    'print.width 3 7/8, print.height 5 5/8, mats.0.reveal.all 3/16',
  ],
  ['print 3 7/8 x 5 5/8, reveal 3/16', 'mat-stack', 'print.width 3 7/8, print.height 5 5/8, mats.0.reveal.all 3/16'],
  [
    'how big is a mat with 3/16 showing round 3 7/8 x 5 5/8',
    'mat-stack',
    'print.width 3 7/8, print.height 5 5/8, mats.0.reveal.all 3/16',
  ],
  [
    'photo 3 1/2 x 5 with mats 1/8 1/16 3/8',
    'mat-stack',
    'print.width 3 1/2, print.height 5, mats.0.reveal.all 1/8, mats.1.reveal.all 1/16, mats.2.reveal.all 3/8',
  ],
  [
    'a photo 3 1/2 by 5 with three mats 1/8, 1/16 and 3/8',
    'mat-stack',
    'print.width 3 1/2, print.height 5, mats.0.reveal.all 1/8, mats.1.reveal.all 1/16, mats.2.reveal.all 3/8',
  ],
  [
    'photo four by six with an eighth of an inch mat',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.all 1/8 in',
  ],
  [
    'double mat, an eighth and a quarter, for a 4x6',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.all 1/8, mats.1.reveal.all 1/4',
  ],
  [
    'mat for 4x6, 1/4 left and right, 1/8 top and bottom',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.style four, mats.0.reveal.left 1/4, mats.0.reveal.right 1/4, mats.0.reveal.top 1/8, mats.0.reveal.bottom 1/8',
  ],
  [
    'mat 3/16 footer 11/16 around 2 1/4 x 2 1/4',
    'mat-stack',
    'print.width 2 1/4, print.height 2 1/4, mats.0.reveal.style footer, mats.0.reveal.sides 3/16, mats.0.reveal.bottom 11/16',
  ],
  [
    'footer mat 3/16, 11/16 at the bottom, round 2 1/4 square',
    'mat-stack',
    'print.width 2 1/4, print.height 2 1/4, mats.0.reveal.style footer, mats.0.reveal.sides 3/16, mats.0.reveal.bottom 11/16',
  ],
  [
    '3/16 mat with 11/16 at the foot round 2 1/4 square',
    'mat-stack',
    'print.width 2 1/4, print.height 2 1/4, mats.0.reveal.style footer, mats.0.reveal.sides 3/16, mats.0.reveal.bottom 11/16',
  ],
  [
    'mat round 2 1/4 square: 3/16 on three sides, 11/16 below',
    'mat-stack',
    'print.width 2 1/4, print.height 2 1/4, mats.0.reveal.style footer, mats.0.reveal.sides 3/16, mats.0.reveal.bottom 11/16',
  ],
  [
    'mat 5 1/2 x 3 3/4 round a 5 x 3 1/2 print',
    'mat-stack',
    'print.width 5, print.height 3 1/2, mats.0.reveal.style two, mats.0.width 5 1/2, mats.0.height 3 3/4',
  ],
  [
    'mat round 5 x 3 1/2 of 5 1/2 x 4',
    'mat-stack',
    'print.width 5, print.height 3 1/2, mats.0.width 5 1/2, mats.0.height 4',
  ],
  [
    'how big a photo on 4 1/2 x 5 7/8 with a quarter showing',
    'mat-stack',
    'mats.0.reveal.all 1/4, mats.0.width 4 1/2, mats.0.height 5 7/8',
  ],
  [
    'largest print for a 4 1/2 x 5 7/8 scrap, reveal 1/4',
    'mat-stack',
    'mats.0.reveal.all 1/4, mats.0.width 4 1/2, mats.0.height 5 7/8',
  ],
  [
    'the biggest photo from a 4 1/2 x 5 7/8 scrap with 1/4 reveal',
    'mat-stack',
    'mats.0.reveal.all 1/4, mats.0.width 4 1/2, mats.0.height 5 7/8',
  ],
  [
    'mat 4 x 6 for a 4 1/4 x 6 print',
    'mat-stack',
    'print.width 4 1/4, print.height 6, mats.0.reveal.style two, mats.0.width 4, mats.0.height 6',
  ],
  ['mats an inch and a half round 4 x 6', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 1 1/2 in'],
  ['mat half an inch round four by six', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 1/2 in'],
  ['matt 1/8 arround 4 x 6', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 1/8'],
  ['6 mm mat round 89 x 127', 'mat-stack', 'print.width 89 mm, print.height 127 mm, mats.0.reveal.all 6 mm'],
  ['mat 1/8" around 4" x 6"', 'mat-stack', 'print.width 4", print.height 6", mats.0.reveal.all 1/8"'],
  [
    'mat 1/8 1/4 around 4x6 please',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.all 1/8, mats.1.reveal.all 1/4',
  ],
  [
    'I need a mat for my 4 x 6 photo with a quarter inch border',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.all 1/4 in',
  ],
  ['mat three eighths round 5 by 7', 'mat-stack', 'print.width 5, print.height 7, mats.0.reveal.all 3/8'],
  ['mat 0.25 round 4 x 6', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 0.25'],
  [
    'two mats round 4x6, 1/8 and 1/4',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.all 1/8, mats.1.reveal.all 1/4',
  ],
  ['print 4 x 6', 'photo', 'print.width 4, print.height 6'],
  ['a 4 x 6 photo', 'photo', 'print.width 4, print.height 6'],
  ['photo 4 by 6 border 1/8', 'photo', 'print.width 4, print.height 6, border 1/8'],
  ['print 4x6 with a white border of 1/8 in', 'photo', 'print.width 4, print.height 6, border 1/8 in'],
  ['4 x 6 print, eighth inch border', 'photo', 'print.width 4, print.height 6, border 1/8 in'],
  ['print 4 x 6 as 8 x 10', 'photo', 'print.width 4, print.height 6, crop.width 8, crop.height 10'],
  ['enlarge print 4 x 6 to 8 x 10', 'photo', 'print.width 4, print.height 6, crop.width 8, crop.height 10'],
  [
    'photo 4x6 as 8x10 without losing anything',
    'photo',
    'print.width 4, print.height 6, crop.width 8, crop.height 10, crop.keep whole',
  ],
  [
    'crop photo 4 x 6 to 3 square, keep the left',
    'photo',
    'print.width 4, print.height 6, crop.width 3, crop.height 3',
  ],
  [
    '4x6 photo cropped to 4 square keep top',
    'photo',
    'print.width 4, print.height 6, crop.width 4, crop.height 4, crop.upDown top',
  ],
  [
    'picture 100 mm x 150 mm border 3 mm as 80 mm x 80 mm',
    'photo',
    'print.width 100 mm, print.height 150 mm, border 3 mm, crop.width 80 mm, crop.height 80 mm',
  ],
  [
    'print 4 x 6, lose nothing, as 5 x 7',
    'photo',
    'print.width 4, print.height 6, crop.width 5, crop.height 7, crop.keep whole',
  ],
  ['panels 3/8 1/2', 'base-panels', 'panels.0.reveal.all 3/8, panels.1.reveal.all 1/2'],
  ['base panels a quarter inset', 'base-panels', 'panels.0.reveal.all 1/4'],
  ['panel half an inch smaller', 'base-panels', 'panels.0.reveal.all 1/2 in'],
  [
    'panels 11 1/4 square, 9 1/2 square, 9 square',
    'base-panels',
    'panels.0.width 11 1/4, panels.0.height 11 1/4, panels.1.width 9 1/2, panels.1.height 9 1/2, panels.2.width 9, panels.2.height 9',
  ],
  ['a panel 11 x 8 1/2', 'base-panels', 'panels.0.reveal.style two, panels.0.width 11, panels.0.height 8 1/2'],
  ['panels 10 mm, 25 mm', 'base-panels', 'panels.0.reveal.all 10 mm, panels.1.reveal.all 25 mm'],
  ['base with panels 3/8 and 7/8 showing', 'base-panels', 'panels.0.reveal.all 3/8, panels.1.reveal.all 7/8'],
  ['background with a quarter inch reveal', 'base-panels', 'panels.0.reveal.all 1/4 in'],
  [
    'panel 1/2, 1 at the bottom',
    'base-panels',
    'panels.0.reveal.style footer, panels.0.reveal.sides 1/2, panels.0.reveal.bottom 1',
  ],
  ['pannel 3/8', 'base-panels', 'panels.0.reveal.all 3/8'],
  [
    'panels 1/4 left, 1/2 right, 1 top, 1 bottom',
    'base-panels',
    'panels.0.reveal.style four, panels.0.reveal.left 1/4, panels.0.reveal.right 1/2, panels.0.reveal.top 1, panels.0.reveal.bottom 1',
  ],
  ['5 banners 1 3/8 x 4 1/2', 'banner-strip', 'strip.width 1 3/8, strip.length 4 1/2, count 5, row.gap 1/4'],
  ['five banners 1 3/8 by 4 1/2', 'banner-strip', 'strip.width 1 3/8, strip.length 4 1/2, count 5, row.gap 1/4'],
  [
    'seven banners 1 x 3 gap 1/4 point',
    'banner-strip',
    'strip.width 1, strip.length 3, count 7, row.gap 1/4, end.shape point',
  ],
  [
    'banners 2 x 6 gap 1/2 margin 3/4 notch 7/8',
    'banner-strip',
    'strip.width 2, strip.length 6, row.gap 1/2, row.margin 3/4, end.depth 7/8',
  ],
  [
    '3 banners 30 mm x 80 mm gap 10 mm slant 15 mm',
    'banner-strip',
    'strip.width 30 mm, strip.length 80 mm, count 3, row.gap 10 mm, end.shape slant, end.depth 15 mm',
  ],
  [
    'five banners across 12 with quarter gaps',
    'banner-strip',
    'strip.length 4, count 5, spread row, row.gap 1/4, row.across 12',
  ],
  [
    '6 pennants 1 1/2 wide and 4 long, half an inch apart',
    'banner-strip',
    'strip.width 1 1/2, strip.length 4, count 6, row.gap 1/2 in',
  ],
  ['bannrs 2 x 6, noched 7/8', 'banner-strip', 'strip.width 2, strip.length 6, row.gap 1/4, end.depth 7/8'],
  [
    'banners 2 1/2 x 6 with a fishtail 7/8 deep',
    'banner-strip',
    'strip.width 2 1/2, strip.length 6, row.gap 1/4, end.depth 7/8',
  ],
  [
    'a row of five banners 2 x 5, a quarter apart',
    'banner-strip',
    'strip.width 2, strip.length 5, count 5, spread row, row.gap 1/4',
  ],
  ['half a dozen banners 1 x 3', 'banner-strip', 'strip.width 1, strip.length 3, count 6, row.gap 1/4'],
  ['a dozen banners 3/4 x 3, 1/8 apart', 'banner-strip', 'strip.width 3/4, strip.length 3, count 12, row.gap 1/8'],
  ['how many banners 2 x 5 fit with 1/4 gaps', 'banner-strip', 'strip.width 2, strip.length 5, row.gap 1/4'],
  [
    'I want 4 pointed banners, 2 wide, 5 long',
    'banner-strip',
    'strip.width 2, strip.length 5, count 4, row.gap 1/4, end.shape point',
  ],
  [
    'four straight banners 2 x 5 overlapping an eighth',
    'banner-strip',
    'strip.width 2, strip.length 5, count 4, row.gap -1/8, end.shape straight',
  ],
  ['banners x5 1 3/8 x 4 1/2', 'banner-strip', 'strip.width 1 3/8, strip.length 4 1/2, count 5, row.gap 1/4'],
  [
    'three banners 2 1/2 inches wide and 6 inches long with margins of 1/2',
    'banner-strip',
    'strip.width 2 1/2 inches, strip.length 6 inches, count 3, row.margin 1/2',
  ],
  [
    'slanted banners 2 x 5, longer on the right',
    'banner-strip',
    'strip.width 2, strip.length 5, row.gap 1/4, end.shape slant, end.longer right',
  ],
  ['5 streamers', 'banner-strip', 'strip.length 4, count 5, row.gap 1/4, row.margin 1/2'],
  [
    'nine banners across 11 1/2, gaps 1/8, 3 long',
    'banner-strip',
    'strip.length 3, count 9, spread row, row.gap 1/8, row.across 11 1/2',
  ],
  [
    'print 4 x 6 trimmed to 4 x 5 5/8',
    'photo',
    'print.width 4, print.height 6, crop.width 4, crop.height 5 5/8, crop.keep trim',
  ],
  [
    'trim a 4 x 6 photo to 3 1/2 x 5, keep the right',
    'photo',
    'print.width 4, print.height 6, crop.width 3 1/2, crop.height 5, crop.keep trim, crop.across right',
  ],
  ['oval mat an eighth round 4 x 6', 'mat-stack', 'print.width 4, print.height 6, shape oval, mats.0.reveal.all 1/8'],
  [
    'circle mats 1/8 1/4 round a 3 inch circle',
    'mat-stack',
    'print.width 3 inch, print.height 3 inch, shape oval, mats.0.reveal.all 1/8, mats.1.reveal.all 1/4',
  ],
  [
    'mats 3, 6 mm round 4 in x 6 in',
    'mat-stack',
    'print.width 4 in, print.height 6 in, mats.0.reveal.all 3 mm, mats.1.reveal.all 6 mm',
  ],
  [
    'mat 1/4, sides 1/2 round 4 x 6',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.all 1/4, mats.1.reveal.all 1/2',
  ],
  ['base shaved 1/8', 'base-panels', 'edge shaved, shave.reveal.all 1/8'],
  ['shave the page an eighth all round', 'base-panels', 'edge shaved, shave.reveal.all 1/8'],
  ['panel 1/2 on a base shaved 1/4', 'base-panels', 'edge shaved, shave.reveal.all 1/4, panels.0.reveal.all 1/2'],
  ['background trimmed 1/8', 'base-panels', 'edge shaved, shave.reveal.all 1/8'],
  ['half and half', 'half-base', 'beneath.reach tucked, beneath.tuck 1/4'],
  ['half and half, 5 in on the left', 'half-base', 'cover 5 in, beneath.reach tucked, beneath.tuck 1/4'],
  ['split the page, top 4, tuck 1/4', 'half-base', 'along top, cover 4, beneath.reach tucked, beneath.tuck 1/4'],
  ['two papers, 5 1/2 on the left', 'half-base', 'cover 5 1/2, beneath.reach tucked, beneath.tuck 1/4'],
  [
    'split background at the bottom 4 1/2 with 1/2 tuck',
    'half-base',
    'along bottom, cover 4 1/2, beneath.reach tucked, beneath.tuck 1/2',
  ],
  ['half base, right 5 whole sheet beneath', 'half-base', 'along right, cover 5, beneath.reach whole'],
  ['page split top 3 1/2', 'half-base', 'along top, cover 3 1/2, beneath.reach tucked, beneath.tuck 1/4'],
  ['half-and-half 7 inches showing', 'half-base', 'seen 7 inches, beneath.reach tucked, beneath.tuck 1/4'],
  [
    'build up 12 x 12 from 6 x 6',
    'built-up',
    'whole.width 12, whole.height 12, patch.width 6, patch.height 6, join.how butt, join.backing 1',
  ],
  [
    'piece together a sheet 12 x 18 from 12 x 12',
    'built-up',
    'whole.width 12, whole.height 18, patch.width 12, patch.height 12, join.how butt, join.backing 1',
  ],
  [
    'sheet 14 x 11 pieced from 8 x 6, overlap 1/4',
    'built-up',
    'whole.width 14, whole.height 11, patch.width 8, patch.height 6, join.how overlap, join.overlap 1/4',
  ],
  [
    'four 6 x 6 patches pieced into a sheet',
    'built-up',
    'patch.width 6, patch.height 6, count.across 2, count.up 2, join.how butt, join.backing 1',
  ],
  [
    'six patches 4 x 4',
    'built-up',
    'patch.width 4, patch.height 4, count.across 3, count.up 2, join.how butt, join.backing 1',
  ],
  [
    'built up base 24 x 12 from 8 1/2 x 11 with 1 1/2 backing',
    'built-up',
    'whole.width 24, whole.height 12, patch.width 8 1/2, patch.height 11, join.how butt, join.backing 1 1/2',
  ],
  [
    'patchwork 12 x 12 from 4 x 4 overlap',
    'built-up',
    'whole.width 12, whole.height 12, patch.width 4, patch.height 4, join.how overlap, join.overlap 1/4',
  ],
  [
    'block band 3 high: 3 1/4, 5 7/8, rest',
    'block-band',
    'run level, band.high 3, blocks.0.width 3 1/4, blocks.1.width 5 7/8, join.how tuck, join.tuck 1/4',
  ],
  [
    'band of blocks 4, rest, 3',
    'block-band',
    'run level, band.high 3, blocks.0.width 4, blocks.2.width 3, join.how tuck, join.tuck 1/4',
  ],
  [
    'blocks 3, 4, 5 butted, 2 high',
    'block-band',
    'run level, band.high 2, blocks.0.width 3, blocks.1.width 4, blocks.2.width 5, join.how butt',
  ],
  [
    'four blocks across 12, 2 high',
    'block-band',
    'run level, band.long 12, band.high 2, blocks.0.share 1, blocks.1.share 1, blocks.2.share 1, blocks.3.share 1, join.how tuck, join.tuck 1/4',
  ],
  [
    'band 2 1/2 tall, 5, rest, tuck 1/4',
    'block-band',
    'run level, band.high 2 1/2, blocks.0.width 5, join.how tuck, join.tuck 1/4',
  ],
  [
    'three equal blocks 3 high',
    'block-band',
    'run level, band.high 3, blocks.0.share 1, blocks.1.share 1, blocks.2.share 1, join.how tuck, join.tuck 1/4',
  ],
  [
    'block band down the page 4, 4, rest',
    'block-band',
    'run upright, band.high 3, blocks.0.width 4, blocks.1.width 4, join.how tuck, join.tuck 1/4',
  ],
  [
    'blocks 6 and the rest, an inch and a half high',
    'block-band',
    'run level, band.high 1 1/2 in, blocks.0.width 6, join.how tuck, join.tuck 1/4',
  ],
  [
    'band of 3 1/4, 5 7/8 and the rest',
    'block-band',
    'run level, band.high 3, blocks.0.width 3 1/4, blocks.1.width 5 7/8, join.how tuck, join.tuck 1/4',
  ],
  [
    'five strips across 12 with quarter gaps',
    'strips',
    'run upright, strip.inset 0, count 5, spread row, row.gap 1/4, row.across 12',
  ],
  ['five strips', 'strips', 'run upright, strip.inset 0, count 5, row.gap 1/4, row.margin 1/2'],
  [
    '7 strips 1 x 6 half an inch apart',
    'strips',
    'run upright, strip.width 1, strip.length 6, count 7, row.gap 1/2 in',
  ],
  ['strips 3/4 wide, 1/4 apart', 'strips', 'run upright, strip.width 3/4, strip.inset 0, row.gap 1/4'],
  ['how many 1 inch strips fit with 1/4 gaps', 'strips', 'run upright, strip.width 1 inch, strip.inset 0, row.gap 1/4'],
  [
    'three level strips 3/4 wide, tuck 1/2',
    'strips',
    'run level, strip.width 3/4, strip.inset 0, count 3, row.gap 1/4, tuck.start 1/2, tuck.end 1/2',
  ],
  [
    'five 2 1/2 strips across 12 edge to edge',
    'strips',
    'run upright, strip.width 2 1/2, strip.inset 0, count 5, spread row, row.gap 0, row.across 12',
  ],
  ['four 2 1/2 strips edge to edge', 'strips', 'run upright, strip.width 2 1/2, strip.inset 0, count 4, row.gap 0'],
  ['6 strips overlap 1/8', 'strips', 'run upright, strip.inset 0, count 6, row.gap -1/8, row.margin 1/2'],
  ['nine 3/8 strips 1/16 apart', 'strips', 'run upright, strip.width 3/8, strip.inset 0, count 9, row.gap 1/16'],
  ['columns 2 wide with 1/2 gap', 'strips', 'run upright, strip.width 2, strip.inset 0, row.gap 1/2'],
  [
    '3 horizontal stripes 1 1/2 wide, gap 1/2',
    'strips',
    'run level, strip.width 1 1/2, strip.inset 0, count 3, row.gap 1/2',
  ],
  [
    '5 strips 1 wide graded from 8 to 4',
    'strips',
    'run upright, strip.width 1, strip.length 8, count 5, row.gap 1/4, lengths.as graded, lengths.shortest 4, lengths.flush start',
  ],
  [
    'staircase of 6 strips 1/2 wide, each 1/2 shorter',
    'strips',
    'run upright, strip.width 1/2, strip.inset 0, count 6, row.gap 1/4, lengths.as graded, lengths.step 1/2, lengths.flush start',
  ],
  [
    'seven 2 1/2 x 6 strips from 6 x 6 sheets',
    'strips',
    'run upright, strip.width 2 1/2, strip.length 6, count 7, spread row, row.gap 1/4',
  ],
  [
    'strips 20 mm wide gap 5 mm margin 10 mm',
    'strips',
    'run upright, strip.width 20 mm, strip.inset 0, row.gap 5 mm, row.margin 10 mm',
  ],
  ['strps 1 wide, gap 1/4', 'strips', 'run upright, strip.width 1, strip.inset 0, row.gap 1/4'],
  [
    '5 strips 1/2 wide and 8 long in a row, 1/4 apart',
    'strips',
    'run upright, strip.width 1/2, strip.length 8, count 5, spread row, row.gap 1/4',
  ],
  [
    '7 banners 1 1/4 x 3 gap 1/8 on a curve, sag 1',
    'banner-strip',
    'strip.width 1 1/4, strip.length 3, count 7, row.gap 1/8, hang.line curve, hang.drop 1',
  ],
  [
    'a garland of nine pennants 1 x 2 1/2',
    'banner-strip',
    'strip.width 1, strip.length 2 1/2, count 9, row.gap 1/4, hang.line curve',
  ],
  [
    '6 banners 1 x 2 1/2 gap 1/8 on a slanted line, drop 2, mixed ends',
    'banner-strip',
    'strip.width 1, strip.length 2 1/2, count 6, row.gap 1/8, end.shape mixed, hang.line slant, hang.drop 2',
  ],
  [
    'seven banners 1 x 3 gap 1/4 ragged',
    'banner-strip',
    'strip.width 1, strip.length 3, count 7, row.gap 1/4, ragged.as ragged',
  ],
  [
    'banners 1 x 4 ragged, shortest 2 1/2',
    'banner-strip',
    'strip.width 1, strip.length 4, row.gap 1/4, ragged.as ragged, ragged.shortest 2 1/2',
  ],
  [
    'bunting, 8 pennants 1 1/2 x 2, sag 1 1/2',
    'banner-strip',
    'strip.width 1 1/2, strip.length 2, count 8, spread row, row.gap 1/4, hang.line curve, hang.drop 1 1/2',
  ],
  [
    'five banners 2 x 5 mixed ends',
    'banner-strip',
    'strip.width 2, strip.length 5, count 5, row.gap 1/4, end.shape mixed',
  ],
  [
    'border strip 12 long, repeat 7/8',
    'border-strip',
    'strip.long 12, strip.width 1, punch.repeat 7/8, punch.depth 1/4, middle better, sides one',
  ],
  [
    'scalloped border 1 x 12, repeat 7/8, valley in the middle',
    'border-strip',
    'strip.long 12, strip.width 1, punch.repeat 7/8, punch.depth 1/4, middle valley, sides one',
  ],
  [
    'punched edge 12 long repeat 7/8 crest',
    'border-strip',
    'strip.long 12, strip.width 1, punch.repeat 7/8, punch.depth 1/4, middle crest, sides one',
  ],
  [
    'scalloped border round 6 x 4, repeat 1/2',
    'border-strip',
    'strip.long 6, strip.width 1, punch.repeat 1/2, punch.depth 1/4, middle better, sides all, high 4',
  ],
  [
    'border 10 inches long every 3/4',
    'border-strip',
    'strip.long 10 inches, strip.width 1, punch.repeat 3/4, punch.depth 1/4, middle better, sides one',
  ],
  [
    'scallops every half inch across 12',
    'border-strip',
    'strip.long 12, strip.width 1, punch.repeat 1/2 in, punch.depth 1/4, middle better, sides one',
  ],
  [
    'punch 11 long, repeat 5/8, depth 1/8',
    'border-strip',
    'strip.long 11, strip.width 1, punch.repeat 5/8, punch.depth 1/8, middle better, sides one',
  ],
  [
    'how many 7/8 repeats on a 12 long punched strip',
    'border-strip',
    'strip.long 12, strip.width 1, punch.repeat 7/8, punch.depth 1/4, middle better, sides one',
  ],
  [
    'border strip both sides 8 long repeat 1/2',
    'border-strip',
    'strip.long 8, strip.width 1, punch.repeat 1/2, punch.depth 1/4, middle better, sides two',
  ],
  [
    'frame of 1/2 x 12 strips round 3 1/2 x 5',
    'strip-frame',
    'photo.width 3 1/2, photo.height 5, strip.width 1/2, strip.stock 12, corners closed, sits outside',
  ],
  [
    'frame of 1/2 strips round 3 1/2 x 5, open corners',
    'strip-frame',
    'photo.width 3 1/2, photo.height 5, strip.width 1/2, strip.stock 12, corners open, sits outside',
  ],
  [
    'strip frame 1/2 wide round 3 1/2 x 5 mitred',
    'strip-frame',
    'photo.width 3 1/2, photo.height 5, strip.width 1/2, strip.stock 12, corners mitred, sits outside',
  ],
  [
    'frame 4 x 6 photo with 3/8 strips butted',
    'strip-frame',
    'photo.width 4, photo.height 6, strip.width 3/8, strip.stock 12, corners butted, sits outside',
  ],
  [
    '3/8 strips framing a 5 x 7',
    'strip-frame',
    'photo.width 5, photo.height 7, strip.width 3/8, strip.stock 12, corners closed, sits outside',
  ],
  [
    'log cabin frame of 1/2 strips round 4 x 4',
    'strip-frame',
    'photo.width 4, photo.height 4, strip.width 1/2, strip.stock 12, corners butted, sits outside',
  ],
  [
    'frame of strips on a 4 x 6 photo, 1/4 wide',
    'strip-frame',
    'photo.width 4, photo.height 6, strip.width 1/4, strip.stock 12, corners closed, sits over',
  ],
  [
    'surround 4 x 6 with 1/2 wide strips',
    'strip-frame',
    'photo.width 4, photo.height 6, strip.width 1/2, strip.stock 12, corners closed, sits outside',
  ],
  [
    'crop a 12 x 12 scene to 9 1/2 x 10, 1/2 off the left, top flush',
    'photo',
    'print.width 12, print.height 12, crop.width 9 1/2, crop.height 10, crop.keep trim, crop.upDown top, crop.left 1/2',
  ],
  ['scene 12 x 12 to 8 x 10', 'photo', 'print.width 12, print.height 12, crop.width 8, crop.height 10, crop.keep trim'],
  [
    'trim a 5 x 7 photo to 4 1/2 x 6 1/2, 1/4 off the right',
    'photo',
    'print.width 5, print.height 7, crop.width 4 1/2, crop.height 6 1/2, crop.keep trim, crop.left 1/4',
  ],
  [
    'print 4 x 6 trimmed to 3 x 5, half an inch off the top',
    'photo',
    'print.width 4, print.height 6, crop.width 3, crop.height 5, crop.keep trim, crop.top 1/2 in',
  ],
];

describe('a line is understood', () => {
  test.each(LINES)('%s', (line, recipe, all) => {
    const heard = hear(line);
    expect(heard).toMatchObject({ recipe, said: { ok: true } });
    const input = heard?.said.ok ? heard.said.input : null;
    expect(given(recipe, input)).toBe(all);
    expect(recipeOf(recipe).input.safeParse(input).error).toBeUndefined();
  });
});

test('a word that nobody knows, beside no number, is passed over and told', () => {
  const over = (line: string) => hear(line)?.passedOver;
  expect(over('seven lovely strips 1/2 x 6 for grandma')).toEqual(['lovely', 'grandma']);
  expect(over('seven strips 1/2 x 6')).toEqual([]);
  // beside a number it may say what the number is; others know it; it turns what is said round
  for (const line of ['strips 1/2 x 6, swoosh 2', 'strips 1/2 x 6 hexagonal', 'strips 1/2 x 6, never two'])
    expect(hear(line)?.said.ok).toBe(false);
});

describe('what is not understood is named', () => {
  test.each([
    ['mat', 'phrase-unreadable', 'mat'],
    ['mat 1/8 around', 'value-missing', 'around'],
    ['mat 1/8 around 4 x lots', 'word-unknown', 'lots'],
    ['mat 1/8 wobbly around 4 x 6', 'word-unknown', 'wobbly'],
    ['mat -1/8 around 4x6', 'length-not-positive', '-1/8'],
    ['mat 1/8 around 4 x 6 around 5 x 7', 'goes', ''],
    ['panels', 'phrase-unreadable', 'panels'],
    ['print 4 x 6 border lots', 'value-missing', 'border'],
    ['strips 1/2 x 6 without gaps please', 'goes', ''],
    ['five strips 1/2 x 6, not many', 'word-unknown', 'not'],
    ['print 4 x 6 as 8 x 10, 3 x 5', 'said-twice', '3 x 5'],
    ['99 banners 1 x 3', 'too-many', '99'],
    ['0 banners 1 x 3', 'too-many', '0'],
    [`mat ${'1/8 '.repeat(12)}1/16 round 4 x 6`, 'too-often', '1/16'],
    [`panels ${'9 x 9, '.repeat(13)}`, 'phrase-unreadable', `panels ${'9 x 9, '.repeat(13)}`.trim()],
    ['banners gap', 'value-missing', 'gap'],
    ['banners 2 x 500', 'length-too-large', '500'],
    ['bananas 2 x 5', null, ''],
    ['hello world', null, ''],
    ['', null, ''],
    ['4 x 6', null, ''],
  ] as const)('%j: %s', (line, code, text) => {
    const heard = hear(line);
    if (code === null) return expect(heard).toBeNull();
    if (code === 'goes') return expect(heard?.said).toMatchObject({ ok: true });
    expect(heard?.said).toMatchObject({ ok: false, problem: { code, text } });
  });
});
