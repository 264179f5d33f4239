import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, render } from '@testing-library/react';
import { MARKS, lengthOf } from '@temnex/core/length';
import { Figure, SizeFigure } from './Figure.tsx';

afterEach(cleanup);
const IN = MARKS['1/16'];

describe('a figure', () => {
  test('sets a true fraction, and says the plain one to a screen reader', () => {
    const { container } = render(<Figure length={lengthOf('4 3/8')} mark={IN} />);
    expect(container.querySelector('i')?.textContent).toBe('3⁄8');
    expect(container.querySelector('.out-of-sight')?.textContent).toBe('4 3/8');
    expect(container.querySelectorAll('[aria-hidden="true"]')).toHaveLength(2);
  });
  test('between two marks it shows the difference, unless it is asked not to', () => {
    expect(render(<Figure length={lengthOf('1 29/64')} mark={IN} />).container.textContent).toContain('1/64 over');
    expect(render(<Figure length={lengthOf('1 29/64')} mark={IN} bare />).container.textContent).not.toContain('over');
  });
  test('a size has both, in millimetres too', () => {
    const { container } = render(
      <SizeFigure width={lengthOf('105 mm')} height={lengthOf('150 mm')} mark={MARKS['1 mm']} />,
    );
    expect(container.textContent).toMatch(/105.*mm.*×.*150.*mm/);
  });
});
