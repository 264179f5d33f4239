import { useEffect, useMemo, useRef, useState } from 'react';
import { useDrag } from 'react-aria';
import { styled } from 'styled-components';
import type { Mark } from '@temnex/core/length';
import type { Drawer, Paper, StockItem } from '@temnex/core/stock';
import type { PieceToCut } from '@temnex/core/page';
import { checkPaperReach, checkReach, wishWithPaper } from '@temnex/core/cutting';
import { describePaperReach, describeStock } from '@temnex/words';
import type { ChangePaper, ChangeStock } from '@temnex/contract';
import type { StockMovement } from '../../data/stock/queries.ts';
import { Plain, Quiet } from '../../design/buttons.tsx';
import { Swatch } from '../../design/Swatch.tsx';
import { PAPER_DRAGGED, type Bed, type StockOf } from './bed.ts';
import { OverlappingPapers } from './OverlappingPapers.tsx';
import { OneItem } from './OneItem.tsx';
import { PaperPanel } from '../../widgets/stock/PaperPanel.tsx';

const Files = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(16.5rem, 100%), 1fr));
  column-gap: 1.75rem;
  border-top: 2px solid var(--ink);
`;
const File = styled.li<{ $open: boolean }>`
  ${(p) => (p.$open ? 'grid-column: 1 / -1;' : '')}
  padding: 0.6rem 0 0.7rem;
  border-bottom: 1px solid var(--rule);
`;
const Head = styled.div`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 0.1rem 0.6rem;
  align-items: center;
  & > span:first-child {
    display: flex;
    gap: 0.3rem;
  }
  & h3 {
    font-size: 1.1rem;
    overflow-wrap: anywhere;
  }
  & > p {
    grid-column: 1 / 3;
    min-height: 1.3em;
    font-size: var(--s1);
    line-height: 1.3;
    color: var(--quiet);
  }
`;
const Pile = styled.div`
  padding: 0.4rem 0 0.1rem;
  & small {
    font-size: var(--s1);
    color: var(--quiet);
  }
  &[data-movable] {
    cursor: grab;
  }
`;
const Closed = styled.div`
  display: flex;
  align-items: flex-end;
  justify-content: space-between;
  gap: 0.75rem;
`;
const Fan = styled.ul`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 1.1rem 1.4rem;
  padding: 0.7rem 0 0.35rem;
  & > li {
    max-width: 100%;
    font-size: var(--s1);
    line-height: 1.3;
  }
  & > li > b {
    font: 600 1.05rem/1.2 var(--figures);
  }
`;

interface FlatFilesProps {
  drawer: Drawer;
  stockOf: StockOf;
  mark: Mark;
  scale: number;
  /** What is typed of a name: the other papers step back. */
  sought: string;
  /** The layers that a paper would be laid on. */
  picked: readonly PieceToCut[];
  bed: Bed;
  lay: (paper: string) => void;
  change: (id: string, change: ChangeStock) => void;
  move: (id: string, movement: StockMovement) => void;
  remove: (item: StockItem) => void;
  changePaper: (change: ChangePaper & { id: string }) => void;
  removePaper: (id: string) => void;
}

export const isSought = (paper: Paper, sought: string): boolean =>
  sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => paper.name.toLowerCase().includes(word));

/** The drawer as shallow drawers of paper, one a paper: closed, an edge of each piece shows; open, they fan out. */
export function FlatFiles({ drawer, stockOf, sought, ...shared }: FlatFilesProps) {
  const found = useMemo(() => drawer.papers.filter((paper) => isSought(paper, sought)), [drawer.papers, sought]);
  // of a great many, those that come into view are laid out as they do
  const [most, setMost] = useState(LAID_OUT);
  const end = useRef<HTMLDivElement>(null);
  const more = found.length > most;
  useEffect(() => {
    if (!more || !end.current || !('IntersectionObserver' in window)) return;
    const watch = new IntersectionObserver(([entry]) => entry?.isIntersecting && setMost((n) => n + LAID_OUT), {
      rootMargin: '600px',
    });
    watch.observe(end.current);
    return () => watch.disconnect();
  }, [more, most]);
  return (
    <>
      <Files aria-label="Papers in the drawer">
        {found.slice(0, most).map((paper) => (
          <OneFile key={paper.id} paper={paper} items={stockOf(paper.id)} {...shared} />
        ))}
      </Files>
      {more ? (
        <div ref={end}>
          <Quiet onPress={() => setMost(most + LAID_OUT)}>Show more of {found.length} papers</Quiet>
        </div>
      ) : null}
    </>
  );
}
/** So many papers are laid out at a time. */
const LAID_OUT = 24;

/** So many are fanned out at a time. */
const FANNED = 60;
/** Pixels across of a closed drawer. */
const ROOM = 200;

function OneFile({
  paper,
  items,
  mark,
  scale,
  picked,
  bed,
  lay,
  change,
  move,
  remove,
  changePaper,
  removePaper,
}: { paper: Paper; items: readonly StockItem[] } & Omit<FlatFilesProps, 'drawer' | 'stockOf' | 'sought'>) {
  const [open, setOpen] = useState(false);
  const [shown, setShown] = useState(FANNED);
  const { dragProps } = useDrag({
    hasDragButton: true,
    getItems: () => [{ [PAPER_DRAGGED]: paper.id, 'text/plain': paper.name }],
  });
  const voice = { mark, figures: 'typeset' } as const;
  const reach = useMemo(
    () => (picked.length ? checkPaperReach(picked, paper, items, bed) : null),
    [picked, paper, items, bed],
  );
  const each = useMemo(
    () =>
      picked.length
        ? (item: StockItem) =>
            picked.some((p) => checkReach(p, wishWithPaper(p.wish, paper, bed), paper, item).reaches !== false)
        : null,
    [picked, paper, bed],
  );
  const [only, ...others] = picked;
  const one = only && !others.length ? only : null;
  const lies = one && reach?.best ? checkReach(one, wishWithPaper(one.wish, paper, bed), paper, reach.best) : null;
  return (
    <File $open={open}>
      <Head>
        <span>
          {paper.sides.map((face) => (
            <Swatch key={face.side} face={face} />
          ))}
        </span>
        <h3>{paper.name}</h3>
        {picked.length ? (
          <Plain
            onPress={() => lay(paper.id)}
            aria-label={`Lay ${paper.name} ${bed === 'second' ? 'beneath, as second choice for' : 'on'} ${one?.name ?? `${picked.length} layers`}`}
          >
            {bed === 'second' ? 'Lay beneath' : 'Lay it'}
          </Plain>
        ) : (
          <span />
        )}
        <p>
          {describeStock(items)}
          {reach && reach.why !== 'none-left' ? `; ${describePaperReach(reach, voice)}` : ''}
        </p>
        {open ? (
          <Quiet
            onPress={() => setOpen(false)}
            aria-expanded
            aria-label={`Close ${paper.name}, ${describeStock(items)}`}
          >
            Close
          </Quiet>
        ) : null}
      </Head>
      {open ? (
        <>
          <Fan>
            {items.slice(0, shown).map((item) => (
              <OneItem
                key={item.id}
                item={item}
                paper={paper}
                mark={mark}
                scale={scale}
                reach={one ? checkReach(one, wishWithPaper(one.wish, paper, bed), paper, item) : null}
                change={(patch) => change(item.id, patch)}
                move={(movement) => move(item.id, movement)}
                remove={() => remove(item)}
              />
            ))}
          </Fan>
          {items.length > shown ? (
            <Quiet onPress={() => setShown(shown + FANNED)}>
              Show {Math.min(FANNED, items.length - shown)} more of {items.length}
            </Quiet>
          ) : null}
          <PaperPanel paper={paper} change={changePaper} remove={removePaper} />
        </>
      ) : (
        <Closed>
          <Pile {...dragProps} data-movable>
            <OverlappingPapers
              items={items}
              paper={paper}
              scale={scale}
              room={ROOM}
              reaches={each}
              ghost={
                one && reach?.best && lies?.reaches === true
                  ? { item: reach.best, size: one, turned: lies.turned }
                  : null
              }
            />
          </Pile>
          <Quiet
            onPress={() => setOpen(true)}
            aria-expanded={false}
            aria-label={`Fan out ${paper.name}, ${describeStock(items)}`}
          >
            Fan out
          </Quiet>
        </Closed>
      )}
    </File>
  );
}
