import { useCallback, useEffect, useEffectEvent, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useParams } from 'react-router';
import { MARKS } from '@temnex/core/length';
import { bagOfCopy, pagePieceIdOf } from '@temnex/core/cutting';
import {
  countPlanStepsDone,
  findPress,
  groupIntoPresses,
  type MeasuredPiece,
  type SessionDeed,
  type TrimmerStep,
} from '@temnex/core/trimmer';
import { describeCopy, formatCount, describePress } from '@temnex/words';
import { usePageStore } from '../../data/pages/pageStore.ts';
import { useDrawer } from '../../data/stock/queries.ts';
import { canSpeak, stopSpeaking, speak } from './speech.ts';
import { useWakeLock } from './useWakeLock.ts';
import { isOnlyInMemory } from '../../data/sessions/outbox.ts';
import { useSession, type LiveSession } from '../../data/sessions/useSession.ts';
import { installServiceWorker } from '../../data/serviceWorker.ts';
import { PlainLink, Quiet } from '../../design/buttons.tsx';
import { Empty, Loading, Notice, Trouble } from '../../design/states.tsx';
import { buildPictureStyle } from '../../widgets/order/pictures.ts';
import { DisagreementNotice } from './DisagreementNotice.tsx';
import { BesidePicture, PicturePart, Room, StepText, Top, Work } from './Frame.tsx';
import { Heading } from './Heading.tsx';
import { MeasuredPanel } from './MeasuredPanel.tsx';
import { SessionOver, PlanningRest, PutDownElsewhere } from './SessionOver.tsx';
import { Presses } from './Presses.tsx';
import { Progress } from './Progress.tsx';
import { StepPicture, pickPicturedStep } from './StepPicture.tsx';
import { StepInWords } from './StepInWords.tsx';
import { TrimmerKeys } from './TrimmerKeys.tsx';
import { WrongPanel } from './WrongPanel.tsx';

const NOTHING = { papers: [], stock: [] };

/** A session at the trimmer, one step a screen. */
export function TrimmerScreen() {
  const { id = '' } = useParams();
  const live = useSession(id);
  if (live.status === 'loading') return <Loading what="the session" />;
  if (live.status === 'failed')
    return (
      <main>
        <Trouble title="This session cannot be opened" error={live.error} retry={live.retry} />
        <Empty title="">
          <PlainLink to="/">To the start</PlainLink>
        </Empty>
      </main>
    );
  return <AtTheTrimmer live={live} />;
}

/** How many of these steps are done once so many of their cuts are. */
const stepAfter = (steps: readonly TrimmerStep[], cuts: number): number => {
  const made = steps.flatMap((s, i) => (s.do === 'cut' ? [i] : []));
  return cuts > 0 ? (made[cuts - 1] ?? -1) + 1 : 0;
};

type Panel = 'wrong' | 'measured' | 'keys' | null;
/** A finger that moves so far sideways, and not as far up or down, has swiped. */
const SWIPE = 70;
/** So long after another device has moved the step on, in milliseconds, nothing is pressed here. */
const SETTLE = 600;

/** Steps from one up to another, which is not one of them, as one event says them. */
const upTo = (from: number, to: number) => ({ step: from, ...(to - from > 1 ? { through: to - 1 } : {}) });

const onButton = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('button, a, summary') !== null;

function AtTheTrimmer({ live }: { live: LiveSession }) {
  const { session, state, order, press } = live;
  const { steps, job } = order;
  const { plan } = order.record;
  const drawer = useDrawer();
  const pages = usePageStore();
  const [panel, setPanel] = useState<Panel>(null);
  const [aloud, setAloud] = useState(false);
  const mark = MARKS[session.mark];
  const voice = useMemo(() => ({ mark, figures: 'typeset' }) as const, [mark]);
  const shelf = drawer.data ?? NOTHING;
  const style = useMemo(() => buildPictureStyle(job, shelf, mark, 13), [job, shelf, mark]);
  const { pieceName } = style;
  const cuts = countPlanStepsDone(steps, state.at);
  // of a kit, what comes off goes into one bag after the other: each cut by itself
  const presses = useMemo(() => groupIntoPresses(steps, !session.kit), [steps, session.kit]);
  const nth = findPress(presses, state.at);
  const pressed = presses[nth] ?? null;
  const now = useMemo(() => (pressed ? steps.slice(state.at, pressed.to) : []), [steps, pressed, state.at]);
  const places = useMemo(() => {
    const papers = new Map(shelf.papers.map((p) => [p.id, p]));
    return new Map(shelf.stock.map((s) => [s.id, s.place ?? papers.get(s.paper)?.place]));
  }, [shelf]);
  const { kit } = session;
  const orderId = order.record.id;
  const bagOf = useCallback(
    (piece: string, copy: number): string | null => {
      if (!kit) return null;
      const of = pagePieceIdOf(piece);
      const bag = bagOfCopy(copy, kit.perPage[of] ?? 1, kit.before[orderId]?.[of]);
      return describeCopy(bag, kit.copies, kit.names[bag - 1] ?? null);
    },
    [kit, orderId],
  );
  const words = useMemo(
    () => (now.length ? describePress(now, plan, job, voice, pieceName, (stock) => places.get(stock), bagOf) : null),
    [now, plan, job, voice, pieceName, places, bagOf],
  );
  useWakeLock(state.phase !== 'over');
  useEffect(installServiceWorker, []);

  const done = useCallback(() => {
    if (state.phase !== 'cutting' || !pressed || performance.now() - moved.current < SETTLE) return;
    expected.current = pressed.to;
    press({ do: 'done', order: state.order, ...upTo(state.at, pressed.to) });
  }, [state, pressed, press]);
  // a step that another device has just moved on from was not seen yet: a press meant for it is not taken for the next one
  const expected = useRef(state.at);
  const moved = useRef(-Infinity);
  useLayoutEffect(() => {
    if (state.at > expected.current) moved.current = performance.now();
    expected.current = state.at;
  }, [state.at, state.order]);
  const back = useCallback(() => {
    if (state.phase === 'over') return void press({ do: 'on', order: state.order });
    if (state.phase === 'cutting' && state.at > 0) {
      const { from } = presses[findPress(presses, state.at - 1)]!;
      return void press({ do: 'back', order: state.order, ...upTo(from, state.at) });
    }
    const last = state.left.at(-1);
    if (last) press({ do: 'right', order: last.order });
  }, [state, presses, press]);
  const canBack = state.phase === 'over' || (state.phase === 'cutting' && state.at > 0) || state.left.length > 0;
  /** Back before the cut that was made last. */
  const beforeLast = () => {
    const at = steps.slice(0, state.at).findLastIndex((s) => s.do === 'cut');
    if (at >= 0) press({ do: 'back', order: state.order, ...upTo(at, state.at) });
  };

  // read aloud as it comes, where somebody wants that
  const spoken = words?.spoken ?? '';
  useEffect(() => {
    if (!aloud || !spoken || panel !== null) return;
    speak(spoken);
    return stopSpeaking;
  }, [aloud, spoken, panel]);

  const key = useEffectEvent((e: KeyboardEvent) => {
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    const field = e.target instanceof HTMLElement && e.target.closest('input, select, textarea');
    if (e.key === 'Escape' && panel) setPanel(null);
    else if (field || panel) return;
    // a button that has the focus is pressed by its own key
    else if (e.repeat || ((e.key === ' ' || e.key === 'Enter') && onButton(e.target))) return;
    else if ([' ', 'Enter', 'ArrowRight', 'PageDown'].includes(e.key)) done();
    else if (['ArrowLeft', 'PageUp', 'Backspace', 'u'].includes(e.key)) back();
    else if (e.key === 'w' && state.phase === 'cutting') setPanel('wrong');
    else if (e.key === 'm' && state.phase === 'cutting') setPanel('measured');
    else if (e.key === 'r' && canSpeak()) speak(spoken);
    else if (e.key === '?') setPanel('keys');
    else return;
    e.preventDefault();
  });
  useEffect(() => {
    const listener = (e: KeyboardEvent) => key(e);
    window.addEventListener('keydown', listener);
    return () => window.removeEventListener('keydown', listener);
  }, []);
  const picture = pickPicturedStep(now);
  const next = useMemo(() => {
    const after = presses[nth + 1];
    return after ? pickPicturedStep(steps.slice(after.from, after.to)) : null;
  }, [steps, presses, nth]);
  const aboutCut = steps.slice(state.at).find((s) => s.do === 'cut') ?? null;
  const touch = useRef<{ x: number; y: number } | null>(null);

  const keys = useCallback(() => setPanel('keys'), []);
  const end = useCallback(() => void press({ do: 'end', order: state.order }), [press, state.order]);
  const deed = (what: SessionDeed) => {
    press(what);
    setPanel(null);
  };
  /** What depends on it is another size now: what is cut is put down, and the rest planned anew. */
  const follow = async (measured: MeasuredPiece): Promise<string | null> => {
    try {
      const { followMeasured } = await import('../../data/sessions/followMeasured.ts');
      const others = await followMeasured(pages, session.session.page, measured);
      if (others === null)
        return 'Nothing on the page counts from the size of this piece. “It will do” puts it down as it is.';
      press({ do: 'measured', order: state.order, ...measured });
      if (others) press({ do: 'wrong', order: state.order, step: state.at, spoiled: [] });
      setPanel(null);
      return null;
    } catch (error) {
      return error instanceof Error ? error.message : 'It could not be worked out.';
    }
  };
  const bags = state.order ? `, order ${state.order + 1}` : '';
  return (
    <Room>
      <Top>
        <Heading
          title={`${session.title}${bags}`}
          says={
            live.offline
              ? `The server does not answer; ${live.waiting ? `${formatCount(live.waiting, 'press', 'presses')} ${isOnlyInMemory(session.session.id) ? 'only in this window: do not close it' : 'kept here'}` : 'go on'}`
              : live.waiting > 1
                ? `${live.waiting} being sent`
                : ''
          }
          aloud={aloud}
          setAloud={setAloud}
          keys={keys}
          back={
            session.session.pages.length > 1
              ? `/drawer/together?pages=${session.session.pages.join(',')}`
              : `/page/${session.session.page}/order`
          }
        />
        <Progress steps={steps} presses={presses} at={state.at} />
        {live.trouble ? (
          <Notice kind="block">
            <span>{live.trouble.message}</span>
            <Quiet onPress={live.clearTrouble}>Understood</Quiet>
          </Notice>
        ) : null}
        <DisagreementNotice live={live} />
        {session.unreadable ? (
          <Notice kind="advice">
            <span>
              {formatCount(session.unreadable, 'press', 'presses')} of this session cannot be read: look at what is cut
              before you go on.
            </span>
          </Notice>
        ) : null}
      </Top>
      {panel === 'keys' ? (
        <TrimmerKeys onClose={() => setPanel(null)} />
      ) : session.session.endedAt !== null && state.phase !== 'over' && !live.waiting ? (
        <PutDownElsewhere live={live} />
      ) : state.phase === 'over' ? (
        <SessionOver live={live} />
      ) : state.phase === 'waiting' ? (
        <PlanningRest live={live} />
      ) : panel === 'wrong' ? (
        <BesidePicture>
          <WrongPanel
            order={order}
            cuts={cuts}
            voice={voice}
            pieceName={pieceName}
            again={Math.max(0, now.filter((s) => s.do === 'cut').length - 1)}
            drawer={shelf}
            before={cuts > 0 ? beforeLast : null}
            onWrong={(wrong, spoiled, good) => {
              // those of the same cut that were made before it are done
              const step = stepAfter(now, good);
              if (step > 0) press({ do: 'done', order: state.order, ...upTo(state.at, state.at + step) });
              deed({
                do: 'wrong',
                order: state.order,
                step: state.at + step,
                spoiled,
                ...(wrong ? { wrong } : {}),
              });
            }}
            onClose={() => setPanel(null)}
          />
          {aboutCut ? (
            <PicturePart>
              <StepPicture
                plan={plan}
                job={job}
                style={style}
                shown={{ step: aboutCut, turned: 0, times: 1 }}
                next={null}
                title="the cut that it is about"
              />
            </PicturePart>
          ) : null}
        </BesidePicture>
      ) : panel === 'measured' ? (
        <MeasuredPanel
          order={order}
          cuts={cuts}
          voice={voice}
          pieceName={pieceName}
          measured={state.measured}
          onMeasured={(m) => deed({ do: 'measured', order: state.order, ...m })}
          onFollow={session.session.pages.length === 1 ? follow : null}
          onAgain={(piece, copy, left) =>
            deed({ do: 'wrong', order: state.order, step: state.at, spoiled: [{ piece, copy, left: [left] }] })
          }
          onClose={() => setPanel(null)}
        />
      ) : picture && words ? (
        <Work
          onTouchStart={(e) => {
            const first = e.touches[0];
            touch.current = e.touches.length === 1 && first ? { x: first.clientX, y: first.clientY } : null;
          }}
          onTouchEnd={(e) => {
            const end = e.changedTouches[0];
            const from = touch.current;
            touch.current = null;
            if (!from || !end) return;
            const [dx, dy] = [end.clientX - from.x, end.clientY - from.y];
            if (Math.abs(dx) < SWIPE || Math.abs(dy) > Math.abs(dx) / 2) return;
            if (dx < 0) done();
            else back();
          }}
        >
          <PicturePart>
            <StepPicture plan={plan} job={job} style={style} shown={picture} next={next} title={words.spoken} />
          </PicturePart>
          <StepInWords words={words} mark={mark} />
        </Work>
      ) : (
        <Work>
          <StepText style={{ gridColumn: '1 / -1' }}>
            <h2>All of it is cut.</h2>
            <p>Put it down: the sheets are used up, the offcuts go into the drawer, and the pieces are the page’s.</p>
          </StepText>
        </Work>
      )}
      {state.phase !== 'over' && panel === null && session.session.endedAt === null ? (
        <Presses
          back={back}
          done={done}
          canBack={canBack}
          open={setPanel}
          cutting={state.phase === 'cutting'}
          end={pressed || state.phase === 'waiting' ? null : end}
        />
      ) : null}
    </Room>
  );
}
