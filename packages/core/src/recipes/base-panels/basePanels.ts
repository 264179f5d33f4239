import { z } from 'zod';
import { ZERO, lengthOf, ticks } from '../../length/index.ts';
import { overhangPastEdges, rect, shiftRect, type Edge, type Finish, type Rect } from '../../geometry/index.ts';
import { countAt, lengthAt, parseTicks, type ParsedValue } from '../../line/index.ts';
import { isUnder, isSamePath, type Field, type FieldPath } from '../fields.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import {
  MAX_LAYERS,
  chainArithmetic,
  layerFields,
  layersSchema,
  loosenNestedReveals,
  nestedYieldOrder,
  nestedFixedPaths,
  setNestedValue,
  listRevealDims,
  listRevealFacts,
  sizeFields,
  sizeKeys,
  solveChain,
  type Chain,
} from '../nested.ts';
import type { Blank } from '../blanks.ts';
import type { Dim, LaidOut, Layer, Recipe, Room, LayoutContext } from '../recipe.ts';
import {
  keysAlong,
  restyleReveal,
  revealFields,
  revealKeys,
  revealSchema,
  type Reveal,
  type RevealStyle,
} from '../reveals.ts';
import { LAYER_FLAGS, LAYER_PLACES, repeatCountedLayers, readLayers, loosenWhereNeeded } from '../revealsSaid.ts';

/*
 * Without shaving the base is as large as its room. A page that is shaved is finished at its full size, then trimmed all round and
 * backed with a sheet of the full size, of which a reveal shows: a mat for the whole page.
 */

const basePanelsSchema = z.strictObject({
  /** Inward from the base, each on the one before. A reveal below 0 bleeds off and is trimmed flush. */
  panels: layersSchema,
  /** Left out: the page stays as large as it is. */
  shave: z.strictObject({ reveal: revealSchema, ...sizeKeys }).optional(),
});
export type BasePanelsInput = z.infer<typeof basePanelsSchema>;

const ROOM: FieldPath = ['room'];
const PANELS: FieldPath = ['panels'];
const SHAVE: FieldPath = ['shave'];
const EDGE: FieldPath = ['edge'];
const panelAt = (i: number): FieldPath => ['panels', i];

/** Said of nothing, it is enough to be seen, and to cut off what does not lie quite true. */
function shavedBy({ reveal, width, height }: NonNullable<BasePanelsInput['shave']>, table: LayoutContext): Reveal {
  const said = width !== undefined || height !== undefined || reveal.style !== 'even' || reveal.all !== undefined;
  return said ? reveal : { style: 'even', all: usualShave(table) };
}
const usualShave = (table: LayoutContext): string => (table.unit === 'in' ? '1/8' : '3');

/** From the innermost outward, so the room comes last. */
const chainOf = ({ panels, shave }: BasePanelsInput, table: LayoutContext): Chain => {
  const { room } = table;
  const outward = [...panels.entries()].reverse();
  return {
    levels: [
      ...outward.map(([i, { width, height }]) => ({ path: panelAt(i), width, height })),
      ...(shave ? [{ path: SHAVE, width: shave.width, height: shave.height }] : []),
      { path: ROOM, fixed: room },
    ],
    gaps: [
      ...outward.map(([i, { reveal }]) => ({ path: panelAt(i), reveal })),
      ...(shave ? [{ path: SHAVE, reveal: shavedBy(shave, table) }] : []),
    ],
    seams: room.seams,
  };
};

const BASE = { key: 'base', role: 'base', n: 1 } as const;
const MAT = { key: 'page-mat', role: 'page-mat', n: 1 } as const;
const baseLayer = ({ width, height }: Room): Layer =>
  makeLayer({ ...BASE, box: { x: ZERO, y: ZERO, width, height }, group: ROOM, sized: null });

/** The base alone, to show where its panels cannot be. */
const baseAlone = (room: Room): LaidOut => ({
  size: { width: room.width, height: room.height },
  layers: [baseLayer(room)],
  blanks: [],
  slots: [],
  dims: [],
  facts: [],
});

/** The part of a box that lies on the page, and what has to come off it. */
function flush(box: Rect, page: Rect): { box: Rect; finish: Finish[] } {
  const past = overhangPastEdges(shiftRect(box, { x: -page.x, y: -page.y }), page);
  const over = (edge: Edge) => ticks(Math.max(0, past[edge]));
  const off = { left: over('left'), right: over('right'), top: over('top'), bottom: over('bottom') };
  if (!off.left && !off.right && !off.top && !off.bottom) return { box, finish: [] };
  const [width, height] = [box.width - off.left - off.right, box.height - off.top - off.bottom];
  return {
    box: rect(box.x + off.left, box.y + off.bottom, width, height),
    finish: [{ do: 'trim', when: 'glued', ...off }],
  };
}

const usualReveal = (table: LayoutContext): string => (table.unit === 'in' ? '1/2' : '12');

const PAGE_WORDS = ['page', 'layout', 'album', 'base', 'background'];

/** A base as large as its room, and panels on it, each inside the one before. */
export const basePanels: Recipe<'base-panels', BasePanelsInput> = {
  id: 'base-panels',
  version: 1,
  input: basePanelsSchema,
  migrations: [],
  advice: [],
  hand: null,
  takesOutline: null,
  roles: ['base', 'panel', 'page-mat'],
  reasons: ['off-page', 'nothing-shaved'],
  phrases: [
    'panels 3/8 1/2',
    'panel 1/2',
    'panels 10 mm, 25 mm',
    'panels 11 1/4 square, 9 1/2 square',
    'base shaved 1/8',
    'panel 1/2, shave the page 1/8 all round',
  ],
  beneath: { panels: [] },

  start: (table, newId) => {
    const narrow = Math.min(table.room.width, table.room.height) < lengthOf('4', 'in');
    const all = table.unit === 'in' ? (narrow ? '1/8' : '1/2') : narrow ? '3' : '12';
    return { panels: [{ id: newId(), reveal: { style: 'even', all } }] };
  },
  fields: ({ panels, shave }): readonly Field[] => [
    { kind: 'choice', path: EDGE, group: ROOM, value: shave ? 'shaved' : 'whole', options: ['whole', 'shaved'] },
    ...(shave ? [...revealFields(SHAVE, shave.reveal), ...sizeFields(SHAVE, shave)] : []),
    ...layerFields('panels', panels),
  ],
  lists: ({ panels }) => [{ path: PANELS, ids: panels.map((p) => p.id), most: MAX_LAYERS }],
  entry: (_input, _list, table, id) => ({ id, reveal: { style: 'even', all: usualReveal(table) } }),
  put: (input, path, value) => {
    const { shave, ...rest } = input;
    if (isSamePath(path, EDGE))
      return value === 'shaved' ? { ...rest, shave: shave ?? { reveal: { style: 'even' } } } : rest;
    if (shave && isSamePath(path, [...SHAVE, 'reveal', 'style']))
      return { ...rest, shave: { ...shave, reveal: restyleReveal(shave.reveal, value as RevealStyle) } };
    return setNestedValue(input, input.panels, 'panels', path, value);
  },
  givesWay: ({ panels, shave }, path) => {
    if (!shave) return nestedYieldOrder('panels', panels, [], path);
    const { style } = shave.reveal;
    const reveals = (keys: readonly string[]) => keys.map((key): FieldPath => [...SHAVE, 'reveal', key]);
    const sizes: FieldPath[] = [
      [...SHAVE, 'width'],
      [...SHAVE, 'height'],
    ];
    if (!isUnder(path, SHAVE))
      return nestedYieldOrder('panels', panels, [...sizes, ...reveals(revealKeys(style))], path);
    const end = path.at(-1);
    return { own: end === 'width' || end === 'height' ? reveals(keysAlong(style, end)) : sizes, others: [] };
  },
  standsStill: ({ panels, shave }, path) => {
    if (!shave || !isUnder(path, SHAVE)) return nestedFixedPaths('panels', panels, path);
    const end = path.at(-1);
    if (end === 'width' || end === 'height')
      return keysAlong(shave.reveal.style, end).map((key) => [...SHAVE, 'reveal', key]);
    const facing = { left: 'right', right: 'left', top: 'bottom', bottom: 'top' }[String(end)];
    const other = shave.reveal.style === 'four' && facing ? [[...SHAVE, 'reveal', facing]] : [];
    return [[...SHAVE, 'width'], [...SHAVE, 'height'], ...other];
  },
  loosened: (input, path) => {
    const { shave } = input;
    const sized = isUnder(path, SHAVE) && (path.at(-1) === 'width' || path.at(-1) === 'height');
    if (shave && sized && shave.reveal.style === 'even')
      return { ...input, shave: { ...shave, reveal: { style: 'two' } } };
    return loosenNestedReveals(input, input.panels, 'panels', path);
  },
  arithmetic: (input, table) => chainArithmetic(chainOf(input, table), table),

  solve: (input, table) => {
    const { room } = table;
    const chain = chainOf(input, table);
    const solved = solveChain(chain, table);
    if (!solved.ok) return { status: 'refused', problems: solved.problems, offers: [], instead: baseAlone(room) };
    const { levels, gaps, solution, suggestions } = solved.answer;
    const { panels, shave } = input;
    const whole = rect(0, 0, room.width, room.height);
    // the chain answers from the innermost outward: what is shaved off comes last
    const shaved = shave ? gaps.at(-1)! : { left: ZERO, right: ZERO, top: ZERO, bottom: ZERO };
    const size = shave ? levels.at(-2)! : room;
    const page = rect(shaved.left, shaved.bottom, size.width, size.height);
    if (shave && Object.values(shaved).some((t) => t < 0)) {
      const problem = { code: 'own', why: 'nothing-shaved', path: SHAVE, lengths: [size.width, size.height] } as const;
      return { status: 'refused', problems: [problem], offers: [], instead: baseAlone(room) };
    }
    const base = makeBlank(BASE, room, table.mark, 'nearest');
    const sized = { width: [...SHAVE, 'width'], height: [...SHAVE, 'height'] };
    const layers: Layer[] = [{ ...baseLayer(room), box: page, ...(shave ? { group: SHAVE, sized } : {}) }];
    const blanks: Blank[] = [base];
    const dims: Dim[] = [];
    const shown: Parameters<typeof listRevealFacts>[0][number][] = [];
    if (shave) {
      blanks[0] = { ...base, finish: [{ do: 'trim', when: 'finished', ...shaved }] };
      layers.unshift(makeLayer({ ...MAT, box: whole, group: ROOM, sized: null }));
      blanks.unshift(makeBlank(MAT, room, table.mark, 'nearest'));
      dims.push(...listRevealDims(SHAVE, shave.reveal, page, whole, solution, room.seams));
      shown.push({ path: SHAVE, reveal: shave.reveal, inner: page, outer: whole });
    }
    let below = page;
    const off: FieldPath[] = [];
    panels.forEach(({ id, reveal }, i) => {
      const at = panels.length - 1 - i;
      const [{ width, height }, reveals] = [levels[at]!, gaps[at]!];
      const box = rect(below.x + reveals.left, below.y + reveals.bottom, width, height);
      const panel = { key: id, role: 'panel', n: i + 1 };
      const lying = flush(box, page);
      if (lying.box.width <= 0 || lying.box.height <= 0) off.push(panelAt(i));
      layers.push(makeLayer({ ...panel, box: lying.box, group: panelAt(i), entry: { list: PANELS, id } }));
      blanks.push({ ...makeBlank(panel, { width, height }, table.mark, 'nearest'), finish: lying.finish });
      dims.push(...listRevealDims(panelAt(i), reveal, box, below, solution, room.seams));
      shown.push({ path: panelAt(i), reveal, inner: box, outer: below });
      below = box;
    });
    if (off.length) {
      const problems = off.map((path) => ({ code: 'own' as const, why: 'off-page', path, lengths: [] }));
      return { status: 'refused', problems, offers: [], instead: baseAlone(room) };
    }
    return {
      status: 'solved',
      laid: {
        size: { width: room.width, height: room.height },
        layers,
        blanks,
        slots: layers.filter((l) => l.role === 'panel').map(({ key, role, n, box }) => ({ key, role, n, box })),
        dims: [...dims, ...innermostSize(layers, panels.length)],
        facts: listRevealFacts(shown, solution),
      },
      values: solution.values,
      sums: solution.sums,
      suggestions,
    };
  },

  grammar: {
    heads: ['panel', 'base', 'background', 'backing', 'shave', 'page-mat', 'layer'],
    places: {
      page: { kind: 'size', words: PAGE_WORDS, alone: true, after: PAGE_WORDS },
      ground: { kind: 'size', words: ['on', 'onto', 'than', 'from', 'for'], alone: true },
      ...LAYER_PLACES,
      layers: repeatCountedLayers(['panel', 'layer']),
      shave: { kind: 'length', words: ['shave', 'trim'], alone: true },
      size: { kind: 'size', words: ['size'], many: true, alone: true },
    },
    flags: LAYER_FLAGS,
    usual: ['reveal', 'size'],
    idle: ['off', 'round', 'around', 'inset', 'smaller', 'inside', 'nested', 'even', 'then', 'another', 'next'],
  },
  /** Reveals and sizes inward from the edge of the room. */
  read: (heard, table, newId) => {
    const beside = heard.heads.has('page-mat') ? lengthAt(heard, 'reveal') : undefined;
    // `page mat 11 1/2` is how large it is
    const isLarge = parseTicks(beside, table.unit) * 2 >= Math.min(table.room.width, table.room.height);
    const mat = isLarge ? undefined : beside;
    const values = sizesAmong(heard.values, table).filter(({ place }) => !(mat && place === 'reveal'));
    const panels = readLayers({ ...heard, values }, 'size', newId);
    const said = lengthAt(heard, 'shave') ?? mat;
    const shaved = said !== undefined || heard.flags.has('shave') || (heard.heads.has('page-mat') && !isLarge);
    if (!panels.length && !shaved) return null;
    // `two panels 4 x 6`: what the other is like was not said
    const counted = countAt(heard, 'layers');
    if (counted !== undefined && counted !== panels.length) return null;
    const all = said ?? usualShave(table);
    const shave = shaved ? { shave: { reveal: { style: 'even' as const, all } } } : {};
    const solve = (layers: typeof panels) => basePanels.solve({ panels: [...layers], ...shave }, table);
    return { panels: [...loosenWhereNeeded(panels, (layers) => solve([...layers]))], ...shave };
  },
  toComeFrom: () => [],
  onward: () => [],
};

/** The size of the innermost panel is typed in its middle. */
function innermostSize(layers: readonly Layer[], count: number): Dim[] {
  const group = panelAt(count - 1);
  return count
    ? [
        {
          kind: 'inside',
          paths: [
            [...group, 'width'],
            [...group, 'height'],
          ],
          box: layers.at(-1)!.box,
        },
      ]
    : [];
}

/** `bases 12, 11 1/4, 9 1/2`: what is too wide to be a reveal is how wide a square panel is; the first as large as the page is the page. */
function sizesAmong(values: readonly ParsedValue[], { room, unit }: LayoutContext): readonly ParsedValue[] {
  const read = (text: string | undefined) => parseTicks(text, unit);
  const square = room.width === room.height;
  const sized = values.map((v) =>
    square && v.place === 'reveal' && 2 * read(v.texts[0]) >= room.width
      ? { ...v, place: 'size', texts: [v.texts[0]!, v.texts[0]!] }
      : v,
  );
  const [first] = sized;
  const whole = first?.place === 'size' && read(first.texts[0]) === room.width && read(first.texts[1]) === room.height;
  return whole && sized.length > 1 ? sized.slice(1) : sized;
}
