import type { UnreadableRecord } from '@temnex/contract';
import { useForgetSearch, useGiveUpChallenge } from '../../data/stock/rules.ts';
import { useUnreadableRecords, useDiscardStep } from '../../data/stock/queries.ts';
import { Quiet } from '../../design/buttons.tsx';
import { Notice } from '../../design/states.tsx';

/** Searches, challenges or steps that cannot be read, so that their lists leave them out: each told, with the press that it goes by. */
export function UnreadableRecords({ of }: { of: ReadonlyArray<UnreadableRecord['what']> }) {
  const { data } = useUnreadableRecords();
  const forget = useForgetSearch();
  const giveUp = useGiveUpChallenge();
  const throwAway = useDiscardStep();
  const kinds = {
    search: { says: 'This search cannot be read', goes: 'Forget it', press: forget },
    challenge: { says: 'This challenge cannot be read', goes: 'Give it up', press: giveUp },
    step: { says: 'This step cannot be read, so it can’t be undone', goes: 'Throw it away', press: throwAway },
  };
  const trouble = forget.error ?? giveUp.error ?? throwAway.error;
  return (
    <>
      {data
        ?.filter(({ what }) => of.includes(what))
        .map(({ what, id, says }) => (
          <Notice key={id} kind="block">
            <span>
              {kinds[what].says}: “{says || 'nothing stands there'}”.
            </span>
            <Quiet onPress={() => kinds[what].press.mutate(id)}>{kinds[what].goes}</Quiet>
          </Notice>
        ))}
      {trouble ? (
        <Notice kind="block">
          <span>{trouble.message}</span>
        </Notice>
      ) : null}
    </>
  );
}
