import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  long: 'length',
  width: 'width',
  repeat: 'repeat',
  depth: 'depth',
  middle: 'on the middle mark',
  sides: 'strips',
  high: 'height of the panel',
};
const OPTIONS: Readonly<Record<string, string>> = {
  crest: 'a crest',
  valley: 'a valley',
  better: 'whichever leaves less over',
  one: 'one',
  two: 'above and below a panel',
  all: 'round a panel',
};
const GROUPS: Readonly<Record<string, string>> = { strip: 'the strip', punch: 'the punch', panel: 'the panel' };

export const borderStrip: RecipeText = {
  title: 'Border strip',
  asks: 'how many whole repeats fit, where to begin so that both ends match',
  item: (n) => (n === 1 ? 'border strip' : `border strip ${n}`),
  ...mapNames(FIELDS, OPTIONS, {}),
  group: ([group]) => GROUPS[String(group)] ?? 'the panel',
  part: (role, _n, item) => `${item}, ${role}`,
  piece: (role, _n, item) => `${item}, ${role}`,
  reason: (why, [a = 0, b = 0], _where, say) => {
    switch (why) {
      case 'punch-too-deep':
        return `A punch ${say(a)} deep leaves nothing of a strip ${say(b)} wide`;
      case 'punch-too-steep':
        return `Crests ${say(a)} deep are more than half a repeat of ${say(b)}`;
      default:
        return `Not a single repeat of ${say(a)} has its place on ${say(b)}`;
    }
  },
  fact: (name, [a = 0, b = 0], say) => {
    if (name === 'corners-differ') return `at the corners ${say(a)} meets ${say(b)}: they do not match`;
    const [kind = '', ...rest] = name.split('-');
    const [middle = '', edge] = kind === 'otherwise' ? rest : [kind, rest[0]];
    const over = b ? `${say(b)} over at each end` : 'from end to end';
    const repeats = `${a} ${a === 1 ? 'repeat' : 'repeats'}, ${over}`;
    const where = edge === 'left' ? 'left and right: ' : '';
    return kind === 'otherwise'
      ? `${where}with a ${middle} there instead: ${repeats}`
      : `${where}begin with a ${middle} on the middle mark: ${repeats}`;
  },
};
