import { useState } from 'react';
import { styled } from 'styled-components';
import { formatExactLength, lengthOf, ticks } from '@temnex/core/length';
import { layOutPartsAfter, type LeftPaper } from '@temnex/core/cutting';
import { diagnoseFence, measureDeviations, type FenceDiagnosis, type MeasuredPiece } from '@temnex/core/trimmer';
import { formatLength, formatSize, type Voice } from '@temnex/words';
import { Plain, Strong } from '../../design/buttons.tsx';
import { Choice } from '../../design/Choice.tsx';
import { LengthField } from '../../design/LengthField.tsx';
import { Notice } from '../../design/states.tsx';
import type { Order } from '../../data/sessions/useSession.ts';
import { Panel } from './Frame.tsx';

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.6rem 1rem;
  margin: 0.9rem 0;
`;

/** What three sizes in a row say of the fence. */
export function describeFence(says: FenceDiagnosis, voice: Voice): string {
  const by = (n: number) => formatLength(Math.abs(n), voice);
  if (says.code === 'always-off')
    return `Three in a row are ${by(says.by)} too ${says.by > 0 ? 'long' : 'short'}: this cutter is not true. Set “cuts longer than set by” with your cutting habits, or cut a strip to measure there.`;
  const side = (n: number) => (n === 0 ? 'right' : `${by(n)} ${n > 0 ? 'long' : 'short'}`);
  return `Three in a row are from ${side(says.from)} to ${side(says.to)}: the fence may be loose. Tighten it, and set it anew.`;
}

interface MeasuredPanelProps {
  order: Order;
  cuts: number;
  voice: Voice;
  measured: ReadonlyMap<string, MeasuredPiece>;
  pieceName: (id: string) => string;
  /** It is so, and it will do. */
  onMeasured: (measured: MeasuredPiece) => void;
  /** It is so, and what depends on it follows; null where that cannot be. Says what stands in the way, or nothing. */
  onFollow: ((measured: MeasuredPiece) => Promise<string | null>) | null;
  /** It is so, and it is cut again. */
  onAgain: (piece: string, copy: number, left: LeftPaper) => void;
  onClose: () => void;
}

/** What a piece measures in truth, whether it will do, and what three of them say of the fence. */
export function MeasuredPanel({
  order,
  cuts,
  voice,
  measured,
  pieceName,
  onMeasured,
  onFollow,
  onAgain,
  onClose,
}: MeasuredPanelProps) {
  const { job } = order;
  const { plan } = order.record;
  const off = layOutPartsAfter(job, plan, cuts).parts.flatMap(({ is }) => (typeof is === 'object' ? [is] : []));
  const [key, setKey] = useState(() => {
    const last = off.at(-1);
    return last ? `${last.piece} ${last.copy}` : '';
  });
  const [typed, setTyped] = useState<Partial<LeftPaper>>({});
  const [following, setFollowing] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const held = off.find((h) => `${h.piece} ${h.copy}` === key);
  const piece = held && job.pieces.find((p) => p.id === held.piece);
  if (!held || !piece)
    return (
      <Panel aria-label="What it measures">
        <h2>It came out as …</h2>
        <p>No piece has come off yet.</p>
        <Line>
          <Plain onPress={onClose}>Back to the cut</Plain>
        </Line>
      </Panel>
    );
  const known = measured.get(key);
  const size: LeftPaper = {
    width: typed.width ?? known?.width ?? formatExactLength(piece.width, plan.unit),
    height: typed.height ?? known?.height ?? formatExactLength(piece.height, plan.unit),
  };
  const one: MeasuredPiece = { piece: held.piece, copy: held.copy, ...size };
  const differences = (['width', 'height'] as const).flatMap((side) => {
    const by = lengthOf(size[side], plan.unit) - piece[side];
    return by ? [`${formatLength(Math.abs(by), voice)} ${by > 0 ? 'over' : 'short'} in ${side}`] : [];
  });
  const says = diagnoseFence(
    measureDeviations(job, plan, [...[...measured].filter(([k]) => k !== key).map(([, m]) => m), one]),
  );
  return (
    <Panel aria-label="What it measures">
      <h2>It came out as …</h2>
      <Line>
        <Choice
          label="which piece"
          value={key}
          options={off
            .map((h) => ({
              id: `${h.piece} ${h.copy}`,
              name: `${pieceName(h.piece)}${job.pieces.find((p) => p.id === h.piece)!.quantity > 1 ? `, number ${h.copy}` : ''}`,
            }))
            .reverse()}
          onChange={(k) => {
            setKey(k);
            setTyped({});
          }}
        />
        {(['width', 'height'] as const).map((side) => (
          <LengthField
            key={`${key} ${side}`}
            label={side}
            value={size[side]}
            unit={plan.unit}
            onCommit={(t) => setTyped({ ...typed, [side]: t })}
          />
        ))}
      </Line>
      <p role="status">
        It was to be {formatSize(ticks(piece.width), ticks(piece.height), voice)}
        {differences.length ? `: ${differences.join(', ')}.` : ', and it is.'}
      </p>
      {trouble ? (
        <Notice kind="block">
          <span>{trouble}</span>
        </Notice>
      ) : null}
      {says ? (
        <Notice kind="advice">
          <span>{describeFence(says, voice)}</span>
        </Notice>
      ) : null}
      <Line>
        <Strong onPress={() => onMeasured(one)}>It will do</Strong>
        {onFollow && differences.length ? (
          <Plain
            isDisabled={following}
            onPress={() => {
              setFollowing(true);
              void onFollow(one).then((says) => {
                setFollowing(false);
                setTrouble(says);
              });
            }}
          >
            {following ? 'Working it out …' : 'It will do, and the rest follows'}
          </Plain>
        ) : null}
        <Plain onPress={() => onAgain(held.piece, held.copy, size)}>Cut it again</Plain>
        <Plain onPress={onClose}>Back to the cut</Plain>
      </Line>
    </Panel>
  );
}
