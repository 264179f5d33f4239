import { expect, test } from '@jest/globals';
import { recipeOf, type RecipeId } from '../src/recipes/index.ts';
import { ROOMS } from './rooms.ts';
import { told } from './told.ts';

/** What a construction gives for an input in a room, a line each. */
export type Given = readonly [name: string, room: keyof typeof ROOMS, input: unknown, told: string];

const lines = (text: string): string[] =>
  text
    .trim()
    .split('\n')
    .map((line) => line.trim());

/** A test for each: nothing of what it gives changes unseen, and its schema takes the input. */
export const givesAll = (id: RecipeId, all: readonly Given[]): void =>
  test.each(all)('%s', (_name, room, input, expected) => {
    expect(recipeOf(id).input.safeParse(input).error).toBeUndefined();
    expect(told(recipeOf(id).solve(input, ROOMS[room]), ROOMS[room].unit)).toEqual(lines(expected));
  });
