import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Outlet, useMatch } from 'react-router';
import { styled } from 'styled-components';
import { DEFAULT_HABITS } from '@temnex/core/stock';
import { describeDrawerStep } from '@temnex/words';
import { useDrawer, useSteps, useUndoStep } from '../../data/stock/queries.ts';
import { useHabits } from '../../data/habits.ts';
import { useRules } from '../../data/stock/rules.ts';
import { PlainLink, Quiet } from '../../design/buttons.tsx';
import { KeysSheet } from '../../design/KeysSheet.tsx';
import { Loading, Notice, Trouble } from '../../design/states.tsx';
import { StationNav, type Station } from '../../design/StationNav.tsx';
import { useScrollToTop } from '../../design/useScrollToTop.ts';
import { useUndoKeys } from '../../design/useUndoKeys.ts';
import { drawerMarkOf, formatToday, type DrawerContext } from './context.ts';

/** What one does at the drawer, in the order in which one comes to do it. */
const PLACES: readonly Station[] = [
  { to: '/drawer', name: 'Look through', reached: true },
  { to: '/drawer/in', name: 'Put many in', reached: true },
  { to: '/drawer/wanted', name: 'Wanted', reached: true },
  { to: '/drawer/together', name: 'Cut together', reached: true },
  { to: '/drawer/use-up', name: 'Use up', reached: true },
  { to: '/drawer/rules', name: 'Clear out', reached: true },
];
const Due = styled.div`
  padding: 0.4rem 1.5rem;
  background: var(--sheet);
  border-bottom: 1.5px solid var(--ink);
`;
const noop = () => {};
/** So long before it was opened, in milliseconds, a step is offered to be undone. */
const LATELY = 3_600_000;

/** The drawer, apart from any page. */
export function DrawerStation() {
  useScrollToTop();
  const drawer = useDrawer();
  const habits = useHabits();
  const steps = useSteps();
  const rules = useRules();
  const atRules = useMatch('/drawer/rules') !== null;
  const undo = useUndoStep();
  // what was done here, the latest last: only that is undone by a key
  const own = useRef<string[]>([]);
  const done = useCallback((step: string) => void own.current.push(step), []);
  const papers = useMemo(() => new Map((drawer.data?.papers ?? []).map((p) => [p.id, p])), [drawer.data]);
  // what was done long ago is not what somebody wants to undo
  const [since] = useState(() => new Date(Date.now() - LATELY).toISOString());
  const latest = steps.data?.find((s) => !s.undoneAt && s.at > since) ?? null;
  const takeBack = (step: string) => {
    own.current = own.current.filter((id) => id !== step);
    undo.mutate(step);
  };
  useUndoKeys(() => {
    const last = own.current.at(-1);
    if (last) takeBack(last);
  }, noop);
  useEffect(() => {
    document.title = 'The drawer · Temnex';
  }, []);
  const { error } = drawer;
  return (
    <>
      <StationNav
        stations={PLACES}
        label="At the drawer"
        aside={
          latest ? (
            <Quiet
              onPress={() => takeBack(latest.id)}
              isDisabled={undo.isPending}
              aria-label={`Undo: ${describeDrawerStep(latest)}`}
            >
              Undo “{describeDrawerStep(latest)}”
            </Quiet>
          ) : null
        }
      />
      <KeysSheet stations={PLACES} />
      {undo.error ? (
        <Notice kind="block">
          <span>{undo.error.message}</span>
        </Notice>
      ) : null}
      {rules.data?.clearOut.next && rules.data.clearOut.next <= formatToday() && !atRules ? (
        <Due>
          <Notice kind="advice">
            <span>It is time to clear out: {rules.data.clearOut.line}.</span>
            <PlainLink to="/drawer/rules">See what would go</PlainLink>
          </Notice>
        </Due>
      ) : null}
      {drawer.data && habits.data ? (
        <Outlet
          context={
            {
              drawer: drawer.data,
              papers,
              habits: habits.data.habits ?? DEFAULT_HABITS,
              mark: drawerMarkOf(habits.data.habits),
              done,
            } satisfies DrawerContext
          }
        />
      ) : error || habits.error ? (
        <Trouble
          title="The drawer could not be fetched"
          error={error ?? habits.error}
          retry={() => {
            void drawer.refetch();
            void habits.refetch();
          }}
        />
      ) : (
        <Loading what="the drawer" />
      )}
    </>
  );
}
