import { describe, expect, test } from '@jest/globals';
import { MARKS, inches } from '@temnex/core/length';
import { recipeOf, parseRecipeLine, type LayoutContext } from '@temnex/core/recipes';
import { SCREEN } from '@temnex/words';
import { render } from '@testing-library/react';
import { ParsedLinePicture } from './ParsedLinePicture.tsx';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
function shown(line: string) {
  const heard = parseRecipeLine(line, table, () => line);
  const solved = heard?.said.ok ? recipeOf(heard.recipe).solve(heard.said.input, table) : null;
  if (solved?.status !== 'solved') throw new Error(`${line} is not understood`);
  return render(<ParsedLinePicture laid={solved.laid} voice={SCREEN} />).container;
}

describe('a line, drawn before it is taken', () => {
  test('each layer of what was understood, with the size of it all', () => {
    const drawn = shown('mat 1/4 round 4 x 6');
    expect(drawn.querySelectorAll('svg rect')).toHaveLength(2);
    expect(drawn.textContent).toBe('4\u202f1⁄2 × 6\u202f1⁄2');
    expect(drawn.querySelector('figure')!.getAttribute('aria-hidden')).toBe('true');
  });
  test('shapes as they are', () =>
    expect(shown('oval mat 1/8 round 4 x 6').querySelectorAll('svg path')).toHaveLength(2));
});
