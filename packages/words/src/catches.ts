import type { Axis, CatchSays, Place } from '@temnex/core';
import { figure, type Voice } from './lengths.ts';

const EDGE: Readonly<Record<Place[Axis]['from'], string>> = {
  ...{ left: 'left edge', right: 'right edge', bottom: 'lower edge', top: 'upper edge', centre: 'middle' },
  ...{ 'left-third': 'left third', 'right-third': 'right third', 'lower-third': 'lower third', 'upper-third': 'upper third' }, // prettier-ignore
  ...{ before: 'edge', after: 'edge' },
};

/** What an item has caught: `¾ from the right edge, as the title`, `its middle level with the title`. */
export function catchWords(says: CatchSays, axis: Axis, nameOf: (item: string) => string, voice: Voice): string {
  switch (says.is) {
    case 'room':
      return says.from === 'centre' ? 'in the middle' : `on the ${EDGE[says.from]}`;
    case 'margin':
      return `${figure(says.by, voice)} from the ${EDGE[says.from]}, as ${nameOf(says.of)}`;
    case 'level':
      return `its ${EDGE[says.from]} ${axis === 'across' ? 'in line' : 'level'} with ${nameOf(says.of)}`;
    case 'touching': {
      const side = axis === 'across' ? (says.from === 'after' ? 'right of' : 'left of') : says.from === 'after' ? 'above' : 'below'; // prettier-ignore
      return `right ${side === 'right of' || side === 'left of' ? `at the ${side.split(' ')[0]} of` : side} ${nameOf(says.of)}`;
    }
    case 'gap':
      return says.as === says.of
        ? `${figure(says.by, voice)} from ${nameOf(says.of)}`
        : `${figure(says.by, voice)} from ${nameOf(says.of)}, as to ${nameOf(says.as)}`;
  }
}
