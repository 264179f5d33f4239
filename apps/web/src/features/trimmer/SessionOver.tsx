import { styled } from 'styled-components';
import { OLD_AFTER_SESSION } from '../../data/keys.ts';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { countMinutes } from '@temnex/core/trimmer';
import { formatCount } from '@temnex/words';
import { Plain, PlainLink, Strong } from '../../design/buttons.tsx';
import { NameField } from '../../design/NameField.tsx';
import { Notice } from '../../design/states.tsx';
import { usePlanRest } from '../../data/sessions/usePlanRest.ts';
import type { LiveSession } from '../../data/sessions/useSession.ts';
import { Panel } from './Frame.tsx';

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1rem;
  margin: 1.2rem 0;
`;
const Figures = styled.dl`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 2.5rem;
  margin: 1rem 0;
  & dd {
    margin: 0;
    font: 600 2.4rem/1.1 var(--figures);
  }
`;

/** While the rest is planned anew, and what stands in its way. */
export function PlanningRest({ live }: { live: LiveSession }) {
  const rest = usePlanRest(live);
  const { session, state, press, offline, waiting } = live;
  const toPage =
    session.session.pages.length > 1
      ? `/drawer/together?pages=${session.session.pages.join(',')}`
      : `/page/${session.session.page}/papers`;
  const undo = (
    <Plain onPress={() => press({ do: 'right', order: state.left.at(-1)!.order })}>It was right after all</Plain>
  );
  return (
    <Panel aria-label="The rest is planned">
      {offline || waiting ? (
        <>
          <h2>What happened is kept here.</h2>
          <p role="status">
            {offline
              ? 'The server does not answer. The order for the rest comes as soon as it does; nothing is lost.'
              : 'It is being put down …'}
          </p>
        </>
      ) : rest.status === 'planning' ? (
        <h2 role="status">Planning the rest from what there is …</h2>
      ) : rest.status === 'asking' ? (
        <>
          <h2>
            {rest.saves === 1 ? 'A sheet could be saved' : `${formatCount(rest.saves, 'sheet')} could be saved`}, if
            sheets you have not started are cut differently.
          </h2>
          <p>Letters you have pencilled stay as they are either way.</p>
          <Line>
            <Strong onPress={() => rest.choose('recut')}>Save {formatCount(rest.saves, 'sheet')}</Strong>
            <Plain onPress={() => rest.choose('keep')}>Keep those sheets as planned</Plain>
            {undo}
          </Line>
        </>
      ) : rest.status === 'failed' ? (
        <>
          <h2>The rest could not be planned.</h2>
          <p>{rest.error.message}</p>
          <Line>
            <Strong onPress={rest.retry}>Try again</Strong>
            {undo}
          </Line>
        </>
      ) : rest.status === 'no-paper' ? (
        <>
          <h2>There is no paper left for the rest.</h2>
          <p>
            Missing: {rest.missing.slice(0, 6).join(', ')}. Choose another paper or put some into the drawer; this
            session goes on when you come back.
          </p>
          <Line>
            <PlainLink to={toPage}>Choose papers</PlainLink>
            <Plain onPress={() => press({ do: 'end', order: state.order })}>End the session here</Plain>
            {undo}
          </Line>
        </>
      ) : (
        <>
          <h2>The page has changed meanwhile.</h2>
          <p>Something in it must be mended before the rest can be planned. What is cut is in the books.</p>
          <Line>
            <PlainLink to={toPage}>To the page</PlainLink>
            <Plain onPress={() => press({ do: 'end', order: state.order })}>End the session here</Plain>
            {undo}
          </Line>
        </>
      )}
    </Panel>
  );
}

/** It was put down as a whole, or gave way to another order, while it was open here. */
export function PutDownElsewhere({ live }: { live: LiveSession }) {
  const { page, pages } = live.session.session;
  return (
    <Panel aria-label="The session has ended">
      <h2>This session has ended.</h2>
      <p>Its order was put down as a whole, or has given way to another one.</p>
      <Line>
        <PlainLink to={pages.length > 1 ? `/drawer/together?pages=${pages.join(',')}` : `/page/${page}/order`}>
          To the cutting order
        </PlainLink>
        <PlainLink to="/books">To the record</PlainLink>
      </Line>
    </Panel>
  );
}

/** It is put down: what it came to, a note, and the way back. */
export function SessionOver({ live }: { live: LiveSession }) {
  const { session, state, press } = live;
  const client = useQueryClient();
  const [noted, setNoted] = useState(0);
  // the drawer, the pages and their orders are not what they were
  useEffect(() => {
    for (const queryKey of OLD_AFTER_SESSION) void client.invalidateQueries({ queryKey });
  }, [client]);
  const minutes = countMinutes(session.events.map((e) => e.event));
  const cuts = session.events.filter((e) => e.idle === null && e.event.deed.do === 'done').length;
  const wrong = state.left.length;
  return (
    <Panel aria-label="The session is put down">
      <h2>It is cut, and put down.</h2>
      <Figures>
        <div>
          <dt>minutes</dt>
          <dd>{minutes}</dd>
        </div>
        <div>
          <dt>steps</dt>
          <dd>{cuts}</dd>
        </div>
        <div>
          <dt>planned anew</dt>
          <dd>{wrong}</dd>
        </div>
      </Figures>
      {state.notes.map((n) => (
        <p key={n.id}>“{n.text}”</p>
      ))}
      <div style={{ maxWidth: '26rem' }}>
        <NameField
          key={noted}
          label="a note for the record"
          value=""
          onCommit={(text) => {
            press({ do: 'note', text });
            setNoted(noted + 1);
          }}
        />
      </div>
      {live.waiting ? (
        <Notice kind="advice">
          <span role="status">{formatCount(live.waiting, 'press', 'presses')} still to be sent.</span>
        </Notice>
      ) : null}
      <Line>
        <PlainLink to={session.session.pages.length > 1 ? '/drawer/together' : `/page/${session.session.page}/order`}>
          Back to the cutting order
        </PlainLink>
        <Plain onPress={() => press({ do: 'on', order: state.order })}>Take it back: it is not put down</Plain>
      </Line>
    </Panel>
  );
}
