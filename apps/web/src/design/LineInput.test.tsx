import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { LineInput } from './LineInput.tsx';

afterEach(cleanup);
const understand = (text: string) =>
  text.trim() === ''
    ? null
    : text.startsWith('scrap')
      ? { ok: true, says: 'a scrap' }
      : text.includes('wobbly')
        ? {
            ok: false,
            says: 'I do not know it',
            instead: [{ line: text.replace('wobbly ', ''), says: 'Leave out "wobbly"' }],
          }
        : { ok: false, says: 'needs a size' };

function line(onSay: (text: string) => boolean | Promise<boolean>) {
  render(<LineInput label="Say it" example="scrap 5 x 3" action="Take it" understand={understand} onSay={onSay} />);
  const input = screen.getByLabelText<HTMLInputElement>('Say it');
  return {
    input,
    type: (text: string) => fireEvent.change(input, { target: { value: text } }),
    send: () => fireEvent.submit(input.closest('form')!),
  };
}

describe('the line that takes shorthand', () => {
  test('shows what it understood, or why not, before it is accepted', () => {
    const { type } = line(() => true);
    const button = screen.getByRole<HTMLButtonElement>('button', { name: 'Take it' });
    expect(button.disabled).toBe(true);
    type('sheet');
    expect(screen.getByText('needs a size').hasAttribute('data-bad')).toBe(true);
    expect(button.disabled).toBe(true);
    type('scrap 5 x 3');
    expect(screen.getByText('a scrap').hasAttribute('data-bad')).toBe(false);
    expect(button.disabled).toBe(false);
  });
  test('is cleared once it was taken', async () => {
    const onSay = jest.fn(async (_text: string, _sure?: boolean) => true);
    const { input, type, send } = line(onSay);
    type('scrap 5 x 3');
    send();
    await waitFor(() => expect(input.value).toBe(''));
    expect(onSay).toHaveBeenCalledWith('scrap 5 x 3');
  });
  test('keeps the text when it was not taken, and does not send what it does not understand', async () => {
    const onSay = jest.fn(async (_text: string) => false);
    const { input, type, send } = line(onSay);
    type('sheet');
    send();
    expect(onSay).not.toHaveBeenCalled();
    type('scrap 5 x 3');
    send();
    await waitFor(() => expect(onSay).toHaveBeenCalledTimes(1));
    expect(input.value).toBe('scrap 5 x 3');
  });
  test('what is offered instead is put in its place by one press, and waits to be taken', async () => {
    const onSay = jest.fn(async (_text: string) => true);
    const { input, type } = line(onSay);
    type('wobbly scrap 5 x 3');
    fireEvent.click(screen.getByRole('button', { name: 'Leave out "wobbly"' }));
    expect([input.value, onSay.mock.calls.length]).toEqual(['scrap 5 x 3', 0]);
    expect(document.activeElement).toBe(input);
    expect(screen.getByText('a scrap')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /Leave out/ })).toBeNull();
  });
  test('pressed three times it is said once', async () => {
    let taken: (took: boolean) => void = () => {};
    const onSay = jest.fn((_text: string) => new Promise<boolean>((resolve) => (taken = resolve)));
    const { input, type, send } = line(onSay);
    type('scrap 5 x 3');
    for (let i = 0; i < 3; i++) send();
    expect(onSay).toHaveBeenCalledTimes(1);
    type('scrap 5 x 3 and more');
    taken(true);
    await waitFor(() => expect(onSay).toHaveBeenCalledTimes(1));
    expect(input.value).toBe('scrap 5 x 3 and more');
  });
});
