import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  side: 'side',
  short: 'uncut to the middle',
  slit: 'slit',
  back: 'what the tips show',
  past: 'past the middle',
  as: 'hub made of',
  across: 'diameter',
  number: 'how many',
  gap: 'gap',
};
const OPTIONS: Readonly<Record<string, string>> = {
  own: 'the other face of the same paper',
  lined: 'a second paper behind it',
  paper: 'paper',
  button: 'a button or a brad',
  none: 'none',
};
const GROUPS: Readonly<Record<string, string>> = {
  square: 'the square',
  tips: 'the tips',
  hub: 'the hub',
  number: 'all of them',
  gap: 'all of them',
};

export const pinwheel: RecipeText = {
  title: 'Pinwheel',
  asks: 'how long the slits are, how large the hub',
  item: (n) => (n === 1 ? 'pinwheel' : `pinwheel ${n}`),
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  part: (role, n, item) => (role === 'square' ? `${item}, square ${n}` : `${item}, ${role} ${n}`),
  piece: (role, _n, item) => (role === 'square' ? item : `${item}, ${role}`),
  offer: (path, value) => (path[0] === 'number' ? `make ${value === 1 ? 'one' : value}` : null),
  reason: (why, [a = 0, b = 0], _where, say) => {
    switch (why) {
      case 'slits-too-short':
        return `Slits that stop ${say(a)} short let no tip be folded to the middle; ${say(b)} is the most`;
      case 'past-too-far':
        return `Tips ${say(a)} past the middle are more than a square of ${say(b)} has`;
      default:
        return `${a} of them do not fit; there is room for ${b}`;
    }
  },
  advice: (_why, [least = 0], say) => `The hub leaves tips or slits in sight; ${say(least)} across covers them`,
  fact: (name, [a = 0, b = 0], say) => {
    switch (name) {
      case 'slits':
        return `slits from each corner ${say(a)}`;
      case 'hub':
        return `the smallest hub that covers the tips and the ends of the slits: ${say(a)}`;
      case 'folds':
        return `tips turn over ${say(a)} from the middle; fold them softly, or score there for sharp ones`;
      default:
        return `together ${say(a)} × ${say(b)}`;
    }
  },
};
