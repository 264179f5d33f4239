import { describe, expect, test } from '@jest/globals';
import { base, layer, page as pageOf, photo, wishFor } from '../../testing/pages.ts';
import { derivePage, type Page } from '../page/index.ts';
import { NO_TRIM, DEFAULT_HABITS, type Drawer, type Habits, type StockItem } from '../stock/index.ts';
import { buildPageJob, type CutOrder } from './index.ts';

const look = { pattern: 'plain', ground: '#c8b070', ink: '#604020' } as const;
const item = (id: string, paper: string, width: string, height: string, more: Partial<StockItem> = {}): StockItem => ({
  id,
  paper,
  unit: 'in',
  width,
  height,
  quantity: 1,
  kind: 'scrap',
  trim: NO_TRIM,
  turned: 0,
  reserved: false,
  origin: null,
  ...more,
});
const papers: Drawer['papers'] = ['dune', 'reef', 'foam'].map((id) => ({
  id,
  name: id,
  sides: [
    { side: 'A', name: `${id} front`, direction: 'one-way', along: 'width', look },
    { side: 'B', name: `${id} back`, direction: 'none', along: 'height', look },
  ],
}));
const drawerOf = (...stock: StockItem[]): Drawer => ({ papers, stock });
const page = (): Page =>
  pageOf(
    base([], { wishes: { base: wishFor('dune') } }),
    photo('p', ['4', '6'], [layer('m', '1/4')], {
      wishes: { m: wishFor('reef', { papers: ['reef', 'dune', 'gone'], side: 'B', direction: 'height' }) },
    }),
  );
function asked(of: Page, drawer: Drawer, habits: Partial<Habits> = {}, order?: CutOrder) {
  const made = buildPageJob('a windy week', derivePage(of), drawer, { ...DEFAULT_HABITS, ...habits }, [], order);
  if (!made.ok) throw new Error(JSON.stringify(made.problem));
  return made.job;
}

describe('the job of a page', () => {
  test('says all that the planner needs, each length in its own unit', () => {
    const odd = item('odd', 'reef', '120', '170', {
      unit: 'mm',
      quantity: 2,
      turned: 90,
      reserved: true,
      trim: { left: '4', right: 0, top: '1/2 in', bottom: '1"' },
      outline: [
        [0, 0],
        ['120', 0],
        ['120', '6 cm'],
        [0, '170'],
      ],
      uncut: [
        [
          ['10', '20'],
          [0, '3″'],
        ],
      ],
    });
    const job = asked(page(), drawerOf(item('d', 'dune', '12', '12', { kind: 'sheet' }), odd));
    expect(job).toEqual({
      format: 'temnex-job',
      version: 2,
      name: 'a windy week',
      unit: 'in',
      cutter: { step: '1/16', reach: '12 1/4 in', narrowest: '1/4 in', kerf: '0 in', stack: 1 },
      plan: { aim: 'least-paper', seconds: 2, keep: { shorter: '1 in', longer: '3 in' } },
      papers: ['dune', 'reef'].map((id) => ({
        id,
        name: id,
        sides: [
          { side: 'A', name: `${id} front`, direction: 'one-way', along: 'width' },
          { side: 'B', name: `${id} back`, direction: 'none', along: 'height' },
        ],
      })),
      stock: [
        {
          id: 'odd',
          paper: 'reef',
          width: '120 mm',
          height: '170 mm',
          quantity: 2,
          kind: 'scrap',
          turned: 90,
          reserved: true,
          outline: [
            ['0 mm', '0 mm'],
            ['120 mm', '0 mm'],
            ['120 mm', '6 cm'],
            ['0 mm', '170 mm'],
          ],
          uncut: [
            [
              ['10 mm', '20 mm'],
              ['0 mm', '3″'],
            ],
          ],
          trim: { left: '4 mm', right: '0 mm', top: '1/2 in', bottom: '1"' },
        },
        {
          id: 'd',
          paper: 'dune',
          width: '12 in',
          height: '12 in',
          quantity: 1,
          kind: 'sheet',
          turned: 0,
          reserved: false,
          trim: { left: '0 in', right: '0 in', top: '0 in', bottom: '0 in' },
        },
      ],
      pieces: [
        {
          id: 'base/base',
          name: 'base base 1',
          quantity: 1,
          priority: 2,
          width: '12',
          height: '12',
          papers: ['dune'],
          side: 'A',
          direction: 'any',
        },
        {
          id: 'p/m',
          name: 'p mat 1',
          quantity: 1,
          priority: 2,
          width: '4 1/2',
          height: '6 1/2',
          // a paper that is gone is not asked for
          papers: ['reef', 'dune'],
          side: 'B',
          direction: 'height',
        },
      ],
    });
  });
  test('with a cutter that adds, stops and gives way to the knife', () => {
    const cutter = { ...DEFAULT_HABITS.cutter, reach: null, kerf: '1/64', stack: 3, stop: true, knife: true };
    const of = (long: string | number) =>
      asked(page(), drawerOf(item('d', 'dune', '12', '12')), { cutter: { ...cutter, long } }).cutter;
    expect(of('1/32')).toEqual({
      step: '1/16',
      reach: null,
      narrowest: '1/4 in',
      kerf: '1/64 in',
      stack: 3,
      long: '1/32 in',
      stop: true,
      then: [{ name: 'knife and ruler', step: '1/16' }],
    });
    expect(of(0)).not.toHaveProperty('long');
    expect(of('0')).not.toHaveProperty('long');
    expect(of('-1/64')).toMatchObject({ long: '-1/64 in' });
  });
  test('names each piece once', () => {
    const two = pageOf(
      base([], { wishes: { base: wishFor('dune') } }),
      ...['p', 'q', 'r'].map((id) =>
        photo(id, ['2', '3'], [layer('m', '1/4')], { name: 'gust', wishes: { m: wishFor('reef') } }),
      ),
    );
    const names = asked(two, drawerOf()).pieces.map((p) => p.name);
    expect(names).toEqual(['base base 1', 'gust mat 1', 'gust mat 1 (2)', 'gust mat 1 (3)']);
  });
  test('asks for what reaches, and of each paper three that do not; for what a piece must come from in any case', () => {
    const small = (paper: string) =>
      [1, 2, 3, 4, 5].map((n) => item(`${paper}${n}`, paper, `${n}`, '2', { kind: 'scrap' }));
    const sized = drawerOf(
      ...small('reef'),
      ...small('dune'),
      ...small('foam'),
      item('wide', 'reef', '7', '5', { kind: 'scrap' }),
      item('sheet', 'dune', '12', '12', { kind: 'sheet' }),
    );
    // the largest first; a paper that no piece wants is not there at all
    expect(asked(page(), sized).stock.map((s) => s.id)).toEqual([
      ...['wide', 'dune5', 'reef5', 'dune4', 'reef4', 'dune3', 'reef3', 'sheet'],
    ]);
    const from = { stock: 'reef1', x: '1/4', y: 0 };
    const there = pageOf(
      page().items[0]!,
      photo('p', ['1/2', '1'], [layer('m', '1/8')], { wishes: { m: wishFor('reef', { from }) } }),
    );
    const job = asked(there, drawerOf(...small('reef').map((s) => ({ ...s, width: '1/4' }))));
    expect(job.stock.map((s) => s.id)).toEqual(expect.arrayContaining(['reef1']));
    expect(job.stock).toHaveLength(4);
    expect(job.pieces[1]!.from).toEqual({ stock: 'reef1', x: '1/4 in', y: '0 in' });
  });
  test('a spare is one more of it, cut last; what is first comes before all', () => {
    const job = asked(page(), drawerOf(), {}, { copies: 4, spares: ['base/base'], first: ['p/m'] });
    expect(job.pieces.map(({ id, name, quantity, priority }) => [id, name, quantity, priority])).toEqual([
      ['base/base', 'base base 1', 4, 2],
      ['base/base spare', 'base base 1, spare', 1, 1],
      ['p/m', 'p mat 1', 4, 3],
    ]);
  });
  test('names what has no paper, or only one that is gone, or no place to come from', () => {
    const with1 = (more: object) => pageOf(base([], { wishes: { base: { ...wishFor('dune'), ...more } } }));
    const refused = (of: Page) => buildPageJob('p', derivePage(of), drawerOf(), DEFAULT_HABITS);
    expect(refused(with1({ papers: ['gone'] }))).toEqual({
      ok: false,
      problem: { code: 'no-paper-chosen', parts: ['base base 1'] },
    });
    expect(refused(with1({ from: { stock: 'away', x: 0, y: 0 } }))).toEqual({
      ok: false,
      problem: { code: 'place-gone', parts: ['base base 1'] },
    });
    expect(refused(with1({ papers: ['gone', 'dune'] }))).toMatchObject({ ok: true });
  });
  test('each refused item is named once', () => {
    const bad = pageOf(
      photo('p', ['4', '6'], [layer('m', { reveal: { style: 'even' } }), layer('n', '-9')], { name: 'spray' }),
    );
    const derived = derivePage(bad);
    expect(buildPageJob('p', derived, drawerOf(), DEFAULT_HABITS)).toEqual({
      ok: false,
      problem: { code: 'page-refused', parts: ['spray'] },
    });
    const twice = buildPageJob(
      'p',
      { ...derived, problems: [...derived.problems, ...derived.problems, { ...derived.problems[0]!, item: null }] },
      drawerOf(),
      DEFAULT_HABITS,
    );
    expect(twice).toEqual({ ok: false, problem: { code: 'page-refused', parts: ['spray'] } });
  });
  test('of a large page only what it asks: pieces cut to it already are left out', () => {
    const cut = { piece: 'p/m', unit: 'in', width: '4 1/2', height: '6 1/2', paper: 'reef', side: 'B' } as const;
    const order = { copies: 2, spares: ['p/m'], first: [] };
    const left = (n: number) => {
      const made = buildPageJob('p', derivePage(page()), drawerOf(), DEFAULT_HABITS, Array(n).fill(cut), order);
      return made.ok && made.job.pieces.slice(1).map((p) => [p.id, p.quantity]);
    };
    expect([0, 1, 2, 3].map(left)).toEqual([
      [
        ['p/m', 2],
        ['p/m spare', 1],
      ],
      [
        ['p/m', 1],
        ['p/m spare', 1],
      ],
      [['p/m spare', 1]],
      [],
    ]);
  });
});

describe('several cutters', () => {
  const drawer = drawerOf(item('a', 'dune', '12', '12', { kind: 'sheet' }));
  test('are told one after the other, each with its own figures, and the knife last', () => {
    const guillotine = { name: 'guillotine', reach: null, narrowest: '1', stack: 8, long: '-1/64' };
    const punch = { name: 'small one', reach: '150 mm', narrowest: 0, stack: 1, long: 0 };
    const { cutter } = asked(page(), drawer, {
      cutter: { ...DEFAULT_HABITS.cutter, name: 'rotary', knife: true },
      others: [guillotine, punch],
    });
    expect(cutter?.name).toBe('rotary');
    expect(cutter?.then).toEqual([
      { name: 'guillotine', step: '1/16', reach: null, narrowest: '1 in', stack: 8, long: '-1/64 in' },
      { name: 'small one', step: '1/16', reach: '150 mm', narrowest: '0 in', stack: 1 },
      { name: 'knife and ruler', step: '1/16' },
    ]);
  });
  test('without others, a job says what it always said', () => {
    expect(asked(page(), drawer).cutter).not.toHaveProperty('then');
    expect(asked(page(), drawer).cutter).not.toHaveProperty('name');
  });
});
