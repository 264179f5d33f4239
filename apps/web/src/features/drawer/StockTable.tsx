import { memo, useRef } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { styled } from 'styled-components';
import type { Mark } from '@temnex/core/length';
import { placeOf, reservedCountFor, sizeOfItem, type Paper, type StockItem } from '@temnex/core/stock';
import { STOCK_KIND_LABELS, describeOddShape, formatSize } from '@temnex/words';
import { NARROW } from '../../design/global.ts';
import { faceTurn } from '../../design/Swatch.tsx';
import { buildListKeys } from '../../design/listKeys.ts';
import type { Order } from './order.ts';
import { tileOf } from './tiles.ts';
import type { Picking } from '../../design/usePicking.ts';
import { itemName } from './Wall.tsx';

const HEIGHT = 38;
const COLUMNS = '2.2rem minmax(6.5rem, 1.1fr) minmax(7rem, 2fr) 7.5rem 3.5rem minmax(4rem, 1fr) 6.2rem';
const NARROW_COLUMNS = '2rem 6.6rem minmax(0, 1fr) 3rem';
const Ground = styled.div`
  position: relative;
  flex: 1;
  min-height: 16rem;
  overflow-y: auto;
  background: var(--sheet);
  contain: strict;
  &:focus-visible {
    outline-offset: -3px;
  }
`;
const Line = styled.div`
  display: grid;
  grid-template-columns: ${COLUMNS};
  gap: 0 0.8rem;
  align-items: center;
  padding: 0 1.5rem;
  height: ${HEIGHT}px;
  border-bottom: 1px solid var(--faint);
  & > span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  & > b {
    font: 600 1.05rem/1 var(--figures);
    white-space: nowrap;
  }
  & > em {
    font-style: normal;
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  ${NARROW} {
    grid-template-columns: ${NARROW_COLUMNS};
    padding: 0 0.75rem;
    & > [data-wide] {
      display: none;
    }
  }
`;
const Head = styled(Line)`
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--room);
  border-bottom: 2px solid var(--ink);
  font-size: var(--s1);
  & button {
    padding: 0;
    border: 0;
    background: none;
    font: 600 var(--s1) / 1.2 var(--text);
    text-align: left;
    cursor: pointer;
  }
  & [aria-sort='descending'] button,
  & [aria-sort='ascending'] button {
    box-shadow: inset 0 -3px 0 var(--ink);
  }
`;
const Row = styled(Line)`
  position: absolute;
  left: 0;
  right: 0;
  cursor: default;
  &[aria-selected='true'] {
    background: var(--ink);
    color: #fff;
  }
  &[data-at] {
    box-shadow: inset 0 0 0 2px var(--ink);
  }
  &[data-at][aria-selected='true'] {
    box-shadow: inset 0 0 0 2px var(--sheet);
  }
`;
const Chip = styled.i`
  display: block;
  width: 1.7rem;
  height: 1.7rem;
  border: 1px solid var(--ink);
`;

interface TableProps {
  items: readonly StockItem[];
  papers: ReadonlyMap<string, Paper>;
  mark: Mark;
  order: Order;
  setOrder: (order: Order) => void;
  picking: Picking;
  label: string;
  onKey: (key: string) => boolean;
}
const HEADS: readonly { name: string; order: Order | null; wide?: true }[] = [
  { name: 'colour', order: 'colour' },
  { name: 'size', order: 'size' },
  { name: 'paper', order: 'paper' },
  { name: 'kind', order: null, wide: true },
  { name: 'how many', order: null },
  { name: 'place', order: 'place', wide: true },
  { name: 'came', order: 'newest', wide: true },
];

/** Everything that was found as a table; of thousands, the rows that come into view are there. */
export function StockTable({ items, papers, mark, order, setOrder, picking, label, onKey }: TableProps) {
  const ground = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => ground.current,
    estimateSize: () => HEIGHT,
    paddingStart: HEIGHT,
    scrollPaddingStart: HEIGHT,
    overscan: 8,
  });
  const { at } = picking;
  return (
    <Ground
      ref={ground}
      role="grid"
      aria-label={label}
      aria-multiselectable="true"
      aria-rowcount={items.length + 1}
      aria-activedescendant={at >= 0 ? `row-${at}` : undefined}
      tabIndex={0}
      onKeyDown={buildListKeys({
        picking,
        count: items.length,
        go: (to, through) => {
          picking.go(to, through);
          virtual.scrollToIndex(to, { align: 'auto' });
        },
        step: (key, from) => (key === 'ArrowUp' ? from - 1 : key === 'ArrowDown' ? from + 1 : from),
        onKey,
      })}
    >
      <Head role="row" aria-rowindex={1}>
        {HEADS.map(({ name, order: by, wide }) => (
          <span
            key={name}
            role="columnheader"
            {...(by ? { 'aria-sort': by === order ? 'descending' : 'none' } : {})}
            {...(wide ? { 'data-wide': true } : {})}
          >
            {by ? (
              <button type="button" onClick={() => setOrder(by)}>
                {name}
              </button>
            ) : (
              name
            )}
          </span>
        ))}
      </Head>
      <div style={{ height: virtual.getTotalSize() - HEIGHT }} role="presentation">
        {virtual.getVirtualItems().map(({ index, start }) => {
          const item = items[index]!;
          return (
            <InTable
              key={item.id}
              item={item}
              mark={mark}
              start={start}
              paper={papers.get(item.paper)!}
              place={index}
              picked={picking.picked.has(item.id)}
              stands={index === at}
              press={picking.press}
            />
          );
        })}
      </div>
    </Ground>
  );
}

interface RowProps {
  item: StockItem;
  paper: Paper;
  mark: Mark;
  start: number;
  place: number;
  picked: boolean;
  stands: boolean;
  press: Picking['press'];
}
const InTable = memo(function InTable({ item, paper, mark, start, place, picked, stands, press }: RowProps) {
  const { width, height } = sizeOfItem(item);
  const face = paper.sides[0]!;
  const tile = tileOf(face.look, faceTurn(face, item.turned), 27);
  const kept = reservedCountFor(item);
  return (
    <Row
      id={`row-${place}`}
      role="row"
      aria-rowindex={place + 2}
      aria-selected={picked}
      aria-label={itemName(item, paper, mark)}
      style={{ top: start }}
      onClick={(e) => press(place, { add: e.ctrlKey || e.metaKey, through: e.shiftKey })}
      {...(stands ? { 'data-at': true } : {})}
    >
      <span role="gridcell">
        <Chip style={{ backgroundImage: tile.image, backgroundSize: tile.size }} />
      </span>
      <b role="gridcell">{formatSize(width, height, { mark, figures: 'typeset' })}</b>
      <span role="gridcell">{paper.name}</span>
      <span role="gridcell" data-wide="">
        {STOCK_KIND_LABELS[item.kind]}
        {item.outline ? describeOddShape(item.outline.length) : ''}
        {item.reserved ? ', held back' : kept ? `, ${kept} kept` : ''}
      </span>
      <em role="gridcell">{item.quantity}</em>
      <span role="gridcell" data-wide="">
        {placeOf(item, paper) ?? ''}
      </span>
      <span role="gridcell" data-wide="">
        {item.came ?? ''}
      </span>
    </Row>
  );
});
