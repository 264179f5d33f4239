import { useId, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { styled } from 'styled-components';
import { TICKS_PER_UNIT } from '@temnex/core/length';
import { isRectangle, moveContour, type Size } from '@temnex/core/geometry';
import { sizeOfItem, type Drawer } from '@temnex/core/stock';
import type { Part } from '@temnex/core/page';
import { formatDefinitions, formatFill, formatShapePath, type DrawingMark } from '@temnex/drawing';
import { formatSize, type Voice } from '@temnex/words';
import type { SettledFaces } from '../../data/pages/settledFaces.ts';
import { partFill } from './partFill.ts';

const Frame = styled.div`
  display: flex;
  gap: 0.75rem;
  align-items: flex-end;
  margin-top: 0.5rem;
  & svg {
    flex: none;
    overflow: visible;
  }
  & [role='slider'] {
    cursor: grab;
    touch-action: none;
    outline: none;
  }
  & [role='slider']:focus-visible path:last-child {
    stroke-width: 3.5;
  }
`;
const WIDE = 210;
const CLOSE = 120;

interface PaperWindowProps {
  part: Part;
  drawer: Drawer;
  settled: SettledFaces;
  voice: Voice;
}

/** A sheet of the paper with the outline of a part on it, moved over it by hand, and what is seen through it, larger. */
export function PaperWindow({ part, drawer, settled, voice }: PaperWindowProps) {
  const clip = useId();
  const sheet = sheetOf(part, drawer);
  const per = WIDE / Math.max(sheet.width, sheet.height);
  const fill = useMemo(() => partFill(part, drawer, per * TICKS_PER_UNIT.in, settled), [part, drawer, per, settled]);
  const definitions = useMemo(() => {
    const mark: DrawingMark = { kind: 'rect', x: 0, y: 0, width: 1, height: 1, fill };
    return formatDefinitions({ width: 0, height: 0, title: '', marks: [mark] });
  }, [fill]);
  const [spot, setSpot] = useState({ x: 0.5, y: 0.5 });
  const pulled = useRef<{ x: number; y: number; from: typeof spot } | null>(null);
  const room = { x: Math.max(0, sheet.width - part.width) * per, y: Math.max(0, sheet.height - part.height) * per };
  const [x, y] = [spot.x * room.x, spot.y * room.y];
  const within = (share: number) => Math.min(1, Math.max(0, share));
  const [W, H] = [sheet.width * per, sheet.height * per];
  if (!part.shape || isRectangle(part.shape)) return null;
  const shape = moveContour(part.shape, -part.x, -part.y);
  const outline = formatShapePath(shape, (p) => [p.x * per, (part.height - p.y) * per], per);
  const step = (e: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (!by) return;
    e.preventDefault();
    const eighth = (TICKS_PER_UNIT.in / 8) * per * (e.shiftKey ? 8 : 1);
    setSpot({
      x: within(spot.x + (by[0]! * eighth) / (room.x || 1)),
      y: within(spot.y + (by[1]! * eighth) / (room.y || 1)),
    });
  };
  const pull = (e: PointerEvent) => {
    const start = pulled.current;
    if (!start) return;
    setSpot({
      x: within(start.from.x + (e.clientX - start.x) / (room.x || 1)),
      y: within(start.from.y + (e.clientY - start.y) / (room.y || 1)),
    });
  };
  const close = CLOSE / (Math.max(part.width, part.height) * per);
  const shows = Math.max(1, Math.round((100 * part.width * part.height) / (sheet.width * sheet.height)));
  return (
    <details>
      <summary>What of the paper it shows</summary>
      <Frame>
        <svg width={W} height={H} role="group" aria-label="The paper, with the outline on it">
          <defs dangerouslySetInnerHTML={{ __html: definitions }} />
          <rect width={W} height={H} fill={formatFill(fill)} stroke="#161616" strokeWidth="0.7" />
          <path
            d={`M0 0H${W}V${H}H0Z${formatShapePath(shape, (p) => [x + p.x * per, y + (part.height - p.y) * per], per)}`}
            fill="#fafafa"
            fillOpacity="0.6"
            fillRule="evenodd"
          />
          <g
            role="slider"
            tabIndex={0}
            aria-label="The outline on the paper, moved by the arrow keys"
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(100 * spot.x)}
            aria-valuetext={`${Math.round(100 * spot.x)} % across, ${Math.round(100 * (1 - spot.y))} % up`}
            transform={`translate(${x} ${y})`}
            onKeyDown={step}
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              pulled.current = { x: e.clientX, y: e.clientY, from: spot };
            }}
            onPointerMove={pull}
            onPointerUp={() => (pulled.current = null)}
            onPointerCancel={() => (pulled.current = null)}
          >
            <path d={outline} fill="transparent" stroke="#161616" strokeWidth="1.5" />
          </g>
        </svg>
        <svg
          width={part.width * per * close}
          height={part.height * per * close}
          role="img"
          aria-label="What is seen of it, larger"
        >
          <clipPath id={clip}>
            <path d={outline} transform={`translate(${x} ${y})`} />
          </clipPath>
          <g transform={`scale(${close}) translate(${-x} ${-y})`}>
            <rect width={W} height={H} fill={formatFill(fill)} clipPath={`url(#${clip})`} />
            <path
              d={outline}
              transform={`translate(${x} ${y})`}
              fill="none"
              stroke="#161616"
              strokeWidth={1.5 / close}
            />
          </g>
        </svg>
      </Frame>
      <p style={{ color: 'var(--quiet)', fontSize: 'var(--s1)' }}>
        One shows {formatSize(part.width, part.height, voice)} of a sheet of{' '}
        {formatSize(sheet.width, sheet.height, voice)}, about {shows} % of it. Drag it over the paper.
      </p>
    </details>
  );
}

/** The largest sheet there is of its paper; 12 × 12 where there is none. */
function sheetOf({ wish }: Part, { stock }: Drawer): Size {
  const sizes = stock.filter((item) => wish?.papers.includes(item.paper)).map(sizeOfItem);
  const usual = 12 * TICKS_PER_UNIT.in;
  return sizes.reduce<Size>(
    (most, size) => (size.width * size.height > most.width * most.height ? size : most),
    sizes[0] ?? ({ width: usual, height: usual } as Size),
  );
}
