import { formatExactLength, parseLength, type LengthText, type Unit } from '../length/index.ts';
import { parseDay } from './day.ts';
import { NO_TRIM, STOCK_KINDS, sizeOfItem, type Paper, type StockItem } from './drawer.ts';
import { parseStockLine, type ParsedStock } from './stockLine.ts';
import { placeOf } from './stockQuery.ts';

/*
 * The drawer as rows of text, as a spreadsheet has them: what is typed or pasted for many at once, files read and written. A row that
 * does not read is told with the column to correct; it is never dropped.
 */

export const STOCK_COLUMNS = [
  'quantity',
  'kind',
  'width',
  'height',
  'unit',
  'paper',
  'place',
  'came',
  'held',
  'outline',
] as const;
export type StockColumn = (typeof STOCK_COLUMNS)[number];
export type StockRow = Readonly<Partial<Record<StockColumn, string>>>;

/** What a row comes to. A paper that is not known is named by its words. */
export type ReadRow =
  | { ok: true; item: Omit<StockItem, 'id' | 'paper' | 'origin'>; paper: string | null; paperWords: string }
  | { ok: false; column: StockColumn; problem: RowProblem };
export type RowProblem =
  | Extract<ParsedStock, { ok: false }>['problem']
  | { code: 'kind-unknown' | 'unit-unknown' | 'date' | 'held-unknown'; text: string }
  | { code: 'paper-missing' };

const KIND_SAID: Readonly<Record<string, StockItem['kind']>> = {
  ...Object.fromEntries(STOCK_KINDS.map((kind) => [kind, kind])),
  offcut: 'scrap',
  'pad sheet': 'pad',
  'branding strip': 'branding',
};
const YES = new Set(['yes', 'y', 'true', '1', 'x', 'held', 'held back']);
const NO = new Set(['', 'no', 'n', 'false', '0', '-']);

export const isEmptyRow = (row: StockRow): boolean => Object.values(row).every((cell) => !cell?.trim());

/** Reads one row. Bare lengths are in the row's unit, else in `usual`. A size may stand in the width alone: `5 1/2 x 3`. */
export function readRow(row: StockRow, papers: readonly { id: string; name: string }[], usual: Unit): ReadRow {
  const cell = (column: StockColumn): string => (row[column] ?? '').trim();
  const bad = (column: StockColumn, problem: RowProblem): ReadRow => ({ ok: false, column, problem });
  const unitSaid = cell('unit').toLowerCase();
  if (!['', 'in', 'inch', 'inches', '"', 'mm', 'cm'].includes(unitSaid))
    return bad('unit', { code: 'unit-unknown', text: cell('unit') });
  const unit: Unit = unitSaid === '' ? usual : unitSaid === 'mm' || unitSaid === 'cm' ? 'mm' : 'in';
  const inUnit = (text: string) => (unitSaid === 'cm' && !/[a-z"]/i.test(text) ? `${text} cm` : text);
  const kindSaid = cell('kind').toLowerCase();
  const kind = KIND_SAID[kindSaid] ?? KIND_SAID[kindSaid.replace(/s$/, '')];
  if (kindSaid && !kind) return bad('kind', { code: 'kind-unknown', text: cell('kind') });
  const many = cell('quantity') || '1';
  if (!/^\d{1,5}$/.test(many) || Number(many) < 1 || Number(many) > 10_000)
    return bad('quantity', { code: 'quantity', text: many });
  const outlined = cell('outline');
  const both = /[x×*]|\bby\b/i.test(cell('width')) && !cell('height');
  if (!outlined && !both)
    for (const column of ['width', 'height'] as const) {
      const read = parseLength(inUnit(cell(column)), unit);
      if (!read.ok) return bad(column, read.problem);
    }
  const size = outlined
    ? `corners ${outlined}`
    : both
      ? cell('width')
      : `${inUnit(cell('width'))} x ${inUnit(cell('height'))}`;
  const said = parseStockLine(`${kind ?? ''} ${size}`, [], unit);
  if (!said.ok) return bad(outlined ? 'outline' : 'width', said.problem);
  if (said.paperWords) return bad(outlined ? 'outline' : 'width', { code: 'stray', text: said.paperWords });
  const named = paperNamed(cell('paper'), papers);
  if ('code' in named) return bad('paper', named);
  const came = cell('came');
  const day = came ? parseDay(came) : undefined;
  if (day === null) return bad('came', { code: 'date', text: came });
  const heldSaid = cell('held').toLowerCase();
  if (!YES.has(heldSaid) && !NO.has(heldSaid)) return bad('held', { code: 'held-unknown', text: cell('held') });
  return {
    ok: true,
    item: {
      unit,
      ...(outlined || both
        ? { width: said.width, height: said.height }
        : { width: inUnit(cell('width')), height: inUnit(cell('height')) }),
      quantity: Number(many) * said.quantity,
      kind: said.kind,
      trim: NO_TRIM,
      turned: 0,
      reserved: YES.has(heldSaid),
      ...(said.outline ? { outline: said.outline } : {}),
      ...(cell('place') ? { place: cell('place').slice(0, 80) } : {}),
      ...(day ? { came: day } : {}),
    },
    ...named,
  };
}

function paperNamed(
  words: string,
  papers: readonly { id: string; name: string }[],
): { paper: string | null; paperWords: string } | RowProblem {
  if (!words) return { code: 'paper-missing' };
  const asked = words.toLowerCase();
  const exact = papers.find((p) => p.name.toLowerCase() === asked);
  const near = papers.filter((p) => asked.split(/\s+/).every((word) => p.name.toLowerCase().includes(word)));
  if (!exact && near.length > 1) return { code: 'ambiguous-paper', words, names: near.map((p) => p.name) };
  return { paper: exact?.id ?? near[0]?.id ?? null, paperWords: words.slice(0, 80) };
}

/** What columns are called by others, the first as they are called here. */
const HEADINGS: Readonly<Record<StockColumn, readonly string[]>> = {
  quantity: ['how many', 'quantity', 'qty', 'count', 'number', 'pieces', 'pcs', 'amount', 'sheets left'],
  kind: ['kind', 'type', 'what', 'category', 'form'],
  width: ['width', 'w', 'wide', 'size', 'dimensions', 'across'],
  height: ['height', 'h', 'length', 'high', 'long', 'tall'],
  unit: ['unit', 'units', 'measure'],
  paper: ['paper', 'name', 'pattern', 'design', 'title', 'collection', 'colour', 'color'],
  place: ['place', 'where', 'location', 'kept', 'box', 'drawer', 'storage', 'bin', 'shelf'],
  came: ['came', 'date', 'bought', 'added', 'since', 'purchased', 'day'],
  held: ['held back', 'held', 'hold', 'reserved'],
  outline: ['outline', 'corners', 'shape'],
};
export const headingOf = (column: StockColumn): string => {
  const [first] = HEADINGS[column];
  return first!.charAt(0).toUpperCase() + first!.slice(1);
};

/** Which column each cell of a first row names; null where it names none. All null: it is no heading, but a row. */
export function matchNamedColumns(cells: readonly string[]): (StockColumn | null)[] {
  const taken = new Set<StockColumn>();
  const words = cells.map((cell) =>
    cell
      .toLowerCase()
      .replace(/[^\p{L}]+/gu, ' ')
      .trim(),
  );
  const named = cells.map((): StockColumn | null => null);
  const find = (fits: (heading: string, cell: string) => boolean) => {
    for (const [i, cell] of words.entries()) {
      if (named[i] || !cell) continue;
      const column = STOCK_COLUMNS.find((c) => !taken.has(c) && HEADINGS[c].some((heading) => fits(heading, cell)));
      if (!column) continue;
      named[i] = column;
      taken.add(column);
    }
  };
  find((heading, cell) => heading === cell);
  find((heading, cell) => heading.length > 2 && cell.split(' ').includes(heading));
  return named;
}

/** Columns of cells that nobody named, by what stands in them: sizes, numbers, kinds, and words for the paper. */
export function guessColumns(rows: readonly (readonly string[])[]): (StockColumn | null)[] {
  const wide = Math.max(0, ...rows.map((r) => r.length));
  const taken = new Set<StockColumn>();
  const most = (at: number, test: (text: string) => boolean): boolean => {
    const cells = rows.map((r) => (r[at] ?? '').trim()).filter(Boolean);
    return cells.length > 0 && cells.filter(test).length * 2 > cells.length;
  };
  return Array.from({ length: wide }, (_, at): StockColumn | null => {
    const is = (column: StockColumn, test: (text: string) => boolean) =>
      !taken.has(column) && most(at, test) ? (taken.add(column), column) : null;
    const length = (text: string) => parseLength(text, 'in').ok;
    const sized = is('width', (t) => /^[\d./\s]+[x×*]|\bby\b/i.test(t));
    if (sized) taken.add('height');
    return (
      sized ??
      is('kind', (t) => Boolean(KIND_SAID[t.toLowerCase().replace(/s$/, '')])) ??
      is('came', (t) => parseDay(t) !== null) ??
      is('unit', (t) => /^(in|inch|inches|mm|cm|")$/i.test(t)) ??
      // a count before a size, and after both of its numbers
      (at === 0 || taken.has('height') ? is('quantity', (t) => /^\d{1,4}$/.test(t)) : null) ??
      is('width', length) ??
      (taken.has('width') ? is('height', length) : null) ??
      is('paper', (t) => /\p{L}/u.test(t)) ??
      is('place', (t) => /\p{L}/u.test(t))
    );
  });
}

/** One line of a table that another program wrote, by the columns it has. */
export const readTableRow = (cells: readonly string[], columns: readonly (StockColumn | null)[]): StockRow =>
  Object.fromEntries(columns.flatMap((column, i) => (column && (cells[i] ?? '') !== '' ? [[column, cells[i]!]] : [])));

/** An item as a row, exactly: read again it is the same. */
export function stockRowOf(item: StockItem, paper: Paper | undefined): Record<StockColumn, string> {
  const size = sizeOfItem(item);
  const text = (value: LengthText) => (String(value) === '0' ? '0' : String(value));
  return {
    quantity: String(item.quantity),
    kind: item.kind,
    width: formatExactLength(size.width, item.unit),
    height: formatExactLength(size.height, item.unit),
    unit: item.unit,
    paper: paper?.name ?? item.paper,
    place: placeOf(item, paper) ?? '',
    came: item.came ?? '',
    held: item.reserved ? 'yes' : '',
    outline: item.outline ? item.outline.map(([x, y]) => `${text(x)} x ${text(y)}`).join(', ') : '',
  };
}
