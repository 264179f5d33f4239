import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  form: 'form',
  width: 'width',
  count: 'strips',
  spread: 'degrees in all',
  apart: 'degrees between two',
  towards: 'looks',
  by: 'held by',
  inset: 'hole from the end',
  hole: 'hole across',
};
const OPTIONS: Readonly<Record<string, string>> = {
  fan: 'a fan, from near one end',
  burst: 'a burst, from the middle',
  brad: 'a brad through a hole',
  glue: 'glue',
};
const GROUPS: Readonly<Record<string, string>> = {
  form: 'the burst',
  towards: 'the burst',
  strip: 'each strip',
  count: 'the turn',
  angle: 'the turn',
  held: 'the point',
};
const words = mapNames(FIELDS, OPTIONS, GROUPS);

export const burst: RecipeText = {
  title: 'Burst or fan',
  asks: 'strips trimmed to the shortest, the angle between them, the hole',
  item: (n) => (n === 1 ? 'burst' : `burst ${n}`),
  ...words,
  field: (path) =>
    path[0] === 'strips' ? 'length now' : path.at(-1) === 'length' ? 'length of each' : words.field(path),
  group: (path) => (path[0] === 'strips' ? `strip ${Number(path[1]) + 1}` : words.group(path)),
  entry: () => 'a strip that is there',
  part: (_role, n, item) => `${item}, strip ${n}`,
  piece: (_role, _n, item) => `${item}, strips`,
  offer: (path, value) => (path.at(-1) === 'spread' ? `spread them over ${value}°` : null),
  reason: (why, [a = 0, b = 0, c = 0], _where, say) => {
    switch (why) {
      case 'longer-than-shortest':
        return `The shortest strip is ${say(b)} long, not ${say(a)}`;
      case 'too-far-round':
        return `Together they turn by ${a}°; more than ${b}° lie on one another`;
      case 'hole-outside':
        return `A hole ${say(a)} across, ${say(b)} from the end, does not lie inside a strip ${say(c)} wide`;
      case 'more-are-there':
        return `${b} strips are there, not ${a}`;
      default:
        return `Not even one strip goes into that at ${a}° apart`;
    }
  },
  fact: (name, lengths, say) => {
    const [a = 0] = lengths;
    switch (name) {
      case 'off':
        return `trimmed to the shortest; off ${lengths.map((t) => say(t)).join(', ')}`;
      case 'apart':
        return `they stand ${a / 10}° apart`;
      case 'clear':
        return `each is clear of the next from ${say(a)} out`;
      default:
        return `the hole ${say(a)} from the end, in the middle across`;
    }
  },
};
