import { Input, Label, TextField } from 'react-aria-components';
import { styled } from 'styled-components';
import { useState } from 'react';
import { Block } from '../../ui/Block.tsx';
import type { PageContext } from '../page/PageStation.tsx';

const Fields = styled.div`
  display: grid;
  gap: 0.5rem;
  margin-top: 0.4rem;
  & input[type='checkbox'] {
    width: 1.05rem;
    height: 1.05rem;
    accent-color: var(--ink);
  }
  & label {
    display: inline-flex;
    align-items: center;
    gap: 0.5rem;
    min-height: 1.8rem;
  }
  & fieldset {
    margin: 0;
    padding: 0;
    border: 0;
  }
  & legend,
  & p {
    font-size: var(--s1);
    color: var(--quiet);
  }
`;
const Count = styled(Input)`
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

/** The same page so many times, and parts of which one more is cut to be safe. */
export function HowMany({ context }: { context: PageContext }) {
  const { page, change } = context.editor;
  const [text, setText] = useState(String(page.copies));
  const wrong = !/^\d{1,3}$/.test(text.trim()) || Number(text) < 1 || Number(text) > 500;
  const commit = () => {
    if (!wrong && Number(text) !== page.copies) change({ ...page, copies: Number(text) });
  };
  const toggle = (part: string) =>
    change({
      ...page,
      spares: page.spares.includes(part) ? page.spares.filter((p) => p !== part) : [...page.spares, part],
    });
  return (
    <Block>
      <h3>How many</h3>
      <Fields>
        <TextField value={text} onChange={setText} onBlur={commit} isInvalid={wrong} validationBehavior="aria">
          <Label>of this page</Label>
          <Count inputMode="numeric" onKeyDown={(e) => e.key === 'Enter' && commit()} />
          {wrong ? <p role="alert">A number of pages from 1 to 500.</p> : null}
        </TextField>
        <details>
          <summary>One spare of {page.spares.length ? `${page.spares.length} of the pieces` : 'a piece'}</summary>
          <fieldset>
            <legend>Cut last, where there is paper for it:</legend>
            {context.derived.pieces.map((p) => (
              <label key={p.part}>
                <input type="checkbox" checked={page.spares.includes(p.part)} onChange={() => toggle(p.part)} />
                {p.name}
              </label>
            ))}
          </fieldset>
        </details>
      </Fields>
    </Block>
  );
}
