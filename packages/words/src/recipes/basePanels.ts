import { layerField, revealStyle, describeReveals, type RecipeText } from './words.ts';

const OPTIONS: Readonly<Record<string, string>> = { whole: 'as it is', shaved: 'shaved and backed' };
const named = (role: string, n: number, item: string): string =>
  role === 'base' ? item : role === 'page-mat' ? `page mat of ${item}` : `panel ${n}`;

export const basePanels: RecipeText = {
  title: 'Base and panels',
  asks: 'how wide each one shows, what bleeds off, a mat for the whole page',
  item: (n) => (n === 1 ? 'base' : `base ${n}`),
  field: (path) =>
    path[0] === 'edge' ? 'finished page' : path[0] === 'shave' && path.at(-1) === 'all' ? 'margin' : layerField(path),
  group: ([list, i]) =>
    list === 'room' ? 'the page' : list === 'shave' ? 'the shaved page' : `panel ${Number(i) + 1}`,
  option: (_path, option) => OPTIONS[option] ?? revealStyle(option),
  entry: () => 'a panel',
  part: named,
  piece: named,
  reason: (why, [a = 0, b = 0], where, say) =>
    why === 'off-page'
      ? `${where} lies beyond the page`
      : `A page shaved to ${say(a)} × ${say(b)} would be larger than it is`,
  fact: (_name, lengths, say) => describeReveals(lengths, say),
};
