import { Input, Label, TextField } from 'react-aria-components';
import { styled } from 'styled-components';
import { useState } from 'react';
import { Block } from '../../design/Block.tsx';
import { QuietLink } from '../../design/buttons.tsx';
import { Tick, Ticks } from '../../design/Tick.tsx';
import type { PageContext } from '../../data/pages/context.ts';

const Fields = styled.div`
  display: grid;
  gap: 0.5rem;
  margin-top: 0.4rem;
  & > * > p {
    font-size: var(--s1);
    color: var(--quiet);
  }
`;
const Count = styled(Input)`
  display: block;
  width: 4rem;
  min-height: 2.25rem;
  padding: 0.1rem 0.4rem;
  border: 0;
  border-bottom: 2px solid var(--ink);
  background: var(--sheet);
  font: 600 var(--s3) / 1.2 var(--figures);
  &[data-invalid] {
    border-color: var(--cut);
  }
`;

/** The same page so many times, parts of which one more is cut to be safe, and those that are cut first where paper is short. */
export function HowMany({ context }: { context: PageContext }) {
  const { page, change } = context.editor;
  // what is being typed; the page's own number otherwise, so that undo shows
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? String(page.copies);
  const wrong = !/^\d{1,3}$/.test(text.trim()) || Number(text) < 1 || Number(text) > 500;
  const commit = () => {
    if (wrong) return;
    if (Number(text) !== page.copies) change({ ...page, copies: Number(text) });
    setDraft(null);
  };
  const toggle = (list: 'spares' | 'first', piece: string) =>
    change({
      ...page,
      [list]: page[list].includes(piece) ? page[list].filter((p) => p !== piece) : [...page[list], piece],
    });
  const ticks = (list: 'spares' | 'first') =>
    context.derived.pieces.map((p) => (
      <Tick key={p.id} checked={page[list].includes(p.id)} onChange={() => toggle(list, p.id)}>
        {p.name}
      </Tick>
    ));
  return (
    <Block>
      <h3>How many</h3>
      <Fields>
        <TextField value={text} onChange={setDraft} onBlur={commit} isInvalid={wrong} validationBehavior="aria">
          <Label>of this page</Label>
          <Count inputMode="numeric" onKeyDown={(e) => e.key === 'Enter' && commit()} />
          {wrong ? <p role="alert">A number of pages from 1 to 500.</p> : null}
        </TextField>
        {page.copies > 1 ? <QuietLink to={`/page/${context.id}/kit`}>For whom, packing lists, labels</QuietLink> : null}
        <details>
          <summary>One spare of {page.spares.length ? `${page.spares.length} of the pieces` : 'a piece'}</summary>
          <Ticks>
            <legend>Cut last, where there is paper for it:</legend>
            {ticks('spares')}
          </Ticks>
        </details>
        <details>
          <summary>What matters most{page.first.length ? `: ${page.first.length} of the pieces` : ''}</summary>
          <Ticks>
            <legend>Cut first, where paper is short:</legend>
            {ticks('first')}
          </Ticks>
        </details>
      </Fields>
    </Block>
  );
}
