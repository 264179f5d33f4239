import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  x: 'from the left',
  y: 'from the bottom',
  radius: 'radius',
  width: 'width',
  other: 'width of every other',
  tuck: 'tuck',
  count: 'how many',
  apart: 'degrees between two',
  turn: 'turned by degrees',
  list: 'degrees of each',
  order: 'papers in their order',
  how: 'one that is longer',
  lap: 'overlap of a join',
};
const OPTIONS: Readonly<Record<string, string>> = {
  'lower-left': 'lower left corner',
  'lower-right': 'lower right corner',
  'upper-left': 'upper left corner',
  'upper-right': 'upper right corner',
  bottom: 'middle of the bottom edge',
  left: 'middle of the left edge',
  right: 'middle of the right edge',
  top: 'middle of the top edge',
  middle: 'middle of the page',
  even: 'evenly',
  paper: 'a paper hub',
  none: 'something else covers them',
  whole: 'is cut whole all the same',
  join: 'is joined of two',
  diagonal: 'is cut on the diagonal',
};
const GROUPS: Readonly<Record<string, string>> = {
  centre: 'the centre',
  hub: 'the hub',
  ray: 'the rays',
  angles: 'the angles',
  order: 'the rays',
  sheet: 'sheets they come from',
  long: 'sheets they come from',
};
const words = mapNames(FIELDS, OPTIONS, GROUPS);
const turn = (tenths: number): string => `${tenths / 10}°`;

export const rays: RecipeText = {
  title: 'Rays',
  asks: 'how long each is with its slanted end, and which no sheet gives',
  item: (n) => (n === 1 ? 'rays' : `rays ${n}`),
  ...words,
  field: (path) =>
    path.at(-1) === 'as'
      ? path[0] === 'hub'
        ? 'over their ends'
        : 'they stand'
      : path.at(-1) === 'at'
        ? 'they come from'
        : words.field(path),
  option: (path, option) =>
    option === 'typed' ? (path[0] === 'centre' ? 'a place of my own' : 'as typed') : words.option(path, option),
  part: (role, n, item) => (role === 'hub' ? `${item}, hub` : `${item}, ray ${n}`),
  piece: (role, n, item) =>
    role === 'hub' ? `${item}, hub` : `${item}, ray ${n}${role === 'inner' ? ', inner part' : ''}`,
  offer: (path, value, say) => (path.at(-1) === 'radius' ? `make the hub ${say(value)} in radius` : null),
  reason: (why, [a = 0, b = 0, c = 0], _where, say) => {
    switch (why) {
      case 'misses-page':
        return `A ray at ${turn(a)} does not go over the page from there`;
      case 'under-hub':
        return `Of the ray at ${turn(a)} nothing is seen beyond a hub of ${say(b)}`;
      case 'too-many-rays':
        return `That would be ${a} rays; ${b} is the most`;
      case 'wider-than-hub':
        return `Rays ${say(a)} wide do not go under a hub ${say(b)} across`;
      case 'too-long-aslant':
        return `Ray ${a} is ${say(b)} long; on the diagonal a sheet gives ${say(c)}`;
      case 'lap-too-long':
        return `Ray ${a} cannot be joined of two with ${say(b)} of overlap from sheets ${say(c)} long`;
      default:
        return `Two rays stand at ${turn(a)}`;
    }
  },
  advice: (why, [a = 0, b = 0, c = 0, d = 0], say) =>
    why === 'too-long'
      ? `Ray ${a} is ${say(b)} long, a sheet ${say(c)}: join it of two with the seam near the hub, ${
          b <= d
            ? `cut it on the diagonal (up to ${say(d)} at that width)`
            : `take a larger sheet (the diagonal gives ${say(d)})`
        }, or take the next paper`
      : `At the sides of a ray its end shows beyond the hub; a tuck of ${say(a)} or more hides it`,
  written: (path) =>
    path.at(-1) === 'list'
      ? 'degrees from the right, counter-clockwise, as many as there are rays'
      : 'a letter for each paper, again and again',
  fact: (name, lengths, say) => {
    switch (name) {
      case 'angles':
        return `they stand at ${lengths.map((t) => turn(t)).join(', ')}, counted from the right`;
      case 'lengths':
        return `cut them ${lengths.map((t, i) => `${i + 1}: ${say(t)}`).join(', ')} long; glue each on and trim it flush with the page`;
      case 'joined':
        return `ray ${lengths[0]}: an inner part of ${say(lengths[1] ?? 0)} goes under the outer one by ${say(lengths[2] ?? 0)}; its seam lies near the hub`;
      default:
        return `each begins ${say(lengths[0] ?? 0)} from the centre`;
    }
  },
};
