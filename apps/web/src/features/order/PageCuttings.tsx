import { useUndoCut } from '../../data/orders/queries.ts';
import { Block } from '../../design/Block.tsx';
import { Quiet, QuietLink } from '../../design/buttons.tsx';
import { Notice } from '../../design/states.tsx';
import type { PageContext } from '../../data/pages/context.ts';

/** What was cut for this page, latest first, each to be taken back. */
export function PageCuttings({ context, cuttings }: { context: PageContext; cuttings: PageContext['cuttings'] }) {
  const undo = useUndoCut(context.id);
  if (!cuttings.length) return null;
  return (
    <Block>
      <h3>Cut so far</h3>
      <ul>
        {cuttings.map((c) => (
          <li key={c.id}>
            {c.cutAt.slice(0, 16).replace('T', ', ')}: {c.pieces.length} {c.pieces.length === 1 ? 'piece' : 'pieces'},{' '}
            {c.kept.length} kept{' '}
            {c.undoneAt ? (
              '(taken back)'
            ) : (
              <Quiet onPress={() => undo.mutate(c.id)} isDisabled={undo.isPending}>
                Take it back
              </Quiet>
            )}
          </li>
        ))}
      </ul>
      <QuietLink to="/books">All of it in the record</QuietLink>
      {undo.error ? (
        <Notice kind="block">
          <span>{undo.error.message}</span>
        </Notice>
      ) : null}
    </Block>
  );
}
