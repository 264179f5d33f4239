import { formatPaperLetter } from '../letters.ts';
import type { RecipeText } from './words.ts';

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
  paper: 'paper',
  pattern: 'laid by hand',
  tilt: 'tilt, degrees',
  jitter: 'shift',
  seed: 'shuffle',
};
const GROUPS: Readonly<Record<string, string>> = { cell: 'one cell', papers: 'papers', loose: 'how loose' };
const OPTIONS: Readonly<Record<string, string>> = {
  square: 'square',
  free: 'as wide and high as said',
  room: 'over the whole page',
  grid: 'as large as it is',
  pattern: 'one of the cells’ papers',
  own: 'a paper of its own',
};

const counted = (counts: readonly number[]): string =>
  counts.map((n, i) => `${n} of ${formatPaperLetter(i + 1)}`).join(', ');

export const grid: RecipeText = {
  title: 'Grid',
  asks: 'how large the cells come out, how many fit, where to pencil',
  item: (n) => (n === 1 ? 'grid' : `grid ${n}`),
  field: (path) => {
    const name = String(path.at(-1));
    if (path[0] === 'large' && (name === 'columns' || name === 'rows'))
      return `${name} wide`.replace('rows wide', 'rows high');
    if (path[0] === 'counts') return `cells in ${formatPaperLetter(Number(name))}`;
    return FIELDS[name] ?? name;
  },
  group: ([group, i]) => (group === 'large' ? `large cell ${Number(i) + 1}` : (GROUPS[String(group)] ?? 'the grid')),
  option: (_path, option) => OPTIONS[option] ?? option,
  entry: () => 'a large cell',
  part: (role, n, item) => (role === 'large' ? `${item}, large ${n}` : `${item}, cell ${n}`),
  piece: (role, n, item) => (role === 'large' ? `${item}, large ${n}` : `${item}, cells ${formatPaperLetter(n)}`),
  offer: (path, value) => (path[0] === 'columns' || path[0] === 'rows' ? `make it ${value} ${path[0]}` : null),
  reason: (why, [a = 0, b = 0], where, say) => {
    switch (why) {
      case 'too-much':
        return `Together they are ${say(a)} too much`;
      case 'none-fits':
        return `Not even one of ${say(a)} fits`;
      case 'too-many-counted':
        return `The papers are counted for ${a} cells, and there are only ${b}`;
      case 'too-few-counted':
        return `The papers are counted for only ${a} cells, and there are ${b}`;
      case 'large-outside':
        return `It reaches beyond the grid: ${where}`;
      default:
        return 'It lies over another large cell';
    }
  },
  fact: (name, lengths) => {
    if (name === 'cells') return `${lengths[0]} cells${lengths[1] ? ` and ${lengths[1]} large` : ''}`;
    return `no two neighbours alike: ${counted(lengths)}`;
  },
  advice: (why, lengths, say) => {
    const [n = 0, apart = 0] = lengths;
    const pairs = n === 1 ? 'One pair of neighbours matches' : `${n} pairs of neighbours match`;
    switch (why) {
      case 'uneven':
        return `So that no neighbours match, the papers come out as ${counted(lengths)}`;
      case 'alike':
        return `${pairs}: with these papers and counts it cannot be otherwise; another paper would help`;
      case 'alike-for-now':
        return `${pairs}; nothing better was found`;
      case 'by-hand-alike':
        return `${pairs}, as laid by hand; leave that empty and the papers are spread`;
      default:
        return `${n === 1 ? 'One lies' : `${n} lie`} over a neighbour; a gutter of ${say(apart)} keeps all of them apart`;
    }
  },
  written: () => 'a letter for each cell, rows from the top; a short one is repeated',
  byHand: 'Press a cell for its next paper; drag from one to another to make them one.',
};
