import type { Seams } from '../geometry/index.ts';
import { parseLength, type Unit } from '../length/index.ts';
import type { Wish } from './document.ts';

/** The seams of a piece that is made of several, in ticks; null of one that is not, or whose lengths cannot be read. */
export function seamsOf(wish: Wish | null, unit: Unit): Seams | null {
  if (!wish?.built) return null;
  const { across, up, overlap } = wish.built;
  const read = [overlap, ...across, ...up].map((length) => parseLength(length, unit, { allow: 'negative' }));
  const at = read.flatMap((length) => (length.ok ? [length.value.ticks] : []));
  if (at.length < read.length) return null;
  return { overlap: at[0]!, across: at.slice(1, 1 + across.length), up: at.slice(1 + across.length) };
}
