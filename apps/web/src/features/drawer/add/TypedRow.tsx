import { memo, type ClipboardEvent } from 'react';
import { styled } from 'styled-components';
import { headingOf, type StockColumn } from '@temnex/core/stock';
import { SCREEN, describeRowProblem } from '@temnex/words';
import type { ReadTableRow, Row } from './rows.ts';

/** In pixels. */
export const ROW_HEIGHT = 42;
/** What stands in the first row until something is typed. */
const EXAMPLES: Readonly<Partial<Record<StockColumn, string>>> = {
  quantity: '1',
  kind: 'scrap',
  width: '5 1/2',
  height: '3',
  paper: 'Teal swell',
  place: 'box 2',
  came: '2026-05-31',
};
/** A row of the table, or its head. */
export const Line = styled.div`
  display: grid;
  grid-template-columns: var(--columns);
  min-width: 54rem;
  height: ${ROW_HEIGHT}px;
  align-items: stretch;
  border-bottom: 1px solid var(--faint);
  & > b {
    display: grid;
    place-items: center;
    font: 600 var(--s1) / 1 var(--figures);
    color: var(--quiet);
  }
  & input {
    min-width: 0;
    width: 100%;
    padding: 0 0.6rem;
    border: 0;
    border-left: 1px solid var(--faint);
    border-radius: 0;
    background: transparent;
  }
  & input:focus {
    outline: 3px solid var(--ink);
    outline-offset: -3px;
  }
  &[data-good] > b {
    color: var(--keep);
  }
  &[data-bad] > b {
    background: var(--cut);
    color: #fff;
  }
  & input[aria-invalid='true'] {
    box-shadow: inset 0 -3px 0 var(--cut);
    font-weight: 600;
  }
`;

interface RowProps {
  row: Row;
  columns: readonly StockColumn[];
  at: number;
  start: number;
  read: ReadTableRow;
  change: (id: string, column: StockColumn, text: string) => void;
  paste: (id: string, column: StockColumn, event: ClipboardEvent) => void;
}
const LISTS: Partial<Record<StockColumn, string>> = { paper: 'papers-known', place: 'places-known' };

/** One row to be typed in; what does not read is marked, and says why. */
export const TypedRow = memo(function TypedRow({ row, columns, at, start, read, change, paste }: RowProps) {
  const wrong = read && !read.ok ? read : null;
  return (
    <Line
      role="row"
      aria-rowindex={at + 2}
      style={{ position: 'absolute', top: start, left: 0, right: 0 }}
      {...(wrong ? { 'data-bad': true } : read ? { 'data-good': true } : {})}
    >
      <b title={wrong ? describeRowProblem(wrong.column, wrong.problem, SCREEN) : undefined}>{at + 1}</b>
      {columns.map((column) => (
        <input
          key={column}
          type="text"
          role="cell"
          aria-label={`${headingOf(column)}, row ${at + 1}`}
          aria-invalid={wrong?.column === column}
          value={row.cells[column] ?? ''}
          placeholder={at === 0 && !read ? (EXAMPLES[column] ?? '') : ''}
          list={LISTS[column]}
          autoComplete="off"
          spellCheck={false}
          onChange={(e) => change(row.id, column, e.target.value)}
          onPaste={(e) => paste(row.id, column, e)}
          onKeyDown={(e) => {
            if (e.key !== 'Enter') return;
            e.preventDefault();
            const next = e.currentTarget.closest('[role="table"]');
            next
              ?.querySelector<HTMLInputElement>(
                `[aria-label="${headingOf(e.shiftKey ? column : columns[0]!)}, row ${at + 2}"]`,
              )
              ?.focus();
          }}
        />
      ))}
    </Line>
  );
});
