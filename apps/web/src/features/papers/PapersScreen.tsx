import { useMemo, useState } from 'react';
import { Input, Label, TextField } from 'react-aria-components';
import { styled } from 'styled-components';
import { sizeOfItem, type StockItem } from '@temnex/core/stock';
import { choosePaper, type PieceToCut } from '@temnex/core/page';
import { layPaper, takePaperOff } from '@temnex/core/cutting';
import { formatSize } from '@temnex/words';
import {
  useChangePaper,
  useChangeStock,
  useDrawer,
  useMoveStock,
  useRemovePaper,
  useRemoveStock,
} from '../../data/stock/queries.ts';
import { useRestoreRemoved } from '../../data/removed.ts';
import { NARROW } from '../../design/global.ts';
import { Quiet, StrongLink } from '../../design/buttons.tsx';
import { Notice } from '../../design/states.tsx';
import { RemovedList } from '../../widgets/RemovedList.tsx';
import { usePageContext } from '../../data/pages/context.ts';
import { AddPaper } from '../../widgets/stock/AddPaper.tsx';
import { SetAside } from '../../widgets/stock/SetAside.tsx';
import { FlatFiles, isSought } from './FlatFiles.tsx';
import { stockByPaper, type Bed, type Picked } from './bed.ts';
import { ToSidePanel } from '../../design/Split.ts';
import { Layers } from './Layers.tsx';
import { scaleFor } from '../../widgets/stock/PieceOnTable.tsx';

const Work = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.05fr);
  /* layers and drawer are looked through each by itself, so that a paper can be carried to any layer */
  @media (min-width: 761px) and (min-height: 560px) {
    height: calc(100dvh - 62px);
    & > section {
      overflow-y: auto;
    }
  }
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

const Hint = styled.p`
  margin-bottom: 0.5rem;
  font-size: var(--s1);
  color: var(--quiet);
`;
const Laying = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  justify-content: space-between;
  gap: 0.4rem 1rem;
  margin-bottom: 0.8rem;
  & > p {
    font: 600 var(--s2) / 1.3 var(--text);
  }
`;
const Find = styled(TextField)`
  display: flex;
  flex-direction: column;
  flex: 0 1 16rem;
  & label {
    font-size: var(--s1);
    color: var(--quiet);
  }
  & input {
    min-height: 2.25rem;
    padding: 0.1rem 0.6rem;
    border: 0;
    border-bottom: 2px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
  }
`;

/** Which paper each layer comes from, beside what is in the drawer. */
export function PapersScreen() {
  const { editor, derived, drawer, cutPieces, id } = usePageContext();
  const query = useDrawer();
  const change = useChangeStock();
  const move = useMoveStock();
  const remove = useRemoveStock();
  const restore = useRestoreRemoved();
  const changePaper = useChangePaper();
  const removePaper = useRemovePaper();
  const [taken, setTaken] = useState<StockItem | null>(null);
  const stockOf = useMemo(() => stockByPaper(drawer), [drawer]);
  const [sought, setSought] = useState('');
  const pieces = useMemo(() => [...derived.pieces].reverse(), [derived.pieces]);
  const unpapered = pieces.filter((p) => !p.wish);
  const open = unpapered.length;
  const [asked, setPicked] = useState<Picked | null>(null);
  // until something is picked, the first layer that wants a paper is
  const liesAt = useMemo(() => new Map(derived.parts.map(({ id: part, x, y }) => [part, { x, y }])), [derived.parts]);
  const picked = useMemo((): Picked => {
    const known = new Set(pieces.map((p) => p.id));
    const ids = asked ? [...asked.ids].filter((piece) => known.has(piece)) : [];
    if (asked && (ids.length || !asked.ids.size)) return { ids: new Set(ids), bed: asked.bed };
    const first = pieces.find((p) => !p.wish) ?? pieces[0];
    return { ids: new Set(first ? [first.id] : []), bed: 'first' };
  }, [asked, pieces]);
  const pick = (ids: ReadonlySet<string>) => setPicked({ ids, bed: 'first' });
  const chosen = useMemo(() => pieces.filter((p) => picked.ids.has(p.id)), [pieces, picked]);
  const scale = useMemo(() => scaleFor(pieces, drawer.stock.map(sizeOfItem)), [pieces, drawer.stock]);
  const lay = (id: string, some: readonly PieceToCut[], bed: Bed) => {
    const paper = drawer.papers.find((p) => p.id === id);
    if (!paper || !some.length) return;
    editor.change(layPaper(editor.page, some, paper, bed));
    // down the list, as long as there is something without a paper
    const were = new Set(some.map((p) => p.id));
    const next = some.every((p) => !p.wish) ? unpapered.find((p) => !were.has(p.id)) : undefined;
    if (next) pick(new Set([next.id]));
  };
  const [only, ...others] = chosen;
  const onto = !only
    ? 'Pick a layer: the drawer then shows what reaches.'
    : `${picked.bed === 'second' ? 'Second choice for' : 'For'} ${
        others.length
          ? `${chosen.length} layers`
          : `${only.name}, ${formatSize(only.width, only.height, { mark: derived.mark, figures: 'typeset' })}`
      }`;
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
        <Hint>
          Pick a layer, or several with Ctrl or Shift, and lay a paper on it. Touch what lies there to turn it over; “or
          …” takes a second choice.
        </Hint>
        {unpapered.length > 1 ? (
          <Quiet onPress={() => pick(new Set(unpapered.map((p) => p.id)))}>
            Pick the {unpapered.length} that have none
          </Quiet>
        ) : null}
        <Layers
          pieces={pieces}
          cutPieces={cutPieces}
          drawer={drawer}
          stockOf={stockOf}
          scale={scale}
          picked={picked}
          mark={derived.mark}
          liesAt={liesAt}
          onPick={setPicked}
          choose={(piece, wish) => editor.change(choosePaper(editor.page, piece, wish))}
          lay={lay}
          takeOff={(some, bed) => editor.change(takePaperOff(editor.page, some, bed))}
        />
        <div style={{ marginTop: '1.2rem' }}>
          <StrongLink to={`/page/${id}/order`}>Make the cutting order</StrongLink>
        </div>
      </Column>
      {only ? (
        <ToSidePanel>
          <span aria-hidden="true">{onto}</span>
          <a href="#drawer-heading">To the drawer</a>
        </ToSidePanel>
      ) : null}
      <Column aria-labelledby="drawer-heading">
        <Head>
          <h2 id="drawer-heading">The drawer</h2>
          <span>all at one scale, layers too</span>
        </Head>
        <Laying>
          <p role="status">{onto}</p>
          <Find
            value={sought}
            onChange={setSought}
            onKeyDown={(e) => {
              if (e.key === 'Escape') setSought('');
              if (e.key !== 'Enter' || !chosen.length) return;
              const [found] = drawer.papers.filter((p) => sought.trim() && isSought(p, sought));
              if (found) lay(found.id, chosen, picked.bed);
              setSought('');
            }}
          >
            <Label>find a paper by its name; Enter lays it</Label>
            <Input autoComplete="off" spellCheck={false} />
          </Find>
        </Laying>
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
        {query.data ? <SetAside drawer={query.data} unit={editor.page.unit} /> : null}
        {query.data?.papers.length === 0 ? (
          <p>The drawer is empty. Add a sheet or a scrap above, such as "sheet 12 x 12 sea green".</p>
        ) : null}
        <FlatFiles
          drawer={drawer}
          stockOf={stockOf}
          scale={scale}
          sought={sought}
          mark={derived.mark}
          picked={chosen}
          bed={picked.bed}
          lay={(paper) => lay(paper, chosen, picked.bed)}
          change={(item, patch) => change.mutate({ id: item, change: patch })}
          move={(stock, movement) => move.mutate({ stock, movement })}
          changePaper={(paper) => changePaper.mutate(paper)}
          removePaper={(paper) => removePaper.mutate(paper)}
          remove={(item) => remove.mutate(item.id, { onSuccess: () => setTaken(item) })}
        />
        <RemovedList kinds={['stock', 'paper']} />
      </Column>
    </Work>
  );
}
