import { roundToMark, type Mark } from './mark.ts';
import { TICKS_PER_UNIT, ticks, type Ticks, type Unit } from './ticks.ts';

/** A length taken apart for typesetting, at the mark nearest to it. */
export interface LengthFigure {
  readonly unit: Unit;
  readonly negative: boolean;
  /** Whole inches, or the whole number of millimetres with its decimals as text. */
  readonly whole: string;
  readonly numerator: number;
  /** 0 where there is no fraction. */
  readonly denominator: number;
  /** How far the true length is over (+) or under (−) the figure. 0 when the figure is exact. */
  readonly off: Ticks;
}

function lowest(n: number, d: number): [number, number] {
  let [a, b] = [n, d];
  while (b) [a, b] = [b, a % b];
  return [n / a, d / a];
}

/**
 * The figure to show for a length: fractions in lowest terms at the mark, or decimals of a millimetre.
 * A length between marks gets the nearest mark and the difference in `off`.
 */
export function computeLengthFigure(length: Ticks, mark: Mark): LengthFigure {
  const shown = roundToMark(length, mark, 'nearest');
  const off = ticks(length - shown);
  const size = Math.abs(shown);
  const negative = shown < 0;
  const per = TICKS_PER_UNIT[mark.unit];
  if (mark.unit === 'mm') {
    const places = mark.step % per === 0 ? 0 : 1;
    return {
      unit: 'mm',
      negative,
      whole: String(Number((size / per).toFixed(places))),
      numerator: 0,
      denominator: 0,
      off,
    };
  }
  const whole = Math.floor(size / per);
  const rest = size - whole * per;
  const [numerator, denominator] = rest ? lowest(rest, per) : [0, 0];
  return { unit: 'in', negative, whole: whole || !rest ? String(whole) : '', numerator, denominator, off };
}

const spell = (f: LengthFigure, slash: string, gap: string): string => {
  const fraction = f.denominator ? `${f.numerator}${slash}${f.denominator}` : '';
  return `${f.negative ? '−' : ''}${f.whole}${f.whole && fraction ? gap : ''}${fraction}`;
};

/** `4 3/8`: for copying, files and screen readers. */
export const formatPlainLength = (length: Ticks, mark: Mark): string =>
  spell(computeLengthFigure(length, mark), '/', ' ').replace('−', '-');

/** `4 3⁄8` with the fraction slash, which the shipped faces set as a true fraction, and a space at which no line breaks: a 4 by itself would be read. */
export const formatTypesetLength = (length: Ticks, mark: Mark): string =>
  spell(computeLengthFigure(length, mark), '⁄', '\u202f');

/**
 * The shortest text that reads back as exactly this length in `unit`: a fraction in inches, a decimal in
 * millimetres. Used when a length is written into a document.
 */
export function formatExactLength(length: Ticks, unit: Unit): string {
  const per = TICKS_PER_UNIT[unit];
  const sign = length < 0 ? '-' : '';
  const size = Math.abs(length);
  if (unit === 'mm') {
    for (let places = 0; places <= 6; places++) {
      const text = (size / per).toFixed(places);
      if (Math.round(Number(text) * per) === size) return `${sign}${text}`;
    }
  }
  const whole = Math.floor(size / per);
  const rest = size - whole * per;
  if (!rest) return `${sign}${whole}`;
  const [n, d] = lowest(rest, per);
  return `${sign}${whole ? `${whole} ` : ''}${n}/${d}`;
}
