import { TICKS_PER_UNIT } from '@temnex/core/length';
import type { DerivedPage } from '@temnex/core/page';

export interface Margin {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}
/** Room round the page for the numbers that are typed there; on a phone they stand in the slip. */
export const WIDE: Margin = { left: 116, top: 46, right: 192, bottom: 66 };
/** A spread is drawn as wide as it may be. */
export const SPREAD: Margin = { ...WIDE, left: 104, right: 178 };
export const SLIM: Margin = { left: 56, top: 26, right: 8, bottom: 36 };

/** Pixels to the inch at which a page fits. */
export const computePageScale = (derived: DerivedPage, width: number, height: number, margin: Margin): number => {
  const inches = (t: number) => t / TICKS_PER_UNIT.in;
  return Math.max(
    4,
    Math.min(
      (width - margin.left - margin.right) / inches(derived.width),
      (height - margin.top - margin.bottom) / inches(derived.height),
    ),
  );
};
