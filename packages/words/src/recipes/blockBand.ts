import type { RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  run: 'it runs',
  long: 'length',
  high: 'height',
  width: 'width seen',
  share: 'share of the rest',
  how: 'joined',
  tuck: 'tuck',
};
const OPTIONS: Readonly<Record<string, string>> = {
  level: 'across the page',
  upright: 'down the page',
  tuck: 'one under the next',
  butt: 'edge to edge',
};

export const blockBand: RecipeText = {
  title: 'Block band',
  asks: 'how wide the last block is, how much longer each is cut to tuck under',
  item: (n) => (n === 1 ? 'band' : `band ${n}`),
  field: (path) => FIELDS[String(path.at(-1))] ?? String(path.at(-1)),
  group: ([group, i]) => (group === 'blocks' ? `block ${Number(i) + 1}` : group === 'band' ? 'the band' : 'the joins'),
  option: (_path, option) => OPTIONS[option] ?? option,
  entry: () => 'a block',
  part: (_role, n, item) => `${item}, block ${n}`,
  piece: (_role, n, item) => `${item}, block ${n}`,
  reason: (why, [a = 0, b = 0], _where, say) =>
    why === 'too-wide'
      ? `The blocks come to ${say(a)}; nothing is left of a band ${say(b)} long`
      : `A tuck of ${say(a)} would come out beyond a block of ${say(b)}`,
  fact: (_name, [a = 0], say) => `cut, tucks included, they come to ${say(a)} in all`,
};
