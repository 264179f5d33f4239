import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { LOWER_LEFT, derivePage, listMoves, type Page } from '@temnex/core/page';
import { at, banners, base, layer, page as pageOf, photo } from '@temnex/core/testing';
import { DEFAULT_NAMES } from '@temnex/words';
import { FieldPanel } from '../../widgets/construction/FieldPanel.tsx';
import { GroundFields } from './GroundFields.tsx';
import { Moves } from './Moves.tsx';
import { SLIM, WIDE, computePageScale } from './pageScale.ts';
import { PagePicture } from './PagePicture.tsx';
import { PlaceFields } from './PlaceFields.tsx';
import { useConstructionEditor } from './useConstructionEditor.ts';

afterEach(cleanup);
const start = (): Page =>
  pageOf(
    base([layer('panel', '1/2')]),
    photo('launch', ['4', '6'], [layer('m1', '1/8')], { known: 'assumed', at: at('left', '2', 'bottom', '1') }),
    banners('tails', { count: 3 }),
  );
let page: Page;

/** Nothing is chosen besides, and nothing is caught. */
const alone = { also: [], onAlso: () => {}, onDrop: () => {}, catchesFor: () => [], catchSays: () => '' };

/** An item of a page as the page screen shows it, drawn and in the slip. */
function Working({ id }: { id: string }) {
  const [held, change] = useState(start);
  page = held;
  const derived = derivePage(held, DEFAULT_NAMES);
  const made = useConstructionEditor(held, derived, id, change);
  const { item } = derived.items.get(id)!;
  return (
    <>
      <PagePicture
        derived={derived}
        made={made}
        measurings={LOWER_LEFT}
        drawer={{ papers: [], stock: [] }}
        scale={40}
        margin={WIDE}
        byHand={false}
        selected={`${id}/print`}
        onSelect={() => {}}
        {...alone}
        onMove={() => {}}
      />
      <FieldPanel made={made!} />
      <PlaceFields page={held} derived={derived} item={item} change={change} open setOpen={() => {}} />
      <GroundFields page={held} change={change} />
    </>
  );
}
const field = (label: string) => screen.getByRole<HTMLInputElement>('textbox', { name: label });
const give = (label: string, text: string) => {
  fireEvent.change(field(label), { target: { value: text } });
  fireEvent.keyDown(field(label), { key: 'Enter' });
};
const choose = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const inputOf = (id: string) => page.items.find((i) => i.id === id)!.input as Record<string, never>;
const computed = (label: string) => field(label).closest('[data-computed]') !== null;

describe('the slip of an item, made from its fields', () => {
  test('a mat by its reveal, by its size, on four edges and back', () => {
    render(<Working id="launch" />);
    expect([field('width of mat 1').value, computed('width of mat 1')]).toEqual(['4 1/4', true]);
    give('reveal of mat 1', '1/2');
    expect([field('width of mat 1').value, field('height of mat 1').value]).toEqual(['5', '7']);
    give('width of mat 1', '6');
    expect(inputOf('launch')).toMatchObject({ mats: [{ width: '6', reveal: { style: 'even' } }] });
    expect([computed('width of mat 1'), computed('reveal of mat 1')]).toEqual([false, true]);
    choose('edges of mat 1', 'four');
    give('bottom of mat 1', '2');
    expect(field('height of mat 1').value).toBe('9');
  });
  test('emptying a field makes it the unknown, and what it follows from stays as it was', () => {
    render(<Working id="launch" />);
    give('width of the print', '');
    expect(inputOf('launch')).toMatchObject({ print: { height: '6' }, mats: [{ width: '4 1/4' }] });
    expect([field('width of the print').value, computed('width of the print')]).toEqual(['4', true]);
    give('width of mat 1', '5');
    expect(field('width of the print').value).toBe('4 3/4');
  });
  test('a size is marked as measured, and its sum can be opened', async () => {
    render(<Working id="launch" />);
    fireEvent.click(screen.getByRole('checkbox', { name: 'measured, not only believed' }));
    expect(inputOf('launch')).toMatchObject({ print: { known: 'measured' } });
    press('Sum of width of mat 1');
    expect((await screen.findByRole('dialog')).textContent).toBe('4 + 1⁄8 + 1⁄8 = 4\u202f1⁄4');
  });
  test('layers are added, moved and removed', () => {
    render(<Working id="launch" />);
    press('Add a mat');
    expect(inputOf('launch').mats).toHaveLength(2);
    press('Move mat 1 one place up');
    expect((inputOf('launch').mats as unknown as { id: string }[])[1]!.id).toBe('m1');
    press('Remove mat 2');
    expect((inputOf('launch').mats as unknown as { id: string }[]).map((m) => m.id)).not.toContain('m1');
  });
  test('what cannot be says why, and what would work is a press away', () => {
    render(<Working id="launch" />);
    give('width of mat 1', '3');
    expect(screen.getAllByRole('alert')[0]!.textContent).toMatch(/Mat 1 is smaller than what lies on it/);
    press('Make the width of mat 1 4');
    expect(screen.queryByRole('alert')).toBeNull();
  });
  test('a count is typed, refused where it is none, and emptied: as many as fit', () => {
    render(<Working id="tails" />);
    choose('spread', 'room');
    give('how many', '99');
    expect(screen.getByRole('alert').textContent).toBe('a number from 1 to 60');
    give('how many', '4');
    expect(inputOf('tails').count).toBe(4);
    give('how many', '');
    expect([inputOf('tails').count, field('how many').value]).toEqual([undefined, '4']);
    expect(screen.getByText(/Pencil a line along its middle, 1 from the side/)).toBeTruthy();
  });
});

describe('where an item lies', () => {
  const place = () => page.items[1]!.at;
  const box = () => derivePage(page).items.get('launch')!.box;
  test('counted from another edge it stays; typed it moves; beside another it follows', () => {
    render(<Working id="launch" />);
    const before = box();
    choose('across, from', 'right');
    expect([box().x, place().across]).toEqual([before.x, { from: 'right', by: '5 3/4' }]);
    give('distance across', '1');
    expect(place().across).toEqual({ from: 'right', by: '1' });
    expect(screen.getByText(/^Lies 1 from the right edge, /)).toBeTruthy();
    choose('of what, across', 'tails');
    choose('across, from', 'after');
    expect(place().across).toMatchObject({ from: 'after', of: 'tails' });
    choose('of what, across', '');
    expect(place().across.from).toBe('centre');
  });
  test('on a panel, which is then its room', () => {
    render(<Working id="launch" />);
    choose('lies on', 'base/panel');
    expect(page.items[1]!.on).toEqual({ item: 'base', slot: 'panel' });
  });
});

test('the page itself: its size, unit and marks, one page or two', () => {
  render(<Working id="base" />);
  give('page width', '8 1/2');
  fireEvent.click(screen.getByRole('checkbox', { name: 'two facing pages' }));
  give('gap between them', '1/4');
  expect(page.ground).toEqual({ width: '8 1/2', height: '12', seam: '1/4' });
  expect(screen.getByLabelText('lies on')).toBeTruthy();
  choose('unit', 'mm');
  expect([page.unit, page.ground.width]).toEqual(['mm', '8 1/2 in']);
  expect(screen.getByLabelText<HTMLSelectElement>('marks').value).toBe('1 mm');
  fireEvent.click(screen.getByRole('checkbox', { name: 'two facing pages' }));
  expect(page.ground).not.toHaveProperty('seam');
});

describe('the picture', () => {
  test('its numbers are typed where they are measured, in the order in which one would measure them', () => {
    render(<Working id="launch" />);
    const names = screen
      .getAllByRole('textbox')
      .map((f) => f.getAttribute('aria-label'))
      .filter((n) => n && / of /.test(n));
    expect(names).toEqual([
      'width of the print',
      'height of the print',
      'reveal of mat 1',
      'width of mat 1',
      'height of mat 1',
    ]);
    give('reveal of mat 1', '1');
    expect(field('width of mat 1').value).toBe('6');
  });
  test('every part can be reached and chosen from the keyboard, says its size, and is moved by the mark', () => {
    const derived = derivePage(start(), DEFAULT_NAMES);
    let chosen = '';
    const moved: (string | number)[][] = [];
    render(
      <PagePicture
        derived={derived}
        drawer={{ papers: [], stock: [] }}
        scale={40}
        margin={SLIM}
        selected="launch/m1"
        measurings={LOWER_LEFT}
        made={null}
        byHand={false}
        onSelect={(id) => (chosen = id)}
        {...alone}
        onMove={(part, across, up) => moved.push([part.item, across, up])}
      />,
    );
    const parts = within(screen.getByRole('group', { name: 'The page to scale' })).getAllByRole('button');
    expect(parts.slice(0, 5).map((p) => p.getAttribute('aria-label'))).toEqual([
      'base, 12 × 12',
      'panel 1, 11 × 11',
      'launch, mat 1, 4 1/4 × 6 1/4',
      'launch, 4 × 6',
      'tails, no. 1, 2 × 6',
    ]);
    expect(parts.slice(0, 4).map((p) => p.getAttribute('aria-pressed'))).toEqual(['false', 'false', 'true', 'false']);
    fireEvent.keyDown(parts[1]!, { key: 'Enter' });
    expect(chosen).toBe('base/panel');
    fireEvent.keyDown(parts[3]!, { key: 'ArrowUp' });
    fireEvent.keyDown(parts[3]!, { key: 'ArrowLeft', shiftKey: true });
    fireEvent.keyDown(parts[3]!, { key: 'x' });
    expect(moved).toEqual([
      ['launch', 0, 1],
      ['launch', -8, 0],
    ]);
  });
  test('is as large as the room allows, whichever way is shorter', () => {
    const derived = derivePage(start());
    const none = { left: 76, top: 54, right: 0, bottom: 0 };
    expect(computePageScale(derived, 556, 2000, none)).toBeCloseTo(40, 5);
    expect(computePageScale(derived, 2000, 534, none)).toBeCloseTo(40, 5);
    expect(computePageScale(derived, 10, 10, none)).toBe(4);
  });
});

test('what moved is told in words, and a long list is cut with a count', () => {
  const before = derivePage(start(), DEFAULT_NAMES);
  const after = derivePage({ ...start(), ground: { width: '10', height: '10' } }, DEFAULT_NAMES);
  const moves = listMoves(before, after);
  const { container, rerender } = render(<Moves moves={moves} mark={after.mark} />);
  expect(container.textContent).toContain('base: 12 › 10 wide');
  rerender(<Moves moves={[...moves, ...moves, ...moves, ...moves]} mark={after.mark} />);
  expect(container.textContent).toMatch(/and \d+ more$/);
});
