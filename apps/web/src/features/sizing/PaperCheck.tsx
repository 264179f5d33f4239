import { useEffect } from 'react';
import { Input, Label, TextField } from 'react-aria-components';
import { styled } from 'styled-components';
import { parseSize } from '@temnex/core/length';
import { fitsIn, shortfall, type Size } from '@temnex/core/geometry';
import { recipeOf, type Blank, type LayoutContext } from '@temnex/core/recipes';
import type { JobDocument } from '@temnex/core/planner';
import { buildBlanksJob } from '@temnex/core/cutting';
import { formatLength, describeOffer, describeSheetCount, formatSize } from '@temnex/words';
import type { ConstructionEditor } from '../../widgets/construction/constructionEditor.ts';
import { usePlanner } from '../../data/planning/usePlanner.ts';
import { Quiet } from '../../design/buttons.tsx';

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.4rem 0.75rem;
  & label {
    font-size: var(--s1);
    color: var(--quiet);
  }
  & input {
    width: 8.5rem;
    min-height: 2.25rem;
    padding: 0.1rem 0.5rem;
    border: 0;
    border-bottom: 2px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
    font: 600 1.1rem/1.2 var(--figures);
    font-feature-settings: 'frac';
  }
  & input::placeholder {
    font: 400 var(--s1) / 1.2 var(--text);
    color: #6b6b6b;
  }
`;

/** Whether all pieces come from it, the number of sheets that takes, and what is left of them, planned a moment after the last change. */
function Sheets({ blanks, paper, table }: { blanks: readonly Blank[]; paper: Size; table: LayoutContext }) {
  const { state, plan } = usePlanner();
  const job = JSON.stringify(buildBlanksJob(blanks, paper, table));
  useEffect(() => {
    const timer = setTimeout(() => plan(JSON.parse(job) as JobDocument), 300);
    return () => clearTimeout(timer);
  }, [job, plan]);
  const found = state.status === 'done' ? state.plans['least-paper'] : undefined;
  if (!found || found.missing.length) return null;
  return <> It takes {describeSheetCount(found, paper, { mark: table.mark, figures: 'typeset' })}.</>;
}

interface PaperCheckProps {
  made: ConstructionEditor;
  /** The size of the paper, as typed. */
  text: string;
  setText: (text: string) => void;
}

/** Whether the largest piece comes from a paper at hand, by how much it is too long, and what would make it fit. */
export function PaperCheck({ made, text, setText }: PaperCheckProps) {
  const { table, solved, recipe, input } = made;
  const voice = { mark: table.mark, figures: 'typeset' } as const;
  const size = text.trim() ? parseSize(text, table.unit) : null;
  const paper: Size | null = size?.ok ? { width: size.value.width.ticks, height: size.value.height.ticks } : null;
  const blanks = solved.status === 'solved' ? solved.laid.blanks : [];
  const largest = blanks.reduce<Blank | null>(
    (most, b) => (!most || b.width * b.height > most.width * most.height ? b : most),
    null,
  );
  if (!largest) return null;
  const over = paper && shortfall(largest, paper);
  const offers = paper && over ? recipeOf(recipe).toComeFrom(input, table, largest.key, paper) : [];
  const long = over && [over.width, over.height].filter((o) => o > 0);
  return (
    <Line>
      <TextField value={text} onChange={setText} style={{ display: 'contents' }}>
        <Label>Does it come from a paper of</Label>
        <Input placeholder={`such as ${table.unit === 'in' ? '6 x 6' : '150 x 150'}`} autoComplete="off" />
      </TextField>
      <span aria-live="polite">
        {size && !size.ok ? 'A size, such as 6 x 6' : null}
        {paper && fitsIn(largest, paper) ? (
          <>
            Yes{fitsIn(largest, paper) === 'turned' ? ', turned' : ''}: the largest piece is{' '}
            {formatSize(largest.width, largest.height, voice)}.
            {blanks.every((blank) => fitsIn(blank, paper)) ? (
              <Sheets blanks={blanks} paper={paper} table={table} />
            ) : null}
          </>
        ) : null}
        {long?.length ? (
          <>
            {formatSize(largest.width, largest.height, voice)} is too long by{' '}
            {long.map((o) => formatLength(o, voice)).join(' and ')}.{' '}
            {offers.length ? (
              <Quiet onPress={() => made.take(offers)}>
                Trim: {offers.map((o) => describeOffer(recipe, o, voice)).join(', ')}
              </Quiet>
            ) : null}
          </>
        ) : null}
      </span>
    </Line>
  );
}
