import { useEffect, useMemo } from 'react';
import { Outlet, useOutletContext, useParams } from 'react-router';
import { styled } from 'styled-components';
import { derivePage, USUAL_HABITS, type DerivedPage, type Drawer, type Habits } from '@temnex/core';
import type { CuttingRecord } from '@temnex/contract';
import { useCuttings, useDrawer, useHabits, usePlan } from '../../api/queries.ts';
import { Plain, Quiet } from '../../ui/buttons.tsx';
import { KeysSheet } from '../../ui/KeysSheet.tsx';
import { Loading, Notice, Trouble } from '../../ui/states.tsx';
import { Tape, type Station } from '../../ui/Tape.tsx';
import { usePageEditor, type PageEditor } from './usePageEditor.ts';

export interface PageContext {
  readonly id: string;
  readonly editor: PageEditor;
  readonly derived: DerivedPage;
  readonly drawer: Drawer;
  readonly habits: Habits;
  readonly cuttings: readonly CuttingRecord[];
  /** How many copies of each part are cut. */
  readonly cutCounts: ReadonlyMap<string, number>;
  /** Parts of which every copy is cut. */
  readonly cutParts: ReadonlySet<string>;
}
export const usePageContext = (): PageContext => useOutletContext<PageContext>();

const Conflict = styled.section`
  padding: 0.9rem 1.5rem;
  background: var(--sheet);
  border-bottom: 1.5px solid var(--ink);
`;
const NOTHING: Drawer = { papers: [], stock: [] };
const NO_CUTS: readonly CuttingRecord[] = [];

export const stationsOf = (id: string, reached: { papers: boolean; order: boolean }): Station[] => [
  { to: '/', name: 'Size a mat', reached: true },
  { to: `/page/${id}`, name: 'Page and parts', reached: true },
  { to: `/page/${id}/papers`, name: 'Papers', reached: reached.papers },
  { to: `/page/${id}/order`, name: 'Cutting order', reached: reached.order },
];

/** Everything that the stations of one page share: the document being worked on, the drawer, the tape. */
export function PageStation() {
  const { id = '' } = useParams();
  return <OnePage key={id} id={id} />;
}

function OnePage({ id }: { id: string }) {
  const state = usePageEditor(id);
  const drawer = useDrawer();
  const habits = useHabits();
  const cuttings = useCuttings(id);
  const plan = usePlan(id);
  const page = state.status === 'ready' ? state.editor.page : null;
  const derived = useMemo(() => page && derivePage(page), [page]);
  const cutCounts = useMemo(() => {
    const counts = new Map<string, number>();
    for (const c of cuttings.data ?? [])
      if (!c.undoneAt) for (const part of c.parts) counts.set(part, (counts.get(part) ?? 0) + 1);
    return counts;
  }, [cuttings.data]);
  const copies = page?.copies ?? 1;
  const cutParts = useMemo(
    () => new Set([...cutCounts].filter(([, n]) => n >= copies).map(([part]) => part)),
    [cutCounts, copies],
  );

  const editor = state.status === 'ready' ? state.editor : null;
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (
        !(e.ctrlKey || e.metaKey) ||
        e.key.toLowerCase() !== 'z' ||
        (e.target instanceof HTMLInputElement && e.target.type === 'text' && document.activeElement === e.target)
      )
        return;
      e.preventDefault();
      if (e.shiftKey) editor?.redo();
      else editor?.undo();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [editor]);
  useEffect(() => {
    if (page) document.title = `${page.name} · Temnex`;
  }, [page]);

  const chosen = derived !== null && derived.pieces.every((p) => p.wish);
  const planned = editor !== null && plan.data?.pageVersion === editor.version;
  const stations = useMemo(
    () => stationsOf(id, { papers: chosen, order: planned || cutCounts.size > 0 }),
    [id, chosen, planned, cutCounts],
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
              habits: habits.data ?? USUAL_HABITS,
              cuttings: cuttings.data ?? NO_CUTS,
              cutParts,
              cutCounts,
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
