import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  along: 'along the',
  cover: 'paper on top',
  seen: 'paper underneath, seen',
  reach: 'paper underneath reaches',
  tuck: 'tuck',
  depth: 'depth',
};
const OPTIONS: Readonly<Record<string, string>> = { tucked: 'a tuck under', whole: 'all the way under' };

export const halfBase: RecipeText = {
  title: 'Half and half',
  asks: 'how far each paper reaches, how much is left of the sheets',
  item: (n) => (n === 1 ? 'halves' : `halves ${n}`),
  ...mapNames(FIELDS, OPTIONS, {}),
  group: ([group]) =>
    group === 'beneath' ? 'the paper underneath' : group === undefined ? 'the two' : 'the paper on top',
  part: (role, _n, item) => `${item}, ${role === 'cover' ? 'on top' : 'underneath'}`,
  piece: (role, _n, item) => `${item}, ${role === 'cover' ? 'on top' : 'underneath'}`,
  reason: (_why, [a = 0], _where, say) => `That reaches further than the ${say(a)} there are`,
  fact: (name, [a = 0, b = 0], say) =>
    `of a sheet as large as the page, ${say(a)} × ${say(b)} is left of the paper ${name === 'left-of-cover' ? 'on top' : 'underneath'}`,
};
