import { useMemo, useRef, useState, type CSSProperties, type ClipboardEvent } from 'react';
import { Button, DropZone, FileTrigger, type FileDropItem } from 'react-aria-components';
import { useVirtualizer } from '@tanstack/react-virtual';
import { styled } from 'styled-components';
import {
  STOCK_COLUMNS,
  matchNamedColumns,
  guessFace,
  headingOf,
  isEmptyRow,
  readTableRow,
  type PaperFace,
  type StockColumn,
} from '@temnex/core/stock';
import { SCREEN, describeRowProblem } from '@temnex/words';
import type { NewPaper, NewStock } from '@temnex/contract';
import { useDrawerStep } from '../../../data/stock/queries.ts';
import { parseCells, download, formatDrawerCsv } from '../../../data/csv.ts';
import { listPlacesIn } from '../../../widgets/stock/places.ts';
import { NARROW, sidewaysScroll } from '../../../design/global.ts';
import { Plain, Quiet, Strong } from '../../../design/buttons.tsx';
import { newId } from '../../../data/newId.ts';
import { Notice } from '../../../design/states.tsx';
import { formatToday, useDrawerContext } from '../context.ts';
import { Split } from '../../../design/Split.ts';
import { MatchColumns } from './MatchColumns.tsx';
import { NewPapers } from './NewPapers.tsx';
import { Line, ROW_HEIGHT, TypedRow } from './TypedRow.tsx';
import { emptyRow, useReadRows, useRows, type ReadTableRow, type Row } from './rows.ts';

/** The columns that are always there; others come with the rows that have them. */
const USUAL: readonly StockColumn[] = ['quantity', 'kind', 'width', 'height', 'paper', 'place', 'came'];
const WIDTHS: Readonly<Record<StockColumn, string>> = {
  quantity: '6rem',
  kind: '6.5rem',
  width: '6.5rem',
  height: '6.5rem',
  unit: '4rem',
  paper: 'minmax(8rem, 1.4fr)',
  place: 'minmax(6rem, 1fr)',
  came: '7.5rem',
  held: '6rem',
  outline: 'minmax(8rem, 1fr)',
};
/** So many are put in by one step. */
const AT_ONCE = 2000;

const Table = styled.section`
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  background: var(--sheet);
  ${NARROW} {
    height: 70dvh;
  }
`;
const Scroll = styled.div`
  position: relative;
  flex: 1;
  ${sidewaysScroll('var(--sheet)')}
  overflow: auto;
`;
const Head = styled(Line)`
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--room);
  border-bottom: 2px solid var(--ink);
  font-size: var(--s1);
  & > span {
    align-self: center;
    padding: 0 0.6rem;
  }
`;
const Slip = styled.aside`
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 1rem;
  padding: 0.9rem 1.5rem 2rem;
  border-left: 2px solid var(--ink);
  & > * {
    max-width: 100%;
  }
  ${NARROW} {
    padding: 0.9rem 0.75rem;
    border-left: 0;
  }
`;
const Zone = styled(DropZone)`
  width: 100%;
  padding: 0.8rem;
  border: 1.5px dashed var(--quiet);
  &[data-drop-target] {
    border-color: var(--ink);
    background: var(--sheet);
  }
  & button {
    padding: 0;
    border: 0;
    background: none;
    font: inherit;
    font-weight: 600;
    text-decoration: underline;
    text-underline-offset: 3px;
    cursor: pointer;
  }
`;
const Bad = styled.ul`
  & > li {
    padding: 0.15rem 0;
    font-size: var(--s1);
  }
`;
/** So many rows that do not read are named beside the table. */
const NAMED = 12;

/** A table for many at once: typed, pasted from a spreadsheet, or read from a CSV file. What does not read stays, and says why. */
export function PutMany() {
  const { drawer, habits, done } = useDrawerContext();
  const { rows, set } = useRows();
  const read = useReadRows(rows, drawer.papers, habits.unit);
  const step = useDrawerStep();
  const [matching, setMatching] = useState<{ name: string; cells: string[][] } | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const [looks, setLooks] = useState<Readonly<Record<string, PaperFace>>>({});
  const scroll = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW_HEIGHT,
    paddingStart: ROW_HEIGHT,
    overscan: 12,
  });
  const good = useMemo(
    () =>
      rows.flatMap((row, i) => (read[i]?.ok ? [{ row, read: read[i] as Extract<ReadTableRow, { ok: true }> }] : [])),
    [rows, read],
  );
  const bad = useMemo(
    () =>
      rows.flatMap((row, i) => {
        const one = read[i];
        return one && !one.ok ? [{ row, at: i, says: describeRowProblem(one.column, one.problem, SCREEN) }] : [];
      }),
    [rows, read],
  );
  // papers that are called by names nobody has yet
  const unknown = useMemo(() => {
    const names = new Map<string, string>();
    for (const { read: one } of good)
      if (one.paper === null)
        names.set(one.paperWords.toLowerCase(), names.get(one.paperWords.toLowerCase()) ?? one.paperWords);
    return [...names.values()];
  }, [good]);
  const columns = useMemo(
    () => STOCK_COLUMNS.filter((c) => USUAL.includes(c) || rows.some((row) => row.cells[c]?.trim())),
    [rows],
  );
  const faceOf = (name: string) => looks[name.toLowerCase()] ?? guessFace(name);

  const change = useMemo(
    () => (id: string, column: StockColumn, text: string) =>
      set((was) => was.map((row) => (row.id === id ? { ...row, cells: { ...row.cells, [column]: text } } : row))),
    [set],
  );
  const takeIn = (cells: readonly string[][], columns: readonly (StockColumn | null)[]) => {
    const more = cells.map((line): Row => ({ ...emptyRow(), cells: readTableRow(line, columns) }));
    set((was) => [...was.filter((row) => !isEmptyRow(row.cells)), ...more.filter((row) => !isEmptyRow(row.cells))]);
    setMatching(null);
  };
  const paste = useMemo(
    () => (id: string, column: StockColumn, event: ClipboardEvent) => {
      const text = event.clipboardData.getData('text');
      if (!/[\t\n]/.test(text.trimEnd())) return;
      event.preventDefault();
      const cells = parseCells(text);
      const named = matchNamedColumns(cells[0] ?? []);
      // a heading came along: it says what is what
      if (named.filter(Boolean).length > 1) return setMatching({ name: 'what was pasted', cells });
      const from = USUAL.indexOf(column);
      set((was) => {
        const at = was.findIndex((row) => row.id === id);
        const next = [...was];
        cells.forEach((line, i) => {
          const row = next[at + i] ?? emptyRow();
          const cut = Object.fromEntries(
            line.flatMap((cell, j) => (from >= 0 && USUAL[from + j] ? [[USUAL[from + j]!, cell]] : [])),
          );
          next[at + i] = { ...row, cells: { ...row.cells, ...cut } };
        });
        return next;
      });
    },
    [set],
  );
  const readFile = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > 20_000_000) return setTold(`${file.name} is larger than a drawer can be: 20 MB at the most.`);
    const cells = parseCells(await file.text());
    if (!cells.length) return setTold(`There are no rows in ${file.name}.`);
    setTold(null);
    setMatching({ name: file.name, cells });
  };

  const grid = { '--columns': `2.6rem ${columns.map((c) => WIDTHS[c]).join(' ')}` } as CSSProperties;
  const putIn = async () => {
    const made = new Map(unknown.map((name) => [name.toLowerCase(), newId()]));
    const papers = unknown.map((name): NewPaper => ({
      id: made.get(name.toLowerCase())!,
      name,
      sides: [faceOf(name)],
    }));
    let count = 0;
    try {
      for (let from = 0; from < good.length; from += AT_ONCE) {
        const some = good.slice(from, from + AT_ONCE);
        const put = some.map(({ read: one }): NewStock => {
          const paper = one.paper ?? made.get(one.paperWords.toLowerCase())!;
          return { ...one.item, id: newId(), paper };
        });
        const { id } = await step.mutateAsync({ says: 'put-in', put, ...(from ? {} : { papers }) });
        done(id);
        const gone = new Set(some.map(({ row }) => row.id));
        set((was) => was.filter((row) => !gone.has(row.id)));
        count += some.length;
      }
      setTold(`${count} put in.`);
    } catch {
      // the sentence stands below, and what was not put in stays
    }
  };

  return (
    <Split>
      <h1 className="out-of-sight">Put many in</h1>
      <Table aria-label="Rows to put in">
        {matching ? (
          <MatchColumns
            {...matching}
            take={(cells, columns) => takeIn(cells, columns)}
            leave={() => setMatching(null)}
          />
        ) : (
          <Scroll
            data-scrolls
            ref={scroll}
            role="table"
            aria-rowcount={rows.length + 1}
            aria-label="Rows to put in"
            style={grid}
          >
            <Head role="row">
              <b />
              {columns.map((column) => (
                <span key={column} role="columnheader">
                  {headingOf(column)}
                </span>
              ))}
            </Head>
            <div style={{ height: virtual.getTotalSize() - ROW_HEIGHT, position: 'relative' }} role="presentation">
              {virtual.getVirtualItems().map(({ index, start }) => (
                <TypedRow
                  key={rows[index]!.id}
                  row={rows[index]!}
                  at={index}
                  start={start - ROW_HEIGHT}
                  read={read[index] ?? null}
                  columns={columns}
                  change={change}
                  paste={paste}
                />
              ))}
            </div>
            <datalist id="papers-known">
              {drawer.papers.map((p) => (
                <option key={p.id} value={p.name} />
              ))}
            </datalist>
            <datalist id="places-known">
              {listPlacesIn(drawer).map((place) => (
                <option key={place} value={place} />
              ))}
            </datalist>
          </Scroll>
        )}
      </Table>
      <Slip aria-label="What the rows come to">
        <Zone
          aria-label="A CSV file"
          onDrop={(e) => {
            const item = e.items.find((one): one is FileDropItem => one.kind === 'file');
            if (item) void item.getFile().then(readFile);
          }}
        >
          <FileTrigger
            acceptedFileTypes={['text/csv', '.csv', '.tsv', '.txt']}
            onSelect={(files) => void readFile(files?.[0] ?? undefined)}
          >
            <Button>Read a CSV file</Button>
          </FileTrigger>
          , or drop it here. Rows copied from a spreadsheet can be pasted into the table.
        </Zone>
        {told ? <p role="status">{told}</p> : null}
        {step.error ? (
          <Notice kind="block">
            <span>{step.error.message} What was not put in is still here.</span>
          </Notice>
        ) : null}
        <p role="status">
          <b>{good.length}</b> {good.length === 1 ? 'row reads' : 'rows read'}
          {bad.length ? `, ${bad.length} ${bad.length === 1 ? 'does' : 'do'} not and will stay here` : ''}.
        </p>
        <NewPapers
          names={unknown}
          faceOf={faceOf}
          say={(name, face) => setLooks({ ...looks, [name.toLowerCase()]: face })}
        />
        <Strong onPress={() => void putIn()} isDisabled={!good.length || step.isPending}>
          Put in {good.length === 1 ? 'this one' : `these ${good.length}`}
        </Strong>
        {bad.length ? (
          <section>
            <h3>What does not read</h3>
            <Bad>
              {bad.slice(0, NAMED).map(({ row, at, says }) => (
                <li key={row.id}>
                  <Quiet onPress={() => virtual.scrollToIndex(at, { align: 'center' })}>Row {at + 1}</Quiet> {says}
                </li>
              ))}
            </Bad>
            {bad.length > NAMED ? <p>and {bad.length - NAMED} more</p> : null}
          </section>
        ) : null}
        {rows.some((row) => !isEmptyRow(row.cells)) ? (
          <Quiet onPress={() => set(() => [])}>Empty the table</Quiet>
        ) : null}
        <Plain
          onPress={() => download(`drawer-${formatToday()}.csv`, formatDrawerCsv(drawer))}
          isDisabled={!drawer.stock.length}
        >
          Write the drawer as CSV
        </Plain>
      </Slip>
    </Split>
  );
}
