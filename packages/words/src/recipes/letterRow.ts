import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  title: 'title',
  number: 'how many letters',
  narrow: 'of a narrow one',
  wide: 'of a wide one',
  made: 'they are',
  gap: 'gap',
  space: 'between words',
  across: 'the title in all',
  within: 'room for it',
  have: 'letters that are left',
};
const OPTIONS: Readonly<Record<string, string>> = { there: 'there already', cut: 'tiles to cut' };
const GROUPS: Readonly<Record<string, string>> = {
  title: 'the words',
  number: 'the words',
  have: 'the words',
  letter: 'each letter',
  row: 'the row',
};

export const letterRow: RecipeText = {
  title: 'Letter row',
  asks: 'whether a title fits, letter by letter, and which letters are missing',
  item: (n) => (n === 1 ? 'title' : `title ${n}`),
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  part: (_role, n, item) => `${item}, letter ${n}`,
  piece: (_role, n, item) => `${item}, tiles${n > 1 ? ` ${n}` : ''}`,
  reason: (why, [a = 0, b = 0], _where, say) =>
    why === 'too-long'
      ? `The title is ${say(a)} too long; ${b} ${b === 1 ? 'letter fits' : 'letters fit'}`
      : `A gap of ${say(a)} puts letters of ${say(b)} on one another`,
  offer: (path, value, say) =>
    path.at(-1) === 'gap'
      ? value < 0
        ? `overlap the letters by ${say(-value)}`
        : `make the gap ${say(value)}`
      : path.at(-1) === 'width'
        ? `take letters ${say(value)} wide`
        : null,
  advice: (_why, lengths) => `These are missing: ${lengths.map((code) => String.fromCodePoint(code)).join(' ')}`,
  written: (path) =>
    path.at(-1) === 'have' ? 'each letter as often as it is there' : 'letters, digits and the marks of a title',
  fact: (name, lengths, say) => {
    const [a = 0, b = 0] = lengths;
    switch (name) {
      case 'counted':
        return `${a} ${a === 1 ? 'letter' : 'letters'}`;
      case 'left':
        return `it fits; ${say(a)} is left, ${say(b)} on either side where it is centred`;
      default:
        return `what is left after each letter: ${lengths.map((t) => say(t)).join(', ')}`;
    }
  },
};
