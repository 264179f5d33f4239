import { mapNames, type RecipeText } from './words.ts';

const FIELDS: Readonly<Record<string, string>> = {
  fold: 'folded',
  leaves: 'leaves',
  panels: 'panels',
  reveal: 'reveal',
};
const OPTIONS: Readonly<Record<string, string>> = {
  side: 'at the side',
  top: 'at the top, as a tent',
  gate: 'as a gate, two halves meet in front',
  accordion: 'as an accordion',
  front: 'on the front',
  both: 'on the front and inside',
  none: 'none',
};
const GROUPS: Readonly<Record<string, string>> = {
  card: 'the closed card',
  fold: 'the closed card',
  leaves: 'the closed card',
  base: 'the base, unfolded',
  panel: 'the panel',
  panels: 'the panel',
  reveal: 'the panel',
};

export const foldedCard: RecipeText = {
  title: 'Folded card',
  asks: 'how its base is cut, where it is folded, the panels on it',
  item: (n) => (n === 1 ? 'card' : `card ${n}`),
  ...mapNames(FIELDS, OPTIONS, GROUPS),
  part: (role, n, item) =>
    role === 'base' && n === 1 ? item : role === 'front' ? `front of ${item}` : `${item}, ${role} ${n}`,
  piece: (role, _n, item) => `${item}, ${role}`,
  reason: (_why, [a = 0, b = 0], _where, say) => `A panel of ${say(a)} is larger than the card of ${say(b)}`,
  fact: (name, lengths, say) => {
    const at = lengths.map((t) => say(t)).join(', ');
    switch (name) {
      case 'inside':
        return `the panel inside ${lengths.map((t) => say(t)).join(' × ')}`;
      case 'envelope':
        return `it goes into an envelope of ${lengths.map((t) => say(t)).join(' × ')}`;
      case 'folds-top':
        return `score the base at ${at} from the bottom and fold it`;
      case 'folds-accordion':
        return `score at ${at} from the left; fold one forward, one back`;
      default:
        return `score the base at ${at} from the left and fold it`;
    }
  },
};
