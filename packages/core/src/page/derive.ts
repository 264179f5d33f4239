import {
  MARKS,
  ZERO,
  parseLength,
  ticks,
  type LengthProblem,
  type Mark,
  type Ticks,
  type Unit,
} from '../length/index.ts';
import { moveContour, overhangPastEdges, rect, shiftRect, type Edge, type Rect, type Size } from '../geometry/index.ts';
import {
  recipeOf,
  isSamePath,
  type FieldPath,
  type LaidOut,
  type Layer,
  type Offer,
  type RecipeId,
  type RecipeProblem,
  type Room,
  type Slot,
  type RecipeSolution,
  type Suggestion,
  type LayoutContext,
} from '../recipes/index.ts';
import type { Item, Page, Wish } from './document.ts';
import { FALLBACK_NAMES, partId, collectPieces, wishOf, type ItemNames, type PieceToCut, type Seam } from './pieces.ts';
import { formatFollowedLength, followedSizeOf, applyFollowed, type FollowedValues } from './follows.ts';
import { framePicture, type ShownPicture } from './pictures.ts';
import { computePlaceAlong, type Axis } from './place.ts';

/** One layer of the page as it lies: origin lower left of the page, in ticks. */
export interface Part
  extends
    Rect,
    Pick<
      Layer,
      'key' | 'role' | 'n' | 'shape' | 'opaque' | 'group' | 'sized' | 'entry' | 'turned' | 'back' | 'along' | 'says'
    > {
  /** `item/layer`. */
  readonly id: string;
  readonly item: string;
  readonly recipe: RecipeId;
  readonly name: string;
  /** The piece that it is cut as; null where there is nothing to cut (a print). */
  readonly piece: string | null;
  readonly wish: Wish | null;
  /** Turned with its item, in degrees counter-clockwise about that one's middle. */
  readonly tilt?: { readonly degrees: number; readonly about: { readonly x: number; readonly y: number } };
  /** The photo that is seen there, where it is known which. */
  readonly picture?: ShownPicture;
}

export type PageProblem = {
  /** The item that it is about; null: the page itself. */
  readonly item: string | null;
  readonly problem:
    | RecipeProblem
    /** Items that lie on or beside each other in a circle. */
    | { code: 'circle'; items: readonly string[] }
    /** A length that follows another's would be nothing. */
    | { code: 'follows-nothing'; path: FieldPath }
    /** What it lies on or beside is not there. */
    | { code: 'no-room'; axis: Axis | null };
  readonly offers: readonly Offer[];
};
export interface PageSuggestion {
  readonly item: string;
  readonly suggestion:
    | Suggestion
    | { code: 'overhang'; edges: readonly Edge[]; by: Ticks }
    /** Nothing of it is seen: all of it lies under one layer of another item, which is called that. */
    | { code: 'hidden-under'; under: string };
}

/** An item with what its recipe gave and where that lies. */
export interface DerivedItem {
  readonly item: Item;
  /** Its input, with the lengths in it that follow others. */
  readonly input: unknown;
  readonly followed: FollowedValues;
  readonly table: LayoutContext;
  /** Its room on the page. */
  readonly room: Rect;
  readonly solved: RecipeSolution;
  /** What is shown: what it gave, or what can be shown all the same. */
  readonly laid: LaidOut | null;
  readonly box: Rect;
  readonly parts: readonly Part[];
  readonly pieces: readonly PieceToCut[];
  readonly slots: readonly Slot[];
  readonly problems: readonly PageProblem[];
  readonly suggestions: readonly PageSuggestion[];
}

export interface DerivedPage {
  readonly width: Ticks;
  readonly height: Ticks;
  readonly mark: Mark;
  /** Of a spread: from where to where its two pages meet. */
  readonly seam: Seam | null;
  readonly items: ReadonlyMap<string, DerivedItem>;
  /** Bottom to top. */
  readonly parts: readonly Part[];
  readonly pieces: readonly PieceToCut[];
  readonly problems: readonly PageProblem[];
  readonly suggestions: readonly PageSuggestion[];
}

/** The ground of a page in ticks; problems name the field. */
function groundOf({ ground, unit }: Page): {
  width: Ticks;
  height: Ticks;
  seam: Ticks | null;
  problems: PageProblem[];
} {
  const problems: PageProblem[] = [];
  const read = (key: 'width' | 'height' | 'seam'): Ticks => {
    const result = parseLength(ground[key] ?? 0, unit, key === 'seam' ? { allow: 'zero' } : {});
    if (result.ok) return result.value.ticks;
    problems.push({
      item: null,
      problem: { code: 'field', path: ['ground', key], problem: result.problem },
      offers: [],
    });
    return ZERO;
  };
  return {
    width: read('width'),
    height: read('height'),
    seam: ground.seam === undefined ? null : read('seam'),
    problems,
  };
}

/**
 * Everything that follows from a page document: parts with sizes and places, pieces, problems, advice. Never throws. Given the
 * page as it was before, only items whose input or room changed are worked out anew.
 */
export function derivePage(page: Page, names: ItemNames = FALLBACK_NAMES, before?: DerivedPage): DerivedPage {
  const mark = MARKS[page.mark];
  const ground = groundOf(page);
  const spread = ground.seam !== null;
  const width = ticks(spread ? 2 * ground.width + ground.seam! : ground.width);
  const page_ = { width, height: ground.height, mark, seam: spread ? { x: ground.width, width: ground.seam! } : null };
  const nothing = { items: new Map(), parts: [], pieces: [], suggestions: [] };
  if (ground.problems.length) return { ...page_, ...nothing, problems: ground.problems };

  const roomOf = (half: 'left' | 'right' | null): { box: Rect; seams: Room['seams'] } => {
    if (half === null || !spread) return { box: rect(0, 0, width, ground.height), seams: [] };
    const x = half === 'left' ? 0 : ground.width + ground.seam!;
    return { box: rect(x, 0, ground.width, ground.height), seams: [half === 'left' ? 'right' : 'left'] };
  };
  const sameSeam = before?.seam?.x === page_.seam?.x && before?.seam?.width === page_.seam?.width;
  const byId = new Map(page.items.map((item) => [item.id, item]));
  const done = new Map<string, DerivedItem>();
  const underWay: string[] = [];

  const derive = (item: Item): DerivedItem | 'circle' => {
    const known = done.get(item.id);
    if (known) return known;
    if (underWay.includes(item.id)) return 'circle';
    underWay.push(item.id);
    const problems: PageProblem[] = [];
    const lost = (problem: PageProblem['problem']) => problems.push({ item: item.id, problem, offers: [] });
    const other = (id: string, axis: Axis | null): DerivedItem | null => {
      const wanted = byId.get(id);
      const found = wanted ? derive(wanted) : null;
      if (found === 'circle') lost({ code: 'circle', items: [...underWay.slice(underWay.indexOf(id))] });
      else if (!found) lost({ code: 'no-room', axis });
      return found === 'circle' ? null : found;
    };
    let { box: room, seams } = roomOf(typeof item.on === 'object' && 'page' in item.on ? item.on.page : null);
    if (typeof item.on === 'object' && 'item' in item.on) {
      const { slot: key } = item.on;
      const host = other(item.on.item, null);
      const slot = host?.slots.find((s) => s.key === key);
      if (slot) [room, seams] = [slot.box, []];
      else if (host) lost({ code: 'no-room', axis: null });
    }
    const neighbour = (axis: Axis): Rect | null => {
      const { of } = item.at[axis];
      return of === undefined ? room : (other(of, axis)?.box ?? null);
    };
    const within = { across: neighbour('across') ?? room, upDown: neighbour('upDown') ?? room };
    const table: LayoutContext = { unit: page.unit, mark, room: { width: room.width, height: room.height, seams } };
    const followed = (item.follows ?? []).flatMap((follow): FollowedValues => {
      const host = other(follow.of, null);
      const size = host && followedSizeOf(follow, host);
      if (host && !size) lost({ code: 'no-room', axis: null });
      const text = size ? formatFollowedLength(follow, size, page.unit) : null;
      if (size && text === null) lost({ code: 'follows-nothing', path: follow.path });
      return text === null ? [] : [[follow.path, text]];
    });
    const made = deriveItem(
      item,
      followed,
      table,
      room,
      within,
      problems,
      names,
      page_,
      sameSeam ? before?.items.get(item.id) : undefined,
    );
    underWay.pop();
    done.set(item.id, made);
    return made;
  };
  const items = page.items.map((item) => derive(item) as DerivedItem);
  const parts = items.flatMap((i) => i.parts);
  return {
    ...page_,
    items: new Map(items.map((i) => [i.item.id, i])),
    parts,
    pieces: items.flatMap((i) => i.pieces),
    problems: items.flatMap((i) => i.problems),
    suggestions: [...items.flatMap((i) => i.suggestions), ...hiddenItems(items, parts)],
  };
}

/** Items of which nothing is seen, since all that is seen of them lies under one whole, opaque layer above. */
function hiddenItems(items: readonly DerivedItem[], parts: readonly Part[]): PageSuggestion[] {
  const covers = parts.filter((part) => part.opaque && !part.shape && !part.tilt && !part.back);
  const place = new Map(parts.map((part, index) => [part.id, index]));
  return items.flatMap(({ item, parts: own }): PageSuggestion[] => {
    const top = own.at(-1);
    if (!top) return [];
    const hides = (cover: Part) =>
      cover.item !== item.id &&
      place.get(cover.id)! > place.get(top.id)! &&
      own.every((part) => {
        const box = boundsOfTilted(part, item.tilt ?? 0);
        return (
          box.x >= cover.x &&
          box.y >= cover.y &&
          box.x + box.width <= cover.x + cover.width &&
          box.y + box.height <= cover.y + cover.height
        );
      });
    const cover = covers.find(hides);
    return cover ? [{ item: item.id, suggestion: { code: 'hidden-under', under: cover.name } }] : [];
  });
}

const sameRect = (a: Rect, b: Rect) => a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height;
const sameFollowed = (a: FollowedValues, b: FollowedValues): boolean =>
  a.length === b.length && a.every(([path, text], i) => text === b[i]![1] && isSamePath(path, b[i]![0]));
const sameTable = (a: LayoutContext, b: LayoutContext): boolean =>
  a.unit === b.unit &&
  a.mark === b.mark &&
  a.room.width === b.room.width &&
  a.room.height === b.room.height &&
  a.room.seams.join() === b.room.seams.join();

function deriveItem(
  item: Item,
  followed: FollowedValues,
  table: LayoutContext,
  room: Rect,
  within: Readonly<Record<Axis, Rect>>,
  lost: readonly PageProblem[],
  names: ItemNames,
  page: Pick<DerivedPage, 'width' | 'height' | 'seam'>,
  was: DerivedItem | undefined,
): DerivedItem {
  const alike = was && was.item.input === item.input && was.item.recipe === item.recipe;
  const input =
    alike && sameFollowed(was.followed, followed) ? was.input : applyFollowed(item.recipe, item.input, followed);
  const same = alike && was.input === input && sameTable(was.table, table);
  const solved = same ? was.solved : recipeOf(item.recipe).solve(input, table);
  // What is refused keeps the size that it had, with nothing to be cut of it, until it is mended.
  const last = was?.laid && was.item.recipe === item.recipe ? { ...was.laid, blanks: [] } : null;
  const laid = solved.status === 'solved' ? solved.laid : (solved.instead ?? last);
  const size = laid?.size ?? { width: ZERO, height: ZERO };
  const problems: PageProblem[] = [...lost];
  const at = (axis: Axis): Ticks => {
    const place = computePlaceAlong(axis, item.at[axis], size, within[axis], table.unit);
    if (place.ok) return place.at;
    problems.push(fieldProblem(item.id, ['at', axis, 'by'], place.problem));
    return axis === 'across' ? room.x : room.y;
  };
  const box = rect(at('across'), at('upDown'), size.width, size.height);
  if (
    same &&
    was.item === item &&
    sameRect(was.box, box) &&
    !lost.length &&
    !was.problems.length &&
    sameRect(was.room, room)
  )
    return was;
  const over = item.fit === 'exact' ? null : parseLength(item.fit.by, table.unit);
  if (over && !over.ok) problems.push(fieldProblem(item.id, ['fit', 'by'], over.problem));
  if (solved.status === 'refused')
    problems.push(...solved.problems.map((problem) => ({ item: item.id, problem, offers: solved.offers })));
  const pieces = (laid?.blanks ?? []).flatMap((blank) =>
    collectPieces(blank, item, laid!, over?.ok ? over.value.ticks : ZERO, names, table, box, page.seam),
  );
  const pieceOf = (blank: string | null) => pieces.find((p) => p.blank === blank)?.id ?? null;
  const wishes = new Map((laid?.blanks ?? []).map((blank) => [blank.key, wishOf(item, blank)]));
  // of what is refused there are no blanks, and it is shown all the same
  const wishAt = (blank: string | null) =>
    blank === null ? null : ((wishes.has(blank) ? wishes.get(blank) : item.wishes[blank]) ?? null);
  const parts = (laid?.layers ?? []).map((layer) =>
    partOf(layer, item, box, names, pieceOf(layer.blank), wishAt(layer.blank), laid, table.unit),
  );
  return {
    item,
    input,
    followed,
    table,
    room,
    solved,
    laid,
    box,
    parts,
    pieces,
    slots: (laid?.slots ?? []).map((slot) => ({ ...slot, box: shiftRect(slot.box, box) })),
    problems,
    suggestions: [
      ...(solved.status === 'solved' ? solved.suggestions : []).map((suggestion) => ({ item: item.id, suggestion })),
      ...overhangOf(item.id, boundsOfTilted(box, item.tilt ?? 0), page),
    ],
  };
}

const fieldProblem = (item: string, path: FieldPath, problem: LengthProblem): PageProblem => ({
  item,
  problem: { code: 'field', path, problem },
  offers: [],
});

function partOf(
  layer: Layer,
  item: Item,
  origin: Rect,
  names: ItemNames,
  piece: string | null,
  wish: Wish | null,
  laid: LaidOut | null,
  unit: Unit,
): Part {
  const picture = item.pictures?.[layer.key];
  // within a printed border, where there is one
  const opening = laid?.slots.find((slot) => slot.role === 'image')?.box ?? layer.box;
  const { key, role, n, opaque, group, sized, entry, shape } = layer;
  const part: Part = {
    id: partId(item.id, key),
    item: item.id,
    recipe: item.recipe,
    name: item.names[key] ?? names.part(item.recipe, role, n, item.name),
    piece,
    wish,
    x: ticks(layer.box.x + origin.x),
    y: ticks(layer.box.y + origin.y),
    width: layer.box.width,
    height: layer.box.height,
    key,
    role,
    n,
    opaque,
    group,
    sized,
    entry,
    shape: shape && moveContour(shape, origin.x, origin.y),
  };
  return {
    ...part,
    ...(layer.turned === undefined ? {} : { turned: layer.turned }),
    ...(layer.back ? { back: true } : {}),
    ...(layer.along ? { along: true } : {}),
    ...(layer.says === undefined ? {} : { says: layer.says }),
    ...(item.tilt
      ? { tilt: { degrees: item.tilt, about: { x: origin.x + origin.width / 2, y: origin.y + origin.height / 2 } } }
      : {}),
    ...(picture && opening.width > 0 && opening.height > 0
      ? { picture: framePicture(shiftRect(opening, origin), picture, unit) }
      : {}),
  };
}

/** The upright box round one that is turned about its middle. */
export function boundsOfTilted(box: Rect, degrees: number): Rect {
  if (!degrees) return box;
  const [cos, sin] = [Math.abs(Math.cos((degrees * Math.PI) / 180)), Math.abs(Math.sin((degrees * Math.PI) / 180))];
  const [w, h] = [box.width * cos + box.height * sin, box.width * sin + box.height * cos];
  const at = (low: number, long: number, own: number) => Math.round(low + (own - long) / 2);
  return rect(at(box.x, w, box.width), at(box.y, h, box.height), Math.round(w), Math.round(h));
}

function overhangOf(item: string, box: Rect, page: Size): PageSuggestion[] {
  const past = overhangPastEdges(box, page);
  const edges = (Object.keys(past) as Edge[]).filter((edge) => past[edge] > 0);
  if (!edges.length) return [];
  return [{ item, suggestion: { code: 'overhang', edges, by: ticks(Math.max(...edges.map((e) => past[e]))) } }];
}
