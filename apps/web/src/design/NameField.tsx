import { useState } from 'react';
import { Input, Label, TextField } from 'react-aria-components';
import { styled } from 'styled-components';

const Field = styled(TextField)`
  display: flex;
  flex-direction: column;
  & label {
    font-size: var(--s1);
    color: var(--quiet);
  }
  & input {
    width: 100%;
    padding: 0 0 0.1rem;
    border: 0;
    border-bottom: 1.5px dotted var(--quiet);
    border-radius: 0;
    background: transparent;
    font: 600 var(--s3) / 1.3 var(--figures);
    text-overflow: ellipsis;
  }
  & input[data-focused] {
    outline: 3px solid var(--ink);
    background: var(--sheet);
  }
`;

/** A name that is typed where it stands. Empty names are put back. */
export function NameField({
  label,
  value,
  onCommit,
}: {
  label: string;
  value: string;
  onCommit: (name: string) => void;
}) {
  const [draft, setDraft] = useState<{ base: string; text: string } | null>(null);
  const text = draft && draft.base === value ? draft.text : value;
  const commit = () => {
    const name = text.trim().slice(0, 120);
    setDraft(null);
    if (name && name !== value) onCommit(name);
  };
  return (
    <Field
      value={text}
      onChange={(t) => setDraft({ base: value, text: t })}
      onBlur={commit}
      onKeyDown={(e) => (e.key === 'Enter' ? commit() : e.key === 'Escape' ? setDraft(null) : undefined)}
    >
      <Label>{label}</Label>
      <Input autoComplete="off" maxLength={120} />
    </Field>
  );
}
