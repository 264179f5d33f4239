import { mapNames, describeRowOffer, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  cut: 'cut in',
  width: 'width of a quarter',
  count: 'how many',
  spread: 'they go',
  gap: 'gap',
  margin: 'margin',
  lie: 'they lie',
  round: 'round side',
};
const OPTIONS: Readonly<Record<string, string>> = {
  edge: 'along an edge',
  wave: 'up and down, as a wave',
  room: 'over the whole page',
  row: 'as a row',
};
const GROUPS: Readonly<Record<string, string>> = {
  cut: 'the circles',
  circle: 'the circles',
  lie: 'the circles',
  round: 'the circles',
  strip: 'one of them',
};
const words = mapNames(FIELDS, OPTIONS, GROUPS);

export const halfCircles: RecipeText = {
  title: 'Halved circles',
  asks: 'how many circles a row of halves or quarters takes, and what is left',
  item: (n) => (n === 1 ? 'halved circles' : `halved circles ${n}`),
  ...words,
  field: (path) =>
    path.at(-1) === 'across' ? (path[0] === 'circle' ? 'circle across' : 'side by side in all') : words.field(path),
  group: (path) => (['row', 'count', 'spread'].includes(String(path[0])) ? 'the row' : words.group(path)),
  part: (_role, n, item) => `${item}, ${n}`,
  piece: (_role, _n, item) => `${item}, circles`,
  offer: (path, value, say) => describeRowOffer(path, value, say, value === 1 ? 'part' : 'parts'),
  reason: (why, [a = 0], _where, say) =>
    why === 'none-fits' ? `Not even one of ${say(a)} fits` : `Together they are ${say(a)} too much`,
  fact: (name, [a = 0, b = 0, c = 0], say) => {
    const part = b === 2 ? (c === 1 ? 'half' : 'halves') : c === 1 ? 'quarter' : 'quarters';
    if (name === 'circles')
      return `it takes ${a} ${a === 1 ? 'circle' : 'circles'}${c ? `; ${c} ${part} left over` : ', none left over'}`;
    return `each is ${say(a)} wide and ${say(b)} high`;
  },
};
