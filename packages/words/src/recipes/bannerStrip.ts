import type { RecipeWords } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  width: 'width',
  length: 'length',
  count: 'how many',
  spread: 'spread',
  gap: 'gap',
  margin: 'margin',
  across: 'across in all',
  shape: 'end',
  depth: 'depth',
  longer: 'longer edge',
};
const OPTIONS: Readonly<Record<string, string>> = {
  room: 'over the whole width',
  row: 'as a row',
  straight: 'straight',
  notch: 'notched',
  point: 'pointed',
  slant: 'slanted',
};
const GROUPS: Readonly<Record<string, string>> = { strip: 'one banner', row: 'the row', end: 'the end' };

export const bannerStrip: RecipeWords = {
  title: 'Banners',
  asks: 'how many fit, how wide they come out, where the notch begins',
  item: (n) => (n === 1 ? 'banners' : `banners ${n}`),
  field: (path) => FIELDS[String(path.at(-1))] ?? String(path.at(-1)),
  group: ([group]) => GROUPS[String(group)] ?? String(group),
  option: (_path, option) => OPTIONS[option] ?? option,
  entry: () => '',
  part: (_role, n, item) => `${item}, no. ${n}`,
  piece: (_role, _n, item) => item,
  reason: (why, [a = 0, b = 0], _where, say) => {
    switch (why) {
      case 'too-much':
        return `Together they are ${say(a)} too wide`;
      case 'none-fits':
        return `Not even one of ${say(a)} fits`;
      default:
        return `An end ${say(a)} deep leaves nothing of a banner ${say(b)} long`;
    }
  },
  fact: (name, [length = 0], say) =>
    name === 'centre-mark'
      ? `pencil a line along its middle, ${say(length)} from the side`
      : `on that line it is ${say(length)} long`,
};
