import type { Rect } from '@temnex/core/geometry';
import {
  computeCornerMark,
  measuredSpansOf,
  type DerivedPage,
  type MeasuredEdges,
  type Part,
  type SnapTarget,
} from '@temnex/core/page';

/** What an item has caught along each axis. */
export interface CaughtTargets {
  readonly across: SnapTarget | null;
  readonly upDown: SnapTarget | null;
}
/** An item on its way to another place: where its lower left corner is now, in ticks, and what it has caught. */
export interface DraggedItem {
  readonly item: string;
  readonly x: number;
  readonly y: number;
  readonly caught: CaughtTargets;
}
interface GuidesProps {
  pulled: DraggedItem;
  own: Rect;
  per: number;
  W: number;
  H: number;
  says: (one: SnapTarget) => string;
}

/** What an item has caught, as lines right across the page, and in words. */
export function Guides({ pulled, own, per, W, H, says }: GuidesProps) {
  const { across, upDown } = pulled.caught;
  const [x, y] = [pulled.x * per, H - pulled.y * per];
  const [w, h] = [own.width * per, own.height * per];
  /** Which end of it lies on the line. */
  const end = ({ place }: SnapTarget) =>
    place.from === 'right' || place.from === 'top' || place.from === 'before' ? 1 : place.from === 'left' || place.from === 'bottom' || place.from === 'after' ? 0 : 0.5; // prettier-ignore
  const said = [across, upDown].flatMap((one) => (one ? [says(one)] : []));
  const line = { stroke: '#b32a0b', strokeWidth: 1.5, fill: 'none' } as const;
  return (
    <g pointerEvents="none" aria-hidden="true">
      {across ? <path d={`M${x + w * end(across)} -10V${H + 10}`} {...line} /> : null}
      {upDown ? <path d={`M-10 ${y - h * end(upDown)}H${W + 10}`} {...line} /> : null}
      {said.map((text, i) => (
        <g key={text} transform={`translate(${Math.max(0, Math.min(W - 40, x))} ${y + 20 + i * 22})`}>
          <rect y={-15} width={text.length * 7.4 + 12} height={21} fill="#161616" />
          <text x={6} fill="#fff" fontSize={14} fontWeight={600} fontFamily="var(--text)">
            {text}
          </text>
        </g>
      ))}
    </g>
  );
}

interface DistancesProps {
  derived: DerivedPage;
  part: Part;
  measurings: MeasuredEdges;
  H: number;
  /** Pixels to the tick. */
  per: number;
  say: (n: number) => string;
}

/** Where to pencil: how far what is glued lies from the edges of the page that one measures from. */
export function Distances({ derived, part, measurings, H, per, say }: DistancesProps) {
  const mark = computeCornerMark(derived, part, measurings);
  const { across, upDown } = measuredSpansOf(derived, part, measurings);
  const text = { fontFamily: 'var(--figures)', fontWeight: 600, fontSize: 14, fill: '#161616' } as const;
  const [x1, x2] = [across.edge * per, across.point * per];
  const [y1, y2] = [H - upDown.edge * per, H - upDown.point * per];
  return (
    <g pointerEvents="none" aria-hidden="true">
      {mark.x > 0 ? (
        <>
          <path d={`M${x1} ${H + 12}H${x2}M${x2} ${H + 6}V${H + 18}M${x1} ${H + 6}V${H + 18}`} stroke="#161616" />
          <text data-spot x={(x1 + x2) / 2} y={H + 26} textAnchor="middle" {...text}>
            {say(mark.x)}
          </text>
        </>
      ) : null}
      {mark.y > 0 && Math.abs(y1 - y2) > 8 ? (
        <>
          <path d={`M-12 ${y1}V${y2}M-18 ${y1}H-6M-18 ${y2}H-6`} stroke="#161616" />
          <text data-spot x={-18} y={(y1 + y2) / 2 + 5} textAnchor="end" {...text}>
            {say(mark.y)}
          </text>
        </>
      ) : null}
    </g>
  );
}
