import { layerField, revealStyle, describeReveals, type RecipeText, type FormatLength } from './words.ts';

const GROUPS: Readonly<Record<string, string>> = {
  outer: 'the mat',
  ring: 'the ring',
  centre: 'the centre',
  above: 'what lies above',
};
const both = ([a = 0, b = 0]: readonly number[], say: FormatLength): string =>
  a === b ? say(a) : `${say(a)} left and right, ${say(b)} top and bottom`;

export const hollowMat: RecipeText = {
  title: 'Hollow mat',
  asks: 'what comes free of it, whether the lip holds, where the knife starts',
  item: (n) => (n === 1 ? 'hollow mat' : `hollow mat ${n}`),
  field: (path) => (path[0] === 'lip' ? 'lip' : path.at(-1) === 'all' ? 'width' : layerField(path)),
  group: ([group]) => GROUPS[String(group)] ?? String(group),
  option: (_path, option) => revealStyle(option),
  entry: () => '',
  part: (role, _n, item) => (role === 'centre' ? `${item}, centre` : item),
  piece: (_role, _n, item) => item,
  reason: (why, [a = 0, b = 0], _where, say) =>
    why === 'no-ring'
      ? `An opening of ${say(a)} leaves no ring of ${say(b)}`
      : `What lies above is ${say(a)} and does not cover an opening of ${say(b)}: there is no lip to glue it to`,
  fact: (name, lengths, say) => {
    const [left = 0, bottom = 0, width = 0, height = 0] = lengths;
    switch (name) {
      case 'stop-cuts':
        return left === bottom && width === height
          ? `four cuts, each from ${say(left)} in, ${say(width)} long`
          : `four cuts: from ${say(left)} in, ${say(width)} long across; from ${say(bottom)} in, ${say(height)} long upwards`;
      case 'lip':
        return `lip ${both(lengths, say)}`;
      case 'seen':
        return `of the ring is seen ${both(lengths, say)}`;
      default:
        return describeReveals(lengths, say).replace('reveals', 'wide');
    }
  },
};
