import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  from: 'the card',
  play: 'play on each side',
  glue: 'glued edge or flap',
  peek: 'card sticks out',
  made: 'made as',
  opens: 'opens at the',
  thumb: 'thumb hole across',
  number: 'how many',
  gap: 'gap',
};
const OPTIONS: Readonly<Record<string, string>> = {
  there: 'is there already',
  cut: 'is cut too',
  patch: 'a patch glued on three edges',
  flaps: 'a front with flaps folded behind',
  folded: 'front and back of one piece',
};
const GROUPS: Readonly<Record<string, string>> = {
  card: 'what goes in',
  pocket: 'the pocket',
  play: 'the pocket',
  glue: 'the pocket',
  peek: 'the pocket',
  made: 'how it is made',
  opens: 'how it is made',
  thumb: 'how it is made',
  number: 'all of them',
  gap: 'all of them',
};
const OPEN = ['top', 'right', 'left'] as const;
const CLOSED = { top: 'left, bottom and right', right: 'top, left and bottom', left: 'top, right and bottom' } as const;
const SIDES = { top: 'left and right', right: 'top and bottom', left: 'top and bottom' } as const;

export const pocket: RecipeText = {
  title: 'Pocket',
  asks: 'how large for a card with its play, what is glued, what stays free',
  item: (n) => (n === 1 ? 'pocket' : `pocket ${n}`),
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  part: (role, n, item) =>
    role === 'card' ? `card in ${item}, ${n}` : role === 'inside' ? `inside ${item}, ${n}` : `${item}, ${role} ${n}`,
  piece: (role, _n, item) => (role === 'card' ? `${item}, card` : item),
  offer: (path, value, say) =>
    path[0] === 'number'
      ? `make ${value === 1 ? 'one' : value}`
      : path[0] === 'thumb'
        ? `make the thumb hole ${say(value)}`
        : null,
  reason: (why, [a = 0, b = 0], _where, say) => {
    switch (why) {
      case 'out-altogether':
        return `A card of ${say(b)} that sticks out by ${say(a)} is not in the pocket`;
      case 'thumb-too-large':
        return `A thumb hole of ${say(a)} is too large for an opening of ${say(b)}`;
      default:
        return `${a} of them do not fit; there is room for ${b}`;
    }
  },
  advice: () => 'Without play the card is hard to take out; a sixteenth of an inch or 1.5 mm on each side is usual',
  fact: (name, [a = 0, b = 0], say) => {
    const opens = OPEN[b] ?? 'top';
    switch (name) {
      case 'glued-patch':
        return `glue it ${CLOSED[opens]}, ${say(a)} wide; the ${opens} stays open`;
      case 'glued-flaps':
        return `fold the flaps behind and glue them ${CLOSED[opens]}, ${say(a)} deep`;
      case 'glued-folded':
        return `fold it, then glue ${SIDES[opens]}, ${say(a)} wide`;
      case 'keep-free':
        return `inside ${say(a)} × ${say(b)} nothing may be fastened through: no brads, no stitches, no eyelets`;
      default:
        return `cut ${say(a)} × ${say(b)} for each`;
    }
  },
};
