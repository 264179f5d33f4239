import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Unit } from '@temnex/core/length';
import { isEmptyRow, readRow, type ReadRow, type StockRow } from '@temnex/core/stock';
import { keepValue, readKeptValue } from '../../../data/deviceStorage.ts';
import { newId } from '../../../data/newId.ts';

/* Rows that are typed or pasted before they are put in. They are kept in the browser: nothing is lost on the way. */

export interface Row {
  readonly id: string;
  readonly cells: StockRow;
}
const KEPT = 'temnex-rows';
/** So many empty rows stand there to be typed in. */
const READY = 12;
export const emptyRow = (): Row => ({ id: newId(), cells: {} });

function keptRows(): Row[] {
  const kept = readKeptValue(KEPT);
  const rows = Array.isArray(kept) ? kept.filter((cells) => typeof cells === 'object' && cells !== null) : [];
  return rows.map((cells) => ({ id: newId(), cells: cells as StockRow }));
}

/** Up to so many rows are kept at every change, more of them a moment later (milliseconds). */
const AT_ONCE = 300;
const LATER = 400;
function keepRows(rows: readonly Row[]): void {
  const filled = rows.filter((row) => !isEmptyRow(row.cells)).map((row) => row.cells);
  keepValue(KEPT, filled.length ? filled : null);
}

/** With as many empty rows at the end as there should be. */
function withReady(rows: readonly Row[]): Row[] {
  const last = rows.findLastIndex((row) => !isEmptyRow(row.cells));
  const filled = rows.slice(0, last + 1);
  const ready = rows.slice(last + 1, last + 1 + READY);
  return [...filled, ...ready, ...Array.from({ length: Math.max(0, READY - ready.length) }, emptyRow)];
}

export function useRows() {
  const [rows, setRows] = useState<readonly Row[]>(() => withReady(keptRows()));
  // of many rows not at every key; whatever was not kept yet is when the page is left
  const unkept = useRef<readonly Row[] | null>(null);
  useEffect(() => {
    unkept.current = rows;
    const keep = () => {
      if (unkept.current) keepRows(unkept.current);
      unkept.current = null;
    };
    if (rows.length <= AT_ONCE) keep();
    const timer = setTimeout(keep, LATER);
    addEventListener('pagehide', keep);
    return () => {
      clearTimeout(timer);
      removeEventListener('pagehide', keep);
    };
  }, [rows]);
  useEffect(() => () => void (unkept.current && keepRows(unkept.current)), []);
  const set = useCallback(
    (change: (rows: readonly Row[]) => readonly Row[]) => setRows((was) => withReady(change(was))),
    [],
  );
  return { rows, set };
}

export type ReadTableRow = ReadRow | null;
/** What each row comes to; an empty one to nothing. A row that has not changed is not read again. */
export function useReadRows(
  rows: readonly Row[],
  papers: readonly { id: string; name: string }[],
  unit: Unit,
): ReadTableRow[] {
  const known = useMemo(() => ({ papers, unit, read: new WeakMap<StockRow, ReadTableRow>() }), [papers, unit]);
  return useMemo(
    () =>
      rows.map(({ cells }) => {
        let read = known.read.get(cells);
        if (read === undefined)
          known.read.set(cells, (read = isEmptyRow(cells) ? null : readRow(cells, known.papers, known.unit)));
        return read;
      }),
    [rows, known],
  );
}
