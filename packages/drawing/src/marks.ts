import type { Look } from '@temnex/core/stock';

/*
 * A drawing is a list of marks: plain data that the screen, the print view, the PDF and SVG files all set alike.
 * x to the right, y down, in whatever unit the drawing says.
 */

export interface Stroke {
  readonly colour: string;
  readonly width: number;
  readonly dash?: readonly number[];
}
/** A flat colour, or a paper's look turned counter-clockwise; `scale` is the drawing's units to the inch. */
export type Fill = string | { readonly look: Look; readonly turn: number; readonly scale: number };

export type DrawingMark =
  | { kind: 'rect'; x: number; y: number; width: number; height: number; fill?: Fill; stroke?: Stroke; name?: string }
  | { kind: 'line'; x1: number; y1: number; x2: number; y2: number; stroke: Stroke }
  | { kind: 'poly'; points: readonly (readonly [number, number])[]; fill?: Fill; stroke?: Stroke }
  | {
      /** A photo: all of it lies at `whole`, and what of that is within the box is seen, so strongly (0 to 1). */
      kind: 'photo';
      file: string;
      x: number;
      y: number;
      width: number;
      height: number;
      whole: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
      strength: number;
    }
  | {
      kind: 'text';
      x: number;
      y: number;
      text: string;
      size: number;
      weight: 400 | 600;
      face: 'figures' | 'text';
      anchor: 'start' | 'middle' | 'end';
      fill: string;
      /** Degrees counter-clockwise about (x, y). */
      turn?: number;
    };

export interface Drawing {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly DrawingMark[];
  /** What a screen reader says of it. */
  readonly title: string;
}

export const INK = '#161616';
export const CUT = '#c4300f';
export const KEEP = '#0b6350';

/** Parallel lines at 45° clipped to a rectangle: how waste and kept offcuts are told apart without colour. */
export function drawHatching(
  x: number,
  y: number,
  width: number,
  height: number,
  every: number,
  stroke: Stroke,
  lean: 'rise' | 'fall',
): DrawingMark[] {
  const lines: DrawingMark[] = [];
  for (let c = every; c < width + height; c += every) {
    // on the rising diagonal x' + y' = c inside 0..width, 0..height
    const [fromX, toX] = [Math.max(0, c - height), Math.min(width, c)];
    if (toX - fromX < 0.01) continue;
    const place = (px: number) => (lean === 'rise' ? y + (c - px) : y + height - (c - px));
    lines.push({ kind: 'line', x1: x + fromX, y1: place(fromX), x2: x + toX, y2: place(toX), stroke });
  }
  return lines;
}

type Corners = readonly (readonly [number, number])[];

/** The same hatching within corners in order, whatever their shape: a line is drawn where it is inside. */
export function drawHatchingIn(points: Corners, every: number, stroke: Stroke, lean: 'rise' | 'fall'): DrawingMark[] {
  const sign = lean === 'rise' ? 1 : -1;
  const level = ([x, y]: readonly [number, number]) => x + sign * y;
  const levels = points.map(level);
  const lines: DrawingMark[] = [];
  for (let c = Math.ceil(Math.min(...levels) / every) * every; c < Math.max(...levels); c += every) {
    const met: (readonly [number, number])[] = [];
    points.forEach((p, i) => {
      const q = points[(i + 1) % points.length]!;
      const [a, b] = [level(p), level(q)];
      if (a > c === b > c) return;
      const share = (c - a) / (b - a);
      met.push([p[0] + share * (q[0] - p[0]), p[1] + share * (q[1] - p[1])]);
    });
    met.sort((a, b) => a[0] - b[0]);
    for (let i = 0; i + 1 < met.length; i += 2) {
      const [[x1, y1], [x2, y2]] = [met[i]!, met[i + 1]!];
      if (Math.abs(x2 - x1) > 0.3) lines.push({ kind: 'line', x1, y1, x2, y2, stroke });
    }
  }
  return lines;
}

/** A cut line in two tones, so that it shows on any paper. */
export function drawCutLine(x1: number, y1: number, x2: number, y2: number, width = 1.6): DrawingMark[] {
  const dash = [width * 4, width * 2.6];
  return [
    { kind: 'line', x1, y1, x2, y2, stroke: { colour: '#ffffff', width: width * 1.9 } },
    { kind: 'line', x1, y1, x2, y2, stroke: { colour: CUT, width, dash } },
  ];
}

/** About how wide a text is set. The packages know no fonts, so this errs on the wide side. */
export function estimateTextWidth(text: string, size: number): number {
  // a typeset fraction is about as wide as one capital, two where it has more digits
  const plain = text.replace(/\d+⁄\d+/g, (fraction) => (fraction.length > 3 ? 'WI' : 'W'));
  const wide = (c: string): number =>
    /[WMm@]/.test(c) ? 0.86 : /[A-Z0-9×]/.test(c) ? 0.6 : /[iljtfI.,;:'| \u202f]/.test(c) ? 0.29 : 0.51;
  return [...plain].reduce((sum, c) => sum + wide(c), 0) * size;
}

/** Shortens the name of a part in its middle, so that "mat 2" at its end is still read; nothing where not even that fits. */
export function fitName(name: string, size: number, width: number): string {
  const tail = /\S+ \S+$/.exec(name)?.[0] ?? '';
  const short = `…${tail}`;
  if (estimateTextWidth(name, size) <= width || !tail || estimateTextWidth(short, size) > width)
    return fitText(name, size, width);
  const head = fitText(name.slice(0, -tail.length), size, width - estimateTextWidth(tail, size));
  return `${head.slice(0, -1).trimEnd()}${short}`;
}

/**
 * A name broken between words so that its widest line is as narrow as so many lines allow; cut short only where they
 * do not do, and then in one line.
 */
export function wrapName(name: string, size: number, width: number, most: number): string[] {
  if (most < 1 || !name) return [];
  const words = name.split(' ');
  const wide = (text: string) => estimateTextWidth(text, size);
  for (let count = 1; count <= Math.min(most, words.length); count++) {
    const lines = evenly(words, count, wide);
    if (lines.every((line) => wide(line) <= width)) return lines;
  }
  const short = fitName(name, size, width);
  return short ? [short] : [];
}

/** Words over so many lines, the widest as narrow as can be. */
function evenly(words: readonly string[], count: number, wide: (text: string) => number): string[] {
  if (count === 1) return [words.join(' ')];
  const ways = words.slice(0, words.length - count + 1).map((_, i) => {
    const lines = [words.slice(0, i + 1).join(' '), ...evenly(words.slice(i + 1), count - 1, wide)];
    return { lines, widest: Math.max(...lines.map(wide)) };
  });
  return ways.reduce((a, b) => (b.widest < a.widest ? b : a)).lines;
}

/** A name as it stands in a room of this size, and whether all of it does. */
export function fitNameIn(
  name: string,
  size: number,
  width: number,
  height: number,
): { readonly lines: readonly string[]; readonly whole: boolean } {
  const lines = wrapName(name, size, width, Math.min(3, Math.floor(height / (size * 1.14))));
  return { lines, whole: lines.join(' ') === name };
}

/** Shortens a text to a width, with an ellipsis; nothing where not even that fits. */
export function fitText(text: string, size: number, width: number): string {
  if (estimateTextWidth(text, size) <= width) return text;
  let cut = text;
  while (cut.length > 1 && estimateTextWidth(`${cut}…`, size) > width) cut = cut.slice(0, -1);
  return cut.length > 1 ? `${cut.trimEnd()}…` : '';
}
