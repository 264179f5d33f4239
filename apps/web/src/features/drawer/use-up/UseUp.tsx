import { useMemo, useState } from 'react';
import { Input, Label } from 'react-aria-components';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { compileStockQuery, isEmptyQuery, parseStockQuery } from '@temnex/core/stock';
import { computePace } from '@temnex/core/cutting';
import type { ChallengeRecord } from '@temnex/contract';
import { formatCount, describeSearchProblem, describePace, describeStockQuery, describeWhyNot } from '@temnex/words';
import { useBeginChallenge, useChallenges, useGiveUpChallenge } from '../../../data/stock/rules.ts';
import { UnreadableRecords } from '../../../widgets/stock/UnreadableRecords.tsx';
import { listPlacesIn } from '../../../widgets/stock/places.ts';
import { NARROW } from '../../../design/global.ts';
import { Quiet, Strong } from '../../../design/buttons.tsx';
import { Loading, Notice, Trouble } from '../../../design/states.tsx';
import { formatToday, useDrawerContext } from '../context.ts';
import { TypedField } from '../../../design/Split.ts';

const Work = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 24rem;
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Going = styled.section`
  padding: 1.1rem 1.5rem 2rem;
  min-width: 0;
  ${NARROW} {
    padding: 0.9rem 0.75rem;
  }
`;
const One = styled.li`
  padding: 1rem 0 1.2rem;
  border-top: 2px solid var(--ink);
  & > div:first-child {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0.2rem 1rem;
  }
  & b {
    font: 600 var(--s5) / 1 var(--figures);
  }
  & b + span {
    font: 600 var(--s3) / 1 var(--figures);
    color: var(--quiet);
  }
  & p {
    margin-top: 0.35rem;
  }
  & ul {
    margin-top: 0.4rem;
    font-size: var(--s1);
  }
`;
const CHALLENGES = ['challenge'] as const;
/** A mark for each piece, taller at every tenth, black as far as they are cut: a tape of them. */
const Tape = styled.div<{ $pieces: number; $share: number }>`
  position: relative;
  height: 30px;
  margin-top: 0.6rem;
  background-color: var(--sheet);
  background-image:
    repeating-linear-gradient(90deg, var(--ink) 0 1px, transparent 1px ${(p) => 1000 / p.$pieces}%),
    repeating-linear-gradient(
      90deg,
      var(--rule) 0 1px,
      transparent 1px ${(p) => (p.$pieces > 150 ? 1000 : 100) / p.$pieces}%
    );
  background-size:
    100% 20px,
    100% 10px;
  background-position: 0 100%;
  background-repeat: no-repeat;
  border-bottom: 2px solid var(--ink);
  &::after {
    content: '';
    position: absolute;
    left: 0;
    bottom: 0;
    width: ${(p) => p.$share * 100}%;
    height: 9px;
    background: var(--ink);
  }
`;
const Slip = styled.aside`
  padding: 1.1rem 1.5rem 2rem;
  background: var(--sheet);
  border-left: 2px solid var(--ink);
  & input {
    background: var(--room);
  }
  & form {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 0.7rem;
    justify-items: start;
    margin-top: 0.7rem;
  }
  ${NARROW} {
    padding: 0.9rem 0.75rem;
    border-left: 0;
    border-top: 2px solid var(--ink);
  }
`;
const Days = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  & > :first-child {
    grid-column: 1 / -1;
    width: 6rem;
  }
  gap: 0.7rem;
  width: 100%;
`;

/** Something to use up, by a rule of one's own: counted as it is cut, with the pace that it asks for. */
export function UseUpScreen() {
  const list = useChallenges();
  if (list.error)
    return (
      <Trouble
        title="What is to be used up could not be fetched"
        error={list.error}
        retry={() => void list.refetch()}
      />
    );
  if (!list.data) return <Loading what="what is to be used up" />;
  return (
    <Work>
      <h1 className="out-of-sight">Use up</h1>
      <Going aria-label="What is being used up">
        <UnreadableRecords of={CHALLENGES} />
        {list.data.length ? (
          <ul>
            {list.data.map((c) => (
              <Challenge key={c.id} challenge={c} />
            ))}
          </ul>
        ) : (
          <>
            <h2>Nothing is to be used up</h2>
            <p>
              Set out to: so many pieces from what your rule says, by a day. They are counted as you cut, from any page;
              what does not count is told, and why.
            </p>
          </>
        )}
      </Going>
      <Begin />
    </Work>
  );
}

function Challenge({ challenge: c }: { challenge: ChallengeRecord }) {
  const { drawer, habits, mark } = useDrawerContext();
  const giveUp = useGiveUpChallenge();
  const voice = { mark, figures: 'typeset' } as const;
  const said = useMemo(
    () => parseStockQuery(c.line, habits.unit, listPlacesIn(drawer), c.from),
    [c.line, c.from, habits.unit, drawer],
  );
  const left = useMemo(() => {
    if (!said.ok) return 0;
    const { matches } = compileStockQuery(said.sought, drawer.papers);
    return drawer.stock.filter(matches).reduce((n, s) => n + s.quantity, 0);
  }, [said, drawer]);
  const pace = computePace(c, c.counted, formatToday());
  const days = Object.entries(c.days).sort(([a], [b]) => (a < b ? 1 : -1));
  return (
    <One>
      <div>
        <b>{c.counted}</b>
        <span>of {c.pieces}</span>
        <h2>{c.name}</h2>
      </div>
      <Tape $pieces={c.pieces} $share={Math.min(1, c.counted / c.pieces)} aria-hidden="true" />
      <p>
        <strong>{describePace(pace)}</strong> {c.from} to {c.to}.
      </p>
      <p>
        What counts: {said.ok ? describeStockQuery(said.sought, voice).join(' · ') : c.line}.{' '}
        <Link to={`/drawer?find=${encodeURIComponent(c.line)}`}>{left.toLocaleString()} of it are in the drawer</Link>.
        {c.rest ? ` The rest: ${c.rest}.` : ''}
      </p>
      {days.length ? (
        <p>
          {days
            .slice(0, 7)
            .map(([day, n]) => `${day}: ${n}`)
            .join(' · ')}
        </p>
      ) : null}
      {c.not.length && said.ok ? (
        <ul aria-label="What did not count">
          {c.not.slice(0, 6).map((n) => (
            <li key={n.stock}>
              {formatCount(n.pieces, 'piece')} from a {n.what}: {n.pieces === 1 ? 'does' : 'do'} not count,{' '}
              {describeWhyNot(n.why, said.sought, voice)}.
            </li>
          ))}
        </ul>
      ) : null}
      <Quiet onPress={() => giveUp.mutate(c.id)} isDisabled={giveUp.isPending} aria-label={`Give up ${c.name}`}>
        {pace.status === 'done' ? 'Put it away' : 'Give it up'}
      </Quiet>
    </One>
  );
}

const DAY = 86_400_000;
const plusDays = (day: string, n: number): string => new Date(Date.parse(day) + n * DAY).toISOString().slice(0, 10);

function Begin() {
  const { drawer, habits, mark } = useDrawerContext();
  const begin = useBeginChallenge();
  const [line, setLine] = useState('scraps narrower than 5');
  const [name, setName] = useState('');
  const [pieces, setPieces] = useState('60');
  const [from, setFrom] = useState(formatToday);
  const [to, setTo] = useState(() => plusDays(formatToday(), 5));
  const [rest, setRest] = useState('');
  const voice = { mark, figures: 'typeset' } as const;
  const said = useMemo(
    () => parseStockQuery(line, habits.unit, listPlacesIn(drawer), from),
    [line, habits.unit, drawer, from],
  );
  const there = useMemo(() => {
    if (!said.ok) return 0;
    const { matches } = compileStockQuery(said.sought, drawer.papers);
    return drawer.stock.filter(matches).reduce((n, s) => n + s.quantity, 0);
  }, [said, drawer]);
  const many = /^\d{1,5}$/.test(pieces.trim()) ? Number(pieces) : 0;
  // why it cannot be begun so
  const not = !said.ok
    ? describeSearchProblem(said.problem)
    : isEmptyQuery(said.sought)
      ? 'That would be everything: say what counts.'
      : !many || many > 10_000
        ? 'How many pieces: a number from 1 to 10 000.'
        : !from || !to || to < from
          ? 'The last day is before the first.'
          : !there
            ? 'Nothing in the drawer counts by this rule.'
            : null;
  const voiceOf = said.ok ? describeStockQuery(said.sought, voice).join(' · ') : '';
  return (
    <Slip aria-label="Set out to use something up">
      <h2>Use something up</h2>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          if (not) return;
          begin.mutate(
            {
              name: name.trim() || line.trim().slice(0, 80),
              line: line.trim(),
              pieces: many,
              from,
              to,
              rest: rest.trim(),
            },
            { onSuccess: () => setName('') },
          );
        }}
      >
        <TypedField value={line} onChange={setLine}>
          <Label>what counts, said as what one looks for</Label>
          <Input autoComplete="off" spellCheck={false} data-say-line />
        </TypedField>
        <p>
          {voiceOf}
          {said.ok && there ? `: ${there.toLocaleString()} in the drawer` : ''}
        </p>
        <Days>
          <TypedField value={pieces} onChange={setPieces}>
            <Label>pieces</Label>
            <Input inputMode="numeric" autoComplete="off" />
          </TypedField>
          <TypedField value={from} onChange={setFrom}>
            <Label>from</Label>
            <Input type="date" />
          </TypedField>
          <TypedField value={to} onChange={setTo}>
            <Label>to</Label>
            <Input type="date" />
          </TypedField>
        </Days>
        <TypedField value={rest} onChange={setRest}>
          <Label>what happens to the rest</Label>
          <Input autoComplete="off" maxLength={200} placeholder="such as: to the school" />
        </TypedField>
        <TypedField value={name} onChange={setName}>
          <Label>what you call it</Label>
          <Input autoComplete="off" maxLength={80} placeholder={line} />
        </TypedField>
        <p role="status">{not ?? describePace(computePace({ pieces: many, from, to }, 0, from))}</p>
        <Strong type="submit" isDisabled={not !== null || begin.isPending}>
          Set out
        </Strong>
        {begin.error ? (
          <Notice kind="block">
            <span>{begin.error.message}</span>
          </Notice>
        ) : null}
      </form>
    </Slip>
  );
}
