import { mapNames, describeRowOffer, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  width: 'width',
  length: 'length',
  count: 'how many',
  spread: 'spread',
  gap: 'gap',
  margin: 'margin',
  across: 'across in all',
  shape: 'end',
  depth: 'depth',
  longer: 'longer edge',
  as: 'lengths',
  shortest: 'shortest',
  line: 'along',
  drop: 'drop',
};
const OPTIONS: Readonly<Record<string, string>> = {
  room: 'over the whole width',
  row: 'as a row',
  straight: 'straight',
  notch: 'notched',
  point: 'pointed',
  slant: 'slanted',
  mixed: 'mixed',
  even: 'all as long',
  ragged: 'ragged',
  level: 'a level line',
  curve: 'a curve',
};
const GROUPS: Readonly<Record<string, string>> = {
  strip: 'one banner',
  row: 'the row',
  end: 'the end',
  ragged: 'their lengths',
  hang: 'the line',
};

export const bannerStrip: RecipeText = {
  title: 'Banners',
  asks: 'how many fit, how wide they come out, where the notch begins',
  item: (n) => (n === 1 ? 'banners' : `banners ${n}`),
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  option: (path, option) => (path[0] === 'hang' && option === 'slant' ? 'a slanted line' : (OPTIONS[option] ?? option)),
  part: (_role, n, item) => `${item}, no. ${n}`,
  piece: (_role, n, item) => (n === 1 ? item : `${item}, no. ${n}`),
  offer: (path, value, say) => describeRowOffer(path, value, say, 'banners'),
  reason: (why, [a = 0, b = 0, c = 0], _where, say) => {
    switch (why) {
      case 'too-much':
        return `Together they are ${say(a)} too wide`;
      case 'none-fits':
        return `Not even one of ${say(a)} fits`;
      case 'drop-too-deep':
        return `A line ${say(b)} long cannot drop by ${say(a)}`;
      case 'shortest-too-long':
        return `The shortest cannot be ${say(a)}: longer than its end of ${say(b)} and no longer than ${say(c)}`;
      default:
        return `An end ${say(a)} deep leaves nothing of a banner ${say(b)} long`;
    }
  },
  fact: (name, lengths, say) => {
    const [a = 0, b = 0, turned = 0] = lengths;
    switch (name) {
      case 'centre-mark':
        return `pencil a line along its middle, ${say(a)} from the side`;
      case 'lengths':
        return `cut ${lengths.map((t) => say(t)).join(', ')} long`;
      case 'hung': {
        const degrees = Math.abs(turned) / 10;
        const how = degrees < 0.05 ? 'level' : `${degrees.toFixed(1)}° down to the ${turned > 0 ? 'right' : 'left'}`;
        return `middle of its upper edge ${say(a)} from the left, ${say(b)} below the top, ${how}`;
      }
      default:
        return `on that line it is ${say(a)} long`;
    }
  },
};
