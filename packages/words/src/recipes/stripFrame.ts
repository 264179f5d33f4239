import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = { corners: 'corners', sits: 'it lies', stock: 'length to cut from' };
const OPTIONS: Readonly<Record<string, string>> = {
  closed: 'closed, two run over',
  open: 'open',
  butted: 'butted, each over one',
  mitred: 'mitred',
  outside: 'round the photo',
  over: 'on the photo',
};
const GROUPS: Readonly<Record<string, string>> = {
  photo: 'the photo',
  strip: 'the strips',
  outer: 'the frame outside',
  frame: 'the frame',
  corners: 'the frame',
  sits: 'the frame',
};

export const stripFrame: RecipeText = {
  title: 'Strip frame',
  asks: 'how long each edge is, how many come from one strip, how many strips',
  item: (n) => (n === 1 ? 'strip frame' : `strip frame ${n}`),
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  part: (role, _n, item) => (role === 'print' ? `photo in ${item}` : `${item}, ${role}`),
  piece: (role, _n, item) => `${item}, ${role}`,
  reason: (why, [a = 0, b = 0], _where, say) =>
    why === 'strip-too-short'
      ? `A strip ${say(a)} long does not give an edge of ${say(b)}`
      : `Strips ${say(a)} wide leave nothing between the corners`,
  fact: (name, lengths, say) => {
    const [a = 0, b = 0, c = 0] = lengths;
    switch (name) {
      case 'lengths':
        return a === b
          ? `edges left and right ${say(a)}, top and bottom ${say(c)}`
          : `edges ${lengths.map((t) => say(t)).join(', ')}`;
      case 'strips':
        return `it takes ${a} ${a === 1 ? 'strip' : 'strips'}; ${b} ${b === 1 ? 'edge comes' : 'edges come'} from one`;
      default:
        return `the longest piece left over is ${say(a)}`;
    }
  },
};
