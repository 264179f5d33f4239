import { memo, startTransition, useEffect, useRef, useState } from 'react';
import { keyframes, styled } from 'styled-components';
import type { Job, Plan, PlanNode } from '@temnex/core/planner';
import type { TrimmerStep } from '@temnex/core/trimmer';
import {
  formatDefinitions,
  drawFinish,
  formatMarks,
  paperFill,
  drawStep,
  drawTrimmerStep,
  type Drawing,
  type DrawingMark,
  type PictureStyle,
  type TrimmerDrawing,
} from '@temnex/drawing';
import { useElementSize } from './useElementSize.ts';

const Bed = styled.div`
  position: relative;
  display: grid;
  place-items: center;
  flex: 1;
  min-width: 0;
  min-height: 0;
  overflow: hidden;
  contain: layout paint;
  & > svg {
    grid-area: 1 / 1;
  }
`;
const slide = keyframes`
  to { transform: translateX(-110%); opacity: 0; }
`;
/** What came off slides away over the next picture; where no motion is wanted it is not there at all. */
const Gone = styled.svg`
  pointer-events: none;
  animation: ${slide} 420ms cubic-bezier(0.4, 0, 0.9, 0.6) forwards;
  @media (prefers-reduced-motion: reduce) {
    display: none;
  }
`;

interface Shown extends Drawing {
  readonly off: readonly DrawingMark[];
  readonly front: readonly DrawingMark[];
}

/** By hand: the same pictures as in the cutting order, larger. */
function byHand(plan: Plan, step: TrimmerStep, job: Job, style: PictureStyle, room: Room): Shown | null {
  if (step.do === 'cut') return { ...drawStep(plan, step.step, job, style, room), off: [], front: [] };
  if (step.do !== 'finish' && step.do !== 'over') return null;
  const stock = stockOf(plan, step.piece.id);
  const side = step.do === 'over' ? 'B' : sideOf(plan, step.piece.id);
  const fillAt = (scale: number) => (stock ? paperFill({ ...style, scale }, stock, side) : '#ffffff');
  return { ...drawFinish(step.piece, fillAt, ''), off: [], front: [] };
}
interface Room {
  readonly width: number;
  readonly height: number;
}

type Quarters = 0 | 1 | 2 | 3;
/** The step of a press that is drawn, and how what is in hand is turned for it. */
export interface PicturedStep {
  readonly step: TrimmerStep;
  readonly turned: Quarters;
  /** How often the cut is made. */
  readonly times: number;
}
/** Of what is done with one press, the first cut is drawn; where nothing is cut, what is done last. */
export function pickPicturedStep(steps: readonly TrimmerStep[]): PicturedStep | null {
  const step = steps.find((s) => s.do === 'cut') ?? steps.at(-1);
  const turn = steps.find((s) => s.do === 'turn');
  const times = steps.filter((s) => s.do === 'cut').length || 1;
  return step ? { step, times, turned: turn && turn !== step ? turn.quarters : 0 } : null;
}

interface StepPictureProps {
  plan: Plan;
  job: Job;
  shown: PicturedStep;
  /** What comes after it: its picture is made while nobody waits. */
  next: PicturedStep | null;
  style: PictureStyle;
  title: string;
}

/** A picture with its marks as text: it is drawn anew with every step, and has hundreds of them. */
interface Ready {
  readonly picture: Shown;
  readonly defs: string;
  readonly marks: string;
  readonly off: string;
  readonly front: string;
}
const made = new WeakMap<
  TrimmerStep,
  { readonly key: string; readonly style: PictureStyle; readonly ready: Ready | null }
>();
/** The picture of a step in a room; each is made once while the room stays as it is. */
function readyFor(
  plan: Plan,
  { step, turned, times }: PicturedStep,
  job: Job,
  style: PictureStyle,
  room: Room,
): Ready | null {
  const key = `${room.width} ${room.height} ${turned} ${times}`;
  const before = made.get(step);
  if (before && before.key === key && before.style === style) return before.ready;
  const drawn: TrimmerDrawing | null = drawTrimmerStep(plan, step, job, style, room, { turned, times });
  const picture = drawn ?? byHand(plan, step, job, style, room);
  const ready = picture && {
    picture,
    defs: formatDefinitions({ ...picture, marks: [...picture.marks, ...picture.off] }),
    marks: formatMarks(picture.marks),
    off: formatMarks(picture.off),
    front: formatMarks(picture.front),
  };
  made.set(step, { key, style, ready });
  return ready;
}
const idly = (then: () => void): (() => void) => {
  if (typeof requestIdleCallback === 'undefined') {
    const timer = setTimeout(then, 150);
    return () => clearTimeout(timer);
  }
  const asked = requestIdleCallback(then);
  return () => cancelIdleCallback(asked);
};

/** What lies on the trimmer for a step, as large as there is room. */
export const StepPicture = memo(function StepPicture({ plan, job, shown, next, style, title }: StepPictureProps) {
  const bed = useRef<HTMLDivElement>(null);
  const room = useElementSize(bed);
  const ready = room && room.width > 40 && room.height > 40 ? readyFor(plan, shown, job, style, room) : null;
  const { step } = shown;
  useEffect(() => {
    if (next && room && room.width > 40 && room.height > 40)
      return idly(() => void readyFor(plan, next, job, style, room));
  }, [plan, next, job, style, room]);
  // what came off with the step before slides away once
  const last = useRef<{ step: TrimmerStep; ready: Ready } | null>(null);
  const [gone, setGone] = useState<{ key: number; ready: Ready } | null>(null);
  useEffect(() => {
    const before = last.current;
    // after the step is drawn: what goes is not waited for
    if (before && before.step !== step && before.ready.off)
      startTransition(() => setGone((g) => ({ key: (g?.key ?? 0) + 1, ready: before.ready })));
    last.current = ready ? { step, ready } : null;
  }, [step, ready]);
  if (!ready) return <Bed ref={bed} />;
  const { picture } = ready;
  const zoom = room ? Math.min(room.width / picture.width, room.height / picture.height, 3) : 1;
  return (
    <Bed ref={bed}>
      <svg
        viewBox={`0 0 ${picture.width} ${picture.height}`}
        width={picture.width * zoom}
        height={picture.height * zoom}
        role="img"
        aria-label={title}
        dangerouslySetInnerHTML={{ __html: `<defs>${ready.defs}</defs>${ready.marks}${ready.off}${ready.front}` }}
      />
      {gone ? (
        <Gone
          key={gone.key}
          viewBox={`0 0 ${gone.ready.picture.width} ${gone.ready.picture.height}`}
          width={gone.ready.picture.width}
          height={gone.ready.picture.height}
          aria-hidden="true"
          onAnimationEnd={() => setGone(null)}
          dangerouslySetInnerHTML={{ __html: `<defs>${gone.ready.defs}</defs>${gone.ready.off}` }}
        />
      ) : null}
    </Bed>
  );
});

function find(node: PlanNode, piece: string): PlanNode | null {
  if (node.holds && typeof node.holds === 'object' && node.holds.piece === piece) return node;
  for (const part of [...(node.parts ?? []), ...(node.opening ? [node.opening] : [])]) {
    const found = find(part, piece);
    if (found) return found;
  }
  return null;
}
const stockOf = (plan: Plan, piece: string): string | null =>
  plan.sheets.find(({ tree }) => find(tree, piece))?.stock ?? null;
function sideOf(plan: Plan, piece: string): 'A' | 'B' {
  for (const { tree } of plan.sheets) {
    const holds = find(tree, piece)?.holds;
    if (holds && typeof holds === 'object') return holds.side;
  }
  return 'A';
}
