import { useId } from 'react';
import { inUnit } from '@temnex/core/length';
import type { Size } from '@temnex/core/geometry';
import { cornersOf, sizeOfItem, type Paper, type StockItem } from '@temnex/core/stock';
import { scopeLook } from '../../design/scopeLook.ts';
import { faceTurn } from '../../design/Swatch.tsx';
import { listWholeBoxes } from './OnTable.tsx';
import { PATTERN } from '../../widgets/stock/PieceOnTable.tsx';

/** An edge of each lies open beneath the next. */
const EDGE = 26;

interface LyingProps {
  items: readonly StockItem[];
  paper: Paper;
  /** Pixels to the inch. */
  scale: number;
  /** Pixels across in which they lie. */
  room?: number;
  /** Of each item: whether it reaches for what was picked; null: nothing was picked. */
  reaches?: ((item: StockItem) => boolean) | null;
  /** What was picked, laid on the item that reaches best. */
  ghost?: { item: StockItem; size: Size; turned: boolean } | null;
}

/** Papers lying overlapped, to scale; those for which there is no room beside the others are counted. */
export function OverlappingPapers({ items, paper, scale, room = Infinity, reaches = null, ghost = null }: LyingProps) {
  const own = useId();
  const face = paper.sides[0]!;
  const px = (t: number) => inUnit(t, 'in') * scale;
  const sizes = [...items]
    .map((item) => ({ item, w: px(sizeOfItem(item).width), h: px(sizeOfItem(item).height) }))
    .sort((a, b) => b.w * b.h - a.w * a.h);
  const best = ghost ? sizes.findIndex((s) => s.item === ghost.item) : -1;
  // what reaches is always among those that are seen
  if (best > 0) sizes.unshift(...sizes.splice(best, 1));
  const placed: { item: StockItem; w: number; h: number; at: number }[] = [];
  let x = 1;
  for (const s of sizes) {
    const before = placed.at(-1);
    const at = before ? Math.max(before.at + EDGE, before.at + before.w - s.w + EDGE) : 1;
    if (placed.length && at + s.w > room) break;
    placed.push({ ...s, at });
    x = Math.max(x, at + s.w);
  }
  if (!placed.length) return null;
  const height = Math.max(...placed.map((s) => s.h)) + 2;
  const more = sizes.slice(placed.length).reduce((n, s) => n + s.item.quantity, 0);
  const lookOf = (turned: number) => scopeLook(face.look, faceTurn(face, turned), scale * PATTERN, own);
  const turns = [...new Set(placed.map(({ item }) => item.turned))];
  return (
    <>
      <svg
        width={x + 2}
        height={height}
        style={{ display: 'block' }}
        viewBox={`0 0 ${x + 2} ${height}`}
        aria-hidden="true"
      >
        <defs
          dangerouslySetInnerHTML={{
            __html: turns.map((t) => lookOf(t).definition).join(''),
          }}
        />
        {placed.map(({ item, at, w, h }) => (
          <g key={item.id} opacity={reaches && !reaches(item) ? 0.3 : 1}>
            <polygon
              points={cornersOf(item)
                .map((p) => `${at + px(p.x)},${height - 1 - px(p.y)}`)
                .join(' ')}
              fill={lookOf(item.turned).fill}
              stroke="#161616"
              strokeWidth="0.8"
            />
            {listWholeBoxes(item).map((b, i) => (
              <rect
                key={i}
                x={at + px(b.x)}
                y={height - 1 - px(b.y + b.height)}
                width={px(b.width)}
                height={px(b.height)}
                fill="#fbfbfa80"
                stroke="#161616"
                strokeDasharray="2 2"
              />
            ))}
            {item.reserved ? (
              <path
                d={`M${at} ${height - 1 - h}l${w} ${h}M${at + w} ${height - 1 - h}l${-w} ${h}`}
                stroke="#161616"
                strokeWidth="1"
              />
            ) : null}
            {item.quantity > 1 ? (
              <text
                x={at + 4}
                y={height - 1 - h + 14}
                fontFamily="var(--figures)"
                fontWeight="600"
                fontSize="12"
                fill="#161616"
                stroke="#fafafa"
                strokeWidth="3"
                paintOrder="stroke"
              >
                {item.quantity}
              </text>
            ) : null}
          </g>
        ))}
        {ghost && placed[0]!.item === ghost.item ? (
          <rect
            x={placed[0]!.at}
            y={height - 1 - px(ghost.turned ? ghost.size.width : ghost.size.height)}
            width={px(ghost.turned ? ghost.size.height : ghost.size.width)}
            height={px(ghost.turned ? ghost.size.width : ghost.size.height)}
            fill="#fbfbfa8c"
            style={{ stroke: 'var(--cut)' }}
            strokeWidth="2"
          />
        ) : null}
      </svg>
      {more ? <small>and {more} more</small> : null}
    </>
  );
}
