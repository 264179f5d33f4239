import { useMemo, useState } from 'react';
import { styled } from 'styled-components';
import { STOCK_COLUMNS, guessColumns, matchNamedColumns, headingOf, type StockColumn } from '@temnex/core/stock';
import { Plain, Quiet, Strong } from '../../../design/buttons.tsx';
import { Choice } from '../../../design/Choice.tsx';
import { Tick } from '../../../design/Tick.tsx';

const Box = styled.section`
  flex: 1;
  padding: 1rem 1.5rem 2rem;
  overflow: auto;
`;
const Grid = styled.table`
  margin: 0.9rem 0;
  border-collapse: collapse;
  border-top: 2px solid var(--ink);
  & th {
    padding: 0.5rem 1rem 0.5rem 0;
    text-align: left;
    font-weight: 400;
    vertical-align: bottom;
  }
  & td {
    max-width: 14rem;
    padding: 0.3rem 1rem 0.3rem 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    border-top: 1px solid var(--faint);
    color: var(--quiet);
  }
`;
const Foot = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1rem;
  align-items: center;
`;
/** So many rows are shown of a file. */
const SHOWN = 6;
const LEFT_OUT = '';

interface MatchProps {
  name: string;
  cells: string[][];
  take: (cells: readonly string[][], columns: readonly (StockColumn | null)[]) => void;
  leave: () => void;
}

/** Which column of a file is what: guessed by its heading, or by what stands in it, and to be corrected. */
export function MatchColumns({ name, cells, take, leave }: MatchProps) {
  const named = useMemo(() => matchNamedColumns(cells[0] ?? []), [cells]);
  const [heading, setHeading] = useState(() => named.filter(Boolean).length > 1);
  const [own, setOwn] = useState<Readonly<Record<number, StockColumn | null>>>({});
  const rows = heading ? cells.slice(1) : cells;
  const wide = Math.max(0, ...cells.map((line) => line.length));
  const guessed = useMemo(() => (heading ? named : guessColumns(cells.slice(0, 50))), [heading, named, cells]);
  const columns = Array.from({ length: wide }, (_, i) => (i in own ? own[i]! : (guessed[i] ?? null)));
  const missing = !columns.includes('paper')
    ? 'No column says which paper it is.'
    : !columns.includes('width') && !columns.includes('outline')
      ? 'No column says how large it is.'
      : null;
  return (
    <Box aria-label="Which column is what">
      <h2>
        {rows.length.toLocaleString()} {rows.length === 1 ? 'row' : 'rows'} of {name}
      </h2>
      <p>Which column is what? A size may stand in one cell, as 5 1/2 x 3, in “Width”.</p>
      <Tick checked={heading} onChange={() => setHeading(!heading)}>
        The first row names the columns
      </Tick>
      <Grid>
        <thead>
          <tr>
            {columns.map((column, i) => (
              <th key={i} scope="col">
                <Choice
                  label={heading ? cells[0]?.[i] || `column ${i + 1}` : `column ${i + 1}`}
                  value={column ?? LEFT_OUT}
                  options={[
                    { id: LEFT_OUT, name: 'left out' },
                    ...STOCK_COLUMNS.map((id) => ({ id, name: headingOf(id) })),
                  ]}
                  onChange={(to) => {
                    const was = columns.indexOf(to as StockColumn);
                    setOwn({
                      ...own,
                      ...(to && was >= 0 ? { [was]: null } : {}),
                      [i]: to === '' ? null : (to as StockColumn),
                    });
                  }}
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, SHOWN).map((line, i) => (
            <tr key={i}>
              {columns.map((_, j) => (
                <td key={j}>{line[j] ?? ''}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Grid>
      {missing ? <p role="alert">{missing} Those rows will say so and wait for it.</p> : null}
      <Foot>
        <Strong onPress={() => take(rows, columns)}>Take them into the table</Strong>
        <Plain onPress={leave}>Leave them</Plain>
        {rows.length > SHOWN ? <Quiet isDisabled>{SHOWN} of them are shown</Quiet> : null}
      </Foot>
    </Box>
  );
}
