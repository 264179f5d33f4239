import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  along: 'along',
  is: 'this paper',
  inset: 'inset',
  spacing: 'from hole to hole',
  holes: 'holes',
  across: 'hole across',
  stitch: 'stitches',
};
const OPTIONS: Readonly<Record<string, string>> = {
  line: 'a line',
  panel: 'the edge of a panel',
  circle: 'a circle',
  heart: 'a heart',
  star: 'a star',
  hexagon: 'a hexagon',
  cut: 'is cut for it',
  there: 'is there already',
  running: 'running, over and under',
  back: 'back stitches',
};
const GROUPS: Readonly<Record<string, string>> = {
  along: 'what is stitched',
  ground: 'what is stitched',
  inset: 'the holes',
  spacing: 'the holes',
  holes: 'the holes',
  across: 'the holes',
  stitch: 'the holes',
};

export const stitches: RecipeText = {
  title: 'Stitch holes',
  asks: 'how many holes, how far apart with ends alike, a template to prick by',
  item: (n) => (n === 1 ? 'stitching' : `stitching ${n}`),
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  part: (_role, _n, item) => item,
  piece: (_role, _n, item) => item,
  offer: (path, value, say) => (path[0] === 'inset' ? `go ${say(value)} in` : null),
  reason: (why, [a = 0, b = 0], _where, say) => {
    switch (why) {
      case 'no-room':
        return `${say(a)} in from both edges nothing is left of ${say(b)}`;
      case 'too-many-holes':
        return `That would be some ${a} holes; ${b} is the most`;
      default:
        return `Holes ${say(a)} across run into each other ${say(b)} apart`;
    }
  },
  advice: (_why, [n = 0, m = 0]) =>
    `With ${n} holes a running stitch ends on the other face than it begins; with ${m} both ends are alike`,
  fact: (name, lengths, say) => {
    const [a = 0, b = 0] = lengths;
    switch (name) {
      case 'holes':
        return `${a} holes`;
      case 'sides':
        return a === b
          ? `${say(a)} apart on all sides`
          : `${say(a)} apart across, ${say(b)} up and down; a hole in every corner`;
      case 'even':
        return `${lengths.map((t) => say(t)).join(' and ')} apart`;
      case 'back':
        return `thread: three times ${say(a)}, and enough to knot`;
      default:
        return `thread: about ${say(a)} and half as much again, and enough to knot`;
    }
  },
};
