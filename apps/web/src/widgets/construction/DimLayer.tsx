import { styled } from 'styled-components';
import type { Point } from '@temnex/core/geometry';
import { isSamePath, type Dim, type Field, type FieldPath } from '@temnex/core/recipes';
import { recipeText } from '@temnex/words';
import { NARROW } from '../../design/global.ts';
import { Figure } from '../../design/Figure.tsx';
import { FieldInput } from './FieldInput.tsx';
import { fieldsOf, type ConstructionEditor } from './constructionEditor.ts';

const Lines = styled.svg`
  position: absolute;
  inset: 0;
  pointer-events: none;
  overflow: visible;
  ${NARROW} {
    display: none;
  }
`;
const Spot = styled.div`
  position: absolute;
  display: flex;
  align-items: center;
  gap: 0.35rem;
  transform: translate(-50%, -50%);
  ${NARROW} {
    display: none;
  }
`;
/** On the table's grey, so that the line behind it does not strike it through. */
const Plated = styled(Spot)`
  padding: 0 0.3rem;
  background: var(--table);
`;
/** What was worked out, where it lies. */
const Answer = styled(Spot)`
  padding: 0 0.2rem;
  background: var(--sheet);
  font: 600 1.15rem/1.1 var(--figures);
`;
const Leader = styled(Spot)`
  transform: translateY(-50%);
  padding: 0 0.3rem;
  background: var(--table);
  font-size: var(--s1);
  line-height: 1.15;
`;

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

interface DimLayerProps {
  made: ConstructionEditor;
  /** Where a point of the item, in its own ticks, lies in the picture. */
  at: (point: Point) => { x: number; y: number };
  /** What the numbers stand round, in the picture: the item, or all of the page that it lies on. */
  box: Box;
  /** Pixels right of the item for fields at the end of leaders, and what they are called. */
  right: number;
}

const FIELD = 78;
const LINE = 44;
/** How high a field is, as near to another as it may stand. */
const HIGH = 34;
const AWAY = { top: 26, bottom: 49, left: 64, right: 64 } as const;

/**
 * The numbers of a construction, typed where they are measured: along its edges, in the middle of what they measure, or at the
 * end of a leader where there is no room. In the order in which one would measure them.
 */
export function DimLayer({ made, at, box, right }: DimLayerProps) {
  const { laid, recipe } = made;
  if (!laid) return null;
  const fields = fieldsOf(made);
  const fieldAt = (path: FieldPath): Field | undefined => fields.find((f) => isSamePath(f.path, path));
  const spans = spansOf(laid.dims, at, box);
  const leaders = leadersOf(laid.dims, at, box, spans);
  const answers = answersOf(laid.dims, at);
  const words = recipeText(recipe);
  return (
    <>
      <Lines aria-hidden="true" width="100%" height="100%" stroke="#161616" strokeWidth="1" fill="none">
        {laid.dims.map((dim, i) =>
          dim.kind === 'span' ? <path key={i} d={spanPath(dim, spans.get(dim)!, at)} /> : null,
        )}
        {leaders.map(({ from, y, x }, i) => (
          <g key={`leader ${i}`}>
            <circle cx={from.x} cy={from.y} r="2.5" fill="#161616" stroke="none" />
            <path d={`M${from.x} ${from.y}L${x - 12} ${y}H${x}`} />
          </g>
        ))}
      </Lines>
      {laid.dims.map((dim, i) => {
        if (dim.kind === 'inside') {
          const [a, b] = dim.paths.map(fieldAt);
          const low = at({ x: dim.box.x, y: dim.box.y } as Point);
          const high = at({ x: dim.box.x + dim.box.width, y: dim.box.y + dim.box.height } as Point);
          const stacked = high.x - low.x < 2.3 * FIELD;
          return (
            <Spot
              key={i}
              data-spot
              style={{
                left: (low.x + high.x) / 2,
                top: (low.y + high.y) / 2,
                ...(stacked ? { flexDirection: 'column', gap: 0 } : {}),
              }}
            >
              {a ? <FieldInput made={made} field={a} bare width="4.4rem" /> : null}
              <span aria-hidden="true" style={stacked ? { lineHeight: 0.8 } : undefined}>
                ×
              </span>
              {b ? <FieldInput made={made} field={b} bare width="4.4rem" /> : null}
            </Spot>
          );
        }
        if (dim.kind === 'answer') {
          const { x, y } = answers.get(dim)!;
          return (
            <Answer key={i} data-spot style={{ left: x, top: y }}>
              <Figure length={dim.length} mark={made.table.mark} />
            </Answer>
          );
        }
        const field = fieldAt(dim.path);
        if (!field) return null;
        if (dim.kind === 'span') {
          const { x, y } = spans.get(dim)!;
          return (
            <Plated key={i} data-spot style={{ left: x, top: y }}>
              <FieldInput made={made} field={field} bare width="4.6rem" />
            </Plated>
          );
        }
        const leader = leaders.find((l) => l.dim === dim)!;
        return (
          <Leader key={i} data-spot style={{ left: leader.x + 2, top: leader.y }}>
            <FieldInput made={made} field={field} bare width="4rem" />
            <span aria-hidden="true" style={{ width: 'max-content', maxWidth: right - 24 - FIELD - 14 }}>
              {words.field(dim.path)}
              {dim.path.length > 2 ? `, ${words.group(field.group)}` : ''}
            </span>
          </Leader>
        );
      })}
    </>
  );
}

type Span = Extract<Dim, { kind: 'span' }>;

type Answered = Extract<Dim, { kind: 'answer' }>;
/** Where something stands in the picture, in pixels. */
interface At {
  readonly x: number;
  readonly y: number;
}

/** Where the number of each span stands: in its middle, outside the item; a row further out where another is there already. */
function spansOf(dims: readonly Dim[], at: DimLayerProps['at'], box: Box): Map<Dim, At> {
  const out = new Map<Dim, At>();
  for (const dim of dims) {
    if (dim.kind !== 'span') continue;
    const { side } = dim;
    const [a, b] = [at(dim.from), at(dim.to)];
    const level = side === 'top' || side === 'bottom';
    const along = level ? (a.x + b.x) / 2 : (a.y + b.y) / 2;
    const isTaken = (away: number) =>
      [...out].some(([other, spot]) => {
        if (other.kind !== 'span' || other.side !== side) return false;
        return level
          ? Math.abs(spot.x - along) < FIELD && Math.abs(spot.y - away) < HIGH
          : Math.abs(spot.y - along) < HIGH && Math.abs(spot.x - away) < FIELD;
      });
    const outward = side === 'top' || side === 'left' ? -1 : 1;
    let away =
      side === 'top'
        ? box.y - AWAY.top
        : side === 'bottom'
          ? box.y + box.height + AWAY.bottom
          : side === 'left'
            ? box.x - AWAY.left
            : box.x + box.width + AWAY.right;
    while (isTaken(away)) away += outward * (level ? HIGH : FIELD);
    out.set(dim, level ? { x: along, y: away } : { x: away, y: along });
  }
  return out;
}

/** A dimension line with its two witness lines. */
function spanPath(dim: Span, { x, y }: At, at: DimLayerProps['at']): string {
  const [a, b] = [at(dim.from), at(dim.to)];
  if (dim.side === 'top' || dim.side === 'bottom') {
    const past = dim.side === 'top' ? y - 10 : y + 10;
    const [e, f] = dim.side === 'top' ? [a.y - 5, b.y - 5] : [a.y + 5, b.y + 5];
    return `M${a.x} ${past}V${e}M${b.x} ${past}V${f}M${a.x} ${y}H${b.x}`;
  }
  const past = dim.side === 'left' ? x - 10 : x + 10;
  const [e, f] = dim.side === 'left' ? [a.x - 5, b.x - 5] : [a.x + 5, b.x + 5];
  return `M${past} ${a.y}H${e}M${past} ${b.y}H${f}M${x} ${a.y}V${b.y}`;
}

/** About how much room a number that was worked out takes, in pixels. */
const ANSWER = { width: 62, height: 24 } as const;

/** Where each number that was worked out stands: where it lies, or along what it measures where another is there already. */
function answersOf(dims: readonly Dim[], at: DimLayerProps['at']): Map<Dim, At> {
  const out = new Map<Dim, At>();
  const isFree = ({ x, y }: At) =>
    [...out.values()].every((o) => Math.abs(o.x - x) >= ANSWER.width || Math.abs(o.y - y) >= ANSWER.height);
  for (const dim of dims) {
    if (dim.kind !== 'answer') continue;
    const { x, y } = at(dim.at);
    const level = isLevel(dim);
    const steps = [0, 1, -1, 2, -2, 3, -3];
    const spots = steps.map((n) => (level ? { x: x + n * ANSWER.width, y } : { x, y: y + n * ANSWER.height }));
    out.set(dim, spots.find(isFree) ?? { x, y });
  }
  return out;
}

/** What is measured at the top and at the bottom lies along a level band. */
const isLevel = ({ path }: Answered): boolean => ['top', 'bottom'].includes(String(path.at(-1)));

interface LeaderAt {
  readonly dim: Dim;
  readonly from: At;
  readonly x: number;
  readonly y: number;
}

/** Leaders come out at the right, one below the other, as near as may be to where they start, and clear of what is typed there. */
function leadersOf(dims: readonly Dim[], at: DimLayerProps['at'], box: Box, spans: ReadonlyMap<Dim, At>): LeaderAt[] {
  const out = dims
    .flatMap((dim) => (dim.kind === 'leader' ? [{ dim, from: at(dim.at) }] : []))
    // those that start at one height come out in the order in which they lie, the outermost last
    .sort((a, b) => a.from.y - b.from.y || a.from.x - b.from.x);
  const x = box.x + box.width + 24;
  const height = (out.length - 1) * LINE;
  const wished = out.reduce((sum, l) => sum + l.from.y, 0) / Math.max(1, out.length) - height / 2;
  const first = Math.max(box.y + 18, Math.min(box.y + box.height - 18 - height, wished));
  const ys = out.map((_, i) => first + i * LINE);
  for (const [dim, spot] of spans) {
    if (dim.kind !== 'span' || dim.side !== 'right') continue;
    const near = ys.findIndex((y) => Math.abs(y - spot.y) < HIGH);
    if (near < 0) continue;
    // those above it move up, the others down
    const upper = ys[near]! < spot.y ? near + 1 : near;
    const [above, below] = [ys[upper - 1] ?? -Infinity, ys[upper] ?? Infinity];
    const up = Math.max(0, above - (spot.y - HIGH));
    const down = Math.max(0, spot.y + HIGH - below);
    ys.forEach((y, i) => (ys[i] = i < upper ? y - up : y + down));
  }
  return out.map(({ dim, from }, i) => ({ dim, from, x, y: ys[i]! }));
}

/** Fields that are typed on the drawing. */
export const isTypedOnDrawing = ({ laid }: Pick<ConstructionEditor, 'laid'>): readonly FieldPath[] =>
  (laid?.dims ?? []).flatMap((d) => (d.kind === 'inside' ? [...d.paths] : d.kind === 'answer' ? [] : [d.path]));
