import type { Ticks } from '../length/index.ts';
import type { DerivedPage, Part } from './derive.ts';

/** One thing that a change moved. */
export type Move =
  | { part: string; name: string; what: 'width' | 'height' | 'x' | 'y'; from: Ticks; to: Ticks }
  | { part: string; name: string; what: 'added' | 'removed' };

/** What differs between two states of a page: sizes first, then places, then what came and went. */
export function listMoves(before: DerivedPage, after: DerivedPage): Move[] {
  const old = new Map(before.parts.map((p) => [p.id, p]));
  const now = new Map(after.parts.map((p) => [p.id, p]));
  const differing = (keys: readonly ('width' | 'height' | 'x' | 'y')[]): Move[] =>
    after.parts.flatMap((part) => {
      const was: Part | undefined = old.get(part.id);
      if (!was) return [];
      return keys
        .filter((key) => was[key] !== part[key])
        .map((what) => ({ part: part.id, name: part.name, what, from: was[what], to: part[what] }));
    });
  return [
    ...differing(['width', 'height']),
    ...differing(['x', 'y']),
    ...after.parts.filter((p) => !old.has(p.id)).map((p): Move => ({ part: p.id, name: p.name, what: 'added' })),
    ...before.parts.filter((p) => !now.has(p.id)).map((p): Move => ({ part: p.id, name: p.name, what: 'removed' })),
  ];
}
