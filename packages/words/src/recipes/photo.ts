import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  border: 'white border',
  keep: 'so that',
  across: 'kept across',
  upDown: 'kept up or down',
  left: 'off at the left',
  top: 'off at the top',
};
const OPTIONS: Readonly<Record<string, string>> = {
  fill: 'it is filled',
  whole: 'nothing is lost',
  trim: 'this print is trimmed',
};
const GROUPS: Readonly<Record<string, string>> = {
  print: 'the print',
  image: 'the picture in it',
  crop: 'as another size',
};

export const photo: RecipeText = {
  title: 'A print',
  asks: 'its printed border counted in or out, what another size would lose',
  item: (n) => `print ${n}`,
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  part: (_role, _n, item) => item,
  piece: (_role, _n, item) => item,
  reason: (why, [border, most], where, say) =>
    why === 'off-too-much'
      ? `No more than ${say(most ?? 0)} can come off there, not ${say(border ?? 0)}`
      : why === 'trimmed-larger'
        ? `${where} would be ${say(border ?? 0)} more than the print itself`
        : `A border of ${say(border ?? 0)} leaves nothing to see; it can be ${say(most ?? 0)} at the most`,
  fact: (name, lengths, say) => {
    const [a = 0, b = 0, c = 0, d = 0] = lengths;
    switch (name) {
      case 'enlarged':
        return `each inch becomes ${say(a)}`;
      case 'scaled':
        return `the whole picture: ${say(a)} × ${say(b)}`;
      case 'lost':
        if (!a && !b && !c && !d) return 'nothing is lost';
        return a || b
          ? `lost: ${say(a)} left and ${say(b)} right`
          : `lost: ${say(c)} at the top and ${say(d)} at the bottom`;
      case 'trimmed': {
        const off = [`${say(a)} left`, `${say(b)} right`, `${say(c)} at the top`, `${say(d)} at the bottom`];
        const some = off.filter((_, i) => lengths[i]);
        return some.length ? `cut off: ${some.join(', ')}` : 'nothing is cut off';
      }
      case 'offcuts': {
        const pairs = lengths.flatMap((wide, i) => (i % 2 ? [] : [`${say(wide)} × ${say(lengths[i + 1]!)}`]));
        return `left over, the upright cuts made first: ${pairs.join(', ')}`;
      }
      case 'lost-of-original':
        return a || b ? `of the print as it is: ${say(Math.max(a, b))}` : null;
      case 'short':
        return a || b ? `short by ${say(Math.max(a, b))}` : null;
      default:
        return null;
    }
  },
};
