import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { addMat, addPanel, addPhoto, derivePage, emptyPage, whatMoved, type Page } from '@temnex/core';
import { Moves } from './Moves.tsx';
import { PagePicture, pageScale } from './PagePicture.tsx';
import { PartSlip } from './PartSlip.tsx';

afterEach(cleanup);
const start = (): Page => addMat(addPhoto(addPanel(emptyPage('p'), 'panel'), 'photo'), 'photo', 'mat');
let page: Page;

function Slip({ id }: { id: string }) {
  const [held, setHeld] = useState(start);
  page = held;
  const derived = derivePage(held);
  const part = derived.parts.find((p) => p.id === id) ?? derived.parts[0]!;
  return <PartSlip page={held} derived={derived} part={part} change={setHeld} select={() => {}} />;
}
const give = (label: string, text: string) => {
  const field = screen.getByRole('textbox', { name: label });
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: 'Enter' });
};
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const value = (label: string) => screen.getByRole<HTMLInputElement>('textbox', { name: label }).value;

describe('the slip of a part', () => {
  test('a mat by its reveal, by its size, on four edges and back', () => {
    render(<Slip id="mat" />);
    expect([value('width'), value('reveal all round')]).toEqual(['4 1/4', '1/8']);
    give('reveal all round', '1/2');
    expect([value('width'), value('height')]).toEqual(['5', '7']);
    give('width', '6');
    expect(page.photos[0]!.mats[0]).toMatchObject({ width: '6', height: '7' });
    expect([value('left'), value('top')]).toEqual(['1', '1/2']);
    give('bottom', '2');
    expect(page.photos[0]!.mats[0]!.reveal).toEqual(['1', '1', '1/2', '2']);
    press('Make even');
    expect(page.photos[0]!.mats[0]!.reveal).toEqual(['1']);
  });
  test('a panel lies where it is told to', () => {
    render(<Slip id="panel" />);
    give('width', '8');
    fireEvent.change(screen.getByLabelText('lies across'), { target: { value: 'left' } });
    const panel = derivePage(page).parts.find((p) => p.id === 'panel')!;
    expect([panel.x, page.panels[0]!.rest]).toEqual([0, { across: 'left', upDown: 'centre' }]);
  });
  test('a photo: its size, how well it is known, where it lies, another mat', () => {
    render(<Slip id="photo" />);
    give('print width', '3⅞');
    fireEvent.change(screen.getByLabelText('this size is'), { target: { value: 'measured' } });
    fireEvent.change(screen.getByLabelText('across, from'), { target: { value: 'right' } });
    press('Add a mat');
    expect(page.photos[0]).toMatchObject({
      print: { width: '3⅞', known: 'measured' },
      at: { across: { from: 'right' } },
    });
    expect(page.photos[0]!.mats).toHaveLength(2);
    press('Remove with its mats');
    expect(page.photos).toEqual([]);
  });
  test('the base: page size and unit', () => {
    render(<Slip id="base" />);
    give('page width', '8 1/2');
    fireEvent.change(screen.getByLabelText('unit'), { target: { value: 'mm' } });
    expect([page.unit, page.width]).toEqual(['mm', '8 1/2 in']);
    expect(screen.getByLabelText<HTMLSelectElement>('marks').value).toBe('1 mm');
  });
});

describe('the picture', () => {
  test('every part can be reached and chosen from the keyboard, and says its size', () => {
    const derived = derivePage(start());
    let chosen = '';
    render(
      <PagePicture
        derived={derived}
        drawer={{ papers: [], stock: [] }}
        scale={40}
        selected="mat"
        onSelect={(id) => (chosen = id)}
      />,
    );
    const parts = screen.getAllByRole('button');
    expect(parts.map((p) => p.getAttribute('aria-label'))).toEqual([
      'base, 12 × 12',
      'panel 1, 11 × 11',
      'photo 1 mat 1, 4 1/4 × 6 1/4',
      'photo 1, 4 × 6',
    ]);
    expect(parts.map((p) => p.getAttribute('aria-pressed'))).toEqual(['false', 'false', 'true', 'false']);
    fireEvent.keyDown(parts[1]!, { key: 'Enter' });
    expect(chosen).toBe('panel');
    fireEvent.keyDown(parts[3]!, { key: ' ' });
    expect(chosen).toBe('photo');
  });
  test('is as large as the room allows, whichever way is shorter', () => {
    const derived = derivePage(start());
    expect(pageScale(derived, 556, 2000)).toBeCloseTo(40, 5);
    expect(pageScale(derived, 2000, 534)).toBeCloseTo(40, 5);
    expect(pageScale(derived, 10, 10)).toBe(4);
  });
});

test('what moved is told in words, and a long list is cut with a count', () => {
  const before = derivePage(start());
  const after = derivePage({ ...start(), width: '10', height: '10' });
  const moves = whatMoved(before, after);
  const { container, rerender } = render(<Moves moves={moves} mark={after.mark} />);
  expect(container.textContent).toContain('base: 12 › 10 wide');
  rerender(<Moves moves={[...moves, ...moves, ...moves, ...moves]} mark={after.mark} />);
  expect(container.textContent).toMatch(/and \d+ more$/);
  rerender(<Moves moves={[]} mark={after.mark} />);
  expect(container.textContent).toContain('Change a number');
});
