import { memo, useEffect, useId, useMemo, useRef, useState } from 'react';
import { keyframes, styled } from 'styled-components';
import type { Job, Plan, PlanNode, TrimmerStep } from '@temnex/core';
import {
  definitionsOf,
  finishPicture,
  paperFill,
  stepPicture,
  trimmerPicture,
  type Drawing,
  type Drawn,
  type PictureStyle,
  type TrimmerPicture,
} from '@temnex/drawing';
import { MarkView } from '../../ui/DrawingView.tsx';
import { useRoom } from './useRoom.ts';

const Bed = styled.div`
  position: relative;
  display: grid;
  place-items: center;
  flex: 1;
  min-width: 0;
  min-height: 0;
  overflow: hidden;
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
  readonly off: readonly Drawn[];
  readonly front: readonly Drawn[];
}

/** By hand: the same pictures as in the cutting order, larger. */
function byHand(plan: Plan, step: TrimmerStep, job: Job, style: PictureStyle, room: Room): Shown | null {
  if (step.do === 'cut') return { ...stepPicture(plan, step.step, job, style, room), off: [], front: [] };
  if (step.do !== 'finish' && step.do !== 'over') return null;
  const stock = stockOf(plan, step.piece.id);
  const side = step.do === 'over' ? 'B' : sideOf(plan, step.piece.id);
  const fillAt = (scale: number) => (stock ? paperFill({ ...style, scale }, stock, side) : '#ffffff');
  return { ...finishPicture(step.piece, fillAt, ''), off: [], front: [] };
}
interface Room {
  readonly width: number;
  readonly height: number;
}

interface StepPictureProps {
  plan: Plan;
  job: Job;
  step: TrimmerStep;
  style: PictureStyle;
  title: string;
}

/** What lies on the trimmer for a step, as large as there is room. */
export const StepPicture = memo(function StepPicture({ plan, job, step, style, title }: StepPictureProps) {
  const bed = useRef<HTMLDivElement>(null);
  const room = useRoom(bed);
  const own = useId();
  const picture = useMemo((): Shown | null => {
    if (!room || room.width < 40 || room.height < 40) return null;
    const drawn: TrimmerPicture | null = trimmerPicture(plan, step, job, style, room);
    return drawn ?? byHand(plan, step, job, style, room);
  }, [plan, step, job, style, room]);
  // what came off with the step before slides away once
  const last = useRef<{ step: TrimmerStep; picture: Shown } | null>(null);
  const [gone, setGone] = useState<{ key: number; picture: Shown } | null>(null);
  useEffect(() => {
    const before = last.current;
    if (before && before.step !== step && before.picture.off.length)
      setGone((g) => ({ key: (g?.key ?? 0) + 1, picture: before.picture }));
    last.current = picture ? { step, picture } : null;
  }, [step, picture]);
  if (!picture) return <Bed ref={bed} />;
  const zoom = room ? Math.min(room.width / picture.width, room.height / picture.height, 3) : 1;
  return (
    <Bed ref={bed}>
      <svg
        viewBox={`0 0 ${picture.width} ${picture.height}`}
        width={picture.width * zoom}
        height={picture.height * zoom}
        role="img"
        aria-label={title}
      >
        <defs
          dangerouslySetInnerHTML={{ __html: definitionsOf({ ...picture, marks: [...picture.marks, ...picture.off] }) }}
        />
        {[...picture.marks, ...picture.off, ...picture.front].map((mark, i) => (
          <MarkView key={i} mark={mark} />
        ))}
      </svg>
      {gone ? (
        <Gone
          key={`${own}${gone.key}`}
          viewBox={`0 0 ${gone.picture.width} ${gone.picture.height}`}
          width={gone.picture.width}
          height={gone.picture.height}
          aria-hidden="true"
          onAnimationEnd={() => setGone(null)}
        >
          <defs dangerouslySetInnerHTML={{ __html: definitionsOf({ ...gone.picture, marks: gone.picture.off }) }} />
          {gone.picture.off.map((mark, i) => (
            <MarkView key={i} mark={mark} />
          ))}
        </Gone>
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
