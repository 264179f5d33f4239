import { useState } from 'react';
import { styled } from 'styled-components';
import { fitsIn, sizeOfItem, type Drawer, type Mark, type PieceToCut, type Wish } from '@temnex/core';
import { KIND_WORDS, sizeWords } from '@temnex/words';
import { Choice } from '../../ui/Choice.tsx';
import { SizeFigure } from '../../ui/Figure.tsx';
import { Quiet } from '../../ui/buttons.tsx';
import { Swatch, faceOf } from '../../ui/Swatch.tsx';
import { ExactPlace, placeWords } from './ExactPlace.tsx';

const Row = styled.li`
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr);
  gap: 0.1rem 0.85rem;
  padding: 0.45rem 0 0.55rem;
  border-top: 1px solid var(--rule);
  &:first-child {
    border-top: 2px solid var(--ink);
  }
`;
const Name = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 0 1rem;
  & > b {
    font-weight: 400;
    font-size: 1.3rem;
  }
`;
const Choices = styled.div`
  grid-column: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.55rem;
  & select {
    max-width: 10.5rem;
    min-height: 2rem;
    font-size: var(--s1);
  }
`;
const Hint = styled.p`
  grid-column: 2;
  font-size: var(--s1);
  color: var(--quiet);
`;

interface PieceChooserProps {
  piece: PieceToCut;
  cut: boolean;
  drawer: Drawer;
  mark: Mark;
  choose: (wish: Wish | null) => void;
}

/** One layer and the paper it is to come from: which face, which way the pattern runs, what would also do. */
export function PieceChooser({ piece, cut, drawer, mark, choose }: PieceChooserProps) {
  const { wish } = piece;
  const [placing, setPlacing] = useState(false);
  const [first, second] = wish?.papers ?? [];
  const paper = drawer.papers.find((p) => p.id === first);
  const face = wish ? faceOf(paper, wish.side) : undefined;
  const papers = drawer.papers.map((p) => ({ id: p.id, name: p.name }));
  const none = { id: '', name: 'not chosen' };
  const directed = paper?.sides.some((s) => s.direction !== 'none') ?? false;
  return (
    <Row>
      <Swatch face={face} size={40} />
      <div>
        <Name>
          <span>
            {piece.name}
            {cut ? ' (cut)' : ''}
          </span>
          <b>
            {piece.quantity > 1 ? `${piece.quantity} × ` : ''}
            <SizeFigure width={piece.width} height={piece.height} mark={mark} />
          </b>
        </Name>
      </div>
      <Choices>
        <Choice
          label={`Paper for ${piece.name}`}
          hideLabel
          value={first ?? ''}
          options={[none, ...papers]}
          onChange={(id) =>
            choose(
              id ? { papers: [id, ...(second && second !== id ? [second] : [])], side: 'A', direction: 'any' } : null,
            )
          }
        />
        {wish && paper ? (
          <>
            {paper.sides.length > 1 ? (
              <Choice
                label={`Side for ${piece.name}`}
                hideLabel
                value={wish.side}
                options={[
                  ...paper.sides.map((s) => ({ id: s.side, name: `${s.side}: ${s.name}` })),
                  { id: 'any' as const, name: 'either side' },
                ]}
                onChange={(side) => choose({ ...wish, side })}
              />
            ) : null}
            {directed ? (
              <Choice
                label={`Direction for ${piece.name}`}
                hideLabel
                value={wish.direction}
                options={[
                  { id: 'any', name: 'may be turned' },
                  { id: 'height', name: 'pattern up and down' },
                  { id: 'width', name: 'pattern across' },
                ]}
                onChange={(direction) => choose({ ...wish, direction })}
              />
            ) : null}
            <Choice
              label={`Second choice for ${piece.name}`}
              hideLabel
              value={second ?? ''}
              options={[
                { id: '', name: 'no second choice' },
                ...papers.filter((p) => p.id !== first).map((p) => ({ id: p.id, name: `or ${p.name}` })),
              ]}
              onChange={(id) => choose({ ...wish, papers: id ? [first!, id] : [first!] })}
            />
            {placing || cut ? null : (
              <Quiet onPress={() => setPlacing(true)} aria-label={`Choose where ${piece.name} is cut from`}>
                {wish.from ? 'Change the place' : 'From a place'}
              </Quiet>
            )}
          </>
        ) : null}
      </Choices>
      {wish && !cut ? <Hint>{placeWords(wish, drawer, mark) ?? reach(piece, wish, drawer, mark)}</Hint> : null}
      {wish && placing ? (
        <ExactPlace {...{ piece, wish, drawer, mark, choose }} close={() => setPlacing(false)} />
      ) : null}
    </Row>
  );
}

/** The first thing one asks of a drawer: does a scrap reach? */
function reach(piece: PieceToCut, wish: Wish, drawer: Drawer, mark: Mark): string {
  const fitting = drawer.stock.filter(
    (s) => wish.papers.includes(s.paper) && !s.reserved && !s.outline && fitsIn(piece, sizeOfItem(s)),
  );
  const scrap = fitting.filter((s) => s.kind === 'scrap' || s.kind === 'strip').at(-1);
  if (scrap)
    return `A ${KIND_WORDS[scrap.kind]} of ${sizeWords(sizeOfItem(scrap).width, sizeOfItem(scrap).height, { mark, figures: 'typeset' })} reaches.`;
  return fitting.length ? 'No scrap reaches: it takes a sheet.' : 'Nothing of it in the drawer reaches.';
}
