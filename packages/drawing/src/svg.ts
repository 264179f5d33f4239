import { formatLookPattern, lookId } from './looks.ts';
import type { Drawing, Fill, DrawingMark, Stroke } from './marks.ts';

/** What XML cannot hold: controls, and halves of characters. */
const UNFIT = /[^\t\n\r\u{20}-\u{d7ff}\u{e000}-\u{fffd}\u{10000}-\u{10ffff}]/gu;
const escape = (text: string): string =>
  text.replace(UNFIT, '').replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);
const num = (n: number): string => String(Number(n.toFixed(3)));

export const FACES = {
  figures: "'Bricolage Grotesque', 'Source Sans 3', sans-serif",
  text: "'Source Sans 3', sans-serif",
} as const;

export const formatFill = (fill: Fill | undefined): string =>
  fill === undefined ? 'none' : typeof fill === 'string' ? fill : `url(#${lookId(fill.look, fill.turn, fill.scale)})`;

/** Where a photo is fetched from. */
export const photoHref = (file: string): string => `/api/photos/files/${file}?side=large`;

/** The pattern definitions that a drawing's fills refer to, each once. */
export function formatDefinitions(drawing: Drawing): string {
  const found = new Map<string, string>();
  for (const mark of drawing.marks) {
    if ((mark.kind === 'rect' || mark.kind === 'poly') && typeof mark.fill === 'object') {
      const { look, turn, scale } = mark.fill;
      found.set(lookId(look, turn, scale), formatLookPattern(look, turn, scale));
    }
  }
  return [...found.values()].join('');
}

const strokeText = (s: Stroke | undefined): string =>
  s
    ? ` stroke="${s.colour}" stroke-width="${num(s.width)}"${s.dash ? ` stroke-dasharray="${s.dash.map(num).join(' ')}"` : ''}`
    : '';

function markText(m: DrawingMark): string {
  switch (m.kind) {
    case 'rect':
      return `<rect x="${num(m.x)}" y="${num(m.y)}" width="${num(m.width)}" height="${num(m.height)}" fill="${formatFill(m.fill)}"${strokeText(m.stroke)}/>`;
    case 'line':
      return `<line x1="${num(m.x1)}" y1="${num(m.y1)}" x2="${num(m.x2)}" y2="${num(m.y2)}"${strokeText(m.stroke)}/>`;
    case 'poly':
      return `<polygon points="${m.points.map(([x, y]) => `${num(x)},${num(y)}`).join(' ')}" fill="${formatFill(m.fill)}"${strokeText(m.stroke)}/>`;
    case 'photo': {
      const { whole: w } = m;
      return `<svg x="${num(m.x)}" y="${num(m.y)}" width="${num(m.width)}" height="${num(m.height)}"><image href="${photoHref(m.file)}" x="${num(w.x - m.x)}" y="${num(w.y - m.y)}" width="${num(w.width)}" height="${num(w.height)}" preserveAspectRatio="none" opacity="${m.strength}"/></svg>`;
    }
    case 'text': {
      const turn = m.turn ? ` transform="rotate(${-m.turn} ${num(m.x)} ${num(m.y)})"` : '';
      return `<text x="${num(m.x)}" y="${num(m.y)}" font-family="${FACES[m.face]}" font-size="${num(m.size)}" font-weight="${m.weight}" text-anchor="${m.anchor}" fill="${m.fill}"${turn}>${escape(m.text)}</text>`;
    }
  }
}

/**
 * Marks as SVG text, for a picture that is drawn anew often: lines of one stroke that follow each other, such as the marks of a
 * ruler or a hatching, are one path.
 */
export function formatMarks(marks: readonly DrawingMark[]): string {
  const parts: string[] = [];
  let path = '';
  let stroke: Stroke | null = null;
  const end = (): void => {
    if (stroke) parts.push(`<path d="${path}" fill="none"${strokeText(stroke)}/>`);
    path = '';
    stroke = null;
  };
  for (const m of marks) {
    if (m.kind !== 'line') {
      end();
      parts.push(markText(m));
      continue;
    }
    if (
      !stroke ||
      stroke.colour !== m.stroke.colour ||
      stroke.width !== m.stroke.width ||
      stroke.dash !== m.stroke.dash
    ) {
      end();
      ({ stroke } = m);
    }
    path += `M${num(m.x1)} ${num(m.y1)}L${num(m.x2)} ${num(m.y2)}`;
  }
  end();
  return parts.join('');
}

/** A drawing as an SVG file. */
export function formatSvg(drawing: Drawing): string {
  const { width, height, title } = drawing;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${num(width)} ${num(height)}" width="${num(width)}" height="${num(height)}" role="img"><title>${escape(title)}</title><defs>${formatDefinitions(drawing)}</defs>${drawing.marks.map(markText).join('')}</svg>\n`;
}
