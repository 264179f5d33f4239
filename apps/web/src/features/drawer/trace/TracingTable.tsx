import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { styled } from 'styled-components';
import { TICKS_PER_UNIT, type Mark } from '@temnex/core/length';
import { formatCount, formatLength } from '@temnex/words';
import { NARROW } from '../../../design/global.ts';
import { lengthBetween, listDrawnEdges, snapToMark, type Spot } from './tracing.ts';

const Ground = styled.svg`
  width: 100%;
  height: calc(100dvh - 62px);
  min-height: 20rem;
  background: var(--table);
  touch-action: none;
  cursor: crosshair;
  ${NARROW} {
    height: 60dvh;
  }
`;
/** So much of the table is seen: 16 in across, 11 up. */
const VIEW = { width: 16, height: 11 } as const;
const IN = TICKS_PER_UNIT.in;
/** So near a corner, in ticks, a press takes hold of it. */
const NEAR = IN * 0.22;

/** A picture under what is traced. */
export interface TracedPicture {
  readonly url: string;
  readonly width: number;
  readonly height: number;
  /** Inches to its pixel. */
  readonly scale: number;
}

interface TracingTableProps {
  corners: readonly Spot[];
  change: (corners: readonly Spot[]) => void;
  /** Ends of the length that is measured in the picture; null: corners are traced. */
  measured: readonly Spot[] | null;
  measure: (ends: readonly Spot[]) => void;
  picture: TracedPicture | null;
  /** The colour of the paper. */
  ground: string;
  mark: Mark;
}

/** The table on which a scrap is traced: by pressing its corners, dragging them, or with a cross that the arrow keys move. */
export function TracingTable({ corners, change, measured, measure, picture, ground, mark }: TracingTableProps) {
  const [cross, setCross] = useState<Spot>({ x: IN, y: IN });
  const [dragged, setDragged] = useState<number | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const voice = { mark, figures: 'typeset' } as const;
  const spotAt = (e: PointerEvent): Spot => {
    const matrix = svg.current!.getScreenCTM()!.inverse();
    const { x, y } = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix);
    return { x: x * IN, y: (VIEW.height - y) * IN };
  };
  const put = (at: Spot) => {
    if (measured) return measure(measured.length >= 2 ? [at] : [...measured, at]);
    const spot = snapToMark(at, mark);
    if (!corners.some((c) => c.x === spot.x && c.y === spot.y)) change([...corners, spot]);
  };
  const near = (at: Spot): number => corners.findIndex((c) => lengthBetween(c, at) < NEAR);
  const press = (e: PointerEvent<SVGSVGElement>) => {
    const at = spotAt(e);
    const on = measured ? -1 : near(at);
    if (on >= 0) {
      e.currentTarget.setPointerCapture(e.pointerId);
      setDragged(on);
    } else put(at);
  };
  const drag = (e: PointerEvent) => {
    if (dragged === null) return;
    const spot = snapToMark(spotAt(e), mark);
    change(corners.map((c, i) => (i === dragged ? spot : c)));
  };
  const key = (e: KeyboardEvent) => {
    const by = mark.step * (e.shiftKey ? 8 : 1);
    const move = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, by], ArrowDown: [0, -by] }[e.key];
    if (move) setCross(snapToMark({ x: cross.x + move[0]!, y: cross.y + move[1]! }, mark));
    else if (e.key === 'Enter' || e.key === ' ') put(cross);
    else if (e.key === 'Backspace' || e.key === 'Delete') change(corners.slice(0, -1));
    else return;
    e.preventDefault();
  };
  const xy = (p: Spot) => `${p.x / IN},${VIEW.height - p.y / IN}`;
  return (
    <Ground
      ref={svg}
      viewBox={`0 0 ${VIEW.width} ${VIEW.height}`}
      preserveAspectRatio="xMidYMid meet"
      role="application"
      aria-label={`The table: arrows move the cross, Enter sets a corner there, Backspace takes the last one off. ${formatCount(corners.length, 'corner')} set; the cross is ${formatLength(cross.x, voice)} from the left, ${formatLength(cross.y, voice)} from the bottom.`}
      tabIndex={0}
      onPointerDown={press}
      onPointerMove={drag}
      onPointerUp={() => setDragged(null)}
      onKeyDown={key}
    >
      <defs>
        <pattern id="inches" width="1" height="1" patternUnits="userSpaceOnUse">
          <path d="M0 1V0H1" fill="none" stroke="#9a9a9a" strokeWidth="0.015" />
        </pattern>
      </defs>
      {picture ? (
        <image
          href={picture.url}
          x="0"
          y={VIEW.height - picture.height * picture.scale}
          width={picture.width * picture.scale}
          height={picture.height * picture.scale}
          preserveAspectRatio="none"
        />
      ) : null}
      <rect width={VIEW.width} height={VIEW.height} fill="url(#inches)" />
      {corners.length > 2 ? (
        <polygon
          points={corners.map(xy).join(' ')}
          fill={ground}
          fillOpacity={picture ? 0.35 : 1}
          stroke="#161616"
          strokeWidth="0.03"
        />
      ) : corners.length === 2 ? (
        <polyline points={corners.map(xy).join(' ')} fill="none" stroke="#161616" strokeWidth="0.03" />
      ) : null}
      {listDrawnEdges(corners).map(({ from, to, i }) => {
        const [x, y] = [(from.x + to.x) / 2 / IN, VIEW.height - (from.y + to.y) / 2 / IN];
        return (
          <text
            key={i}
            x={x}
            y={y + 0.1}
            fontSize="0.34"
            fontWeight="600"
            fontFamily="var(--figures)"
            textAnchor="middle"
            fill="#b32a0b"
            stroke="#fafafa"
            strokeWidth="0.09"
            paintOrder="stroke"
          >
            {formatLength(lengthBetween(from, to), voice)}
          </text>
        );
      })}
      {corners.map((c, i) => (
        <circle key={i} cx={c.x / IN} cy={VIEW.height - c.y / IN} r="0.11" fill={i ? '#161616' : '#b32a0b'} />
      ))}
      {measured?.map((c, i) => (
        <circle
          key={`m${i}`}
          cx={c.x / IN}
          cy={VIEW.height - c.y / IN}
          r="0.1"
          fill="none"
          stroke="#b32a0b"
          strokeWidth="0.05"
        />
      ))}
      {measured?.length === 2 ? (
        <polyline points={measured.map(xy).join(' ')} stroke="#b32a0b" strokeWidth="0.05" strokeDasharray="0.15 0.1" />
      ) : null}
      <path
        d={`M${cross.x / IN - 0.2} ${VIEW.height - cross.y / IN}h0.4M${cross.x / IN} ${VIEW.height - cross.y / IN - 0.2}v0.4`}
        stroke="#161616"
        strokeWidth="0.025"
      />
    </Ground>
  );
}
