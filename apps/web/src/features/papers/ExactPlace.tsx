import { useState } from 'react';
import { styled } from 'styled-components';
import { formatExactLength, ticks, type Mark, type Ticks } from '@temnex/core/length';
import { fitsIn } from '@temnex/core/geometry';
import { isSheet, sizeOfItem, type Drawer } from '@temnex/core/stock';
import type { PieceToCut, Wish } from '@temnex/core/page';
import { exactSizeOnItem } from '@temnex/core/cutting';
import { STOCK_KIND_LABELS, formatSize } from '@temnex/words';
import { Choice } from '../../design/Choice.tsx';
import { LengthField } from '../../design/LengthField.tsx';
import { Quiet } from '../../design/buttons.tsx';
import { Artwork } from './Artwork.tsx';
import { OnTable, spotOf, listWholeBoxes, clampSpot, type Box, type Spot } from './OnTable.tsx';

const Slip = styled.div`
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.2rem;
  align-items: flex-start;
  margin: 0.3rem 0 0.4rem;
  padding: 0.7rem 0 0.8rem 0.8rem;
  border-left: 4px solid var(--ink);
`;
const Fields = styled.div`
  display: grid;
  gap: 0.6rem;
  justify-items: start;
  min-width: 9rem;
  & > p {
    max-width: 15rem;
    font-size: var(--s1);
    color: var(--quiet);
  }
`;

/** Of a drawer of thousands, so many are offered: sheets, and the largest scraps. */
const MAX_OFFERED = 200;

interface ExactPlaceProps {
  piece: PieceToCut;
  wish: Wish;
  drawer: Drawer;
  mark: Mark;
  /** Where it lies on the page; left out: that is not known. */
  lies?: Spot | undefined;
  choose: (wish: Wish) => void;
  close: () => void;
}

const meets = (a: Box, b: Box) =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
const holds = (a: Box, b: Box) =>
  a.x <= b.x && a.y <= b.y && b.x + b.width <= a.x + a.width && b.y + b.height <= a.y + a.height;

/** What has just been opened is brought wholly into view. */
const intoView = (element: HTMLElement | null) => element?.scrollIntoView?.({ block: 'nearest' });

/** Where on which sheet a piece must be cut from: a motif, a scene, the straightest stripe. */
export function ExactPlace({ piece, wish, drawer, mark, lies: onPage, choose, close }: ExactPlaceProps) {
  const items = wish.papers.flatMap((id) => drawer.stock.filter((s) => s.paper === id && fitsIn(piece, sizeOfItem(s))));
  const [moving, setMoving] = useState<Spot | null>(null);
  const item = items.find((s) => s.id === wish.from?.stock) ?? items[0];
  const paper = drawer.papers.find((p) => p.id === item?.paper);
  const { unit } = mark;
  const say = (t: number) => (t ? formatExactLength(ticks(t), unit) : '0');
  const put = (stock: string, spot: Spot) => choose({ ...wish, from: { stock, x: say(spot.x), y: say(spot.y) } });
  const anywhere = () => {
    const { from: _from, ...rest } = wish;
    choose(rest);
    close();
  };
  if (!item || !paper)
    return (
      <Slip>
        <Fields>
          <p role="alert">Nothing of that paper in the drawer is large enough for {piece.name}.</p>
          <Quiet onPress={anywhere}>Cut it from anywhere</Quiet>
        </Fields>
      </Slip>
    );
  const sheets = items.filter(isSheet);
  const offered = [...new Set([item, ...sheets, ...items])].slice(0, MAX_OFFERED);
  const size = exactSizeOnItem(piece, wish, paper, item);
  const from = wish.from?.stock === item.id ? wish.from : null;
  const at = moving ?? (from ? spotOf([from.x, from.y], unit) : { x: 0, y: 0 });
  const box = size && { ...at, width: size.width, height: size.height };
  const { width, height } = sizeOfItem(item);
  const outside = box && (box.x + box.width > width || box.y + box.height > height);
  const through = box && listWholeBoxes(item).some((whole) => meets(box, whole) && !holds(box, whole));
  const lies = (s: typeof item) =>
    `${drawer.papers.find((p) => p.id === s.paper)!.name}, ${STOCK_KIND_LABELS[s.kind]} ${formatSize(sizeOfItem(s).width, sizeOfItem(s).height, { mark, figures: 'typeset' })}`;
  return (
    <Slip ref={intoView} role="group" aria-label={`Where ${piece.name} is cut from`}>
      <OnTable
        item={item}
        paper={paper}
        mark={mark}
        side={wish.side}
        label={`${lies(item)}, with ${piece.name} on it`}
        piece={box ? { box, name: piece.name } : null}
        onPoint={(_, to, done) => {
          if (!size) return;
          const centred = { x: to.x - size.width / 2, y: to.y - size.height / 2 };
          const spot = clampSpot(centred, size, item, mark.step);
          setMoving(done ? null : spot);
          if (done) put(item.id, spot);
        }}
      />
      <Fields>
        <Choice
          label="from which"
          value={item.id}
          options={offered.map((s) => ({ id: s.id, name: lies(s) }))}
          onChange={(id) => put(id, { x: 0, y: 0 })}
        />
        {(['x', 'y'] as const).map((axis) => (
          <LengthField
            key={axis}
            label={axis === 'x' ? 'from its left edge' : 'from its lower edge'}
            value={say(at[axis])}
            unit={unit}
            options={{ allow: 'zero' }}
            onCommit={(text) => choose({ ...wish, from: { stock: item.id, x: say(at.x), y: say(at.y), [axis]: text } })}
          />
        ))}
        {!size ? <p role="alert">It does not show the side or the direction that is wished for.</p> : null}
        {through ? <p role="alert">There it would cut through what stays whole.</p> : null}
        {outside ? <p role="alert">There it would reach over the edge of the paper.</p> : null}
        {size && onPage && size.width === piece.width ? (
          <Artwork lies={onPage} size={size} mark={mark} item={sizeOfItem(item)} put={(spot) => put(item.id, spot)} />
        ) : null}
        <p>Point at the paper, or type. As it lies in the drawer, seen from side A.</p>
        <div>
          {from ? null : <Quiet onPress={() => put(item.id, at)}>Cut it from here</Quiet>}
          <Quiet onPress={anywhere}>Cut it from anywhere</Quiet>
          <Quiet onPress={close}>Close</Quiet>
        </div>
      </Fields>
    </Slip>
  );
}

/** What is said of an exact place in one line. */
export function describeWishedPlace(wish: Wish, drawer: Drawer, mark: Mark): string | null {
  if (!wish.from) return null;
  const item = drawer.stock.find((s) => s.id === wish.from!.stock);
  if (!item) return 'The paper it was to be cut from is gone.';
  const { width, height } = sizeOfItem(item);
  const say = (t: Ticks) => (t ? formatExactLength(t, mark.unit) : '0');
  const spot = spotOf([wish.from.x, wish.from.y], mark.unit);
  return `From exactly there: ${say(ticks(spot.x))} from the left and ${say(ticks(spot.y))} from the bottom of the ${STOCK_KIND_LABELS[item.kind]} of ${formatSize(width, height, { mark, figures: 'typeset' })}.`;
}
