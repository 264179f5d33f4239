import type { Job, JobStock } from './job.ts';
import { waysOf, type Way } from './turning.ts';

export const UPRIGHT = 1;
export const FLAT = 2;

/** A job as flat arrays for the search. Index domains: k a kind of piece, s a kind of stock, ks = k * stockCount + s. */
export interface Compiled {
  readonly job: Job;
  readonly pieceCount: number;
  readonly stockCount: number;
  /** The stock that may be cut: not held back, and some piece fits on it. */
  readonly stock: readonly JobStock[];
  /** [k] ticks */
  readonly width: Int32Array;
  readonly height: Int32Array;
  readonly quantity: Int32Array;
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
  /** [s] whole area, margins included */
  readonly stockArea: Float64Array;
  /** [s] 1 where reach or the narrowest strip can forbid a cut, so that layouts have to be checked */
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

export function compile(job: Job): Compiled {
  const K = job.pieces.length;
  const { reach, narrowest, kerf } = job.cutter;
  const step = job.cutter.step ?? 1;
  const room = (s: JobStock) => ({ w: s.width - s.trim.left - s.trim.right, h: s.height - s.trim.top - s.trim.bottom });
  const fitting = (stock: JobStock) => {
    const { w, h } = room(stock);
    return job.pieces.map((piece) => {
      if (!piece.papers.includes(stock.paper.id)) return { bits: 0, upright: null, flat: null };
      const { upright, flat } = waysOf(piece, stock);
      const fits = (pw: number, ph: number) => pw <= w && ph <= h;
      const bits =
        (upright && fits(piece.width, piece.height) ? UPRIGHT : 0) |
        (flat && fits(piece.height, piece.width) ? FLAT : 0);
      // a square piece looks the same both ways: one is enough
      return { bits: piece.width === piece.height && bits === 3 ? UPRIGHT : bits, upright, flat };
    });
  };
  const usable = job.stock
    .filter((s) => !s.reserved)
    .map((s) => ({ s, fits: fitting(s) }))
    .filter(({ fits }) => fits.some((f) => f.bits));
  const S = usable.length;
  const ways = new Uint8Array(K * S);
  const place = new Uint8Array(K * S);
  usable.forEach(({ s, fits }, si) =>
    fits.forEach((f, k) => {
      ways[k * S + si] = f.bits;
      place[k * S + si] = Math.max(0, job.pieces[k]!.papers.indexOf(s.paper.id));
    }),
  );
  const priorities = [...new Set(job.pieces.map((p) => p.priority))].sort((a, b) => a - b);
  const thinnest = Math.min(...job.pieces.map((p) => Math.min(p.width, p.height)));
  return {
    job,
    pieceCount: K,
    stockCount: S,
    stock: usable.map(({ s }) => s),
    width: Int32Array.from(job.pieces, (p) => p.width),
    height: Int32Array.from(job.pieces, (p) => p.height),
    quantity: Int32Array.from(job.pieces, (p) => p.quantity),
    urgency: Int32Array.from(job.pieces, (p) => priorities.indexOf(p.priority)),
    urgencyLevels: priorities.length,
    area: Float64Array.from(job.pieces, (p) => p.width * p.height),
    roomWidth: Int32Array.from(usable, ({ s }) => room(s).w),
    roomHeight: Int32Array.from(usable, ({ s }) => room(s).h),
    copies: Int32Array.from(usable, ({ s }) => s.quantity),
    isNew: Uint8Array.from(usable, ({ s }) => (s.kind === 'sheet' || s.kind === 'pad' ? 1 : 0)),
    stockArea: Float64Array.from(usable, ({ s }) => s.width * s.height),
    delicate: Uint8Array.from(usable, ({ s }) =>
      thinnest < narrowest || reach < Math.max(room(s).w, room(s).h) ? 1 : 0,
    ),
    ways,
    place,
    wayAt: (k, s, flat) => (flat ? usable[s]!.fits[k]!.flat! : usable[s]!.fits[k]!.upright!),
    kerf,
    step,
    aligned: kerf % step === 0 && job.pieces.every((p) => p.width % step === 0 && p.height % step === 0),
    thinnest,
  };
}
