import { SaxesParser } from 'saxes';
import svgpath from 'svgpath';
import { TICKS_PER_UNIT } from '../length/index.ts';
import { areaOf, type Corner, type Ring } from '../lattice/index.ts';

/*
 * The outline in an SVG file: of all closed lines the one round the largest area, and what is cut out of it. Paths with their curves and
 * arcs, rectangles, circles, ellipses and polygons are read, as they are placed by transforms, groups and `use`. What is not read is named.
 *
 * Files come from anywhere: entities are not expanded, nothing is fetched or run, and size, depth, repeats and time have limits.
 */

export interface SvgOutline {
  /** Corners in ticks from the lower left, y up, as integers. */
  readonly outline: [number, number][];
  readonly holes: [number, number][][];
}
/** Something in the file that was not read, and how often. */
export interface LeftOut {
  readonly what: string;
  readonly count: number;
}
export type ReadSvg =
  | { readonly ok: true; readonly read: SvgOutline; readonly leftOut: readonly LeftOut[] }
  | { readonly ok: false; readonly why: SvgProblem; readonly leftOut: readonly LeftOut[] };
export type SvgProblem = 'too-large' | 'not-xml' | 'not-svg' | 'no-outline' | 'too-much' | 'no-size';

/** Bytes, about: what is longer is not looked at. */
export const MAX_SVG_BYTES = 2_000_000;
const MAX_CORNERS = 60_000;
/** Letters of one path: more would be more corners than that. */
const LONGEST_PATH = 800_000;
/** An outline is thinned until it has no more. */
const MAX_KEPT = 1_500;
const DEEPEST = 60;
const MAX_USES = 300;
/** Milliseconds. */
const LONGEST = 1_500;
/** Chords stray from curves by at most so many ticks: a fiftieth of a millimetre. */
const CHORD = TICKS_PER_UNIT.mm / 50;
/** Pixels of a file that says no other unit, to the inch. */
const PIXELS = 96;

interface Element {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: Element[];
}
type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];
const SAME: Matrix = [1, 0, 0, 1, 0, 0];

class Limit extends Error {}

export function readSvgOutline(file: string, now: () => number = () => 0): ReadSvg {
  const left = new Map<string, number>();
  const leaveOut = (what: string, count = 1) => left.set(what, (left.get(what) ?? 0) + count);
  const leftOut = (): LeftOut[] => [...left].map(([what, count]) => ({ what, count }));
  const fail = (why: SvgProblem): ReadSvg => ({ ok: false, why, leftOut: leftOut() });
  if (file.length > MAX_SVG_BYTES) return fail('too-large');
  const until = now() + LONGEST;
  const inTime = () => {
    if (now() > until) throw new Limit();
  };
  try {
    const root = elementsOf(file, inTime);
    if (!root) return fail('not-xml');
    if (root.name !== 'svg') return fail('not-svg');
    const per = scaleOf(root);
    if (!per) return fail('no-size');
    const rings = new Collector(root, per, leaveOut, inTime).rings();
    const read = outlineOf(rings, leaveOut, inTime);
    return read ? { ok: true, read, leftOut: leftOut() } : fail('no-outline');
  } catch (error) {
    if (error instanceof Limit) return fail('too-much');
    throw error;
  }
}

/** The elements of a file; null where it is no XML. */
function elementsOf(file: string, inTime: () => void): Element | null {
  const parser = new SaxesParser();
  let root: Element | null = null;
  const open: Element[] = [];
  let broken = false;
  let seen = 0;
  parser.on('error', () => {
    broken = true;
  });
  parser.on('opentag', ({ name, attributes }) => {
    if ((seen += 1) % 500 === 0) inTime();
    if (open.length > DEEPEST) throw new Limit();
    const element: Element = {
      name: name.replace(/^svg:/, ''),
      attributes: attributes as Record<string, string>,
      children: [],
    };
    open.at(-1)?.children.push(element);
    root ??= element;
    open.push(element);
  });
  parser.on('closetag', () => {
    open.pop();
  });
  for (let i = 0; i < file.length && !broken; i += 65_536) {
    inTime();
    parser.write(file.slice(i, i + 65_536));
  }
  if (!broken) parser.close();
  return broken ? null : root;
}

const UNITS: Readonly<Record<string, number>> = {
  '': 1 / PIXELS,
  px: 1 / PIXELS,
  in: 1,
  mm: 1 / 25.4,
  cm: 1 / 2.54,
  pt: 1 / 72,
  pc: 1 / 6,
  q: 1 / 101.6,
};
const numbers = (text: string | undefined): number[] =>
  [...(text ?? '').matchAll(/[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi)].map(([n]) => Number(n));

/** A length of the file in inches; null where it has none. */
function inInches(text: string | undefined): number | null {
  const [, number, unit = ''] = /^\s*([\d.]+(?:e[-+]?\d+)?)\s*([a-z]*)\s*$/i.exec(text ?? '') ?? [];
  const each = UNITS[unit.toLowerCase()];
  return number === undefined || each === undefined ? null : Number(number) * each;
}

/** Ticks to a unit of the drawing, by its width and what part of it is seen; null where that is nothing. */
function scaleOf({ attributes }: Element): number | null {
  const box = numbers(attributes.viewBox);
  const width = inInches(attributes.width);
  const per = box.length === 4 && width !== null && box[2]! > 0 ? width / box[2]! : 1 / PIXELS;
  return Number.isFinite(per) && per > 0 ? per * TICKS_PER_UNIT.in : null;
}

/** What holds no outline of its own: it is there to be used, or says something of others. */
const QUIET = new Set(['title', 'desc', 'metadata', 'defs', 'symbol', 'style', 'switch', 'view']);
const GROUPS = new Set(['svg', 'g', 'a', 'switch']);

class Collector {
  private readonly byId = new Map<string, Element>();
  private readonly found: Ring[] = [];
  private corners = 0;
  private uses = 0;

  constructor(
    private readonly root: Element,
    private readonly per: number,
    private readonly leaveOut: (what: string) => void,
    private readonly inTime: () => void,
  ) {
    const index = (element: Element) => {
      const { id } = element.attributes;
      if (id !== undefined && !this.byId.has(id)) this.byId.set(id, element);
      element.children.forEach(index);
    };
    index(root);
  }

  rings(): readonly Ring[] {
    this.walk(this.root, [this.per, 0, 0, -this.per, 0, 0], 0);
    return this.found;
  }

  private walk(element: Element, outer: Matrix, depth: number): void {
    if (depth > DEEPEST) throw new Limit();
    this.inTime();
    const { name, attributes } = element;
    if (/(^|;)\s*display\s*:\s*none/.test(attributes.style ?? '') || attributes.display === 'none') return;
    const matrix = attributes.transform ? times(outer, transformOf(attributes.transform)) : outer;
    if (GROUPS.has(name)) {
      for (const child of element.children) this.walk(child, matrix, depth + 1);
      return;
    }
    if (name === 'use') return this.use(element, matrix, depth);
    const path = pathOf(element);
    if (path === null) {
      if (!QUIET.has(name)) this.leaveOut(name);
      return;
    }
    this.take(path, matrix, name);
  }

  private use({ attributes }: Element, matrix: Matrix, depth: number): void {
    if ((this.uses += 1) > MAX_USES) throw new Limit();
    const said = attributes.href ?? attributes['xlink:href'] ?? '';
    const used = said.startsWith('#') ? this.byId.get(said.slice(1)) : undefined;
    if (!used) return this.leaveOut('use of another file');
    const [x = 0] = numbers(attributes.x);
    const [y = 0] = numbers(attributes.y);
    const at = times(matrix, [1, 0, 0, 1, x, y]);
    if (used.name === 'symbol') for (const child of used.children) this.walk(child, at, depth + 1);
    else this.walk(used, at, depth + 1);
  }

  private take(path: string, matrix: Matrix, name: string): void {
    if (path.length > LONGEST_PATH) throw new Limit();
    const read = svgpath(path) as ReturnType<typeof svgpath> & { readonly err?: string };
    if (read.err) this.leaveOut(`broken ${name}`);
    const rings: Corner[][] = [];
    let ring: Corner[] = [];
    const end = () => {
      if (ring.length > 2) rings.push(ring);
      ring = [];
    };
    const add = (p: Corner) => {
      if ((this.corners += 1) > MAX_CORNERS) throw new Limit();
      if (this.corners % 500 === 0) this.inTime();
      if (!Number.isFinite(p[0]) || !Number.isFinite(p[1])) return;
      const last = ring.at(-1);
      if (!last || last[0] !== p[0] || last[1] !== p[1]) ring.push(p);
    };
    // what is cut along is closed, said or not
    read
      .abs()
      .unshort()
      .unarc()
      .matrix([...matrix])
      .iterate(([command, ...v], _i, x, y) => {
        const n = v as number[];
        switch (command) {
          case 'M':
            end();
            add([n[0]!, n[1]!]);
            break;
          case 'L':
            add([n[0]!, n[1]!]);
            break;
          case 'H':
            add([n[0]!, y]);
            break;
          case 'V':
            add([x, n[0]!]);
            break;
          case 'Q':
            for (const p of curve([x, y], [n[0]!, n[1]!], [n[0]!, n[1]!], [n[2]!, n[3]!], true)) add(p);
            break;
          case 'C':
            for (const p of curve([x, y], [n[0]!, n[1]!], [n[2]!, n[3]!], [n[4]!, n[5]!], false)) add(p);
            break;
          default:
            break;
        }
      });
    end();
    this.found.push(...rings);
  }
}

/** Points along a cubic or quadratic curve, near enough to it; the first is left out. */
function curve(a: Corner, b: Corner, c: Corner, d: Corner, quadratic: boolean): Corner[] {
  // twice the second difference bounds how far chords stray (Wang, 1984)
  const bend = (p: Corner, q: Corner, r: Corner) => Math.hypot(p[0] - 2 * q[0] + r[0], p[1] - 2 * q[1] + r[1]);
  const most = quadratic ? bend(a, b, d) * 2 : 6 * Math.max(bend(a, b, c), bend(b, c, d));
  const steps = Math.max(1, Math.min(200, Math.ceil(Math.sqrt(most / (8 * CHORD)))));
  return Array.from({ length: Number.isFinite(steps) ? steps : 1 }, (_, i): Corner => {
    const t = (i + 1) / steps;
    const s = 1 - t;
    const at = (k: 0 | 1) =>
      quadratic
        ? s * s * a[k] + 2 * s * t * b[k] + t * t * d[k]
        : s * s * s * a[k] + 3 * s * s * t * b[k] + 3 * s * t * t * c[k] + t * t * t * d[k];
    return [at(0), at(1)];
  });
}

const times = (m: Matrix, n: Matrix): Matrix => [
  m[0] * n[0] + m[2] * n[1],
  m[1] * n[0] + m[3] * n[1],
  m[0] * n[2] + m[2] * n[3],
  m[1] * n[2] + m[3] * n[3],
  m[0] * n[4] + m[2] * n[5] + m[4],
  m[1] * n[4] + m[3] * n[5] + m[5],
];

function transformOf(text: string): Matrix {
  let matrix = SAME;
  for (const [, name, inside] of text.matchAll(/(\w+)\s*\(([^)]*)\)/g)) {
    const n = numbers(inside);
    const [a = 0, b = 0, c = 0] = n;
    const angle = (a * Math.PI) / 180;
    const turn: Matrix = [Math.cos(angle), Math.sin(angle), -Math.sin(angle), Math.cos(angle), 0, 0];
    if (name === 'translate') matrix = times(matrix, [1, 0, 0, 1, a, b]);
    else if (name === 'scale') matrix = times(matrix, [a, 0, 0, n.length > 1 ? b : a, 0, 0]);
    else if (name === 'rotate') matrix = times(times(times(matrix, [1, 0, 0, 1, b, c]), turn), [1, 0, 0, 1, -b, -c]);
    else if (name === 'skewX') matrix = times(matrix, [1, 0, Math.tan(angle), 1, 0, 0]);
    else if (name === 'skewY') matrix = times(matrix, [1, Math.tan(angle), 0, 1, 0, 0]);
    else if (name === 'matrix' && n.length === 6) matrix = times(matrix, n as unknown as Matrix);
  }
  return matrix;
}

/** A plain figure as a path; null where it is none. */
function pathOf({ name, attributes }: Element): string | null {
  const at = (key: string, otherwise = 0): number => numbers(attributes[key])[0] ?? otherwise;
  const round = (cx: number, cy: number, rx: number, ry: number) =>
    rx > 0 && ry > 0 ? `M${cx - rx} ${cy}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0z` : '';
  switch (name) {
    case 'path':
      return attributes.d ?? '';
    case 'rect': {
      const [x, y, w, h] = [at('x'), at('y'), at('width'), at('height')];
      const rx = Math.min(w / 2, at('rx', at('ry')));
      const ry = Math.min(h / 2, at('ry', at('rx')));
      if (!(rx > 0 && ry > 0)) return `M${x} ${y}h${w}v${h}h${-w}z`;
      const corner = (dx: number, dy: number) => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
      return `M${x + rx} ${y}h${w - 2 * rx}${corner(rx, ry)}v${h - 2 * ry}${corner(-rx, ry)}h${2 * rx - w}${corner(-rx, -ry)}v${2 * ry - h}${corner(rx, -ry)}z`;
    }
    case 'circle':
      return round(at('cx'), at('cy'), at('r'), at('r'));
    case 'ellipse':
      return round(at('cx'), at('cy'), at('rx'), at('ry'));
    case 'polygon':
    case 'polyline': {
      const said = attributes.points ?? '';
      if (said.length > LONGEST_PATH) throw new Limit();
      const n = numbers(said);
      const points = Array.from({ length: Math.floor(n.length / 2) }, (_, i) => `${n[2 * i]} ${n[2 * i + 1]}`);
      return points.length ? `M${points.join('L')}z` : '';
    }
    default:
      return null;
  }
}

/** The largest ring with those that lie in it, thinned, from the lower left on; null where none encloses anything. */
function outlineOf(
  rings: readonly Ring[],
  leaveOut: (what: string, count?: number) => void,
  inTime: () => void,
): SvgOutline | null {
  const sized = rings.map((ring) => ({ ring, area: areaOf(ring) })).sort((a, b) => b.area - a.area);
  const [largest, ...others] = sized;
  if (!largest || largest.area < 100) return null;
  const holes: Ring[] = [];
  let outside = 0;
  for (const { ring, area } of others) {
    inTime();
    if (area < largest.area * 1e-6) continue;
    const within = ring.every(([x, y]) => isIn(largest.ring, x, y));
    if (!within) outside += 1;
    else if (holes.some((hole) => isIn(hole, ...(ring[0]! as [number, number])))) outside += 1;
    else holes.push(ring);
  }
  if (outside) leaveOut('outline beside the largest', outside);
  if (holes.length > 50) leaveOut('hole', holes.length - 50);
  const [left, bottom] = [Math.min(...largest.ring.map(([x]) => x)), Math.min(...largest.ring.map(([, y]) => y))];
  const placed = (ring: Ring) =>
    thinned(ring, inTime).map(([x, y]): [number, number] => [Math.round(x - left), Math.round(y - bottom)]);
  return { outline: placed(largest.ring), holes: holes.slice(0, 50).map(placed) };
}

function isIn(ring: Ring, x: number, y: number): boolean {
  let inside = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i, i += 1) {
    const [ax, ay] = ring[i]!;
    const [bx, by] = ring[j]!;
    if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) inside = !inside;
  }
  return inside;
}

/** Without the corners that change least, until there are few enough (Douglas and Peucker, 1973). */
function thinned(ring: Ring, inTime: () => void): Ring {
  let kept = ring;
  for (let most = CHORD; kept.length > MAX_KEPT; most *= 2) {
    inTime();
    const keep = new Uint8Array(kept.length);
    keep[0] = keep[kept.length - 1] = 1;
    const open: [number, number][] = [[0, kept.length - 1]];
    for (let span = open.pop(); span; span = open.pop()) {
      const [from, to] = span;
      const [ax, ay] = kept[from]!;
      const [bx, by] = kept[to]!;
      const long = Math.hypot(bx - ax, by - ay);
      let [far, at] = [most, -1];
      for (let i = from + 1; i < to; i++) {
        const [x, y] = kept[i]!;
        const off = long ? Math.abs((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / long : Math.hypot(x - ax, y - ay);
        if (off > far) [far, at] = [off, i];
      }
      if (at < 0) continue;
      keep[at] = 1;
      open.push([from, at], [at, to]);
    }
    kept = kept.filter((_, i) => keep[i]);
  }
  return kept;
}
