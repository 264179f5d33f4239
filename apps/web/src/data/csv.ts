import Papa from 'papaparse';
import { formatExactLength } from '@temnex/core/length';
import { STOCK_COLUMNS, headingOf, stockRowOf, type Drawer, type Paper } from '@temnex/core/stock';
import type { ShoppingEntry } from '@temnex/core/cutting';
import { saveFile } from './saveFile.ts';

/** Cells of a text that a spreadsheet wrote, or gave away to be pasted; empty lines are left out, whatever stands between cells. */
export function parseCells(text: string): string[][] {
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), {
    skipEmptyLines: 'greedy',
    ...(text.includes('\t') ? { delimiter: '\t' } : {}),
  });
  // what was written so that a spreadsheet takes it for text
  return data.map((row) => row.map((cell) => cell.replace(/^'(?=[=+\-@])/, '').trim()));
}

/** The whole drawer as CSV: read again it is the same. */
export function formatDrawerCsv({ papers, stock }: Drawer): string {
  const known = new Map(papers.map((p) => [p.id, p]));
  const rows = stock.map((item) => {
    const row = stockRowOf(item, known.get(item.paper));
    return STOCK_COLUMNS.map((column) => row[column]);
  });
  return Papa.unparse([STOCK_COLUMNS.map(headingOf), ...rows], { escapeFormulae: true });
}

/** The list to take to the shop as CSV. */
export function formatShoppingCsv(
  buy: readonly ShoppingEntry[],
  papers: ReadonlyMap<string, Paper>,
  names: ReadonlyMap<string, string>,
): string {
  const rows = buy.map((b) => [
    b.packs === null ? String(b.count) : '',
    b.packs === null ? '' : String(b.packs),
    papers.get(b.paper)?.name ?? '',
    formatExactLength(b.size.width, 'in'),
    formatExactLength(b.size.height, 'in'),
    b.cost === null ? '' : (b.cost / 100).toFixed(2),
    b.pages.flatMap((id) => names.get(id) ?? []).join('; '),
  ]);
  const heading = ['Sheets', 'Packs', 'Paper', 'Width (in)', 'Height (in)', 'Cost', 'For'];
  return Papa.unparse([heading, ...rows], { escapeFormulae: true });
}

/** Gives a file away to be kept. */
export function download(name: string, text: string, type = 'text/csv;charset=utf-8'): void {
  saveFile(new Blob([type.startsWith('text/csv') ? '\ufeff' : '', text], { type }), name);
}
