import { exact, roundExact, type Exact, type Rounding } from './exact.ts';
import { TICKS_PER_UNIT, ticks, type Ticks, type Unit } from './ticks.ts';

/** The finest mark of the cutter or ruler in use, and the unit in which it is read. */
export interface Mark {
  readonly unit: Unit;
  readonly step: Ticks;
}

/** Marks a person can choose from, finest last. */
export const MARKS = {
  '1/8': { unit: 'in', step: ticks(TICKS_PER_UNIT.in / 8) },
  '1/16': { unit: 'in', step: ticks(TICKS_PER_UNIT.in / 16) },
  '1/32': { unit: 'in', step: ticks(TICKS_PER_UNIT.in / 32) },
  '1/64': { unit: 'in', step: ticks(TICKS_PER_UNIT.in / 64) },
  '1 mm': { unit: 'mm', step: ticks(TICKS_PER_UNIT.mm) },
  '0.5 mm': { unit: 'mm', step: ticks(TICKS_PER_UNIT.mm / 2) },
} as const satisfies Record<string, Mark>;
export type MarkName = keyof typeof MARKS;
export const MARK_NAMES = Object.keys(MARKS) as [MarkName, ...MarkName[]];

/** The mark next to a length in the named direction. */
export const roundToMark = (length: Ticks | Exact, mark: Mark, rounding: Rounding): Ticks =>
  roundExact(typeof length === 'number' ? exact(length) : length, rounding, mark.step);

export const isOnMark = (length: Ticks, mark: Mark): boolean => length % mark.step === 0;
