import { describe, expect, test } from '@jest/globals';
import { MARKS, lengthOf, parseLength } from '@temnex/core/length';
import {
  fieldKey,
  recipeOf,
  parseRecipeLine,
  type FieldPath,
  type InputOf,
  type RecipeSolution,
  type LayoutContext,
} from '@temnex/core/recipes';
import { parseStockLine } from '@temnex/core/stock';
import type { PageProblem } from '@temnex/core/page';
import { planJob, readJob, type JobDocument, type Plan, type WayOut } from '@temnex/core/planner';
import { formatSheetLetter } from '@temnex/core/cutting';
import {
  SCREEN,
  TERMINAL,
  describeBound,
  formatCutList,
  formatLength,
  formatLengthWithDifference,
  describeIssue,
  describeMissing,
  describeOffcutChoice,
  describePageProblem,
  describePart,
  describeRecipeProblem,
  describeLineProblem,
  formatComparison,
  describeStep,
  describeWayOut,
  describeSuggestion,
  formatSum,
  formatTotals,
} from './index.ts';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: lengthOf('12'), height: lengthOf('12'), seams: [] },
};
type Mats = InputOf<'mat-stack'>;
const solve = (print: [string, string], mat: Omit<Mats['mats'][number], 'id'>): RecipeSolution =>
  recipeOf('mat-stack').solve(
    { print: { width: print[0], height: print[1], known: 'measured' }, mats: [{ id: 'm', ...mat }] },
    table,
  );
const sumOf = (solved: RecipeSolution, path: FieldPath, total: string): string => {
  if (solved.status !== 'solved') throw new Error(JSON.stringify(solved));
  return formatSum(solved.sums.get(fieldKey(path))!, lengthOf(total), TERMINAL);
};

describe('lengths as people write them', () => {
  test.each([
    ['4 3/8', '4 3/8'],
    ['1 29/64', '1 7/16 (1/64 over)'],
    ['1 27/64', '1 7/16 (1/64 under)'],
    ['1/3', '5/16 (1/64 over)'],
  ])('%s', (text, words) => expect(formatLengthWithDifference(lengthOf(text), TERMINAL)).toBe(words));
  test('millimetres name their unit', () =>
    expect(formatLength(lengthOf('105.2 mm'), { mark: MARKS['0.5 mm'], figures: 'plain' })).toBe('105 mm'));
});

describe('sums', () => {
  test('of a mat, and backwards of a reveal', () => {
    const forwards = solve(['4', '6'], { reveal: { style: 'even', all: '3/16' } });
    expect(sumOf(forwards, ['mats', 0, 'width'], '4 3/8')).toBe('4 + 3/16 + 3/16 = 4 3/8');
    const backwards = solve(['5', '3 1/2'], { reveal: { style: 'two' }, width: '5 1/2', height: '3 3/4' });
    expect(sumOf(backwards, ['mats', 0, 'reveal', 'across'], '1/4')).toBe('(5 1/2 − 5) ÷ 2 = 1/4');
    expect(backwards.status === 'solved' && describeSuggestion('mat-stack', backwards.suggestions[0]!, TERMINAL)).toBe(
      'Mat 1 is uneven: 1/4 left and right, 1/8 top and bottom. Even would be 5 1/2 × 4 (1/4 all round) or 5 1/4 × 3 3/4 (1/8 all round).',
    );
  });
  test('add up as they stand, and say the rounding at the end', () => {
    const seventh = solve(['4', '6'], { reveal: { style: 'even', all: '1/7' } });
    expect(sumOf(seventh, ['mats', 0, 'width'], '4 2/7')).toBe('4 + 0.1428 + 0.1428 = 4.2857, about 4 5/16');
    const sixtyFourth = solve(['4', '6'], { reveal: { style: 'even', all: '9/64' } });
    expect(sumOf(sixtyFourth, ['mats', 0, 'width'], '4 9/32')).toBe('4 + 9/64 + 9/64 = 4 9/32, about 4 5/16');
    const metric = solve(['89 mm', '127 mm'], { reveal: { style: 'even', all: '1/8' } });
    expect(sumOf(metric, ['mats', 0, 'width'], '95.35 mm')).toBe('3.5039 + 1/8 + 1/8 = 3.7539, about 3 3/4');
    const half = solve(['4', '6'], { reveal: { style: 'two' }, width: '4 1/16', height: '7' });
    expect(sumOf(half, ['mats', 0, 'reveal', 'across'], '1/32')).toBe('(4 1/16 − 4) ÷ 2 = 1/32, about 1/16');
  });
  test('many alike are multiplied', () => {
    const input = {
      strip: { length: '6' },
      count: 6,
      spread: 'room',
      row: { gap: '1/8', margin: '3/4' },
      end: { shape: 'straight', longer: 'left' },
    };
    const solved = recipeOf('banner-strip').solve(input, table);
    expect(sumOf(solved, ['strip', 'width'], '1 5/8')).toBe('(10 1/2 − 5 × 1/8) ÷ 6 = 1.6458, about 1 5/8');
  });
});

describe('problems', () => {
  test.each<[Omit<Mats['mats'][number], 'id'>, string]>([
    [
      { reveal: { style: 'two' }, width: '4', height: '6' },
      'Mat 1 is smaller than what lies on it: the reveal would be −1/8 left and right.',
    ],
    [
      { reveal: { style: 'two' }, height: '7' },
      'Not enough is known. Give one of: width of mat 1 or left and right of mat 1.',
    ],
    [
      { reveal: { style: 'even', all: '1/8' }, width: 'wide' },
      'Width of mat 1: "wide" is not a length; try 4 3/8, 4.375 or 111 mm.',
    ],
    [
      { reveal: { style: 'even', all: '1/8' }, width: '5' },
      'These cannot all be right: width of mat 1, width of the print and reveal of mat 1. They differ by 1/2.',
    ],
  ])('%j', (mat, sentence) => {
    const result = solve(['4 1/4', '6'], mat);
    expect(result.status === 'refused' && describeRecipeProblem('mat-stack', result.problems[0]!, TERMINAL)).toBe(
      sentence,
    );
  });
  test('of an item: in a circle, on nothing, a distance that is none', () => {
    const nameOf = (id: string) => ({ a: 'the launch', b: 'pennants' })[id] ?? id;
    const say = (problem: PageProblem['problem']) =>
      describePageProblem({ item: 'a', problem, offers: [] }, 'mat-stack', TERMINAL, nameOf);
    expect(say({ code: 'circle', items: ['a', 'b'] })).toBe(
      'These lie on or beside each other in a circle: the launch and pennants.',
    );
    expect(say({ code: 'no-room', axis: null })).toBe('What it lies on is gone.');
    expect(say({ code: 'no-room', axis: 'across' })).toBe('What it lies beside is gone.');
    const missing = { code: 'length-missing' } as const;
    expect(say({ code: 'field', path: ['at', 'upDown', 'by'], problem: missing })).toBe(
      'Distance up or down: needs a length.',
    );
    expect(say({ code: 'field', path: ['fit', 'by'], problem: missing })).toBe(
      'Extra to trim in place: needs a length.',
    );
    expect(say({ code: 'field', path: ['mats', 1, 'width'], problem: missing })).toBe(
      'Width of mat 2: needs a length.',
    );
    const ground = { code: 'field', path: ['ground', 'seam'], problem: missing } as const;
    expect(describePageProblem({ item: null, problem: ground, offers: [] }, null, TERMINAL, nameOf)).toBe(
      'Seam: needs a length.',
    );
  });
  test.each<[unknown, string]>([
    [{ pieces: [{ id: 'a', width: '4 1/0', height: '6', papers: ['p'] }] }, 'pieces[0].width: "4 1/0" is not a length'],
    [{ pieces: [{ id: 'a', width: '0', height: '6', papers: ['p'] }] }, 'pieces[0].width: "0" must be more than 0'],
    [{ pieces: [{ id: 'a', width: '1', height: '6', papers: ['q'] }] }, 'pieces[0].papers[0]: there is no paper "q"'],
    [{ glue: true }, 'the file: does not know "glue"'],
    [{ version: 4 }, 'version: must be 1 or 2 or 3'],
    [{ pieces: undefined }, 'pieces: is missing'],
    [{ pieces: 'all' }, 'pieces: must be a list'],
    [{ pieces: [{ id: 3, width: '1', height: '6', papers: ['p'] }] }, 'pieces[0].id: must be text'],
    [{ pieces: [{ id: '', width: '1', height: '6', papers: ['p'] }] }, 'pieces[0].id: is empty'],
    [{ pieces: [{ id: 'a', width: '1', height: '6', papers: [] }] }, 'pieces[0].papers: must have at least 1 entry'],
    [
      { pieces: [{ id: 'a', width: '1', height: '6', papers: ['p'], quantity: 0 }] },
      'pieces[0].quantity: must be at least 1',
    ],
    [
      { pieces: [{ id: 'a', width: '1', height: '6', papers: ['p'], quantity: 1.5 }] },
      'pieces[0].quantity: must be a whole number',
    ],
    [{ cutter: { stop: true } }, 'cutter.stop: needs "version": 2'],
    [
      {
        version: 2,
        stock: [
          {
            id: 's',
            paper: 'p',
            outline: [
              [1, 0],
              [4, 0],
              [4, 4],
            ],
          },
        ],
      },
      'stock[0].outline: must touch 0 both ways: count from its leftmost and its lowest corner',
    ],
    [{ stock: [{ id: 's', paper: 'p', width: '3' }] }, 'stock[0].height: is missing'],
  ])('a job with %j: one line that names the field', (change, line) => {
    const good = {
      format: 'temnex-job',
      version: 1,
      papers: [{ id: 'p' }],
      stock: [],
      pieces: [{ id: 'a', width: '1', height: '1', papers: ['p'] }],
    };
    const read = readJob({ ...good, ...(change as object) });
    expect(read.ok ? null : describeIssue(read.issues[0]!, TERMINAL)).toBe(line);
  });
  test('what was said and not understood', () => {
    const stock = parseStockLine(
      'scrap 3 x 4 teal',
      [
        { id: 'a', name: 'Deep teal' },
        { id: 'b', name: 'Pale teal' },
      ],
      'in',
    );
    expect(!stock.ok && describeLineProblem(stock, SCREEN)).toBe('Which "teal": Deep teal or Pale teal?');
    const mats = parseRecipeLine('mats', table, () => 'x')!.said;
    expect(!mats.ok && describeLineProblem(mats, SCREEN)).toBe(
      'Say it like this: mat 1/8 1/4 around 4 x 6, or 5 banners 1 3/8 x 4 1/2.',
    );
    expect(parseLength('x', 'in').ok).toBe(false);
  });
  test.each([
    [{ code: 'word-unknown', text: 'purple' }, 'I don\'t know "purple".'],
    [{ code: 'value-missing', text: 'gap' }, '"gap": how much of it?'],
    [{ code: 'said-twice', text: '4 x 5' }, '4 x 5: what is it? A value of its kind is there already.'],
    [{ code: 'goes-nowhere', text: '3' }, '3: it is not clear what that is.'],
    [{ code: 'too-many', text: '99', most: 60 }, '99 is not a number between 1 and 60.'],
    [{ code: 'too-often', text: '1/16', most: 12 }, '1/16: there can be no more than 12 of these.'],
    [{ code: 'length-not-positive', text: '-1/8' }, '"-1/8" must be more than 0.'],
  ] as const)('what is not understood of a line: %j', (problem, sentence) =>
    expect(describeLineProblem({ ok: false, problem }, SCREEN)).toBe(sentence),
  );
});

describe('plans', () => {
  const document: JobDocument = {
    format: 'temnex-job',
    version: 1,
    papers: [{ id: 'teal', name: 'Teal swell', sides: [{ side: 'A', direction: 'one-way' }] }],
    plan: { nodes: 100 },
    stock: [{ id: 's', paper: 'teal', width: '12', height: '12', quantity: 3 }],
    pieces: [
      {
        id: 'm',
        name: 'launch mat',
        width: '4 1/4',
        height: '6 1/4',
        quantity: 3,
        papers: ['teal'],
        side: 'A',
        direction: 'height',
      },
    ],
  };
  const made = (d: JobDocument) => {
    const read = readJob(d);
    if (!read.ok) throw new Error();
    return { job: read.job, plan: planJob(read.job, { now: () => 0 }) };
  };
  const names = () => 'launch mat';
  test('steps say what to hold, where to set, what comes off', () => {
    const { plan, job } = made(document);
    const words = plan.steps.map((s) => describeStep(s, plan, job, TERMINAL, names));
    expect(words[0]!.hold).toMatch(/^sheet A, (left|bottom) edge on the fence$/);
    expect(words.map((w) => w.setting)).toContain('4 1/4');
    const named = words.flatMap((w) => [w.off, w.leaves]).filter((name) => name === 'launch mat');
    expect(named).toHaveLength(document.pieces.find((p) => p.name === 'launch mat')!.quantity!);
  });
  test('a part that is cut again has a name of its own, by which it is taken up', () => {
    const { plan, job } = made({
      ...document,
      stock: [{ id: 's', paper: 'teal', width: '12', height: '12', quantity: 2 }],
      pieces: [
        { id: 'm', name: 'launch mat', width: '4 1/4', height: '6 1/4', quantity: 3, papers: ['teal'] },
        { id: 't', name: 'tag', width: '2', height: '3', quantity: 9, papers: ['teal'] },
      ],
    });
    const said = new Set(['sheet A', 'sheet B']);
    for (const step of plan.steps) {
      const { hold, off, leaves } = describeStep(step, plan, job, TERMINAL, (id) => id);
      const inHand = hold.split(',')[0]!;
      expect([...said]).toContain(inHand);
      const come = [off, leaves].map((text) => text.split(',')[0]!);
      // nothing that comes of a cut is called like what was cut, or like another part that is cut again
      expect(come).not.toContain(inHand);
      for (const name of come.filter((n) => /^[A-Z]+\d+$/.test(n))) {
        expect(said.has(name)).toBe(false);
        said.add(name);
      }
      for (const text of [off, leaves]) if (text.includes('offcut')) expect(text).toMatch(/an offcut to keep, \d/);
    }
    expect(said.size).toBeGreaterThan(3);
  });
  test('fewest possible is said only when it is proved', () => {
    const { plan } = made(document);
    expect(plan.bound.proved).toBe(true);
    expect(describeBound(plan)).toMatch(/^Fewest possible: no more of one piece/);
    const doubtful: Plan = {
      ...plan,
      bound: { ...plan.bound, proved: false, newSheetArea: 144, newSheets: 1, how: 'area' },
    };
    expect(describeBound(doubtful)).toBe(
      'Perhaps less would do: at least 1 new sheet (144 sq in) is needed, as the pieces have more area than the scraps and fewer sheets give.',
    );
    expect(formatTotals(plan)[0]).toEqual({ label: 'new sheets opened', value: '2' });
  });
  test('how few settings could do is said of the one sheet, or as long as each piece stays on its sheet', () => {
    const { plan } = made(document);
    const { settings } = plan.totals;
    const cut = plan.sheets.filter(({ tree }) => tree.parts?.length);
    const said = (sheets: Plan['sheets'], least: number) =>
      describeBound({ ...plan, sheets, bound: { ...plan.bound, settings: least } });
    expect(cut.length).toBeGreaterThan(1);
    expect(said(cut.slice(0, 1), settings)).toMatch(/ It can’t be done with fewer settings\.$/);
    expect(said(cut, settings)).toMatch(/ It can’t be done with fewer settings while each piece stays on its sheet\.$/);
    expect(said(cut, 1)).toMatch(/ At least 1 setting is needed while each piece stays on its sheet\.$/);
    expect(describeBound({ ...plan, bound: { ...plan.bound, settings: undefined } })).not.toMatch(/setting/);
  });
  test('where nothing is wide enough: the size that is needed, and the one that comes nearest', () => {
    const { plan, job } = made({
      ...document,
      stock: [
        { id: 'strip', paper: 'teal', width: '1', height: '12', kind: 'strip' },
        { id: 'wide', paper: 'teal', width: '8', height: '11 1/2', kind: 'scrap' },
      ],
      pieces: [{ id: 'm', name: 'panel', width: '11 1/4', height: '9', papers: ['teal'] }],
    });
    expect(describeMissing(plan.missing[0]!, job, TERMINAL).why).toBe(
      'panel: it needs 11 1/4 × 9; the Teal swell that comes nearest is 8 × 11 1/2',
    );
  });
  test('what is missing: which piece, why, what would help', () => {
    const { plan, job } = made({
      ...document,
      stock: [{ id: 's', paper: 'teal', width: '11 1/4', height: '6', kind: 'scrap' }],
      pieces: [{ id: 'm', name: 'long panel', width: '11 1/2', height: '3', papers: ['teal'] }],
    });
    expect(describeMissing(plan.missing[0]!, job, TERMINAL)).toEqual({
      why: 'long panel: no Teal swell reaches 11 1/2; the longest is 11 1/4',
      help: [
        'make it 11 1/4 long (opens no more new paper)',
        'build it up of 2, each 1/2 over the next (opens no more new paper)',
        'buy 1 × Teal swell, 12 × 12 (opens 144 sq in of new paper)',
      ],
    });
  });
  test('the plain list, parts and sheets by name', () => {
    expect(formatCutList(made(document).job, TERMINAL)).toBe(
      'Teal swell\n  3 × 4 1/4 × 6 1/4  launch mat, side A, pattern along the height',
    );
    // with a plan: where each copy comes from in truth, and what has no paper
    const { job } = made({
      ...document,
      papers: [
        { id: 'teal', name: 'Teal swell' },
        { id: 'rust', name: 'Rust' },
      ],
      stock: [
        { id: 'one', paper: 'teal', width: '5', height: '7', kind: 'scrap' },
        { id: 'two', paper: 'rust', width: '7', height: '5', kind: 'scrap' },
      ],
      pieces: [{ id: 'm', name: 'mat', width: '4 1/4', height: '6 1/4', quantity: 3, papers: ['teal', 'rust'] }],
    });
    const plan = planJob({ ...job, nodes: 20 }, { now: () => 0 });
    expect(formatCutList(job, TERMINAL, plan)).toBe(
      'Teal swell\n  1 × 4 1/4 × 6 1/4  mat\nRust\n  1 × 4 1/4 × 6 1/4  mat\nNo paper for\n  1 × 4 1/4 × 6 1/4  mat',
    );
    expect([0, 25, 26, 52].map(formatSheetLetter)).toEqual(['A', 'Z', 'AA', 'BA']);
    const at = { x: 0, y: 0, width: 1, height: 1, cut: null };
    expect(describePart([{ ...at, holds: 'keep' }], names)).toBe('an offcut to keep');
    expect(
      describePart(
        [
          { ...at, holds: 'waste' },
          { ...at, holds: 'waste' },
        ],
        names,
      ),
    ).toBe('the rest');
  });

  test('every way out, with how much it helps and what it opens', () => {
    const { job } = made(document);
    const missing = { piece: 'm', quantity: 3, why: 'not-enough' as const, paper: 'teal', help: [] };
    const say = (how: WayOut['how'], cut = 3, newSheetArea = 0) =>
      describeWayOut({ how, cut, newSheetArea }, missing, job, TERMINAL);
    expect([
      say({ do: 'turn' }),
      say({ do: 'elsewhere' }),
      say({ do: 'other-side', side: 'B' }, 1),
      say({ do: 'release', stock: 's' }),
      say({ do: 'cut-through', stock: 's' }),
      say({ do: 'other-paper', paper: 'teal' }, 3, 144),
      say({ do: 'tuck', width: 4, height: 6 }),
      say({ do: 'join', along: 'width', at: 2.5 }),
      say({ do: 'build-up', across: [5, 10], up: [4], overlap: 0.5 }),
      say({ do: 'build-up', across: [5], up: [], overlap: 0.5, buy: { width: 12, height: 9, quantity: 2 } }),
      say({ do: 'shorten', to: 5.75 }),
      say({ do: 'buy', paper: 'teal', width: 12, height: 12, quantity: 2 }, 3, 288),
    ]).toEqual([
      'let the pattern run the other way (opens no more new paper)',
      'cut it from anywhere (opens no more new paper)',
      'use side B (1 of 3; opens no more new paper)',
      'take what is held back, Teal swell 12 × 12 (opens no more new paper)',
      'cut through what was to stay whole, Teal swell 12 × 12 (opens no more new paper)',
      'take Teal swell instead (opens 144 sq in of new paper)',
      'tuck less under: 4 × 6 would do (opens no more new paper)',
      'make it of two, joined 2 1/2 along its width, where it is covered (opens no more new paper)',
      'build it up of 6, each 1/2 over the next (opens no more new paper)',
      'build it up of 2, each 1/2 over the next, with 2 more of 12 × 9 to buy (opens no more new paper)',
      'make it 5 3/4 long (opens no more new paper)',
      'buy 2 × Teal swell, 12 × 12 (opens 288 sq in of new paper)',
    ]);
  });
  test('steps by another cutter, by hand, that stop, and of a trimmer that is not true', () => {
    const { plan, job } = made({
      ...document,
      version: 2,
      papers: [{ id: 'teal', name: 'Teal swell' }],
      cutter: { stop: true, long: '1/32', then: [{ name: 'knife' }] },
      stock: [{ id: 's', paper: 'teal', width: '11', height: '11' }],
      pieces: [{ id: 'm', name: 'launch mat', width: '4 1/2', height: '6 1/2', quantity: 4, papers: ['teal'] }],
    });
    const words = plan.steps.map((s) => describeStep(s, plan, job, TERMINAL, names));
    const stops = words.filter((w) => w.off.startsWith('stop cut'));
    expect(stops.map((w) => w.off)).toEqual([1, 2, 3, 4].map((n) => `stop cut ${n} of 4`));
    expect(stops[0]!.note).toMatch(/^to cut (4 1\/2|6 1\/2), stop (4 1\/2|6 1\/2) in from the lower edge$/);
    const byKnife = describeStep(
      { do: 'cut', sheets: [0], part: 'r', edge: 'left', setting: 5, off: 'r.0', rest: 'r.1', by: 1 },
      plan,
      job,
      TERMINAL,
      names,
    );
    expect(byKnife.note).toBe('with the knife');
    const open = describeStep({ do: 'open', sheets: [0], part: 'r.0', off: 'r.0.o' }, plan, job, TERMINAL, names);
    expect(open).toMatchObject({ setting: 'by hand', off: expect.stringMatching(/^cut out its hidden centre/) });
  });
  test('figures to compare plans by: the lower the rank, the better', () => {
    const { plan } = made(document);
    const less = structuredClone(plan);
    less.totals.wasteArea = 0;
    const rank = (p: Plan, label: string) => formatComparison(p).find((f) => f.label === label)!.rank;
    expect(rank(less, 'waste')).toBeLessThanOrEqual(rank(plan, 'waste'));
    expect(formatComparison(plan).map((f) => f.label)).toEqual([
      'new sheets',
      'scraps',
      'waste',
      'largest offcut',
      'settings',
      'cuts',
      'turned or taken up',
      'parts waiting',
    ]);
  });
});

test('which of two offcuts is kept where either might be, and why', () => {
  const of = (width: string, height: string) => ({ width: lengthOf(width), height: lengthOf(height) });
  const choice = { kept: [of('8 1/2', '2 3/4'), of('2', '4')], instead: [of('2', '7')] };
  const say = (because: 'wanted' | 'broader' | 'alike' | 'cuts') =>
    describeOffcutChoice({ ...choice, because }, TERMINAL);
  expect([say('broader'), say('wanted'), say('alike'), say('cuts')]).toEqual([
    'Kept: 8 1/2 × 2 3/4 and 2 × 4, not 2 × 7: a broader offcut is of more use.',
    'Kept: 8 1/2 × 2 3/4 and 2 × 4, not 2 × 7: they fit what other pages want, or what you often cut.',
    'Kept: 8 1/2 × 2 3/4 and 2 × 4, not 2 × 7. Either way would do.',
    'Kept: 8 1/2 × 2 3/4 and 2 × 4, not 2 × 7.',
  ]);
});
