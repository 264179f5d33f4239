import { describe, expect, test } from '@jest/globals';
import { IN, leaf, over, read, row, type Leaf } from '../../../testing/trees.ts';
import { settingsIn, written } from '../../../testing/written.ts';
import type { JobDocument } from '../index.ts';
import { type Tree } from '../sheets/tree.ts';
import { writePlan } from './write.ts';

/* Plans written from trees made by hand, each for one thing that the order of cuts must do. */

describe('the order of cuts', () => {
  test('what is cut least often is left over last, offcuts before all', () => {
    const job = over([
      ['a', 2, 12, 3],
      ['b', 5, 12],
    ]);
    const plan = written(job, [
      {
        stock: 0,
        tree: row([
          [5, { piece: 1 }],
          [1, 'keep'],
          [2, { piece: 0 }],
          [2, { piece: 0 }],
          [2, { piece: 0 }],
        ]),
      },
    ]);
    // 5, then 2 three times, and the inch is left
    expect(plan.totals).toMatchObject({ cuts: 4, settings: 2 });
    expect(settingsIn(plan).filter((s) => s === 2)).toHaveLength(3);
    expect(settingsIn(plan)).not.toContain(1);
  });
  test('a setting waits for the cuts that other settings free', () => {
    // the 3 by 12 has two 3 by 3 to give, which come at the setting that frees it
    const job = over([
      ['a', 3, 3, 2],
      ['b', 4, 12],
    ]);
    const column = row(
      [
        [3, { piece: 0 }],
        [3, { piece: 0 }],
        [6, 'keep'],
      ],
      { cut: 'y', height: 3, x: 4 },
    );
    const tree: Tree = {
      ...row([
        [4, { piece: 1 }],
        [3, 'keep'],
        [5, 'keep'],
      ]),
      parts: [],
    };
    const whole = {
      ...tree,
      parts: [leaf(0, 0, 4 * IN, 12 * IN, { piece: 1 }), column, leaf(7 * IN, 0, 5 * IN, 12 * IN, 'keep')],
    };
    const plan = written(job, [{ stock: 0, tree: whole }]);
    expect(settingsIn(plan)).toEqual([4, 3, 3, 3]);
    expect(plan.totals.settings).toBe(2);
  });
  test('of a sheet whose lines must stay whole the parts keep their places', () => {
    const job = over([['a', 2, 12, 3]], {
      stock: [
        {
          id: 's',
          paper: 'p',
          width: '12',
          height: '12',
          uncut: [
            [
              ['5 1/4', '5'],
              ['6 3/4', '6'],
            ],
          ],
        },
      ],
    });
    const tree = row([
      [3, 'keep'],
      [2, { piece: 0 }],
      [2, { piece: 0 }],
      [2, { piece: 0 }],
      [3, 'keep'],
    ]);
    expect(tree.parts[1]!.x).toBe(3 * IN);
    const plan = written(job, [{ stock: 0, tree }]);
    expect(settingsIn(plan)).toEqual([3, 2, 2, 2]);
  });
  test('of a sheet from which a piece must come just there the parts keep their places', () => {
    const job = read({
      format: 'temnex-job',
      version: 2,
      papers: [{ id: 'p' }],
      plan: { keep: { shorter: '1', longer: '3' } },
      stock: [{ id: 's', paper: 'p', width: '12', height: '12', kind: 'sheet' }],
      pieces: [
        { id: 'a', width: 2, height: 12, quantity: 2, papers: ['p'] },
        { id: 'there', width: 3, height: 12, papers: ['p'], from: { stock: 's', x: 4, y: 0 } },
      ],
    } as JobDocument);
    const tree = row([
      [2, { piece: 0 }],
      [2, 'keep'],
      [3, { piece: 1 }],
      [2, { piece: 0 }],
      [3, 'keep'],
    ]);
    expect(settingsIn(written(job, [{ stock: 0, tree }]))).toEqual([2, 2, 3, 2]);
  });
  test('no more lie under the blade than the weakest of the cutters takes', () => {
    const job = over([['a', 6, 12, 8]], {
      cutter: { stack: 4, then: [{ name: 'small', reach: '13', stack: 2 }] },
    } as Partial<JobDocument>);
    const tree = row([
      [6, { piece: 0 }],
      [6, { piece: 0 }],
    ]);
    const plan = written(
      job,
      [1, 2, 3, 4].map(() => ({ stock: 0, tree })),
    );
    expect(plan.steps.map((s) => s.sheets)).toEqual([
      [0, 1],
      [2, 3],
    ]);
  });
  test('the larger part is cut first where nothing else tells', () => {
    const job = over([
      ['a', 5, 6],
      ['b', 7, 6],
      ['c', 3, 6],
    ]);
    const top = row(
      [
        [5, { piece: 0 }],
        [7, 'keep'],
      ],
      { height: 6, y: 6 },
    );
    const foot = row(
      [
        [3, { piece: 2 }],
        [7, { piece: 1 }],
        [2, 'keep'],
      ],
      { height: 6 },
    );
    const tree: Tree = {
      x: 0,
      y: 0,
      width: 12 * IN,
      height: 12 * IN,
      cut: 'y',
      parts: [foot, top],
      lost: 0,
      holds: null,
    };
    const settings = settingsIn(written(job, [{ stock: 0, tree }], 0));
    expect(settings).toHaveLength(4);
    expect(settings[0]).toBe(6);
  });
  test('what the cutter cannot hold, or set, does not change places', () => {
    const narrow = over([['a', 3, 12, 2]], { cutter: { narrowest: '1/2' } });
    const sheets = [
      {
        stock: 0,
        tree: row([
          [0.25, 'waste'],
          [3, { piece: 0 }],
          [3, { piece: 0 }],
          [5.5, 'keep'],
          [0.25, 'waste'],
        ]),
      },
    ];
    expect(settingsIn(written(narrow, sheets))).toEqual([0.25, 3, 3, 5.5]);
    const long = over([['a', 3, 12, 2]], { cutter: { long: '1/2', narrowest: '1/4' } });
    const left = [
      {
        stock: 0,
        tree: row([
          [3, { piece: 0 }],
          [5.75, 'keep'],
          [2.75, 'keep'],
          [0.5, 'waste'],
        ]),
      },
    ];
    const plan = written(long, left, 2, [1]);
    expect(settingsIn(plan)).toEqual([3, 5.75, 2.75]);
    expect(plan.steps.map((s) => (s.do === 'cut' ? s.dial : null))).toEqual([2.5, 5.25, 2.25]);
  });
  test('the last cut may swallow what is left, and then leaves nothing', () => {
    const job = over([['a', 3, 12, 3]], {
      cutter: { kerf: '1/8' },
      stock: [{ id: 's', paper: 'p', width: '9 5/16', height: '12' }],
    });
    const plan = written(job, [
      {
        stock: 0,
        tree: row(
          [
            [3, { piece: 0 }],
            [3, { piece: 0 }],
            [3, { piece: 0 }],
          ],
          { kerf: 1 / 8, lost: 1 / 16 },
        ),
      },
    ]);
    expect(plan.steps.map((s) => (s.do === 'cut' ? [s.part, s.off, s.rest] : []))).toEqual([
      ['r', 'r.0', 'r.1+'],
      ['r.1+', 'r.1', 'r.2+'],
      ['r.2+', 'r.2', null],
    ]);
    expect(plan.sheets[0]!.tree).toMatchObject({ lost: 1 / 16 });
    expect(plan.totals.kerfArea).toBeCloseTo(12 * (2 / 8 + 1 / 16), 9);
  });
  test('margins come first, all of a setting together, in stacks', () => {
    const job = over([['a', 5, 12, 4]], {
      cutter: { stack: 2 },
      stock: [{ id: 's', paper: 'p', width: '12', height: '13', quantity: 3, trim: { top: '1', left: '2' } }],
    });
    const tree = row(
      [
        [5, { piece: 0 }],
        [5, { piece: 0 }],
      ],
      { x: 2 },
    );
    const plan = written(
      job,
      [tree, tree].map((t) => ({ stock: 0, tree: t })),
    );
    expect(plan.steps).toEqual([
      { do: 'trim', sheets: [0, 1], edge: 'left', setting: 2 },
      { do: 'trim', sheets: [0, 1], edge: 'top', setting: 1 },
      { do: 'cut', sheets: [0, 1], edge: 'left', setting: 5, part: 'r', off: 'r.0', rest: 'r.1' },
    ]);
    expect(plan.totals.settings).toBe(3);
  });
  test('sheets in the order in which they are taken: scraps first, alike together; stock and pieces numbered', () => {
    const job = over([['a', 6, 6, 5]], {
      stock: [
        { id: 'new', paper: 'p', width: '6', height: '6', quantity: 5, kind: 'sheet' },
        { id: 'old', paper: 'p', width: '6', height: '6', quantity: 5, kind: 'scrap' },
      ],
    });
    const whole = leaf(0, 0, 6 * IN, 6 * IN, { piece: 0 });
    const plan = written(
      job,
      [0, 1, 0, 1, 1].map((stock) => ({ stock, tree: whole })),
    );
    expect(plan.sheets.map((s) => `${s.stock} ${s.copy}`)).toEqual(['old 1', 'old 2', 'old 3', 'new 1', 'new 2']);
    expect(
      plan.sheets.map(({ tree }) =>
        tree.cut === null && typeof tree.holds === 'object' && tree.holds ? (tree.holds as { copy: number }).copy : 0,
      ),
    ).toEqual([1, 2, 3, 4, 5]);
    expect(plan.totals).toMatchObject({
      newSheets: 2,
      newSheetArea: 72,
      scraps: 3,
      usedArea: 180,
      pieceArea: 180,
      keptArea: 0,
      wasteArea: 0,
      kerfArea: 0,
      cuts: 0,
      settings: 0,
    });
    expect(plan.steps).toEqual([]);
    expect(plan).toMatchObject({
      status: 'complete',
      format: 'temnex-plan',
      version: 2,
      unit: 'in',
      aim: 'least-paper',
    });
  });
  test('proved where nothing is missing and no less can do', () => {
    const whole = leaf(0, 0, 12 * IN, 12 * IN, { piece: 0 });
    const job = over([['a', 12, 12, 2]]);
    const of = (n: number, area: number, missing: number) =>
      writePlan(
        job,
        { newArea: area * IN * IN, newSheets: n, how: 'area' },
        { sheets: Array.from({ length: n }, () => ({ stock: 0, tree: whole })), missing: [missing] },
        'least-paper',
      );
    expect(of(2, 288, 0)).toMatchObject({
      status: 'complete',
      bound: { newSheetArea: 288, newSheets: 2, proved: true, how: 'area' },
    });
    expect(of(2, 287, 0).bound.proved).toBe(false);
    expect(of(1, 144, 1)).toMatchObject({ status: 'short', bound: { proved: false }, missing: [{ piece: 'a' }] });
  });
});

describe('cuts that stop, and centres', () => {
  /** A windmill of four 8 x 4 round a centre of 4 x 4 on 12 x 12, turning one way or the other. */
  const windmill = (turned: boolean): Tree => {
    const part = (x: number, y: number, w: number, h: number, holds: Leaf) =>
      leaf(x * IN, y * IN, w * IN, h * IN, holds);
    const a = { piece: 0 };
    const tall = { piece: 1 };
    const parts = turned
      ? [
          part(0, 0, 4, 8, tall),
          part(4, 0, 8, 4, a),
          part(8, 4, 4, 8, tall),
          part(0, 8, 8, 4, a),
          part(4, 4, 4, 4, 'keep'),
        ]
      : [
          part(0, 0, 8, 4, a),
          part(8, 0, 4, 8, tall),
          part(4, 8, 8, 4, a),
          part(0, 4, 4, 8, tall),
          part(4, 4, 4, 4, 'keep'),
        ];
    return { x: 0, y: 0, width: 12 * IN, height: 12 * IN, cut: 'windmill', parts, lost: 0, holds: null };
  };
  test.each([true, false])('a windmill that turns (%s) is cut by its four lines, each as far as the next', (turned) => {
    const job = over(
      [
        ['a', 8, 4, 2],
        ['tall', 4, 8, 2],
      ],
      { cutter: { stop: true } },
    );
    const plan = written(job, [{ stock: 0, tree: windmill(turned) }]);
    expect(plan.steps.map((s) => s.do)).toEqual(['stop', 'stop', 'stop', 'stop']);
    expect(plan.totals).toMatchObject({ cuts: 4, keptArea: 16, kerfArea: 0 });
  });
  test('an uneven windmill, with a kerf, and what is cut of its parts', () => {
    const job = over(
      [
        ['a', 7, 3],
        ['b', 3, 3, 2],
      ],
      { cutter: { stop: true, kerf: '1/16' } },
    );
    const k = 1 / 16;
    const part = (x: number, y: number, w: number, h: number, holds: Leaf) =>
      leaf(x * IN, y * IN, w * IN, h * IN, holds);
    const of = (turned: boolean): Tree => {
      // lower left 7 x 3, lower right 5−k wide and 8 high; upper right, upper left 4 wide
      const plain = [
        part(0, 0, 7, 3, { piece: 0 }),
        part(7 + k, 0, 5 - k, 8, 'keep'),
        part(4 + k, 8 + k, 8 - k, 4 - k, 'keep'),
        row(
          [
            [3, { piece: 1 }],
            [3, { piece: 1 }],
            [9 - k - 6 - 2 * k, 'keep'],
          ],
          { cut: 'y', height: 4, y: 3 + k, kerf: k },
        ),
        part(4 + k, 3 + k, 3 - k, 5 - k, 'keep'),
      ];
      const wide = {
        ...plain[3]!,
        parts: plain[3]!.parts.map((p) => (typeof p.holds === 'object' ? { ...p, holds: 'keep' as const } : p)),
      };
      return {
        x: 0,
        y: 0,
        width: 12 * IN,
        height: 12 * IN,
        cut: 'windmill',
        parts: turned ? plain : [...plain.slice(0, 3), wide, plain[4]!],
        lost: 0,
        holds: null,
      };
    };
    const plan = written(job, [{ stock: 0, tree: of(false) }], 2, [0, 2]);
    expect(plan.steps.filter((s) => s.do === 'stop').map((s) => [s.edge, s.setting, s.until])).toEqual([
      ['left', 7, 8],
      ['bottom', 3, 7],
      ['bottom', 8, 12 - 4 - k],
      ['left', 4, 12 - 3 - k],
    ]);
    expect(plan.steps.at(-1)).toMatchObject({ do: 'cut', part: 'r.3.1+' });
  });
  test('an uneven windmill that turns the other way', () => {
    const job = over([['a', 3, 7]], { cutter: { stop: true, kerf: '1/16' } });
    const k = 1 / 16;
    const part = (x: number, y: number, w: number, h: number, holds: Leaf) =>
      leaf(x * IN, y * IN, w * IN, h * IN, holds);
    // the plain one with its axes changed over
    const parts = [
      part(0, 0, 3, 7, { piece: 0 }),
      part(3 + k, 0, 9 - k, 4, 'keep'),
      part(8 + k, 4 + k, 4 - k, 8 - k, 'keep'),
      part(0, 7 + k, 8, 5 - k, 'keep'),
      part(3 + k, 4 + k, 5 - k, 3 - k, 'keep'),
    ];
    const tree: Tree = { x: 0, y: 0, width: 12 * IN, height: 12 * IN, cut: 'windmill', parts, lost: 0, holds: null };
    const plan = written(job, [{ stock: 0, tree }]);
    expect(plan.steps.map((s) => (s.do === 'stop' ? [s.edge, s.setting, s.until, s.line] : []))).toEqual([
      ['left', 3, 7, 1],
      ['bottom', 7, 8, 2],
      ['bottom', 4, 12 - 3 - k, 3],
      ['left', 8, 12 - 4 - k, 4],
    ]);
  });
  test('a centre is opened once its piece is cut, sheet by sheet, and what is in it is cut then', () => {
    const job = over(
      [
        ['ring', 10, 10, 2],
        ['in', 4, 8, 4],
      ],
      {
        cutter: { stack: 2 },
        pieces: [
          {
            id: 'ring',
            width: 10,
            height: 10,
            quantity: 2,
            papers: ['p'],
            opening: { x: 1, y: 1, width: 8, height: 8 },
          },
          { id: 'in', width: 4, height: 8, quantity: 4, papers: ['p'] },
        ],
      } as Partial<JobDocument>,
    );
    const inside = row(
      [
        [4, { piece: 1 }],
        [4, { piece: 1 }],
      ],
      { height: 8, x: 1, y: 1 },
    );
    const ring: Tree = { ...leaf(0, 0, 10 * IN, 10 * IN, { piece: 0 }), opening: inside };
    const column: Tree = {
      x: 0,
      y: 0,
      width: 10 * IN,
      height: 12 * IN,
      cut: 'y',
      parts: [ring, leaf(0, 10 * IN, 10 * IN, 2 * IN, 'keep')],
      lost: 0,
      holds: null,
    };
    const tree: Tree = {
      x: 0,
      y: 0,
      width: 12 * IN,
      height: 12 * IN,
      cut: 'x',
      parts: [column, leaf(10 * IN, 0, 2 * IN, 12 * IN, 'keep')],
      lost: 0,
      holds: null,
    };
    const plan = written(
      job,
      [1, 2].map(() => ({ stock: 0, tree })),
    );
    expect(plan.steps.map((s) => `${s.do} ${s.sheets.join('+')} ${'part' in s ? s.part : ''}`)).toEqual([
      'cut 0+1 r',
      'cut 0+1 r.0',
      'open 0 r.0.0',
      'open 1 r.0.0',
      'cut 0+1 r.0.0.o',
    ]);
    expect(plan.totals).toMatchObject({ pieceArea: 2 * 100, settings: 2, cuts: 6 });
  });
  test('what the first cutter does not reach is taken to the second', () => {
    const job = over([['a', 6, 12, 2]], {
      cutter: { reach: '11', then: [{ name: 'long arm', reach: '15' }] },
    } as Partial<JobDocument>);
    const plan = written(job, [
      {
        stock: 0,
        tree: row([
          [6, { piece: 0 }],
          [6, { piece: 0 }],
        ]),
      },
    ]);
    expect(plan.steps).toMatchObject([{ do: 'cut', by: 1, setting: 6 }]);
    const near = over([['a', 6, 12, 2]], {
      cutter: { reach: '12', then: [{ name: 'long arm', reach: '15' }] },
    } as Partial<JobDocument>);
    const [step] = written(near, [
      {
        stock: 0,
        tree: row([
          [6, { piece: 0 }],
          [6, { piece: 0 }],
        ]),
      },
    ]).steps;
    expect(step).not.toHaveProperty('by');
  });
});

describe('which cutter takes a part', () => {
  const taken = (cutter: object, tree: Tree, pieces: Parameters<typeof over>[0]) => {
    const job = over(pieces, { cutter: cutter as never });
    return written(job, [{ stock: 0, tree }]).steps.map((s) => [
      s.do === 'open' ? 0 : s.setting,
      ('by' in s && s.by) || 0,
    ]);
  };
  const knife = (more: object = {}) => ({ then: [{ name: 'knife', ...more }] });
  const strips: [number, Leaf][] = [
    [5, { piece: 0 }],
    [6, { piece: 1 }],
    [1, 'keep'],
  ];
  const cutSizes: Parameters<typeof over>[0] = [
    ['a', 5, 12],
    ['b', 6, 12],
  ];
  test('the first wherever it reaches, the next where it does not', () => {
    expect(taken({ ...knife() }, row(strips), cutSizes).map(([, by]) => by)).toEqual([0, 0]);
    expect(taken({ reach: '11', ...knife() }, row(strips), cutSizes).map(([, by]) => by)).toEqual([1, 1]);
    // what the knife has taken off is short enough for the trimmer
    const inner = row([[4, { piece: 0 }], [8, 'keep']], { height: 5 }); // prettier-ignore
    const tree: Tree = { ...row([[5, 'keep'], [7, 'keep']], { cut: 'y' }), parts: [inner, leaf(0, 5 * IN, 12 * IN, 7 * IN, 'keep')] }; // prettier-ignore
    expect(taken({ reach: '6', ...knife() }, tree, [['a', 4, 5]])).toEqual([[5, 1], [4, 0]]); // prettier-ignore
  });
  test('what is left beside it counts: the first takes a narrow strip while there is something to hold', () => {
    const narrow = { narrowest: '2', ...knife({ narrowest: 0 }) };
    const halves: [number, Leaf][] = Array.from({ length: 3 }, () => [1, { piece: 0 }]);
    const tree = row([...halves, [9, 'keep']]);
    expect(taken(narrow, tree, [['a', 1, 12, 3]]).map(([, by]) => by)).toEqual([0, 0, 0]);
    // of the last two neither is wide enough to hold
    const small = { ...row([[10.5, { piece: 1 }], [1, { piece: 0 }], [0.5, 'waste']]) }; // prettier-ignore
    const pieces: Parameters<typeof over>[0] = [['a', 1, 12], ['b', 10.5, 12]]; // prettier-ignore
    expect(taken(narrow, small, pieces)).toEqual([[10.5, 0], [1, 1]]); // prettier-ignore
  });
});
