import { inUnit, TICKS_PER_UNIT } from '@temnex/core/length';
import { type Size, areaWithin, findMissingCorners, edgeLengthOnPaper, clipPaper } from '@temnex/core/geometry';
import {
  type Aim,
  type Handling,
  type CutOrderKind,
  type Job,
  type Missing,
  type OffcutChoice,
  type Plan,
  type PlanNode,
  type Step,
  type WayOut,
  findPart,
  measureHandling,
} from '@temnex/core/planner';
import { type OrderStep, collectFacesUsed, letterOfSheet, namePartsOfPlan } from '@temnex/core/cutting';
import { describeFinishes } from './recipes/index.ts';
import { formatList } from './list.ts';
import { formatArea, formatCount, formatLength, formatSize, type Voice } from './lengths.ts';

const inTicks = (n: number, plan: { unit: 'in' | 'mm' }): number => Math.round(n * TICKS_PER_UNIT[plan.unit]);

export const AIM_LABELS: Readonly<Record<Aim, string>> = {
  'least-paper': 'least paper',
  'easiest-cuts': 'easiest cuts',
  'largest-offcuts': 'largest offcuts',
};

/** The two ways to go through the cuts. */
export const CUT_ORDER_LABELS: Readonly<Record<CutOrderKind, string>> = {
  'by-setting': 'one setting after the other',
  'sheet-by-sheet': 'one sheet after the other',
};

/** `18 settings, 21 times turned or taken up, 3 parts waiting at most`. */
export function describeHandling({ settings, takenUp, waiting }: Handling): string {
  return [
    formatCount(settings, 'setting'),
    takenUp ? `${formatCount(takenUp, 'time')} turned or taken up` : 'nothing turned or taken up',
    waiting ? `${formatCount(waiting, 'part')} waiting at most` : 'no part waiting',
  ].join(', ');
}

/** `Kept: 8 1/2 × 2 3/4 and 2 1/4 × 4 1/4, not 6 1/4 × 2 3/4 and 2 1/4 × 7: a broader offcut is of more use.` */
export function describeOffcutChoice({ kept, instead, because }: OffcutChoice, voice: Voice): string {
  const sizes = (offcuts: readonly Size[]) => formatList(offcuts.map((o) => formatSize(o.width, o.height, voice)));
  const why = {
    wanted: ': they fit what other pages want, or what you often cut.',
    broader: ': a broader offcut is of more use.',
    alike: '. Either way would do.',
    cuts: '.',
  }[because];
  return `Kept: ${sizes(kept)}, not ${sizes(instead)}${why}`;
}

/** Why copies of a piece are missing, and what would help. */
export function describeMissing(missing: Missing, job: Job, voice: Voice): { why: string; help: string[] } {
  const piece = job.pieces.find((p) => p.id === missing.piece);
  const what = `${missing.quantity > 1 ? `${missing.quantity} × ` : ''}${piece?.name ?? missing.piece}`;
  const paper = job.papers.find((p) => p.id === missing.paper)?.name ?? 'the paper';
  const say = (n: number | undefined) => formatLength(inTicks(n ?? 0, job), voice);
  const side = piece?.side === 'any' ? '' : ` with side ${piece?.side}`;
  const reason: Record<Missing['why'], string> = {
    'no-paper': `there is no ${paper} in the drawer`,
    'held-back': `all ${paper} that would do is held back`,
    'too-narrow': `no cutter can be set to it: each cuts ${say(missing.needed)} longer than it is set`,
    'kept-whole': `what stays whole on the ${paper} leaves too little`,
    'wrong-side-only': `no ${paper} has a side ${piece?.side === 'any' ? '' : piece?.side}`,
    'no-stock-long-enough': `no ${paper}${side} reaches ${say(missing.needed)}; the longest is ${say(missing.longest)}`,
    'no-stock-wide-enough': missing.nearest
      ? `it needs ${formatSize(piece?.width ?? 0, piece?.height ?? 0, voice)}; the ${paper}${side} that comes nearest is ${formatSize(inTicks(missing.nearest.width, job), inTicks(missing.nearest.height, job), voice)}`
      : `no ${paper} that is long enough is ${say(missing.needed)} wide; the widest is ${say(missing.longest)}`,
    direction: `no ${paper} is large enough with the pattern running that way`,
    'beyond-reach': `a cut of ${say(missing.needed)} is beyond the reach of the cutter`,
    'place-taken': `it cannot be cut from the place it must come from`,
    'not-enough': `there is not enough ${paper}`,
  };
  const help = missing.help.map((way) => describeWayOut(way, missing, job, voice));
  return { why: `${what}: ${reason[missing.why]}`, help };
}

/** A way out, with what it opens: `use side B (opens no new paper)`. */
export function describeWayOut({ how, cut, newSheetArea }: WayOut, missing: Missing, job: Job, voice: Voice): string {
  const say = (n: number) => formatLength(inTicks(n, job), voice);
  const paperName = (id: string) => job.papers.find((p) => p.id === id)?.name ?? 'paper';
  const what = (() => {
    switch (how.do) {
      case 'turn':
        return 'let the pattern run the other way';
      case 'elsewhere':
        return 'cut it from anywhere';
      case 'other-side':
        return `use side ${how.side}`;
      case 'release':
      case 'cut-through': {
        const item = job.stock.find((s) => s.id === how.stock);
        const what = how.do === 'release' ? 'take what is held back' : 'cut through what was to stay whole';
        return item ? `${what}, ${item.paper.name} ${formatSize(item.width, item.height, voice)}` : what;
      }
      case 'other-paper':
        return `take ${paperName(how.paper)} instead`;
      case 'tuck':
        return `tuck less under: ${formatSize(inTicks(how.width, job), inTicks(how.height, job), voice)} would do`;
      case 'join':
        return `make it of two, joined ${say(how.at)} along its ${how.along}, where it is covered`;
      case 'ends':
        return `cut two ends of it, ${say(how.from)} and ${say(endOf(how, missing, job))}: its middle lies covered`;
      case 'build-up':
        return [
          `build it up of ${(how.across.length + 1) * (how.up.length + 1)}, each ${say(how.overlap)} over the next`,
          ...(how.buy
            ? [
                `with ${how.buy.quantity} more of ${formatSize(inTicks(how.buy.width, job), inTicks(how.buy.height, job), voice)} to buy`,
              ]
            : []),
        ].join(', ');
      case 'shorten':
        return `make it ${say(how.to)} long`;
      case 'buy':
        return `buy ${how.quantity} × ${paperName(how.paper)}, ${formatSize(inTicks(how.width, job), inTicks(how.height, job), voice)}`;
    }
  })();
  const part = cut < missing.quantity ? `${cut} of ${missing.quantity}; ` : '';
  const opens =
    newSheetArea > 1e-9 ? `opens ${formatArea(newSheetArea, job.unit)} of new paper` : 'opens no more new paper';
  return `${what} (${part}${opens})`;
}

const endOf = (how: { along: 'width' | 'height'; to: number }, { piece }: Missing, job: Job): number =>
  inUnit(job.pieces.find((p) => p.id === piece)?.[how.along] ?? 0, job.unit) - how.to;

/** What the totals say, in the order in which people ask. */
export function formatTotals(plan: Plan): { label: string; value: string }[] {
  const { totals } = plan;
  const { takenUp, waiting } = measureHandling(plan);
  return [
    { label: 'new sheets opened', value: String(totals.newSheets) },
    { label: 'scraps used', value: String(totals.scraps) },
    { label: 'kept', value: formatArea(totals.keptArea, plan.unit) },
    { label: 'waste', value: formatArea(totals.wasteArea + totals.kerfArea, plan.unit) },
    { label: 'settings', value: String(totals.settings) },
    { label: 'cuts', value: String(totals.cuts) },
    { label: 'turned or taken up', value: String(takenUp) },
    { label: 'parts waiting', value: waiting ? `${waiting} at most` : 'none' },
  ];
}

/** The figures by which plans of different aims are compared; the lower the rank, the better. */
export function formatComparison(plan: Plan): { label: string; value: string; rank: number }[] {
  const { totals } = plan;
  const waste = totals.wasteArea + totals.kerfArea;
  const largest = largestKept(plan);
  const { takenUp, waiting } = measureHandling(plan);
  const plain = (label: string, n: number) => ({ label, value: String(n), rank: n });
  return [
    plain('new sheets', totals.newSheets),
    plain('scraps', totals.scraps),
    { label: 'waste', value: formatArea(waste, plan.unit), rank: Math.round(waste * 1000) },
    { label: 'largest offcut', value: formatArea(largest, plan.unit), rank: -Math.round(largest * 1000) },
    plain('settings', totals.settings),
    plain('cuts', totals.cuts),
    plain('turned or taken up', takenUp),
    plain('parts waiting', waiting),
  ];
}

function largestKept(plan: Plan): number {
  let most = 0;
  const walk = (node: PlanNode): void => {
    if (node.holds === 'keep') most = Math.max(most, node.width * node.height);
    node.parts?.forEach(walk);
    if (node.opening) walk(node.opening);
  };
  for (const { tree } of plan.sheets) walk(tree);
  return most;
}

/** Which of several equal pages a copy is for. */
export const describeCopy = (copy: number, copies: number, name: string | null = null): string =>
  name === null ? `page ${copy} of ${copies}` : `page ${copy}, ${name}`;

/** Whether fewer sheets, or settings, could do, and how that is known. */
export function describeBound(plan: Plan): string {
  return [describeSheetsBound(plan), ...describeSettingsBound(plan)].join(' ');
}
function describeSettingsBound({ bound, totals, sheets }: Plan): string[] {
  if (bound.settings === undefined) return [];
  const isOne = sheets.filter(({ tree }) => tree.parts?.length).length === 1;
  const shared = isOne ? '' : ' while each piece stays on its sheet';
  if (bound.settings === totals.settings) return [`It can\u2019t be done with fewer settings${shared}.`];
  return isOne
    ? []
    : [`At least ${formatCount(bound.settings, 'setting')} ${bound.settings === 1 ? 'is' : 'are'} needed${shared}.`];
}
function describeSheetsBound(plan: Plan): string {
  const { bound, totals } = plan;
  if (plan.status === 'short') return 'Not everything can be cut, so nothing is said about the fewest sheets.';
  if (totals.newSheets === 0) return 'No new sheet is opened: nothing could be less.';
  const how = {
    'nothing-needed': '',
    area: 'the pieces have more area than the scraps and fewer sheets give',
    'at-most-per-sheet': 'no more of one piece come from a sheet',
    'large-pieces': 'the large pieces cannot share fewer sheets',
    coverable: 'no cuts get as much of these pieces from the scraps and fewer sheets',
    pinned: 'pieces must be cut from them',
    tried: 'every way to cut so few pieces was looked at',
    patterns: 'no mix of ways to cut a sheet gives as much from fewer',
  }[bound.how];
  if (bound.proved) return `Fewest possible: ${how}.`;
  const least = bound.newSheets
    ? `${formatCount(bound.newSheets, 'new sheet')} (${formatArea(bound.newSheetArea, plan.unit)})`
    : 'no new sheet';
  return `Perhaps less would do: at least ${least} ${bound.newSheets > 1 ? 'are' : 'is'} needed${how ? `, as ${how}` : ''}.`;
}

/** Less of an edge than this is a tip that no fence holds straight: 1/2 in. */
const HELD = 12192;

/** What there is to say of parts of an odd scrap; null where the sheet is a rectangle. */
export function describeOddPaper(plan: Plan, sheet: number, job: Job) {
  const { outline } = job.stock.find((s) => s.id === plan.sheets[sheet]!.stock)!;
  if (!outline) return null;
  const boxOf = (nodes: readonly PlanNode[]) => {
    const [x, y] = [Math.min(...nodes.map((n) => n.x)), Math.min(...nodes.map((n) => n.y))];
    const right = Math.max(...nodes.map((n) => n.x + n.width));
    const top = Math.max(...nodes.map((n) => n.y + n.height));
    const t = (n: number) => inTicks(n, plan);
    return { x: t(x), y: t(y), width: t(right - x), height: t(top - y) };
  };
  const area = (nodes: readonly PlanNode[]) => areaWithin(clipPaper(outline, boxOf(nodes)));
  return {
    /** No paper lies there at all. */
    isNothing: (nodes: readonly PlanNode[]) => area(nodes) < 1000,
    nameOf: (nodes: readonly PlanNode[]) => (area(nodes) < 1000 ? 'no paper' : 'the odd rest'),
    lacksEdge: (nodes: readonly PlanNode[], edge: 'left' | 'bottom' | 'right' | 'top') => {
      const box = boxOf(nodes);
      const side = edge === 'left' || edge === 'right' ? box.height : box.width;
      return edgeLengthOnPaper(outline, box, edge) < Math.min(HELD, side / 2);
    },
    /** `, without its upper right corner, 5 1/4 × 4`, or nothing. */
    goneWords: (nodes: readonly PlanNode[], voice: Voice) => {
      const gone = findMissingCorners(outline, boxOf(nodes));
      if (!gone.length) return '';
      if (gone.length > 2) return ', torn all round';
      const named = gone.map(({ corner, width, height }) => `${corner} corner (${formatSize(width, height, voice)})`);
      return `, without its ${named.join(' and ')}`;
    },
  };
}

/** What a part in hand or a part that comes off is called. */
export function describePart(nodes: readonly PlanNode[], pieceName: (id: string) => string): string {
  const only = nodes.length === 1 ? nodes[0]! : null;
  if (only?.holds === 'keep') return 'an offcut to keep';
  if (only?.holds === 'waste' || only?.holds === 'odd') return 'waste';
  if (only?.holds && typeof only.holds === 'object') return pieceName(only.holds.piece);
  const names: string[] = [];
  const walk = (node: PlanNode): void => {
    if (node.holds && typeof node.holds === 'object') names.push(pieceName(node.holds.piece));
    node.parts?.forEach(walk);
  };
  nodes.forEach(walk);
  const unique = [...new Set(names)];
  if (!unique.length) return 'the rest';
  const shown = unique.slice(0, 2).join(' and ');
  return unique.length > 2 ? `the part for ${shown} and ${unique.length - 2} more` : `the part for ${shown}`;
}

export interface StepDescription {
  /** `Part for the mats, left edge on the fence` */
  readonly hold: string;
  readonly setting: string;
  readonly off: string;
  readonly rest: string;
  /** What is left, where that needs no more cuts; else nothing. */
  readonly leaves: string;
  /** What else to mind: another cutter, what a cutter that is not true must be set to, where a stop cut ends. */
  readonly note: string;
}

/** A step as one would say it at the trimmer. */
export function describeStep(
  step: Step,
  plan: Plan,
  job: Job,
  voice: Voice,
  pieceName: (id: string) => string,
): StepDescription {
  const letters = step.sheets.map((sheet) => letterOfSheet(plan, sheet)).join(' + ');
  const sheet = plan.sheets[step.sheets[0]!]!;
  const odd = describeOddPaper(plan, step.sheets[0]!, job);
  const shortName = namePartsOfPlan(plan);
  const short = (path: string): string | null => {
    const names = step.sheets.map((s) => shortName(s, path));
    return names.every((name) => name !== null) ? names.join(' + ') : null;
  };
  const wordsOf = (nodes: readonly PlanNode[]) => {
    const only = nodes.length === 1 ? nodes[0]! : null;
    if (only?.holds === 'odd' && odd) return odd.nameOf(nodes);
    const size =
      only?.holds === 'keep' ? `, ${formatSize(inTicks(only.width, plan), inTicks(only.height, plan), voice)}` : '';
    return `${describePart(nodes, pieceName)}${size}`;
  };
  // what is cut again goes by its short name, never by that of a piece in it alone
  const words = (path: string) => {
    const name = short(path);
    const says = wordsOf(findPart(sheet.tree, path).nodes);
    return name ? `${name}, ${says}` : says;
  };
  if (step.do === 'open')
    return {
      hold: short(step.part) ?? words(step.part),
      setting: 'by hand',
      off: `cut out its hidden centre: ${words(step.off)}`,
      rest: words(step.part),
      leaves: '',
      note: '',
    };
  const say = (n: number) => formatLength(inTicks(n, plan), voice);
  const cutter = [job.cutter, ...job.cutter.then][step.by ?? 0];
  const notes = [
    ...(step.by ? [`with the ${cutter?.name || 'next cutter'}`] : []),
    ...(step.dial === undefined ? [] : [`to cut ${say(step.setting)}`]),
    ...(step.do === 'stop' ? [`stop ${say(step.until)} in from the ${STOP_FROM[step.line - 1]!}`] : []),
  ];
  const shared = { setting: say(step.dial ?? step.setting), leaves: '', note: notes.join(', ') };
  if (step.do === 'trim')
    return { ...shared, hold: `sheet ${letters}`, off: `the ${step.edge} margin`, rest: 'the sheet' };
  const inHand = findPart(sheet.tree, step.part).nodes;
  const gone = odd?.goneWords(inHand, voice) ?? '';
  const part = `${step.part === 'r' ? `sheet ${letters}` : (short(step.part) ?? words(step.part))}${gone}`;
  // where there is no edge to lay on the fence, the cut is squared along a line that is drawn first
  const hold = odd?.lacksEdge(inHand, step.edge)
    ? `${part}: no straight ${step.edge} edge, so pencil the line first, square, counted from its ${step.edge === 'left' ? 'leftmost' : 'lowest'} point`
    : `${part}, ${step.edge} edge on the fence`;
  if (step.do === 'stop')
    return {
      ...shared,
      hold,
      off: `stop cut ${step.line} of 4`,
      rest: step.line < 4 ? 'all still in one' : 'five parts',
    };
  if (step.rest === null) return { ...shared, hold, off: words(step.off), rest: 'nothing' };
  const left = findPart(sheet.tree, step.rest).nodes;
  const rest = words(step.rest);
  const ends = [findPart(sheet.tree, step.off).nodes, left].some((nodes) => odd?.isNothing(nodes));
  if (ends)
    return {
      ...shared,
      hold,
      off: words(step.off),
      rest,
      note: [...notes, 'the paper ends there: nothing to cut'].join(', '),
    };
  return { ...shared, hold, off: words(step.off), rest, leaves: short(step.rest) ?? rest };
}

/** The edges at which a windmill's four cuts start. */
const STOP_FROM = ['lower edge', 'left edge', 'right edge', 'upper edge'] as const;

/** The plain list of what to cut, largest first within each paper, as text to copy. */
export function formatCutList(job: Job, voice: Voice, plan: Plan | null = null): string {
  const lines: string[] = [];
  const used = plan && collectFacesUsed(job, plan);
  const pieces = [...job.pieces].sort((a, b) => b.width * b.height - a.width * a.height);
  for (const paper of job.papers) {
    const own = pieces.flatMap((piece) => {
      // without a plan, from the paper that is liked best
      const asked = piece.papers[0] === paper.id ? [{ side: piece.side, count: piece.quantity }] : [];
      const faces = used ? (used.get(piece.id) ?? []).filter((f) => f.paper === paper.id) : asked;
      return faces.map(({ side, count: n }) => ({ piece, side: paper.faces.length > 1 ? side : piece.side, n }));
    });
    if (!own.length) continue;
    lines.push(paper.name);
    for (const { piece: p, side, n } of own) {
      const face = side === 'any' ? '' : `, side ${side}`;
      const way = p.direction === 'any' ? '' : `, pattern along the ${p.direction}`;
      lines.push(`  ${n} × ${formatSize(p.width, p.height, voice)}  ${p.name}${face}${way}`);
    }
  }
  if (plan?.missing.length) lines.push('No paper for');
  for (const { piece, quantity } of plan?.missing ?? []) {
    const p = job.pieces.find((other) => other.id === piece);
    if (p) lines.push(`  ${quantity} × ${formatSize(p.width, p.height, voice)}  ${p.name}`);
  }
  return lines.join('\n');
}

/** What is done by hand to pieces that have come off, said like a step. */
export function describeFinishStep(
  { piece, copies }: Extract<OrderStep, { do: 'finish' }>,
  job: Job,
  voice: Voice,
): StepDescription {
  const say = (length: number) => formatLength(length, voice);
  const name = job.pieces.find((p) => p.id === piece.id)?.name ?? piece.id;
  const tips = piece.finish.some((f) => f.do === 'notch' || f.do === 'point');
  return {
    hold: copies > 1 ? `${name}, ${copies} pieces` : name,
    setting: 'by hand',
    off: describeFinishes(piece.finish, say).join('; '),
    rest: '',
    leaves: '',
    note: tips ? 'pencil a line along the middle first' : '',
  };
}

export const CAUTION =
  'Blades are sharp: keep fingers behind the guard, cut away from the hand that holds, cap or close the blade between cuts. Hold no strip narrower than your cutter allows. The instructions of its maker come first.';

const MOVEMENT_WORDS: Readonly<Record<string, (n: number) => string>> = {
  had: (n) => `${n} were there`,
  added: (n) => `${n} put in`,
  taken: (n) => `${-n} taken out`,
  corrected: (n) => `counted again: ${n > 0 ? `${n} more` : `${-n} fewer`}`,
  used: (n) => `${-n} used by cutting`,
  kept: (n) => `${n} kept from cutting`,
  'taken-back': (n) => (n > 0 ? `${n} back, it was undone` : `${-n} gone, it was undone`),
  'held-back': () => 'held back',
  freed: () => 'free to use again',
};
/** What a movement of stock says beside how many: where it went, and what of it is kept for a page now. */
interface MovementTold {
  readonly by: number;
  readonly why: string;
  readonly held?: number;
  readonly place?: string | null;
}
/** A movement of stock, said with its number. */
export const describeMovement = ({ by, why, held = 0, place = null }: MovementTold): string => {
  if (why === 'moved') return place === null ? 'back to where its paper is kept' : `moved to ${place}`;
  if (held) return held > 0 ? `${held} kept for a page` : `${-held} no longer kept for a page`;
  return MOVEMENT_WORDS[why]?.(by) ?? String(by);
};
