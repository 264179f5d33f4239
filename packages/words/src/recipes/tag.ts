import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  top: 'upper corners',
  crop: 'off each corner',
  as: 'a hole',
  across: 'hole across',
  below: 'hole below the edge',
  number: 'how many',
  gap: 'gap',
};
const OPTIONS: Readonly<Record<string, string>> = { hole: 'punched', straight: 'left square', round: 'rounded' };
const GROUPS: Readonly<Record<string, string>> = {
  tag: 'each tag',
  top: 'each tag',
  crop: 'each tag',
  hole: 'the hole',
  number: 'all of them',
  gap: 'all of them',
};

export const tag: RecipeText = {
  title: 'Tags',
  asks: 'how the corners are cropped, where the hole goes',
  item: (n) => (n === 1 ? 'tags' : `tags ${n}`),
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  part: (_role, n, item) => `${item}, ${n}`,
  piece: (_role, _n, item) => item,
  offer: (path, value, say) =>
    path[0] === 'number'
      ? `make ${value === 1 ? 'one' : value}`
      : path[0] === 'crop'
        ? `take ${say(value)} off each corner`
        : null,
  reason: (why, [a = 0, b = 0], _where, say) => {
    switch (why) {
      case 'crop-too-large':
        return `${say(a)} off both corners leaves nothing of an upper edge ${say(b)} wide`;
      case 'hole-outside':
        return `A hole ${say(a)} across, ${say(b)} below the edge, does not lie inside the tag`;
      default:
        return `${a} of them do not fit; there is room for ${b}`;
    }
  },
  fact: (name, [a = 0, b = 0], say) => {
    switch (name) {
      case 'cropped':
        return `mark ${say(a)} along both edges of each upper corner and cut between the marks; ${say(b)} of the upper edge is left`;
      case 'rounded':
        return `round the upper corners, radius ${say(a)}`;
      default:
        return `the hole ${say(a)} from the left, ${say(b)} below the upper edge`;
    }
  },
};
