import { parseLength, type Ticks } from '../length/index.ts';
import { flattenContour, rect, type Edge, type Rect } from '../geometry/index.ts';
import { recipeOf } from '../recipes/index.ts';
import type { DerivedPage, Part } from './derive.ts';
import type { Page } from './document.ts';

/* How much of what must stay to be seen is covered, and by what: of a photo, of a scene, of the artwork of a paper. */

export interface Coverage {
  /** On which part it lies. */
  readonly part: Part;
  /** In ticks of the page, as it lies when straight. */
  readonly area: Rect;
  /** What share of it is hidden, 0 to 1, to about a hundredth. */
  readonly hidden: number;
  /** By which items, the most first. */
  readonly by: ReadonlyArray<{ readonly item: string; readonly share: number }>;
}

/** Points along each side of an area at which it is looked. */
const ALONG = 48;
/** Chords stray from arcs by so many ticks at the most: a twentieth of a millimetre. */
const CHORD = 48;
/** Less than this of an area is not worth a word. */
const NOTICED = 0.01;

type Spot = readonly [number, number];

/** Whether a point of the page lies on a part, however that is shaped and turned. */
function coverer(part: Part): (spot: Spot) => boolean {
  const { tilt, shape } = part;
  const rings = shape ? [shape.outline, ...shape.holes].map((ring) => flattenContour(ring, CHORD)) : null;
  const [cos, sin] = tilt
    ? [Math.cos((-tilt.degrees * Math.PI) / 180), Math.sin((-tilt.degrees * Math.PI) / 180)]
    : [1, 0];
  return ([px, py]) => {
    const [dx, dy] = tilt ? [px - tilt.about.x, py - tilt.about.y] : [0, 0];
    const [x, y] = tilt ? [tilt.about.x + dx * cos - dy * sin, tilt.about.y + dx * sin + dy * cos] : [px, py];
    if (x <= part.x || x >= part.x + part.width || y <= part.y || y >= part.y + part.height) return false;
    return rings === null || rings.filter((ring) => within(ring, x, y)).length % 2 === 1;
  };
}

/** Whether a point lies in a ring of corners, counted by how often a line from it crosses it. */
function within(ring: readonly Spot[], x: number, y: number): boolean {
  let inside = false;
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!;
    if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) inside = !inside;
  });
  return inside;
}

/** Everything that somebody has said must stay to be seen: of photos, and of layers. */
function watched(page: Page, derived: DerivedPage): { part: Part; area: Rect }[] {
  return derived.parts.flatMap((part) => {
    const said = page.items.find((i) => i.id === part.item)?.mustSee?.filter((m) => m.layer === part.key) ?? [];
    const areas = said.flatMap(({ x, y, width, height }) => {
      const read = [x, y, width, height].map((t) => parseLength(t, page.unit, { allow: 'zero' }));
      const [a, b, w, h] = read.map((r) => (r.ok ? r.value.ticks : null));
      return a === null || b === null || !w || !h ? [] : [rect(part.x + a!, part.y + b!, w, h)];
    });
    const stay = part.picture?.stay;
    return [...areas, ...(stay ? [stay] : [])].map((area) => ({ part, area }));
  });
}

/** What is hidden of all that must stay to be seen; what is all there is not told. Something on its own item counts as well. */
export function collectCoverage(page: Page, derived: DerivedPage): Coverage[] {
  const areas = watched(page, derived);
  if (!areas.length) return [];
  const order = new Map(derived.parts.map((part, i) => [part.id, i]));
  const covers = derived.parts.map((part) => ({ part, lies: coverer(part) }));
  return areas.flatMap(({ part, area }) => {
    const near = (p: Part) =>
      Boolean(p.tilt ?? part.tilt) ||
      (p.x < area.x + area.width && area.x < p.x + p.width && p.y < area.y + area.height && area.y < p.y + p.height);
    const above = covers.slice(order.get(part.id)! + 1).filter(({ part: p }) => !p.back && near(p));
    const counts = new Map<string, number>();
    const turn = part.tilt;
    let hidden = 0;
    for (let i = 0; i < ALONG; i++)
      for (let j = 0; j < ALONG; j++) {
        const spot: Spot = [area.x + ((i + 0.5) / ALONG) * area.width, area.y + ((j + 0.5) / ALONG) * area.height];
        const at = turn ? turnedAbout(spot, turn) : spot;
        const by = new Set(above.filter(({ lies }) => lies(at)).map(({ part: p }) => p.item));
        if (by.size) hidden++;
        for (const item of by) counts.set(item, (counts.get(item) ?? 0) + 1);
      }
    const all = ALONG * ALONG;
    if (hidden / all < NOTICED) return [];
    const by = [...counts].map(([item, n]) => ({ item, share: n / all })).sort((a, b) => b.share - a.share);
    return [{ part, area, hidden: hidden / all, by }];
  });
}

function turnedAbout([x, y]: Spot, { degrees, about }: NonNullable<Part['tilt']>): Spot {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const [dx, dy] = [x - about.x, y - about.y];
  return [about.x + dx * cos - dy * sin, about.y + dx * sin + dy * cos];
}

const ACROSS_FROM: Readonly<Record<Edge, Edge>> = { left: 'right', right: 'left', top: 'bottom', bottom: 'top' };

/**
 * Where something is added to a finished page past an edge, as much is cut away across from it so that the page keeps its size: of
 * which edge, and which items lie there.
 */
export function computeCutAway(
  derived: DerivedPage,
  item: string,
  edge: Edge,
  by: Ticks,
): { readonly edge: Edge; readonly items: readonly string[] } {
  const from = ACROSS_FROM[edge];
  const { width, height } = derived;
  const strip = {
    left: rect(0, 0, by, height),
    right: rect(width - by, 0, by, height),
    top: rect(0, height - by, width, by),
    bottom: rect(0, 0, width, by),
  }[from];
  const over = (b: Rect) =>
    b.x < strip.x + strip.width && strip.x < b.x + b.width && b.y < strip.y + strip.height && strip.y < b.y + b.height;
  const items = [...derived.items.values()]
    .filter((d) => d.item.id !== item && recipeOf(d.item.recipe).beneath === null && d.laid && over(d.box))
    .map((d) => d.item.id);
  return { edge: from, items };
}
