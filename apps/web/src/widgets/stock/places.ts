import type { Drawer } from '@temnex/core/stock';

const known = new WeakMap<Drawer, readonly string[]>();

/** Every place in which something is kept, each once, in the order of the alphabet. Of the same drawer it is looked for once. */
export function listPlacesIn(drawer: Drawer): readonly string[] {
  let places = known.get(drawer);
  if (!places) {
    const all = [...drawer.papers, ...drawer.stock].flatMap(({ place }) => (place === undefined ? [] : [place]));
    known.set(drawer, (places = [...new Set(all)].sort((a, b) => a.localeCompare(b, undefined, { numeric: true }))));
  }
  return places;
}
