import { styled } from 'styled-components';
import { TICKS_PER_UNIT, type DerivedPage, type Drawer, type Part } from '@temnex/core';
import { definitionsOf, fillValue, type Drawn } from '@temnex/drawing';
import { UNSETTLED, partFill, type Settled } from './looksOf.ts';
import type { Margin } from './PagePicture.tsx';

const Section = styled.svg`
  display: block;
  overflow: visible;
  & [role='button'] {
    cursor: pointer;
    outline: none;
  }
  & [role='button']:focus-visible rect:last-of-type {
    stroke-width: 4;
  }
`;
const THICK = 13;
const STEP = 17;

/** Which slab lies how high: each part on the highest of those below that it covers. */
export function levelsOf(parts: readonly Part[]): Map<string, number> {
  const level = new Map<string, number>();
  parts.forEach((part, i) => {
    const below = parts
      .slice(0, i)
      .filter(
        (p) =>
          p.x < part.x + part.width && part.x < p.x + p.width && p.y < part.y + part.height && part.y < p.y + p.height,
      );
    level.set(part.id, Math.max(-1, ...below.map((p) => level.get(p.id)!)) + 1);
  });
  return level;
}

interface StackProps {
  derived: DerivedPage;
  drawer: Drawer;
  settled?: Settled;
  scale: number;
  margin: Margin;
  selected: string | null;
  /** Pieces of which every copy is cut. */
  cutPieces: ReadonlySet<string>;
  onSelect: (part: string) => void;
}

/** The page seen from the side, its layers as slabs right under where they lie; thickness is exaggerated. */
export function Stack({
  derived,
  drawer,
  settled = UNSETTLED,
  scale,
  margin,
  selected,
  cutPieces,
  onSelect,
}: StackProps) {
  const per = scale / TICKS_PER_UNIT.in;
  const levels = levelsOf(derived.parts);
  const top = Math.max(0, ...levels.values());
  const height = (top + 1) * STEP + 8;
  const fills = derived.parts.map((p) => partFill(p, drawer, scale, settled));
  const defs = definitionsOf({
    width: 0,
    height: 0,
    title: '',
    marks: fills.map((fill): Drawn => ({ kind: 'rect', x: 0, y: 0, width: 1, height: 1, fill })),
  });
  return (
    <Section
      width={derived.width * per + margin.left + margin.right}
      height={height}
      role="group"
      aria-label="The page from the side"
    >
      <defs dangerouslySetInnerHTML={{ __html: defs }} />
      {derived.parts.map((part, i) => {
        const x = margin.left + part.x * per;
        const y = height - 4 - (levels.get(part.id)! + 1) * STEP;
        const width = Math.max(2, part.width * per);
        return (
          <g
            key={part.id}
            role="button"
            tabIndex={0}
            aria-label={`${part.name}, layer ${levels.get(part.id)! + 1} from the bottom${part.piece && cutPieces.has(part.piece) ? ', cut' : ''}`}
            aria-pressed={part.id === selected}
            onClick={() => onSelect(part.id)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' && e.key !== ' ') return;
              e.preventDefault();
              onSelect(part.id);
            }}
          >
            <rect x={x} y={y} width={width} height={THICK} fill={fillValue(fills[i])} />
            <rect
              x={x}
              y={y}
              width={width}
              height={THICK}
              fill="none"
              stroke="#161616"
              strokeWidth={part.id === selected ? 2.5 : 0.8}
            />
          </g>
        );
      })}
    </Section>
  );
}
