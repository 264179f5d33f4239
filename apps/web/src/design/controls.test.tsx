import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MARKS, exact, lengthOf } from '@temnex/core/length';
import type { PaperFace } from '@temnex/core/stock';
import { Choice } from './Choice.tsx';
import { DrawingView } from './DrawingView.tsx';
import { NameField } from './NameField.tsx';
import { useState } from 'react';
import { SumNote } from './SumNote.tsx';
import { Swatch, describeDirection, faceTurn } from './Swatch.tsx';

afterEach(cleanup);
const face = (more: Partial<PaperFace> = {}): PaperFace => ({
  side: 'A',
  name: 'waves',
  direction: 'one-way',
  along: 'height',
  look: { pattern: 'waves', ground: '#2f8f93', ink: '#8fd0cc' },
  ...more,
});

describe('a name', () => {
  const name = () => screen.getByLabelText<HTMLInputElement>('Photo');
  test('is taken on Enter and on leaving, trimmed, and only once', () => {
    const onCommit = jest.fn();
    render(<NameField label="Photo" value="the launch" onCommit={onCommit} />);
    fireEvent.change(name(), { target: { value: '  the landing ' } });
    fireEvent.keyDown(name(), { key: 'Enter' });
    fireEvent.blur(name());
    expect(onCommit.mock.calls).toEqual([['the landing']]);
  });
  test('is put back when it is empty, and on Escape', () => {
    const onCommit = jest.fn();
    render(<NameField label="Photo" value="the launch" onCommit={onCommit} />);
    fireEvent.change(name(), { target: { value: '   ' } });
    fireEvent.blur(name());
    expect(name().value).toBe('the launch');
    fireEvent.change(name(), { target: { value: 'x' } });
    fireEvent.keyDown(name(), { key: 'Escape' });
    expect(name().value).toBe('the launch');
    expect(onCommit).not.toHaveBeenCalled();
  });
});

test('a choice is labelled, also where the label is out of sight', () => {
  const onChange = jest.fn();
  render(
    <Choice
      label="aim"
      hideLabel
      value="a"
      options={[
        { id: 'a', name: 'least paper' },
        { id: 'b', name: 'easiest cuts' },
      ]}
      onChange={onChange}
    />,
  );
  fireEvent.change(screen.getByLabelText('aim'), { target: { value: 'b' } });
  expect(onChange).toHaveBeenCalledWith('b');
});

describe('a swatch', () => {
  test('shows a direction only where the paper has one, turned as it lies', () => {
    expect(render(<Swatch face={face({ direction: 'none' })} />).container.querySelector('text')).toBeNull();
    cleanup();
    const { container } = render(<Swatch face={face()} turned={90} />);
    expect(container.querySelector('text')?.textContent).toBe('↑');
    expect(container.querySelector('g')?.getAttribute('transform')).toContain('rotate(-90');
  });
  test('two swatches of one paper do not share their definitions', () => {
    const { container } = render(
      <>
        <Swatch face={face()} />
        <Swatch face={face()} />
      </>,
    );
    const ids = [...container.querySelectorAll('pattern')].map((p) => p.id);
    expect(new Set(ids).size).toBe(2);
    for (const id of ids) expect(container.querySelector(`rect[fill="url(#${id})"]`)).not.toBeNull();
  });
  test('says its direction in words', () => {
    expect(describeDirection(face())).toBe('one way, up along the height');
    expect(describeDirection(face({ direction: 'none' }))).toBe('no direction');
    expect([faceTurn(face({ along: 'width' }), 0), faceTurn(face({ along: 'width' }), 270)]).toEqual([90, 0]);
  });
});

test('a computed number opens its sum', async () => {
  const value = exact(lengthOf('3/16'));
  const sum = {
    terms: [
      { path: ['print', 'width'], times: 1, value: exact(lengthOf('4')) },
      { path: ['mats', 0, 'reveal', 'all'], times: 2, value },
    ],
    over: 1,
  };
  function Opened() {
    const [isOpen, onOpenChange] = useState(false);
    return (
      <SumNote
        name={'width of mat 1'}
        sum={sum}
        isOpen={isOpen}
        onOpenChange={onOpenChange}
        total={lengthOf('4 3/8')}
        mark={MARKS['1/16']}
      />
    );
  }
  render(<Opened />);
  // Tab goes from number to number
  expect(screen.getByRole('button', { name: 'Sum of width of mat 1' }).tabIndex).toBe(-1);
  expect(screen.queryByRole('dialog')).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'Sum of width of mat 1' }));
  expect((await screen.findByRole('dialog')).textContent).toBe('4 + 3⁄16 + 3⁄16 = 4\u202f3⁄8');
});

test('a drawing says what it shows, and sets its marks', () => {
  render(
    <DrawingView
      drawing={{
        width: 100,
        height: 50,
        title: 'Sheet A',
        marks: [
          { kind: 'rect', x: 1, y: 2, width: 3, height: 4, fill: { look: face().look, turn: 90, scale: 20 } },
          { kind: 'line', x1: 0, y1: 0, x2: 9, y2: 9, stroke: { colour: '#000', width: 1, dash: [2, 1] } },
          {
            kind: 'poly',
            points: [
              [0, 0],
              [1, 0],
              [1, 1],
            ],
            fill: '#fff',
          },
          {
            kind: 'text',
            x: 5,
            y: 5,
            text: 'mat & more',
            size: 9,
            weight: 600,
            face: 'figures',
            anchor: 'middle',
            fill: '#000',
            turn: 90,
          },
        ],
      }}
      zoom={2}
    />,
  );
  const svg = screen.getByRole('img', { name: 'Sheet A' });
  expect([svg.getAttribute('width'), svg.getAttribute('viewBox')]).toEqual(['200', '0 0 100 50']);
  expect(svg.querySelector(':scope > rect')!.getAttribute('fill')).toBe(`url(#${svg.querySelector('pattern')!.id})`);
  expect(svg.querySelector('line')!.getAttribute('stroke-dasharray')).toBe('2 1');
  expect(svg.querySelector('polygon')!.getAttribute('points')).toBe('0,0 1,0 1,1');
  expect(svg.querySelector('text')!.textContent).toBe('mat & more');
});
