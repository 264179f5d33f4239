import { isRectangle, type Rect } from '@temnex/core/geometry';
import type { LaidOut, Layer } from '@temnex/core/recipes';
import { formatShapePath } from '@temnex/drawing';

/** Greys that say "a layer": no colour, since no paper is chosen yet. */
const GREYS = ['#fafafa', '#ededed', '#dedede', '#f4f4f4'];
const PRINT = '#b4b4b4';
/** The other face of a paper. */
const BACK = '#c6c6c6';

/** Layers of one blank look alike. */
export const pickGrey = (layer: Pick<Layer, 'blank' | 'back'>, { blanks }: Pick<LaidOut, 'blanks'>): string =>
  layer.back
    ? BACK
    : layer.blank === null
      ? PRINT
      : GREYS[(blanks.findIndex((b) => b.key === paperOf(layer.blank!, blanks)) + 1) % GREYS.length]!;

/** The blank whose paper it shares, or itself. */
const paperOf = (key: string, blanks: LaidOut['blanks']): string => blanks.find((b) => b.key === key)?.paperFrom ?? key;

interface LayersPictureProps {
  laid: LaidOut;
  /** Pixels to the tick. */
  scale: number;
  /** Where the item's lower left corner lies. */
  x: number;
  y: number;
  thin?: boolean;
}

/** What a construction gives, from above and to scale, in greys. */
export function LayersPicture({ laid, scale, x, y, thin = false }: LayersPictureProps) {
  return (
    <>
      {laid.layers.map((layer) => {
        const { box, shape, key } = layer;
        const fill = pickGrey(layer, laid);
        // so small, many lines would be one black spot
        const fine = laid.layers.length > 60 ? 0.25 : 0.7;
        const stroke = { stroke: '#161616', strokeWidth: thin ? fine : layer.blank === null ? 1.5 : 0.9 };
        const face =
          shape && !isRectangle(shape) ? (
            <path
              d={formatShapePath(shape, (p) => [x + p.x * scale, y - p.y * scale], scale)}
              fill={fill}
              fillRule="evenodd"
              {...stroke}
            />
          ) : (
            <rect
              x={x + box.x * scale}
              y={y - (box.y + box.height) * scale}
              width={Math.max(0.5, box.width * scale)}
              height={Math.max(0.5, box.height * scale)}
              fill={fill}
              {...stroke}
            />
          );
        return (
          <g key={key}>
            {face}
            {layer.says === undefined ? null : <LetterMark says={layer.says} x={x} y={y} scale={scale} box={box} />}
          </g>
        );
      })}
      {laid.slots
        .filter((s) => !laid.layers.some((l) => l.key === s.key))
        .map(({ key, box }) => (
          <rect
            key={key}
            x={x + box.x * scale}
            y={y - (box.y + box.height) * scale}
            width={box.width * scale}
            height={box.height * scale}
            fill="none"
            stroke="#161616"
            strokeDasharray="4 3"
          />
        ))}
    </>
  );
}

interface SaysProps {
  says: string;
  x: number;
  y: number;
  scale: number;
  box: Rect;
}

/** A letter as large as its box. */
export function LetterMark({ says, x, y, scale, box }: SaysProps) {
  const [width, height] = [box.width * scale, box.height * scale];
  const size = Math.min(height * 0.8, (width * 1.3) / Math.max(1, says.length));
  return (
    <text
      x={x + (box.x + box.width / 2) * scale}
      y={y - box.y * scale - height / 2 + size * 0.35}
      fontSize={size}
      fontWeight={700}
      textAnchor="middle"
      fill="#161616"
      aria-hidden="true"
    >
      {says}
    </text>
  );
}
