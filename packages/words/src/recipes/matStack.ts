import { layerField, revealStyle, revealsWords, type RecipeWords } from './words.ts';

export const matStack: RecipeWords = {
  title: 'Mats',
  asks: 'the mats round a print, the reveals, or the largest print for a paper',
  item: (n) => `photo ${n}`,
  field: layerField,
  group: ([list, i]) => (list === 'print' ? 'the print' : `mat ${Number(i) + 1}`),
  option: (_path, option) => revealStyle(option),
  entry: () => 'a mat',
  part: (role, n, item) => (role === 'print' ? item : `${item}, mat ${n}`),
  piece: (_role, n, item) => `${item}, mat ${n}`,
  reason: (_why, [by], where, say) => `${where} is smaller than what lies on it: the reveal would be −${say(by ?? 0)}`,
  fact: (_name, lengths, say) => revealsWords(lengths, say),
};
