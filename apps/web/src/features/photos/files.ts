import Papa from 'papaparse';
import { MARKS, formatExactLength, type Unit } from '@temnex/core/length';
import type { PrintToMake } from '@temnex/core/photos';
import { gangPieceId, type GangSheet } from '@temnex/core/cutting';
import type { PhotoSheets } from '@temnex/contract';
import { formatPhotoName, formatSize } from '@temnex/words';
import { requestFile } from '../../data/client.ts';
import { saveFile } from '../../data/saveFile.ts';

/** What sheets show, as the server makes pictures of them. */
export const buildSheetFiles = (
  sheets: readonly GangSheet[],
  prints: readonly PrintToMake[],
): PhotoSheets['sheets'] => {
  const byKey = new Map(prints.map((p, i) => [gangPieceId(i), p]));
  return sheets.map(({ width, height, prints: on }) => ({
    width,
    height,
    prints: on.flatMap((one) => {
      const print = byKey.get(one.key);
      return print ? [{ ...one, file: print.photo.file, crop: print.crop }] : [];
    }),
  }));
};

/** Asks for sheets as a file and gives it away to be kept. Throws with the sentence of what went wrong. */
export const downloadSheets = async (asked: PhotoSheets, name: string): Promise<void> =>
  saveFile(await requestFile('/api/photos/sheets', asked), name);

/** A name of a file for a print: what it shows and its size. */
export const fileNameOf = (print: PrintToMake): string =>
  `${formatPhotoName(print.photo).replace(/[^\p{L}\p{N}]+/gu, '-').slice(0, 60)}-${formatSize(print.width, print.height, { mark: MARKS['1/16'], figures: 'plain' }).replace(/[^\d]+/g, '-')}.jpg`; // prettier-ignore

/** The prints to order as text, one a line. */
export const formatOrdersText = (prints: readonly PrintToMake[]): string =>
  prints
    .map(({ photo, width, height, copies, page }) => {
      const size = formatSize(width, height, { mark: MARKS['1/16'], figures: 'plain' });
      return `${copies} x ${size}: ${formatPhotoName(photo)} (${photo.name})${page ? `, for ${page.name}` : ''}`;
    })
    .join('\n');

export function formatOrdersCsv(prints: readonly PrintToMake[], unit: Unit): string {
  const rows = prints.map(({ photo, width, height, copies, page }) => [
    ...[
      String(copies),
      formatExactLength(width, unit),
      formatExactLength(height, unit),
      formatPhotoName(photo),
      photo.name,
    ],
    page?.name ?? '',
  ]);
  const heading = ['Copies', `Width (${unit})`, `Height (${unit})`, 'Photo', 'File', 'For'];
  return Papa.unparse([heading, ...rows], { escapeFormulae: true });
}
