import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  both: 'level strips',
  count: 'strips',
  gap: 'gap',
  order: 'papers in their order',
  pattern: 'over and under',
  repeat: 'repeat',
  tail: 'tail at each end',
  fringe: 'fringe',
  stock: 'length to cut from',
  as: 'backing',
  setback: 'set back',
  up: 'cut upward into',
};
const OPTIONS: Readonly<Record<string, string>> = {
  alike: 'as the upright ones',
  apart: 'with numbers of their own',
  plain: 'one over, one under',
  twill: 'twill: two over, two under, moved by one',
  typed: 'as typed',
  none: 'none',
  behind: 'a paper behind it',
};
const GROUPS: Readonly<Record<string, string>> = {
  area: 'the woven mat',
  both: 'the weave',
  pattern: 'the weave',
  repeat: 'the weave',
  upright: 'upright strips',
  level: 'level strips',
  tail: 'the ends',
  fringe: 'the ends',
  stock: 'the ends',
  backing: 'behind it',
  divide: 'afterwards',
};
const words = mapNames(FIELDS, OPTIONS, GROUPS);

export const weave: RecipeText = {
  title: 'Weave',
  asks: 'how many strips, how long, how many from one, over and under',
  item: (n) => (n === 1 ? 'weave' : `weave ${n}`),
  ...words,
  field: (path) => (path.at(-1) === 'across' ? 'cut across into' : words.field(path)),
  part: (role, n, item) =>
    role === 'backing' ? `${item}, backing` : role === 'part' ? `${item}, part ${n}` : `${item}, ${role} strip ${n}`,
  piece: (role, n, item) =>
    role === 'backing' ? `${item}, backing` : `${item}, ${role} strips${n > 1 ? ` ${'abcdefgh'[n - 1]}` : ''}`,
  offer: (path, value, say) =>
    path.at(-1) === 'count'
      ? `make it ${value} strips`
      : path[0] === 'stock'
        ? `cut from strips ${say(value)} long`
        : null,
  reason: (why, [a = 0, b = 0], _where, say) => {
    switch (why) {
      case 'does-not-cover':
        return `The strips come to ${say(b)}, ${say(a)} short of covering it`;
      case 'too-many-strips':
        return `That would be ${a} strips one way; ${b} is the most`;
      case 'repeat-uneven':
        return 'The rows of a repeat are all as long';
      case 'fringe-too-long':
        return `A fringe of ${say(a)} is more than a tail of ${say(b)} leaves`;
      case 'strip-too-short':
        return `A strip ${say(a)} long does not give one of ${say(b)}`;
      default:
        return `Set back by ${say(a)}, nothing is left of the backing`;
    }
  },
  advice: (why, [n = 0, m = 0]) =>
    why === 'more-than-cover'
      ? `${m} strips would cover it; of ${n} the outermost are trimmed off`
      : `${n === 1 ? 'One strip is' : `${n} strips are`} over or under all the others; only glue holds ${n === 1 ? 'it' : 'them'}`,
  written: (path) =>
    path.at(-1) === 'repeat'
      ? 'rows from the top; o where the level strip goes over, u where it goes under'
      : 'a letter for each paper, again and again',
  fact: (name, lengths, say) => {
    const [a = 0, b = 0, c = 0, d = 0] = lengths;
    switch (name) {
      case 'woven':
        return a === c && b === d
          ? `woven ${say(a)} × ${say(b)}`
          : `woven ${say(a)} × ${say(b)}, trimmed to ${say(c)} × ${say(d)}`;
      case 'cut':
        return a === b
          ? `${c + d} strips, each ${say(a)} long`
          : `${c} upright strips ${say(a)} long, ${d} level ones ${say(b)}`;
      case 'from-strips': {
        const each = c > 0 ? `${c} come from one strip; ` : '';
        return `${each}${b} pieces from ${d} strips${a > d ? `, from ${a} where each paper is cut by itself` : ''}`;
      }
      default:
        return `cut into ${a} parts of ${say(b)} × ${say(c)}: glue the weave to its backing first, or the parts come loose`;
    }
  },
};
