import { styled } from 'styled-components';
import { SCREEN, formatCount, describeHandling, formatSize } from '@temnex/words';
import { MARKS, lengthOf, type LengthText, type Unit } from '@temnex/core/length';
import type { RecordEntry, RecordedCut, RecordedItem } from '@temnex/contract';
import { useRecord } from '../../data/books.ts';
import { NARROW } from '../../design/global.ts';
import { sumEntry } from './entrySum.ts';
import { Plain, PlainLink, Quiet } from '../../design/buttons.tsx';
import { Empty, Loading, Trouble } from '../../design/states.tsx';
import { BooksPanel } from './BooksStation.tsx';

/* A ledger: the day in the margin, a rule between, what it took and gave on one line, all of it behind it. */
const Days = styled.ol`
  margin-top: 1rem;
  border-top: 2px solid var(--ink);
`;
const Entry = styled.li`
  display: grid;
  grid-template-columns: 8.5rem minmax(0, 1fr);
  gap: 0 1.5rem;
  padding: 0.9rem 0;
  border-bottom: 1px solid var(--rule);
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Day = styled.div`
  font: 600 1.5rem/1.1 var(--figures);
  & > span {
    display: block;
    font: 400 var(--s1) / 1.4 var(--text);
    color: var(--quiet);
  }
`;
const Sum = styled.p`
  font-variant-numeric: tabular-nums;
`;
const Note = styled.p`
  padding-left: 0.7rem;
  border-left: 4px solid var(--ink);
`;
const Inside = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
  gap: 0.8rem 2rem;
  padding: 0.6rem 0 0.2rem;
  & h4 {
    margin: 0 0 0.2rem;
    font-size: var(--s1);
    font-weight: 600;
  }
  & li {
    margin-bottom: 0.2rem;
  }
  & small {
    display: block;
    font-size: var(--s1);
    color: var(--quiet);
  }
  & [data-back] {
    text-decoration: line-through;
  }
`;
const WRONG = {
  size: 'one cut at another setting',
  edge: 'one cut from the wrong edge',
  torn: 'one torn',
  paper: 'one cut from another paper',
} as const;

const sized = ({ width, height, unit }: { width: LengthText | null; height: LengthText | null; unit: Unit }): string =>
  width === null || height === null
    ? 'a size that cannot be read'
    : formatSize(lengthOf(width, unit), lengthOf(height, unit), {
        ...SCREEN,
        mark: unit === 'mm' ? MARKS['0.5 mm'] : MARKS['1/32'],
      });
const isMoment = (at: string): boolean => !Number.isNaN(Date.parse(at));
const dayOf = (at: string): string =>
  isMoment(at)
    ? new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
    : 'day not readable';
const timeOf = (at: string): string =>
  isMoment(at) ? new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }) : '';

/** What was cut, when, from what, and what became of it. */
export function RecordScreen() {
  const record = useRecord();
  const entries = record.data?.pages.flatMap((p) => p.entries) ?? [];
  return (
    <BooksPanel>
      <h1>The record</h1>
      {record.isPending ? <Loading what="the record" /> : null}
      {record.error ? (
        <Trouble title="The record could not be fetched" error={record.error} retry={() => void record.refetch()} />
      ) : null}
      {record.data && !entries.length ? (
        <Empty title="Nothing is cut yet">
          <p>Every time at the trimmer stands here, with what it took and gave.</p>
          <PlainLink to="/">To the pages</PlainLink>
        </Empty>
      ) : null}
      {entries.length ? (
        <Days aria-label="What was cut, the latest first">
          {entries.map((e) => (
            <OneEntry key={e.id} entry={e} />
          ))}
        </Days>
      ) : null}
      {record.hasNextPage ? (
        <Plain
          onPress={() => void record.fetchNextPage()}
          isDisabled={record.isFetchingNextPage}
          style={{ marginTop: '1rem' }}
        >
          Earlier ones
        </Plain>
      ) : null}
    </BooksPanel>
  );
}

function OneEntry({ entry: e }: { entry: RecordEntry }) {
  const standing = e.cuts.filter((c) => !c.undoneAt);
  const sum = sumEntry(e.cuts);
  const spoiled = e.wrong.reduce((n, w) => n + w.spoiled, 0);
  const parts = [
    e.open ? 'in progress' : '',
    // of what cannot be read every number would be too small
    ...(standing.some((c) => c.unreadable)
      ? ['what it took and gave cannot be read']
      : [
          standing.length ? formatCount(sum.pieces, 'piece') : e.open ? '' : 'all taken back',
          standing.length ? `${formatCount(sum.used, 'sheet or scrap', 'sheets and scraps')} used` : '',
          sum.kept ? `${formatCount(sum.kept, 'offcut')} kept` : '',
        ]),
    ...e.wrong.flatMap((w) => (w.how ? [WRONG[w.how]] : [])),
    spoiled ? formatCount(spoiled, 'piece spoiled', 'pieces spoiled') : '',
    e.minutes === null || !standing.length ? '' : formatCount(e.minutes, 'minute'),
  ].filter(Boolean);
  return (
    <Entry>
      <Day>
        {dayOf(e.at)}
        <span>{timeOf(e.at)}</span>
      </Day>
      <div>
        <h2>{e.title}</h2>
        <Sum>{parts.join(' · ')}</Sum>
        {e.notes.map((text, i) => (
          <Note key={i}>{text}</Note>
        ))}
        {e.open && e.session ? <PlainLink to={`/trimmer/${e.session}`}>Go on at the trimmer</PlainLink> : null}
        {e.cuts.length ? (
          <details>
            <summary>What it took and gave</summary>
            {e.handling.map((order, i) => (
              <p key={i}>
                {i ? 'Planned again: ' : 'As planned: '}
                {formatCount(order.cuts, 'cut')}, {describeHandling(order)}
              </p>
            ))}
            {e.cuts.map((c) => (
              <OneCut key={c.id} cut={c} />
            ))}
            {e.session && !e.open ? (
              <Quiet onPress={() => location.assign(`/trimmer/${e.session}`)}>Open the session</Quiet>
            ) : null}
          </details>
        ) : null}
      </div>
    </Entry>
  );
}

function OneCut({ cut }: { cut: RecordedCut }) {
  const items = new Map(cut.used.map((u) => [u.stock, u]));
  return (
    <Inside>
      <div data-back={cut.undoneAt ? true : undefined}>
        <h4>
          Pieces, {timeOf(cut.cutAt)}
          {cut.undoneAt ? `, taken back ${dayOf(cut.undoneAt)}, ${timeOf(cut.undoneAt)}` : ''}
        </h4>
        <ul>
          {cut.pieces.map((p, i) => {
            const item = p.stock ? items.get(p.stock) : undefined;
            return (
              <li key={i}>
                {p.name}, {sized(p)} {p.paper}
                {p.cameOutAs ? `, measured ${sized({ ...p.cameOutAs, unit: p.unit })}` : ''}
                {item ? <small>{historyOf(item)}</small> : null}
              </li>
            );
          })}
        </ul>
      </div>
      <div>
        <h4>Used</h4>
        <ul>
          {cut.used.map((u) => (
            <li key={u.stock}>
              {u.count > 1 ? `${u.count} × ` : ''}
              {sized(u)} {u.paper}
            </li>
          ))}
        </ul>
      </div>
      <div>
        <h4>Kept</h4>
        <ul>
          {cut.kept.map((k) => (
            <li key={k.stock}>
              {sized(k)} {k.paper}
              {k.there ? '' : ', used since'}
            </li>
          ))}
          {cut.kept.length ? null : <li>nothing</li>}
        </ul>
      </div>
    </Inside>
  );
}

/** A piece's history back to its sheet: `from a scrap of 5 × 12, cut from 12 × 12 for First wind on 2026-05-30`. */
function historyOf(item: RecordedItem): string {
  const own = `from the ${item.kind} of ${sized(item)}${item.came ? `, here since ${item.came}` : ''}`;
  return [own, ...item.from.map((f) => `cut from ${sized(f)} for ${f.page} on ${f.day}`)].join('; ');
}
