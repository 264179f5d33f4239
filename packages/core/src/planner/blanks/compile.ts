import type { Frame } from './frames.ts';
import { usable as usableRoom } from './frames.ts';
import type { Job, JobStock, Rectangle } from '../documents/job.ts';
import { areaOf } from './outline.ts';
import { isNewPaper, urgencies } from '../sheets/standing.ts';
import { waysByKind, type Way } from './turning.ts';

export const UPRIGHT = 1;
export const FLAT = 2;

/** A rectangle that the search may cut from: the usable part of a stock item, or a room of a frame. */
export interface Blank extends Rectangle {
  /** Index into the job's stock. */
  readonly stock: number;
  readonly item: JobStock;
  /** Index into the frames; −1 where it is the item itself. */
  readonly frame: number;
  readonly room: number;
}

/** A job as flat arrays for the search. Index domains: k a kind of piece, s a kind of blank, ks = k * stockCount + s. */
export interface Compiled {
  readonly job: Job;
  readonly frames: readonly Frame[];
  readonly pieceCount: number;
  readonly stockCount: number;
  /** The blanks that may be cut: not held back, and some piece fits on them. */
  readonly blanks: readonly Blank[];
  /** [k] copies that the search is not asked for and that are missing whatever it finds */
  readonly unplaced: readonly number[];
  /** [k] ticks */
  readonly width: Int32Array;
  readonly height: Int32Array;
  readonly quantity: Int32Array;
  /** Copies of all kinds together. */
  readonly pieces: number;
  /** [k] rank of its priority: 0 for the lowest */
  readonly urgency: Int32Array;
  readonly urgencyLevels: number;
  /** [k] area in square ticks */
  readonly area: Float64Array;
  /** [s] usable room in ticks, margins taken off */
  readonly roomWidth: Int32Array;
  readonly roomHeight: Int32Array;
  readonly copies: Int32Array;
  /** [s] 1 for sheets and pads: using one opens new paper */
  readonly isNew: Uint8Array;
  /** [s] whole area, margins included; of a room, the room's */
  readonly stockArea: Float64Array;
  /** [s] 1 where reach, the narrowest strip, the dial, or sizes between marks can forbid a cut, so that layouts have to be checked */
  readonly delicate: Uint8Array;
  /** [ks] UPRIGHT | FLAT bits of the ways that are allowed and fit */
  readonly ways: Uint8Array;
  /** [ks] place of the stock's paper in the piece's list */
  readonly place: Uint8Array;
  readonly wayAt: (k: number, s: number, flat: boolean) => Way;
  readonly kerf: number;
  /** The cutter's mark in ticks, 1 where any setting will do. */
  readonly step: number;
  /** Whether every piece and the kerf are on the mark, so that sums of them are too. */
  readonly aligned: boolean;
  /** The narrowest dimension of any piece: what is left thinner than this serves no other piece. */
  readonly thinnest: number;
}

/** What is settled before the search: frames, what cannot have its place, and (for a part of a job) how many copies. */
export interface Settled {
  readonly frames?: readonly Frame[];
  readonly unplaced?: readonly number[];
  /** [k] copies that the search is asked for; left out: all that are not pinned */
  readonly wanted?: readonly number[];
}

const NO_WAY = { bits: 0, upright: null, flat: null };

export function compile(job: Job, { frames = [], unplaced = [], wanted }: Settled = {}): Compiled {
  const K = job.pieces.length;
  const { kerf } = job.cutter;
  const cutters = [job.cutter, ...job.cutter.then];
  const reach = Math.max(...cutters.map((c) => c.reach));
  const narrowest = Math.min(...cutters.map((c) => c.narrowest));
  const longest = Math.max(...cutters.map((c) => c.long));
  const step = job.cutter.step ?? 1;
  const quantity = wanted ?? job.pieces.map((p) => (p.from ? 0 : p.quantity));
  const framed = new Map<number, number>();
  for (const f of frames) framed.set(f.stock, (framed.get(f.stock) ?? 0) + 1);
  const all = job.stock.flatMap((item, stock): { blank: Blank; copies: number }[] => {
    // an odd scrap, or one with lines to spare, is cut by its frame or not at all
    const copies = item.outline || item.uncut.length ? 0 : item.quantity - (framed.get(stock) ?? 0);
    if (item.reserved || copies <= 0) return [];
    return [{ blank: { ...usableRoom(item), stock, item, frame: -1, room: 0 }, copies }];
  });
  const size = (r: Rectangle) => r.width * r.height;
  frames.forEach((f, frame) => {
    const item = job.stock[f.stock]!;
    // new paper that nothing is pinned to is opened for its largest room: the others are offcuts
    const opens = isNewPaper(item) && !f.opens;
    const largest = f.rooms.reduce((most, r) => Math.max(most, size(r)), 0);
    const rooms = f.rooms.map((r, room) => ({ r, room })).filter(({ r }) => !opens || size(r) === largest);
    for (const { r, room } of opens ? rooms.slice(0, 1) : rooms)
      if (!item.reserved) all.push({ blank: { ...r, stock: f.stock, item, frame, room }, copies: 1 });
  });
  const waysFor = waysByKind();
  const fitting = ({ width: w, height: h, item }: Blank) =>
    job.pieces.map((piece, k): { bits: number; upright: Way | null; flat: Way | null } => {
      if (!quantity[k] || !piece.papers.includes(item.paper.id)) return NO_WAY;
      const { upright, flat } = waysFor(piece, item);
      const fits = (pw: number, ph: number) => pw <= w && ph <= h;
      const bits =
        (upright && fits(piece.width, piece.height) ? UPRIGHT : 0) |
        (flat && fits(piece.height, piece.width) ? FLAT : 0);
      if (!bits) return NO_WAY;
      // a square piece looks the same both ways: one is enough
      return { bits: piece.width === piece.height && bits === 3 ? UPRIGHT : bits, upright, flat };
    });
  const usable = all
    .map((entry) => ({ ...entry, fits: fitting(entry.blank) }))
    .filter(({ fits }) => fits.some((f) => f.bits));
  const S = usable.length;
  const ways = new Uint8Array(K * S);
  const place = new Uint8Array(K * S);
  usable.forEach(({ blank, fits }, si) =>
    fits.forEach((f, k) => {
      ways[k * S + si] = f.bits;
      place[k * S + si] = Math.max(0, job.pieces[k]!.papers.indexOf(blank.item.paper.id));
    }),
  );
  const urgency = urgencies(job);
  const asked = job.pieces.filter((_, k) => quantity[k]);
  const thinnest = Math.min(Infinity, ...asked.map((p) => Math.min(p.width, p.height)));
  const rooms = usable.map(({ blank }) => blank);
  const onMark = (length: number) => length % step === 0;
  const aligned = onMark(kerf) && asked.every((p) => onMark(p.width) && onMark(p.height));
  const isNew = rooms.map(({ item, frame }) => isNewPaper(item) && (frame < 0 || !frames[frame]!.opens));
  return {
    job,
    frames,
    pieceCount: K,
    stockCount: S,
    blanks: rooms,
    unplaced: job.pieces.map((_, k) => unplaced[k] ?? 0),
    width: Int32Array.from(job.pieces, (p) => p.width),
    height: Int32Array.from(job.pieces, (p) => p.height),
    quantity: Int32Array.from(quantity),
    pieces: quantity.reduce((a, b) => a + b, 0),
    urgency: Int32Array.from(urgency.of),
    urgencyLevels: urgency.levels,
    area: Float64Array.from(job.pieces, (p) => p.width * p.height),
    roomWidth: Int32Array.from(rooms, (r) => r.width),
    roomHeight: Int32Array.from(rooms, (r) => r.height),
    copies: Int32Array.from(usable, ({ copies }) => copies),
    isNew: Uint8Array.from(isNew, Number),
    stockArea: Float64Array.from(rooms, (r, s) => (r.frame < 0 || isNew[s] ? areaOf(r.item) : r.width * r.height)),
    delicate: Uint8Array.from(rooms, (r) =>
      thinnest < narrowest ||
      thinnest <= longest ||
      reach < Math.max(r.width, r.height) ||
      (!aligned && !(onMark(r.width) && onMark(r.height)))
        ? 1
        : 0,
    ),
    ways,
    place,
    wayAt: (k, s, flat) => (flat ? usable[s]!.fits[k]!.flat! : usable[s]!.fits[k]!.upright!),
    kerf,
    step,
    aligned,
    thinnest,
  };
}
