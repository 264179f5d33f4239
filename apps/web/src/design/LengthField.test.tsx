import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { LengthField } from './LengthField.tsx';

afterEach(cleanup);

function Held({ start, onCommit }: { start: string; onCommit: (text: string) => void }) {
  const [value, setValue] = useState(start);
  return (
    <>
      <LengthField
        label="print width"
        value={value}
        unit="in"
        onCommit={(text) => {
          setValue(text);
          onCommit(text);
        }}
      />
      <button onClick={() => setValue(start)}>undo</button>
    </>
  );
}
const field = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'print width' });
const type = (text: string) => fireEvent.change(field(), { target: { value: text } });

describe('a length field', () => {
  test('commits what reads on Enter, as it was typed', () => {
    const onCommit = jest.fn();
    render(<Held start="4" onCommit={onCommit} />);
    type('3⅞');
    expect(onCommit).not.toHaveBeenCalled();
    fireEvent.keyDown(field(), { key: 'Enter' });
    expect(onCommit).toHaveBeenCalledWith('3⅞');
  });
  test('does not commit what does not read, says why, keeps the text, and lets go on Escape', () => {
    const onCommit = jest.fn();
    render(<Held start="4" onCommit={onCommit} />);
    type('4 1/0');
    fireEvent.keyDown(field(), { key: 'Enter' });
    fireEvent.blur(field());
    expect(onCommit).not.toHaveBeenCalled();
    expect(field().value).toBe('4 1/0');
    expect(field().getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByText(/"4 1\/0" is not a length/)).toBeTruthy();
    fireEvent.keyDown(field(), { key: 'Escape' });
    expect(field().value).toBe('4');
  });
  test('emptied, it says so where that means something, and else gets its value back', () => {
    const onEmpty = jest.fn();
    const { rerender } = render(
      <LengthField label="print width" value="4" unit="in" onCommit={() => {}} onEmpty={onEmpty} />,
    );
    type('');
    fireEvent.blur(field());
    expect(onEmpty).toHaveBeenCalledTimes(1);
    rerender(<LengthField label="print width" value="4" unit="in" onCommit={() => {}} />);
    type(' ');
    fireEvent.blur(field());
    expect(field().value).toBe('4');
  });
  test('Enter on a worked-out number gives it as it is; leaving it does not', () => {
    const onCommit = jest.fn();
    render(<LengthField label="print width" value="4" unit="in" onCommit={onCommit} computed />);
    fireEvent.blur(field());
    expect(onCommit).not.toHaveBeenCalled();
    fireEvent.keyDown(field(), { key: 'Enter' });
    expect(onCommit).toHaveBeenCalledWith('4');
  });
  test('what stands over it may be shorter than its name', () => {
    render(<LengthField label="print width" shown="width" value="4" unit="in" onCommit={() => {}} />);
    expect(screen.getByText('width')).toBeTruthy();
    expect(field().value).toBe('4');
  });
  test('while somebody types in it, a value that changes from outside takes nothing away; afterwards it does', () => {
    const onCommit = jest.fn();
    const shown = (value: string) => (
      <LengthField label="print width" value={value} unit="in" onCommit={onCommit} computed />
    );
    const { rerender } = render(shown('4'));
    act(() => field().focus());
    type('5');
    rerender(shown('4 1/2'));
    expect(field().value).toBe('5');
    fireEvent.keyDown(field(), { key: 'Enter' });
    expect(onCommit).toHaveBeenLastCalledWith('5');
    // left with what does not read
    type('5 1/0');
    act(() => field().blur());
    rerender(shown('4 3/4'));
    expect(field().value).toBe('4 3/4');
  });
  test('what was typed does not come back when the value is undone', () => {
    render(<Held start="4" onCommit={() => {}} />);
    type('5');
    fireEvent.keyDown(field(), { key: 'Enter' });
    expect(field().value).toBe('5');
    fireEvent.click(screen.getByText('undo'));
    expect(field().value).toBe('4');
    fireEvent.blur(field());
    expect(field().value).toBe('4');
  });
});
