import { useRef, useState, type PointerEvent } from 'react';
import { lengthOf, parseLength, ticks, type LengthText, type Mark } from '@temnex/core/length';
import { cornersOf, sizeOfItem, type Paper, type StockItem } from '@temnex/core/stock';
import { formatLookPattern, lookId } from '@temnex/drawing';
import { faceTurn } from '../../design/Swatch.tsx';

/** Corners, in ticks from the lower left. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}
export interface Box extends Spot {
  readonly width: number;
  readonly height: number;
}

export function spotOf([x, y]: readonly [LengthText, LengthText], unit: 'in' | 'mm'): Spot {
  const at = (value: LengthText) => {
    const read = parseLength(value, unit, { allow: 'zero' });
    return read.ok ? read.value.ticks : 0;
  };
  return { x: at(x), y: at(y) };
}

/** The boxes that are to stay whole on an item. */
export const listWholeBoxes = (item: StockItem): Box[] =>
  (item.uncut ?? []).map(([a, b]) => {
    const [p, q] = [spotOf(a, item.unit), spotOf(b, item.unit)];
    return { x: Math.min(p.x, q.x), y: Math.min(p.y, q.y), width: Math.abs(p.x - q.x), height: Math.abs(p.y - q.y) };
  });

const RULER = 22;

interface OnTableProps {
  item: StockItem;
  paper: Paper;
  side?: 'A' | 'B' | 'any';
  mark: Mark;
  label: string;
  /** What lies on it: a piece, named. */
  piece?: { box: Box; name: string } | null;
  /** Pointed at from one spot to another, both on the mark; `done` once the pointer is lifted. */
  onPoint: (from: Spot, to: Spot, done: boolean) => void;
  /** Whether to draw the box between the two spots meanwhile. */
  stretch?: boolean;
}

/** One piece of paper lying on the table with a ruler along two of its edges, to point at places on it. */
export function OnTable({ item, paper, side = 'A', mark, label, piece, onPoint, stretch }: OnTableProps) {
  const [start, setStart] = useState<Spot | null>(null);
  const [end, setEnd] = useState<Spot | null>(null);
  const box = useRef<SVGSVGElement>(null);
  const { width: W, height: H } = sizeOfItem(item);
  const scale = Math.min(300 / W, 300 / H, 40 / lengthOf('1', 'in'));
  const px = (t: number) => t * scale;
  const unit = mark.unit === 'in' ? lengthOf('1', 'in') : lengthOf('10', 'mm');
  const face = paper.sides.find((s) => s.side === side) ?? paper.sides[0]!;
  const look = [face.look, faceTurn(face, item.turned), scale * lengthOf('1', 'in')] as const;
  const spotAt = (event: PointerEvent): Spot => {
    const { left, top, width } = box.current!.getBoundingClientRect();
    const shown = width / (px(W) + RULER + 1);
    const snap = (t: number, most: number) =>
      Math.min(most, Math.max(0, Math.round(t / scale / mark.step) * mark.step));
    return {
      x: snap((event.clientX - left) / shown - RULER, W),
      y: snap(px(H) - (event.clientY - top) / shown, H),
    };
  };
  const marks = (length: number) => Array.from({ length: Math.floor(length / unit + 1e-9) + 1 }, (_, i) => i);
  const every = Math.max(1, Math.ceil(14 / px(unit)));
  const off = (edge: keyof StockItem['trim']) => spotOf([item.trim[edge], 0], item.unit).x;
  const margins = [
    { x: 0, y: 0, width: off('left'), height: H },
    { x: W - off('right'), y: 0, width: off('right'), height: H },
    { x: 0, y: 0, width: W, height: off('bottom') },
    { x: 0, y: H - off('top'), width: W, height: off('top') },
  ].filter((b) => b.width > 0 && b.height > 0);
  const drawn = start && end && stretch ? boxBetween(start, end) : null;
  const rect = (b: Box) => ({
    x: RULER + px(b.x),
    y: px(H - b.y - b.height),
    width: px(b.width),
    height: px(b.height),
  });
  return (
    <svg
      ref={box}
      role="img"
      aria-label={label}
      width={px(W) + RULER + 1}
      height={px(H) + RULER}
      viewBox={`0 -1 ${px(W) + RULER + 1} ${px(H) + RULER}`}
      style={{
        display: 'block',
        maxWidth: '100%',
        height: 'auto',
        touchAction: 'none',
        userSelect: 'none',
        cursor: 'crosshair',
      }}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        const spot = spotAt(e);
        setStart(spot);
        setEnd(spot);
        onPoint(spot, spot, false);
      }}
      onPointerMove={(e) => {
        if (!start) return;
        setEnd(spotAt(e));
        onPoint(start, spotAt(e), false);
      }}
      onPointerUp={(e) => {
        if (start) onPoint(start, spotAt(e), true);
        setStart(null);
        setEnd(null);
      }}
      onPointerCancel={() => {
        setStart(null);
        setEnd(null);
      }}
    >
      <defs dangerouslySetInnerHTML={{ __html: formatLookPattern(...look) }} />
      <polygon
        points={cornersOf(item)
          .map((p) => `${RULER + px(p.x)},${px(H - p.y)}`)
          .join(' ')}
        fill={`url(#${lookId(...look)})`}
        stroke="#161616"
      />
      {margins.map((b, i) => (
        <rect key={i} {...rect(b)} fill="#d8d8d8cc" stroke="#161616" strokeWidth="0.6" />
      ))}
      {listWholeBoxes(item).map((b, i) => (
        <rect key={i} {...rect(b)} fill="#fbfbfa66" stroke="#161616" strokeWidth="1.5" strokeDasharray="2 3" />
      ))}
      {drawn ? <rect {...rect(drawn)} fill="#fbfbfa99" stroke="#161616" strokeWidth="2" /> : null}
      {piece ? (
        <>
          <rect {...rect(piece.box)} fill="#fbfbfa59" style={{ stroke: 'var(--cut)' }} strokeWidth="2.5" />
          <text
            x={RULER + px(piece.box.x + piece.box.width / 2)}
            y={px(H - piece.box.y - piece.box.height / 2) + 4}
            textAnchor="middle"
            fontSize="12"
            fontWeight="600"
            fill="#161616"
            stroke="#fafafa"
            strokeWidth="3"
            paintOrder="stroke"
          >
            {px(piece.box.width) > 60 ? piece.name : ''}
          </text>
        </>
      ) : null}
      <g fontFamily="var(--figures)" fontSize="11" fill="#494949" stroke="none" aria-hidden="true">
        {marks(W).map((i) => (
          <g key={i}>
            <line x1={RULER + px(i * unit)} x2={RULER + px(i * unit)} y1={px(H) + 2} y2={px(H) + 7} stroke="#494949" />
            {i % every === 0 ? (
              <text
                x={RULER + px(i * unit)}
                y={px(H) + 18}
                textAnchor={!i ? 'start' : px(i * unit) > px(W) - 6 ? 'end' : 'middle'}
              >
                {i}
              </text>
            ) : null}
          </g>
        ))}
        {marks(H).map((i) => (
          <g key={i}>
            <line x1={RULER - 7} x2={RULER - 2} y1={px(H - i * unit)} y2={px(H - i * unit)} stroke="#494949" />
            {i && i % every === 0 ? (
              <text x={RULER - 9} y={px(H - i * unit) + (px(H - i * unit) < 6 ? 9 : 4)} textAnchor="end">
                {i}
              </text>
            ) : null}
          </g>
        ))}
      </g>
    </svg>
  );
}

export const boxBetween = (a: Spot, b: Spot): Box => ({
  x: Math.min(a.x, b.x),
  y: Math.min(a.y, b.y),
  width: Math.abs(a.x - b.x),
  height: Math.abs(a.y - b.y),
});

/** A spot with a box of so much room left inside the paper. */
export const clampSpot = (spot: Spot, size: { width: number; height: number }, item: StockItem, step: number): Spot => {
  const { width, height } = sizeOfItem(item);
  const keep = (t: number, most: number) =>
    ticks(Math.max(0, Math.min(Math.floor(most / step) * step, Math.round(t / step) * step)));
  return { x: keep(spot.x, width - size.width), y: keep(spot.y, height - size.height) };
};
