import { expect, test } from '@jest/globals';
import { givenBy } from '../../testing/lines.ts';
import { MARKS, inches } from '../length/index.ts';
import { parseRecipeLine, type RecipeId, type LayoutContext } from './index.ts';

/* Lines as they were blurted out, none of them written for the grammar: which recipe each is about, and all that is given by it. */

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
/** What is usual is left out; the page and the sheet that a line names come last. */
function given(line: string): [recipe: RecipeId, given: string] | null {
  const heard = parseRecipeLine(line, table, () => 'one');
  if (!heard?.said.ok) return null;
  const { recipe, said, page, sheet } = heard;
  const more = [page && `page ${page.width} x ${page.height}`, sheet && `from ${sheet.width} x ${sheet.height}`];
  return [recipe, [givenBy(recipe, said.input, USUAL), ...more.filter(Boolean)].join('; ')];
}
const USUAL =
  'even centre fill room left notch straight whole level upright tucked tuck one better closed outside butt start row'.split(
    ' ',
  );

const LINES: ReadonlyArray<readonly [line: string, recipe: RecipeId, given: string]> = [
  ['4x6 photo with an eighth inch mat', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 1/8 in'],
  [
    'two mats, 1/8 and 1/4, round a 3.5x5',
    'mat-stack',
    'print.width 3.5, print.height 5, mats.0.reveal.all 1/8, mats.1.reveal.all 1/4',
  ],
  [
    'what size mat for a 5x7 with a quarter inch border',
    'mat-stack',
    'print.width 5, print.height 7, mats.0.reveal.all 1/4 in',
  ],
  ['mat for 4x6 photo 1/4" all round', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 1/4"'],
  ['how many 2 inch strips fit across 12', 'strips', 'strip.width 2 inch, strip.inset 0, row.gap 0, row.across 12'],
  [
    '7 strips across 12 inch page 1/2 inch wide',
    'strips',
    'strip.width 1/2 inch, strip.inset 0, count 7, row.gap 1/4; page 12 inch x 12 inch',
  ],
  ['strips 1in wide with 1/8 gaps on 12 inches', 'strips', 'strip.width 1in, strip.length 12 inches, row.gap 1/8'],
  ['banner row 6 flags 1 1/2 wide 4 long', 'banner-strip', 'strip.width 1 1/2, strip.length 4, count 6, row.gap 1/4'],
  [
    'bunting of 7, each 1 1/4 x 3, notch 3/4',
    'banner-strip',
    'strip.width 1 1/4, strip.length 3, count 7, row.gap 1/4, end.depth 3/4, hang.line curve',
  ],
  [
    'scalloped border 12 inches, repeat 7/8',
    'border-strip',
    'strip.long 12 inches, strip.width 1, punch.repeat 7/8, punch.depth 1/4',
  ],
  [
    'punch border all round a 8 x 8 panel',
    'border-strip',
    'strip.long 8, strip.width 1, punch.depth 1/4, sides all, high 8',
  ],
  [
    'frame a 4x6 photo with half inch strips',
    'strip-frame',
    'photo.width 4, photo.height 6, strip.width 1/2 in, strip.stock 12',
  ],
  [
    'mitred frame of 3/8 strips round 5 x 7',
    'strip-frame',
    'photo.width 5, photo.height 7, strip.width 3/8, strip.stock 12, corners mitred',
  ],
  [
    'base 12x12, then 11 3/4, then 11 1/2',
    'base-panels',
    'panels.0.width 11 3/4, panels.0.height 11 3/4, panels.1.width 11 1/2, panels.1.height 11 1/2; page 12 x 12',
  ],
  [
    '12 x 12 cardstock with 1/4 border panel and another 1/8',
    'base-panels',
    'panels.0.reveal.all 1/4, panels.1.reveal.all 1/8',
  ],
  ['page mat with 1/8 showing', 'base-panels', 'edge shaved, shave.reveal.all 1/8'],
  ['half the page in blue and half in white', 'half-base', 'beneath.tuck 1/4'],
  ['half and half base split 7 inches from the left', 'half-base', 'cover 7 inches, beneath.tuck 1/4'],
  [
    'block band 4 inches tall: 3, 3, 6',
    'block-band',
    'band.high 4 inches, blocks.0.width 3, blocks.1.width 3, blocks.2.width 6, join.tuck 1/4',
  ],
  [
    'colour blocks 3 1/4, 5, rest across 12',
    'block-band',
    'band.long 12, band.high 3, blocks.0.width 3 1/4, blocks.1.width 5, join.tuck 1/4',
  ],
  [
    'hollow out a 12x12 mat leaving 1/2 inch under a 11 1/2 panel',
    'hollow-mat',
    'outer.width 12, outer.height 12, ring.reveal.all 1/2 inch, above.width 11 1/2, above.height 11 1/2',
  ],
  ['crop 4x6 to 8x10', 'photo', 'print.width 4, print.height 6, crop.width 8, crop.height 10'],
  ['crop 5x7 to square', 'photo', 'print.width 5, print.height 7, crop.width 5, crop.height 5'],
  [
    'largest photo for 8 1/2 x 11 with two mats of 1/8',
    'mat-stack',
    'mats.0.reveal.all 1/8, mats.1.reveal.all 1/8, mats.1.width 8 1/2, mats.1.height 11',
  ],
  ['oval mat 1/4 round 5x7 oval', 'mat-stack', 'print.width 5, print.height 7, shape oval, mats.0.reveal.all 1/4'],
  [
    'circle photo 3 inch with 1/8 mat',
    'mat-stack',
    'print.width 3 inch, print.height 3 inch, shape oval, mats.0.reveal.all 1/8',
  ],
  [
    'build up a 12 x 12 sheet from 6x6 pads',
    'built-up',
    'whole.width 12, whole.height 12, patch.width 6, patch.height 6, join.backing 1',
  ],
  [
    'four 6x6 make a 12x12',
    'built-up',
    'whole.width 12, whole.height 12, patch.width 6, patch.height 6, join.backing 1',
  ],
  [
    'strip frame open corners 1/2 x 12 strips round 3.5 x 5',
    'strip-frame',
    'photo.width 3.5, photo.height 5, strip.width 1/2, strip.stock 12, corners open',
  ],
  ['photo mat 3mm around 89x127 mm', 'mat-stack', 'print.width 89 mm, print.height 127 mm, mats.0.reveal.all 3mm'],
  [
    'mats of 3, 2 and 10 mm around a 10x15cm photo',
    'mat-stack',
    'print.width 10 cm, print.height 15cm, mats.0.reveal.all 3 mm, mats.1.reveal.all 2 mm, mats.2.reveal.all 10 mm',
  ],
  [
    '5 strips 25mm wide gap 5 mm on a4',
    'strips',
    'strip.width 25mm, strip.inset 0, count 5, row.gap 5 mm; page 210 mm x 297 mm',
  ],
  ['matt 1/8 arond 4 x6', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 1/8'],
  ['mat one eighth round four by six', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 1/8'],
  [
    'a five by seven picture, eighth of an inch showing',
    'mat-stack',
    'print.width 5, print.height 7, mats.0.reveal.all 1/8 in',
  ],
  ['vellum mat 1/4 inch round 4 x 6', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 1/4 inch'],
  [
    'bases 12, 11 1/4, 9 1/2, 9',
    'base-panels',
    'panels.0.width 11 1/4, panels.0.height 11 1/4, panels.1.width 9 1/2, panels.1.height 9 1/2, panels.2.width 9, panels.2.height 9',
  ],
  ['12x12 base with an 11 x 11 panel', 'base-panels', 'panels.0.width 11, panels.0.height 11; page 12 x 12'],
  [
    'three panels each a quarter in',
    'base-panels',
    'panels.0.reveal.all 1/4 in, panels.1.reveal.all 1/4 in, panels.2.reveal.all 1/4 in',
  ],
  [
    'double mat 1/8 round a 5x7',
    'mat-stack',
    'print.width 5, print.height 7, mats.0.reveal.all 1/8, mats.1.reveal.all 1/8',
  ],
  [
    'two 1/8 mats round 4x6',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.all 1/8, mats.1.reveal.all 1/8',
  ],
  ['page mat 1/8', 'base-panels', 'edge shaved, shave.reveal.all 1/8'],
  ['8 x 8 page, panel with a 1/4 border', 'base-panels', 'panels.0.reveal.all 1/4; page 8 x 8'],
  [
    '5 strips across an 8 inch page, 1 inch wide',
    'strips',
    'strip.width 1 inch, strip.inset 0, count 5, row.gap 1/4; page 8 inch x 8 inch',
  ],
  [
    '6 flags 1 1/2 x 4 along 12 inches',
    'banner-strip',
    'strip.width 1 1/2, strip.length 4, count 6, row.across 12 inches',
  ],
  ['banners 2 wide 5 long, 1/4 apart, across the page', 'banner-strip', 'strip.width 2, strip.length 5, row.gap 1/4'],
  ['3 fishtail banners 1 1/2 by 6', 'banner-strip', 'strip.width 1 1/2, strip.length 6, count 3, row.gap 1/4'],
  ['pennants, 7 of them, 1 x 2', 'banner-strip', 'strip.width 1, strip.length 2, count 7, row.gap 1/4'],
  [
    'stripes 1/2 inch wide, 1/4 inch between, how many on a 12 inch page',
    'strips',
    'strip.width 1/2 inch, strip.inset 0, row.gap 1/4 inch; page 12 inch x 12 inch',
  ],
  ['four 1 inch strips and 1/2 gaps', 'strips', 'strip.width 1 inch, strip.inset 0, count 4, row.gap 1/2'],
  [
    'one inch strips, quarter inch gaps, 12 inches',
    'strips',
    'strip.width 1 in, strip.length 12 inches, row.gap 1/4 in',
  ],
  [
    '12 inch strips 1/2 wide, how many from a 12 x 12 sheet',
    'strips',
    'strip.width 1/2, strip.length 12 inch, count 24, row.gap 1/4; from 12 x 12',
  ],
  [
    '2 1/2 x 6 strips, seven, out of 6x6',
    'strips',
    'strip.width 2 1/2, strip.length 6, count 7, row.gap 1/4; from 6 x 6',
  ],
  [
    'column of three blocks 4 wide: 3 1/4, 5 7/8, rest',
    'block-band',
    'band.high 4, blocks.0.width 3 1/4, blocks.1.width 5 7/8, join.tuck 1/4',
  ],
  [
    'blocks 3, 4, rest with 1/4 overlap',
    'block-band',
    'band.high 3, blocks.0.width 3, blocks.1.width 4, join.tuck 1/4',
  ],
  [
    '5 equal blocks across 12',
    'block-band',
    'band.long 12, band.high 3, blocks.0.share 1, blocks.1.share 1, blocks.2.share 1, blocks.3.share 1, blocks.4.share 1, join.tuck 1/4',
  ],
  [
    'three blocks across 12, 1/4 tuck',
    'block-band',
    'band.long 12, band.high 3, blocks.0.share 1, blocks.1.share 1, blocks.2.share 1, join.tuck 1/4',
  ],
  [
    'border punch 7/8 on a 12 inch edge',
    'border-strip',
    'strip.long 12 inch, strip.width 1, punch.repeat 7/8, punch.depth 1/4',
  ],
  ['scallop edge 12 long every 7/8', 'border-strip', 'strip.long 12, strip.width 1, punch.repeat 7/8, punch.depth 1/4'],
  [
    'punched border round a 10x10 panel, repeat 3/4',
    'border-strip',
    'strip.long 10, strip.width 1, punch.repeat 3/4, punch.depth 1/4, sides all, high 10',
  ],
  [
    'frame a 5 x 7 with 1/4 inch strips mitred corners',
    'strip-frame',
    'photo.width 5, photo.height 7, strip.width 1/4 inch, strip.stock 12, corners mitred',
  ],
  [
    '1/2 inch frame around 4x6 photo',
    'strip-frame',
    'photo.width 4, photo.height 6, strip.width 1/2 inch, strip.stock 12',
  ],
  [
    'hollow 12x12 with 7/8 edge under 11x11',
    'hollow-mat',
    'outer.width 12, outer.height 12, ring.reveal.all 7/8, above.width 11, above.height 11',
  ],
  [
    'cut the middle out of a 12 x 12, leave a 1 inch frame',
    'hollow-mat',
    'outer.width 12, outer.height 12, ring.reveal.all 1 inch',
  ],
  ['half base: left half blue 7 inches', 'half-base', 'cover 7 inches, beneath.tuck 1/4'],
  ['split page, top 5 inches', 'half-base', 'along top, cover 5 inches, beneath.tuck 1/4'],
  ['5 x 7 from a 4 x 6, what do I lose', 'photo', 'print.width 4, print.height 6, crop.width 5, crop.height 7'],
  ['print 4x6 with 1/4 white border, trimmed', 'photo', 'print.width 4, print.height 6, border 1/4'],
  ['4x6 with a 1/8 border printed', 'photo', 'print.width 4, print.height 6, border 1/8'],
  ['enlarge a 3 1/2 x 5 to 8 x 10', 'photo', 'print.width 3 1/2, print.height 5, crop.width 8, crop.height 10'],
  ['8x10 crop of a 4x6 print', 'photo', 'print.width 4, print.height 6, crop.width 8, crop.height 10'],
  [
    'what size print fits 6x6 paper with 1/4 mat',
    'mat-stack',
    'mats.0.reveal.all 1/4, mats.0.width 6, mats.0.height 6',
  ],
  [
    'mat 6x6 square for 4x6 print',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.style two, mats.0.width 6, mats.0.height 6',
  ],
  [
    'how wide are the mats if I have 5 1/2 x 7 1/2 round 5 x 7',
    'mat-stack',
    'print.width 5, print.height 7, mats.0.width 5 1/2, mats.0.height 7 1/2',
  ],
  ['4x6 landscape photo mat 1/4', 'mat-stack', 'print.width 6, print.height 4, mats.0.reveal.all 1/4'],
  [
    'mat 1/4 sides and top and 3/4 bottom around 3x3',
    'mat-stack',
    'print.width 3, print.height 3, mats.0.reveal.style four, mats.0.reveal.left 1/4, mats.0.reveal.right 1/4, mats.0.reveal.top 1/4, mats.0.reveal.bottom 3/4',
  ],
  [
    'footer mat 4 3/4 x 6 round 4 1/4 x 4 3/4',
    'mat-stack',
    'print.width 4 1/4, print.height 4 3/4, mats.0.reveal.style two, mats.0.width 4 3/4, mats.0.height 6',
  ],
  [
    'join two 6x12 to make a 12x12 sheet',
    'built-up',
    'whole.width 12, whole.height 12, patch.width 6, patch.height 12, join.backing 1',
  ],
  [
    'build 12 x 12 out of four 6 1/4 squares overlapping 1/4',
    'built-up',
    'whole.width 12, whole.height 12, patch.width 6 1/4, patch.height 6 1/4, join.how overlap, join.overlap 1/4',
  ],
  [
    'mat for a wallet photo 2 1/2 x 3 1/2 with 1/16',
    'mat-stack',
    'print.width 2 1/2, print.height 3 1/2, mats.0.reveal.all 1/16',
  ],
  [
    'a 3 inch circle with 1/8 mat',
    'mat-stack',
    'print.width 3 inch, print.height 3 inch, shape oval, mats.0.reveal.all 1/8',
  ],
  ['square photo 3 in with 1/4 mat', 'mat-stack', 'print.width 3 in, print.height 3 in, mats.0.reveal.all 1/4'],
  ['10 x 15 cm photo with 5mm mat', 'mat-stack', 'print.width 10 cm, print.height 15 cm, mats.0.reveal.all 5mm'],
  ['mat of 5mm for 10x15cm', 'mat-stack', 'print.width 10 cm, print.height 15cm, mats.0.reveal.all 5mm'],
  ['A5 page with 5 mm border panel', 'base-panels', 'panels.0.reveal.all 5 mm; page 148 mm x 210 mm'],
  ['strips 1/2" x 12", 1/4" gap, x8', 'strips', 'strip.width 1/2", strip.length 12", count 8, row.gap 1/4"'],
  ['need a mat for a 5x7, 3/16 all around', 'mat-stack', 'print.width 5, print.height 7, mats.0.reveal.all 3/16'],
  [
    'how large is the mat when the photo is 3.5 x 5 and I want 1/8 to show',
    'mat-stack',
    'print.width 3.5, print.height 5, mats.0.reveal.all 1/8',
  ],
  [
    'photo 3x4, white mat 1/16, then black 1/8, then 1/4 kraft',
    'mat-stack',
    'print.width 3, print.height 4, mats.0.reveal.all 1/16, mats.1.reveal.all 1/8, mats.2.reveal.all 1/4',
  ],
  [
    'mat stack: 1/16, 1/8, 1/2 footer around 3 x 3',
    'mat-stack',
    'print.width 3, print.height 3, mats.0.reveal.all 1/16, mats.1.reveal.style footer, mats.1.reveal.sides 1/8, mats.1.reveal.bottom 1/2',
  ],
  [
    '3 mats 1/8 apart round 2x2',
    'mat-stack',
    'print.width 2, print.height 2, mats.0.reveal.all 1/8, mats.1.reveal.all 1/8, mats.2.reveal.all 1/8',
  ],
  [
    'mat my 4 x 6 with a quarter of an inch left and right and an eighth top and bottom',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.style four, mats.0.reveal.left 1/4 in, mats.0.reveal.right 1/4 in, mats.0.reveal.top 1/8, mats.0.reveal.bottom 1/8',
  ],
  [
    'oval 4 x 6 photo with quarter inch mat',
    'mat-stack',
    'print.width 4, print.height 6, shape oval, mats.0.reveal.all 1/4 in',
  ],
  [
    'photo is 4 1/8 by 5 7/8, mat 1/8, how big',
    'mat-stack',
    'print.width 4 1/8, print.height 5 7/8, mats.0.reveal.all 1/8',
  ],
  [
    "what's the biggest picture I can put on a 5 x 7 card with 1/2 inch border",
    'mat-stack',
    'mats.0.reveal.all 1/2 inch, mats.0.width 5, mats.0.height 7',
  ],
  ['panel 1/4 smaller all round', 'base-panels', 'panels.0.reveal.all 1/4'],
  [
    'two panels 3/8 and 1/8 on a 12x12',
    'base-panels',
    'panels.0.reveal.all 3/8, panels.1.reveal.all 1/8; page 12 x 12',
  ],
  ['8 1/2 x 11 page with 1/2 panel', 'base-panels', 'panels.0.reveal.all 1/2; page 8 1/2 x 11'],
  ['base with panel 11 1/2 x 11 1/2', 'base-panels', 'panels.0.width 11 1/2, panels.0.height 11 1/2'],
  ['two papers, top one 8 inches', 'half-base', 'along top, cover 8 inches, beneath.tuck 1/4'],
  ['page split 5 from the left with 1/2 tuck', 'half-base', 'cover 5, beneath.tuck 1/2'],
  [
    'six by six pads to build a 12 by 12',
    'built-up',
    'whole.width 12, whole.height 12, patch.width 6, patch.height 6, join.backing 1',
  ],
  [
    'make a 12x12 sheet out of four 6x6 pads with 1 inch backing',
    'built-up',
    'whole.width 12, whole.height 12, patch.width 6, patch.height 6, join.backing 1 inch',
  ],
  ['ring 1/2 wide from 12 x 12', 'hollow-mat', 'outer.width 12, outer.height 12, ring.reveal.all 1/2'],
  [
    'hollow mat 8 x 8 with a 6 x 6 window',
    'hollow-mat',
    'outer.width 8, outer.height 8, centre.width 6, centre.height 6',
  ],
  [
    'frame of 1 inch cut from 12x12, panel 11 x 11 on top',
    'hollow-mat',
    'outer.width 12, outer.height 12, ring.reveal.all 1 inch, above.width 11, above.height 11',
  ],
  ['strips: 7 of 1/2 inch across the page', 'strips', 'strip.width 1/2 inch, strip.inset 0, count 7, row.gap 1/4'],
  [
    'a row of 4 squares 2 1/2, gap 1/4',
    'grid',
    'columns 4, rows 1, cell.as square, cell.width 2 1/2, gutter 1/4, papers 1',
  ],
  [
    'five 2 inch squares across 12 inches, quarter inch gaps',
    'grid',
    'columns 5, rows 1, cell.as square, cell.width 2 inch, gutter 1/4 in, papers 1',
  ],
  [
    'three columns 3 1/2 wide with half inch gaps',
    'strips',
    'strip.width 3 1/2, strip.inset 0, count 3, row.gap 1/2 in',
  ],
  ['8 vertical stripes, no gap, across 12', 'strips', 'strip.inset 0, count 8, row.gap 0, row.across 12'],
  [
    'strips 1 inch wide edge to edge across 12 inches',
    'strips',
    'strip.width 1 inch, strip.inset 0, row.gap 0, row.across 12 inches',
  ],
  [
    'stairs of 5 strips 1 inch wide, shortest 2, longest 6',
    'strips',
    'strip.width 1 inch, strip.length 6, count 5, row.gap 1/4, lengths.as graded, lengths.shortest 2',
  ],
  [
    'banners 1 1/2 x 5, notch 1/2, 6 of them, 1/4 apart',
    'banner-strip',
    'strip.width 1 1/2, strip.length 5, count 6, row.gap 1/4, end.depth 1/2',
  ],
  ['one banner 2 1/2 x 6 notch 7/8', 'banner-strip', 'strip.width 2 1/2, strip.length 6, count 1, end.depth 7/8'],
  [
    'row of pennants on a string dropping 1 inch, 7 of 1 1/2 x 3',
    'banner-strip',
    'strip.width 1 1/2, strip.length 3, count 7, row.gap 1/4, hang.line slant, hang.drop 1 inch',
  ],
  [
    'ragged banners 1 1/4 wide between 3 and 5 long',
    'banner-strip',
    'strip.width 1 1/4, strip.length 5, row.gap 1/4, ragged.as ragged, ragged.shortest 3',
  ],
  [
    'band: rest, 4, rest',
    'block-band',
    'band.high 3, blocks.0.share 1, blocks.1.width 4, blocks.2.share 1, join.tuck 1/4',
  ],
  [
    'three photos 4 wide in a band 12 long',
    'block-band',
    'band.long 12, band.high 3, blocks.0.width 4, blocks.1.width 4, blocks.2.width 4, join.tuck 1/4',
  ],
  [
    'a band of blocks 2 1/2 high: 4, 2, 6',
    'block-band',
    'band.high 2 1/2, blocks.0.width 4, blocks.1.width 2, blocks.2.width 6, join.tuck 1/4',
  ],
  [
    'border of 7/8 scallops 12 inches long, valley',
    'border-strip',
    'strip.long 12 inches, strip.width 1, punch.repeat 7/8, punch.depth 1/4, middle valley',
  ],
  [
    'scallop every 1 inch on 11 1/2',
    'border-strip',
    'strip.long 11 1/2, strip.width 1, punch.repeat 1 inch, punch.depth 1/4',
  ],
  [
    'edge punch 3/4 repeat all around 10 x 8',
    'border-strip',
    'strip.long 10, strip.width 1, punch.repeat 3/4, punch.depth 1/4, sides all, high 8',
  ],
  [
    'frame 4 x 6 with strips 1/4 wide, mitred',
    'strip-frame',
    'photo.width 4, photo.height 6, strip.width 1/4, strip.stock 12, corners mitred',
  ],
  [
    '5x7 photo framed by 1/2 inch strips, open corners, 12 inch strips',
    'strip-frame',
    'photo.width 5, photo.height 7, strip.width 1/2 inch, strip.stock 12 inch, corners open',
  ],
  [
    'photo frame 3/8 wide around a 3 1/2 x 5',
    'strip-frame',
    'photo.width 3 1/2, photo.height 5, strip.width 3/8, strip.stock 12',
  ],
  ['crop 4 x 6 to 3 x 3', 'photo', 'print.width 4, print.height 6, crop.width 3, crop.height 3'],
  ['4x6 print down to 3 1/2 x 5', 'photo', 'print.width 4, print.height 6, crop.width 3 1/2, crop.height 5'],
  [
    '10x15 photo printed as 9x13 cm',
    'photo',
    'print.width 10 cm, print.height 15 cm, crop.width 9 cm, crop.height 13 cm',
  ],
  [
    'enlarge 4 x 6 to 5 x 7 without losing anything',
    'photo',
    'print.width 4, print.height 6, crop.width 5, crop.height 7',
  ],
  [
    'five 2 squares across 12, gap 1/4',
    'grid',
    'columns 5, rows 1, cell.as square, cell.width 2, gutter 1/4, papers 1',
  ],
  [
    'five 2 1/2 strips edge to edge across 12',
    'strips',
    'strip.width 2 1/2, strip.inset 0, count 5, row.gap 0, row.across 12',
  ],
  ['border strip round 8 x 8', 'border-strip', 'strip.long 8, strip.width 1, punch.depth 1/4, sides all, high 8'],
  ['mat around 4x6, an eighth', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 1/8'],
  ['1/8 mat 4x6', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 1/8'],
  ['4 x 6 + 1/8 mat', 'mat-stack', 'print.width 4, print.height 6, mats.0.reveal.all 1/8'],
  [
    'mats for 4x6: 1/8, 1/4 and 1/2',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.all 1/8, mats.1.reveal.all 1/4, mats.2.reveal.all 1/2',
  ],
  [
    'what is the mat size for a 6 x 4 photo with 1/4 on each side',
    'mat-stack',
    'print.width 6, print.height 4, mats.0.reveal.all 1/4',
  ],
  [
    'mat it twice, 1/8 each, 5x7',
    'mat-stack',
    'print.width 5, print.height 7, mats.0.reveal.all 1/8, mats.1.reveal.all 1/8',
  ],
  [
    'photo 5x7 on 5 1/2 x 7 1/2 what reveal',
    'mat-stack',
    'print.width 5, print.height 7, mats.0.width 5 1/2, mats.0.height 7 1/2',
  ],
  [
    'how much shows if I put a 4x6 on a 4 1/2 x 6 1/2 mat',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.width 4 1/2, mats.0.height 6 1/2',
  ],
  [
    'how wide is the border if a 4x6 print sits on a 5x7 card',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.width 5, mats.0.height 7',
  ],
  ['biggest print on a 6x6 with 1/8 all round', 'mat-stack', 'mats.0.reveal.all 1/8, mats.0.width 6, mats.0.height 6'],
  [
    'even mat for 5 x 3 1/2 on 5 1/2 x 3 3/4',
    'mat-stack',
    'print.width 5, print.height 3 1/2, mats.0.reveal.style two, mats.0.width 5 1/2, mats.0.height 3 3/4',
  ],
  [
    'footer mat: sides 1/4, bottom 1, photo 3 x 3',
    'mat-stack',
    'print.width 3, print.height 3, mats.0.reveal.style footer, mats.0.reveal.sides 1/4, mats.0.reveal.bottom 1',
  ],
  [
    'mat with 1/4 left, 1/2 right, 1/8 top and bottom for 4 x 6',
    'mat-stack',
    'print.width 4, print.height 6, mats.0.reveal.style four, mats.0.reveal.left 1/4, mats.0.reveal.right 1/2, mats.0.reveal.top 1/8, mats.0.reveal.bottom 1/8',
  ],
  ['base panels 1/4, 1/8', 'base-panels', 'panels.0.reveal.all 1/4, panels.1.reveal.all 1/8'],
  [
    'base 12 x 12 with panels 11 1/2 and 11',
    'base-panels',
    'panels.0.width 11 1/2, panels.0.height 11 1/2, panels.1.width 11, panels.1.height 11; page 12 x 12',
  ],
  ['panel 3/8 inside the page', 'base-panels', 'panels.0.reveal.all 3/8'],
  ['inset the panel 1/2 all round', 'base-panels', 'panels.0.reveal.all 1/2'],
  ['page 6 x 8, one panel with 1/4 showing', 'base-panels', 'panels.0.reveal.all 1/4; page 6 x 8'],
  ['cover the left 5 inches of the base', 'half-base', 'cover 5 inches, beneath.tuck 1/4'],
  ['strips 3/4 wide, how many fit on 12 with 1/8 between', 'strips', 'strip.width 3/4, strip.length 12, row.gap 1/8'],
  ['12 strips, no gaps, across the page', 'strips', 'strip.inset 0, count 12, row.gap 0, row.margin 0'],
  [
    'ten half inch strips with quarter inch gaps',
    'strips',
    'strip.width 1/2 in, strip.inset 0, count 10, row.gap 1/4 in',
  ],
  [
    'how wide are 7 strips across 12 with 1/4 gaps and 1/2 margins',
    'strips',
    'strip.inset 0, count 7, row.gap 1/4, row.margin 1/2',
  ],
  ['5 columns across 8 1/2, 1/4 apart', 'strips', 'strip.inset 0, count 5, row.gap 1/4, row.across 8 1/2'],
  [
    'strips going down from 6 to 2 inches, five of them',
    'strips',
    'strip.length 6, count 5, row.gap 1/4, row.margin 1/2, lengths.as graded, lengths.shortest 2 inches',
  ],
  ['banner 3 inches wide and 6 long with a v cut', 'banner-strip', 'strip.width 3 inches, strip.length 6, count 1'],
  [
    '4 banners 2 1/2 wide, 1/4 between, straight ends',
    'banner-strip',
    'strip.width 2 1/2, strip.length 4, count 4, row.gap 1/4',
  ],
  [
    'five pennant banners with points',
    'banner-strip',
    'strip.length 4, count 5, row.gap 1/4, row.margin 1/2, end.shape point',
  ],
  [
    'scalloped edge: 12 inch, 1 inch repeats, start with a valley',
    'border-strip',
    'strip.long 12 inch, strip.width 1, punch.repeat 1 inch, punch.depth 1/4, middle valley',
  ],
  ['how many 7/8 scallops on 12', 'border-strip', 'strip.long 12, strip.width 1, punch.repeat 7/8, punch.depth 1/4'],
  [
    'frame for a 5x7 from 12 inch strips 3/8 wide',
    'strip-frame',
    'photo.width 5, photo.height 7, strip.width 3/8, strip.stock 12 inch',
  ],
  [
    'strips 1/4 wide around a 4 x 4 photo',
    'strip-frame',
    'photo.width 4, photo.height 4, strip.width 1/4, strip.stock 12',
  ],
  [
    'mitre frame 4x6 strips 1/2',
    'strip-frame',
    'photo.width 4, photo.height 6, strip.width 1/2, strip.stock 12, corners mitred',
  ],
  [
    'window mat 8x10 opening 4 1/2 x 6 1/2',
    'hollow-mat',
    'outer.width 8, outer.height 10, centre.width 4 1/2, centre.height 6 1/2',
  ],
  ['ring mat 12x12 with 1 inch rim', 'hollow-mat', 'outer.width 12, outer.height 12, ring.reveal.all 1 inch'],
  ['how do I crop a 4x6 to a 5x7', 'photo', 'print.width 4, print.height 6, crop.width 5, crop.height 7'],
  ['print a 2:3 photo at 8x10', 'photo', 'print.width 2, print.height 3, crop.width 8, crop.height 10'],
  [
    'trim a 4x6 photo to 3 1/2 x 5 1/2',
    'photo',
    'print.width 4, print.height 6, crop.width 3 1/2, crop.height 5 1/2, crop.keep trim',
  ],
  [
    '5 strips of 20mm on A4 with 10 mm between',
    'strips',
    'strip.width 20mm, strip.inset 0, count 5, row.gap 10 mm; page 210 mm x 297 mm',
  ],
  [
    'patchwork sheet 12 x 12 of 4 x 4 pieces',
    'built-up',
    'whole.width 12, whole.height 12, patch.width 4, patch.height 4, join.backing 1',
  ],
  [
    'three equal blocks with 1/4 tuck',
    'block-band',
    'band.high 3, blocks.0.share 1, blocks.1.share 1, blocks.2.share 1, join.tuck 1/4',
  ],
  [
    '6 x 6 grid of 1 1/2 cells, gap 1/8',
    'grid',
    'columns 6, rows 6, cell.as square, cell.width 1 1/2, gutter 1/8, papers 1',
  ],
  [
    'grid 4 by 3, gutter 1/4, margin 1/2',
    'grid',
    'columns 4, rows 3, cell.as square, gutter 1/4, margin.across 1/2, papers 1',
  ],
  [
    '4 columns and 3 rows of cells, 1/8 apart',
    'grid',
    'columns 4, rows 3, cell.as square, gutter 1/8, margin.across 1/2, papers 1',
  ],
  [
    'how many 2 inch squares fit on 12 x 12',
    'grid',
    'cell.as square, cell.width 2 inch, gutter 0, papers 1; page 12 x 12',
  ],
  ['checkerboard of 1 inch squares no gap', 'grid', 'cell.as square, cell.width 1 inch, gutter 0, papers 2'],
  [
    '3 x 3 grid with 3/8 gutters in 4 papers',
    'grid',
    'columns 3, rows 3, cell.as square, gutter 3/8, margin.across 1/2, papers 4',
  ],
  [
    'how big are the cells of a 5 x 4 grid on 12 x 12 with 1/4 gaps and 1/2 margins',
    'grid',
    'columns 5, rows 4, cell.as square, gutter 1/4, margin.across 1/2, papers 1; page 12 x 12',
  ],
];

test.each(LINES)('%s', (line, recipe, all) => expect(given(line)).toEqual([recipe, all]));
