import { useEffect, useEffectEvent, useState, type Dispatch, type ReactNode, type SetStateAction } from 'react';
import { hashKey } from '@tanstack/react-query';
import { styled } from 'styled-components';
import type { Job, Plan } from '@temnex/core/planner';
import { isSpare, collectPartsAfter } from '@temnex/core/cutting';
import { CAUTION, formatCount, type DescribeBagOf } from '@temnex/words';
import { useBeginSession } from '../../data/sessions/useBeginSession.ts';
import type { useCut } from '../../data/orders/queries.ts';
import { NARROW } from '../../design/global.ts';
import { Plain, Quiet, Strong } from '../../design/buttons.tsx';
import { Notice } from '../../design/states.tsx';
import { Tick, Ticks } from '../../design/Tick.tsx';

const Stack = styled.div`
  display: grid;
  gap: 0.6rem;
  justify-items: start;
  margin: 0.9rem 0;
  & small {
    font-size: var(--s1);
    line-height: 1.3;
    color: var(--quiet);
  }
`;

/** On a phone the cuts are long: the way to the trimmer stays in sight below them. */
const ToTrimmer = styled.div`
  ${NARROW} {
    position: fixed;
    z-index: 2;
    inset: auto 0 0;
    padding: 0.6rem 0.75rem calc(0.6rem + env(safe-area-inset-bottom));
    border-top: 2px solid var(--ink);
    background: var(--room);
    & > button {
      width: 100%;
    }
  }
`;

/** What was pressed before its plan was kept, and of which plan: done as soon as that one is. */
export interface Pressed {
  what: 'cut' | 'trimmer';
  plan: Plan;
}

interface CutItProps {
  plan: Plan;
  job: Job;
  stored: string | null;
  /** Makes this plan the one that is kept, if a better one is still looked for; null: it is not going to be kept. */
  settle: (() => void) | null;
  /** It could not be kept. */
  failed: boolean;
  /** Puts it down: of a page, or of pages that are cut together. */
  cut: ReturnType<typeof useCut>;
  /** The way to print it. */
  print: ReactNode;
  /** Into which of several pages a copy goes; null: there is one. */
  bagOf: DescribeBagOf | null;
  /** A session at the trimmer goes on for it. */
  open?: boolean;
  /** How many of the steps are done; null: nobody has said. */
  done: number | null;
  setDone: (done: number | null) => void;
  /** Held where it outlives a plan that is made anew. */
  pressed: Pressed | null;
  setPressed: Dispatch<SetStateAction<Pressed | null>>;
}

/** Puts down what is cut: all of it, or the first cuts, with what was spoiled; what is left is then planned anew. */
export function CutIt({
  plan,
  job,
  stored,
  settle,
  failed,
  cut,
  print,
  bagOf,
  open = false,
  done,
  setDone,
  pressed,
  setPressed,
}: CutItProps) {
  const [spoiled, setSpoiled] = useState<ReadonlySet<string>>(new Set());
  const partly = done !== null && done < plan.steps.length;
  const off = collectPartsAfter(job, plan, done ?? plan.steps.length).flatMap((p) => ('piece' in p ? [p.piece] : []));
  const names = new Map(job.pieces.map((p) => [p.id, p.name]));
  // kept, it comes back as another object, its keys in another order, but the same plan
  const isThis = pressed !== null && (pressed.plan === plan || hashKey([pressed.plan]) === hashKey([plan]));
  const waitsFor = isThis && !failed ? pressed.what : null;
  const begin = useBeginSession();
  const press = (what: Pressed['what']) => {
    if (!stored) {
      setPressed({ what, plan });
      settle?.();
      return;
    }
    setPressed(null);
    if (what === 'trimmer') {
      begin.mutate(stored);
      return;
    }
    const lost = off.filter((h) => spoiled.has(keyOf(h))).map(({ piece, copy }) => ({ piece, copy }));
    cut.mutate(
      { plan: stored, soFar: { ...(partly ? { steps: done } : {}), ...(lost.length ? { spoiled: lost } : {}) } },
      {
        onSuccess: () => {
          setDone(null);
          setSpoiled(new Set());
        },
      },
    );
  };
  const goOn = useEffectEvent(() => press(pressed!.what));
  useEffect(() => {
    if (isThis && stored) goOn();
  }, [isThis, stored]);
  // between two answers it is neither looked for nor kept: a button that is held down then stays one
  const cannot = !stored && !settle;
  const toggle = (key: string) => {
    const next = new Set(spoiled);
    if (!next.delete(key)) next.add(key);
    setSpoiled(next);
  };
  return (
    <Stack>
      {done === null && plan.sheets.length ? (
        <ToTrimmer>
          <Strong onPress={() => press('trimmer')} isDisabled={cannot || begin.isPending || waitsFor !== null}>
            {begin.isPending || waitsFor === 'trimmer'
              ? 'Getting ready …'
              : open
                ? 'Go on at the trimmer'
                : 'To the trimmer'}
          </Strong>
        </ToTrimmer>
      ) : null}
      <Plain
        onPress={() => press('cut')}
        isDisabled={cannot || !plan.sheets.length || cut.isPending || waitsFor !== null}
      >
        {waitsFor === 'cut' || cut.isPending
          ? 'Putting it down …'
          : partly
            ? `${formatCount(done, 'cut')} made, plan the rest`
            : spoiled.size
              ? 'It is cut, plan what was spoiled'
              : 'It is cut'}
      </Plain>
      <small>
        {partly
          ? 'Sheets not yet touched stay in the drawer and keep their cuts; what is in hand goes there as scraps.'
          : 'Uses up the sheets and puts kept offcuts into the drawer. It can be taken back.'}
        {partly
          ? null
          : plan.steps.length > 1
            ? ' Stopped halfway? Press “made up to here” on the last cut made.'
            : null}
      </small>
      {partly ? <Quiet onPress={() => setDone(null)}>All of it, after all</Quiet> : null}
      {off.length ? (
        <details>
          <summary>A piece was spoiled</summary>
          <Ticks>
            <legend>Its paper is gone, and it is planned again:</legend>
            {off.map((h) => (
              <Tick key={keyOf(h)} checked={spoiled.has(keyOf(h))} onChange={() => toggle(keyOf(h))}>
                {names.get(h.piece) ?? h.piece}
                {bagOf && !isSpare(h.piece) ? `, ${bagOf(h.piece, h.copy)}` : ''}
              </Tick>
            ))}
          </Ticks>
        </details>
      ) : null}
      {pressed && !isThis ? (
        <Notice kind="advice">
          <span role="status">
            The cutting order has changed since you pressed, so nothing was done. Look through it, and press again.
          </span>
        </Notice>
      ) : null}
      {begin.error ? (
        <Notice kind="block">
          <span>{begin.error.message}</span>
        </Notice>
      ) : null}
      {cut.error ? (
        <Notice kind="block">
          <span>{cut.error.message}</span>
        </Notice>
      ) : null}
      {/* what is printed is what is kept: not before it is */}
      {stored ? print : <small>It can be printed once it is settled.</small>}
      <small>{CAUTION}</small>
    </Stack>
  );
}

const keyOf = ({ piece, copy }: { piece: string; copy: number }): string => `${piece} ${copy}`;
