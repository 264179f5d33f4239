import { Inject, Injectable } from '@nestjs/common';
import PDFDocument from 'pdfkit';
import sharp, { type OverlayOptions } from 'sharp';
import { TICKS_PER_UNIT, ticks } from '@temnex/core/length';
import { fitCropOnPaper } from '@temnex/core/photos';
import { computeCutMarks, type GangSheet } from '@temnex/core/cutting';
import type { PhotoSheets } from '@temnex/contract';
import { RequestRefusal } from '../http/requestRefusal.ts';
import { MAX_PIXELS } from '../pictures/files.ts';
import { PhotosService } from './photos.service.ts';

type Sheet = PhotoSheets['sheets'][number];
type Print = Sheet['prints'][number];

const POINTS = 72;
const MARK_COLOUR = '#8c8c8c';

/** Photo sheets as pictures and as PDF: every print in its crop at its very place, cut marks beside it; nothing else is written into them. */
@Injectable()
export class PhotoSheetsService {
  constructor(@Inject(PhotosService) private readonly photos: PhotosService) {}

  async make({ sheets, as, density }: PhotoSheets): Promise<{ data: Buffer; type: string }> {
    if (as === 'pdf') return { data: await this.pdf(sheets, density), type: 'application/pdf' };
    const picture = await this.picture(sheets[0]!, density);
    const made = as === 'png' ? picture.png() : picture.jpeg({ quality: 95, chromaSubsampling: '4:4:4' });
    return { data: await made.toBuffer(), type: `image/${as}` };
  }

  private async picture(sheet: Sheet, density: number) {
    /** Every edge goes to its pixel once, so that prints that meet meet there too. */
    const px = (t: number) => Math.round((t * density) / TICKS_PER_UNIT.in);
    const [width, height] = [px(sheet.width), px(sheet.height)];
    if (width * height > MAX_PIXELS) throw new RequestRefusal('too-large', `sheets: so large a sheet has more than ${MAX_PIXELS / 1e6} million pixels; take fewer to the inch.`, { field: 'sheets' }); // prettier-ignore
    const overlays: OverlayOptions[] = [];
    for (const print of sheet.prints) {
      const [left, right] = [px(print.x), px(print.x + print.width)];
      const [bottom, top] = [px(print.y), px(print.y + print.height)];
      if (right > width || top > height) throw new RequestRefusal('bad-input', 'sheets: a print lies past its sheet.', { field: 'sheets' }); // prettier-ignore
      const input = await this.print(print, right - left, top - bottom);
      overlays.push({ input, left, top: height - top });
    }
    const lines = computeCutMarks(asGang(sheet))
      .map((m) => `<path d="M${px(m.x1)} ${height - px(m.y1)}L${px(m.x2)} ${height - px(m.y2)}"/>`)
      .join('');
    const marks = Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><g stroke="${MARK_COLOUR}" stroke-width="${Math.max(1, Math.round(density / 200))}">${lines}</g></svg>`,
    );
    return sharp({ create: { width, height, channels: 3, background: '#ffffff' } })
      .composite([{ input: marks }, ...overlays])
      .withMetadata({ density });
  }

  /** One print as it lies on its sheet, so many pixels large. */
  private async print({ file, crop, turn }: Print, width: number, height: number): Promise<Buffer> {
    const upright = turn % 180 === 0 ? { width, height } : { width: height, height: width };
    // all of the crop: where that is not of the paper's ratio, some of it stays white
    const fitted = fitCropOnPaper(crop, upright);
    const seen = await this.photos.cropped(file, crop, {
      width: Math.max(1, Math.round(fitted.width)),
      height: Math.max(1, Math.round(fitted.height)),
    });
    const onPaper = sharp(seen).resize({ ...upright, fit: 'contain', background: '#ffffff' });
    // sharp turns clockwise
    const turned = await (
      turn ? sharp(await onPaper.png({ compressionLevel: 1 }).toBuffer()).rotate(360 - turn) : onPaper
    )
      .png({ compressionLevel: 1 })
      .toBuffer();
    return turned;
  }

  private async pdf(sheets: readonly Sheet[], density: number): Promise<Buffer> {
    const doc = new PDFDocument({ autoFirstPage: false, info: { Title: 'Photo sheets', Creator: 'Temnex' } });
    const parts: Buffer[] = [];
    const done = new Promise<Buffer>((resolve, reject) => {
      doc.on('data', (part: Buffer) => parts.push(part));
      doc.on('end', () => resolve(Buffer.concat(parts)));
      doc.on('error', reject);
    });
    for (const sheet of sheets) {
      const size: [number, number] = [
        (sheet.width * POINTS) / TICKS_PER_UNIT.in,
        (sheet.height * POINTS) / TICKS_PER_UNIT.in,
      ];
      const picture = await (await this.picture(sheet, density)).jpeg({ quality: 95, chromaSubsampling: '4:4:4' }).toBuffer(); // prettier-ignore
      doc.addPage({ size, margin: 0 });
      doc.image(picture, 0, 0, { width: size[0], height: size[1] });
    }
    doc.end();
    return done;
  }
}

const asGang = ({ width, height, prints }: Sheet): GangSheet => ({
  width: ticks(width),
  height: ticks(height),
  prints: prints.map(({ key, turn, ...p }) => ({
    key,
    turn,
    x: ticks(p.x),
    y: ticks(p.y),
    width: ticks(p.width),
    height: ticks(p.height),
  })),
});
