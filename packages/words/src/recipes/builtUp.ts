import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  across: 'in a row',
  up: 'rows',
  how: 'joined',
  overlap: 'overlap',
  backing: 'backing strip',
};
const OPTIONS: Readonly<Record<string, string>> = { butt: 'edge to edge', overlap: 'overlapping' };
const GROUPS: Readonly<Record<string, string>> = {
  whole: 'the sheet',
  patch: 'one patch',
  count: 'how many',
  join: 'the joins',
};
const KINDS = ['', ' 2', ' 3', ' 4'];

export const builtUp: RecipeText = {
  title: 'Built-up sheet',
  asks: 'how many small sheets it takes, how the last is cut, what is left over',
  item: (n) => (n === 1 ? 'built-up sheet' : `built-up sheet ${n}`),
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  part: (role, n, item) => (role === 'backing' ? `backing strip ${n} of ${item}` : `${item}, patch ${n}`),
  piece: (role, n, item) =>
    role === 'backing' ? `backing strip of ${item}${KINDS[n - 1] ?? ''}` : `patch of ${item}${KINDS[n - 1] ?? ''}`,
  reason: (why, [a = 0, b = 0], _where, say) => {
    switch (why) {
      case 'not-enough':
        return `Together they reach only ${say(a)} of ${say(b)}`;
      case 'one-too-many':
        return `Fewer of them reach ${say(a)} as well`;
      case 'overlap-too-wide':
        return `An overlap of ${say(a)} leaves nothing of ${say(b)}`;
      default:
        return `Of ${say(a)} it would take too many for ${say(b)}`;
    }
  },
  fact: (_name, [a = 0, b = 0], say) => `${say(a)} × ${say(b)} is left of each that is cut short`,
};
