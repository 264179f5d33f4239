import type { RecipeHand, LayoutContext } from '../recipe.ts';
import { gridOf } from './counted.ts';
import type { GridInput } from './input.ts';
import { isMeeting, listPlaces, type CellPlace } from './large.ts';
import { formatPattern } from './pattern.ts';
import { assignPapers } from './lay.ts';

/*
 * What is done to a grid by hand: pressed, a cell gets the next paper and all others stay as they are; dragged from one to another, all
 * between become one, and with them any large one that they cut into.
 */

/** The cells and the large ones, by their keys. */
function laidOut(input: GridInput, table: LayoutContext) {
  const [columns, rows] = gridOf(input, table);
  const places = listPlaces(input.large, columns, rows);
  return { columns, rows, places };
}

export const gridHand: RecipeHand<GridInput> = {
  press: (input, table, key) => {
    const { columns, rows, places } = laidOut(input, table);
    const at = places.findIndex((place) => place.key === key);
    if (at < 0) return null;
    const many = Math.max(2, input.papers);
    const now = assignPapers(input, places, rows).papers;
    const papers = now.map((paper, i) => (i === at ? (paper + 1) % many : paper));
    return { ...input, papers: many, pattern: formatPattern(places, papers, columns, rows) };
  },
  span: (input, table, from, to, id) => {
    const { places } = laidOut(input, table);
    const all = [...places, ...input.large.map((one) => ({ ...one, key: one.id }))];
    const [a, b] = [from, to].map((key) => all.find((place) => place.key === key));
    if (!a || !b) return null;
    let box = around(a, b);
    for (;;) {
      const cut = input.large.filter((one) => isMeeting(one, box)).reduce(around, box);
      if (cut.columns === box.columns && cut.rows === box.rows) break;
      box = cut;
    }
    const gone = input.large.filter((one) => isMeeting(one, box));
    if (box.columns * box.rows === 1 || gone.some((one) => one.columns === box.columns && one.rows === box.rows))
      return null;
    const large = input.large.filter((one) => !gone.includes(one));
    return { ...input, large: [...large, { id, ...box, paper: gone[0]?.paper ?? 'pattern' }] };
  },
  apart: (input, _table, key) =>
    input.large.some((one) => one.id === key) ? { ...input, large: input.large.filter((one) => one.id !== key) } : null,
};

/** The smallest place round two. */
function around(a: CellPlace, b: CellPlace): CellPlace {
  const [column, row] = [Math.min(a.column, b.column), Math.min(a.row, b.row)];
  const columns = Math.max(a.column + a.columns, b.column + b.columns) - column;
  return { column, row, columns, rows: Math.max(a.row + a.rows, b.row + b.rows) - row };
}
