import { layerField, revealStyle, revealsWords, type RecipeWords } from './words.ts';

export const basePanels: RecipeWords = {
  title: 'Base and panels',
  asks: 'a base as large as the page, and panels one on the other',
  item: (n) => (n === 1 ? 'base' : `base ${n}`),
  field: layerField,
  group: ([list, i]) => (list === 'room' ? 'the page' : `panel ${Number(i) + 1}`),
  option: (_path, option) => revealStyle(option),
  entry: () => 'a panel',
  part: (role, n, item) => (role === 'base' ? item : `panel ${n}`),
  piece: (role, n, item) => (role === 'base' ? item : `panel ${n}`),
  reason: () => '',
  fact: (_name, lengths, say) => revealsWords(lengths, say),
};
