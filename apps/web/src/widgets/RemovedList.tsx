import { styled } from 'styled-components';
import type { RemovedItem } from '@temnex/contract';
import { useRemoved, useRestoreRemoved } from '../data/removed.ts';
import { Quiet } from '../design/buttons.tsx';
import { Notice } from '../design/states.tsx';

const List = styled.ul`
  margin-top: 0.4rem;
  & li {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0.2rem 1rem;
    padding: 0.3rem 0;
  }
  & small {
    color: var(--quiet);
  }
`;

const nameOf = (r: RemovedItem): string =>
  r.kind === 'stock' ? `${r.count} × ${r.name}, ${r.width} × ${r.height} ${r.unit}` : r.name;

/** What was taken out, each to be brought back; nothing where nothing was. */
export function RemovedList({ kinds }: { kinds: readonly RemovedItem['kind'][] }) {
  const removed = useRemoved();
  const restore = useRestoreRemoved();
  const list = removed.data?.filter((r) => kinds.includes(r.kind)) ?? [];
  if (removed.error)
    return (
      <Notice kind="block">
        <span>What was taken out could not be fetched. {removed.error.message}</span>
        <Quiet onPress={() => void removed.refetch()}>Try again</Quiet>
      </Notice>
    );
  if (!list.length) return null;
  return (
    <details>
      <summary>Taken out ({list.length})</summary>
      {restore.error ? (
        <Notice kind="block">
          <span>{restore.error.message}</span>
        </Notice>
      ) : null}
      <List>
        {list.map((r) => (
          <li key={`${r.kind} ${r.id}`}>
            <span>{nameOf(r)}</span>
            <small>{Number.isNaN(Date.parse(r.removedAt)) ? '' : new Date(r.removedAt).toLocaleDateString()}</small>
            <Quiet
              aria-label={`Bring back ${nameOf(r)}`}
              onPress={() => restore.mutate(r)}
              isDisabled={restore.isPending}
            >
              Bring it back
            </Quiet>
          </li>
        ))}
      </List>
    </details>
  );
}
