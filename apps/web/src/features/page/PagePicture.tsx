import { useMemo, useRef, useState, type PointerEvent } from 'react';
import { styled } from 'styled-components';
import { TICKS_PER_UNIT } from '@temnex/core/length';
import type { Drawer } from '@temnex/core/stock';
import {
  findSnapTarget,
  partPlacedWith,
  type Axis,
  type SnapTarget,
  type MeasuredEdges,
  type DerivedPage,
  type Part,
} from '@temnex/core/page';
import { formatDefinitions, formatFill, type DrawingMark } from '@temnex/drawing';
import { formatLength, formatSize } from '@temnex/words';
import { DimLayer } from '../../widgets/construction/DimLayer.tsx';
import { HandLayer } from '../../widgets/construction/HandLayer.tsx';
import { LetterMark } from '../../widgets/construction/LayersPicture.tsx';
import type { ConstructionEditor } from '../../widgets/construction/constructionEditor.ts';
import { NO_SETTLED_FACES, type SettledFaces } from '../../data/pages/settledFaces.ts';
import { Distances, Guides, type CaughtTargets, type DraggedItem } from './PageGuides.tsx';
import { type Margin } from './pageScale.ts';
import { partFill } from './partFill.ts';
import { PartFace, PartLine } from './PartFace.tsx';

const Frame = styled.div`
  position: relative;
`;
const Picture = styled.svg`
  display: block;
  overflow: visible;
  /* a finger that begins on the page pulls what it is on, not the window */
  touch-action: pan-y;
  & [role='button'] {
    cursor: grab;
    outline: none;
    touch-action: none;
  }
  & [role='button']:focus-visible > :last-child {
    stroke: #161616;
    stroke-width: 4;
  }
`;

interface PagePictureProps {
  derived: DerivedPage;
  drawer: Drawer;
  settled?: SettledFaces;
  /** Pixels to the inch. */
  scale: number;
  margin: Margin;
  selected: string | null;
  /** The selected item as it is worked on. */
  made: ConstructionEditor | null;
  measurings: MeasuredEdges;
  /** Its layers are pressed and dragged over, and not moved. */
  byHand: boolean;
  onSelect: (part: string) => void;
  /** Items that are chosen besides, to be moved along. */
  also: readonly string[];
  /** Chooses one more, or one less. */
  onAlso: (item: string) => void;
  /** Moves the item of a part, and those chosen with it, by so many marks across and up. */
  onMove: (part: Part, across: number, up: number) => void;
  /** Lets the item of a part go where it has caught something, those chosen with it moved as far. */
  onDrop: (part: Part, spot: { readonly x: number; readonly y: number }, caught: CaughtTargets) => void;
  /** What it can catch on. */
  catchesFor: (item: string) => readonly SnapTarget[];
  catchSays: (one: SnapTarget) => string;
}

/** So near, in pixels, an item is caught. */
const REACH = 6;

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** The page to scale from above. The selected item carries its numbers; pulled, or by the arrow keys, it moves from mark to mark. */
export function PagePicture({
  derived,
  drawer,
  settled = NO_SETTLED_FACES,
  scale,
  margin,
  selected,
  made,
  measurings,
  byHand,
  onSelect,
  also,
  onAlso,
  onMove,
  onDrop,
  catchesFor,
  catchSays,
}: PagePictureProps) {
  const per = scale / TICKS_PER_UNIT.in;
  const [W, H] = [derived.width * per, derived.height * per];
  const fills = useMemo(
    () => derived.parts.map((part) => partFill(part, drawer, scale, settled)),
    [derived.parts, drawer, scale, settled],
  );
  const definitions = useMemo(() => {
    const marks = fills.map((fill): DrawingMark => ({ kind: 'rect', x: 0, y: 0, width: 1, height: 1, fill }));
    return formatDefinitions({ width: 0, height: 0, title: '', marks });
  }, [fills]);
  const spot = (p: { x: number; y: number }) => ({ x: p.x * per, y: H - p.y * per });
  const box = (p: Pick<Part, 'x' | 'y' | 'width' | 'height'>) => ({
    x: p.x * per,
    y: H - (p.y + p.height) * per,
    width: p.width * per,
    height: p.height * per,
  });
  const chosen = derived.parts.find((p) => p.id === selected);
  const [pulled, setPulled] = useState<DraggedItem | null>(null);
  const start = useRef<{ part: Part; x: number; y: number; catches: readonly SnapTarget[] | null } | null>(null);
  /** Where the item has come to, and what it has caught there; held with Alt it catches nothing. */
  const goneTo = (e: PointerEvent): DraggedItem => {
    const { part, x, y, catches } = start.current!;
    const { box } = derived.items.get(part.item)!;
    const { step } = derived.mark;
    const free = { x: box.x + (e.clientX - x) / per, y: box.y + (y - e.clientY) / per };
    const got = (axis: Axis) => (e.altKey || !catches ? null : findSnapTarget(catches, axis, free, REACH / per));
    const caught = { across: got('across'), upDown: got('upDown') };
    const onMark = (at: number, from: number) => from + Math.round((at - from) / step) * step;
    return {
      item: part.item,
      x: caught.across?.at ?? onMark(free.x, box.x),
      y: caught.upDown?.at ?? onMark(free.y, box.y),
      caught,
    };
  };
  const pull = {
    onPointerMove: (e: PointerEvent) => {
      const from = start.current;
      if (!from) return;
      const far = Math.hypot(e.clientX - from.x, e.clientY - from.y) > 4;
      if (!pulled && !far) return;
      if (!pulled) {
        if (!also.includes(from.part.item)) onSelect(from.part.id);
        from.catches = catchesFor(from.part.item);
        e.currentTarget.setPointerCapture(e.pointerId);
      }
      setPulled(goneTo(e));
    },
    onPointerUp: (e: PointerEvent) => {
      if (pulled && start.current) {
        const { x, y, caught } = goneTo(e);
        const { box } = derived.items.get(pulled.item)!;
        if (x !== box.x || y !== box.y) onDrop(start.current.part, { x, y }, caught);
      }
      start.current = null;
      setPulled(null);
    },
    onPointerCancel: () => {
      start.current = null;
      setPulled(null);
    },
  };
  const own = pulled && derived.items.get(pulled.item)?.box;
  const away = pulled && own ? { x: (pulled.x - own.x) * per, y: (own.y - pulled.y) * per } : null;
  /** Moved as far as the one that is pulled, and turned as its item is. */
  const shift = ({ item, tilt }: Part) => {
    const goes = away && (pulled?.item === item || (also.includes(item) && also.includes(pulled!.item)));
    const about = tilt && spot(tilt.about);
    return (
      [goes ? `translate(${away.x} ${away.y})` : '', about ? `rotate(${-tilt.degrees} ${about.x} ${about.y})` : '']
        .filter(Boolean)
        .join(' ') || undefined
    );
  };
  const item = chosen && derived.items.get(chosen.item);
  /** Where a point of an item lies in the picture. */
  const ofItem = (origin: { x: number; y: number }) => (p: { x: number; y: number }) => {
    const { x, y } = spot({ x: p.x + origin.x, y: p.y + origin.y });
    return { x: x + margin.left, y: y + margin.top };
  };
  return (
    <Frame style={{ width: W + margin.left + margin.right, height: H + margin.top + margin.bottom }}>
      <Picture
        width={W + margin.left + margin.right}
        height={H + margin.top + margin.bottom}
        role="group"
        aria-label="The page to scale"
        {...pull}
      >
        <defs dangerouslySetInnerHTML={{ __html: definitions }} />
        <g transform={`translate(${margin.left} ${margin.top})`}>
          <rect width={W} height={H} fill="#e6e6e6" stroke="#161616" strokeWidth="0.7" />
          {derived.parts.map((part, i) => (
            <g
              key={part.id}
              role="button"
              tabIndex={0}
              aria-label={`${part.name}, ${formatSize(part.width, part.height, { mark: derived.mark, figures: 'plain' })}`}
              aria-pressed={part.id === selected || also.includes(part.item)}
              transform={shift(part)}
              onPointerDown={(e) => {
                if (e.button === 0) start.current = { part, x: e.clientX, y: e.clientY, catches: null };
              }}
              onClick={(e) => (e.shiftKey || e.ctrlKey || e.metaKey ? onAlso(part.item) : onSelect(part.id))}
              onKeyDown={(e) => {
                const arrow = ARROWS[e.key];
                if (e.key !== 'Enter' && e.key !== ' ' && !arrow) return;
                e.preventDefault();
                if (e.key === ' ' && e.shiftKey) return onAlso(part.item);
                if (!arrow || !also.includes(part.item)) onSelect(part.id);
                if (arrow) onMove(part, arrow[0] * (e.shiftKey ? 8 : 1), arrow[1] * (e.shiftKey ? 8 : 1));
              }}
            >
              <PartFace part={part} box={box(part)} fill={formatFill(fills[i])} spot={spot} per={per} />
              {part.says === undefined ? null : (
                <LetterMark
                  says={part.says}
                  x={0}
                  y={H}
                  scale={per}
                  box={{ x: part.x, y: part.y, width: part.width, height: part.height }}
                />
              )}
              <PartLine
                part={part}
                box={box(part)}
                strong={part.id === selected || also.includes(part.item)}
                spot={spot}
                per={per}
              />
            </g>
          ))}
          {derived.seam ? (
            <path
              d={`M${derived.seam.x * per} -8V${H + 8}M${(derived.seam.x + derived.seam.width) * per} -8V${H + 8}`}
              stroke="#161616"
              strokeDasharray="9 4"
              pointerEvents="none"
            />
          ) : null}
          {pulled && own ? <Guides pulled={pulled} own={own} per={per} H={H} says={catchSays} W={W} /> : null}
          {chosen && !pulled ? (
            <Distances
              derived={derived}
              part={partPlacedWith(derived, chosen)}
              measurings={measurings}
              H={H}
              per={per}
              say={(n) => formatLength(n, { mark: derived.mark, figures: 'typeset' })}
            />
          ) : null}
        </g>
      </Picture>
      {made && item && byHand ? <HandLayer made={made} at={ofItem(item.box)} /> : null}
      {made && item && !pulled ? (
        <DimLayer
          made={made}
          at={ofItem(item.box)}
          box={{ x: margin.left, y: margin.top, width: W, height: H }}
          right={margin.right}
        />
      ) : null}
    </Frame>
  );
}
