import { useMemo, useRef, useState } from 'react';
import { useDrop } from 'react-aria';
import { Button } from 'react-aria-components';
import { styled } from 'styled-components';
import type { Mark } from '@temnex/core/length';
import type { Drawer, Paper } from '@temnex/core/stock';
import type { PieceToCut, Wish } from '@temnex/core/page';
import { wishForOnePart, checkPaperReach, nextDirection, wishForOtherFace } from '@temnex/core/cutting';
import { DIRECTION_LABELS, describeBuild, capitalize, describePaperReach, describeSide } from '@temnex/words';
import { NARROW } from '../../design/global.ts';
import { SizeFigure } from '../../design/Figure.tsx';
import { Quiet } from '../../design/buttons.tsx';
import { Swatch, faceOf } from '../../design/Swatch.tsx';
import { ExactPlace, describeWishedPlace } from './ExactPlace.tsx';
import type { Spot } from './OnTable.tsx';
import { PAPER_DRAGGED, type Bed, type StockOf } from './bed.ts';
import { PieceOnTable } from '../../widgets/stock/PieceOnTable.tsx';

const Row = styled.div`
  display: grid;
  grid-template-columns: 6.25rem minmax(0, 1fr) 3.1rem;
  gap: 0.15rem 0.9rem;
  padding: 0.55rem 0.4rem 0.6rem 0.9rem;
  &[data-over] {
    box-shadow: inset 0 0 0 3px var(--cut);
  }
  ${NARROW} {
    grid-template-columns: minmax(0, auto) minmax(0, 1fr) 3.1rem;
  }
`;
const Touch = styled(Button)`
  grid-row: span 3;
  align-self: start;
  justify-self: start;
  min-width: 2.75rem;
  min-height: 2.75rem;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
  &[data-disabled] {
    cursor: default;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--ink);
    outline-offset: 2px;
  }
`;
const Name = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 0 0.8rem;
  & > b {
    font-weight: 400;
    font-size: 1.2rem;
  }
`;
const Lies = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 0.4rem;
  font-size: var(--s1);
  & > b {
    font-weight: 600;
  }
`;
const Says = styled.p`
  grid-column: 2 / -1;
  font-size: var(--s1);
  color: var(--quiet);
`;
const Beside = styled.div`
  grid-column: 3;
  grid-row: 1 / span 2;
`;
const Beneath = styled(Button)`
  display: grid;
  place-items: center;
  width: 3rem;
  height: 2.75rem;
  padding: 0;
  border: 1.5px dashed var(--rule);
  background: none;
  font: 400 var(--s1) / 1.1 var(--text);
  color: var(--quiet);
  cursor: pointer;
  &[aria-pressed='true'] {
    border: 2.5px solid var(--ink);
    color: var(--ink);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--ink);
    outline-offset: 2px;
  }
`;

interface LayerRowProps {
  piece: PieceToCut;
  cut: boolean;
  drawer: Drawer;
  stockOf: StockOf;
  mark: Mark;
  scale: number;
  /** Where pieces lie on the page, by their layers. */
  liesAt?: ReadonlyMap<string, Spot> | undefined;
  /** Where the next paper would be laid; null where the layer is not picked. */
  bed: Bed | null;
  pickBed: (bed: Bed) => void;
  choose: (wish: Wish | null) => void;
  lay: (paper: string, bed: Bed) => void;
  takeOff: (bed: Bed) => void;
}

/** One layer as it will be; touched, its paper is turned over; beside it lies what would also do. */
export function LayerRow({
  piece,
  cut,
  drawer,
  stockOf,
  mark,
  scale,
  liesAt,
  bed,
  pickBed,
  choose,
  lay,
  takeOff,
}: LayerRowProps) {
  const { wish } = piece;
  const [placing, setPlacing] = useState(false);
  const [first, second] = (wish?.papers ?? []).map((id) => drawer.papers.find((p) => p.id === id));
  const face = wish ? faceOf(first, wish.side) : undefined;
  const sided = (first?.sides.length ?? 0) > 1;
  const directed = first?.sides.some((s) => s.direction !== 'none') ?? false;
  const row = useRef<HTMLDivElement>(null);
  const beneath = useRef<HTMLDivElement>(null);
  const onto = useDropOf(row, (paper) => lay(paper, 'first'));
  const under = useDropOf(beneath, (paper) => lay(paper, 'second'));
  const touch = () => {
    if (!wish || !first) pickBed('first');
    else if (sided) choose(wishForOtherFace(wish, first));
    else if (directed) choose(nextDirection(wish));
    else pickBed('first');
  };
  const says = useMemo(() => {
    if (!wish || cut) return null;
    const papers = wish.papers.slice(0, 2).map((id) => drawer.papers.find((p) => p.id === id));
    const reach = () => describePaperReach(reachOfWish(piece, papers, stockOf), { mark, figures: 'typeset' });
    return describeWishedPlace(wish, drawer, mark) ?? `${capitalize(reach())}.`;
  }, [piece, wish, cut, drawer, stockOf, mark]);
  return (
    <Row ref={row} {...onto.dropProps} {...(onto.isDropTarget && !under.isDropTarget ? { 'data-over': true } : {})}>
      <Touch
        onPress={touch}
        aria-label={
          wish && first && (sided || directed)
            ? `${sided ? 'Turn over' : 'Turn round'} ${first.name} on ${piece.name}`
            : `Pick ${piece.name}`
        }
      >
        <PieceOnTable size={piece} face={face} wish={wish} scale={scale} />
      </Touch>
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
      <Beside ref={beneath} {...under.dropProps}>
        <Beneath
          aria-pressed={bed === 'second'}
          isDisabled={!wish}
          style={under.isDropTarget ? { borderColor: 'var(--cut)', borderStyle: 'solid' } : undefined}
          aria-label={`Second choice for ${piece.name}: ${second?.name ?? 'none'}`}
          onPress={() => pickBed(bed === 'second' ? 'first' : 'second')}
        >
          {second ? <Swatch face={faceOf(second, wish!.side)} size={36} /> : wish ? 'or …' : ''}
        </Beneath>
      </Beside>
      <Lies>
        {wish ? (
          <>
            <b>{first?.name ?? 'a paper that is gone'}</b>
            {first && sided ? (
              <Quiet
                onPress={() => choose(wishForOtherFace(wish, first))}
                aria-label={`${describeSide(wish, first.sides)}: turn over ${piece.name}`}
              >
                {describeSide(wish, first.sides)}
              </Quiet>
            ) : null}
            {directed ? (
              <Quiet
                onPress={() => choose(nextDirection(wish))}
                aria-label={`${DIRECTION_LABELS[wish.direction]}: turn ${piece.name} round`}
              >
                {DIRECTION_LABELS[wish.direction]}
              </Quiet>
            ) : null}
            {second ? <span>or {second.name}</span> : null}
            {placing || cut || piece.patchOf ? null : (
              <Quiet onPress={() => setPlacing(true)} aria-label={`Choose where ${piece.name} is cut from`}>
                {wish.from ? 'Change the place' : 'From a place'}
              </Quiet>
            )}
            {piece.patchOf ? (
              <Quiet onPress={() => choose(wishForOnePart(wish))} aria-label={`${piece.name}: cut it in one again`}>
                {describeBuild(wish, { mark, figures: 'typeset' })}: cut it in one
              </Quiet>
            ) : null}
            {bed ? (
              <Quiet
                onPress={() => takeOff(bed === 'second' && second ? 'second' : 'first')}
                aria-label={`Take ${(bed === 'second' && second ? second : first)?.name ?? 'the paper'} off ${piece.name}`}
              >
                Take off
              </Quiet>
            ) : null}
          </>
        ) : (
          <span>no paper yet</span>
        )}
      </Lies>
      {says ? <Says>{says}</Says> : null}
      {wish && placing ? (
        <ExactPlace
          piece={piece}
          wish={wish}
          drawer={drawer}
          mark={mark}
          choose={choose}
          lies={liesAt?.get(piece.parts[0] ?? '')}
          close={() => setPlacing(false)}
        />
      ) : null}
    </Row>
  );
}

/** What reaches of the papers that a layer has: of the first, or of the second where that has something. */
function reachOfWish(piece: PieceToCut, papers: readonly (Paper | undefined)[], stockOf: StockOf) {
  const [first, second] = papers.map((paper, i) =>
    paper ? checkPaperReach([piece], paper, stockOf(paper.id), i ? 'second' : 'first') : null,
  );
  const none = { reached: 0, of: 1, best: null, nearest: null, why: 'none-left' } as const;
  return !first?.best && second?.best ? second : (first ?? none);
}

/** A place on which a paper can be let go. */
function useDropOf(ref: React.RefObject<HTMLElement | null>, lay: (paper: string) => void) {
  return useDrop({
    ref,
    getDropOperation: (types) => (types.has(PAPER_DRAGGED) ? 'copy' : 'cancel'),
    onDrop: (e) => {
      const item = e.items.find((i) => i.kind === 'text' && i.types.has(PAPER_DRAGGED));
      if (item?.kind === 'text') void item.getText(PAPER_DRAGGED).then(lay);
    },
  });
}
