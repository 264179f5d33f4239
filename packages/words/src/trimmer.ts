import { TICKS_PER_UNIT, computeLengthFigure, ticks } from '@temnex/core/length';
import { findPart, type Job, type Plan, type PlanNode } from '@temnex/core/planner';
import { partInHandFor, isSpare, letterOfSheet, namePartsOfPlan } from '@temnex/core/cutting';
import type { NoOpReason, TrimmerStep } from '@temnex/core/trimmer';
import { STOCK_KIND_LABELS } from './kinds.ts';
import { formatCount, formatSize, type Voice } from './lengths.ts';
import { describeFinishStep, describeStep } from './plans.ts';

/** A step as it is said on a screen that is read from a metre away. */
export interface TrimmerStepText {
  /** What is to be done, in a few words: `CutRequest`, `Take A`, `Turn it a quarter to the right`. */
  readonly head: string;
  /** What is done first, in the same step: paper taken up, a part turned. */
  readonly before: readonly string[];
  /** What is in hand and which edge of it lies on the fence. */
  readonly hold: string;
  /** What the fence is set to, in ticks; null where nothing is set. */
  readonly setting: number | null;
  /** Of paper or a piece taken up, how large it is, in ticks. */
  readonly size: { readonly width: number; readonly height: number } | null;
  /** What comes off. */
  readonly off: string;
  /** Where it goes, and what is pencilled on it. */
  readonly goes: string;
  /** What is left in hand. */
  readonly rest: string;
  readonly notes: readonly string[];
  /** Of blades and strips, where they apply. */
  readonly cautions: readonly string[];
  /** The step read aloud. */
  readonly spoken: string;
}

const CAUTIONS = {
  narrow: 'A narrow strip: hold the wide part, and let the strip go. Fingers behind the guard.',
  stack: 'A stack: only as many as the maker of your cutter allows. Hold it down firmly.',
  knife: 'A knife: metal ruler, mat under it, cut away from the hand that holds. Cap it after.',
  punch: 'A punch or snips: keep fingers clear, and small parts away from children.',
} as const;
/** Narrower than this a strip is held by its wide neighbour: 1 in. */
const NARROW = TICKS_PER_UNIT.in;

const TURNS = {
  1: 'Turn it a quarter to the left',
  2: 'Turn it half round',
  3: 'Turn it a quarter to the right',
} as const;

/** Where an item of the drawer is kept, as one says it: `box 2`; nothing where nobody has said. */
export type DescribePlaceOf = (stock: string) => string | undefined;

/** Into which bag a copy of a piece goes, as one says it; null where there is only one. */
export type DescribeBagOf = (piece: string, copy: number) => string | null;

/** A step at the trimmer, in words. */
export function describeTrimmerStep(
  step: TrimmerStep,
  plan: Plan,
  job: Job,
  voice: Voice,
  pieceName: (id: string) => string,
  placeOf: DescribePlaceOf = () => undefined,
  bagOf: DescribeBagOf = () => null,
): TrimmerStepText {
  const none = {
    before: [],
    hold: '',
    setting: null,
    size: null,
    off: '',
    goes: '',
    rest: '',
    notes: [],
    cautions: [],
  };
  const stockAt = (sheet: number) => job.stock.find((s) => s.id === plan.sheets[sheet]!.stock)!;
  const says = (words: Omit<TrimmerStepText, 'spoken'>): TrimmerStepText => ({
    ...words,
    spoken: spokenOf(words, voice),
  });
  switch (step.do) {
    case 'take': {
      const letters = step.sheets.map((sheet) => letterOfSheet(plan, sheet)).join(' and ');
      const each = step.sheets.map((s) => {
        const item = stockAt(s);
        const place = placeOf(item.id);
        const of = step.sheets.length > 1 ? ` of ${formatSize(item.width, item.height, voice)}` : '';
        return `${item.paper.name}, ${STOCK_KIND_LABELS[item.kind]}${of}${place ? `, from ${place}` : ''}`;
      });
      const bears = step.sheets.map((sheet) => /\d/.test(letterOfSheet(plan, sheet)));
      const [first] = each;
      const alike = each.every((e) => e === first);
      return says({
        ...none,
        head: `Take ${letters}`,
        size: stockAt(step.sheets[0]!),
        hold: alike && each.length > 1 ? `${formatCount(each.length, 'time')}: ${first}` : each.join('; '),
        // What bears its letter already is found by it.
        goes: bears.every(Boolean) ? `${letters} is on the back already` : `pencil ${letters} lightly on the back`,
        notes: step.sheets.length > 1 ? ['edge to edge, one on the other'] : [],
        cautions: step.sheets.length > 1 ? [CAUTIONS.stack] : [],
      });
    }
    case 'whole': {
      const item = stockAt(step.sheet);
      const name = nameOf([plan.sheets[step.sheet]!.tree], pieceName);
      const place = placeOf(item.id);
      return says({
        ...none,
        head: `Take ${letterOfSheet(plan, step.sheet)} as it is`,
        size: item,
        hold: `${item.paper.name}, ${STOCK_KIND_LABELS[item.kind]}${place ? `, from ${place}` : ''}`,
        off: name,
        goes: `no cut: pencil \u201c${name}\u201d on its back`,
      });
    }
    case 'turn': {
      const name = namePartsOfPlan(plan)(step.sheets[0]!, step.part);
      return says({
        ...none,
        head: TURNS[step.quarters],
        hold: `${step.picked ? 'take up ' : ''}${name ?? 'what is in hand'}: ${step.to} edge to the fence`,
      });
    }
    case 'over':
      return says({
        ...none,
        head: 'Turn it over',
        hold: `${pieceName(step.piece.id)}${step.copies > 1 ? `, all ${step.copies}` : ''}: its back is what will be seen`,
      });
    case 'finish': {
      const words = describeFinishStep({ do: 'finish', after: -1, piece: step.piece, copies: step.copies }, job, voice);
      const knife = step.piece.finish.some((f) => f.do === 'slit' || f.do === 'window' || f.do === 'notch');
      return says({
        ...none,
        head: 'By hand',
        hold: words.hold,
        off: words.off,
        notes: words.note ? [words.note] : [],
        cautions: [knife ? CAUTIONS.knife : CAUTIONS.punch],
      });
    }
    case 'cut': {
      const words = describeStep(step.step, plan, job, voice, pieceName);
      const { step: cut } = step;
      const notes = [
        ...(step.picked ? ['take it up again from where it lies'] : []),
        ...(words.note ? [words.note] : []),
      ];
      const letters = cut.sheets.length > 1 ? [CAUTIONS.stack] : [];
      if (cut.do === 'open')
        return says({ ...none, head: 'Cut out the centre', hold: words.hold, off: words.off, notes, cautions: [CAUTIONS.knife] }); // prettier-ignore
      const setting = Math.round((cut.dial ?? cut.setting) * TICKS_PER_UNIT[plan.unit]);
      const hand = partInHandFor(job, plan, step.index)!;
      const along = cut.edge === 'left' || cut.edge === 'right' ? hand.width : hand.height;
      const strip = Math.min(cut.setting, along - cut.setting) * TICKS_PER_UNIT[plan.unit];
      const knife = cut.by !== undefined && /knife/i.test(job.cutter.then[cut.by - 1]?.name ?? '');
      const cautions = [
        ...letters,
        ...(strip > 0 && strip < NARROW ? [CAUTIONS.narrow] : []),
        ...(knife ? [CAUTIONS.knife] : []),
      ];
      const shared = { hold: words.hold, setting, notes, cautions };
      if (cut.do === 'trim') return says({ ...none, ...shared, head: 'Trim', off: words.off, goes: 'waste' });
      if (cut.do === 'stop')
        return says({ ...none, ...shared, head: `Stop cut ${cut.line} of 4`, off: 'nothing comes off yet', rest: words.rest }); // prettier-ignore
      const off = findPart(plan.sheets[cut.sheets[0]!]!.tree, cut.off).nodes;
      const restNodes = cut.rest === null ? [] : findPart(plan.sheets[cut.sheets[0]!]!.tree, cut.rest).nodes;
      const bagsOf = (path: string): string => {
        const bags = cut.sheets.flatMap((sheet) => {
          const [only, more] = findPart(plan.sheets[sheet]!.tree, path).nodes;
          const held = !more && only?.holds && typeof only.holds === 'object' ? only.holds : null;
          return (held && !isSpare(held.piece) && bagOf(held.piece, held.copy)) || [];
        });
        return bags.length ? `for ${bags.join(' and ')}` : '';
      };
      const short = (path: string) => namePartsOfPlan(plan)(cut.sheets[0]!, path);
      return says({
        ...none,
        ...shared,
        head: 'Cut',
        off: short(cut.off) ? `${short(cut.off)}, ${nameOf(off, pieceName)}` : words.off,
        goes: [goesTo(off, short(cut.off), pieceName), bagsOf(cut.off)].filter(Boolean).join(', '),
        rest:
          cut.rest === null
            ? ''
            : [describeRest(restNodes, short(cut.rest), pieceName), bagsOf(cut.rest)].filter(Boolean).join(', '),
      });
    }
  }
}

/** What is done with one press, in words: paper taken up, a part turned, and what they are for; the same cut, so many times. */
export function describePress(
  steps: readonly TrimmerStep[],
  ...[plan, job, voice, pieceName, placeOf, bagOf]: AfterStep
): TrimmerStepText {
  const each = steps.map((step) => ({
    step,
    words: describeTrimmerStep(step, plan, job, voice, pieceName, placeOf, bagOf),
  }));
  const does = (what: TrimmerStep['do']) => each.filter(({ step }) => step.do === what);
  const last = each.at(-1)!.words;
  if (each.length === 1) return last;
  const before = each.slice(0, -1).flatMap(({ step, words }) => {
    if (step.do === 'take') {
      const size = words.size && formatSize(words.size.width, words.size.height, voice);
      return `${[words.hold, size].filter(Boolean).join(', ')}; ${words.goes}`;
    }
    if (step.do === 'turn') return `${step.picked ? `Take up ${nameInHand(step, plan)} again. ` : ''}${words.head}`;
    return step.do === 'over' ? `${words.head}: ${words.hold}` : [];
  });
  const cuts = does('cut').map(({ words }) => words);
  const [first = last] = cuts;
  const all = (of: (words: TrimmerStepText) => readonly string[]) => [
    ...new Set(each.flatMap(({ words }) => of(words))),
  ];
  const words = {
    ...first,
    before,
    head: [does('take')[0]?.words.head, cuts.length > 1 ? `Cut ${formatCount(cuts.length, 'time')}` : last.head]
      .filter((head) => head !== undefined)
      .map((head, i) => (i ? head[0]!.toLowerCase() + head.slice(1) : head))
      .join(' and '),
    off: saidOnce(cuts.length ? cuts.map(({ off }) => off) : [last.off]),
    goes: [...new Set((cuts.length ? cuts : [last]).map(({ goes }) => goes))]
      .filter(Boolean)
      .join('; ')
      .replace('on its back', cuts.length > 1 ? 'on the back of each' : 'on its back'),
    rest: last.rest,
    notes: all(({ notes }) => notes),
    cautions: all(({ cautions }) => cautions),
  };
  // the figure alone does not say that paper is taken first, or how often it is cut
  const says = words.head === first.head ? before : [words.head, ...before];
  return { ...words, spoken: spokenOf({ ...words, before: words.setting === null ? before : says }, voice) };
}
type AfterStep = Parameters<typeof describeTrimmerStep> extends [TrimmerStep, ...infer Rest] ? Rest : never;

const nameInHand = (step: Extract<TrimmerStep, { do: 'turn' }>, plan: Plan): string =>
  namePartsOfPlan(plan)(step.sheets[0]!, step.part) ?? 'it';

/** `banner 5 times, sky tag` of what comes off one after the other. */
function saidOnce(offs: readonly string[]): string {
  const often = new Map<string, number>();
  for (const off of offs) often.set(off, (often.get(off) ?? 0) + 1);
  return [...often].map(([off, n]) => (n > 1 ? `${off}, ${formatCount(n, 'time')}` : off)).join('; ');
}

/** A part by what it is, or by the first of what is in it. */
function nameOf(nodes: readonly PlanNode[], pieceName: (id: string) => string): string {
  const only = nodes.length === 1 ? nodes[0]! : null;
  if (only?.holds === 'keep') return 'an offcut to keep';
  if (only?.holds === 'waste' || only?.holds === 'odd') return 'waste';
  if (only?.holds && typeof only.holds === 'object') return pieceName(only.holds.piece);
  const names = new Set<string>();
  const walk = (node: PlanNode): void => {
    if (node.holds && typeof node.holds === 'object') names.add(pieceName(node.holds.piece));
    node.parts?.forEach(walk);
    if (node.opening) walk(node.opening);
  };
  nodes.forEach(walk);
  const [first] = names;
  return first === undefined ? 'the rest' : names.size > 1 ? `for ${first} and ${names.size - 1} more` : `for ${first}`;
}

function describeRest(nodes: readonly PlanNode[], name: string | null, pieceName: (id: string) => string): string {
  if (name !== null) return `${name} is left, for the next cuts`;
  const only = nodes.length === 1 ? nodes[0]! : null;
  if (only?.holds === 'waste' || only?.holds === 'odd') return 'the rest is waste';
  if (only?.holds === 'keep') return 'the rest goes back into the drawer';
  return `${nameOf(nodes, pieceName)} is left, ${goesTo(nodes, null, pieceName)}`;
}

function goesTo(nodes: readonly PlanNode[], name: string | null, pieceName: (id: string) => string): string {
  const only = nodes.length === 1 ? nodes[0]! : null;
  if (name !== null) return `pencil ${name} on it and lay it aside: it is cut again`;
  if (only?.holds === 'keep') return 'back into the drawer';
  if (only?.holds === 'waste' || only?.holds === 'odd') return 'waste';
  if (only?.holds && typeof only.holds === 'object')
    return `to the pieces: pencil \u201c${pieceName(only.holds.piece)}\u201d on its back`;
  return 'lay it aside';
}

const ONES = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve', 'thirteen', 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen']; // prettier-ignore
const TENS = ['', '', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];
/** A whole number in words, up to 999; above, its figures. */
function numberSpoken(n: number): string {
  if (n < 20) return ONES[n]!;
  if (n < 100) return `${TENS[Math.floor(n / 10)]!}${n % 10 ? `-${ONES[n % 10]!}` : ''}`;
  if (n > 999) return String(n);
  return `${ONES[Math.floor(n / 100)]!} hundred${n % 100 ? ` and ${numberSpoken(n % 100)}` : ''}`;
}
const PARTS: Readonly<Record<number, string>> = { 2: 'half', 4: 'quarter', 8: 'eighth', 16: 'sixteenth', 32: 'thirty-second', 64: 'sixty-fourth' }; // prettier-ignore

/** A length as one says it: `seven and one eighth`, `a half`, `one hundred and five millimetres`. */
export function formatSpokenLength(length: number, voice: Voice): string {
  const { whole, numerator, denominator, negative, unit } = computeLengthFigure(ticks(Math.round(length)), voice.mark);
  const sign = negative ? 'minus ' : '';
  const [units = '', decimals] = whole.split('.');
  if (unit === 'mm')
    return `${sign}${numberSpoken(Number(units))}${decimals ? ` point ${numberSpoken(Number(decimals))}` : ''} millimetres`;
  if (!denominator) return `${sign}${numberSpoken(Number(units))}`;
  const part = PARTS[denominator] ?? `over ${numberSpoken(denominator)}`;
  if (denominator === 2) return units ? `${sign}${numberSpoken(Number(units))} and a half` : `${sign}one half`;
  const fraction = `${numberSpoken(numerator)} ${numerator > 1 ? `${part}s` : part}`;
  return units ? `${sign}${numberSpoken(Number(units))} and ${fraction}` : `${sign}${fraction}`;
}

/** `Seven and one eighth; bottom edge on the fence; mat three comes off.` */
function spokenOf(words: Omit<TrimmerStepText, 'spoken'>, voice: Voice): string {
  const parts = [
    ...words.before,
    words.setting === null ? words.head : formatSpokenLength(words.setting, voice),
    words.hold,
    words.size
      ? `${formatSpokenLength(words.size.width, voice)} by ${formatSpokenLength(words.size.height, voice)}`
      : '',
    words.setting === null || !words.off ? words.off : `${words.off} comes off`,
    ...words.notes,
  ];
  return `${parts.filter(Boolean).join('; ').replaceAll('×', 'by').replaceAll('⁄', '/')}.`;
}

/** Why something that was sent changed nothing. */
export const NO_OP_MESSAGES: Readonly<Record<NoOpReason, string>> = {
  already: 'it was done already, here or on another device',
  'too-early': 'something before it was not done yet',
  'order-gone': 'another order had taken its place',
  over: 'the session was over, or had begun to be cut',
};

/** How a wrong cut is called. */
export const WRONG_CUT_LABELS = {
  size: 'cut at another setting',
  edge: 'cut from the wrong edge',
  torn: 'torn or crooked',
  paper: 'cut from another paper',
} as const;
