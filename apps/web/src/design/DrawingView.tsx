import { memo } from 'react';
import {
  FACES,
  formatDefinitions,
  formatFill,
  photoHref,
  type Drawing,
  type DrawingMark,
  type Stroke,
} from '@temnex/drawing';

const strokeOf = (s: Stroke | undefined) =>
  s ? { stroke: s.colour, strokeWidth: s.width, ...(s.dash ? { strokeDasharray: s.dash.join(' ') } : {}) } : {};

function MarkView({ mark: m }: { mark: DrawingMark }) {
  switch (m.kind) {
    case 'rect':
      return (
        <rect x={m.x} y={m.y} width={m.width} height={m.height} fill={formatFill(m.fill)} {...strokeOf(m.stroke)} />
      );
    case 'line':
      return <line x1={m.x1} y1={m.y1} x2={m.x2} y2={m.y2} {...strokeOf(m.stroke)} />;
    case 'poly':
      return (
        <polygon points={m.points.map((p) => p.join()).join(' ')} fill={formatFill(m.fill)} {...strokeOf(m.stroke)} />
      );
    case 'photo': {
      const { whole } = m;
      return (
        <svg x={m.x} y={m.y} width={m.width} height={m.height}>
          <image
            href={photoHref(m.file)}
            x={whole.x - m.x}
            y={whole.y - m.y}
            width={whole.width}
            height={whole.height}
            preserveAspectRatio="none"
            opacity={m.strength}
          />
        </svg>
      );
    }
    case 'text':
      return (
        <text
          x={m.x}
          y={m.y}
          fontFamily={FACES[m.face]}
          fontSize={m.size}
          fontWeight={m.weight}
          textAnchor={m.anchor}
          fill={m.fill}
          {...(m.turn ? { transform: `rotate(${-m.turn} ${m.x} ${m.y})` } : {})}
        >
          {m.text}
        </text>
      );
  }
}

interface DrawingViewProps {
  drawing: Drawing;
  /** Screen pixels to one unit of the drawing. */
  zoom?: number;
  /** Printed: the size in points, true to the paper. */
  points?: boolean;
}

/** A drawing on the screen: the same marks that the PDF and the SVG files set. */
export const DrawingView = memo(function DrawingView({ drawing, zoom = 1, points = false }: DrawingViewProps) {
  const size = points
    ? { width: `${drawing.width}pt`, height: `${drawing.height}pt` }
    : { width: drawing.width * zoom, height: drawing.height * zoom };
  const defs = formatDefinitions(drawing);
  return (
    <svg
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      {...size}
      role="img"
      aria-label={drawing.title}
      style={{ display: 'block', overflow: 'visible' }}
    >
      {defs ? <defs dangerouslySetInnerHTML={{ __html: defs }} /> : null}
      {drawing.marks.map((mark, i) => (
        <MarkView key={i} mark={mark} />
      ))}
    </svg>
  );
});
