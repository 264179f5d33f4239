import { useState } from 'react';
import { createGlobalStyle, styled } from 'styled-components';
import { ticks } from '@temnex/core/length';
import { isBagFull, cutCountOf, missingCountInBag, nameOfBag, buildPackingList } from '@temnex/core/cutting';
import { PAPERS, type PrintPaper } from '@temnex/drawing';
import { formatCount } from '@temnex/words';
import { NARROW, sidewaysScroll } from '../../design/global.ts';
import { PlainLink, Strong } from '../../design/buttons.tsx';
import { Choice } from '../../design/Choice.tsx';
import { SizeFigure } from '../../design/Figure.tsx';
import { Empty, Notice } from '../../design/states.tsx';
import { Tick } from '../../design/Tick.tsx';
import { usePrinterPaper } from '../../data/usePrinterPaper.ts';
import { usePageContext } from '../../data/pages/context.ts';

/** Sheets of labels by their own sizes, in millimetres. */
const LABELS = {
  'a4-3x8': { name: '3 × 8 on A4, 70 × 37 mm', page: 'A4', across: 3, down: 8, width: 70, height: 37, top: 0.5, left: 0, gap: 0 }, // prettier-ignore
  'a4-2x7': { name: '2 × 7 on A4, 99 × 38 mm', page: 'A4', across: 2, down: 7, width: 99.1, height: 38.1, top: 15, left: 4.6, gap: 2.5 }, // prettier-ignore
  'letter-3x10': { name: '3 × 10 on letter, 2⅝ × 1 in', page: 'letter', across: 3, down: 10, width: 66.7, height: 25.4, top: 12.7, left: 4.8, gap: 3.2 }, // prettier-ignore
  plain: { name: 'plain paper, to be cut apart', page: 'A4', across: 3, down: 8, width: 60, height: 33, top: 10, left: 15, gap: 0 }, // prettier-ignore
} as const;
type LabelSheet = keyof typeof LABELS;

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.75rem 1.2rem;
  padding: 0.9rem 1.5rem;
  border-bottom: 1px solid var(--rule);
  ${NARROW} {
    padding: 0.9rem 0.75rem;
  }
`;
const Work = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: 17rem minmax(0, 1fr);
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
  @media print {
    display: block;
  }
`;
const Slip = styled.aside`
  padding: 1rem 1.5rem 2rem;
  & textarea {
    display: block;
    width: 100%;
    min-height: 16rem;
    margin-top: 0.2rem;
    padding: 0.4rem 0.5rem;
    border: 0;
    border-bottom: 2px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
    font: 400 var(--s2) / 1.6 var(--text);
  }
  & label {
    font-size: var(--s1);
    color: var(--quiet);
  }
`;
const Table = styled.div`
  padding: 1.5rem;
  min-width: 0;
  ${sidewaysScroll('var(--table)')}
  ${NARROW} {
    padding: 1rem 0.75rem;
  }
  @media print {
    padding: 0;
    background: none;
    overflow: visible;
  }
`;
const Lists = styled.div`
  columns: 19rem;
  column-gap: 2rem;
  @media print {
    columns: 2;
  }
`;
const Bag = styled.section`
  break-inside: avoid;
  margin-bottom: 1.4rem;
  padding: 0.7rem 0.9rem 0.8rem;
  background: #fff;
  & > h2 {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    padding-bottom: 0.3rem;
    border-bottom: 2px solid var(--ink);
  }
  & > h2 > span {
    font: 400 var(--s1) / 1.4 var(--text);
  }
  & li {
    display: grid;
    grid-template-columns: 1rem 1.6rem minmax(0, 1fr) auto;
    gap: 0.5rem;
    align-items: baseline;
    padding: 0.18rem 0;
    border-bottom: 1px solid var(--faint);
  }
  & li > i {
    width: 0.8rem;
    height: 0.8rem;
    border: 1.5px solid var(--ink);
  }
  & li > b {
    font-weight: 600;
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
`;
const Sheet = styled.div`
  position: relative;
  display: grid;
  align-content: start;
  margin-bottom: 1.5rem;
  background: #fff;
  @media print {
    margin: 0;
    break-after: page;
    &:last-child {
      break-after: auto;
    }
  }
`;
const Label = styled.div`
  display: flex;
  flex-direction: column;
  justify-content: center;
  overflow: hidden;
  padding: 2mm 4mm;
  outline: 0.2mm dashed var(--faint);
  line-height: 1.2;
  & > b {
    font: 600 14pt/1.1 var(--figures);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  & > span {
    font-size: 9pt;
  }
`;
const PrintSize = createGlobalStyle<{ $page: string; $margin: string }>`
  @page { size: ${(p) => p.$page} portrait; margin: ${(p) => p.$margin}; }
`;
const SIZE_OF = { A4: [210, 297], letter: [215.9, 279.4] } as const;

/** The page for a class: for whom each copy is, what goes into each bag, and labels for the bags. */
export function KitScreen() {
  const context = usePageContext();
  const { editor, derived, cutState, id } = context;
  const { page, change } = editor;
  const [shown, setShown] = useState<'lists' | 'labels'>('lists');
  const [sheet, setSheet] = useState<LabelSheet>(page.unit === 'in' ? 'letter-3x10' : 'a4-3x8');
  const [paper, setPaper] = usePrinterPaper(page.unit);
  const [skip, setSkip] = useState(false);
  const [draft, setDraft] = useState<string | null>(null);
  const lines = buildPackingList(derived.pieces, page.copies, (piece) => cutCountOf(cutState, piece));
  // Until an order is planned nobody knows what cannot be cut.
  const { order } = context.cutting;
  const missing = (piece: string): number =>
    order.status === 'shown' ? order.plan.missing.reduce((sum, m) => sum + (m.piece === piece ? m.quantity : 0), 0) : 0;
  const anyMissing = order.status === 'shown' && order.plan.missing.some((m) => lines.some((l) => l.piece === m.piece));
  const paperOf = (piece: string) => derived.pieces.find((p) => p.id === piece)?.wish?.papers[0];
  const names = new Map(context.drawer.papers.map((p) => [p.id, p.name]));
  const bags = Array.from({ length: page.copies }, (_, i) => i + 1);
  const full = bags.filter((bag) => isBagFull(lines, bag));
  const listed = skip ? bags.filter((bag) => !full.includes(bag)) : bags;
  const called = (bag: number) => nameOfBag(page, bag) ?? `Bag ${bag}`;
  const typed = draft ?? (page.bags ?? []).join('\n');
  const keep = () => {
    const list = typed
      .split('\n')
      .map((name) => name.trim().slice(0, 60))
      .filter((name, i, all) => name || i < all.length - 1)
      .map((name, i) => name || `Bag ${i + 1}`)
      .slice(0, 500);
    setDraft(null);
    if (list.join('\n') === (page.bags ?? []).join('\n')) return;
    const { bags: _were, ...rest } = page;
    // more names than copies: so many are made
    change({ ...rest, ...(list.length ? { bags: list } : {}), copies: Math.max(page.copies, list.length || 1) });
  };
  const pieces = lines.reduce((n, l) => n + l.each, 0);
  if (!derived.pieces.length)
    return (
      <Empty title="Nothing to pack yet">
        <p>The page has no pieces.</p>
        <PlainLink to={`/page/${id}`}>To the page</PlainLink>
      </Empty>
    );
  const of = LABELS[sheet];
  const perSheet = of.across * of.down;
  const sheets = Array.from({ length: Math.ceil(listed.length / perSheet) }, (_, i) =>
    listed.slice(i * perSheet, (i + 1) * perSheet),
  );
  const [pageWidth, pageHeight] = SIZE_OF[of.page];
  return (
    <>
      <PrintSize
        $page={shown === 'labels' ? of.page : PAPERS[paper].name}
        $margin={shown === 'labels' ? '0' : '12mm'}
      />
      <Bar className="no-print">
        <h1>In bags</h1>
        <Choice
          label="what is shown and printed"
          shown="shown"
          value={shown}
          options={[
            { id: 'lists', name: 'packing lists' },
            { id: 'labels', name: 'labels' },
          ]}
          onChange={setShown}
        />
        {shown === 'lists' ? (
          <Choice
            label="paper in the printer"
            value={paper}
            options={(Object.keys(PAPERS) as PrintPaper[]).map((p) => ({ id: p, name: PAPERS[p].name }))}
            onChange={setPaper}
          />
        ) : null}
        {shown === 'labels' ? (
          <Choice
            label="labels on a sheet"
            shown="sheet of labels"
            value={sheet}
            options={(Object.keys(LABELS) as LabelSheet[]).map((k) => ({ id: k, name: LABELS[k].name }))}
            onChange={setSheet}
          />
        ) : null}
        {full.length ? (
          <Tick checked={skip} onChange={() => setSkip(!skip)}>
            leave out {formatCount(full.length, 'bag')} of which all is cut
          </Tick>
        ) : null}
        <Strong onPress={() => window.print()}>Print</Strong>
        <PlainLink to={`/page/${id}/order`}>To the cutting order</PlainLink>
      </Bar>
      <Work>
        <Slip className="no-print">
          <p>
            {formatCount(page.copies, 'bag')}, {formatCount(pieces, 'piece')} in each, {pieces * page.copies} in all.
          </p>
          <p style={{ margin: '0.8rem 0' }}>
            <label>
              for whom, one a line
              <textarea
                value={typed}
                onChange={(e) => setDraft(e.target.value)}
                onBlur={keep}
                spellCheck={false}
                placeholder={'Runa\nIver\nMaren'}
              />
            </label>
          </p>
          <p>Extra names add pages.</p>
          {anyMissing ? (
            <Notice kind="block">
              <span>
                There is not enough paper for every bag; the lists say what is missing from which.{' '}
                <PlainLink to={`/page/${id}/order`}>See what would help</PlainLink>
              </span>
            </Notice>
          ) : null}
        </Slip>
        <Table>
          {shown === 'lists' ? (
            <Lists>
              {listed.map((bag) => (
                <Bag key={bag} aria-label={`Packing list for ${called(bag)}`}>
                  <h2>
                    {called(bag)}
                    <span>
                      {page.name}, {bag} of {page.copies}
                      {full.includes(bag) ? ', all cut' : ''}
                    </span>
                  </h2>
                  <ul>
                    {lines.map((l) => (
                      <li key={l.piece}>
                        <i aria-hidden="true" />
                        <b>{l.each - missingCountInBag(l, bag, missing(l.piece))}</b>
                        <span>
                          {l.name}
                          {paperOf(l.piece) ? `, ${names.get(paperOf(l.piece)!) ?? ''}` : ''}
                          {missingCountInBag(l, bag, missing(l.piece)) ? (
                            <strong>: {missingCountInBag(l, bag, missing(l.piece))} can’t be cut, no paper left</strong>
                          ) : null}
                        </span>
                        <SizeFigure width={ticks(l.width)} height={ticks(l.height)} mark={derived.mark} bare />
                      </li>
                    ))}
                  </ul>
                </Bag>
              ))}
            </Lists>
          ) : (
            sheets.map((some, i) => (
              <Sheet
                key={i}
                aria-label={`Sheet of labels ${i + 1} of ${sheets.length}`}
                style={{
                  width: `${pageWidth}mm`,
                  height: `${pageHeight - 0.5}mm`,
                  padding: `${of.top}mm 0 0 ${of.left}mm`,
                  gridTemplateColumns: `repeat(${of.across}, ${of.width}mm)`,
                  gridAutoRows: `${of.height}mm`,
                  columnGap: `${of.gap}mm`,
                }}
              >
                {some.map((bag) => (
                  <Label key={bag}>
                    <b>{called(bag)}</b>
                    <span>{page.name}</span>
                    <span>
                      bag {bag} of {page.copies} · {formatCount(pieces, 'piece')}
                    </span>
                  </Label>
                ))}
              </Sheet>
            ))
          )}
        </Table>
      </Work>
    </>
  );
}
