import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import type { Drawing, Drawn } from '@temnex/drawing';

const require = createRequire(import.meta.url);
const font = (face: string, weight: number) =>
  require.resolve(`@fontsource/${face}/files/${face}-latin-${weight}-normal.woff`);
const FONTS = {
  'figures-400': font('bricolage-grotesque', 400),
  'figures-600': font('bricolage-grotesque', 600),
  'text-400': font('source-sans-3', 400),
  'text-600': font('source-sans-3', 600),
} as const;

type Doc = InstanceType<typeof PDFDocument>;

/** Colours with transparency (#rrggbbaa) as pdfkit wants them. */
function paint(colour: string): { colour: string; opacity: number } {
  return colour.length === 9
    ? { colour: colour.slice(0, 7), opacity: parseInt(colour.slice(7), 16) / 255 }
    : { colour, opacity: 1 };
}

function finish(doc: Doc, mark: Extract<Drawn, { kind: 'rect' | 'poly' }>, outline: () => Doc): void {
  if (typeof mark.fill === 'string') {
    const { colour, opacity } = paint(mark.fill);
    outline().fillOpacity(opacity).fill(colour);
  }
  if (mark.stroke) {
    doc.lineWidth(mark.stroke.width);
    if (mark.stroke.dash) doc.dash(mark.stroke.dash[0]!, { space: mark.stroke.dash[1]! });
    outline().stroke(mark.stroke.colour);
    doc.undash();
  }
}

function set(doc: Doc, mark: Drawn): void {
  switch (mark.kind) {
    case 'rect':
      return finish(doc, mark, () => doc.rect(mark.x, mark.y, mark.width, mark.height));
    case 'poly':
      return finish(doc, mark, () => doc.polygon(...mark.points.map(([x, y]): [number, number] => [x, y])));
    case 'line': {
      doc.lineWidth(mark.stroke.width);
      if (mark.stroke.dash) doc.dash(mark.stroke.dash[0]!, { space: mark.stroke.dash[1]! });
      doc.moveTo(mark.x1, mark.y1).lineTo(mark.x2, mark.y2).stroke(mark.stroke.colour);
      doc.undash();
      return;
    }
    case 'text': {
      doc.font(`${mark.face}-${mark.weight}`).fontSize(mark.size).fillOpacity(1).fillColor(mark.fill);
      // the thin space is an empty last glyph in one of the faces, over which the font reader stumbles
      const content = mark.text.replaceAll('\u2009', '\u00a0');
      const width = doc.widthOfString(content);
      const back = mark.anchor === 'end' ? width : mark.anchor === 'middle' ? width / 2 : 0;
      doc.save();
      if (mark.turn) doc.rotate(-mark.turn, { origin: [mark.x, mark.y] });
      doc.text(content, mark.x - back, mark.y, { lineBreak: false, baseline: 'alphabetic' });
      doc.restore();
    }
  }
}

/** Drawings of whole pages, in points, as one PDF. */
export async function pdfOf(pages: readonly Drawing[], title: string, made: Date): Promise<Buffer> {
  const doc = new PDFDocument({
    autoFirstPage: false,
    margin: 0,
    info: { Title: title, Creator: 'Temnex', CreationDate: made },
  });
  for (const [name, file] of Object.entries(FONTS)) doc.registerFont(name, file);
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise<void>((resolve, reject) => {
    doc.on('end', resolve);
    doc.on('error', reject);
  });
  for (const page of pages) {
    doc.addPage({ size: [page.width, page.height], margin: 0 });
    for (const mark of page.marks) set(doc, mark);
  }
  doc.end();
  await ended;
  return Buffer.concat(chunks);
}
