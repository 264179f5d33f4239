import {
  formatExactLength,
  ticks,
  roundExact,
  inUnit,
  TICKS_PER_UNIT,
  type Exact,
  type Ticks,
} from '@temnex/core/length';
import { shortfall, type Size } from '@temnex/core/geometry';
import {
  recipeOf,
  fieldKey,
  type Blank,
  type LaidOut,
  type Layer,
  type RecipeId,
  type LayoutContext,
} from '@temnex/core/recipes';
import type { Plan } from '@temnex/core/planner';
import { collectLeftovers } from '@temnex/core/cutting';
import { describeField, describeParsedInput, formatSum } from './fields.ts';
import { formatLength, formatLengthWithDifference, formatSize, type Voice } from './lengths.ts';
import { capitalize, describeFact, describeOffer, describeRecipeProblem, describeSuggestion } from './problems.ts';
import { describeFinishes } from './recipes/words.ts';
import { recipeText } from './recipes/index.ts';

/*
 * What a construction comes to, in words and figures: `temnex say` prints it, and `--json` gives it as a document.
 */

/** `temnex-answer`, version 1. Lengths are text in the unit that was asked for; see docs/formats.md. */
export interface Answer {
  readonly format: 'temnex-answer';
  readonly version: 1;
  /** What was understood, said back; null where the line was not. */
  readonly understood: string | null;
  readonly recipe: RecipeId | null;
  readonly values: ReadonlyArray<{
    readonly name: string;
    /** At the mark, with the difference where it is on none. */
    readonly text: string;
    /** A decimal of the unit; of a number, the number. */
    readonly exact: string;
    readonly given: boolean;
    readonly sum: string | null;
  }>;
  readonly pieces: ReadonlyArray<{
    readonly name: string;
    readonly width: string;
    readonly height: string;
    readonly quantity: number;
    readonly finish: readonly string[];
  }>;
  /** Where to pencil: each so far from the left or from the bottom. */
  readonly marks: ReadonlyArray<{ readonly name: string; readonly at: string }>;
  /** What else follows: how many of something, what is left over, where it is glued. */
  readonly facts: readonly string[];
  readonly problems: readonly string[];
  /** What would help, or be better. */
  readonly offers: readonly string[];
}

/** Nothing was understood, and why. */
export const describeNotUnderstood = (why: string): Answer => ({
  format: 'temnex-answer',
  version: 1,
  understood: null,
  recipe: null,
  values: [],
  pieces: [],
  marks: [],
  facts: [],
  problems: [why],
  offers: [],
});

/** Twelve decimals are more than a tick, and as many as a person checks. */
function decimalOf({ n, d }: Exact, per: number): string {
  const whole = n * 10n ** 12n;
  const scaled = whole / (d * BigInt(per));
  const digits = (scaled < 0n ? -scaled : scaled).toString().padStart(13, '0');
  const text = `${digits.slice(0, -12)}.${digits.slice(-12)}`.replace(/\.?0+$/, '');
  return scaled < 0n ? `-${text}` : text;
}

/** By how much a piece is too long for a paper. */
export function describeTooLong(recipe: RecipeId, blank: Blank, paper: Size, voice: Voice): string {
  const words = recipeText(recipe);
  const over = shortfall(blank, paper);
  const much = [over.width, over.height].filter((t) => t > 0).map((t) => formatLength(t, voice));
  const size = formatSize(blank.width, blank.height, voice);
  return `${capitalize(words.piece(blank.role, blank.n, words.item(1)))}, ${size}, is too long by ${much.join(' and ')} for ${formatSize(paper.width, paper.height, voice)}.`;
}

/** How many sheets a plan opens, and what is left of them to keep; at most so many, where it is not proved that fewer will not do. */
export function describeSheetCount(plan: Plan, paper: Size, voice: Voice): string {
  const sheets = plan.sheets.length;
  const per = TICKS_PER_UNIT[plan.unit];
  const left = collectLeftovers(plan).map(({ sides, quantity }) => {
    const [a, b] = sides.map((side) => Math.round(side * per)) as [number, number];
    return `${quantity > 1 ? `${quantity} of ` : ''}${formatSize(a as Ticks, b as Ticks, voice)}`;
  });
  const what = `${plan.bound.proved ? '' : 'at most '}${sheets} ${sheets === 1 ? 'sheet' : 'sheets'} of ${formatSize(paper.width, paper.height, voice)}`;
  return left.length ? `${what}; left over: ${left.join(', ')}` : what;
}

/** What an input of a recipe comes to on a table. */
export function buildAnswer(recipe: RecipeId, input: unknown, table: LayoutContext): Answer {
  const known = recipeOf(recipe);
  const solved = known.solve(input, table);
  const voice: Voice = { mark: table.mark, figures: 'plain' };
  const words = recipeText(recipe);
  const head = { format: 'temnex-answer', version: 1, understood: describeParsedInput(recipe, input), recipe } as const;
  if (solved.status === 'refused')
    return {
      ...head,
      values: [],
      pieces: [],
      marks: [],
      facts: [],
      problems: solved.problems.map((p) => describeRecipeProblem(recipe, p, voice)),
      offers: solved.offers.map((o) => describeOffer(recipe, o, voice)),
    };
  const { laid, values, sums, suggestions } = solved;
  const per = TICKS_PER_UNIT[table.unit];
  const said = known.fields(input).flatMap((field) => {
    const value = values.get(fieldKey(field.path));
    if (field.kind === 'choice' || field.kind === 'text' || !value) return [];
    const name = describeField(recipe, field.path);
    const given = field.value !== undefined;
    if (field.kind === 'count') {
      const number = String(Number(value.n) / Number(value.d));
      return [{ name, text: number, exact: number, given, sum: null }];
    }
    const total = roundExact(value, 'nearest');
    const sum = sums.get(fieldKey(field.path));
    return [
      {
        name,
        text: formatLengthWithDifference(total, voice),
        exact: decimalOf(value, per),
        given,
        sum: sum && !given ? formatSum(sum, total, voice) : null,
      },
    ];
  });
  const say = (length: number) => formatLength(length, voice);
  const text = (length: Ticks) => formatExactLength(length, table.unit);
  // a place that hangs on a root is said as a decimal
  const place = (length: Ticks) => {
    const exactly = text(length);
    const fine = Number(/\/(\d+)$/.exec(exactly)?.[1] ?? 1) > 64;
    return fine ? inUnit(length, table.unit).toFixed(3) : exactly;
  };
  const named = (blank: Blank) => words.piece(blank.role, blank.n, words.item(1));
  return {
    ...head,
    values: said,
    pieces: laid.blanks.map((blank) => ({
      name: named(blank),
      width: text(blank.width),
      height: text(blank.height),
      quantity: blank.quantity,
      finish: describeFinishes(blank.finish, say),
    })),
    marks: [...marksOn(laid, named, place), ...placesOf(laid, recipe, place)],
    facts: laid.facts.flatMap((fact) => {
      const says = describeFact(recipe, fact, voice);
      return says ? [`${fact.of ? `${words.group(fact.of)}: ` : ''}${says}`] : [];
    }),
    problems: [],
    offers: suggestions.map((s) => describeSuggestion(recipe, s, voice)),
  };
}

/** The pencil lines of each piece, from its own left or bottom edge. */
const marksOn = (laid: LaidOut, named: (blank: Blank) => string, text: (length: Ticks) => string): Answer['marks'] =>
  laid.blanks.flatMap((blank) =>
    blank.marks.map(({ kind, from, to }) =>
      from.x === to.x
        ? { name: `${named(blank)}: ${kind} line, from the left`, at: text(from.x) }
        : { name: `${named(blank)}: ${kind} line, from the bottom`, at: text(from.y) },
    ),
  );

type Axis = 'x' | 'y';
const EDGE: Readonly<Record<Axis, string>> = { x: 'left', y: 'bottom' };

/** So many that they are told by their lines, not one by one. */
const MANY = 4;
const isGrid = (layers: readonly Layer[]): boolean =>
  (['x', 'y'] as const).every((axis) => new Set(layers.map(({ box }) => box[axis])).size > 1);

/** Several of one kind that lie beside each other, and along which axes they do: ends, middles and beginnings that are all in line say nothing. */
function besides(laid: LaidOut): { readonly layers: readonly Layer[]; readonly axes: readonly Axis[] }[] {
  const kinds = new Map<string, Layer[]>();
  // what is turned says its place by itself
  for (const layer of laid.layers)
    if (layer.turned === undefined && !layer.along) kinds.set(layer.role, [...(kinds.get(layer.role) ?? []), layer]);
  const holds = ({ box: a }: Layer, { box: b }: Layer) =>
    a.x <= b.x && a.y <= b.y && a.x + a.width >= b.x + b.width && a.y + a.height >= b.y + b.height;
  // what fills a place among the cells of a grid is one of them
  const apart = ({ box: a }: Layer, { box: b }: Layer) =>
    a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y;
  const cells = [...kinds.values()].find((layers) => layers.length > MANY && isGrid(layers));
  const all = [...kinds.values()].map((layers) => {
    if (!cells || layers === cells) return layers;
    return layers.every((one) => cells.every((cell) => apart(one, cell))) ? [] : layers;
  });
  if (cells) {
    const among = [...kinds.values()].filter((layers, i) => layers !== cells && !all[i]!.length).flat();
    all[all.indexOf(cells)] = [...cells, ...among];
  }
  return all
    .filter((layers) => layers.length > 1)
    .filter((layers) => !layers.slice(1).some((one, i) => holds(one, layers[i]!) || holds(layers[i]!, one)))
    .map((layers) => {
      const inLine = (axis: Axis, share: 0 | 1 | 2) => {
        const at = layers.map(({ box }) => 2 * box[axis] + share * box[axis === 'x' ? 'width' : 'height']);
        return at.every((t) => Math.abs(t - at[0]!) <= 1);
      };
      const axes = (['x', 'y'] as const).filter((axis) => !([0, 1, 2] as const).some((share) => inLine(axis, share)));
      return { layers, axes };
    });
}

/** Where to pencil what lies side by side: all in one line, from one end of it. */
export function describePencilMarks(laid: LaidOut, voice: Voice): string[] {
  const said: Record<Axis, Set<number>> = { x: new Set(), y: new Set() };
  return besides(laid).flatMap(({ layers, axes }) =>
    axes.flatMap((axis) => {
      const at = [...new Set(layers.map(({ box }) => box[axis]))].sort((a, b) => a - b);
      // large cells begin where small ones do
      if (at.every((t) => said[axis].has(t))) return [];
      for (const t of at) said[axis].add(t);
      const last = Math.max(...layers.map(({ box }) => box[axis] + box[axis === 'x' ? 'width' : 'height']));
      const end = axis === 'x' ? 'its left end' : 'its lower end';
      const say = (t: number) => formatLength(t, voice);
      const isRounded = [...at, last].some((t) => t % voice.mark.step !== 0);
      const nearest = isRounded ? `, to the nearest ${say(voice.mark.step)}` : '';
      return [
        `pencil where they begin, from ${end}${nearest}: ${at.map(say).join(', ')}; the last ends at ${say(last)}`,
      ];
    }),
  );
}

/** Of cells in columns and rows: where they begin one way, and where the last one ends. */
function linesOf(layers: readonly Layer[], axis: Axis, at: (length: Ticks) => string): Answer['marks'] {
  const [line, size] = axis === 'x' ? (['column', 'width'] as const) : (['row', 'height'] as const);
  const starts = [...new Set(layers.map(({ box }) => box[axis]))].sort((a, b) => a - b);
  const end = layers.map(({ box }) => ticks(box[axis] + box[size])).reduce((a, b) => (b > a ? b : a));
  return [
    ...starts.map((t, i) => ({ name: `mark ${i + 1}, from the ${EDGE[axis]}`, at: at(t) })),
    { name: `the last ${line} ends, from the ${EDGE[axis]}`, at: at(end) },
  ];
}

/** Where each of several begins, counted from one edge of the whole; of cells, each column and row. */
function placesOf(laid: LaidOut, recipe: RecipeId, text: (length: Ticks) => string): Answer['marks'] {
  const words = recipeText(recipe);
  const at = (t: Ticks) => (t ? text(t) : '0');
  return besides(laid).flatMap(({ layers, axes }) =>
    axes.length > 1 && layers.length > MANY
      ? axes.flatMap((axis) => linesOf(layers, axis, at))
      : layers.flatMap(({ role, n, box }) =>
          axes.map((axis) => ({
            name: `${words.part(role, n, words.item(1))} begins, from the ${EDGE[axis]}`,
            at: at(box[axis]),
          })),
        ),
  );
}
