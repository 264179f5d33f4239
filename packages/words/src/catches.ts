import type { Axis, CatchReason, Coverage, Place } from '@temnex/core/page';
import { formatLength, type Voice } from './lengths.ts';

const EDGE: Readonly<Record<Place[Axis]['from'], string>> = {
  left: 'left edge',
  right: 'right edge',
  bottom: 'lower edge',
  top: 'upper edge',
  centre: 'middle',
  'left-third': 'left third',
  'right-third': 'right third',
  'lower-third': 'lower third',
  'upper-third': 'upper third', // prettier-ignore
  before: 'edge',
  after: 'edge',
};

/** What an item has caught: `¾ from the right edge, as the title`, `its middle level with the title`. */
export function describeCatch(says: CatchReason, axis: Axis, nameOf: (item: string) => string, voice: Voice): string {
  switch (says.is) {
    case 'room':
      return says.from === 'centre' ? 'in the middle' : `on the ${EDGE[says.from]}`;
    case 'margin':
      return `${formatLength(says.by, voice)} from the ${EDGE[says.from]}, as ${nameOf(says.of)}`;
    case 'level':
      return `its ${EDGE[says.from]} ${axis === 'across' ? 'in line' : 'level'} with ${nameOf(says.of)}`;
    case 'touching': {
      const side = axis === 'across' ? (says.from === 'after' ? 'right of' : 'left of') : says.from === 'after' ? 'above' : 'below'; // prettier-ignore
      return `right ${side === 'right of' || side === 'left of' ? `at the ${side.split(' ')[0]} of` : side} ${nameOf(says.of)}`;
    }
    case 'gap':
      return says.as === says.of
        ? `${formatLength(says.by, voice)} from ${nameOf(says.of)}`
        : `${formatLength(says.by, voice)} from ${nameOf(says.of)}, as to ${nameOf(says.as)}`;
  }
}

/** How much of what must stay is hidden, and by what: `28 % of what must stay is covered, by the title`. */
export function describeCoverage({ hidden, by }: Coverage, nameOf: (item: string) => string): string {
  const names = by.slice(0, 4).map(({ item, share }) => (by.length > 1 ? `${nameOf(item)} (${Math.round(share * 100)} %)` : nameOf(item))); // prettier-ignore
  return `about ${Math.max(1, Math.round(hidden * 100))} % of what must stay is covered, by ${names.join(', ')}.`;
}

/** What is cut away across from something that is added to a finished page. */
export function describeCutAway(
  by: string,
  { edge, items }: { readonly edge: string; readonly items: readonly string[] },
  nameOf: (item: string) => string,
): string {
  const there = items.length ? `there lies ${items.slice(0, 4).map(nameOf).join(', ')}` : 'nothing lies there';
  return `Added to a finished page, ${by} is cut off its ${edge} edge instead, so that it keeps its size: ${there}.`;
}
