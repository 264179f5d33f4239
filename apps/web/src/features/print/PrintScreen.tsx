import { useMemo } from 'react';
import { styled } from 'styled-components';
import { readJob } from '@temnex/core/planner';
import { isSameBasis } from '@temnex/core/cutting';
import { PAPERS, drawOrderPages, type PrintPaper } from '@temnex/drawing';
import { usePlan } from '../../data/orders/queries.ts';
import { PlainLink, Strong } from '../../design/buttons.tsx';
import { Choice } from '../../design/Choice.tsx';
import { DrawingView } from '../../design/DrawingView.tsx';
import { Empty, Loading, Notice, Trouble } from '../../design/states.tsx';
import { usePrinterPaper } from '../../data/usePrinterPaper.ts';
import { usePageContext } from '../../data/pages/context.ts';
import { PrintToolbar, PrintSize, PrintedPages } from './printedPages.ts';

const Old = styled.div`
  padding: 0.6rem 1.5rem;
  background: var(--sheet);
`;
/** The cutting order on paper, page by page as the PDF has it. */
export function PrintScreen() {
  const { id, editor, derived, basis, habits } = usePageContext();
  const plan = usePlan(id);
  const [paper, setPaper] = usePrinterPaper(editor.page.unit);
  const record = plan.data;
  const pages = useMemo(() => {
    const read = record ? readJob(record.job) : null;
    if (!record || !read?.ok) return null;
    const names = new Map(read.job.pieces.map((p) => [p.id, p.name]));
    return drawOrderPages(
      {
        title: editor.page.name,
        plan: record.plan,
        job: read.job,
        voice: { mark: derived.mark, figures: 'typeset' },
        pieceName: (piece) => names.get(piece) ?? piece,
        note: record.createdAt.slice(0, 10),
      },
      paper,
    );
  }, [record, editor.page.name, derived.mark, paper]);
  const stale = record && basis && (!isSameBasis(record.basis, basis) || record.plan.aim !== habits.aim);
  const refused = [...new Set(derived.problems.map((p) => derived.items.get(p.item ?? '')?.item.name ?? 'The page'))];
  if (plan.isPending) return <Loading what="the cutting order" />;
  if (plan.error) return <Trouble title="Nothing to print" error={plan.error} retry={() => void plan.refetch()} />;
  if (!record || !pages)
    return (
      <Empty title="Nothing to print yet">
        <p>Make a cutting order first.</p>
        <PlainLink to={`/page/${id}/order`}>To the cutting order</PlainLink>
      </Empty>
    );
  return (
    <>
      <PrintSize $paper={paper} />
      <PrintToolbar className="no-print">
        <h1>On paper</h1>
        <Choice
          label="paper in the printer"
          value={paper}
          options={(Object.keys(PAPERS) as PrintPaper[]).map((p) => ({ id: p, name: PAPERS[p].name }))}
          onChange={setPaper}
        />
        <Strong onPress={() => window.print()}>Print</Strong>
        <a href={`/api/plans/${record.id}/print.pdf?paper=${paper}`} target="_blank" rel="noreferrer">
          The same as PDF
        </a>
        <PlainLink to={`/page/${id}/order`}>Back to the cutting order</PlainLink>
      </PrintToolbar>
      {stale || refused.length ? (
        <Old className="no-print">
          <Notice kind="block">
            <span>
              {refused.length
                ? `${refused.join(', ')} cannot be made as it is: not all pieces of the page are in this order. `
                : ''}
              {stale ? 'This is not the order of the page as it is now: something has changed since it was made.' : ''}
            </span>
            <PlainLink to={`/page/${id}/order`}>Make it anew</PlainLink>
          </Notice>
        </Old>
      ) : null}
      <PrintedPages>
        {pages.map((page, i) => (
          <div key={i}>
            <DrawingView drawing={page} points />
          </div>
        ))}
      </PrintedPages>
    </>
  );
}
