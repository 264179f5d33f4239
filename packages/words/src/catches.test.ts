import { expect, test } from '@jest/globals';
import { inches } from '@temnex/core/length';
import type { Axis, CatchReason } from '@temnex/core/page';
import { TERMINAL, describeCatch } from './index.ts';

const nameOf = (id: string) => `the ${id}`;
test.each<[CatchReason, Axis, string]>([
  [{ is: 'room', from: 'centre' }, 'across', 'in the middle'],
  [{ is: 'room', from: 'upper-third' }, 'upDown', 'on the upper third'],
  [{ is: 'margin', from: 'right', by: inches(0.75), of: 'title' }, 'across', '3/4 from the right edge, as the title'],
  [{ is: 'level', from: 'top', of: 'title' }, 'upDown', 'its upper edge level with the title'],
  [{ is: 'level', from: 'centre', of: 'title' }, 'across', 'its middle in line with the title'],
  [{ is: 'touching', from: 'after', of: 'title' }, 'across', 'right at the right of the title'],
  [{ is: 'touching', from: 'before', of: 'title' }, 'upDown', 'right below the title'],
  [{ is: 'gap', by: inches(0.25), of: 'kite', as: 'title' }, 'across', '1/4 from the kite, as to the title'],
  [{ is: 'gap', by: inches(0.25), of: 'kite', as: 'kite' }, 'across', '1/4 from the kite'],
])('%j %s', (says, axis, said) => expect(describeCatch(says, axis, nameOf, TERMINAL)).toBe(said));
