import { useEffect, useMemo, useRef } from 'react';
import { Outlet, useLocation, useMatch, useParams } from 'react-router';
import { styled } from 'styled-components';
import { DEFAULT_HABITS, drawerFor, type Drawer } from '@temnex/core/stock';
import { derivePage, type DerivedPage } from '@temnex/core/page';
import { readJob } from '@temnex/core/planner';
import {
  buildBasis,
  cutCountOf,
  assessCutPieces,
  collectFacesOnPage,
  isSameBasis,
  wantedCountOf,
} from '@temnex/core/cutting';
import type { CuttingRecord } from '@temnex/contract';
import { DEFAULT_NAMES } from '@temnex/words';
import { useCuttings, usePlan } from '../../data/orders/queries.ts';
import { useDrawer } from '../../data/stock/queries.ts';
import { useHabits } from '../../data/habits.ts';
import { useScrollToTop } from '../../design/useScrollToTop.ts';
import { Plain, Quiet } from '../../design/buttons.tsx';
import { KeysSheet } from '../../design/KeysSheet.tsx';
import { Loading, Notice, Trouble } from '../../design/states.tsx';
import { StationNav } from '../../design/StationNav.tsx';
import { useUndoKeys } from '../../design/useUndoKeys.ts';
import { useCuttingOrder } from '../../data/pages/useCuttingOrder.ts';
import type { PageContext, PageFacts } from '../../data/pages/context.ts';
import { stationsOf } from '../../widgets/pages/stations.ts';
import { MendPage, isUnreadable } from './MendPage.tsx';
import { usePageEditor, type PageEditor } from '../../data/pages/usePageEditor.ts';

const Conflict = styled.section`
  padding: 0.9rem 1.5rem;
  background: var(--sheet);
  border-bottom: 1.5px solid var(--ink);
`;
const NOTHING: Drawer = { papers: [], stock: [] };
const NO_CUTS: readonly CuttingRecord[] = [];

/** Everything that the stations of one page share: the document being worked on, the drawer, the tape. */
export function PageStation() {
  useScrollToTop();
  const { id = '' } = useParams();
  return <OnePage key={id} id={id} />;
}

/** What follows from the page; items whose input stayed the same are not worked out again. */
function useDerived(page: PageEditor['page'] | null): DerivedPage | null {
  const before = useRef<DerivedPage | undefined>(undefined);
  const derived = useMemo(() => page && derivePage(page, DEFAULT_NAMES, before.current), [page]);
  useEffect(() => {
    before.current = derived ?? undefined;
  }, [derived]);
  return derived;
}

const noop = () => {};

/** `of today, 10:32`, or with the day where it is another. */
const formatWhen = (iso: string): string => {
  const at = new Date(iso);
  const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const today = at.toDateString() === new Date().toDateString();
  return today ? `of ${time} today` : `of ${at.toLocaleDateString()}, ${time}`;
};

function OnePage({ id }: { id: string }) {
  const state = usePageEditor(id);
  const drawer = useDrawer();
  // what other pages keep is not there for this one
  const own = useMemo(() => (drawer.data ? drawerFor(drawer.data, id) : NOTHING), [drawer.data, id]);
  const habits = useHabits();
  const cuttings = useCuttings(id);
  const plan = usePlan(id);
  const editor = state.status === 'ready' ? state.editor : null;
  const page = editor?.page ?? null;
  const derived = useDerived(page);
  const standing = useMemo(() => cuttings.data?.filter((c) => !c.undoneAt) ?? null, [cuttings.data]);
  const cut = useMemo(() => (standing ?? []).flatMap((c) => c.pieces.filter((p) => !p.scrap)), [standing]);
  const cutState = useMemo(
    () => assessCutPieces(derived?.pieces ?? [], cut, (p) => (page ? wantedCountOf(p, page) : 0)),
    [derived, cut, page],
  );
  const cutPieces = useMemo(
    () =>
      new Set(
        (derived?.pieces ?? [])
          .filter((p) => cutCountOf(cutState, p.id) >= p.quantity * (page?.copies ?? 1))
          .map((p) => p.id),
      ),
    [derived, cutState, page],
  );
  const version = editor?.version;
  const basis = useMemo(
    () =>
      derived && version !== undefined && drawer.data && habits.data && standing
        ? buildBasis(
            version,
            derived.pieces,
            drawer.data.papers,
            habits.data.version,
            standing.map((c) => c.id),
          )
        : null,
    [derived, version, drawer.data, habits.data, standing],
  );
  // the page itself needs none of these; every other station would show something that is not so
  const asked = [
    { name: 'The drawer', what: 'the drawer', query: drawer },
    { name: 'Your habits', what: 'your habits', query: habits },
    { name: 'What is cut already', what: 'what is cut', query: cuttings },
    { name: 'The cutting order', what: 'the cutting order', query: plan },
  ];
  const needsAll = useMatch('/page/:id') === null;
  const without = asked.filter(({ query }) => query.data === undefined);
  const failing = without.find(({ query }) => query.error) ?? null;
  const waiting = without[0] ?? null;
  const retryAll = () => without.forEach(({ query }) => void query.refetch());
  useUndoKeys(editor?.undo ?? noop, editor?.redo ?? noop);
  const chosen = derived !== null && !derived.problems.length && derived.pieces.every((p) => p.wish);
  const planned =
    basis !== null && plan.data !== undefined && plan.data !== null && isSameBasis(plan.data.basis, basis);
  const standingPlan = planned ? plan.data! : null;
  const settled = useMemo(() => {
    const read = standingPlan ? readJob(standingPlan.job) : null;
    return collectFacesOnPage(cut, standingPlan && read?.ok ? { job: read.job, plan: standingPlan.plan } : null);
  }, [cut, standingPlan]);
  useEffect(() => {
    if (page) document.title = `${page.name} · Temnex`;
  }, [page]);

  const stations = useMemo(
    () => stationsOf(id, { papers: chosen, order: planned || cut.length > 0 }),
    [id, chosen, planned, cut],
  );

  return (
    <>
      <StationNav stations={stations} aside={editor ? <Saved editor={editor} /> : null} />
      <KeysSheet stations={stations} />
      {state.status === 'loading' ? <Loading what="the page" /> : null}
      {state.status === 'failed' ? (
        isUnreadable(state.error) ? (
          <MendPage refusal={state.error.refusal} opened={state.retry} />
        ) : (
          <Trouble title="This page cannot be opened" error={state.error} retry={state.retry} />
        )
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
      {editor?.unsaved && !editor.conflict ? (
        <Conflict aria-label="Edits that were not saved">
          <Notice kind="advice">
            <b>Edits {formatWhen(editor.unsaved.at)} were not saved.</b> They were kept here; taken up, they are one
            step of undo.
            <Plain onPress={editor.takeUp}>Take them up</Plain>
            <Quiet onPress={editor.leaveOut}>Leave them out</Quiet>
          </Notice>
        </Conflict>
      ) : null}
      {editor && failing && !needsAll ? (
        <Conflict>
          <Notice kind="block">
            <span>
              {failing.name} could not be fetched. {failing.query.error?.message}
            </span>
            <Quiet onPress={retryAll}>Try again</Quiet>
          </Notice>
        </Conflict>
      ) : null}
      {editor && needsAll && failing ? (
        <Trouble title={`${failing.name} could not be fetched`} error={failing.query.error} retry={retryAll} />
      ) : editor && needsAll && waiting ? (
        <Loading what={waiting.what} />
      ) : editor && derived ? (
        <WithOrder
          facts={
            {
              id,
              editor,
              derived,
              drawer: own,
              habits: habits.data?.habits ?? DEFAULT_HABITS,
              basis,
              cuttings: cuttings.data ?? NO_CUTS,
              cut,
              cutState,
              settled,
              cutPieces,
            } satisfies PageFacts
          }
        />
      ) : null}
    </>
  );
}

/** While something else is being done, this long after the last change the cutting order is planned, in milliseconds. */
const PLANNED_AFTER = { papers: 900, page: 2500 } as const;

/** The station one is at, with the cutting order planned meanwhile: by the time somebody asks for it, it is there. */
function WithOrder({ facts }: { facts: PageFacts }) {
  const station = useLocation().pathname.split('/')[3];
  const elsewhere = station === undefined || station === 'on-paper';
  const wait = station === 'papers' ? PLANNED_AFTER.papers : elsewhere ? PLANNED_AFTER.page : 0;
  const cutting = useCuttingOrder(facts, wait);
  return <Outlet context={{ ...facts, cutting } satisfies PageContext} />;
}

const SAVING_LABELS = { saved: 'Saved', saving: 'Saving …', waiting: 'Saving …', failed: 'Not saved' } as const;

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
        {SAVING_LABELS[editor.saving]}
      </span>
      {editor.trouble ? (
        <>
          <span title={editor.trouble}>{editor.triesAgain ? 'kept here, tried again by itself' : editor.trouble}</span>
          <Quiet onPress={editor.retry}>Try now</Quiet>
        </>
      ) : null}
    </>
  );
}
