import { useState } from 'react';
import { FieldError, Input, Label, TextField } from 'react-aria-components';
import { styled } from 'styled-components';
import type { Paper } from '@temnex/core/stock';
import { Tick } from '../../design/Tick.tsx';

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.9rem;
  padding: 0.2rem 0 0.5rem;
`;
const Field = styled(TextField)`
  display: flex;
  flex-direction: column;
  width: 7.5rem;
  & label {
    font-size: var(--s1);
    color: var(--quiet);
  }
  & input {
    width: 100%;
    min-height: 2.25rem;
    padding: 0.1rem 0.4rem;
    border: 0;
    border-bottom: 2px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
    font: 600 var(--s2) / 1.2 var(--text);
  }
  &[data-invalid] input {
    border-bottom-color: var(--cut);
  }
  & [slot='errorMessage'] {
    font-size: var(--s1);
    color: var(--cut);
  }
`;

type Known = Pick<Paper, 'weight' | 'seeThrough' | 'place' | 'price' | 'pack'>;
/** What was typed as a fact; undefined: it is not known any more; null: it cannot be that. */
type Reading<T> = (text: string) => T | undefined | null;

const whole =
  (least: number, most: number): Reading<number> =>
  (text) => {
    const n = Number(text);
    return /^\d{1,7}$/.test(text) && n >= least && n <= most ? n : null;
  };
/** `1.20`, `1,2` or `14`: in whatever one pays in. */
const money: Reading<number> = (text) => {
  const read = /^(\d{1,5})(?:[.,](\d{1,2}))?$/.exec(text);
  return read ? Number(read[1]) * 100 + Number((read[2] ?? '').padEnd(2, '0')) : null;
};

/** What else is known of a paper: each typed where it stands, and emptied where nobody knows. */
export function Facts({ paper, change }: { paper: Paper; change: (facts: { [K in keyof Known]: Known[K] }) => void }) {
  const facts: Known = {
    ...(paper.weight === undefined ? {} : { weight: paper.weight }),
    ...(paper.seeThrough === undefined ? {} : { seeThrough: paper.seeThrough }),
    ...(paper.place === undefined ? {} : { place: paper.place }),
    ...(paper.price === undefined ? {} : { price: paper.price }),
    ...(paper.pack === undefined ? {} : { pack: paper.pack }),
  };
  const set = <K extends keyof Known>(name: K, value: Known[K] | undefined) => {
    const { [name]: _was, ...others } = facts;
    change(value === undefined ? others : { ...others, [name]: value });
  };
  const of = `of ${paper.name}`;
  return (
    <Row>
      <OneFact
        label={`grams ${of}`}
        shown="grams per m²"
        value={paper.weight === undefined ? '' : String(paper.weight)}
        read={whole(10, 2000)}
        says="a number from 10 to 2000"
        onCommit={(n) => set('weight', n)}
      />
      <OneFact
        label={`place ${of}`}
        shown="kept in"
        value={paper.place ?? ''}
        read={(text) => text.slice(0, 80)}
        says=""
        onCommit={(place) => set('place', place)}
      />
      <OneFact
        label={`price ${of}`}
        shown={paper.pack === undefined ? 'costs a sheet' : 'costs a pack'}
        value={paper.price === undefined ? '' : (paper.price / 100).toFixed(2)}
        read={money}
        says="a price, as 1.20"
        onCommit={(price) => set('price', price)}
      />
      <OneFact
        label={`sheets in a pack ${of}`}
        shown="sheets in a pack"
        value={paper.pack === undefined ? '' : String(paper.pack)}
        read={whole(1, 1000)}
        says="a number from 1 to 1000"
        onCommit={(pack) => set('pack', pack)}
      />
      <Tick checked={paper.seeThrough ?? false} onChange={() => set('seeThrough', paper.seeThrough ? undefined : true)}>
        can be seen through
      </Tick>
    </Row>
  );
}

interface OneFactProps<T> {
  label: string;
  shown: string;
  value: string;
  read: Reading<T>;
  /** What it must be. */
  says: string;
  onCommit: (value: T | undefined) => void;
}
function OneFact<T>({ label, shown, value, read, says, onCommit }: OneFactProps<T>) {
  const [draft, setDraft] = useState<{ base: string; text: string } | null>(null);
  const text = draft && draft.base === value ? draft.text : value;
  const fact = text.trim() ? read(text.trim()) : undefined;
  const commit = () => {
    if (fact === null) return;
    setDraft(null);
    if (text.trim() !== value) onCommit(fact);
  };
  return (
    <Field
      value={text}
      onChange={(t) => setDraft({ base: value, text: t })}
      onBlur={commit}
      isInvalid={fact === null}
      aria-label={label}
      onKeyDown={(e) => (e.key === 'Enter' ? commit() : e.key === 'Escape' ? setDraft(null) : undefined)}
    >
      <Label>{shown}</Label>
      <Input autoComplete="off" />
      <FieldError>{says}</FieldError>
    </Field>
  );
}
