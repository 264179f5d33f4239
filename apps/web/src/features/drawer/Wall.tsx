import { memo, useEffect, useMemo, useRef } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { styled } from 'styled-components';
import { inUnit, type Mark } from '@temnex/core/length';
import { cornersOf, reservedCountFor, sizeOfItem, type Paper, type StockItem } from '@temnex/core/stock';
import { STOCK_KIND_LABELS, describeOddShape, formatSize } from '@temnex/words';
import { faceTurn } from '../../design/Swatch.tsx';
import { useInnerWidth } from '../../design/useInnerWidth.ts';
import { tileOf } from './tiles.ts';
import { TILE_GAP_PX, MIN_TILE_WIDTH_PX, findTileInNextRow, layOutWall } from './wall.ts';
import { buildListKeys } from '../../design/listKeys.ts';
import type { Picking } from '../../design/usePicking.ts';

const Ground = styled.div`
  position: relative;
  flex: 1;
  min-height: 16rem;
  overflow-y: auto;
  padding: 0.8rem 1.5rem 0;
  background: var(--table);
  contain: strict;
  &:focus-visible {
    outline-offset: -3px;
  }
`;
const Row = styled.div`
  position: absolute;
  left: 1.5rem;
  right: 1.5rem;
  contain: layout style;
`;
const One = styled.div`
  position: absolute;
  bottom: 0;
  cursor: default;
  & > span {
    display: block;
    height: ${() => LABEL}px;
    padding-top: 3px;
    font: 600 12px/1.15 var(--figures);
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  & > span > em {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    font: 600 12px/1.2 var(--text);
  }
  & > span > small {
    font: 400 12px/1.15 var(--text);
    color: var(--quiet);
  }
  &[aria-selected='true'] > i {
    outline: 3px solid var(--ink);
    outline-offset: 2px;
  }
  &[aria-selected='true'] > span {
    background: var(--ink);
    color: #fff;
    padding-inline: 3px;
    & > small {
      color: #fff;
    }
  }
  &[data-at] > i {
    box-shadow:
      0 0 0 2px var(--sheet),
      0 0 0 4px var(--ink);
  }
`;
const Sheet = styled.i`
  display: block;
  position: relative;
  border: 1px solid var(--ink);
  &[data-held]::after {
    content: '';
    position: absolute;
    inset: 0;
    background:
      linear-gradient(to top right, transparent calc(50% - 0.7px), var(--ink) 0 calc(50% + 0.7px), transparent 0),
      linear-gradient(to bottom right, transparent calc(50% - 0.7px), var(--ink) 0 calc(50% + 0.7px), transparent 0);
  }
  &[data-kept]::after {
    content: '';
    position: absolute;
    left: -1px;
    top: -1px;
    border: 8px solid var(--cut);
    border-right-color: transparent;
    border-bottom-color: transparent;
  }
  & > b {
    position: absolute;
    right: 0;
    top: 0;
    min-width: 1.15rem;
    padding: 0 0.2rem;
    background: #fafafae8;
    font: 600 12px/1.4 var(--figures);
    text-align: center;
  }
`;
/** Pixels under a paper for what is written there, and between two rows. */
const LABEL = 49;

interface WallProps {
  items: readonly StockItem[];
  papers: ReadonlyMap<string, Paper>;
  mark: Mark;
  /** Pixels to the inch. */
  scale: number;
  picking: Picking;
  label: string;
  /** What a key does to what is picked: `Delete`, `h`, … */
  onKey: (key: string) => boolean;
}

/** Everything that was found as papers on a wall, all at one scale; of thousands, those that come into view are there. */
export function Wall({ items, papers, mark, scale, picking, label, onKey }: WallProps) {
  const ground = useRef<HTMLDivElement>(null);
  const width = useInnerWidth(ground);
  const rows = useMemo(() => (width > 0 ? layOutWall(items, width, scale) : []), [items, width, scale]);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => ground.current,
    estimateSize: (i) => rows[i]!.height + LABEL + TILE_GAP_PX,
    paddingStart: 12,
    paddingEnd: 24,
    overscan: 3,
  });
  // the rows have other heights now
  useEffect(() => virtual.measure(), [rows, virtual]);
  const go = (to: number, through: boolean) => {
    picking.go(to, through);
    const row = rows.findIndex((r) => to <= r.items.at(-1)!.at);
    if (row >= 0) virtual.scrollToIndex(row, { align: 'auto' });
  };
  const { at } = picking;
  return (
    <Ground
      ref={ground}
      role="listbox"
      aria-label={label}
      aria-multiselectable="true"
      aria-activedescendant={at >= 0 ? `wall-${at}` : undefined}
      tabIndex={0}
      onKeyDown={buildListKeys({
        picking,
        count: items.length,
        go,
        step: (key, from) =>
          key === 'ArrowLeft'
            ? from - 1
            : key === 'ArrowRight'
              ? from + 1
              : findTileInNextRow(rows, from, key === 'ArrowUp' ? -1 : 1),
        onKey,
      })}
    >
      <div style={{ height: virtual.getTotalSize(), position: 'relative' }} role="presentation">
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = rows[index];
          if (!row) return null;
          return (
            <Row
              key={row.items[0]!.item.id}
              style={{ top: start, height: row.height + LABEL, left: 0, right: 0 }}
              role="presentation"
            >
              {row.items.map(({ item, x, width: w, height: h, at: place }) => (
                <OnWall
                  key={item.id}
                  item={item}
                  x={x}
                  w={w}
                  h={h}
                  scale={scale}
                  mark={mark}
                  paper={papers.get(item.paper)!}
                  place={place}
                  of={items.length}
                  picked={picking.picked.has(item.id)}
                  stands={place === at}
                  press={picking.press}
                />
              ))}
            </Row>
          );
        })}
      </div>
    </Ground>
  );
}

interface OnWallProps {
  item: StockItem;
  paper: Paper;
  x: number;
  w: number;
  h: number;
  scale: number;
  mark: Mark;
  place: number;
  of: number;
  picked: boolean;
  stands: boolean;
  press: Picking['press'];
}

/** What is said of an item by its name: `4 × 6 scrap of Teal swell, 2 of it, in box 1`. */
export function itemName(item: StockItem, paper: Paper, mark: Mark): string {
  const { width, height } = sizeOfItem(item);
  const kept = reservedCountFor(item);
  return [
    `${formatSize(width, height, { mark, figures: 'plain' })} ${STOCK_KIND_LABELS[item.kind]}${item.outline ? describeOddShape(item.outline.length) : ''} of ${paper.name}`,
    item.quantity > 1 ? `${item.quantity} of it` : '',
    (item.place ?? paper.place) ? `in ${item.place ?? paper.place}` : '',
    item.reserved ? 'held back' : '',
    kept ? `${kept} kept for pages` : '',
  ]
    .filter(Boolean)
    .join(', ');
}

const OnWall = memo(function OnWall({
  item,
  paper,
  x,
  w,
  h,
  scale,
  mark,
  place,
  of,
  picked,
  stands,
  press,
}: OnWallProps) {
  const size = sizeOfItem(item);
  const face = paper.sides[0]!;
  const tile = tileOf(face.look, faceTurn(face, item.turned), scale);
  const px = (t: number) => inUnit(t, 'in') * scale;
  const clip = item.outline
    ? `polygon(${cornersOf(item)
        .map((p) => `${px(p.x)}px ${h - px(p.y)}px`)
        .join(',')})`
    : undefined;
  return (
    <One
      id={`wall-${place}`}
      role="option"
      aria-selected={picked}
      aria-label={itemName(item, paper, mark)}
      aria-posinset={place + 1}
      aria-setsize={of}
      style={{ left: x, width: Math.max(w, MIN_TILE_WIDTH_PX) }}
      onClick={(e) => press(place, { add: e.ctrlKey || e.metaKey, through: e.shiftKey })}
      {...(stands ? { 'data-at': true } : {})}
    >
      <Sheet
        style={{
          width: w,
          height: h,
          backgroundImage: tile.image,
          backgroundSize: tile.size,
          ...(clip ? { clipPath: clip, border: 0 } : {}),
        }}
        {...(item.reserved ? { 'data-held': true } : {})}
        {...(item.reserves?.length ? { 'data-kept': true } : {})}
      >
        {item.quantity > 1 ? <b>{item.quantity}</b> : null}
      </Sheet>
      <span aria-hidden="true" title={itemName(item, paper, mark)}>
        <em>{paper.name}</em>
        {formatSize(size.width, size.height, { mark, figures: 'typeset' })}
        <br />
        <small>{item.place ?? paper.place ?? ''}</small>
      </span>
    </One>
  );
});
