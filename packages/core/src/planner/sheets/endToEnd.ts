/*
 * Nothing is shaved: in one of the two parts of a cut, pieces lie end to end from the cut to the edge opposite. Else a strip could be
 * cut off again and again until a size is reached, and one setting would do for everything.
 */

/** Pieces must lie end to end from the left edge to the right one (1), from the lower to the upper (2), both, or neither. */
export type Ends = 0 | 1 | 2 | 3;
export const END_TO_END = { x: 1, y: 2 } as const;
/** For each of what a whole must do: what its two parts may, where a cut along x or y parts it. */
export const ENDS_OF_PARTS = (['x', 'y'] as const).map((cut) =>
  ([0, 1, 2, 3] as const).map((whole): (readonly [Ends, Ends])[] => {
    const [along, across] = cut === 'x' ? [1, 2] : [2, 1];
    // across the cut both parts must; else one of them, or something would be shaved. Beside it one of them must
    const first = whole & along ? [[along, along]] : [[along, 0], [0, along]]; // prettier-ignore
    const second = whole & across ? [[across, 0], [0, across]] : [[0, 0]]; // prettier-ignore
    return first.flatMap(([a, b]) => second.map(([c, d]): [Ends, Ends] => [(a! | c!) as Ends, (b! | d!) as Ends]));
  }),
);
