import { mapNames, describeRowOffer, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  run: 'they run',
  width: 'width',
  length: 'length seen',
  inset: 'in from either edge, if centered',
  count: 'how many',
  spread: 'spread',
  gap: 'gap',
  margin: 'margin',
  across: 'side by side in all',
  as: 'lengths',
  shortest: 'shortest',
  step: 'each shorter by',
  flush: 'flush at the',
  start: 'at the first end',
  end: 'at the other end',
};
const OPTIONS: Readonly<Record<string, string>> = {
  upright: 'upright',
  level: 'level',
  room: 'over the whole page',
  row: 'as a row',
  even: 'all alike',
  graded: 'graded',
  start: 'first end',
  middle: 'middle',
  end: 'other end',
};
const GROUPS: Readonly<Record<string, string>> = {
  strip: 'one strip',
  row: 'the row',
  lengths: 'their lengths',
  tuck: 'the tuck',
};

export const strips: RecipeText = {
  title: 'Strips',
  asks: 'how many fit, how wide they come out, how long each is cut',
  item: (n) => (n === 1 ? 'strips' : `strips ${n}`),
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  part: (_role, n, item) => `${item}, no. ${n}`,
  piece: (_role, n, item) => (n === 1 ? item : `${item}, no. ${n}`),
  offer: (path, value, say) => describeRowOffer(path, value, say, 'strips'),
  reason: (why, [a = 0], _where, say) => {
    switch (why) {
      case 'too-much':
        return `Together they are ${say(a)} too much`;
      case 'none-fits':
        return `Not even one of ${say(a)} fits`;
      default:
        return `Each shorter by ${say(a)}, the last would be shorter than nothing`;
    }
  },
  fact: (name, lengths, say) =>
    name === 'lengths'
      ? `cut ${lengths.map((t) => say(t)).join(', ')}`
      : `each is cut ${say(lengths[0]!)} long, tucks included`,
};
