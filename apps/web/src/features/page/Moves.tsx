import { styled } from 'styled-components';
import type { Mark } from '@temnex/core/length';
import type { Move } from '@temnex/core/page';
import { formatLength } from '@temnex/words';

const List = styled.ul`
  columns: 1;
  font-variant-numeric: tabular-nums;
  & b {
    font-family: var(--figures);
  }
`;
const WHAT = { width: 'wide', height: 'high', x: 'from the left', y: 'from the bottom' } as const;

/** What moved since one last looked, so that nothing moves unseen. */
export function Moves({ moves, mark }: { moves: readonly Move[]; mark: Mark }) {
  const voice = { mark, figures: 'typeset' } as const;
  return (
    <List>
      {moves.slice(0, 14).map((m, i) => (
        <li key={i}>
          {m.name}: {m.what === 'added' || m.what === 'removed' ? m.what : null}
          {'to' in m ? (
            <>
              {formatLength(m.from, voice)} › <b>{formatLength(m.to, voice)}</b> {WHAT[m.what]}
            </>
          ) : null}
        </li>
      ))}
      {moves.length > 14 ? <li>and {moves.length - 14} more</li> : null}
    </List>
  );
}
