import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { MARKS } from '@temnex/core/length';
import { NO_TRIM, type Drawer, type StockItem } from '@temnex/core/stock';
import { choosePaper, derivePage, type Page, type PieceToCut, type Wish } from '@temnex/core/page';
import { readJob, type JobDocument, type Missing } from '@temnex/core/planner';
import { layer, page as pageOf, photo } from '@temnex/core/testing';
import { recordRequests, type RecordedRequest } from '../../app/recordRequests.ts';
import { ShortageNotice } from '../order/ShortageNotice.tsx';
import type { PageContext } from '../../data/pages/context.ts';
import { stockByPaper } from './bed.ts';
import { LayerRow } from './LayerRow.tsx';
import { StayWhole } from './StayWhole.tsx';

const look = { pattern: 'clouds', ground: '#88aacc', ink: '#ffffff' } as const;
const item = (id: string, width: string, height: string, more: Partial<StockItem> = {}): StockItem => ({
  id,
  paper: 'sky',
  unit: 'in',
  width,
  height,
  quantity: 1,
  kind: 'sheet',
  trim: NO_TRIM,
  turned: 0,
  reserved: false,
  origin: null,
  ...more,
});
const drawer: Drawer = {
  papers: [
    {
      id: 'sky',
      name: 'Sky wash',
      sides: [{ side: 'A', name: 'clouds', direction: 'one-way', along: 'height', look }],
    },
    { id: 'sand', name: 'Sand', sides: [{ side: 'A', name: 'sand', direction: 'none', along: 'height', look }] },
  ],
  stock: [item('s1', '12', '12'), item('s2', '6', '8', { kind: 'scrap' }), item('s3', '2', '2', { kind: 'scrap' })],
};
const mark = MARKS['1/16'];
const piece = (wish: Wish): PieceToCut => ({
  ...derivePage(pageOf(photo('p', ['3 3/4', '5 3/4'], [layer('m', '1/8')]))).pieces[0]!,
  name: 'launch mat',
  wish,
});
const WISH: Wish = { papers: ['sky'], side: 'A', direction: 'any' };

/** A drawing that is shown at its own size, at the corner of the window. */
beforeEach(() => {
  // the test's window has no pointers of its own
  window.PointerEvent ??= MouseEvent as unknown as typeof PointerEvent;
  Element.prototype.setPointerCapture = () => {};
  SVGElement.prototype.getBoundingClientRect = function (this: SVGElement) {
    return {
      left: 0,
      top: 0,
      width: Number(this.getAttribute('width')),
      height: Number(this.getAttribute('height')),
    } as DOMRect;
  };
});
afterEach(cleanup);

/** Inches from the lower left of the paper that is drawn, as a place of the window. */
function at(drawing: Element, x: number, y: number): { clientX: number; clientY: number } {
  const height = Number(drawing.getAttribute('height')) - 22;
  const [, , shown = 0] = drawing.getAttribute('viewBox')!.split(' ').map(Number);
  const scale = Math.min(40, (shown - 23) / WIDE);
  return { clientX: 22 + x * scale, clientY: height - y * scale };
}
let WIDE = 12;

describe('a piece from an exact place', () => {
  let wish: Wish | null = null;
  function Chooser({ start = WISH, of = drawer }: { start?: Wish; of?: Drawer }) {
    const [now, setNow] = useState<Wish | null>(start);
    wish = now;
    return (
      <LayerRow
        drawer={of}
        stockOf={stockByPaper(of)}
        mark={mark}
        scale={8}
        cut={false}
        bed={'first'}
        choose={setNow}
        piece={piece(now!)}
        pickBed={() => {}}
        lay={() => {}}
        takeOff={() => {}}
      />
    );
  }
  const open = () => fireEvent.click(screen.getByRole('button', { name: 'Choose where launch mat is cut from' }));
  test('pointed at on the drawing: it lies there centred, on the mark, and stays on the paper', () => {
    render(<Chooser />);
    open();
    WIDE = 12;
    const drawing = screen.getByRole('img', { name: /Sky wash, sheet 12 × 12, with launch mat on it/ });
    fireEvent.pointerDown(drawing, at(drawing, 5.02, 6));
    fireEvent.pointerUp(drawing, at(drawing, 5.02, 6));
    expect(wish!.from).toEqual({ stock: 's1', x: '3', y: '3' });
    fireEvent.pointerDown(drawing, at(drawing, 11.9, 0.1));
    fireEvent.pointerUp(drawing, at(drawing, 11.9, 0.1));
    expect(wish!.from).toEqual({ stock: 's1', x: '8', y: '0' });
    expect(screen.getByText(/From exactly there: 8 from the left and 0 from the bottom/)).toBeTruthy();
  });
  test('typed, and from another sheet; too far over the edge is said', () => {
    render(<Chooser />);
    open();
    fireEvent.change(screen.getByLabelText('from which'), { target: { value: 's2' } });
    expect(wish!.from).toEqual({ stock: 's2', x: '0', y: '0' });
    expect(screen.getByLabelText('from which').querySelectorAll('option')).toHaveLength(2);
    const left = screen.getByLabelText('from its left edge');
    fireEvent.change(left, { target: { value: '1 1/2' } });
    fireEvent.blur(left);
    expect(wish!.from).toEqual({ stock: 's2', x: '1 1/2', y: '0' });
    const low = screen.getByLabelText('from its lower edge');
    fireEvent.change(low, { target: { value: '7' } });
    fireEvent.blur(low);
    expect(screen.getByRole('alert').textContent).toMatch(/reach over the edge/);
  });
  test('through what stays whole is said; round it is well', () => {
    const uncut: StockItem['uncut'] = [
      [
        ['3', '3'],
        ['6', '5'],
      ],
    ];
    const of = { ...drawer, stock: [item('s1', '12', '12', { uncut })] };
    const { unmount } = render(<Chooser of={of} start={{ ...WISH, from: { stock: 's1', x: '1', y: '1' } }} />);
    open();
    expect(screen.getByRole('alert').textContent).toMatch(/cut through what stays whole/);
    unmount();
    render(<Chooser of={of} start={{ ...WISH, from: { stock: 's1', x: '2 1/2', y: '1' } }} />);
    open();
    expect(screen.queryByRole('alert')).toBeNull();
  });
  test('from anywhere after all', () => {
    render(<Chooser start={{ ...WISH, from: { stock: 's1', x: '1', y: '1' } }} />);
    open();
    fireEvent.click(screen.getByRole('button', { name: 'Cut it from anywhere' }));
    expect(wish).toEqual(WISH);
    expect(screen.queryByRole('group', { name: /Where launch mat/ })).toBeNull();
  });
  test('paper that is gone, and a drawer with nothing large enough, are said', () => {
    const { unmount } = render(<Chooser start={{ ...WISH, from: { stock: 'gone', x: '1', y: '1' } }} />);
    expect(screen.getByText('The paper it was to be cut from is gone.')).toBeTruthy();
    unmount();
    render(<Chooser of={{ ...drawer, stock: [item('s3', '2', '2')] }} />);
    open();
    expect(screen.getByRole('alert').textContent).toMatch(/Nothing of that paper/);
  });
});

describe('what stays whole', () => {
  let lines: StockItem['uncut'];
  function Whole() {
    const [now, setNow] = useState<StockItem>(drawer.stock[1]!);
    lines = now.uncut;
    return (
      <StayWhole item={now} paper={drawer.papers[0]!} mark={mark} change={(change) => setNow({ ...now, ...change })} />
    );
  }
  test('dragged over, said, and given up', () => {
    render(<Whole />);
    WIDE = 6;
    const drawing = screen.getByRole('img', { name: /drag over what is to stay whole/ });
    fireEvent.pointerDown(drawing, at(drawing, 1, 2));
    fireEvent.pointerMove(drawing, at(drawing, 2, 3));
    fireEvent.pointerUp(drawing, at(drawing, 3, 5));
    expect(lines).toEqual([
      [
        ['1', '2'],
        ['3', '5'],
      ],
    ]);
    // a press without a drag is no box
    fireEvent.pointerDown(drawing, at(drawing, 1, 2));
    fireEvent.pointerUp(drawing, at(drawing, 1, 2));
    expect(lines).toHaveLength(1);
    const line = screen.getByRole('textbox', { name: /say two corners of it/ });
    fireEvent.change(line, { target: { value: '0 x 0 to 2' } });
    expect(screen.getByText(/Say two corners of it/)).toBeTruthy();
    fireEvent.change(line, { target: { value: '4 x 0 to 6 x 1 1/2' } });
    expect(screen.getByText(/^2 × 1\s1⁄2 stays whole$/)).toBeTruthy();
    fireEvent.submit(line.closest('form')!);
    return waitFor(() => expect(lines).toHaveLength(2)).then(() => {
      fireEvent.click(screen.getAllByRole('button', { name: /may be cut after all/ })[0]!);
      expect(lines).toEqual([
        [
          ['4', 0],
          ['6', '1 1/2'],
        ],
      ]);
    });
  });
});

describe('edges that are no good', () => {
  test('are put down, unless they would leave nothing', () => {
    let now: StockItem = drawer.stock[1]!;
    const shown = () => (
      <StayWhole item={now} paper={drawer.papers[0]!} mark={mark} change={(change) => (now = { ...now, ...change })} />
    );
    const { rerender } = render(shown());
    const type = (edge: string, text: string) => {
      const field = screen.getByRole('textbox', { name: edge });
      fireEvent.change(field, { target: { value: text } });
      fireEvent.blur(field);
      rerender(shown());
    };
    type('bottom', '1/2');
    expect(now.trim).toEqual({ ...NO_TRIM, bottom: '1/2' });
    type('top', '7 1/2');
    expect(screen.getByRole('alert').textContent).toBe('That would leave nothing of it.');
    expect(now.trim).toEqual({ ...NO_TRIM, bottom: '1/2' });
  });
  test('an odd scrap has none', () => {
    const outline: StockItem['outline'] = [
      [0, 0],
      ['6', 0],
      ['3', '8'],
    ];
    render(
      <StayWhole item={{ ...drawer.stock[1]!, outline }} paper={drawer.papers[0]!} mark={mark} change={() => {}} />,
    );
    expect(screen.queryByRole('textbox', { name: 'left' })).toBeNull();
  });
});

describe('what would help is taken with a press', () => {
  const document: JobDocument = {
    format: 'temnex-job',
    version: 2,
    papers: [
      { id: 'sky', name: 'Sky wash' },
      { id: 'sand', name: 'Sand' },
    ],
    stock: [{ id: 's1', paper: 'sky', width: '12', height: '12', reserved: true }],
    pieces: [{ id: 'photo/mat', name: 'launch mat', width: '4', height: '6', papers: ['sky'] }],
  };
  const read = readJob(document);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const { job } = read;
  const help: Missing['help'] = [
    { how: { do: 'other-paper', paper: 'sand' }, cut: 1, newSheetArea: 144 },
    { how: { do: 'release', stock: 's1' }, cut: 1, newSheetArea: 144 },
    { how: { do: 'buy', paper: 'sky', width: 12, height: 12, quantity: 1 }, cut: 1, newSheetArea: 144 },
    { how: { do: 'join', along: 'width', at: 2, overlap: 0.5 }, cut: 1, newSheetArea: 0 },
  ];
  let held: Page;
  let asked: RecordedRequest[] = [];
  function Shown({ ways = help, planning = false }: { ways?: Missing['help']; planning?: boolean }) {
    const [page, change] = useState(() =>
      choosePaper(pageOf(photo('photo', ['4', '6'], [layer('mat', '1/8')])), { item: 'photo', blank: 'mat' }, WISH),
    );
    held = page;
    const context = { id: 'p1', editor: { page, change }, derived: derivePage(page) } as unknown as PageContext;
    const missing: Missing = { piece: 'photo/mat', quantity: 1, why: 'held-back', paper: 'sky', help: ways };
    return <ShortageNotice missing={missing} job={job} context={context} planning={planning} />;
  }
  const shown = (props: Parameters<typeof Shown>[0] = {}) =>
    render(
      <QueryClientProvider client={new QueryClient()}>
        <Shown {...props} />
      </QueryClientProvider>,
    );
  beforeEach(() => {
    asked = recordRequests();
  });
  test('the page, the drawer, what was bought', async () => {
    shown();
    expect(screen.getAllByRole('listitem')).toHaveLength(4);
    expect(screen.getAllByRole('button')).toHaveLength(4);
    fireEvent.click(screen.getByRole('button', { name: /^Take it: take Sand instead/ }));
    expect(held.items[0]!.wishes.mat!.papers).toEqual(['sky', 'sand']);
    fireEvent.click(screen.getByRole('button', { name: /^Free it/ }));
    await waitFor(() => expect(asked[0]).toMatchObject({ path: '/api/stock/s1', body: { reserved: false } }));
    fireEvent.click(screen.getByRole('button', { name: /^Bought: put in/ }));
    await waitFor(() =>
      expect(asked.find((a) => a.method === 'POST')?.body).toMatchObject({ paper: 'sky', width: '12', quantity: 1 }),
    );
    fireEvent.click(screen.getByRole('button', { name: /^Make it of two/ }));
    expect(held.items[0]!.wishes.mat!.built).toEqual({ across: ['2'], up: [], overlap: '1/2' });
  });
  test('while it is looked for, and where there is none', () => {
    const { unmount } = shown({ ways: [], planning: true });
    expect(screen.getByText('Looking for what would help.')).toBeTruthy();
    unmount();
    shown({ ways: [] });
    expect(screen.getByText('No single change that was tried would help.')).toBeTruthy();
  });
});
