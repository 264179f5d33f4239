import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  letter: 'tall letter to hanging one',
  edge: 'edge above and below',
  spacing: 'line to line',
  spare: 'over between two strips',
  lines: 'lines',
  gap: 'gap',
};
const GROUPS: Readonly<Record<string, string>> = {
  strip: 'each strip',
  printed: 'as printed',
  placed: 'on the page',
  lines: 'on the page',
};
const words = mapNames(FIELDS, {}, GROUPS);

export const journaling: RecipeText = {
  title: 'Journaling',
  asks: 'whether lines can be cut apart at their spacing, how many fit',
  item: (n) => (n === 1 ? 'journaling' : `journaling ${n}`),
  ...words,
  field: (path) => (path[0] === 'placed' && path.at(-1) === 'height' ? 'height in all' : words.field(path)),
  part: (_role, n, item) => `${item}, line ${n}`,
  piece: (_role, _n, item) => `${item}, strips`,
  offer: (path, value, say) =>
    path.at(-1) === 'spacing'
      ? `print them ${say(value)} from line to line`
      : path.at(-1) === 'edge'
        ? `leave an edge of ${say(value)}`
        : null,
  reason: (why, [a = 0, b = 0], _where, say) => {
    switch (why) {
      case 'cannot-be-cut':
        return `Lines ${say(a)} apart cannot be cut into strips of ${say(b)}`;
      default:
        return `Not even one strip of ${say(a)} fits in ${say(b)}`;
    }
  },
  fact: (name, [a = 0, b = 0], say) => {
    switch (name) {
      case 'apart':
        return a === 0
          ? 'they can be cut apart with one cut between two lines'
          : `they can be cut apart; between two strips ${say(a)} falls off`;
      case 'words':
        return a === b || a === 0 ? `room for about ${b} words` : `room for about ${a} words by hand, ${b} printed`;
      case 'printed':
        return b === 1 ? `printed it takes ${say(a)}` : `printed, ${b} lines take ${say(a)}`;
      default:
        return `${say(a)} is left over`;
    }
  },
};
