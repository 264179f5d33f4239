/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import { useState } from 'react';
import { replay } from './replay.ts';

function Form({ taken }: { taken: (text: string) => void }) {
  const [text, setText] = useState('');
  const [marks, setMarks] = useState('1/16');
  const [pressed, setPressed] = useState(0);
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        taken(text);
      }}
    >
      <input aria-label="say" value={text} onChange={(e) => setText(e.target.value)} />
      <select aria-label="marks" value={marks} onChange={(e) => setMarks(e.target.value)}>
        <option>1/16</option>
        <option>1 mm</option>
      </select>
      <button type="submit" disabled={!text}>
        {`${text}|${marks}|${pressed}`}
      </button>
      <button type="button" onClick={() => setPressed(pressed + 1)}>
        press
      </button>
    </form>
  );
}

test('what was typed, chosen, pressed and entered before is done in order; what is not there any more is left', async () => {
  const all: string[] = [];
  const keys: string[] = [];
  document.addEventListener('keydown', (e) => keys.push(e.key));
  const { container } = render(<Form taken={(text) => all.push(text)} />);
  // nothing here waits for an act
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false });
  await replay(container, [
    { do: 'focusin', name: 'say', at: 0, value: '' },
    { do: 'input', name: 'say', at: 0, value: 'mat' },
    { do: 'input', name: 'say', at: 0, value: 'mat 1/8 around 4 x 6' },
    { do: 'input', name: 'marks', at: 0, value: '1 mm' },
    { do: 'click', name: 'press', at: 0, value: '' },
    { do: 'keydown', name: 'say', at: 0, value: 'mat 1/8 around 4 x 6' },
    { do: 'click', name: 'gone', at: 0, value: '' },
    { do: 'key', name: '', at: -1, value: '?' },
  ]);
  expect(keys).toContain('?');
  expect(await screen.findByText('mat 1/8 around 4 x 6|1 mm|1')).toBeTruthy();
  expect(all).toEqual(['mat 1/8 around 4 x 6']);
  expect(document.activeElement).toBe(container.querySelector('input'));
  expect(container.querySelector('input')!.selectionStart).toBe('mat 1/8 around 4 x 6'.length);
});

test('who goes on meanwhile keeps the field and what was typed into it', async () => {
  const { container } = render(<Form taken={() => undefined} />);
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false });
  const [say, marks, , press] = container.querySelectorAll<HTMLElement>('input, select, button');
  const replayed = replay(container, [
    { do: 'focusin', name: 'say', at: 0, value: '' },
    { do: 'input', name: 'say', at: 0, value: 'mat' },
    { do: 'click', name: 'press', at: 0, value: '' },
    { do: 'focusin', name: 'press', at: 0, value: '' },
    { do: 'input', name: 'say', at: 0, value: 'mat 1/8' },
    { do: 'input', name: 'marks', at: 0, value: '1 mm' },
    { do: 'focusin', name: 'press', at: 0, value: '' },
  ]);
  // while what was done before is done, somebody goes to the line again and types
  say!.focus();
  type(say as HTMLInputElement, 'mats');
  await replayed;
  expect(await screen.findByText('mats|1 mm|1')).toBeTruthy();
  expect([say, marks, press].indexOf(document.activeElement as HTMLElement)).toBe(0);
});

test('the focus is at once where it was last, with what was typed there; what was entered before is done after', async () => {
  const all: string[] = [];
  function Two() {
    const [paper, setPaper] = useState('');
    return (
      <>
        <Form taken={(text) => all.push(text)} />
        <input aria-label="paper" value={paper} onChange={(e) => setPaper(e.target.value)} />
      </>
    );
  }
  const { container } = render(<Two />);
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false });
  let come = () => {};
  const replayed = replay(
    container,
    [
      { do: 'focusin', name: 'say', at: 0, value: '' },
      { do: 'input', name: 'say', at: 0, value: 'mat' },
      { do: 'keydown', name: 'say', at: 0, value: 'mat' },
      { do: 'focusin', name: 'paper', at: 0, value: '' },
      { do: 'input', name: 'paper', at: 0, value: '6 x' },
    ],
    () => new Promise((resolve) => (come = resolve)),
  );
  const paper = container.querySelector<HTMLInputElement>('[aria-label="paper"]')!;
  expect([document.activeElement === paper, paper.value]).toEqual([true, '6 x']);
  type(paper, '6 x 6');
  come();
  await replayed;
  expect([all, paper.value, document.activeElement === paper]).toEqual([['mat'], '6 x 6', true]);
});

/** As somebody's typing reaches the application. */
function type(field: HTMLInputElement, text: string): void {
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(field, text);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}
