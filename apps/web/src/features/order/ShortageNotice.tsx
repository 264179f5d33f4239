import { styled } from 'styled-components';
import type { Job, Missing, WayOut } from '@temnex/core/planner';
import { applyWayOut, type WayOutChange } from '@temnex/core/cutting';
import { describeMissing } from '@temnex/words';
import { useAddStock, useChangeStock } from '../../data/stock/queries.ts';
import { Quiet } from '../../design/buttons.tsx';
import { Notice } from '../../design/states.tsx';
import type { PageContext } from '../../data/pages/context.ts';

const Ways = styled.ul`
  margin: 0.3rem 0 0;
  & > li {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    justify-content: space-between;
    gap: 0 1rem;
    padding: 0.15rem 0 0.15rem 0.9rem;
    border-left: 1.5px solid var(--ink);
  }
`;

interface ShortProps {
  missing: Missing;
  job: Job;
  context: PageContext;
  planning: boolean;
}

/** Why a piece cannot be cut, and what would help: each way out was planned, and is taken with a press. */
export function ShortageNotice({ missing, job, context, planning }: ShortProps) {
  const { editor, derived } = context;
  const drawer = useChangeStock();
  const putIn = useAddStock();
  const { why, help } = describeMissing(missing, job, { mark: derived.mark, figures: 'typeset' });
  // only what this part can be changed to
  const ways = missing.help.flatMap((way, i) => {
    const taken = applyWayOut(editor.page, derived, missing.piece, way.how);
    return taken ? [{ taken, action: ACTION[way.how.do], says: help[i]! }] : [];
  });
  const take = (taken: WayOutChange) => {
    if ('page' in taken) editor.change(taken.page);
    else if ('item' in taken) drawer.mutate({ id: taken.item, change: taken.change });
    else putIn.mutate(taken.bought);
  };
  const trouble = drawer.error ?? putIn.error;
  return (
    <div style={{ marginBottom: '0.8rem' }}>
      <Notice kind="block">
        <div style={{ flex: 1 }}>
          <b>Cannot be cut. {why}.</b>
          {ways.length ? (
            <Ways aria-label="What would help">
              {ways.map(({ taken, action, says }) => (
                <li key={says}>
                  <span>{says}</span>
                  <Quiet onPress={() => take(taken)} aria-label={`${action}: ${says}`}>
                    {action}
                  </Quiet>
                </li>
              ))}
            </Ways>
          ) : planning ? (
            <p>Looking for what would help.</p>
          ) : (
            <p>No single change that was tried would help.</p>
          )}
          {trouble ? <p role="alert">{trouble.message}</p> : null}
        </div>
      </Notice>
    </div>
  );
}

/** What is said on the button. */
const ACTION: Record<WayOut['how']['do'], string> = {
  turn: 'Turn it',
  'other-side': 'Use that side',
  elsewhere: 'Let it',
  'other-paper': 'Take it',
  release: 'Free it',
  'cut-through': 'It may be cut',
  tuck: 'Make it so',
  shorten: 'Make it so',
  buy: 'Bought: put in',
  ends: 'Cut the ends',
  join: 'Make it of two',
  'build-up': 'Build it up',
};
