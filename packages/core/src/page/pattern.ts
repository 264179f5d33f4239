import { ticks, type Ticks, type Unit } from '../length/index.ts';
import { EDGES, overhangPastEdges, type Edge } from '../geometry/index.ts';
import { nameInputUnits, recipeOf, setField } from '../recipes/index.ts';
import { derivePage, type DerivedPage, type PageProblem } from './derive.ts';
import { convertPageUnit, type Item, type Page } from './document.ts';
import type { ItemNames } from './pieces.ts';

/*
 * A page as a pattern for others: the same items on a page of another size. What lies beneath everything goes along with the page, by
 * its reveals; the rest keeps its size and the edges it counts from. What does not fit then is told, not made to.
 */

/** The page that a new one is to have. */
export interface Ground {
  readonly unit: Unit;
  readonly width: string;
  readonly height: string;
  /** How far apart two facing ones lie; null: a single page. */
  readonly seam: string | null;
}

/** Something that does not fit on the page that was begun. */
export type Misfit =
  | { readonly item: string; readonly problem: PageProblem }
  /** A part that reaches over edges of the page, and by how much at the most. */
  | { readonly item: string; readonly part: string; readonly edges: readonly Edge[]; readonly by: Ticks };

/**
 * A page begun from another, and what of it does not fit. Which paper each piece is of goes along; places on a sheet, what was made of
 * several, copies and spares are that page's own.
 */
export function beginFromPattern(
  pattern: Page,
  name: string,
  ground: Ground,
  names: ItemNames,
): { readonly page: Page; readonly misfits: readonly Misfit[] } {
  const before = derivePage(pattern, names);
  const { pattern: _is, ...document } = convertPageUnit(pattern, ground.unit);
  const meant = (item: Item, input: unknown): unknown =>
    ground.unit === pattern.unit ? input : nameInputUnits(item.recipe, input, pattern.unit);
  const page: Page = {
    ...document,
    name: name.slice(0, 120),
    ground: {
      width: ground.width,
      height: ground.height,
      ...(ground.seam === null ? {} : { seam: ground.seam }),
    },
    items: pattern.items.map((item, i) => ({
      ...withoutPictures(document.items[i]!),
      input: meant(item, loosened(item, before)),
      on: onOf(item.on, ground.seam !== null),
      wishes: Object.fromEntries(
        Object.entries(item.wishes).map(([blank, { from: _from, built: _built, ...wish }]) => [blank, wish]),
      ),
    })),
    copies: 1,
    spares: [],
    first: [],
  };
  return { page, misfits: misfitsOf(derivePage(page, names), before) };
}

/** Photos are a page's own. */
function withoutPictures({ pictures: _pictures, ...item }: Item): Item {
  return item;
}

/** What lay on one of two pages lies on the one there is. */
const onOf = (on: Item['on'], spread: boolean): Item['on'] =>
  !spread && typeof on === 'object' && 'page' in on ? 'page' : on;

/** The input of what lies beneath everything, its sizes emptied: its reveals then say the same. */
function loosened(item: Item, before: DerivedPage): unknown {
  const recipe = recipeOf(item.recipe);
  const here = before.items.get(item.id);
  if (recipe.beneath === null || here?.solved.status !== 'solved') return item.input;
  return recipe.fields(here.input).reduce((input, field) => {
    const sized = field.path.at(-1) === 'width' || field.path.at(-1) === 'height';
    const given = field.kind === 'length' && field.ifEmpty === 'worked-out' && field.value !== undefined;
    return sized && given ? setField(recipe, input, field.path, undefined, here.table) : input;
  }, here.input);
}

function misfitsOf(page: DerivedPage, before: DerivedPage): Misfit[] {
  const over = page.parts.flatMap((part): Misfit[] => {
    const past = overhangPastEdges(part, page);
    // what hung over an edge before does so on purpose
    const was = before.parts.find((p) => p.id === part.id);
    const hung = was && overhangPastEdges(was, before);
    const edges = EDGES.filter((edge) => past[edge] > 0 && !(hung && hung[edge] > 0));
    const by = ticks(Math.max(0, ...edges.map((edge) => past[edge])));
    return edges.length ? [{ item: part.item, part: part.name, edges, by }] : [];
  });
  const problems = page.problems.flatMap((problem) => (problem.item === null ? [] : [{ item: problem.item, problem }]));
  return [...problems, ...over];
}
