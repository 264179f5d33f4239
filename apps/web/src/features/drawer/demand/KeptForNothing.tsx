import type { DemandNote } from '@temnex/core/cutting';
import { useDrawerStep } from '../../../data/stock/queries.ts';
import { Quiet } from '../../../design/buttons.tsx';
import { Notice } from '../../../design/states.tsx';
import { useDrawerContext } from '../context.ts';
import { describeDemandNote } from './demandNotes.ts';

/** What is kept for pages that do not want it, to be set free with a press. */
export function KeptForNothing({ notes, names }: { notes: readonly DemandNote[]; names: ReadonlyMap<string, string> }) {
  const { drawer, done } = useDrawerContext();
  const step = useDrawerStep();
  const pages = new Set(notes.flatMap((n) => (n.code === 'kept-for-nothing' ? [n.page] : [])));
  const free = () => {
    const change = drawer.stock.flatMap((s) =>
      (s.reserves ?? [])
        .filter((r) => pages.has(r.page))
        .map(({ page }) => ({ stock: s.id, keep: { page, count: 0 } })),
    );
    step.mutate({ says: 'freed', change }, { onSuccess: ({ id }) => done(id) });
  };
  return (
    <Notice kind="advice">
      <span>
        {notes.map((n) => describeDemandNote(n, (id) => names.get(id) ?? 'a page that is cut or gone')).join(' ')}
      </span>
      <Quiet onPress={free} isDisabled={step.isPending}>
        Free it
      </Quiet>
    </Notice>
  );
}
