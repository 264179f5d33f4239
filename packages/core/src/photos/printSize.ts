import { roundToMark, exact, TICKS_PER_UNIT, type Mark, type Ticks } from '../length/index.ts';
import type { Pixels } from './crop.ts';

/** Pixels to the inch: as sharp as a print gets; good in the hand; good from an arm's length. Less shows its pixels. */
export const DENSITIES = { fine: 300, good: 240, fair: 200 } as const;
export type Density = keyof typeof DENSITIES;

/** The largest print of so many pixels at a density, in ticks, down to the mark: a print is never less sharp than said. */
export function computeLargestPrint(
  pixels: Pixels,
  density: Density,
  mark: Mark,
): { readonly width: Ticks; readonly height: Ticks } {
  const side = (n: number): Ticks =>
    roundToMark(exact(Math.floor((n * TICKS_PER_UNIT.in) / DENSITIES[density])), mark, 'down');
  return { width: side(pixels.width), height: side(pixels.height) };
}

/** How sharp a print of this size (ticks) is: the pixels to the inch along its coarser side, and what that is called. */
export function computeSharpness(
  pixels: Pixels,
  size: { readonly width: number; readonly height: number },
): { readonly perInch: number; readonly is: Density | 'coarse' } {
  const perInch = Math.min(
    (pixels.width * TICKS_PER_UNIT.in) / size.width,
    (pixels.height * TICKS_PER_UNIT.in) / size.height,
  );
  const is = (Object.keys(DENSITIES) as Density[]).find((name) => perInch >= DENSITIES[name] - 0.5) ?? 'coarse';
  return { perInch: Math.floor(perInch + 1e-9), is };
}
