import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  play: 'play on each side',
  side: 'side',
  bottom: 'bottom',
  top: 'top',
  closes: 'the upper one is',
};
const OPTIONS: Readonly<Record<string, string>> = { slanted: 'slanted' };
const GROUPS: Readonly<Record<string, string>> = {
  card: 'what goes in',
  play: 'what goes in',
  envelope: 'the envelope, closed',
  flaps: 'the flaps',
};

export const envelope: RecipeText = {
  title: 'Envelope',
  asks: 'how large for a card, its flaps, a template at true size',
  item: (n) => (n === 1 ? 'envelope' : `envelope ${n}`),
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  part: (role, n, item) =>
    role === 'flap' ? `${item}, ${['left', 'right', 'bottom', 'top'][n - 1] ?? ''} flap` : item,
  piece: (_role, _n, item) => item,
  offer: (path, value, say) => (path[0] === 'flaps' ? `make the ${String(path.at(-1))} flap ${say(value)}` : null),
  reason: (why, [a = 0, b = 0], _where, say) => {
    switch (why) {
      case 'does-not-close':
        return `Top and bottom flap leave ${say(a)} open between them`;
      case 'flap-too-long':
        return `A flap of ${say(a)} reaches past an envelope ${say(b)} high`;
      default:
        return `Side flaps of ${say(a)} lie on one another in ${say(b)}`;
    }
  },
  advice: (_why, [a = 0], say) => `Beside the top flap it stays open by ${say(a)}; a longer bottom flap covers that`,
  fact: (name, [a = 0, b = 0], say) => {
    switch (name) {
      case 'cut':
        return `it is cut from ${say(a)} × ${say(b)} by the template, and scored along all four edges`;
      default:
        return `fold the sides in, glue the bottom flap to them; the top flap overlaps it by ${say(a)}`;
    }
  },
};
