import { useState } from 'react';
import { NO_OP_MESSAGES, formatCount } from '@temnex/words';
import type { LiveSession } from '../../data/sessions/useSession.ts';
import { Quiet } from '../../design/buttons.tsx';
import { Notice } from '../../design/states.tsx';

/** What was pressed here and another device had done, or done otherwise, in the meantime: said, until it has been read. */
export function DisagreementNotice({ live }: { live: LiveSession }) {
  const [read, setRead] = useState<ReadonlySet<string>>(new Set());
  // the same press on two devices is no disagreement: it was done
  const said = live.idle.filter((i) => i.why !== 'already' && !read.has(i.event.id));
  if (!said.length) return null;
  const [first] = said;
  return (
    <Notice kind="advice">
      <span>
        {formatCount(said.length, 'press', 'presses')} {said.length > 1 ? 'were' : 'was'} not carried out:{' '}
        {NO_OP_MESSAGES[first!.why]}.
      </span>
      <Quiet onPress={() => setRead(new Set(live.idle.map((i) => i.event.id)))}>Understood</Quiet>
    </Notice>
  );
}
