import { areaOf, extentOf, isAlikeRing, turnRing, type Corner, type Ring } from './outline.ts';
import { liftOver, rimOf, type Rim } from './envelope.ts';

/*
 * Rows of one outline, one above the other:
 *
 *      ◇ ◇ ◇ ◇      a row: one or two outlines, the second upside down, repeated at a pitch
 *     ◇ ◇ ◇ ◇       every other row moved over by `over`, or each by as much again (`slants`), and then as near as it goes
 *      ◇ ◇ ◇ ◇
 */

/** What is laid: one outline, turned. */
export interface Member {
  readonly ring: Ring;
  readonly degrees: number;
  /** From the beginning of its row. */
  readonly across: number;
}

export interface Rows {
  readonly members: readonly Member[];
  /** From one repeat of the members to the next along the row. */
  readonly pitch: number;
  /** How far the next row is moved over, and how far above it begins. */
  readonly over: number;
  readonly rise: number;
  readonly slants: boolean;
  readonly height: number;
}

/** How it may lie on its paper: any way, or only as it is, or also upside down. */
export type Turning = 'any' | 'half' | 'none';

/** How far one row is moved over, in shares of the pitch, beside what fits a paper. */
const SHARES = 24;

interface Variant {
  readonly ring: Ring;
  readonly degrees: number;
  readonly upper: Rim;
  readonly lower: Rim;
  readonly left: Rim;
  readonly right: Rim;
}
const aside = (ring: Ring): Ring => ring.map(([x, y]): Corner => [y, x]);
const variantOf = (ring: Ring, degrees: number): Variant => ({
  ring,
  degrees,
  upper: rimOf(ring, true),
  lower: rimOf(ring, false),
  left: rimOf(aside(ring), false),
  right: rimOf(aside(ring), true),
});

/** The outline turned each way that makes a difference: by 15° on, first as it is. */
export function turnRingEachWay(ring: Ring, turning: Turning): { readonly ring: Ring; readonly degrees: number }[] {
  const step = turning === 'any' ? 15 : 180;
  const found: { ring: Ring; degrees: number }[] = [];
  const { width, height } = extentOf(turnRing(ring, 0));
  for (let degrees = 0; degrees < (turning === 'none' ? 1 : 360); degrees += step) {
    const turned = turnRing(ring, degrees);
    if (!found.some((f) => isAlikeRing(f.ring, turned, (width + height) * 1e-6))) found.push({ ring: turned, degrees });
  }
  // upright ones first: of equals the first is taken
  const plain = (degrees: number) => (degrees % 90 === 0 ? 0 : degrees % 30 === 0 ? 1 : 2);
  return found.sort((a, b) => plain(a.degrees) - plain(b.degrees) || a.degrees - b.degrees);
}

/** One kind of row, before it is said how rows lie over one another. */
export interface RowKind {
  readonly members: readonly Variant[];
  readonly across: readonly number[];
  readonly pitch: number;
  readonly height: number;
}

/** The rows that an outline can be laid in: all one way, or one up and one down, each way that it can be turned. */
export function listRowKinds(ring: Ring, turning: Turning, apart: number): RowKind[] {
  const variants = turnRingEachWay(ring, turning).map((v) => variantOf(v.ring, v.degrees));
  const within = (variants[0]!.upper.x.at(-1)! + variants[0]!.right.x.at(-1)!) * 1e-6;
  return variants.flatMap((v, i): RowKind[] => {
    const { height } = extentOf(v.ring);
    const alone = { members: [v], across: [0], pitch: beside(v, v, apart), height };
    const down = turnRing(v.ring, 180);
    const opposite = variants.findIndex((o) => isAlikeRing(o.ring, down, within));
    // one that looks the same upside down has no other
    if (opposite <= i) return [alone];
    const other = variants[opposite]!;
    const [first, second] = [beside(v, other, apart), beside(other, v, apart)];
    return [alone, { members: [v, other], across: [0, first], pitch: first + second, height }];
  });
}

/** How far to the right of `a` the same row's `b` must begin. */
const beside = (a: Variant, b: Variant, apart: number): number => widened(a.right, b.left, 0, apart);

/** As far as it takes at a shift, and at any shift nearer than `apart`, and then by so much more. */
function widened(upper: Rim, lower: Rim, across: number, apart: number): number {
  if (apart <= 0) return liftOver(upper, lower, across);
  let most = -Infinity;
  for (let k = -4; k <= 4; k++) most = Math.max(most, liftOver(upper, lower, across + (k * apart) / 4));
  return most + apart;
}

/** Rows of a kind, each moved over by so much; as near as they go. Null where they cannot. */
export function buildRows(kind: RowKind, over: number, slants: boolean, apart: number): Rows | null {
  const { members, across, pitch, height } = kind;
  if (!(pitch > 0)) return null;
  /** How far above a row another must begin that is moved over by so much. */
  const riseAt = (by: number): number => {
    let most = 0;
    members.forEach((below, i) =>
      members.forEach((above, j) => {
        const start = by + across[j]! - across[i]!;
        const reach = Math.ceil((extentOf(below.ring).width + extentOf(above.ring).width) / pitch) + 1;
        const first = Math.round(-start / pitch);
        for (let k = first - reach; k <= first + reach; k++)
          most = Math.max(most, widened(below.upper, above.lower, start + k * pitch, apart));
      }),
    );
    return most;
  };
  // where they are not moved over further and further, the next one is moved back
  let rise = slants ? riseAt(over) : Math.max(riseAt(over), riseAt(-over));
  // rows further on lie over this one too
  for (let r = 2; r * rise < height + apart; r++) {
    if (r > 12) return null;
    const by = slants ? [(over * r) % pitch] : r % 2 ? [over, -over] : [0];
    rise = Math.max(rise, ...by.map((one) => riseAt(one) / r));
  }
  if (!(rise > 0)) return null;
  return {
    members: members.map((m, i) => ({ ring: m.ring, degrees: m.degrees, across: across[i]! })),
    pitch,
    over,
    rise,
    slants,
    height,
  };
}

const both = (kind: RowKind, over: number, apart: number): Rows[] =>
  (over === 0 ? [false] : [false, true]).flatMap((slants) => buildRows(kind, over, slants, apart) ?? []);

/** The ways that are tried whatever the paper: straight, and moved over by shares of the pitch. */
export function listPlainRows(kind: RowKind, apart: number): Rows[] {
  const { pitch } = kind;
  const shares = Array.from({ length: SHARES - 1 }, (_, i) => ((i + 1) * pitch) / SHARES);
  return [0, pitch / 2, ...shares.filter((over) => over !== pitch / 2)].flatMap((over) => both(kind, over, apart));
}

/** Moved over by what a paper of this width has left: as far as goes without losing one. */
export function listLeftoverRows(kind: RowKind, width: number, apart: number): Rows[] {
  const reach = Math.max(...kind.members.map((m, i) => kind.across[i]! + extentOf(m.ring).width));
  const left = (width - reach) % kind.pitch;
  return left > 0 ? both(kind, left, apart) : [];
}

/** How much of the paper is shape where there is no edge: between 0 and 1. */
export const densityOf = ({ members, pitch, rise }: Rows): number =>
  members.reduce((sum, m) => sum + areaOf(m.ring), 0) / (pitch * rise);
