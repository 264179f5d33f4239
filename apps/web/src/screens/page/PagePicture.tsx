import { useMemo } from 'react';
import { styled } from 'styled-components';
import type { derivePage } from '@temnex/core';
import { type DerivedPage, type Drawer, type Part } from '@temnex/core';
import { definitionsOf, fillValue, type Drawing, type Mark } from '@temnex/drawing';
import { figure, sizeWords } from '@temnex/words';
import { partFill } from './looksOf.ts';

const Picture = styled.svg`
  display: block;
  overflow: visible;
  & [role='button'] {
    cursor: pointer;
    outline: none;
  }
  & [role='button']:focus-visible rect:last-of-type {
    stroke: #161616;
    stroke-width: 4;
  }
`;

export const MARGIN = { left: 62, top: 40, right: 14, bottom: 14 };

interface PagePictureProps {
  derived: DerivedPage;
  drawer: Drawer;
  /** Pixels to the inch. */
  scale: number;
  selected: string | null;
  onSelect: (part: string) => void;
}

/** The page to scale from above. The selected part carries its dimensions and the two distances to pencil. */
export function PagePicture({ derived, drawer, scale, selected, onSelect }: PagePictureProps) {
  const per = scale / 24384;
  const W = derived.width * per;
  const H = derived.height * per;
  const fills = useMemo(
    () => derived.parts.map((part) => partFill(part, drawer, scale)),
    [derived.parts, drawer, scale],
  );
  const drawing: Drawing = {
    width: W,
    height: H,
    title: '',
    marks: fills.map((fill): Mark => ({ kind: 'rect', x: 0, y: 0, width: 1, height: 1, fill })),
  };
  const box = (p: Part) => ({
    x: p.x * per,
    y: H - (p.y + p.height) * per,
    width: p.width * per,
    height: p.height * per,
  });
  const chosen = derived.parts.find((p) => p.id === selected);
  const voice = { mark: derived.mark, figures: 'typeset' } as const;
  return (
    <Picture
      width={W + MARGIN.left + MARGIN.right}
      height={H + MARGIN.top + MARGIN.bottom}
      role="group"
      aria-label="The page to scale"
    >
      <defs dangerouslySetInnerHTML={{ __html: definitionsOf(drawing) }} />
      <g transform={`translate(${MARGIN.left} ${MARGIN.top})`}>
        {derived.parts.map((part, i) => {
          const b = box(part);
          return (
            <g
              key={part.id}
              role="button"
              tabIndex={0}
              aria-label={`${part.name}, ${sizeWords(part.width, part.height, { mark: derived.mark, figures: 'plain' })}`}
              aria-pressed={part.id === selected}
              onClick={() => onSelect(part.id)}
              onKeyDown={(e) => {
                if (e.key !== 'Enter' && e.key !== ' ') return;
                e.preventDefault();
                onSelect(part.id);
              }}
            >
              {part.kind === 'print' ? <Print {...b} /> : <rect {...b} fill={fillValue(fills[i])} />}
              <rect {...b} fill="none" stroke="#161616" strokeWidth={part.id === selected ? 2.5 : 0.7} />
            </g>
          );
        })}
        {chosen ? <Dimensions box={box(chosen)} part={chosen} H={H} say={(n) => figure(n, voice)} /> : null}
      </g>
    </Picture>
  );
}

/** A print nobody has photographed: grey sky, a line, a kite, so that it reads as a photo without being one. */
function Print({ x, y, width, height }: { x: number; y: number; width: number; height: number }) {
  const s = Math.min(width, height) / 4;
  const [cx, cy] = [x + width * 0.58, y + height * 0.36];
  return (
    <>
      <rect x={x} y={y} width={width} height={height} fill="#9b9b9b" />
      <rect x={x} y={y + height * 0.76} width={width} height={height * 0.24} fill="#7c7c7c" />
      <path
        d={`M${cx} ${cy - s}l${s * 0.7} ${s * 0.8}l${-s * 0.7} ${s * 1.1}l${-s * 0.7} ${-s * 1.1}z`}
        fill="#e9e9e9"
      />
      <path
        d={`M${cx} ${cy + s * 0.9}Q${cx - s} ${cy + s * 1.4} ${x + width * 0.22} ${y + height * 0.86}`}
        fill="none"
        stroke="#e9e9e9"
        strokeWidth="1.2"
      />
    </>
  );
}

function Dimensions({
  box,
  part,
  H,
  say,
}: {
  box: { x: number; y: number; width: number; height: number };
  part: Part;
  H: number;
  say: (n: number) => string;
}) {
  const text = { fontFamily: 'var(--figures)', fontWeight: 600, fontSize: 17, fill: '#161616' } as const;
  const small = { ...text, fontSize: 13 } as const;
  const top = -16;
  const side = -20;
  const bottomGap = H - box.y - box.height;
  return (
    <g pointerEvents="none" aria-hidden="true">
      <path
        d={`M${box.x} ${top - 7}V${box.y}M${box.x + box.width} ${top - 7}V${box.y}`}
        stroke="#161616"
        strokeWidth="0.8"
        strokeDasharray="3 3"
      />
      <path
        d={`M${box.x} ${top}H${box.x + box.width}M${side} ${box.y}V${box.y + box.height}`}
        stroke="#161616"
        strokeWidth="1.4"
      />
      <path
        d={`M${side - 7} ${box.y}H${box.x}M${side - 7} ${box.y + box.height}H${box.x}`}
        stroke="#161616"
        strokeWidth="0.8"
        strokeDasharray="3 3"
      />
      <text x={box.x + box.width / 2} y={top - 6} textAnchor="middle" {...text}>
        {say(part.width)}
      </text>
      <text x={side - 6} y={box.y + box.height / 2 + 6} textAnchor="end" {...text}>
        {say(part.height)}
      </text>
      {box.x > 40 ? (
        <text x={box.x / 2} y={top - 6} textAnchor="middle" {...small}>
          {say(part.x)}
        </text>
      ) : null}
      {bottomGap > 20 ? (
        <text x={side - 6} y={H - bottomGap / 2 + 5} textAnchor="end" {...small}>
          {say(part.y)}
        </text>
      ) : null}
    </g>
  );
}

export const pageScale = (derived: ReturnType<typeof derivePage>, width: number, height: number): number => {
  const inches = (t: number) => t / 24384;
  return Math.max(
    4,
    Math.min(
      (width - MARGIN.left - MARGIN.right) / inches(derived.width),
      (height - MARGIN.top - MARGIN.bottom) / inches(derived.height),
    ),
  );
};
