import type { Frame } from './frames.ts';
import { usableRectangleOf as usableRoom } from './frames.ts';
import type { Job, JobPiece, JobStock, Rectangle } from '../documents/job.ts';
import { areaOf } from './outline.ts';
import { isNewPaper, rankUrgencies } from '../sheets/standing.ts';
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
export interface CompiledJob {
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
export interface SearchPreconditions {
  readonly frames?: readonly Frame[];
  readonly unplaced?: readonly number[];
  /** [k] copies that the search is asked for; left out: all that are not pinned */
  readonly wanted?: readonly number[];
}

/** By kind of piece: how each may be laid on a paper as it lies, whatever its size. */
interface KindsOn {
  /** [k] UPRIGHT | FLAT; 0 where the piece is not asked for or does not take the paper */
  readonly allowed: Uint8Array;
  /** [k] place of the paper in the piece's list */
  readonly place: Uint8Array;
  readonly ways: readonly { readonly upright: Way | null; readonly flat: Way | null }[];
}

/** `KindsOn` of an item, worked out once for each paper and each way that it lies. */
function kindsByPaper(job: Job, quantity: readonly number[]): (item: JobStock) => KindsOn {
  const waysFor = waysByKind();
  const known = new Map<JobStock['paper'], Map<number, KindsOn>>();
  return (item) => {
    const { paper, turned } = item;
    let lying = known.get(paper);
    if (!lying) known.set(paper, (lying = new Map()));
    let kinds = lying.get(turned);
    if (!kinds) {
      const ways = job.pieces.map((piece) => waysFor(piece, item));
      const at = job.pieces.map((piece) => piece.papers.indexOf(paper.id));
      const place = Uint8Array.from(at, (n) => Math.max(0, n));
      const allowed = Uint8Array.from(ways, ({ upright, flat }, k) =>
        quantity[k] && at[k]! >= 0 ? (upright ? UPRIGHT : 0) | (flat ? FLAT : 0) : 0,
      );
      lying.set(turned, (kinds = { allowed, place, ways }));
    }
    return kinds;
  };
}

/** Of the ways that are allowed, those in which a piece fits; of a square piece one is enough, for it looks the same both ways. */
function fitting({ width, height }: JobPiece, allowed: number, room: Rectangle): number {
  const upright = width <= room.width && height <= room.height ? UPRIGHT : 0;
  const flat = height <= room.width && width <= room.height ? FLAT : 0;
  const bits = allowed & (upright | flat);
  return width === height && bits === (UPRIGHT | FLAT) ? UPRIGHT : bits;
}

export function compileJob(job: Job, { frames = [], unplaced = [], wanted }: SearchPreconditions = {}): CompiledJob {
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
  const kindsOn = kindsByPaper(job, quantity);
  // a drawer of thousands: whether a piece fits is told in a few comparisons, and nothing is made for it
  const usable: { blank: Blank; copies: number; kinds: KindsOn; bits: Uint8Array }[] = [];
  const bits = new Uint8Array(K);
  for (const { blank, copies } of all) {
    const kinds = kindsOn(blank.item);
    let some = 0;
    for (let k = 0; k < K; k++) some |= bits[k] = fitting(job.pieces[k]!, kinds.allowed[k]!, blank);
    if (some) usable.push({ blank, copies, kinds, bits: bits.slice() });
  }
  const S = usable.length;
  const ways = new Uint8Array(K * S);
  const place = new Uint8Array(K * S);
  usable.forEach(({ kinds, bits: fits }, si) => {
    for (let k = 0; k < K; k++) {
      ways[k * S + si] = fits[k]!;
      place[k * S + si] = kinds.place[k]!;
    }
  });
  const urgency = rankUrgencies(job);
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
    wayAt: (k, s, flat) => (flat ? usable[s]!.kinds.ways[k]!.flat! : usable[s]!.kinds.ways[k]!.upright!),
    kerf,
    step,
    aligned,
    thinnest,
  };
}
