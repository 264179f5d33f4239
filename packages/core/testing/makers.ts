import type { JobDocument } from '../src/planner/index.ts';
import { seededRandom } from '../src/chance/index.ts';

/* Seeded makers of planning jobs, for tests, the soak run and benchmarks. Sizes are made in sixteenths of an inch. */

type Random = () => number;
const upTo = (R: Random, n: number): number => Math.floor(R() * n);
const pick = <T>(R: Random, list: readonly T[]): T => list[upTo(R, list.length)]!;

function shuffle<T>(R: Random, list: T[]): T[] {
  for (let i = list.length - 1; i > 0; i--) {
    const j = upTo(R, i + 1);
    [list[i], list[j]] = [list[j]!, list[i]!];
  }
  return list;
}

function inch(sixteenths: number): string {
  const whole = Math.floor(sixteenths / 16);
  let [n, d] = [sixteenths % 16, 16];
  if (n === 0) return String(whole);
  while (n % 2 === 0) [n, d] = [n / 2, d / 2];
  return whole ? `${whole} ${n}/${d}` : `${n}/${d}`;
}

const heading = (name: string, seconds: number) =>
  ({
    format: 'temnex-job',
    version: 1,
    name,
    unit: 'in',
    cutter: { step: '1/16', narrowest: '1/4', kerf: 0 },
    plan: { aim: 'least-paper', seconds, seed: 1 },
  }) as const satisfies Partial<JobDocument>;

/** Cuts a rectangle edge to edge at random places on an eighth-inch grid into k parts, one of the three largest each time. */
function shatter(R: Random, w: number, h: number, k: number, min = 12, grid = 2): [number, number][] {
  const parts: [number, number][] = [[w, h]];
  for (let tries = 0; parts.length < k && tries < 200; tries++) {
    parts.sort((a, b) => b[0] * b[1] - a[0] * a[1]);
    const [pw, ph] = parts.splice(Math.min(parts.length - 1, upTo(R, Math.min(3, parts.length))), 1)[0]!;
    const upright = pw >= ph ? R() < 0.8 : R() < 0.2;
    const length = upright ? pw : ph;
    if (length < 2 * min + grid) {
      parts.push([pw, ph]);
      continue;
    }
    const c = min + grid * Math.floor((R() * (length - 2 * min)) / grid);
    if (upright) parts.push([c, ph], [pw - c, ph]);
    else parts.push([pw, c], [pw, length - c]);
  }
  return parts;
}

/** m whole sheets of 12 x 12 shattered into k pieces each, shuffled: the best answer opens m sheets and wastes nothing. */
export function puzzleJob(m: number, k: number, seed: number, seconds = 1): JobDocument {
  const R = seededRandom(seed * 7717 + m * 131 + k);
  const parts: [number, number][] = [];
  for (let s = 0; s < m; s++) parts.push(...shatter(R, 192, 192, k));
  return {
    ...heading(`puzzle ${m}x${k} #${seed}`, seconds),
    papers: [{ id: 'p', name: 'Test paper', sides: [{ side: 'A', name: 'front', direction: 'none' }] }],
    stock: [{ id: 'sheet', paper: 'p', width: '12', height: '12', quantity: m + 3, kind: 'sheet' }],
    pieces: shuffle(R, parts).map(([w, h], i) => ({
      id: `c${i}`,
      name: `piece ${i}`,
      width: inch(w),
      height: inch(h),
      papers: ['p'],
      side: 'A',
    })),
  };
}

/** A drawer of scraps, some with a direction; everything wanted can be cut from ten of them, so that no sheet need be opened. */
export function scrapDrawerJob(seed: number, seconds = 1): JobDocument {
  const [paperCount, scraps, used] = [4, 40, 10];
  const R = seededRandom(seed * 9173 + scraps);
  const kinds = ['none', 'two-way', 'one-way'] as const;
  const papers = Array.from({ length: paperCount }, (_, i) => ({
    id: `p${i}`,
    name: `Paper ${i}`,
    sides: [
      { side: 'A' as const, name: 'front', direction: kinds[i % 3]! },
      { side: 'B' as const, name: 'back', direction: 'none' as const },
    ],
  }));
  const stock: JobDocument['stock'] = [];
  const pieces: JobDocument['pieces'] = [];
  const picked = new Set(shuffle(R, [...Array(scraps).keys()]).slice(0, used));
  for (let i = 0; i < scraps; i++) {
    const [w, h] = [16 + 2 * upTo(R, 64), 16 + 2 * upTo(R, 70)];
    const paper = papers[upTo(R, paperCount)]!;
    stock.push({ id: `s${i}`, paper: paper.id, width: inch(w), height: inch(h), kind: 'scrap' });
    if (!picked.has(i)) continue;
    for (const [pw, ph] of shatter(R, w, h, 1 + upTo(R, 4))) {
      const side = R() < 0.75 ? 'A' : 'B';
      const locked = side === 'A' && paper.sides[0]!.direction !== 'none';
      const flat = !locked && R() < 0.5;
      const a = Math.max(8, pw - (R() < 0.5 ? 0 : 2 * upTo(R, 3)));
      const id = `c${pieces.length}`;
      pieces.push({
        id,
        width: inch(flat ? ph : a),
        height: inch(flat ? a : ph),
        papers: [paper.id],
        side,
        direction: locked ? 'height' : 'any',
      });
    }
  }
  for (const p of papers)
    stock.push({ id: `new-${p.id}`, paper: p.id, width: '12', height: '12', quantity: 4, kind: 'sheet' });
  return { ...heading(`drawer #${seed}`, seconds), papers, stock, pieces: shuffle(R, pieces) };
}

/** What one page asks of a drawer: mats, panels, squares, strips and banners in six papers, about 30 pieces and 60 stock items. */
export function normalJob(seed: number, seconds = 1): JobDocument {
  const R = seededRandom(seed * 60013 + 7);
  const runs = ['none', 'two-way', 'one-way', 'none', 'two-way', 'none'] as const;
  const papers = runs.map((direction, i) => ({
    id: `p${i}`,
    name: `Paper ${i}`,
    sides: [
      { side: 'A' as const, name: 'front', direction },
      {
        side: 'B' as const,
        name: 'back',
        direction: i === 4 ? ('two-way' as const) : ('none' as const),
        along: 'width' as const,
      },
    ],
  }));
  const stock: JobDocument['stock'] = [];
  for (let i = 0; i < 48; i++) {
    const paper = pick(R, papers).id;
    stock.push({
      id: `s${i}`,
      paper,
      width: inch(8 + 2 * upTo(R, 66)),
      height: inch(16 + 2 * upTo(R, 88)),
      kind: 'scrap',
      turned: pick(R, [0, 0, 0, 90] as const),
    });
  }
  for (const p of papers) {
    stock.push({ id: `pad-${p.id}`, paper: p.id, width: '6', height: '6', quantity: 2, kind: 'pad' });
    stock.push({ id: `new-${p.id}`, paper: p.id, width: '12', height: '12', quantity: 3, kind: 'sheet' });
  }
  const pieces: JobDocument['pieces'] = [];
  const add = (name: string, w: number, h: number, quantity: number, direction: 'any' | 'width' | 'height' = 'any') => {
    const wanted = shuffle(
      R,
      papers.map((p) => p.id),
    ).slice(0, R() < 0.7 ? 1 : 2);
    pieces.push({
      id: `c${pieces.length}`,
      name,
      width: inch(w),
      height: inch(h),
      quantity,
      papers: wanted,
      side: pick(R, ['A', 'A', 'any', 'B'] as const),
      direction,
    });
  };
  for (const [w, h] of [
    pick(R, [
      [64, 96],
      [96, 64],
      [56, 80],
    ] as const),
    pick(R, [
      [48, 64],
      [56, 40],
    ] as const),
  ]) {
    add('mat', w + 4, h + 4, 1);
    add('second mat', w + 10, h + 10, 1);
  }
  add('panel', 96 + 2 * upTo(R, 30), 60 + 2 * upTo(R, 30), 1, 'height');
  const cell = 20 + 2 * upTo(R, 14);
  add('squares', cell, cell, 9, pick(R, ['any', 'height'] as const));
  add('strips', 8 + 2 * upTo(R, 12), 192, 3, pick(R, ['any', 'width'] as const));
  add('banners', 16 + 2 * upTo(R, 8), 48 + 2 * upTo(R, 24), 7, 'height');
  add('tags', 32, 56 + 2 * upTo(R, 8), 3);
  return { ...heading(`normal #${seed}`, seconds), papers, stock, pieces };
}

/** The same page for n people: few kinds, many copies. */
export function kitJob(n: number, seconds = 10): JobDocument {
  const piece = (id: string, width: string, height: string, quantity: number) => ({
    id,
    width,
    height,
    quantity: quantity * n,
    papers: ['p'],
    side: 'A' as const,
  });
  return {
    ...heading(`kit x${n}`, seconds),
    papers: [{ id: 'p', name: 'Class paper' }],
    stock: [{ id: 'sheet', paper: 'p', width: '12', height: '12', quantity: 12 * n, kind: 'sheet' }],
    pieces: [
      piece('mat', '4 1/4', '6 1/4', 3),
      piece('square', '1 7/8', '1 7/8', 14),
      piece('strip', '3/4', '11 1/2', 4),
      piece('banner', '1 3/8', '4 1/2', 5),
      piece('panel', '7 1/2', '5 1/8', 1),
    ],
  };
}

/** The ten classic classes (Berkey & Wang 1987: 1–6; Martello & Vigo 1998: 7–10), in mm, no turning. */
export function classicJob(cls: number, n: number, seed: number, seconds = 1): JobDocument {
  const R = seededRandom(seed * 7919 + cls * 104729 + n * 31);
  const U = (a: number, b: number) => a + upTo(R, b - a + 1);
  const items: [number, number][] = [];
  let side = 100;
  if (cls <= 6) {
    const [top, bin] = (
      [
        [10, 10],
        [10, 30],
        [35, 40],
        [35, 100],
        [100, 100],
        [100, 300],
      ] as const
    )[cls - 1]!;
    side = bin;
    for (let i = 0; i < n; i++) items.push([U(1, top), U(1, top)]);
  } else {
    for (let i = 0; i < n; i++) {
      let t = cls - 6;
      if (R() >= 0.7)
        t = pick(
          R,
          [1, 2, 3, 4].filter((x) => x !== t),
        );
      items.push(
        t === 1
          ? [U(67, 100), U(1, 50)]
          : t === 2
            ? [U(1, 50), U(67, 100)]
            : t === 3
              ? [U(50, 100), U(50, 100)]
              : [U(1, 50), U(1, 50)],
      );
    }
  }
  return {
    format: 'temnex-job',
    version: 1,
    name: `class ${cls} n ${n} #${seed}`,
    unit: 'mm',
    cutter: { step: null, kerf: 0 },
    plan: { aim: 'least-paper', seconds, seed: 1, keep: { shorter: 1, longer: 1 } },
    papers: [{ id: 'p', sides: [{ side: 'A', direction: 'two-way' }] }],
    stock: [{ id: 's', paper: 'p', width: side, height: side, quantity: n, kind: 'sheet' }],
    pieces: items.map(([w, h], i) => ({
      id: `c${i}`,
      width: w,
      height: h,
      papers: ['p'],
      side: 'A',
      direction: 'height',
    })),
  };
}

/** Anything that version 1 allows: scraps, sides, directions, margins, kerf, reach, narrow strips, short stock, openings, pinned pieces. */
export function mixedJob(seed: number): JobDocument {
  const R = seededRandom(seed * 31337 + 11);
  const mm = R() < 0.25;
  const size = (low: number, span: number) => (mm ? (low + upTo(R, span)) * 2 : inch(low + upTo(R, span)));
  const directions = ['none', 'two-way', 'one-way'] as const;
  const along = ['width', 'height'] as const;
  const papers = Array.from({ length: 1 + upTo(R, 3) }, (_, i) => ({
    id: `p${i}`,
    sides: (R() < 0.5 ? (['A', 'B'] as const) : (['A'] as const)).map((side) => ({
      side,
      direction: pick(R, directions),
      along: pick(R, along),
    })),
  }));
  const margin = () => (R() < 0.2 ? (mm ? 5 : '1/2') : 0);
  const stock = Array.from({ length: 1 + upTo(R, 12) }, (_, i) => {
    const fresh = i === 0 || R() < 0.2;
    return {
      id: `s${i}`,
      paper: pick(R, papers).id,
      width: fresh ? (mm ? 305 : '12') : size(24, 130),
      height: fresh ? (mm ? 305 : '12') : size(24, 130),
      quantity: fresh ? 1 + upTo(R, 3) : 1,
      kind: fresh ? pick(R, ['sheet', 'pad'] as const) : pick(R, ['scrap', 'strip'] as const),
      turned: pick(R, [0, 0, 90, 180, 270] as const),
      reserved: R() < 0.05,
      trim: { left: margin(), right: margin(), top: margin(), bottom: margin() },
    };
  });
  const of = (n: number) => (mm ? n * 2 : inch(n));
  const pieces = Array.from({ length: 1 + upTo(R, 10) }, (_, i): JobDocument['pieces'][number] => {
    const [w, h] = [(R() < 0.1 ? 2 : 12) + upTo(R, 70), 12 + upTo(R, 90)];
    const hollow = w >= 28 && h >= 28 && R() < 0.3;
    const edge = 2 + upTo(R, 6);
    return {
      id: `c${i}`,
      width: R() < 0.1 && !hollow ? (mm ? 33.3 : '1.7') : of(w),
      height: of(h),
      quantity: 1 + upTo(R, 4),
      papers: shuffle(
        R,
        papers.map((p) => p.id),
      ).slice(0, 1 + upTo(R, papers.length)),
      side: pick(R, ['A', 'any', 'any', 'B'] as const),
      direction: pick(R, ['any', 'any', 'width', 'height'] as const),
      priority: pick(R, [1, 1, 1, 2, 5]),
      ...(hollow
        ? { opening: { x: of(edge), y: of(edge + 1), width: of(w - 2 * edge - 1), height: of(h - 2 * edge - 2) } }
        : {}),
      ...(R() < 0.1 ? { from: { stock: pick(R, stock).id, x: of(upTo(R, 110)), y: of(upTo(R, 110)) } } : {}),
    };
  });
  return {
    format: 'temnex-job',
    version: 1,
    name: `mixed #${seed}`,
    unit: mm ? 'mm' : 'in',
    cutter: {
      step: pick(R, [null, mm ? 1 : '1/16', mm ? 0.5 : '1/32']),
      reach: R() < 0.15 ? (mm ? 230 : '9') : null,
      narrowest: R() < 0.5 ? (mm ? 6 : '1/4') : 0,
      kerf: R() < 0.3 ? (mm ? 0.4 : 0.02) : 0,
      stack: pick(R, [1, 1, 2, 3]),
    },
    plan: { aim: pick(R, ['least-paper', 'easiest-cuts', 'largest-offcuts'] as const), seconds: 1, nodes: 60, seed },
    papers,
    stock,
    pieces,
  };
}

/** What version 2 adds, on top of a mixed job: odd scraps, lines that stay whole, a second cutter, one that does not cut as set, stop cuts. */
export function mixedJob2(seed: number): JobDocument {
  const R = seededRandom(seed * 52361 + 5);
  const job = mixedJob(seed);
  const mm = job.unit === 'mm';
  const of = (n: number) => (mm ? n * 2 : inch(n));
  const some = (chance: number) => R() < chance;
  return {
    ...job,
    version: 2,
    name: `mixed 2 #${seed}`,
    cutter: {
      ...job.cutter,
      ...(some(0.3) ? { long: mm ? 0.5 : '1/32' } : {}),
      ...(some(0.5) ? { stop: true } : {}),
      ...(some(0.4) ? { then: [{ name: 'knife', stack: 1 }] } : {}),
    },
    stock: job.stock.map((s) => {
      if (s.kind === 'scrap' && some(0.6)) {
        const [w, h] = [60 + upTo(R, 90), 60 + upTo(R, 90)];
        const [x, y] = [20 + upTo(R, w - 40), 20 + upTo(R, h - 40)];
        const notch = [
          [0, 0],
          [w, 0],
          [w, y],
          [x, y],
          [x, h],
          [0, h],
        ] as const;
        const torn = [
          [3, 0],
          [w - 4, 6],
          [w, h - 9],
          [x, h],
          [0, h - 5],
        ] as const;
        const outline = (some(0.5) ? notch : torn).map(([px, py]): [number | string, number | string] => [
          of(px),
          of(py),
        ]);
        const { width: _w, height: _h, trim: _t, ...rest } = s;
        return { ...rest, outline };
      }
      if (!some(0.2)) return s;
      const at = (): [number | string, number | string] => [of(upTo(R, 80)), of(upTo(R, 80))];
      return { ...s, uncut: [[at(), at()]] as [[ReturnType<typeof at>, ReturnType<typeof at>]] };
    }),
  };
}

/**
 * All that version 2 allows at once: what `mixedJob2` has, and lines that run level or upright, across margins and on odd scraps
 * with margins; cutters that cut longer or shorter than narrow pieces are wide, that reach less, or that can hold less; pieces
 * from exactly there on odd scraps and over lines; joins, smaller tucks, and finishing by hand.
 */
export function everyJob2(seed: number): JobDocument {
  const R = seededRandom(seed * 77951 + 29);
  const job = mixedJob2(seed + 500_000);
  const mm = job.unit === 'mm';
  const of = (n: number) => (mm ? n * 2 : inch(n));
  const some = (chance: number) => R() < chance;
  const spot = (n = 90): [number | string, number | string] => [of(upTo(R, n)), of(upTo(R, n))];
  const line = () => {
    const [a, b] = [spot(), spot()];
    return (some(0.3) ? [a, [b[0], a[1]]] : some(0.4) ? [a, [a[0], b[1]]] : [a, b]) as [typeof a, typeof b];
  };
  const margin = () => (some(0.3) ? of(1 + upTo(R, 11)) : 0);
  const plenty = some(0.6);
  const step = pick(R, [null, mm ? 1 : '1/16', mm ? 0.5 : '1/64', mm ? 1 : '1/8']);
  const cutter = (name: string) => ({
    ...(name ? { name } : {}),
    step: some(0.7) ? step : null,
    reach: some(0.25) ? of(pick(R, [60, 100, 144, 200])) : null,
    narrowest: some(0.5) ? of(1 + upTo(R, 8)) : 0,
    stack: 1 + upTo(R, 2),
    ...(some(0.5) ? { long: mm ? pick(R, [0.5, 3, -1]) : pick(R, ['1/32', '1/8', '-1/16']) } : {}),
  });
  return {
    ...job,
    name: `every 2 #${seed}`,
    cutter: {
      ...job.cutter,
      ...cutter(''),
      kerf: pick(R, [0, 0, mm ? 0.4 : '1/64', mm ? 1 : 0.02]),
      ...(some(0.4) ? { then: some(0.5) ? [cutter('second'), cutter('knife')] : [cutter('knife')] } : {}),
    },
    stock: job.stock.map((s) => ({
      ...s,
      ...(plenty && !s.outline ? { quantity: 4, reserved: false } : {}),
      ...(some(0.3) ? { trim: { left: margin(), right: margin(), top: margin(), bottom: margin() } } : {}),
      ...(some(0.4) ? { uncut: Array.from({ length: 1 + upTo(R, 2) }, line) } : {}),
    })),
    pieces: job.pieces.map((p) => ({
      ...p,
      ...(some(0.1) && !p.opening ? { width: of(1 + upTo(R, 6)) } : {}),
      ...(some(0.2) ? { from: { stock: pick(R, job.stock).id, x: spot(60)[0], y: spot(60)[1] } } : {}),
      ...(some(0.15) && !p.opening
        ? { join: { along: 'height' as const, from: of(1), to: of(3), overlap: of(2) } }
        : {}),
      ...(some(0.15) ? { finish: [{ do: 'slit' as const, from: [of(0), of(1)], to: [of(1), of(1)] }] } : {}),
    })) as JobDocument['pieces'],
  };
}

/** A tiny job, of at most six pieces and three stock items, for which every plan can be tried. */
export function tinyJob(seed: number): JobDocument {
  const R = seededRandom(seed * 104651 + 3);
  const size = () => inch((2 + upTo(R, 14)) * 8);
  const turns = R() < 0.5;
  return {
    ...heading(`tiny #${seed}`, 1),
    cutter: { step: null },
    papers: [{ id: 'p', sides: [{ side: 'A', direction: turns ? 'none' : 'two-way' }] }],
    stock: [
      { id: 'scrap', paper: 'p', width: size(), height: size(), kind: 'scrap' },
      ...(R() < 0.5
        ? [{ id: 'strip', paper: 'p', width: inch(16 + upTo(R, 40)), height: '12', kind: 'strip' as const }]
        : []),
      { id: 'sheet', paper: 'p', width: '12', height: '12', quantity: 1 },
    ],
    pieces: Array.from({ length: 2 + upTo(R, 5) }, (_, i) => ({
      id: `c${i}`,
      width: size(),
      height: size(),
      papers: ['p'],
      direction: turns ? ('any' as const) : ('height' as const),
    })),
  };
}

/** Pages of a few mats each, from papers that they share and a drawer of sheets and scraps. */
export function pagesOf(
  seed: number,
  { pages = 4, pieces = 4, papers = 3, scraps = 12, sheets = 6 }: Partial<Record<'pages' | 'pieces' | 'papers' | 'scraps' | 'sheets', number>> = {}, // prettier-ignore
): JobDocument[] {
  const R = seededRandom(seed);
  const names = Array.from({ length: papers }, (_, i) => `p${i}`);
  const stock = [
    ...names.map((paper) => ({ id: `sheet ${paper}`, paper, width: '12', height: '12', quantity: sheets, kind: 'sheet' as const })),
    ...Array.from({ length: scraps }, (_, i) => ({
      id: `scrap ${i}`, paper: names[upTo(R, papers)]!, kind: 'scrap' as const, quantity: 1,
      width: inch(2 * (16 + upTo(R, 60))), height: inch(2 * (16 + upTo(R, 60))),
    })),
  ]; // prettier-ignore
  return Array.from({ length: pages }, (_, at): JobDocument => ({
    format: 'temnex-job',
    version: 2,
    name: `page ${at}`,
    unit: 'in',
    cutter: { step: at % 2 ? '1/8' : '1/16', narrowest: '1/4' },
    plan: { aim: 'least-paper', seconds: 0.3, keep: { shorter: '1', longer: '3' } },
    papers: names.map((id) => ({ id })),
    stock,
    pieces: Array.from({ length: pieces }, (_, i) => ({
      id: `item/${i}`,
      name: `mat ${i + 1}`,
      papers: [names[upTo(R, papers)]!],
      width: inch(2 * (16 + upTo(R, 50))),
      height: inch(2 * (16 + upTo(R, 50))),
      quantity: 1 + upTo(R, 2),
    })),
  }));
}
