import { z } from 'zod';
import { ZERO, lengthOf } from '../../length/index.ts';
import { rect } from '../../geometry/index.ts';
import type { FieldPath } from '../fields.ts';
import { blankOf, layerOf } from '../laying.ts';
import {
  MOST_LAYERS,
  chainArithmetic,
  layerFields,
  layersSchema,
  loosenedNested,
  nestedGivesWay,
  nestedStandsStill,
  putNested,
  revealDims,
  revealFacts,
  solveChain,
  type Chain,
} from '../nested.ts';
import type { Dim, Laid, Layer, Recipe, Room, Table } from '../recipe.ts';
import { LAYER_PLACES, layersSaid, unevenWhereNeeded } from '../revealsSaid.ts';

const basePanelsSchema = z.strictObject({
  /** Inward from the base, each on the one before. A reveal below 0 bleeds off and is trimmed flush. */
  panels: layersSchema,
});
export type BasePanelsInput = z.infer<typeof basePanelsSchema>;

const ROOM: FieldPath = ['room'];
const PANELS: FieldPath = ['panels'];
const panelAt = (i: number): FieldPath => ['panels', i];

/** From the innermost outward, so the room comes last. */
const chainOf = ({ panels }: BasePanelsInput, room: Room): Chain => {
  const outward = [...panels.entries()].reverse();
  return {
    levels: [
      ...outward.map(([i, { width, height }]) => ({ path: panelAt(i), width, height })),
      { path: ROOM, fixed: room },
    ],
    gaps: outward.map(([i, { reveal }]) => ({ path: panelAt(i), reveal })),
    seams: room.seams,
  };
};

const BASE = { key: 'base', role: 'base', n: 1 } as const;
const baseLayer = ({ width, height }: Room): Layer =>
  layerOf({ ...BASE, box: { x: ZERO, y: ZERO, width, height }, group: ROOM, sized: null });

/** The base alone, to show where its panels cannot be. */
const baseAlone = (room: Room): Laid => ({
  size: { width: room.width, height: room.height },
  layers: [baseLayer(room)],
  blanks: [],
  slots: [],
  dims: [],
  facts: [],
});

const usualReveal = (table: Table): string => (table.unit === 'in' ? '1/2' : '12');

/** A base as large as its room, and panels on it, each inside the one before. */
export const basePanels: Recipe<'base-panels', BasePanelsInput> = {
  id: 'base-panels',
  version: 1,
  input: basePanelsSchema,
  migrations: [],
  roles: ['base', 'panel'],
  reasons: [],
  phrases: ['panels 3/8 1/2', 'panel 1/2', 'panels 10 mm, 25 mm', 'panels 11 1/4 square, 9 1/2 square'],
  beneath: { panels: [] },

  start: (table, newId) => {
    const narrow = Math.min(table.room.width, table.room.height) < lengthOf('4', 'in');
    const all = table.unit === 'in' ? (narrow ? '1/8' : '1/2') : narrow ? '3' : '12';
    return { panels: [{ id: newId(), reveal: { style: 'even', all } }] };
  },
  fields: ({ panels }) => layerFields('panels', panels),
  lists: ({ panels }) => [{ path: PANELS, ids: panels.map((p) => p.id), most: MOST_LAYERS }],
  entry: (_input, _list, table, id) => ({ id, reveal: { style: 'even', all: usualReveal(table) } }),
  put: (input, path, value) => putNested(input, input.panels, 'panels', path, value),
  givesWay: ({ panels }, path) => nestedGivesWay('panels', panels, [], path),
  standsStill: ({ panels }, path) => nestedStandsStill('panels', panels, path),
  loosened: (input, path) => loosenedNested(input, input.panels, 'panels', path),
  arithmetic: (input, table) => chainArithmetic(chainOf(input, table.room), table),

  solve: (input, table) => {
    const { room } = table;
    const chain = chainOf(input, room);
    const solved = solveChain(chain, table);
    if (!solved.ok) return { status: 'refused', problems: solved.problems, offers: [], instead: baseAlone(room) };
    const { levels, gaps, solution, suggestions } = solved.answer;
    const { panels } = input;
    const [layers, dims]: [Layer[], Dim[]] = [[baseLayer(room)], []];
    const shown: Parameters<typeof revealFacts>[0][number][] = [];
    const blanks = [blankOf(BASE, room, table.mark, 'nearest')];
    panels.forEach(({ id, reveal }, i) => {
      // the chain answers from the innermost outward
      const at = panels.length - 1 - i;
      const [{ width, height }, reveals, below] = [levels[at]!, gaps[at]!, layers[i]!.box];
      const box = rect(below.x + reveals.left, below.y + reveals.bottom, width, height);
      const panel = { key: id, role: 'panel', n: i + 1 };
      layers.push(layerOf({ ...panel, box, group: panelAt(i), entry: { list: PANELS, id } }));
      blanks.push(blankOf(panel, { width, height }, table.mark, 'nearest'));
      dims.push(...revealDims(panelAt(i), reveal, box, below, solution, room.seams));
      shown.push({ path: panelAt(i), reveal, inner: box, outer: below });
    });
    return {
      status: 'solved',
      laid: {
        size: { width: room.width, height: room.height },
        layers,
        blanks,
        slots: layers.slice(1).map(({ key, role, n, box }) => ({ key, role, n, box })),
        dims: [...dims, ...innermostSize(layers, panels.length)],
        facts: revealFacts(shown, solution),
      },
      values: solution.values,
      sums: solution.sums,
      suggestions,
    };
  },

  grammar: {
    heads: ['panel', 'base', 'background', 'backing'],
    places: { ...LAYER_PLACES, size: { kind: 'size', words: ['size'], many: true, alone: true } },
    usual: ['reveal', 'size'],
    idle: ['inset', 'smaller', 'inside', 'layer', 'nested', 'page', 'even'],
  },
  /** Reveals and sizes inward from the edge of the room. */
  read: (heard, table, newId) => {
    const panels = layersSaid(heard, 'size', newId);
    if (!panels.length) return null;
    const solve = (layers: typeof panels) => basePanels.solve({ panels: [...layers] }, table);
    return { panels: [...unevenWhereNeeded(panels, (layers) => solve([...layers]))] };
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
          box: layers[count]!.box,
        },
      ]
    : [];
}
