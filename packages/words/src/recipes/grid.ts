import type { RecipeWords } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  as: 'they are',
  columns: 'columns',
  rows: 'rows',
  gutter: 'gutter',
  spread: 'spread',
  across: 'margin left and right',
  upDown: 'margin top and bottom',
  papers: 'papers',
  column: 'from column',
  row: 'from row',
};
const OPTIONS: Readonly<Record<string, string>> = {
  square: 'square',
  free: 'as wide and high as said',
  room: 'over the whole page',
  grid: 'as large as it is',
};

export const grid: RecipeWords = {
  title: 'Grid',
  asks: 'how large the cells come out, how many fit, where to pencil',
  item: (n) => (n === 1 ? 'grid' : `grid ${n}`),
  field: (path) => {
    const name = String(path.at(-1));
    if (path[0] === 'large' && (name === 'columns' || name === 'rows'))
      return `${name} wide`.replace('rows wide', 'rows high');
    return FIELDS[name] ?? name;
  },
  group: ([group, i]) =>
    group === 'large' ? `large cell ${Number(i) + 1}` : group === 'cell' ? 'one cell' : 'the grid',
  option: (_path, option) => OPTIONS[option] ?? option,
  entry: () => 'a large cell',
  part: (role, n, item) => (role === 'large' ? `${item}, large ${n}` : `${item}, cell ${n}`),
  piece: (role, n, item) =>
    role === 'large' ? `${item}, large ${n}` : n === 1 ? `${item}, cells` : `${item}, cells in paper ${n}`,
  offer: (path, value) => (path[0] === 'columns' || path[0] === 'rows' ? `make it ${value} ${path[0]}` : null),
  reason: (why, [a = 0], where, say) => {
    switch (why) {
      case 'too-much':
        return `Together they are ${say(a)} too much`;
      case 'none-fits':
        return `Not even one of ${say(a)} fits`;
      case 'large-outside':
        return `It reaches beyond the grid: ${where}`;
      default:
        return 'It lies over another large cell';
    }
  },
  fact: (name, lengths) => {
    if (name === 'cells') return `${lengths[0]} cells${lengths[1] ? ` and ${lengths[1]} large` : ''}`;
    return `no two neighbours alike: ${lengths.map((n, i) => `${n} of paper ${i + 1}`).join(', ')}`;
  },
};
