import { useId, type ReactNode } from 'react';
import { styled } from 'styled-components';
import { TICKS_PER_UNIT, type Ticks } from '@temnex/core/length';
import type { Drawer } from '@temnex/core/stock';
import type { DerivedPage, Part } from '@temnex/core/page';
import { SizeFigure } from '../../design/Figure.tsx';
import { scopeLook } from '../../design/scopeLook.ts';
import { NO_SETTLED_FACES, type SettledFaces } from '../../data/pages/settledFaces.ts';
import { partFill } from './partFill.ts';

const List = styled.ol`
  display: flex;
  flex-direction: column;
  margin: 0.5rem 0 0;
  border-bottom: 3px solid var(--ink);
`;
const Slab = styled.button`
  display: grid;
  grid-template-columns: 6.75rem minmax(0, 1fr) auto;
  gap: 0.6rem;
  align-items: end;
  width: 100%;
  min-height: 1.75rem;
  padding: 0;
  border: 0;
  background: none;
  text-align: left;
  line-height: 1.2;
  cursor: pointer;
  & > span {
    padding-bottom: 0.22rem;
  }
  & > span:first-of-type {
    font-size: var(--s1);
  }
  &:hover > span:first-of-type {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  &[aria-pressed='true'] > span {
    font-weight: 600;
  }
  @media (pointer: coarse) {
    min-height: 2.75rem;
  }
`;
/** What is picked lies open right under its slab. */
const Open = styled.div`
  margin: 0.1rem 0 0.6rem;
  padding: 0.35rem 0 0.5rem 0.8rem;
  border-left: 5px solid var(--ink);
`;
/** Pixels across of the page from the side, and how thick a layer is shown. */
const ACROSS = 108;
const THICK = 20;

interface SlabsProps {
  derived: DerivedPage;
  drawer: Drawer;
  settled?: SettledFaces;
  selected: string | null;
  /** Pieces of which every copy is cut. */
  cutPieces: ReadonlySet<string>;
  onSelect: (part: string) => void;
  /** What can be said and changed of the one that is selected. */
  children: ReactNode;
}

/**
 * The layers of an item that are cut as one piece: one slab. What is folded over, or comes to lie as it is made, is one with the rest
 * of its piece.
 */
export const buildLayerEntries = (parts: readonly Part[]): Part[][] => {
  const slabs: Part[][] = [];
  const byPiece = new Map<string, Part[]>();
  const lying = new Set(parts.filter((p) => !p.along && p.piece).map((p) => p.piece));
  for (const part of parts) {
    if (part.along && lying.has(part.piece)) continue;
    const slab = part.piece ? byPiece.get(part.piece) : undefined;
    if (slab) slab.push(part);
    else {
      slabs.push([part]);
      if (part.piece) byPiece.set(part.piece, slabs.at(-1)!);
    }
  }
  return slabs;
};

/** How many are cut for a slab and how large: as it lies, or as it is cut where that is not what one sees of it. */
export function computeCutOfSlab(
  slab: readonly Part[],
  { pieces }: Pick<DerivedPage, 'pieces'>,
): { many: number; width: Ticks; height: Ticks } {
  const [first] = slab as [Part];
  const piece = pieces.find((p) => p.id === first.piece);
  const seen = { many: slab.length, width: first.width, height: first.height };
  if (!piece || piece.patchOf) return seen;
  const asCut =
    first.turned !== undefined ||
    first.along ||
    // what has no size of its own is as it is cut: a woven strip with its tails
    (first.sized === null && piece.shape === null) ||
    piece.quantity !== slab.length ||
    slab.some((p) => p.width !== first.width || p.height !== first.height);
  return asCut ? { many: piece.quantity, width: piece.width, height: piece.height } : seen;
}

/** The page seen from the side, from the top down: every layer a slab as wide as it is, where it lies across, named, with its size. */
export function LayerList({
  derived,
  drawer,
  settled = NO_SETTLED_FACES,
  selected,
  cutPieces,
  onSelect,
  children,
}: SlabsProps) {
  const own = useId();
  const per = ACROSS / Math.max(1, derived.width);
  const picked = derived.parts.find((p) => p.id === selected);
  const slabs = buildLayerEntries(derived.parts);
  /** Several alike are called as their item is; where it has more than one such, as they are cut. */
  const nameOf = (slab: readonly Part[]): string => {
    const [first] = slab as [Part];
    const alike = slabs.filter((other) => other.length > 1 && other[0]!.item === first.item).length;
    const piece = alike > 1 ? derived.pieces.find((p) => p.id === first.piece)?.name : undefined;
    return piece ?? derived.items.get(first.item)?.item.name ?? first.name;
  };
  return (
    <List aria-label="The page from the side, from the top down">
      {[...slabs].reverse().map((slab) => {
        const [first] = slab as [Part];
        const isOpen = slab.some((p) => p.id === selected || (p.piece !== null && p.piece === picked?.piece));
        const fill = partFill(first, drawer, per * TICKS_PER_UNIT.in, settled);
        const look = typeof fill === 'string' ? null : scopeLook(fill.look, fill.turn, fill.scale, `${own}${first.id}`);
        const { many, ...size } = computeCutOfSlab(slab, derived);
        return (
          <li key={first.id}>
            <Slab type="button" aria-pressed={isOpen} onClick={() => onSelect(isOpen ? selected! : first.id)}>
              <svg width={ACROSS} height={THICK} aria-hidden="true" style={{ display: 'block', overflow: 'visible' }}>
                {look ? <defs dangerouslySetInnerHTML={{ __html: look.definition }} /> : null}
                {slab.map((p) => (
                  <rect
                    key={p.id}
                    x={p.x * per}
                    width={Math.max(2, p.width * per)}
                    height={THICK}
                    fill={look?.fill ?? String(fill)}
                    stroke="#161616"
                    strokeWidth={isOpen ? 2.5 : 0.8}
                  />
                ))}
              </svg>
              <span>
                {many > 1 ? nameOf(slab) : first.name}
                {first.piece && cutPieces.has(first.piece) ? ' (cut)' : ''}
              </span>
              <span>
                {many > 1 ? `${many} × ` : ''}
                <SizeFigure width={size.width} height={size.height} mark={derived.mark} bare />
              </span>
            </Slab>
            {isOpen ? <Open aria-label="Selected part">{children}</Open> : null}
          </li>
        );
      })}
    </List>
  );
}
