import {
  MARKS,
  computeLengthFigure,
  inches,
  formatPlainLength,
  ticks,
  formatTypesetLength,
  type Mark,
  type Ticks,
  type Unit,
} from '@temnex/core/length';

export interface Voice {
  readonly mark: Mark;
  /** typeset: fractions with the fraction slash, for screens and print; plain: `4 3/8`, for files, copying and terminals. */
  readonly figures: 'typeset' | 'plain';
}

export const SCREEN: Voice = { mark: MARKS['1/16'], figures: 'typeset' };
export const TERMINAL: Voice = { mark: MARKS['1/16'], figures: 'plain' };

/** A length as people write it, at the mark: `4 3⁄8`, `105 mm`. Without the difference to the true length. */
export function formatLength(length: Ticks | number, voice: Voice): string {
  const size = ticks(Math.round(length));
  const text =
    voice.figures === 'typeset' ? formatTypesetLength(size, voice.mark) : formatPlainLength(size, voice.mark);
  return voice.mark.unit === 'mm' ? `${text} mm` : text;
}

/** The difference between a length and its figure: "1⁄64 over", or nothing. */
export function describeDifference(length: Ticks, voice: Voice): string {
  const { off } = computeLengthFigure(length, voice.mark);
  if (!off) return '';
  const way = off > 0 ? 'over' : 'under';
  const finest = voice.mark.unit === 'mm' ? null : MARKS['1/64'];
  const size = Math.abs(off);
  if (finest && size >= finest.step / 2) return `${formatLength(size, { ...voice, mark: finest })} ${way}`;
  const unit = voice.mark.unit;
  const text = unit === 'mm' ? `${(size / 960).toFixed(size < 96 ? 2 : 1)} mm` : `${(size / inches(1)).toFixed(3)}`;
  return `${text} ${way}`;
}

/** A length at the mark, with the difference in brackets where it is not on one. */
export function formatLengthWithDifference(length: Ticks | number, voice: Voice): string {
  const off = describeDifference(ticks(Math.round(length)), voice);
  return off ? `${formatLength(length, voice)} (${off})` : formatLength(length, voice);
}

export const formatSize = (width: Ticks | number, height: Ticks | number, voice: Voice): string =>
  `${formatLength(width, voice)} × ${formatLength(height, voice)}`;

/** An area for totals: square inches or square centimetres. */
export function formatArea(area: number, unit: Unit): string {
  const value = unit === 'mm' ? area / 100 : area;
  const text = value >= 100 ? String(Math.round(value)) : String(Number(value.toFixed(1)));
  return `${text} ${unit === 'mm' ? 'cm²' : 'sq in'}`;
}

export const UNIT_LABELS: Readonly<Record<Unit, string>> = { in: 'inches', mm: 'millimetres' };
export const formatCount = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
