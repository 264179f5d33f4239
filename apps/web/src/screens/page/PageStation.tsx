import { useEffect, useMemo, useRef } from 'react';
import { Outlet, useOutletContext, useParams } from 'react-router';
import { styled } from 'styled-components';
import {
  USUAL_HABITS,
  basisOf,
  cutOf,
  cutStateOf,
  derivePage,
  sameBasis,
  wantedOf,
  type Basis,
  type CutPiece,
  type CutState,
  type DerivedPage,
  type Drawer,
  type Habits,
} from '@temnex/core';
import type { CuttingRecord } from '@temnex/contract';
import { NAMES } from '@temnex/words';
import { useCuttings, useDrawer, useHabits, usePlan } from '../../api/queries.ts';
import { Plain, Quiet } from '../../ui/buttons.tsx';
import { KeysSheet } from '../../ui/KeysSheet.tsx';
import { Loading, Notice, Trouble } from '../../ui/states.tsx';
import { Tape } from '../../ui/Tape.tsx';
import { useUndoKeys } from '../../ui/useUndoKeys.ts';
import { stationsOf } from './stations.ts';
import { usePageEditor, type PageEditor } from './usePageEditor.ts';

export interface PageContext {
  readonly id: string;
  readonly editor: PageEditor;
  readonly derived: DerivedPage;
  readonly drawer: Drawer;
  readonly habits: Habits;
  /** What a cutting order of this page would be made from now; null until all of it is there. */
  readonly basis: Basis | null;
  readonly cuttings: readonly CuttingRecord[];
  /** Pieces that are cut and have not become scraps. */
  readonly cut: readonly CutPiece[];
  readonly cutState: CutState;
  /** Pieces of which every copy is cut. */
  readonly cutPieces: ReadonlySet<string>;
}
export const usePageContext = (): PageContext => useOutletContext<PageContext>();

const Conflict = styled.section`
  padding: 0.9rem 1.5rem;
  background: var(--sheet);
  border-bottom: 1.5px solid var(--ink);
`;
const NOTHING: Drawer = { papers: [], stock: [] };
const NO_CUTS: readonly CuttingRecord[] = [];

/** Everything that the stations of one page share: the document being worked on, the drawer, the tape. */
export function PageStation() {
  const { id = '' } = useParams();
  return <OnePage key={id} id={id} />;
}

/** What follows from the page; items whose input stayed the same are not worked out again. */
function useDerived(page: PageEditor['page'] | null): DerivedPage | null {
  const before = useRef<DerivedPage | undefined>(undefined);
  const derived = useMemo(() => page && derivePage(page, NAMES, before.current), [page]);
  useEffect(() => {
    before.current = derived ?? undefined;
  }, [derived]);
  return derived;
}

const noop = () => {};

function OnePage({ id }: { id: string }) {
  const state = usePageEditor(id);
  const drawer = useDrawer();
  const habits = useHabits();
  const cuttings = useCuttings(id);
  const plan = usePlan(id);
  const editor = state.status === 'ready' ? state.editor : null;
  const page = editor?.page ?? null;
  const derived = useDerived(page);
  const standing = useMemo(() => cuttings.data?.filter((c) => !c.undoneAt) ?? null, [cuttings.data]);
  const cut = useMemo(() => (standing ?? []).flatMap((c) => c.pieces.filter((p) => !p.scrap)), [standing]);
  const cutState = useMemo(
    () => cutStateOf(derived?.pieces ?? [], cut, (p) => (page ? wantedOf(p, page) : 0)),
    [derived, cut, page],
  );
  const cutPieces = useMemo(
    () =>
      new Set(
        (derived?.pieces ?? [])
          .filter((p) => cutOf(cutState, p.id) >= p.quantity * (page?.copies ?? 1))
          .map((p) => p.id),
      ),
    [derived, cutState, page],
  );
  const version = editor?.version;
  const basis = useMemo(
    () =>
      derived && version !== undefined && drawer.data && habits.data && standing
        ? basisOf(
            version,
            derived.pieces,
            drawer.data.papers,
            habits.data.version,
            standing.map((c) => c.id),
          )
        : null,
    [derived, version, drawer.data, habits.data, standing],
  );
  useUndoKeys(editor?.undo ?? noop, editor?.redo ?? noop);
  useEffect(() => {
    if (page) document.title = `${page.name} · Temnex`;
  }, [page]);

  const chosen = derived !== null && !derived.problems.length && derived.pieces.every((p) => p.wish);
  const planned = basis !== null && plan.data !== undefined && plan.data !== null && sameBasis(plan.data.basis, basis);
  const stations = useMemo(
    () => stationsOf(id, { papers: chosen, order: planned || cut.length > 0 }),
    [id, chosen, planned, cut],
  );

  return (
    <>
      <Tape stations={stations} aside={editor ? <Saved editor={editor} /> : null} />
      <KeysSheet stations={stations} />
      {state.status === 'loading' ? <Loading what="the page" /> : null}
      {state.status === 'failed' ? (
        <Trouble title="This page cannot be opened" error={state.error} retry={state.retry} />
      ) : null}
      {editor?.conflict ? (
        <Conflict aria-label="Two versions">
          <Notice kind="block">
            <b>This page was also changed elsewhere.</b> Both versions are kept until you choose; the other one stays
            one undo away.
            <Plain onPress={editor.keepMine}>Keep mine</Plain>
            <Plain onPress={editor.takeTheirs}>Take the other</Plain>
          </Notice>
        </Conflict>
      ) : null}
      {editor && derived ? (
        <Outlet
          context={
            {
              id,
              editor,
              derived,
              drawer: drawer.data ?? NOTHING,
              habits: habits.data?.habits ?? USUAL_HABITS,
              basis,
              cuttings: cuttings.data ?? NO_CUTS,
              cut,
              cutState,
              cutPieces,
            } satisfies PageContext
          }
        />
      ) : null}
    </>
  );
}

const SAVED_WORDS = { saved: 'Saved', saving: 'Saving …', waiting: 'Saving …', failed: 'Not saved' } as const;

function Saved({ editor }: { editor: PageEditor }) {
  return (
    <>
      <Quiet onPress={editor.undo} isDisabled={!editor.canUndo}>
        Undo
      </Quiet>
      <Quiet onPress={editor.redo} isDisabled={!editor.canRedo}>
        Redo
      </Quiet>
      <span
        role="status"
        title={editor.trouble ?? undefined}
        {...(editor.saving === 'saved' ? { 'data-quiet': true } : {})}
      >
        {SAVED_WORDS[editor.saving]}
      </span>
      {editor.trouble ? <Quiet onPress={editor.retry}>Try again</Quiet> : null}
    </>
  );
}
