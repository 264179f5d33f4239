import { useMemo, useState } from 'react';
import { styled } from 'styled-components';
import { TICKS_PER_UNIT, formatExactLength, lengthOf, parseLength, ticks } from '@temnex/core/length';
import type { Drawer } from '@temnex/core/stock';
import {
  partInHandFor,
  computeLeftByWrongCut,
  layOutPartsAfter,
  findPiecesThatStillFit,
  isLargerThanPart,
  type LeftPaper,
  type SpoiledPiece,
  type WrongCut,
} from '@temnex/core/cutting';
import { STOCK_KIND_LABELS, WRONG_CUT_LABELS, formatSize, describeStep, type Voice } from '@temnex/words';
import { Plain, Quiet, Strong } from '../../design/buttons.tsx';
import { Choice } from '../../design/Choice.tsx';
import { LengthField } from '../../design/LengthField.tsx';
import { Tick, Ticks } from '../../design/Tick.tsx';
import type { Order } from '../../data/sessions/useSession.ts';
import { Panel } from './Frame.tsx';

const Ways = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  margin: 0.8rem 0 1.2rem;
  & > button {
    min-height: 3.2rem;
  }
  & > [aria-pressed='true'] {
    background: var(--ink);
    color: #fff;
  }
`;
const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.5rem 0.9rem;
  margin: 0.6rem 0;
`;
const Saved = styled.p`
  margin: 0.9rem 0;
  padding: 0.3rem 0 0.3rem 0.8rem;
  border-left: 6px solid var(--keep);
  max-width: 44rem;
`;

type Way = WrongCut['how'] | 'piece' | 'stop';
const WAYS: { readonly id: Way; readonly name: string }[] = [
  { id: 'size', name: `It was ${WRONG_CUT_LABELS.size}` },
  { id: 'edge', name: `It was ${WRONG_CUT_LABELS.edge}` },
  { id: 'torn', name: `It is ${WRONG_CUT_LABELS.torn}` },
  { id: 'paper', name: `It was ${WRONG_CUT_LABELS.paper}` },
  { id: 'piece', name: 'A piece that had come off is spoiled' },
  { id: 'stop', name: 'Nothing is wrong: plan the rest anew' },
];

interface WrongPanelProps {
  order: Order;
  /** How many cuts of the plan are made; the next one went wrong. */
  cuts: number;
  voice: Voice;
  drawer: Drawer;
  pieceName: (id: string) => string;
  /** How often the same cut is made again in the same step. */
  again: number;
  /** `good`: how many of them were made as they should be before the one that went wrong. */
  onWrong: (wrong: WrongCut | undefined, spoiled: SpoiledPiece[], good: number) => void;
  /** Back before the cut that was made last: that one went wrong. */
  before: (() => void) | null;
  onClose: () => void;
}

/** What was cut instead, what of it can still be used, and what that would still give. */
export function WrongPanel({
  order,
  cuts: made,
  again,
  voice,
  drawer,
  pieceName,
  onWrong,
  before,
  onClose,
}: WrongPanelProps) {
  const { job } = order;
  const { plan } = order.record;
  const [good, setGood] = useState(0);
  const cuts = made + good;
  const step = plan.steps[cuts];
  const guided = step && step.do !== 'open' && step.do !== 'stop' ? step : null;
  const cutEdge = guided && (guided.edge === 'left' || guided.edge === 'right') ? 'left' : 'bottom';
  const [way, setWay] = useState<Way | null>(null);
  const [setting, setSetting] = useState<string | null>(null);
  const [stock, setStock] = useState('');
  const [own, setOwn] = useState<readonly LeftPaper[] | null>(null);
  const [spoiled, setSpoiled] = useState<ReadonlySet<string>>(new Set());
  const per = TICKS_PER_UNIT[plan.unit];
  const words = guided ? describeStep(guided, plan, job, voice, pieceName) : null;
  const off = useMemo(
    () => layOutPartsAfter(job, plan, cuts).parts.flatMap(({ is }) => (typeof is === 'object' ? [is] : [])),
    [job, plan, cuts],
  );
  const hand = step ? partInHandFor(job, plan, cuts) : null;
  const set = setting === null ? null : parseLength(setting, plan.unit);
  const cutAt = set?.ok ? set.value.ticks / per : (guided?.setting ?? 0);
  const items = useMemo(
    () => drawer.stock.filter((s) => s.quantity > 0 && s.id !== plan.sheets[step?.sheets[0] ?? 0]?.stock).slice(0, 300),
    [drawer, plan, step],
  );
  const item = items.find((s) => s.id === stock);
  const other = item && {
    x: 0,
    y: 0,
    width: lengthOf(item.width, item.unit) / per,
    height: lengthOf(item.height, item.unit) / per,
  };
  /** What is likely left, until somebody says otherwise. */
  const likely = (): LeftPaper[] => {
    if (way === 'size' && set?.ok) return computeLeftByWrongCut(job, plan, cuts, { setting: cutAt, edge: cutEdge });
    if (way === 'edge' && guided)
      return computeLeftByWrongCut(job, plan, cuts, {
        setting: guided.setting,
        edge: cutEdge === 'left' ? 'bottom' : 'left',
      });
    if (way === 'paper' && guided && other) return computeLeftByWrongCut(job, plan, cuts, { setting: guided.setting, edge: cutEdge, of: other }); // prettier-ignore
    return [];
  };
  const left = own ?? likely();
  const of = way === 'paper' ? (other ?? null) : hand;
  const tooMuch = of !== null && isLargerThanPart(left, of, plan);
  const paper =
    way === 'paper'
      ? (item?.paper ?? '')
      : (job.stock.find((s) => s.id === plan.sheets[step?.sheets[0] ?? 0]?.stock)?.paper.id ?? '');
  const gives = left.length && !tooMuch ? findPiecesThatStillFit(job, plan, cuts, paper, left) : [];
  const ready =
    way === 'piece'
      ? spoiled.size > 0
      : way === 'stop' ||
        (way !== null && !tooMuch && (way !== 'size' || set?.ok === true) && (way !== 'paper' || item !== undefined));
  const put = () => {
    if (way === 'stop') return onWrong(undefined, [], good);
    if (way === 'piece')
      return onWrong(
        undefined,
        off.filter((h) => spoiled.has(`${h.piece} ${h.copy}`)).map(({ piece, copy }) => ({ piece, copy })),
        good,
      );
    if (way !== null) onWrong({ how: way, left: [...left], ...(way === 'paper' ? { stock } : {}) }, [], good);
  };
  const text = (n: number) => formatExactLength(ticks(Math.round(n * per)), plan.unit);
  const ways = WAYS.filter(({ id }) => {
    if (id === 'size' || id === 'edge' || id === 'paper') return guided !== null;
    if (id === 'torn') return step !== undefined;
    if (id === 'stop') return cuts > 0;
    return off.length > 0;
  });
  return (
    <Panel aria-label="What went wrong">
      <h2>What happened?</h2>
      {words ? (
        <p>
          The cut: {words.hold}, set to {words.setting}, for {words.off}.
        </p>
      ) : null}
      {again > 0 ? (
        <Line>
          <Choice
            label={`which of the ${again + 1} cuts`}
            value={String(good)}
            options={Array.from({ length: again + 1 }, (_, i) => ({
              id: String(i),
              name:
                i === 0
                  ? 'the first'
                  : `number ${i + 1}; ${i === 1 ? 'the one before it is' : `the ${i} before it are`} fine`,
            }))}
            onChange={(id) => {
              setGood(Number(id));
              setOwn(null);
              setSpoiled(new Set());
            }}
          />
        </Line>
      ) : null}
      {before && good === 0 ? <Quiet onPress={before}>It was the cut before this one</Quiet> : null}
      <Ways role="group" aria-label="What happened">
        {ways.map(({ id, name }) => (
          <Plain
            key={id}
            aria-pressed={way === id}
            onPress={() => {
              setWay(id);
              setOwn(null);
            }}
          >
            {name}
          </Plain>
        ))}
      </Ways>
      {way === 'size' ? (
        <LengthField
          label="it was cut at"
          value={setting ?? undefined}
          unit={plan.unit}
          onCommit={(t) => {
            setSetting(t);
            setOwn(null);
          }}
        />
      ) : null}
      {way === 'paper' ? (
        <Choice
          label="which paper was cut"
          value={stock}
          options={[
            { id: '', name: 'choose it …' },
            ...items.map((s) => ({
              id: s.id,
              name: `${drawer.papers.find((p) => p.id === s.paper)?.name ?? ''}, ${STOCK_KIND_LABELS[s.kind]} ${formatSize(lengthOf(s.width, s.unit), lengthOf(s.height, s.unit), voice)}`, // prettier-ignore
            })),
          ]}
          onChange={(id) => {
            setStock(id);
            setOwn(null);
          }}
        />
      ) : null}
      {way === 'piece' ? (
        <Ticks>
          <legend>Which? Its paper is gone, and it is cut again.</legend>
          {off.map((h) => {
            const key = `${h.piece} ${h.copy}`;
            return (
              <Tick
                key={key}
                checked={spoiled.has(key)}
                onChange={() => {
                  const next = new Set(spoiled);
                  if (!next.delete(key)) next.add(key);
                  setSpoiled(next);
                }}
              >
                {pieceName(h.piece)}
                {job.pieces.find((p) => p.id === h.piece)!.quantity > 1 ? `, number ${h.copy}` : ''}
              </Tick>
            );
          })}
        </Ticks>
      ) : null}
      {way === 'stop' ? (
        <p>What is cut so far is put down; what is in hand goes into the drawer, and the rest is planned from there.</p>
      ) : null}
      {way && way !== 'piece' && way !== 'stop' && ready ? (
        <>
          <h3>Still good of each sheet in hand</h3>
          {left.map((size, i) => (
            <Line key={i}>
              {(['width', 'height'] as const).map((side) => (
                <LengthField
                  key={side}
                  label={`${side} of rest ${i + 1}`}
                  shown={side}
                  value={size[side]}
                  unit={plan.unit}
                  onCommit={(t) => setOwn(left.map((l, at) => (at === i ? { ...l, [side]: t } : l)))}
                />
              ))}
              <Quiet onPress={() => setOwn(left.filter((_, at) => at !== i))} aria-label={`Rest ${i + 1} is no good`}>
                no good
              </Quiet>
            </Line>
          ))}
          {left.length ? null : <p>Nothing yet.</p>}
          {of && left.length < 8 ? (
            <Quiet onPress={() => setOwn([...left, { width: text(of.width / 2), height: text(of.height / 2) }])}>
              One more good rest
            </Quiet>
          ) : null}
          {tooMuch && of ? (
            <p role="alert">That is more than was in hand ({formatSize(of.width * per, of.height * per, voice)}).</p>
          ) : null}
          <Saved role="status">
            {gives.length
              ? `Would still give: ${gives.slice(0, 5).join(', ')}${gives.length > 5 ? ` and ${gives.length - 5} more` : ''}.`
              : left.length
                ? 'Too small for what is still to cut; it goes into the drawer.'
                : 'Nothing of it is used again.'}
          </Saved>
        </>
      ) : null}
      <Line>
        <Strong onPress={put} isDisabled={!ready}>
          Put it down, plan the rest
        </Strong>
        <Plain onPress={onClose}>Back to the cut</Plain>
      </Line>
    </Panel>
  );
}
