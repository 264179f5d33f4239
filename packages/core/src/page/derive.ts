import {
  MARKS,
  ZERO,
  parseLength,
  roundToMark,
  ticks,
  type LengthProblem,
  type Mark,
  type Ticks,
} from '../length/index.ts';
import type { Rect, Size } from '../geometry/index.ts';
import {
  basePanels,
  matName,
  matStack,
  panelName,
  type Offer,
  type RecipeProblem,
  type Reveals,
  type Suggestion,
  type Sum,
} from '../recipes/index.ts';
import type { Page, PagePhoto, Wish } from './document.ts';

export type PartKind = 'base' | 'panel' | 'mat' | 'print';

/** One layer of the page as it lies: exact size, place (origin lower left of the page), and how its size came about. */
export interface Part extends Rect {
  readonly id: string;
  readonly kind: PartKind;
  readonly name: string;
  /** The photo it belongs to; null for the base and its panels. */
  readonly photo: string | null;
  /**
   * The reveal that is this layer's own: of a panel, what shows of the layer below round it; of a mat, what shows of it
   * round the layer on it. Null for the base and for prints.
   */
  readonly reveals: Reveals | null;
  /** How computed sizes came about; absent where the size was given. */
  readonly sums: { readonly width?: Sum; readonly height?: Sum };
  readonly paper: Wish | null;
}

/** A piece of paper to cut: one part's, its size on the cutter's mark. */
export interface PieceToCut extends Size {
  readonly part: string;
  readonly name: string;
  readonly wish: Wish | null;
  /** Exact size less cut size, where the exact one is not on a mark. */
  readonly off: Size;
}

export type PageProblem =
  | { where: string; problem: RecipeProblem; offers: readonly Offer[] }
  | { where: string; problem: { code: 'field'; field: string; problem: LengthProblem }; offers: readonly Offer[] };
export type PageSuggestion = {
  where: string;
  suggestion: Suggestion | { code: 'overhang'; edges: readonly string[]; by: Ticks };
};

export interface DerivedPage {
  readonly width: Ticks;
  readonly height: Ticks;
  readonly mark: Mark;
  /** Bottom to top. */
  readonly parts: readonly Part[];
  readonly pieces: readonly PieceToCut[];
  readonly problems: readonly PageProblem[];
  readonly suggestions: readonly PageSuggestion[];
}

/** Everything that follows from a page document: parts with sizes and places, pieces, problems, advice. Never throws. */
export function derivePage(page: Page): DerivedPage {
  const mark = MARKS[page.mark];
  const table = { unit: page.unit, mark };
  const parts: Part[] = [];
  const problems: PageProblem[] = [];
  const suggestions: PageSuggestion[] = [];
  const [w, h] = [parseLength(page.width, page.unit), parseLength(page.height, page.unit)];
  const width = w.ok ? w.value.ticks : ZERO;
  const height = h.ok ? h.value.ticks : ZERO;
  if (!w.ok)
    problems.push({ where: 'page', problem: { code: 'field', field: 'page.width', problem: w.problem }, offers: [] });
  if (!h.ok)
    problems.push({ where: 'page', problem: { code: 'field', field: 'page.height', problem: h.problem }, offers: [] });
  if (!w.ok || !h.ok) return { width, height, mark, parts, pieces: [], problems, suggestions };

  parts.push({
    id: 'base',
    kind: 'base',
    name: page.base.name,
    photo: null,
    x: ZERO,
    y: ZERO,
    width,
    height,
    reveals: null,
    sums: {},
    paper: page.base.paper,
  });
  placePanels(page, table, parts, problems, suggestions);
  for (const photo of page.photos) placePhoto(page, photo, { width, height }, parts, problems, suggestions);

  const pieces = parts
    .filter((part) => part.kind !== 'print')
    .map((part): PieceToCut => {
      const cut = (size: Ticks) =>
        roundToMark(size, mark, part.kind === 'mat' ? matStack.rounding : basePanels.rounding);
      const size = { width: cut(part.width), height: cut(part.height) };
      const off = { width: ticks(part.width - size.width), height: ticks(part.height - size.height) };
      return { part: part.id, name: part.name, wish: part.paper, ...size, off };
    });
  return { width, height, mark, parts, pieces, problems, suggestions };
}

type TableOf = { unit: Page['unit']; mark: Mark };

function placePanels(
  page: Page,
  table: TableOf,
  parts: Part[],
  problems: PageProblem[],
  suggestions: PageSuggestion[],
): void {
  if (!page.panels.length) return;
  const solved = basePanels.solve(
    {
      page: { width: page.width, height: page.height },
      panels: page.panels.map(({ reveal, width, height, rest }) => ({ reveal, width, height, rest })),
      seam: null,
    },
    table,
  );
  if (solved.status === 'refused') {
    for (const problem of solved.problems)
      problems.push({ where: whereOf(problem, (i) => page.panels[i]?.id, 'panel'), problem, offers: solved.offers });
    return;
  }
  const { levels, gaps } = solved.answer;
  let below = parts[0]!;
  page.panels.forEach((panel, i) => {
    // the recipe answers from the innermost outward
    const at = page.panels.length - 1 - i;
    const [level, reveals] = [levels[at]!, gaps[at]!];
    const name = panelName(i);
    const part: Part = {
      id: panel.id,
      kind: 'panel',
      name: panel.name,
      photo: null,
      x: ticks(below.x + reveals.left),
      y: ticks(below.y + reveals.bottom),
      width: level.width,
      height: level.height,
      reveals,
      sums: sumsOf(solved.sums, name),
      paper: panel.paper,
    };
    parts.push(part);
    below = part;
  });
  for (const suggestion of solved.suggestions)
    suggestions.push({ where: whereOf(suggestion, (i) => page.panels[i]?.id, 'panel'), suggestion });
}

function placePhoto(
  page: Page,
  photo: PagePhoto,
  room: Size,
  parts: Part[],
  problems: PageProblem[],
  suggestions: PageSuggestion[],
): void {
  const mark = MARKS[page.mark];
  const solved = matStack.solve(
    {
      print: photo.print,
      mats: photo.mats.map(({ reveal, width, height, rest }) => ({ reveal, width, height, rest })),
    },
    { unit: page.unit, mark },
  );
  const idOf = (i: number) => photo.mats[i]?.id;
  if (solved.status === 'refused') {
    for (const problem of solved.problems)
      problems.push({ where: whereOf(problem, idOf, 'mat', photo.id), problem, offers: solved.offers });
    // the print alone stays on the page, so that it can be found and mended
    const [w, h] = [parseLength(photo.print.width, page.unit), parseLength(photo.print.height, page.unit)];
    if (w.ok && h.ok) {
      const size = { width: w.value.ticks, height: h.value.ticks };
      const at = placeOn(page, photo, size, room, problems);
      parts.push({
        id: photo.id,
        kind: 'print',
        name: photo.name,
        photo: photo.id,
        ...at,
        ...size,
        reveals: null,
        sums: {},
        paper: null,
      });
    }
    return;
  }
  const { levels, gaps } = solved.answer;
  const outer = levels.at(-1)!;
  const at = placeOn(page, photo, outer, room, problems);
  let [x, y] = [at.x as number, at.y as number];
  for (let i = levels.length - 1; i >= 0; i--) {
    const level = levels[i]!;
    const mat = photo.mats[i - 1];
    const inside = gaps[i];
    if (inside) [x, y] = [x + inside.left, y + inside.bottom];
    parts.push({
      id: mat?.id ?? photo.id,
      kind: mat ? 'mat' : 'print',
      name: mat?.name ?? photo.name,
      photo: photo.id,
      x: ticks(x),
      y: ticks(y),
      width: level.width,
      height: level.height,
      reveals: i === 0 ? null : gaps[i - 1]!,
      sums: sumsOf(solved.sums, i === 0 ? 'print' : matName(i - 1)),
      paper: mat?.paper ?? null,
    });
  }
  for (const suggestion of solved.suggestions)
    suggestions.push({ where: whereOf(suggestion, idOf, 'mat', photo.id), suggestion });
  const over = {
    left: -at.x,
    bottom: -at.y,
    right: at.x + outer.width - room.width,
    top: at.y + outer.height - room.height,
  };
  const edges = Object.entries(over).filter(([, by]) => by > 0);
  if (edges.length) {
    suggestions.push({
      where: photo.id,
      suggestion: { code: 'overhang', edges: edges.map(([e]) => e), by: ticks(Math.max(...edges.map(([, by]) => by))) },
    });
  }
}

function placeOn(
  page: Page,
  photo: PagePhoto,
  size: Size,
  room: Size,
  problems: PageProblem[],
): { x: Ticks; y: Ticks } {
  const axis = (from: string, by: string | number, length: number, within: number, field: string): Ticks => {
    const read = parseLength(by, page.unit, { allow: 'negative' });
    if (!read.ok)
      problems.push({ where: photo.id, problem: { code: 'field', field, problem: read.problem }, offers: [] });
    const offset = read.ok ? read.value.ticks : 0;
    if (from === 'centre') return ticks(Math.floor((within - length) / 2) + offset);
    return ticks(from === 'left' || from === 'bottom' ? offset : within - length - offset);
  };
  const { across, upDown } = photo.at;
  return {
    x: axis(across.from, across.by, size.width, room.width, 'at.across'),
    y: axis(upDown.from, upDown.by, size.height, room.height, 'at.upDown'),
  };
}

function sumsOf(sums: Readonly<Record<string, Sum>>, name: string): Part['sums'] {
  const [width, height] = [sums[`${name}.width`], sums[`${name}.height`]];
  return { ...(width ? { width } : {}), ...(height ? { height } : {}) };
}

/** The id of the part that a recipe's field (`mat2.left`) or layer (`mat2`) belongs to. */
function whereOf(
  about: RecipeProblem | Suggestion,
  idOf: (index: number) => string | undefined,
  prefix: string,
  otherwise = 'page',
): string {
  const field =
    'layer' in about
      ? about.layer
      : 'field' in about
        ? about.field
        : 'fields' in about
          ? (about.fields.find((f) => f.startsWith(prefix)) ?? '')
          : '';
  const index = new RegExp(`^${prefix}(\\d+)`).exec(field)?.[1];
  return (index && idOf(Number(index) - 1)) || otherwise;
}
