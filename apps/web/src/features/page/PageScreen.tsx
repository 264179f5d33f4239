import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { styled } from 'styled-components';
import {
  collectSnapTargets,
  findSnapTarget,
  collectCoverage,
  dropItem,
  listMoves,
  type Axis,
  type SnapTarget,
  type DerivedPage,
  type PageProblem,
  type Part,
} from '@temnex/core/page';
import { describeCatch, describePageProblem } from '@temnex/words';
import { MEDIUM, NARROW, UPRIGHT } from '../../design/global.ts';
import { Block } from '../../design/Block.tsx';
import { Quiet, StrongLink } from '../../design/buttons.tsx';
import { NameField } from '../../design/NameField.tsx';
import { Notice } from '../../design/states.tsx';
import { AddItem } from './AddItem.tsx';
import { GroundFields } from './GroundFields.tsx';
import { Marks } from './Marks.tsx';
import { Moves } from './Moves.tsx';
import { SLIM, SPREAD, WIDE, computePageScale } from './pageScale.ts';
import { PageAdvice } from './PageAdvice.tsx';
import { PagePicture } from './PagePicture.tsx';
import { useMeasurings } from './useMeasurings.ts';
import { usePageContext } from '../../data/pages/context.ts';
import { SaveSketch } from './SaveSketch.tsx';
import { SelectedItem } from './SelectedItem.tsx';
import { Several } from './Several.tsx';
import { LayerList } from './LayerList.tsx';
import { useConstructionEditor } from './useConstructionEditor.ts';

const Work = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 25rem;
  /* a spread is twice as wide as high */
  @media (min-width: 1081px) {
    &[data-spread] {
      grid-template-columns: minmax(0, 1fr) 20rem;
    }
  }
  ${MEDIUM} {
    grid-template-columns: minmax(0, 1fr) 21rem;
  }
  ${UPRIGHT} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Table = styled.div`
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 0.25rem;
  padding: 0.75rem 0.75rem 1rem;
  background: var(--table);
  min-width: 0;
  overflow: clip;
  /* the page stays in sight while one types beside it */
  @media (min-width: 961px) {
    & > :first-child {
      position: sticky;
      top: 0.75rem;
    }
  }
`;
const Slip = styled.div`
  padding: 0.9rem 1.5rem 2rem;
  min-width: 0;
  ${NARROW} {
    padding: 1rem 0.75rem;
  }
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.75rem;
  margin-top: 0.75rem;
`;

/** Whether a problem is the recipe's own, and not one of where the item lies. */
const isRecipes = ({ problem }: PageProblem): boolean =>
  problem.code !== 'circle' &&
  problem.code !== 'no-room' &&
  !(problem.code === 'field' && (problem.path[0] === 'at' || problem.path[0] === 'fit'));

/** The part to begin with: a print, if there is one, else what lies on top. */
const firstOf = (derived: DerivedPage): Part | undefined => derived.parts.find((p) => !p.piece) ?? derived.parts.at(-1);

/** The page and its parts: from above to scale with every number in its place, and from the side as the list of its layers. */
export function PageScreen() {
  const context = usePageContext();
  const { editor, derived, drawer, cutPieces, settled, id } = context;
  const { page, change } = editor;
  // all that moved since one last looked, however many changes it took
  const [placing, setPlacing] = useState(false);
  // the item whose layers are pressed and dragged over; any other is moved
  const [handling, setHandling] = useState<string | null>(null);
  const [seen, setSeen] = useState(derived);
  const moved = useMemo(() => listMoves(seen, derived), [seen, derived]);
  // a part, or an item that has just been made and whose parts are not known yet
  const [wanted, setWanted] = useState<string | null>(null);
  // items chosen together with the selected one
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const also = useMemo(() => chosen.filter((id) => derived.items.has(id)), [chosen, derived]);
  const [said, setSaid] = useState<string | null>(null);
  const select = (which: string | null) => {
    setWanted(which);
    setChosen([]);
    setSaid(null);
  };
  const part =
    derived.parts.find((p) => p.id === wanted) ?? derived.parts.findLast((p) => p.item === wanted) ?? firstOf(derived);
  const item = derived.items.get(derived.items.has(wanted ?? '') ? wanted! : (part?.item ?? ''));
  const made = useConstructionEditor(page, derived, item?.item.id ?? null, change);
  const table = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 760, height: 560 });
  useEffect(() => {
    const fit = () => {
      const width = table.current?.clientWidth ?? 760;
      setRoom({ width: width - 24, height: Math.max(320, Math.min(window.innerHeight - 92, width)) });
    };
    fit();
    const watch = new ResizeObserver(fit);
    watch.observe(table.current!);
    window.addEventListener('resize', fit);
    return () => {
      watch.disconnect();
      window.removeEventListener('resize', fit);
    };
  }, []);
  const [measurings, setMeasurings] = useMeasurings();
  const margin = room.width <= 560 ? SLIM : derived.seam ? SPREAD : WIDE;
  const scale = computePageScale(derived, room.width, room.height, margin);
  const voice = { mark: derived.mark, figures: 'typeset' } as const;
  const nameOf = useCallback((itemId: string) => derived.items.get(itemId)?.item.name ?? itemId, [derived]);
  // what is wrong with the selected item itself stands in its slip, with what would work
  const elsewhere = derived.problems.filter((p) => p.item !== item?.item.id || !isRecipes(p));
  const sayCatch = (one: SnapTarget) => describeCatch(one.says, one.axis, nameOf, voice);
  /** Moves items as far as the one that is led, which keeps what it has caught; what that is, is told. */
  const moveAll = (
    led: string,
    moving: readonly string[],
    by: { readonly x: number; readonly y: number },
    got: (axis: Axis, spot: { readonly x: number; readonly y: number }) => SnapTarget | null,
  ) => {
    // what counts from, or lies on, one that moves goes along with it
    const to = (id: string) => {
      const { box, item: own } = derived.items.get(id)!;
      const lies = typeof own.on === 'object' && 'item' in own.on && moving.includes(own.on.item);
      const along = (of: string | undefined, n: number) => (lies || (of !== undefined && moving.includes(of)) ? 0 : n);
      return { x: box.x + along(own.at.across.of, by.x), y: box.y + along(own.at.upDown.of, by.y) };
    };
    const spot = to(led);
    const caught = {
      across: by.x ? got('across', spot) : null,
      upDown: by.y ? got('upDown', spot) : null,
    };
    const next = moving.reduce((now, id) => dropItem(now, derived, id, to(id), id === led ? caught : undefined), page);
    change(next);
    const told = [caught.across, caught.upDown].flatMap((one) => (one ? [sayCatch(one)] : []));
    setSaid(told.length ? `${nameOf(led)} lies ${told.join(', ')}` : null);
  };
  // a key is not kept waiting for what is covered
  const both = useDeferredValue(useMemo(() => ({ page, derived }), [page, derived]));
  const covered = useMemo(() => collectCoverage(both.page, both.derived), [both]);
  const ofSelected =
    item && made ? (
      <SelectedItem
        item={item}
        part={part?.item === item.item.id ? part : null}
        made={made}
        context={context}
        voice={voice}
        placing={placing}
        setPlacing={setPlacing}
        handling={handling === item.item.id}
        setHandling={(on) => setHandling(on ? item.item.id : null)}
        leave={() => select(null)}
      />
    ) : null;
  return (
    <Work data-spread={derived.seam ? true : undefined}>
      <Table ref={table}>
        <PagePicture
          derived={derived}
          drawer={drawer}
          settled={settled}
          scale={scale}
          margin={margin}
          selected={part?.id ?? null}
          made={made}
          measurings={measurings}
          byHand={item !== undefined && handling === item.item.id}
          onSelect={select}
          also={also}
          onAlso={(id) => {
            const now = also.length ? also : item ? [item.item.id] : [];
            const next = now.includes(id) ? now.filter((one) => one !== id) : [...now, id];
            setChosen(next.length > 1 ? next : []);
            if (next.length === 1) setWanted(next[0]!);
          }}
          onMove={(p, across, up) => {
            const { step } = derived.mark;
            const moving = also.includes(p.item) ? also : [p.item];
            const catches = collectSnapTargets(page, derived, p.item, moving);
            moveAll(p.item, moving, { x: across * step, y: up * step }, (axis, spot) =>
              findSnapTarget(catches, axis, spot, 0),
            );
          }}
          onDrop={(p, spot, caught) => {
            const { box } = derived.items.get(p.item)!;
            const moving = also.includes(p.item) ? also : [p.item];
            moveAll(p.item, moving, { x: spot.x - box.x, y: spot.y - box.y }, (axis) => caught[axis]);
          }}
          catchesFor={(id) => collectSnapTargets(page, derived, id, also.includes(id) ? also : [id])}
          catchSays={sayCatch}
        />
      </Table>
      <Slip>
        <h1 className="out-of-sight">{page.name}</h1>
        <NameField label="Page" value={page.name} onCommit={(name) => change({ ...page, name })} />
        <p role="status" className={said ? undefined : 'out-of-sight'} style={{ marginTop: '0.4rem' }}>
          {said}
        </p>
        {also.length > 1 ? (
          <Several page={page} derived={derived} chosen={also} change={change} leave={() => select(also[0]!)} />
        ) : null}
        <AddItem page={page} derived={derived} change={change} select={select} />
        {elsewhere.length ? (
          <Block>
            {elsewhere.map((p, i) => (
              <Notice key={i} kind="block">
                <span>
                  <b>{p.item === null ? 'Page' : nameOf(p.item)}:</b>{' '}
                  {describePageProblem(
                    p,
                    p.item === null ? null : derived.items.get(p.item)!.item.recipe,
                    voice,
                    nameOf,
                  )}
                </span>
                {p.item !== null ? <Quiet onPress={() => select(p.item)}>Show it</Quiet> : null}
                {editor.canUndo ? <Quiet onPress={editor.undo}>Undo</Quiet> : null}
              </Notice>
            ))}
          </Block>
        ) : null}
        <LayerList
          derived={derived}
          drawer={drawer}
          settled={settled}
          selected={part?.item === item?.item.id ? (part?.id ?? null) : null}
          cutPieces={cutPieces}
          onSelect={select}
        >
          {ofSelected}
        </LayerList>
        {/* what shows nothing yet has no slab to lie under */}
        {part?.item === item?.item.id ? null : <Block aria-label="Selected part">{ofSelected}</Block>}
        {item ? null : <p style={{ marginTop: '1rem' }}>Nothing is on this page yet. Put a base or a photo on it.</p>}
        <PageAdvice derived={derived} covered={covered} nameOf={nameOf} voice={voice} />
        {moved.length ? (
          <Block>
            <h3>What moved</h3>
            <Moves moves={moved} mark={derived.mark} />
            <Quiet onPress={() => setSeen(derived)}>I have seen it</Quiet>
          </Block>
        ) : null}
        <Block>
          <Marks id={id} derived={derived} chosen={also} measurings={measurings} setMeasurings={setMeasurings} />
        </Block>
        <Block>
          <h3>The page</h3>
          <GroundFields page={page} change={change} />
          {derived.parts.length ? <SaveSketch page={page} /> : null}
        </Block>
        <Row>
          <StrongLink to={`/page/${id}/papers`}>Choose papers</StrongLink>
        </Row>
      </Slip>
    </Work>
  );
}
