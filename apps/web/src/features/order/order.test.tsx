import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { useState, type ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { MARKS } from '@temnex/core/length';
import { DEFAULT_HABITS } from '@temnex/core/stock';
import { derivePage, type Page } from '@temnex/core/page';
import { planAims, readJob, type JobDocument, type Plan } from '@temnex/core/planner';
import { layer, page as pageOf, photo } from '@temnex/core/testing';
import { useCut } from '../../data/orders/queries.ts';
import { recordRequests, type RecordedRequest } from '../../app/recordRequests.ts';
import type { PageContext } from '../../data/pages/context.ts';
import { Alternatives } from '../../widgets/order/Alternatives.tsx';
import { CutIt, type Pressed } from '../../widgets/order/CutIt.tsx';
import { HabitsForm } from './HabitsForm.tsx';
import { HowMany } from './HowMany.tsx';
import { Story } from '../../widgets/order/Story.tsx';

const document: JobDocument = {
  format: 'temnex-job',
  version: 2,
  papers: [{ id: 'p', name: 'Gust' }],
  plan: { nodes: 120 },
  cutter: { long: '1/32' },
  stock: [{ id: 's', paper: 'p', width: '12', height: '12' }],
  pieces: [
    {
      id: 'mat',
      name: 'launch mat',
      width: '4',
      height: '6',
      quantity: 2,
      papers: ['p'],
      opening: { x: '1/2', y: '1/2', width: '3', height: '5' },
    },
    {
      id: 'tag',
      name: 'kite tag',
      width: '3',
      height: '5',
      quantity: 3,
      papers: ['p'],
      finish: [{ do: 'notch', edge: 'bottom', depth: '1', at: '1 1/2' }],
      shape: [
        [0, 0],
        ['1 1/2', 1],
        [3, 0],
        [3, 5],
        [0, 5],
      ],
    },
    { id: 'panel', name: 'sky panel', width: '12', height: '6', papers: ['p'] },
  ],
};
const read = readJob(document);
if (!read.ok) throw new Error(JSON.stringify(read.issues));
const { job } = read;
const plans = Object.fromEntries(planAims(job, { now: () => 0 }).map((p) => [p.aim, p])) as Record<string, Plan>;
const plan = plans['least-paper']!;

const two = (_piece: string, copy: number) => `page ${copy} of 2`;

/** What the screens asked of the server. */
let asked: RecordedRequest[] = [];
beforeEach(() => {
  asked = recordRequests();
});
afterEach(cleanup);

function shown(children: ReactNode) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <QueryClientProvider client={client}>
      <MemoryRouter>{children}</MemoryRouter>
    </QueryClientProvider>,
  );
}
const page = (): Page => pageOf(photo('launch', ['4', '6'], [layer('m1', '1/8'), layer('m2', '1/4')]));
let held: Page;
function WithPage({ children }: { children: (context: PageContext) => ReactNode }) {
  const [now, setNow] = useState(page);
  held = now;
  const editor = { page: now, change: setNow } as PageContext['editor'];
  return children({ id: 'p1', editor, derived: derivePage(now), habits: DEFAULT_HABITS } as PageContext);
}

describe('the three aims', () => {
  const aims = (which: Partial<typeof plans>, compare: (() => void) | null = null) =>
    shown(
      <WithPage>
        {(context) => <Alternatives plans={which as never} habits={context.habits} compare={compare} />}
      </WithPage>,
    );
  test('side by side where they differ, the best of each figure strong; a choice is stored', async () => {
    const worse = JSON.parse(JSON.stringify(plans['easiest-cuts'])) as Plan;
    worse.totals.wasteArea += 10;
    worse.totals.settings = 1;
    aims({ ...plans, 'easiest-cuts': worse });
    const row = screen.getByRole('row', { name: /easiest cuts/ });
    const cells = within(row).getAllByRole('cell');
    expect(cells.map((c) => c.hasAttribute('data-best'))[5]).toBe(true);
    expect(cells.map((c) => c.hasAttribute('data-best'))[3]).toBe(false);
    fireEvent.click(screen.getByRole('radio', { name: 'easiest cuts' }));
    await waitFor(() =>
      expect(asked[0]).toMatchObject({ method: 'PUT', path: '/api/habits', body: { aim: 'easiest-cuts' } }),
    );
  });
  test('one line where they come to the same', () => {
    aims({ 'least-paper': plan, 'easiest-cuts': plan, 'largest-offcuts': plan });
    expect(screen.queryByRole('table')).toBeNull();
    expect(screen.getByText('All three come to the same here.')).toBeTruthy();
    expect(screen.getAllByRole('radio')).toHaveLength(3);
  });
  test('with one known they can be planned for', () => {
    const compare = jest.fn();
    aims({ 'least-paper': plan }, compare);
    fireEvent.click(screen.getByRole('button', { name: 'Set them side by side' }));
    expect(compare).toHaveBeenCalled();
  });
});

describe('putting down what is cut', () => {
  const inClient = (element: ReactNode) => (
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>{element}</MemoryRouter>
    </QueryClientProvider>
  );
  function Cutting({
    bagOf = null as ((piece: string, copy: number) => string) | null,
    done = null as number | null,
    stored = 'plan-1' as string | null,
    settle = null as (() => void) | null,
    failed = false,
    shows = plan as Plan | null,
  }) {
    const [now, setNow] = useState(done);
    const [pressed, setPressed] = useState<Pressed | null>(null);
    const cut = useCut('p1');
    if (!shows) return null;
    return (
      <CutIt
        plan={shows}
        job={job}
        stored={stored}
        bagOf={bagOf}
        settle={settle}
        failed={failed}
        cut={cut}
        pressed={pressed}
        setPressed={setPressed}
        print="Print it"
        done={now}
        setDone={setNow}
      />
    );
  }
  test('all of it', async () => {
    shown(<Cutting />);
    fireEvent.click(screen.getByRole('button', { name: 'It is cut' }));
    await waitFor(() =>
      expect(asked[0]).toEqual({
        method: 'POST',
        path: '/api/plans/plan-1/cut',
        body: { id: expect.any(String) },
      }),
    );
  });
  test('while a better plan is looked for: this one is settled, and put down once it is kept', async () => {
    const settle = jest.fn();
    const { rerender } = shown(<Cutting stored={null} settle={settle} />);
    fireEvent.click(screen.getByRole('button', { name: 'It is cut' }));
    expect(settle).toHaveBeenCalledTimes(1);
    expect(screen.getByRole('button', { name: 'Putting it down …' }).hasAttribute('disabled')).toBe(true);
    expect(asked).toEqual([]);
    rerender(inClient(<Cutting stored={null} failed />));
    expect(screen.getByRole('button', { name: 'It is cut' })).toBeTruthy();
    expect(asked).toEqual([]);
    // kept, it has its keys in another order
    const kept = Object.fromEntries(Object.entries(plan).reverse()) as unknown as Plan;
    rerender(inClient(<Cutting stored="plan-2" shows={kept} />));
    await waitFor(() => expect(asked.map((a) => a.path)).toEqual(['/api/plans/plan-2/cut']));
  });
  test('where another plan comes to stand: nothing is done, and it says so until it is pressed again', async () => {
    for (const name of ['It is cut', 'To the trimmer']) {
      const { rerender, unmount } = shown(<Cutting stored={null} settle={jest.fn()} />);
      fireEvent.click(screen.getByRole('button', { name }));
      // the drawer changed: for a while there is none at all
      rerender(inClient(<Cutting stored={null} shows={null} />));
      rerender(inClient(<Cutting stored="plan-4" shows={{ ...plan, steps: plan.steps.slice(1) }} />));
      expect(screen.getByRole('status').textContent).toMatch(/has changed since you pressed, so nothing was done/);
      expect(asked).toEqual([]);
      unmount();
    }
  });
  test('pressed once, sent with one id however often the answer is lost', async () => {
    const heard: unknown[] = [];
    globalThis.fetch = jest.fn((_path: unknown, init?: RequestInit) => {
      if (init?.method === 'POST') heard.push((JSON.parse(String(init.body)) as { id: unknown }).id);
      return Promise.reject(new TypeError('no connection'));
    }) as unknown as typeof fetch;
    shown(<Cutting />);
    fireEvent.click(screen.getByRole('button', { name: 'It is cut' }));
    await waitFor(() => expect(heard).toHaveLength(3));
    expect(heard).toEqual([heard[0], heard[0], heard[0]]);
    await waitFor(() => expect(screen.getByText(/does not answer/)).toBeTruthy());
  });
  test('the first cuts, with what was spoiled', async () => {
    const steps = plan.steps.length - 1;
    shown(<Cutting bagOf={two} done={steps} />);
    fireEvent.click(screen.getByText('A piece was spoiled'));
    fireEvent.click(screen.getByRole('checkbox', { name: 'launch mat, page 1 of 2' }));
    fireEvent.click(screen.getByRole('button', { name: `${steps} cuts made, plan the rest` }));
    await waitFor(() =>
      expect(asked[0]).toEqual({
        method: 'POST',
        path: '/api/plans/plan-1/cut',
        body: { id: expect.any(String), steps, spoiled: [{ piece: 'mat', copy: 1 }] },
      }),
    );
  });
  test('all of it after all; nothing while it is not stored', () => {
    shown(<Cutting done={1} stored={null} />);
    fireEvent.click(screen.getByRole('button', { name: 'All of it, after all' }));
    expect(screen.getByRole('button', { name: 'It is cut' }).hasAttribute('disabled')).toBe(true);
  });
});

describe('how many', () => {
  const form = () => shown(<WithPage>{(context) => <HowMany context={context} />}</WithPage>);
  const field = () => screen.getByLabelText<HTMLInputElement>('of this page');
  test('a number of pages is taken on Enter; what is none says so and changes nothing', () => {
    form();
    fireEvent.change(field(), { target: { value: '12' } });
    fireEvent.keyDown(field(), { key: 'Enter' });
    expect(held.copies).toBe(12);
    for (const wrong of ['0', '501', 'two', '']) {
      fireEvent.change(field(), { target: { value: wrong } });
      fireEvent.blur(field());
      expect(screen.getByRole('alert').textContent).toBe('A number of pages from 1 to 500.');
      expect(held.copies).toBe(12);
    }
  });
  test('a spare of a piece, and none after all', () => {
    form();
    fireEvent.click(screen.getByText('One spare of a piece'));
    const [first] = screen.getAllByRole('checkbox');
    fireEvent.click(first!);
    expect(held.spares).toHaveLength(1);
    fireEvent.click(first!);
    expect(held.spares).toEqual([]);
  });
  test('what matters most is cut first', () => {
    form();
    fireEvent.click(screen.getByText('What matters most'));
    const boxes = screen.getAllByRole('checkbox');
    fireEvent.click(boxes.at(-1)!);
    expect([held.first.length, held.spares]).toEqual([1, []]);
    expect(screen.getByText('What matters most: 1 of the pieces')).toBeTruthy();
  });
});

test('habits: what the trimmer can do, and hidden centres with their edge to glue by', async () => {
  shown(
    <WithPage>
      {(context) => (
        <HabitsForm context={{ ...context, habits: { ...DEFAULT_HABITS, centres: '1/2' } }} again={() => {}} planned />
      )}
    </WithPage>,
  );
  expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'left to glue by, all round' }).value).toBe('1/2');
  fireEvent.click(screen.getByRole('checkbox', { name: 'its cuts can stop short of the edge' }));
  await waitFor(() => expect(asked[0]?.body).toMatchObject({ cutter: { stop: true }, centres: '1/2' }));
  fireEvent.click(screen.getByRole('checkbox', { name: 'use the hidden centres of mats and bases' }));
  await waitFor(() => expect(asked.some((a) => (a.body as { centres?: unknown } | null)?.centres === null)).toBe(true));
  fireEvent.change(screen.getByLabelText('sheets cut at once'), { target: { value: '3' } });
  await waitFor(() => expect(asked.at(-1)?.body).toMatchObject({ cutter: { stack: 3 } }));
});

describe('the story of cuts', () => {
  const drawer = { papers: [], stock: [] };
  const story = (done: number | null, onDone: (n: number) => void) =>
    shown(<Story plan={plan} job={job} drawer={drawer} done={done} onDone={onDone} mark={MARKS['1/16']} bagOf={two} />);
  test('one frame a cut; by hand where a centre is cut out; what to set, and for which page', () => {
    story(null, () => {});
    expect(screen.getAllByRole('button', { name: /is made, and all before it/ })).toHaveLength(plan.steps.length);
    // cut out by hand, and notched by hand once they have come off
    const open = plan.steps.filter((s) => s.do === 'open').length;
    expect(screen.getAllByText('by hand').length).toBe(open + 1);
    expect(screen.getByText('kite tag, 3 pieces')).toBeTruthy();
    expect(screen.getByText(/cut a notch 1 deep, its tip 1\s1⁄2 from the side/)).toBeTruthy();
    expect(screen.getAllByText(/^to cut /).length).toBe(plan.steps.filter((s) => s.do !== 'open').length);
    expect(screen.getAllByText(/page 2 of 2/).length).toBeGreaterThan(0);
  });
  test('made up to a cut: it is said there', () => {
    const onDone = jest.fn();
    story(2, onDone);
    expect(screen.getByText('Made up to here ✓')).toBeTruthy();
    fireEvent.click(screen.getAllByRole('button', { name: /is made, and all before it/ })[0]!);
    expect(onDone).toHaveBeenCalledWith(1);
  });
});
