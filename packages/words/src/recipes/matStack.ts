import { layerField, revealStyle, describeReveals, type RecipeText } from './words.ts';

export const matStack: RecipeText = {
  title: 'Mats',
  asks: 'the mats round a print, the reveals, or the largest print for a paper',
  item: (n) => `photo ${n}`,
  field: (path) => (path[0] === 'shape' ? 'shape' : layerField(path)),
  group: ([list, i]) => (list === 'print' ? 'the print' : `mat ${Number(i) + 1}`),
  option: ([list], option) =>
    list === 'shape' ? (option === 'oval' ? 'oval or circle' : 'straight edges') : revealStyle(option),
  entry: () => 'a mat',
  part: (role, n, item) => (role === 'print' ? item : `${item}, mat ${n}`),
  piece: (_role, n, item) => `${item}, mat ${n}`,
  reason: (_why, [by], where, say) => `${where} is smaller than what lies on it: the reveal would be −${say(by ?? 0)}`,
  fact: (name, lengths, say) => {
    const [width = 0, height = 0] = lengths;
    if (name !== 'print-cut') return describeReveals(lengths, say);
    return width === height
      ? `cut the print to a circle, ${say(width)} across`
      : `cut the print to an oval, ${say(width)} × ${say(height)}`;
  },
};
