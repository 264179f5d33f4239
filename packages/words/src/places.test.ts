import { expect, test } from '@jest/globals';
import { MARKS } from '@temnex/core/length';
import type { Axis, Place } from '@temnex/core/page';
import { describePlaceAlong, describePlace } from './places.ts';

const voice = { mark: MARKS['1/16'], figures: 'plain' } as const;
const say = (axis: Axis, from: string, by: string, of?: string) =>
  describePlaceAlong(axis, { from, by, ...(of ? { of } : {}) } as Place[Axis], 'in', voice, (id) => `the ${id}`);

test.each([
  ['across', 'left', '0.625', undefined, '5/8 from the left edge'],
  ['across', 'left', '0', undefined, 'at the left edge'],
  ['across', 'right', '-3/8', undefined, '3/8 past the right edge'],
  ['upDown', 'bottom', '2', undefined, '2 from the bottom edge'],
  ['across', 'left', '1/4', 'title', '1/4 in from the left edge of the title'],
  ['across', 'left', '0', 'title', 'flush with the left edge of the title'],
  ['across', 'centre', '-1 1/4', undefined, '1 1/4 left of center'],
  ['across', 'centre', '1 1/4', undefined, '1 1/4 right of center'],
  ['upDown', 'centre', '-1', 'title', '1 below the middle of the title'],
  ['across', 'centre', '0', undefined, 'centered across'],
  ['upDown', 'centre', '0', 'title', 'centered up and down on the title'],
  ['upDown', 'upper-third', '0', undefined, 'on the upper third'],
  ['upDown', 'upper-third', '-1/2', undefined, '1/2 below the upper third'],
  ['upDown', 'after', '0', 'title', 'directly above the title'],
  ['across', 'before', '1/8', 'title', '1/8 left of the title'],
  ['across', 'before', '-1/8', 'title', 'left of the title, overlapping it by 1/8'],
  ['across', 'left', '10 mm', undefined, '3/8 (1/64 over) from the left edge'],
] as const)('%s %s %s %s', (axis, from, by, of, words) => expect(say(axis, from, by, of)).toBe(words));

test('both ways at once', () => {
  const centred = { across: { from: 'centre', by: '0' }, upDown: { from: 'centre', by: 0 } } as Place;
  expect(describePlace(centred, 'in', voice, (id) => id)).toBe('centered on the page');
  expect(describePlace({ ...centred, across: { from: 'left', by: '0.5' } }, 'in', voice, (id) => id)).toBe(
    '1/2 from the left edge, centered up and down',
  );
});
