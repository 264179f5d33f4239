import { useId, useMemo, useRef, useState, type PointerEvent } from 'react';
import { styled } from 'styled-components';
import { TICKS_PER_UNIT } from '@temnex/core/length';
import type { Rect } from '@temnex/core/geometry';
import type { Drawer } from '@temnex/core/stock';
import {
  findSnapTarget,
  computeCornerMark,
  measuredSpansOf,
  partPlacedWith,
  type Axis,
  type SnapTarget,
  type MeasuredEdges,
  type DerivedPage,
  type Part,
} from '@temnex/core/page';
import { formatDefinitions, formatFill, formatShapePath, type DrawingMark } from '@temnex/drawing';
import { formatLength, formatSize } from '@temnex/words';
import { photoUrl } from '../../data/photos.ts';
import { DimLayer, type Box } from '../../shared/construction/DimLayer.tsx';
import { HandLayer } from '../../shared/construction/HandLayer.tsx';
import { LetterMark } from '../../shared/construction/LayersPicture.tsx';
import type { ConstructionEditor } from '../../shared/construction/constructionEditor.ts';
import { NO_SETTLED_FACES, type SettledFaces } from '../../data/pages/settledFaces.ts';
import { partFill } from './partFill.ts';

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

export interface Margin {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}
/** Room round the page for the numbers that are typed there; on a phone they stand in the slip. */
export const WIDE: Margin = { left: 116, top: 46, right: 192, bottom: 66 };
/** A spread is drawn as wide as it may be. */
export const SPREAD: Margin = { ...WIDE, left: 104, right: 178 };
export const SLIM: Margin = { left: 56, top: 26, right: 8, bottom: 36 };

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

/** What an item has caught along each axis. */
export interface CaughtTargets {
  readonly across: SnapTarget | null;
  readonly upDown: SnapTarget | null;
}
/** An item on its way to another place: where its lower left corner is now, in ticks, and what it has caught. */
interface Pulled {
  readonly item: string;
  readonly x: number;
  readonly y: number;
  readonly caught: CaughtTargets;
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
  const [pulled, setPulled] = useState<Pulled | null>(null);
  const start = useRef<{ part: Part; x: number; y: number; catches: readonly SnapTarget[] | null } | null>(null);
  /** Where the item has come to, and what it has caught there; held with Alt it catches nothing. */
  const goneTo = (e: PointerEvent): Pulled => {
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

const boxOf = (r: Rect, spot: PartFaceProps['spot'], per: number) => {
  const { x, y } = spot({ x: r.x, y: r.y + r.height });
  return { x, y, width: r.width * per, height: r.height * per };
};

interface PartFaceProps {
  part: Part;
  box: Box;
  spot: (p: { x: number; y: number }) => { x: number; y: number };
  per: number;
}

const pathOf = ({ part, spot, per }: PartFaceProps): string =>
  formatShapePath(
    part.shape!,
    (p) => {
      const { x, y } = spot(p);
      return [x, y];
    },
    per,
  );

function PartFace(props: PartFaceProps & { fill: string }) {
  const { part, box, fill, spot, per } = props;
  const clip = useId();
  const plain = part.piece ? fill : '#f4f4f4';
  // only a photo looks like one
  const photo = !part.piece && part.role === 'print';
  const { picture } = part;
  if (picture && photo) {
    const own = boxOf(picture.opening, spot, per);
    const whole = boxOf(picture.whole, spot, per);
    return (
      <>
        <clipPath id={clip}>{part.shape ? <path d={pathOf(props)} /> : <rect {...own} />}</clipPath>
        <rect {...box} fill="#fff" />
        <image
          {...whole}
          href={photoUrl(picture.file, Math.max(whole.width, whole.height) > 420 ? 'large' : 'small')}
          preserveAspectRatio="none"
          clipPath={`url(#${clip})`}
        />
      </>
    );
  }
  if (part.shape && !photo) return <path d={pathOf(props)} fill={plain} fillRule="evenodd" />;
  if (part.shape)
    return (
      <>
        <clipPath id={clip}>
          <path d={pathOf(props)} />
        </clipPath>
        <g clipPath={`url(#${clip})`}>
          <Print {...box} />
        </g>
      </>
    );
  return photo ? <Print {...box} /> : <rect {...box} fill={plain} />;
}

function PartLine(props: PartFaceProps & { strong: boolean }) {
  const stroke = { fill: 'none', stroke: '#161616', strokeWidth: props.strong ? 2.5 : 0.7 };
  return props.part.shape ? <path d={pathOf(props)} {...stroke} /> : <rect {...props.box} {...stroke} />;
}

/** A print nobody has photographed: grey sky, a line, a kite, so that it reads as a photo without being one. */
function Print({ x, y, width, height }: Box) {
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

interface GuidesProps {
  pulled: Pulled;
  own: Rect;
  per: number;
  W: number;
  H: number;
  says: (one: SnapTarget) => string;
}

/** What an item has caught, as lines right across the page, and in words. */
function Guides({ pulled, own, per, W, H, says }: GuidesProps) {
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
function Distances({ derived, part, measurings, H, per, say }: DistancesProps) {
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

/** Pixels to the inch at which a page fits. */
export const computePageScale = (derived: DerivedPage, width: number, height: number, margin: Margin): number => {
  const inches = (t: number) => t / TICKS_PER_UNIT.in;
  return Math.max(
    4,
    Math.min(
      (width - margin.left - margin.right) / inches(derived.width),
      (height - margin.top - margin.bottom) / inches(derived.height),
    ),
  );
};
