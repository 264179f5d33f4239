import type { LengthText } from '../length/index.ts';
import {
  derivePage,
  moveTo,
  setItemField,
  setPicture,
  type DerivedPage,
  type Item,
  type Page,
  type Part,
} from '../page/index.ts';
import { DEFAULT_FRAMING, orientationOf, type Photo, type Picture } from '../photos/index.ts';
import { fieldKey, recipeOf, valueAt } from '../recipes/index.ts';

/*
 * A sketch is the arrangement of a page without its papers and photos. It is laid on photos: each goes into an opening that lies as it
 * does, as long as there is one; what does not fit is told, with the crop that it gets and the other way round as what would.
 */

export type Orientation = 'upright' | 'level' | 'square';
/** A place for a photo. */
export interface Opening {
  readonly item: string;
  readonly part: Part;
  readonly lies: Orientation;
}
export interface SketchFacts {
  readonly photos: number;
  readonly upright: number;
  readonly level: number;
  readonly square: number;
  readonly title: boolean;
  readonly words: boolean;
}

/** What of a page is its arrangement: no papers, no photos, nothing that was cut of it. It is kept as a pattern. */
export function sketchFromPage(page: Page, name: string): Page {
  return {
    ...page,
    name: name.slice(0, 120),
    pattern: true,
    copies: 1,
    spares: [],
    first: [],
    items: page.items.map(({ pictures: _pictures, ...item }): Item => ({ ...item, wishes: {} })),
  };
}

/** The places for photos, the largest first. */
export const openingsOf = (derived: Pick<DerivedPage, 'parts'>): Opening[] =>
  derived.parts
    .filter((part) => !part.piece && part.role === 'print')
    .map((part) => ({ item: part.item, part, lies: orientationOf(part) }))
    .sort((a, b) => b.part.width * b.part.height - a.part.width * a.part.height);

const TITLES: ReadonlySet<string> = new Set(['letter-row']);
const WORDS: ReadonlySet<string> = new Set(['journaling', 'tag', 'pocket', 'folded-card']);

export function collectSketchFacts(page: Page, derived: Pick<DerivedPage, 'parts'> = derivePage(page)): SketchFacts {
  const openings = openingsOf(derived);
  const count = (lies: Orientation) => openings.filter((o) => o.lies === lies).length;
  const has = (recipes: ReadonlySet<string>) => page.items.some((item) => recipes.has(item.recipe));
  return {
    photos: openings.length,
    upright: count('upright'),
    level: count('level'),
    square: count('square'),
    title: has(TITLES),
    words: has(WORDS),
  };
}

/** What is looked for: so many of each, exactly; null: all the same. */
export interface SketchQuery {
  readonly photos: number | null;
  readonly upright: number | null;
  readonly level: number | null;
  readonly square: number | null;
  readonly title: boolean | null;
  readonly words: boolean | null;
}
const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const KINDS: ReadonlyArray<readonly [keyof SketchQuery & ('photos' | Orientation), string]> = [
  ['upright', 'upright|portrait|tall'],
  ['level', 'level|landscape|wide'],
  ['square', 'squares?'],
  ['photos', 'photos?|pictures?|prints?'],
];

/** Reads `three upright, one level, with a title`. A kind without a number: at least that it is there is not said, so one of it. */
export function parseSketchQuery(said: string): SketchQuery {
  let text = ` ${said.toLowerCase()} `;
  const found: { -readonly [K in keyof SketchQuery]: SketchQuery[K] } = { photos: null, upright: null, level: null, square: null, title: null, words: null }; // prettier-ignore
  for (const [kind, words] of KINDS) {
    const match = new RegExp(`\\b(\\d+|${NUMBERS.join('|')}|a|an)\\s+(?:${words})\\b`, 'u').exec(text);
    if (!match) continue;
    const said_ = match[1]!;
    found[kind] = /^\d/.test(said_) ? Number(said_) : said_ === 'a' || said_ === 'an' ? 1 : NUMBERS.indexOf(said_);
    // `three upright photos`: the photos are those
    text = `${text.slice(0, match.index)} ${text.slice(match.index + match[0].length)}`;
  }
  const place = (words: string): boolean | null =>
    new RegExp(`\\b(?:no|without(?: a)?)\\s+(?:${words})\\b`, 'u').test(text)
      ? false
      : new RegExp(`\\b(?:${words})\\b`, 'u').test(text)
        ? true
        : null;
  found.title = place('title');
  found.words = place('words|journaling|text');
  return found;
}

/** Whether a sketch has what is looked for. */
export const isSketchMatching = (facts: SketchFacts, sought: SketchQuery): boolean =>
  (Object.keys(sought) as (keyof SketchQuery)[]).every((key) => sought[key] === null || sought[key] === facts[key]);

/** What does not go together when photos are laid. */
export type SketchMisfit =
  /** It lies another way than its place: so much of it is lost (a share of it). */
  | { readonly is: 'other-way'; readonly photo: string; readonly item: string; readonly lost: number }
  /** Not all of it that must stay can be seen there. */
  | { readonly is: 'loses-what-must-stay'; readonly photo: string; readonly item: string }
  /** Turned, it has come to lie over or under another. */
  | { readonly is: 'covers'; readonly item: string; readonly other: string }
  /** There is no place for it. */
  | { readonly is: 'no-place'; readonly photo: string }
  /** A place that stays empty. */
  | { readonly is: 'no-photo'; readonly item: string };

const seenAs = ({ id, file, width, height, stay }: Photo): Picture => ({ photo: id, file, width, height, ...DEFAULT_FRAMING, stay }); // prettier-ignore

/** Lays photos, in their order, on the places of a page: each where it lies the same way while there is such a place. */
export function layPhotos(
  page: Page,
  photos: readonly Photo[],
): { readonly page: Page; readonly unlaid: readonly SketchMisfit[] } {
  const open = openingsOf(derivePage(page));
  const laid = new Map<Opening, Photo>();
  const left: Photo[] = [];
  const take = (photo: Photo, fits: (o: Opening) => boolean): boolean => {
    const place = open.find((o) => !laid.has(o) && fits(o));
    if (place) laid.set(place, photo);
    return place !== undefined;
  };
  for (const photo of photos) if (!take(photo, (o) => o.lies === orientationOf(photo))) left.push(photo);
  // a square place takes any before one that lies the other way does
  const over = left.filter((photo) => !take(photo, (o) => o.lies === 'square') && !take(photo, () => true));
  const next = [...laid].reduce((now, [o, photo]) => setPicture(now, o.item, o.part.key, seenAs(photo)), page);
  const parts = new Map(derivePage(next).parts.map((part) => [part.id, part]));
  const misfits = [...laid].flatMap(([{ item, part, lies }, photo]): SketchMisfit[] => {
    const { lost, stays } = parts.get(part.id)!.picture!;
    const share = lost.left + lost.right + lost.top + lost.bottom;
    return [
      ...(lies !== 'square' && orientationOf(photo) !== 'square' && lies !== orientationOf(photo)
        ? [{ is: 'other-way' as const, photo: photo.id, item, lost: share }]
        : []),
      ...(stays ? [] : [{ is: 'loses-what-must-stay' as const, photo: photo.id, item }]),
    ];
  });
  return {
    page: next,
    unlaid: [
      ...misfits,
      ...over.map((photo): SketchMisfit => ({ is: 'no-place', photo: photo.id })),
      ...open.filter((o) => !laid.has(o)).map(({ item }): SketchMisfit => ({ is: 'no-photo', item })),
    ],
  };
}

/**
 * A place turned by a quarter about its middle: its print as wide as it was high, moved in where it would reach past its page. The
 * same page where its size is not given.
 */
export function turnOpening(page: Page, id: string): Page {
  const derived = derivePage(page);
  const part = derived.parts.find((p) => p.item === id && !p.piece && p.role === 'print');
  const here = derived.items.get(id);
  if (!part || !here) return page;
  const paths = { width: [...part.group, 'width'], height: [...part.group, 'height'] };
  const fields = new Set(
    recipeOf(here.item.recipe)
      .fields(here.input)
      .map((f) => fieldKey(f.path)),
  );
  if (!fields.has(fieldKey(paths.width)) || !fields.has(fieldKey(paths.height))) return page;
  const [width, height] = [valueAt(here.input, paths.width), valueAt(here.input, paths.height)] as (LengthText | undefined)[]; // prettier-ignore
  if (width === undefined || height === undefined) return page;
  const wide = setItemField(page, derived, id, paths.width, height);
  const turned = setItemField(wide, derivePage(wide), id, paths.height, width);
  const laid = derivePage(turned);
  const now = laid.items.get(id)!;
  const inside = (middle: number, long: number, from: number, room: number) =>
    Math.max(from, Math.min(Math.round(middle - long / 2), from + room - long));
  const [was, own, room] = [here.box, now.box, now.room];
  return moveTo(turned, laid, id, {
    x: inside(was.x + was.width / 2, own.width, room.x, room.width),
    y: inside(was.y + was.height / 2, own.height, room.y, room.height),
  });
}

/** Turned places of photos that lie over or under others, where as the sketch has them they do not. */
export function findCoveredByTurning(sketch: Page, turned: Page): SketchMisfit[] {
  const meet = (page: ReturnType<typeof derivePage>, [a, b]: readonly [string, string]) => {
    const [one, two] = [page.items.get(a)?.box, page.items.get(b)?.box];
    if (!one || !two) return false;
    const across = one.x < two.x + two.width && two.x < one.x + one.width;
    return across && one.y < two.y + two.height && two.y < one.y + one.height;
  };
  const [before, after] = [derivePage(sketch), derivePage(turned)];
  const items = [...new Set(openingsOf(after).map(({ item }) => item))];
  const pairs = items.flatMap((a, i) => items.slice(i + 1).map((b) => [a, b] as const));
  return pairs
    .filter((pair) => meet(after, pair) && !meet(before, pair))
    .map(([item, other]) => ({ is: 'covers', item, other }));
}
