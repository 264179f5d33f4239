import { useEffect, useMemo, useState } from 'react';
import { Input, Label } from 'react-aria-components';
import { styled } from 'styled-components';
import {
  compileStockQuery,
  isEmptyQuery,
  addMonths,
  parseStockQuery,
  sizeOfItem,
  type DrawerRules,
} from '@temnex/core/stock';
import { formatCount, describeSearchProblem, describeStockQuery, describeAreaInSheets } from '@temnex/words';
import { useDrawerStep } from '../../../data/stock/queries.ts';
import { useHabits, useSaveHabits } from '../../../data/habits.ts';
import { useRules, useSaveRules } from '../../../data/stock/rules.ts';
import { listPlacesIn } from '../../../widgets/stock/places.ts';
import { NARROW } from '../../../design/global.ts';
import { Quiet, Strong } from '../../../design/buttons.tsx';
import { Choice } from '../../../design/Choice.tsx';
import { LengthField } from '../../../design/LengthField.tsx';
import { Empty, Loading, Notice, Trouble } from '../../../design/states.tsx';
import { Tick, Ticks } from '../../../design/Tick.tsx';
import { formatToday, useDrawerContext } from '../context.ts';
import { SearchLine, Split } from '../../../design/Split.ts';
import { sortFound } from '../order.ts';
import { usePicking } from '../../../design/usePicking.ts';
import { Wall } from '../Wall.tsx';

const Going = styled.section`
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  ${NARROW} {
    height: 80dvh;
  }
`;
const Line = styled.div`
  padding: 0.9rem 1.5rem 0.7rem;
  border-bottom: 2px solid var(--ink);
  & > p {
    margin-top: 0.3rem;
  }
  & > p[data-bad] {
    color: var(--cut);
    font-weight: 600;
  }
  ${NARROW} {
    padding: 0.6rem 0.75rem;
  }
`;
const Slip = styled.aside`
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 0.9rem;
  padding: 0.9rem 1.5rem 2rem;
  border-left: 2px solid var(--ink);
  & > h2 {
    margin-top: 0.6rem;
  }
  & > h2:first-child {
    margin-top: 0;
  }
  & b {
    font: 600 var(--s4) / 1 var(--figures);
  }
  ${NARROW} {
    padding: 0.9rem 0.75rem;
    border-left: 0;
    border-top: 2px solid var(--ink);
  }
`;
const Fields = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 0.9rem;
  --field: 6.5rem;
`;
const EVERY = ['', '1', '2', '3', '6', '12'] as const;

/** What is kept, what is paper again, and what goes by a date: with all that would go seen first. */
export function ClearOutScreen() {
  const rules = useRules();
  if (rules.error)
    return <Trouble title="The rules could not be fetched" error={rules.error} retry={() => void rules.refetch()} />;
  return rules.data ? <ByRule rules={rules.data} /> : <Loading what="the rules" />;
}

function ByRule({ rules }: { rules: DrawerRules }) {
  const { drawer, papers, habits, mark, done } = useDrawerContext();
  const save = useSaveRules();
  const step = useDrawerStep();
  const { clearOut } = rules;
  const [text, setText] = useState(clearOut.line);
  const heard = useMemo(
    () => parseStockQuery(text, habits.unit, listPlacesIn(drawer), formatToday()),
    [text, habits.unit, drawer],
  );
  const asksNothing = heard.ok && isEmptyQuery(heard.sought);
  const found = useMemo(() => {
    if (!heard.ok || isEmptyQuery(heard.sought)) return [];
    const { matches } = compileStockQuery(heard.sought, drawer.papers);
    // what is held back or kept for a page never goes by a rule
    const going = drawer.stock.filter((s) => matches(s) && !s.reserved && !s.reserves?.length && papers.has(s.paper));
    return sortFound(going, 'size', papers, null);
  }, [heard, drawer, papers]);
  const ids = useMemo(() => found.map((item) => item.id), [found]);
  // what is picked stays: all else that was found goes
  const picking = usePicking(ids);
  const going = useMemo(() => found.filter((item) => !picking.picked.has(item.id)), [found, picking.picked]);
  const area = going.reduce((n, s) => n + sizeOfItem(s).width * sizeOfItem(s).height * s.quantity, 0);
  const voice = { mark, figures: 'typeset' } as const;
  const set = (patch: Partial<DrawerRules['clearOut']>) =>
    save.mutate({ ...rules, clearOut: { ...clearOut, ...patch } });
  // a line that reads is the rule from then on
  useEffect(() => {
    if (!heard.ok || asksNothing || text.trim() === clearOut.line) return;
    const timer = setTimeout(() => save.mutate({ ...rules, clearOut: { ...clearOut, line: text.trim() } }), 800);
    return () => clearTimeout(timer);
  });
  const clear = () =>
    step.mutate(
      { says: 'cleared-out', change: going.map((s) => ({ stock: s.id, by: -s.quantity })) },
      {
        onSuccess: ({ id }) => {
          done(id);
          if (clearOut.everyMonths !== null) set({ next: addMonths(formatToday(), clearOut.everyMonths) });
        },
      },
    );
  const trouble = save.error ?? step.error;
  return (
    <Split>
      <h1 className="out-of-sight">Clear out</h1>
      <Going aria-label="What would go">
        <Line>
          <SearchLine value={text} onChange={setText}>
            <Label>What goes? Said as what one looks for</Label>
            <Input autoComplete="off" spellCheck={false} data-say-line />
          </SearchLine>
          <p aria-live="polite" {...(heard.ok && !asksNothing ? {} : { 'data-bad': true })}>
            {!heard.ok
              ? describeSearchProblem(heard.problem)
              : asksNothing
                ? 'That would be everything: say which.'
                : describeStockQuery(heard.sought, voice).join(' · ')}
          </p>
        </Line>
        {found.length ? (
          <Wall
            items={found}
            papers={papers}
            mark={mark}
            picking={picking}
            scale={15}
            label="What would go; what is picked stays"
            onKey={() => false}
          />
        ) : (
          <Empty title="Nothing would go">
            <p>Nothing in the drawer is like that, or it is held back or kept for a page.</p>
          </Empty>
        )}
      </Going>
      <Slip aria-label="Rules">
        <h2>Would go</h2>
        <p role="status">
          <b>{going.length.toLocaleString()}</b> {going.length === 1 ? 'item' : 'items'}
          {going.length ? `, ${describeAreaInSheets(area)}` : ''}
          {picking.picked.size
            ? `; ${formatCount(picking.picked.size, 'one', 'picked')} ${picking.picked.size === 1 ? 'stays' : 'stay'}`
            : ''}
        </p>
        <p>Press what is to stay, more with Ctrl or Shift. What is held back or kept for a page stays anyway.</p>
        <Strong onPress={clear} isDisabled={!going.length || step.isPending}>
          Take {going.length === 1 ? 'it' : `these ${going.length.toLocaleString()}`} out
        </Strong>
        {picking.picked.size ? <Quiet onPress={picking.clear}>None of them stays</Quiet> : null}
        {trouble ? (
          <Notice kind="block">
            <span>{trouble.message}</span>
          </Notice>
        ) : null}
        <Fields>
          <Choice
            label="clear out"
            value={clearOut.everyMonths === null ? '' : String(clearOut.everyMonths)}
            options={[...new Set([...EVERY, clearOut.everyMonths === null ? '' : String(clearOut.everyMonths)])].map(
              (n) => ({
                id: n,
                name: n === '' ? 'when I like' : n === '1' ? 'every month' : `every ${n} months`,
              }),
            )}
            onChange={(n) =>
              set(
                n === ''
                  ? { everyMonths: null, next: null }
                  : { everyMonths: Number(n), next: clearOut.next ?? addMonths(formatToday(), Number(n)) },
              )
            }
          />
          {clearOut.everyMonths === null ? null : (
            <label style={{ fontSize: 'var(--s1)', color: 'var(--quiet)' }}>
              the next on
              <input
                type="date"
                value={clearOut.next ?? ''}
                onChange={(e) => set({ next: e.target.value || null })}
                style={{ display: 'block', minHeight: '2.25rem', border: 0, borderBottom: '2px solid var(--ink)' }}
              />
            </label>
          )}
        </Fields>
        <Keeping rules={rules} save={save.mutate} />
      </Slip>
    </Split>
  );
}

/** What is worth keeping at all, and what an offcut counts as. */
function Keeping({ rules, save }: { rules: DrawerRules; save: (rules: DrawerRules) => void }) {
  const query = useHabits();
  const saveHabits = useSaveHabits();
  const habits = query.data?.habits;
  if (!habits) return null;
  const { sheetFrom, unit } = rules;
  const keep = (patch: Partial<typeof habits.keep>) =>
    saveHabits.mutate({ ...habits, keep: { ...habits.keep, ...patch } });
  const start = unit === 'mm' ? '200' : '8';
  return (
    <>
      <h2>After cutting</h2>
      <p>An offcut goes back into the drawer from</p>
      <Fields>
        <LengthField
          label="short side"
          value={habits.keep.shorter}
          unit={habits.unit}
          options={{ allow: 'zero' }}
          onCommit={(shorter) => keep({ shorter })}
        />
        <LengthField
          label="long side"
          value={habits.keep.longer}
          unit={habits.unit}
          options={{ allow: 'zero' }}
          onCommit={(longer) => keep({ longer })}
        />
      </Fields>
      <Ticks>
        <Tick
          checked={sheetFrom !== null}
          onChange={() => save({ ...rules, sheetFrom: sheetFrom ? null : { shorter: start, longer: start } })}
        >
          a large one counts as a sheet again
        </Tick>
        {sheetFrom ? (
          <Fields>
            <LengthField
              label="from, short side"
              value={sheetFrom.shorter}
              unit={unit}
              onCommit={(shorter) => save({ ...rules, sheetFrom: { ...sheetFrom, shorter } })}
            />
            <LengthField
              label="from, long side"
              value={sheetFrom.longer}
              unit={unit}
              onCommit={(longer) => save({ ...rules, sheetFrom: { ...sheetFrom, longer } })}
            />
          </Fields>
        ) : null}
        <Tick checked={rules.branding} onChange={() => save({ ...rules, branding: !rules.branding })}>
          branding strips are kept
        </Tick>
      </Ticks>
      {saveHabits.error ? (
        <Notice kind="block">
          <span>{saveHabits.error.message}</span>
        </Notice>
      ) : null}
    </>
  );
}
