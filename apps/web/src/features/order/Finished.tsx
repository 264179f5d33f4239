import { styled } from 'styled-components';
import type { PieceToCut } from '@temnex/core/page';
import { wantedCountOf } from '@temnex/core/cutting';
import { PlainLink } from '../../design/buttons.tsx';
import { SizeFigure } from '../../design/Figure.tsx';
import { faceOf } from '../../design/Swatch.tsx';
import type { PageContext } from '../../data/pages/context.ts';
import { PieceOnTable, scaleFor } from '../../widgets/stock/PieceOnTable.tsx';

const Heap = styled.ol`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 1.6rem 1.75rem;
  margin: 1.4rem 0 2rem;
  & > li {
    max-width: 14rem;
  }
  & p {
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.5rem;
    margin-top: 0.35rem;
    line-height: 1.25;
  }
  & b {
    font-family: var(--figures);
  }
`;
/** Drawn larger than at the drawer: here they are all there is to see. */
const LARGER = 1.5;

/** Everything is cut: the pieces as they lie on the table, in the order in which the page is put together. */
export function Finished({ context }: { context: PageContext }) {
  const { derived, drawer, editor, settled, id } = context;
  const { pieces } = derived;
  const many = (piece: PieceToCut) => wantedCountOf(piece, editor.page);
  const scale = scaleFor(pieces, []) * LARGER;
  return (
    <>
      <h2>Everything is cut</h2>
      <p>The pieces from the bottom of the page up, as they are put together.</p>
      <Heap aria-label="Pieces that are cut">
        {pieces.map((piece) => {
          const from = settled.get(piece.id);
          const paper = drawer.papers.find((p) => p.id === (from?.paper ?? piece.wish?.papers[0]));
          return (
            <li key={piece.id}>
              <PieceOnTable
                size={piece}
                face={faceOf(paper, from?.side ?? piece.wish?.side ?? 'any')}
                wish={piece.wish}
                scale={scale}
              />
              <p>
                <b>
                  {many(piece) > 1 ? `${many(piece)} × ` : ''}
                  <SizeFigure width={piece.width} height={piece.height} mark={derived.mark} />
                </b>
                <span>{piece.name}</span>
              </p>
            </li>
          );
        })}
      </Heap>
      <PlainLink to={`/page/${id}`}>See how they lie on the page</PlainLink>
    </>
  );
}
