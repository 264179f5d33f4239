import { ticks, TICKS_PER_UNIT } from '../../length/index.ts';
import { Filler, extentOf, turnRing, type Extent, type Place, type Ring } from '../../lattice/index.ts';
import { blockId } from '../documents/blocks.ts';
import type { Job, JobPiece, JobStock } from '../documents/job.ts';
import type { PlanBlock } from '../documents/plan.ts';

/*
 * In which blocks pieces of one shape are cut. The planner is good at rectangles: so a few ways of putting the shapes into rectangles are
 * written down, each is planned, and the best is taken (planNested.ts). All of them in one; as many as a sheet yields and the rest; scraps
 * as full as they go and then sheets; rows; or each by itself.
 */

/** Scraps that are filled one by one. */
const MAX_SCRAPS = 30;

interface Laid extends Extent {
  readonly places: readonly Place[];
}

/** A way of putting a piece into blocks: how many of each. */
type Way = ReadonlyArray<{ readonly laid: Laid; readonly quantity: number }>;

/** What is tried, the quickest to write down first, each for all pieces that may be laid so. */
export function* listBlockLayouts(job: Job, over: () => boolean): Generator<PlanBlock[]> {
  const nests = job.pieces.filter((p) => p.nest && p.shape && !p.from && p.quantity > 1);
  const ways = nests.map((piece) => ({ piece, ways: waysOf(job, piece, over) }));
  const most = Math.max(0, ...ways.map((w) => w.ways.length));
  const seen = new Set<string>();
  for (let i = 0; i < most && !over(); i++) {
    // where one has no such way, it is laid as it comes first
    const blocks = ways.flatMap(({ piece, ways: own }) => written(job, piece, own[i]?.() ?? own[0]?.() ?? []));
    const key = JSON.stringify(blocks);
    if (blocks.length && !seen.has(key)) yield blocks;
    seen.add(key);
  }
}

/** The ways of one piece, each worked out when it is asked for; null where there is no such way. */
function waysOf(job: Job, piece: JobPiece, over: () => boolean): (() => Way | null)[] {
  const { nest, quantity } = piece;
  const ring: Ring = piece.shape!.map((p) => [p.x, p.y]);
  // a pattern that is to run along it does so only as it is
  const turning = piece.direction === 'any' ? nest!.turning : 'none';
  const stock = job.stock.filter((s) => piece.papers.includes(s.paper.id) && !s.reserved && !s.outline);
  const rooms = stock.map((s) => ({ stock: s, room: roomOf(s) })).filter(({ room }) => holds(room, ring, turning));
  if (!rooms.length) return [];
  const filler = new Filler(ring, { turning, apart: nest!.apart, most: quantity, over });
  const step = job.cutter.step ?? 1;
  const up = (length: number) => Math.ceil((length - 2) / step) * step;
  /** On the mark, as far as the room goes. */
  const onMark = (laid: Laid, room: Extent): Laid => ({
    ...laid,
    width: Math.min(room.width, up(laid.width)),
    height: Math.min(room.height, up(laid.height)),
  });
  const filled = (room: Extent, how: 'rowsIn' | 'fill' = 'rowsIn'): Laid | null => {
    const { places } = filler[how](room);
    return places.length ? onMark({ ...reachOf(ring, places), places }, room) : null;
  };
  const sheets = rooms.filter(({ stock: s }) => s.kind === 'sheet' || s.kind === 'pad');
  const [largest] = [...(sheets.length ? sheets : rooms)].sort((a, b) => areaOf(b.room) - areaOf(a.room));
  const { room } = largest!;
  /** All of them in one block, else as many as a sheet yields, as often as that goes, and the rest. */
  const rest = (many: number, how: 'rowsIn' | 'fill' = 'rowsIn'): Way | null => {
    if (many <= 0) return [];
    const whole = filler.block(many, room);
    if (whole) return [{ laid: onMark(whole, room), quantity: 1 }];
    const full = filled(room, how);
    return full && repeated(full, many, (left) => rest(left, how));
  };
  const part = (of: Extent) => () => {
    const one = filled(of);
    return one && one.places.length < quantity ? repeated(one, quantity, rest) : null;
  };
  return [
    () => rest(quantity),
    () => scrapsFirst(quantity, rooms, filled, rest),
    // rows as long as the sheet, and halves of it
    part({ ...room, height: up(extentOf(turnRing(ring, 0)).height) }),
    part({ ...room, height: Math.floor(room.height / 2 / step) * step }),
    () => rest(quantity, 'fill'),
  ];
}

/** As often as it goes, and what is left otherwise. */
function repeated(laid: Laid, many: number, rest: (left: number) => Way | null): Way | null {
  const quantity = Math.floor(many / laid.places.length);
  const left = rest(many - quantity * laid.places.length);
  return left && (quantity ? [{ laid, quantity }, ...left] : left);
}

/** Scraps as full as they go, the smallest that yields most of what is left first; then the rest. */
function scrapsFirst(
  quantity: number,
  rooms: ReadonlyArray<{ stock: JobStock; room: Extent }>,
  filled: (room: Extent) => Laid | null,
  rest: (many: number) => Way | null,
): Way | null {
  let left = quantity;
  const way: { laid: Laid; quantity: number }[] = [];
  const scraps = rooms
    .filter(({ stock }) => stock.kind === 'scrap' || stock.kind === 'strip')
    .sort((a, b) => areaOf(b.room) - areaOf(a.room))
    .slice(0, MAX_SCRAPS);
  for (const { stock, room } of scraps) {
    const laid = filled(room);
    if (!laid) continue;
    const times = Math.min(stock.quantity, Math.floor(left / laid.places.length));
    if (times) way.push({ laid, quantity: times });
    left -= times * laid.places.length;
    if (!left) return way;
  }
  const last = rest(left);
  return way.length && last ? [...way, ...last] : null;
}

const roomOf = ({ width, height, trim }: JobStock): Extent => ({
  width: width - trim.left - trim.right,
  height: height - trim.top - trim.bottom,
});
const areaOf = ({ width, height }: Extent): number => width * height;
const holds = (room: Extent, ring: Ring, turning: string): boolean => {
  const one = extentOf(turnRing(ring, 0));
  const [short, long] = [Math.min(room.width, room.height), Math.max(room.width, room.height)];
  if (turning === 'any') return Math.min(one.width, one.height) <= long && short > 0;
  return one.width <= room.width + 1 && one.height <= room.height + 1;
};

function reachOf(ring: Ring, places: readonly Place[]): Extent {
  const extents = new Map<number, Extent>();
  const extent = (degrees: number): Extent => {
    const known = extents.get(degrees) ?? extentOf(turnRing(ring, degrees));
    extents.set(degrees, known);
    return known;
  };
  return {
    width: Math.max(...places.map((p) => p.x + extent(p.degrees).width)),
    height: Math.max(...places.map((p) => p.y + extent(p.degrees).height)),
  };
}

/** Blocks as a plan says them. */
const written = (job: Job, piece: JobPiece, way: Way): PlanBlock[] => {
  const per = TICKS_PER_UNIT[job.unit];
  const said = (t: number): number => Math.round(t) / per;
  return way.map(({ laid, quantity }, i) => ({
    id: blockId(piece.id, i + 1),
    of: piece.id,
    quantity,
    width: said(ticks(Math.round(laid.width))),
    height: said(ticks(Math.round(laid.height))),
    places: laid.places.map(({ x, y, degrees }): [number, number, number] => [said(x), said(y), degrees]),
  }));
};
