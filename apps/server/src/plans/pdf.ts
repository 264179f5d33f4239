import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { basename } from 'node:path';
import * as fontkit from 'fontkit';
import PDFDocument from 'pdfkit';
import type { Drawing, DrawingMark } from '@temnex/drawing';
import { unpackWoff } from './woff.ts';

const require = createRequire(import.meta.url);
const FACES = { figures: 'bricolage-grotesque', text: 'source-sans-3' } as const;
const SUBSETS = {
  'bricolage-grotesque': ['latin', 'latin-ext', 'vietnamese'],
  'source-sans-3': ['latin', 'latin-ext', 'vietnamese', 'cyrillic', 'cyrillic-ext', 'greek', 'greek-ext'],
} as const;
const WEIGHTS = [400, 600] as const;

/** The files in which a letter is looked for, in order: the face's own, the text face's, then one that has most there are. */
function filesOf(face: keyof typeof FACES, weight: number): string[] {
  const own = FACES[face];
  const file = (name: keyof typeof SUBSETS) =>
    SUBSETS[name].map((subset) => require.resolve(`@fontsource/${name}/files/${name}-${subset}-${weight}-normal.woff`));
  const fallback = require.resolve(`dejavu-fonts-ttf/ttf/DejaVuSans${weight > 400 ? '-Bold' : ''}.ttf`);
  return [...file(own), ...(own === 'source-sans-3' ? [] : file('source-sans-3')), fallback];
}

interface Face {
  /** As it is known to the document. */
  readonly name: string;
  readonly data: Buffer;
  readonly has: (codePoint: number) => boolean;
}
/** Read once, when the first order is printed. */
const read = new Map<string, Face>();
const faces = new Map<string, readonly Face[]>();
function facesOf(face: keyof typeof FACES, weight: number): readonly Face[] {
  const key = `${face}-${weight}`;
  const known = faces.get(key);
  if (known) return known;
  const found = filesOf(face, weight).map((file): Face => {
    const before = read.get(file);
    if (before) return before;
    const stored = readFileSync(file);
    const data = file.endsWith('.woff') ? unpackWoff(stored) : stored;
    const font = fontkit.create(data) as fontkit.Font;
    const made = { name: basename(file), data, has: (point: number) => font.hasGlyphForCodePoint(point) };
    read.set(file, made);
    return made;
  });
  faces.set(key, found);
  return found;
}

/** What nobody sees and no face has: controls, joiners, halves of characters. */
const UNSEEN = /[\p{Cc}\p{Cf}\p{Cs}\p{Co}\p{Cn}]/gu;
/** Stands for a letter that no face has. */
const NO_LETTER = '□';

/** A text in runs of one face each. */
export function splitIntoRuns(text: string, face: keyof typeof FACES, weight: number): { text: string; face: Face }[] {
  const all = facesOf(face, weight);
  const runs: { text: string; face: Face }[] = [];
  // thin spaces are an empty last glyph in one of the faces, or in none, over which the font reader stumbles
  for (const letter of text.replace(/[\u2009\u202f]/g, '\u00a0').replace(UNSEEN, '')) {
    const point = letter.codePointAt(0)!;
    const last = runs.at(-1);
    const found = last?.face.has(point) && last.face === all[0] ? last.face : all.find((f) => f.has(point));
    const said = found ? letter : NO_LETTER;
    const chosen = found ?? all.find((f) => f.has(NO_LETTER.codePointAt(0)!))!;
    if (last && last.face === chosen) last.text += said;
    else runs.push({ text: said, face: chosen });
  }
  return runs;
}

/** Pictures that photos in a drawing are, by their files. */
type Photos = ReadonlyMap<string, Buffer>;
type Doc = InstanceType<typeof PDFDocument>;

/** Colours with transparency (#rrggbbaa) as pdfkit wants them. */
function paint(colour: string): { colour: string; opacity: number } {
  return colour.length === 9
    ? { colour: colour.slice(0, 7), opacity: parseInt(colour.slice(7), 16) / 255 }
    : { colour, opacity: 1 };
}

function finish(doc: Doc, mark: Extract<DrawingMark, { kind: 'rect' | 'poly' }>, outline: () => Doc): void {
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

function set(doc: Doc, mark: DrawingMark, photos: Photos): void {
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
    case 'photo': {
      const data = photos.get(mark.file);
      if (!data) return;
      const { whole } = mark;
      doc.save();
      doc.rect(mark.x, mark.y, mark.width, mark.height).clip();
      doc.opacity(mark.strength).image(data, whole.x, whole.y, { width: whole.width, height: whole.height });
      doc.restore();
      return;
    }
    case 'text': {
      doc.fontSize(mark.size).fillOpacity(1).fillColor(mark.fill);
      const runs = splitIntoRuns(mark.text, mark.face, mark.weight).map((run) => ({
        ...run,
        width: doc.font(run.face.name).widthOfString(run.text),
      }));
      const width = runs.reduce((sum, run) => sum + run.width, 0);
      let x = mark.x - (mark.anchor === 'end' ? width : mark.anchor === 'middle' ? width / 2 : 0);
      doc.save();
      if (mark.turn) doc.rotate(-mark.turn, { origin: [mark.x, mark.y] });
      for (const run of runs) {
        doc.font(run.face.name).text(run.text, x, mark.y, { lineBreak: false, baseline: 'alphabetic' });
        x += run.width;
      }
      doc.restore();
    }
  }
}

/** Drawings of whole pages, in points, as one PDF. */
export async function renderPdf(
  pages: readonly Drawing[],
  title: string,
  made: Date,
  photos: Photos = new Map(),
): Promise<Buffer> {
  const doc = new PDFDocument({
    autoFirstPage: false,
    margin: 0,
    info: { Title: title.replace(UNSEEN, ''), Creator: 'Temnex', CreationDate: made },
  });
  for (const face of ['figures', 'text'] as const)
    for (const weight of WEIGHTS) for (const { name, data } of facesOf(face, weight)) doc.registerFont(name, data);
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise<void>((resolve, reject) => {
    doc.on('end', resolve);
    doc.on('error', reject);
  });
  for (const page of pages) {
    doc.addPage({ size: [page.width, page.height], margin: 0 });
    for (const mark of page.marks) set(doc, mark, photos);
  }
  doc.end();
  await ended;
  return Buffer.concat(chunks);
}
