import { describe, expect, test } from '@jest/globals';
import { MARKS, inches, type Table } from '@temnex/core';
import { render } from '@testing-library/react';
import { SaidPicture } from './SaidPicture.tsx';

const table: Table = {
  ...{ unit: 'in', mark: MARKS['1/16'] },
  room: { width: inches(12), height: inches(12), seams: [] },
};
const shown = (line: string) => render(<SaidPicture line={line} table={table} />).container;

describe('a line, drawn before it is taken', () => {
  test('each layer of what was understood, with the size of it all', () => {
    const drawn = shown('mats 1/8 1/4 round 4 x 6');
    expect(drawn.querySelectorAll('svg rect')).toHaveLength(3);
    expect(drawn.textContent).toBe('4\u2009¾ × 6\u2009¾'.replace(/¾/g, '3⁄4'));
    expect(drawn.querySelector('figure')!.getAttribute('aria-hidden')).toBe('true');
  });
  test('shapes as they are', () =>
    expect(shown('oval mat 1/8 round 4 x 6').querySelectorAll('svg path')).toHaveLength(2));
  test.each(['', 'a windy week', 'mat purple round 4 x 6', 'mat 4 x 6 round 5 x 7', 'mat'])('nothing of %j', (line) =>
    expect(shown(line).innerHTML).toBe(''),
  );
});
