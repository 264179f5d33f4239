import { z } from 'zod';
import { exact, lengthOf, lengthText, ticks, type Ticks } from '../../length/index.ts';
import { rect, type Finish, type Point, type Size } from '../../geometry/index.ts';
import { countAt, lengthAt, sizeAt } from '../../line/index.ts';
import type { Blank } from '../blanks.ts';
import { countField, fieldKey, lengthField, isSamePath, withValue, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer, outerDimsOf } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths, capLength } from '../plain.ts';
import type { Arithmetic, Fact, Layer, Recipe, LayoutContext } from '../recipe.ts';
import { term, type Equation } from '../sums.ts';

/*
 * A folded card: its base is cut larger and folded; a panel lies on its front with a reveal, and another inside if wanted.
 *
 *     side: base 2 × as wide      top: base 2 × as high      gate: 2 × as wide, folded a quarter in     accordion: n × as wide
 *     +-----+-----+               +-----+                    +--+-----+--+                              +---+---+---+
 *     |     :     |               |.....|                    |  :     :  |                              |   :   :   |
 *     +-----+-----+               +-----+                    +--+-----+--+                              +---+---+---+
 */

const FOLDS = ['side', 'top', 'gate', 'accordion'] as const;
const PANELS = ['front', 'both', 'none'] as const;
const MAX_LEAVES = 12;
const size = { width: lengthText().optional(), height: lengthText().optional() };

const foldedCardSchema = z.strictObject({
  card: z.strictObject(size),
  fold: z.enum(FOLDS),
  /** Of an accordion: how many leaves. */
  leaves: z.int().min(2).max(MAX_LEAVES),
  base: z.strictObject(size),
  panels: z.enum(PANELS),
  panel: z.strictObject(size),
  reveal: lengthText({ allow: 'zero' }).optional(),
});
export type FoldedCardInput = z.infer<typeof foldedCardSchema>;

const CARD: FieldPath = ['card'];
const BASE: FieldPath = ['base'];
const PANEL: FieldPath = ['panel'];
const REVEAL: FieldPath = ['reveal'];
const LEAVES: FieldPath = ['leaves'];
const AXES = ['width', 'height'] as const;
type Axis = (typeof AXES)[number];
const along = (group: FieldPath, axis: Axis): FieldPath => [...group, axis];

/** How many times as long as the card its base is, along each axis. */
const times = ({ fold, leaves }: FoldedCardInput, axis: Axis): number =>
  fold === 'top' ? (axis === 'height' ? 2 : 1) : axis === 'height' ? 1 : fold === 'accordion' ? leaves : 2;

/** What is seen of the front at once: of a gate, half of it each. */
const frontsOf = ({ fold }: FoldedCardInput): number => (fold === 'gate' ? 2 : 1);

function arithmetic(input: FoldedCardInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  const equations: Equation[] = [];
  for (const axis of AXES) {
    give(along(CARD, axis), input.card[axis]);
    give(along(BASE, axis), input.base[axis]);
    equations.push([term(along(BASE, axis), 1), term(along(CARD, axis), -times(input, axis))]);
    if (input.panels === 'none') continue;
    give(along(PANEL, axis), input.panel[axis]);
    // of a gate there is a panel on each half
    const halves = axis === 'width' ? frontsOf(input) : 1;
    equations.push([term(along(CARD, axis), 1), term(along(PANEL, axis), -halves), term(REVEAL, -2 * halves)]);
  }
  if (input.panels !== 'none') give(REVEAL, input.reveal, 'assumed', 'zero');
  return { equations, givens, problems };
}

/** A folded card: how its base is cut, where it is folded, how large the panels on it are. */
export const foldedCard: Recipe<'folded-card', FoldedCardInput> = {
  ...PLAIN_RECIPE,
  id: 'folded-card',
  input: foldedCardSchema,
  roles: ['base', 'panel', 'inside', 'front'],
  reasons: ['panel-larger'],
  phrases: [
    'card 4 1/4 x 5 1/2 folded at the side, reveal 1/8',
    'folded card 5 x 7, panel reveal 1/4',
    'tent card 3 x 4, top fold',
    'gate fold card 5 x 5, reveal 1/8',
    'accordion of 4 leaves 3 x 4, reveal 1/8',
    'folded card 105 mm x 148 mm, reveal 3 mm',
  ],

  start: (table) => {
    const { unit, room } = table;
    const inch = unit === 'in';
    const fit = (wished: string, most: number) => capLength(wished, most, table);
    return {
      card: {
        width: fit(inch ? '4 1/4' : '105', room.width * 0.7),
        height: fit(inch ? '5 1/2' : '148', room.height * 0.7),
      },
      fold: 'side',
      leaves: 4,
      base: {},
      panels: 'front',
      panel: {},
      reveal: inch ? '1/8' : '3',
    };
  },
  fields: (input): readonly Field[] => {
    const { card, fold, leaves, base, panels, panel, reveal } = input;
    const sized = (group: FieldPath, own: FoldedCardInput['card']) =>
      AXES.map((axis) => lengthField(along(group, axis), own[axis]));
    return [
      ...sized(CARD, card),
      { kind: 'choice', path: ['fold'], group: CARD, value: fold, options: FOLDS },
      ...(fold === 'accordion' ? [countField(LEAVES, leaves, { most: MAX_LEAVES, group: CARD })] : []),
      ...sized(BASE, base),
      { kind: 'choice', path: ['panels'], group: PANEL, value: panels, options: PANELS },
      ...(panels === 'none'
        ? []
        : [lengthField(REVEAL, reveal, { allow: 'zero', group: PANEL }), ...sized(PANEL, panel)]),
    ];
  },
  put: (input, path, value) => {
    if (isSamePath(path, LEAVES) && typeof value === 'number')
      return { ...input, leaves: Math.max(2, Math.min(MAX_LEAVES, value)) };
    return withValue(input, path, value);
  },
  givesWay: (_input, path) => {
    const axis = path.at(-1) as Axis;
    const other = axis === 'width' ? 'height' : 'width';
    if (path[0] === 'card') return { own: [along(BASE, axis), along(PANEL, axis)], others: [REVEAL] };
    if (path[0] === 'base') return { own: [along(CARD, axis), along(PANEL, axis)], others: [REVEAL] };
    if (path[0] === 'panel')
      return { own: [REVEAL, along(PANEL, other)], others: [along(CARD, axis), along(BASE, axis)] };
    return {
      own: AXES.map((one) => along(PANEL, one)),
      others: AXES.flatMap((one) => [along(CARD, one), along(BASE, one)]),
    };
  },
  standsStill: (input, path) => {
    const axis = path.at(-1) as Axis;
    if (path[0] === 'card') return [along(BASE, axis)];
    if (path[0] === 'base') return [along(CARD, axis)];
    if (path[0] === 'panel') return [REVEAL, along(CARD, axis)];
    return [along(PANEL, 'width'), ...(input.panel.height === undefined ? [along(PANEL, 'height')] : [])];
  },
  arithmetic,

  solve: (input, table) => {
    const { solution, problems, near } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const { fold, panels, leaves } = input;
    const panelled = panels !== 'none';
    const sized = [CARD, BASE, ...(panelled ? [PANEL] : [])].flatMap((group) => AXES.map((axis) => along(group, axis)));
    const reveal = panelled ? near(REVEAL) : ticks(0);
    if (reveal < 0) {
      const axis = AXES.find((one) => input.panel[one] !== undefined) ?? 'width';
      const lengths = [near(along(PANEL, axis)), near(along(CARD, axis))];
      return makeRefusal([{ code: 'own', why: 'panel-larger', path: along(PANEL, axis), lengths }]);
    }
    const none = findNotPositive(sized, near);
    if (none.length) return makeRefusal(none);
    const of = (group: FieldPath): Size => ({
      width: near(along(group, 'width')),
      height: near(along(group, 'height')),
    });
    const [card, base] = [of(CARD), of(BASE)];
    const at = (x: number, y: number): Point => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
    const upright = (x: number): Finish => ({ do: 'fold', from: at(x, 0), to: at(x, base.height) });
    const folds: Finish[] =
      fold === 'top'
        ? [{ do: 'fold', from: at(0, card.height), to: at(base.width, card.height) }]
        : fold === 'side'
          ? [upright(card.width)]
          : fold === 'gate'
            ? [upright(card.width / 2), upright(card.width * 1.5)]
            : Array.from({ length: leaves - 1 }, (_, i) => upright((i + 1) * card.width));
    const fronts = frontsOf(input);
    const blanks: Blank[] = [
      makeBlank({ key: 'base', role: 'base', n: 1, finish: folds, makes: fronts }, base, table.mark, 'nearest'),
    ];
    const half = card.width / fronts;
    const layers: Layer[] = Array.from({ length: fronts }, (_, i): Layer => {
      const x = Math.round(i * half);
      const box = rect(x, 0, Math.round((i + 1) * half) - x, card.height);
      return makeLayer({
        key: `base-${i + 1}`,
        role: 'base',
        n: i + 1,
        box,
        blank: 'base',
        group: CARD,
        ...(i ? { along: true } : {}),
      });
    });
    const panel = panelled ? of(PANEL) : null;
    const inside =
      panels === 'both' ? { width: ticks(card.width - 2 * reveal), height: ticks(card.height - 2 * reveal) } : null;
    if (panel) {
      layers.push(
        ...Array.from({ length: fronts }, (_, i): Layer => {
          const box = rect(Math.round(i * half) + reveal, reveal, panel.width, panel.height);
          return makeLayer({ key: `panel-${i + 1}`, role: 'panel', n: i + 1, box, blank: 'panel', group: PANEL });
        }),
      );
      blanks.push(makeBlank({ key: 'panel', role: 'panel', n: 1, quantity: fronts }, panel, table.mark, 'down'));
      // it lies within, where it is not seen while the card is closed
      if (inside) blanks.push(makeBlank({ key: 'inside', role: 'inside', n: 1, makes: 0 }, inside, table.mark, 'down'));
    }
    const facts: Fact[] = [
      {
        name: `folds-${fold}`,
        lengths: folds.map((f) => (f.do === 'fold' ? (fold === 'top' ? f.from.y : f.from.x) : ticks(0))),
      },
      ...(inside ? [{ name: 'inside', lengths: [inside.width, inside.height] }] : []),
      { name: 'envelope', lengths: envelopeFor(card, table) },
    ];
    const values = new Map(solution.values);
    if (fold === 'accordion') values.set(fieldKey(LEAVES), exact(leaves));
    const box =
      panel && fronts === 1 ? rect(reveal, reveal, panel.width, panel.height) : rect(0, 0, card.width, card.height);
    return {
      status: 'solved',
      laid: {
        size: card,
        layers,
        blanks,
        slots: [{ key: panel && fronts === 1 ? 'panel-1' : 'front', role: 'front', n: 1, box }],
        dims: [
          ...outerDimsOf(CARD, card),
          ...(panel
            ? [
                { kind: 'leader' as const, path: REVEAL, at: at(card.width - reveal / 2, card.height * 0.6) },
                {
                  kind: 'inside' as const,
                  paths: [along(PANEL, 'width'), along(PANEL, 'height')] as const,
                  box: rect(reveal, reveal, panel.width, panel.height),
                },
              ]
            : []),
        ],
        facts,
      },
      values,
      sums: solution.sums,
      suggestions: [],
    };
  },

  grammar: {
    heads: ['card', 'accordion', 'notecard'],
    places: {
      card: { kind: 'size', words: ['card', 'closed'] },
      base: { kind: 'size', words: ['base'], alone: true },
      sheet: { kind: 'size', words: ['from', 'sheet'], alone: true, after: ['sheet'] },
      panel: { kind: 'size', words: ['panel'], alone: true },
      leaves: { kind: 'count', words: ['leaf', 'leave', 'page'], most: MAX_LEAVES, of: ['accordion'] },
      leaf: { kind: 'length', words: ['leaf', 'leave'], alone: true, upTo: MAX_LEAVES },
      reveal: { kind: 'length', words: ['reveal', 'showing', 'border', 'smaller', 'panel'] },
    },
    flags: {
      folded: ['folded', 'fold', 'folding', 'greeting'],
      top: ['top', 'tent'],
      gate: ['gate'],
      side: ['side', 'left', 'book'],
      inside: ['inside', 'within'],
      panelled: ['panel', 'front'],
    },
    usual: ['card'],
    idle: ['folds', 'birthday', 'thank', 'note'],
  },
  read: (heard, table) => {
    const accordion = heard.heads.has('accordion');
    // a card that is not folded is a pocket's, or a page
    const folded = ['folded', 'top', 'gate', 'side', 'base'].some((flag) => heard.flags.has(flag));
    const [card, sheet, panel] = [sizeAt(heard, 'card'), sizeAt(heard, 'sheet'), sizeAt(heard, 'panel')];
    // `card 4 1/4 x 5 1/2 from 8 1/2 x 11`; without a card's size, the paper is folded whole
    const base = sizeAt(heard, 'base') ?? (card ? null : sheet);
    const panelled = heard.values.some((v) => v.place === 'reveal' && v.word === 'panel');
    if (!accordion && !folded && !(card && (sheet || panelled))) return null;
    if (!card && !base) return null;
    const reveal = lengthAt(heard, 'reveal');
    const leaves = countAt(heard, 'leaves') ?? Number(lengthAt(heard, 'leaf') ?? 4);
    return {
      card: card ?? {},
      fold: accordion ? 'accordion' : heard.flags.has('gate') ? 'gate' : heard.flags.has('top') ? 'top' : 'side',
      leaves: Math.max(2, Math.min(MAX_LEAVES, leaves)),
      base: card ? {} : base!,
      panels: heard.flags.has('inside') ? 'both' : 'front',
      panel: panel ? { width: panel.width } : {},
      ...(panel && reveal === undefined ? {} : { reveal: reveal ?? (table.unit === 'in' ? '1/8' : '3') }),
    };
  },
};

/** A quarter of an inch (6 mm) larger both ways. */
const envelopeFor = ({ width, height }: Size, { unit }: LayoutContext): Ticks[] => {
  const more = lengthOf(unit === 'in' ? '1/4' : '6', unit);
  return [ticks(width + more), ticks(height + more)];
};
