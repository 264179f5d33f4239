import { useState } from 'react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import type { Refusal } from '@temnex/contract';
import { ServerRefusal } from '../../data/client.ts';
import { useMendPage, useRemovePage } from '../../data/pages/queries.ts';
import { Plain, Quiet } from '../../design/buttons.tsx';
import { Notice } from '../../design/states.tsx';

const Sheet = styled.main`
  display: grid;
  gap: 0.8rem;
  justify-items: start;
  max-width: 60rem;
  padding: 1.5rem;
  & textarea {
    width: 100%;
    min-height: 22rem;
    padding: 0.6rem;
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    font: 400 var(--s1) / 1.45 monospace;
  }
`;

export const isUnreadable = (error: unknown): error is ServerRefusal =>
  error instanceof ServerRefusal && error.refusal.code === 'unreadable';

interface Stored {
  readonly id: string;
  readonly version: number;
  readonly document: unknown;
}

/** A page that cannot be read: its text, to be mended and saved, or the page taken out. */
export function MendPage({ refusal, opened }: { refusal: Refusal; opened: () => void }) {
  const { id, version, document } = refusal.current as Stored;
  const [text, setText] = useState(() => JSON.stringify(document, null, 1));
  const [wrong, setWrong] = useState<string | null>(null);
  const mend = useMendPage(id);
  const remove = useRemovePage();
  const navigate = useNavigate();
  const save = () => {
    try {
      setWrong(null);
      mend.mutate({ version, document: JSON.parse(text) as unknown }, { onSuccess: opened });
    } catch (error) {
      setWrong(`This is not JSON: ${error instanceof Error ? error.message : ''}`);
    }
  };
  const trouble = wrong ?? mend.error?.message ?? remove.error?.message;
  return (
    <Sheet>
      <h1>A page that cannot be read</h1>
      <p>{refusal.message}</p>
      {trouble ? (
        <Notice kind="block">
          <span>{trouble}</span>
        </Notice>
      ) : null}
      <textarea
        aria-label="what is stored of the page"
        value={text}
        onChange={(e) => setText(e.target.value)}
        spellCheck={false}
      />
      <p>
        <Plain onPress={save} isDisabled={mend.isPending}>
          Save it as it stands here
        </Plain>{' '}
        <Quiet onPress={() => remove.mutate(id, { onSuccess: () => void navigate('/') })}>Take the page out</Quiet>
      </p>
    </Sheet>
  );
}
