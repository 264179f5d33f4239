import type { DemandNote } from '@temnex/core/cutting';

/** What is to be thought of before a paper is cut, as a sentence. */
export function describeDemandNote(note: DemandNote, nameOf: (id: string) => string): string {
  const list = (ids: readonly string[]) =>
    `${ids.slice(0, 3).map(nameOf).join(', ')}${ids.length > 3 ? ` and ${ids.length - 3} more` : ''}`;
  switch (note.code) {
    case 'both-sides':
      return `Both its sides are wanted: A by ${list(note.a)}; B by ${list(note.b)}. Cutting a piece spends both.`;
    case 'same-item':
      return `${list(note.pages)} are to be cut from one and the same sheet; there is not one for each.`;
    case 'kept-for-nothing':
      return `${note.count} kept for ${nameOf(note.page)}, which wants none of it.`;
  }
}
