import { COLOURS_BY_NAME } from './colour.ts';
import type { PaperFace } from './drawer.ts';
import { PATTERN_WORDS } from './stockQuery.ts';

const WHITE = '#fafafa';
const PRINT = '#8a8a8a';

/**
 * The face of a paper that is known by its name alone: in the colour and the pattern that the name says, else plain white. `navy
 * stripes` is navy with white stripes.
 */
export function guessFace(name: string): PaperFace {
  const words = name.toLowerCase().split(/[^a-z]+/);
  const colour = words.find((word) => COLOURS_BY_NAME[word]);
  const pattern = words.map((word) => PATTERN_WORDS[word]).find((one) => one !== undefined) ?? 'plain';
  const ground = colour ? COLOURS_BY_NAME[colour]! : WHITE;
  return {
    side: 'A',
    name: pattern,
    direction: pattern === 'stripes' ? 'two-way' : 'none',
    along: 'height',
    look: { pattern, ground, ink: pattern === 'plain' ? ground : ground === WHITE ? PRINT : WHITE },
  };
}
