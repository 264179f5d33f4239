import { formatPaperLetter } from '../letters.ts';
import type { RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  figure: 'shape',
  flats: 'across flats',
  corners: 'across corners',
  side: 'side',
  across: 'across',
  pointing: 'which way up',
  points: 'points',
  lie: 'how rows lie',
  edges: 'laid',
  columns: 'in a row',
  rows: 'rows',
  number: 'in all',
  gap: 'gap',
  length: 'a row in all',
  papers: 'papers',
};
const OPTIONS: Readonly<Record<string, string>> = {
  own: 'an outline of my own',
  scalloped: 'scalloped circle',
  'points-up': 'points up',
  'flats-up': 'flats up',
  straight: 'straight',
  moved: 'every other one moved over',
  alternating: 'one up, one down',
  whole: 'whole ones',
  cut: 'over all of the page',
  free: 'on no page yet',
};

export const shapes: RecipeText = {
  title: 'Repeated shapes',
  asks: 'hexagons, circles, hearts: their measures, how many fit, a template to trace',
  item: (n) => (n === 1 ? 'shapes' : `shapes ${n}`),
  field: (path) => FIELDS[String(path.at(-1))] ?? String(path.at(-1)),
  group: ([group]) => (group === 'size' ? 'one of them' : 'all of them'),
  option: (_path, option) => OPTIONS[option] ?? option,
  entry: () => '',
  part: (_role, n, item) => `${item}, ${n}`,
  piece: (_role, n, item) => (n === 1 ? item : `${item} ${formatPaperLetter(n)}`),
  offer: (path, value) =>
    path[0] === 'columns'
      ? `make it ${value} in a row`
      : path[0] === 'rows'
        ? `make it ${value} rows`
        : path[0] === 'number'
          ? `make it ${value}`
          : null,
  reason: (why, [a = 0, b = 0], _where, say) => {
    switch (why) {
      case 'too-much':
        return `Together they are ${say(a)} too much`;
      case 'none-fits':
        return `Not even one of ${say(a)} × ${say(b)} fits`;
      case 'too-many':
        return `That would be ${a} of them; ${b} is the most`;
      default:
        return 'There is no outline yet: read one from an SVG file';
    }
  },
  fact: (name, lengths, say) => {
    const [a = 0, b = 0, c = 0, d = 0] = lengths;
    switch (name) {
      case 'made':
        return a === 1 ? 'one' : `${a} of them`;
      case 'papers':
        return lengths.map((n, i) => `${n} of ${formatPaperLetter(i + 1)}`).join(', ');
      case 'at-edges': {
        const served = c
          ? `; of ${c} the part that is cut off serves at the edge across, so that ${d} are cut in all`
          : '';
        return `${a} whole, ${b} cut off at the edges of the page${served}`;
      }
      default:
        return `rows ${say(a)} apart${b ? `, every other one moved over by ${say(b)}` : ''}`;
    }
  },
  advice: (_why, [n = 0]) =>
    `${n === 1 ? 'One pair of neighbours matches' : `${n} pairs of neighbours match`}; another paper would help`,
};
