import { useState } from 'react';
import { styled } from 'styled-components';
import { choosePaper, type StockItem } from '@temnex/core';
import {
  useChangePaper,
  useChangeStock,
  useDrawer,
  useMoveStock,
  useRemovePaper,
  useRemoveStock,
  useRestore,
} from '../../api/queries.ts';
import { NARROW } from '../../theme/global.ts';
import { Quiet, StrongLink } from '../../ui/buttons.tsx';
import { Notice } from '../../ui/states.tsx';
import { TakenOut } from '../../ui/TakenOut.tsx';
import { usePageContext } from '../page/PageStation.tsx';
import { AddPaper } from './AddPaper.tsx';
import { FlatFiles } from './FlatFiles.tsx';
import { PieceChooser } from './PieceChooser.tsx';
import { Unreadable } from './Unreadable.tsx';

const Work = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.05fr);
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Column = styled.section`
  padding: 1.1rem 1.5rem 2rem;
  min-width: 0;
  &:last-child {
    background: var(--table);
  }
  ${NARROW} {
    padding: 1rem 0.75rem;
  }
`;
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 0.3rem 1rem;
  margin-bottom: 0.75rem;
`;

/** Which paper each layer comes from, beside what is in the drawer. */
export function PapersScreen() {
  const { editor, derived, drawer, cutPieces, id } = usePageContext();
  const query = useDrawer();
  const change = useChangeStock();
  const move = useMoveStock();
  const remove = useRemoveStock();
  const restore = useRestore();
  const changePaper = useChangePaper();
  const removePaper = useRemovePaper();
  const [taken, setTaken] = useState<StockItem | null>(null);
  const open = derived.pieces.filter((p) => !p.wish).length;
  const refused = [...new Set(derived.problems.map((p) => derived.items.get(p.item ?? '')?.item.name ?? 'the page'))];
  const standing = refused.length
    ? `not all is here: ${refused.join(', ')} cannot be made yet`
    : open
      ? `${open} still without a paper`
      : 'every layer has a paper';
  const trouble = [change, move, remove, restore, changePaper, removePaper].find((m) => m.error)?.error ?? null;
  return (
    <Work>
      <h1 className="out-of-sight">Papers for {editor.page.name}</h1>
      <Column aria-labelledby="layers-heading">
        <Head>
          <h2 id="layers-heading">Which paper for which layer</h2>
          <span>{standing}</span>
        </Head>
        <ol>
          {[...derived.pieces].reverse().map((piece) => (
            <PieceChooser
              key={piece.id}
              piece={piece}
              cut={cutPieces.has(piece.id)}
              drawer={drawer}
              mark={derived.mark}
              choose={(wish) => editor.change(choosePaper(editor.page, piece, wish))}
            />
          ))}
        </ol>
        <div style={{ marginTop: '1.2rem' }}>
          <StrongLink to={`/page/${id}/order`}>Make the cutting order</StrongLink>
        </div>
      </Column>
      <Column aria-labelledby="drawer-heading">
        <Head>
          <h2 id="drawer-heading">The drawer</h2>
          <span>all at one scale</span>
        </Head>
        <AddPaper drawer={drawer} unit={editor.page.unit} />
        {trouble ? (
          <Notice kind="block">
            <span>{trouble.message}</span>
          </Notice>
        ) : null}
        {taken ? (
          <Notice kind="advice">
            <span>
              Taken out: {taken.width} × {taken.height}.
            </span>
            <Quiet onPress={() => restore.mutate({ kind: 'stock', id: taken.id }, { onSuccess: () => setTaken(null) })}>
              Put it back
            </Quiet>
          </Notice>
        ) : null}
        {query.error ? (
          <Notice kind="block">
            <span>The drawer could not be looked at again; this is how it was. {query.error.message}</span>
            <Quiet onPress={() => void query.refetch()}>Try again</Quiet>
          </Notice>
        ) : null}
        {query.data?.unreadable.map((row) => (
          <Unreadable
            key={row.id}
            row={row}
            paper={drawer.papers.find((p) => p.id === row.paper)?.name ?? row.paper}
            unit={editor.page.unit}
            mend={(size) => change.mutate({ id: row.id, change: size })}
            remove={() => remove.mutate(row.id)}
          />
        ))}
        {query.data?.papers.length === 0 ? (
          <p>The drawer is empty. Add a sheet or a scrap above, such as "sheet 12 x 12 sea green".</p>
        ) : null}
        <FlatFiles
          drawer={drawer}
          mark={derived.mark}
          change={(item, patch) => change.mutate({ id: item, change: patch })}
          move={(stock, movement) => move.mutate({ stock, movement })}
          changePaper={(paper) => changePaper.mutate(paper)}
          removePaper={(paper) => removePaper.mutate(paper)}
          remove={(item) => remove.mutate(item.id, { onSuccess: () => setTaken(item) })}
        />
        <TakenOut kinds={['stock', 'paper']} />
      </Column>
    </Work>
  );
}
