import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { recipeOf, type Field, type RecipeId } from '@temnex/core/recipes';
import { useSizing } from '../../features/sizing/useSizing.ts';
import { FieldInput } from './FieldInput.tsx';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

let sizing: ReturnType<typeof useSizing>;
const isText = (field: Field) => field.kind === 'text';

function TextFields({ recipe }: { recipe: RecipeId }) {
  sizing = useSizing();
  const { made, choose } = sizing;
  if (made.recipe !== recipe) return <button onClick={() => choose(recipe)}>choose</button>;
  return recipeOf(recipe)
    .fields(made.input)
    .filter(isText)
    .map((field) => <FieldInput key={field.path.join('.')} made={made} field={field} />);
}

function type(recipe: RecipeId, nth: number, text: string) {
  render(<TextFields recipe={recipe} />);
  act(() => screen.getByText('choose').click());
  const field = screen.getAllByRole('textbox')[nth]!;
  fireEvent.change(field, { target: { value: text } });
  fireEvent.blur(field);
}

test('a title keeps its capitals, on its letters too', () => {
  type('letter-row', 0, 'HELLO ILL');
  expect(sizing.made.input).toMatchObject({ title: 'HELLO ILL' });
  const { solved } = sizing.made;
  if (solved.status !== 'solved') throw new Error('not solved');
  expect(solved.laid.layers.map((layer) => layer.says).join('')).toBe('HELLOILL');
});

test('small letters stay small: an f is narrow, an F is not', () => {
  type('letter-row', 0, 'Ff');
  const { solved } = sizing.made;
  if (solved.status !== 'solved') throw new Error('not solved');
  const [capital, small] = solved.laid.layers;
  expect(capital!.box.width).toBe(2 * small!.box.width);
});

test('letters of papers are small however they are typed', () => {
  type('rays', 0, 'ABB');
  expect(screen.queryByRole('alert')).toBeNull();
  expect((sizing.made.input as { order: string }).order).toBe('abb');
});
