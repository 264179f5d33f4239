import { memo, useMemo } from 'react';
import { styled } from 'styled-components';
import type { Mark } from '@temnex/core/length';
import type { Drawer } from '@temnex/core/stock';
import type { Crop, Pixels } from '@temnex/core/photos';
import { findPart, type Job, type Plan } from '@temnex/core/planner';
import {
  isSpare,
  letterOfSheet,
  pagePieceIdOf,
  buildOrderSteps,
  findSheetsUsedWhole,
  type OrderStep,
} from '@temnex/core/cutting';
import { drawFinish, paperFill, drawStep, type PictureStyle } from '@temnex/drawing';
import {
  STOCK_KIND_LABELS,
  describeFinishStep,
  describePart,
  formatSize,
  describeStep,
  type DescribeBagOf,
} from '@temnex/words';
import { CropOf } from '../photos/CropOf.tsx';
import { Quiet } from '../../design/buttons.tsx';
import { DrawingView } from '../../design/DrawingView.tsx';
import { buildPictureStyle } from './pictures.ts';

const Film = styled.ol`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15.5rem, 1fr));
  gap: 1.75rem 0;
`;
const Frame = styled.li`
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  gap: 0.6rem;
  padding: 0.35rem 1.1rem 0.1rem 0.7rem;
  border-left: 1.5px solid var(--ink);
  min-width: 0;
  content-visibility: auto;
  contain-intrinsic-size: 15rem 17rem;
  &[data-done] {
    border-left-width: 6px;
    padding-left: 0.4rem;
    opacity: 0.55;
  }
`;
const Upto = styled.div`
  font-size: var(--s1);
`;
const Says = styled.div`
  min-width: 9.5rem;
  line-height: 1.25;
  & > p:first-child {
    display: flex;
    align-items: baseline;
    gap: 0.5rem;
    color: var(--quiet);
    font-size: var(--s1);
  }
  & > p:first-child > b {
    font: 600 1.05rem/1 var(--figures);
    color: var(--ink);
  }
  & strong {
    font: 600 2.1rem/1.05 var(--figures);
    color: var(--cut);
  }
`;
const Taking = styled.p`
  padding: 0.1rem 0.4rem;
  background: var(--ink);
  color: #fff;
  font-size: var(--s1);
  font-weight: 600;
`;

/** What a frame leaves for its picture, in pixels. */
const FRAME = { width: 217, height: 172 };

/** For which of several pages a piece is that comes off or is left: `, page 2 of 3`. */
function pagesOf(plan: Plan, step: Plan['steps'][number], path: string | null, bagOf: DescribeBagOf | null): string {
  if (step.do !== 'cut' || path === null || !bagOf) return '';
  const pages = step.sheets.flatMap((at) => {
    const [only, more] = findPart(plan.sheets[at]!.tree, path).nodes;
    if (!only || more || !only.holds || typeof only.holds !== 'object' || isSpare(only.holds.piece)) return [];
    return bagOf(only.holds.piece, only.holds.copy) ?? [];
  });
  return pages.length ? `, ${pages.join(' and ')}` : '';
}

/** What is seen of which photo on the print that a piece lies behind. */
export type PhotoOf = (piece: string) => { readonly file: string; readonly crop: Crop; readonly pixels: Pixels } | null;

/** The photos that pieces which come off, or are left, are for: each once. */
function photosOf(plan: Plan, step: Extract<Plan['steps'][number], { do: 'cut' }>, photoOf: PhotoOf) {
  const found = [step.off, step.rest].flatMap((path) => {
    if (path === null) return [];
    const [only, more] = findPart(plan.sheets[step.sheets[0]!]!.tree, path).nodes;
    const piece = only && !more && typeof only.holds === 'object' ? only.holds.piece : null;
    return piece === null ? [] : (photoOf(pagePieceIdOf(piece)) ?? []);
  });
  return found.filter((photo, i) => found.findIndex((other) => other.file === photo.file) === i);
}

interface StoryProps {
  plan: Plan;
  job: Job;
  drawer: Drawer;
  mark: Mark;
  /** So many of the same page are cut: pieces are named by the page they are for. */
  bagOf: DescribeBagOf | null;
  /** The photo that a piece is for, seen beside its name; left out: none is. */
  photoOf?: PhotoOf | undefined;
  /** How many of the cuts are made, where somebody has said so. */
  done: number | null;
  onDone: (done: number) => void;
}

/** The cuts as a strip of film: the part in hand, its edge on the fence, the setting, what comes off and its name. */
export function Story({ plan, job, drawer, mark, bagOf, photoOf, done, onDone }: StoryProps) {
  const style = useMemo(() => buildPictureStyle(job, drawer, mark, 13), [job, drawer, mark]);
  const order = useMemo(() => buildOrderSteps(job, plan), [job, plan]);
  const begun = new Set<number>();
  const taken = plan.steps.map((step) => {
    const fresh = step.sheets.filter((s) => !begun.has(s));
    fresh.forEach((s) => begun.add(s));
    return fresh.join();
  });
  return (
    <Film aria-label="Cuts in order">
      {order.map((step, n) =>
        step.do === 'finish' ? (
          <ByHand
            key={`hand ${n}`}
            plan={plan}
            job={job}
            style={style}
            step={step}
            number={n + 1}
            made={done !== null && step.after < done}
          />
        ) : (
          <OneCut
            key={step.index}
            plan={plan}
            job={job}
            style={style}
            bagOf={bagOf}
            photoOf={photoOf}
            onDone={onDone}
            at={step.index}
            number={n + 1}
            takes={taken[step.index]!}
            made={done === null || step.index >= done ? 'no' : step.index + 1 === done ? 'last' : 'yes'}
          />
        ),
      )}
      {findSheetsUsedWhole(plan).map((s) => (
        <Frame key={`whole-${s}`}>
          <Says>
            <p>no cut</p>
            <Taking>
              Take {letterOfSheet(plan, s)}: {job.stock.find((item) => item.id === plan.sheets[s]!.stock)!.paper.name}
            </Taking>
            <p>used whole › {describePart([plan.sheets[s]!.tree], style.pieceName)}</p>
          </Says>
        </Frame>
      ))}
    </Film>
  );
}

interface OneCutProps extends Pick<StoryProps, 'plan' | 'job' | 'bagOf' | 'photoOf' | 'onDone'> {
  style: PictureStyle;
  at: number;
  /** Its place in the whole order, what is done by hand counted in. */
  number: number;
  /** Sheets first taken for this cut, as text, so that a cut that has not changed is not drawn again. */
  takes: string;
  made: 'no' | 'yes' | 'last';
}

/** One frame; a component of its own, so that a long story is drawn a frame at a time and the page stays at hand. */
const OneCut = memo(function OneCut({
  plan,
  job,
  style,
  bagOf,
  photoOf,
  onDone,
  at,
  number,
  takes,
  made,
}: OneCutProps) {
  const step = plan.steps[at]!;
  const photos = step.do === 'cut' && photoOf ? photosOf(plan, step, photoOf) : [];
  const words = describeStep(step, plan, job, style.voice, style.pieceName);
  return (
    <Frame data-done={made !== 'no' || undefined}>
      <Says>
        <p>
          <b>{number}</b> {words.hold}
        </p>
        {words.note ? <p>{words.note}</p> : null}
        {(takes ? takes.split(',').map(Number) : []).map((s) => {
          const stock = job.stock.find((item) => item.id === plan.sheets[s]!.stock)!;
          return (
            <Taking key={s}>
              Take {letterOfSheet(plan, s)}: {stock.paper.name} {STOCK_KIND_LABELS[stock.kind]},{' '}
              {formatSize(stock.width, stock.height, style.voice)}
            </Taking>
          );
        })}
        <p>
          <strong>{words.setting}</strong> <span aria-hidden="true">›</span> {words.off}
          {step.do === 'cut' ? pagesOf(plan, step, step.off, bagOf) : null}
        </p>
        {photos.map((photo) => (
          <CropOf
            key={photo.file}
            {...photo}
            photo={photo.pixels}
            width={Math.min(64, (44 * photo.crop.width) / photo.crop.height)}
            height={44}
          />
        ))}
        {words.leaves ? (
          <p>
            leaves {words.leaves}
            {step.do === 'cut' ? pagesOf(plan, step, step.rest, bagOf) : null}
          </p>
        ) : null}
      </Says>
      <DrawingView drawing={drawStep(plan, step, job, style, FRAME)} />
      <Upto>
        <Quiet onPress={() => onDone(at + 1)} aria-label={`Cut ${number} is made, and all before it`}>
          {made === 'last' ? 'Made up to here ✓' : 'Made up to here'}
        </Quiet>
      </Upto>
    </Frame>
  );
});

interface ByHandProps extends Pick<StoryProps, 'plan' | 'job'> {
  style: PictureStyle;
  step: Extract<OrderStep, { do: 'finish' }>;
  number: number;
  made: boolean;
}

/** What is done by hand to pieces that have come off: notched, pointed, rounded, punched. */
function ByHand({ plan, job, style, step, number, made }: ByHandProps) {
  const words = describeFinishStep(step, job, style.voice);
  const stock = stockOf(plan, step.piece.id);
  const title = `${words.hold}: ${words.off}`;
  const fillAt = (scale: number) => (stock ? paperFill({ ...style, scale }, stock, 'A') : '#ffffff');
  return (
    <Frame data-done={made || undefined}>
      <Says>
        <p>
          <b>{number}</b> {words.hold}
        </p>
        {words.note ? <p>{words.note}</p> : null}
        <p>
          <strong style={{ fontSize: '1.3rem', color: 'var(--ink)' }}>{words.setting}</strong>{' '}
          <span aria-hidden="true">›</span> {words.off}
        </p>
      </Says>
      <DrawingView drawing={drawFinish(step.piece, fillAt, title)} />
      <span />
    </Frame>
  );
}

/** From which item of the drawer a piece comes. */
function stockOf(plan: Plan, piece: string): string | null {
  const holds = (node: Plan['sheets'][number]['tree']): boolean =>
    (typeof node.holds === 'object' && node.holds?.piece === piece) ||
    (node.parts ?? []).some(holds) ||
    (node.opening ? holds(node.opening) : false);
  return plan.sheets.find((s) => holds(s.tree))?.stock ?? null;
}
