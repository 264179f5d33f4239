import type { Unit } from '@temnex/core/length';
import { parseStockLine, type ParsedStock } from '@temnex/core/stock';
import { STOCK_KIND_LABELS, describeOddShape } from './kinds.ts';
import { SCREEN } from './lengths.ts';
import { describeLineProblem } from './problems.ts';

/** Said of paper that lies in the drawer, never of what is made. */
const ABOUT_PAPER = /\b(scraps?|offcuts?|sheets?|pads?)\b/i;

/** What a line about paper comes to: `2 × scrap, 5 1/2 × 3, teal`. */
export interface StockLinePreview {
  readonly said: ParsedStock;
  readonly says: string;
}

/** A line that is about paper to put into the drawer; null where it is about something else. Papers are told by their names alone. */
export function previewStockLine(
  line: string,
  papers: readonly { id: string; name: string }[],
  unit: Unit,
): StockLinePreview | null {
  if (!ABOUT_PAPER.test(line)) return null;
  const said = parseStockLine(line, papers, unit);
  if (!said.ok) return { said, says: describeLineProblem(said, SCREEN) };
  const many = said.quantity > 1 ? `${said.quantity} × ` : '';
  const odd = said.outline ? describeOddShape(said.outline.length) : '';
  const paper = said.paper?.name ?? said.paperWords;
  return {
    said,
    says: `${many}${STOCK_KIND_LABELS[said.kind]}, ${said.width} × ${said.height}${odd}${paper ? `, ${paper}` : ''}`,
  };
}
