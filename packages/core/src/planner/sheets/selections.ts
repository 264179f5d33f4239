import type { Way } from '../blanks/turning.ts';

/** The pieces of one kind, and how they may lie. */
export interface KindOnSheet {
  readonly k: number;
  readonly count: number;
  readonly laid: readonly { readonly width: number; readonly height: number; readonly way: Way }[];
}

/** Selections of pieces that are told apart, and lengths that one fills: beyond it, too many to try. */
const MAX_SELECTIONS = 2500;
const MAX_LENGTHS = 500;
/** Selections between two looks at whether it is over. */
const BETWEEN_LOOKS = 16;

/**
 * Every selection of the pieces on a sheet, as a number: each kind is a digit, which says how many of it there are. 0 is none of
 * them, `whole` is all.
 */
export class Selections {
  readonly whole: number;
  /** Too many to be tried: then nothing else is known of them. */
  readonly isTooMuch: boolean;
  /** [selection] area of its pieces, in square ticks. */
  readonly areas: Float64Array;
  /** By cut: [selection] lengths that some of its pieces fill, end to end, in ticks. */
  readonly filled: Readonly<Record<'x' | 'y', readonly ReadonlySet<number>[]>>;
  private readonly kinds: readonly KindOnSheet[];
  /** [kind] what a copy of it adds to the number of a selection */
  private readonly place: readonly number[];
  private readonly within: (readonly number[])[] = [];

  /** `longest`: no length beyond it is of interest, in ticks. Too much where it is `over` before all is known. */
  constructor(kinds: readonly KindOnSheet[], longest: number, over: () => boolean, most = MAX_SELECTIONS) {
    this.kinds = kinds;
    const place: number[] = [];
    let all = 1;
    for (const { count } of kinds) {
      place.push(all);
      all *= count + 1;
    }
    this.place = place;
    this.whole = all - 1;
    const areas = new Float64Array(all > most ? 0 : all);
    const filled: Record<'x' | 'y', Set<number>[]> = { x: [new Set([0])], y: [new Set([0])] };
    this.areas = areas;
    this.filled = filled;
    let isTooMuch = all > most;
    for (let selection = 1; selection < all && !isTooMuch; selection++) {
      const kind = kinds.findLastIndex((_, i) => this.countOf(selection, i) > 0);
      const { laid } = kinds[kind]!;
      const before = selection - place[kind]!;
      areas[selection] = areas[before]! + laid[0]!.width * laid[0]!.height;
      for (const [cut, side] of [
        ['x', 'width'],
        ['y', 'height'],
      ] as const) {
        const shorter = filled[cut][before]!;
        const longer = new Set(shorter);
        for (const length of shorter)
          for (const way of laid) if (length + way[side] <= longest) longer.add(length + way[side]);
        filled[cut].push(longer);
        if (longer.size > MAX_LENGTHS) isTooMuch = true;
      }
      if (selection % BETWEEN_LOOKS === 0 && over()) isTooMuch = true;
    }
    this.isTooMuch = isTooMuch;
  }

  /** Every selection of the pieces of a selection, itself and none included. */
  of(selection: number): readonly number[] {
    return (this.within[selection] ??= this.kinds.reduce<number[]>(
      (found, _, kind) =>
        found.flatMap((s) =>
          Array.from({ length: this.countOf(selection, kind) + 1 }, (__, n) => s + n * this.place[kind]!),
        ),
      [0],
    ));
  }

  /** The piece that is all of a selection and as large as a room; null where it is more than one, or of another size. */
  pieceThatFills(width: number, height: number, selection: number): { readonly k: number; readonly way: Way } | null {
    const kind = this.place.indexOf(selection);
    if (kind < 0) return null;
    const { k, laid } = this.kinds[kind]!;
    const lies = laid.find((way) => way.width === width && way.height === height);
    return lies ? { k, way: lies.way } : null;
  }

  private countOf(selection: number, kind: number): number {
    return Math.floor(selection / this.place[kind]!) % (this.kinds[kind]!.count + 1);
  }
}
