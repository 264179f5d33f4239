import {
  EMPTY_STOCK_QUERY,
  headingOf,
  type FindProblem,
  type RowProblem,
  type StockQuery,
  type StockColumn,
} from '@temnex/core/stock';
import type { Plan } from '@temnex/core/planner';
import type { ScrapUse, SupplyCheck, OneByOneTotals, Pace, ShoppingEntry } from '@temnex/core/cutting';
import { STOCK_KIND_LABELS } from './kinds.ts';
import { formatCount, formatLength, formatSize, type Voice } from './lengths.ts';
import { describeLineProblem } from './problems.ts';

const DIRECTIONS = { none: 'without direction', 'two-way': 'running two ways', 'one-way': 'with an up' } as const;
const HELD = { held: 'held back', kept: 'kept for pages', free: 'free to use' } as const;

/** What is looked for, said back part by part: what was understood of a line. */
export function describeStockQuery(sought: StockQuery, voice: Voice): string[] {
  const { reaches, within, narrower, wider, kind, pattern, direction, colour, place, before, since, held, words } =
    sought;
  return [
    ...(kind ? [`only ${kind === 'pad' ? 'pads' : `${STOCK_KIND_LABELS[kind]}s`}`] : []),
    ...(reaches ? [`reaches ${formatSize(reaches.width, reaches.height, voice)}, either way round`] : []),
    ...(within ? [`within ${formatSize(within.width, within.height, voice)}`] : []),
    ...(narrower !== null ? [`narrower than ${formatLength(narrower, voice)}`] : []),
    ...(wider !== null ? [`at least ${formatLength(wider, voice)} wide`] : []),
    ...(pattern ? [pattern === 'words' ? 'with words on it' : pattern] : []),
    ...(direction ? [DIRECTIONS[direction]] : []),
    ...(colour ? [colour.said === null ? `near ${colour.hex}` : `${colour.said}, by name or by eye`] : []),
    ...(place !== null ? [`in ${place}`] : []),
    ...(before ? [`came before ${before}`] : []),
    ...(since ? [`came on ${since} or later`] : []),
    ...(held ? [HELD[held]] : []),
    ...(words.length ? [`called “${words.join(' ')}”`] : []),
  ];
}

/** Why a line that looks for paper is not understood. */
export const describeSearchProblem = ({ code, text }: FindProblem): string =>
  code === 'date'
    ? `“${text}” is not a day. Say it as 2026-05-31.`
    : `“${text}” is not a size that paper can have. Say it as 5 1/2 x 3.`;

/** 12 in each way, in square ticks. */
const SHEET = (12 * 24_384) ** 2;
/** An area of paper (square ticks) as people think of it, in sheets of 12 × 12: `41 sheets’ worth`. */
export function describeAreaInSheets(area: number): string {
  const sheets = area / SHEET;
  if (sheets < 0.95) return `${Math.max(1, Math.round(sheets * 100))} % of a 12 × 12 sheet`;
  return `${sheets < 10 ? sheets.toFixed(1) : Math.round(sheets)} sheets’ worth`;
}

const STEPS: Readonly<Record<string, string>> = {
  'put-in': 'put in',
  moved: 'moved',
  'held-back': 'held back',
  freed: 'freed',
  'kept-for': 'kept for a page',
  'taken-out': 'taken out',
  'cleared-out': 'cleared out',
};
/** What was done to the drawer at once: `12 put in`. */
export const describeDrawerStep = ({ says, count }: { readonly says: string; readonly count: number }): string =>
  `${count} ${STEPS[says] ?? says}`;

/** Why a row of a table does not read, with the column to correct. */
export function describeRowProblem(column: StockColumn, problem: RowProblem, voice: Voice): string {
  const said = (): string => {
    switch (problem.code) {
      case 'kind-unknown':
        return `“${problem.text}” is none of sheet, pad, scrap, strip, branding, piece.`;
      case 'unit-unknown':
        return `“${problem.text}” is neither in, mm nor cm.`;
      case 'date':
        return `“${problem.text}” is not a day that can only be one. Write 2026-05-31.`;
      case 'held-unknown':
        return `“${problem.text}” is neither yes nor no.`;
      case 'paper-missing':
        return 'which paper is it?';
      default:
        return describeLineProblem({ ok: false, problem }, voice);
    }
  };
  return `${headingOf(column)}: ${said()}`;
}

/** What planning pages together saves against one by one: the most that matters first, then the rest. */
export function describeSavings(
  plan: Pick<Plan, 'totals' | 'missing'>,
  alone: Omit<OneByOneTotals, 'plan'>,
): { readonly first: string; readonly rest: string } {
  const missing = alone.missing - plan.missing.reduce((n, m) => n + m.quantity, 0);
  const sheets = alone.newSheets - plan.totals.newSheets;
  const cuts = alone.cuts - plan.totals.cuts;
  const settings = alone.settings - plan.totals.settings;
  const saves = [
    missing > 0 ? `${formatCount(missing, 'piece')} more from what is there` : '',
    sheets > 0 ? `${formatCount(sheets, 'new sheet')} fewer` : '',
    settings > 0 ? `${formatCount(settings, 'setting')} fewer` : '',
    cuts > 0 ? `${formatCount(cuts, 'cut')} fewer` : '',
  ].filter(Boolean);
  const costs = [
    cuts < 0 ? `${formatCount(-cuts, 'cut')} more` : '',
    settings < 0 ? `${formatCount(-settings, 'setting')} more` : '',
  ].filter(Boolean);
  const than = 'than the pages one by one';
  const [first, ...rest] = saves;
  if (!first)
    return {
      first: 'Nothing saved',
      rest: `One by one the pages would take as much${costs.length ? `, with ${costs.join(' and ')} together` : ''}.`,
    };
  return {
    first,
    rest: `${than}${rest.length ? `; ${rest.join(', ')}` : ''}${costs.length ? `; but ${costs.join(', ')}` : ''}.`,
  };
}

/** Whether what there is of a paper is enough: `enough: 2 sheets and a scrap`, or what is to be bought besides. */
export function describeEnough({ takes, buy, beyond }: SupplyCheck, voice: Voice): string {
  const parts = [
    takes.sheets ? formatCount(takes.sheets, 'sheet') : '',
    takes.scraps ? formatCount(takes.scraps, 'scrap') : '',
  ];
  const own = parts.filter(Boolean).join(' and ');
  const size = formatSize(buy.size.width, buy.size.height, voice);
  const of = (why: 'size' | 'side') => beyond.filter((b) => b.why === why).length;
  const not = [
    of('size') ? `${formatCount(of('size'), 'piece')} larger than ${size}: no sheet is enough` : '',
    of('side') ? `${formatCount(of('side'), 'piece')} on a side, or a way round, that it does not have` : '',
  ];
  if (buy.count)
    return [`${formatCount(buy.count, 'sheet')} of ${size} short${own ? `, with ${own} from here` : ''}`, ...not]
      .filter(Boolean)
      .join('; ');
  return [...not, own ? `${beyond.length ? 'for the rest ' : ''}enough: it takes ${own}` : '']
    .filter(Boolean)
    .join('; ');
}

/** How many to buy: `3 packs`, `2 sheets`. */
export const formatPurchase = ({ count: sheets, packs }: Pick<ShoppingEntry, 'count' | 'packs'>): string =>
  packs === null ? formatCount(sheets, 'sheet') : formatCount(packs, 'pack');

/** What something costs, in whatever one pays in. */
export const formatCost = (hundredths: number): string => (hundredths / 100).toFixed(2);

const GIVES: Readonly<Record<string, (each: string, line: string) => string>> = {
  'mat-stack': (_, line) => `mat for a print of ${line.replace(/^.*around /, '').replace(' x ', ' × ')}`,
  tag: (each) => `tag of ${each}`,
  pinwheel: (each) => `pinwheel of ${each}`,
  strips: (each) => `strip of ${each}`,
  'banner-strip': (each) => `banner of ${each}`,
  grid: (each) => `square of ${each}`,
};
/** What a scrap would still give: `11 strips of 1/2 × 7 1/4`. */
export function describeCouldMake({ recipe, line, count: many, each }: ScrapUse, voice: Voice): string {
  const one = GIVES[recipe]?.(formatSize(each.width, each.height, voice), line) ?? line;
  return many === 1 ? one : `${many} ${one.replace(/^(\w+)/, '$1s')}`;
}

/** How fast something is to be used up: `13 a day for 3 days.` */
export function describePace(pace: Pace): string {
  switch (pace.status) {
    case 'done':
      return 'All of it is done.';
    case 'over':
      return `The time is over; ${formatCount(pace.left, 'piece')} short.`;
    case 'before':
      return `Not begun yet: ${pace.perDay} a day for ${formatCount(pace.days, 'day')}.`;
    case 'running':
      return pace.days === 1
        ? `${formatCount(pace.left, 'piece')} left, today is the last day.`
        : `${pace.left} left: ${pace.perDay} a day for ${formatCount(pace.days, 'day')}.`;
  }
}

/** Why something does not count: what of the rule it is not. */
export const describeWhyNot = (why: readonly string[], sought: StockQuery, voice: Voice): string =>
  why
    .map((key) =>
      key === 'kind' && sought.kind
        ? `a ${STOCK_KIND_LABELS[sought.kind]}`
        : describeStockQuery({ ...EMPTY_STOCK_QUERY, [key]: sought[key as keyof StockQuery] }, voice).join(' '),
    )
    .map((part) => `not ${part}`)
    .join(' and ');
