import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { styled } from 'styled-components';
import { MAX_ZOOM, computeFramedCrop, moveCropInside, type Crop, type Framing, type Pixels } from '@temnex/core/photos';
import { describeCropLoss } from '@temnex/words';
import { photoUrl } from '../../data/photos.ts';

const Ground = styled.div`
  position: relative;
  touch-action: none;
  user-select: none;
  background: #f4f4f4;
  outline: 1px solid var(--ink);
  & > img {
    display: block;
    width: 100%;
    height: 100%;
    pointer-events: none;
  }
`;
/** What is seen; what lies outside is covered. */
const Frame = styled.div`
  position: absolute;
  outline: 2px solid #fff;
  box-shadow:
    0 0 0 3px var(--ink),
    0 0 0 9999px #e6e6e6b8;
  cursor: var(--grab, grab);
  &:focus-visible {
    box-shadow:
      0 0 0 6px var(--ink),
      0 0 0 9999px #e6e6e6b8;
  }
  &[data-whole] {
    cursor: default;
  }
  /* by thirds, for the eye */
  &::after {
    content: '';
    position: absolute;
    inset: 0;
    pointer-events: none;
    opacity: 0.55;
    background:
      linear-gradient(
        90deg,
        transparent calc(33.33% - 1px),
        #fff 0 33.33%,
        transparent 0 calc(66.66% - 1px),
        #fff 0 66.66%,
        transparent 0
      ),
      linear-gradient(
        transparent calc(33.33% - 1px),
        #fff 0 33.33%,
        transparent 0 calc(66.66% - 1px),
        #fff 0 66.66%,
        transparent 0
      );
  }
`;
const Clip = styled.div`
  position: absolute;
  inset: 0;
  overflow: hidden;
`;
const Stay = styled.div`
  position: absolute;
  border: 2px dashed var(--cut);
  outline: 1px solid #fff;
  pointer-events: none;
`;
/** What is wanted at a place of the page. */
const Level = styled.i`
  position: absolute;
  left: 0;
  right: 0;
  border-top: 2px solid var(--cut);
  pointer-events: none;
`;
const Upright = styled.i`
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 2px solid var(--cut);
  pointer-events: none;
`;
/** One for every corner, large enough for a finger. */
const Corner = styled.i`
  position: absolute;
  width: 28px;
  height: 28px;
  margin: -14px;
  &::after {
    content: '';
    position: absolute;
    inset: 7px;
    background: #fff;
    border: 2px solid var(--ink);
  }
`;
const CORNERS = [
  ['0%', '0%', 'nwse-resize'],
  ['100%', '0%', 'nesw-resize'],
  ['0%', '100%', 'nesw-resize'],
  ['100%', '100%', 'nwse-resize'],
] as const;

interface CropFrameProps {
  file: string;
  photo: Pixels;
  /** Width over height of what it is cropped to. */
  ratio: number;
  framing: Framing;
  stay: Crop | null;
  onChange: (framing: Framing) => void;
  /** Draws what must stay instead of moving the crop. */
  staying?: boolean;
  onStay?: (stay: Crop | null) => void;
  /** A press points at a spot of the photo (shares from the left and the top) instead. */
  onPoint?: ((spot: { readonly x: number; readonly y: number }) => void) | undefined;
  /** What was pointed at: a line across it, one up and down, or both. */
  lines?: { readonly x?: number | undefined; readonly y?: number | undefined };
  /** The most that it may measure, in pixels of the screen. */
  room: Pixels;
  /** What it is for, as it is read out. */
  label: string;
}

const NUDGE = 0.01;
const CLOSER = 1.06;

/**
 * A photo with its crop on it: dragged, pinched, scrolled while it has the focus, or moved by keys. A drag is one change, told when it
 * is let go. What must stay is dashed.
 */
export function CropFrame(props: CropFrameProps) {
  const { file, photo, ratio, stay, onChange, staying = false, onStay, onPoint, lines, room, label } = props;
  const [draft, setDraft] = useState<Framing | null>(null);
  const framing = draft ?? props.framing;
  const per = Math.min(room.width / photo.width, room.height / photo.height);
  const size = { width: photo.width * per, height: photo.height * per };
  const seen = computeFramedCrop(photo, framing, ratio, stay);
  const { crop } = seen;
  const ground = useRef<HTMLDivElement>(null);
  const pointers = useRef(new Map<number, { x: number; y: number }>());
  const grip = useRef<{ framing: Framing; crop: Crop; at: { x: number; y: number }; apart: number; corner: boolean } | null>(null); // prettier-ignore
  const whole = framing.keep === 'whole';
  /** The same, closer or further. What must stay bounds it. */
  const zoomed = (from: Framing, by: number): Framing => ({
    ...from,
    zoom: Math.min(MAX_ZOOM, Math.max(1, from.zoom * by)),
  });
  const movedBy = (from: Crop, dx: number, dy: number): Framing => {
    const to = moveCropInside(photo, { ...from, x: from.x + dx, y: from.y + dy });
    return { ...framing, x: (to.x + to.width / 2) / photo.width, y: (to.y + to.height / 2) / photo.height };
  };
  const spotOf = (e: PointerEvent) => {
    const box = ground.current!.getBoundingClientRect();
    const inside = (n: number, most: number) => Math.min(Math.max(0, n), most);
    return {
      x: inside((e.clientX - box.left) / per, photo.width),
      y: inside((e.clientY - box.top) / per, photo.height),
    };
  };
  const apart = () => {
    const [a, b] = [...pointers.current.values()];
    return a && b ? Math.hypot(a.x - b.x, a.y - b.y) : 0;
  };
  const down = (e: PointerEvent) => {
    if (e.button !== 0) return;
    if (onPoint) {
      const spot = spotOf(e);
      return onPoint({ x: spot.x / photo.width, y: spot.y / photo.height });
    }
    ground.current!.setPointerCapture(e.pointerId);
    pointers.current.set(e.pointerId, { x: e.clientX, y: e.clientY });
    const corner = (e.target as HTMLElement).tagName === 'I';
    grip.current = { framing, crop, at: spotOf(e), apart: apart(), corner };
  };
  const move = (e: PointerEvent) => {
    const from = grip.current;
    if (!from || !pointers.current.has(e.pointerId)) return;
    pointers.current.set(e.pointerId, { x: e.clientX, y: e.clientY });
    const at = spotOf(e);
    if (staying) {
      const [x, y] = [Math.min(at.x, from.at.x), Math.min(at.y, from.at.y)];
      const drawn = { x, y, width: Math.abs(at.x - from.at.x), height: Math.abs(at.y - from.at.y) };
      if (drawn.width * per > 4 && drawn.height * per > 4) onStay?.(drawn);
    } else if (whole) return;
    else if (pointers.current.size > 1 && from.apart > 0) setDraft(zoomed(from.framing, apart() / from.apart));
    else if (from.corner) {
      // the corner follows the finger, the middle stays
      const middle = { x: from.crop.x + from.crop.width / 2, y: from.crop.y + from.crop.height / 2 };
      const half = Math.max(Math.abs(at.x - middle.x), Math.abs(at.y - middle.y) * ratio, 1);
      setDraft(zoomed(from.framing, from.crop.width / 2 / half));
    } else setDraft(movedBy(from.crop, at.x - from.at.x, at.y - from.at.y));
  };
  const up = (e: PointerEvent) => {
    pointers.current.delete(e.pointerId);
    if (pointers.current.size) return;
    grip.current = null;
    if (draft) onChange(draft);
    setDraft(null);
  };
  const keys = (e: KeyboardEvent) => {
    const by = NUDGE * (e.shiftKey ? 5 : 1);
    const arrows: Record<string, readonly [number, number]> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    };
    const arrow = arrows[e.key];
    const closer = e.key === '+' || e.key === '=' ? CLOSER : e.key === '-' ? 1 / CLOSER : null;
    if (whole || (!arrow && closer === null && e.key !== '0')) return;
    e.preventDefault();
    if (arrow) onChange(movedBy(crop, arrow[0] * photo.width, arrow[1] * photo.height));
    else if (closer !== null) onChange(zoomed(framing, closer));
    else onChange({ ...framing, x: 0.5, y: 0.5, zoom: 1 });
  };
  const wheel = useRef<(e: WheelEvent) => void>(undefined);
  useEffect(() => {
    wheel.current = (e) => {
      // who only scrolls past it changes nothing
      if (whole || !e.deltaY || !ground.current!.contains(document.activeElement)) return;
      e.preventDefault();
      onChange(zoomed(framing, e.deltaY < 0 ? CLOSER : 1 / CLOSER));
    };
  });
  useEffect(() => {
    const own = ground.current!;
    const turn = (e: WheelEvent) => wheel.current?.(e);
    own.addEventListener('wheel', turn, { passive: false });
    return () => own.removeEventListener('wheel', turn);
  }, []);
  const at = (r: Crop) => ({ left: r.x * per, top: r.y * per, width: r.width * per, height: r.height * per });
  return (
    <Ground
      ref={ground}
      style={{
        ...size,
        cursor: staying || onPoint ? 'crosshair' : undefined,
        ...(onPoint ? { '--grab': 'crosshair' } : {}),
      }}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
    >
      <img src={photoUrl(file)} alt="" draggable={false} />
      <Clip>
        <Frame
          style={at(crop)}
          tabIndex={0}
          role="group"
          aria-label={`${label}: ${describeCropLoss(seen)}. Arrows move what is seen, + and − come closer and go back, 0 sets it back`}
          onKeyDown={keys}
          {...(whole ? { 'data-whole': true } : {})}
        >
          {whole || staying
            ? null
            : CORNERS.map(([left, top, cursor]) => <Corner key={left + top} style={{ left, top, cursor }} />)}
        </Frame>
      </Clip>
      {lines?.y === undefined ? null : <Level style={{ top: `${lines.y * 100}%` }} aria-hidden="true" />}
      {lines?.x === undefined ? null : <Upright style={{ left: `${lines.x * 100}%` }} aria-hidden="true" />}
      {stay ? <Stay style={at(stay)} aria-hidden="true" /> : null}
    </Ground>
  );
}
