import { useId, type ReactNode } from 'react';
import { styled } from 'styled-components';
import { TICKS_PER_UNIT, type DerivedPage, type Drawer, type Part } from '@temnex/core';
import { SizeFigure } from '../../ui/Figure.tsx';
import { ownLook } from '../../ui/ownLook.ts';
import { UNSETTLED, partFill, type Settled } from './looksOf.ts';

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
  settled?: Settled;
  selected: string | null;
  /** Pieces of which every copy is cut. */
  cutPieces: ReadonlySet<string>;
  onSelect: (part: string) => void;
  /** What can be said and changed of the one that is selected. */
  children: ReactNode;
}

/** The layers that are cut as one piece, side by side: one slab. */
export const slabsOf = (parts: readonly Part[]): Part[][] => {
  const slabs: Part[][] = [];
  for (const part of parts) {
    const last = slabs.at(-1);
    if (last && part.piece && last[0]!.piece === part.piece) last.push(part);
    else slabs.push([part]);
  }
  return slabs;
};

/** The page seen from the side, from the top down: every layer a slab as wide as it is, where it lies across, named, with its size. */
export function Slabs({ derived, drawer, settled = UNSETTLED, selected, cutPieces, onSelect, children }: SlabsProps) {
  const own = useId();
  const per = ACROSS / Math.max(1, derived.width);
  return (
    <List aria-label="The page from the side, from the top down">
      {slabsOf(derived.parts)
        .reverse()
        .map((slab) => {
          const [first] = slab as [Part];
          const isOpen = slab.some((p) => p.id === selected);
          const fill = partFill(first, drawer, per * TICKS_PER_UNIT.in, settled);
          const look = typeof fill === 'string' ? null : ownLook(fill.look, fill.turn, fill.scale, `${own}${first.id}`);
          const many = slab.length > 1;
          // how large it is, not how far it reaches as it lies
          const piece = first.turned === undefined ? undefined : derived.pieces.find((p) => p.id === first.piece);
          const size = piece ?? first;
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
                  {many ? (derived.items.get(first.item)?.item.name ?? first.name) : first.name}
                  {first.piece && cutPieces.has(first.piece) ? ' (cut)' : ''}
                </span>
                <span>
                  {many ? `${slab.length} × ` : ''}
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
