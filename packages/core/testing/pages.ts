import { newItem, emptyPage, type Item, type Page, type Place, type Wish } from '../src/page/index.ts';
import type { InputOf, RecipeId } from '../src/recipes/index.ts';

/* Pages for tests, said briefly. */

type Layer = InputOf<'mat-stack'>['mats'][number];
/** A layer by one even reveal, or as its parts say. */
export const layer = (id: string, of: string | Omit<Layer, 'id'>): Layer =>
  typeof of === 'string' ? { id, reveal: { style: 'even', all: of } } : { id, ...of };

type More = Partial<Pick<Item, 'at' | 'on' | 'wishes' | 'names' | 'fit' | 'name'>>;
const item = <Id extends RecipeId>(id: string, recipe: Id, input: InputOf<Id>, more: More = {}): Item => ({
  ...newItem({ id, name: more.name ?? id, recipe, input }),
  ...more,
});

export const base = (panels: Layer[] = [], more: More = {}): Item => item('base', 'base-panels', { panels }, more);
export const photo = (
  id: string,
  [width, height]: [string, string],
  mats: Layer[],
  more: More & { known?: 'measured' | 'assumed' } = {},
): Item => {
  const { known = 'measured', ...rest } = more;
  return item(id, 'mat-stack', { print: { width, height, known }, mats }, rest);
};
export const banners = (id: string, input: Partial<InputOf<'banner-strip'>>, more: More = {}): Item =>
  item(
    id,
    'banner-strip',
    {
      strip: { width: '2', length: '6' },
      count: 3,
      spread: 'row',
      row: { gap: '1/4' },
      end: { shape: 'notch', longer: 'left' },
      ...input,
    },
    more,
  );
export const page = (...items: Item[]): Page => ({ ...emptyPage('a page'), items });

export const at = (
  across: 'left' | 'centre' | 'right',
  by: string | number,
  upDown: 'bottom' | 'centre' | 'top',
  away: string | number,
): Place => ({ across: { from: across, by }, upDown: { from: upDown, by: away } });

export const wishFor = (paper: string, more: Partial<Wish> = {}): Wish => ({
  papers: [paper],
  side: 'A',
  direction: 'any',
  ...more,
});
