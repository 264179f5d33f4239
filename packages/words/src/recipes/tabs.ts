import { mapNames, describeRowOffer, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  edge: 'along the',
  count: 'how many',
  spread: 'they go',
  gap: 'gap',
  margin: 'margin',
  across: 'side by side in all',
  out: 'sticks out',
  tuck: 'tucked behind',
  made: 'made',
  how: 'outer corners',
  by: 'off each corner',
};
const OPTIONS: Readonly<Record<string, string>> = {
  room: 'over the whole edge',
  row: 'as a row',
  single: 'single, glued behind',
  double: 'folded over, front and back',
};
const GROUPS: Readonly<Record<string, string>> = {
  edge: 'the row',
  row: 'the row',
  count: 'the row',
  spread: 'the row',
  strip: 'each tab',
  tab: 'each tab',
  corner: 'its corners',
};

export const tabs: RecipeText = {
  title: 'Tabs',
  asks: 'how many along an edge, where each begins, how long each is cut',
  item: (n) => (n === 1 ? 'tabs' : `tabs ${n}`),
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  part: (_role, n, item) => `${item}, ${n}`,
  piece: (_role, _n, item) => item,
  offer: (path, value, say) => describeRowOffer(path, value, say, value === 1 ? 'tab' : 'tabs'),
  reason: (why, [a = 0, b = 0], _where, say) => {
    switch (why) {
      case 'none-fits':
        return `Not even one tab ${say(a)} wide fits`;
      case 'corner-too-large':
        return `${say(a)} off each corner is more than the ${say(b)} that there is`;
      default:
        return `Together they are ${say(a)} too much`;
    }
  },
  fact: (name, [a = 0, b = 0, c = 0], say) =>
    name === 'double'
      ? `cut each ${say(a)} × ${say(b)} and fold it in half; ${say(c)} goes over the edge on both sides`
      : `cut each ${say(a)} × ${say(b)}; ${say(c)} of it goes behind the edge`,
};
