import { expect, test } from '@jest/globals';
import { lengthOf, ticks, type Unit } from '../../length/index.ts';
import type { Finish } from '../../geometry/index.ts';
import { formatFinish, finishSchema, readFinish } from './finishing.ts';

const at = (x: number, y: number) => ({ x: ticks(x), y: ticks(y) });
/** One of each kind, with lengths that are no whole number of either unit. */
const EACH: { readonly [Kind in Finish['do']]: Extract<Finish, { do: Kind }> } = {
  notch: { do: 'notch', edge: 'bottom', depth: ticks(10_001), at: ticks(12_192) },
  point: { do: 'point', edge: 'top', depth: ticks(7), at: ticks(8128) },
  slant: { do: 'slant', edge: 'bottom', depth: ticks(24_383), shorter: 'left' },
  outline: { do: 'outline', as: 'oval' },
  corners: { do: 'corners', how: 'round', by: ticks(6096), count: 4 },
  slit: { do: 'slit', from: at(0, 961), to: at(24_385, 961) },
  flush: { do: 'flush', edge: 'top' },
  fold: { do: 'fold', from: at(0, 961), to: at(24_385, 961) },
  holes: { do: 'holes', at: [at(127, 381), at(3048, 1)], across: ticks(3048) },
  punch: { do: 'punch', edge: 'right', depth: ticks(3048), repeats: 9 },
  trim: { do: 'trim', when: 'glued', left: ticks(0), right: ticks(1), top: ticks(7777), bottom: ticks(3048) },
  window: { do: 'window', box: { ...at(127, 381), width: ticks(50_001), height: ticks(1) } },
};

test.each(
  Object.values(EACH).flatMap((finish) => (['in', 'mm'] as Unit[]).map((unit) => [finish.do, unit, finish] as const)),
)('a %s is said in a job and read back to the tick, in %s', (_kind, unit, finish) => {
  const said = finishSchema.parse(JSON.parse(JSON.stringify(formatFinish(finish, unit))));
  expect(readFinish(said, (value) => (value === 0 || value === '0' ? ticks(0) : lengthOf(value, unit)))).toEqual(
    finish,
  );
});
