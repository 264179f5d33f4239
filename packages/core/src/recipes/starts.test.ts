import { expect, test } from '@jest/globals';
import { MARKS, lengthOf } from '../length/index.ts';
import { RECIPE_IDS, recipeOf, valueAt, type RecipeId, type LayoutContext } from './index.ts';

/* What a newcomer sees first of every recipe, in a page and in a tag, in inches and in millimetres; and what is added to its lists. */

const ROOMS = { page: ['12', '12'], tag: ['2', '3 1/2'], a4: ['210 mm', '297 mm'] } as const;

const STARTS: ReadonlyArray<
  readonly [recipe: RecipeId, room: keyof typeof ROOMS, unit: 'in' | 'mm', fields: string, lists: string]
> = [
  ['photo', 'page', 'in', 'print.width 4, print.height 6', ''],
  ['photo', 'tag', 'in', 'print.width 1, print.height 1 1/2', ''],
  ['photo', 'a4', 'mm', 'print.width 100, print.height 150', ''],
  ['photo', 'tag', 'mm', 'print.width 25, print.height 40', ''],
  [
    'mat-stack',
    'page',
    'in',
    'print.width 4, print.height 6, shape straight, mats.0.reveal.style even, mats.0.reveal.all 1/8',
    'mats i1 of 12: {"id":"new","reveal":{"style":"even","all":"1/8"}}',
  ],
  [
    'mat-stack',
    'tag',
    'in',
    'print.width 1, print.height 1 1/2, shape straight, mats.0.reveal.style even, mats.0.reveal.all 1/8',
    'mats i1 of 12: {"id":"new","reveal":{"style":"even","all":"1/8"}}',
  ],
  [
    'mat-stack',
    'a4',
    'mm',
    'print.width 100, print.height 150, shape straight, mats.0.reveal.style even, mats.0.reveal.all 3',
    'mats i1 of 12: {"id":"new","reveal":{"style":"even","all":"3"}}',
  ],
  [
    'mat-stack',
    'tag',
    'mm',
    'print.width 25, print.height 40, shape straight, mats.0.reveal.style even, mats.0.reveal.all 3',
    'mats i1 of 12: {"id":"new","reveal":{"style":"even","all":"3"}}',
  ],
  [
    'base-panels',
    'page',
    'in',
    'edge whole, panels.0.reveal.style even, panels.0.reveal.all 1/2',
    'panels i1 of 12: {"id":"new","reveal":{"style":"even","all":"1/2"}}',
  ],
  [
    'base-panels',
    'tag',
    'in',
    'edge whole, panels.0.reveal.style even, panels.0.reveal.all 1/8',
    'panels i1 of 12: {"id":"new","reveal":{"style":"even","all":"1/2"}}',
  ],
  [
    'base-panels',
    'a4',
    'mm',
    'edge whole, panels.0.reveal.style even, panels.0.reveal.all 12',
    'panels i1 of 12: {"id":"new","reveal":{"style":"even","all":"12"}}',
  ],
  [
    'base-panels',
    'tag',
    'mm',
    'edge whole, panels.0.reveal.style even, panels.0.reveal.all 3',
    'panels i1 of 12: {"id":"new","reveal":{"style":"even","all":"12"}}',
  ],
  ['hollow-mat', 'page', 'in', 'outer.width 12, outer.height 12, ring.reveal.style even, ring.reveal.all 7/8', ''],
  ['hollow-mat', 'tag', 'in', 'outer.width 2, outer.height 3 1/2, ring.reveal.style even, ring.reveal.all 1/4', ''],
  ['hollow-mat', 'a4', 'mm', 'outer.width 210, outer.height 297, ring.reveal.style even, ring.reveal.all 22', ''],
  ['hollow-mat', 'tag', 'mm', 'outer.width 50.8, outer.height 88.9, ring.reveal.style even, ring.reveal.all 6', ''],
  ['half-base', 'page', 'in', 'along left, beneath.reach tucked, beneath.tuck 1/4', ''],
  ['half-base', 'tag', 'in', 'along left, beneath.reach tucked, beneath.tuck 1/4', ''],
  ['half-base', 'a4', 'mm', 'along left, beneath.reach tucked, beneath.tuck 6', ''],
  ['half-base', 'tag', 'mm', 'along left, beneath.reach tucked, beneath.tuck 6', ''],
  [
    'built-up',
    'page',
    'in',
    'whole.width 12, whole.height 12, patch.width 6, patch.height 6, join.how butt, join.backing 1',
    '',
  ],
  [
    'built-up',
    'tag',
    'in',
    'whole.width 2, whole.height 3 1/2, patch.width 1, patch.height 1 3/4, join.how butt, join.backing 1/4',
    '',
  ],
  [
    'built-up',
    'a4',
    'mm',
    'whole.width 210, whole.height 297, patch.width 105, patch.height 149, join.how butt, join.backing 25',
    '',
  ],
  [
    'built-up',
    'tag',
    'mm',
    'whole.width 50.8, whole.height 88.9, patch.width 26, patch.height 45, join.how butt, join.backing 6',
    '',
  ],
  [
    'block-band',
    'page',
    'in',
    'run level, band.high 3, blocks.0.width 3, blocks.1.share 2, blocks.2.share 1, join.how tuck, join.tuck 1/4',
    'blocks i1 i2 i3 of 24: {"id":"new","share":1}',
  ],
  [
    'block-band',
    'tag',
    'in',
    'run level, band.high 7/8, blocks.0.width 1/2, blocks.1.share 2, blocks.2.share 1, join.how tuck, join.tuck 1/8',
    'blocks i1 i2 i3 of 24: {"id":"new","share":1}',
  ],
  [
    'block-band',
    'a4',
    'mm',
    'run level, band.high 74, blocks.0.width 53, blocks.1.share 2, blocks.2.share 1, join.how tuck, join.tuck 6',
    'blocks i1 i2 i3 of 24: {"id":"new","share":1}',
  ],
  [
    'block-band',
    'tag',
    'mm',
    'run level, band.high 22, blocks.0.width 13, blocks.1.share 2, blocks.2.share 1, join.how tuck, join.tuck 3',
    'blocks i1 i2 i3 of 24: {"id":"new","share":1}',
  ],
  [
    'strips',
    'page',
    'in',
    'run upright, strip.length 8, count 5, spread room, row.gap 1/4, row.margin 1/2, lengths.as even',
    '',
  ],
  [
    'strips',
    'tag',
    'in',
    'run upright, strip.length 2 5/16, count 3, spread room, row.gap 1/8, row.margin 1/8, lengths.as even',
    '',
  ],
  [
    'strips',
    'a4',
    'mm',
    'run upright, strip.length 198, count 5, spread room, row.gap 6, row.margin 12, lengths.as even',
    '',
  ],
  [
    'strips',
    'tag',
    'mm',
    'run upright, strip.length 59, count 3, spread room, row.gap 3, row.margin 3, lengths.as even',
    '',
  ],
  [
    'banner-strip',
    'page',
    'in',
    'strip.length 4 3/8, count 5, spread room, row.gap 1/4, row.margin 1/2, end.shape notch, ragged.as even, hang.line level',
    '',
  ],
  [
    'banner-strip',
    'tag',
    'in',
    'strip.length 1 1/16, count 3, spread room, row.gap 1/8, row.margin 1/8, end.shape notch, ragged.as even, hang.line level',
    '',
  ],
  [
    'banner-strip',
    'a4',
    'mm',
    'strip.length 71, count 5, spread room, row.gap 6, row.margin 12, end.shape notch, ragged.as even, hang.line level',
    '',
  ],
  [
    'banner-strip',
    'tag',
    'mm',
    'strip.length 28, count 3, spread room, row.gap 3, row.margin 3, end.shape notch, ragged.as even, hang.line level',
    '',
  ],
  [
    'border-strip',
    'page',
    'in',
    'strip.long 12, strip.width 1, punch.repeat 7/8, punch.depth 1/4, middle better, sides one',
    '',
  ],
  [
    'border-strip',
    'tag',
    'in',
    'strip.long 2, strip.width 1/2, punch.repeat 1/4, punch.depth 1/8, middle better, sides one',
    '',
  ],
  [
    'border-strip',
    'a4',
    'mm',
    'strip.long 210, strip.width 25, punch.repeat 22, punch.depth 6, middle better, sides one',
    '',
  ],
  [
    'border-strip',
    'tag',
    'mm',
    'strip.long 50.8, strip.width 12, punch.repeat 6, punch.depth 3, middle better, sides one',
    '',
  ],
  [
    'strip-frame',
    'page',
    'in',
    'photo.width 3 1/2, photo.height 5, strip.width 1/2, strip.stock 12, corners closed, sits outside',
    '',
  ],
  [
    'strip-frame',
    'tag',
    'in',
    'photo.width 1 1/8, photo.height 2 1/2, strip.width 1/8, strip.stock 12, corners closed, sits outside',
    '',
  ],
  [
    'strip-frame',
    'a4',
    'mm',
    'photo.width 90, photo.height 130, strip.width 12, strip.stock 305, corners closed, sits outside',
    '',
  ],
  [
    'strip-frame',
    'tag',
    'mm',
    'photo.width 29, photo.height 65, strip.width 3, strip.stock 305, corners closed, sits outside',
    '',
  ],
  [
    'grid',
    'page',
    'in',
    'columns 4, cell.as square, gutter 1/8, spread room, margin.across 1/2, papers 2, large.0.column 1, large.0.row 1, large.0.columns 2, large.0.rows 2, large.0.paper own',
    'large large-1 of 40: {"id":"new","column":3,"row":1,"columns":2,"rows":2,"paper":"pattern"}',
  ],
  [
    'grid',
    'tag',
    'in',
    'columns 3, cell.as square, gutter 1/8, spread room, margin.across 1/8, papers 2, large.0.column 1, large.0.row 1, large.0.columns 2, large.0.rows 2, large.0.paper own',
    'large large-1 of 40: {"id":"new","column":1,"row":3,"columns":2,"rows":2,"paper":"pattern"}',
  ],
  [
    'grid',
    'a4',
    'mm',
    'columns 4, cell.as square, gutter 3, spread room, margin.across 12, papers 2, large.0.column 1, large.0.row 1, large.0.columns 2, large.0.rows 2, large.0.paper own',
    'large large-1 of 40: {"id":"new","column":3,"row":1,"columns":2,"rows":2,"paper":"pattern"}',
  ],
  [
    'grid',
    'tag',
    'mm',
    'columns 3, cell.as square, gutter 3, spread room, margin.across 3, papers 2, large.0.column 1, large.0.row 1, large.0.columns 2, large.0.rows 2, large.0.paper own',
    'large large-1 of 40: {"id":"new","column":1,"row":3,"columns":2,"rows":2,"paper":"pattern"}',
  ],
  [
    'shapes',
    'page',
    'in',
    'figure hexagon, size.flats 2 1/4, pointing points-up, lie moved, edges whole, columns 4, rows 4, gap 1/16, papers 3',
    '',
  ],
  [
    'shapes',
    'tag',
    'in',
    'figure hexagon, size.flats 3/8, pointing points-up, lie moved, edges whole, columns 4, rows 4, gap 1/16, papers 3',
    '',
  ],
  [
    'shapes',
    'a4',
    'mm',
    'figure hexagon, size.flats 30, pointing points-up, lie moved, edges whole, columns 4, rows 4, gap 1, papers 3',
    '',
  ],
  [
    'shapes',
    'tag',
    'mm',
    'figure hexagon, size.flats 8, pointing points-up, lie moved, edges whole, columns 4, rows 4, gap 1, papers 3',
    '',
  ],
  ['half-circles', 'page', 'in', 'cut halves, count 5, spread room, row.gap 0, row.margin 1/2, lie edge, round up', ''],
  ['half-circles', 'tag', 'in', 'cut halves, count 3, spread room, row.gap 0, row.margin 1/8, lie edge, round up', ''],
  ['half-circles', 'a4', 'mm', 'cut halves, count 5, spread room, row.gap 0, row.margin 12, lie edge, round up', ''],
  ['half-circles', 'tag', 'mm', 'cut halves, count 3, spread room, row.gap 0, row.margin 3, lie edge, round up', ''],
  ['pinwheel', 'page', 'in', 'square.side 3, square.short 3/8, square.back own, hub.as paper, number 1', ''],
  ['pinwheel', 'tag', 'in', 'square.side 1 9/16, square.short 3/16, square.back own, hub.as paper, number 1', ''],
  ['pinwheel', 'a4', 'mm', 'square.side 75, square.short 9, square.back own, hub.as paper, number 1', ''],
  ['pinwheel', 'tag', 'mm', 'square.side 40, square.short 5, square.back own, hub.as paper, number 1', ''],
  [
    'burst',
    'page',
    'in',
    'form fan, strip.width 1/2, strip.length 5, count 7, angle.spread 150, towards up, held.by brad',
    'strips  of 48: {"id":"new","length":"5"}',
  ],
  [
    'burst',
    'tag',
    'in',
    'form fan, strip.width 1/8, strip.length 13/16, count 7, angle.spread 150, towards up, held.by brad',
    'strips  of 48: {"id":"new","length":"13/16"}',
  ],
  [
    'burst',
    'a4',
    'mm',
    'form fan, strip.width 12, strip.length 88, count 7, angle.spread 150, towards up, held.by brad',
    'strips  of 48: {"id":"new","length":"88"}',
  ],
  [
    'burst',
    'tag',
    'mm',
    'form fan, strip.width 4, strip.length 21, count 7, angle.spread 150, towards up, held.by brad',
    'strips  of 48: {"id":"new","length":"21"}',
  ],
  [
    'weave',
    'page',
    'in',
    'both alike, upright.count 11, upright.width 3/8, upright.gap 1/16, pattern plain, tail 1/2, stock 12, backing.as none, divide.across 1, divide.up 1',
    '',
  ],
  [
    'weave',
    'tag',
    'in',
    'both alike, upright.count 9, upright.width 1/8, upright.gap 1/16, pattern plain, tail 1/2, stock 12, backing.as none, divide.across 1, divide.up 1',
    '',
  ],
  [
    'weave',
    'a4',
    'mm',
    'both alike, upright.count 11, upright.width 10, upright.gap 1, pattern plain, tail 12, stock 305, backing.as none, divide.across 1, divide.up 1',
    '',
  ],
  [
    'weave',
    'tag',
    'mm',
    'both alike, upright.count 8, upright.width 4, upright.gap 1, pattern plain, tail 12, stock 305, backing.as none, divide.across 1, divide.up 1',
    '',
  ],
  [
    'rays',
    'page',
    'in',
    'centre.at lower-left, hub.radius 3, hub.as paper, ray.width 3/4, ray.tuck 1/2, angles.as even, angles.count 5, sheet.width 12, sheet.height 12, long.how whole',
    '',
  ],
  [
    'rays',
    'tag',
    'in',
    'centre.at lower-left, hub.radius 1/2, hub.as paper, ray.width 1/8, ray.tuck 1/16, angles.as even, angles.count 5, sheet.width 12, sheet.height 12, long.how whole',
    '',
  ],
  [
    'rays',
    'a4',
    'mm',
    'centre.at lower-left, hub.radius 53, hub.as paper, ray.width 13, ray.tuck 8, angles.as even, angles.count 5, sheet.width 305, sheet.height 305, long.how whole',
    '',
  ],
  [
    'rays',
    'tag',
    'mm',
    'centre.at lower-left, hub.radius 13, hub.as paper, ray.width 3, ray.tuck 2, angles.as even, angles.count 5, sheet.width 305, sheet.height 305, long.how whole',
    '',
  ],
  [
    'pocket',
    'page',
    'in',
    'card.width 3, card.height 4, card.from there, play 1/16, glue 1/4, peek 3/4, made patch, opens top, number 1',
    '',
  ],
  [
    'pocket',
    'tag',
    'in',
    'card.width 1 3/16, card.height 2 1/16, card.from there, play 1/16, glue 1/8, peek 5/16, made patch, opens top, number 1',
    '',
  ],
  [
    'pocket',
    'a4',
    'mm',
    'card.width 75, card.height 100, card.from there, play 1.5, glue 6, peek 20, made patch, opens top, number 1',
    '',
  ],
  [
    'pocket',
    'tag',
    'mm',
    'card.width 30, card.height 53, card.from there, play 1.5, glue 3, peek 8, made patch, opens top, number 1',
    '',
  ],
  ['folded-card', 'page', 'in', 'card.width 4 1/4, card.height 5 1/2, fold side, panels front, reveal 1/8', ''],
  ['folded-card', 'tag', 'in', 'card.width 1 3/8, card.height 2 7/16, fold side, panels front, reveal 1/8', ''],
  ['folded-card', 'a4', 'mm', 'card.width 105, card.height 148, fold side, panels front, reveal 3', ''],
  ['folded-card', 'tag', 'mm', 'card.width 35, card.height 62, fold side, panels front, reveal 3', ''],
  ['envelope', 'page', 'in', 'card.width 5 1/2, card.height 4 1/4, play 1/8, flaps.closes slanted', ''],
  ['envelope', 'tag', 'in', 'card.width 1 3/8, card.height 1 3/8, play 1/8, flaps.closes slanted', ''],
  ['envelope', 'a4', 'mm', 'card.width 147, card.height 105, play 3, flaps.closes slanted', ''],
  ['envelope', 'tag', 'mm', 'card.width 35, card.height 35, play 3, flaps.closes slanted', ''],
  ['tag', 'page', 'in', 'tag.width 2, tag.height 4, top cropped, hole.as hole, number 3, gap 1/8', ''],
  ['tag', 'tag', 'in', 'tag.width 9/16, tag.height 2 1/16, top cropped, hole.as hole, number 1', ''],
  ['tag', 'a4', 'mm', 'tag.width 50, tag.height 100, top cropped, hole.as hole, number 3, gap 3', ''],
  ['tag', 'tag', 'mm', 'tag.width 15, tag.height 53, top cropped, hole.as hole, number 1', ''],
  [
    'tabs',
    'page',
    'in',
    'edge top, count 5, spread room, row.gap 1/4, row.margin 1/2, tab.out 1/2, tab.tuck 1/4, tab.made single, corner.how round',
    '',
  ],
  [
    'tabs',
    'tag',
    'in',
    'edge top, count 3, spread room, row.gap 1/8, row.margin 1/8, tab.out 1/4, tab.tuck 1/4, tab.made single, corner.how round',
    '',
  ],
  [
    'tabs',
    'a4',
    'mm',
    'edge top, count 5, spread room, row.gap 6, row.margin 12, tab.out 12, tab.tuck 6, tab.made single, corner.how round',
    '',
  ],
  [
    'tabs',
    'tag',
    'mm',
    'edge top, count 3, spread room, row.gap 3, row.margin 3, tab.out 6, tab.tuck 6, tab.made single, corner.how round',
    '',
  ],
  [
    'journaling',
    'page',
    'in',
    'strip.width 4, strip.letter 1/8, strip.edge 1/16, printed.spacing 3/8, lines 6, placed.gap 1/16',
    '',
  ],
  [
    'journaling',
    'tag',
    'in',
    'strip.width 1 1/2, strip.letter 1/8, strip.edge 1/16, printed.spacing 3/8, lines 4, placed.gap 1/16',
    '',
  ],
  [
    'journaling',
    'a4',
    'mm',
    'strip.width 100, strip.letter 3, strip.edge 1.5, printed.spacing 9, lines 6, placed.gap 1.5',
    '',
  ],
  [
    'journaling',
    'tag',
    'mm',
    'strip.width 38, strip.letter 3, strip.edge 1.5, printed.spacing 9, lines 4, placed.gap 1.5',
    '',
  ],
  [
    'letter-row',
    'page',
    'in',
    'title KITE WEEK, letter.width 1, letter.height 1 1/4, letter.made there, row.gap 1/16',
    '',
  ],
  [
    'letter-row',
    'tag',
    'in',
    'title KITE WEEK, letter.width 3/16, letter.height 3/16, letter.made there, row.gap 1/16',
    '',
  ],
  ['letter-row', 'a4', 'mm', 'title KITE WEEK, letter.width 20, letter.height 25, letter.made there, row.gap 1', ''],
  ['letter-row', 'tag', 'mm', 'title KITE WEEK, letter.width 4, letter.height 6, letter.made there, row.gap 1', ''],
  [
    'stitches',
    'page',
    'in',
    'along panel, ground.width 4, ground.height 6, ground.is cut, inset 1/8, spacing 1/4, stitch running',
    '',
  ],
  [
    'stitches',
    'tag',
    'in',
    'along panel, ground.width 1 3/8, ground.height 2 7/16, ground.is cut, inset 1/8, spacing 1/4, stitch running',
    '',
  ],
  [
    'stitches',
    'a4',
    'mm',
    'along panel, ground.width 100, ground.height 150, ground.is cut, inset 3, spacing 6, stitch running',
    '',
  ],
  [
    'stitches',
    'tag',
    'mm',
    'along panel, ground.width 35, ground.height 62, ground.is cut, inset 3, spacing 6, stitch running',
    '',
  ],
];

test.each(STARTS)('%s in a %s, in %s', (id, room, unit, fields, lists) => {
  const [width, height] = ROOMS[room];
  const table: LayoutContext = {
    unit,
    mark: MARKS[unit === 'in' ? '1/16' : '1 mm'],
    room: { width: lengthOf(width), height: lengthOf(height), seams: [] },
  };
  let n = 0;
  const recipe = recipeOf(id);
  const input = recipe.start(table, () => `i${(n += 1)}`);
  const given = recipe
    .fields(input)
    .flatMap((f) => (f.value === undefined ? [] : [`${f.path.join('.')} ${f.value}`]))
    .join(', ');
  const added = recipe
    .lists(input)
    .map(
      ({ path, ids, most }) =>
        `${path.join('.')} ${ids.join(' ')} of ${most}: ${JSON.stringify(recipe.entry(input, path, table, 'new'))}`,
    )
    .join('; ');
  expect([given, added]).toEqual([fields, lists]);
});

test('none is forgotten', () => expect(new Set(STARTS.map(([id]) => id))).toEqual(new Set(RECIPE_IDS)));

/* What the recipes offer beside their answers. */

const page: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: lengthOf('12'), height: lengthOf('12'), seams: [] },
};
const row = (width: string, length: string, more: object = {}) => ({
  run: 'upright',
  strip: { width, length },
  count: 3,
  spread: 'room',
  row: { gap: '1/4' },
  lengths: { as: 'even', flush: 'start' },
  tuck: {},
  ...more,
});

test.each<[what: string, input: object, paper: [string, string], width: string | null]>([
  ['two come from six, nearly', row('2 1/2', '6'), ['6', '6'], '3'],
  ['five from twelve', row('2 1/2', '6'), ['12', '12'], '2 3/8'],
  ['across the short side of a long one', row('2', '6'), ['12', '3'], '1 1/2'],
  ['laid level, turned', row('2 1/2', '6', { run: 'level' }), ['6', '6'], '3'],
  ['wider than the paper: one', row('7', '6', { count: 1 }), ['6', '6'], '6'],
  ['as long as the paper to the tick', row('2 1/2', '5'), ['4', '5'], '2'],
  ['even already', row('3', '6'), ['6', '6'], null],
  ['too long for it', row('2', '6'), ['5', '5'], null],
])('a width that a paper gives without waste: %s', (_, input, [width, height], even) => {
  const paper = { width: lengthOf(width), height: lengthOf(height) };
  const offers = recipeOf('strips').toComeFrom(input, page, 'strip', paper);
  expect(offers).toEqual(even === null ? [] : [{ path: ['strip', 'width'], length: lengthOf(even) }]);
  expect(recipeOf('strips').toComeFrom(input, page, 'no such blank', paper)).toEqual([]);
});

test.each<[gap: string, count: number, status: string]>([
  ['-1', 3, 'refused'],
  ['-1 1/16', 3, 'refused'],
  ['-15/16', 3, 'solved'],
  ['-1', 1, 'solved'],
])('strips an inch wide, %s apart, %i of them: %s', (gap, count, status) => {
  const solved = recipeOf('strips').solve(row('1', '6', { count, row: { gap } }), page);
  expect(solved.status).toBe(status);
  if (solved.status === 'refused')
    expect(solved.problems).toEqual([{ code: 'size-not-positive', path: ['row', 'gap'], size: lengthOf(gap, 'in') }]);
});

test('what stays as it is when a length of a band is emptied', () => {
  const { standsStill } = recipeOf('block-band');
  const input = recipeOf('block-band').start(page, () => 'b');
  const widths = [0, 1, 2].map((i) => ['blocks', i, 'width']);
  expect(standsStill(input, ['band', 'long'])).toEqual(widths);
  expect(standsStill(input, ['blocks', 0, 'width'])).toEqual([['band', 'long'], ...widths]);
});

test('a tuck at the other end is typed there, a margin of nothing nowhere', () => {
  const input = row('4', '6', { tuck: { end: '1/2' }, row: { gap: '0' } });
  const solved = recipeOf('strips').solve(input, page);
  const dims = solved.status === 'solved' ? solved.laid.dims.filter((d) => d.kind === 'leader') : [];
  expect(dims).toEqual([
    { kind: 'leader', path: ['row', 'gap'], at: { x: lengthOf('4'), y: lengthOf('4 1/2') } },
    { kind: 'leader', path: ['tuck', 'end'], at: { x: lengthOf('2'), y: lengthOf('6 1/4') } },
  ]);
});

test.each<[length: string, shortest: string, depth: string, offer: string | null]>([
  ['3', '4', '1', '2 15/16'],
  ['3', '3', '1', null],
  // nothing between the end and the whole length
  ['3', '4', '2 15/16', null],
  ['3', '2', '2', '2 15/16'],
])('banners of %s, the shortest %s, ends of %s', (length, shortest, depth, offer) => {
  const input = {
    strip: { width: '1', length },
    count: 3,
    spread: 'room',
    row: { gap: '1/4' },
    end: { shape: 'notch', longer: 'left', depth },
    ragged: { shortest },
  };
  const solved = recipeOf('banner-strip').solve(input, page);
  if (length === shortest) return expect(solved.status).toBe('solved');
  expect(solved).toMatchObject({ status: 'refused', problems: [{ why: 'shortest-too-long' }] });
  expect(solved.status === 'refused' && solved.offers).toEqual(
    offer === null ? [] : [{ path: ['ragged', 'shortest'], length: lengthOf(offer) }],
  );
});

test.each<[crop: object, offcuts: string[]]>([
  [{ width: '9 1/2', height: '10', left: '1/2', top: '0' }, ['1/2', '12', '2', '12', '9 1/2', '2']],
  [{ width: '9', height: '12' }, ['1 1/2', '12', '1 1/2', '12']],
  [{ width: '12', height: '9', top: '0' }, ['12', '3']],
  [{ width: '12', height: '9', top: '1' }, ['12', '1', '12', '2']],
])('a scene cut to %j leaves these', (crop, offcuts) => {
  const input = {
    print: { width: '12', height: '12', known: 'measured' },
    image: {},
    crop: { keep: 'trim', across: 'centre', upDown: 'centre', ...crop },
  };
  const solved = recipeOf('photo').solve(input, page);
  const fact = solved.status === 'solved' ? solved.laid.facts.find((f) => f.name === 'offcuts') : undefined;
  expect(fact?.lengths).toEqual(offcuts.map((text) => lengthOf(text)));
});

test('of two halves the upper one goes to the nearest mark, the lower one reaches', () => {
  const input = { along: 'left', cover: '5 1/64', beneath: { reach: 'tucked', tuck: '1/4' } };
  const solved = recipeOf('half-base').solve(input, page);
  const laid = solved.status === 'solved' ? solved.laid : null;
  expect(laid?.blanks.map(({ key, width }) => [key, width])).toEqual([
    ['beneath', lengthOf('7 1/4')],
    ['cover', lengthOf('5')],
  ]);
  expect(laid?.slots.map(({ key, box }) => [key, box.x, box.width])).toEqual([
    ['beneath', lengthOf('5 1/64'), lengthOf('6 63/64')],
    ['cover', 0, lengthOf('5 1/64')],
  ]);
});

test('nothing stands at a path that leads through nothing', () => {
  for (const input of [null, undefined, 4, 'kite', { a: null }, { a: 'kite' }])
    expect(valueAt(input, ['a', 'length'])).toBeUndefined();
  expect(valueAt({ a: ['kite'] }, ['a', 0])).toBe('kite');
});
